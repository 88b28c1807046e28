"""What the print tray sends and takes."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field, field_validator

from orthopsis.exercise.document import DemandName, DemandSpec, Exercise
from orthopsis.exercise.task import SheetCode
from orthopsis.handout.export import Format
from orthopsis.handout.order import PARTS, Order, Part, SheetFor
from orthopsis.plain import Name
from orthopsis.school.printing import order_of
from orthopsis.school.tables import JobState
from orthopsis.web.models import Out

Number = Annotated[int, Field(ge=1, le=999_999_999)]


class OrderIn(BaseModel):
    """The parts of a pack and how they are printed."""

    model_config = ConfigDict(extra="forbid")

    parts: Annotated[list[Part], Field(min_length=1, max_length=len(PARTS))]
    per_page: Literal[2, 4, 6] = 6
    paper: Literal["sheet", "A4", "Letter"] = "sheet"
    office: Literal["A4", "Letter"] = "A4"
    grey: bool = False
    marks: bool = False
    class_size: Annotated[int, Field(ge=1, le=60)] = 30

    @field_validator("parts")
    @classmethod
    def _in_order(cls, parts: list[Part]) -> list[Part]:
        return [part for part in PARTS if part in parts]


class CodeIn(BaseModel):
    """Which exercise, version and demand the sheets are, for their printed code."""

    model_config = ConfigDict(extra="forbid")

    exercise: Number
    version: Number
    demand: DemandName = "standard"

    @property
    def printed(self) -> SheetCode:
        """As a sheet carries it."""
        return SheetCode(self.exercise, self.version, None, self.demand)


class PrintIn(BaseModel):
    """A document to print as it stands, with the pupils' names that go on its sheets."""

    model_config = ConfigDict(extra="forbid")

    document: Exercise
    order: OrderIn
    code: CodeIn | None = None
    pupils: Annotated[list[Name], Field(max_length=60)] = []

    @property
    def printed(self) -> Order:
        """The printer's order."""
        code = self.code.printed if self.code else None
        return order_of(self.order.model_dump(), code, map(SheetFor, self.pupils))


class ClassPrintIn(BaseModel):
    """Sheets for a whole class."""

    model_config = ConfigDict(extra="forbid")

    class_id: int
    order: OrderIn
    demand: DemandName = "standard"
    pupil_ids: Annotated[list[int], Field(min_length=1, max_length=60)] | None = None
    """Only these of the class."""


class NoWordOut(Out):
    """A pupil whose name cannot be drawn, the word that it gives, and what to do."""

    pupil: str
    word: str
    problem: str


class PrintJobOut(Out):
    """How far a long print is."""

    id: int
    exercise_id: int
    state: JobState
    done: int
    total: int
    problem: str | None


class PackIn(BaseModel):
    """An archive of a lesson, with a class's own sheets where one is named."""

    model_config = ConfigDict(extra="forbid")

    order: OrderIn
    class_id: int | None = None
    demand: DemandName = "standard"


class ExportIn(BaseModel):
    """A drawing to take along: the finished one, or the sheet after a step."""

    model_config = ConfigDict(extra="forbid")

    document: Exercise
    format: Format
    step: Annotated[int, Field(ge=1)] | None = None


class DemandOut(Out):
    """One of the three demands: what it asks for, and the exercise as it then is."""

    name: DemandName
    spec: DemandSpec
    document: Exercise | None
    problem: str | None
    steps: int
    minutes: float


class PeriodOut(Out):
    """One lesson of a plan."""

    first: int
    last: int
    minutes: float
    ends_with: str


class PlanOut(Out):
    """A lesson plan, each part the teacher's own where there is one."""

    minutes: float
    periods: list[PeriodOut]
    materials: list[str]
    words: list[str]
    look_for: list[str]
    cautions: list[str]
    notes: str
