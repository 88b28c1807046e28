"""The rail of a flight: a post on the first nose and on the last, equally high, and a line between.

It runs parallel to the slope, so it leads to the slope's own point, straight above or below that of
the flight. Source: parallel lines lead to one point; handbooks of perspective (from memory).
"""

from __future__ import annotations

from dataclasses import dataclass
from itertools import pairwise

from orthopsis.construction.face import plumb
from orthopsis.construction.moves import Act, Mark, Ruled
from orthopsis.construction.order import Body, Hull, NearPlace, Shown
from orthopsis.perspective.plane import UPWARD, Point
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import FREE, HORIZONTAL, on_paper
from orthopsis.phrase import Choice, Length, Value, say
from orthopsis.picture.solid import Bar, bars
from orthopsis.picture.solids import AnySolid
from orthopsis.pieces.base import Drawn, Site, Stage
from orthopsis.pieces.shapes.made.block import Shares, Ways, seen_line
from orthopsis.pieces.shapes.made.cells import ACROSS, AWAY, DOWN, Knot
from orthopsis.pieces.shapes.made.flight_plan import FlightPlan
from orthopsis.pieces.shapes.made.knots import KnotMarks, Knots
from orthopsis.pieces.shapes.made.model import Made

WHICH = ("lower", "upper")


@dataclass(frozen=True, eq=False)
class StairRail(Drawn):
    """The rail along one flight of stairs, `number` 1, or along the second, 2; its posts stand on
    two `noses`.
    """

    made: Made
    noses: tuple[Knot, Knot]
    high_mm: float
    way: int
    number: int

    @property
    def part(self) -> Part:
        return Part(self.made.part.piece, self.number)

    @property
    def name(self) -> Value:
        return say("rail-of", stairs=self.made.name, which=Choice(WHICH[self.number - 1]))

    @property
    def meant_thin(self) -> bool:
        return True

    def _high(self) -> float:
        """How high it is, as a share of the block's height."""
        upper, lower = self.made.near_edge
        return self.high_mm / (lower.y - upper.y)

    def _places(self, ways: Ways, shares: Shares) -> list[tuple[float, float, float]]:
        """The foot and the top of each post, the first one's foot first, and round."""
        feet = [[shares[way][knot[way]] for way in range(3)] for knot in self.noses]
        tops = [[a, down - self._high(), b] for a, down, b in feet]
        return [ways.place(one) for one in (feet[0], tops[0], tops[1], feet[1])]

    # --- for the picture ---------------------------------------------------------------------

    def solids(self, stage: Stage) -> list[AnySolid]:
        """Three lines in space."""
        places = self._places(self.made.in_space, self.made.shares_in_space)
        upright = self.made.families[DOWN]
        drawn = [
            Bar(start, end, family)
            for (start, end), family in zip(pairwise(places), (upright, FREE, upright), strict=True)
        ]
        return [bars(self.part, drawn, floating=stage.floating)]

    # --- for the construction ----------------------------------------------------------------

    def _near_places(self) -> list[NearPlace]:
        places = self._places(self.made.on_paper, self.made.shares)
        return [(Point(*on_paper(place)), 1.0 / place[2]) for place in places]

    def body(self, stage: Stage) -> Body:
        """The same by ruler, on the stairs."""
        corners = tuple(self._near_places())
        lines = tuple(seen_line(*pair) for pair in pairwise(corners))
        return Body(
            part=self.part,
            name=self.name,
            corners=corners,
            faces=(),
            show=lambda: Shown(edges=lines),
            transparent=False,
            floating=stage.floating,
            hull=Hull(corners, ((0, 1, 2, 3),)),
            on=self.made.part,
            by_nearness=not stage.floating,
        )

    def build(self, site: Site) -> None:
        """Both posts, and the line from top to top."""
        handed = site.before.get(self.made.part)
        if not isinstance(handed, KnotMarks):
            return  # nothing of the stairs shows
        knots, paper = handed.knots, site.paper
        step = site.begin("rail", Act.DETAILS)
        feet = [knots.find(knot) for knot in self.noses]
        tops = [self._top(knots, knot, foot) for knot, foot in zip(self.noses, feet, strict=True)]
        upright = self.made.families[DOWN]
        for foot, top in zip(feet, tops, strict=True):
            paper.keep(foot, top, upright, site.body)
        paper.keep(tops[0], tops[1], FREE, site.body)
        step.say("rail", high=Length(self.high_mm))
        step.check("rail-check")

    def _top(self, knots: Knots, nose: Knot, foot: Mark) -> Mark:
        """The top of a post: measured where lengths are true, and carried from there."""
        paper, first = knots.paper, self.made.parting.first
        if not self.made.on_edge and nose[AWAY] == first[AWAY]:
            return paper.measure_along(foot, UPWARD, self.high_mm)
        # In one point all of the front is true, from an edge the edge alone.
        near = nose[ACROSS] if not self.made.on_edge else first[ACROSS]
        start = near, nose[DOWN], first[AWAY]
        top = paper.measure_along(knots.find(start), UPWARD, self.high_mm)
        here = list(start)
        for way in (self.way, AWAY if self.way == ACROSS else ACROSS):
            if here[way] != nose[way]:
                here[way] = nose[way]
                upright = plumb(paper, knots.find((here[0], here[1], here[2])), None)
                top = paper.cross(self._along(knots, way, top), upright)
        return top

    def _along(self, knots: Knots, way: int, mark: Mark) -> Ruled:
        family = self.made.families[way]
        if family == HORIZONTAL:
            return knots.paper.level(mark)
        return knots.paper.lay(mark, knots.site.points[family])


def rails(plan: FlightPlan, high_mm: float) -> list[StairRail]:
    """The rails of all flights of some stairs."""
    ways = (plan.way, plan.other)
    return [
        StairRail(plan.made, noses, high_mm, way, number)
        for number, (noses, way) in enumerate(zip(plan.noses, ways, strict=False), start=1)
    ]
