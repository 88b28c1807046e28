"""The shelf and the saving of exercises."""

from __future__ import annotations

from fastapi import APIRouter, Response

from orthopsis.errors import EditConflict, ExerciseError
from orthopsis.exercise.document import Exercise
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import picture, resolve, steps
from orthopsis.handout.figure import picture_figure
from orthopsis.handout.svg import to_svg
from orthopsis.school import shelf
from orthopsis.school.tables import ExerciseRow
from orthopsis.web.context import AtWork, Records
from orthopsis.web.models import ExerciseIn, ExerciseOut, ShelfItem
from orthopsis.web.problems import PROBLEMS
from orthopsis.web.routes.drawing import pdf

router = APIRouter(prefix="/api/exercises", tags=["shelf"], responses=PROBLEMS)


@router.get("")
def list_exercises(session: Records, teacher: AtWork) -> list[ShelfItem]:
    """Everything on the shelf."""
    return [_item(row) for row in shelf.exercises(session, teacher.id)]


@router.post("", status_code=201)
def add_exercise(document: Exercise, session: Records, teacher: AtWork) -> ExerciseOut:
    """Put a new exercise on the shelf."""
    return _out(shelf.add_exercise(session, teacher.id, document))


@router.get("/{exercise_id}")
def open_exercise(exercise_id: int, session: Records, teacher: AtWork) -> ExerciseOut:
    """One exercise with its counter."""
    return _out(shelf.exercise(session, teacher.id, exercise_id))


@router.put("/{exercise_id}")
def save_exercise(
    exercise_id: int, saved: ExerciseIn, session: Records, teacher: AtWork
) -> ExerciseOut:
    """Save over the version that was opened; 409 when there is a newer one, with both kept."""
    try:
        row = shelf.save_exercise(session, teacher.id, exercise_id, saved.document, saved.counter)
    except EditConflict:
        session.commit()  # the refused version was put beside the other: that is kept
        raise
    return _out(row)


@router.get(
    "/{exercise_id}/cover.svg",
    response_class=Response,
    responses={200: {"content": {"image/svg+xml": {"schema": {"type": "string"}}}}},
)
def cover(exercise_id: int, session: Records, teacher: AtWork) -> Response:
    """The real drawing, for the shelf."""
    scene = resolve(from_data(shelf.exercise(session, teacher.id, exercise_id).document))
    figure = picture_figure(scene, picture(scene), scale=scene.sheet.width_mm / 170)
    return Response(to_svg(figure), media_type="image/svg+xml")


@router.get(
    "/{exercise_id}/handout.pdf",
    response_class=Response,
    responses={200: {"content": {"application/pdf": {"schema": {"type": "string"}}}}},
)
def handout(exercise_id: int, session: Records, teacher: AtWork) -> Response:
    """Steps and answer key as PDF."""
    return pdf(from_data(shelf.exercise(session, teacher.id, exercise_id).document))


def _out(row: ExerciseRow) -> ExerciseOut:
    return ExerciseOut(
        id=row.id, counter=row.counter, saved_at=row.saved_at, document=from_data(row.document)
    )


def _item(row: ExerciseRow) -> ShelfItem:
    document = from_data(row.document)
    scene = resolve(document)
    try:
        minutes = sum(step.minutes for step in steps(scene))
    except ExerciseError:
        minutes = None  # half-built at the bench: it is still on the shelf
    return ShelfItem(
        id=row.id,
        title=row.title,
        counter=row.counter,
        saved_at=row.saved_at,
        points=len(scene.main.vanishing_points),
        pieces=len(document.pieces),
        minutes=minutes,
        set_aside_from=row.set_aside_from,
    )
