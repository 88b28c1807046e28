"""What lines can be laid on: a wall or a slope, by four corners, the way along and the way up."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Literal, NamedTuple

from orthopsis.perspective.vector import Vector, dot, minus, plus, times
from orthopsis.phrase import say
from orthopsis.pieces.shapes.house.form import FIRST
from orthopsis.pieces.shapes.house.hip import HELPS, Helps, Hip
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.planes import RoofPlane, slope_called
from orthopsis.pieces.shapes.house.walls import AROUND, Wall, opposite

SurfaceName = Literal[
    "left", "right", "front", "roof", "roof left", "roof right", "roof front", "roof side"
]


class Surface(NamedTuple):
    """A face of a house by its number, with the numbers of its corners: near and far foot, far and
    near top; the families of the lines along it and up it; and what it is. One that is shorter
    above has the corners of the rectangle around it, and there its `top` begins and ends.
    """

    face: int
    corners: tuple[int, int, int, int]
    along: str
    up: str
    lies: Wall | RoofPlane
    top: tuple[int, int] | None = None

    @property
    def outline(self) -> tuple[int, int, int, int]:
        """The corners of the face itself."""
        foot, far_foot, far, near = self.corners
        return (foot, far_foot, *(self.top or (near, far))[::-1])

    def ends(self, corners: Sequence[Vector], up: float) -> tuple[float, float]:
        """Where the face begins and ends so far up, as shares of the width of its foot."""
        if self.top is None:
            return 0.0, 1.0
        start, width = corners[self.corners[3]], self._way(corners, 3, 2)
        first, last = (dot(minus(corners[k], start), width) / dot(width, width) for k in self.top)
        return first * up, 1.0 - (1.0 - last) * up

    def highest(self, corners: Sequence[Vector], across: float) -> float:
        """How far up the face reaches there."""
        first, last = self.ends(corners, 1.0)
        if across < first:
            return across / first
        return (1.0 - across) / (1.0 - last) if across > last else 1.0

    def _way(self, corners: Sequence[Vector], a: int, b: int) -> Vector:
        return minus(corners[self.corners[b]], corners[self.corners[a]])

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
    if isinstance(house.roof, Hip):
        helps = next(one for one in HELPS if one.below_near == plane.slope.eave)
        near, far = _eave(house, helps)
        corners = near, far, helps.over_far, helps.over_near
        return Surface(form.names[name], corners, plane.along, plane.up, plane, (FIRST, FIRST + 1))
    number = next(
        k for k, face in enumerate(form.faces) if k > 4 and set(face) == set(plane.corners)
    )
    return Surface(number, plane.corners, plane.along, plane.up, plane)


def _eave(house: House, helps: Helps) -> tuple[int, int]:
    """The ends of the eave of a hip's long slope."""
    assert isinstance(house.roof, Hip)
    p, q, _, _ = house.roof.foot(house.walls)
    q1, p1, _, _ = opposite(house.roof.foot(house.walls))
    return (q, q1) if helps is HELPS[0] else (p, p1)
