"""The steps of a house: the block, its roof, what lies in its walls."""

from __future__ import annotations

from orthopsis.pieces.base import Site
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.shapes.house.form import FIRST, Pair, pair
from orthopsis.pieces.shapes.house.hip import Hip
from orthopsis.pieces.shapes.house.hip_moves import draw_hip
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.lettering import Lettering
from orthopsis.pieces.shapes.house.lettering_moves import draw_lettering
from orthopsis.pieces.shapes.house.openings import draw_panel, shows_somewhere
from orthopsis.pieces.shapes.house.pattern import Pattern
from orthopsis.pieces.shapes.house.pattern_moves import draw_pattern
from orthopsis.pieces.shapes.house.roof_moves import (
    draw_gable,
    draw_lean_to,
    draw_parapet,
    far_slope,
)
from orthopsis.pieces.shapes.house.roofs import Gable, LeanTo, Pitched
from orthopsis.pieces.shapes.house.site import HouseEdges, HouseSite
from orthopsis.pieces.shapes.house.walls import opposite
from orthopsis.pieces.shapes.tidy import tidy


def draw_house(house: House, site: Site, what: str = "house") -> FrameMarks:
    """Walls first, then the roof, then what lies in them, then what is rubbed out; the marks of the
    corners. `what` is what pupils call it.
    """
    work = HouseSite(site, house)
    work.marks = house.place.lay_out(
        work.site, HouseEdges(work, _helps(work), _corners_needed(work))
    )
    roof = house.roof
    if isinstance(roof, Gable):
        draw_gable(work, roof)
    elif isinstance(roof, LeanTo):
        draw_lean_to(work, roof)
    elif isinstance(roof, Hip):
        draw_hip(work, roof)
    elif roof.parapet_mm is not None:
        draw_parapet(work, roof.parapet_mm)
    for panel in house.panels:
        take_back, first = work.paper.on_trial(), len(work.paper.steps)
        draw_panel(work, panel)
        drawn = (one for step in work.paper.steps[first:] for one in step.strokes)
        if not any(one.fate == "keep" for one in drawn):
            take_back()
    for one in house.patterns:
        if isinstance(one, Pattern):
            draw_pattern(work, one)
        elif isinstance(one, Lettering):
            draw_lettering(work, one)
    tidy(site, what)
    # What a row hands on besides its corners stays with them.
    return work.marks if isinstance(work.marks, FrameMarks) else FrameMarks(work.marks)


def _helps(work: HouseSite) -> set[Pair]:
    """Edges of the block that are only a help: to corners that show, and for the roof."""
    behind = {k for edge in work.seen for k in edge if 4 <= k < FIRST}
    if not work.walls.one_point:
        behind -= {5, 6}  # they end the right side, which is always drawn
    return {(k - 4, k) for k in behind} | _helps_of_roof(work)


def _helps_of_roof(work: HouseSite) -> set[Pair]:
    """The top line under a gable, what a raised wall stands on, and the far wall where its middle
    is asked for.
    """
    roof, walls = work.house.roof, work.walls
    if isinstance(roof, Gable):
        wall = roof.foot(walls)
        p, q, r, s = wall
        q1, p1, r1, s1 = opposite(wall)
        helps = {pair(p, q)}
        if roof.far == "middle" and roof.shows_point(walls):
            around = (q1, p1), (p1, r1), (r1, s1), (s1, q1), (q, q1), (p, p1), (r, s1), (s, r1)
            helps |= {pair(a, b) for a, b in around}
        return helps
    if isinstance(roof, LeanTo):
        q1, p1, r1, s1 = opposite(roof.foot(walls))
        (slope,) = roof.slopes(walls)
        base, foot = (q1, s1) if slope.ridge == min(slope.ridge, slope.far_ridge) else (p1, r1)
        return {pair(base, foot), pair(slope.eave, base)}
    if work.house.on_top:
        # The corners of what is set back lie on the diagonals between these.
        return {(0, 4), (4, 5), (1, 5)}
    if isinstance(roof, Hip):
        # The back of the box of glass over the walls stands on these.
        return {(0, 4), (1, 5)} if walls.one_point else {(0, 1), (1, 5)}
    return set()


def _corners_needed(work: HouseSite) -> set[int]:
    """The corners of the block that the roof is drawn from, and those of walls with something in
    them that shows.
    """
    roof, walls = work.house.roof, work.walls
    found = {
        k for panel in work.house.panels if shows_somewhere(work, panel)
        for k in panel.wall(walls).corners
    }  # fmt: skip
    if isinstance(roof, Hip) or work.house.on_top:
        return found | {0, 1, 4, 5}
    if not isinstance(roof, Pitched):
        return found
    far = far_slope(work, roof)
    if isinstance(roof, LeanTo):
        (slope,) = roof.slopes(walls)
        found |= {*roof.raised_upright(walls), slope.eave}
    else:
        found |= set(roof.foot(walls))
    if far is not None:
        by_middle = isinstance(roof, Gable) and roof.far == "middle"
        found |= set(opposite(roof.foot(walls))) if by_middle else {far.far_eave}
    return found
