"""Light on paper: where its rays lead, where their shadows lead, and where both cross.

One rule serves every light. The shadow of an upright runs from its foot along the line to the
light's foot point; the ray through its top leads to the light; where they cross is the shadow's
tip. A sun before us has its foot point straight below it on the eye level, a sun behind us straight
above the place where its rays meet; a lamp has it on the plane that receives the shadow, plumb
under it; light from the side has none: its shadows run level. Source: handbooks of perspective
(from memory); the tests hold it to values worked out by hand.
"""

from __future__ import annotations

import math
from typing import NamedTuple

from orthopsis.perspective.plane import LEVEL, UPRIGHT, Line, Point, join, meet, part_way


class LightOnPaper(NamedTuple):
    """Where rays lead, `at`, and where shadows of uprights lead on a level plane, `foot`."""

    at: Point
    foot: Point

    @property
    def aside(self) -> bool:
        """Whether it comes from the side, along the sheet."""
        return self.foot.at_infinity


def from_the_side(right: bool, rise_deg: float) -> LightOnPaper:
    """Light along the sheet, from the right or the left, that falls at an angle.

    >>> from_the_side(True, 45).at.x > 0
    True
    """
    rise = math.radians(rise_deg)
    way = math.cos(rise) if right else -math.cos(rise)
    return LightOnPaper(Point(way, -math.sin(rise), 0.0), LEVEL)


def sun_at(place: Point, eye_level_mm: float) -> LightOnPaper:
    """A sun seen before us; below the eye level it is the point where its rays from behind meet."""
    return LightOnPaper(place, Point(place.x, eye_level_mm))


def in_line(top: Point, light: LightOnPaper) -> bool:
    """Whether an upright stands in line with the light, so that both guides lie in it and cross
    nowhere: its shadow is found by one that stands beside it.
    """
    return not light.aside and not light.at.at_infinity and abs(top.x - light.at.x) < IN_LINE_MM


def tip(top: Point, foot: Point, light: LightOnPaper) -> Point:
    """Where the shadow of an upright ends.

    >>> tip(Point(150, 190), Point(150, 240), from_the_side(True, 45)).xy[0].__round__(6)
    100.0
    >>> tip(Point(150, 190), Point(150, 240), sun_at(Point(150, 20), 140)).xy[1].__round__(6)
    311.428571
    """
    if in_line(top, light):
        # What is level across the sheet stays so in the shadow.
        beside = tip(Point(top.x + BESIDE_MM, top.y), Point(foot.x + BESIDE_MM, foot.y), light)
        return meet(join(beside, LEVEL), join(foot, light.foot))
    return meet(join(top, light.at), join(foot, light.foot))


AT_FOOT_MM = 1e-6
"""What stands so near to a wall stands against it."""
IN_LINE_MM = 1e-3
BESIDE_MM = 20.0
"""Of what stands nearer to being in line with the light the shadow is found so far beside it."""


class Tip(NamedTuple):
    """Where the shadow of an upright ends; on a wall also where it turns upright; and whether it is
    `reached`, before us and the way that the light falls.
    """

    at: Point
    turn: Point | None
    reached: bool


def tip_on(
    top: Point, foot: Point, light: LightOnPaper, wall_foot: Line | None, level_mm: float
) -> Tip:
    """The shadow of an upright on the floor, or on the wall that has its foot along a line.

    >>> tip_on(Point(150, 190), Point(150, 240), from_the_side(True, 45), join(
    ...     Point(120, 0), Point(120, 9)), 140).at.xy[1].__round__(6)
    220.0
    """
    guide = join(foot, light.foot)
    if wall_foot is None:
        at = tip(top, foot, light)
        return Tip(at, None, _ahead(foot, at, light) and at.xy[1] > level_mm)
    turn = meet(guide, wall_foot)
    if turn.at_infinity:
        return Tip(turn, turn, reached=False)
    (x, y), (foot_x, foot_y) = turn.xy, foot.xy
    if math.hypot(x - foot_x, y - foot_y) < AT_FOOT_MM:
        return Tip(top, turn, reached=True)
    if in_line(top, light):
        # What runs along the wall leads to the same point in the shadow.
        goal = meet(wall_foot, Line(0.0, 1.0, -level_mm))
        other = (_toward(one, goal) for one in (top, foot))
        beside = tip_on(next(other), next(other), light, wall_foot, level_mm)
        at = meet(join(beside.at, goal), join(turn, UPRIGHT))
    else:
        at = meet(join(top, light.at), join(turn, UPRIGHT))
    return Tip(at, turn, _ahead(foot, turn, light) and y > level_mm and not at.at_infinity)


def _ahead(foot: Point, place: Point, light: LightOnPaper) -> bool:
    """Whether a place lies where the shadow of an upright falls, and not toward the light."""
    if place.at_infinity:
        return False
    (x, y), (foot_x, foot_y) = place.xy, foot.xy
    if light.aside:
        return (x - foot_x) * light.at.x <= 0.0
    (from_x, from_y), (_, light_y) = light.foot.xy, light.at.xy
    away = (x - foot_x) * (foot_x - from_x) + (y - foot_y) * (foot_y - from_y)
    # The rays of a sun behind us meet below its foot point, and shadows lead there.
    return away >= 0.0 if light_y < from_y else away <= 0.0


def _toward(place: Point, goal: Point) -> Point:
    """A place a little nearer to a point, or beside where that lies at infinity."""
    if goal.at_infinity:
        return Point(place.x + BESIDE_MM, place.y)
    share = BESIDE_MM / max(abs(goal.x - place.x), 2.0 * BESIDE_MM)
    return part_way(place, goal, share)
