"""What the kinds are, for whoever builds a form: names, fields, roles, limits, defaults.

Nothing of it is written twice: it is read off the models.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from functools import cache
from types import NoneType, UnionType
from typing import Annotated, Any, Literal, Union, get_args, get_origin

from annotated_types import Ge, Gt, Le, Lt
from pydantic import BaseModel
from pydantic.fields import FieldInfo
from pydantic_core import PydanticUndefined

from orthopsis.phrase import Phrase, say
from orthopsis.pieces.piece import PLACE, Piece, forms_of
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.registry import KINDS
from orthopsis.pieces.roles import (
    CUTS,
    Added,
    Called,
    Editor,
    FieldRole,
    Only,
    Path,
    pair_roles,
    roles_of,
)


@dataclass(frozen=True)
class Option:
    """One of a field's choices, and for how many vanishing points it is."""

    value: str
    label: Phrase
    systems: tuple[int, ...] = (1, 2, 3)


@dataclass(frozen=True)
class Field:
    """A field of a kind: where it stands in a piece, what it is, and what it may hold.

    `least` and `most` bound numbers; `above` tells that the least itself is not allowed. An
    `optional` field may be left out. `editor` names a special one; "" where the role tells enough.
    Of a thing that may be of several kinds, `only` are the kinds that have the field. A list of
    things has the `fields` of one of them, and what may be `added`.
    """

    path: tuple[str, ...]
    label: Phrase
    role: FieldRole
    optional: bool
    default: Any
    least: float | None = None
    most: float | None = None
    above: bool = False
    choices: tuple[Option, ...] = ()
    editor: str = ""
    only: tuple[str, ...] = ()
    fields: tuple[Field, ...] = ()
    added: tuple[Option, ...] = ()


@dataclass(frozen=True)
class Form:
    """A way of placing the kind, for so many vanishing points, with the fields of the place.

    A piece has it that has the field that `tells` it. `sized` are the fields that the corner
    opposite the anchor sets, across and down; "" where it sets none.
    """

    name: str
    tells: str
    systems: tuple[int, ...]
    sized: tuple[str, str]
    fields: tuple[Field, ...]


@dataclass(frozen=True)
class Kind:
    """A kind of piece: what one and several are called, its own fields, and where it may stand."""

    kind: str
    name: Phrase
    several: Phrase
    add: Phrase
    fields: tuple[Field, ...]
    forms: tuple[Form, ...]


@cache
def kinds() -> tuple[Kind, ...]:
    """All kinds that a document may hold, in the order of the registry."""
    return tuple(
        Kind(
            kind=name,
            name=say(f"kind-{name}"),
            several=say(f"kinds-{name}"),
            add=say(f"add-{name}"),
            fields=tuple(_fields(model, skip=PLACE)),
            forms=tuple(
                Form(form.form, form.tells, form.systems, form.sized, tuple(_fields(form)))
                for form in forms_of(model).values()
            ),
        )
        for name, model in KINDS.items()
    )


def _fields(model: type[BaseModel], path: tuple[str, ...] = (), skip: str = "") -> Iterator[Field]:
    for name, role in roles_of(model).items():
        info = model.model_fields[name]
        told = _told(info.annotation, info.metadata)
        if name == skip or role is FieldRole.NAME or Editor.NONE in told:
            continue
        here = (*path, info.alias or name)
        inner = _model_in(info.annotation)
        if Editor.HEIGHT in told:
            role, inner = FieldRole.LENGTH, None
        pair = pair_roles(model, name)
        if pair:
            for k, one in enumerate(pair):
                label = say("field-" + "-".join((*here, str(k))).replace("_", "-"))
                yield Field((*here, str(k)), label, one, optional=False, default=None)
            continue
        if Editor.PARTS in told and inner is not None:
            yield _parts(here, info, inner, told)
            continue
        kinds_of = _kinds_in(info)
        if kinds_of:
            yield from _variants(here, kinds_of)
            continue
        if role is None:
            if inner is not None and Editor.SWITCH in told:
                yield Field(
                    path=here,
                    label=say("field-" + "-".join(here).replace("_", "-")),
                    role=FieldRole.PARTS,
                    optional=True,
                    default=None,
                    editor=Editor.SWITCH.value,
                )
            if inner is not None:
                yield from _fields(inner, here)
            continue
        choices = () if role in CUTS else tuple(_choices(here, info.annotation, told))
        if len(choices) == 1 and role is FieldRole.CHOICE:
            continue  # there is nothing to choose
        least, most, above = _limits(told)
        default = None if info.default is PydanticUndefined else info.default
        yield Field(
            path=here,
            label=_label(here, told),
            role=role,
            optional=not info.is_required() and info.default is None,
            default=default,
            least=least,
            most=most,
            above=above,
            choices=choices,
            editor=next((one.value for one in told if isinstance(one, Editor)), ""),
        )


def _label(path: tuple[str, ...], told: list[Any]) -> Phrase:
    called = next((one.name for one in told if isinstance(one, Called)), "-".join(path))
    return say("field-" + called.replace("_", "-"))


def measure_label(piece: Piece, path: Path) -> Phrase:
    """What a measure of a piece is called: as its field, or the one that it lies in."""
    names = tuple(str(name).rstrip("_") for name in path)
    (kind,) = (one for one in kinds() if one.kind == piece.kind)
    fields = [*kind.fields, *(field for form in kind.forms for field in form.fields)]
    return max(
        (field for field in fields if names[: len(field.path)] == field.path),
        key=lambda field: len(field.path),
    ).label


def _parts(
    path: tuple[str, ...], info: FieldInfo, model: type[BaseModel], told: list[Any]
) -> Field:
    """A list of things in a piece, with the fields of each."""
    kinds_of = _kinds_in(info)
    fields = _of_kinds((), kinds_of) if kinds_of else _fields(model)
    looks = next((one.names for one in told if isinstance(one, Added)), ())
    return Field(
        path=path,
        label=say("field-" + "-".join(path)),
        role=FieldRole.PARTS,
        optional=False,
        default=None,
        editor=Editor.PARTS.value,
        fields=tuple(fields),
        added=tuple(Option(name, say(f"added-{name}")) for name in looks),
    )


def _variants(path: tuple[str, ...], kinds: Mapping[str, type[BaseModel]]) -> Iterator[Field]:
    """Which kind a thing is, and the fields that each kind has; what several have, once."""
    choice = (*path, "kind")
    yield Field(
        path=choice,
        label=say("field-" + "-".join(choice)),
        role=FieldRole.CHOICE,
        optional=False,
        default=None,
        choices=tuple(
            Option(kind, say(f"choice-{path[-1]}-{kind}".replace("_", "-"))) for kind in kinds
        ),
        only=tuple(kinds),
    )
    yield from _of_kinds(path, kinds)


def _of_kinds(path: tuple[str, ...], kinds: Mapping[str, type[BaseModel]]) -> Iterator[Field]:
    """The fields of things of several kinds; what several have with the same choices, once."""
    found: dict[tuple[tuple[str, ...], ...], Field] = {}
    for kind, model in kinds.items():
        for field in _fields(model, path):
            key = field.path, tuple(option.value for option in field.choices)
            known = found.get(key)
            # What is of a kind already is of that kind of what it stands in.
            only = field.only or (*(known.only if known else ()), kind)
            found[key] = replace(known or field, only=only)
    yield from found.values()


def _kinds_in(info: FieldInfo) -> Mapping[str, type[BaseModel]]:
    """The models of a field that is one of several, by what their `kind` says."""
    models = [one for one in _models_in(info.annotation) if "kind" in one.model_fields]
    if len(models) < 2:
        return {}
    return {
        kind: model for model in models for kind in get_args(model.model_fields["kind"].annotation)
    }


def _models_in(annotation: Any) -> list[type[BaseModel]]:
    if isinstance(annotation, type) and issubclass(annotation, BaseModel):
        return [annotation]
    return [model for part in get_args(annotation) for model in _models_in(part)]


def _told(annotation: Any, metadata: list[Any]) -> list[Any]:
    """All that is told of a type, also within a union."""
    found = list(metadata)
    if get_origin(annotation) is Annotated:
        inner, *more = get_args(annotation)
        return [*found, *more, *_told(inner, [])]
    if get_origin(annotation) in (Union, UnionType):
        for part in get_args(annotation):
            found += _told(part, [])
    return found


def _model_in(annotation: Any) -> type[BaseModel] | None:
    if isinstance(annotation, type) and issubclass(annotation, BaseModel):
        return None if annotation is Cut else annotation
    return next(filter(None, map(_model_in, get_args(annotation))), None)


def _limits(told: list[Any]) -> tuple[float | None, float | None, bool]:
    """The least and the most that a number may be, and whether the least itself is none."""
    least, most, above = None, None, False
    for one in _constraints(told):
        if isinstance(one, Ge | Gt):
            least = one.ge if isinstance(one, Ge) else one.gt
            above = isinstance(one, Gt)
        if isinstance(one, Le | Lt):
            most = one.le if isinstance(one, Le) else one.lt
    return _number(least), _number(most), above


def _number(value: Any) -> float | None:
    return None if value is None else float(value)


def _constraints(told: list[Any]) -> Iterator[Any]:
    for one in told:
        yield one
        yield from getattr(one, "metadata", ())


def _choices(path: tuple[str, ...], annotation: Any, told: list[Any]) -> Iterator[Option]:
    only = next((one.choices for one in told if isinstance(one, Only)), {})
    for value in _literals(annotation):
        label = say(f"choice-{path[-1]}-{value}".replace("_", "-").replace(" ", "-"))
        yield Option(value, label, only.get(value, (1, 2, 3)))


def _literals(annotation: Any) -> Iterator[str]:
    if get_origin(annotation) is Literal:
        yield from get_args(annotation)
    elif annotation is not NoneType:
        for part in get_args(annotation):
            yield from _literals(part)
