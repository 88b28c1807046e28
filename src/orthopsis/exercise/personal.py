"""Personal sheets: the same exercise with a pupil's own word, fitted to the sheet.

A name may be two letters long or twelve. It keeps the place and the look of the first word; its
letters get the largest round height at which the whole word stays on the sheet.
"""

from __future__ import annotations

import unicodedata

from orthopsis.errors import ExerciseError
from orthopsis.exercise.document import Exercise
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.resolve import Scene, resolve
from orthopsis.phrase import Own, say
from orthopsis.pieces.shapes.extrusion.alphabet import can_be_drawn

MARGIN_MM = 10.0

ALIKE = {
    "\N{RIGHT SINGLE QUOTATION MARK}": "'", "\N{LEFT SINGLE QUOTATION MARK}": "'",
    "\N{MODIFIER LETTER APOSTROPHE}": "'", "\N{ACUTE ACCENT}": "'", "`": "'",
    "\N{HYPHEN}": "-", "\N{NON-BREAKING HYPHEN}": "-", "\N{EN DASH}": "-",
    "Æ": "AE", "Œ": "OE", "Þ": "TH", "Ð": "Đ", "Ŋ": "NG",
}  # fmt: skip
"""Characters that are drawn as others: one apostrophe, one hyphen, and letters in one."""


def word_of(name: str) -> str:
    """The word that a pupil draws of a name: the first of the given names, in capitals.

    >>> word_of("Alder, Zoë Marie"), word_of("Anne-Lise Vale"), word_of("straße"), word_of("D’Arcy")
    ('ZOË', 'ANNE-LISE', 'STRASSE', "D'ARCY")
    """
    _, comma, given = name.partition(",")
    words = (given if comma and given.strip() else name).replace(",", " ").split()
    text = unicodedata.normalize("NFKC", words[0] if words else "").upper()
    return unicodedata.normalize("NFC", "".join(ALIKE.get(one, one) for one in text))


def without_letterform(word: str) -> list[str]:
    """The characters of a word for which there is no block letter, each once."""
    return [one for one in dict.fromkeys(word) if one != " " and not can_be_drawn(one)]


def with_text(exercise: Exercise, text: str) -> Exercise:
    """The exercise with another text in its first word, in capitals.

    Raises ExerciseError where there is no word, a character has no block letter, or nothing fits.
    """
    number = next((i for i, p in enumerate(exercise.pieces) if p.word is not None), None)
    if number is None:
        raise ExerciseError("pieces", say("refused-no-letters"))
    data = to_data(exercise)
    data["pieces"][number]["text"] = unicodedata.normalize("NFC", text.upper())
    there = from_data(data)
    before, word = exercise.pieces[number], there.pieces[number]
    for fitted in word.fitted(before, resolve(exercise).stage(number)):
        pieces = [*there.pieces[:number], fitted, *there.pieces[number + 1 :]]
        try:
            scene = resolve(from_data(to_data(there.model_copy(update={"pieces": pieces}))))
            if on_sheet(scene, number):
                return scene.exercise
        except ExerciseError:
            continue
    raise ExerciseError(
        f"pieces[{number}].text",
        say("refused-word-too-large", word=Own(str(word.word))),
    )


def on_sheet(scene: Scene, number: int) -> bool:
    """Whether every letter of a piece lies within the sheet's margin."""
    left, top, right, bottom = scene.sheet.bounds
    bodies = (b for b, part in zip(scene.bodies, scene.parts, strict=True) if part.number == number)
    return all(
        left + MARGIN_MM <= body.box[0]
        and top + MARGIN_MM <= body.box[1]
        and body.box[2] <= right - MARGIN_MM
        and body.box[3] <= bottom - MARGIN_MM
        for body in bodies
    )
