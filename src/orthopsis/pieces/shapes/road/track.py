"""A railway track: two rails of three lines each, and sleepers that pass under them."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Annotated, NamedTuple

from pydantic import Field

from orthopsis.construction.moves import Act, Mark, measures_set
from orthopsis.phrase import Length, say
from orthopsis.picture.solid import Detail
from orthopsis.pieces.base import PaperLength
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.way import FAR
from orthopsis.pieces.roles import FieldRole
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
    """

    in_mm: PaperLength
    wide_mm: PaperLength
    side_mm: PaperLength
    sleepers: Annotated[int, Field(ge=1, le=24), FieldRole.COUNT] = 10
    first: Annotated[Cut, FieldRole.RUN]
    deep: Annotated[float, Field(gt=0, lt=1), FieldRole.FIXED] = 0.4

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
        return found

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
