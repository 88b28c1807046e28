"""Long prints: the database is the truth about what is left to do, a worker only does it."""

from __future__ import annotations

from collections.abc import Container, Iterable
from typing import Any, NamedTuple

from sqlalchemy import select
from sqlalchemy.orm import Session, undefer

from orthopsis.errors import ExerciseError, OrthopsisError
from orthopsis.exercise.load import from_data
from orthopsis.exercise.personal import with_text, without_letterform, word_of
from orthopsis.exercise.resolve import resolve
from orthopsis.exercise.task import SheetCode, Task, as_asked, has_word
from orthopsis.handout.order import Order, SheetFor
from orthopsis.handout.pages import handout_pdf
from orthopsis.phrase import Own, listed, say
from orthopsis.school import versions
from orthopsis.school.lessons import school_class
from orthopsis.school.owned import owned
from orthopsis.school.settings import as_said, settings_of
from orthopsis.school.shelf import exercise
from orthopsis.school.store import Store
from orthopsis.school.tables import JobState, PrintJob

KEPT_JOBS = 20
"""So many prints of a teacher are kept; older files are taken away with their jobs."""


class Cancelled(Exception):
    """The teacher does not want it any more."""


def ask(session: Session, teacher_id: int, exercise_id: int, asked: dict[str, Any]) -> PrintJob:
    """Note a print that is wanted: `asked` as a ClassPrintIn has it.

    Raises NotFound, ExerciseError.
    """
    exercise(session, teacher_id, exercise_id)
    pupils = sheets_for(session, teacher_id, asked["class_id"], asked["pupil_ids"])
    if not pupils:
        raise ExerciseError("class_id", say("refused-empty-class"))
    old = session.scalars(
        select(PrintJob).where(PrintJob.teacher_id == teacher_id).order_by(PrintJob.id.desc())
    ).all()[KEPT_JOBS - 1 :]
    for row in old:
        session.delete(row)
    job = PrintJob(
        teacher_id=teacher_id, exercise_id=exercise_id, order=asked, total=len(pupils), done=0
    )
    session.add(job)
    session.flush()
    return job


def print_job(session: Session, teacher_id: int, job_id: int, with_file: bool = False) -> PrintJob:
    """One print; raises NotFound."""
    missing = say("missing-print")
    options = (undefer(PrintJob.file),) if with_file else ()
    return owned(session, teacher_id, PrintJob, job_id, missing, options=options)


def cancel(session: Session, teacher_id: int, job_id: int) -> PrintJob:
    """Stop a print that is not done yet; the worker hears of it at its next sheet."""
    row = print_job(session, teacher_id, job_id)
    if row.state in (JobState.WAITING, JobState.WORKING):
        row.state = JobState.CANCELLED
    return row


def order_of(data: dict[str, Any], code: SheetCode | None, pupils: Iterable[SheetFor]) -> Order:
    """The printer's order from what is kept of it."""
    return Order(**{**data, "parts": tuple(data["parts"])}, code=code, pupils=tuple(pupils))


def sheets_for(
    session: Session, teacher_id: int, class_id: int, chosen: Container[int] | None = None
) -> list[SheetFor]:
    """A sheet for each pupil of the class, or for those of the chosen numbers. Raises NotFound."""
    group = school_class(session, teacher_id, class_id)
    return [
        SheetFor(pupil.name, pupil.id)
        for pupil in group.pupils
        if chosen is None or pupil.id in chosen
    ]


class NoWord(NamedTuple):
    """A pupil whose name cannot be drawn, the word that it gives, and what to do."""

    pupil: str
    word: str
    problem: str


def names_that_fail(
    session: Session, teacher_id: int, exercise_id: int, class_id: int
) -> list[NoWord]:
    """The pupils of a class who would get no card with their name. Raises NotFound.

    None where the exercise has no word.
    """
    row = exercise(session, teacher_id, exercise_id)
    document = as_said(from_data(row.document), settings_of(session, teacher_id))
    if not has_word(document):
        return []
    words = resolve(document).words
    found = []
    for sheet in sheets_for(session, teacher_id, class_id):
        word = word_of(sheet.name)
        missing = without_letterform(word)
        if missing:
            told = say("name-without-letter", letters=listed(missing), word=Own(word))
            found.append(NoWord(sheet.name, word, words.say(told)))
            continue
        try:
            with_text(document, word)
        except ExerciseError as error:
            found.append(NoWord(sheet.name, word, str(error)))
    return found


def work(store: Store, job_id: int) -> None:
    """Do one print and keep its file; a refusal is kept in words."""
    with store.session() as session:
        job = session.get(PrintJob, job_id)
        if job is None or job.state != JobState.WORKING:
            return
        job.done = 0
        row = exercise(session, job.teacher_id, job.exercise_id)
        asked, task = job.order, Task(job.order["demand"])
        code = SheetCode(row.id, row.counter, None, task.demand)
        versions.keep(session, row)
        pupils = sheets_for(session, job.teacher_id, asked["class_id"], asked["pupil_ids"])
        order = order_of(asked["order"], code, pupils)
        document = as_said(from_data(row.document), settings_of(session, job.teacher_id))

    def tell(done: int) -> None:
        with store.session() as session:
            job = session.get(PrintJob, job_id)
            if job is None or job.state != JobState.WORKING:
                raise Cancelled
            job.done = done

    try:
        file = handout_pdf(resolve(as_asked(document, task)), order, tell)
    except Cancelled:
        return
    except OrthopsisError as error:
        _end(store, job_id, JobState.FAILED, problem=str(error))
        return
    _end(store, job_id, JobState.DONE, file=file)


def _end(
    store: Store,
    job_id: int,
    state: JobState,
    file: bytes | None = None,
    problem: str | None = None,
) -> None:

    def keep(session: Session) -> None:
        job = session.get(PrintJob, job_id, with_for_update=True)
        if job is not None and job.state == JobState.WORKING:
            job.state, job.file, job.problem = state, file, problem

    store.done(keep)
