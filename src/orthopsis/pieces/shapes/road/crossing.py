"""The crossing: two lines straight across the way, cut into stripes by lines to its point."""

from __future__ import annotations

from itertools import pairwise
from typing import Annotated

from pydantic import Field

from orthopsis.construction.moves import Act, Mark, count
from orthopsis.perspective.plane import LEVEL
from orthopsis.phrase import Length, say
from orthopsis.picture.solid import Detail
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.roles import FieldRole
from orthopsis.pieces.shapes.road.marking import Marking, OnWay, WaySite


class Crossing(Marking):
    """So many `stripes` with equal gaps between and beside them, from `near` to `far`, which are
    cuts along the left edge from the sheet's lower edge.
    """

    near: Annotated[Cut, FieldRole.RUN]
    far: Annotated[Cut, FieldRole.RUN]
    stripes: Annotated[int, Field(ge=1, le=12), FieldRole.COUNT] = 5

    def _places_mm(self, way: OnWay) -> list[float]:
        """Where stripes begin and end on the sheet's lower edge."""
        left, right = way.place.edges_mm
        parts = 2 * self.stripes + 1
        return [left + (right - left) * k / parts for k in range(1, parts)]

    def details(self, way: OnWay) -> list[Detail]:
        left, places = way.place.edges_mm[0], self._places_mm(way)
        gone = [way.gone(left, cut, f"crossing.{name}")
                for name, cut in (("near", self.near), ("far", self.far))]  # fmt: skip
        if gone[1] <= gone[0]:
            raise way.stage.refuse("crossing.far", say("refused-crossing-order"))
        near, far = ([way.beside(left, x, one) for x in places] for one in gone)
        found = [Detail(0, a, b, way.goal.name) for a, b in zip(near, far, strict=True)]
        for row in (near, far):
            found += [Detail(0, a, b, way.across_family)
                      for a, b in zip(row[::2], row[1::2], strict=True)]  # fmt: skip
        return found

    def draw(self, work: WaySite) -> None:
        """Two light lines across, equal marks on the sheet's lower edge, stripes to the point."""
        site, goal, paper = work.site, work.goal, work.site.paper
        left, right = work.edges
        step = site.begin("way-crossing", Act.DETAILS)
        edges = paper.along(left, goal), paper.along(right, goal)
        levels = []
        for cut, column in ((self.near, "near"), (self.far, "far")):
            mark, said = cut.build(site, left, goal, edges[0], LEVEL, (), None, column)
            step.says.append(said)
            line = work.straight_across(mark)
            paper.across(line, edges[1], site.part)
            levels.append(line)
        other = work.way.other
        if other is None:
            step.say("way-crossing-level")
        else:
            step.say("way-crossing-to", vp=site.points[other.name])
        step.check("way-crossing-check")
        step = site.begin("way-stripes", Act.DETAILS)
        places = self._places_mm(work.way)
        each_mm = places[1] - places[0]
        rows: list[tuple[Mark, Mark]] = []
        for x in places:
            side = paper.lay(work.foot(x), goal)
            near, far = (paper.cross(side, level) for level in levels)
            paper.keep(near, far, goal.name, site.body)
            rows.append((near, far))
        for first, last in list(pairwise(rows))[::2]:
            for a, b in zip(first, last, strict=True):
                paper.keep(a, b, work.way.across_family, site.body)
        step.say(
            "way-stripes",
            left=left, right=right, parts=count(2 * self.stripes + 1), each=Length(each_mm),
            vp=goal, count=count(self.stripes),
        )  # fmt: skip
        step.check("way-stripes-check")
        step.bulk = True
