"""Classes, lessons and the register."""

from __future__ import annotations

from fastapi import APIRouter

from orthopsis.marking.judging.verdicts import STRICTNESS
from orthopsis.school import classes, lessons
from orthopsis.school.register import register
from orthopsis.school.tables import GivenMark, Lesson, Understanding
from orthopsis.school.verdicts import title_of
from orthopsis.web.context import AtWork, Records
from orthopsis.web.models import (
    ClassOut,
    CommonFinding,
    LeftIn,
    LessonIn,
    LessonOut,
    NameIn,
    PupilOut,
    PupilsIn,
    RegisterCell,
    RegisterOut,
    UnnamedSheet,
)
from orthopsis.web.problems import PROBLEMS
from orthopsis.wording.words import Words

router = APIRouter(prefix="/api", tags=["school"], responses=PROBLEMS)


@router.get("/classes")
def list_classes(session: Records, teacher: AtWork, away: bool = False) -> list[ClassOut]:
    """The teacher's classes with their pupils: those listed, or those put away."""
    return [ClassOut.model_validate(row) for row in lessons.classes(session, teacher.id, away)]


@router.post("/classes", status_code=201)
def add_class(asked: NameIn, session: Records, teacher: AtWork) -> ClassOut:
    """Begin a class."""
    return ClassOut.model_validate(classes.new_class(session, teacher.id, asked.name))


@router.put("/classes/{class_id}/name")
def rename_class(class_id: int, asked: NameIn, session: Records, teacher: AtWork) -> ClassOut:
    """Give a class another name."""
    row = classes.rename_class(session, teacher.id, class_id, asked.name)
    return ClassOut.model_validate(row)


@router.put("/classes/{class_id}/left")
def put_class_away(class_id: int, asked: LeftIn, session: Records, teacher: AtWork) -> ClassOut:
    """Take a class from the lists with all that is kept of it, or bring it back."""
    row = classes.put_class_away(session, teacher.id, class_id, asked.left)
    return ClassOut.model_validate(row)


@router.post("/classes/{class_id}/pupils", status_code=201)
def add_pupils(class_id: int, asked: PupilsIn, session: Records, teacher: AtWork) -> ClassOut:
    """Add pupils to a class, all of them or none."""
    classes.add_pupils(session, teacher.id, class_id, asked.names)
    return ClassOut.model_validate(lessons.school_class(session, teacher.id, class_id))


@router.put("/pupils/{pupil_id}/name")
def rename_pupil(pupil_id: int, asked: NameIn, session: Records, teacher: AtWork) -> PupilOut:
    """Write a pupil's name anew."""
    return PupilOut.model_validate(classes.rename_pupil(session, teacher.id, pupil_id, asked.name))


@router.put("/pupils/{pupil_id}/left")
def take_off_list(pupil_id: int, asked: LeftIn, session: Records, teacher: AtWork) -> PupilOut:
    """Take a pupil off the list of the class, or put them back; sheets and marks are kept."""
    return PupilOut.model_validate(classes.leave(session, teacher.id, pupil_id, asked.left))


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
    page, words = register(session, teacher.id, class_id), Words()
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
                guessed=sheet.guessed,
                understanding=_understanding(sheet.mark),
                words=sheet.mark.words if sheet.mark else "",
            )
            for (pupil_id, lesson_id), sheet in page.sheets.items()
        ],
        unnamed=[
            UnnamedSheet(lesson_id=sheet.lesson_id, sheet_id=sheet.id) for sheet in page.unnamed
        ],
        commonest=[
            CommonFinding(code=code, sheets=count, title=title_of(code, words))
            for code, count in page.commonest
        ],
    )


def _understanding(mark: GivenMark | None) -> Understanding | None:
    known = mark is not None and mark.understanding in set(Understanding)
    return Understanding(mark.understanding) if mark is not None and known else None


def _lesson(row: Lesson) -> LessonOut:
    return LessonOut(
        id=row.id,
        class_id=row.class_id,
        class_name=row.school_class.name,
        exercise_id=row.exercise_id,
        exercise_title=row.exercise.title,
        given_on=row.given_on,
        demand=row.demand if row.demand in STRICTNESS else "standard",
    )
