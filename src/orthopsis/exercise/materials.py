"""What pupils need on the table, and how much of it for a class."""

from __future__ import annotations

import math
from typing import NamedTuple

from orthopsis.construction.moves import Do, Step
from orthopsis.errors import ExerciseError
from orthopsis.exercise.resolve import Scene
from orthopsis.phrase import Length, Number, Own, Phrase, say


class Material(NamedTuple):
    """A thing, and how many pupils can share one."""

    name: Phrase
    shared_by: int = 1
    spare: float = 0.0

    @property
    def each(self) -> Phrase:
        """What one pupil needs of it."""
        if self.shared_by == 1:
            return say("one-each")
        return say("one-for", pupils=Number(float(self.shared_by)))

    def for_class(self, pupils: int) -> int:
        """How many for a class, with a few spare where they are used up."""
        return math.ceil(pupils * (1.0 + self.spare) / self.shared_by)


def _steps(scene: Scene) -> list[Step]:
    """The steps that things are needed for; none where nothing can be drawn."""
    try:
        return scene.construction
    except ExerciseError:
        return []


def materials(scene: Scene) -> list[Material]:
    """The list for an exercise (common practice, no published source)."""
    wording, exercise = scene.wording, scene.exercise
    size = exercise.sheet.size
    paper = say("sheet-of", size=Own(size)) if isinstance(size, str) else say("sheet-of-own-size")
    plain_mm = 300.0 if wording.units != "in" else 304.8
    found = [
        Material(paper, spare=0.1),
        Material(say("pencil-hb"), spare=0.1),
        Material(say("pencil-2b"), spare=0.1),
        Material(say("eraser"), shared_by=2),
        Material(say("clear-ruler", long=Length(wording.ruler_mm or plain_mm))),
    ]
    used = {move.do for step in _steps(scene) for move in step.moves}
    if not used or {Do.SQUARE, Do.SLIDE} & used:
        one_each = wording.square == "folded paper"
        found.append(Material(say("square"), shared_by=1 if one_each else 2))
    found.append(Material(say("fineliner"), shared_by=2))
    if exercise.tone is not None:
        found.append(Material(say("coloured-pencils"), shared_by=3))
    beyond = len(scene.far_points)
    if beyond and wording.far == "ladders":
        found.append(Material(say("ladders", count=Number(float(beyond))), spare=0.1))
    elif beyond:
        found.append(Material(say("strips", count=Number(float(beyond))), spare=0.1))
        found.append(Material(say("tape"), shared_by=6))
    return found
