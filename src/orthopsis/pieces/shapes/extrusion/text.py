"""What a document may have written in block letters."""

from __future__ import annotations

import unicodedata
from typing import Annotated

from pydantic import AfterValidator, Field

from orthopsis.errors import Unfit
from orthopsis.phrase import Own, say
from orthopsis.pieces.roles import Editor, FieldRole
from orthopsis.pieces.shapes.extrusion.alphabet import can_be_drawn

MOST_LETTERS = 24


def _can_be_drawn(text: str) -> str:
    text = unicodedata.normalize("NFC", text)
    if not text.strip():
        raise Unfit(say("refused-no-letter"))
    for character in text:
        if not can_be_drawn(character) and character != " ":
            if len(character.upper()) == 1 and can_be_drawn(character.upper()):
                raise Unfit(
                    say("refused-small-letter", letter=Own(character), text=Own(text.upper()))
                )
            raise Unfit(say("refused-unknown-letter", letter=Own(character)))
    return text


Text = Annotated[
    str,
    Field(min_length=1, max_length=MOST_LETTERS),
    AfterValidator(_can_be_drawn),
    FieldRole.TEXT,
    Editor.WORD,
]
