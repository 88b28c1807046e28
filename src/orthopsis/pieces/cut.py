"""A cut: how far a face goes back, in any of the four ways teachers do it."""

from __future__ import annotations

import math
from collections.abc import Iterable
from typing import Annotated, Literal

from pydantic import Field, model_validator

from orthopsis.construction.moves import Mark, Ruled
from orthopsis.construction.paper import Paper
from orthopsis.perspective.plane import (
    LEFT,
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
    whose guide line is measured; `point`
    the distance or measuring point that carries a true length, the opposite one when left out.
    With `by_eye` pupils choose the place themselves, about there.
    """

    x_mm: Millimetres | None = None
    fraction: Annotated[float, Field(gt=0, lt=1)] | None = None
    along_mm: Length | None = None
    true_mm: Length | None = None
    point: Literal["left", "right"] | None = None
    by_eye: bool | None = None
    from_: Annotated[Corner | None, Field(alias="from")] = None

    @model_validator(mode="after")
    def _one_way(self) -> Cut:
        if len(self.ways) != 1:
            raise ValueError("give exactly one of x_mm, fraction, along_mm, true_mm")
        if self.point is not None and self.true_mm is None:
            raise ValueError("point carries a true length; give true_mm, or leave point out")
        if self.by_eye and self.along_mm is None and self.fraction is None:
            raise ValueError(
                "by_eye is for along_mm and fraction; leave it out, or give one of them"
            )
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

    def moved(self, corner: Corner, start: Point, vp: Point, place: Point, scale: float) -> Cut:
        """The same way of cutting, for the start and the place where another viewer sees them.

        `corner` is the name of the start; `scale` how much a true length of the piece has grown.
        """
        if self.fraction is not None:
            return self.model_copy(update={"fraction": share_on_paper(start, vp, place)})
        if self.true_mm is not None:
            return self.model_copy(update={"true_mm": self.true_mm * scale})
        if self.along_mm is not None:
            changed = {"along_mm": distance(start, place), "from_": corner}
        else:
            changed = {"x_mm": place.x, "from_": corner}
        return self.model_copy(update=changed)

    def place_on_paper(self, start: Point, vp: Point, view: View, inward: Point) -> Point:
        """Where the cut falls on the guide line from `start`, by ruler alone.

        A true length is laid out from the corner and carried to the guide line by the measuring
        point on the other side; see `laying`.
        """
        if self.fraction is not None:
            return part_way(start, vp, self.fraction)
        if self.along_mm is not None:
            return toward(start, vp, self.along_mm)
        guide = join(start, vp)
        if self.true_mm is not None:
            along = self.laying(start, vp, inward)
            laid = toward(start, along, self.true_mm)
            return meet(join(laid, view.measuring_point(vp, along)), guide)
        assert self.x_mm is not None
        return meet(join(Point(self.x_mm, 0.0), UPRIGHT), guide)

    def laying(self, start: Point, vp: Point, inward: Point) -> Point:
        """The direction of the sheet in which a true length is laid out.

        Level and `inward`, over the piece, so that the opposite point carries it; the other way
        when the document asks for the other point; straight down from a corner on the eye level,
        where a level length and the guide line are one.
        """
        if abs(start.y - vp.y) < ON_LEVEL_MM:
            return UPRIGHT
        if self.point is not None:
            return LEFT if self.point == "right" else LEVEL
        return inward

    def build(
        self,
        paper: Paper,
        start: Mark,
        vp: Mark,
        guide: Ruled,
        stage: Stage,
        inward: Point,
        marks: Iterable[Mark] = (),
    ) -> tuple[Mark, str]:
        """Make the cut's mark on the guide line; returns it with the sentence that says how.

        `marks` are corners already drawn: one that lies where a true length ends is used for it.
        """
        length, say, square = paper.wording.length, paper.wording.say, paper.wording.square
        line = f"the line from {start.name} to {vp.name}"
        if self.x_mm is not None:
            foot = paper.measure_on_edge(self.x_mm)
            mark = paper.cross(paper.upright(foot), guide)
            return mark, say(
                f"Measure {length(self.x_mm)} from the left edge and lay the {square} there: "
                f"where it crosses {line} is {mark.name}.",
                f"Measure {length(self.x_mm)} from the left edge. Put the {square} there. "
                f"Mark {mark.name} on {line}.",
            )
        if self.true_mm is not None:
            return self._build_true(paper, start, vp, guide, stage, inward, marks)
        along_mm = self.along_mm or distance(start.at, vp.at) * (self.fraction or 0.0)
        mark = paper.measure_along(start, vp, along_mm)
        paper.reach(guide, mark)
        if self.by_eye:
            about = paper.wording.rough(along_mm)
            return mark, say(
                f"Choose by eye how far back it goes on {line}, about {about}: {mark.name}.",
                f"Choose how far back it goes. Mark {mark.name} on {line}, about {about} along.",
            )
        return mark, say(
            f"Measure {length(along_mm)} along {line}: {mark.name}.",
            f"Put zero on {start.name}. Measure {length(along_mm)} along {line}. Mark {mark.name}.",
        )

    def _build_true(
        self,
        paper: Paper,
        start: Mark,
        vp: Mark,
        guide: Ruled,
        stage: Stage,
        inward: Point,
        marks: Iterable[Mark],
    ) -> tuple[Mark, str]:
        assert self.true_mm is not None
        length, say = paper.wording.length, paper.wording.say
        along = self.laying(start.at, vp.at, inward)
        place = toward(start.at, along, self.true_mm)
        there = next((m for m in marks if distance(m.at, place) < 1e-6), None)
        laid = there or paper.measure_along(start, along, self.true_mm)
        at = stage.view.measuring_point(vp.at, along)
        how, side, beside = _LAYING[along]
        point = Mark(_measuring_name(stage.view, vp, side), at)
        point = paper.measuring_point(point, vp)
        mark = paper.cross(paper.aim(laid, point, guide.piece, family=FREE), guide)
        where = f"{length(distance(point.at, vp.at))} {beside} {vp.name}"
        if along != UPRIGHT:
            where += f" on the {paper.wording.eye_level}"
        name = f"{point.name[0].upper()}{point.name[1:]}"
        measured = (
            f"{laid.name} is the true depth from {start.name} already."
            if there
            else f"Measure {length(self.true_mm)} {how} from {start.name}: {laid.name}."
        )
        line = f"the line from {start.name} to {vp.name}"
        return mark, say(
            f"{measured} {name} lies {where}; draw lightly from {laid.name} to it. "
            f"Where that crosses {line} is {mark.name}, at true depth.",
            f"{measured} Mark {point.name}, {where}. Draw a light line from {laid.name} to it. "
            f"Mark {mark.name} where it crosses {line}.",
        )


_LAYING = {
    LEVEL: ("level to the right", "left", "to the left of"),
    LEFT: ("level to the left", "right", "to the right of"),
    UPRIGHT: ("straight down", "upper", "straight above"),
}
"""How a length is laid out, and where the point that carries it lies."""

ON_LEVEL_MM = 1.0
"""Closer to the eye level than this, a level length and its guide line cannot be told apart."""


def _measuring_name(view: View, vp: Mark, side: str) -> str:
    if len(view.vanishing_points) == 1:
        return f"the {side} distance point"
    return f"the measuring point of {vp.name}"


def share_on_paper(start: Point, vp: Point, place: Point) -> float:
    """The part of the way from a corner to its vanishing point at which a mark lies.

    Without bound where the mark lies at infinity, or the corner on the point.
    """
    if place.at_infinity or start == vp:
        return math.inf
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
