"""What the web sends and takes, typed; the front end's client is generated from it."""

from __future__ import annotations

from datetime import date, datetime
from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from orthopsis.exercise.document import Exercise
from orthopsis.exercise.records import DrawingRecord, PlaneRecord, StepRecord
from orthopsis.lesson.flow import Flow
from orthopsis.pieces.base import Reads
from orthopsis.plain import Name
from orthopsis.school.tables import Place, Understanding

XY = tuple[float, float]
Coordinate = Annotated[float, Field(ge=-1e5, le=1e5, allow_inf_nan=False)]
PlaceXY = tuple[Coordinate, Coordinate]
"""A place as it is sent in: on no sheet or photo is anything further off."""
StepMm = Annotated[float, Field(ge=-1e5, le=1e5, allow_inf_nan=False)]


class Out(BaseModel):
    """An answer; built from records or from rows."""

    model_config = ConfigDict(from_attributes=True, populate_by_name=True)


class ChangeOut(Out):
    path: list[str | int]
    value: float | str | XY


class AdviceOut(Out):
    code: str
    where: XY
    number: float
    message: str
    remedy: str
    changes: list[ChangeOut]


class StripOut(Out):
    name: str
    side: Literal["left", "right", "top", "bottom"]
    length_mm: float
    ruler_mm: float | None


class FactsOut(Out):
    lowest_corner_deg: float | None
    share_in_cone: float
    strips: list[StripOut]


class GripOut(Out):
    """A measure's mark on the sheet, to be taken hold of, on the way from start to goal.

    `reads` tells how its value is read off a place, `stops` are the places of a count's values, and
    `member` the member of the piece that it is of.
    """

    piece: str
    member: str
    field: str
    reads: Reads
    stops: list[tuple[XY, int]]
    label: str
    way: str
    start: XY
    goal: XY
    at: XY


class OpenFaceOut(Out):
    """A face that turns to us: what may be put on it, and what each is called."""

    piece: str
    member: str
    name: str
    label: str
    outline: list[XY]
    takes: list[str]


class RowEndOut(Out):
    """Where one more house may be begun, and how."""

    piece: str
    side: Literal["left", "right"]
    at: XY
    takes: list[str]


class ViewerIn(BaseModel):
    """A step of the viewer along the sheet and away from it, mm at picture plane scale."""

    model_config = ConfigDict(extra="forbid")

    document: Exercise
    right_mm: StepMm = 0.0
    up_mm: StepMm = 0.0
    back_mm: StepMm = 0.0


class PlaneOut(PlaneRecord):
    """A toned plane with its colour."""

    colour: str


class PictureOut(Out):
    """A drawing with what follows from it: the eye level behind it, grips, and, unless a hand is
    moving and only the lines were asked for, facts and advice, the faces that parts may be put on,
    the nearest last, and the ends at which rows may go on.
    """

    drawing: DrawingRecord
    planes: list[PlaneOut]
    eye_level: list[tuple[XY, XY]]
    facts: FactsOut | None
    advice: list[AdviceOut] | None
    units: Literal["mm", "cm", "in"]
    grips: list[GripOut]
    faces: list[OpenFaceOut] | None
    row_ends: list[RowEndOut] | None


class StepOut(StepRecord):
    """A step at the bench: `earlier` tells whether it may come before the one before it."""

    earlier: bool


class StepsOut(Out):
    """The steps in their order of teaching, and how exactly to measure: the misreading that lets
    no corner gape.
    """

    steps: list[StepOut]
    forgiveness_mm: float | None
    flow: Flow


class ShelfItem(Out):
    """An exercise on the shelf; its cover is drawn from its own document."""

    id: int
    title: str
    counter: int
    saved_at: datetime
    points: int
    pieces: int
    kinds: list[str]
    about: list[str]
    age: int | None
    minutes: float | None
    place: Place
    set_aside_from: int | None
    problem: str | None
    """Why it cannot be shown, and what can be done with it."""


class PlaceIn(BaseModel):
    """Where an exercise goes."""

    model_config = ConfigDict(extra="forbid")

    place: Place


class RecipeOut(Out):
    """A good start, with its whole document."""

    name: str
    title: str
    learn: str
    why: str
    age: int | None
    points: int
    minutes: float
    document: Exercise


class ExerciseOut(Out):
    id: int
    counter: int
    saved_at: datetime
    document: Exercise


class ExerciseIn(BaseModel):
    """A document to save over the version with this counter."""

    model_config = ConfigDict(extra="forbid")

    counter: int
    document: Exercise


class PupilOut(Out):
    id: int
    name: str


class ClassOut(Out):
    id: int
    name: str
    pupils: list[PupilOut]


class NameIn(BaseModel):
    """A name, of a class or a pupil."""

    model_config = ConfigDict(extra="forbid")

    name: Name


class PupilsIn(BaseModel):
    """Pupils who come into a class."""

    model_config = ConfigDict(extra="forbid")

    names: Annotated[list[Name], Field(min_length=1, max_length=60)]


class LeftIn(BaseModel):
    """Whether somebody, or a whole class, is taken off the list."""

    model_config = ConfigDict(extra="forbid")

    left: bool


class LessonIn(BaseModel):
    model_config = ConfigDict(extra="forbid")

    class_id: int
    exercise_id: int
    given_on: date


class LessonOut(Out):
    id: int
    class_id: int
    class_name: str
    exercise_id: int
    exercise_title: str
    given_on: date
    demand: Literal["first steps", "standard", "stretch"] = "standard"


class RegisterCell(Out):
    pupil_id: int
    lesson_id: int
    sheet_id: int
    guessed: bool
    understanding: Understanding | None
    words: str


class UnnamedSheet(Out):
    """A sheet that is nobody's yet."""

    lesson_id: int
    sheet_id: int


class CommonFinding(Out):
    code: str
    sheets: int
    title: str


class RegisterOut(Out):
    class_id: int
    class_name: str
    lessons: list[LessonOut]
    pupils: list[PupilOut]
    cells: list[RegisterCell]
    unnamed: list[UnnamedSheet]
    commonest: list[CommonFinding]


class ServerOut(Out):
    """Who is at work here."""

    version: str
    teacher: str
    most_photo_mb: int
    most_file_mb: int
    """How large a photo, or a file of several sheets, may be."""
