"""How a row hangs together: where it begins, its members, and what each begins at."""

from __future__ import annotations

from typing import Annotated, Literal, NamedTuple

from pydantic import model_validator

from orthopsis.construction.moves import Ruled
from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point
from orthopsis.perspective.stroke import Part
from orthopsis.phrase import say
from orthopsis.pieces.base import Down, Measures, Name, Reference
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.roles import FieldRole

RowSide = Literal["left", "right"]


class RowStart(Measures):
    """Where a row begins: at the end of a building's side, or on the edge of a way, where the near
    upright of the first stands `foot_mm` below the sheet's top edge.
    """

    piece: Reference
    side: Annotated[RowSide, FieldRole.CHOICE]
    foot_mm: Down | None = None


class RowMember(Measures):
    """One building of a row: `top_mm` is how far below the sheet's top edge its near upright
    begins, after a `gap` if there is one; its `length` goes toward the row's point, `back` away
    from it. One that stands `behind` its neighbour begins so far along the neighbour's line away
    from the street; the next goes on from the neighbour.
    """

    id: Name
    top_mm: Down
    gap: Annotated[Cut | None, FieldRole.RUN] = None
    behind: Annotated[Cut | None, FieldRole.RUN] = None
    length: Annotated[Cut, FieldRole.RUN]
    back: Annotated[Cut, FieldRole.RUN]

    @model_validator(mode="after")
    def _one_place(self) -> RowMember:
        if self.gap is not None and self.behind is not None:
            raise Unfit(say("refused-gap-and-behind"), "behind")
        return self


class Corners(NamedTuple):
    """The numbers of a block's corners as a row sees them: its near upright, the one at its far end
    along the row, the one behind the near upright, and the last.
    """

    near: tuple[int, int]
    far: tuple[int, int]
    across: tuple[int, int]
    last: tuple[int, int]


TO_LEFT = Corners((1, 2), (0, 3), (5, 6), (4, 7))
TO_RIGHT = Corners((1, 2), (5, 6), (0, 3), (4, 7))
FROM_LEFT = Corners((0, 3), (4, 7), (1, 2), (5, 6))
"""In one point, of what stands on the right of the way."""


class Link(NamedTuple):
    """How a member hangs on what stands before it: the part that it begins at, the corners of the
    upright there, whether there is a gap or it stands behind, and where the row ends on its ground
    line.
    """

    before: Part
    corners: tuple[int, int]
    gap: Cut | None
    behind: Cut | None
    start: Point
    end: Point
    row: Part


class RowMarks(FrameMarks):
    """The corners of a member, and the ground line that all of them stand on."""

    ground: Ruled | None = None
