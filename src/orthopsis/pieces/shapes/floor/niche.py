"""A niche: what is let into a wall, seen through its opening.

From each corner of the opening a line runs into the wall, and the back is the opening again, drawn
where those lines end. All of it stops at the opening's edge. By projection the back is the opening
moved in space; by ruler one of its corners is measured and the others are found from line to line.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import NamedTuple

from orthopsis.construction.circle import toward_family
from orthopsis.construction.moves import Act, Mark, Said, phrase
from orthopsis.perspective.area import Area
from orthopsis.perspective.plane import (
    LEVEL,
    UPRIGHT,
    Point,
    direction,
    distance,
    join,
    meet,
    toward,
)
from orthopsis.perspective.segments import Portion, Segment, at, length
from orthopsis.perspective.vector import Vector, plus
from orthopsis.perspective.view import HORIZONTAL, VERTICAL, VanishingPoint, eye_space, on_paper
from orthopsis.phrase import Length
from orthopsis.pieces.base import Site, Stage

Place = tuple[Point, float]
"""A place on paper and how far away it is."""
LEAST_MM = 1e-6


class Line(NamedTuple):
    """One of a niche's lines: its ends, by the number of a corner and whether that lies behind."""

    start: tuple[int, bool]
    end: tuple[int, bool]
    family: str


@dataclass(frozen=True)
class Niche:
    """An opening by its corners and the families of its sides, and how deep it is: `along_mm` on
    paper, on the line `into` the wall from the lower corner that is nearest to us.
    """

    families: tuple[str, ...]
    into: VanishingPoint
    along_mm: float
    stage: Stage

    @property
    def lines(self) -> list[Line]:
        """From each corner into the wall, and round the back."""
        inward = [Line((k, False), (k, True), self.into.name) for k in range(4)]
        back = [
            Line((k, True), ((k + 1) % 4, True), family) for k, family in enumerate(self.families)
        ]
        return [*inward, *back]

    def start(self, places: Sequence[Place]) -> int:
        """The corner that it is measured from: the lowest, of two as low that from which the line
        is longest.
        """

        def away(k: int) -> float:
            place, vp = places[k][0], self.into.at
            return 0.0 if vp.at_infinity else distance(place, vp)

        return max(range(4), key=lambda k: (round(places[k][0].y, 6), round(away(k), 6)))

    # --- for the picture ---------------------------------------------------------------------

    def measure_in_space(self, places: Sequence[Place]) -> tuple[Vector, Vector]:
        """The corner that it is measured from and the one behind it, in space."""
        start = eye_space(*places[self.start(places)])
        return start, plus(start, self._sweep(places))

    def behind_in_space(self, places: Sequence[Place]) -> list[Point]:
        """The corners of the back, moved in space."""
        sweep = self._sweep(places)
        moved = (plus(eye_space(place, far), sweep) for place, far in places)
        return [Point(*on_paper(place)) for place in moved]

    def _sweep(self, places: Sequence[Place]) -> Vector:
        start, depth = places[self.start(places)]
        vp = self.into.at
        if vp.at_infinity:
            return (vp.x * self.along_mm * depth, vp.y * self.along_mm * depth, 0.0)
        share = self.along_mm / distance(start, vp)
        return eye_space(vp, depth * share / (1.0 - share))

    # --- for the construction ----------------------------------------------------------------

    def behind_by_ruler(self, places: Sequence[Place]) -> list[Point]:
        """The same, from one measured corner round by lines that cross."""
        number, corners = self.start(places), [place for place, _ in places]
        goal = self.into.at
        found = {number: self._measured(corners[number])}
        for k, known, family in self._round(number, corners):
            line = join(found[known], self._goal(family))
            found[k] = meet(line, join(corners[k], goal))
        return [found[k] for k in range(4)]

    def _measured(self, corner: Point) -> Point:
        goal = self.into.at
        if goal.at_infinity:
            return Point(corner.x + goal.x * self.along_mm, corner.y)
        return toward(corner, goal, self.along_mm)

    def _round(self, number: int, corners: Sequence[Point]) -> list[tuple[int, int, str]]:
        """The other corners in the order in which they are found: each from one that is known,
        along a side of a family that crosses its own line well.
        """
        sides = [(k, (k + 1) % 4, family) for k, family in enumerate(self.families)]
        ways = [*sides, *((b, a, family) for a, b, family in sides)]
        found, order = {number}, list[tuple[int, int, str]]()
        while len(found) < 4:
            known, new, family = max(
                (way for way in ways if way[0] in found and way[1] not in found),
                key=lambda way: self._crosses(corners[way[1]], way[2]),
            )
            order.append((new, known, family))
            found.add(new)
        return order

    def _crosses(self, corner: Point, family: str) -> float:
        """How well a corner's line into the wall crosses one of a family, as a sine."""
        (ax, ay), (bx, by) = (direction(corner, to) for to in (self.into.at, self._goal(family)))
        return round(abs(ax * by - ay * bx), 6)

    def _goal(self, family: str) -> Point:
        if family == VERTICAL:
            return UPRIGHT
        if family == HORIZONTAL:
            return LEVEL
        return next(vp.at for vp in self.stage.view.level_points if vp.name == family)

    def draw(self, site: Site, marks: Sequence[Mark], places: Sequence[Place]) -> None:
        """Its moves: lines into the wall, one measure, and the back."""
        paper, points, goal = site.paper, site.points, self.into
        step = site.begin("niche", Act.DETAILS)
        number = self.start(places)
        lines = {k: toward_family(paper, marks[k], goal.name, points) for k in range(4)}
        end = (
            Point(marks[number].at.x + goal.at.x, marks[number].at.y)
            if goal.at.at_infinity
            else goal.at
        )
        back = {number: paper.measure_along(marks[number], end, self.along_mm)}
        for k, known, family in self._round(number, [mark.at for mark in marks]):
            back[k] = paper.cross(toward_family(paper, back[known], family, points), lines[k])
        shown = self.shown([mark.at for mark in marks], [back[k].at for k in range(4)])
        for line, portions in shown:
            ends = [back[k] if behind else marks[k] for k, behind in (line.start, line.end)]
            paper.keep(ends[0], ends[1], line.family, site.body, portions)
        deep = Length(self.along_mm)
        values: dict[str, Said] = {"corner": marks[number], "deep": deep, "back": back[number]}
        if goal.at.at_infinity:
            step.says.append(phrase("niche-level", **values))
        else:
            step.says.append(phrase("niche-to-point", vp=points[goal.name], **values))
        step.differs(depth=deep)
        step.check("niche-check")
        step.bulk = True

    # --- what both sides share ---------------------------------------------------------------

    def shown(
        self, opening: Sequence[Point], back: Sequence[Point]
    ) -> list[tuple[Line, list[Portion]]]:
        """What of each line is seen through the opening."""
        area = Area((tuple(corner.xy for corner in opening),))
        found = []
        for line in self.lines:
            segment = self._segment(line, opening, back)
            if length(segment) > LEAST_MM:
                portions = [
                    (t0, t1) for t0, t1 in area.portions_inside(segment)
                    if (t1 - t0) * length(segment) > LEAST_MM
                ]  # fmt: skip
                if portions:
                    found.append((line, portions))
        return found

    def segments(
        self, opening: Sequence[Point], back: Sequence[Point]
    ) -> list[tuple[str, Segment]]:
        """The same as lines on paper, each with its family."""
        return [
            (line.family, (at(whole, t0), at(whole, t1)))
            for line, portions in self.shown(opening, back)
            for whole in [self._segment(line, opening, back)]
            for t0, t1 in portions
        ]

    def _segment(self, line: Line, opening: Sequence[Point], back: Sequence[Point]) -> Segment:
        (a, a_behind), (b, b_behind) = line.start, line.end
        return (back if a_behind else opening)[a].xy, (back if b_behind else opening)[b].xy
