"""A setback: a block on a flat roof, set in from its edges by the same share all round; or one that
hangs over them, as the eaves of a roof do.
"""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, model_validator

from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point, distance
from orthopsis.perspective.view import on_paper
from orthopsis.phrase import say
from orthopsis.pieces.base import Measures, Name, PaperLength
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.roles import FieldRole
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.in_faces import check_names
from orthopsis.pieces.shapes.house.on_wall import INTO_WALLS, InWalls
from orthopsis.pieces.shapes.house.roofs import Flat, Roof

TWO_POINT, ONE_POINT = (1, 0, 5, 4), (0, 1, 4, 5)
"""Of the flat roof: its near corner, those beside it, and the one across."""
FOOT_UNDER = {0: 3, 1: 2, 4: 7, 5: 6}
"""The foot under each corner of a block's top."""


class Setback(Measures):
    """A block on a flat roof. `in` is cut on the roof's edge from its near corner, to the left (in
    one point from the left corner, along the front); its corners lie on the roof's diagonals, so it
    is set in by the same share on all sides. One that hangs over has `out_mm` instead: so far that
    edge is drawn on beyond the corner, and the other edge there `across_mm` if that is given.
    `height_mm` is measured up its own near upright. It may have a `roof`, and `parts` in its own
    walls.
    """

    kind: Literal["setback"]
    id: Name
    in_: Annotated[Cut | None, Field(alias="in"), FieldRole.RUN] = None
    out_mm: Annotated[float | None, Field(ge=0, le=1e4), FieldRole.LENGTH] = None
    across_mm: Annotated[float | None, Field(ge=0, le=1e4), FieldRole.LENGTH] = None
    height_mm: PaperLength
    roof: Roof = Flat(kind="flat")
    fittings: InWalls

    @model_validator(mode="after")
    def _parts_have_names(self) -> Setback:
        check_names(self.fittings)
        if (self.in_ is None) == (self.out_mm is None):
            raise Unfit(say("refused-setback-in-or-out"), "in")
        if self.across_mm is not None and self.out_mm is None:
            raise Unfit(say("refused-setback-in-or-out"), "across_mm")
        return self

    @property
    def look(self) -> str:
        return "setback" if self.out_mm is None else "overhang"

    @property
    def takes(self) -> tuple[str, ...]:
        """What may be put on its walls by pointing at them."""
        return INTO_WALLS if self.out_mm is None else ()

    @property
    def tall_mm(self) -> float:
        """How high it is on paper, at its near end."""
        return self.height_mm


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


def first_overhang(house: House, id: str) -> Setback:
    """A new roof that hangs over the walls, in round measures. Raises ExerciseError."""
    above = first_setback(house, id)
    high_mm, end = above.height_mm, "front" if house.walls.one_point else "right"
    roof = {"kind": "gable", "end": end, "peak_mm": max(2.0, high_mm)}
    return Setback.model_validate(
        {"kind": "setback", "id": id, "out_mm": max(1.0, high_mm // 5), "roof": roof,
         "height_mm": max(1.0, high_mm // 12)}
    )  # fmt: skip
