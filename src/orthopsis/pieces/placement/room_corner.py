"""A room in two points, by the upright of its corner."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import ClassVar

from pydantic import model_validator

from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import XY
from orthopsis.perspective.view import VERTICAL, VanishingPoint, View
from orthopsis.phrase import say
from orthopsis.pieces.base import Across, Down, Measures, Stage
from orthopsis.pieces.placement.placement import Placement
from orthopsis.pieces.placement.room import RoomLine, RoomPlace, Wall


class Upright(Measures):
    """Where two walls meet, from the sheet's left and top."""

    x_mm: Across
    top_mm: Down
    bottom_mm: Down

    @model_validator(mode="after")
    def _downward(self) -> Upright:
        if self.bottom_mm <= self.top_mm:
            raise Unfit(say("refused-bottom-above"))
        return self


class Corner(RoomPlace):
    """A room in two points: the upright of its `corner`. Corner 0 lies above, 1 on the floor."""

    form: ClassVar = "corner"
    tells: ClassVar = "corner"
    sized: ClassVar = ("", "corner.bottom_mm")
    systems: ClassVar = (2,)

    corner: Upright

    @classmethod
    def first_beside(
        cls, at: Point, size_mm: float, view: View, earlier: Mapping[str, Placement]
    ) -> Corner:
        """Across the eye level, where it was put."""
        del earlier
        left, right = (vp.at.x for vp in view.level_points)
        x_mm = min(max(at.x, left + size_mm), right - size_mm)
        top_mm, foot_mm = (round(view.eye_level_mm + by * size_mm) for by in (-0.9, 0.6))
        return cls(corner=Upright(x_mm=round(x_mm), top_mm=top_mm, bottom_mm=foot_mm))

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> Corner:
        del points
        return cls(corner=Upright(x_mm=at.x, top_mm=at.y - size_mm, bottom_mm=at.y))

    @property
    def anchor(self) -> Point:
        return Point(self.corner.x_mm, self.corner.top_mm)

    def corners(self) -> Sequence[Point]:
        x_mm = self.corner.x_mm
        return Point(x_mm, self.corner.top_mm), Point(x_mm, self.corner.bottom_mm)

    def edges(self) -> Sequence[RoomLine]:
        return [RoomLine(0, 1, VERTICAL)]

    def points_of(self, stage: Stage) -> Sequence[tuple[int, VanishingPoint]]:
        self.check(stage)
        left, right = stage.view.level_points
        # The left wall's lines come from the right point, and the other way round.
        return [(0, right), (1, right), (0, left), (1, left)]

    def walls(self, stage: Stage) -> Mapping[str, Wall]:
        self.check(stage)
        left, right = stage.view.level_points
        return {"left": self.wall_between(0, 1, right), "right": self.wall_between(0, 1, left)}

    @property
    def floor_mm(self) -> float:
        return self.corner.bottom_mm

    @property
    def ceiling_mm(self) -> float:
        return self.corner.top_mm

    def check(self, stage: Stage) -> None:
        points = stage.view.level_points
        if len(points) != 2 or not stage.view.uprights.at.at_infinity:
            raise stage.refuse("corner", say("refused-corner-in-one-point"))
        super().check(stage)
        if not points[0].at.x < self.corner.x_mm < points[1].at.x:
            raise stage.refuse("corner.x_mm", say("refused-corner-beyond"))

    def surfaces_at(self, place: XY, view: View) -> Mapping[str, float]:
        x, y = place
        left, right = view.level_points
        level_mm = view.eye_level_mm
        # A wall runs to the point on the other side; how high it is goes with the distance there.
        side, vp = ("left", right) if x < self.corner.x_mm else ("right", left)
        grown = (x - vp.at.x) / (self.corner.x_mm - vp.at.x)
        below = (y - level_mm) / (self.floor_mm - level_mm) / grown
        above = (level_mm - y) / (level_mm - self.ceiling_mm) / grown
        return {"floor": below, "ceiling": above, side: 1.0}

    def again(self, corners: Sequence[Point]) -> Upright:
        top, foot = corners
        return Upright(x_mm=foot.x, top_mm=top.y, bottom_mm=foot.y)
