"""The steps of arches: the middle of each opening, how high the top lies, the curve by hand."""

from __future__ import annotations

from orthopsis.construction.division import divided
from orthopsis.construction.moves import Mark, Ruled, count, strung
from orthopsis.perspective.plane import UPRIGHT
from orthopsis.perspective.segments import XY
from orthopsis.perspective.view import on_paper
from orthopsis.phrase import Choice, Length
from orthopsis.pieces.shapes.house.inset_moves import Grid
from orthopsis.pieces.shapes.house.panels import Panel
from orthopsis.pieces.shapes.house.site import HouseSite
from orthopsis.pieces.shapes.house.wall_moves import WallMoves
from orthopsis.pieces.shapes.house.walls import Wall


def draw_arches(work: HouseSite, panel: Panel, wall: Wall, grid: Grid) -> None:
    """A top over each opening, then all curves."""
    arch, paper, house = panel.arch, work.paper, work.house
    assert arch is not None
    on_wall, rise = WallMoves(work, panel, wall), Length(arch.rise_mm)
    step = work.begin("panel-arch", look=Choice(panel.look))
    tops: list[Mark] = []
    crowns: dict[int, Ruled] = {}
    if wall.near is not None:
        for row in sorted({row for row, _ in grid.places}):
            crowns[row] = _crown(on_wall, grid.rows[row][1], arch.rise_mm)
    for place in grid.places:
        (low, high), (near, away) = grid.rows[place[0]], grid.columns[place[1]]
        left, right = paper.cross(high, near), paper.cross(high, away)
        if wall.near is None:
            middle = divided(paper, left, right, 0.5)
            tops.append(paper.measure_along(middle, UPRIGHT, -arch.rise_mm))
            continue
        part = work.site.part
        foot, foot_2 = paper.cross(low, near), paper.cross(low, away)
        centre = paper.cross(paper.diagonal(foot, right, part), paper.diagonal(foot_2, left, part))
        tops.append(paper.cross(work.upright(centre), crowns[place[0]]))
    curves: list[list[XY]] = [
        [on_paper(one) for one in curve]
        for curve in panel.arches(house.on_paper, work.walls, grid.taken)
    ]
    paper.keep_by_hand(curves, work.site.body)
    if wall.near is None:
        step.say("panel-arch-level", high=rise, shape=Choice(arch.shape), count=count(len(tops)))
    else:
        upright, goal = strung(*on_wall.near[::-1]), work.points[wall.family]
        step.say("panel-arch", upright=upright, high=rise, vp=goal, shape=Choice(arch.shape),
                 count=count(len(tops)))  # fmt: skip
    step.differs(height=rise)
    step.check("panel-arch-check")
    step.bulk = True


def _crown(on_wall: WallMoves, high: Ruled, rise_mm: float) -> Ruled:
    """The line of the wall that the tops of a row lie on, measured from where its head begins."""
    paper, (top, foot) = on_wall.work.paper, on_wall.near
    head = paper.cross(high, paper.along(foot, top))
    return on_wall.line_from(paper.measure_along(head, top, rise_mm))
