"""Class sets: files that were sent, opened into sheets, and sheets judged, one after the other.

Each sheet is kept as soon as it is there, so the first is judged while others still arrive. What
broke off can be sent again: a photo that a lesson already has is known by its digest. The
database is the truth about what is left to do: a worker claims one thing at a time, and what a
stopped server had begun is taken up again. Nothing here runs in the server's own process.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import Literal, NamedTuple

from sqlalchemy import delete, func, select, update
from sqlalchemy.orm import Session, undefer

from orthopsis.errors import ImageError, OrthopsisError
from orthopsis.exercise.load import from_data
from orthopsis.exercise.task import STANDARD_TASK, Task
from orthopsis.marking.judge import check_grey
from orthopsis.marking.records import kept_record
from orthopsis.marking.sheet.intake import arrivals, holds_pages, is_zip, unpacked
from orthopsis.marking.sheet.photo import open_photo
from orthopsis.marking.sheet.straighten import as_jpeg
from orthopsis.phrase import say
from orthopsis.school import lessons, versions
from orthopsis.school.owned import owned
from orthopsis.school.store import Store
from orthopsis.school.tables import (
    JobState,
    SheetPicture,
    SheetRow,
    Upload,
)
from orthopsis.school.tasks import Origin, refuse_wrong

Kind = Literal["sheet", "upload"]
SEALED = "sealed"
"""The type of a picture that nobody has opened yet; it is never sent to a page."""
UNDER_WAY = (JobState.WAITING, JobState.WORKING)


class Claim(NamedTuple):
    """One thing to do."""

    kind: Kind
    id: int


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


def send(store: Store, owner: Owner, file_name: str, data: bytes) -> Iterator[Kept]:
    """Keep a file, and each file of a ZIP by itself; pictures are on the stack at once.

    Raises NotFound before anything is kept.
    """
    with store.session() as session:
        found = lessons.lesson(session, owner.teacher_id, owner.lesson_id)
        if owner.pupil_id is not None:
            lessons.pupil_of(session, owner.teacher_id, owner.pupil_id, found.class_id)
    if not is_zip(data):
        yield _keep(store, owner, file_name, data)
        return
    last: int | None = None
    try:
        for packed in unpacked(data):
            problem = None if packed.problem is None else str(packed.problem)
            kept = _keep(store, owner, packed.name, packed.content, problem, last)
            last = kept.waiting or last
            yield kept
    except ImageError as error:
        with store.session() as session:
            row = _upload(session, owner, file_name, b"")
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
    with store.session() as session:
        if holds_pages(data):
            return Kept(file_name, _upload(session, owner, file_name, data))
        sheet = _put_on_stack(session, owner, file_name, data, SEALED, problem)
        if sheet is None:
            return Kept(file_name, known=True)
        before = session.get(SheetRow, after) if after is not None else None
        if before is not None and before.state == JobState.CANCELLED and problem is None:
            sheet.state = JobState.CANCELLED
        return Kept(file_name, waiting=sheet.id if problem is None else None)


def _upload(session: Session, owner: Owner, file_name: str, data: bytes) -> Upload:
    row = Upload(**owner._asdict(), file_name=file_name[-200:], data=data)
    session.add(row)
    session.flush()
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


def take_up(session: Session) -> bool:
    """After a start: what an earlier server had begun waits again. Whether anything does."""
    for table in (Upload, SheetRow):
        begun = table.state == JobState.WORKING
        session.execute(update(table).where(begun).values(state=JobState.WAITING))
    waiting = [
        session.scalar(select(func.count()).where(table.state == JobState.WAITING)) or 0
        for table in (Upload, SheetRow)
    ]
    return any(waiting)


def claim(session: Session) -> Claim | None:
    """The next thing to do, marked as begun: sheets first, so that one is soon on the screen."""
    kinds: tuple[tuple[Kind, type[SheetRow] | type[Upload]], ...] = (
        ("sheet", SheetRow), ("upload", Upload),
    )  # fmt: skip
    for kind, table in kinds:
        query = (
            select(table.id)
            .where(table.state == JobState.WAITING)
            .order_by(table.id)
            .limit(1)
            .with_for_update(skip_locked=True)
        )
        found = session.scalar(query)
        if found is not None:
            session.execute(update(table).where(table.id == found).values(state=JobState.WORKING))
            return Claim(kind, found)
    return None


def under_way(session: Session) -> bool:
    """Whether a file is being opened: sheets may come out of it at any moment."""
    return bool(session.scalar(select(func.count()).where(Upload.state.in_(UNDER_WAY))))


def broke_off(store: Store, claimed: Claim, problem: str) -> None:
    """A file or photo on which its worker ended: it spoils only itself."""
    with store.session() as session:
        of_sheet = claimed.kind == "sheet"
        row = session.get(SheetRow, claimed.id) if of_sheet else session.get(Upload, claimed.id)
        if row is not None and row.state == JobState.WORKING:
            row.state, row.problem = JobState.FAILED, problem


# --- in the worker --------------------------------------------------------------------------------


def work(store: Store, claimed: Claim) -> None:
    """Do one thing."""
    if claimed.kind == "upload":
        _open(store, claimed.id)
    else:
        _judge(store, claimed.id)


def _open(store: Store, upload_id: int) -> None:
    """Take the sheets out of a file; each is kept as soon as it is out."""
    with store.session() as session:
        row = session.get(Upload, upload_id, options=[undefer(Upload.data)])
        if row is None or row.state != JobState.WORKING:
            return
        name, data = row.file_name, row.data
        owner = Owner(row.teacher_id, row.lesson_id, row.pupil_id)
    try:
        for one in arrivals(name, data):
            with store.session() as session:
                if session.get(Upload, upload_id) is None:
                    return
                content, form = b"", SEALED
                if one.photo is not None:
                    content, form = one.photo.clean, one.photo.media_type
                problem = None if one.problem is None else str(one.problem)
                _put_on_stack(session, owner, one.name, content, form, problem)
    except OrthopsisError as error:
        _end_upload(store, upload_id, str(error))
        return
    _end_upload(store, upload_id, None)


def _end_upload(store: Store, upload_id: int, problem: str | None) -> None:
    """An opened file is not needed any more; of a refused one its name and the reason are kept."""
    with store.session() as session:
        row = session.get(Upload, upload_id)
        if row is None:
            return
        if problem is None:
            session.delete(row)
        else:
            row.state, row.problem, row.data = JobState.FAILED, problem, b""


def _judge(store: Store, sheet_id: int) -> None:
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
        verdict = check_grey(
            origin.asked(origin.said or STANDARD_TASK), grey, corners=corners, by_code=origin.likely
        )
    except OrthopsisError as error:
        _refuse(store, sheet_id, str(error))
        return
    flat = as_jpeg(verdict.straightened) if verdict.straightened else None
    record = kept_record(verdict, grey)
    with store.session() as session:
        row = session.get(SheetRow, sheet_id, with_for_update=True)
        if row is None or row.state != JobState.WORKING:
            return
        version = origin.version(verdict.code)
        lessons.keep_verdict(session, row.teacher_id, sheet_id, version, record, flat)
        versions.keep(session, row.lesson.exercise, {version: origin.versions[version]})
        picture = session.get(SheetPicture, sheet_id)
        if picture is not None and picture.photo_type == SEALED:
            picture.photo_type = opened.media_type
            if opened.clean != photo:
                picture.photo = opened.clean
        row.state = JobState.DONE
        if row.pupil_id is None:
            row.pupil_id = origin.whose(verdict.code)


def _refuse(store: Store, sheet_id: int, problem: str) -> None:
    """A photo that cannot be judged: what was sealed is not kept, for nobody knows what it is."""
    broke_off(store, Claim("sheet", sheet_id), problem)
    with store.session() as session:
        picture = session.get(SheetPicture, sheet_id)
        if picture is not None and picture.photo_type == SEALED:
            picture.photo = b""
