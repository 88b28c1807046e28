"""Classes, lessons and the register."""

from __future__ import annotations

from fastapi import APIRouter

from orthopsis.marking.findings import TITLES
from orthopsis.school import lessons
from orthopsis.school.register import register
from orthopsis.school.tables import Lesson, Understanding
from orthopsis.web.context import AtWork, Records
from orthopsis.web.models import (
    ClassOut,
    CommonFinding,
    LessonIn,
    LessonOut,
    PupilOut,
    RegisterCell,
    RegisterOut,
)
from orthopsis.web.problems import PROBLEMS

router = APIRouter(prefix="/api", tags=["school"], responses=PROBLEMS)


@router.get("/classes")
def list_classes(session: Records, teacher: AtWork) -> list[ClassOut]:
    """The teacher's classes with their pupils."""
    return [ClassOut.model_validate(row) for row in lessons.classes(session, teacher.id)]


@router.get("/lessons")
def list_lessons(session: Records, teacher: AtWork) -> list[LessonOut]:
    """All lessons given, the latest first."""
    return [_lesson(row) for row in lessons.lessons(session, teacher.id)]


@router.post("/lessons", status_code=201)
def give_lesson(asked: LessonIn, session: Records, teacher: AtWork) -> LessonOut:
    """Set an exercise to a class."""
    row = lessons.give_lesson(
        session, teacher.id, asked.class_id, asked.exercise_id, asked.given_on
    )
    return _lesson(row)


@router.get("/classes/{class_id}/register")
def open_register(class_id: int, session: Records, teacher: AtWork) -> RegisterOut:
    """What was set, handed in and understood."""
    page = register(session, teacher.id, class_id)
    return RegisterOut(
        class_id=page.school_class.id,
        class_name=page.school_class.name,
        lessons=[_lesson(row) for row in page.lessons],
        pupils=[PupilOut.model_validate(row) for row in page.pupils],
        cells=[
            RegisterCell(
                pupil_id=pupil_id,
                lesson_id=lesson_id,
                sheet_id=sheet.id,
                understanding=Understanding(sheet.mark.understanding) if sheet.mark else None,
                words=sheet.mark.words if sheet.mark else "",
            )
            for (pupil_id, lesson_id), sheet in page.sheets.items()
        ],
        unnamed=page.unnamed,
        commonest=[
            CommonFinding(code=code, sheets=count, title=TITLES[code])
            for code, count in page.commonest
        ],
    )


def _lesson(row: Lesson) -> LessonOut:
    return LessonOut(
        id=row.id,
        class_id=row.class_id,
        class_name=row.school_class.name,
        exercise_id=row.exercise_id,
        exercise_title=row.exercise.title,
        given_on=row.given_on,
        demand=row.demand,
    )
