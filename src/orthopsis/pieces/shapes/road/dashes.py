"""Dashes along the middle of a way, closing up toward its point."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Annotated

from pydantic import Field

from orthopsis.construction.moves import Act, Mark, measures_set
from orthopsis.construction.places import across as across_said
from orthopsis.perspective.plane import LEFT, LEVEL
from orthopsis.phrase import Length
from orthopsis.picture.solid import Detail
from orthopsis.pieces.base import PaperLength
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.roles import FieldRole
from orthopsis.pieces.shapes.road.marking import Marking, OnWay, WaySite


class Dashes(Marking):
    """Dashes along the middle, `wide_mm` at the sheet's lower edge. The `first` begins as far up
    the middle line as the cut says; each dash and each gap is as long in truth as the way up there.
    """

    count: Annotated[int, Field(ge=1, le=20), FieldRole.COUNT] = 5
    wide_mm: PaperLength
    first: Annotated[Cut, FieldRole.RUN]

    def steps(self, step: float) -> Iterator[tuple[float, float]]:
        """Where each dash begins and ends, in true steps, when the first begins so far off."""
        for k in range(self.count):
            yield (2 * k + 1) * step, (2 * k + 2) * step

    def details(self, way: OnWay) -> list[Detail]:
        step, middle = way.gone(way.middle_mm, self.first, "dashes.first"), way.middle_mm
        sides = middle - self.wide_mm / 2, middle + self.wide_mm / 2
        found: list[Detail] = []
        for ends in self.steps(step):
            (a, c), (b, d) = ([way.beside(middle, x, gone) for x in sides] for gone in ends)
            found += [Detail(0, a, b, way.goal.name), Detail(0, c, d, way.goal.name)]
            found += [Detail(0, a, c, way.across_family), Detail(0, b, d, way.across_family)]
        return found

    def draw(self, work: WaySite) -> None:
        """A light middle line with the ends of the dashes on it, and two lines for their sides."""
        site, goal, paper = work.site, work.goal, work.site.paper
        step = site.begin("way-middle", Act.DETAILS)
        middle = work.foot(work.way.middle_mm)
        line = paper.aim(middle, goal, site.part, fate="erase")
        half_mm = self.wide_mm / 2
        sides = [paper.measure_along(middle, way, half_mm) for way in (LEFT, LEVEL)]
        guides = [paper.aim(side, goal, site.part, fate="erase") for side in sides]
        step.say(
            "way-middle",
            middle=middle, across=across_said(work.way.middle_mm, paper.sheet), vp=goal,
            half=Length(half_mm),
        )  # fmt: skip
        step.check("way-middle-check", vp=goal)
        step = site.begin("way-dashes", Act.DETAILS)
        ends = work.ends_along(middle, line, self.first, self.steps)
        corners: list[tuple[Mark, Mark]] = []
        for mark in ends:
            across = work.straight_across(mark)
            a, b = (paper.cross(across, guide) for guide in guides)
            paper.keep(a, b, work.way.across_family, site.body)
            corners.append((a, b))
        work.close(corners)
        measured = measures_set(step, since=1)
        step.say("way-dashes", middle=middle, alongs=measured)
        work.say_across("way-dashes", self.count)
        step.check("way-dashes-check")
        step.bulk = True
