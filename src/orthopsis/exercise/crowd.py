"""Which marks a step speaks of, and where they lie too close to be told apart."""

from __future__ import annotations

import math
from collections.abc import Sequence

from orthopsis.construction.moves import Mark, Step

CLOSE = 1.0 / 28.0
"""Marks nearer to one another than this share of the sheet's width crowd on a screen."""


def named_marks(made: Sequence[Step], number: int) -> list[Mark]:
    """The marks that the words of a step (from 1) use, wherever they were made."""
    names = made[number - 1].names
    marks = {mark.name: mark for step in made[:number] for mark in step.marks}
    return [mark for mark in marks.values() if mark.name in names and not mark.at.at_infinity]


def crowd(marks: Sequence[Mark], near_mm: float) -> list[Mark]:
    """The largest group of marks each of which is near another; none where all stand apart."""
    left = list(marks)
    groups: list[list[Mark]] = []
    while left:
        group = [left.pop(0)]
        for one in group:
            near = [mark for mark in left if math.dist(mark.at.xy, one.at.xy) < near_mm]
            group += near
            left = [mark for mark in left if mark not in near]
        groups.append(group)
    return max((group for group in groups if len(group) > 1), key=len, default=[])
