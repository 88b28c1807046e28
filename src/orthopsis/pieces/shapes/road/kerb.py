"""The kerb: a second line just below each edge of the way, which gives the pavement its height."""

from __future__ import annotations

from orthopsis.construction.moves import Act, count
from orthopsis.phrase import Length, MarkName, Several
from orthopsis.picture.solid import Detail
from orthopsis.pieces.base import PaperLength
from orthopsis.pieces.placement.way import FAR
from orthopsis.pieces.shapes.road.marking import Marking, OnWay, WaySite


class Kerb(Marking):
    """A line beside each edge, `in_mm` from it on the sheet's lower edge, where the kerb's side
    turns to us.
    """

    in_mm: PaperLength

    def _shown(self, way: OnWay) -> list[int]:
        """The edges, 0 left and 1 right, whose kerb we see: its side turns toward the road."""
        left, right = way.place.edges_mm
        x = way.goal.at.x
        return [number for number, shows in enumerate((left < x, right > x)) if shows]

    def details(self, way: OnWay) -> list[Detail]:
        found = []
        for number in self._shown(way):
            x_mm = way.place.edges_mm[number] + (self.in_mm, -self.in_mm)[number]
            found.append(Detail(0, way.at(x_mm, 0.0), way.at(x_mm, FAR), way.goal.name))
        return found

    def draw(self, work: WaySite) -> None:
        """A mark beside each edge's foot, and a line from it to the same point."""
        site, goal, paper = work.site, work.goal, work.site.paper
        step = site.begin("way-kerb", Act.DETAILS)
        shown = self._shown(work.way)
        for number in shown:
            inside = paper.measure_along(work.edges[number], work.edges[1 - number], self.in_mm)
            paper.keep(inside, goal, goal.name, site.body)
        edges = Several(tuple(MarkName(work.edges[number].name) for number in shown))
        step.say(
            "way-kerb",
            edges=edges, count=count(len(shown)), inside=Length(self.in_mm), vp=goal,
        )  # fmt: skip
        step.check("way-kerb-check", vp=goal)
