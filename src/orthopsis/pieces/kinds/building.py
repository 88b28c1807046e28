"""The building: walls with a roof, and all that lies in them or is built on them, in one piece."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any, ClassVar, Literal, Self

from pydantic import model_validator

from orthopsis.perspective.plane import Point
from orthopsis.perspective.view import View
from orthopsis.pieces.base import Drawn, Grip, NewPart, RowEnd, Stage
from orthopsis.pieces.block import BlockPiece
from orthopsis.pieces.piece import Piece
from orthopsis.pieces.placement.row_handles import ends_of_block
from orthopsis.pieces.roles import Path
from orthopsis.pieces.shapes.house.drawn import DrawnHouse
from orthopsis.pieces.shapes.house.fittings import (
    Fittings,
    with_choice,
    with_one_more,
)
from orthopsis.pieces.shapes.house.handles import house_handles
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.in_faces import check_names, fitted_house
from orthopsis.pieces.shapes.house.lid import joined
from orthopsis.pieces.shapes.house.members import members
from orthopsis.pieces.shapes.house.moved import moved_house
from orthopsis.pieces.shapes.house.panels import Panel
from orthopsis.pieces.shapes.house.roofs import Flat, Roof, roof_chosen


class Building(BlockPiece, DrawnHouse):
    """A building on a front or an edge, like a box; a `roof` closes it, and its `parts` lie
    in the walls, cover a face of it or stand out from one.
    """

    first_size: ClassVar = 1.6

    kind: Literal["building"]
    roof: Roof = Flat(kind="flat")
    fittings: Fittings

    @property
    def flat_top(self) -> bool:
        return isinstance(self.roof, Flat)

    @property
    def weight(self) -> float:
        panels = (one for one in self.fittings if isinstance(one, Panel))
        openings = ((one.storeys or 1) * (one.bays.count if one.bays else 1) for one in panels)
        return 2.0 + sum(openings) / 4.0

    def parts(self, stage: Stage) -> Sequence[Drawn]:
        """The house, and what is built on it."""
        return [self, *members(self.house(stage), self.fittings, (), "")]

    @classmethod
    def own_first(cls, at: Point, size_mm: float, form: str) -> dict[str, Any]:
        """A house with a gable."""
        del at
        end = "front" if form in ("front", "foot") else "right"
        return {"roof": {"kind": "gable", "end": end, "peak_mm": size_mm / 2}}

    @model_validator(mode="after")
    def _parts_have_names(self) -> Self:
        check_names(self.fittings)
        return self

    def chosen(self, field: str, value: str | bool | None) -> Self:
        """Another kind of roof keeps what it can."""
        head, _, rest = field.partition(".")
        if head == "parts":
            return self.model_copy(update={"fittings": with_choice(self.fittings, rest, value)})
        if head == "roof":
            roof = roof_chosen(self.roof, rest, value, self._size_mm)
            return self.model_copy(update={"roof": roof})
        return super().chosen(field, value)

    @property
    def _size_mm(self) -> float:
        if self.true_face is not None:
            return self.true_face.height_mm
        assert self.front_edge is not None
        return self.front_edge.drawn_mm

    def with_part(self, new: NewPart, stage: Stage) -> Self:
        fittings = with_one_more(self.house(stage), self.fittings, new)
        return self.model_copy(update={"fittings": fittings})

    def house(self, stage: Stage) -> House:
        """The building where it stands."""
        house = fitted_house(self.part, self.name, self.place, self.roof, self.fittings, stage)
        return joined(house, self.fittings)

    def handles(self, stage: Stage, settled: Piece) -> list[Grip]:
        assert isinstance(settled, Building)
        return [*self.grips(stage), *house_handles(settled.house(stage), self.fittings)]

    def row_ends(self, stage: Stage) -> list[RowEnd]:
        return ends_of_block(self.place, stage)

    def moved(self, stage: Stage, view: View) -> Self:
        there = self.placed(self.place.moved(stage, view))
        return there.model_copy(update=moved_house(self.house(stage), self.fittings, view))

    @property
    def roof_path(self) -> Path:
        return ("roof",)
