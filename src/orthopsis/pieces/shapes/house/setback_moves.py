"""The moves of a setback: its foot by the diagonals of the roof, then the block on it."""

from __future__ import annotations

from typing import TYPE_CHECKING

from orthopsis.construction.moves import Act, strung
from orthopsis.perspective.plane import LEFT, LEVEL
from orthopsis.phrase import Length
from orthopsis.pieces.base import Site
from orthopsis.pieces.placement.corners import EDGES
from orthopsis.pieces.placement.edges import Edges, FrameMarks
from orthopsis.pieces.shapes.house.cuts import cut_mark
from orthopsis.pieces.shapes.house.form import block_families
from orthopsis.pieces.shapes.house.member import OnHouseMoves

if TYPE_CHECKING:
    from orthopsis.pieces.shapes.house.setback import OnTop

FOOT_UNDER = {0: 3, 1: 2, 4: 7, 5: 6}
"""The foot under each corner of a block's top."""


def draw_setback(place: OnTop, site: Site, edges: Edges) -> FrameMarks:
    """The steps of a setback; the marks of its corners."""
    moves = _Moves(place, site)
    moves.foot()
    moves.block(edges)
    return moves.marks


class _Moves(OnHouseMoves):
    def __init__(self, place: OnTop, site: Site) -> None:
        super().__init__(place.house, site)
        self.setback, self.ways, self.tops = place.setback, place.ways, place.corners_of_top
        self.marks = FrameMarks()

    def foot(self) -> None:
        """A cut on the roof's edge, carried round by the diagonals."""
        paper, part = self.paper, self.site.part
        step = self.site.begin("setback-foot", Act.DETAILS)
        near, beside, other, across = (self.corner_of_house(k) for k in self.tops)
        through = paper.diagonal(near, across, part)
        crossing = paper.diagonal(beside, other, part)
        step.say("setback-diagonals", one=strung(near, across), other=strung(beside, other))
        goal = self.site.points.get(self.ways[0])
        way = LEFT if beside.at.x < near.at.x else LEVEL
        edge = paper.along(near, beside)
        mark = cut_mark(self.setback.in_, near, edge, goal, way, self.site, "inset")
        line = self.toward(mark, self.ways[1])
        first, right = paper.cross(line, through), paper.cross(line, crossing)
        left = paper.cross(self.toward(first, self.ways[0]), crossing)
        last = paper.cross(self.toward(left, self.ways[1]), through)
        for top, foot in zip(self.tops, (first, left, right, last), strict=True):
            self.marks[FOOT_UNDER[top]] = foot
        step.say("setback-foot", mark=mark, corners=strung(first, left, last, right))
        step.check("setback-foot-check")

    def block(self, edges: Edges) -> None:
        """Uprights on the foot, the near one measured, and the top."""
        paper, marks, high_mm = self.paper, self.marks, self.setback.height_mm
        near, beside, other, across = self.tops
        step = self.site.begin("setback-block", Act.DETAILS)
        foot = marks[FOOT_UNDER[near]]
        marks[near] = self.above(foot, high_mm)
        for side, way in ((beside, self.ways[0]), (other, self.ways[1])):
            line = self.toward(marks[near], way)
            marks[side] = paper.cross(self.upright(marks[FOOT_UNDER[side]]), line)
        line = self.toward(marks[beside], self.ways[1])
        marks[across] = paper.cross(self.upright(marks[FOOT_UNDER[across]]), line)
        families = block_families(self.of_house.walls)
        for a, b in EDGES:
            edges.keep(marks, a, b, families[a, b])
        step.say("setback-block", foot=foot, high=Length(high_mm), top=marks[near])
        step.differs(height=Length(high_mm))
        step.check("setback-block-check")
        step.bulk = True
