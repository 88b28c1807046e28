"""Pupils' sheets: sent in, judged in the background, corrected, marked."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial
from typing import Annotated, Any

from fastapi import APIRouter, File, Form, Request, Response, UploadFile
from sqlalchemy.orm import Session

from orthopsis.errors import NotFound
from orthopsis.exercise.task import Task
from orthopsis.marking.corrections import Corrections
from orthopsis.phrase import say
from orthopsis.plain import one_line
from orthopsis.school import intake, lessons, verdicts
from orthopsis.school.store import Store
from orthopsis.school.tables import JobState, SheetRow
from orthopsis.web.context import AtWork, Records
from orthopsis.web.marking_models import (
    AwayIn,
    CornersIn,
    DemandIn,
    FaceOut,
    LessonOfSheetIn,
    MarkIn,
    PhraseIn,
    PupilIn,
    PupilSheetOut,
    SentOut,
    SummaryOut,
    TaskIn,
    UploadOut,
)
from orthopsis.web.problems import PROBLEMS
from orthopsis.web.stack import all_out

router = APIRouter(prefix="/api", tags=["marking"], responses=PROBLEMS)

JPEG: dict[int | str, dict[str, Any]] = {
    200: {"content": {"image/jpeg": {"schema": {"type": "string"}}}}
}


@router.get("/lessons/{lesson_id}/sheets")
def list_sheets(lesson_id: int, session: Records, teacher: AtWork) -> list[PupilSheetOut]:
    """The stack of a lesson, with what was said of each sheet."""
    rows = lessons.sheets(session, teacher.id, lesson_id)
    return all_out(session, teacher.id, rows)


@router.post("/lessons/{lesson_id}/sheets", status_code=202)
def send_sheets(
    lesson_id: int,
    request: Request,
    teacher: AtWork,
    files: Annotated[list[UploadFile], File()],
    pupil_id: Annotated[int | None, Form()] = None,
) -> SentOut:
    """Take photos, ZIP files or PDFs of sheets; they are opened and judged in the background.

    Pictures are on the stack at once, those of a ZIP one after the other. What the lesson has
    already is not taken twice.
    """
    store: Store = request.app.state.store
    owner = intake.Owner(teacher.id, lesson_id, pupil_id)
    sent = SentOut(uploads=[], known=[])
    for file in files:
        for kept in intake.send(store, owner, one_line(file.filename or "") or "photo", file.file):
            request.app.state.runner.look()
            if kept.upload is not None:
                sent.uploads.append(UploadOut.model_validate(kept.upload))
            elif kept.known:
                sent.known.append(kept.name)
    return sent


@router.get("/lessons/{lesson_id}/uploads")
def list_uploads(lesson_id: int, session: Records, teacher: AtWork) -> list[UploadOut]:
    """Files that are not opened yet, and those that could not be."""
    rows = intake.uploads(session, teacher.id, lesson_id)
    return [UploadOut.model_validate(row) for row in rows if row.state in set(JobState)]


@router.post("/marking/ready", status_code=204)
def get_ready(request: Request, teacher: AtWork) -> None:
    """Somebody is about to mark: the judge's processes are loaded before the first photo comes."""
    del teacher
    request.app.state.runner.warm()


@router.delete("/uploads/{upload_id}", status_code=204)
def forget_upload(upload_id: int, session: Records, teacher: AtWork) -> None:
    """Take away a file that could not be opened."""
    intake.put_away(session, teacher.id, upload_id)


@router.post("/lessons/{lesson_id}/cancel", status_code=204)
def cancel_judging(lesson_id: int, session: Records, teacher: AtWork) -> None:
    """Stop what is not judged yet; what is done stays."""
    intake.cancel(session, teacher.id, lesson_id)


@router.put("/lessons/{lesson_id}/demand")
def set_demand(
    lesson_id: int, asked: DemandIn, session: Records, teacher: AtWork
) -> list[PupilSheetOut]:
    """Judge all sheets of a lesson by another demand."""
    verdicts.be_strict(session, teacher.id, lesson_id, asked.demand)
    session.flush()
    return all_out(session, teacher.id, lessons.sheets(session, teacher.id, lesson_id))


@router.get("/lessons/{lesson_id}/summary")
def summarise(lesson_id: int, session: Records, teacher: AtWork) -> SummaryOut:
    """Who is stuck on what, the commonest mistakes, and what to show again."""
    return SummaryOut.model_validate(verdicts.summary(session, teacher.id, lesson_id))


@router.get("/exercises/{exercise_id}/phrases")
def list_phrases(exercise_id: int, session: Records, teacher: AtWork) -> dict[str, str]:
    """The teacher's own words for corrections in an exercise, by code."""
    return verdicts.phrases(session, teacher.id, exercise_id)


@router.put("/exercises/{exercise_id}/phrases")
def save_phrase(
    exercise_id: int, asked: PhraseIn, session: Records, teacher: AtWork
) -> dict[str, str]:
    """Keep own words for a correction."""
    verdicts.save_phrase(session, teacher.id, exercise_id, asked.code, asked.words)
    return verdicts.phrases(session, teacher.id, exercise_id)


@router.post("/sheets/{sheet_id}/judge")
def judge(sheet_id: int, request: Request, teacher: AtWork) -> PupilSheetOut:
    """Have a sheet judged, or judged anew, without corrections."""
    return _later(request, teacher.id, sheet_id, intake.judge_later)


@router.put("/sheets/{sheet_id}/corners")
def set_corners(
    sheet_id: int, asked: CornersIn, request: Request, teacher: AtWork
) -> PupilSheetOut:
    """Have it judged with the corners set by hand."""
    change = partial(intake.set_corners, corners=asked.corners_px)
    return _later(request, teacher.id, sheet_id, change)


@router.put("/sheets/{sheet_id}/task")
def set_task(sheet_id: int, asked: TaskIn, request: Request, teacher: AtWork) -> PupilSheetOut:
    """Say what it was drawn from, and have it judged anew."""
    task = Task(asked.demand, asked.word and asked.word.upper())
    return _later(request, teacher.id, sheet_id, partial(intake.say_task, task=task))


@router.put("/sheets/{sheet_id}/lesson")
def move_to_lesson(
    sheet_id: int, asked: LessonOfSheetIn, request: Request, teacher: AtWork
) -> PupilSheetOut:
    """Put a sheet on the stack of another lesson, and have it judged there."""
    move = partial(intake.move, lesson_id=asked.lesson_id)
    return _later(request, teacher.id, sheet_id, move)


@router.put("/sheets/{sheet_id}/corrections")
def correct(sheet_id: int, asked: Corrections, session: Records, teacher: AtWork) -> PupilSheetOut:
    """Keep what the teacher corrects in the lines, and judge again."""
    return _out(session, teacher.id, verdicts.correct(session, teacher.id, sheet_id, asked))


@router.put("/sheets/{sheet_id}/pupil")
def give_to_pupil(
    sheet_id: int, asked: PupilIn, session: Records, teacher: AtWork
) -> PupilSheetOut:
    """Say whose sheet it is."""
    row = lessons.give_to(session, teacher.id, sheet_id, asked.pupil_id)
    return _fresh(session, teacher.id, row)


@router.put("/sheets/{sheet_id}/away")
def put_sheet_away(
    sheet_id: int, asked: AwayIn, session: Records, teacher: AtWork
) -> PupilSheetOut:
    """Take a sheet from the stack, or put it back; it is kept."""
    row = lessons.put_sheet_away(session, teacher.id, sheet_id, asked.away)
    return _out(session, teacher.id, row)


@router.put("/sheets/{sheet_id}/mark")
def save_mark(sheet_id: int, asked: MarkIn, session: Records, teacher: AtWork) -> PupilSheetOut:
    """Give the sheet to a pupil with the teacher's mark and words."""
    lessons.save_mark(
        session, teacher.id, sheet_id, asked.pupil_id, asked.understanding, asked.words
    )
    return _fresh(session, teacher.id, lessons.sheet(session, teacher.id, sheet_id))


@router.delete("/sheets/{sheet_id}/mark")
def forget_mark(sheet_id: int, session: Records, teacher: AtWork) -> PupilSheetOut:
    """Take the mark and the words back."""
    lessons.forget_mark(session, teacher.id, sheet_id)
    return _fresh(session, teacher.id, lessons.sheet(session, teacher.id, sheet_id))


@router.get("/sheets/{sheet_id}/straight.jpg", response_class=Response, responses=JPEG)
def straight(sheet_id: int, session: Records, teacher: AtWork) -> Response:
    """The sheet straightened, or an empty answer when no sheet was found in the photo."""
    picture = lessons.sheet_picture(session, teacher.id, sheet_id).straight_jpeg
    if picture is None:
        return Response(status_code=204)
    return Response(picture, media_type="image/jpeg")


@router.get("/sheets/{sheet_id}/photo", response_class=Response, responses=JPEG)
def photo_of(sheet_id: int, session: Records, teacher: AtWork) -> Response:
    """The photo as it was handed in, without notes on place, time and device."""
    picture = lessons.sheet_picture(session, teacher.id, sheet_id)
    if picture.photo_type == intake.SEALED:
        raise NotFound(say("missing-photo-yet"))
    return Response(picture.photo, media_type=picture.photo_type)


@router.get("/sheets/{sheet_id}/faces")
def list_faces(sheet_id: int, session: Records, teacher: AtWork) -> list[FaceOut]:
    """The faces of the pupil's own drawing, each with its true middle."""
    row = lessons.sheet(session, teacher.id, sheet_id)
    return [FaceOut.model_validate(face) for face in verdicts.faces_of(session, row)]


def _later(
    request: Request,
    teacher_id: int,
    sheet_id: int,
    change: Callable[[Session, int, int], SheetRow],
) -> PupilSheetOut:
    """Leave a changed sheet to the judge; the page asks again for what is said."""
    store: Store = request.app.state.store
    with store.session() as session:
        answer = _out(session, teacher_id, change(session, teacher_id, sheet_id))
    request.app.state.runner.look()
    return answer


def _fresh(session: Session, teacher_id: int, row: SheetRow) -> PupilSheetOut:
    """A row's answer after its relations were changed."""
    session.flush()
    session.expire_all()
    return _out(session, teacher_id, lessons.sheet(session, teacher_id, row.id))


def _out(session: Session, teacher_id: int, row: SheetRow) -> PupilSheetOut:
    return all_out(session, teacher_id, [row])[0]
