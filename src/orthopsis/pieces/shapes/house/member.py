"""What is built on a house: a block on one of its faces, drawn after it as a part of its own."""

from __future__ import annotations

from abc import abstractmethod
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

from orthopsis.construction.face import plumb
from orthopsis.construction.moves import Mark, Ruled, strung
from orthopsis.construction.order import Body
from orthopsis.perspective.plane import Point
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector
from orthopsis.perspective.view import HORIZONTAL
from orthopsis.phrase import Own, Phrase, say
from orthopsis.picture.solid import polyhedron
from orthopsis.picture.solids import AnySolid
from orthopsis.pieces.base import Drawn, Site, Stage, named
from orthopsis.pieces.placement.corners import FACES, block_body, seen_edges
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.shapes.house.cuts import cut_mark, inward
from orthopsis.pieces.shapes.house.form import ROOF_POINT, Pair, pair
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.planes import RoofPlane


@dataclass(frozen=True, eq=False)
class Member(Drawn):
    """A block on a slope of a house; its corners are numbered as a block's are, unless it says how
    its faces hang together.
    """

    part: Part
    house: House

    @property
    @abstractmethod
    def id(self) -> str:
        """What it is called in the house's list."""

    @property
    def name(self) -> Phrase:
        called: Own = named(self.id)
        return say("part-of", part=called, whole=self.house.name)

    @property
    @abstractmethod
    def plane(self) -> RoofPlane:
        """The slope that it stands on. Raises ExerciseError."""

    @abstractmethod
    def corners(self, house: Sequence[Vector], *, by_ruler: bool) -> list[Vector]:
        """Its corners on a house with those corners. Raises ExerciseError."""

    @property
    @abstractmethod
    def families(self) -> Mapping[Pair, str]:
        """The families of its edges. Raises ExerciseError."""

    @property
    def faces(self) -> tuple[tuple[int, ...], ...]:
        """Its faces, clockwise from outside. Raises ExerciseError."""
        return FACES

    @cached_property
    def by_ruler(self) -> list[Vector]:
        """Its corners on paper, as places that can be parted evenly. Raises ExerciseError."""
        return self.corners(self.house.on_paper, by_ruler=True)

    def solids(self, stage: Stage) -> list[AnySolid]:
        """A block that touches the house."""
        families = tuple((a, b, family) for (a, b), family in self.families.items())
        return [
            polyhedron(
                self.part, self.corners(self.house.in_space, by_ruler=False), self.faces, families,
                transparent=stage.transparent, floating=stage.floating,
            )
        ]  # fmt: skip

    def body(self, stage: Stage) -> Body:
        """The same on paper; it is drawn after its house, though it stands before it."""
        corners = tuple((Point(x / depth, y / depth), 1.0 / depth) for x, y, depth in self.by_ruler)
        return block_body(self.part, self.name, corners, stage, self.house.part, self.faces)


class OnHouseMoves:
    """What the moves of all that is built on a house share: the marks that it has."""

    def __init__(self, house: House, site: Site) -> None:
        handed = site.before.get(house.part)
        self.of_house, self.site, self.paper = house, site, site.paper
        self.house = handed if isinstance(handed, FrameMarks) else FrameMarks()

    def toward(self, start: Mark, family: str) -> Ruled:
        """A light line of a family from a mark: to its point, or level."""
        if family == HORIZONTAL:
            return self.paper.level(start)
        return self.paper.aim(start, self.site.points[family], self.site.part)

    def upright(self, start: Mark) -> Ruled:
        return plumb(self.paper, start, self.site.third)

    def above(self, start: Mark, mm: float) -> Mark:
        """A mark so far straight above another, or on the line through VP3."""
        third = self.site.third
        if third is None:
            return self.paper.measure_along(start, Point(0.0, -1.0, 0.0), mm)
        below = third.at.y > start.at.y
        return self.paper.measure_along(start, third, -mm if below else mm)

    def cut(self, cut: Cut, start: Mark, guide: Ruled, way: Vector, column: str) -> Mark:
        """The mark of a cut, with its sentence."""
        goal = self.site.points.get(guide.family)
        return cut_mark(cut, start, guide, goal, inward(way), self.site, column)

    def corner_of_house(self, number: int) -> Mark:
        """A corner of the house; where it was not needed before, as the eye sees it."""
        if number not in self.house:
            x, y, depth = self.of_house.on_paper[number]
            self.house[number] = self.paper.measure(x / depth, y / depth)
        return self.house[number]

    def up_the_roof(self, start: Mark, plane: RoofPlane, *, said: bool = False) -> Ruled:
        """A line up the roof: to its own point, which is found if it is not yet; or parallel to the
        slope where the gable faces us. Where it is `said` already, only the ruler is laid.
        """
        paper, step = self.paper, self.paper.steps[-1]
        eave, ridge = (self.corner_of_house(k) for k in (plane.slope.eave, plane.slope.ridge))
        if plane.wall.near is None:
            if not said:
                step.say("chimney-slope-parallel", slope=strung(eave, ridge))
            return paper.slide(start, paper.along(eave, ridge))
        point = self.house.get(ROOF_POINT)
        if point is not None and not said:
            step.say("chimney-slope", point=point)
        if point is None:
            vp = self.site.points[plane.wall.family]
            point = self.house[ROOF_POINT] = paper.cross(self.upright(vp), paper.along(eave, ridge))
            step.say("chimney-slope-to", slope=strung(eave, ridge), vp=vp, point=point)
        return paper.aim(start, point, self.site.part, family=plane.up)


class MemberMoves(OnHouseMoves):
    """The same, and the keeping of a member's edges."""

    def __init__(self, member: Member, site: Site) -> None:
        super().__init__(member.house, site)
        self.member = member
        self.marks: dict[int, Mark] = {}
        places = [place for place, _ in site.body.corners]
        self.seen = seen_edges(places, site.body.transparent, member.faces)

    def keep(self, a: int, b: int) -> None:
        """An edge, where it shows."""
        if pair(a, b) in self.seen:
            family = self.member.families[pair(a, b)]
            self.paper.keep(self.marks[a], self.marks[b], family, self.site.body)
