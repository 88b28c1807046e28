"""What is built on a house and is a house by itself: an extension, a porch, a sign, a setback."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from orthopsis.construction.order import Body
from orthopsis.perspective.stroke import Part
from orthopsis.phrase import Own, Phrase, say
from orthopsis.pieces.base import Site, Stage, named
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.roles import Path
from orthopsis.pieces.shapes.house.build import draw_house
from orthopsis.pieces.shapes.house.drawn import DrawnHouse
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.in_faces import fitted_house
from orthopsis.pieces.shapes.house.on_wall import WallBlock
from orthopsis.pieces.shapes.house.on_wall_moves import OnWall
from orthopsis.pieces.shapes.house.setback import Setback
from orthopsis.pieces.shapes.house.setback_moves import OnTop


@dataclass(frozen=True, eq=False)
class Wing(DrawnHouse):
    """One of a house's parts, drawn after it; `path` leads to it in its piece."""

    part: Part
    base: House
    block: WallBlock | Setback
    path: Path
    member: str
    """Which member of the piece its house is."""
    beside: Sequence[object] = ()
    """All that its house has."""

    @property
    def name(self) -> Phrase:
        return _name(self.base, self.block)

    @property
    def member_name(self) -> str:
        return f"{self.member}/{self.block.id}" if self.member else self.block.id

    @property
    def roof_path(self) -> Path:
        return *self.path, "roof"

    @property
    def meant_thin(self) -> bool:
        return self.block.look in ("sign", "overhang")

    @property
    def takes(self) -> tuple[str, ...]:
        return self.block.takes

    def house(self, stage: Stage) -> House:
        """What is built, as the house that it is."""
        own = wing_of(self.base, self.block, stage, self.part)
        others = [one for one in self.beside if one is not self.block]
        if not any(may_be_flush(one) for one in self.beside):
            return own
        return replace(own, beside=lambda: [self.base, *blocks_on(self.base, others)])

    def body(self, stage: Stage) -> Body:
        place = _stands(self.base, self.block)
        behind = isinstance(place, OnTop) and place.seen_from_below
        return replace(super().body(stage), on=self.base.part, behind=behind)

    def build(self, site: Site) -> FrameMarks:
        return draw_house(self.house(site.stage), site, self.block.look)


def wing_of(
    base: House, block: WallBlock | Setback, stage: Stage, part: Part | None = None
) -> House:
    """What is built on a house, as the house that it is."""
    there = replace(stage, path=f"{stage.path}.parts.{block.id}")
    return fitted_house(
        part or base.part,
        _name(base, block),
        _stands(base, block),
        block.roof,
        block.fittings,
        there,
    )


def blocks_on(base: House, fittings: Sequence[object]) -> list[House]:
    """The blocks on a house's walls, as the houses that they are."""
    blocks = (one for one in fittings if isinstance(one, WallBlock))
    return [wing_of(base, one, base.stage) for one in blocks]


def may_be_flush(one: object) -> bool:
    return (
        isinstance(one, WallBlock) and one.front is None and (one.from_ is None or one.to is None)
    )


def _name(base: House, block: WallBlock | Setback) -> Phrase:
    called: Own = named(block.id)
    return say("part-of", part=called, whole=base.name)


def _stands(base: House, block: WallBlock | Setback) -> OnWall | OnTop:
    return (
        OnWall(base, block.levelled(base)) if isinstance(block, WallBlock) else OnTop(base, block)
    )
