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

from orthopsis.perspective.plane import LEVEL, Point, join, meet


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


def tip(top: Point, foot: Point, light: LightOnPaper) -> Point:
    """Where the shadow of an upright ends.

    >>> tip(Point(150, 190), Point(150, 240), from_the_side(True, 45)).xy[0].__round__(6)
    100.0
    """
    return meet(join(top, light.at), join(foot, light.foot))
