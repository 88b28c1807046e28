"""Classes, lessons and the sheets handed in for them."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session, selectinload

from orthopsis.errors import NotFound
from orthopsis.school.shelf import exercise
from orthopsis.school.tables import (
    JobState,
    Lesson,
    Mark,
    Pupil,
    SchoolClass,
    SheetPicture,
    SheetRow,
    Understanding,
    VerdictRow,
    now,
)

MILD_BELOW_AGE = 9


def classes(session: Session, teacher_id: int) -> Sequence[SchoolClass]:
    """The teacher's classes with their pupils, by name."""
    query = (
        select(SchoolClass)
        .where(SchoolClass.teacher_id == teacher_id)
        .options(selectinload(SchoolClass.pupils))
        .order_by(SchoolClass.name)
    )
    return session.scalars(query).all()


def school_class(session: Session, teacher_id: int, class_id: int) -> SchoolClass:
    """One class; raises NotFound."""
    row = session.get(SchoolClass, class_id)
    if row is None or row.teacher_id != teacher_id:
        raise NotFound("this class does not exist")
    return row


def lessons(session: Session, teacher_id: int) -> Sequence[Lesson]:
    """The teacher's lessons, the latest first."""
    query = (
        select(Lesson)
        .where(Lesson.teacher_id == teacher_id)
        .options(selectinload(Lesson.exercise), selectinload(Lesson.school_class))
        .order_by(Lesson.given_on.desc(), Lesson.id.desc())
    )
    return session.scalars(query).all()


def lesson(session: Session, teacher_id: int, lesson_id: int) -> Lesson:
    """One lesson; raises NotFound."""
    row = session.get(Lesson, lesson_id)
    if row is None or row.teacher_id != teacher_id:
        raise NotFound("this lesson does not exist")
    return row


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
            SheetRow.state != JobState.AWAY,
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
    row = session.get(SheetRow, sheet_id)
    if row is None or row.teacher_id != teacher_id:
        raise NotFound("this sheet does not exist")
    return row


def lock_sheet(session: Session, teacher_id: int, sheet_id: int) -> SheetRow:
    """One sheet, for this transaction alone; raises NotFound."""
    row = session.get(SheetRow, sheet_id, with_for_update=True)
    if row is None or row.teacher_id != teacher_id:
        raise NotFound("this sheet does not exist")
    return row


def sheet_picture(session: Session, teacher_id: int, sheet_id: int) -> SheetPicture:
    """The pictures of a sheet; raises NotFound."""
    row = session.get(SheetPicture, sheet_id)
    if row is None or row.teacher_id != teacher_id:
        raise NotFound("this sheet has no picture")
    return row


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
    )
    session.add(row)
    session.flush()
    session.add(
        SheetPicture(sheet_id=row.id, teacher_id=teacher_id, photo=photo, photo_type=photo_type)
    )
    return row


def keep_verdict(
    session: Session,
    teacher_id: int,
    sheet_id: int,
    exercise_counter: int,
    record: dict[str, Any],
    straight_jpeg: bytes | None,
) -> None:
    """Keep what the judge said of a photo, in place of what was said before and corrected."""
    lock_sheet(session, teacher_id, sheet_id)
    row = session.scalar(select(VerdictRow).where(VerdictRow.sheet_id == sheet_id))
    if row is None:
        row = VerdictRow(teacher_id=teacher_id, sheet_id=sheet_id)
        session.add(row)
    row.exercise_counter, row.record, row.judged_at = exercise_counter, record, now()
    row.corrections = {}
    sheet_picture(session, teacher_id, sheet_id).straight_jpeg = straight_jpeg


def give_to(session: Session, teacher_id: int, sheet_id: int, pupil_id: int) -> SheetRow:
    """Say whose sheet it is; raises NotFound."""
    row = lock_sheet(session, teacher_id, sheet_id)
    pupil_of(session, teacher_id, pupil_id, lesson(session, teacher_id, row.lesson_id).class_id)
    row.pupil_id = pupil_id
    return row


def save_mark(
    session: Session,
    teacher_id: int,
    sheet_id: int,
    pupil_id: int,
    understanding: Understanding,
    words: str,
) -> Mark:
    """Give the sheet to a pupil, with the teacher's mark and words."""
    give_to(session, teacher_id, sheet_id, pupil_id)
    mark = session.scalar(select(Mark).where(Mark.sheet_id == sheet_id))
    if mark is None:
        mark = Mark(teacher_id=teacher_id, sheet_id=sheet_id)
        session.add(mark)
    mark.understanding, mark.words, mark.saved_at = str(understanding), words, now()
    return mark


def pupil_of(session: Session, teacher_id: int, pupil_id: int, class_id: int) -> Pupil:
    """A pupil of a class; raises NotFound."""
    pupil = session.get(Pupil, pupil_id)
    if pupil is None or pupil.teacher_id != teacher_id or pupil.class_id != class_id:
        raise NotFound("this pupil is not in the lesson's class")
    return pupil
