"""Where a room is: its back wall, or the upright in which two walls meet.

From each corner the lines of floor and ceiling run on toward us: away from the point that they lead
to, as far as the sheet goes. In one point that is the one point; in a corner each wall's lines come
from the point on the other side.
"""

from __future__ import annotations

import math
from abc import abstractmethod
from collections.abc import Mapping, Sequence
from typing import Annotated, ClassVar, NamedTuple, Self

from pydantic import Field

from orthopsis.construction.moves import Mark
from orthopsis.perspective.plane import Point, toward
from orthopsis.perspective.segments import XY, Segment, at
from orthopsis.perspective.view import (
    HORIZONTAL,
    VERTICAL,
    VanishingPoint,
    View,
    eye_space,
    on_paper,
)
from orthopsis.phrase import say
from orthopsis.pieces.base import Grip, Measures, Name, PaperLength, Stage
from orthopsis.pieces.placement.anchor import Front
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.placement.placement import Placement
from orthopsis.pieces.roles import Editor, FieldRole

TOUCHING = 1e-9
"""What stands that near to a wall stands against it."""
BEYOND = 50.0
"""So many times as far from its point, a line of the floor has left the sheet."""
FURTHER = 1e3
"""So many times as far from its point as its corner, a line has left every sheet."""


def onward(start: Point, vp: Point, times: float = FURTHER) -> Segment:
    """A line away from a point, `times` as far again."""
    (x, y), (vx, vy) = start.xy, vp.xy
    return (x, y), (x + (x - vx) * times, y + (y - vy) * times)


def room_surface(earlier: Mapping[str, Placement], at: Point, view: View) -> str:
    """The surface of a room that is seen at a place of the sheet; "" where there is no room."""
    room = next((one for one in earlier.values() if isinstance(one, RoomPlace)), None)
    return room.surface_at(at.xy, view) if room else ""


class RoomLine(NamedTuple):
    """An edge between two corners of a room, by their numbers, and its family."""

    start: int
    end: int
    family: str


class Run(NamedTuple):
    """A line that comes toward us from a corner, the point that it leads to, and where it leaves
    the sheet.
    """

    corner: int
    point: VanishingPoint
    end: Point


class Wall(NamedTuple):
    """A wall on paper: a corner at the back of its foot, by its number, the point that the foot
    leads to, and what it covers, to beyond the sheet.
    """

    corner: int
    goal: VanishingPoint
    outline: tuple[XY, ...]


class RoomMarks(FrameMarks):
    """The corners of a room that is drawn, and its levels by their names."""

    def __init__(self, marks: Mapping[int, Mark], levels: Mapping[str, Mark]) -> None:
        super().__init__(marks)
        self.levels = levels


class RoomPlace(Placement):
    """What every room has: corners, edges between them, and lines that come toward us. `levels`
    are heights over the floor at the back, chosen once and carried round.
    """

    levels: Annotated[dict[Name, PaperLength], FieldRole.LENGTH, Editor.LEVELS] = Field(
        default_factory=dict
    )

    @abstractmethod
    def corners(self) -> Sequence[Point]:
        """The corners that are seen, by their numbers."""

    @abstractmethod
    def edges(self) -> Sequence[RoomLine]:
        """The edges between them."""

    @abstractmethod
    def points_of(self, stage: Stage) -> Sequence[tuple[int, VanishingPoint]]:
        """For each corner the points from which its lines come. Raises ExerciseError."""

    @property
    @abstractmethod
    def floor_mm(self) -> float:
        """How far down the sheet the floor begins at the back."""

    @property
    @abstractmethod
    def ceiling_mm(self) -> float:
        """How far down the ceiling does."""

    @abstractmethod
    def again(self, corners: Sequence[Point]) -> Measures:
        """What it is given by, with its corners elsewhere."""

    def runs(self, stage: Stage) -> list[Run]:
        """The lines of floor and ceiling. Raises ExerciseError."""
        corners, found = self.corners(), []
        for number, vp in self.points_of(stage):
            line = onward(corners[number], vp.at)
            portion = stage.sheet.clip(line)
            if portion is not None and portion[0] == 0.0:
                found.append(Run(number, vp, Point(*at(line, portion[1]))))
        return found

    @abstractmethod
    def walls(self, stage: Stage) -> Mapping[str, Wall]:
        """The walls by their names. Raises ExerciseError."""

    def wall_between(self, top: int, foot: int, vp: VanishingPoint) -> Wall:
        """The wall whose upper and lower line come from two corners toward us."""
        corners = self.corners()
        (upper, above), (lower, below) = (onward(corners[n], vp.at, BEYOND) for n in (top, foot))
        return Wall(foot, vp, (upper, above, below, lower))

    def level_mm(self, name: str) -> float:
        """How far down the sheet a level lies at the back; "" is the ceiling."""
        return self.floor_mm - self.levels[name] if name else self.ceiling_mm

    @abstractmethod
    def surfaces_at(self, place: XY, view: View) -> Mapping[str, float]:
        """How far out a place of the sheet lies for each surface: it is seen on the one for which
        that is most.
        """

    def surface_at(self, place: XY, view: View) -> str:
        """The surface on which a place of the sheet is seen."""
        found = self.surfaces_at(place, view)
        return max(found, key=found.__getitem__)

    def depth_on(self, surface: str, place: Point, stage: Stage) -> float | None:
        """How far away the ceiling or a wall is where it is seen at a place; None where it is
        not, or lies behind the back. Raises ExerciseError.
        """
        back, level_mm = stage.depth_at(self.floor_mm, self.tells), stage.view.eye_level_mm
        if surface == "ceiling":
            gone, whole = level_mm - place.y, level_mm - self.ceiling_mm
        elif surface in (walls := self.walls(stage)):
            wall = walls[surface]
            goal = wall.goal.at
            if goal.at_infinity:
                return back
            gone, whole = place.x - goal.x, self.corners()[wall.corner].x - goal.x
        else:
            return None
        return back * whole / gone if gone / whole >= 1.0 - TOUCHING else None

    def holds(self, surface: str, place: XY, view: View) -> bool:
        """Whether a place of the sheet is seen on a surface, or where that meets another."""
        found = self.surfaces_at(place, view)
        return found.get(surface, -math.inf) >= max(found.values()) - TOUCHING

    def floor_holds(self, place: XY, view: View) -> bool:
        """Whether it is seen on the floor."""
        return self.holds("floor", place, view)

    def height_at(self, stage: Stage, foot_mm: float, y_mm: float) -> float:
        """How far down the sheet what lies so far down at the back is, over a foot on the floor."""
        level_mm = stage.view.eye_level_mm
        return level_mm + (y_mm - level_mm) * (foot_mm - level_mm) / (self.floor_mm - level_mm)

    def floor_outline(self, stage: Stage) -> list[XY]:
        """The floor on paper, from where it begins at the back to beyond the sheet. Raises
        ExerciseError.
        """
        corners = self.corners()
        low = max(corner.y for corner in corners)
        # Each line of the floor, drawn on away from its point.
        lines = [(n, vp) for n, vp in self.points_of(stage) if corners[n].y == low]
        far = []
        for number, vp in lines:
            start, beyond = onward(corners[number], vp.at, BEYOND)
            far.append((beyond, start))
        left, right = sorted(far)
        back = [left[1]] if left[1] == right[1] else [left[1], right[1]]
        return [*back, right[0], left[0]]

    def check(self, stage: Stage) -> None:
        """Refuse a room whose floor or ceiling does not show from inside. Raises ExerciseError."""
        level_mm = stage.view.eye_level_mm
        if not self.ceiling_mm < level_mm < self.floor_mm:
            raise stage.refuse(self.tells, say("refused-room-eye"))

    def moved(self, stage: Stage, view: View) -> Self:
        """The same room on the sheet of a viewer who stands elsewhere."""
        depth = stage.depth_at(self.floor_mm, self.tells)
        there = [
            stage.view.place_seen_by(view, eye_space(corner, depth)) for corner in self.corners()
        ]
        grown = depth / there[-1][2]
        levels = {name: mm * grown for name, mm in self.levels.items()}
        places = [Point(*on_paper(place)) for place in there]
        return self.model_copy(update={self.tells: self.again(places), "levels": levels})

    def grips(self, stage: Stage) -> list[Grip]:
        """The levels, on the upright at the back."""
        del stage
        corners = self.corners()
        foot, top = corners[-1], corners[0]
        return [
            Grip("levels", name, foot, top, toward(foot, top, mm), label="grip-level")
            for name, mm in self.levels.items()
        ]


class BackWall(RoomPlace):
    """A room in one point: its `back` wall, in true shape. Corners 0 to 3 as on a front."""

    form: ClassVar = "back"
    tells: ClassVar = "back"
    sized: ClassVar = ("back.width_mm", "back.height_mm")
    systems: ClassVar = (1,)

    back: Front

    @classmethod
    def first_beside(
        cls, at: Point, size_mm: float, view: View, earlier: Mapping[str, Placement]
    ) -> BackWall:
        """Round the vanishing point, which lies a little to the left and below the middle."""
        del at, earlier
        vp = view.level_points[0].at
        wide_mm, high_mm = 2.0 * size_mm, 1.4 * size_mm
        x_mm, y_mm = (round(at_mm) for at_mm in (vp.x - 0.45 * wide_mm, vp.y - 0.55 * high_mm))
        return cls(back=Front(x_mm=x_mm, y_mm=y_mm, width_mm=wide_mm, height_mm=high_mm))

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> BackWall:
        del points
        return cls(back=Front(x_mm=at.x, y_mm=at.y - size_mm, width_mm=size_mm, height_mm=size_mm))

    @property
    def anchor(self) -> Point:
        return self.back.corners[0]

    def corners(self) -> Sequence[Point]:
        return self.back.corners

    def edges(self) -> Sequence[RoomLine]:
        families = HORIZONTAL, VERTICAL, HORIZONTAL, VERTICAL
        return [RoomLine(k, (k + 1) % 4, family) for k, family in enumerate(families)]

    def points_of(self, stage: Stage) -> Sequence[tuple[int, VanishingPoint]]:
        self.check(stage)
        (vp,) = stage.view.level_points
        return [(k, vp) for k in range(4)]

    def walls(self, stage: Stage) -> Mapping[str, Wall]:
        self.check(stage)
        across, vp, _ = stage.view.directions
        outline = tuple(corner.xy for corner in self.corners())
        return {
            "back": Wall(3, across, outline),
            "left": self.wall_between(0, 3, vp),
            "right": self.wall_between(1, 2, vp),
        }

    @property
    def floor_mm(self) -> float:
        return self.back.y_mm + self.back.height_mm

    @property
    def ceiling_mm(self) -> float:
        return self.back.y_mm

    def check(self, stage: Stage) -> None:
        if len(stage.view.level_points) != 1:
            raise stage.refuse("back", say("refused-back-in-two-point"))
        super().check(stage)
        x_mm = stage.view.level_points[0].at.x
        if not self.back.x_mm < x_mm < self.back.x_mm + self.back.width_mm:
            raise stage.refuse("back", say("refused-room-point"))

    def surfaces_at(self, place: XY, view: View) -> Mapping[str, float]:
        (x, y), vp, back = place, view.level_points[0].at, self.back
        # Of each surface how far out the place lies, counted from the point; at the wall it is 1.
        right_mm = back.x_mm + back.width_mm
        return {
            "left": (vp.x - x) / (vp.x - back.x_mm),
            "right": (x - vp.x) / (right_mm - vp.x),
            "ceiling": (vp.y - y) / (vp.y - self.ceiling_mm),
            "floor": (y - vp.y) / (self.floor_mm - vp.y),
            "back": 1.0,
        }

    def again(self, corners: Sequence[Point]) -> Front:
        (x_mm, y_mm), (right_mm, foot_mm) = corners[0].xy, corners[2].xy
        return Front(x_mm=x_mm, y_mm=y_mm, width_mm=right_mm - x_mm, height_mm=foot_mm - y_mm)
