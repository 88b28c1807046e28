"""The cylinder: a round thing in a block. Bins, drums, towers and pipes."""

from __future__ import annotations

from typing import Annotated, Literal

from orthopsis.construction.order import Body
from orthopsis.picture.solids import AnySolid
from orthopsis.pieces.base import Drawn, Site, Stage
from orthopsis.pieces.block import BlockPiece
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.roles import FieldRole
from orthopsis.pieces.shapes.round import Axis, Round


class Cylinder(BlockPiece, Drawn):
    """A round thing in a block. `axis`: `up`; in one-point also `away`; else `left` or `right`,
    to that side's vanishing point.
    """

    kind: Literal["cylinder"]
    axis: Annotated[Axis, FieldRole.CHOICE] = "up"

    @property
    def flat_top(self) -> bool:
        return self.axis == "up"

    @property
    def _round(self) -> Round:
        return Round(self.part, self.name, self.place, self.axis)

    def solids(self, stage: Stage) -> list[AnySolid]:
        """The cylinder that touches the block's sides."""
        return [self._round.solid(stage)]

    def body(self, stage: Stage) -> Body:
        """The block by ruler, with the round outline of what stands in it."""
        return self._round.body(stage)

    def build(self, site: Site) -> FrameMarks:
        """The light block, a circle in each end that shows, and the lines that touch both."""
        return self._round.build(site, self.kind)
