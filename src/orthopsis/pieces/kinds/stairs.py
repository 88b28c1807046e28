"""The stairs: a flight of equal steps, seen from its side or from its foot."""

from __future__ import annotations

from functools import cached_property
from typing import Annotated, Any, ClassVar, Literal

from pydantic import Field

from orthopsis.perspective.plane import Point
from orthopsis.phrase import say
from orthopsis.pieces.base import Site, Stage
from orthopsis.pieces.cut_block import CutBlock
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.roles import FieldRole, Only
from orthopsis.pieces.shapes.made.cells import ACROSS, AWAY
from orthopsis.pieces.shapes.made.flight import draw_flight, flight
from orthopsis.pieces.shapes.made.model import Made
from orthopsis.pieces.shapes.made.parting import Parting


class Stairs(CutBlock):
    """A flight of `risers` equal steps that `climbs` to the left or the right, in one point also
    away from us. Its block is as high as all of them; in two and three points the front edge is
    the measuring line at the first riser.
    """

    kind: Literal["stairs"]
    risers: Annotated[int, Field(ge=2, le=20), FieldRole.COUNT] = 5
    climbs: Annotated[Literal["left", "right", "away"], FieldRole.CHOICE, Only({"away": (1,)})] = (
        "right"
    )

    first_size: ClassVar = 1.2

    @classmethod
    def own_first(cls, at: Point, size_mm: float, form: str) -> dict[str, Any]:
        """Five steps."""
        del at, size_mm, form
        return {"risers": 5}

    @property
    def weight(self) -> float:
        return self.risers / 2.0

    @property
    def run(self) -> tuple[int, bool]:
        """The way that it climbs, and whether that leads to the far end."""
        if isinstance(self.place, OnFront):
            return (AWAY, True) if self.climbs == "away" else (ACROSS, self.climbs == "right")
        return (ACROSS if self.climbs == "left" else AWAY), True

    @cached_property
    def parting(self) -> Parting:
        """The planes of the steps, and what is filled below them."""
        way, far = self.run
        return flight(self.risers, way, far=far)

    def cells(self, stage: Stage) -> Made:
        if self.climbs == "away" and not isinstance(self.place, OnFront):
            raise stage.refuse("climbs", say("refused-climbs-away"))
        return Made(self.part, self.name, self.place, self.parting, stage)

    def build(self, site: Site) -> FrameMarks:
        """Marks up an upright, the slope, the steps, and every step across."""
        way, far = self.run
        return draw_flight(self.cells(site.stage), site, way, far=far)
