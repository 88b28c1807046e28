"""The shelf and the saving of exercises."""

from __future__ import annotations

import json
from collections.abc import Sequence
from datetime import datetime

from fastapi import APIRouter, BackgroundTasks, Request, Response
from sqlalchemy.orm import Session

from orthopsis.errors import EditConflict, ExerciseError, NotFound
from orthopsis.exercise.document import Exercise
from orthopsis.exercise.load import MAX_BYTES, as_text, from_data
from orthopsis.exercise.resolve import resolve
from orthopsis.phrase import Number, say
from orthopsis.pieces import describe
from orthopsis.school import shelf
from orthopsis.school.store import Store
from orthopsis.school.tables import ExerciseRow, Place
from orthopsis.web.context import AtWork, Records, local_teacher
from orthopsis.web.covers import Card, card_of, make_card, make_missing, sent
from orthopsis.web.files import SVG, named
from orthopsis.web.models import ExerciseIn, ExerciseOut, PlaceIn, ShelfItem
from orthopsis.web.problems import PROBLEMS
from orthopsis.wording.words import Words

DOCUMENT = {"schema": {"$ref": "#/components/schemas/Exercise"}}

router = APIRouter(prefix="/api/exercises", tags=["shelf"], responses=PROBLEMS)


@router.get("")
def list_exercises(request: Request, place: Place = Place.SHELF) -> list[ShelfItem]:
    """Everything on the shelf, in the archive or in the bin."""
    store: Store = request.app.state.store
    rows = store.done(_all_in, place)
    if any(card_of(row) is None for row in rows):
        make_missing(store, rows)
        rows = store.done(_all_in, place)
    return [_item(row, card_of(row)) for row in rows]


def _all_in(session: Session, place: Place) -> Sequence[ExerciseRow]:
    return shelf.exercises(session, local_teacher(session).id, place)


@router.post("", status_code=201)
def add_exercise(
    document: Exercise, session: Records, teacher: AtWork, request: Request, later: BackgroundTasks
) -> ExerciseOut:
    """Put a new exercise on the shelf."""
    refuse_what_cannot_be_kept(document)
    return _saved(shelf.add_exercise(session, teacher.id, document), request, later)


def refuse_what_cannot_be_kept(document: Exercise) -> None:
    """Raises ExerciseError for a document that is too large, or has no sheet to draw on."""
    if len(as_text(document)) > MAX_BYTES:
        raise ExerciseError("", say("refused-too-large", most=Number(MAX_BYTES / 1_000_000)))
    resolve(document)


def _saved(row: ExerciseRow, request: Request, later: BackgroundTasks) -> ExerciseOut:
    """Its card is made once the answer is on its way."""
    later.add_task(make_card, request.app.state.store, row.id)
    return _out(row)


@router.get("/{exercise_id}")
def open_exercise(exercise_id: int, session: Records, teacher: AtWork) -> ExerciseOut:
    """One exercise with its counter."""
    return _out(shelf.exercise(session, teacher.id, exercise_id))


@router.put("/{exercise_id}")
def save_exercise(
    exercise_id: int,
    saved: ExerciseIn,
    session: Records,
    teacher: AtWork,
    request: Request,
    later: BackgroundTasks,
) -> ExerciseOut:
    """Save over the version that was opened; 409 when there is a newer one, with both kept."""
    refuse_what_cannot_be_kept(saved.document)
    try:
        row = shelf.save_exercise(session, teacher.id, exercise_id, saved.document, saved.counter)
    except EditConflict:
        session.commit()  # the refused version was put beside the other: that is kept
        raise
    return _saved(row, request, later)


@router.post("/{exercise_id}/copy", status_code=201)
def copy_exercise(
    exercise_id: int, session: Records, teacher: AtWork, request: Request, later: BackgroundTasks
) -> ShelfItem:
    """Put a copy beside it on the shelf."""
    row = shelf.copy_exercise(session, teacher.id, exercise_id)
    later.add_task(make_card, request.app.state.store, row.id)
    return _item(row, card_of(row))


@router.put("/{exercise_id}/place")
def put_exercise(exercise_id: int, where: PlaceIn, session: Records, teacher: AtWork) -> ShelfItem:
    """Move it to the shelf, the archive or the bin."""
    row = shelf.put_in(session, teacher.id, exercise_id, where.place)
    return _item(row, card_of(row))


@router.get(
    "/{exercise_id}/document.json",
    response_class=Response,
    responses={200: {"content": {"application/json": DOCUMENT}}},
)
def save_as_file(exercise_id: int, session: Records, teacher: AtWork) -> Response:
    """The document as a file, to keep or to hand on."""
    row = shelf.exercise(session, teacher.id, exercise_id)
    try:
        content = as_text(from_data(row.document))
    except ExerciseError:
        content = json.dumps(row.document, indent=1, ensure_ascii=False)
    return Response(content, media_type="application/json", headers=named(row.title, "json"))


@router.get(
    "/{exercise_id}/cover.svg",
    response_class=Response,
    responses=SVG,
)
def cover(exercise_id: int, request: Request) -> Response:
    """The real drawing, for the shelf."""
    store: Store = request.app.state.store
    row = store.done(_with_cover, exercise_id)
    if card_of(row) is None:
        make_card(store, row.id)
        row = store.done(_with_cover, exercise_id)
    if row.cover is None:
        raise NotFound(say("cannot-be-shown"))
    return sent(request, row.cover)


def _with_cover(session: Session, exercise_id: int) -> ExerciseRow:
    row = shelf.exercise(session, local_teacher(session).id, exercise_id)
    session.refresh(row, ["cover"])
    return row


def _out(row: ExerciseRow) -> ExerciseOut:
    return ExerciseOut(
        id=row.id, counter=row.counter, saved_at=row.saved_at, document=from_data(row.document)
    )


def _item(row: ExerciseRow, card: Card | None) -> ShelfItem:
    """What a card says; one that is still to be made says less, one that cannot be says so."""
    words, said = Words(), card or Card()
    about = [words.say(kind.several) for kind in describe.kinds() if kind.kind in said.kinds]
    return ShelfItem(
        id=row.id,
        title=row.title or "?",
        counter=row.counter,
        saved_at=_moment(row.saved_at),
        place=Place(row.place) if row.place in set(Place) else Place.SHELF,
        set_aside_from=row.set_aside_from,
        about=about,
        problem=None if said.can_be_shown else words.say(say("cannot-be-shown")),
        **said.model_dump(exclude={"drawn_with", "can_be_shown"}),
    )


def _moment(kept: object) -> datetime:
    """When it was saved; a moment that no calendar has counts as long ago."""
    return kept if isinstance(kept, datetime) else datetime(1970, 1, 1)
