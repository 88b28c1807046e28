"""A cut: how far a face goes back, in any of the four ways teachers do it."""

from __future__ import annotations

import math
from typing import Annotated, Literal

from pydantic import Field, model_validator

from orthopsis.construction.moves import Mark, Ruled
from orthopsis.construction.paper import Paper
from orthopsis.perspective.plane import (
    LEVEL,
    UPRIGHT,
    Point,
    distance,
    join,
    meet,
    part_way,
    toward,
)
from orthopsis.perspective.view import FREE, View
from orthopsis.pieces.base import Length, Measures, Millimetres, Stage

Corner = Literal["top", "bottom", "top left", "top right", "bottom left", "bottom right"]


class Cut(Measures):
    """Exactly one of: `x_mm` from the sheet's left edge, `fraction` of the way to the vanishing
    point, `along_mm` on paper along the guide line, `true_mm` true length. `from` is the corner
    whose guide line is measured.
    """

    x_mm: Millimetres | None = None
    fraction: Annotated[float, Field(gt=0, lt=1)] | None = None
    along_mm: Length | None = None
    true_mm: Length | None = None
    from_: Annotated[Corner | None, Field(alias="from")] = None

    @model_validator(mode="after")
    def _one_way(self) -> Cut:
        if len(self.ways) != 1:
            raise ValueError("give exactly one of x_mm, fraction, along_mm, true_mm")
        return self

    @property
    def ways(self) -> list[str]:
        names = ("x_mm", "fraction", "along_mm", "true_mm")
        return [name for name in names if getattr(self, name) is not None]

    @property
    def way(self) -> str:
        """The field that is given."""
        return self.ways[0]

    def share_by_projection(self, start: Point, vp: Point, view: View) -> float:
        """How much of the way from `start` to the vanishing point is gone, 0 to 1.

        For true length L it is L / (V + L), V the vanishing point's distance from the eye
        (ISO 5456-4: lengths by measuring points, from memory). May fall outside 0…1 for `x_mm`.
        """
        if self.fraction is not None:
            return self.fraction
        if self.along_mm is not None:
            return self.along_mm / distance(start, vp)
        if self.true_mm is not None:
            return self.true_mm / (view.true_length(vp) + self.true_mm)
        assert self.x_mm is not None
        run = vp.x - start.x
        return (self.x_mm - start.x) / run if run else math.inf

    def place_on_paper(self, start: Point, vp: Point, view: View, lay_right: bool) -> Point:
        """Where the cut falls on the guide line from `start`, by ruler alone.

        A true length is laid out level from the corner, to the right or to the left, and carried
        to the guide line by the measuring point on the other side.
        """
        if self.fraction is not None:
            return part_way(start, vp, self.fraction)
        if self.along_mm is not None:
            return toward(start, vp, self.along_mm)
        guide = join(start, vp)
        if self.true_mm is not None:
            laid = toward(start, LEVEL if lay_right else _LEFT, self.true_mm)
            return meet(join(laid, view.measuring_point(vp, not lay_right)), guide)
        assert self.x_mm is not None
        return meet(join(Point(self.x_mm, 0.0), UPRIGHT), guide)

    def build(
        self, paper: Paper, start: Mark, vp: Mark, guide: Ruled, stage: Stage, lay_right: bool
    ) -> tuple[Mark, str]:
        """Make the cut's mark on the guide line; returns it with the sentence that says how."""
        length = paper.wording.length
        line = f"the line from {start.name} to {vp.name}"
        if self.x_mm is not None:
            foot = paper.measure_on_edge(self.x_mm)
            mark = paper.cross(paper.upright(foot), guide)
            return mark, (
                f"Measure {length(self.x_mm)} from the left edge and lay the set square there: "
                f"where it crosses {line} is {mark.name}."
            )
        if self.true_mm is not None:
            laid = paper.measure_along(start, LEVEL if lay_right else _LEFT, self.true_mm)
            point = Mark(
                _measuring_name(stage.view, vp, not lay_right),
                stage.view.measuring_point(vp.at, not lay_right),
            )
            paper.measuring_point(point, vp)
            mark = paper.cross(paper.aim(laid, point, guide.piece, family=FREE), guide)
            side = "right" if lay_right else "left"
            other = "left" if lay_right else "right"
            away = length(distance(point.at, vp.at))
            return mark, (
                f"Measure {length(self.true_mm)} level to the {side} from {start.name}: "
                f"{laid.name}. {point.name[0].upper()}{point.name[1:]} lies {away} to the "
                f"{other} of {vp.name} on the {paper.wording.eye_level}; draw lightly from "
                f"{laid.name} to it. Where that crosses {line} is {mark.name}, at true depth."
            )
        along_mm = self.along_mm or distance(start.at, vp.at) * (self.fraction or 0.0)
        mark = paper.measure_along(start, vp, along_mm)
        paper.reach(guide, mark)
        return mark, f"Measure {length(along_mm)} along {line}: {mark.name}."


_LEFT = Point(-1.0, 0.0, 0.0)


def _measuring_name(view: View, vp: Mark, on_the_right: bool) -> str:
    if len(view.vanishing_points) == 1:
        return "the right distance point" if on_the_right else "the left distance point"
    return f"the measuring point of {vp.name}"


def share_on_paper(start: Point, vp: Point, place: Point) -> float:
    """The part of the way from a corner to its vanishing point at which a mark lies."""
    (sx, sy), (vx, vy), (x, y) = start.xy, vp.xy, place.xy
    return ((x - sx) * (vx - sx) + (y - sy) * (vy - sy)) / ((vx - sx) ** 2 + (vy - sy) ** 2)


def check_share(share: float, cut: Cut, stage: Stage, field: str) -> None:
    """Refuse a cut that does not lie between its corner and the vanishing point."""
    if not 0.0 < share < 1.0:
        value = getattr(cut, cut.way)
        raise stage.refuse(
            f"{field}.{cut.way}",
            f"{value:g} does not lie between the corner and its vanishing point; "
            "choose a place between them",
        )
