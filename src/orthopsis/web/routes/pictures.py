"""Any drawing or photograph, looked at without an exercise."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, File, Request, Response, UploadFile

from orthopsis.plain import one_line
from orthopsis.school import pictures
from orthopsis.school.tables import AnyPicture
from orthopsis.web.context import AtWork, Records
from orthopsis.web.marking_models import AnyPictureOut, PointsIn, SentPictureOut
from orthopsis.web.problems import PROBLEMS
from orthopsis.web.routes.sheets import JPEG

router = APIRouter(prefix="/api/pictures", tags=["marking"], responses=PROBLEMS)


@router.get("")
def list_pictures(session: Records, teacher: AtWork) -> list[SentPictureOut]:
    """The pictures that were sent, the latest first."""
    return [SentPictureOut.model_validate(row) for row in pictures.pictures(session, teacher.id)]


@router.post("", status_code=202)
def send_picture(
    session: Records, teacher: AtWork, request: Request, file: Annotated[UploadFile, File()]
) -> SentPictureOut:
    """Take one picture; its lines are found in the background."""
    name = one_line(file.filename or "") or "picture"
    row = pictures.send(session, teacher.id, name, file.file)
    session.commit()
    request.app.state.runner.look()
    return SentPictureOut.model_validate(row)


@router.get("/{picture_id}")
def look_at(picture_id: int, session: Records, teacher: AtWork) -> AnyPictureOut:
    """What a picture shows by itself, or by the points that were set."""
    return _out(pictures.picture(session, teacher.id, picture_id))


@router.put("/{picture_id}/points")
def set_points(
    picture_id: int, asked: PointsIn, session: Records, teacher: AtWork
) -> AnyPictureOut:
    """Set the points by hand; without any it is read by itself again."""
    points = {str(name): place for name, place in asked.points_px.items()}
    return _out(pictures.set_points(session, teacher.id, picture_id, points))


@router.delete("/{picture_id}", status_code=204)
def forget_picture(picture_id: int, session: Records, teacher: AtWork) -> None:
    """Remove a picture."""
    pictures.forget(session, teacher.id, picture_id)


@router.get("/{picture_id}/photo", response_class=Response, responses=JPEG)
def picture_file(picture_id: int, session: Records, teacher: AtWork) -> Response:
    """The picture as it was sent, without notes on place, time and device."""
    content, media_type = pictures.photo(session, teacher.id, picture_id)
    return Response(content, media_type=media_type)


def _out(row: AnyPicture) -> AnyPictureOut:
    plain = SentPictureOut.model_validate(row)
    return AnyPictureOut(**plain.model_dump(), by_hand=bool(row.points), reading=pictures.said(row))
