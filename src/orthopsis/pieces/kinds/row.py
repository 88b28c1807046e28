"""The row: buildings one after the other, along a street or round a corner."""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Annotated, Any, ClassVar, Literal, Self

from pydantic import Field, model_validator

from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import View
from orthopsis.phrase import Own, say
from orthopsis.pieces.base import Drawn, Grip, Stage, named
from orthopsis.pieces.piece import PLACE, Piece
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.placement import Listed
from orthopsis.pieces.placement.row import AlongLine, BlockInRow, Blocks, in_row, moved_row
from orthopsis.pieces.placement.row_links import RowMember
from orthopsis.pieces.roles import Added, Editor, FieldRole, Path
from orthopsis.pieces.shapes.house.drawn import DrawnHouse
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.panels import Panel
from orthopsis.pieces.shapes.house.roofs import Flat, Roof


class InRow(RowMember):
    """A building of a row, with a roof and parts of its own."""

    roof: Roof = Flat(kind="flat")
    fittings: Annotated[
        list[Panel], Field(alias="parts", max_length=40, default_factory=list), Editor.NONE
    ]


@dataclass(frozen=True, eq=False)
class RowHouse(DrawnHouse):
    """One building of a row."""

    part: Part
    name: Own
    member: InRow
    place: BlockInRow

    def house(self, stage: Stage) -> House:
        """The building where it stands."""
        member = self.member
        return House(self.part, self.name, self.place, member.roof, member.fittings, stage)

    @property
    def roof_path(self) -> Path:
        return "buildings", self.part.number - 1, "roof"


class Row(Piece):
    """Buildings in a row, `from` the end of another building's side or the edge of a way."""

    wrong_form: ClassVar = "refused-form-of-a-row"

    kind: Literal["row"]
    standing: Annotated[Literal["ground"], FieldRole.CHOICE] = "ground"
    buildings: Annotated[
        list[InRow],
        Field(min_length=1, max_length=12),
        Editor.PARTS,
        Added(("house", "house-after-gap", "house-behind")),
    ]
    place: AlongLine

    @property
    def weight(self) -> float:
        return 2.0 * len(self.buildings)

    @classmethod
    def own_first(cls, at: Point, size_mm: float, form: str) -> dict[str, Any]:
        del form
        first = {"id": "house 1", "top_mm": at.y - 2 * size_mm, "length": {"fraction": 0.2},
                 "back": {"along_mm": size_mm}}  # fmt: skip
        return {"buildings": [first]}

    @model_validator(mode="after")
    def _names_differ(self) -> Self:
        for name, times in Counter(one.id for one in self.buildings).items():
            if times > 1:
                raise Unfit(say("refused-id-twice", name=Own(name)), "buildings")
        return self

    def with_part(self, what: str, stage: Stage) -> Self:
        """One more building at the end of the row, as long as the last, higher or lower in turn."""
        del stage
        number = len(self.buildings) + 1
        while f"house {number}" in {one.id for one in self.buildings}:
            number += 1
        last = next(one for one in reversed(self.buildings) if one.behind is None)
        step_mm = 20.0 if len(self.buildings) % 2 else -15.0
        gap = behind = None
        if what == "house-after-gap":
            gap = Cut(along_mm=10.0)
        elif what == "house-behind":
            behind, step_mm = _further(last.back), -25.0
        more = {"id": f"house {number}", "top_mm": last.top_mm + step_mm, "gap": gap,
                "behind": behind, "roof": Flat(kind="flat"), "fittings": []}  # fmt: skip
        return self.model_copy(
            update={"buildings": [*self.buildings, last.model_copy(update=more)]}
        )

    def settled(self, others: Mapping[str, Listed], stage: Stage) -> Self:
        start = self.place.from_
        blocks = in_row(start, self.buildings, others, stage, self.id)
        return self.placed(Blocks.model_validate({"from": start, "blocks": tuple(blocks)}))

    @property
    def _blocks(self) -> tuple[BlockInRow, ...]:
        assert isinstance(self.place, Blocks), "measured out first"
        return self.place.blocks

    def parts(self, stage: Stage) -> Sequence[Drawn]:
        del stage
        return [
            RowHouse(Part(self.id, number), named(member.id), member, block)
            for number, (member, block) in enumerate(
                zip(self.buildings, self._blocks, strict=True), start=1
            )
        ]

    def grips(self, stage: Stage) -> list[Grip]:
        """None: a row goes with what it begins at."""
        del stage
        return []

    def moved(self, stage: Stage, view: View) -> Self:
        """The same row seen from elsewhere: what it begins at moves with it."""
        start, members = moved_row(self.place.from_, self.buildings, self._blocks, stage, view)
        return self.model_copy(
            update={"buildings": members, PLACE: AlongLine.model_validate({"from": start})}
        )


def _further(back: Cut) -> Cut:
    """A little further than something goes back, so that what begins there stands clear of it."""
    for name, more in (("fraction", 0.02), ("along_mm", 5.0), ("true_mm", 5.0)):
        value = getattr(back, name)
        if value is not None:
            return back.model_copy(update={name: value + more})
    return Cut(fraction=0.5)
