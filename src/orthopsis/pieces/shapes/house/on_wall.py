"""A block that stands out from a wall: a sign, a balcony, a porch, a box for the letters."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import Annotated, Generic, Literal, NamedTuple, TypeVar

from pydantic import Field, model_validator

from orthopsis.construction.moves import Mark
from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point, distance
from orthopsis.perspective.vector import Vector, minus, plus
from orthopsis.perspective.view import eye_space, on_paper
from orthopsis.phrase import say
from orthopsis.pieces.base import Measures, Name, PaperLength, Site
from orthopsis.pieces.placement.anchor import Front
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.edges import Edges
from orthopsis.pieces.roles import Added, Editor, FieldRole
from orthopsis.pieces.shapes.house.built_on import BuiltOn
from orthopsis.pieces.shapes.house.cuts import cut_end
from orthopsis.pieces.shapes.house.first_strip import first_strip
from orthopsis.pieces.shapes.house.form import of_corners, raised
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.in_faces import InFace, check_names
from orthopsis.pieces.shapes.house.on_wall_moves import draw_on_wall
from orthopsis.pieces.shapes.house.panels import ON_THE_EDGE_MM
from orthopsis.pieces.shapes.house.roofs import Flat, Roof
from orthopsis.pieces.shapes.house.walls import AROUND, Wall, WallName

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
    toward us on paper. On a wall that we face its place is a `front` on the sheet.

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
    front: Front | None = None
    out_mm: PaperLength
    roof: Roof = Flat(kind="flat")
    fittings: InWalls

    @property
    def takes(self) -> tuple[str, ...]:
        """What may be put on its walls by pointing at them."""
        return ("lettering",) if self.look in ("sign", "balcony") else INTO_WALLS

    @property
    def tall_mm(self) -> float:
        """How high it is on paper, at its near end."""
        return self.front.height_mm if self.front else self.height_mm or 0.0

    def stands(self, house: House) -> OnWall:
        """Where it stands."""
        return OnWall(house, self)

    @model_validator(mode="after")
    def _one_form(self) -> WallBlock:
        check_names(self.fittings)
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


class Numbers(NamedTuple):
    """The numbers of a block's corners: those that stand out, and those on the wall behind."""

    out: Rectangle[int]
    behind: Rectangle[int]


FROM_LEFT = Numbers(Rectangle(1, 2, 0, 3), Rectangle(5, 6, 4, 7))
FROM_RIGHT = Numbers(Rectangle(1, 2, 5, 6), Rectangle(0, 3, 4, 7))
FROM_FRONT = Numbers(Rectangle(0, 3, 1, 2), Rectangle(4, 7, 5, 6))
FROM_LEFT_SIDE = Numbers(Rectangle(0, 3, 4, 7), Rectangle(1, 2, 5, 6))
"""Those of a block on the left wall, the right wall, the front, and the left side of a front."""


@dataclass(frozen=True)
class OnWall(BuiltOn):
    """Where a block stands that is built on a wall of a house."""

    block: WallBlock

    @cached_property
    def wall(self) -> Wall:
        """The wall that it is on. Raises ExerciseError."""
        walls, stage, field = self.house.walls, self.house.stage, f"parts.{self.block.id}.on"
        if self.block.on not in walls.by_name:
            raise stage.refuse(field, say("refused-no-such-wall"))
        wall = walls.by_name[self.block.on]
        if not self.house.faces_us(AROUND.index(wall.corners)):
            raise stage.refuse(field, say("refused-wall-unseen"))
        return wall

    @property
    def numbers(self) -> Numbers:
        if self.wall.near is None:
            return FROM_FRONT
        if self.wall.near == "left":
            return FROM_RIGHT
        return FROM_LEFT_SIDE if self.house.walls.one_point else FROM_LEFT

    def places(self, house: Sequence[Vector], *, by_ruler: bool) -> list[Vector]:
        at = self.block.rectangle(self.house, house, self.wall, by_ruler=by_ruler)
        out = self.block.outward(self.house, self.wall, at.near_top)
        places, numbers = [at.near_top] * 8, self.numbers
        for k, place in enumerate(at):
            places[numbers.out[k]], places[numbers.behind[k]] = plus(place, out), place
        return places

    def lay_out(self, site: Site, edges: Edges) -> dict[int, Mark]:
        return draw_on_wall(self, site, edges)


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
