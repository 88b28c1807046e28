"""What marking sends and takes, typed."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from orthopsis.exercise.records import SheetRecord
from orthopsis.marking.corrections import Corrections
from orthopsis.marking.free_records import FreeRecord
from orthopsis.marking.records import VerdictRecord
from orthopsis.plain import Text
from orthopsis.school.tables import JobState, Understanding
from orthopsis.web.models import XY, Out, PlaceXY, PupilOut

DemandName = Literal["first steps", "standard", "stretch"]


class DismissedLineOut(Out):
    """A line that was found and dismissed: it can be put back."""

    number: int
    start: Annotated[XY, Field(alias="from")]
    end: Annotated[XY, Field(alias="to")]


class MarkIn(BaseModel):
    model_config = ConfigDict(extra="forbid")

    pupil_id: int
    understanding: Understanding
    words: Annotated[Text, Field(max_length=4000)]


class MarkOut(Out):
    understanding: Understanding
    words: str
    saved_at: datetime


class CornersIn(BaseModel):
    """Corners set by hand, in pixels of the photo: top left, then clockwise."""

    model_config = ConfigDict(extra="forbid")

    corners_px: Annotated[list[PlaceXY], Field(min_length=4, max_length=4)]


class PupilIn(BaseModel):
    """Whose sheet it is."""

    model_config = ConfigDict(extra="forbid")

    pupil_id: int


class LessonOfSheetIn(BaseModel):
    """The lesson that a sheet belongs to."""

    model_config = ConfigDict(extra="forbid")

    lesson_id: int


class AwayIn(BaseModel):
    """Whether a sheet is taken from the stack."""

    model_config = ConfigDict(extra="forbid")

    away: bool


class TaskIn(BaseModel):
    """What a sheet was drawn from: a demand, and a word in place of the exercise's."""

    model_config = ConfigDict(extra="forbid")

    demand: DemandName
    word: Annotated[str, Field(min_length=1, max_length=12)] | None = None


class TaskOut(Out):
    """What a sheet is held against; `worded` says whether it could be another word, and
    `belongs_to` names another exercise, where the printed code says that it is of that.
    """

    demand: DemandName
    word: str | None
    worded: bool
    belongs_to: str | None


class DemandIn(BaseModel):
    """How strictly a lesson's sheets are judged."""

    model_config = ConfigDict(extra="forbid")

    demand: DemandName


class PhraseIn(BaseModel):
    """A teacher's own words for a correction; empty to say the usual ones again."""

    model_config = ConfigDict(extra="forbid")

    code: Annotated[str, Field(max_length=40, pattern="^[a-z-]+$")]
    words: Annotated[Text, Field(max_length=1000)]


class UploadOut(Out):
    """A file that is not opened yet, or could not be."""

    id: int
    file_name: str
    state: JobState
    problem: str | None


class SentOut(Out):
    """What became of files that were sent, beside the sheets that are on the stack now."""

    uploads: list[UploadOut]
    """Those that have to be opened first, or could not be."""
    known: list[str]
    """Names of photos that the lesson had already."""


class PupilSheetOut(Out):
    """A sheet in the stack."""

    id: int
    lesson_id: int
    file_name: str
    handed_in_at: datetime
    state: JobState
    away: bool
    problem: str | None
    pupil: PupilOut | None
    guessed: bool
    """Whether the pupil is only guessed by the file's name."""
    sheet: SheetRecord
    families: list[str]
    task: TaskOut
    verdict: VerdictRecord | None
    corrections: Corrections
    dismissed: list[DismissedLineOut]
    mark: MarkOut | None
    sure: float
    """How sure the judge is of it, 0 to 1."""
    likely_lessons: list[int]
    """Other lessons that it seems to belong to, by its printed code or its lines."""
    first_words: str
    """What is right, then the one correction that helps most: what to begin with."""


class FaceOut(Out):
    """A face as the pupil drew it, its middle by the diagonals, and the ruler's halfway."""

    corners: tuple[XY, XY, XY, XY]
    middle: XY
    halfway: XY


class SentPictureOut(Out):
    """A picture that is looked at without an exercise."""

    id: int
    file_name: str
    state: JobState
    problem: str | None
    sent_at: datetime


class AnyPictureOut(SentPictureOut):
    """The same with what it shows; `by_hand` tells that its points were set by the teacher."""

    by_hand: bool
    reading: FreeRecord | None


class PointsIn(BaseModel):
    """Where vanishing points are, in pixels of the picture; they may lie outside it."""

    model_config = ConfigDict(extra="forbid")

    points_px: dict[Literal["VP1", "VP2", "VP3"], PlaceXY]


class MistakeOut(Out):
    code: str
    title: str
    sheets: list[int]


class StuckOut(Out):
    sheet_id: int
    who: str
    code: str
    title: str
    message: str


class SummaryOut(Out):
    """A class set at a glance."""

    judged: int
    unjudged: list[int]
    overruled: list[int]
    changes: int
    without_fault: list[int]
    commonest: list[MistakeOut]
    stuck: list[StuckOut]
    reteach: str
