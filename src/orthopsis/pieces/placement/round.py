"""Where a circle is drawn that faces us: its middle and its radius on the sheet."""

from __future__ import annotations

from typing import ClassVar

from orthopsis.perspective.plane import Point
from orthopsis.pieces.base import Across, Down, Grip, Measures, PaperLength, Stage
from orthopsis.pieces.placement.placement import Placement


class Centre(Measures):
    """The middle of a circle, from the sheet's left and top."""

    x_mm: Across
    y_mm: Down


class RoundPlace(Placement):
    """A circle on the sheet."""

    form: ClassVar = "round"
    tells: ClassVar = "radius_mm"
    sized: ClassVar = ("radius_mm", "")
    systems: ClassVar = (1,)

    centre: Centre
    radius_mm: PaperLength

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> RoundPlace:
        del points
        return cls(centre=Centre(x_mm=at.x, y_mm=at.y), radius_mm=size_mm)

    @property
    def anchor(self) -> Point:
        return Point(self.centre.x_mm, self.centre.y_mm)

    def grips(self, stage: Stage) -> list[Grip]:
        """None: it is dragged by its measures."""
        del stage
        return []
