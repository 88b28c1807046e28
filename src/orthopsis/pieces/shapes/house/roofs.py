"""Roofs: what closes the walls of a house.

Two of them are one idea. A slope rises from an eave; where it ends, a ridge runs to the point of
the wall that it is parallel to; and the far slope is the near one again, so both lead to one point,
which lies on the upright through the point of the wall that they stand on.
"""

from __future__ import annotations

import math
from abc import abstractmethod
from collections.abc import Sequence
from typing import Annotated, Literal, NamedTuple, get_args

from pydantic import Field, field_validator

from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point, join, meet
from orthopsis.perspective.vector import Vector, dot, minus, plus, times
from orthopsis.perspective.view import FREE, on_paper
from orthopsis.phrase import say
from orthopsis.picture.solid import Detail
from orthopsis.pieces.base import PaperLength, own_name
from orthopsis.pieces.roles import Editor, FieldRole
from orthopsis.pieces.shapes.house.form import (
    FIRST,
    Form,
    Pair,
    block_families,
    middle,
    of_corners,
    pair,
    raised,
    walls_of,
)
from orthopsis.pieces.shapes.house.hip import Hip
from orthopsis.pieces.shapes.house.roof import Board, Eaves, Rake, RoofBase, Side, wall_called
from orthopsis.pieces.shapes.house.walls import AROUND, Four, Walls, opposite

Far = Literal["roof point", "middle", "parallel"]
UP, DOWN = "roof up", "roof down"
"""What the points of a roof's slopes are called, after the name of their house."""
TOP = (1, 0, 4, 5)


class Slope(NamedTuple):
    """A line up the roof at the near end, from an eave corner, and the same line at the far end."""

    eave: int
    ridge: int
    far_eave: int
    far_ridge: int

    @property
    def near(self) -> Pair:
        return pair(self.eave, self.ridge)

    @property
    def far(self) -> Pair:
        return pair(self.far_eave, self.far_ridge)


class Flat(RoofBase):
    """A flat roof; `parapet_mm` is a line so far below its edge, carried round."""

    kind: Literal["flat"]
    parapet_mm: PaperLength | None = None

    def form(self, walls: Walls, piece: str) -> Form:
        del piece
        return Form((*walls_of({}), TOP), {"top": 5}, block_families(walls))

    def corners(self, block: Sequence[Vector], walls: Walls) -> list[Vector]:
        del walls
        return list(block)

    def details(self, block: Sequence[Vector], walls: Walls) -> list[Detail]:
        if self.parapet_mm is None:
            return []
        found = []
        for wall in walls.by_name.values():
            p, q, r, s = wall.corners
            near, far = ((q, r), p) if wall.near == "right" else ((p, s), q)
            long_mm = math.dist(*(on_paper(block[k]) for k in near))
            if self.parapet_mm >= long_mm:
                raise walls.stage.refuse("roof.parapet_mm", say("refused-parapet-too-low"))
            start = raised(block[near[1]], of_corners(block), long_mm - self.parapet_mm)
            end = plus(start, minus(block[far], block[near[0]]))
            found.append(Detail(AROUND.index(wall.corners), start, end, wall.family))
        return found


class Pitched(RoofBase):
    """A roof with slopes that a wall shows from the side."""

    peak_mm: PaperLength
    far: Annotated[Far, FieldRole.CHOICE] = "roof point"

    @abstractmethod
    def slopes(self, walls: Walls) -> Sequence[Slope]:
        """The lines up the roof that have a point of their own."""

    @abstractmethod
    def foot(self, walls: Walls) -> Four:
        """The wall that shows the slopes from the side, or that the slope falls to."""

    def _named(self, walls: Walls, piece: str) -> dict[Pair, str]:
        """The families of the slopes: points of the house, or none where they are parallel."""
        named: dict[Pair, str] = {}
        receding = self.shows_point(walls)
        for slope in self.slopes(walls):
            name = FREE if not receding else f"{piece}:{self.rises(slope, walls)}"
            named[slope.near] = name
            named[slope.far] = FREE if self.far == "parallel" else name
        return named

    @abstractmethod
    def shows_point(self, walls: Walls) -> bool:
        """Whether the slopes run away from us, so that they have a point."""

    def rises(self, slope: Slope, walls: Walls) -> str:
        """Whether a slope rises or falls as it runs away."""
        near = {k for wall in walls.by_name.values() for k in wall.near_upright if wall.near}
        return UP if slope.eave in near else DOWN


class Gable(Pitched):
    """Two slopes over the wall `end`, and the ridge square to it. `peak_mm` is how far the peak
    lies straight above the wall's top line on paper, over the wall's perspective middle. `far` is
    how the far slope is found. A roof with `eaves_mm` hangs over the walls; its edge is a board
    `board_mm` high, and the peak is measured above that. Over the walls with a gable it hangs
    `rake_mm` where that is given; where it does not hang over, wall and gable are one face.
    """

    kind: Literal["gable"]
    end: Annotated[Side, FieldRole.CHOICE] = "left"
    eaves_mm: Eaves = None
    rake_mm: Rake = None
    board_mm: Board = None

    def foot(self, walls: Walls) -> Four:
        return wall_called(self.end, walls)

    def shows_point(self, walls: Walls) -> bool:
        return not (walls.one_point and self.end == "front")

    def slopes(self, walls: Walls) -> Sequence[Slope]:
        p, q, _, _ = self.foot(walls)
        behind_q, behind_p, _, _ = opposite(self.foot(walls))
        return Slope(p, FIRST, behind_p, FIRST + 1), Slope(q, FIRST, behind_q, FIRST + 1)

    def rises(self, slope: Slope, walls: Walls) -> str:
        wall = next(one for one in walls.by_name.values() if one.corners == self.foot(walls))
        return UP if slope.eave == wall.near_upright[0] else DOWN

    def form(self, walls: Walls, piece: str) -> Form:
        wall, far_wall = self.foot(walls), opposite(self.foot(walls))
        (p, q, r, s), (q1, p1, r1, s1) = wall, far_wall
        near, far = FIRST, FIRST + 1
        plane = self.far != "parallel"
        changed: dict[tuple[int, ...], tuple[int, ...]] = {wall: (p, near, q, r, s)}
        if plane:
            changed[far_wall] = (q1, far, p1, r1, s1)
        faces = [*walls_of(changed), (near, far, q1, q), (far, near, p, p1)]
        if not plane:
            faces.append((far, p1, q1))
        families = block_families(walls) | self._named(walls, piece)
        families[near, far] = families[pair(q, q1)]
        over = {name: one.corners for name, one in walls.by_name.items()}
        names = {
            f"roof {name}": number
            for name, corners in over.items()
            for number, eave in ((5, pair(q, q1)), (6, pair(p, p1)))
            if pair(*corners[:2]) == eave
        }
        return Form(tuple(faces), names, families)

    def corners(self, block: Sequence[Vector], walls: Walls) -> list[Vector]:
        p, q, _, _ = self.foot(walls)
        q1, _, _, _ = opposite(self.foot(walls))
        peak = raised(middle(block[p], block[q]), of_corners(block), self.peak_mm)
        sweep = minus(block[q1], block[q])
        far = plus(peak, sweep)
        if self.far == "parallel" and self.shows_point(walls):
            slope = self.drawn_slope(walls)
            far = _parallel(block[slope.eave], peak, block[slope.far_eave], sweep)
        return [*block, peak, far]

    def overhangs(self, block: Sequence[Vector], walls: Walls) -> bool:
        """Whether the far peak lies beyond the far wall."""
        peak, far = self.corners(block, walls)[FIRST:]
        _, q, _, _ = self.foot(walls)
        q1, _, _, _ = opposite(self.foot(walls))
        ridge, eave = minus(far, peak), minus(block[q1], block[q])
        return dot(ridge, ridge) > dot(eave, eave) * (1.0 + 1e-12)

    def drawn_slope(self, walls: Walls) -> Slope:
        """The slope by which the far peak is found: the one over the wall at the near eave."""
        wall = next(one for one in walls.by_name.values() if one.corners == self.foot(walls))
        eave = wall.near_upright[0] if wall.near else 1
        slopes = self.slopes(walls)
        return next((one for one in slopes if one.eave == eave), slopes[0])


class LeanTo(Pitched):
    """One slope that falls to the wall `low`; the wall across is raised by `peak_mm` on paper, over
    its corner that shows.
    """

    kind: Literal["lean-to"]
    low: Annotated[Side, FieldRole.CHOICE] = "left"
    far: Annotated[Far, FieldRole.CHOICE, Editor.NONE] = "roof point"

    @field_validator("far", mode="before")
    @classmethod
    def _by_its_point(cls, far: object) -> object:
        """However a gable before it had it: its far end is found by its point."""
        return "roof point" if far in get_args(Far) else far

    def foot(self, walls: Walls) -> Four:
        return wall_called(self.low, walls)

    def shows_point(self, walls: Walls) -> bool:
        return not (walls.one_point and self.low in ("left", "right", "side"))

    def slopes(self, walls: Walls) -> Sequence[Slope]:
        p, q, _, _ = self.foot(walls)
        over_q, over_p = FIRST, FIRST + 1
        slopes = Slope(p, over_p, q, over_q), Slope(q, over_q, p, over_p)
        # The one on the wall that shows comes first.
        seen = [pair(*one.corners[:2]) for one in walls.shown]
        q1, p1, _, _ = opposite(self.foot(walls))
        base = {over_q: q1, over_p: p1}
        return [slope for slope in slopes if pair(slope.eave, base[slope.ridge]) in seen][:1]

    def form(self, walls: Walls, piece: str) -> Form:
        wall, high = self.foot(walls), opposite(self.foot(walls))
        (p, q, r, s), (q1, p1, r1, s1) = wall, high
        over_q, over_p = FIRST, FIRST + 1
        around: dict[tuple[int, ...], tuple[int, ...]] = {
            high: (over_q, over_p, r1, s1),
            (q, q1, s1, r): (q, over_q, s1, r),
            (p1, p, s, r1): (over_p, p, s, r1),
        }
        faces = [*walls_of(around), (over_p, over_q, q, p)]
        families = block_families(walls) | self._named(walls, piece)
        families[over_q, over_p] = families[pair(p, q)]
        for raised_corner, foot in ((over_q, s1), (over_p, r1)):
            families[pair(raised_corner, foot)] = walls.stage.view.uprights.name
        return Form(tuple(faces), {"roof": 5}, families)

    def corners(self, block: Sequence[Vector], walls: Walls) -> list[Vector]:
        q1, p1, _, _ = opposite(self.foot(walls))
        (slope,) = self.slopes(walls)
        base, other = (q1, p1) if slope.ridge == FIRST else (p1, q1)
        up = of_corners(block)
        over = raised(block[base], up, self.peak_mm)
        across = plus(over, minus(block[other], block[base]))
        return [*block, over, across] if base == q1 else [*block, across, over]

    def raised_upright(self, walls: Walls) -> tuple[int, int]:
        """Top and foot of the upright that is prolonged, by its numbers in the block."""
        q1, p1, r1, s1 = opposite(self.foot(walls))
        (slope,) = self.slopes(walls)
        return (q1, s1) if slope.ridge == FIRST else (p1, r1)


Roof = Annotated[Flat | Gable | Hip | LeanTo, Field(discriminator="kind")]


_ROOFS: dict[str, type[Flat | Gable | Hip | LeanTo]] = {
    "flat": Flat, "gable": Gable, "hip": Hip, "lean-to": LeanTo,
}  # fmt: skip


def hangs_over(roof: Roof) -> bool:
    """Whether a roof hangs over its walls on some side."""
    return bool(getattr(roof, "eaves_mm", None) or getattr(roof, "rake_mm", None))


def roof_of_kind(kind: str, before: RoofBase, size_mm: float) -> Roof:
    """A roof of another kind in the place of one before it, on walls of that height."""
    model = _ROOFS.get(kind, Flat)
    has = before.model_dump(exclude_none=True)
    data = {name: value for name, value in has.items() if name in model.model_fields}
    if "peak_mm" in model.model_fields:
        data.setdefault("peak_mm", max(5.0, 5.0 * round(size_mm / 2 / 5.0)))
    wall = has.get("end") or has.get("low")
    for name in ("end", "low"):
        if wall and name in model.model_fields:
            data[name] = wall
    return model.model_validate({**data, "kind": kind})


def roof_chosen(roof: Roof, field: str, value: str | bool | None, size_mm: float) -> Roof:
    """A roof after a choice in one of its fields, on walls of that height: another kind keeps what
    it can, and eaves that are switched on hang over a little. Raises Unfit.
    """
    if field == "kind":
        return roof_of_kind(str(value), roof, size_mm)
    if own_name(type(roof), field) is None:
        raise Unfit(say("refused-no-such-field"), f"roof.{field}")
    if field in ("eaves_mm", "rake_mm") and value is True:
        return roof.model_copy(update={field: max(1.0, float(round(size_mm / 15.0)))})
    return roof.model_copy(update={field: value})


def _parallel(eave: Vector, peak: Vector, far_eave: Vector, sweep: Vector) -> Vector:
    """Where a line from the far eave that is parallel to the near slope *on paper* meets the ridge:
    the quick way, which is only nearly right.
    """
    (ex, ey), (px, py), there = on_paper(eave), on_paper(peak), Point(*on_paper(far_eave))
    ridge = join(Point(px, py), Point(*on_paper(plus(peak, sweep))))
    x, y = meet(ridge, join(there, Point(px - ex, py - ey, 0.0))).xy
    k = 1 if abs(sweep[1] - y * sweep[2]) > abs(sweep[0] - x * sweep[2]) else 0
    at = (x, y)[k]
    return plus(peak, times(sweep, (at * peak[2] - peak[k]) / (sweep[k] - at * sweep[2])))
