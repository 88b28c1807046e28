"""A roof that hangs over its walls: a slab a little larger than they are, with the slopes on it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from orthopsis.perspective.stroke import Part
from orthopsis.pieces.base import OpenFace, Stage
from orthopsis.pieces.roles import Path
from orthopsis.pieces.shapes.house.house import MOST_MEMBERS, House
from orthopsis.pieces.shapes.house.open_faces import ON_WALLS, open_faces
from orthopsis.pieces.shapes.house.roof import BOARD_MM
from orthopsis.pieces.shapes.house.setback import Setback
from orthopsis.pieces.shapes.house.wing import Wing, wing_of


def lid_of(house: House) -> Setback | None:
    """The roof of a house that hangs over its walls, as what stands on them; None of others."""
    roof = house.over
    if roof is None or roof.eaves_mm is None:
        return None
    slopes = roof.model_copy(update={"eaves_mm": None})
    return Setback.model_validate(
        {"kind": "setback", "id": "roof", "out_mm": roof.eaves_mm, "roof": slopes,
         "height_mm": roof.board_mm or BOARD_MM, "parts": list(house.over_patterns)}
    )  # fmt: skip


def roofed(house: House) -> House:
    """The house whose slopes are seen: walls with their roof, or a roof that hangs over them."""
    lid = lid_of(house)
    if lid is None:
        return house
    part = Part(house.part.piece, house.part.number * MOST_MEMBERS + 1)
    own = wing_of(house, lid, house.stage, part)
    return replace(own, stage=house.stage, on_slopes=house.on_slopes)


@dataclass(frozen=True, eq=False)
class Lid(Wing):
    """Such a roof, drawn after its walls."""

    def house(self, stage: Stage) -> House:
        del stage
        return roofed(self.base)

    @property
    def member_name(self) -> str:
        return self.member

    @property
    def roof_path(self) -> Path:
        return *self.path, "roof"

    def open_faces(self, stage: Stage) -> Sequence[OpenFace]:
        """Its slopes, as those of its house."""
        faces = open_faces(self.house(stage), self.member, ON_WALLS)
        return [one for one in faces if one.name.startswith("roof")]
