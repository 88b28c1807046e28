"""Personal sheets: the same exercise with a pupil's own word, fitted to the sheet.

A name may be two letters long or twelve. It keeps the place and the look of the first word; its
letters get the largest round height at which the whole word stays on the sheet.
"""

from __future__ import annotations

import math

from orthopsis.errors import ExerciseError
from orthopsis.exercise.change import Change, with_changes
from orthopsis.exercise.document import Exercise
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.resolve import Scene, resolve
from orthopsis.pieces.base import Grip
from orthopsis.pieces.letters import Letters

ROUND_HEIGHTS_MM = {
    "measured": (120.0, 90.0, 60.0, 30.0, 20.0, 15.0, 10.0),
    "quartered": (120.0, 96.0, 72.0, 60.0, 48.0, 36.0, 24.0, 18.0, 12.0),
}
"""Heights at which a letter's lines fall on marks of the ruler, as far as they can."""

SHARES = (1.0, 0.8, 0.7, 0.6, 0.5, 0.4, 0.3, 0.25, 0.2, 0.15, 0.1)
"""Parts of its first height that a receding word may get."""

MARGIN_MM = 10.0
ROUND_MM = 5.0


def with_text(exercise: Exercise, text: str) -> Exercise:
    """The exercise with another text in its first word, in capitals.

    Raises ExerciseError where there is no word, a character has no block letter, or nothing fits.
    """
    number = next((i for i, p in enumerate(exercise.pieces) if isinstance(p, Letters)), None)
    if number is None:
        raise ExerciseError("pieces", "no piece has letters; add a word before giving a text")
    data = to_data(exercise)
    data["pieces"][number]["text"] = text.upper()
    there = from_data(data)
    before, word = exercise.pieces[number], there.pieces[number]
    assert isinstance(before, Letters) and isinstance(word, Letters)
    if word.front is not None:
        tries = _fronts(word, number)
    else:
        grips = before.grips(resolve(exercise).stage(number))
        length = next(grip for grip in grips if grip.field == "length")
        tries = _edges(before, word, length, number)
    for changes in tries:
        fitted = with_changes(there, changes)
        try:
            scene = resolve(from_data(to_data(fitted)))
            if on_sheet(scene, number):
                return scene.exercise
        except ExerciseError:
            continue
    raise ExerciseError(
        f"pieces[{number}].text",
        f"'{word.text}' does not fit on the sheet in letters of any size; take a shorter one or a "
        "larger sheet",
    )


def _fronts(word: Letters, number: int) -> list[tuple[Change, ...]]:
    """Smaller and smaller fronts, the one asked for first."""
    assert word.front is not None
    path, first = ("pieces", number, "front", "height_mm"), word.front.height_mm
    heights = [first, *(mm for mm in ROUND_HEIGHTS_MM[word.alphabet] if mm < first)]
    return [(Change(path, mm),) for mm in heights]


def _edges(before: Letters, word: Letters, length: Grip, number: int) -> list[tuple[Change, ...]]:
    """Shorter and shorter edges, with a length that keeps the letters' shape.

    A length that goes t of the way to the vanishing point is in truth as t / (1 − t).
    """
    assert word.edge is not None and before.length is not None
    grown = word.word.true_width / before.word.true_width
    (sx, sy), (gx, gy) = length.start.xy, length.goal.xy
    way_mm = math.hypot(gx - sx, gy - sy)
    gone = math.dist(length.at.xy, (sx, sy)) / way_mm
    tries = []
    for share in SHARES:
        truth = gone / (1.0 - gone) * grown * share
        reach = truth / (1.0 + truth)
        changes = []
        for name, start in (("bottom_mm", word.edge.upper.y), ("length_mm", 0.0)):
            mm = getattr(word.edge, name)
            if mm is not None:
                changes.append(
                    Change(("pieces", number, "edge", name), start + _round((mm - start) * share))
                )
        values = {
            "fraction": round(reach, 3),
            "true_mm": (before.length.true_mm or 0.0) * grown * share,
            "along_mm": _round(reach * way_mm),
            "x_mm": sx + (1.0 if gx > sx else -1.0) * _round(reach * abs(gx - sx)),
        }
        changes.append(Change(("pieces", number, "length", length.way), values[length.way]))
        tries.append(tuple(changes))
    return tries


def _round(mm: float) -> float:
    return max(ROUND_MM, round(mm / ROUND_MM) * ROUND_MM)


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
