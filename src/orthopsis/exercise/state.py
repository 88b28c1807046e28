"""The sheet at one moment of the construction: which lines are on it, and how they look."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from orthopsis.construction.moves import Step, StepStroke
from orthopsis.exercise.resolve import Scene, picture
from orthopsis.exercise.shadows import shadows
from orthopsis.perspective.stroke import Stroke


def lines_after(steps: Sequence[Step], number: int) -> Iterator[tuple[StepStroke, str]]:
    """Every line on the sheet after a step, with its state.

    States: new (this step's), light (still a pencil line), dark (darkened), struck (erased in
    this step). Lines erased in earlier steps are gone.
    """
    gone = {k for step in steps[: number - 1] for k in step.erases}
    dark = {k for step in steps[:number] for k in step.darkens}
    struck = set(steps[number - 1].erases)
    position = 0
    for i, step in enumerate(steps[:number], start=1):
        for drawn in step.strokes:
            if position not in gone:
                state = "new" if i == number else "light"
                if position in struck:
                    state = "struck"
                elif position in dark:
                    state = "dark"
                yield drawn, state
            position += 1


def strokes_at(scene: Scene, made: Sequence[Step], number: int | None) -> list[Stroke]:
    """The lines on the sheet after a step, or those of the finished picture."""
    if number is None:
        return [*picture(scene), *shadows(scene)]
    return [drawn.stroke for drawn, _ in lines_after(made, number)]
