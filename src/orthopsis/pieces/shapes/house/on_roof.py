"""A chimney on its house: its solid, its body, and its steps."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

from orthopsis.construction.moves import Act, strung
from orthopsis.perspective.plane import Point, distance
from orthopsis.perspective.vector import Vector
from orthopsis.perspective.view import on_paper
from orthopsis.phrase import Length, say
from orthopsis.pieces.base import Site, Stage
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.shapes.house.chimney import Chimney, Corners
from orthopsis.pieces.shapes.house.form import Pair, pair
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.member import Member, MemberMoves
from orthopsis.pieces.shapes.house.planes import RoofPlane, roof_planes, slope_called
from orthopsis.pieces.shapes.house.shadow import HouseCasting
from orthopsis.pieces.shapes.tidy import tidy


@dataclass(frozen=True, eq=False)
class OnRoof(Member):
    """A chimney on a house, as one of its parts."""

    chimney: Chimney

    @property
    def id(self) -> str:
        return self.chimney.id

    @cached_property
    def plane(self) -> RoofPlane:
        """The slope that it stands on. Raises ExerciseError."""
        return slope_called(self.house, self.chimney.on, f"parts.{self.chimney.id}.on")

    def corners(self, house: Sequence[Vector], *, by_ruler: bool) -> list[Vector]:
        return self._stands(house, by_ruler=by_ruler).places

    def _stands(self, house: Sequence[Vector], *, by_ruler: bool) -> Corners:
        return self.chimney.corners(house, self.plane, self.house.stage, by_ruler=by_ruler)

    @cached_property
    def numbers(self) -> Corners:
        """Which of its corners are which. Raises ExerciseError."""
        return self._stands(self.house.on_paper, by_ruler=True)

    @cached_property
    def families(self) -> Mapping[Pair, str]:
        plane, uprights = self.plane, self.house.stage.view.uprights.name
        front, along, up, last = self.numbers[1:]
        found = {pair(*ends): uprights for ends in (front, along, up, last)}
        for end, way in ((0, plane.wall.family), (1, plane.up)):
            found[pair(front[end], up[end])] = found[pair(along[end], last[end])] = way
            found[pair(front[end], along[end])] = found[pair(up[end], last[end])] = plane.along
        return found

    def casting(self, stage: Stage) -> HouseCasting:
        del stage
        return HouseCasting(self.part, self.name, self)

    def build(self, site: Site) -> FrameMarks:
        """Its place on the slope, its front, its depth, its top."""
        moves = _Moves(self, site)
        moves.draw()
        tidy(site, "chimney")
        return FrameMarks(moves.marks)


class _Moves(MemberMoves):
    """The moves of a chimney."""

    def __init__(self, drawn: OnRoof, site: Site) -> None:
        super().__init__(drawn, site)
        self.drawn, self.corners = drawn, drawn.numbers

    def draw(self) -> None:
        self._place()
        self._front()
        self._depth()
        self._close()

    # --- steps ---------------------------------------------------------------------------------

    def _place(self) -> None:
        """The middle of the slope by its diagonals, and the level line through it."""
        paper, plane, chimney = self.paper, self.drawn.plane, self.drawn.chimney
        step = self.site.begin("chimney-place", Act.DETAILS)
        a, b, c, d = (self.corner_of_house(k) for k in plane.corners)
        middle = paper.cross(
            paper.diagonal(a, c, self.site.part), paper.diagonal(b, d, self.site.part)
        )
        step.say("chimney-middle", one=strung(a, c), other=strung(b, d), middle=middle)
        line = self.toward(middle, plane.along)
        goal = self.site.points.get(plane.along)
        if goal is None:
            step.say("chimney-line-level", middle=middle)
        else:
            step.say("chimney-line", middle=middle, vp=goal)
        way = plane.eave(self.drawn.house.on_paper)
        foot = middle
        if chimney.from_ is not None:
            foot = self.cut(chimney.from_, middle, line, way, "from")
        other = self.cut(chimney.wide, foot, line, way, "wide")
        self.marks[self.corners.front[1]], self.marks[self.corners.along[1]] = foot, other
        step.check("chimney-place-check")

    def _front(self) -> None:
        """Two uprights, the front one measured."""
        paper, plane = self.paper, self.drawn.plane
        step = self.site.begin("chimney-front", Act.DETAILS)
        (top, foot), (top_along, foot_along) = self.corners.front, self.corners.along
        low, high_mm = self.marks[foot], self.drawn.chimney.high_mm
        self.marks[top] = self.above(low, high_mm)
        line = self.toward(self.marks[top], plane.along)
        self.marks[top_along] = paper.cross(self.upright(self.marks[foot_along]), line)
        for ends in ((top, foot), (top_along, foot_along), (top, top_along), (foot, foot_along)):
            self.keep(*ends)
        step.say(
            "chimney-front",
            foot=low, high=Length(high_mm), top=self.marks[top], other=self.marks[foot_along],
        )  # fmt: skip
        step.differs(height=Length(high_mm))
        step.check("chimney-front-check")

    def _depth(self) -> None:
        """How deep, at the top; and the foot, which rises with the slope."""
        paper, plane, house = self.paper, self.drawn.plane, self.drawn.house
        (top, foot), (top_up, foot_up) = self.corners.front, self.corners.up
        step = self.site.begin("chimney-deep", Act.DETAILS)
        line = self.toward(self.marks[top], plane.wall.family)
        way = plane.level(house.on_paper)
        self.marks[top_up] = self.cut(self.drawn.chimney.deep, self.marks[top], line, way, "depth")
        slope = self.up_the_roof(self.marks[foot], plane)
        self.marks[foot_up] = paper.cross(self.upright(self.marks[top_up]), slope)
        for ends in ((top, top_up), (top_up, foot_up), (foot, foot_up)):
            self.keep(*ends)
        step.say("chimney-deep", foot=self.marks[foot], top=self.marks[top_up])
        step.check("chimney-deep-check")

    def _close(self) -> None:
        """The last corner, where the top shows, and what else is seen of the further sides."""
        (top, foot), (top_along, foot_along) = self.corners.last, self.corners.along
        top_up, foot_up = self.corners.up
        if not {pair(top, top_along), pair(top, top_up)} & self.seen:
            return
        plane = self.drawn.plane
        step = self.site.begin("chimney-top", Act.DETAILS)
        one = self.toward(self.marks[top_along], plane.wall.family)
        other = self.toward(self.marks[top_up], plane.along)
        self.marks[top] = self.paper.cross(one, other)
        self.keep(top, top_along)
        self.keep(top, top_up)
        step.say("chimney-top", one=self.marks[top_along], other=self.marks[top_up])
        step.check("chimney-top-check")
        if pair(top, foot) in self.seen:
            # Seen through, its back shows as well.
            step = self.site.begin("chimney-back", Act.DETAILS)
            line = self.toward(self.marks[foot_up], plane.along)
            self.marks[foot] = self.paper.cross(self.upright(self.marks[top]), line)
            for ends in ((top, foot), (foot, foot_up), (foot, foot_along)):
                self.keep(*ends)
            step.say("chimney-back", top=self.marks[top], foot=self.marks[foot_up])
            step.check("chimney-back-check")


def first_chimney(house: House, id: str, on: str = "") -> Chimney:
    """Where a new chimney begins on a slope or on the first that shows, in round measures. Raises
    ExerciseError where none does.
    """
    planes = roof_planes(house)
    if not planes:
        raise house.stage.refuse("parts", say("refused-no-slope"))
    name = on or next(iter(planes))
    plane = slope_called(house, name, "parts")
    near_eave, far_eave, _, near_ridge = (
        Point(*on_paper(house.on_paper[k])) for k in plane.corners
    )
    high_mm = max(4.0, round(distance(near_eave, near_ridge) / 2.0))
    wide_mm = max(2.0, round(distance(near_eave, far_eave) / 10.0))
    deep_mm = max(2.0, round(wide_mm * 0.6))
    return Chimney.model_validate(
        {"kind": "chimney", "id": id, "on": name, "wide": {"along_mm": wide_mm},
         "deep": {"along_mm": deep_mm}, "high_mm": high_mm}
    )  # fmt: skip
