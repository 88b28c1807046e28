"""A roof that hangs over its walls: a slab a little larger than they are, with the slopes on it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from orthopsis.perspective.stroke import Part
from orthopsis.pieces.base import OpenFace, Stage
from orthopsis.pieces.roles import Path
from orthopsis.pieces.shapes.house.house import MOST_MEMBERS, House
from orthopsis.pieces.shapes.house.on_wall import WallBlock
from orthopsis.pieces.shapes.house.open_faces import ON_WALLS, open_faces
from orthopsis.pieces.shapes.house.roof import BOARD_MM
from orthopsis.pieces.shapes.house.roofs import Gable
from orthopsis.pieces.shapes.house.setback import Setback
from orthopsis.pieces.shapes.house.wing import Wing, blocks_on, may_be_flush, wing_of


def lid_of(house: House) -> Setback | None:
    """The roof of a house that hangs over its walls, as what stands on them; None of others."""
    roof = house.over
    if roof is None:
        return None
    slopes = roof.model_copy(update={"eaves_mm": None})
    eaves_mm = roof.eaves_mm or 0.0
    hangs: dict[str, float] = {"out_mm": eaves_mm}
    if isinstance(roof, Gable) and roof.rake_mm is not None:
        slopes = slopes.model_copy(update={"rake_mm": None})
        along = ends_along_the_edge(roof, house)
        hangs = {"out_mm": roof.rake_mm if along else eaves_mm,
                 "across_mm": eaves_mm if along else roof.rake_mm}  # fmt: skip
    return Setback.model_validate(
        {"kind": "setback", "id": "roof", **hangs, "roof": slopes,
         "height_mm": roof.board_mm or BOARD_MM, "parts": list(house.over_patterns)}
    )  # fmt: skip


def ends_along_the_edge(roof: Gable, house: House) -> bool:
    """Whether the edge that is drawn on first leads out over a wall with a gable."""
    return roof.end != "front" if house.walls.one_point else roof.end == "right"


def roofed(house: House) -> House:
    """The house whose slopes are seen: walls with their roof, or a roof that hangs over them."""
    lid = lid_of(house)
    if lid is None:
        return house
    part = Part(house.part.piece, house.part.number * MOST_MEMBERS + 1)
    own = wing_of(house, lid, house.stage, part)
    return replace(own, stage=house.stage, on_slopes=house.on_slopes)


def joined(house: House, fittings: Sequence[object]) -> House:
    """A house with what of it may lie flush with its walls."""
    lid = lid_of(house)
    ends = lid is not None and ends_flush(lid)
    if not ends and not any(may_be_flush(one) for one in fittings):
        return house
    return replace(
        house,
        beside=lambda: [*blocks_on(house, fittings), *([roofed(house)] if ends else [])],
    )


def ends_flush(lid: WallBlock | Setback) -> bool:
    """Whether a roof that hangs over ends flush with the walls below its gables."""
    return isinstance(lid, Setback) and 0.0 in (lid.out_mm, lid.across_mm)


def hangs_over_ends(house: House, side: str) -> bool:
    """Whether its roof hangs over the walls at which houses of a row on that side are joined."""
    roof = house.over
    if roof is None:
        return False
    across = "front" if house.walls.one_point else {"left": "right", "right": "left"}[side]
    return not isinstance(roof, Gable) or roof.end != across or roof.rake_mm != 0.0


@dataclass(frozen=True, eq=False)
class Lid(Wing):
    """Such a roof, drawn after its walls."""

    def house(self, stage: Stage) -> House:
        del stage
        own = roofed(self.base)
        return replace(own, beside=lambda: [self.base]) if ends_flush(self.block) else own

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
