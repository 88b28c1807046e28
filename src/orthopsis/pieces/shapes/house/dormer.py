"""A dormer: a small gabled house front that stands on a slope, and runs level back into it."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import Annotated, Literal, NamedTuple

from pydantic import Field

from orthopsis.perspective.plane import Point
from orthopsis.perspective.vector import Vector, dot, loop_normal, minus, plus, seen_part_way, times
from orthopsis.perspective.view import on_paper
from orthopsis.phrase import say
from orthopsis.pieces.base import Measures, Name, PaperLength, Stage
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.roles import FieldRole
from orthopsis.pieces.shapes.house.chimney import Slopes
from orthopsis.pieces.shapes.house.cuts import cut_end
from orthopsis.pieces.shapes.house.form import middle, of_corners, raised
from orthopsis.pieces.shapes.house.planes import RoofPlane

FOOT, TOP, PEAK, TOP_2, FOOT_2, BACK, BACK_PEAK, BACK_2 = range(8)
"""The corners: foot and top of the first side, the peak, the other side, and where the eaves and
the ridge run into the roof.
"""
FACES: tuple[tuple[int, ...], ...] = (
    (FOOT, TOP, PEAK, TOP_2, FOOT_2),
    (TOP, BACK, BACK_PEAK, PEAK),
    (PEAK, BACK_PEAK, BACK_2, TOP_2),
    (FOOT, BACK, TOP),
    (FOOT_2, TOP_2, BACK_2),
    (FOOT, FOOT_2, BACK_2, BACK_PEAK, BACK),
)
"""All round, clockwise from outside where the roof rises away from us."""


class DormerCorners(NamedTuple):
    """Its corners on a house, and its faces clockwise from outside."""

    places: list[Vector]
    faces: tuple[tuple[int, ...], ...]


class Dormer(Measures):
    """A dormer on the slope `on`. Its foot is the level line through the mark `rake_mm` up the near
    rake from the eave; on it the front stands `from` there and is `wide`; its sides are `high_mm`
    high, on the near one, and its peak lies `peak_mm` straight above the middle of their tops.
    """

    kind: Literal["dormer"]
    id: Name
    on: Annotated[Slopes, FieldRole.CHOICE]
    rake_mm: PaperLength
    from_: Annotated[Cut, Field(alias="from"), FieldRole.RUN]
    wide: Annotated[Cut, FieldRole.RUN]
    high_mm: PaperLength
    peak_mm: PaperLength

    def corners(
        self, house: Sequence[Vector], plane: RoofPlane, stage: Stage, *, by_ruler: bool
    ) -> DormerCorners:
        """Where it stands on a house with those corners. Raises ExerciseError."""
        near_eave, _, _, near_ridge = plane.corners
        up, level, rise = of_corners(house), plane.level(house), plane.rise(house)

        def end(field: str, cut: Cut, start: Vector) -> Vector:
            path, way = f"parts.{self.id}.{field}", plane.eave(house)
            return cut_end(cut, start, way, plane.along, stage, path, by_ruler=by_ruler)

        start = part_way_mm(house[near_eave], house[near_ridge], self.rake_mm)
        if start is None:
            raise stage.refuse(f"parts.{self.id}.rake_mm", say("refused-dormer-over-ridge"))
        foot = end("from", self.from_, start)
        foot_2 = end("wide", self.wide, foot)
        top = raised(foot, up, self.high_mm)
        over = plus(middle(foot, foot_2), minus(top, foot))
        peak = raised(over, up, self.peak_mm)
        whole = minus(rise, level)

        def behind(below: Vector, above: Vector) -> Vector:
            """Where the level line back from a place above one on the slope runs into the roof."""
            share = dot(minus(above, below), whole) / dot(whole, whole)
            return plus(below, times(rise, share))

        top_2 = plus(foot_2, minus(top, foot))
        back_peak = behind(middle(foot, foot_2), peak)
        self._check(house, plane, foot_2, back_peak, stage)
        places = [foot, top, peak, top_2, foot_2, behind(foot, top), back_peak,
                  behind(foot_2, top_2)]  # fmt: skip
        front = [places[k] for k in FACES[0]]
        # A loop that is clockwise from outside has its normal pointing in, as the roof rises.
        inward = dot(loop_normal(front), level) > 0.0
        return DormerCorners(places, FACES if inward else tuple(f[::-1] for f in FACES))

    def _check(
        self,
        house: Sequence[Vector],
        plane: RoofPlane,
        end: Vector,
        back: Vector,
        stage: Stage,
    ) -> None:
        eave, rise, near = plane.eave(house), plane.rise(house), house[plane.corners[0]]
        # Eave and rise need not be square in eye space: both shares are found together.
        shares = [_shares(minus(place, near), eave, rise) for place in (end, back)]
        if shares[0][0] > 1.0 + 1e-9:
            raise stage.refuse(f"parts.{self.id}.wide", say("refused-chimney-beyond"))
        if shares[1][1] > 1.0 + 1e-9:
            raise stage.refuse(f"parts.{self.id}.peak_mm", say("refused-dormer-over-ridge"))


def _shares(way: Vector, one: Vector, other: Vector) -> tuple[float, float]:
    """A way of a plane as shares of two others."""
    aa, bb, ab = dot(one, one), dot(other, other), dot(one, other)
    a, b, whole = dot(way, one), dot(way, other), aa * bb - ab * ab
    return (a * bb - b * ab) / whole, (b * aa - a * ab) / whole


def part_way_mm(start: Vector, end: Vector, mm: float) -> Vector | None:
    """The place of space that lies so many mm on paper from a start toward an end; None where that
    is further than the end.
    """
    a, b = Point(*on_paper(start)), Point(*on_paper(end))
    t = mm / math.dist(a.xy, b.xy)
    if t >= 1.0:
        return None
    return seen_part_way(start, end, t)
