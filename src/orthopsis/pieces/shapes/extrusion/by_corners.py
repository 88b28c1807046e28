"""Corner by corner: the line back, the parallel, what is over rubbed out, and then the next.

Beginners never have more than one light line on the paper, so none of them is mistaken for another.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from orthopsis.construction.corner_rule import Ends
from orthopsis.construction.moves import Act, Step, count, phrase
from orthopsis.phrase import Phrase, Several, Value
from orthopsis.pieces.shapes.extrusion.back import draw_far_side, draw_sweep, whole_corners
from orthopsis.pieces.shapes.extrusion.corner_lines import (
    corners_drawn,
    count_lines,
    guide_line,
    try_in_vain,
)
from orthopsis.pieces.shapes.extrusion.curves import Far, draw_far_curves, mark_touches
from orthopsis.pieces.shapes.extrusion.profile_site import ProfileSite


def draw_by_corners(work: ProfileSite, far: Far, said: Sequence[Phrase]) -> None:
    """The lines back and the far sides, one corner of the face after the other.

    The first is said in full, with the second where the first has its far corner already; the
    others follow in the same way.
    """
    mark_touches(work)
    corners, whole = _turns(work), whole_corners(work)
    full = 2 if corners and corners[0] in work.behind else 1
    sides = list(_far_sides(work))
    last = len(corners) - 1
    groups = [corners[:full], corners[full:]]
    for turn, group in enumerate(group for group in groups if group):
        step = work.begin("corners-next" if turn else "corners-first", Act.BACKS)
        drawn: list[Value] = []
        for k in group:
            if k not in work.guides:
                work.guides[k] = guide_line(work, k)
            draw_sweep(work, k, k in whole, far)
            done = set(corners[: corners.index(k) + 1])
            ready = [s for s in sides if corners.index(k) == last or _ready(work, s, k, done)]
            drawn += [draw_far_side(work, side, whole, far) for side in ready]
            sides = [side for side in sides if side not in ready]
            work.paper.rub_out(work.guides[k])
        step.like, step.goes_on = "corners", turn > 0
        if turn:
            _say_next(work, step, group)
        else:
            _say_first(work, step, drawn, said)
    try_in_vain(work, set(corners))
    draw_far_curves(work, far)


def _turns(work: ProfileSite) -> list[int]:
    """The corners that send a line, round the face from one whose far corner is known."""
    drawn = corners_drawn(work)
    first = next((k for k in drawn if k in work.behind), drawn[0] if drawn else 0)
    return sorted(drawn, key=lambda k: (k < first, k))


def _far_sides(work: ProfileSite) -> Iterator[Ends]:
    n = work.count
    return (s for s in work.profile.sides if (s[0] + n, s[1] + n) in work.body.shows)


def _ready(work: ProfileSite, side: Ends, k: int, done: set[int]) -> bool:
    """Whether a far side can be drawn with corner k: its other end is done, or sends no line."""
    if k not in side:
        return False
    other = side[1] if side[0] == k else side[0]
    return other in done or (other, other + work.count) not in work.body.shows


def _say_first(
    work: ProfileSite, step: Step, drawn: Sequence[Value], said: Sequence[Phrase]
) -> None:
    step.says += said
    step.say("corners-swing", vp=work.vp, what=work.what)
    found = work.far_found(step)
    if found:
        step.say("back-corners", corners=Several(tuple(found), "space"))
    if drawn:
        step.say("back-sides", sides=Several(tuple(drawn)), what=work.what, count=count(len(drawn)))
    step.say("corners-rub")
    step.again = phrase("again-corners", vp=work.vp)
    step.check("corners-first-check")


def _say_next(work: ProfileSite, step: Step, group: Sequence[int]) -> None:
    step.say("corners-next", count=count(len(group)), vp=work.vp, what=work.what)
    step.again = phrase("again-corners", vp=work.vp)
    step.bulk = True
    count_lines(work, step, corners_drawn(work))
    step.check("back-parallel-check" if work.owner.run is None else "back-to-point-check")
    step.differs(lines=count(len(group)))
