"""Where a door stands there is no window: which openings of a panel doors take the place of."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from orthopsis.perspective.vector import Vector, cross, dot, minus
from orthopsis.pieces.shapes.house.panels import Panel, Taken
from orthopsis.pieces.shapes.house.walls import Wall, Walls

APART = 1e-9
"""Openings that share no more than this share of their wall only touch."""


class Extent(NamedTuple):
    """From where to where something reaches on a wall, as shares of its width and its height."""

    left: float
    right: float
    low: float
    high: float

    def overlaps(self, other: Extent) -> bool:
        across = min(self.right, other.right) - max(self.left, other.left)
        up = min(self.high, other.high) - max(self.low, other.low)
        return across > APART and up > APART


def taken_by_doors(
    panel: Panel, panels: Sequence[Panel], block: Sequence[Vector], walls: Walls
) -> Taken:
    """The openings of a panel, by row and column, that a door of its wall takes the place of.

    `panels` are all that the house has, `block` its corners in eye space. Raises ExerciseError.
    """
    doors = [one for one in panels if one.look == "door" and one.on == panel.on]
    if panel.look != "windows" or not doors:
        return frozenset()
    wall = panel.wall(walls)
    there = [extent for door in doors for _, extent in _extents(door, block, walls, wall)]
    return frozenset(
        place
        for place, extent in _extents(panel, block, walls, wall)
        if any(extent.overlaps(one) for one in there)
    )


def _extents(
    panel: Panel, block: Sequence[Vector], walls: Walls, wall: Wall
) -> list[tuple[tuple[int, int], Extent]]:
    top, foot = (block[k] for k in wall.near_upright)
    along, up = minus(block[wall.far_upright[1]], foot), minus(top, foot)
    normal = cross(along, up)
    whole = dot(normal, normal)
    found = []
    for place, corners in panel.corners(block, walls):
        ways = [minus(corner, foot) for corner in corners]
        across = [dot(cross(way, up), normal) / whole for way in ways]
        high = [dot(cross(along, way), normal) / whole for way in ways]
        found.append((place, Extent(min(across), max(across), min(high), max(high))))
    return found
