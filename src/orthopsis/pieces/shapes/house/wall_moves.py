"""What is measured on a wall: heights up its near upright, cuts along its foot."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

from orthopsis.construction.moves import Mark, Ruled, Step
from orthopsis.perspective.plane import LEFT, LEVEL, distance
from orthopsis.perspective.view import HORIZONTAL
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.shapes.house.panels import ON_THE_EDGE_MM, Panel
from orthopsis.pieces.shapes.house.site import HouseSite
from orthopsis.pieces.shapes.house.walls import Wall


@dataclass
class WallMoves:
    """A panel on its wall, and the lines that it is found by."""

    work: HouseSite
    panel: Panel
    wall: Wall

    @cached_property
    def near(self) -> tuple[Mark, Mark]:
        """The top and foot of the wall's near upright."""
        top, foot = (self.work.marks[k] for k in self.wall.near_upright)
        return top, foot

    @cached_property
    def far(self) -> tuple[Mark, Mark]:
        """The top and foot of the wall's far upright."""
        top, foot = (self.work.marks[k] for k in self.wall.far_upright)
        return top, foot

    def level(self, mm: float) -> Ruled:
        """The level line of the wall that starts so far up its near upright."""
        work, (top, foot) = self.work, self.near
        paper = work.paper
        if mm < ON_THE_EDGE_MM:
            return paper.along(foot, self.far[1])
        if abs(mm - distance(top.at, foot.at)) < ON_THE_EDGE_MM:
            return paper.along(top, self.far[0])
        return self.line_from(paper.measure_along(foot, top, mm))

    def line_from(self, mark: Mark) -> Ruled:
        """The level line of the wall from a mark on its near upright."""
        work, paper, (top, foot) = self.work, self.work.paper, self.near
        for end, far in ((foot, self.far[1]), (top, self.far[0])):
            if distance(mark.at, end.at) < ON_THE_EDGE_MM:
                return paper.along(end, far)
        if self.wall.family == HORIZONTAL:
            return paper.level(mark)
        return paper.aim(mark, work.points[self.wall.family], work.site.part, fate="erase")

    def cut(self, step: Step, cut: Cut, column: str) -> tuple[Mark, Mark]:
        """An upright over a mark on the wall's foot: where it meets the top line, and the mark."""
        work, paper = self.work, self.work.paper
        vp = work.points[self.wall.family]
        (top, foot), (far_top, far_foot) = self.near, self.far
        guide = paper.along(foot, far_foot)
        inward = LEFT if far_foot.at.x < foot.at.x else LEVEL
        mark, said = cut.build(work.site, foot, vp, guide, inward, (), "near-foot", column)
        step.says.append(said)
        upright = work.upright(mark)
        head = paper.cross(upright, paper.along(top, far_top))
        paper.across(upright, paper.along(top, far_top), work.site.part)
        return head, mark
