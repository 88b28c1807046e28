"""A dormer on its house: its solid, its body, and its steps."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

from orthopsis.construction.moves import Act, Mark, Said
from orthopsis.perspective.plane import Point, distance
from orthopsis.perspective.vector import Vector
from orthopsis.perspective.view import FREE, on_paper
from orthopsis.phrase import Length, say
from orthopsis.pieces.base import Site, Stage
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.shapes.house.dormer import (
    BACK,
    BACK_2,
    BACK_PEAK,
    FOOT,
    FOOT_2,
    PEAK,
    TOP,
    TOP_2,
    Dormer,
    DormerCorners,
)
from orthopsis.pieces.shapes.house.form import Pair, pair
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.member import Member, MemberMoves
from orthopsis.pieces.shapes.house.planes import RoofPlane, roof_planes, slope_called
from orthopsis.pieces.shapes.house.shadow import HouseCasting
from orthopsis.pieces.shapes.tidy import tidy


@dataclass(frozen=True, eq=False)
class OnSlope(Member):
    """A dormer on a house, as one of its parts."""

    dormer: Dormer

    @property
    def id(self) -> str:
        return self.dormer.id

    @cached_property
    def plane(self) -> RoofPlane:
        """The slope that it stands on. Raises ExerciseError."""
        return slope_called(self.house, self.dormer.on, f"parts.{self.id}.on")

    def corners(self, house: Sequence[Vector], *, by_ruler: bool) -> list[Vector]:
        return self._stands(house, by_ruler=by_ruler).places

    def _stands(self, house: Sequence[Vector], *, by_ruler: bool) -> DormerCorners:
        return self.dormer.corners(house, self.plane, self.house.stage, by_ruler=by_ruler)

    @cached_property
    def faces(self) -> tuple[tuple[int, ...], ...]:
        return self._stands(self.house.on_paper, by_ruler=True).faces

    @cached_property
    def families(self) -> Mapping[Pair, str]:
        plane, uprights = self.plane, self.house.stage.view.uprights.name
        back = plane.wall.family
        ways = {
            (FOOT, TOP): uprights, (FOOT_2, TOP_2): uprights, (FOOT, FOOT_2): plane.along,
            (TOP, BACK): back, (TOP_2, BACK_2): back, (PEAK, BACK_PEAK): back,
            (FOOT, BACK): plane.up, (FOOT_2, BACK_2): plane.up,
        }  # fmt: skip
        slants = (TOP, PEAK), (PEAK, TOP_2), (BACK, BACK_PEAK), (BACK_PEAK, BACK_2)
        ways |= dict.fromkeys(slants, FREE)
        return {pair(*ends): family for ends, family in ways.items()}

    def casting(self, stage: Stage) -> HouseCasting:
        del stage
        return HouseCasting(self.part, self.name, self)

    def build(self, site: Site) -> FrameMarks:
        """Its place on the slope, its front, what runs back into the roof."""
        moves = _Moves(self, site)
        moves.draw()
        tidy(site, "dormer")
        return FrameMarks(moves.marks)


class _Moves(MemberMoves):
    """The moves of a dormer."""

    def __init__(self, drawn: OnSlope, site: Site) -> None:
        super().__init__(drawn, site)
        self.drawn, self.dormer, self.plane = drawn, drawn.dormer, drawn.plane

    def draw(self) -> None:
        self._place()
        middle = self._front()
        self._back(middle)

    def _place(self) -> None:
        """A mark on the rake, a level line through it, and both feet on that."""
        paper, plane, dormer = self.paper, self.plane, self.dormer
        step = self.site.begin("dormer-place", Act.DETAILS)
        eave, ridge = (self.corner_of_house(k) for k in (plane.slope.eave, plane.slope.ridge))
        mark = paper.measure_along(eave, ridge, dormer.rake_mm)
        line = self.toward(mark, plane.along)
        measured: dict[str, Said] = {
            "eave": eave,
            "ridge": ridge,
            "up": Length(dormer.rake_mm),
            "mark": mark,
        }
        goal = self.site.points.get(plane.along)
        if goal is None:
            step.say("dormer-place-level", **measured)
        else:
            step.say("dormer-place", vp=goal, **measured)
        way = plane.eave(self.drawn.house.on_paper)
        self.marks[FOOT] = self.cut(dormer.from_, mark, line, way, "from")
        self.marks[FOOT_2] = self.cut(dormer.wide, self.marks[FOOT], line, way, "wide")
        step.differs(rake=Length(dormer.rake_mm))
        step.check("dormer-place-check")

    def _front(self) -> Mark:
        """Two uprights, the middle by diagonals, the peak; the middle of the foot."""
        paper, plane, dormer, marks = self.paper, self.plane, self.dormer, self.marks
        step = self.site.begin("dormer-front", Act.DETAILS)
        foot, foot_2 = marks[FOOT], marks[FOOT_2]
        marks[TOP] = self.above(foot, dormer.high_mm)
        top_line = self.toward(marks[TOP], plane.along)
        marks[TOP_2] = paper.cross(self.upright(foot_2), top_line)
        part = self.site.part
        centre = paper.cross(
            paper.diagonal(foot, marks[TOP_2], part), paper.diagonal(foot_2, marks[TOP], part)
        )
        upright = self.upright(centre)
        middle = paper.cross(upright, paper.along(foot, foot_2))
        over = paper.cross(upright, paper.along(marks[TOP], marks[TOP_2]))
        marks[PEAK] = self.above(over, dormer.peak_mm)
        for ends in ((FOOT, TOP), (TOP, PEAK), (PEAK, TOP_2), (TOP_2, FOOT_2), (FOOT, FOOT_2)):
            self.keep(*ends)
        step.say(
            "dormer-front", foot=foot, high=Length(dormer.high_mm), other=foot_2, over=over,
            peak_high=Length(dormer.peak_mm), peak=marks[PEAK],
        )  # fmt: skip
        step.differs(height=Length(dormer.high_mm), peak=Length(dormer.peak_mm))
        step.check("dormer-front-check")
        step.bulk = True
        return middle

    def _back(self, middle: Mark) -> None:
        """The ridge and the eaves, level back until they meet lines up the roof."""
        paper, plane, marks = self.paper, self.plane, self.marks
        step = self.site.begin("dormer-back", Act.DETAILS)
        slope = self.up_the_roof(middle, plane)
        marks[BACK_PEAK] = paper.cross(self.toward(marks[PEAK], plane.wall.family), slope)
        needed = {k for edge in self.seen for k in edge}
        for back, top, foot in ((BACK, TOP, FOOT), (BACK_2, TOP_2, FOOT_2)):
            if back in needed:
                line = self.toward(marks[top], plane.wall.family)
                marks[back] = paper.cross(line, self.up_the_roof(marks[foot], plane, said=True))
        for edge in sorted(self.seen):
            if max(edge) >= BACK and set(edge) <= marks.keys():
                self.keep(*edge)
        goal = self.site.points.get(plane.wall.family)
        if goal is None:
            step.say("dormer-back-level", peak=marks[PEAK], middle=middle, end=marks[BACK_PEAK])
        else:
            step.say("dormer-back", peak=marks[PEAK], vp=goal, middle=middle,
                     end=marks[BACK_PEAK])  # fmt: skip
        step.check("dormer-back-check")
        step.bulk = True


def first_dormer(house: House, id: str, on: str = "", at: Point | None = None) -> Dormer:
    """Where a new dormer begins on a slope, in round measures. Raises ExerciseError."""
    planes = roof_planes(house)
    if not planes:
        raise house.stage.refuse("parts", say("refused-no-slope"))
    name = on or next(iter(planes))
    plane = slope_called(house, name, "parts")
    eave, far_eave, _, ridge = (Point(*on_paper(house.on_paper[k])) for k in plane.corners)
    rake_mm, long_mm = distance(eave, ridge), distance(eave, far_eave)
    wide_mm = max(3.0, round(long_mm / 5.0))
    begin_mm = round(long_mm * 0.35)
    if at is not None:
        middle_mm = long_mm * min(max((at.x - eave.x) / (far_eave.x - eave.x or 1.0), 0.25), 0.7)
        begin_mm = round(middle_mm - wide_mm / 2.0)
    high_mm = max(2.0, round(rake_mm * 0.2))
    return Dormer.model_validate(
        {"kind": "dormer", "id": id, "on": name, "rake_mm": max(2.0, round(rake_mm * 0.25)),
         "from": {"along_mm": max(1.0, begin_mm)}, "wide": {"along_mm": wide_mm},
         "high_mm": high_mm, "peak_mm": max(1.0, round(high_mm * 0.6))}
    )  # fmt: skip
