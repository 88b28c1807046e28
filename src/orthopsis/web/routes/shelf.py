"""The shelf and the saving of exercises."""

from __future__ import annotations

import json
from functools import lru_cache
from typing import NamedTuple

from fastapi import APIRouter, Request, Response

from orthopsis.errors import EditConflict, ExerciseError
from orthopsis.exercise.document import Exercise
from orthopsis.exercise.load import as_text, from_data, parse
from orthopsis.exercise.resolve import resolve, steps
from orthopsis.pieces import describe
from orthopsis.school import shelf
from orthopsis.school.tables import ExerciseRow, Place
from orthopsis.web.context import AtWork, Records
from orthopsis.web.covers import cover_of
from orthopsis.web.files import SVG, named
from orthopsis.web.models import ExerciseIn, ExerciseOut, PlaceIn, ShelfItem
from orthopsis.web.problems import PROBLEMS

DOCUMENT = {"schema": {"$ref": "#/components/schemas/Exercise"}}

router = APIRouter(prefix="/api/exercises", tags=["shelf"], responses=PROBLEMS)


@router.get("")
def list_exercises(
    session: Records, teacher: AtWork, place: Place = Place.SHELF
) -> list[ShelfItem]:
    """Everything on the shelf, in the archive or in the bin."""
    return [_item(row) for row in shelf.exercises(session, teacher.id, place)]


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


@router.post("/{exercise_id}/copy", status_code=201)
def copy_exercise(exercise_id: int, session: Records, teacher: AtWork) -> ExerciseOut:
    """Put a copy beside it on the shelf."""
    return _out(shelf.copy_exercise(session, teacher.id, exercise_id))


@router.put("/{exercise_id}/place")
def put_exercise(exercise_id: int, where: PlaceIn, session: Records, teacher: AtWork) -> ShelfItem:
    """Move it to the shelf, the archive or the bin."""
    return _item(shelf.put_in(session, teacher.id, exercise_id, where.place))


@router.get(
    "/{exercise_id}/document.json",
    response_class=Response,
    responses={200: {"content": {"application/json": DOCUMENT}}},
)
def save_as_file(exercise_id: int, session: Records, teacher: AtWork) -> Response:
    """The document as a file, to keep or to hand on."""
    document = from_data(shelf.exercise(session, teacher.id, exercise_id).document)
    headers = named(document.title, "json")
    return Response(as_text(document), media_type="application/json", headers=headers)


@router.get(
    "/{exercise_id}/cover.svg",
    response_class=Response,
    responses=SVG,
)
def cover(exercise_id: int, request: Request, session: Records, teacher: AtWork) -> Response:
    """The real drawing, for the shelf."""
    document = from_data(shelf.exercise(session, teacher.id, exercise_id).document)
    return cover_of(request, document)


def _out(row: ExerciseRow) -> ExerciseOut:
    return ExerciseOut(
        id=row.id, counter=row.counter, saved_at=row.saved_at, document=from_data(row.document)
    )


def _item(row: ExerciseRow) -> ShelfItem:
    summary = _summary(json.dumps(row.document))
    return ShelfItem(
        id=row.id,
        title=row.title,
        counter=row.counter,
        saved_at=row.saved_at,
        place=Place(row.place),
        set_aside_from=row.set_aside_from,
        **summary._asdict(),
    )


class _Summary(NamedTuple):
    points: int
    pieces: int
    kinds: list[str]
    about: list[str]
    age: int | None
    minutes: float | None


@lru_cache(maxsize=2000)
def _summary(text: str) -> _Summary:
    """What a card says of a document; its steps are made once and not at every look."""
    document = parse(text.encode())
    scene = resolve(document)
    try:
        minutes = sum(step.minutes for step in steps(scene))
    except ExerciseError:
        minutes = None  # half-built at the bench: it is still on the shelf
    kinds: list[str] = sorted({piece.kind for piece in document.pieces})
    points = len(scene.main.vanishing_points)
    about = [scene.words.say(kind.several) for kind in describe.kinds() if kind.kind in kinds]
    return _Summary(points, len(document.pieces), kinds, about, document.age, minutes)
