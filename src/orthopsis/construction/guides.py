"""Guide lines: drawn only as far as needed, which is known when all marks on them are made."""

from __future__ import annotations

import math
from dataclasses import dataclass, field

from orthopsis.construction.moves import Fate, Ruled, Step, StepStroke
from orthopsis.perspective.plane import Point, distance, toward
from orthopsis.perspective.segments import XY, at
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.stroke import Role, Stroke

GUIDE_OVERSHOOT_MM = 6.0
"""How far a guide line runs on past the last mark on it: only as far as needed."""


PENDING = StepStroke(Stroke((0.0, 0.0), (0.0, 0.0), "", Role.GUIDE, None), "guide")


@dataclass
class Guide:
    """A guide line whose drawn end waits for the marks that will be made on it."""

    ruled: Ruled
    step: Step
    place: int
    piece: str | None
    fate: Fate
    vp: Point
    until: XY | None = None
    reached: list[Point] = field(default_factory=list)

    def drawn(self, sheet: Sheet) -> StepStroke:
        """The line from its start past the furthest mark, never past its vanishing point."""
        start = self.ruled.start.at
        furthest = max((distance(start, mark) for mark in self.reached), default=0.0)
        end = toward(start, self.vp, furthest + GUIDE_OVERSHOOT_MM)
        if not self.vp.at_infinity:
            room = distance(start, self.vp)
            if not self.reached or room < furthest + GUIDE_OVERSHOOT_MM:
                end = self.vp
        if self.until is not None and math.dist(start.xy, self.until) < distance(start, end):
            end = Point(*self.until)
        segment = start.xy, end.xy
        on_sheet = sheet.clip(segment) or (0.0, 1.0)
        ends = at(segment, on_sheet[0]), at(segment, on_sheet[1])
        return StepStroke(Stroke(*ends, self.ruled.family, Role.GUIDE, self.piece), self.fate)
