"""The hip roof: four slopes, and a ridge on the middle line of a box of glass over the walls."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import Annotated, Literal

from orthopsis.perspective.plane import Point
from orthopsis.perspective.vector import Vector, minus, plus, times
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
from orthopsis.pieces.shapes.house.roof import RoofBase, Side, wall_called
from orthopsis.pieces.shapes.house.walls import Four, Walls, opposite


class EqualEnds(Measures):
    """So far from the middle on paper, both ways: only nearly right."""

    equal_mm: PaperLength


Ridge = Literal["quarter", "square", "pyramid"] | EqualEnds


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
        return Form((*walls_of({}), *slopes), {}, families)

    def corners(self, block: Sequence[Vector], walls: Walls) -> list[Vector]:
        p, q, _, _ = self.foot(walls)
        q1, p1, _, _ = opposite(self.foot(walls))
        up = of_corners(block)
        rise = minus(raised(block[1], up, self.peak_mm), block[1])
        near, far = (
            plus(middle(block[a], block[b]), rise) for a, b in ((p, q), (p1, q1))
        )  # fmt: skip
        whole = minus(far, near)
        if self.ridge == "pyramid":
            return [*block, plus(near, times(whole, 0.5))]
        if isinstance(self.ridge, EqualEnds):
            return [*block, *self._equal(near, whole, self.ridge.equal_mm, walls)]
        share = 0.25
        if self.ridge == "square":
            wide, long = (_true(walls, minus(block[b], block[a])) for a, b in ((p, q), (q, q1)))
            share = wide / 2 / long
            if share >= 0.5:
                raise walls.stage.refuse("roof.ridge", say("refused-roof-too-short"))
        return [*block, plus(near, times(whole, share)), plus(near, times(whole, 1.0 - share))]

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
