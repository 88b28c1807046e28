"""The box: a block with all its edges."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Literal

from orthopsis.construction.moves import Mark
from orthopsis.construction.order import Body
from orthopsis.construction.paper import Paper
from orthopsis.picture.thing import Thing
from orthopsis.pieces.base import Drawn, Stage
from orthopsis.pieces.block import Block
from orthopsis.pieces.block_steps import Edges, construct_block, tidy


class Box(Block, Drawn):
    """A box: `front` and `depth` in one-point; `edge`, `left` and `right` in two and three."""

    kind: Literal["box"]

    def solids(self, stage: Stage) -> list[Thing]:
        """The block itself."""
        return [self.block(stage)]

    def build(self, paper: Paper, stage: Stage, body: Body, points: Mapping[str, Mark]) -> None:
        """Front first, guide lines, cuts, back corners, then what to erase and darken."""
        construct_block(self, paper, stage, Edges(paper, body), points)
        tidy(self, paper)
