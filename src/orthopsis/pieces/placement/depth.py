"""A cut: how far a face goes back, in any of the four ways teachers do it."""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from typing import Annotated, Literal

from pydantic import Field, model_validator

from orthopsis.construction.moves import Idea, Mark, Ruled, Said, phrase
from orthopsis.construction.places import across
from orthopsis.errors import Unfit
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
from orthopsis.phrase import About, Choice, Length, MarkName, Number, Own, Phrase, listed, say
from orthopsis.pieces.base import Across, Flag, Measures, PaperLength, Site, Stage, TrueLength
from orthopsis.pieces.roles import FieldRole

CornerName = Literal["top", "bottom", "top left", "top right", "bottom left", "bottom right"]


class Cut(Measures):
    """Exactly one of: `x_mm` from the sheet's left edge, `fraction` of the way to the vanishing
    point, `along_mm` on paper along the guide line, `true_mm` true length. `from` is the corner
    whose guide line is measured; `point`
    the distance or measuring point that carries a true length, the opposite one when left out.
    With `by_eye` pupils choose the place themselves, about there.
    """

    x_mm: Across | None = None
    fraction: Annotated[float, Field(gt=0, lt=1), FieldRole.SHARE] | None = None
    along_mm: PaperLength | None = None
    true_mm: TrueLength | None = None
    point: Annotated[Literal["left", "right"] | None, FieldRole.CHOICE] = None
    by_eye: Flag | None = None
    from_: Annotated[CornerName | None, Field(alias="from"), FieldRole.CHOICE] = None

    @model_validator(mode="after")
    def _one_way(self) -> Cut:
        if len(self.ways) != 1:
            raise Unfit(say("refused-cut-one-way"))
        if self.point is not None and self.true_mm is None:
            raise Unfit(say("refused-cut-point"))
        if self.by_eye and self.along_mm is None and self.fraction is None:
            raise Unfit(say("refused-cut-by-eye"))
        return self

    @property
    def ways(self) -> list[str]:
        names = ("x_mm", "fraction", "along_mm", "true_mm")
        return [name for name in names if getattr(self, name) is not None]

    @property
    def way(self) -> str:
        """The field that is given."""
        return self.ways[0]

    def flat(self, y_mm: float, level_mm: float) -> bool:
        """Whether a true length would be carried along the eye level, where nothing crosses.

        The same length is then carried from the corner above or below, at the same scale.
        """
        return self.true_mm is not None and abs(y_mm - level_mm) < ON_LEVEL_MM

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

    def moved(self, corner: CornerName, start: Point, vp: Point, place: Point, scale: float) -> Cut:
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
        site: Site,
        start: Mark,
        vp: Mark,
        guide: Ruled,
        inward: Point,
        marks: Iterable[Mark] = (),
        corner: str | None = None,
        column: str = "depth",
    ) -> tuple[Mark, Phrase]:
        """Make the cut's mark on the guide line; returns it with what is said of it.

        `marks` are corners already drawn: one that lies where a true length ends is used for it.
        `corner` is what the start is called where it has no letter, `column` where the measure
        stands in a table.
        """
        mark, said = self._built(site, start, vp, guide, inward, marks)
        whence = Choice("none" if corner is None else corner.replace(" ", "-"))
        values = {k: v for k, v in said.values.items() if not isinstance(v, MarkName)}
        site.paper.steps[-1].row[column] = say(f"{said.id}-cell", **values, corner=whence)
        return mark, said

    def _built(
        self,
        site: Site,
        start: Mark,
        vp: Mark,
        guide: Ruled,
        inward: Point,
        marks: Iterable[Mark],
    ) -> tuple[Mark, Phrase]:
        paper = site.paper
        if self.true_mm is not None:
            return self._build_true(site, start, vp, guide, inward, marks)
        if self.x_mm is not None:
            foot = paper.measure_on_edge(self.x_mm)
            mark = paper.cross(paper.upright(foot), guide)
            return mark, phrase(
                "cut-x", across=across(self.x_mm, paper.sheet), start=start, vp=vp, mark=mark
            )
        along_mm = self.along_mm or distance(start.at, vp.at) * (self.fraction or 0.0)
        mark = paper.measure_along(start, vp, along_mm)
        paper.reach(guide, mark)
        if self.by_eye:
            about = About(along_mm)
            return mark, phrase("cut-by-eye", along=about, start=start, vp=vp, mark=mark)
        length = Length(along_mm)
        return mark, phrase("cut-along", along=length, start=start, vp=vp, mark=mark)

    def _build_true(
        self,
        site: Site,
        start: Mark,
        vp: Mark,
        guide: Ruled,
        inward: Point,
        marks: Iterable[Mark],
    ) -> tuple[Mark, Phrase]:
        assert self.true_mm is not None
        paper, view = site.paper, site.stage.view
        along = self.laying(start.at, vp.at, inward)
        place = toward(start.at, along, self.true_mm)
        there = next((m for m in marks if distance(m.at, place) < 1e-6), None)
        laid = there or paper.measure_along(start, along, self.true_mm)
        side = _SIDES[along]
        one_point = len(view.vanishing_points) == 1
        point = carrying_point(site, vp, along)
        mark = paper.cross(paper.aim(laid, point, site.part, family=FREE), guide)
        said: dict[str, Said] = {
            "true": Length(self.true_mm),
            "side": Choice(side),
            "start": start,
            "laid": laid,
            "point": point,
            "vp": vp,
            "mark": mark,
        }
        which = "distance" if one_point else "measuring"
        return mark, phrase(f"cut-true-{which}{'-there' if there else ''}", **said)


def carrying_point(site: Site, vp: Mark, along: Point) -> Mark:
    """The distance or measuring point that carries lengths laid out in a direction of the sheet."""
    view = site.stage.view
    one_point = len(view.vanishing_points) == 1
    # Points of another view have its name before theirs.
    of_view = vp.name[: vp.name.rfind(":") + 1]
    number = _NUMBERS[_SIDES[along]]
    name = f"{of_view}DP{number}" if one_point else f"{of_view}MP{vp.name[-1]}"
    idea = Idea.DISTANCE_POINT if one_point else Idea.MEASURING_POINT
    return site.paper.measuring_point(name, view.measuring_point(vp.at, along), vp, idea)


_SIDES = {LEVEL: "left", LEFT: "right", UPRIGHT: "above"}
"""Where the point lies that carries a length laid out that way."""
_NUMBERS = {"left": 1, "right": 2, "above": 3}

ON_LEVEL_MM = 1.0
"""Closer to the eye level than this, a level length and its guide line cannot be told apart."""


def share_on_paper(start: Point, vp: Point, place: Point) -> float:
    """The part of the way from a corner to its vanishing point at which a mark lies.

    Without bound where the mark lies at infinity, or the corner on the point.
    """
    if place.at_infinity or start == vp:
        return math.inf
    (sx, sy), (vx, vy), (x, y) = start.xy, vp.xy, place.xy
    return ((x - sx) * (vx - sx) + (y - sy) * (vy - sy)) / ((vx - sx) ** 2 + (vy - sy) ** 2)


LEAST_MM = 1e-4
"""Nearer to its corner or to the vanishing point than this, a cut is no cut: nothing is left there
of what should have an inside.
"""


def check_share(share: float, way: tuple[Point, Point], cut: Cut, stage: Stage, field: str) -> None:
    """Refuse a cut that does not lie between its corner and the vanishing point, `way`."""
    left_mm = min(share, 1.0 - share) * distance(*way)
    # What is no number is not larger either.
    if not (0.0 < share < 1.0 and left_mm > LEAST_MM):
        value = getattr(cut, cut.way)
        share = cut.way == "fraction"
        told = say("share", percent=Number(100 * value, 1)) if share else Length(value)
        raise stage.refuse(
            f"{field}.{cut.way}",
            say("refused-cut-beyond", value=told),
        )


def check_cut(cut: Cut, corners: Sequence[CornerName], stage: Stage, field: str) -> None:
    """Refuse a cut from a corner that is none of those, or a true one where nothing is true."""
    if cut.from_ not in (None, *corners):
        raise stage.refuse(
            f"{field}.from",
            say("refused-cut-from", corner=Own(str(cut.from_)), corners=listed(corners)),
        )
    if cut.true_mm is not None and stage.view.eye is None:
        raise stage.refuse(
            f"{field}.true_mm",
            say("refused-cut-not-true", true=Length(cut.true_mm or 0.0)),
        )
