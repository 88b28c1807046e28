"""What every marking of a way has: its lines for the picture, and its steps."""

from __future__ import annotations

from abc import abstractmethod
from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass
from functools import cached_property
from itertools import chain

from orthopsis.construction.moves import Mark, Ruled, count
from orthopsis.perspective.plane import LEVEL, distance
from orthopsis.perspective.vector import Vector
from orthopsis.perspective.view import HORIZONTAL, VanishingPoint
from orthopsis.picture.solid import Detail
from orthopsis.pieces.base import Measures, Site, Stage
from orthopsis.pieces.placement.depth import Cut, check_share
from orthopsis.pieces.placement.way import WayPlace

Steps = Callable[[float], Iterable[tuple[float, float]]]
"""Where things begin and end, in true steps, when the first begins so far off."""


@dataclass(frozen=True)
class OnWay:
    """A way on its stage: places of the ground by where their line to the way's point begins on
    the sheet's lower edge, and how many true steps toward the point they lie.
    """

    place: WayPlace
    stage: Stage

    @cached_property
    def goal(self) -> VanishingPoint:
        """The point that the way runs to."""
        return self.place.goal(self.stage)

    @cached_property
    def other(self) -> VanishingPoint | None:
        """The point of lines straight across; None where they are level."""
        return self.place.across(self.stage)

    @property
    def across_family(self) -> str:
        return HORIZONTAL if self.other is None else self.other.name

    @property
    def middle_mm(self) -> float:
        left, right = self.place.edges_mm
        return (left + right) / 2.0

    def gone(self, x_mm: float, cut: Cut, field: str) -> float:
        """How many steps a cut goes from the lower edge. Raises ExerciseError."""
        way = self.place.at_sheet(self.stage, x_mm), self.goal.at
        share = cut.share_by_projection(*way, self.stage.view)
        check_share(share, way, cut, self.stage, field)
        return share / (1.0 - share)

    def at(self, x_mm: float, gone: float) -> Vector:
        """A place in eye space."""
        return self.place.in_space(self.stage, x_mm, gone)

    def beside(self, start_mm: float, x_mm: float, gone: float) -> Vector:
        """The place straight across the way from one on another line."""
        if self.other is not None:
            gone += (x_mm - start_mm) / (self.other.at.x - self.goal.at.x)
        return self.at(x_mm, gone)


@dataclass(frozen=True)
class WaySite:
    """A way that is being drawn: its edges' marks on the sheet's lower edge, and its point."""

    site: Site
    way: OnWay
    edges: tuple[Mark, Mark]
    goal: Mark

    def straight_across(self, mark: Mark) -> Ruled:
        """The ruler laid through a mark, straight across the way."""
        paper, other = self.site.paper, self.way.other
        return paper.level(mark) if other is None else paper.lay(mark, self.site.points[other.name])

    def foot(self, x_mm: float) -> Mark:
        return self.site.paper.measure_on_foot(x_mm)

    def ends_along(self, start: Mark, line: Ruled, first: Cut, steps: Steps) -> list[Mark]:
        """Marks on a line to the point: the first by its cut, the others as far on as `steps` tells
        from how far away that is. What is said of the cut goes to the open step.
        """
        paper, goal = self.site.paper, self.goal
        mark, said = first.build(self.site, start, goal, line, LEVEL, (), None, "first")
        paper.steps[-1].says.append(said)
        whole = distance(start.at, goal.at)
        share = distance(start.at, mark.at) / whole
        marks = [mark]
        for gone in list(chain.from_iterable(steps(share / (1.0 - share))))[1:]:
            marks.append(paper.measure_along(start, goal, whole * gone / (1.0 + gone)))
            paper.reach(line, marks[-1])
        return marks

    def close(self, rows: Sequence[tuple[Mark, Mark]]) -> None:
        """Join the ends of each pair of rows straight across, by lines to the way's point."""
        for near, far in zip(rows[::2], rows[1::2], strict=True):
            for start, end in zip(near, far, strict=True):
                self.site.paper.keep(start, end, self.goal.name, self.site.body)

    def say_across(self, what: str, number: int) -> None:
        """How what is straight across is drawn: level, or to its point."""
        other, step = self.way.other, self.site.paper.steps[-1]
        if other is None:
            step.say(f"{what}-level", count=count(number))
        else:
            step.say(f"{what}-to", count=count(number), vp=self.site.points[other.name])


class Marking(Measures):
    """Something that lies on a way."""

    @abstractmethod
    def details(self, way: OnWay) -> list[Detail]:
        """Its lines in eye space, on the way's only face. Raises ExerciseError."""

    @abstractmethod
    def draw(self, work: WaySite) -> None:
        """Its steps."""
