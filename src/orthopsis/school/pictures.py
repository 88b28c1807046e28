"""Any drawing or photograph, looked at without an exercise: sent, opened in a worker, and kept.

What is kept are its lines; where a teacher sets the points, the same lines are read again.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import BinaryIO

from sqlalchemy import select
from sqlalchemy.orm import Session, undefer

from orthopsis.errors import ImageError, NotFound, OrthopsisError, SchoolError
from orthopsis.marking.free_records import FreeLines, FreeRecord, free_lines, free_record
from orthopsis.marking.judging.free_picture import read_picture
from orthopsis.marking.sheet.intake import holds_pages, is_zip
from orthopsis.marking.sheet.photo import MAX_BYTES, open_photo, too_large
from orthopsis.phrase import say
from orthopsis.school.claims import Claim, fail
from orthopsis.school.intake import SEALED
from orthopsis.school.owned import owned
from orthopsis.school.store import Store
from orthopsis.school.tables import AnyPicture, JobState

MOST_KEPT = 100
"""So many pictures lie in this place at most: it is no archive."""


def send(session: Session, teacher_id: int, file_name: str, file: BinaryIO) -> AnyPicture:
    """Keep a picture to be looked at. Raises ImageError; SchoolError when there are too many."""
    data = file.read(MAX_BYTES + 1)
    if len(data) > MAX_BYTES:
        raise too_large(file.seek(0, 2))
    if is_zip(data) or holds_pages(data):
        raise ImageError(say("refused-one-picture"))
    if len(pictures(session, teacher_id)) >= MOST_KEPT:
        raise SchoolError(say("refused-too-many-pictures"))
    row = AnyPicture(
        teacher_id=teacher_id, file_name=file_name[-200:], photo=data, photo_type=SEALED
    )
    session.add(row)
    session.flush()
    return row


def pictures(session: Session, teacher_id: int) -> Sequence[AnyPicture]:
    """The teacher's pictures, the latest first."""
    query = select(AnyPicture).where(AnyPicture.teacher_id == teacher_id)
    return session.scalars(query.order_by(AnyPicture.id.desc())).all()


def picture(session: Session, teacher_id: int, picture_id: int) -> AnyPicture:
    """One picture; raises NotFound."""
    options = (undefer(AnyPicture.lines),)
    return owned(
        session, teacher_id, AnyPicture, picture_id, say("missing-any-picture"), options=options
    )


def photo(session: Session, teacher_id: int, picture_id: int) -> tuple[bytes, str]:
    """A picture's file and its type; raises NotFound while nobody has opened it."""
    row = picture(session, teacher_id, picture_id)
    if row.photo_type == SEALED:
        raise NotFound(say("missing-photo-yet"))
    return row.photo, row.photo_type


def said(row: AnyPicture) -> FreeRecord | None:
    """What a picture shows, by the points that were set or by itself; None before it was opened."""
    if row.lines is None:
        return None
    points = {name: (float(x), float(y)) for name, (x, y) in (row.points or {}).items()}
    return free_record(FreeLines.model_validate(row.lines).read.toward(points))


def set_points(
    session: Session, teacher_id: int, picture_id: int, points: Mapping[str, tuple[float, float]]
) -> AnyPicture:
    """Have a picture read by points that the teacher sets; by itself again where none is set."""
    row = picture(session, teacher_id, picture_id)
    row.points = {name: list(place) for name, place in points.items()} or None
    return row


def forget(session: Session, teacher_id: int, picture_id: int) -> None:
    """Remove a picture; raises NotFound."""
    session.delete(picture(session, teacher_id, picture_id))


def look(store: Store, picture_id: int) -> None:
    """In a worker: open a picture and find its lines; a refusal is kept in words."""
    with store.session() as session:
        row = session.get(AnyPicture, picture_id)
        if row is None or row.state != JobState.WORKING:
            return
        data = row.photo
    try:
        opened = open_photo(data)
        lines = free_lines(read_picture(opened.grey))
    except OrthopsisError as error:
        store.done(fail, Claim("picture", picture_id), str(error))
        return

    def keep(session: Session) -> None:
        row = session.get(AnyPicture, picture_id, with_for_update=True)
        if row is None or row.state != JobState.WORKING:
            return
        row.photo, row.photo_type = opened.clean, opened.media_type
        row.lines, row.state = lines.plain(), JobState.DONE

    store.done(keep)
