"""What all pieces share that are cut from a block: furniture, stairs."""

from __future__ import annotations

from abc import abstractmethod

from orthopsis.construction.order import Body
from orthopsis.picture.solids import AnySolid
from orthopsis.pieces.base import Drawn, Stage
from orthopsis.pieces.block import BlockPiece
from orthopsis.pieces.placement.edge import OnEdge
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.shapes.made.model import Made
from orthopsis.pieces.shapes.made.shadow import MadeCasting


class CutBlock(BlockPiece, Drawn):
    """A block of which some cells are left."""

    @abstractmethod
    def cells(self, stage: Stage) -> Made:
        """The thing on its stage. Raises ExerciseError."""

    @property
    def high_mm(self) -> float:
        """The height of its front or its front edge, on paper."""
        place = self.place
        if isinstance(place, OnEdge):
            return place.edge.drawn_mm
        return place.front.height_mm if isinstance(place, OnFront) else 0.0

    @property
    def meant_thin(self) -> bool:
        return True

    def solids(self, stage: Stage) -> list[AnySolid]:
        """What is left of the block."""
        return [self.cells(stage).solid()]

    def casting(self, stage: Stage) -> MadeCasting:
        return MadeCasting(self.part, self.name, self.cells(stage))

    def body(self, stage: Stage) -> Body:
        """The same by ruler."""
        return self.cells(stage).body()
