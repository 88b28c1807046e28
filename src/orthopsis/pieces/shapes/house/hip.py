"""The hip roof: four slopes, and a ridge on the middle line of a box of glass over the walls."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import Annotated, Literal, NamedTuple

from orthopsis.perspective.plane import Point
from orthopsis.perspective.vector import Vector, dot, minus, plus, times
from orthopsis.perspective.view import FREE, on_paper
from orthopsis.phrase import say
from orthopsis.pieces.base import Measures, PaperLength
from orthopsis.pieces.roles import FieldRole
from orthopsis.pieces.shapes.house.form import (
    FIRST,
    Form,
    block_families,
    middle,
    of_corners,
    pair,
    raised,
    walls_of,
)
from orthopsis.pieces.shapes.house.roof import Board, Eaves, RoofBase, Side, wall_called
from orthopsis.pieces.shapes.house.walls import Four, Walls, opposite


class EqualEnds(Measures):
    """So far from the middle on paper, both ways: only nearly right."""

    equal_mm: PaperLength


Ridge = Literal["quarter", "square", "pyramid"] | EqualEnds


class Helps(NamedTuple):
    """The numbers of a long slope's helps: the places of the eave below the ridge's ends, and those
    of the ridge's line over the eave's ends.
    """

    below_near: int
    below_far: int
    over_near: int
    over_far: int


HELPS = tuple(Helps(*range(FIRST + 2 + 4 * k, FIRST + 6 + 4 * k)) for k in range(2))
"""Of the slope over a wall's right corner, and of the one over its left."""


class Hip(RoofBase):
    """Four slopes. `peak_mm` is how far the ridge's level lies above the near upright's top on
    paper; the `ridge` begins and ends at the quarters of the roof's middle line, where the roof is
    as deep as half its width (`square`), in one point (`pyramid`), or so far from the middle on
    paper. It runs square to the wall `end`.
    """

    kind: Literal["hip"]
    end: Annotated[Side, FieldRole.CHOICE] = "left"
    peak_mm: PaperLength
    ridge: Annotated[Ridge, FieldRole.CHOICE] = "quarter"
    eaves_mm: Eaves = None
    board_mm: Board = None

    def foot(self, walls: Walls) -> Four:
        """The wall under one of its ends."""
        return wall_called(self.end, walls)

    def form(self, walls: Walls, piece: str) -> Form:
        del piece
        p, q, _, _ = self.foot(walls)
        q1, p1, _, _ = opposite(self.foot(walls))
        near, far = FIRST, FIRST + 1
        families = block_families(walls)
        slopes: list[tuple[int, ...]]
        if self.ridge == "pyramid":
            slopes = [(near, q, p), (near, q1, q), (near, p1, q1), (near, p, p1)]
        else:
            slopes = [(near, q, p), (near, far, q1, q), (far, p1, q1), (far, near, p, p1)]
            families[near, far] = families[pair(q, q1)]
        for corner, end in ((p, near), (q, near), (p1, far), (q1, far)):
            families[corner, near if self.ridge == "pyramid" else end] = FREE
        names = {
            f"roof {name}": number
            for name, wall in walls.by_name.items()
            for number, eave in ((6, pair(q, q1)), (8, pair(p, p1)))
            if pair(*wall.corners[:2]) == eave and self.ridge != "pyramid"
        }
        return Form((*walls_of({}), *slopes), names, families)

    def corners(self, block: Sequence[Vector], walls: Walls) -> list[Vector]:
        """The block's corners, the ridge's ends, and the helps of both long slopes: below each end
        of the ridge the place of the eave, and over each end of the eave that of the ridge's line.
        """
        p, q, _, _ = self.foot(walls)
        q1, p1, _, _ = opposite(self.foot(walls))
        rise = minus(raised(block[1], of_corners(block), self.peak_mm), block[1])
        over, over_far = (plus(middle(block[a], block[b]), rise) for a, b in ((p, q), (p1, q1)))
        whole = minus(over_far, over)
        if self.ridge == "pyramid":
            return [*block, plus(over, times(whole, 0.5))]
        ridge = self._ridge_ends(block, walls, over, whole)
        shares = [dot(minus(end, over), whole) / dot(whole, whole) for end in ridge]
        helps: list[Vector] = []
        for near, far in ((q, q1), (p, p1)):
            start, eave = block[near], minus(block[far], block[near])
            below = [plus(start, times(eave, share)) for share in shares]
            up = minus(ridge[0], below[0])
            helps += [*below, plus(start, up), plus(block[far], up)]
        return [*block, *ridge, *helps]

    def _ridge_ends(
        self, block: Sequence[Vector], walls: Walls, over: Vector, whole: Vector
    ) -> list[Vector]:
        """On the middle line of the roof, which begins `over` the near wall and is the `whole`."""
        if isinstance(self.ridge, EqualEnds):
            return self._equal(over, whole, self.ridge.equal_mm, walls)
        p, q, _, _ = self.foot(walls)
        q1 = opposite(self.foot(walls))[0]
        share = 0.25
        if self.ridge == "square":
            wide, long = (_true(walls, minus(block[b], block[a])) for a, b in ((p, q), (q, q1)))
            share = wide / 2 / long
            if share >= 0.5:
                raise walls.stage.refuse("roof.ridge", say("refused-roof-too-short"))
        return [plus(over, times(whole, share)), plus(over, times(whole, 1.0 - share))]

    def _equal(self, near: Vector, whole: Vector, mm: float, walls: Walls) -> list[Vector]:
        centre = plus(near, times(whole, 0.5))
        ends = on_paper(near), on_paper(plus(near, whole))
        if 2 * mm >= min(2 * math.dist(end, on_paper(centre)) for end in ends):
            raise walls.stage.refuse("roof.ridge.equal_mm", say("refused-roof-too-short"))
        (ax, ay), (bx, by) = ends
        long = math.dist(*ends)
        found = []
        for way in (-mm, mm):
            x, y = on_paper(centre)
            at = x + way * (bx - ax) / long, y + way * (by - ay) / long
            k = 0 if abs(bx - ax) > abs(by - ay) else 1
            step = (at[k] * centre[2] - centre[k]) / (whole[k] - at[k] * whole[2])
            found.append(plus(centre, times(whole, step)))
        return found


def _true(walls: Walls, way: Vector) -> float:
    """The true length of a level way of space that runs along one of the view's directions."""
    view = walls.stage.view
    if view.eye is None:
        raise walls.stage.refuse("roof.ridge", say("refused-no-right-angles"))
    if abs(way[2]) < 1e-9 * math.hypot(way[0], way[1]):
        return math.hypot(way[0], way[1])
    vp = Point(way[0] / way[2], way[1] / way[2])
    return abs(way[2]) * view.true_length(vp)
