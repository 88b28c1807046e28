"""All that is built on a house, each a part of its own."""

from __future__ import annotations

from collections.abc import Sequence

from orthopsis.perspective.stroke import Part
from orthopsis.pieces.base import Drawn
from orthopsis.pieces.roles import Path
from orthopsis.pieces.shapes.house.chimney import Chimney
from orthopsis.pieces.shapes.house.dormer import Dormer
from orthopsis.pieces.shapes.house.dormer_moves import OnSlope
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.on_roof import OnRoof
from orthopsis.pieces.shapes.house.on_wall import WallBlock
from orthopsis.pieces.shapes.house.setback import Setback
from orthopsis.pieces.shapes.house.wing import Wing

MOST_MEMBERS = 100
"""More parts than a house may have: what is built on the second house of a row begins at 201."""


def members(house: House, parts: Sequence[object], path: Path, member: str) -> list[Drawn]:
    """What is built on a house, numbered in the order of the list after the number of the house.

    `path` leads to the house in its piece, and `member` is what it is called there.
    """
    first = house.part.number * MOST_MEMBERS + 1
    found: list[Drawn] = []
    for place, one in enumerate(parts):
        part = Part(house.part.piece, first + len(found))
        if isinstance(one, Chimney):
            found.append(OnRoof(part, house, one))
        elif isinstance(one, Dormer):
            found.append(OnSlope(part, house, one))
        elif isinstance(one, WallBlock | Setback):
            found.append(Wing(part, house, one, (*path, "parts", place), member))
    return found
