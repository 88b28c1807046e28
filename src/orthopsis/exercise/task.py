"""What one pupil draws: the exercise by a demand, and perhaps an own word in place of its first.

A class may draw one exercise in several ways at a time; what the printer puts on a sheet, the judge
must hold it against. A printed sheet says it by its code, `orthopsis:EXERCISE:VERSION[:PUPIL]` with
`:f` or `:s` behind it for first steps or stretch: short, so that its squares can be large.
"""

from __future__ import annotations

import re
from typing import NamedTuple

from orthopsis.exercise.demand import for_demand
from orthopsis.exercise.document import DemandName, Exercise
from orthopsis.exercise.personal import with_text

LETTERS: dict[DemandName, str] = {"first steps": "f", "stretch": "s"}
WRITTEN = re.compile(r"orthopsis:(\d{1,9}):(\d{1,9})(?::(\d{1,9}))?(?::([fs]))?")


class Task(NamedTuple):
    """A demand, and the word that a pupil draws instead of the exercise's."""

    demand: DemandName = "standard"
    word: str | None = None


STANDARD_TASK = Task()


class SheetCode(NamedTuple):
    """What a printed sheet says of itself."""

    exercise: int
    version: int
    pupil: int | None = None
    demand: DemandName = "standard"

    @property
    def text(self) -> str:
        """As it is written in a QR code."""
        said = ["orthopsis", self.exercise, self.version, self.pupil, LETTERS.get(self.demand)]
        return ":".join(str(part) for part in said if part is not None)

    @classmethod
    def read(cls, text: str) -> SheetCode | None:
        """The code that a text is; None when it is none of ours."""
        said = WRITTEN.fullmatch(text)
        if said is None:
            return None
        exercise, version, pupil, letter = said.groups()
        demands = {letter: demand for demand, letter in LETTERS.items()}
        return cls(
            int(exercise),
            int(version),
            int(pupil) if pupil else None,
            demands.get(letter, "standard"),
        )


def as_asked(exercise: Exercise, task: Task) -> Exercise:
    """The exercise that a pupil draws. Raises ExerciseError where it has no such word or demand."""
    asked = exercise if task.demand == "standard" else for_demand(exercise, task.demand)
    return asked if task.word is None else with_text(asked, task.word)


def has_word(exercise: Exercise) -> bool:
    """Whether a pupil could draw a word of their own."""
    return any(piece.word is not None for piece in exercise.pieces)
