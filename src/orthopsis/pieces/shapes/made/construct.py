"""A made thing by ruler: a light block, the planes of its parting, and then what is left of it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from orthopsis.construction.face import FrontFace, true_share_down
from orthopsis.construction.moves import Act, Mark, count, measures_set, phrase
from orthopsis.perspective.plane import LEFT, LEVEL, distance
from orthopsis.phrase import Choice
from orthopsis.pieces.base import Site
from orthopsis.pieces.placement.anchor import FRONT_CORNERS
from orthopsis.pieces.placement.corners import block_body
from orthopsis.pieces.placement.edge import OnEdge
from orthopsis.pieces.placement.edges import Edges, FrameMarks
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.shapes.box_frame import draw_frame
from orthopsis.pieces.shapes.made.cells import ACROSS, AWAY, DOWN, Knot
from orthopsis.pieces.shapes.made.knots import KnotMarks, Knots
from orthopsis.pieces.shapes.made.made_site import MadeSite
from orthopsis.pieces.shapes.made.model import Made
from orthopsis.pieces.shapes.made.planes import inner_depths, plan_on_floor
from orthopsis.pieces.shapes.tidy import tidy

MOST_LINES = 7
"""A step draws no more new lines than this, unless they all do one thing."""


def draw_made(made: Made, site: Site, what: str) -> FrameMarks:
    """All steps of a made thing; the marks of the block's corners, as far as there are any."""
    work = MadeSite(made, site, Knots(made, site), Choice(what))
    if isinstance(made.place, OnEdge):
        marks = _from_edge(work, made.place)
    else:
        assert isinstance(made.place, OnFront)
        marks = _from_front(work, made.place)
    tidy(site, what)
    return KnotMarks(marks, work.knots)


# --- one point -------------------------------------------------------------------------------


def _from_front(work: MadeSite, place: OnFront) -> dict[int, Mark]:
    """The front in true shape; from its corners to the point; each depth from guide to guide."""
    site, knots, made = work.site, work.knots, work.made
    marks = light_front(work, place)
    _light_lines(work, (marks[0], marks[1], marks[2], marks[3]))
    _draw_front(work)
    vp = site.points[made.families[AWAY]]
    behind = {k for edge in work.edges for k in (edge.start, edge.end) if k[AWAY]}
    if not behind:
        return marks
    needed = sorted({(i, j, 0) for i, j, _ in behind})
    step = site.begin("made-lines", Act.LINES, vp=vp)
    for knot in needed:
        knots.drawn_away(knot)
    step.say("made-lines", vp=vp, count=count(len(needed)))
    step.differs(lines=count(len(needed)))
    step.check("made-lines-check", vp=vp)
    step.bulk = len(needed) >= MOST_LINES
    if not place.on_floor:
        mark_depth(work, place, marks)
    inner_depths(work, knots.corner)
    _draw_rest(work, [k for k in work.shows if made.cells.edges[k].end[AWAY]])
    return marks


def light_front(work: MadeSite, place: OnFront) -> dict[int, Mark]:
    """The front as a light block, its corners known as knots."""
    marks, parting = place.light_front(work.site), work.made.parting
    start = place.depth_corner(work.site.stage.view.level_points[0].at)
    across, _, away = parting.corner(ENDS_ON_FRONT[start])
    work.knots.corner = across, work.made.true_row, away
    know(work, marks, ENDS_ON_FRONT)
    return marks


def light_block(work: MadeSite, place: OnEdge) -> dict[int, Mark]:
    """The whole block from its edge, lightly, its corners known as knots."""
    site, made, knots = work.site, work.made, work.knots
    block = site.plan_of(block_body(made.part, made.name, place.corners(site.stage), site.stage))
    marks = draw_frame(place, block, Edges(site.paper, block.body, light=True))
    know(work, marks, ENDS)
    for a, b, way in ((1, 0, ACROSS), (2, 3, ACROSS), (1, 5, AWAY), (2, 6, AWAY), (1, 2, DOWN)):
        there = made.parting.corner(ENDS[a])
        knots.drawn(way, there, site.paper.along(marks[a], marks[b]))
    return marks


def know(work: MadeSite, marks: Mapping[int, Mark], ends: Mapping[int, Knot]) -> None:
    """The corners of a block that are marked, as knots."""
    for number, mark in marks.items():
        work.knots.known(work.made.parting.corner(ends[number]), mark)


ENDS_ON_FRONT: dict[int, Knot] = {
    0: (0, 0, 0), 1: (1, 0, 0), 2: (1, 1, 0), 3: (0, 1, 0),
    4: (0, 0, 1), 5: (1, 0, 1), 6: (1, 1, 1), 7: (0, 1, 1),
}  # fmt: skip
"""Which of the block's corners lie at the near and at the far end of each way."""


def _light_lines(work: MadeSite, corners: tuple[Mark, Mark, Mark, Mark]) -> None:
    """The planes of the parting on the front, as far as anything begins there."""
    site, made, knots = work.site, work.made, work.knots
    shares = made.shares
    face = FrontFace(site.paper, corners, site.part, halved=False)
    needed = {(i, j) for edge in work.edges for i, j, _ in (edge.start, edge.end)}
    needed |= {(i, made.true_row) for i, _ in needed}
    last = made.parting.last
    rows = sorted({j for _, j in needed} - {0, last[DOWN]})
    columns = sorted({i for i, _ in needed} - {0, last[ACROSS]})
    lines = [
        ("made-rows", [(face.row, shares[DOWN][j]) for j in rows]),
        ("made-columns", [(face.column, shares[ACROSS][i]) for i in columns]),
    ]
    if any(wanted for _, wanted in lines):
        step = site.begin("made-marks", Act.PLAN)
        for name, wanted in lines:
            if wanted:
                before = len(step.measures)
                for lay, share in wanted:
                    lay(share)
                step.say(name, corner=corners[0], measures=measures_set(step, before))
        step.differs(measures=measures_set(step))
        step.check("face-light-check")
        step.bulk = len(step.strokes) >= MOST_LINES
    for i, j in sorted(needed):
        if (i, j, 0) not in knots.marks:
            knots.known((i, j, 0), face.crossing(shares[ACROSS][i], shares[DOWN][j]))


def _draw_front(work: MadeSite) -> None:
    front = [k for k in work.shows if not work.made.cells.edges[k].end[AWAY]]
    step = work.site.begin("made-front", Act.FRONTS)
    drawn = work.keep(front)
    step.say("made-front", what=work.what, count=count(drawn))
    step.differs(lines=count(drawn))
    step.check("made-front-check")
    step.bulk = len(step.strokes) >= MOST_LINES


def mark_depth(work: MadeSite, place: OnFront, corners: Mapping[int, Mark]) -> None:
    """How far back the block goes, and where that is on the line on which its parts are set off."""
    site, knots, made = work.site, work.knots, work.made
    column, row, front = knots.corner
    back = made.parting.end[AWAY]
    vp = site.points[made.families[AWAY]]
    start = place.depth_corner(vp.at)
    step = site.begin("box-depth", Act.BACKS)
    step.again = phrase("again-depth")
    at = made.parting.corner(ENDS_ON_FRONT[start])
    guide = knots.drawn_away(at)
    inward = LEVEL if at[ACROSS] == made.parting.first[ACROSS] else LEFT
    far, said = place.depth.build(
        site, corners[start], vp, guide, inward, knots.marks.values(), FRONT_CORNERS[start]
    )
    step.says.append(said)
    knots.known((at[ACROSS], at[DOWN], back), far)
    first = column, row, front
    knots.drawn_away(first)
    if made.parting.away and row != at[DOWN]:
        # The depths of its parts are set off on the floor.
        foot = knots.find((column, row, back))
        step.say("made-back-foot", far=far, near=knots.marks[first], vp=vp, mark=foot)
    step.check("box-depth-check", far=far, start=corners[start], vp=vp)


def _draw_rest(work: MadeSite, numbers: Sequence[int]) -> None:
    """What is left, the upper part before what carries it where it is too much for one step."""
    upper = [k for k in numbers if work.made.cells.edges[k].end[DOWN] <= 1]
    lower = [k for k in numbers if k not in upper]
    groups = [("made-rest", [*upper, *lower])]
    if len(numbers) > MOST_LINES and upper and lower:
        groups = [("made-upper", upper), ("made-lower", lower)]
    for name, group in groups:
        step = work.site.begin(name, Act.BACKS)
        drawn = work.keep(group)
        step.say("made-rest", what=work.what, count=count(drawn))
        step.differs(lines=count(drawn))
        step.check("made-rest-check")
        step.bulk = len(step.strokes) >= MOST_LINES


# --- from an edge ----------------------------------------------------------------------------


def _from_edge(work: MadeSite, place: OnEdge) -> dict[int, Mark]:
    """The light block, heights on its front edge, the plan on the floor, and what stands on it."""
    site = work.site
    marks = light_block(work, place)
    _heights(work, marks[1], marks[2])
    plan_on_floor(work)
    left = [k for k in work.shows if not work.made.cells.edges[k].end[AWAY]]
    right = [k for k in work.shows if k not in left and not work.made.cells.edges[k].end[ACROSS]]
    for name, group in (("made-left", left), ("made-right", right)):
        if group:
            step = site.begin(name, Act.FRONTS)
            drawn = work.keep(group)
            step.say(name, what=work.what, count=count(drawn), vp=_side_point(work, name))
            step.differs(lines=count(drawn))
            step.check("made-side-check", vp=_side_point(work, name))
            step.bulk = len(step.strokes) >= MOST_LINES
    rest = [k for k in work.shows if k not in left and k not in right]
    if rest:
        _draw_rest(work, rest)
    return marks


ENDS: dict[int, Knot] = {
    0: (1, 0, 0), 1: (0, 0, 0), 2: (0, 1, 0), 3: (1, 1, 0),
    4: (1, 0, 1), 5: (0, 0, 1), 6: (0, 1, 1), 7: (1, 1, 1),
}  # fmt: skip
"""Which of the block's corners lie at the near and at the far end of each way."""


def _side_point(work: MadeSite, name: str) -> Mark:
    return work.site.points[work.made.families[ACROSS if name == "made-left" else AWAY]]


def _heights(work: MadeSite, top: Mark, foot: Mark) -> None:
    """The planes of the parting on the front edge, each measured from its upper end."""
    made, paper = work.made, work.site.paper
    needed = {k[DOWN] for edge in work.edges for k in (edge.start, edge.end)}
    ticks = [(n, tick) for n, tick in enumerate(made.parting.down, start=1) if n in needed]
    if not ticks:
        return
    step = work.site.begin("made-heights", Act.PLAN)
    whole_mm = distance(top.at, foot.at)
    for number, tick in ticks:
        if tick.share is None:
            down_mm = whole_mm - tick.mm if tick.far else tick.mm
        elif work.site.third is None:
            down_mm = tick.share * whole_mm
        else:
            down_mm = true_share_down(top, foot, work.site.third, tick.share)
        work.knots.known((0, number, 0), paper.measure_along(top, foot, down_mm))
    measured = measures_set(step)
    step.say("made-heights", top=top, foot=foot, measures=measured)
    step.differs(measures=measured)
    step.check("made-heights-check")
