"""The tables, as SQLAlchemy classes. Every row names the teacher it belongs to."""

from __future__ import annotations

import unicodedata
from datetime import UTC, date, datetime
from enum import StrEnum
from typing import Any

from sqlalchemy import (
    JSON,
    Computed,
    Date,
    DateTime,
    ForeignKey,
    Index,
    MetaData,
    String,
    Text,
    UniqueConstraint,
)
from sqlalchemy.dialects.mysql import LONGBLOB, MEDIUMBLOB, MEDIUMTEXT, VARCHAR
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column, relationship, validates


def now() -> datetime:
    """This moment in UTC, without a zone, to the second, as the database keeps it."""
    return datetime.now(UTC).replace(tzinfo=None, microsecond=0)


class Understanding(StrEnum):
    """The mark a teacher gives."""

    SURE = "sure"
    NEARLY = "nearly"
    NOT_YET = "not yet"


class Base(DeclarativeBase):
    """All tables; constraint names are fixed so that migrations can speak of them."""

    metadata = MetaData(
        naming_convention={
            "ix": "ix_%(table_name)s_%(column_0_N_name)s",
            "uq": "uq_%(table_name)s_%(column_0_N_name)s",
            "fk": "fk_%(table_name)s_%(column_0_name)s",
            "pk": "pk_%(table_name)s",
        }
    )


class Teacher(Base):
    """Who owns everything else."""

    __tablename__ = "teacher"

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str] = mapped_column(String(120))


class Owned:
    """What belongs to a teacher."""

    id: Mapped[int] = mapped_column(primary_key=True)
    teacher_id: Mapped[int] = mapped_column(ForeignKey("teacher.id"), index=True)


class SchoolClass(Owned, Base):
    """A class of pupils. Of those that are listed, no two of a teacher have one name."""

    __tablename__ = "school_class"

    name: Mapped[str] = mapped_column(String(60))
    away: Mapped[bool] = mapped_column(default=False)
    pupils: Mapped[list[Pupil]] = relationship(
        primaryjoin="and_(Pupil.class_id == SchoolClass.id, Pupil.left.is_(False))",
        order_by="Pupil.name",
        viewonly=True,
    )
    listed_name: Mapped[str | None] = mapped_column(
        String(60), Computed("IF(away, NULL, name)", persisted=True)
    )

    __table_args__ = (UniqueConstraint("teacher_id", "listed_name"),)


def name_key(name: str) -> str:
    """A pupil's name as it is told from others: in small letters, accents kept."""
    return unicodedata.normalize("NFC", name).casefold()


class Pupil(Owned, Base):
    """A pupil of one class; who left is no longer listed, and keeps sheets and marks."""

    __tablename__ = "pupil"

    class_id: Mapped[int] = mapped_column(ForeignKey("school_class.id"))
    name: Mapped[str] = mapped_column(String(120))
    name_key: Mapped[str] = mapped_column(VARCHAR(300, collation="utf8mb4_bin"))
    left: Mapped[bool] = mapped_column(default=False)

    __table_args__ = (UniqueConstraint("class_id", "name_key"),)

    @validates("name")
    def _known_by(self, _: str, name: str) -> str:
        self.name_key = name_key(name)
        return name


class Place(StrEnum):
    """Where an exercise is kept. Nothing is ever thrown away from the bin."""

    SHELF = "shelf"
    ARCHIVE = "archive"
    BIN = "bin"


class ExerciseRow(Owned, Base):
    """An exercise document with a counter that grows at each save.

    `set_aside_from` names the exercise whose newer version refused this one.
    """

    __tablename__ = "exercise"

    title: Mapped[str] = mapped_column(String(160))
    document: Mapped[dict[str, Any]] = mapped_column(JSON)
    counter: Mapped[int] = mapped_column(default=1)
    set_aside_from: Mapped[int | None] = mapped_column(ForeignKey("exercise.id"))
    saved_at: Mapped[datetime] = mapped_column(DateTime, default=now)
    place: Mapped[str] = mapped_column(String(10), default=Place.SHELF)
    card: Mapped[dict[str, Any] | None] = mapped_column(JSON(none_as_null=True))
    """What the shelf says of it (a `shelf.Card`), made when it is saved."""
    cover: Mapped[str | None] = mapped_column(MEDIUMTEXT, deferred=True)
    """Its drawing as a small SVG, made with the card."""


class ExerciseVersion(Owned, Base):
    """An exercise's document as it was when sheets were printed or judged from it."""

    __tablename__ = "exercise_version"

    exercise_id: Mapped[int] = mapped_column(ForeignKey("exercise.id"))
    counter: Mapped[int]
    document: Mapped[dict[str, Any]] = mapped_column(JSON)

    __table_args__ = (UniqueConstraint("exercise_id", "counter"),)


class Lesson(Owned, Base):
    """An exercise given to a class on a day."""

    __tablename__ = "lesson"

    class_id: Mapped[int] = mapped_column(ForeignKey("school_class.id"))
    exercise_id: Mapped[int] = mapped_column(ForeignKey("exercise.id"))
    given_on: Mapped[date] = mapped_column(Date)
    demand: Mapped[str] = mapped_column(String(20), default="standard")
    school_class: Mapped[SchoolClass] = relationship(viewonly=True)
    exercise: Mapped[ExerciseRow] = relationship(viewonly=True)


class Claimed:
    """Work that a runner holds until a moment; when that is past, another may take it up."""

    claimed_until: Mapped[datetime | None] = mapped_column(DateTime)


class SheetRow(Owned, Claimed, Base):
    """A pupil's sheet handed in for a lesson; whose it is may not be known yet.

    `state` is a JobState of its judging; one that was taken `away` is kept and not shown. A pupil
    who is `guessed` by the file's name waits for the teacher's word.
    """

    __tablename__ = "sheet"

    lesson_id: Mapped[int] = mapped_column(ForeignKey("lesson.id"), index=True)
    pupil_id: Mapped[int | None] = mapped_column(ForeignKey("pupil.id"))
    guessed: Mapped[bool] = mapped_column(default=False)
    file_name: Mapped[str] = mapped_column(String(200))
    digest: Mapped[str | None] = mapped_column(String(64))
    """SHA-256 of the photo as it was sent, to know it again; a stack has no photo twice."""
    listed_digest: Mapped[str | None] = mapped_column(
        String(64), Computed("IF(away, NULL, digest)", persisted=True)
    )
    handed_in_at: Mapped[datetime] = mapped_column(DateTime, default=now)
    state: Mapped[str] = mapped_column(String(10), default="done")
    problem: Mapped[str | None] = mapped_column(Text)
    away: Mapped[bool] = mapped_column(default=False)
    corners: Mapped[list[Any] | None] = mapped_column(JSON)
    """Set by hand, in pixels of the photo; null when the judge seeks them."""
    task: Mapped[dict[str, Any] | None] = mapped_column(JSON)
    """What it was drawn from, in the teacher's word (a Task); null when code and name tell it."""
    lesson: Mapped[Lesson] = relationship(viewonly=True)
    pupil: Mapped[Pupil | None] = relationship(viewonly=True)
    verdict: Mapped[VerdictRow | None] = relationship(viewonly=True)
    mark: Mapped[GivenMark | None] = relationship(viewonly=True)

    __table_args__ = (UniqueConstraint("lesson_id", "listed_digest"),)


class SheetPicture(Base):
    """The photo of a sheet and its straightened picture, apart from the rows that are listed."""

    __tablename__ = "sheet_picture"

    sheet_id: Mapped[int] = mapped_column(ForeignKey("sheet.id"), primary_key=True)
    teacher_id: Mapped[int] = mapped_column(ForeignKey("teacher.id"), index=True)
    photo: Mapped[bytes] = mapped_column(LONGBLOB)
    photo_type: Mapped[str] = mapped_column(String(20))
    straight_jpeg: Mapped[bytes | None] = mapped_column(LONGBLOB)


class VerdictRow(Owned, Base):
    """What the judge said of a sheet, and of which version of the exercise."""

    __tablename__ = "verdict"

    sheet_id: Mapped[int] = mapped_column(ForeignKey("sheet.id"), unique=True)
    exercise_counter: Mapped[int]
    record: Mapped[dict[str, Any]] = mapped_column(JSON)
    corrections: Mapped[dict[str, Any]] = mapped_column(JSON, default=dict)
    judged_at: Mapped[datetime] = mapped_column(DateTime, default=now)


class GivenMark(Owned, Base):
    """What the teacher says to the pupil."""

    __tablename__ = "mark"

    sheet_id: Mapped[int] = mapped_column(ForeignKey("sheet.id"), unique=True)
    understanding: Mapped[str] = mapped_column(String(20))
    words: Mapped[str] = mapped_column(Text)
    saved_at: Mapped[datetime] = mapped_column(DateTime, default=now)


class TeacherSettings(Base):
    """How a teacher likes it: units, words, paper, tools; a counter that grows at each save."""

    __tablename__ = "teacher_settings"

    teacher_id: Mapped[int] = mapped_column(ForeignKey("teacher.id"), primary_key=True)
    values: Mapped[dict[str, Any]] = mapped_column(JSON)


class JobState(StrEnum):
    """How far a long work is."""

    WAITING = "waiting"
    WORKING = "working"
    DONE = "done"
    FAILED = "failed"
    CANCELLED = "cancelled"


class Upload(Owned, Claimed, Base):
    """A file of sheets as it was sent, until it is opened: a photo, a ZIP or a PDF."""

    __tablename__ = "upload"

    lesson_id: Mapped[int] = mapped_column(ForeignKey("lesson.id"), index=True)
    pupil_id: Mapped[int | None] = mapped_column(ForeignKey("pupil.id"))
    file_name: Mapped[str] = mapped_column(String(200))
    state: Mapped[str] = mapped_column(String(10), default=JobState.WAITING)
    problem: Mapped[str | None] = mapped_column(Text)
    sent_at: Mapped[datetime] = mapped_column(DateTime, default=now)


class UploadPiece(Base):
    """A part of a file that was sent: nobody ever holds all of a large one in memory."""

    __tablename__ = "upload_piece"

    upload_id: Mapped[int] = mapped_column(
        ForeignKey("upload.id", ondelete="CASCADE"), primary_key=True
    )
    number: Mapped[int] = mapped_column(primary_key=True, autoincrement=False)
    teacher_id: Mapped[int] = mapped_column(ForeignKey("teacher.id"), index=True)
    data: Mapped[bytes] = mapped_column(MEDIUMBLOB)


class AnyPicture(Owned, Claimed, Base):
    """A drawing or photograph that is looked at without an exercise.

    `lines` are what was found in it (see the judge's FreeLines), `points` where the teacher set
    vanishing points, in its pixels.
    """

    __tablename__ = "any_picture"

    file_name: Mapped[str] = mapped_column(String(200))
    state: Mapped[str] = mapped_column(String(10), default=JobState.WAITING)
    problem: Mapped[str | None] = mapped_column(Text)
    photo: Mapped[bytes] = mapped_column(LONGBLOB, deferred=True)
    photo_type: Mapped[str] = mapped_column(String(20))
    lines: Mapped[dict[str, Any] | None] = mapped_column(JSON, deferred=True)
    points: Mapped[dict[str, Any] | None] = mapped_column(JSON)
    sent_at: Mapped[datetime] = mapped_column(DateTime, default=now)


class OwnWords(Owned, Base):
    """A teacher's own words for a correction, in one exercise."""

    __tablename__ = "phrase"

    exercise_id: Mapped[int] = mapped_column(ForeignKey("exercise.id"))
    code: Mapped[str] = mapped_column(String(40))
    words: Mapped[str] = mapped_column(Text)

    __table_args__ = (UniqueConstraint("teacher_id", "exercise_id", "code"),)


class PrintJob(Owned, Claimed, Base):
    """A long print: what is asked for, how far it is, and the finished file."""

    __tablename__ = "print_job"

    exercise_id: Mapped[int] = mapped_column(ForeignKey("exercise.id"))
    order: Mapped[dict[str, Any]] = mapped_column(JSON)
    state: Mapped[str] = mapped_column(String(10), default=JobState.WAITING)
    done: Mapped[int] = mapped_column(default=0)
    total: Mapped[int]
    problem: Mapped[str | None] = mapped_column(Text)
    file: Mapped[bytes | None] = mapped_column(LONGBLOB, deferred=True)
    asked_at: Mapped[datetime] = mapped_column(DateTime, default=now)


class Setting(Base):
    """A named value of the installation, such as what the demo data looked like when made."""

    __tablename__ = "setting"

    name: Mapped[str] = mapped_column(String(60), primary_key=True)
    value: Mapped[str] = mapped_column(Text)


Index("ix_exercise_teacher_saved", ExerciseRow.teacher_id, ExerciseRow.saved_at)
