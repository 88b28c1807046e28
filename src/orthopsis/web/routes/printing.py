"""The print tray: a pack at once, or a class's own sheets as a job with progress and cancel."""

from __future__ import annotations

from typing import get_args

from fastapi import APIRouter, Request, Response
from sqlalchemy.orm import Session

from orthopsis.errors import ExerciseError, NotFound
from orthopsis.exercise.demand import demand_spec, for_demand
from orthopsis.exercise.document import DemandName, Exercise
from orthopsis.exercise.load import from_data
from orthopsis.exercise.plan import lesson_plan, minutes_at
from orthopsis.exercise.resolve import resolve
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.task import SheetCode, Task, as_asked
from orthopsis.exercise.told import title
from orthopsis.handout.archive import class_pack
from orthopsis.handout.export import MEDIA_TYPES, exported
from orthopsis.handout.order import SheetFor
from orthopsis.handout.pages import handout_pdf
from orthopsis.phrase import say
from orthopsis.school import printing, versions
from orthopsis.school.settings import as_said, settings_of
from orthopsis.school.shelf import exercise
from orthopsis.school.store import Store
from orthopsis.school.tables import JobState
from orthopsis.web.context import AtWork, Records, local_teacher
from orthopsis.web.files import binary, named
from orthopsis.web.print_models import (
    ClassPrintIn,
    DemandOut,
    ExportIn,
    NoWordOut,
    PackIn,
    PeriodOut,
    PlanOut,
    PrintIn,
    PrintJobOut,
)
from orthopsis.web.problems import PROBLEMS
from orthopsis.web.turns import TO_DRAW, TO_PRINT, within

router = APIRouter(prefix="/api", tags=["printing"], responses=PROBLEMS)
PDF = "application/pdf"


@router.post("/print", response_class=Response, responses=binary(PDF), dependencies=[TO_PRINT])
def print_pack(asked: PrintIn, request: Request) -> Response:
    """A pack as PDF, at once."""
    store: Store = request.app.state.store
    if asked.code is not None and asked.order.marks:
        store.done(_keep_version, asked.code.exercise, asked.code.version)
    printed = within("printing")(handout_pdf)(resolve(asked.document), asked.printed)
    return _pdf(printed, asked.document.title)


def _keep_version(session: Session, exercise_id: int, version: int) -> None:
    """What is printed with a code is judged by what it was printed from."""
    row = exercise(session, local_teacher(session).id, exercise_id)
    if row.counter == version:
        versions.keep(session, row)


@router.post(
    "/export",
    response_class=Response,
    responses=binary("application/octet-stream"),
    dependencies=[TO_PRINT],
)
@within("printing")
def export(asked: ExportIn) -> Response:
    """A drawing, or a step of it, in an open format."""
    content = exported(resolve(asked.document), asked.format, asked.step)
    headers = named(asked.document.title, asked.format)
    return Response(content, media_type=MEDIA_TYPES[asked.format], headers=headers)


@router.post("/demands", dependencies=[TO_DRAW])
@within("drawing")
def three_demands(exercise: Exercise) -> list[DemandOut]:
    """The exercise as each of the three demands has it."""
    return [_demand(exercise, name) for name in get_args(DemandName)]


@router.post("/plan", dependencies=[TO_DRAW])
@within("drawing")
def plan(exercise: Exercise) -> PlanOut:
    """The lesson plan of an exercise."""
    scene = resolve(exercise)
    made, planned = run_through(scene), lesson_plan(scene)
    periods = [
        PeriodOut(ends_with=title(made[one.last - 1], scene.words), **one._asdict())
        for one in planned.periods
    ]
    return PlanOut(**{**planned._asdict(), "periods": periods})


@router.post(
    "/exercises/{exercise_id}/pack.zip",
    response_class=Response,
    responses=binary("application/zip"),
    dependencies=[TO_PRINT],
)
def pack(exercise_id: int, asked: PackIn, request: Request) -> Response:
    """Everything for a lesson in one archive, with a class's own sheets where one is named."""

    def gathered(session: Session) -> tuple[Exercise, SheetCode, list[SheetFor]]:
        teacher_id = local_teacher(session).id
        row = exercise(session, teacher_id, exercise_id)
        document = as_said(from_data(row.document), settings_of(session, teacher_id))
        pupils: list[SheetFor] = []
        if asked.class_id is not None:
            pupils = printing.sheets_for(session, teacher_id, asked.class_id)
        versions.keep(session, row)
        return document, SheetCode(row.id, row.counter, None, asked.demand), pupils

    store: Store = request.app.state.store
    document, code, pupils = store.done(gathered)
    order = printing.order_of(asked.order.model_dump(), code, ())
    scene = resolve(as_asked(document, Task(asked.demand)))
    content = within("printing")(class_pack)(scene, order, tuple(pupils))
    headers = named(document.title, "zip")
    return Response(content, media_type="application/zip", headers=headers)


def _demand(exercise: Exercise, name: DemandName) -> DemandOut:
    spec = demand_spec(exercise, name)
    try:
        document = for_demand(exercise, name)
        made = run_through(resolve(document))
    except ExerciseError as error:
        return DemandOut(
            name=name, spec=spec, document=None, problem=str(error), steps=0, minutes=0
        )
    said = [step for step in made if not step.hidden]
    minutes = sum(minutes_at(step, document.age) for step in said)
    return DemandOut(
        name=name, spec=spec, document=document, problem=None, steps=len(said), minutes=minutes
    )


@router.get("/exercises/{exercise_id}/names/{class_id}", dependencies=[TO_DRAW])
def names_without_card(
    exercise_id: int, class_id: int, session: Records, teacher: AtWork
) -> list[NoWordOut]:
    """The pupils of a class whose names cannot be drawn as the exercise's word, before printing."""
    failing = printing.names_that_fail(session, teacher.id, exercise_id, class_id)
    return [NoWordOut(**one._asdict()) for one in failing]


@router.post("/exercises/{exercise_id}/prints", status_code=202)
def print_for_class(
    exercise_id: int, asked: ClassPrintIn, session: Records, teacher: AtWork, request: Request
) -> PrintJobOut:
    """Begin to print a class's own sheets."""
    job = printing.ask(session, teacher.id, exercise_id, asked.model_dump())
    session.commit()
    request.app.state.runner.look()
    return PrintJobOut.model_validate(job)


@router.get("/prints/{job_id}")
def print_state(job_id: int, session: Records, teacher: AtWork) -> PrintJobOut:
    """How far it is."""
    return PrintJobOut.model_validate(printing.print_job(session, teacher.id, job_id))


@router.delete("/prints/{job_id}")
def cancel_print(job_id: int, session: Records, teacher: AtWork) -> PrintJobOut:
    """Stop it."""
    return PrintJobOut.model_validate(printing.cancel(session, teacher.id, job_id))


@router.get("/prints/{job_id}/file.pdf", response_class=Response, responses=binary(PDF))
def printed_file(job_id: int, session: Records, teacher: AtWork) -> Response:
    """The finished file."""
    job = printing.print_job(session, teacher.id, job_id, with_file=True)
    if job.state != JobState.DONE or job.file is None:
        raise NotFound(say("missing-print-yet"))
    return _pdf(job.file, exercise(session, teacher.id, job.exercise_id).title)


def _pdf(file: bytes, title: str) -> Response:
    return Response(file, media_type=PDF, headers=named(title, "pdf", "inline"))
