"""Text as people type and paste it, without what no page can show.

Control characters break covers, prints and exports, and marks that turn the direction of reading
or have no width make two names of one. They are taken out wherever text comes in; what is left of
a name has to be something that can be seen.
"""

from __future__ import annotations

import unicodedata
from typing import Annotated, Any

from pydantic import BeforeValidator, StringConstraints

LONGEST_IN_MESSAGE = 80

_JOINERS = "\u200c\u200d"
"""Without width, and yet part of how some scripts are written."""


def cleaned(text: str) -> str:
    """Text without control characters, and without blanks at its ends; line breaks stay.

    >>> cleaned(" Ada\\x00\\u202e Fern\\r\\n"), cleaned("\\u200b \\x7f"), cleaned("two\\nlines")
    ('Ada Fern', '', 'two\\nlines')
    """
    if text.isascii() and text.isprintable():
        return text.strip()  # as nearly all text is: nothing has to be looked at
    lines = text.replace("\r\n", "\n").replace("\r", "\n").replace("\t", " ")
    kept = "".join(c for c in lines if c == "\n" or _can_be_shown(c))
    bare = unicodedata.normalize("NFC", kept).strip()
    return bare if any(c not in _JOINERS for c in bare) else ""


def one_line(text: str) -> str:
    """The same on one line.

    >>> one_line("two\\n lines")
    'two lines'
    """
    return " ".join(cleaned(text).split())


def shortened(text: str) -> str:
    """What a message repeats of somebody's input: never more than a line.

    >>> shortened("x" * 5), len(shortened("x" * 5000))
    ('xxxxx', 80)
    """
    whole = text if len(text) <= LONGEST_IN_MESSAGE else text[: LONGEST_IN_MESSAGE - 1] + "…"
    return "".join(c if _can_be_shown(c) else "\N{REPLACEMENT CHARACTER}" for c in whole)


def all_cleaned(value: Any) -> Any:
    """Every text in plain data, also in lists and objects."""
    match value:
        case str():
            return cleaned(value)
        case list() | tuple():
            return [all_cleaned(item) for item in value]
        case dict():
            return {all_cleaned(key): all_cleaned(item) for key, item in value.items()}
    return value


def _can_be_shown(character: str) -> bool:
    kind = unicodedata.category(character)
    if kind == "Cf":
        return character in _JOINERS
    return kind not in ("Cc", "Cs", "Zl", "Zp") and ord(character) & 0xFFFE != 0xFFFE


def _line(value: Any) -> Any:
    return one_line(value) if isinstance(value, str) else value


def _text(value: Any) -> Any:
    return cleaned(value) if isinstance(value, str) else value


Name = Annotated[str, BeforeValidator(_line), StringConstraints(min_length=1, max_length=60)]
"""What somebody or something is called, on one line; never blank."""

Text = Annotated[str, BeforeValidator(_text)]
"""Somebody's words, perhaps in several lines, perhaps none."""
