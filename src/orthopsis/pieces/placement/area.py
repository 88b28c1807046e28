"""Where something is drawn by hand: a box on the sheet."""

from __future__ import annotations

from typing import ClassVar

from orthopsis.perspective.plane import Point
from orthopsis.pieces.base import Grip, Stage
from orthopsis.pieces.placement.anchor import Front
from orthopsis.pieces.placement.placement import Placement


class InArea(Placement):
    """The box on the sheet that it fills; on the ground its lower side is where it stands."""

    form: ClassVar = "area"
    tells: ClassVar = "area"
    sized: ClassVar = ("area.width_mm", "area.height_mm")
    systems: ClassVar = (1, 2, 3)

    area: Front

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> InArea:
        del points
        area = Front(x_mm=at.x, y_mm=at.y - size_mm, width_mm=size_mm, height_mm=size_mm)
        return cls(area=area)

    @property
    def anchor(self) -> Point:
        return Point(self.area.x_mm, self.area.y_mm)

    def grips(self, stage: Stage) -> list[Grip]:
        """None: it is dragged by its corners."""
        del stage
        return []
