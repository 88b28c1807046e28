"""What every piece has, and the stage it stands on."""

from __future__ import annotations

import re
from abc import ABC, abstractmethod
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import TYPE_CHECKING, Annotated, Any, Literal, Self

from pydantic import BaseModel, ConfigDict, Field

from orthopsis.construction.moves import Mark
from orthopsis.construction.order import Body
from orthopsis.construction.paper import Paper
from orthopsis.errors import ExerciseError
from orthopsis.perspective.plane import Point
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.view import View
from orthopsis.picture.thing import Thing

Millimetres = Annotated[float, Field(ge=-1e6, le=1e6, allow_inf_nan=False)]
Length = Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)]


class Measures(BaseModel):
    """A part of the exercise document: unknown fields are refused, values are frozen."""

    model_config = ConfigDict(extra="forbid", frozen=True)

    def model_copy(self, *, update: Mapping[str, Any] | None = None, deep: bool = False) -> Self:
        """A changed copy, which works out anew what the first one has remembered."""
        copied = super().model_copy(update=update, deep=deep)
        for name in copied.__dict__.keys() - type(self).model_fields.keys():
            del copied.__dict__[name]
        return copied


@dataclass(frozen=True)
class Stage:
    """Where a piece stands: the sheet, its view, and the piece's field path for messages."""

    sheet: Sheet
    view: View
    path: str
    named: Mapping[str, str] = field(default_factory=dict)
    """What the document calls a field, where a piece is worked out as another kind."""

    def refuse(self, field: str, message: str) -> ExerciseError:
        """An error that names the piece's field."""
        first, dot, rest = field.partition(".")
        field = self.named.get(first, first) + dot + rest
        return ExerciseError(f"{self.path}.{field}" if field else self.path, message)

    def depth_at(self, standing: str, foot_y_mm: float, field: str) -> float:
        """Relative depth of a foot on the ground, or 1 for what floats at the picture plane."""
        if standing == "floating":
            return 1.0
        try:
            return self.view.ground_depth(foot_y_mm)
        except ValueError:
            raise self.refuse(
                field,
                f"the foot at {foot_y_mm:g} mm is on or above the eye level at "
                f"{self.view.eye_level_mm:g} mm, where no ground is seen; "
                "lower the foot, or let the piece float",
            ) from None


@dataclass(frozen=True)
class Grip:
    """Where a cut can be taken hold of: its mark `at`, on the way from `start` to `goal`."""

    field: str
    way: str
    start: Point
    goal: Point
    at: Point


class Drawn(ABC):
    """What is drawn as one: it has a name of its own, a solid and a construction."""

    if TYPE_CHECKING:
        # Fields of a piece's model, properties of a letter.
        id: Any
        name: Any

    @abstractmethod
    def solids(self, stage: Stage) -> list[Thing]:
        """The thing in eye space. Raises ExerciseError where its measures make no solid."""

    @abstractmethod
    def body(self, stage: Stage) -> Body:
        """The thing as it will stand on paper, for the drawing order."""

    @abstractmethod
    def build(self, paper: Paper, stage: Stage, body: Body, points: Mapping[str, Mark]) -> None:
        """Record the moves that draw it; `points` are the marks of its vanishing points."""


class Piece(Measures):
    """A thing on the sheet. `standing` decides what hides what; it never moves a line.

    `turned_vp_mm` turns it about the vertical: where one of its own two vanishing points lies on
    the eye level. The other follows from the right angle.
    """

    kind: str
    id: Annotated[str, Field(pattern=r"^[A-Za-z][A-Za-z0-9 _-]{0,39}$")]
    view: str | None = None
    standing: Literal["ground", "floating"] = "floating"
    transparent: bool = False
    turned_vp_mm: Millimetres | None = None

    @property
    def name(self) -> str:
        """The id as words, for titles."""
        return re.sub(r"[-_]+", " ", self.id).strip().capitalize()

    def parts(self, stage: Stage) -> Sequence[Drawn]:
        """What it consists of: itself, or several that are drawn one by one."""
        del stage
        assert isinstance(self, Drawn), f"{self.kind} says what it consists of"
        return (self,)

    @abstractmethod
    def grips(self, stage: Stage) -> list[Grip]:
        """The cuts of the piece, for taking hold of them on the sheet."""

    @abstractmethod
    def moved(self, stage: Stage, view: View) -> Self:
        """The same thing in the world, measured on the sheet of a viewer who stands elsewhere."""

    def on_lines_of(self, others: Sequence[Piece], stage: Stage) -> Self:
        """The piece with measures of its own, where it is given by the lines of one listed before.

        Raises ExerciseError.
        """
        del others, stage
        return self
