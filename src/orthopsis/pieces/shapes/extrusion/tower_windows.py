"""Windows in the walls of a tower whose roof faces us, drawn by hand: their heads run like the edge
of the roof, and their sides to the point or, quicker, like the wall's own edge.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from itertools import pairwise
from typing import Annotated, Literal, NamedTuple

from pydantic import Field

from orthopsis.perspective.plane import Point, distance, turn
from orthopsis.perspective.segments import XY
from orthopsis.perspective.vector import Vector, cross, dot, minus, plus, times
from orthopsis.perspective.view import on_paper
from orthopsis.pieces.base import Measures
from orthopsis.pieces.roles import FieldRole

PIER, OPEN, GROUND = 1.0, 2.0, 2.0
"""A pier and an opening, along the roof and down the wall, and what is left above the ground."""
LEAST_EDGE_MM = 6.0
"""A wall under a shorter edge of the roof has no windows."""
Count = Annotated[int, Field(ge=1, le=12), FieldRole.COUNT]


class TowerWindows(Measures):
    """So many `rows` of windows, with so many in each, in every wall that shows and that nothing of
    the tower itself stands before. Their sides go `to the point`, or run `like the walls`.
    """

    rows: Count = 3
    columns: Count = 2
    sides: Annotated[Literal["to the point", "like the walls"], FieldRole.CHOICE] = "to the point"


class Wall(NamedTuple):
    """A wall by its corners in space: both ends of the roof's edge, and those behind them."""

    start: Vector
    end: Vector
    behind_end: Vector
    behind_start: Vector

    def at(self, across: float, deep: float) -> Vector:
        """The place at these shares of its width and depth."""
        along, back = minus(self.end, self.start), minus(self.behind_start, self.start)
        return plus(self.start, plus(times(along, across), times(back, deep)))

    def under(self, place: XY) -> Vector:
        """The place of its plane that is seen at a place on paper."""
        normal = cross(minus(self.end, self.start), minus(self.behind_start, self.start))
        ray = (*place, 1.0)
        return times(ray, dot(normal, self.start) / dot(normal, ray))


def walls_with_windows(
    corners: Sequence[Vector], behind: Sequence[Vector], vp: Point
) -> list[Wall]:
    """The walls behind those sides of the roof that lie on its outermost line and show.

    `corners` go round the roof. No part of the tower stands before these: they lie outside of it.
    """
    places = [Point(*on_paper(corner)) for corner in corners]
    # Positive when the corners run clockwise to the eye.
    around = sum(turn(places[0], a, b) for a, b in pairwise(places[1:]))
    found = []
    for k, here in enumerate(places):
        after = (k + 1) % len(places)
        there = places[after]
        outside = (turn(here, there, one) * around for one in places)
        outermost = all(side > -1e-6 for side in outside)
        if not outermost or distance(here, there) < LEAST_EDGE_MM:
            continue
        if turn(here, there, vp) * around < 0.0:
            found.append(Wall(corners[k], corners[after], behind[after], behind[k]))
    return found


def windows_in(wall: Wall, windows: TowerWindows) -> Iterator[list[Vector]]:
    """Each window of a wall as a closed line, its first place again at the end."""
    for near, far in _shares(windows.rows, at_end=GROUND):
        for left, right in _shares(windows.columns):
            if windows.sides == "to the point":
                corners = [wall.at(left, near), wall.at(right, near), wall.at(right, far),
                           wall.at(left, far)]  # fmt: skip
            else:
                corners = _like_the_wall(wall, (left, right), (near, far))
            yield [*corners, corners[0]]


def _like_the_wall(
    wall: Wall, across: tuple[float, float], deep: tuple[float, float]
) -> list[Vector]:
    """A window whose sides run on paper as the nearer edge of the wall does; as wide as there is
    room at its far end, so that none runs into its neighbour.
    """
    left, right = (wall.at(share, deep[1]) for share in across)
    edge = 0.0 if sum(across) < 1.0 else 1.0
    (ax, ay), (bx, by) = (on_paper(wall.at(edge, share)) for share in deep)
    upper = [
        wall.under((x + ax - bx, y + ay - by)) for x, y in (on_paper(one) for one in (left, right))
    ]
    return [*upper, right, left]


def _shares(count: int, at_end: float = PIER) -> Iterator[tuple[float, float]]:
    """Where openings begin and end between two edges, a pier at each end, the last so wide."""
    whole = count * (OPEN + PIER) + at_end
    for k in range(count):
        begin = PIER + k * (PIER + OPEN)
        yield begin / whole, (begin + OPEN) / whole
