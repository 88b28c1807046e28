"""Cards and covers: what the shelf says of an exercise, and its real drawing as a small picture.

Both are made when an exercise is saved and kept beside it, so that a list only reads. What cannot
be drawn has a card that says so, and spoils no other.
"""

from __future__ import annotations

import logging
import time
from collections.abc import Sequence
from hashlib import sha256

from fastapi import Request, Response
from pydantic import BaseModel, ValidationError
from sqlalchemy import update
from sqlalchemy.orm import Session

from orthopsis import __version__
from orthopsis.errors import ExerciseError, OrthopsisError
from orthopsis.exercise.document import Exercise
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import Scene, picture, resolve
from orthopsis.exercise.runthrough import run_through
from orthopsis.handout.figure import picture_figure
from orthopsis.handout.thumbnail import to_thumbnail
from orthopsis.school.store import Store
from orthopsis.school.tables import ExerciseRow
from orthopsis.web.turns import within

SHOWN_MM = 170.0
"""Pens are as thick as on a figure of this width."""
PATIENCE_S = 4.0
"""So long a list waits for cards that an older version has not made; the others come next time."""


class Card(BaseModel):
    """What is said of an exercise on the shelf. It is shown only if it `can_be_shown`."""

    drawn_with: str = __version__
    can_be_shown: bool = True
    points: int = 0
    pieces: int = 0
    kinds: list[str] = []
    age: int | None = None
    minutes: float | None = None


def make_card(store: Store, exercise_id: int) -> None:
    """Draw an exercise as it is kept now, and keep its card with it."""
    with store.session() as session:
        row = session.get(ExerciseRow, exercise_id)
        if row is None:
            return
        data, counter = row.document, row.counter
    card, cover = drawn(data)

    def keep(session: Session) -> None:
        same = (ExerciseRow.id == exercise_id, ExerciseRow.counter == counter)
        made: dict[str, object] = {"card": card.model_dump(), "cover": cover}
        if isinstance(data, str):
            # What is no JSON is kept as a text in JSON: the database lets nothing else be changed.
            made["document"] = data
        session.execute(update(ExerciseRow).where(*same).values(made))

    store.done(keep)


def make_missing(store: Store, rows: Sequence[ExerciseRow]) -> None:
    """Draw what has no card of this version, as long as somebody waits for it."""
    ends = time.monotonic() + PATIENCE_S
    for row in rows:
        if card_of(row) is None and time.monotonic() < ends:
            make_card(store, row.id)


def card_of(row: ExerciseRow) -> Card | None:
    """The card of an exercise; None when it has to be made."""
    try:
        card = Card.model_validate(row.card)
    except ValidationError:
        return None
    return card if card.drawn_with == __version__ else None


def drawn(data: object) -> tuple[Card, str | None]:
    """A card and a cover, whatever lies in the records."""
    try:
        return _drawn(from_data(data))
    except OrthopsisError:
        pass  # a refusal: whoever opens it reads why
    except Exception:
        logging.getLogger("orthopsis").exception("an exercise cannot be drawn")
    return Card(can_be_shown=False), None


@within("drawing")
def _drawn(document: Exercise) -> tuple[Card, str]:
    scene = resolve(document)
    try:
        minutes = sum(step.minutes for step in run_through(scene))
    except ExerciseError:
        minutes = None  # half-built at the bench: it is still on the shelf
    card = Card(
        points=len(scene.main.vanishing_points),
        pieces=len(document.pieces),
        kinds=sorted({piece.kind for piece in document.pieces}),
        age=document.age,
        minutes=minutes,
    )
    return card, cover_of(scene)


def cover_of(scene: Scene) -> str:
    """The drawing as a small SVG."""
    strokes = picture(scene, with_hidden=False)
    return to_thumbnail(picture_figure(scene, strokes, scale=scene.sheet.width_mm / SHOWN_MM))


def sent(request: Request, cover: str) -> Response:
    """A cover as an answer, or 304 where the page has it already."""
    known = sha256(cover.encode()).hexdigest()[:32]
    headers = {"ETag": f'"{known}"', "Cache-Control": "private, no-cache"}
    if headers["ETag"] in request.headers.get("if-none-match", ""):
        return Response(status_code=304, headers=headers)
    return Response(cover, media_type="image/svg+xml", headers=headers)
