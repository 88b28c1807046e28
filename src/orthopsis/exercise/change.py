"""A change of a document: new values for some of its fields, named by their paths."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any

from pydantic import BaseModel

from orthopsis.exercise.document import Exercise
from orthopsis.pieces.piece import Piece
from orthopsis.pieces.roles import Path

NewValue = float | str | tuple[float, float]


@dataclass(frozen=True)
class Change:
    """A new value for one field of the document."""

    path: Path
    value: NewValue


def with_changes(exercise: Exercise, changes: Iterable[Change]) -> Exercise:
    """The changed document; the values are not checked again."""
    for change in changes:
        exercise = _with(exercise, change.path, change.value)
    return exercise


def _with(place: Any, path: Path, value: NewValue) -> Any:
    if not path:
        return value
    first, *rest = path
    if isinstance(place, Piece) and isinstance(first, str):
        return place.with_value(first, _with(place.value(first), tuple(rest), value))
    if isinstance(place, BaseModel) and isinstance(first, str):
        inner = _with(getattr(place, first), tuple(rest), value)
        return place.model_copy(update={first: inner})
    if isinstance(place, dict):
        return {**place, first: _with(place[first], tuple(rest), value)}
    assert isinstance(first, int)
    inner = _with(place[first], tuple(rest), value)
    return type(place)([*place[:first], inner, *place[first + 1 :]])
