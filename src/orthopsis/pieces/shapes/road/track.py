"""A railway track: two rails of three lines each, and sleepers that pass under them."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from typing import Annotated, NamedTuple

from pydantic import Field

from orthopsis.construction.moves import Act, Mark, Ruled, measures_set
from orthopsis.perspective.plane import UPRIGHT, Point, join, meet
from orthopsis.perspective.vector import Vector, plus, seen_part_way
from orthopsis.perspective.view import on_paper
from orthopsis.phrase import Length, say
from orthopsis.picture.solid import Detail
from orthopsis.pieces.base import PaperLength
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.way import FAR
from orthopsis.pieces.roles import Editor, FieldRole
from orthopsis.pieces.shapes.road.marking import Marking, OnWay, WaySite


class Rail(NamedTuple):
    """Where the three lines of a rail begin on the sheet's lower edge: its outer edge, its inner
    edge, and the foot of the side that we see.
    """

    outer_mm: float
    inner_mm: float
    foot_mm: float


class Track(Marking):
    """Rails `wide_mm` on top, with a side of `side_mm`, so far `in_mm` from the ends of the
    sleepers, all on the sheet's lower edge. The `first` sleeper begins as far up the left edge as
    the cut says, the next as far on in truth; each is as `deep` as that share of the way between.
    With `thick_mm` they have a front as well, so high at the near end of the first.
    """

    in_mm: PaperLength
    wide_mm: PaperLength
    side_mm: PaperLength
    sleepers: Annotated[int, Field(ge=1, le=24), FieldRole.COUNT] = 10
    first: Annotated[Cut, FieldRole.RUN]
    deep: Annotated[float, Field(gt=0, lt=1), FieldRole.FIXED] = 0.4
    thick_mm: Annotated[PaperLength | None, Editor.SWITCH] = None

    def _rails(self, way: OnWay) -> tuple[Rail, Rail]:
        left, right = way.place.edges_mm
        ways = (self.in_mm, self.in_mm + self.wide_mm, self.in_mm + self.wide_mm + self.side_mm)
        if ways[2] >= (right - left) / 2.0:
            raise way.stage.refuse("track.in_mm", say("refused-track-too-wide"))
        return Rail(*(left + mm for mm in ways)), Rail(*(right - mm for mm in ways))

    def _open(self, way: OnWay) -> list[tuple[float, float]]:
        """Where sleepers show: beside and between the rails."""
        left, right = self._rails(way)
        first, last = way.place.edges_mm
        return [(first, left.outer_mm), (left.foot_mm, right.foot_mm), (right.outer_mm, last)]

    def _steps(self, step: float) -> Iterator[tuple[float, float]]:
        """Where each sleeper begins and ends, in true steps."""
        for k in range(1, self.sleepers + 1):
            yield k * step, (k + self.deep) * step

    def details(self, way: OnWay) -> list[Detail]:
        first, last = way.place.edges_mm
        found = [
            Detail(0, way.at(x, 0.0), way.at(x, FAR), way.goal.name)
            for rail in self._rails(way)
            for x in rail
        ]
        for ends in self._steps(way.gone(first, self.first, "track.first")):
            for gone in ends:
                found += [
                    Detail(0, way.beside(first, a, gone), way.beside(first, b, gone),
                           way.across_family)
                    for a, b in self._open(way)
                ]  # fmt: skip
            for x in (first, last):
                near, far = (way.beside(first, x, gone) for gone in ends)
                found.append(Detail(0, near, far, way.goal.name))
        return [*found, *self._fronts(way)]

    def _fronts(self, way: OnWay) -> Iterator[Detail]:
        """Below the near edge of each sleeper: two short uprights and a lower edge, which the rails
        interrupt as they do all of it.
        """
        if self.thick_mm is None:
            return
        first, last = way.place.edges_mm
        uprights = way.stage.view.uprights.name
        down: Vector | None = None
        for gone, _ in self._steps(way.gone(first, self.first, "track.first")):
            ends = [way.beside(first, x, gone) for x in (first, last)]
            # Equally thick in truth: so many mm at the near end of the first.
            down = down or (0.0, self.thick_mm * ends[0][2], 0.0)
            low = [plus(end, down) for end in ends]
            for end, below in zip(ends, low, strict=True):
                yield Detail(0, end, below, uprights)
            line = join(*(Point(*on_paper(one)) for one in low))
            stops = [low[0]]
            left, right = self._rails(way)
            for x in (left.outer_mm, left.foot_mm, right.foot_mm, right.outer_mm):
                rail = join(way.place.at_sheet(way.stage, x), way.goal.at)
                at = meet(line, rail)
                share = math.dist(at.xy, on_paper(low[0])) / math.dist(*map(on_paper, low))
                stops.append(seen_part_way(low[0], low[1], share))
            stops.append(low[1])
            for a, b in zip(stops[::2], stops[1::2], strict=True):
                yield Detail(0, a, b, way.across_family)

    def draw(self, work: WaySite) -> None:
        """Three marks and lines for each rail, then the sleepers between the light edges."""
        site, goal, paper = work.site, work.goal, work.site.paper
        step = site.begin("way-rails", Act.DETAILS)
        lines = []
        left, right = work.edges
        for start, other in ((left, right), (right, left)):
            mark = start
            for mm in (self.in_mm, self.wide_mm, self.side_mm):
                mark = paper.measure_along(mark, other, mm)
                paper.keep(mark, goal, goal.name, site.body)
                lines.append(paper.along(mark, goal))
        step.say(
            "way-rails",
            left=left, right=right, inside=Length(self.in_mm), wide=Length(self.wide_mm),
            side=Length(self.side_mm), vp=goal,
        )  # fmt: skip
        step.check("way-rails-check", vp=goal)
        step = site.begin("way-sleepers", Act.DETAILS)
        edges = paper.along(left, goal), paper.along(right, goal)
        marks = work.ends_along(left, edges[0], self.first, self._steps)
        rows: list[tuple[Mark, Mark]] = []
        outer, _, foot, other_outer, _, other_foot = lines
        for mark in marks:
            across = work.straight_across(mark)
            a, b, c, d, e = (
                paper.cross(across, line)
                for line in (outer, foot, other_foot, other_outer, edges[1])
            )
            for start, end in ((mark, a), (b, c), (d, e)):
                paper.keep(start, end, work.way.across_family, site.body)
            rows.append((mark, e))
        work.close(rows)
        measured = measures_set(step, since=1)
        step.say("way-sleepers", left=left, alongs=measured)
        work.say_across("way-sleepers", self.sleepers)
        step.check("way-sleepers-check")
        step.bulk = True
        if self.thick_mm is not None:
            self._draw_fronts(work, rows[::2], (outer, foot, other_foot, other_outer))

    def _draw_fronts(
        self, work: WaySite, near: Sequence[tuple[Mark, Mark]], rails: Sequence[Ruled]
    ) -> None:
        """A mark below the first, a line from it to the point on which all lower edges begin, and
        the fronts.
        """
        site, paper, way = work.site, work.site.paper, work.way
        assert self.thick_mm is not None
        step = site.begin("way-sleeper-fronts", Act.DETAILS)
        start = near[0][0]
        mark = paper.measure_along(start, UPRIGHT, self.thick_mm)
        guide = paper.aim(mark, work.goal, site.part)
        for left, right in near:
            low = paper.cross(paper.upright(left), guide)
            line = work.straight_across(low)
            end = paper.cross(line, paper.upright(right))
            a, b, c, d = (paper.cross(line, rail) for rail in rails)
            for one, other in ((low, a), (b, c), (d, end)):
                paper.keep(one, other, way.across_family, site.body)
            for top, foot in ((left, low), (right, end)):
                paper.keep(top, foot, way.stage.view.uprights.name, site.body)
        step.say("way-sleeper-fronts", start=start, thick=Length(self.thick_mm), mark=mark,
                 vp=work.goal)  # fmt: skip
        step.check("way-sleeper-fronts-check")
        step.bulk = True
