"""Classes, lessons and the sheets handed in for them."""

from __future__ import annotations

import hashlib
from collections.abc import Collection, Sequence
from datetime import date

from sqlalchemy import delete, select
from sqlalchemy.orm import Session, selectinload

from orthopsis.errors import NotFound, SchoolError
from orthopsis.marking.records import VerdictRecord
from orthopsis.phrase import say
from orthopsis.school.owned import owned
from orthopsis.school.shelf import exercise
from orthopsis.school.tables import (
    GivenMark,
    Lesson,
    Pupil,
    SchoolClass,
    SheetPicture,
    SheetRow,
    Understanding,
    VerdictRow,
    now,
)

MILD_BELOW_AGE = 9


def classes(session: Session, teacher_id: int, away: bool = False) -> Sequence[SchoolClass]:
    """The teacher's classes with their pupils, by name: those listed, or those put away."""
    query = (
        select(SchoolClass)
        .where(SchoolClass.teacher_id == teacher_id, SchoolClass.away.is_(away))
        .options(selectinload(SchoolClass.pupils))
        .order_by(SchoolClass.name)
    )
    return session.scalars(query).all()


def school_class(session: Session, teacher_id: int, class_id: int) -> SchoolClass:
    """One class; raises NotFound."""
    return owned(session, teacher_id, SchoolClass, class_id, say("missing-class"))


def lessons(session: Session, teacher_id: int) -> Sequence[Lesson]:
    """The teacher's lessons with the classes that are listed, the latest first."""
    query = (
        select(Lesson)
        .join(SchoolClass, SchoolClass.id == Lesson.class_id)
        .where(Lesson.teacher_id == teacher_id, SchoolClass.away.is_(False))
        .options(selectinload(Lesson.exercise), selectinload(Lesson.school_class))
        .order_by(Lesson.given_on.desc(), Lesson.id.desc())
    )
    return session.scalars(query).all()


def lesson(session: Session, teacher_id: int, lesson_id: int) -> Lesson:
    """One lesson; raises NotFound."""
    return owned(session, teacher_id, Lesson, lesson_id, say("missing-lesson"))


def of_exercises(
    session: Session, teacher_id: int, exercise_ids: Collection[int | None]
) -> Sequence[Lesson]:
    """The lessons in which some exercises were given, the latest first."""
    if not exercise_ids:
        return []
    query = (
        select(Lesson)
        .where(Lesson.teacher_id == teacher_id, Lesson.exercise_id.in_(exercise_ids))
        .order_by(Lesson.given_on.desc(), Lesson.id.desc())
    )
    return session.scalars(query).all()


def give_lesson(
    session: Session, teacher_id: int, class_id: int, exercise_id: int, given_on: date
) -> Lesson:
    """Set an exercise to a class; raises NotFound. The youngest are judged mildly at first."""
    school_class(session, teacher_id, class_id)
    age = exercise(session, teacher_id, exercise_id).document.get("age")
    mild = age is not None and age < MILD_BELOW_AGE
    row = Lesson(
        teacher_id=teacher_id,
        class_id=class_id,
        exercise_id=exercise_id,
        given_on=given_on,
        demand="first steps" if mild else "standard",
    )
    session.add(row)
    session.flush()
    return row


def sheets(session: Session, teacher_id: int, lesson_id: int) -> Sequence[SheetRow]:
    """The sheets of a lesson in the order they came in, with verdict, mark and pupil."""
    lesson(session, teacher_id, lesson_id)
    query = (
        select(SheetRow)
        .where(
            SheetRow.teacher_id == teacher_id,
            SheetRow.lesson_id == lesson_id,
            SheetRow.away.is_(False),
        )
        .options(
            selectinload(SheetRow.pupil),
            selectinload(SheetRow.verdict),
            selectinload(SheetRow.mark),
        )
        .order_by(SheetRow.id)
    )
    return session.scalars(query).all()


def sheet(session: Session, teacher_id: int, sheet_id: int) -> SheetRow:
    """One sheet; raises NotFound."""
    return owned(session, teacher_id, SheetRow, sheet_id, say("missing-sheet"))


def lock_sheet(session: Session, teacher_id: int, sheet_id: int) -> SheetRow:
    """One sheet, for this transaction alone; raises NotFound."""
    return owned(session, teacher_id, SheetRow, sheet_id, say("missing-sheet"), lock=True)


def sheet_picture(session: Session, teacher_id: int, sheet_id: int) -> SheetPicture:
    """The pictures of a sheet; raises NotFound."""
    return owned(session, teacher_id, SheetPicture, sheet_id, say("missing-picture"))


def hand_in(
    session: Session,
    teacher_id: int,
    lesson_id: int,
    file_name: str,
    photo: bytes,
    photo_type: str,
    pupil_id: int | None = None,
) -> SheetRow:
    """Keep a photo as a new sheet of the lesson."""
    found = lesson(session, teacher_id, lesson_id)
    if pupil_id is not None:
        pupil_of(session, teacher_id, pupil_id, found.class_id)
    row = SheetRow(
        teacher_id=teacher_id,
        lesson_id=lesson_id,
        pupil_id=pupil_id,
        file_name=file_name[-200:],
        digest=_digest(photo) if photo else None,
    )
    session.add(row)
    session.flush()
    session.add(
        SheetPicture(
            sheet_id=row.id,
            teacher_id=teacher_id,
            photo=photo,
            photo_type=photo_type,
        )
    )
    return row


def sheet_of_photo(
    session: Session, teacher_id: int, lesson_id: int, photo: bytes
) -> SheetRow | None:
    """The sheet of a lesson that was handed in as this very photo, if it is on the stack."""
    query = (
        select(SheetRow)
        .where(
            SheetRow.teacher_id == teacher_id,
            SheetRow.lesson_id == lesson_id,
            SheetRow.listed_digest == _digest(photo),
        )
        .with_for_update()
    )
    return session.scalar(query) if photo else None


def _digest(photo: bytes) -> str:
    return hashlib.sha256(photo).hexdigest()


def put_sheet_away(session: Session, teacher_id: int, sheet_id: int, away: bool) -> SheetRow:
    """Take a sheet from the stack, or put it back; raises NotFound, SchoolError."""
    row = lock_sheet(session, teacher_id, sheet_id)
    if row.away and not away and _is_listed(session, row.lesson_id, row.digest):
        raise SchoolError(say("refused-photo-on-stack"))
    row.away = away
    return row


def move_sheet(session: Session, teacher_id: int, sheet_id: int, lesson_id: int) -> SheetRow:
    """Put a sheet on the stack of another lesson, without what was said of it here.

    Raises NotFound; SchoolError where that lesson has the photo, or a mark would lose its pupil.
    """
    row = lock_sheet(session, teacher_id, sheet_id)
    target = lesson(session, teacher_id, lesson_id)
    if target.id == row.lesson_id:
        return row
    if _is_listed(session, target.id, row.digest):
        raise SchoolError(say("refused-photo-on-that-stack"))
    if target.class_id != row.lesson.class_id:
        marked = select(GivenMark.id).where(GivenMark.sheet_id == row.id)
        if session.scalar(marked) is not None:
            raise SchoolError(say("refused-marked-for-this-class"))
        row.pupil_id, row.guessed = None, False
    session.execute(delete(VerdictRow).where(VerdictRow.sheet_id == row.id))
    sheet_picture(session, teacher_id, sheet_id).straight_jpeg = None
    row.lesson_id, row.task = target.id, None
    session.flush()
    session.expire(row)
    return row


def _is_listed(session: Session, lesson_id: int, digest: str | None) -> bool:
    """Whether a lesson's stack has a photo."""
    twin = select(SheetRow.id).where(
        SheetRow.lesson_id == lesson_id, SheetRow.listed_digest == digest
    )
    return digest is not None and session.scalar(twin) is not None


def keep_verdict(
    session: Session,
    teacher_id: int,
    sheet_id: int,
    exercise_counter: int,
    record: VerdictRecord,
    straight_jpeg: bytes | None,
) -> None:
    """Keep what the judge said of a photo, in place of what was said before and corrected."""
    lock_sheet(session, teacher_id, sheet_id)
    row = session.scalar(select(VerdictRow).where(VerdictRow.sheet_id == sheet_id))
    if row is None:
        row = VerdictRow(teacher_id=teacher_id, sheet_id=sheet_id)
        session.add(row)
    row.exercise_counter, row.record = exercise_counter, record.plain()
    row.judged_at = now()
    row.corrections = {}
    sheet_picture(session, teacher_id, sheet_id).straight_jpeg = straight_jpeg


def give_to(session: Session, teacher_id: int, sheet_id: int, pupil_id: int) -> SheetRow:
    """Say whose sheet it is; raises NotFound."""
    row = lock_sheet(session, teacher_id, sheet_id)
    pupil_of(session, teacher_id, pupil_id, lesson(session, teacher_id, row.lesson_id).class_id)
    row.pupil_id, row.guessed = pupil_id, False
    return row


def save_mark(
    session: Session,
    teacher_id: int,
    sheet_id: int,
    pupil_id: int,
    understanding: Understanding,
    words: str,
) -> GivenMark:
    """Give the sheet to a pupil, with the teacher's mark and words."""
    give_to(session, teacher_id, sheet_id, pupil_id)
    mark = session.scalar(select(GivenMark).where(GivenMark.sheet_id == sheet_id))
    if mark is None:
        mark = GivenMark(teacher_id=teacher_id, sheet_id=sheet_id)
        session.add(mark)
    mark.understanding, mark.words, mark.saved_at = str(understanding), words, now()
    return mark


def forget_mark(session: Session, teacher_id: int, sheet_id: int) -> None:
    """Take a sheet's mark and words back; raises NotFound."""
    row = lock_sheet(session, teacher_id, sheet_id)
    session.execute(delete(GivenMark).where(GivenMark.sheet_id == row.id))


def pupil_of(session: Session, teacher_id: int, pupil_id: int, class_id: int) -> Pupil:
    """A pupil of a class; raises NotFound."""
    missing = say("missing-pupil-of-class")
    pupil = owned(session, teacher_id, Pupil, pupil_id, missing)
    if pupil.class_id != class_id:
        raise NotFound(missing)
    return pupil
