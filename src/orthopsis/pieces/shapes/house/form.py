"""The form of a house: its faces by their names, and where its further corners lie.

The same form serves the picture, in eye space, and what is planned on paper: there a place with the
nearness n is at (x / n, y / n, 1 / n), and parts are parts. The moves of the construction know
nothing of it.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from itertools import pairwise

from orthopsis.perspective.plane import Point
from orthopsis.perspective.vector import Vector, minus, plus, times
from orthopsis.perspective.view import VanishingPoint, on_paper
from orthopsis.pieces.placement.corners import EDGE_ON_MM, thickness_mm
from orthopsis.pieces.shapes.house.walls import AROUND, FLOOR, Walls

Pair = tuple[int, int]
FIRST = 8
"""The number of the first corner that is not the block's."""
ROOF_POINT, OVER = -1, -2
"""Under these numbers the marks of a house have its roof's own point and the middle of the line
below its peak, where they were found.
"""


@dataclass(frozen=True)
class Form:
    """Faces clockwise from outside, their names, and the families of edges that a block lacks.

    `slopes` are lines up the roof: their families are points of their own, or none.
    """

    faces: tuple[tuple[int, ...], ...]
    names: Mapping[str, int] = field(default_factory=dict)
    families: Mapping[Pair, str] = field(default_factory=dict)


def pair(a: int, b: int) -> Pair:
    """An edge by its corners, the smaller number first."""
    return min(a, b), max(a, b)


def block_families(walls: Walls) -> dict[Pair, str]:
    """The families of a block's twelve edges."""
    view = walls.stage.view
    points = [vp.name for vp in view.level_points]
    front = walls.by_name["front" if walls.one_point else "left"].family
    families: dict[Pair, str] = {}
    for a, b in ((0, 1), (2, 3), (4, 5), (6, 7)):
        families[a, b] = front
    for a, b in ((0, 3), (1, 2), (5, 6), (4, 7)):
        families[pair(a, b)] = view.uprights.name
    for k in range(4):
        families[k, k + 4] = points[-1]
    return families


def walls_of(changed: Mapping[tuple[int, ...], tuple[int, ...]]) -> list[tuple[int, ...]]:
    """The four walls, with those that a roof has changed, and the floor."""
    return [*(changed.get(wall, wall) for wall in AROUND), FLOOR]


def raised(place: Vector, up: Vector, mm: float) -> Vector:
    """What lies so many mm above a place on paper, straight up in space.

    `up` is a step up of any length.
    """
    _, y, depth = place
    here, above = on_paper(place), on_paper(plus(place, times(up, 1e-3)))
    rise = minus((*above, 0.0), (*here, 0.0))
    long = (rise[0] ** 2 + rise[1] ** 2) ** 0.5
    there = here[1] + rise[1] / long * mm
    return plus(place, times(up, (there * depth - y) / (up[1] - there * up[2])))


def middle(one: Vector, other: Vector) -> Vector:
    """The true middle between two places."""
    return times(plus(one, other), 0.5)


def vanishing(name: str, one: Vector, other: Vector) -> VanishingPoint:
    """The point of a line of space."""
    x, y, depth = minus(other, one)
    if abs(depth) < 1e-12 * max(abs(x), abs(y)):
        return VanishingPoint(name, Point(x, y, 0.0))
    return VanishingPoint(name, Point(x / depth, y / depth, 1.0))


def of_corners(corners: Sequence[Vector]) -> Vector:
    """A step up: from the foot of a block's front upright to its top."""
    return minus(corners[1], corners[2])


def turned_to_us(loop: Sequence[int], places: Sequence[Point]) -> bool:
    """Whether a face shows its outside: its outline runs clockwise on paper."""
    return thickness_mm([places[k] for k in loop]) > EDGE_ON_MM


def seen_pairs(
    faces: Sequence[Sequence[int]], places: Sequence[Point], transparent: bool
) -> set[Pair]:
    """Edges that border a face that shows; all of what is seen through."""
    return {
        pair(a, b)
        for loop in faces
        if transparent or turned_to_us(loop, places)
        for a, b in pairwise((*loop, loop[0]))
    }
