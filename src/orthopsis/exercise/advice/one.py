"""One piece of advice, and how a remedy is found: by trying the smallest change that mends."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator, Mapping
from dataclasses import dataclass

from orthopsis.errors import ExerciseError
from orthopsis.exercise.change import Change
from orthopsis.exercise.resolve import Scene
from orthopsis.perspective.segments import XY
from orthopsis.phrase import Phrase, Value
from orthopsis.pieces.roles import FieldRole, told

ROUND_MM = 5.0
"""Remedies move things by round measures."""


WEIGHTS = {
    "in-one-another": 10.0,
    "in-the-wall": 9.0,
    "points-too-close": 8.0,
    "outside-triangle": 6.0,
    "sliver": 5.0,
    "roof-point-far": 4.7,
    "hair-breadth": 4.5,
    "unforgiving": 4.0,
    "small-letters": 3.5,
    "flat-triangle": 3.0,
    "outside-cone": 3.0,
    "unreadable": 2.5,
    "shadow-by-hand": 1.5,
    "tape-strip": 1.0,
}
"""How much each matters at the most, the worst first."""


@dataclass(frozen=True)
class Advice:
    """One thing to know: its place on the sheet, its number, and what would mend it.

    `weight` orders advice, the worst first. `says` is what is said of it, `remedy` what its one
    button does, where there is one.
    """

    code: str
    where: XY
    number: float
    weight: float
    says: Phrase
    changes: tuple[Change, ...] = ()
    remedy: Phrase | None = None

    @classmethod
    def of(
        cls,
        code: str,
        where: XY,
        number: float,
        values: Mapping[str, Value],
        changes: tuple[Change, ...] = (),
        share: float = 1.0,
    ) -> Advice:
        """Advice whose phrases go by its code and speak of the same things; of a fault that comes
        in any degree, `share` is how far it goes.
        """
        weight = WEIGHTS[code] - (1.0 - share)
        remedy = Phrase(f"remedy-{code}", values) if changes else None
        return cls(code, where, number, weight, Phrase(f"advice-{code}", values), changes, remedy)


def steps_aside(scene: Scene, number: int) -> Iterator[tuple[float, tuple[Change, ...]]]:
    """A piece moved sideways by round steps, the smallest first."""
    path = ("pieces", number)
    place = scene.exercise.pieces[number].place
    # The place that it is taken hold of is the first of its measures.
    held = next((one for one in told(place, path) if one.role is FieldRole.ACROSS), None)
    if held is None:
        return
    for step_mm in (5.0, 10.0, 20.0, 40.0, 80.0, 160.0):
        for way in (step_mm, -step_mm):
            yield way, (Change(held.path, held.value + way),)


def first_that(
    scene: Scene,
    tries: Iterable[tuple[float, tuple[Change, ...]]],
    mends: Callable[[Scene], bool],
) -> tuple[float, tuple[Change, ...]] | None:
    """The first of some changes that can be drawn and mends."""
    for size, changes in tries:
        try:
            if mends(scene.changed(changes)):
                return size, changes
        except (ExerciseError, ValueError):
            continue
    return None
