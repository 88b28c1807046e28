"""The walls of a block by the names that teachers give them, and how each runs away.

Corners are those of a block (`placement/corners.py`); a wall's are counted clockwise as it is seen
from outside: top left, top right, foot right, foot left.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property
from typing import Literal, NamedTuple

from orthopsis.perspective.view import HORIZONTAL, VanishingPoint
from orthopsis.pieces.base import Stage

WallName = Literal["left", "right", "front"]
Four = tuple[int, int, int, int]

NEAR, RIGHT, BACK, LEFT_HAND = (0, 1, 2, 3), (1, 5, 6, 2), (5, 4, 7, 6), (4, 0, 3, 7)
AROUND: tuple[Four, ...] = (NEAR, RIGHT, BACK, LEFT_HAND)
"""All walls, each with its neighbour to the right next."""
FLOOR: Four = (3, 2, 6, 7)


class Wall(NamedTuple):
    """A wall: its corners, the side its near upright is on, and the family of its level lines.

    Of a wall that we face `near` is None and the family level.
    """

    name: WallName
    corners: Four
    near: Literal["left", "right"] | None
    family: str

    @property
    def near_upright(self) -> tuple[int, int]:
        """Upper and lower corner of the upright that it is measured from."""
        p, q, r, s = self.corners
        return (q, r) if self.near == "right" else (p, s)

    @property
    def far_upright(self) -> tuple[int, int]:
        """Upper and lower corner of the other."""
        p, q, r, s = self.corners
        return (p, s) if self.near == "right" else (q, r)


@dataclass(frozen=True)
class Walls:
    """The walls of a house in its view: on a front, or on an edge."""

    stage: Stage
    side_that_shows: Literal["left", "right"] | None = None
    """In one point, the side that is seen beside the front."""

    @property
    def one_point(self) -> bool:
        return len(self.stage.view.level_points) == 1

    @cached_property
    def by_name(self) -> dict[WallName, Wall]:
        """The walls that can be seen. In one point `left` and `right` run to the one point."""
        points = self.stage.view.level_points
        if self.one_point:
            (vp,) = points
            return {
                "front": Wall("front", NEAR, None, HORIZONTAL),
                "left": Wall("left", LEFT_HAND, "right", vp.name),
                "right": Wall("right", RIGHT, "left", vp.name),
            }
        left, right = points
        return {
            "left": Wall("left", NEAR, "right", left.name),
            "right": Wall("right", RIGHT, "left", right.name),
        }

    @property
    def shown(self) -> list[Wall]:
        """The walls that things may be seen on: in one point the front and the side that shows."""
        if not self.one_point:
            return list(self.by_name.values())
        return [self.by_name["front"], self.by_name[self.side_that_shows or "right"]]

    def point(self, wall: Wall) -> VanishingPoint | None:
        """The vanishing point of a wall's level lines; None of one that we face."""
        return next((vp for vp in self.stage.view.level_points if vp.name == wall.family), None)

    def across(self, wall: Wall) -> str:
        """The family of the level lines that run square to a wall."""
        names = [vp.name for vp in self.stage.view.level_points]
        if self.one_point:
            return names[0] if wall.near is None else HORIZONTAL
        return next(name for name in names if name != wall.family)


def opposite(corners: Four) -> Four:
    """The wall across the house: behind a wall's top right corner lies its top left."""
    return AROUND[(AROUND.index(corners) + 2) % 4]
