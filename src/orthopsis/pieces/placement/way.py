"""A way over the ground: from the sheet's lower edge to a vanishing point."""

from __future__ import annotations

from typing import ClassVar

from pydantic import model_validator

from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point
from orthopsis.perspective.vector import Vector, plus
from orthopsis.perspective.view import eye_space
from orthopsis.phrase import say
from orthopsis.pieces.base import Across, Grip, Stage
from orthopsis.pieces.placement.to_point import ToPoint

FAR = 1e6
"""So many times as far away as the sheet's lower edge, a way has come to its point."""


class WayPlace(ToPoint):
    """The way's edges on the sheet's lower edge, from the left, and the point that it runs `to`."""

    form: ClassVar = "way"
    tells: ClassVar = "edges_mm"
    systems: ClassVar = (1, 2)

    edges_mm: tuple[Across, Across]

    @model_validator(mode="after")
    def _left_of_right(self) -> WayPlace:
        if self.edges_mm[1] <= self.edges_mm[0]:
            raise Unfit(say("refused-way-order"), "edges_mm")
        return self

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> WayPlace:
        del points
        return cls(edges_mm=(at.x - size_mm, at.x + size_mm))

    @property
    def anchor(self) -> Point:
        return Point(self.edges_mm[0], 0.0)

    def at_sheet(self, stage: Stage, x_mm: float) -> Point:
        """A place of the sheet's lower edge."""
        return Point(x_mm, stage.sheet.bounds[3])

    def in_space(self, stage: Stage, x_mm: float, gone: float = 0.0) -> Vector:
        """A place of the ground over the sheet's lower edge, in eye space, or so far from there to
        the point: `gone` counts true steps, each as long as the ground there is away.
        """
        y_mm = stage.sheet.bounds[3]
        depth = stage.depth_at(y_mm, "edges_mm")
        step = eye_space(self.goal(stage).at, depth * gone)
        return plus(eye_space(Point(x_mm, y_mm), depth), step)

    def grips(self, stage: Stage) -> list[Grip]:
        """None: it is dragged by its measures."""
        del stage
        return []
