"""The steps behind a face: the lines that run back, and the far sides, as far as they show."""

from __future__ import annotations

from collections.abc import Sequence

from orthopsis.construction.face import plumb
from orthopsis.construction.moves import Act, Mark, Ruled, Step, count, phrase, strung
from orthopsis.perspective.plane import Point
from orthopsis.phrase import Choice, Phrase, Several, Value
from orthopsis.pieces.shapes.extrusion.curves import Far, draw_far_curves, mark_behind
from orthopsis.pieces.shapes.extrusion.profile_site import MOST_FOUND, MOST_LINES, ProfileSite


def draw_behind(work: ProfileSite, far: Far, said: Sequence[Phrase]) -> None:
    """The lines that run back, and the far sides, each as far as it shows.

    `far` makes the marks behind those of the face.
    """
    shows, n, whole = work.body.shows, work.count, whole_corners(work)
    sweeps = [(k, k) for k in range(n) if (k, k + n) in shows]
    far_sides = [side for side in work.profile.sides if (side[0] + n, side[1] + n) in shows]
    step = work.begin("back", Act.BACKS)
    names: list[Value] = []
    for a, b in [*sweeps, *far_sides]:
        portions = shows[a + n if a != b else a, b + n]
        full = len(step.strokes) + len(portions) > MOST_LINES or len(step.marks) > MOST_FOUND
        if full and step.moves:
            _say_behind(work, step, names, said)
            step = work.begin("back-more", Act.BACKS)
            step.like, step.goes_on = "back", True
            names, said = [], ()
        if a == b:
            draw_sweep(work, a, a in whole, far)
        else:
            names.append(draw_far_side(work, (a, b), whole, far))
    _say_behind(work, step, names, said)
    draw_far_curves(work, far)


def whole_corners(work: ProfileSite) -> list[int]:
    """The corners whose line back shows as far as the corner behind."""
    shows, n = work.body.shows, work.count
    return [k for k in range(n) if shows.get((k, k + n), [(0.0, 0.0)])[-1][1] >= 1.0]


def draw_sweep(work: ProfileSite, k: int, whole: bool, far: Far) -> None:
    """A corner's line back, to the corner behind or to where it runs into the face."""
    portions = work.body.shows[k, k + work.count]
    if whole:
        mark = mark_behind(work, k, far)
        work.paper.keep(work.marks[k], mark, work.vp.name, work.body, portions)
    else:
        end = work.body.corners[k + work.count][0]
        guide = work.guide(k)
        work.paper.keep_along(work.marks[k], guide, end, work.vp.name, work.body, portions)


def draw_far_side(
    work: ProfileSite, side: tuple[int, int], whole: Sequence[int], far: Far
) -> Value:
    """Draw a far side; what it is called."""
    a, b = side
    n = work.count
    portions = work.body.shows[a + n, b + n]
    seen = [k for k in side if k in whole] or [a]
    if work.profile.direction(side) == "slanted" and work.owner.run is not None:
        # Slanted lines have no point of their own: both ends are found.
        seen = [a, b]
    if len(seen) == 2:
        start, end = (mark_behind(work, k, far) for k in side)
        work.paper.keep(start, end, work.family(side), work.body, portions)
        return strung(start, end)
    start = mark_behind(work, seen[0], far)
    other = b if seen[0] == a else a
    if other == a:
        portions = [(1.0 - t1, 1.0 - t0) for t0, t1 in reversed(portions)]
    goal = work.body.corners[other + n][0]
    line, way = _far_line(work, side, start, goal)
    work.paper.keep_along(start, line, goal, work.family(side), work.body, portions)
    return way


def _far_line(
    work: ProfileSite, side: tuple[int, int], start: Mark, end: Point
) -> tuple[Ruled, Phrase]:
    """The far side as a line through one of its ends, like the near one or to its point; and how
    that is said. `end` is where it would end.
    """
    way, paper = work.profile.direction(side), work.paper
    a, b = (work.marks[k] for k in side)
    if way == "column":
        line = plumb(paper, start, work.third)
        if work.third is None:
            goes = Choice("down" if end.y > start.at.y else "up")
            return line, phrase("side-upright-from", mark=start, way=goes)
        return line, phrase("side-to-point-from", mark=start, point=work.third)
    if way == "row":
        goal = work.points.get(work.across)
        if goal is None:
            goes = Choice("right" if end.x > start.at.x else "left")
            return paper.level(start), phrase("side-level-from", mark=start, way=goes)
        return paper.lay(start, goal), phrase("side-to-point-from", mark=start, point=goal)
    parallel = paper.slide(start, paper.along(a, b))
    return parallel, phrase("side-parallel-from", mark=start, line=strung(a, b))


def _say_behind(
    work: ProfileSite, step: Step, drawn: Sequence[Value], said: Sequence[Phrase]
) -> None:
    step.says += said
    parallel = work.owner.run is None
    found = work.far_found(step)
    if found:
        step.say("back-corners", corners=Several(tuple(found), "space"))
    if drawn:
        # Those from mark to mark first: the others are said by the way that they go.
        drawn = sorted(drawn, key=lambda one: isinstance(one, Phrase))
        step.say("back-sides", sides=Several(tuple(drawn)), what=work.what, count=count(len(drawn)))
    if not step.says:
        step.say("back-stays", vp=work.vp)
    step.check("back-parallel-check" if parallel else "back-to-point-check")
    if parallel:
        step.again = phrase("again-back-parallel", vp=work.vp)
    else:
        goal = work.points[work.across]
        step.again = phrase("again-back-to-point", vp=work.vp, goal=goal)
    if drawn:
        step.differs(sides=count(len(drawn)))
