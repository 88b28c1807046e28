"""One piece of advice, and how a remedy is found: by trying the smallest change that mends."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass, field
from typing import Any

from orthopsis.errors import ExerciseError
from orthopsis.exercise.change import Change, with_changes
from orthopsis.exercise.resolve import Scene, resolve
from orthopsis.perspective.segments import XY

ROUND_MM = 5.0
"""Remedies move things by round measures."""


@dataclass(frozen=True)
class Advice:
    """One thing to know: its place on the sheet, its number, and what would mend it.

    `weight` orders advice, the worst first. `more` are the names and numbers its words need.
    """

    code: str
    where: XY
    number: float
    weight: float
    changes: tuple[Change, ...] = ()
    more: dict[str, Any] = field(default_factory=dict)


def steps_aside(scene: Scene, number: int) -> Iterator[tuple[float, tuple[Change, ...]]]:
    """A piece moved sideways by round steps, the smallest first."""
    piece = scene.exercise.pieces[number]
    held = piece.front or piece.edge
    if held is None:
        return
    anchor, x_mm = "front" if piece.front is not None else "edge", held.x_mm
    for step_mm in (5.0, 10.0, 20.0, 40.0, 80.0, 160.0):
        for way in (step_mm, -step_mm):
            yield way, (Change(("pieces", number, anchor, "x_mm"), x_mm + way),)


def first_that(
    scene: Scene,
    tries: Iterable[tuple[float, tuple[Change, ...]]],
    mends: Callable[[Scene], bool],
) -> tuple[float, tuple[Change, ...]] | None:
    """The first of some changes that can be drawn and mends."""
    for size, changes in tries:
        try:
            if mends(resolve(with_changes(scene.exercise, changes))):
                return size, changes
        except (ExerciseError, ValueError):
            continue
    return None
