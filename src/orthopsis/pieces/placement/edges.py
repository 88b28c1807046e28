"""Which edges of a block are drawn, and the keeping of them."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Protocol, runtime_checkable

from orthopsis.construction.moves import Mark
from orthopsis.construction.order import Body
from orthopsis.construction.paper import Paper
from orthopsis.pieces.placement.corners import seen_edges


class FrameMarks(dict[int, Mark]):
    """The corners of a block that is drawn, 0 to 7, for those on its lines."""

    @property
    def frame(self) -> FrameMarks:
        return self


@runtime_checkable
class Framed(Protocol):
    """What a part hands over that has a block, on whose lines others may stand."""

    @property
    def frame(self) -> Mapping[int, Mark] | None: ...


class Edges:
    """Which edges are drawn, and the keeping of them.

    A `light` block is only a help for something in it: its edges are drawn thinly and erased, all
    of them if what stands in it needs the `whole` block.
    """

    def __init__(
        self, paper: Paper, body: Body, *, light: bool = False, whole: bool = False
    ) -> None:
        self.paper, self.body, self.light = paper, body, light
        corners = [place for place, _ in body.corners]
        self.seen_through = whole or (body.transparent and not light)
        self.seen = seen_edges(corners, self.seen_through)

    def shows(self, a: int, b: int) -> bool:
        return (min(a, b), max(a, b)) in self.seen

    def needs(self, corner: int) -> bool:
        """Whether something else begins at a corner, so that it is looked for even where no edge
        shows there.
        """
        del corner
        return False

    def keep(self, marks: Mapping[int, Mark], a: int, b: int, family: str) -> None:
        if not self.shows(a, b):
            return
        if self.light:
            self.paper.join(marks[a], marks[b], family, self.body.part)
        else:
            self.paper.keep(marks[a], marks[b], family, self.body)
