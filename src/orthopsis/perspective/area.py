"""A region of the plane between straight and curved sides; what lies within it by even and odd."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from functools import cached_property
from itertools import pairwise

from orthopsis.perspective.ellipse import Ellipse, EllipseArc
from orthopsis.perspective.segments import (
    XY,
    Box,
    Portion,
    Segment,
    at,
    box_of,
    boxes_touch,
    crossings,
    distance_to_segment,
    inside,
    length,
    merged,
    on_border,
    portions_inside,
    remainder,
    sides_crossed,
)
from orthopsis.perspective.tolerance import EXACT, Tolerance

FAR_AWAY: XY = (1.0e5, 1.37e4)
"""A way out of any region that runs along no side of a drawing."""


@dataclass(frozen=True)
class Area:
    """Loops of corners, those within others being holes. `bends` gives the arc of a curved side by
    its loop and the number of the corner it starts from; all other sides are straight.
    """

    loops: tuple[tuple[XY, ...], ...]
    bends: Mapping[tuple[int, int], EllipseArc] = field(default_factory=dict)

    @property
    def straight(self) -> Iterator[Segment]:
        """The straight sides."""
        for i, loop in enumerate(self.loops):
            for k, corner in enumerate(loop):
                if (i, k) not in self.bends:
                    yield corner, loop[(k + 1) % len(loop)]

    @property
    def box(self) -> Box:
        """Left, top, right and bottom of corners and arcs."""
        places = [corner for loop in self.loops for corner in loop]
        for (left, top, right, bottom), _ in self._arcs:
            places += [(left, top), (right, bottom)]
        return box_of(places)

    @cached_property
    def _arcs(self) -> list[tuple[Box, EllipseArc]]:
        return [(arc.box, arc) for arc in self.bends.values()]

    @cached_property
    def _sides(self) -> list[Segment]:
        return list(self.straight)

    def crossings(self, segment: Segment) -> list[float]:
        """Sorted t at which a segment crosses or touches the border, with 0 and 1."""
        if not self.bends:
            return crossings(segment, self.loops)
        found = {0.0, 1.0, *sides_crossed(segment, self._sides), *self._bend_crossings(segment)}
        return sorted(found)

    def _bend_crossings(self, segment: Segment) -> Iterator[float]:
        box = box_of(segment)
        for there, arc in self._arcs:
            if not boxes_touch(there, box):
                continue
            ellipse = arc.ellipse
            (u0, v0), (u1, v1) = ellipse.unit(segment[0]), ellipse.unit(segment[1])
            du, dv = u1 - u0, v1 - v0
            square, half = du * du + dv * dv, u0 * du + v0 * dv
            under = half * half - square * (u0 * u0 + v0 * v0 - 1.0)
            if under < 0.0 or square == 0.0:
                continue
            reach = math.sqrt(under)
            for t in ((-half - reach) / square, (-half + reach) / square):
                if 0.0 < t < 1.0 and arc.spans(math.atan2(v0 + t * dv, u0 + t * du)):
                    yield t

    def inside(self, point: XY) -> bool:
        """Whether a point lies within the region."""
        if not self.bends:
            return inside(point, self.loops)
        x, y = point
        out = point, (x + FAR_AWAY[0], y + FAR_AWAY[1])
        count = sum(1 for _ in self._bend_crossings(out))
        for (ax, ay), (bx, by) in self._sides:
            a = FAR_AWAY[0] * (ay - y) - FAR_AWAY[1] * (ax - x)
            b = FAR_AWAY[0] * (by - y) - FAR_AWAY[1] * (bx - x)
            if (a > 0.0) != (b > 0.0):
                count += ax + (bx - ax) * a / (a - b) > x
        return count % 2 == 1

    def on_border(self, point: XY, tolerance: Tolerance = EXACT) -> bool:
        """Whether a point lies on one of the sides."""
        if not self.bends:
            return on_border(point, self.loops, tolerance)
        return any(
            distance_to_segment(point, side) <= tolerance.paper_mm for side in self.straight
        ) or any(arc.holds(point, tolerance.paper_mm) for arc in self.bends.values())

    def portions_inside(self, segment: Segment, tolerance: Tolerance = EXACT) -> list[Portion]:
        """The portions of a segment that run inside; along a side is not inside."""
        if not self.bends:
            return portions_inside(segment, self.loops, tolerance)
        size = length(segment)
        found = []
        for t0, t1 in pairwise(self.crossings(segment)):
            middle = at(segment, (t0 + t1) / 2)
            if (t1 - t0) * size <= tolerance.paper_mm or not self.inside(middle):
                continue
            if not self.on_border(middle, tolerance):
                found.append((t0, t1))
        return merged(found)


def outside(segment: Segment, areas: Iterable[Area]) -> list[Portion]:
    """The portions of a segment that run within none of some areas; along a border is without."""
    box, inside = box_of(segment), list[Portion]()
    for area in areas:
        if boxes_touch(area.box, box):
            inside += area.portions_inside(segment)
    return remainder(inside)


BESIDE_MM = 1e-5
"""So near beside a line it is asked what lies there: further than what counts as on it."""
LEAST_BORDER_MM = 1e-3
"""What is shorter is no border."""
LEAST_SHARED_MM = 0.01
"""Areas that touch along less than this only meet at a corner."""


def bordering(segment: Segment, areas: Sequence[Area]) -> list[Portion]:
    """The portions of a segment that run within none of some areas, and do not have areas on both
    sides: where two of them touch there is no line between.
    """
    (ax, ay), (bx, by) = segment
    long = math.hypot(bx - ax, by - ay)
    if not long:
        return []
    dx, dy = (by - ay) / long * BESIDE_MM, (ax - bx) / long * BESIDE_MM
    beside = [
        portion
        for x, y in ((dx, dy), (-dx, -dy))
        for portion in outside(((ax + x, ay + y), (bx + x, by + y)), areas)
    ]
    ends = 2.0 * BESIDE_MM / long
    between = [
        (t0 - ends, t1 + ends) for t0, t1 in remainder(beside) if (t1 - t0) * long > LEAST_SHARED_MM
    ]
    return [
        (max(t0, u0), min(t1, u1))
        for t0, t1 in outside(segment, areas)
        for u0, u1 in remainder(between)
        if (min(t1, u1) - max(t0, u0)) * long > LEAST_BORDER_MM
    ]


def quarter_between(start: XY, corner: XY, end: XY) -> EllipseArc:
    """The quarter of an ellipse that leaves `start` and reaches `end` along lines to a corner,
    as it is in true shape; see `Ellipse.touching` for how it is seen.
    """
    (sx, sy), (cx, cy), (ex, ey) = start, corner, end
    centre = sx + ex - cx, sy + ey - cy
    a = sx - centre[0], sy - centre[1]
    b = ex - centre[0], ey - centre[1]
    return EllipseArc(Ellipse(centre, a, b), 0.0, math.pi / 2)
