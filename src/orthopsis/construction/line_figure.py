"""A figure of lines on paper: each place of it is found where two lines through it cross.

A line is laid through one mark where its family says where it leads: to a point, level, upright;
any other through two of its marks. Source: what is drawn with ruler and set square alone.
"""

from __future__ import annotations

import math
from collections.abc import Hashable, Iterable, Mapping, Sequence
from itertools import combinations
from typing import NamedTuple

from orthopsis.construction.moves import Mark, Ruled
from orthopsis.construction.paper import Paper
from orthopsis.perspective.plane import LEVEL, UPRIGHT, Line, Point, join, meet
from orthopsis.perspective.view import HORIZONTAL, VERTICAL

Place = Hashable
"""What tells a place of the figure from the others."""
LEAST_ANGLES = tuple(math.sin(math.radians(angle)) for angle in (3.0, 0.3, 0.003))
"""Lines that meet at less than the first are crossed only where there are no others."""


class FigureLine(NamedTuple):
    """A line, by its places and its family."""

    places: tuple[Place, ...]
    family: str


class _Way(NamedTuple):
    """How a place is found: by two lines that cross there."""

    lines: tuple[int, int]
    at: Point


class LineFigure:
    """Marks by their places, and the lines that are laid through them."""

    def __init__(
        self,
        paper: Paper,
        lines: Iterable[FigureLine],
        goals: Mapping[str, Mark],
        marks: Mapping[Place, Mark],
    ) -> None:
        self.paper, self.lines, self.goals = paper, list(lines), goals
        self.marks = dict(marks)
        self._laid: dict[int, Ruled] = {}
        self._through: dict[Place, list[int]] = {}
        for number, line in enumerate(self.lines):
            for place in line.places:
                self._through.setdefault(place, []).append(number)

    def find(self, place: Place) -> Mark:
        """The mark of a place, made when it is first needed. Raises KeyError where no lines lead
        there.
        """
        if place not in self.marks:
            self._make(place, self._ways(place, self._known))
        return self.marks[place]

    def lacks(self, place: Place, chosen: Iterable[tuple[Place, Point]]) -> Place | None:
        """Which of some places must be marked before lines lead to one: the first that helps alone,
        or else the first at all; None where they lead there already.
        """
        known = self._known
        if self._leads_to(place, known):
            return None
        left = [(one, at) for one, at in chosen if one not in known]
        helps = (one for one, at in left if self._leads_to(place, {**known, one: at}))
        return next(helps, left[0][0] if left else None)

    @property
    def _known(self) -> dict[Place, Point]:
        return {place: mark.at for place, mark in self.marks.items()}

    def _leads_to(self, place: Place, known: Mapping[Place, Point]) -> bool:
        if place in known:
            return True
        try:
            self._ways(place, known)
        except KeyError:
            return False
        return True

    def _make(self, place: Place, ways: Mapping[Place, _Way]) -> None:
        lines = ways[place].lines
        for number in lines:
            if number not in self._laid:
                for needed in self._needed(self.lines[number], [*self.marks, *ways]):
                    if needed not in self.marks:
                        self._make(needed, ways)
                self._laid[number] = self._lay(self.lines[number])
        self.marks[place] = self.paper.cross(*(self._laid[number] for number in lines))

    def _needed(self, line: FigureLine, known: Sequence[Place]) -> list[Place]:
        """The places that a line is laid through: those that were known first."""
        there = [place for place in known if place in line.places]
        return there[:1] if self._leads(line) else there[:2]

    def _leads(self, line: FigureLine) -> bool:
        return line.family in (HORIZONTAL, VERTICAL) or line.family in self.goals

    def _lay(self, line: FigureLine) -> Ruled:
        marks = [self.marks[place] for place in self._needed(line, list(self.marks))]
        if line.family == VERTICAL:
            return self.paper.upright(marks[0])
        if line.family == HORIZONTAL:
            return self.paper.level(marks[0])
        if line.family in self.goals:
            return self.paper.lay(marks[0], self.goals[line.family])
        return self.paper.along(*marks)

    # --- before anything is drawn ---------------------------------------------------------------

    def _ways(self, wanted: Place, known: Mapping[Place, Point]) -> dict[Place, _Way]:
        """How the places on the way to one are found, round by round, those first that lie
        nearest to what is there already.
        """
        at = dict(known)
        ways: dict[Place, _Way] = {}
        for least in LEAST_ANGLES:
            while True:
                laid = {k: self._line(line, at) for k, line in enumerate(self.lines)}
                found: dict[Place, _Way] = {}
                for place, numbers in self._through.items():
                    if place not in at:
                        way = self._best([(k, laid[k]) for k in numbers], least)
                        if way is not None:
                            found[place] = way
                if wanted in found:
                    return {**ways, wanted: found[wanted]}
                if not found:
                    break
                ways |= found
                at |= {place: way.at for place, way in found.items()}
        raise KeyError(wanted)

    def _line(self, line: FigureLine, at: Mapping[Place, Point]) -> Line | None:
        """Where a line lies by the places that are known."""
        known = self._needed(line, list(at))
        if len(known) < (1 if self._leads(line) else 2):
            return None
        start = at[known[0]]
        if line.family == VERTICAL:
            return join(start, UPRIGHT)
        if line.family == HORIZONTAL:
            return join(start, LEVEL)
        goal = self.goals[line.family].at if line.family in self.goals else at[known[1]]
        return join(start, goal)

    def _best(self, lines: Sequence[tuple[int, Line | None]], least: float) -> _Way | None:
        """The two of some lines that cross best."""
        best, widest = None, least
        there = [(number, line) for number, line in lines if line is not None]
        for (i, one), (j, other) in combinations(there, 2):
            sizes = math.hypot(one.a, one.b) * math.hypot(other.a, other.b)
            wide = abs(one.a * other.b - one.b * other.a) / sizes if sizes else 0.0
            if wide > widest:
                best, widest = _Way((i, j), meet(one, other)), wide
        return best
