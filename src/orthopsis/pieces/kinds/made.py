"""The made thing: a table, a chair, a shelf, cut from a block as a joiner would build it."""

from __future__ import annotations

from collections.abc import Sequence
from functools import cached_property
from typing import Annotated, Any, ClassVar, Literal, Self

from pydantic import Field, model_validator

from orthopsis.construction.order import NearPlace
from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point
from orthopsis.perspective.view import View
from orthopsis.phrase import say
from orthopsis.pieces.base import PaperLength, Site, Stage
from orthopsis.pieces.cut_block import CutBlock
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.roles import Called, Editor, FieldRole, Only
from orthopsis.pieces.shapes.made.cells import ACROSS, AWAY, merged_cells
from orthopsis.pieces.shapes.made.construct import draw_made
from orthopsis.pieces.shapes.made.forms import FORMS, Sizes, cut
from orthopsis.pieces.shapes.made.model import Made
from orthopsis.pieces.shapes.made.parting import Parting

Form = Literal["table", "stool", "bench", "chair", "bed", "shelf", "tank", "book", "cut"]
Side = Literal["back", "front", "left", "right", "far left", "far right"]
FLAT_ABOVE = ("table", "stool", "bench", "shelf", "book")
SIDES: dict[str, tuple[int, bool]] = {
    "back": (AWAY, True), "front": (AWAY, False), "left": (ACROSS, False), "right": (ACROSS, True),
}  # fmt: skip
SIDES_ON_EDGE: dict[str, tuple[int, bool]] = {
    "left": (AWAY, False), "right": (ACROSS, False), "far left": (ACROSS, True),
    "far right": (AWAY, True), "back": (AWAY, True), "front": (AWAY, False),
}  # fmt: skip
"""The way square to a back board, and whether it stands at the far end of that way."""

Count = Annotated[int, Field(ge=1, le=12), FieldRole.COUNT]
CellNumber = Annotated[int, Field(ge=0, le=11), FieldRole.COUNT]
Taken = tuple[CellNumber, CellNumber, CellNumber]


class MadeThing(CutBlock):
    """A block with parts taken away, as one thing without seams.

    `top_mm` is how thick what lies is, `leg_mm` what stands; legs are square. `seat_mm` is how high
    a seat lies, `back` the side of its back, `boards` how many a shelf has. Of a `cut`, `take` are
    the parts that are taken away, each by its column, row and layer from 0.
    """

    kind: Literal["made"]
    form: Annotated[Form, FieldRole.CHOICE] = "table"
    top_mm: Annotated[PaperLength | None, Called("board-mm")] = None
    leg_mm: PaperLength | None = None
    seat_mm: PaperLength | None = None
    boards: Annotated[Annotated[int, Field(ge=2, le=12)], FieldRole.COUNT] = 4
    back: Annotated[
        Side,
        FieldRole.CHOICE,
        Called("back-side"),
        Only({"far left": (2, 3), "far right": (2, 3), "front": (1,)}),
    ] = "back"
    columns: Count = 1
    rows: Count = 1
    layers: Count = 1
    take: Annotated[
        list[Taken], Field(max_length=500, default_factory=list), FieldRole.COUNT, Editor.NONE
    ]

    first_size: ClassVar = 1.2

    @classmethod
    def own_first(cls, at: Point, size_mm: float, form: str) -> dict[str, Any]:
        """A table."""
        del at, form
        return {"top_mm": max(2.0, round(size_mm / 10)), "leg_mm": max(2.0, round(size_mm / 8))}

    @model_validator(mode="after")
    def _something_left(self) -> Self:
        if self.form != "cut":
            return self
        for number, cell in enumerate(self.take):
            if any(n >= most for n, most in zip(cell, self._counts, strict=True)):
                raise Unfit(say("refused-no-such-cell"), f"take[{number}]")
        if len(set(self.take)) == self.columns * self.rows * self.layers:
            raise Unfit(say("refused-nothing-left"), "take")
        return self

    @property
    def _counts(self) -> tuple[int, int, int]:
        return self.columns, self.rows, self.layers

    @cached_property
    def sizes(self) -> Sizes:
        """Its measures, those that are left out in proportion to its height."""
        high_mm, sides = self.high_mm, SIDES_ON_EDGE if self._on_edge else SIDES
        return Sizes(
            high_mm,
            board_mm=self.top_mm or high_mm / 10.0,
            leg_mm=self.leg_mm or high_mm / 8.0,
            seat_mm=self.seat_mm or high_mm / 2.0,
            boards=self.boards,
            side=sides[self.back],
        )

    @property
    def _on_edge(self) -> bool:
        return not isinstance(self.place, OnFront)

    @cached_property
    def parting(self) -> Parting:
        """The planes within its block, and what is left between them."""
        if self.form == "cut":
            return cut(*self._counts, self.take)
        return FORMS[self.form](self.sizes)

    @property
    def flat_top(self) -> bool:
        return self.form in FLAT_ABOVE

    def places_of(self, surface: str, stage: Stage) -> Sequence[NearPlace]:
        """The top of most; of a tank the `inside` of its bottom."""
        if surface != "inside" or self.form != "tank":
            return super().places_of(surface, stage)
        made = self.cells(stage)
        across, _, away = made.parting.last
        corners = ((1, 1, 1), (across - 1, 1, 1), (across - 1, 1, away - 1), (1, 1, away - 1))
        return [made.near_place(knot) for knot in corners]

    @property
    def weight(self) -> float:
        return len(merged_cells(self.parting.filled).edges) / 12.0

    @property
    def measured_true(self) -> bool:
        ticks = (*self.parting.away, *(self.parting.across if self._on_edge else ()))
        return super().measured_true or any(tick.share is None for tick in ticks)

    def cells(self, stage: Stage) -> Made:
        return Made(self.part, self.name, self.place, self.parting, stage)

    def build(self, site: Site) -> FrameMarks:
        """A light block, the planes that part it, and what is left of it."""
        return draw_made(self.cells(site.stage), site, self.form)

    def moved(self, stage: Stage, view: View) -> Self:
        """The same thing seen from elsewhere: its boards are as much nearer as its block."""
        return self.model_copy(
            update={
                **self.cells(stage).measures_seen_from(view, self._measures),
                "place": self.place.moved(stage, view),
            }
        )

    @property
    def _measures(self) -> dict[str, float]:
        given = {"top_mm": self.top_mm, "leg_mm": self.leg_mm, "seat_mm": self.seat_mm}
        return {name: mm for name, mm in given.items() if mm is not None}
