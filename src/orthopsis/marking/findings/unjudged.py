"""A sheet that is not held against the exercise at all: said first and alone, to the teacher.

Nothing of it is a pupil's mistake: no sheet is seen, nothing is drawn yet, the photo shows too
little, or something else was drawn.
"""

from __future__ import annotations

from collections.abc import Sequence
from typing import Literal

from orthopsis.marking.findings.one import Finding, finding
from orthopsis.marking.judging.answer_key import AnswerKey
from orthopsis.marking.judging.families import Assigned, support
from orthopsis.marking.judging.given import given_by
from orthopsis.perspective.segments import XY
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.view import FREE
from orthopsis.phrase import Choice, Own

Unjudged = Literal["no-sheet", "blank-sheet", "poor-photo", "another-exercise"]

LEAST_LINE_MM = 8.0
BLANK_MM = 40.0
"""With less than this of lines, nothing is drawn yet; shorter lines are a name or a smudge."""
ON_LEVEL_MM = 2.5
LEAST_LINES = 6
IN_PLACE, EDGES, TO_POINTS = 0.3, 0.1, 0.88
"""With less of its lines in their places, or fewer edges under lines, and fewer lines that lead to
the points, it is another drawing: so are 261 of 272 sheets held against another example.
"""
BY_POINTS = 0.5
"""The same where places are the pupil's own."""
READ = 0.5
"""A photo of which less than this share of the edges was read shows too little, if it is poor."""
POOR = ("photo-blurred", "photo-dark", "photo-small")


def middle(sheet: Sheet) -> XY:
    """What is said of a whole sheet is said at its middle."""
    return sheet.width_mm / 2, sheet.height_mm / 2


def no_sheet(sheet: Sheet) -> Finding:
    """What to do where no sheet is found."""
    return finding("no-sheet", "ask", middle(sheet))


def poor_photo(sheet: Sheet, about: Sequence[Finding]) -> Finding | None:
    """What to do where the photo shows too little, by what is said `about` it."""
    codes = {one.code for one in about}
    worst = next((code for code in POOR if code in codes), None)
    if worst is None:
        return None
    return finding("poor-photo", "ask", middle(sheet), why=Choice(worst.removeprefix("photo-")))


def another(sheet: Sheet, title: str | None = None) -> Finding:
    """What to do with a sheet that is of another exercise, by its title where that is known."""
    place = middle(sheet)
    if title is None:
        return finding("another-exercise", "ask", place)
    return finding("another-exercise", "ask", place, (), "looks-like", title=Own(title))


def by_its_lines(lines: Sequence[Assigned], key: AnswerKey) -> Finding | None:
    """Why a sheet with such lines is not held against the exercise; None where it is."""
    sheet = key.scene.sheet
    drawn = [one for one in lines if one.found.length_mm >= LEAST_LINE_MM]
    drawn = [one for one in drawn if not _is_eye_level(one, key)]
    if sum(one.found.length_mm for one in drawn) < BLANK_MM:
        return finding("blank-sheet", "ask", middle(sheet))
    dark = [one for one in drawn if one.found.dark]
    told = dark if len(dark) >= LEAST_LINES else drawn
    if len(told) < LEAST_LINES:
        return None
    to_points = _share(told, [one for one in told if one.family != FREE])
    given = given_by(key)
    if given.places:
        placed = [one for one in told if one.expected is not None and not one.wrong_way]
        in_place = _share(told, placed) >= IN_PLACE and support(lines, key.expected) >= EDGES
        fits = in_place or to_points >= TO_POINTS
    else:
        fits = given.own_points or to_points >= BY_POINTS
    return None if fits else another(sheet)


def _share(lines: Sequence[Assigned], some: Sequence[Assigned]) -> float:
    """How much of the length of some lines others among them are."""
    return sum(one.found.length_mm for one in some) / sum(one.found.length_mm for one in lines)


def _is_eye_level(line: Assigned, key: AnswerKey) -> bool:
    """Whether a line is the eye level, which may have come in print."""
    level_mm = key.scene.main.eye_level_mm
    return all(abs(y - level_mm) < ON_LEVEL_MM for _, y in (line.found.start, line.found.end))
