"""What the bench asks and is told: the kinds and their fields, and changes of pieces."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from orthopsis.exercise.document import Exercise
from orthopsis.pieces.roles import FieldRole
from orthopsis.web.models import Out, PlaceXY


class ChoiceOut(Out):
    value: str
    label: str
    systems: list[int]


class FieldOut(Out):
    """A field of a kind: see the core's Field."""

    path: list[str]
    label: str
    role: FieldRole
    optional: bool
    default: bool | float | str | None
    least: float | None
    most: float | None
    above: bool
    choices: list[ChoiceOut]
    editor: str
    only: list[str]
    fields: list[FieldOut]
    added: list[ChoiceOut]


class FormOut(Out):
    name: str
    tells: str
    systems: list[int]
    sized: tuple[str, str]
    fields: list[FieldOut]


class KindOut(Out):
    """A kind of piece, from which the bench builds its form."""

    kind: str
    name: str
    several: str
    add: str
    fields: list[FieldOut]
    forms: list[FormOut]


class NewPieceIn(BaseModel):
    """A piece to be put where its nearest corner goes, in round measures of `step_mm`."""

    model_config = ConfigDict(extra="forbid")

    document: Exercise
    kind: Annotated[str, Field(max_length=40)]
    at: PlaceXY
    step_mm: Annotated[float, Field(gt=0, le=100)]


class FieldIn(BaseModel):
    """A choice made at a piece, or a field switched on (true) or off (null)."""

    model_config = ConfigDict(extra="forbid")

    document: Exercise
    piece: Annotated[str, Field(max_length=40)]
    field: Annotated[str, Field(max_length=40)]
    value: Annotated[str, Field(max_length=40)] | bool | None


class PartIn(BaseModel):
    """A part to be added to a piece: to a member of it, on a face, where a place was pointed at; or
    where there is room.
    """

    model_config = ConfigDict(extra="forbid")

    document: Exercise
    piece: Annotated[str, Field(max_length=40)]
    what: Annotated[str, Field(max_length=40)]
    member: Annotated[str, Field(max_length=40)] = ""
    on: Annotated[str, Field(max_length=40)] = ""
    at: PlaceXY | None = None


class HouseIn(BaseModel):
    """One more house at the end of a row, or at a side of a building or a way."""

    model_config = ConfigDict(extra="forbid")

    document: Exercise
    piece: Annotated[str, Field(max_length=40)]
    side: Literal["left", "right"]
    what: Literal["house", "house-after-gap", "house-behind"]


class RenameIn(BaseModel):
    """Another name for a piece."""

    model_config = ConfigDict(extra="forbid")

    document: Exercise
    old: Annotated[str, Field(max_length=40)]
    new: Annotated[str, Field(max_length=40)]


class EditedOut(Out):
    """The document as it is now, and the piece that was put or named."""

    document: Exercise
    piece: str
