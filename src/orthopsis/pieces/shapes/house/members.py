"""All that is built on a house, each a part of its own."""

from __future__ import annotations

from collections.abc import Sequence

from orthopsis.perspective.stroke import Part
from orthopsis.pieces.base import Drawn
from orthopsis.pieces.shapes.house.chimney import Chimney
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.on_roof import OnRoof
from orthopsis.pieces.shapes.house.on_wall import OnWall, WallBlock


def members(house: House, built: Sequence[Chimney | WallBlock]) -> list[Drawn]:
    """The parts, numbered in the order of the list."""
    piece = house.part.piece
    return [
        OnRoof(Part(piece, number), house, one)
        if isinstance(one, Chimney)
        else OnWall(Part(piece, number), house, one)
        for number, one in enumerate(built, start=1)
    ]
