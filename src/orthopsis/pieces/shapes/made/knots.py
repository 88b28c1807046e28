"""The marks of a made thing: each lies where two of the lines cross that run through it.

A knot lies on a line across, one down and one away. As soon as two of the three can be laid
through marks that are there already, it is found. In one point all begin at the front; from an
edge at the plan on the floor, which is raised.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping
from itertools import combinations

from orthopsis.construction.face import plumb
from orthopsis.construction.moves import Mark, Ruled
from orthopsis.perspective.view import HORIZONTAL
from orthopsis.pieces.base import Site
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.shapes.made.cells import ACROSS, AWAY, DOWN, WAYS, Knot
from orthopsis.pieces.shapes.made.model import Made

LEAST_ANGLE = math.sin(math.radians(3.0))
"""Lines that meet at less than this are crossed only where there are no others."""


class Knots:
    """Marks by their knots, and the lines that are laid through them.

    `from_knot` is where depths are marked: the upright of the block that they start from, and the
    plane in which they are set off.
    """

    def __init__(self, made: Made, site: Site) -> None:
        self.made, self.site, self.paper = made, site, site.paper
        self.marks: dict[Knot, Mark] = {}
        self._lines: dict[tuple[int, Knot], Ruled] = {}
        across, _, away = made.parting.first
        self.corner: Knot = (across, made.true_row, away)
        self.middle: Mark | None = None
        """The middle of the floor."""

    def known(self, knot: Knot, mark: Mark) -> Mark:
        self.marks[knot] = mark
        return mark

    def find(self, knot: Knot) -> Mark:
        """The mark of a knot, made when it is first needed."""
        found = self._found(knot, set())
        assert found is not None, f"no two lines lead to {knot}"
        return found

    def _found(self, knot: Knot, sought: set[Knot]) -> Mark | None:
        """The same, None where all ways to it lead over knots that are sought already."""
        if knot in self.marks:
            return self.marks[knot]
        sought = {*sought, knot}
        for helper in self._helpers(knot):
            if self._pair(knot) is not None:
                break
            if helper not in sought:
                self._found(helper, sought)
        pair = self._pair(knot) or self._pair(knot, LEAST_ANGLE / 1e4)
        if pair is None:
            return None
        return self.known(knot, self.paper.cross(*(self.line(way, knot) for way in pair)))

    def line(self, way: int, knot: Knot) -> Ruled:
        """The line of a way through a knot, laid when it is first needed."""
        key = way, _without(knot, way)
        if key not in self._lines:
            start = min(self._on(way, knot), key=lambda other: other[way])
            self._lines[key] = self._laid(way, self.marks[start])
        return self._lines[key]

    def drawn_away(self, knot: Knot) -> Ruled:
        """The light line to the point from a knot of the front."""
        key = AWAY, _without(knot, AWAY)
        if key not in self._lines:
            goal = self.site.points[self.made.families[AWAY]]
            self._lines[key] = self.paper.aim(self.marks[knot], goal, self.site.part)
        return self._lines[key]

    def drawn(self, way: int, knot: Knot, line: Ruled) -> None:
        """A line of that way through a knot is there."""
        self._lines[way, _without(knot, way)] = line

    def _laid(self, way: int, start: Mark) -> Ruled:
        if way == DOWN:
            return plumb(self.paper, start, self.site.third)
        family = self.made.families[way]
        if family == HORIZONTAL:
            return self.paper.level(start)
        return self.paper.lay(start, self.site.points[family])

    def _on(self, way: int, knot: Knot) -> list[Knot]:
        """The knots with marks that lie on the line of a way through a knot."""
        there = _without(knot, way)
        return [other for other in self.marks if _without(other, way) == there]

    def _pair(self, knot: Knot, least: float = LEAST_ANGLE) -> tuple[int, int] | None:
        """Two ways whose lines through a knot can be laid and cross well, the best of all."""
        place = self.made.near_place(knot)[0]
        slants = {}
        for way in WAYS:
            if (way, _without(knot, way)) in self._lines or self._on(way, knot):
                x, y, w = self.made.stage.view.directions[(0, 2, 1)[way]].at
                dx, dy = (x - w * place.x, y - w * place.y)
                size = math.hypot(dx, dy)
                if size > 1e-6:
                    slants[way] = dx / size, dy / size

        def apart(pair: tuple[int, int]) -> float:
            (ax, ay), (bx, by) = (slants[way] for way in pair)
            return abs(ax * by - ay * bx)

        pairs = [pair for pair in combinations(slants, 2) if apart(pair) > least]
        drawn = {way for way in slants if (way, _without(knot, way)) in self._lines}
        return max(pairs, key=lambda pair: (len(drawn & set(pair)), apart(pair)), default=None)

    def _helpers(self, knot: Knot) -> Iterator[Knot]:
        """Knots through which lines to this one run, those first that are found most easily."""
        i, j, k = knot
        i0, j0, _ = self.corner
        first, end = self.made.parting.first, self.made.parting.end
        near, front = first[ACROSS], first[AWAY]
        if self.made.on_edge:
            if j == j0:
                yield from ((i, j, front), (near, j, k))
            else:
                yield from ((i, j0, k), (near, j, k), (i, j, front), (near, j, front))
        else:
            yield from ((i, j, front), (i, j0, k), (i0, j, k))
            # Where a line to the point runs along the set square, it goes round by the others.
            yield from (
                (i, first[DOWN] + end[DOWN] - j0, k), (first[ACROSS] + end[ACROSS] - i0, j, k),
            )  # fmt: skip


class KnotMarks(FrameMarks):
    """The corners of a block, and all marks of what was cut from it."""

    def __init__(self, marks: Mapping[int, Mark], knots: Knots) -> None:
        super().__init__(marks)
        self.knots = knots


def _without(knot: Knot, way: int) -> Knot:
    i, j, k = knot
    return (0 if way == ACROSS else i, 0 if way == DOWN else j, 0 if way == AWAY else k)
