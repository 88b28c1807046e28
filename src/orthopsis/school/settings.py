"""How a teacher likes it everywhere: what an exercise says itself gives way to it."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError
from sqlalchemy.dialects.mysql import insert
from sqlalchemy.orm import Session

from orthopsis.errors import ExerciseError
from orthopsis.exercise.document import Exercise, SizeName
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve
from orthopsis.school.tables import TeacherSettings
from orthopsis.wording.choices import Far, LineName, ReadingLevel, Spelling, Square, Units, Wording
from orthopsis.wording.words import Words


class Settings(BaseModel):
    """A teacher's ways. Null leaves it to each exercise."""

    model_config = ConfigDict(extra="forbid")

    units: Units | None = None
    line: LineName | None = None
    spelling: Spelling | None = None
    reading: ReadingLevel | None = None
    square: Square | None = None
    ruler_mm: Annotated[float, Field(ge=100, le=2000)] | None = None
    far: Far | None = None
    paper: SizeName = "A3"
    office: Literal["A4", "Letter"] = "A4"
    left_handed: bool = False


WORDS = ("units", "line", "spelling", "reading", "square", "ruler_mm", "far")


def settings_of(session: Session, teacher_id: int) -> Settings:
    """The teacher's settings; what this version does not know is left out."""
    row = session.get(TeacherSettings, teacher_id)
    if row is None:
        return Settings()
    values = row.values if isinstance(row.values, dict) else {}
    known = {key: value for key, value in values.items() if key in Settings.model_fields}
    try:
        return Settings.model_validate(known)
    except ValidationError as error:
        spoilt = {one["loc"][0] for one in error.errors()}
        return Settings.model_validate({k: v for k, v in known.items() if k not in spoilt})


def save_settings(session: Session, teacher_id: int, settings: Settings) -> None:
    """Keep the teacher's settings, in one statement: two windows may save for the first time."""
    values = settings.model_dump()
    kept = insert(TeacherSettings).values(teacher_id=teacher_id, values=values)
    session.execute(kept.on_duplicate_key_update(values=values))


def words_for(session: Session, teacher_id: int, document: object) -> Words:
    """How the teacher says what belongs to an exercise; of a spoilt one, how they say all else."""
    settings = settings_of(session, teacher_id)
    try:
        return resolve(as_said(from_data(document), settings)).words
    except ExerciseError:
        return own_words(settings)


def own_words(settings: Settings) -> Words:
    """How the teacher says what belongs to no exercise."""
    return Words(Wording(**_set(settings)))


def _set(settings: Settings) -> dict[str, Any]:
    told = ((name, getattr(settings, name)) for name in WORDS)
    return {name: value for name, value in told if value is not None}


def as_said(exercise: Exercise, settings: Settings) -> Exercise:
    """The exercise in the teacher's own words and measures."""
    words = _set(settings)
    if not words:
        return exercise
    return exercise.model_copy(update={"wording": exercise.wording.model_copy(update=words)})
