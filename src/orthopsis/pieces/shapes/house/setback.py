"""A setback: further storeys on a flat roof, set in from its edges by the same share all round."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Annotated, Literal

from pydantic import Field, model_validator

from orthopsis.construction.moves import Mark
from orthopsis.perspective.plane import Point, distance
from orthopsis.perspective.vector import Vector, dot, minus, plus, times
from orthopsis.perspective.view import HORIZONTAL, on_paper
from orthopsis.phrase import say
from orthopsis.pieces.base import Measures, Name, PaperLength, Site
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.edges import Edges
from orthopsis.pieces.roles import FieldRole
from orthopsis.pieces.shapes.house.built_on import BuiltOn
from orthopsis.pieces.shapes.house.cuts import cut_end
from orthopsis.pieces.shapes.house.form import of_corners, raised
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.in_faces import check_names
from orthopsis.pieces.shapes.house.on_wall import INTO_WALLS, InWalls
from orthopsis.pieces.shapes.house.roofs import Flat, Roof
from orthopsis.pieces.shapes.house.setback_moves import FOOT_UNDER, draw_setback

TWO_POINT, ONE_POINT = (1, 0, 5, 4), (0, 1, 4, 5)
"""Of the flat roof: its near corner, those beside it, and the one across."""


class Setback(Measures):
    """A smaller block on a flat roof. `in` is cut on the roof's edge from its near corner, to the
    left (in one point from the left corner, along the front); its corners lie on the roof's
    diagonals, so it is set in by the same share on all sides. `height_mm` is measured up its own
    near upright. It may have a `roof`, and `parts` in its own walls.
    """

    kind: Literal["setback"]
    id: Name
    in_: Annotated[Cut, Field(alias="in"), FieldRole.RUN]
    height_mm: PaperLength
    roof: Roof = Flat(kind="flat")
    fittings: InWalls

    @model_validator(mode="after")
    def _parts_have_names(self) -> Setback:
        check_names(self.fittings)
        return self

    @property
    def look(self) -> str:
        return "setback"

    @property
    def takes(self) -> tuple[str, ...]:
        """What may be put on its walls by pointing at them."""
        return INTO_WALLS

    @property
    def tall_mm(self) -> float:
        """How high it is on paper, at its near end."""
        return self.height_mm

    def stands(self, house: House) -> OnTop:
        """Where it stands."""
        return OnTop(house, self)


@dataclass(frozen=True)
class OnTop(BuiltOn):
    """Where a setback stands on its house."""

    setback: Setback

    @property
    def corners_of_top(self) -> tuple[int, int, int, int]:
        return ONE_POINT if self.house.walls.one_point else TWO_POINT

    @property
    def seen_from_below(self) -> bool:
        """Whether the roof that it stands on turns away, so that its house stands before it."""
        number = self.house.form.names.get("top")
        return number is not None and not self.house.faces_us(number)

    @property
    def ways(self) -> tuple[str, str]:
        """The families of the roof's edges at its near corner: to the first beside it, and on."""
        points = [vp.name for vp in self.house.stage.view.level_points]
        return (HORIZONTAL, points[0]) if len(points) == 1 else (points[0], points[1])

    def places(self, house: Sequence[Vector], *, by_ruler: bool) -> list[Vector]:
        stage, path = self.house.stage, f"parts.{self.setback.id}"
        if not isinstance(self.house.roof, Flat):
            raise stage.refuse(path, say("refused-setback-no-flat-roof"))
        near, beside, other, _ = (house[k] for k in self.corners_of_top)
        edge, back = minus(beside, near), minus(other, near)
        end = cut_end(
            self.setback.in_, near, edge, self.ways[0], stage, f"{path}.in", by_ruler=by_ruler
        )
        share = dot(minus(end, near), edge) / dot(edge, edge)
        if share >= 0.5:
            raise stage.refuse(f"{path}.in", say("refused-setback-too-far"))

        def at(along: float, deep: float) -> Vector:
            return plus(near, plus(times(edge, along), times(back, deep)))

        far = 1.0 - share
        feet = at(share, share), at(far, share), at(share, far), at(far, far)
        up = minus(raised(feet[0], of_corners(house), self.setback.height_mm), feet[0])
        places = [near] * 8
        for number, foot in zip(self.corners_of_top, feet, strict=True):
            places[number], places[FOOT_UNDER[number]] = plus(foot, up), foot
        return places

    def lay_out(self, site: Site, edges: Edges) -> dict[int, Mark]:
        return draw_setback(self, site, edges)


def first_setback(house: House, id: str) -> Setback:
    """A new setback in round measures, as high as half its house. Raises ExerciseError."""
    if not isinstance(house.roof, Flat):
        raise house.stage.refuse("parts", say("refused-setback-no-flat-roof"))
    one_point = house.walls.one_point
    near, beside, *_ = (
        Point(*on_paper(house.on_paper[k])) for k in (ONE_POINT if one_point else TWO_POINT)
    )
    foot = Point(*on_paper(house.on_paper[FOOT_UNDER[0 if one_point else 1]]))
    in_mm, high_mm = max(1.0, distance(near, beside) // 5), max(2.0, distance(near, foot) // 2)
    return Setback.model_validate(
        {"kind": "setback", "id": id, "in": {"along_mm": in_mm}, "height_mm": high_mm}
    )
