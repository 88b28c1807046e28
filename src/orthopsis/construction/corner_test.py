"""The corner test: what a swept face shows of its far side, found on the face alone.

Pencil on the vanishing point, ruler swung to a corner of the face: a guide line is drawn from the
corner until it runs into the face, and no further. So it is for every place behind the face: it is
seen when the way from there out to its own place on the face does not run through the face. For
what covers a place lies before it on the same way, nearer to us.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from itertools import pairwise

from orthopsis.perspective.plane import Point, join, meet
from orthopsis.perspective.segments import (
    XY,
    Portion,
    Segment,
    at,
    crossings,
    merged,
    portions_inside,
    position_on,
    remainder,
)
from orthopsis.perspective.tolerance import EXACT, Tolerance

Ends = tuple[int, int]


def guide_seen(
    corner: XY, far: XY, face: Sequence[Sequence[XY]], tolerance: Tolerance = EXACT
) -> list[Portion]:
    """The portion of a guide line, from a corner of the face to its far end, that shows."""
    under = portions_inside((corner, far), face, tolerance)
    return remainder([(under[0][0], 1.0)] if under else [])


def far_side_seen(
    near: tuple[Point, Point],
    far: Segment,
    vp: Point,
    face: Sequence[Sequence[XY]],
    tolerance: Tolerance = EXACT,
) -> list[Portion]:
    """The portions of a far side that show; `near` is the side of the face that it belongs to.

    They change where it crosses the face's outline or the guide line of another corner.
    """
    cuts = {0.0, 1.0, *crossings(far, face)}
    line = join(*near)
    far_line = join(Point(*far[0]), Point(*far[1]))
    for corner in (corner for loop in face for corner in loop):
        cut = meet(join(vp, Point(*corner)), far_line)
        if not cut.at_infinity:
            t = position_on(far, cut.xy)
            if 0.0 < t < 1.0:
                cuts.add(t)
    hidden: list[Portion] = []
    for t0, t1 in pairwise(sorted(cuts)):
        place = at(far, (t0 + t1) / 2)
        out = meet(join(vp, Point(*place)), line)
        if out.at_infinity or portions_inside((place, out.xy), face, tolerance):
            hidden.append((t0, t1))
    return remainder(merged(hidden, 1e-9))


def what_shows(
    face: Sequence[Sequence[Point]],
    far: Sequence[Point],
    sides: Sequence[Ends],
    shown: Sequence[bool],
    vp: Point,
) -> Mapping[Ends, list[Portion]]:
    """The portions that show of every line, by the numbers of its ends.

    Corners of the face are counted through its loops, and those behind them go on from there;
    ``shown`` tells of each side whether it turns its outside to us. Lines that show nothing are
    left out.
    """
    corners = [corner for loop in face for corner in loop]
    outline = [[corner.xy for corner in loop] for loop in face]
    count = len(corners)
    found: dict[Ends, list[Portion]] = {side: [(0.0, 1.0)] for side in sides}
    bordering = {k for side, shows in zip(sides, shown, strict=True) if shows for k in side}
    for k in sorted(bordering):
        found[k, k + count] = guide_seen(corners[k].xy, far[k].xy, outline)
    for (a, b), shows in zip(sides, shown, strict=True):
        if shows:
            ends = far[a].xy, far[b].xy
            found[a + count, b + count] = far_side_seen((corners[a], corners[b]), ends, vp, outline)
    return {ends: portions for ends, portions in found.items() if portions}
