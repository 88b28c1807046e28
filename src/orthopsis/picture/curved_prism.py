"""A swept outline with curved sides: block letters with their curves.

Its own coordinates make it simple: (x, y, s) with the outline in the plane of x and y and the sweep
from s = 0 to s = 1. A line of sight is straight there too, so it runs through the solid where,
between the two ends, its trace in x and y runs inside the outline. Each curved side is a quarter of
a cylinder, and its rims are quarters of the cylinder's.
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

from orthopsis.perspective.area import Area
from orthopsis.perspective.segments import XY
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector, cross, dot, minus, plus, times
from orthopsis.picture.curves import Rim
from orthopsis.picture.round_solid import RoundSolid
from orthopsis.picture.solid import Edge, Shape, Solid

QUARTER = math.pi / 2
FACING = 1e-9


class Side(NamedTuple):
    """A side of the outline between two corners, counted through its loops, with its family."""

    start: int
    end: int
    family: str


@dataclass(frozen=True)
class CurvedPrism:
    """A solid in eye space: an outline with its corner places, and a sweep to its far end.

    `area` is the outline in millimetres along `across` and `down`, unit ways of eye space from
    `origin`; its loops run clockwise and its holes the other way round.
    """

    part: Part
    origin: Vector
    across: Vector
    down: Vector
    area: Area
    families: tuple[str, ...]
    sweep: Vector
    sweep_family: str
    transparent: bool = False
    floating: bool = False

    def place(self, xy: XY, end: float = 0.0) -> Vector:
        """A place of the outline's plane, at the near end, the far one, or between."""
        on = plus(self.origin, plus(times(self.across, xy[0]), times(self.down, xy[1])))
        return plus(on, times(self.sweep, end))

    def own(self, place: Vector) -> Vector:
        """A place of eye space in the solid's own coordinates."""
        rest = minus(place, self.origin)
        return dot(rest, self.rows[0]), dot(rest, self.rows[1]), dot(rest, self.rows[2])

    @cached_property
    def eye(self) -> Vector:
        """The eye in the solid's own coordinates."""
        return self.own((0.0, 0.0, 0.0))

    def end_shows(self, end: int) -> bool:
        """Whether the eye sees the flat end."""
        return self.eye[2] < 0.0 if end == 0 else self.eye[2] > 1.0

    @cached_property
    def least_depth(self) -> float:
        """Relative depth of its nearest place: a curve stays within the corners around it."""
        places = [self.place(corner, end) for corner in self.corners for end in (0.0, 1.0)]
        for bend in self.bends.values():
            outer = plus(bend.centre, plus(bend.a, bend.b))
            places += [outer, plus(outer, self.sweep)]
        return min(depth for _, _, depth in places)

    @cached_property
    def corners(self) -> list[XY]:
        return [corner for loop in self.area.loops for corner in loop]

    @cached_property
    def sides(self) -> list[Side]:
        """All sides, straight and curved."""
        found: list[Side] = []
        first = 0
        for loop in self.area.loops:
            for k in range(len(loop)):
                a, b = first + k, first + (k + 1) % len(loop)
                found.append(Side(a, b, self.families[len(found)]))
            first += len(loop)
        return found

    @cached_property
    def bends(self) -> dict[int, RoundSolid]:
        """The curved sides by their number, each as the cylinder it is a quarter of."""
        found: dict[int, RoundSolid] = {}
        number = 0
        for i, loop in enumerate(self.area.loops):
            for k in range(len(loop)):
                arc = self.area.bends.get((i, k))
                if arc is not None:
                    (_, (ax, ay), (bx, by)) = arc.ellipse
                    found[number] = RoundSolid(
                        self.part,
                        self.place(arc.ellipse.centre),
                        plus(times(self.across, ax), times(self.down, ay)),
                        plus(times(self.across, bx), times(self.down, by)),
                        self.sweep,
                        self.sweep_family,
                        self.transparent,
                        self.floating,
                    )
                number += 1
        return found

    # --- what turns to the eye ---------------------------------------------------------------

    def straight_shows(self, number: int) -> bool:
        """Whether a straight side turns its outside to the eye."""
        (ax, ay), (bx, by) = (self.corners[k] for k in self.sides[number][:2])
        x, y, _ = self.eye
        # The solid lies to the right of a side, as the outline runs clockwise.
        out = (bx - ax) * (y - ay) - (by - ay) * (x - ax)
        far = math.hypot(x - ax, y - ay) * math.hypot(bx - ax, by - ay)
        return out < -FACING * far

    def bend_shows(self, number: int, angle: float) -> bool:
        """Whether a curved side turns its outside to the eye at an angle."""
        u, v, _ = self.bends[number].eye
        beyond = u * math.cos(angle) + v * math.sin(angle) - 1.0
        return beyond > 0.0 if self._turns_out(number) else beyond < 0.0

    def _turns_out(self, number: int) -> bool:
        side = self.sides[number]
        (ax, ay), (bx, by) = self.corners[side.start], self.corners[side.end]
        cx, cy, _ = self.own(self.bends[number].centre)
        return (bx - ax) * (cy - ay) - (by - ay) * (cx - ax) > 0.0

    def touches(self, number: int) -> list[float]:
        """The angles of a curved side at which its outline stands."""
        angles = self.bends[number].outline_angles
        return [angle for angle in angles if 1e-9 < angle < QUARTER - 1e-9]

    # --- lines -------------------------------------------------------------------------------

    @cached_property
    def lines(self) -> list[tuple[XY, float, XY, float, str, bool]]:
        """All straight lines: where each begins and ends, its family, and whether it may show."""
        found: list[tuple[XY, float, XY, float, str, bool]] = []
        shown = [n not in self.bends and self.straight_shows(n) for n in range(len(self.sides))]
        for number, side in enumerate(self.sides):
            if number in self.bends:
                continue
            a, b = self.corners[side.start], self.corners[side.end]
            for end in (0, 1):
                may = self.end_shows(end) or shown[number]
                found.append((a, float(end), b, float(end), side.family, may))
        for before, number in self._sharp:
            corner = self.corners[self.sides[number].start]
            may = any(
                shown[n] or (n in self.bends and self.bend_shows(n, angle))
                for n, angle in ((before, QUARTER), (number, 0.0))
            )
            found.append((corner, 0.0, corner, 1.0, self.sweep_family, may))
        for number, bend in self.bends.items():
            # Where a curve bends inward, a line of sight that touches it runs through the solid.
            if not self._turns_out(number) and not self.transparent:
                continue
            for angle in self.touches(number):
                x, y, _ = self.own(bend.rim(0, angle))
                found.append(((x, y), 0.0, (x, y), 1.0, self.sweep_family, True))
        return found

    @cached_property
    def sharp_corners(self) -> list[XY]:
        """The corners of the outline where one side does not go over into the next."""
        return [self.corners[self.sides[number].start] for _, number in self._sharp]

    @cached_property
    def _sharp(self) -> list[tuple[int, int]]:
        """The sides that meet in such corners: the one before, and the one that starts there."""
        ending = {side.end: number for number, side in enumerate(self.sides)}
        pairs = ((ending[side.start], number) for number, side in enumerate(self.sides))
        return [pair for pair in pairs if not self._smooth(*pair)]

    def _smooth(self, before: int, after: int) -> bool:
        """Whether one side goes over into the next without a corner."""
        if before not in self.bends and after not in self.bends:
            return False
        (ax, ay), (bx, by) = self._way(before, QUARTER), self._way(after, 0.0)
        return abs(ax * by - ay * bx) < 1e-9 * math.hypot(ax, ay) * math.hypot(bx, by)

    def _way(self, number: int, angle: float) -> XY:
        """The way along a side at one of its ends."""
        side = self.sides[number]
        if number not in self.bends:
            (ax, ay), (bx, by) = self.corners[side.start], self.corners[side.end]
            return bx - ax, by - ay
        bend = self.bends[number]
        way = minus(times(bend.b, math.cos(angle)), times(bend.a, math.sin(angle)))
        return dot(way, self.rows[0]), dot(way, self.rows[1])

    def outline(self) -> Solid:
        """Its straight lines, as edges without faces."""
        places: list[Vector] = []
        edges: list[Edge] = []
        for a, end_a, b, end_b, family, _ in self.lines:
            edges.append(Edge(len(places), len(places) + 1, family, (-1, -1)))
            places += [self.place(a, end_a), self.place(b, end_b)]
        shape = Shape((), tuple(edges))
        return Solid(self.part, tuple(places), shape, self.transparent, self.floating)

    def may_show(self, line: int) -> bool:
        """Whether one of its straight lines borders something that turns to the eye."""
        return self.transparent or self.lines[line][-1]

    def rims(self) -> Iterator[tuple[int, Rim]]:
        """The curved lines: each bend's number with its rim at either end."""
        for number, bend in self.bends.items():
            for end in (0, 1):
                yield number, Rim(bend, end, quarter=True)

    @cached_property
    def rows(self) -> tuple[Vector, Vector, Vector]:
        """What own coordinates are made of, from a place counted from `origin`."""
        a, b, c = self.across, self.down, self.sweep
        bc, ca, ab = cross(b, c), cross(c, a), cross(a, b)
        det = dot(a, bc)
        return times(bc, 1.0 / det), times(ca, 1.0 / det), times(ab, 1.0 / det)
