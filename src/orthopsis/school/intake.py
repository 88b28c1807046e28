"""Class sets: files that were sent, opened into sheets, and sheets judged, one after the other.

Each sheet is kept as soon as it is there, so the first is judged while others still arrive. What
broke off can be sent again: a photo that a lesson already has is known by its digest. A file that
has to be opened first is kept in pieces, so that nobody ever holds all of it. No file is opened in
the server's own process.
"""

from __future__ import annotations

import io
from collections.abc import Iterator, Sequence
from pathlib import Path
from tempfile import NamedTemporaryFile
from typing import BinaryIO, NamedTuple

from sqlalchemy import delete, insert, select, update
from sqlalchemy.orm import Session

from orthopsis.errors import ImageError, OrthopsisError
from orthopsis.exercise.load import from_data
from orthopsis.exercise.task import STANDARD_TASK, Task
from orthopsis.marking.findings.unjudged import another
from orthopsis.marking.judge import check_grey
from orthopsis.marking.judging.reached_step import FINISHED
from orthopsis.marking.records import kept_record
from orthopsis.marking.sheet.intake import Arrival, arrivals, holds_pages, is_zip, unpacked
from orthopsis.marking.sheet.photo import MAX_BYTES, open_photo, too_large
from orthopsis.marking.sheet.straighten import as_jpeg
from orthopsis.phrase import say
from orthopsis.school import claims, lessons, verdicts, versions
from orthopsis.school.claims import Claim
from orthopsis.school.owned import owned
from orthopsis.school.store import Store
from orthopsis.school.tables import (
    JobState,
    SheetPicture,
    SheetRow,
    Upload,
    UploadPiece,
    VerdictRow,
)
from orthopsis.school.tasks import Origin, refuse_wrong

HEAD_BYTES = 1024
PIECE_BYTES = 2_000_000
SEALED = "sealed"
"""The type of a picture that nobody has opened yet; it is never sent to a page."""
UNDER_WAY = (JobState.WAITING, JobState.WORKING)


class Owner(NamedTuple):
    """Where a file belongs."""

    teacher_id: int
    lesson_id: int
    pupil_id: int | None = None


class Kept(NamedTuple):
    """What became of a file that was sent."""

    name: str
    upload: Upload | None = None
    """Set when it has to be opened first, or could not be."""
    known: bool = False
    """Whether the lesson had this photo already."""
    waiting: int | None = None
    """The sheet that waits to be judged now."""


def send(store: Store, owner: Owner, file_name: str, file: BinaryIO) -> Iterator[Kept]:
    """Keep a file, and each file of a ZIP by itself; pictures are on the stack at once.

    Raises NotFound before anything is kept.
    """
    with store.session() as session:
        found = lessons.lesson(session, owner.teacher_id, owner.lesson_id)
        if owner.pupil_id is not None:
            lessons.pupil_of(session, owner.teacher_id, owner.pupil_id, found.class_id)
    head = file.read(HEAD_BYTES)
    if holds_pages(head):
        file.seek(0)
        yield Kept(file_name, store.done(_upload, owner, file_name, file))
        return
    if not is_zip(head):
        data, problem = head + file.read(MAX_BYTES + 1 - len(head)), None
        if len(data) > MAX_BYTES:
            data, problem = b"", str(too_large(file.seek(0, 2)))
        yield _keep(store, owner, file_name, data, problem)
        return
    last: int | None = None
    try:
        for packed in unpacked(file):
            problem = None if packed.problem is None else str(packed.problem)
            kept = _keep(store, owner, packed.name, packed.content, problem, last)
            last = kept.waiting or last
            yield kept
    except ImageError as error:
        with store.session() as session:
            row = _upload(session, owner, file_name)
            row.state, row.problem = JobState.FAILED, str(error)
        yield Kept(file_name, row)


def _keep(
    store: Store,
    owner: Owner,
    file_name: str,
    data: bytes,
    problem: str | None = None,
    after: int | None = None,
) -> Kept:
    """Keep one file. When the sheet before it was stopped meanwhile, it is stopped, too."""

    def keep(session: Session) -> Kept:
        if holds_pages(data):
            return Kept(file_name, _upload(session, owner, file_name, io.BytesIO(data)))
        sheet = _put_on_stack(session, owner, file_name, data, SEALED, problem)
        if sheet is None:
            return Kept(file_name, known=True)
        before = session.get(SheetRow, after) if after is not None else None
        if before is not None and before.state == JobState.CANCELLED and problem is None:
            sheet.state = JobState.CANCELLED
        return Kept(file_name, waiting=sheet.id if problem is None else None)

    return store.done(keep)


def _upload(session: Session, owner: Owner, file_name: str, file: BinaryIO | None = None) -> Upload:
    """A file to be opened, piece by piece; all of it is kept or nothing."""
    row = Upload(**owner._asdict(), file_name=file_name[-200:])
    session.add(row)
    session.flush()
    if file is None:
        return row
    file.seek(0)
    for number, data in enumerate(iter(lambda: file.read(PIECE_BYTES), b"")):
        session.execute(
            insert(UploadPiece).values(
                upload_id=row.id, number=number, teacher_id=owner.teacher_id, data=data
            )
        )
    return row


def _put_on_stack(
    session: Session, owner: Owner, name: str, photo: bytes, form: str, problem: str | None
) -> SheetRow | None:
    """Have a photo judged; None when the lesson had it already, judged or about to be."""
    known = lessons.sheet_of_photo(session, owner.teacher_id, owner.lesson_id, photo)
    if known is not None:
        known = lessons.lock_sheet(session, owner.teacher_id, known.id)
        if known.state not in (JobState.FAILED, JobState.CANCELLED):
            known.pupil_id = known.pupil_id or owner.pupil_id
            return None
        picture = lessons.sheet_picture(session, owner.teacher_id, known.id)
        picture.photo, picture.photo_type = photo, form
    sheet = known or lessons.hand_in(
        session, owner.teacher_id, owner.lesson_id, name, photo, form, owner.pupil_id
    )
    sheet.state = JobState.WAITING if problem is None else JobState.FAILED
    sheet.problem = problem
    return sheet


def uploads(session: Session, teacher_id: int, lesson_id: int) -> Sequence[Upload]:
    """The files of a lesson that are not opened yet, or could not be."""
    query = (
        select(Upload)
        .where(Upload.teacher_id == teacher_id, Upload.lesson_id == lesson_id)
        .order_by(Upload.id)
    )
    return session.scalars(query).all()


def put_away(session: Session, teacher_id: int, upload_id: int) -> None:
    """Take away a file that could not be opened; raises NotFound."""
    missing = say("missing-file")
    session.delete(owned(session, teacher_id, Upload, upload_id, missing))


def cancel(session: Session, teacher_id: int, lesson_id: int) -> None:
    """Stop what is not judged yet: files are dropped, sheets stay and can be judged later."""
    lessons.lesson(session, teacher_id, lesson_id)
    of_lesson = (Upload.teacher_id == teacher_id, Upload.lesson_id == lesson_id)
    session.execute(delete(Upload).where(*of_lesson, Upload.state.in_(UNDER_WAY)))
    session.execute(
        update(SheetRow)
        .where(
            SheetRow.teacher_id == teacher_id,
            SheetRow.lesson_id == lesson_id,
            SheetRow.state.in_(UNDER_WAY),
        )
        .values(state=JobState.CANCELLED)
    )


def judge_later(session: Session, teacher_id: int, sheet_id: int) -> SheetRow:
    """Have a sheet judged, or judged anew."""
    row = lessons.sheet(session, teacher_id, sheet_id)
    row.state, row.problem = JobState.WAITING, None
    return row


def set_corners(
    session: Session, teacher_id: int, sheet_id: int, corners: list[tuple[float, float]]
) -> SheetRow:
    """Have a sheet judged anew, with its corners where somebody set them."""
    row = judge_later(session, teacher_id, sheet_id)
    row.corners = [list(corner) for corner in corners]
    return row


def say_task(session: Session, teacher_id: int, sheet_id: int, task: Task) -> SheetRow:
    """Have a sheet judged anew, held against what it was drawn from. Raises ExerciseError."""
    row = judge_later(session, teacher_id, sheet_id)
    refuse_wrong(from_data(row.lesson.exercise.document), task)
    row.task = task._asdict()
    return row


def move(session: Session, teacher_id: int, sheet_id: int, lesson_id: int) -> SheetRow:
    """Have a sheet judged as one of another lesson. Raises NotFound, SchoolError."""
    row = lessons.move_sheet(session, teacher_id, sheet_id, lesson_id)
    row.state, row.problem = JobState.WAITING, None
    return row


# --- in the worker --------------------------------------------------------------------------------


def open_file(store: Store, upload_id: int) -> None:
    """Take the sheets out of a file; each is kept as soon as it is out."""
    with NamedTemporaryFile() as file:
        with store.session() as session:
            row = session.get(Upload, upload_id)
            if row is None or row.state != JobState.WORKING:
                return
            name = row.file_name
            owner = Owner(row.teacher_id, row.lesson_id, row.pupil_id)
            of_file = UploadPiece.upload_id == upload_id
            for number in session.scalars(
                select(UploadPiece.number).where(of_file).order_by(UploadPiece.number)
            ).all():
                piece = select(UploadPiece.data).where(of_file, UploadPiece.number == number)
                file.write(session.scalars(piece).one())
        file.flush()
        try:
            for one in arrivals(name, Path(file.name)):
                if not store.done(_came_out, upload_id, owner, one):
                    return
        except OrthopsisError as error:
            _end_upload(store, upload_id, str(error))
            return
    _end_upload(store, upload_id, None)


def _came_out(session: Session, upload_id: int, owner: Owner, one: Arrival) -> bool:
    """Keep a sheet that came out of a file. False when nobody wants it any more."""
    if session.get(Upload, upload_id) is None:
        return False
    content, form = b"", SEALED
    if one.photo is not None:
        content, form = one.photo.clean, one.photo.media_type
    problem = None if one.problem is None else str(one.problem)
    _put_on_stack(session, owner, one.name, content, form, problem)
    return True


def _end_upload(store: Store, upload_id: int, problem: str | None) -> None:
    """An opened file is not needed any more; of a refused one its name and the reason are kept."""
    with store.session() as session:
        row = session.get(Upload, upload_id)
        if row is None:
            return
        if problem is None:
            session.delete(row)
        else:
            row.state, row.problem = JobState.FAILED, problem
            session.execute(delete(UploadPiece).where(UploadPiece.upload_id == upload_id))


def judge(store: Store, sheet_id: int) -> None:
    """Judge one photo, and keep what is said of it."""
    with store.session() as session:
        row = session.get(SheetRow, sheet_id)
        picture = session.get(SheetPicture, sheet_id)
        if row is None or picture is None or row.state != JobState.WORKING:
            return
        photo, corners = picture.photo, row.corners
        origin = Origin(session, row)
    try:
        opened = open_photo(photo)
        grey = opened.grey
        asked = origin.asked(origin.said or STANDARD_TASK)
        verdict = check_grey(asked, grey, corners=corners, by_code=origin.likely)
        other = None
        if verdict.sheet_found and verdict.support < FINISHED:
            other = origin.looks_like(verdict.code, grey, corners)
    except OrthopsisError as error:
        _refuse(store, sheet_id, str(error))
        return
    flat = as_jpeg(verdict.straightened) if verdict.straightened else None
    if other is not None:
        verdict = verdict.unjudged_for(another(asked.key.scene.sheet, other.title))
    record = kept_record(verdict, grey)
    if other is not None:
        record = record.model_copy(update={"looks_like": other.exercise_id})

    def keep(session: Session) -> None:
        row = session.get(SheetRow, sheet_id, with_for_update=True)
        if row is None or row.state != JobState.WORKING:
            return
        version = origin.version(verdict.code)
        before = session.scalar(select(VerdictRow).where(VerdictRow.sheet_id == sheet_id))
        corrected = verdicts.on_new_lines(before, record)
        lessons.keep_verdict(session, row.teacher_id, sheet_id, version, record, flat)
        versions.keep(session, row.lesson.exercise, {version: origin.versions[version]})
        picture = session.get(SheetPicture, sheet_id)
        if picture is not None and picture.photo_type == SEALED:
            picture.photo_type = opened.media_type
            if opened.clean != photo:
                picture.photo = opened.clean
        row.state = JobState.DONE
        verdicts.correct_again(session, row, corrected)
        if row.pupil_id is None:
            row.pupil_id, row.guessed = origin.whose(verdict.code)

    store.done(keep)


def _refuse(store: Store, sheet_id: int, problem: str) -> None:
    """A photo that cannot be judged: what was sealed is not kept, for nobody knows what it is."""

    def keep(session: Session) -> None:
        claims.fail(session, Claim("sheet", sheet_id), problem)
        picture = session.get(SheetPicture, sheet_id)
        if picture is not None and picture.photo_type == SEALED:
            picture.photo = b""

    store.done(keep)
