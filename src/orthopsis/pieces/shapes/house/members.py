"""All that is built on a house, each a part of its own."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from orthopsis.perspective.stroke import Part
from orthopsis.pieces.base import Drawn
from orthopsis.pieces.roles import Path
from orthopsis.pieces.shapes.house.chimney import Chimney
from orthopsis.pieces.shapes.house.dormer import Dormer
from orthopsis.pieces.shapes.house.dormer_moves import OnSlope
from orthopsis.pieces.shapes.house.house import MOST_MEMBERS, House
from orthopsis.pieces.shapes.house.lid import Lid, lid_of, roofed
from orthopsis.pieces.shapes.house.on_roof import OnRoof
from orthopsis.pieces.shapes.house.on_wall import WallBlock
from orthopsis.pieces.shapes.house.setback import Setback
from orthopsis.pieces.shapes.house.wing import Wing


def members(house: House, parts: Sequence[object], path: Path, member: str) -> list[Drawn]:
    """What is built on a house, numbered in the order of the list after the number of the house.

    `path` leads to the house in its piece, and `member` is what it is called there.
    """
    first = house.part.number * MOST_MEMBERS + 1
    under_sky = roofed(house)
    found: list[Drawn] = [*_lid(house, path, member)]
    for place, one in enumerate(parts):
        part = Part(house.part.piece, first + len(found))
        if isinstance(one, Chimney):
            found.append(OnRoof(part, under_sky, one))
        elif isinstance(one, Dormer):
            found.append(OnSlope(part, under_sky, one))
        elif isinstance(one, WallBlock | Setback):
            wing = Wing(part, house, one, (*path, "parts", place), member, parts)
            own = wing.house(house.stage)
            found += [wing, *_lid(own, wing.path, wing.member_name)]
    return found


def _lid(house: House, path: Path, member: str) -> Iterator[Lid]:
    """The roof of a house, where it hangs over its walls."""
    lid = lid_of(house)
    if lid is not None:
        part = Part(house.part.piece, house.part.number * MOST_MEMBERS + 1)
        yield Lid(part, house, lid, path, member)
