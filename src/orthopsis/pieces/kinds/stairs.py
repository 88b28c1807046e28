"""The stairs: a flight of equal steps, seen from its side or from its foot."""

from __future__ import annotations

from collections.abc import Sequence
from functools import cached_property
from typing import Annotated, Any, ClassVar, Literal, Self

from pydantic import Field, field_validator

from orthopsis.perspective.plane import Point
from orthopsis.perspective.view import View
from orthopsis.phrase import say
from orthopsis.pieces.base import Drawn, Measures, PaperLength, Site, Stage
from orthopsis.pieces.cut_block import CutBlock
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.roles import Editor, FieldRole, Only
from orthopsis.pieces.shapes.made.cells import ACROSS, AWAY
from orthopsis.pieces.shapes.made.flight import draw_flight
from orthopsis.pieces.shapes.made.flight_parting import Turn, flight
from orthopsis.pieces.shapes.made.flight_plan import FlightPlan
from orthopsis.pieces.shapes.made.model import Made
from orthopsis.pieces.shapes.made.parting import Parting
from orthopsis.pieces.shapes.made.stair_rail import rails


class Then(Measures):
    """What follows on a flight: a `landing`, so many times as long as the stairs are wide, and from
    there, at a right angle, so many more `risers`.
    """

    landing: Annotated[float, Field(ge=0.5, le=10), FieldRole.FIXED] = 1.0
    risers: Annotated[int, Field(ge=0, le=20), FieldRole.COUNT] = 0
    turn: Annotated[Literal["left", "right"], FieldRole.CHOICE] = "left"


class Rail(Measures):
    """A rail along each flight, so high over the noses, at the scale of the front or its edge."""

    mm: PaperLength


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

    then: Annotated[Then | None, Editor.SWITCH] = None

    rail: Annotated[Rail | None, Editor.SWITCH] = None

    first_size: ClassVar = 1.2

    @field_validator("then", mode="before")
    @classmethod
    def _one_after_the_other(cls, value: object) -> object:
        """A landing and a flight may be written as a list of two."""
        if not isinstance(value, list) or not all(isinstance(one, dict) for one in value):
            return value
        return {name: of_one for one in value for name, of_one in one.items()} or None

    def switched_on(self, field: str, stage: Stage) -> Self:
        """As many more risers, turning away from us."""
        if field == "rail":
            return self.model_copy(update={"rail": Rail(mm=float(round(self.high_mm / 3)))})
        if field != "then":
            return super().switched_on(field, stage)
        turn: Literal["left", "right"] = "right" if self.climbs == "left" else "left"
        return self.model_copy(update={"then": Then(risers=self.risers, turn=turn)})

    @classmethod
    def own_first(cls, at: Point, size_mm: float, form: str) -> dict[str, Any]:
        """Five steps."""
        del at, size_mm, form
        return {"risers": 5}

    @property
    def weight(self) -> float:
        return (self.risers + (self.then.risers + 1 if self.then else 0)) / 2.0

    @property
    def measured_true(self) -> bool:
        """The landing is measured by the true width."""
        return super().measured_true or self.then is not None

    @property
    def run(self) -> tuple[int, bool]:
        """The way that it climbs, and whether that leads to the far end."""
        if isinstance(self.place, OnFront):
            return (AWAY, True) if self.climbs == "away" else (ACROSS, self.climbs == "right")
        return (ACROSS if self.climbs == "left" else AWAY), True

    @property
    def turn(self) -> Turn | None:
        """The landing, and which way the second flight leads."""
        if self.then is None:
            return None
        # Who climbs to the left, or away from us, has the far side on the right hand.
        far = {"right": "left", "left": "right", "away": "right"}[self.climbs]
        return Turn(self.then.landing, self.then.risers, self.then.turn == far)

    @cached_property
    def parting(self) -> Parting:
        """The planes of the steps, and what is filled below them."""
        way, far = self.run
        return flight(self.risers, way, far=far, turn=self.turn)

    def cells(self, stage: Stage) -> Made:
        if self.climbs == "away" and not isinstance(self.place, OnFront):
            raise stage.refuse("climbs", say("refused-climbs-away"))
        if self.then and not stage.view.uprights.at.at_infinity:
            raise stage.refuse("then", say("refused-landing-in-three"))
        return Made(self.part, self.name, self.place, self.parting, stage)

    def parts(self, stage: Stage) -> Sequence[Drawn]:
        """The stairs, and the rails on them."""
        if self.rail is None:
            return (self,)
        if not stage.view.uprights.at.at_infinity:
            raise stage.refuse("rail", say("refused-rail-in-three"))
        way, far = self.run
        plan = FlightPlan(self.cells(stage), way, far, self.turn)
        # Where they run along its own lines, theirs are drawn.
        return [*rails(plan, self.rail.mm), self]

    def moved(self, stage: Stage, view: View) -> Self:
        """The same stairs seen from elsewhere: their rail is as much nearer as they."""
        there = super().moved(stage, view)
        if self.rail is None:
            return there
        grown = self.cells(stage).measures_seen_from(view, {"leg_mm": self.rail.mm})["leg_mm"]
        return there.model_copy(update={"rail": Rail(mm=grown)})

    def build(self, site: Site) -> FrameMarks:
        """Marks up an upright, the slope, the steps, and every step across."""
        way, far = self.run
        return draw_flight(self.cells(site.stage), site, way, far=far, turn=self.turn)
