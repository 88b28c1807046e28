"""The steps along the lines back: which corners of a face send one, by the corner rule."""

from __future__ import annotations

from collections.abc import Sequence

from orthopsis.construction.moves import Step, count, several
from orthopsis.perspective.plane import direction, distance
from orthopsis.perspective.segments import XY, at
from orthopsis.pieces.shapes.extrusion.curves import mark_touches
from orthopsis.pieces.shapes.extrusion.profile_site import ProfileSite, in_parts


def draw_guides(work: ProfileSite) -> None:
    """From every corner whose line does not run through the shape, a light line; the others
    are tried as well, and nothing is drawn.
    """
    drawn = [k for k in range(work.count) if (k, k + work.count) in work.body.shows]
    smooth = work.profile.smooth
    vain = [
        k
        for k in range(len(work.profile.corners))
        if k not in drawn and k not in smooth and distance(work.marks[k].at, work.vp.at) > 1e-6
    ]
    parts = in_parts(drawn) or [[]]
    for part, chunk in enumerate(parts):
        step = work.begin("corner-lines-more" if part else "corner-lines", vp=work.vp)
        touched = [] if part else mark_touches(work)
        for k in chunk:
            work.guides[k] = work.paper.aim(
                work.marks[k], work.vp, work.part, until=_runs_into(work, k)
            )
        last = part == len(parts) - 1
        step.say("corner-swing", vp=work.vp)
        if touched:
            step.say("corner-touches", marks=several(touched))
        if chunk:
            sent = several([work.marks[k] for k in chunk])
            step.say("corner-sends", corners=sent, what=work.what)
        if last and vain:
            corners = several([work.marks[k] for k in vain])
            step.say("corner-in-vain", corners=corners, what=work.what)
            for k in vain:
                reach = distance(work.marks[k].at, work.body.corners[k + work.count][0])
                work.paper.tried(work.marks[k], work.vp, reach, work.part)
        if last:
            _count_lines(work, step, drawn)
        else:
            step.check("corner-so-far", count=count(len(chunk)))


def _count_lines(work: ProfileSite, step: Step, drawn: Sequence[int]) -> None:
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
