"""The building: walls with a roof, and all that lies in them or is built on them, in one piece."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from typing import Annotated, Any, Literal, Self

from pydantic import Field, model_validator

from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point
from orthopsis.phrase import Own, say
from orthopsis.pieces.base import Drawn, Stage
from orthopsis.pieces.block import BlockPiece
from orthopsis.pieces.roles import Added, Editor, Path
from orthopsis.pieces.shapes.house.chimney import Chimney
from orthopsis.pieces.shapes.house.drawn import DrawnHouse
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.members import members
from orthopsis.pieces.shapes.house.on_roof import first_chimney
from orthopsis.pieces.shapes.house.on_wall import WallBlock, first_block
from orthopsis.pieces.shapes.house.panels import Panel
from orthopsis.pieces.shapes.house.pattern import PATTERNS, Pattern, first_pattern
from orthopsis.pieces.shapes.house.roofs import Flat, Roof, roof_of_kind


class Building(BlockPiece, DrawnHouse):
    """A building on a front or an edge, like a box; a `roof` closes it, and its `parts` lie
    in the walls, cover a face of it or stand out from one.
    """

    kind: Literal["building"]
    roof: Roof = Flat(kind="flat")
    fittings: Annotated[
        list[Annotated[Panel | Pattern | Chimney | WallBlock, Field(discriminator="kind")]],
        Field(alias="parts", max_length=40, default_factory=list),
        Editor.PARTS,
        Added(("windows", "door", "chimney", "sign", "bricks", "tiles")),
    ]

    @property
    def weight(self) -> float:
        openings = (
            (panel.storeys or 1) * (panel.bays.count if panel.bays else 1) for panel in self._panels
        )
        return 2.0 + sum(openings) / 4.0

    @property
    def _panels(self) -> list[Panel]:
        return [one for one in self.fittings if isinstance(one, Panel)]

    def parts(self, stage: Stage) -> Sequence[Drawn]:
        """The house, and what is built on it."""
        built = [one for one in self.fittings if isinstance(one, Chimney | WallBlock)]
        return [self, *members(self.house(stage), built)]

    @classmethod
    def own_first(cls, at: Point, size_mm: float, form: str) -> dict[str, Any]:
        """A house with a gable."""
        del at
        end = "front" if form == "front" else "right"
        return {"roof": {"kind": "gable", "end": end, "peak_mm": size_mm / 2}}

    @model_validator(mode="after")
    def _parts_have_names(self) -> Self:
        for name, times in Counter(panel.id for panel in self.fittings).items():
            if times > 1:
                raise Unfit(say("refused-id-twice", name=Own(name)), "parts")
        return self

    def chosen(self, field: str, value: str | bool | None) -> Self:
        """Another kind of roof keeps what it can."""
        if field != "roof.kind":
            return super().chosen(field, value)
        return self.model_copy(update={"roof": roof_of_kind(str(value), self.roof, self._size_mm)})

    @property
    def _size_mm(self) -> float:
        if self.true_face is not None:
            return self.true_face.height_mm
        assert self.front_edge is not None
        return self.front_edge.drawn_mm

    def with_part(self, what: str, stage: Stage) -> Self:
        """The building with one part more; windows and doors on the first wall that has room."""
        house, id = self.house(stage), self._free_id(what)
        if what in PATTERNS:
            part: Panel | Pattern | Chimney | WallBlock = first_pattern(house, what, id)
        elif what == "sign":
            part = first_block(house, id)
        elif what == "chimney":
            part = first_chimney(house, id)
        else:
            part = self._first_panel(house, what, id)
        return self.model_copy(update={"fittings": [*self.fittings, part]})

    def _first_panel(self, house: House, what: str, id: str) -> Panel:
        walls = [wall.name for wall in house.walls.shown]
        there = [panel.on for panel in self._panels if what in ("", panel.look)]
        wall = next((name for name in walls if name not in there), walls[0])
        place = house.first_panel(what, wall)
        return Panel.model_validate({"kind": "panel", "id": id, "on": wall, "look": what, **place})

    def _free_id(self, what: str) -> str:
        number = 1
        while f"{what} {number}" in {one.id for one in self.fittings}:
            number += 1
        return f"{what} {number}"

    def house(self, stage: Stage) -> House:
        """The building where it stands."""
        return House(
            self.part,
            self.name,
            self.place,
            self.roof,
            self._panels,
            stage,
            [one for one in self.fittings if isinstance(one, Pattern)],
        )

    @property
    def roof_path(self) -> Path:
        return ("roof",)
