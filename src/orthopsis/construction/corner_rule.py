"""The corner test: what a swept face shows of its far side, found on the face alone.

Pencil on the vanishing point, ruler swung to a corner of the face: a guide line is drawn from the
corner until it runs into the face, and no further. So it is for every place behind the face: it is
seen when the way from there out to its own place on the face does not run through the face. For
what covers a place lies before it on the same way, nearer to us. Where the ruler touches a curve, a
guide line is drawn as from a corner.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from itertools import pairwise
from typing import NamedTuple

from orthopsis.perspective.area import Area
from orthopsis.perspective.ellipse import EllipseArc
from orthopsis.perspective.plane import Point, join, meet
from orthopsis.perspective.roots import TURN
from orthopsis.perspective.segments import (
    XY,
    Portion,
    Segment,
    at,
    boxes_touch,
    length,
    merged,
    position_on,
    remainder,
)
from orthopsis.perspective.tolerance import EXACT, Tolerance

Ends = tuple[int, int]

OFF_THE_CURVE_MM = 0.01
"""So far from where it touches a curve, a ruler no longer runs into it."""


class Swept(NamedTuple):
    """A side of the face between two corners, whether it turns its outside to us, and the arcs of
    it and of the one behind it where it is curved.
    """

    ends: Ends
    shown: bool
    near: EllipseArc | None = None
    far: EllipseArc | None = None


class PortionsSeen(NamedTuple):
    """What shows: portions of straight lines by the numbers of their ends, and arcs of far sides by
    those of the near ones.
    """

    lines: Mapping[Ends, list[Portion]]
    arcs: Mapping[Ends, list[EllipseArc]]


def guide_seen(
    corner: XY, far: XY, face: Area, tolerance: Tolerance = EXACT, *, touching: bool = False
) -> list[Portion]:
    """The portion of a guide line, from a corner of the face to its far end, that shows."""
    start = 0.0
    if touching:
        start = min(0.5, OFF_THE_CURVE_MM / max(length((corner, far)), OFF_THE_CURVE_MM))
    segment = at((corner, far), start), far
    under = face.portions_inside(segment, tolerance)
    if not under:
        return [(0.0, 1.0)]
    if under[0][0] < 1e-9:
        # Also where a curve bends away from the hole that it is touched in.
        return []
    return remainder([(start + (1.0 - start) * under[0][0], 1.0)])


def far_side_seen(
    near: tuple[Point, Point], far: Segment, vp: Point, face: Area, corners: Iterable[Point]
) -> list[Portion]:
    """The portions of a straight far side that show; `near` is the side of the face before it.

    They change where it crosses the face's outline or the guide line of another corner.
    """
    cuts = {0.0, 1.0, *face.crossings(far)}
    line, far_line = join(*near), join(Point(*far[0]), Point(*far[1]))
    for corner in corners:
        cut = meet(join(vp, corner), far_line)
        if not cut.at_infinity:
            cuts.add(position_on(far, cut.xy))
    hidden: list[Portion] = []
    for t0, t1 in pairwise(sorted(t for t in cuts if 0.0 <= t <= 1.0)):
        place = at(far, (t0 + t1) / 2)
        out = meet(join(vp, Point(*place)), line)
        if out.at_infinity or face.portions_inside((place, out.xy)):
            hidden.append((t0, t1))
    return remainder(merged(hidden, 1e-9))


def far_arc_seen(
    near: EllipseArc, far: EllipseArc, vp: Point, face: Area, corners: Iterable[Point]
) -> list[EllipseArc]:
    """The parts of a curved far side that show; no line from the vanishing point touches it."""
    angles = [a for side in face.straight for a in _angles_on(far, *side)]
    box = far.box
    for bend in face.bends.values():
        if boxes_touch(bend.box, box):
            angles += far.ellipse.angles_on(bend.ellipse)
    angles += [a for c in corners for a in far.ellipse.angles_on_line(join(vp, c))]
    span = far.stop - far.start
    along = sorted({(a - far.start) % TURN for a in angles})
    seen: list[tuple[float, float]] = []
    for t0, t1 in pairwise([0.0, *(t for t in along if t < span), span]):
        if t1 - t0 < 1e-6:
            continue
        place = far.ellipse.point(far.start + (t0 + t1) / 2)
        out = _on_arc(near, vp, place)
        if out is None or face.portions_inside((place, out)):
            continue
        if seen and t0 - seen[-1][1] < 1e-6:
            seen[-1] = seen[-1][0], t1
        else:
            seen.append((t0, t1))
    return [EllipseArc(far.ellipse, far.start + t0, far.start + t1) for t0, t1 in seen]


def _angles_on(arc: EllipseArc, start: XY, end: XY) -> list[float]:
    return arc.ellipse.angles_on_line(join(Point(*start), Point(*end)))


def _on_arc(arc: EllipseArc, vp: Point, place: XY) -> XY | None:
    """Where the line from the vanishing point through a place meets an arc."""
    angles = arc.ellipse.angles_on_line(join(vp, Point(*place)))
    on = [angle for angle in angles if arc.spans(angle, 1e-7)] or angles
    middle = (arc.start + arc.stop) / 2
    # Where the line all but touches the curve, both lie on it: the one further from its end.
    best = min(on, key=lambda a: abs((a - middle + TURN / 2) % TURN - TURN / 2), default=None)
    return None if best is None else arc.ellipse.point(best)


def what_shows(
    face: Area,
    corners: Sequence[Point],
    far: Sequence[Point],
    sides: Sequence[Swept],
    vp: Point,
    *,
    smooth: Iterable[int],
    touching: Iterable[int],
) -> PortionsSeen:
    """What shows of every line, by the numbers of its ends; corners behind are counted on.

    `smooth` corners, where one side goes over into the next, send no line; at `touching` ones the
    ruler touches a curve. Lines that show nothing are left out.
    """
    count = len(corners)
    quiet, touches = set(smooth), set(touching)
    lines: dict[Ends, list[Portion]] = {s.ends: [(0.0, 1.0)] for s in sides if s.near is None}
    bordering = {k for side in sides if side.shown for k in side.ends} - quiet
    for k in sorted(bordering):
        lines[k, k + count] = guide_seen(corners[k].xy, far[k].xy, face, touching=k in touches)
    arcs: dict[Ends, list[EllipseArc]] = {}
    for (a, b), shown, near_arc, far_arc in sides:
        if not shown:
            continue
        if near_arc is not None and far_arc is not None:
            arcs[a, b] = far_arc_seen(near_arc, far_arc, vp, face, corners)
        else:
            ends = far[a].xy, far[b].xy
            found = far_side_seen((corners[a], corners[b]), ends, vp, face, corners)
            lines[a + count, b + count] = found
    return PortionsSeen(
        {ends: portions for ends, portions in lines.items() if portions},
        {ends: parts for ends, parts in arcs.items() if parts},
    )
