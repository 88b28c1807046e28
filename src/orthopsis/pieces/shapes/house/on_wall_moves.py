"""The moves of a block on a wall: its place there, then how far it stands out."""

from __future__ import annotations

from typing import TYPE_CHECKING

from orthopsis.construction.moves import Act, Mark, Ruled, Said, strung
from orthopsis.perspective.plane import LEFT, LEVEL, distance
from orthopsis.perspective.view import HORIZONTAL
from orthopsis.phrase import Choice, Length
from orthopsis.pieces.base import Site
from orthopsis.pieces.placement.corners import EDGES
from orthopsis.pieces.placement.edges import Edges, FrameMarks
from orthopsis.pieces.placement.front import front_measures, measured_front
from orthopsis.pieces.shapes.house.form import block_families
from orthopsis.pieces.shapes.house.member import OnHouseMoves
from orthopsis.pieces.shapes.house.panels import ON_THE_EDGE_MM

if TYPE_CHECKING:
    from orthopsis.pieces.shapes.house.on_wall import OnWall

Four = tuple[Mark, Mark, Mark, Mark]
"""Near top and foot, far top and foot."""


def draw_on_wall(place: OnWall, site: Site, edges: Edges) -> FrameMarks:
    """The steps of a block on a wall; the marks of its corners."""
    moves = _Moves(place, site)
    moves.out(moves.place(), edges)
    return moves.marks


class _Moves(OnHouseMoves):
    def __init__(self, place: OnWall, site: Site) -> None:
        super().__init__(place.house, site)
        self.block, self.wall, self.numbers = place.block, place.wall, place.numbers
        self.marks = FrameMarks()

    def place(self) -> Four:
        """The rectangle on the wall."""
        paper, block = self.paper, self.block
        step = self.site.begin("block-place", Act.DETAILS, look=Choice(block.look))
        if block.front is not None:
            a, b, c, d = measured_front(paper, block.front)
            step.say("block-on-front", corner=a, **front_measures(paper, block.front))
            found = a, d, b, c
        else:
            found = self._on_receding()
        step.check("block-place-check")
        self.marks |= zip(self.numbers.behind, found, strict=True)
        return found

    def _on_receding(self) -> Four:
        paper, block, step = self.paper, self.block, self.paper.steps[-1]
        (top, foot), (_, far_foot) = (
            [self.corner_of_house(k) for k in ends]
            for ends in (self.wall.near_upright, self.wall.far_upright)
        )
        assert block.from_ is not None and block.to is not None and block.height_mm is not None
        guide = paper.along(foot, far_foot)
        goal = self.site.points[self.wall.family]
        inward = LEFT if far_foot.at.x < foot.at.x else LEVEL
        sides = []
        for cut, column in ((block.from_, "left"), (block.to, "right")):
            mark, said = cut.build(self.site, foot, goal, guide, inward, (), "near-foot", column)
            step.says.append(said)
            sides.append(self.upright(mark))
        high_mm = block.up_mm + block.height_mm
        high = self._level(top, foot, high_mm)
        low = self._level(top, foot, block.up_mm)
        marked: dict[str, Said] = {
            "upright": strung(foot, top),
            "high": Length(high_mm),
            "vp": goal,
        }
        if block.up_mm < ON_THE_EDGE_MM:
            step.say("block-height", **marked)
        else:
            step.say("block-heights", low=Length(block.up_mm), **marked)
        near, far = sides
        near_top, near_foot, far_top, far_foot = (
            paper.cross(a, b) for a in (near, far) for b in (high, low)
        )
        step.say("block-corner", mark=near_top)
        return near_top, near_foot, far_top, far_foot

    def _level(self, top: Mark, foot: Mark, mm: float) -> Ruled:
        paper = self.paper
        if mm < ON_THE_EDGE_MM:
            return paper.along(foot, self.corner_of_house(self.wall.far_upright[1]))
        if abs(mm - distance(top.at, foot.at)) < ON_THE_EDGE_MM:
            return paper.along(top, self.corner_of_house(self.wall.far_upright[0]))
        return self.toward(paper.measure_along(foot, top, mm), self.wall.family)

    def out(self, behind: Four, edges: Edges) -> None:
        """The near upper corner out toward us, then all that follows from it."""
        paper, block = self.paper, self.block
        goal = self.site.points.get(self.of_house.walls.across(self.wall))
        step = self.site.begin("block-out", Act.DETAILS, look=Choice(block.look))
        start = behind[0]
        if goal is None:
            way = LEFT if self.wall.name == "left" else LEVEL
            first = paper.measure_along(start, way, block.out_mm)
            step.say("block-out-level", start=start, out=Length(block.out_mm), mark=first)
            lines = [paper.level(mark) for mark in behind]
        else:
            first = paper.measure_along(start, goal, -block.out_mm)
            step.say("block-out", start=start, vp=goal, out=Length(block.out_mm), mark=first)
            lines = [paper.lay(mark, goal) for mark in behind]
        near_foot = paper.cross(self.upright(first), lines[1])
        far_top = paper.cross(self._along(first), lines[2])
        far_foot = paper.cross(self.upright(far_top), lines[3])
        self.marks |= zip(self.numbers.out, (first, near_foot, far_top, far_foot), strict=True)
        families = block_families(self.of_house.walls)
        for a, b in EDGES:
            edges.keep(self.marks, a, b, families[a, b])
        step.say("block-front", mark=first)
        step.differs(width=Length(block.out_mm))
        step.check("block-out-check")
        step.bulk = True

    def _along(self, start: Mark) -> Ruled:
        if self.wall.family == HORIZONTAL:
            return self.paper.level(start)
        return self.paper.lay(start, self.site.points[self.wall.family])
