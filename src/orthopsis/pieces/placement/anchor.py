"""Where a piece takes hold of the sheet: a front face in true shape, or a front edge."""

from __future__ import annotations

from pydantic import model_validator

from orthopsis.errors import Unfit
from orthopsis.perspective.plane import (
    Point,
    direction,
    distance,
    distance_point_line,
    join,
    toward,
)
from orthopsis.perspective.view import VanishingPoint
from orthopsis.phrase import Length, PointName, say
from orthopsis.pieces.base import Across, Down, Measures, PaperLength, Stage
from orthopsis.pieces.placement.depth import CornerName

FRONT_CORNERS: tuple[CornerName, ...] = ("top left", "top right", "bottom right", "bottom left")
"""Names of corners 0 to 3 of a front face."""


class Front(Measures):
    """A front face: the place of its top left corner on the sheet, its width and height."""

    x_mm: Across
    y_mm: Down
    width_mm: PaperLength
    height_mm: PaperLength

    @property
    def corners(self) -> tuple[Point, Point, Point, Point]:
        """Corners 0 to 3."""
        right, bottom = self.x_mm + self.width_mm, self.y_mm + self.height_mm
        return (
            Point(self.x_mm, self.y_mm),
            Point(right, self.y_mm),
            Point(right, bottom),
            Point(self.x_mm, bottom),
        )


class FrontEdge(Measures):
    """The front edge: upright with `x_mm`, `top_mm` and `bottom_mm`; in three-point its upper end
    `x_mm`, `y_mm` and its `length_mm`, down the line through VP3. From the sheet's left and top.
    """

    x_mm: Across
    top_mm: Down | None = None
    bottom_mm: Down | None = None
    y_mm: Down | None = None
    length_mm: PaperLength | None = None

    @model_validator(mode="after")
    def _one_form(self) -> FrontEdge:
        upright, slanting = (self.top_mm, self.bottom_mm), (self.y_mm, self.length_mm)
        if not (None not in upright and slanting == (None, None)) and not (
            None not in slanting and upright == (None, None)
        ):
            raise Unfit(say("refused-edge-forms"))
        if self.top_mm is not None and self.bottom_mm is not None and self.bottom_mm <= self.top_mm:
            raise Unfit(say("refused-bottom-above"))
        return self

    @classmethod
    def first(cls, foot: Point, length_mm: float, points: int) -> FrontEdge:
        """A new edge that ends at a foot; where uprights lean, one that begins over it."""
        x_mm, top_mm = foot.x, foot.y - length_mm
        if points == 3:
            return cls(x_mm=x_mm, y_mm=top_mm, length_mm=length_mm)
        return cls(x_mm=x_mm, top_mm=top_mm, bottom_mm=foot.y)

    @property
    def upright(self) -> bool:
        """Whether the edge is given as an upright."""
        return self.top_mm is not None

    @property
    def upper(self) -> Point:
        """Its upper end."""
        y_mm = self.top_mm if self.top_mm is not None else self.y_mm
        assert y_mm is not None
        return Point(self.x_mm, y_mm)

    @property
    def drawn_mm(self) -> float:
        """Its length on paper."""
        if self.length_mm is not None:
            return self.length_mm
        assert self.top_mm is not None and self.bottom_mm is not None
        return self.bottom_mm - self.top_mm

    def ends(self, uprights: Point) -> tuple[Point, Point]:
        """Upper and lower end, the lower one down the line through the uprights' point."""
        if self.bottom_mm is not None:
            return self.upper, Point(self.x_mm, self.bottom_mm)
        dx, dy = direction(self.upper, uprights)
        down = 1.0 if dy > 0.0 else -1.0
        return self.upper, toward(self.upper, Point(dx * down, dy * down, 0.0), self.drawn_mm)

    def again(self, upper: Point, lower: Point) -> FrontEdge:
        """An edge of the same form between other ends."""
        if self.upright:
            return FrontEdge(x_mm=upper.x, top_mm=upper.y, bottom_mm=lower.y)
        return FrontEdge(x_mm=upper.x, y_mm=upper.y, length_mm=distance(upper, lower))


def check_edge(edge: FrontEdge, stage: Stage) -> None:
    """Refuse an edge that no upright of the view lies along, or that shows no side."""
    third = stage.view.uprights
    if edge.upright and not third.at.at_infinity:
        raise stage.refuse("edge", say("refused-edge-to-third", third=PointName(third.name)))
    if not edge.upright:
        if third.at.at_infinity:
            raise stage.refuse("edge", say("refused-edge-straight"))
        _check_slanting(edge, third, stage)
    line = join(*edge.ends(third.at))
    for vp in stage.view.level_points:
        if distance_point_line(vp.at, line) < 1e-3:
            raise stage.refuse(
                "edge.x_mm",
                say("refused-edge-over-point", at=Length(edge.x_mm), point=PointName(vp.name)),
            )


def _check_slanting(edge: FrontEdge, third: VanishingPoint, stage: Stage) -> None:
    """The edge lies between the eye level's side of VP3 and VP3."""
    y, upper = third.at.xy[1], edge.upper
    below = y > stage.view.eye_level_mm
    if (upper.y >= y - 1.0) if below else (upper.y <= y + 1.0):
        raise stage.refuse(
            "edge.y_mm",
            say(
                "refused-edge-beyond-third",
                at=Length(upper.y),
                third=PointName(third.name),
                there=Length(y),
            ),
        )
    room = distance(upper, third.at)
    if below and edge.drawn_mm >= room - 1e-6:
        raise stage.refuse(
            "edge.length_mm",
            say(
                "refused-edge-reaches-third",
                long=Length(edge.drawn_mm),
                third=PointName(third.name),
                room=Length(room),
            ),
        )
