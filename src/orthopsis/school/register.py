"""The register: what was set, handed in and understood, pupil by pupil."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass

from sqlalchemy import select
from sqlalchemy.orm import Session, selectinload

from orthopsis.school.lessons import school_class
from orthopsis.school.tables import Lesson, Pupil, SchoolClass, SheetRow
from orthopsis.school.verdicts import readable_record


@dataclass(frozen=True)
class Register:
    """A class's page: lessons across, pupils down, and the corrections said most often."""

    school_class: SchoolClass
    lessons: Sequence[Lesson]
    pupils: Sequence[Pupil]
    sheets: dict[tuple[int, int], SheetRow]
    """By pupil and lesson; the latest where a pupil handed in several."""
    unnamed: list[SheetRow]
    commonest: list[tuple[str, int]]
    """Codes of corrections, and on how many sheets each was found."""


def register(session: Session, teacher_id: int, class_id: int) -> Register:
    """The register of one class; raises NotFound."""
    group = school_class(session, teacher_id, class_id)
    given = session.scalars(
        select(Lesson)
        .where(Lesson.teacher_id == teacher_id, Lesson.class_id == class_id)
        .options(selectinload(Lesson.exercise))
        .order_by(Lesson.given_on, Lesson.id)
    ).all()
    pupils = session.scalars(
        select(Pupil)
        .where(Pupil.teacher_id == teacher_id, Pupil.class_id == class_id, Pupil.left.is_(False))
        .order_by(Pupil.name)
    ).all()
    handed_in = session.scalars(
        select(SheetRow)
        .where(
            SheetRow.teacher_id == teacher_id,
            SheetRow.lesson_id.in_([lesson.id for lesson in given]),
            SheetRow.away.is_(False),
        )
        .options(selectinload(SheetRow.verdict), selectinload(SheetRow.mark))
        .order_by(SheetRow.id)
    ).all()
    counts: Counter[str] = Counter()
    for sheet in handed_in:
        record = readable_record(sheet.verdict)
        if record is not None:
            counts.update({one.code for one in record.findings if one.level == "fix"})
    return Register(
        school_class=group,
        lessons=given,
        pupils=pupils,
        sheets={(s.pupil_id, s.lesson_id): s for s in handed_in if s.pupil_id is not None},
        unnamed=[sheet for sheet in handed_in if sheet.pupil_id is None],
        commonest=counts.most_common(3),
    )
