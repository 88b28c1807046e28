"""What lines can be laid on: a wall or a slope, by four corners, the way along and the way up."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Literal, NamedTuple

from orthopsis.perspective.vector import Vector, minus, plus, times
from orthopsis.phrase import say
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.planes import RoofPlane, slope_called
from orthopsis.pieces.shapes.house.walls import AROUND, Wall

SurfaceName = Literal[
    "left", "right", "front", "roof", "roof left", "roof right", "roof front", "roof side"
]


class Surface(NamedTuple):
    """A face of a house by its number, with the numbers of its corners: near and far foot, far and
    near top; the families of the lines along it and up it; and what it is.
    """

    face: int
    corners: tuple[int, int, int, int]
    along: str
    up: str
    lies: Wall | RoofPlane

    def at(self, corners: Sequence[Vector], across: float, up: float) -> Vector:
        """The place at these shares of its width and height, in true measure."""
        a, b, _, d = (corners[k] for k in self.corners)
        return plus(a, plus(times(minus(b, a), across), times(minus(d, a), up)))


def surface_of(house: House, name: SurfaceName, field: str) -> Surface:
    """The wall or slope of that name. Raises ExerciseError where there is none of four corners."""
    form = house.form
    if name in ("left", "right", "front") and name in house.walls.by_name:
        wall = house.walls.by_name[name]
        number = AROUND.index(wall.corners)
        if len(form.faces[number]) == 4 and set(form.faces[number]) == set(wall.corners):
            (top, foot), (far_top, far_foot) = wall.near_upright, wall.far_upright
            uprights = house.stage.view.uprights.name
            return Surface(number, (foot, far_foot, far_top, top), wall.family, uprights, wall)
        raise house.stage.refuse(field, say("refused-pattern-under-roof"))
    plane = slope_called(house, name, field)
    number = next(
        k for k, face in enumerate(form.faces) if k > 4 and set(face) == set(plane.corners)
    )
    return Surface(number, plane.corners, plane.along, plane.up, plane)
