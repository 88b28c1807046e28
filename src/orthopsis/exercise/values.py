"""The value of a plane, 0 paper white to 3 darkest, by how it is turned to the light.

Values: common practice, no published source.
"""

from __future__ import annotations

import math
from typing import Literal

from orthopsis.exercise.light import SideLight, SunLight
from orthopsis.perspective.vector import Vector, dot, times
from orthopsis.perspective.view import View

LEVEL_FACE = math.sin(math.radians(35.0))
"""A plane turned up or down by more than this is a top or an underside."""

VALUES = {
    ("top", 4): {"top": 0, "lit": 1, "front": 2, "dark": 3, "under": 3},
    ("front", 4): {"front": 0, "top": 1, "lit": 2, "dark": 3, "under": 3},
    ("top", 3): {"top": 0, "lit": 1, "dark": 1, "front": 2, "under": 2},
    ("front", 3): {"front": 0, "top": 1, "lit": 2, "dark": 2, "under": 2},
}
"""By the lightest plane and how many values there are: with three, both sides have one."""


def side_of_light(light: str | SideLight | SunLight, view: View) -> str:
    """From which side a light comes, seen from us: what stands between is lit on that side. A
    lamp's depends on the thing.
    """
    if isinstance(light, SideLight):
        return light.from_
    if isinstance(light, SunLight):
        x, _ = view.eye.principal.xy if view.eye else view.level_points[0].at.xy
        # A sun behind us shines on what is turned to the other side.
        behind = light.y_mm > view.eye_level_mm
        return "right" if (light.x_mm > x) != behind else "left"
    return light


Side = Literal["top", "lit", "front", "dark", "under"]


def turned_to(normal: Vector, view: View, light: str) -> str:
    """Where a plane is turned: ``top``, ``under``, ``front``, to the light or away from it.

    The normal is taken in the view's own directions, each by its true length where there is one.
    """
    across, away, down = view.directions
    way = [
        times((*vp.at,), 1.0 / view.true_length(vp.at) if view.eye else 1.0)
        for vp in (across, away, down)
    ]
    # How far the plane's normal reaches along each direction.
    first, second, third = (dot(normal, w) for w in way)
    size = math.sqrt(first * first + second * second + third * third) or 1.0
    below = view.uprights.at.at_infinity or view.uprights.at.xy[1] > view.eye_level_mm
    up = (-third if below else third) / size
    if abs(up) > LEVEL_FACE:
        return "top" if up > 0.0 else "under"
    one_point = len(view.level_points) == 1
    if one_point and abs(second) > abs(first):
        return "front"
    # In two points what is turned away from the left point is turned to the right.
    right = first if one_point else second - first
    return "lit" if (right > 0.0) == (light == "right") else "dark"
