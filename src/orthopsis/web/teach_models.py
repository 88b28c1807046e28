"""What teaching sends and takes: the board, and demonstrations on a copy."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from orthopsis.exercise.document import Exercise
from orthopsis.perspective.segments import XY
from orthopsis.web.models import Out, StepMm


class BoardOut(Out):
    """An exercise enlarged for the board; a note for each step, empty where the ruler reaches."""

    document: Exercise
    factor: float
    points_note: str
    step_notes: list[str]


class LiftIn(BaseModel):
    """A piece lifted and slid on the paper."""

    model_config = ConfigDict(extra="forbid")

    kind: Literal["lift"]
    piece: str
    up_mm: StepMm = 0.0
    right_mm: StepMm = 0.0


class SpreadIn(BaseModel):
    """The level points further apart (above 1) or closer together."""

    model_config = ConfigDict(extra="forbid")

    kind: Literal["spread"]
    factor: Annotated[float, Field(ge=0.1, le=10, allow_inf_nan=False)] = 1.0


class ClimbIn(BaseModel):
    """A viewer who climbs or crouches."""

    model_config = ConfigDict(extra="forbid")

    kind: Literal["climb"]
    up_mm: StepMm = 0.0


class DemonstrateIn(BaseModel):
    """What is shown on a copy of the exercise."""

    model_config = ConfigDict(extra="forbid")

    document: Exercise
    show: Annotated[LiftIn | SpreadIn | ClimbIn, Field(discriminator="kind")]


class DemonstrationOut(Out):
    """The changed copy, and the sentence to it."""

    document: Exercise
    sentence: str


class CornerOut(Out):
    """A corner of a front, whether it draws a line, and the point that the line leads to."""

    x_mm: float
    y_mm: float
    draws: bool
    to: XY


class CornerTestOut(Out):
    """The corners in the order of their numbers, on the fronts that are asked; `lines` send one.
    Without corners there is nothing to test, and `question` says so.
    """

    corners: list[CornerOut]
    fronts: list[tuple[XY, XY]]
    lines: int
    question: str
