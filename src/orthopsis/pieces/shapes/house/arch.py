"""An arch over an opening: its top lies over the perspective middle, its curve is drawn by hand."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import Annotated, Literal

from orthopsis.perspective.vector import Vector, minus, plus, times
from orthopsis.pieces.base import Measures, PaperLength
from orthopsis.pieces.roles import FieldRole
from orthopsis.pieces.shapes.house.form import raised

CHORDS = 32
"""A curve by hand is so many short lines; each lies within a fiftieth of a millimetre of it on
usual sheets.
"""


class Arch(Measures):
    """How an opening ends above: `round` by half an ellipse, or `pointed` by two bows; `rise_mm` is
    how far its top lies above the head, marked on the wall's near upright.
    """

    shape: Annotated[Literal["round", "pointed"], FieldRole.CHOICE] = "round"
    rise_mm: PaperLength

    def rise(self, foot: Vector, up: Vector, head_mm: float) -> Vector:
        """How far up that is, as a way of space, over a wall's near foot; `up` is a step up."""
        head, top = (raised(foot, up, mm) for mm in (head_mm, head_mm + self.rise_mm))
        return minus(top, head)

    def curve(self, near: Vector, away: Vector, rise: Vector) -> list[Vector]:
        """Places along it, from the near end of the head to the far one."""
        along = minus(away, near)
        return [
            plus(near, plus(times(along, across), times(rise, high)))
            for across, high in self._shares()
        ]

    def _shares(self) -> Sequence[tuple[float, float]]:
        """Shares of the opening's width and of the rise along the curve."""
        steps = [k / CHORDS for k in range(CHORDS + 1)]
        if self.shape == "round":
            turns = (math.pi * step for step in steps)
            return [((1.0 - math.cos(turn)) / 2.0, math.sin(turn)) for turn in turns]
        # Each bow is a part of a circle about the foot of the other, up to a sixth of a turn.
        whole = math.pi / 3.0
        bow = [
            (1.0 - math.cos(whole * 2.0 * step), math.sin(whole * 2.0 * step) / math.sin(whole))
            for step in steps
            if step <= 0.5
        ]
        return [*bow, *((1.0 - across, high) for across, high in bow[-2::-1])]
