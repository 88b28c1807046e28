"""Pupils' sheets: handed in, judged, corrected by hand, marked."""

from __future__ import annotations

import threading
from typing import Annotated, Any

from fastapi import APIRouter, File, Form, Request, Response, UploadFile
from sqlalchemy.orm import Session

from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import Scene, resolve
from orthopsis.marking.answer_key import answer_key
from orthopsis.marking.judge import check_grey
from orthopsis.marking.photo import open_photo
from orthopsis.marking.records import kept_record
from orthopsis.marking.straighten import as_jpeg
from orthopsis.school import lessons
from orthopsis.school.store import Store
from orthopsis.school.tables import SheetRow
from orthopsis.web.context import AtWork, Records
from orthopsis.web.models import (
    CornersIn,
    MarkIn,
    MarkOut,
    PupilOut,
    PupilSheetOut,
    SheetOut,
    VerdictOut,
)
from orthopsis.web.problems import PROBLEMS

router = APIRouter(prefix="/api", tags=["marking"], responses=PROBLEMS)

_JUDGING = threading.BoundedSemaphore(2)
"""So many photos are judged at once; more would only crowd the memory."""

JPEG: dict[int | str, dict[str, Any]] = {
    200: {"content": {"image/jpeg": {"schema": {"type": "string"}}}}
}


@router.get("/lessons/{lesson_id}/sheets")
def list_sheets(lesson_id: int, session: Records, teacher: AtWork) -> list[PupilSheetOut]:
    """The stack of a lesson, with what was said of each sheet."""
    return [_out(row) for row in lessons.sheets(session, teacher.id, lesson_id)]


@router.post("/lessons/{lesson_id}/sheets", status_code=201)
def hand_in(
    lesson_id: int,
    request: Request,
    teacher: AtWork,
    photo: Annotated[UploadFile, File()],
    pupil_id: Annotated[int | None, Form()] = None,
) -> PupilSheetOut:
    """Keep a photo and judge it. A file that cannot be read is refused and not kept."""
    store: Store = request.app.state.store
    data = photo.file.read()
    picture = open_photo(data)
    with store.session() as session:
        sheet = lessons.hand_in(
            session,
            teacher.id,
            lesson_id,
            photo.filename or "photo",
            picture.clean,
            picture.media_type,
            pupil_id,
        )
        sheet_id = sheet.id
    return _judge(store, teacher.id, sheet_id, None)


@router.put("/sheets/{sheet_id}/corners")
def set_corners(
    sheet_id: int, asked: CornersIn, request: Request, teacher: AtWork
) -> PupilSheetOut:
    """Judge again with the corners set by hand."""
    return _judge(request.app.state.store, teacher.id, sheet_id, asked.corners_px)


@router.put("/sheets/{sheet_id}/mark")
def save_mark(sheet_id: int, asked: MarkIn, session: Records, teacher: AtWork) -> PupilSheetOut:
    """Give the sheet to a pupil with the teacher's mark and words."""
    lessons.save_mark(
        session, teacher.id, sheet_id, asked.pupil_id, asked.understanding, asked.words
    )
    session.flush()
    session.expire_all()
    return _out(lessons.sheet(session, teacher.id, sheet_id))


@router.get("/sheets/{sheet_id}/straight.jpg", response_class=Response, responses=JPEG)
def straight(sheet_id: int, session: Records, teacher: AtWork) -> Response:
    """The sheet straightened, or an empty answer when no sheet was found in the photo."""
    picture = lessons.sheet_picture(session, teacher.id, sheet_id).straight_jpeg
    if picture is None:
        return Response(status_code=204)
    return Response(picture, media_type="image/jpeg")


@router.get("/sheets/{sheet_id}/photo", response_class=Response, responses=JPEG)
def photo_of(sheet_id: int, session: Records, teacher: AtWork) -> Response:
    """The photo as it was handed in."""
    picture = lessons.sheet_picture(session, teacher.id, sheet_id)
    return Response(picture.photo, media_type=picture.photo_type)


def _judge(
    store: Store, teacher_id: int, sheet_id: int, corners: list[tuple[float, float]] | None
) -> PupilSheetOut:
    """Judge outside any transaction, then keep the verdict in one."""
    with store.session() as session:
        scene, counter = _scene_of(session, lessons.sheet(session, teacher_id, sheet_id))
        photo = lessons.sheet_picture(session, teacher_id, sheet_id).photo
    with _JUDGING:
        grey = open_photo(photo).grey
        verdict = check_grey(answer_key(scene), grey, corners=corners)
        flat = as_jpeg(verdict.straightened) if verdict.straightened else None
    record = kept_record(verdict, grey)
    with store.session() as session:
        lessons.keep_verdict(session, teacher_id, sheet_id, counter, record, flat)
        session.flush()
        session.expire_all()
        return _out(lessons.sheet(session, teacher_id, sheet_id))


def _scene_of(session: Session, sheet: SheetRow) -> tuple[Scene, int]:
    exercise = sheet.lesson.exercise
    return resolve(from_data(exercise.document)), exercise.counter


def _out(row: SheetRow) -> PupilSheetOut:
    scene = resolve(from_data(row.lesson.exercise.document))
    return PupilSheetOut(
        id=row.id,
        lesson_id=row.lesson_id,
        file_name=row.file_name,
        handed_in_at=row.handed_in_at,
        pupil=PupilOut.model_validate(row.pupil) if row.pupil else None,
        sheet=SheetOut(width_mm=scene.sheet.width_mm, height_mm=scene.sheet.height_mm),
        verdict=VerdictOut.model_validate(row.verdict.record) if row.verdict else None,
        mark=MarkOut.model_validate(row.mark) if row.mark else None,
    )
