"""The steps along the lines back: which corners of a face send one, by the corner rule."""

from __future__ import annotations

from collections.abc import Sequence

from orthopsis.construction.moves import Act, Ruled, Step, count, phrase
from orthopsis.perspective.plane import direction, distance
from orthopsis.perspective.segments import XY, at
from orthopsis.pieces.shapes.extrusion.curves import mark_touches
from orthopsis.pieces.shapes.extrusion.profile_site import MOST_LINES, ProfileSite


def draw_guides(work: ProfileSite) -> None:
    """From every corner whose line does not run through the shape, a light line; the others
    are tried as well, and nothing is drawn.
    """
    drawn = corners_drawn(work)
    step = work.begin("corner-lines", Act.LINES, vp=work.vp)
    touched = mark_touches(work)
    for k in drawn:
        work.guides[k] = guide_line(work, k)
    vain = try_in_vain(work, set(drawn))
    step.say("corner-swing", vp=work.vp, what=work.what)
    if touched:
        step.say("corner-touches", count=count(len(touched)))
    if vain:
        step.say("corner-in-vain", count=count(vain), what=work.what)
    count_lines(work, step, drawn)
    step.differs(lines=count(len(drawn)))
    step.again = phrase("again-corner-lines", vp=work.vp, what=work.what)
    step.bulk = len(drawn) > MOST_LINES


def corners_drawn(work: ProfileSite) -> list[int]:
    """The corners that send a line back."""
    return [k for k in range(work.count) if (k, k + work.count) in work.body.shows]


def guide_line(work: ProfileSite, k: int) -> Ruled:
    """A corner's light line to the vanishing point, as far as it does not run into the shape."""
    return work.paper.aim(work.marks[k], work.vp, work.part, until=_runs_into(work, k))


def try_in_vain(work: ProfileSite, drawn: set[int]) -> int:
    """Lay the ruler at the corners that send no line; how many there are."""
    smooth = work.profile.smooth
    vain = [
        k
        for k in range(len(work.profile.corners))
        if k not in drawn and k not in smooth and distance(work.marks[k].at, work.vp.at) > 1e-6
    ]
    for k in vain:
        reach = distance(work.marks[k].at, work.body.corners[k + work.count][0])
        work.paper.tried(work.marks[k], work.vp, reach, work.part)
    return len(vain)


def count_lines(work: ProfileSite, step: Step, drawn: Sequence[int]) -> None:
    """How many lines the corners send: some may fall on one another."""
    if not drawn:
        step.check("corner-none-but-curves" if work.shows_depth else "corner-none")
        return
    ways = {tuple(round(n, 6) for n in direction(work.vp.at, work.marks[k].at)) for k in drawn}
    step.check("corner-count", count=count(len(drawn)), vp=work.vp)
    if len(drawn) > len(ways):
        step.check("corner-same", count=count(len(drawn) - len(ways)))


def _runs_into(work: ProfileSite, k: int) -> XY | None:
    """Where a corner's guide line meets the shape; None when it does not."""
    portions = work.body.shows[k, k + work.count]
    ends = work.marks[k].at.xy, work.body.corners[k + work.count][0].xy
    return None if portions[-1][1] >= 1.0 else at(ends, portions[-1][1])
