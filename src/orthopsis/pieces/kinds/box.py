"""The box: a block with all its edges."""

from __future__ import annotations

from typing import Literal

from orthopsis.construction.order import Body
from orthopsis.picture.solids import AnySolid
from orthopsis.pieces.base import Drawn, Site, Stage
from orthopsis.pieces.block import BlockPiece
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.shapes.box_frame import draw_box, frame_body, frame_solid
from orthopsis.pieces.shapes.made.model import Made
from orthopsis.pieces.shapes.made.parting import WHOLE_BLOCK
from orthopsis.pieces.shapes.made.shadow import MadeCasting


class Box(BlockPiece, Drawn):
    """A box: `front` and `depth` in one-point; `edge`, `left` and `right` in two and three."""

    kind: Literal["box"]

    @property
    def flat_top(self) -> bool:
        return True

    def cells(self, stage: Stage) -> Made:
        """One cell, the whole block."""
        return Made(self.part, self.name, self.place, WHOLE_BLOCK, stage)

    def casting(self, stage: Stage) -> MadeCasting:
        return MadeCasting(self.part, self.name, self.cells(stage))

    def solids(self, stage: Stage) -> list[AnySolid]:
        """The block itself."""
        return [frame_solid(self.part, self.place, stage)]

    def body(self, stage: Stage) -> Body:
        """The block by ruler."""
        return frame_body(self.part, self.name, self.place, stage)

    def build(self, site: Site) -> FrameMarks:
        """Front first, guide lines, cuts, back corners, then what to erase and darken."""
        return draw_box(self.place, site, self.kind)
