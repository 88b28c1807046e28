"""A block that stands out from a wall: a sign, a balcony, a porch, a box for the letters."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Annotated, Generic, Literal, NamedTuple, TypeVar

from pydantic import Field, field_validator, model_validator

from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point, distance
from orthopsis.perspective.vector import Vector, minus, plus
from orthopsis.perspective.view import eye_space, on_paper
from orthopsis.phrase import Own, say
from orthopsis.pieces.base import Measures, Name, PaperLength
from orthopsis.pieces.placement.anchor import Front
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.roles import Added, Editor, FieldRole
from orthopsis.pieces.shapes.house.cuts import cut_end
from orthopsis.pieces.shapes.house.first_strip import first_strip
from orthopsis.pieces.shapes.house.form import of_corners, raised
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.in_faces import InFace, check_names
from orthopsis.pieces.shapes.house.panels import ON_THE_EDGE_MM
from orthopsis.pieces.shapes.house.roofs import Flat, Gable, Roof, hangs_over
from orthopsis.pieces.shapes.house.walls import Wall, WallName

Place = TypeVar("Place")


Look = Literal["sign", "balcony", "porch", "extension", "garage", "box"]
INTO_WALLS = ("windows", "door", "lettering", "bricks")
InWalls = Annotated[
    list[InFace],
    Field(alias="parts", max_length=20, default_factory=list),
    Editor.PARTS,
    Added(INTO_WALLS),
]


class Rectangle(NamedTuple, Generic[Place]):
    """On a wall: places, marks or numbers of corners."""

    near_top: Place
    near_foot: Place
    far_top: Place
    far_foot: Place


class WallBlock(Measures):
    """A block on the wall `on`, between two cuts along its foot, `up_mm` above the ground and
    `height_mm` high on the near upright; `out_mm` is how far its near upper corner stands out
    toward us on paper. Without `from` or `to` it goes on to the end of the wall, and is flush with
    the one round the corner. Its top may be `level_with` the head of a door or window of the house
    instead of having a height. On a wall that we face its place is a `front` on the sheet.

    It is a house by itself: it may have a `roof`, and `parts` that lie in its own walls, which are
    called as the house's walls that they run along.
    """

    kind: Literal["block"]
    id: Name
    on: Annotated[WallName, FieldRole.CHOICE]
    look: Annotated[Look, FieldRole.CHOICE] = "box"
    from_: Annotated[Cut | None, Field(alias="from"), FieldRole.RUN] = None
    to: Annotated[Cut | None, FieldRole.RUN] = None
    up_mm: Annotated[float, Field(ge=0, le=1e4), FieldRole.LENGTH] = 0.0
    height_mm: PaperLength | None = None
    level_with: Annotated[Name | None, FieldRole.CHOICE, Editor.NONE] = None
    front: Front | None = None
    out_mm: PaperLength
    roof: Roof = Flat(kind="flat")
    fittings: InWalls

    @field_validator("roof")
    @classmethod
    def _ends_at_the_wall(cls, roof: Roof) -> Roof:
        """A ridge that runs into a wall ends there exactly: neither parallels nor eaves do."""
        if hangs_over(roof):
            raise Unfit(say("refused-eaves-at-a-wall"))
        if isinstance(roof, Gable) and roof.far == "parallel":
            return roof.model_copy(update={"far": "roof point"})
        return roof

    @property
    def takes(self) -> tuple[str, ...]:
        """What may be put on its walls by pointing at them."""
        return ("lettering",) if self.look in ("sign", "balcony") else INTO_WALLS

    @property
    def tall_mm(self) -> float:
        """How high it is on paper, at its near end."""
        return self.front.height_mm if self.front else self.height_mm or 0.0

    @model_validator(mode="after")
    def _one_form(self) -> WallBlock:
        check_names(self.fittings)
        if self.front is not None:
            if self.on != "front" or self.from_ or self.to or self.height_mm or self.level_with:
                raise Unfit(say("refused-panel-front"))
        elif (self.height_mm is None) == (self.level_with is None):
            raise Unfit(say("refused-block-height"), "height_mm")
        return self

    def levelled(self, house: House) -> WallBlock:
        """The same with its height, where that is level with a head. Raises ExerciseError."""
        if self.level_with is None:
            return self
        stage, field = house.stage, f"parts.{self.id}.level_with"
        panel = next((one for one in house.panels if one.id == self.level_with), None)
        if panel is None:
            raise stage.refuse(field, say("refused-no-such-head", panel=Own(self.level_with)))
        high_mm = house.head_mm(panel) - self.up_mm
        if high_mm <= 0.0:
            raise stage.refuse(field, say("refused-head-below"))
        return self.model_copy(update={"height_mm": high_mm})

    def rectangle(
        self, house: House, corners: Sequence[Vector], wall: Wall, *, by_ruler: bool
    ) -> Rectangle[Vector]:
        """Where it touches the wall. Raises ExerciseError."""
        (_, foot_number), stage = wall.near_upright, house.stage
        foot, path = corners[foot_number], f"parts.{self.id}"
        if self.front is not None:
            a, b, c, d = (eye_space(place, foot[2]) for place in self.front.corners)
            return Rectangle(a, d, b, c)
        assert self.height_mm is not None
        if wall.near is None:
            raise stage.refuse(f"{path}.from", say("refused-panel-cut-in-front"))
        far = corners[wall.far_upright[1]]
        way = minus(far, foot)
        begin, end = (
            at_end if cut is None
            else cut_end(cut, foot, way, wall.family, stage, f"{path}.{name}", by_ruler=by_ruler)
            for name, cut, at_end in (("from", self.from_, foot), ("to", self.to, far))
        )  # fmt: skip
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


def first_sign(house: House, id: str, on: str = "", at: Point | None = None) -> WallBlock:
    """Where a new sign begins, in round measures: on a wall about the place where it was put, or
    on the first wall that shows. Raises ExerciseError.
    """
    strip = first_strip(house, on, at)
    out_mm = max(2.0, round(_high_mm(house, strip["on"]) / 15.0))
    return WallBlock.model_validate(
        {"kind": "block", "id": id, "look": "sign", "out_mm": out_mm, **strip}
    )


def first_extension(house: House, id: str, on: str = "", at: Point | None = None) -> WallBlock:
    """The same for an extension: it stands on the ground, and its roof falls away from the wall."""
    strip = first_strip(house, on, at)
    high_mm = _high_mm(house, strip["on"])
    tall_mm = max(2.0, round(high_mm * 0.5))
    if "front" in strip:
        strip["front"] |= {"y_mm": house.foot_mm - tall_mm, "height_mm": tall_mm}
    else:
        strip |= {"up_mm": 0.0, "height_mm": tall_mm}
    peak_mm = max(1.0, round(high_mm * 0.12))
    roof = {"kind": "lean-to", "low": strip["on"], "peak_mm": peak_mm}
    out_mm = max(2.0, round(high_mm / 4.0))
    return WallBlock.model_validate(
        {"kind": "block", "id": id, "look": "extension", "out_mm": out_mm, "roof": roof, **strip}
    )


def _high_mm(house: House, wall: WallName) -> float:
    near = house.walls.by_name[wall].near_upright
    return distance(*(Point(*on_paper(house.on_paper[k])) for k in near))
