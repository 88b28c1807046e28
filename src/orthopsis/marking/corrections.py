"""What a teacher corrects in the judge's reading of a sheet, and the verdict that follows.

Lines are named by their number among those that were found; that number never changes, so a
correction can be taken back at any time.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import replace
from typing import Annotated

import numpy as np
from pydantic import BaseModel, ConfigDict, Field

from orthopsis.errors import ExerciseError
from orthopsis.marking.fitting import ends_of
from orthopsis.marking.judge import SheetVerdict, judge_strokes
from orthopsis.marking.judging.answer_key import AnswerKey
from orthopsis.marking.judging.verdicts import STANDARD, Strictness
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.perspective.view import FREE
from orthopsis.phrase import Own, say

Number = Annotated[float, Field(ge=-1e4, le=1e4, allow_inf_nan=False)]
Place = tuple[Number, Number]
LEAST_LINE_MM = 3.0
BY_HAND_DEG = 0.15
"""How surely a hand lays a line over a straightened sheet."""
SAME_MM, STAYED = 3.0, 0.6
"""So near lie the ends of one line found twice; so much of a sheet is found again as it lay."""


class LineChange(BaseModel):
    """What is changed of one line. `meant` breaks a rule on purpose and is never off."""

    model_config = ConfigDict(extra="forbid")

    dismissed: bool = False
    meant: bool = False
    family: Annotated[str, Field(max_length=80)] | None = None
    moved: tuple[Place, Place] | None = None


class Corrections(BaseModel):
    """All that a teacher changed on one sheet, by line number, and the lines added."""

    model_config = ConfigDict(extra="forbid")

    lines: Annotated[dict[int, LineChange], Field(max_length=500)] = {}
    added: Annotated[list[tuple[Place, Place]], Field(max_length=100)] = []
    anyway: bool = False
    """It is of this exercise, whatever it looks like."""

    @property
    def overruled(self) -> int:
        """How often the judge was overruled."""
        return len(self.lines) + len(self.added) + self.anyway


def judged_again(
    key: AnswerKey,
    found: Sequence[FoundStroke],
    corrections: Corrections,
    demand: Strictness = STANDARD,
    reached: int | None = None,
) -> SheetVerdict:
    """The verdict with a teacher's corrections. Raises ExerciseError for a line or family that is
    none.
    """
    strokes = [replace(stroke, number=number) for number, stroke in enumerate(found)]
    strokes += [
        FoundStroke(start, end, BY_HAND_DEG, 1.0, True, len(found) + k)
        for k, (start, end) in enumerate(corrections.added)
    ]
    for number, change in corrections.lines.items():
        if not 0 <= number < len(strokes):
            raise ExerciseError(f"lines.{number}", say("refused-no-such-line"))
        if change.family is not None and change.family not in {*key.goals, FREE}:
            known = ", ".join(key.goals)
            raise ExerciseError(
                f"lines.{number}.family",
                say("refused-no-such-family", family=Own(change.family), known=Own(str(known))),
            )
        if change.moved is not None:
            strokes[number] = _moved(strokes[number], *change.moved, number)
    for stroke in strokes:
        if stroke.length_mm < LEAST_LINE_MM:
            raise ExerciseError("added", say("refused-line-too-short"))
    kept = [s for s in strokes if not _change(corrections, s.number).dismissed]
    families = {n: c.family for n, c in corrections.lines.items() if c.family is not None}
    meant = {n for n, c in corrections.lines.items() if c.meant}
    return judge_strokes(
        key, kept, demand, reached, families=families, meant=meant, anyway=corrections.anyway
    )


def carried(
    corrections: Corrections, before: Sequence[FoundStroke], now: Sequence[FoundStroke]
) -> Corrections:
    """Corrections of a sheet on its lines as they are found anew, by their place on the sheet.

    What has no line in its place any more is left out. Where the sheet itself lies otherwise, lines
    that were added are left out as well.
    """
    new = {n: _same(stroke, now) for n, stroke in enumerate(before)}
    stayed = sum(number is not None for number in new.values()) >= STAYED * len(new)
    lines: dict[int, LineChange] = {}
    for n, change in corrections.lines.items():
        by_hand = n - len(before)
        place = len(now) + by_hand if by_hand >= 0 and stayed else new.get(n)
        if place is not None:
            lines[place] = change
    added = corrections.added if stayed else []
    return Corrections(lines=lines, added=added, anyway=corrections.anyway)


def _same(stroke: FoundStroke, others: Sequence[FoundStroke]) -> int | None:
    """The number of the line that lies where another lay; None where none does."""
    if not others:
        return None
    rows = ends_of(others)
    there = np.concatenate([rows, rows[:, [2, 3, 0, 1]]])
    apart = np.abs(there - ends_of([stroke])).max(axis=1)
    best = int(apart.argmin())
    return best % len(others) if apart[best] < SAME_MM else None


def _change(corrections: Corrections, number: int) -> LineChange:
    return corrections.lines.get(number, LineChange())


def _moved(stroke: FoundStroke, start: Place, end: Place, number: int) -> FoundStroke:
    if math.dist(start, end) < LEAST_LINE_MM:
        raise ExerciseError(f"lines.{number}.moved", say("refused-line-too-short"))
    return replace(stroke, start=start, end=end, angle_sd_deg=BY_HAND_DEG)
