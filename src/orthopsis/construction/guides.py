"""Guide lines: drawn only as far as needed, which is known when all marks on them are made."""

from __future__ import annotations

import math
from dataclasses import dataclass, field

from orthopsis.construction.moves import Fate, Ruled, Step, StepStroke
from orthopsis.perspective.plane import Point, distance, toward
from orthopsis.perspective.segments import XY, at
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.stroke import Part, Role, Stroke

GUIDE_OVERSHOOT_MM = 6.0
"""How far a guide line runs on past the last mark on it: only as far as needed."""


NOT_YET = Stroke((0.0, 0.0), (0.0, 0.0), "", Role.GUIDE, None)


@dataclass(eq=False)
class Guide:
    """A guide line whose drawn end waits for the marks that will be made on it.

    Until then `pending` holds its place among the step's strokes.
    """

    ruled: Ruled
    step: Step
    part: Part
    fate: Fate
    vp: Point
    until: XY | None = None
    reached: list[Point] = field(default_factory=list)
    pending: StepStroke = field(init=False)
    put_down: list[StepStroke] = field(default_factory=list)
    """What has been drawn of it."""

    def __post_init__(self) -> None:
        self.pending = StepStroke(NOT_YET._replace(part=self.part), self.fate)
        self.step.strokes.append(self.pending)

    def put(self, drawn: list[StepStroke]) -> None:
        """The finished line in its place."""
        strokes = self.step.strokes
        place = next(k for k, one in enumerate(strokes) if one is self.pending)
        strokes[place : place + 1] = self.put_down = drawn

    def take_up(self) -> None:
        """Put back to where its end is not known yet, if it was finished."""
        strokes = self.step.strokes
        if any(one is self.pending for one in strokes):
            return
        own = {id(one) for one in self.put_down}
        place = next((k for k, one in enumerate(strokes) if id(one) in own), len(strokes))
        strokes[:] = [one for one in strokes if id(one) not in own]
        strokes.insert(place, self.pending)
        self.put_down = []

    def drawn(self, sheet: Sheet, *, whole: bool) -> StepStroke:
        """The line from its start past the furthest mark, never past its vanishing point; the
        `whole` of it goes right there.
        """
        start = self.ruled.start.at
        furthest = max((distance(start, mark) for mark in self.reached), default=0.0)
        end = toward(start, self.vp, furthest + GUIDE_OVERSHOOT_MM)
        if not self.vp.at_infinity:
            room = distance(start, self.vp)
            if whole or not self.reached or room < furthest + GUIDE_OVERSHOOT_MM:
                end = self.vp
        if self.until is not None and math.dist(start.xy, self.until) < distance(start, end):
            end = Point(*self.until)
        segment = start.xy, end.xy
        on_sheet = sheet.clip(segment) or (0.0, 1.0)
        ends = at(segment, on_sheet[0]), at(segment, on_sheet[1])
        return StepStroke(Stroke(*ends, self.ruled.family, Role.GUIDE, self.part), self.fate)
