"""What each field of a document is: a place across the sheet, a length on paper, a share …

Whoever changes or reads measures (the board, forgiveness, demands, sliding, the bench) walks these
roles and knows no names of fields. A field without a role fails a test.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass
from enum import StrEnum
from functools import cache
from types import NoneType, UnionType
from typing import Annotated, Any, NamedTuple, TypeVar, Union, get_args, get_origin

from pydantic import BaseModel

Path = tuple[str | int, ...]


class FieldRole(StrEnum):
    """What a field is."""

    ACROSS = "across"
    """A place, counted from the sheet's left edge."""
    DOWN = "down"
    """A place, counted from the sheet's top edge."""
    POINT = "point"
    """Where a vanishing point lies, counted from the sheet's left edge."""
    GAZE = "gaze"
    """Where the eye looks, counted from the left edge; nobody sets it on paper."""
    LENGTH = "length"
    """A length on the paper."""
    FACE = "face"
    """A length in a face's own measures."""
    SHARE = "share"
    """A part of a way, 0 to 1."""
    TRUE = "true"
    """A true length, at the piece's own scale."""
    EYE = "eye"
    """A length before the sheet: how far the eye stands off, and how high."""
    DEPTH = "depth"
    """A cut that says how far a thing goes back."""
    RUN = "run"
    """A cut that says how far a thing reaches along a line."""
    FIXED = "fixed"
    """A number that no sheet changes, such as one at an alphabet's own size."""
    COUNT = "count"
    CHOICE = "choice"
    FLAG = "flag"
    TEXT = "text"
    NAME = "name"
    """What the piece itself is called or known by."""
    PARTS = "parts"
    """Things in the piece, each with fields of its own."""
    REFERENCE = "reference"
    """The name of another piece."""


MEASURED = frozenset(
    {
        FieldRole.ACROSS,
        FieldRole.POINT,
        FieldRole.GAZE,
        FieldRole.DOWN,
        FieldRole.LENGTH,
        FieldRole.FACE,
        FieldRole.TRUE,
        FieldRole.EYE,
    }
)
"""Roles of lengths in millimetres that grow with the sheet."""
FROM_THE_LEFT = frozenset({FieldRole.ACROSS, FieldRole.POINT, FieldRole.GAZE})
CUTS = frozenset({FieldRole.DEPTH, FieldRole.RUN})
SET_ON_PAPER = frozenset(
    {FieldRole.ACROSS, FieldRole.POINT, FieldRole.DOWN, FieldRole.LENGTH, FieldRole.TRUE}
)
"""What a pupil sets with the ruler."""


class Editor(StrEnum):
    """How a field is edited at the bench, where its role alone does not tell."""

    WORD = "word"
    CORNERS = "corners"
    SWITCH = "switch"
    PARTS = "parts"
    HEIGHT = "height"
    LEVELS = "levels"
    NONE = "none"


@dataclass(frozen=True)
class Only:
    """For how many vanishing points some of a field's choices are; the others are for all."""

    choices: Mapping[str, tuple[int, ...]]


@dataclass(frozen=True)
class Called:
    """What a field is called at the bench, where others of its name are something else."""

    name: str


@dataclass(frozen=True)
class Added:
    """What may be added to a list of parts, by names that the piece knows."""

    names: tuple[str, ...]


class Told(NamedTuple):
    """A value of a document with its path and role."""

    path: Path
    role: FieldRole
    value: Any


def role_in(annotation: Any) -> FieldRole | None:
    """The role that an annotation carries, also within a union or a list."""
    if get_origin(annotation) is Annotated:
        inner, *told = get_args(annotation)
        found = next((one for one in told if isinstance(one, FieldRole)), None)
        return found or role_in(inner)
    if get_origin(annotation) in (Union, UnionType, list):
        inner_roles = (role_in(part) for part in get_args(annotation) if part is not NoneType)
        return next((role for role in inner_roles if role is not None), None)
    return None


@cache
def roles_of(model: type[BaseModel]) -> Mapping[str, FieldRole | None]:
    """The role of each field; None where a model stands in it, whose fields have roles."""
    found: dict[str, FieldRole | None] = {}
    for name, info in model.model_fields.items():
        told = next((one for one in info.metadata if isinstance(one, FieldRole)), None)
        found[name] = told or role_in(info.annotation)
    return found


@cache
def pair_roles(model: type[BaseModel], name: str) -> tuple[FieldRole, ...]:
    """The roles of a field that is a pair, such as a place of the sheet."""
    annotation = model.model_fields[name].annotation
    if get_origin(annotation) is not tuple:
        return ()
    return tuple(role for part in get_args(annotation) if (role := role_in(part)) is not None)


def told(model: BaseModel, path: Path = ()) -> Iterator[Told]:
    """Every value of a model that has a role, with cuts first and then what is in them."""
    for name, role in roles_of(type(model)).items():
        value = getattr(model, name)
        if value is None:
            continue
        here = (*path, name)
        pair = pair_roles(type(model), name)
        if pair:
            for index, (one, own) in enumerate(zip(value, pair, strict=True)):
                yield Told((*here, index), own, one)
            continue
        if role is not None and isinstance(value, dict):
            yield from (Told((*here, key), role, one) for key, one in value.items())
        elif role is not None:
            yield Told(here, role, value)
        several = value if isinstance(value, list) else [value]
        for k, one in enumerate(several):
            if isinstance(one, BaseModel):
                yield from told(one, (*here, k) if several is value else here)


Model = TypeVar("Model", bound=BaseModel)
Change = Callable[[FieldRole, Any], Any]


def remeasured(model: Model, change: Change) -> Model:
    """A copy in which every value was changed by its role; what is none stays."""
    update = {}
    for name, role in roles_of(type(model)).items():
        value = getattr(model, name)
        pair = pair_roles(type(model), name)
        if pair and value is not None:
            new: Any = tuple(change(own, one) for one, own in zip(value, pair, strict=True))
        else:
            new = _changed(value, role, change)
        if new is not value:
            update[name] = new
    return model.model_copy(update=update) if update else model


def _changed(value: Any, role: FieldRole | None, change: Change) -> Any:
    if isinstance(value, BaseModel):
        return remeasured(value, change)
    if isinstance(value, dict):
        return {key: _changed(one, role, change) for key, one in value.items()}
    if isinstance(value, list | tuple):
        return type(value)(_changed(one, role, change) for one in value)
    return value if value is None or role is None else change(role, value)


def grown(factor: float, left_mm: float = 0.0) -> Change:
    """Everything larger by a factor, and that much further right."""

    def change(role: FieldRole, value: Any) -> Any:
        if role not in MEASURED:
            return value
        return factor * value + (left_mm if role in FROM_THE_LEFT else 0.0)

    return change


def slid(right_mm: float, down_mm: float) -> Change:
    """Everything moved over the sheet."""
    way = {FieldRole.ACROSS: right_mm, FieldRole.DOWN: down_mm}
    return lambda role, value: value + way[role] if role in way else value
