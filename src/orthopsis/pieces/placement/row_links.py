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
from orthopsis.pieces.roles import Editor, FieldRole

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
    from the street; the next goes on from the neighbour. One that is `like` an earlier one has all
    its measures, in truth, and all that lies in it and is built on it.
    """

    id: Name
    like: Annotated[Reference | None, Editor.NONE] = None
    top_mm: Down | None = None
    gap: Annotated[Cut | None, FieldRole.RUN] = None
    behind: Annotated[Cut | None, FieldRole.RUN] = None
    length: Annotated[Cut | None, FieldRole.RUN] = None
    back: Annotated[Cut | None, FieldRole.RUN] = None

    @model_validator(mode="after")
    def _one_place(self) -> RowMember:
        if self.gap is not None and self.behind is not None:
            raise Unfit(say("refused-gap-and-behind"), "behind")
        for name in ("top_mm", "length", "back"):
            given = getattr(self, name) is not None
            if given == (self.like is not None):
                raise Unfit(say("refused-like-measures" if given else "refused-missing"), name)
        if self.like is not None and self.behind is not None:
            raise Unfit(say("refused-like-measures"), "behind")
        return self


class Measured(NamedTuple):
    """The measures of a member, its own or those that it has from another."""

    top_mm: float
    length: Cut
    back: Cut


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
    upright there, whether there is a gap or it stands behind, where the row ends on its ground
    line, the part that it is like, and whether it follows one as long as itself without a gap.
    """

    before: Part
    corners: tuple[int, int]
    gap: Cut | None
    behind: Cut | None
    start: Point
    end: Point
    row: Part
    like: Part | None = None
    after_equal: bool = False


class RowMarks(FrameMarks):
    """The corners of a member, and the ground line that all of them stand on."""

    ground: Ruled | None = None
