"""The lines of a face: rows and columns at shares of its height and width.

On a front, which is true in shape, they are measured. On a face that runs away the rows start from
marks on its near upright, and each column stands where such a row meets the diagonal: a third of
the way down is a third of the way across. A near upright that leans is measured, too: its parts
grow smaller toward its point. Source: similar triangles, and that lines stay lines in
perspective; handbooks of drawing divide a receding wall so (from memory).
"""

from __future__ import annotations

from collections.abc import Collection
from copy import copy
from typing import NamedTuple, Protocol

from orthopsis.construction.division import divided
from orthopsis.construction.moves import Mark, Ruled
from orthopsis.construction.paper import Paper
from orthopsis.perspective.plane import (
    LEFT,
    LEVEL,
    distance,
)
from orthopsis.perspective.segments import position_on
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import FREE

Corners = tuple[Mark, Mark, Mark, Mark]
HALVED = (0.5, 0.25, 0.75)
"""Shares of a front edge that crossed diagonals find."""


class Halving(NamedTuple):
    """The diagonals that were crossed, and the mark on the front edge level with the crossing, at
    that share of the edge.
    """

    down: tuple[Mark, Mark]
    up: tuple[Mark, Mark]
    mark: Mark
    share: float


class Lines(Protocol):
    """Rows and columns of a face, by shares of its height from the top and width from the left."""

    def row(self, share: float) -> Ruled: ...

    def column(self, share: float) -> Ruled: ...

    def crossing(self, column: float, row: float) -> Mark: ...


class FrontFace:
    """A face in true shape, its corners clockwise from the top left: all lines by set square.

    With `halved` the ruler only halves, and the columns stand where rows meet the diagonal.
    """

    def __init__(self, paper: Paper, corners: Corners, part: Part, *, halved: bool) -> None:
        self.paper, self.corners, self.part, self.halved = paper, corners, part, halved
        p, q, r, s = corners
        self._rows = {0.0: paper.along(p, q), 1.0: paper.along(s, r)}
        self._columns = {0.0: paper.along(p, s), 1.0: paper.along(q, r)}
        self._marks = {(0.0, 0.0): p, (1.0, 0.0): q, (1.0, 1.0): r, (0.0, 1.0): s}
        self._diagonal: Ruled | None = None

    def row(self, share: float) -> Ruled:
        if share not in self._rows:
            mark = self._mark(self.corners[0], self.corners[3], share)
            self._marks[0.0, share] = mark
            self._rows[share] = self.paper.level(mark)
            self.paper.across(self._rows[share], self._columns[1.0], self.part)
        return self._rows[share]

    def column(self, share: float) -> Ruled:
        if share not in self._columns:
            if self.halved:
                mark = self.paper.cross(self.row(share), self._diagonal_line())
            else:
                mark = self._mark(self.corners[0], self.corners[1], share)
                self._marks[share, 0.0] = mark
            line = self._columns[share] = self.paper.upright(mark)
            self.paper.across(line, self._rows[1.0], self.part, since=self._rows[0.0])
        return self._columns[share]

    def crossing(self, column: float, row: float) -> Mark:
        if (column, row) not in self._marks:
            across, down = self.row(row), self.column(column)
            if (column, row) not in self._marks:
                self._marks[column, row] = self.paper.cross(across, down)
        return self._marks[column, row]

    def _mark(self, start: Mark, end: Mark, share: float) -> Mark:
        if self.halved:
            return divided(self.paper, start, end, share)
        return self.paper.measure_along(start, end, share * distance(start.at, end.at))

    def _diagonal_line(self) -> Ruled:
        if self._diagonal is None:
            p, _, r, _ = self.corners
            self._diagonal = self.paper.diagonal(p, r, self.part)
        return self._diagonal


class RecedingFace:
    """A face that runs away: its corners clockwise from the top left as they are seen.

    `near` says on which side its front edge is. Rows run to `along`, columns to `third` or
    straight down. With `halved` the front edge is only halved. A true width in mm, carried by a
    measuring point, gives the columns without a diagonal: `true` is that width, its point, and
    the corner it is laid out from.
    """

    def __init__(
        self,
        paper: Paper,
        corners: Corners,
        near: str,
        along: Mark,
        third: Mark | None,
        part: Part,
        *,
        halved: bool,
        true: tuple[float, Mark, Mark] | None = None,
    ) -> None:
        self.paper, self.corners, self.part = paper, corners, part
        self.near, self.along, self.third = near, along, third
        self.halved, self.true = halved, true
        p, q, r, s = corners
        self.top, self.foot = (q, r) if near == "right" else (p, s)
        self._levels = {0.0: self.top, 1.0: self.foot}
        self._rows = {0.0: paper.along(p, q), 1.0: paper.along(s, r)}
        self._columns = {0.0: paper.along(p, s), 1.0: paper.along(q, r)}
        self._marks = {(0.0, 0.0): p, (1.0, 0.0): q, (1.0, 1.0): r, (0.0, 1.0): s}
        self._bay, self._diagonal = (0.0, 1.0), paper.along(p, r)
        self._drawn_diagonal = False
        self.halvings: list[Halving] = []
        """How parts of the front edge were halved, in their order."""

    def taken_up(self) -> RecedingFace:
        """The same face for the next who draws on it; what is drawn on one leaves the other."""
        face = copy(self)
        face._levels, face._rows, face._columns = (
            dict(self._levels), dict(self._rows), dict(self._columns),
        )  # fmt: skip
        face._marks, face.halvings = dict(self._marks), list(self.halvings)
        return face

    def halve(self, shares: Collection[float]) -> list[Halving]:
        """Halve the front edge by diagonals as far as some shares of it need; how that was done."""
        if not self.halved or self.third is None:
            return []
        before = len(self.halvings)
        for share in HALVED:
            if share in shares:
                self.level(share)
        return self.halvings[before:]

    def level(self, share: float) -> Mark:
        """The mark on the front edge from which a row starts."""
        if share not in self._levels:
            self._levels[share] = self._new_level(share)
        return self._levels[share]

    def _new_level(self, share: float) -> Mark:
        paper, top, foot = self.paper, self.top, self.foot
        if self.third is None:
            if self.halved:
                return divided(paper, top, foot, share)
            return paper.measure_along(top, foot, share * distance(top.at, foot.at))
        if self.halved and share in HALVED:
            return self._halved(share)
        return paper.measure_along(top, foot, true_share_down(top, foot, self.third, share))

    def _halved(self, share: float) -> Mark:
        """Half of a part of the front edge: through the crossing of the part's diagonals."""
        step = 0.5 if share == 0.5 else 0.25
        above, below = share - step, share + step
        far = 0.0 if self.near == "right" else 1.0
        near_above, near_below = self.level(above), self.level(below)
        far_above, far_below = (self._far_end(far, part) for part in (above, below))
        down = self.paper.diagonal(near_above, far_below, self.part)
        up = self.paper.diagonal(near_below, far_above, self.part)
        middle = self.paper.cross(down, up)
        line = self.paper.lay(middle, self.along)
        mark = self.paper.cross(line, self.paper.along(self.top, self.foot))
        self.halvings.append(Halving((near_above, far_below), (near_below, far_above), mark, share))
        return mark

    def opposite(self, halving: Halving) -> Mark | None:
        """The mark on the far edge of a line that halves, where that was needed."""
        return self._marks.get((0.0 if self.near == "right" else 1.0, halving.share))

    def _far_end(self, far: float, share: float) -> Mark:
        if (far, share) not in self._marks:
            line = self.row(share)
            self._marks[far, share] = self.paper.cross(line, self._columns[far])
        return self._marks[far, share]

    def row(self, share: float) -> Ruled:
        if share not in self._rows:
            self._rows[share] = self.paper.aim(
                self.level(share), self.along, self.part, fate="erase"
            )
        return self._rows[share]

    def bay(self, left: float, right: float) -> None:
        """From now on the columns are found within a part of the face, by its own diagonal."""
        if (left, right) != self._bay:
            start, end = self.crossing(left, 0.0), self.crossing(right, 1.0)
            self._bay, self._diagonal = (left, right), self.paper.along(start, end)
            self._drawn_diagonal = False

    def column(self, share: float) -> Ruled:
        if share not in self._columns:
            self._columns[share] = self._new_column(share)
        return self._columns[share]

    def _new_column(self, share: float) -> Ruled:
        left, right = self._bay
        if self.true is not None:
            mark = self._measured(share, *self.true)
        else:
            if not self._drawn_diagonal:
                start, end = self.crossing(left, 0.0), self.crossing(right, 1.0)
                self._diagonal = self.paper.diagonal(start, end, self.part)
                self._drawn_diagonal = True
            part = round((share - left) / (right - left), 12)
            mark = self.paper.cross(self.row(part), self._diagonal)
        line = plumb(self.paper, mark, self.third)
        self.paper.across(line, self._rows[1.0], self.part, since=self._rows[0.0])
        return line

    def _measured(self, share: float, true_mm: float, point: Mark, start: Mark) -> Mark:
        """A column's place on the upper or lower line, by its measuring point."""
        paper = self.paper
        part = share if self.near == "left" else 1.0 - share
        way = LEVEL if point.at.x < self.along.at.x else LEFT
        laid = paper.measure_along(start, way, part * true_mm)
        line = paper.aim(laid, point, self.part, family=FREE, fate="erase")
        edge = self._rows[0.0 if start is self.top else 1.0]
        return paper.cross(line, edge)

    def crossing(self, column: float, row: float) -> Mark:
        near = 1.0 if self.near == "right" else 0.0
        if column == near:
            return self.level(row)
        if (column, row) not in self._marks:
            across, down = self.row(row), self.column(column)
            if (column, row) not in self._marks:
                self._marks[column, row] = self.paper.cross(across, down)
        return self._marks[column, row]


def plumb(paper: Paper, start: Mark, third: Mark | None) -> Ruled:
    """An upright through a mark: by set square, or by the ruler on VP3."""
    return paper.upright(start) if third is None else paper.lay(start, third)


def true_share_down(top: Mark, foot: Mark, third: Mark, share: float) -> float:
    """How far down an upright that leans a share of its true length lies, mm on paper.

    Nearness falls evenly along it, to nothing at VP3: a foot that is t of the way there is
    1 / (1 − t) times as far away as the top.
    """
    nearness = 1.0 - position_on((top.at.xy, third.at.xy), foot.at.xy)
    return distance(top.at, foot.at) * share / ((1.0 - share) * nearness + share)
