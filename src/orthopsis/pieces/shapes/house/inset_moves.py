"""The steps of openings that are cut into their wall: one in full, then all that are like it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field

from orthopsis.construction.moves import Mark, Ruled, count
from orthopsis.perspective.plane import Point, distance_point_line
from orthopsis.perspective.segments import XY
from orthopsis.phrase import Choice
from orthopsis.pieces.shapes.house.cuts import cut_mark, inward
from orthopsis.pieces.shapes.house.inset import (
    BESIDE,
    UPRIGHT_FROM,
    enters,
    into_wall,
    measured_corner,
    seen_through,
)
from orthopsis.pieces.shapes.house.panels import Panel, Taken
from orthopsis.pieces.shapes.house.site import HouseSite
from orthopsis.pieces.shapes.house.walls import Wall

Lines = Sequence[tuple[Ruled, Ruled]]
Place = tuple[int, int]


@dataclass
class Grid:
    """The openings of a panel: foot and head of each row, both sides of each column."""

    rows: Lines
    columns: Lines
    taken: Taken = frozenset()

    @property
    def places(self) -> list[Place]:
        """Row and column of each opening that is there."""
        every = ((r, c) for r in range(len(self.rows)) for c in range(len(self.columns)))
        return [place for place in every if place not in self.taken]


@dataclass
class InsetMoves:
    """The inside of a panel's openings."""

    work: HouseSite
    panel: Panel
    wall: Wall
    grid: Grid
    _corners: dict[Place, list[Mark]] = field(default_factory=dict)
    _bases: dict[int, Mark] = field(default_factory=dict)

    def draw(self) -> None:
        work, places = self.work, self.grid.places
        family = work.walls.across(self.wall)
        self.goal = work.points.get(family)
        way = into_wall(work.walls, self.wall, (0.0, 0.0, 1.0))
        self.to = Point(*way)
        first = self._marks(places[0])
        level_mm = work.site.stage.view.eye_level_mm
        start = measured_corner([mark.at for mark in first], self.to, level_mm)
        if start is None or self.panel.inset is None:
            return
        self.start, self.first = start, places[0]
        step = work.begin("panel-inset", look=Choice(self.panel.look))
        self._measure(first[start], family, inward(way))
        self._draw(places[0])
        if self.goal is None:
            step.say("panel-inset-level", mark=self.depth)
        else:
            step.say("panel-inset", mark=self.depth, vp=self.goal)
        step.check("panel-inset-check")
        step.bulk = True
        if len(places) > 1:
            step = work.begin("panel-insets", look=Choice(self.panel.look))
            for place in places[1:]:
                self._draw(place)
            step.say("panel-insets", mark=self.depth, count=count(len(places) - 1))
            step.check("panel-insets-check")
            step.bulk = True

    def _measure(self, start: Mark, family: str, way: Point) -> None:
        """How far the first one goes in, from one of its corners."""
        work, cut = self.work, self.panel.inset
        assert cut is not None
        guide = work.laid(start, family)
        self.depth = cut_mark(cut, start, guide, self.goal, way, work.site, "depth")
        self.stands = work.upright(self.depth)

    def _marks(self, place: Place) -> list[Mark]:
        """The corners of an opening, from the near end of its head round by the far one."""
        if place not in self._corners:
            (low, high), (near, away) = self.grid.rows[place[0]], self.grid.columns[place[1]]
            pairs = (high, near), (high, away), (low, away), (low, near)
            self._corners[place] = [self.work.paper.cross(*pair) for pair in pairs]
        return self._corners[place]

    def _way_in(self, corner: Mark) -> Ruled:
        return self.work.laid(corner, self.work.walls.across(self.wall))

    def _sure(self, place: Place) -> int:
        """Of the two corners on the measured side the one that is further from the eye level: there
        the ways in and along cross at a good angle.
        """
        corners, level_mm = self._marks(place), self.work.site.stage.view.eye_level_mm
        pair = self.start, UPRIGHT_FROM[self.start]
        return max(pair, key=lambda k: round(abs(corners[k].at.y - level_mm), 6))

    def _base(self, row: int) -> Mark:
        """Of a row the place on the first one's inner upright, from which its others are found."""
        if row not in self._bases:
            place = row, self.first[1]
            corner = self._sure(place)
            mark = self.depth
            if place != self.first or corner != self.start:
                way = self._way_in(self._marks(place)[corner])
                mark = self.work.paper.cross(way, self.stands)
            self._bases[row] = mark
        return self._bases[row]

    def _draw(self, place: Place) -> None:
        work, paper = self.work, self.work.paper
        corners, sure = self._marks(place), self._sure(place)
        outline = [mark.at.xy for mark in corners]
        along = work.laid(self._base(place[0]), self.wall.family)
        back: dict[int, Mark] = {}
        if place[1] == self.first[1]:
            back[sure] = self._base(place[0])
        else:
            back[sure] = paper.cross(self._way_in(corners[sure]), along)
        self._upright_of(back, corners, sure)
        if any(enters(corners[k].at, self.to, outline) for k in (BESIDE[sure], self._other(sure))):
            beside = BESIDE[sure]
            back[beside] = paper.cross(self._way_in(corners[beside]), along)
            self._upright_of(back, corners, beside)
        self._keep(corners, back)

    def _other(self, sure: int) -> int:
        return BESIDE[UPRIGHT_FROM[sure]]

    def _upright_of(self, back: dict[int, Mark], corners: Sequence[Mark], known: int) -> None:
        """The inner corner above or below a known one."""
        work, other = self.work, UPRIGHT_FROM[known]
        way = self._way_in(corners[other])
        back[other] = work.paper.cross(way, work.upright(back[known]))

    def _keep(self, corners: Sequence[Mark], back: dict[int, Mark]) -> None:
        """What is seen of the inside: its edges as far as they lie within the opening."""
        work, paper = self.work, self.work.paper
        across, along = work.walls.across(self.wall), self.wall.family
        uprights = work.site.stage.view.uprights.name
        for k, inner in back.items():
            self._keep_within(corners, corners[k], inner, across)
        for a, b, family in ((0, 1, along), (1, 2, uprights), (3, 2, along), (0, 3, uprights)):
            if a in back and b in back:
                self._keep_within(corners, back[a], back[b], family)
            elif family == along and (a in back or b in back):
                known = a if a in back else b
                side = paper.along(corners[BESIDE[known]], corners[self._other(known)])
                end = paper.cross(work.laid(back[known], along), side)
                self._keep_within(corners, back[known], end, family)

    def _keep_within(self, corners: Sequence[Mark], start: Mark, end: Mark, family: str) -> None:
        paper, outline = self.work.paper, [mark.at.xy for mark in corners]
        for ends in seen_through((start.at.xy, end.at.xy), outline):
            marks = [self._end(corners, (start, end), xy) for xy in ends]
            paper.keep(marks[0], marks[1], family, self.work.site.body)

    def _end(self, corners: Sequence[Mark], ends: tuple[Mark, Mark], xy: XY) -> Mark:
        """The mark at a place where a line begins, ends or runs behind the opening's edge."""
        for mark in ends:
            if abs(mark.at.x - xy[0]) + abs(mark.at.y - xy[1]) < 1e-6:
                return mark
        paper = self.work.paper
        sides = [paper.along(corners[k], corners[(k + 1) % 4]) for k in range(4)]
        side = min(sides, key=lambda one: distance_point_line(Point(*xy), one.line))
        return paper.cross(paper.along(*ends), side)
