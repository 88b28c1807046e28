"""A house on its way onto paper: its corners as they are marked, and the keeping of its edges."""

from __future__ import annotations

from collections.abc import Mapping, Set
from dataclasses import dataclass, field
from functools import cached_property

from orthopsis.construction.beyond import taped_on
from orthopsis.construction.face import plumb
from orthopsis.construction.moves import Act, Mark, Ruled, Said, Step
from orthopsis.construction.paper import Paper
from orthopsis.construction.places import down
from orthopsis.perspective.plane import UPWARD
from orthopsis.perspective.view import HORIZONTAL
from orthopsis.pieces.base import Site
from orthopsis.pieces.placement.edges import Edges
from orthopsis.pieces.shapes.house.form import Pair, pair, seen_pairs, turned_to_us
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.walls import AROUND, Wall, Walls


@dataclass
class HouseSite:
    """A house, where it is drawn, and the marks of its corners."""

    site: Site
    house: House
    marks: dict[int, Mark] = field(default_factory=dict)

    @property
    def paper(self) -> Paper:
        return self.site.paper

    @property
    def walls(self) -> Walls:
        return self.house.walls

    @property
    def points(self) -> Mapping[str, Mark]:
        return self.site.points

    @cached_property
    def seen(self) -> set[Pair]:
        """The edges that show."""
        body = self.site.body
        places = [place for place, _ in body.corners]
        faces = body.faces if body.transparent else self.house.outer_faces
        return seen_pairs(faces, places, body.transparent)

    def shows(self, wall: Wall) -> bool:
        """Whether a wall turns its outside to us."""
        places = [place for place, _ in self.site.body.corners]
        number = AROUND.index(wall.corners)
        return turned_to_us(self.house.form.faces[number], places)

    def begin(self, step: str, act: Act = Act.DETAILS, /, **title: Said) -> Step:
        return self.site.begin(step, act, **title)

    def keep(self, a: int, b: int) -> None:
        """Draw an edge that shows, from mark to mark."""
        if pair(a, b) in self.seen:
            family = self.house.form.families[pair(a, b)]
            self.paper.keep(self.marks[a], self.marks[b], family, self.site.body)

    def toward(self, start: Mark, family: str) -> Ruled:
        """A light line of a family from a mark: to its point, or level."""
        if family == HORIZONTAL:
            return self.paper.level(start)
        return self.paper.aim(start, self.points[family], self.site.part)

    def laid(self, start: Mark, family: str) -> Ruled:
        """The ruler laid through a mark along a family; what is drawn of it comes later."""
        if family == HORIZONTAL:
            return self.paper.level(start)
        return self.paper.lay(start, self.points[family])

    def upright(self, start: Mark) -> Ruled:
        return plumb(self.paper, start, self.site.third)

    def above(self, start: Mark, mm: float) -> Mark:
        """A mark so far straight above another, or on the line through VP3."""
        third = self.site.third
        if third is None:
            return self.paper.measure_along(start, UPWARD, mm)
        below = third.at.y > start.at.y
        return self.paper.measure_along(start, third, -mm if below else mm)

    def corners_of(self, wall: Wall) -> tuple[Mark, Mark, Mark, Mark]:
        """The marks of a wall's corners."""
        p, q, r, s = (self.marks[k] for k in wall.corners)
        return p, q, r, s


class HouseEdges(Edges):
    """The edges of the block: those that show are kept, those that only help are drawn lightly."""

    def __init__(self, work: HouseSite, helps: set[Pair], needed: Set[int]) -> None:
        super().__init__(work.paper, work.site.body)
        self.seen = {edge for edge in work.seen if max(edge) < 8}
        self.helps, self.needed = helps, needed

    def needs(self, corner: int) -> bool:
        return corner in self.needed

    def shows(self, a: int, b: int) -> bool:
        return pair(a, b) in self.seen or pair(a, b) in self.helps

    def keep(self, marks: Mapping[int, Mark], a: int, b: int, family: str) -> None:
        if pair(a, b) in self.seen:
            self.paper.keep(marks[a], marks[b], family, self.body)
        elif pair(a, b) in self.helps and {a, b} <= marks.keys():
            self.paper.join(marks[a], marks[b], family, self.body.part)


def tape_where_it_lies(work: HouseSite, step: Step, point: Mark, ends: tuple[Mark, Mark]) -> None:
    """A second sheet where a point is found beside the first, on lines from the ends."""
    sheet = work.paper.sheet
    if not sheet.contains(point.at):
        step.say("roof-point-beside", point=point, down=down(point.at.y, sheet))
        step.beyond.append(taped_on(sheet, point.at, (ends[0].at, ends[1].at)))
