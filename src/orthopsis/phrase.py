"""What is to be said, as data: the id of a phrase, and the things it speaks of, each typed.

No sentence stands here and none is read anywhere: `wording` has the words. Whatever a phrase
measures, marks or names is known from its values.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, field, fields
from typing import Any, Literal


@dataclass(frozen=True)
class Length:
    """A measure to set or to read, as a ruler shows it."""

    mm: float


@dataclass(frozen=True)
class About:
    """A length that was found and not set: as near as an eye sees."""

    mm: float


@dataclass(frozen=True)
class Number:
    """A count or another number, with so many decimals; words around it may follow it."""

    value: float
    decimals: int = 0


@dataclass(frozen=True)
class MarkName:
    """A mark of the sheet by its letter."""

    name: str


@dataclass(frozen=True)
class PointName:
    """A point by its name: VP1, or another view's or piece's, as in ``shed:VP2``."""

    name: str


@dataclass(frozen=True)
class Own:
    """Somebody's own words, said as they are: the name of a piece, a title, a text."""

    text: str


@dataclass(frozen=True)
class Choice:
    """One of a few things that the words know: a side, a way, a kind of thing."""

    key: str


@dataclass(frozen=True)
class Several:
    """Several things, listed as they are read aloud, or strung together as they are drawn."""

    items: tuple[Value, ...]
    by: Literal["and", "or", "comma", "semicolon", "dot", "space", "none"] = "and"


@dataclass(frozen=True)
class Phrase:
    """A phrase by its id, with what it speaks of by name."""

    id: str
    values: Mapping[str, Value] = field(default_factory=dict)

    def named(self) -> Iterator[Value]:
        """All simple values in it, those within others too."""
        for value in self.values.values():
            yield from _simple(value)


Value = Length | About | Number | MarkName | PointName | Own | Choice | Several | Phrase


def _simple(value: Value) -> Iterator[Value]:
    if isinstance(value, Several):
        for item in value.items:
            yield from _simple(item)
    elif isinstance(value, Phrase):
        yield from value.named()
    else:
        yield value


def renamed(phrase: Phrase, names: Mapping[str, str]) -> Phrase:
    """The phrase with other names for its marks."""
    return Phrase(phrase.id, {key: _renamed(value, names) for key, value in phrase.values.items()})


def _renamed(value: Value, names: Mapping[str, str]) -> Value:
    if isinstance(value, MarkName):
        return MarkName(names.get(value.name, value.name))
    if isinstance(value, Several):
        return Several(tuple(_renamed(item, names) for item in value.items), value.by)
    return renamed(value, names) if isinstance(value, Phrase) else value


def listed(names: Iterable[str]) -> Several:
    """Names one after the other."""
    return Several(tuple(map(Own, names)), "comma")


def say(id: str, **values: Value) -> Phrase:
    """A phrase with its values by name."""
    return Phrase(id, values)


# --- kept and sent --------------------------------------------------------------------------------

_KINDS: dict[str, type[Any]] = {
    "length": Length,
    "about": About,
    "number": Number,
    "mark": MarkName,
    "point": PointName,
    "own": Own,
    "choice": Choice,
}
_NAMES = {kind: name for name, kind in _KINDS.items()}


def phrase_record(phrase: Phrase) -> dict[str, Any]:
    """A phrase as plain data, so that it can be kept and said later in other words.

    >>> phrase_record(say("too-far", by=Length(3.0)))
    {'say': 'too-far', 'by': {'length': [3.0]}}
    """
    return {"say": phrase.id, **{name: _record(v) for name, v in phrase.values.items()}}


def phrase_of(record: Mapping[str, Any]) -> Phrase:
    """The phrase that was kept. Raises ValueError for what is none.

    >>> phrase_of({"say": "too-far", "by": {"length": [3.0]}})
    Phrase(id='too-far', values={'by': Length(mm=3.0)})
    """
    rest = dict(record)
    found = rest.pop("say", None)
    if not isinstance(found, str):
        raise ValueError("a kept phrase has its id in 'say'")
    return Phrase(found, {name: _value(kept) for name, kept in rest.items()})


def _record(value: Value) -> dict[str, Any]:
    if isinstance(value, Phrase):
        return phrase_record(value)
    if isinstance(value, Several):
        return {"several": [_record(item) for item in value.items], "by": value.by}
    return {_NAMES[type(value)]: [getattr(value, one.name) for one in fields(value)]}


def _value(kept: Any) -> Value:
    if not isinstance(kept, Mapping):
        raise ValueError("a kept value is an object")
    if "say" in kept:
        return phrase_of(kept)
    if "several" in kept:
        return Several(tuple(map(_value, kept["several"])), kept.get("by", "and"))
    ((name, parts),) = kept.items()
    if name not in _KINDS:
        raise ValueError(f"'{name}' is no kind of value")
    value: Value = _KINDS[name](*parts)
    return value
