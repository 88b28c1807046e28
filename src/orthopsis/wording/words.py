"""Saying a phrase: its values as text, its sentence from the language file."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterable, Mapping
from functools import cache
from pathlib import Path
from typing import Any

from fluent.runtime import FluentBundle, FluentResource
from fluent.runtime.types import FluentType, fluent_number

from orthopsis.phrase import (
    About,
    Choice,
    Length,
    MarkName,
    Number,
    Own,
    Phrase,
    PointName,
    Several,
    Value,
)
from orthopsis.wording.choices import Wording

LANGUAGE_FILE = Path(__file__).with_name("english.ftl")
LOCALE = "en-GB"
JOINTS = {"comma": ", ", "semicolon": "; ", "dot": " · ", "space": " ", "none": ""}
"""What stands between several things; what has a word between them is in the language file."""


class _Key(str, FluentType):
    """A choice as the language file selects by it; only WORD makes a word of it."""

    def format(self, *args: Any, **values: Any) -> str:
        del args, values
        raise LookupError(f"'{self!s}' is a choice: put it through WORD, or select by it")


ROOF = ":roof "
"""In the name of a point that a roof's slopes lead to, after that of its house."""


class Words:
    """A teacher's way of saying things."""

    def __init__(self, wording: Wording | None = None) -> None:
        self.wording = wording or Wording()
        self._always = {
            "line": _key(self.wording.line),
            "spelling": _key(self.wording.spelling),
            "square": _key(self.wording.square),
            "far": _key(self.wording.far),
            "units": _key(self.wording.units),
            "given": _key(self.wording.given),
            "fronts": _key(self.wording.fronts),
            "guides": _key(self.wording.guides),
        }

    def say(self, phrase: Phrase) -> str:
        """The phrase as a sentence, or several. Raises LookupError for one that has no words."""
        return self._said(phrase.id, phrase.values)

    def together(self, phrases: Iterable[Phrase]) -> str:
        """Phrases one after the other."""
        return " ".join(filter(None, map(self.say, phrases)))

    def _said(self, id: str, values: Mapping[str, Value]) -> str:
        bundle, message = _bundle(), _message(id)
        pattern = message.value
        if self.wording.reading == "simple":
            pattern = message.attributes.get("simple", pattern)
        args: dict[str, Any] = {name: self._text(value) for name, value in values.items()}
        text, faults = bundle.format_pattern(pattern, {**self._always, **args})
        if faults:
            raise LookupError(f"'{id}' cannot be said: {faults[0]}")
        # Lines of the language file are broken for the eye alone.
        return re.sub(r"\s*\n\s*", " ", str(text)).strip()

    def _text(self, value: Value) -> Any:
        """A value as the language file takes it."""
        match value:
            case Length(mm):
                return self.wording.length(mm)
            case About(mm):
                return self.wording.rough(mm)
            case Number(number, decimals):
                return fluent_number(
                    round(number, decimals),
                    minimumFractionDigits=decimals,
                    maximumFractionDigits=decimals,
                    useGrouping=False,
                )
            case PointName(name) if ROOF in name:
                return self._said("roof-point-name", {})
            case MarkName(name) | PointName(name):
                return name
            case Own(text):
                return text
            case Choice(key):
                return _Key(key)
            case Several(items, by):
                return self._list([str(self._plain(item)) for item in items], by)
            case Phrase():
                return self.say(value)

    def _plain(self, value: Value) -> Any:
        """A value that stands by itself in a list: a choice by its word."""
        return self._said(f"word-{value.key}", {}) if isinstance(value, Choice) else (
            self._text(value)
        )  # fmt: skip

    def _list(self, items: list[str], by: str) -> str:
        if by in JOINTS:
            return JOINTS[by].join(items)
        if len(items) < 2:
            return "".join(items)
        first, last = Own(JOINTS["comma"].join(items[:-1])), Own(items[-1])
        return self._said(f"list-{by}", {"first": first, "last": last})


def _key(word: str) -> _Key:
    return _Key(word.replace(" ", "-"))


@cache
def _bundle() -> FluentBundle:
    """The language file, read once."""
    bundle = FluentBundle([LOCALE], functions=_FUNCTIONS, use_isolating=False)
    bundle.add_resource(FluentResource(LANGUAGE_FILE.read_text(encoding="utf-8")))
    return bundle


def _message(id: str) -> Any:
    bundle = _bundle()
    if not bundle.has_message(id):
        raise LookupError(f"the language file has no phrase '{id}'")
    return bundle.get_message(id)


def _word(key: Any) -> str:
    """A choice by its word: ``word-left``."""
    text, faults = _bundle().format_pattern(_message(f"word-{key}").value, {})
    if faults:
        raise LookupError(f"'word-{key}' cannot be said: {faults[0]}")
    return str(text)


def _capital(text: Any) -> str:
    said = str(text)
    return said[:1].upper() + said[1:]


def _small(text: Any) -> str:
    said = str(text)
    return said[:1].lower() + said[1:]


_FUNCTIONS: dict[str, Callable[..., Any]] = {"WORD": _word, "CAPITAL": _capital, "SMALL": _small}
"""WORD($x): a choice by its word. CAPITAL, SMALL: the first letter large or small."""
