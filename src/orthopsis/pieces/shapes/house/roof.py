"""What every roof says of itself, and the walls that roofs name."""

from __future__ import annotations

from abc import abstractmethod
from collections.abc import Sequence
from typing import Annotated, Literal

from pydantic import Field

from orthopsis.perspective.vector import Vector
from orthopsis.picture.solid import Detail
from orthopsis.pieces.base import Measures, PaperLength
from orthopsis.pieces.roles import Editor, FieldRole
from orthopsis.pieces.shapes.house.form import Form
from orthopsis.pieces.shapes.house.walls import Four, Walls

Side = Literal["left", "right", "front", "side"]
Eaves = Annotated[PaperLength | None, Editor.SWITCH]
"""How far a roof hangs over its walls, drawn on beyond the near corner."""
Rake = Annotated[float | None, Field(ge=0, le=1e4), FieldRole.LENGTH, Editor.SWITCH]
"""How far it hangs over the walls that its ends stand on, where that differs."""
Board = Annotated[PaperLength | None, Editor.NONE]
"""How high the board is then at its edge, on which the slopes stand."""
BOARD_MM = 3.0


class RoofBase(Measures):
    """What every roof says of itself."""

    @abstractmethod
    def form(self, walls: Walls, piece: str) -> Form:
        """The faces of the whole house; `piece` is what the house is called."""

    @abstractmethod
    def corners(self, block: Sequence[Vector], walls: Walls) -> list[Vector]:
        """The corners of the whole house, the block's first."""

    def details(self, block: Sequence[Vector], walls: Walls) -> list[Detail]:
        """Lines that it draws on the walls, in eye space."""
        del block, walls
        return []


def wall_called(name: Side, walls: Walls) -> Four:
    """The corners of a wall by its name; `side` is the wall that runs away beside the front, on the
    side that shows.
    """
    if name == "side":
        return walls.by_name[walls.side_that_shows or "right"].corners
    return walls.by_name[name].corners
