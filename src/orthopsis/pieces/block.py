"""What stands in a block of its own: boxes, round things, shapes."""

from __future__ import annotations

from typing import Self

from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import View
from orthopsis.pieces.base import Grip, Stage
from orthopsis.pieces.piece import BlockPlace, Piece
from orthopsis.pieces.placement.anchor import Front, FrontEdge
from orthopsis.pieces.placement.edge import OnEdge
from orthopsis.pieces.placement.foot import FromFoot
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.placement.placement import Listed


class BlockPiece(Piece):
    """A piece in a block: on a front, on an edge, or on the lines of another block."""

    place: BlockPlace

    @property
    def part(self) -> Part:
        """It is drawn as one."""
        return Part(self.id)

    @property
    def listed(self) -> Listed | None:
        return Listed(self.place, self.view)

    @property
    def front_edge(self) -> FrontEdge | None:
        return self.place.edge if isinstance(self.place, OnEdge) else None

    @property
    def true_face(self) -> Front | None:
        return self.place.front if isinstance(self.place, OnFront) else None

    def grips(self, stage: Stage) -> list[Grip]:
        return self.place.grips(stage)

    def handles(self, stage: Stage, settled: Piece) -> list[Grip]:
        """The cuts, of what stands by its foot as they are measured out."""
        return settled.grips(stage) if isinstance(self.place, FromFoot) else self.grips(stage)

    def moved(self, stage: Stage, view: View) -> Self:
        return self.placed(self.place.moved(stage, view))
