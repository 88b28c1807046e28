"""All that is built on a house, each a part of its own."""

from __future__ import annotations

from collections.abc import Sequence

from orthopsis.perspective.stroke import Part
from orthopsis.pieces.base import Drawn
from orthopsis.pieces.shapes.house.chimney import Chimney
from orthopsis.pieces.shapes.house.dormer import Dormer
from orthopsis.pieces.shapes.house.dormer_moves import OnSlope
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.on_roof import OnRoof
from orthopsis.pieces.shapes.house.on_wall import OnWall, WallBlock

Built = Chimney | Dormer | WallBlock
MOST_MEMBERS = 100
"""More parts than a house may have: what is built on the second house of a row begins at 201."""


def members(house: House, built: Sequence[Built]) -> list[Drawn]:
    """The parts, numbered in the order of the list after the number of their house."""
    first = house.part.number * MOST_MEMBERS + 1
    parts = [Part(house.part.piece, number) for number in range(first, first + len(built))]
    return [_member(part, house, one) for part, one in zip(parts, built, strict=True)]


def _member(part: Part, house: House, one: Built) -> Drawn:
    if isinstance(one, Chimney):
        return OnRoof(part, house, one)
    return OnSlope(part, house, one) if isinstance(one, Dormer) else OnWall(part, house, one)
