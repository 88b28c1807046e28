"""A chimney: a block that stands on a roof, its foot cut along the slope."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Annotated, Literal, NamedTuple

from pydantic import Field

from orthopsis.perspective.vector import Vector, cross, dot, minus, plus, times
from orthopsis.phrase import say
from orthopsis.pieces.base import Measures, Name, PaperLength, Stage
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.roles import FieldRole
from orthopsis.pieces.shapes.house.cuts import cut_end
from orthopsis.pieces.shapes.house.form import middle, of_corners, raised
from orthopsis.pieces.shapes.house.planes import RoofPlane

Slopes = Literal["roof", "roof left", "roof right", "roof front", "roof side"]


class Corners(NamedTuple):
    """The corners of a chimney as a block has them, 0 to 7, and which of them are which: the front
    upright's, the one further along the eave, the one further up the roof, and the last, each as
    top and foot.
    """

    places: list[Vector]
    front: tuple[int, int]
    along: tuple[int, int]
    up: tuple[int, int]
    last: tuple[int, int]


class Chimney(Measures):
    """A block on the slope `on`. Its front upright stands on the middle of the slope, or `from`
    there so far along the level line through it; `wide` goes on along that line, `deep` is measured
    at the top, away from the eave, and `high_mm` up the front upright.
    """

    kind: Literal["chimney"]
    id: Name
    on: Annotated[Slopes, FieldRole.CHOICE]
    from_: Annotated[Cut | None, Field(alias="from"), FieldRole.RUN] = None
    wide: Annotated[Cut, FieldRole.RUN]
    deep: Annotated[Cut, FieldRole.RUN]
    high_mm: PaperLength

    def corners(
        self, house: Sequence[Vector], plane: RoofPlane, stage: Stage, *, by_ruler: bool
    ) -> Corners:
        """Where it stands on a house with those corners. Raises ExerciseError."""
        near_eave, _, far_ridge, _ = plane.corners
        up, level, rise = of_corners(house), plane.level(house), plane.rise(house)

        def end(field: str, cut: Cut, start: Vector, way: Vector, family: str) -> Vector:
            path = f"parts.{self.id}.{field}"
            return cut_end(cut, start, way, family, stage, path, by_ruler=by_ruler)

        foot = middle(house[near_eave], house[far_ridge])
        if self.from_ is not None:
            foot = end("from", self.from_, foot, plane.eave(house), plane.along)
        step = minus(end("wide", self.wide, foot, plane.eave(house), plane.along), foot)
        top = raised(foot, up, self.high_mm)
        away = minus(end("deep", self.deep, top, level, plane.wall.family), top)
        share = dot(away, level) / dot(level, level)
        reach = dot(minus(plus(foot, step), house[near_eave]), plane.eave(house))
        reach /= dot(plane.eave(house), plane.eave(house))
        if not 0.0 < share <= 0.5 + 1e-9:
            raise stage.refuse(f"parts.{self.id}.deep", say("refused-chimney-over-ridge"))
        if reach > 1.0 + 1e-9:
            raise stage.refuse(f"parts.{self.id}.wide", say("refused-chimney-beyond"))
        behind = plus(foot, times(rise, share))
        if dot(minus(plus(top, away), behind), up) <= 1e-6 * dot(up, up):
            raise stage.refuse(f"parts.{self.id}.high_mm", say("refused-chimney-too-low"))
        uprights = {
            "front": (top, foot),
            "along": (plus(top, step), plus(foot, step)),
            "up": (plus(top, away), behind),
            "last": (plus(plus(top, away), step), plus(behind, step)),
        }
        order = ("along", "front", "up", "last")
        if dot(cross(plane.eave(house), level), up) > 0.0:
            order = ("up", "front", "along", "last")
        numbers = dict(zip(order, ((0, 3), (1, 2), (5, 6), (4, 7)), strict=True))
        places = [top] * 8
        for name, ends in uprights.items():
            for number, place in zip(numbers[name], ends, strict=True):
                places[number] = place
        return Corners(places, **numbers)
