"""How exactly an exercise must be measured: what a small misreading does to the finished drawing.

A ruler is read to half a millimetre. Some drawings forgive that; in others a far corner, where two
lines cross at a flat angle, wanders by many times as much. Every move of the construction knows
the marks it uses, so the doubt of each mark follows from theirs. The forgiveness is the misreading
that moves no corner by more than a line's end may gape.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from orthopsis.construction.doubt import doubt
from orthopsis.construction.moves import Step
from orthopsis.exercise.change import Change, NewValue
from orthopsis.exercise.document import ViewSpec
from orthopsis.exercise.resolve import Scene, steps
from orthopsis.perspective.segments import XY
from orthopsis.pieces.roles import SET_ON_PAPER, FieldRole, Path, told

READING_MM = 0.5
"""What a ruler is read to (common practice, no published source)."""

GAPE_MM = 1.5
"""What a corner may gape or overshoot (common practice, no published source)."""


@dataclass(frozen=True)
class Forgiveness:
    """`mm` may be misread everywhere before a corner gapes; the corner at `where` gapes first."""

    mm: float
    where: XY


def forgiveness(made: Sequence[Step]) -> Forgiveness | None:
    """The forgiveness of a construction; None when nothing is drawn."""
    corners = [mark for step in made for mark in step.corners if not mark.at.at_infinity]
    if not corners:
        return None
    worst = max(corners, key=lambda mark: doubt(mark.sway))
    return Forgiveness(GAPE_MM / doubt(worst.sway), worst.at.xy)


def rounded_miss_mm(scene: Scene) -> float:
    """How far corners lie off the construction when every measure is set to half a millimetre.

    Raises ExerciseError, NoDrawingOrder.
    """
    true, read = (
        [mark for step in one for mark in step.corners]
        for one in (scene.construction, steps(scene, READING_MM))
    )
    if len(true) != len(read):
        # A line that was seen barely, or barely hidden, has come or gone.
        places = {mark.name: mark for mark in true}
        true = [places[mark.name] for mark in read if mark.name in places]
        read = [mark for mark in read if mark.name in places]
    return max((math.dist(a.at.xy, b.at.xy) for a, b in zip(true, read, strict=True)), default=0.0)


@dataclass(frozen=True)
class SetMeasure:
    """One measure that a pupil sets: where it stands in the document and its value.

    `per_mm` is what the field changes by for a millimetre on paper, `index` its place in a pair;
    `down` tells that it is counted from the top.
    """

    path: Path
    value: float
    per_mm: float = 1.0
    pair: tuple[float, float] | None = None
    index: int = 0
    down: bool = False

    def off(self, mm: float) -> Change:
        """The document's change when it is misread by so much."""
        value = self.value + mm * self.per_mm
        new: NewValue = value
        if self.pair is not None:
            new = (value, self.pair[1]) if self.index == 0 else (self.pair[0], value)
        return Change(self.path, new)


def set_measures(scene: Scene) -> Iterator[SetMeasure]:
    """Every measure that a pupil sets, those of the views first."""
    yield from _of_view(("view",), scene.exercise.view)
    for name, view in scene.exercise.views.items():
        # All views of a sheet share the eye level, so it is read once.
        yield from (one for one in _of_view(("views", name), view) if one.down is False)
    for number, piece in enumerate(scene.exercise.pieces):
        grips = piece.grips(scene.stage(number))
        ways = {grip.field: math.dist(grip.start.xy, grip.goal.xy) for grip in grips}
        for path, role, value in told(piece.place, ("pieces", number)):
            way = ways.get(str(path[2]), 0.0)
            if role in SET_ON_PAPER:
                yield SetMeasure(path, value)
            elif role is FieldRole.SHARE and way:
                yield SetMeasure(path, value, 1.0 / way)


def _of_view(path: Path, view: ViewSpec) -> Iterator[SetMeasure]:
    for where, role, value in told(view, path):
        if role not in SET_ON_PAPER:
            continue
        *field, last = where
        if isinstance(last, int):
            pair = getattr(view, str(field[-1]))
            yield SetMeasure(tuple(field), value, pair=pair, index=last)
        else:
            yield SetMeasure(where, value, down=role is FieldRole.DOWN)
