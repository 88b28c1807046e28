"""What pupils need on the table, and how much of it for a class."""

from __future__ import annotations

import math
from typing import NamedTuple

from orthopsis.exercise.resolve import Scene


class Material(NamedTuple):
    """A thing, and how many pupils can share one."""

    name: str
    shared_by: int = 1
    spare: float = 0.0

    @property
    def each(self) -> str:
        """What one pupil needs of it."""
        return "1" if self.shared_by == 1 else f"1 for {self.shared_by}"

    def for_class(self, pupils: int) -> int:
        """How many for a class, with a few spare where they are used up."""
        return math.ceil(pupils * (1.0 + self.spare) / self.shared_by)


def materials(scene: Scene) -> list[Material]:
    """The list for an exercise (common practice, no published source)."""
    wording, exercise = scene.wording, scene.exercise
    size = exercise.sheet.size if isinstance(exercise.sheet.size, str) else "drawing"
    eraser = "rubber" if wording.spelling == "UK" else "eraser"
    plain_mm = 300.0 if wording.units != "in" else 304.8
    ruler = wording.length(wording.ruler_mm or plain_mm)
    found = [
        Material(f"sheet of {size} paper", spare=0.1),
        Material("HB pencil", spare=0.1),
        Material("2B pencil", spare=0.1),
        Material(eraser, shared_by=2),
        Material(f"clear ruler, {ruler}"),
        Material(wording.square, shared_by=1 if wording.square == "folded paper" else 2),
        Material("fineliner for inking", shared_by=2),
    ]
    if exercise.tone is not None:
        found.append(Material("set of coloured pencils", shared_by=3))
    beyond = len(scene.far_points)
    if beyond:
        each = "a strip" if beyond == 1 else f"{beyond} strips"
        found.append(Material(f"{each} of paper for the far points", spare=0.1))
        found.append(Material("roll of tape", shared_by=6))
    return found
