"""A block that stands out from a wall: a sign, a balcony, a porch, a box for the letters."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import Annotated, Generic, Literal, NamedTuple, TypeVar

from pydantic import Field, model_validator

from orthopsis.construction.moves import Act, Mark, Ruled, Said, strung
from orthopsis.errors import Unfit
from orthopsis.perspective.plane import LEFT, LEVEL, Point, distance, join, meet
from orthopsis.perspective.vector import Vector, minus, plus
from orthopsis.perspective.view import HORIZONTAL, eye_space, on_paper
from orthopsis.phrase import Choice, Length, say
from orthopsis.pieces.base import Measures, Name, PaperLength, Site
from orthopsis.pieces.placement.anchor import Front
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.placement.front import front_measures, measured_front
from orthopsis.pieces.roles import FieldRole
from orthopsis.pieces.shapes.house.cuts import cut_end
from orthopsis.pieces.shapes.house.form import Pair, of_corners, raised
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.member import Member, MemberMoves
from orthopsis.pieces.shapes.house.panels import ON_THE_EDGE_MM
from orthopsis.pieces.shapes.house.walls import AROUND, Wall, WallName
from orthopsis.pieces.shapes.tidy import tidy

Place = TypeVar("Place")


class Rectangle(NamedTuple, Generic[Place]):
    """On a wall: places, marks or numbers of corners."""

    near_top: Place
    near_foot: Place
    far_top: Place
    far_foot: Place


class WallBlock(Measures):
    """A block on the wall `on`, between two cuts along its foot, `up_mm` above the ground and
    `height_mm` high on the near upright; `out_mm` is how far its near upper corner stands out
    toward us on paper. On a wall that we face its place is a `front` on the sheet.
    """

    kind: Literal["block"]
    id: Name
    on: Annotated[WallName, FieldRole.CHOICE]
    look: Annotated[Literal["sign", "balcony", "porch", "box"], FieldRole.CHOICE] = "box"
    from_: Annotated[Cut | None, Field(alias="from"), FieldRole.RUN] = None
    to: Annotated[Cut | None, FieldRole.RUN] = None
    up_mm: Annotated[float, Field(ge=0, le=1e4), FieldRole.LENGTH] = 0.0
    height_mm: PaperLength | None = None
    front: Front | None = None
    out_mm: PaperLength

    @model_validator(mode="after")
    def _one_form(self) -> WallBlock:
        if self.front is not None:
            if self.on != "front" or self.from_ or self.to or self.height_mm:
                raise Unfit(say("refused-panel-front"))
        elif self.height_mm is None:
            raise Unfit(say("refused-panel-height"), "height_mm")
        elif self.from_ is None or self.to is None:
            raise Unfit(say("refused-panel-width"))
        return self

    def rectangle(
        self, house: House, corners: Sequence[Vector], wall: Wall, *, by_ruler: bool
    ) -> Rectangle[Vector]:
        """Where it touches the wall. Raises ExerciseError."""
        (_, foot_number), stage = wall.near_upright, house.stage
        foot, path = corners[foot_number], f"parts.{self.id}"
        if self.front is not None:
            a, b, c, d = (eye_space(place, foot[2]) for place in self.front.corners)
            return Rectangle(a, d, b, c)
        assert self.from_ is not None and self.to is not None and self.height_mm is not None
        if wall.near is None:
            raise stage.refuse(f"{path}.from", say("refused-panel-cut-in-front"))
        far = corners[wall.far_upright[1]]
        way = minus(far, foot)
        begin, end = (
            cut_end(cut, foot, way, wall.family, stage, f"{path}.{name}", by_ruler=by_ruler)
            for name, cut in (("from", self.from_), ("to", self.to))
        )
        places = [Point(*on_paper(one)) for one in (foot, begin, end, far)]
        reach = [distance(places[0], one) for one in places[1:]]
        if reach[1] <= reach[0]:
            raise stage.refuse(f"{path}.to", say("refused-panel-order"))
        if reach[1] > reach[2] + ON_THE_EDGE_MM:
            raise stage.refuse(f"{path}.to", say("refused-panel-beyond"))
        up = of_corners(corners)
        low, high = (
            minus(raised(foot, up, mm), foot) for mm in (self.up_mm, self.up_mm + self.height_mm)
        )
        return Rectangle(plus(begin, high), plus(begin, low), plus(end, high), plus(end, low))

    def outward(self, house: House, wall: Wall, start: Vector) -> Vector:
        """The way out of the wall, as far as the block stands out."""
        family, view = house.walls.across(wall), house.stage.view
        vp = next((one.at for one in view.level_points if one.name == family), None)
        if vp is None:
            side = -1.0 if wall.name == "left" else 1.0
            return (side * self.out_mm * start[2], 0.0, 0.0)
        away = distance(Point(*on_paper(start)), vp)
        # Prolonged by so much, the corner lies by that share nearer to us.
        x, y, depth = eye_space(vp, start[2] * self.out_mm / (away + self.out_mm))
        return -x, -y, -depth


NUMBERS = {
    "right": Rectangle(1, 2, 0, 3), "left": Rectangle(0, 3, 1, 2), None: Rectangle(0, 3, 1, 2),
}  # fmt: skip
"""The numbers of the front's corners, by the side on which the wall's near upright lies."""


@dataclass(frozen=True, eq=False)
class OnWall(Member):
    """A block on a wall, as one of the house's parts."""

    block: WallBlock

    @property
    def id(self) -> str:
        return self.block.id

    @cached_property
    def wall(self) -> Wall:
        """The wall that it is on. Raises ExerciseError."""
        walls, stage, field = self.house.walls, self.house.stage, f"parts.{self.id}.on"
        if self.block.on not in walls.by_name:
            raise stage.refuse(field, say("refused-no-such-wall"))
        wall = walls.by_name[self.block.on]
        if not self.house.faces_us(AROUND.index(wall.corners)):
            raise stage.refuse(field, say("refused-wall-unseen"))
        return wall

    def corners(self, house: Sequence[Vector], *, by_ruler: bool) -> list[Vector]:
        at = self.block.rectangle(self.house, house, self.wall, by_ruler=by_ruler)
        out = self.block.outward(self.house, self.wall, at.near_top)
        numbers = NUMBERS[self.wall.near]
        places = [at.near_top] * 8
        for number, place in zip(numbers, at, strict=True):
            places[number], places[number + 4] = plus(place, out), place
        return places

    @cached_property
    def families(self) -> Mapping[Pair, str]:
        uprights, across = self.house.stage.view.uprights.name, self.house.walls.across(self.wall)
        found: dict[Pair, str] = {}
        for k in (0, 4):
            found |= {(k, k + 1): self.wall.family, (k + 2, k + 3): self.wall.family}
            found |= {(k, k + 3): uprights, (k + 1, k + 2): uprights}
        return found | {(k, k + 4): across for k in range(4)}

    def build(self, site: Site) -> FrameMarks:
        """Its place on the wall, then how far it stands out."""
        _Moves(self, site).draw()
        tidy(site, "block")
        return FrameMarks()


class _Moves(MemberMoves):
    """The moves of a block on a wall."""

    def __init__(self, drawn: OnWall, site: Site) -> None:
        super().__init__(drawn, site)
        self.drawn, self.block, self.wall = drawn, drawn.block, drawn.wall
        self.numbers = NUMBERS[self.wall.near]

    def draw(self) -> None:
        behind = self._place()
        self._out(behind)

    def _place(self) -> Rectangle[Mark]:
        """The rectangle on the wall."""
        paper, block = self.paper, self.block
        step = self.site.begin("block-place", Act.DETAILS, look=Choice(block.look))
        if block.front is not None:
            a, b, c, d = measured_front(paper, block.front)
            step.say("block-on-front", corner=a, **front_measures(paper, block.front))
            found = Rectangle(a, d, b, c)
        else:
            found = self._on_receding()
        step.check("block-place-check")
        for number, mark in zip(self.numbers, found, strict=True):
            self.marks[number + 4] = mark
        return found

    def _on_receding(self) -> Rectangle[Mark]:
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
        found = Rectangle(*(paper.cross(a, b) for a in (near, far) for b in (high, low)))
        step.say("block-corner", mark=found.near_top)
        return found

    def _level(self, top: Mark, foot: Mark, mm: float) -> Ruled:
        paper = self.paper
        if mm < ON_THE_EDGE_MM:
            return paper.along(foot, self.corner_of_house(self.wall.far_upright[1]))
        if abs(mm - distance(top.at, foot.at)) < ON_THE_EDGE_MM:
            return paper.along(top, self.corner_of_house(self.wall.far_upright[0]))
        return self.toward(paper.measure_along(foot, top, mm), self.wall.family)

    def _out(self, behind: Rectangle[Mark]) -> None:
        """The near upper corner out toward us, then all that follows from it."""
        paper, block, numbers = self.paper, self.block, self.numbers
        family = self.drawn.house.walls.across(self.wall)
        step = self.site.begin("block-out", Act.DETAILS, look=Choice(block.look))
        goal = self.site.points.get(family)
        start = behind.near_top
        if goal is None:
            way = LEFT if self.wall.name == "left" else LEVEL
            first = paper.measure_along(start, way, block.out_mm)
            step.say("block-out-level", start=start, out=Length(block.out_mm), mark=first)
            lines = [paper.level(mark) for mark in behind]
        else:
            first = paper.measure_along(start, goal, -block.out_mm)
            step.say("block-out", start=start, vp=goal, out=Length(block.out_mm), mark=first)
            lines = [paper.lay(mark, goal) for mark in behind]
        marks = self.marks
        marks[numbers.near_top] = first
        marks[numbers.near_foot] = paper.cross(self.upright(first), lines[1])
        top = self._along(first)
        marks[numbers.far_top] = paper.cross(top, lines[2])
        marks[numbers.far_foot] = paper.cross(self.upright(marks[numbers.far_top]), lines[3])
        for a, b in ((0, 1), (1, 2), (2, 3), (0, 3)):
            self.keep(a, b)
        for k in range(4):
            self.keep(k, k + 4)
        for a, b in ((4, 5), (5, 6), (6, 7), (4, 7)):
            self.keep(a, b)
        step.say("block-front", mark=first)
        step.differs(width=Length(block.out_mm))
        step.check("block-out-check")
        step.bulk = True

    def _along(self, start: Mark) -> Ruled:
        if self.wall.family == HORIZONTAL:
            return self.paper.level(start)
        return self.paper.lay(start, self.site.points[self.wall.family])


def first_block(house: House, id: str, on: str = "", at: Point | None = None) -> WallBlock:
    """Where a new sign begins, in round measures: on a wall about the place where it was put, or
    on the first wall that shows. Raises ExerciseError.
    """
    walls = house.walls
    wall = next((one for one in walls.by_name.values() if one.name == on), walls.shown[0])
    corners = [Point(*on_paper(place)) for place in house.on_paper]
    top, foot = (corners[k] for k in wall.near_upright)
    far_top, far_foot = (corners[k] for k in wall.far_upright)
    high_mm = distance(top, foot)
    data: dict[str, object] = {"kind": "block", "id": id, "on": wall.name, "look": "sign",
                               "out_mm": max(2.0, round(high_mm / 15.0))}  # fmt: skip
    tall_mm = max(2.0, round(high_mm / 6.0))
    if wall.near is None:
        wide_mm = round(distance(top, far_top) / 2.0)
        middle = Point((top.x + far_top.x) / 2.0, top.y + high_mm / 3.0) if at is None else at
        data["front"] = {"x_mm": round(middle.x - wide_mm / 2.0),
                         "y_mm": round(middle.y - tall_mm / 2.0), "width_mm": wide_mm,
                         "height_mm": tall_mm}  # fmt: skip
        return WallBlock.model_validate(data)
    reach, up_mm, begin = distance(foot, far_foot), high_mm * 0.6, 0.2
    wide = 0.3
    if at is not None:
        below = meet(join(at, house.stage.view.uprights.at), join(foot, far_foot))
        middle_share = min(max(distance(foot, below) / reach, 0.2), 0.8)
        begin = middle_share - wide / 2.0
        goal = next(vp.at for vp in house.stage.view.level_points if vp.name == wall.family)
        carried = meet(join(at, goal), join(foot, top))
        up_mm = min(max(distance(foot, carried) - tall_mm / 2.0, 0.0), high_mm - tall_mm)
    begin_mm = max(1.0, round(begin * reach))
    data |= {"from": {"along_mm": begin_mm},
             "to": {"along_mm": min(begin_mm + max(1.0, round(wide * reach)), reach)},
             "up_mm": round(up_mm), "height_mm": tall_mm}  # fmt: skip
    return WallBlock.model_validate(data)
