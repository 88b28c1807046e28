"""A flight of stairs: equal marks up an upright, a slope, and steps between the two.

The slope runs through the feet of the risers, from the foot of the first to the top of the last. A
line from each mark, level or to the point, meets it where a riser stands; from there it goes
straight up to the next line. Source: that equal parts of one side of a triangle, carried across,
part its slope equally, in perspective as well; handbooks of drawing (from memory).
"""

from __future__ import annotations

from dataclasses import dataclass

from orthopsis.construction.division import divided
from orthopsis.construction.face import true_share_down
from orthopsis.construction.moves import Act, Mark, count, strung
from orthopsis.perspective.view import FREE, HORIZONTAL
from orthopsis.phrase import Choice
from orthopsis.pieces.base import Site
from orthopsis.pieces.placement.edge import OnEdge
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.shapes.made.cells import ACROSS, AWAY, DOWN, Cell, CellEdge, Knot
from orthopsis.pieces.shapes.made.construct import (
    MOST_LINES,
    light_block,
    light_front,
    mark_depth,
)
from orthopsis.pieces.shapes.made.knots import KnotMarks, Knots
from orthopsis.pieces.shapes.made.made_site import MadeSite
from orthopsis.pieces.shapes.made.model import Made
from orthopsis.pieces.shapes.made.parting import Parting, Tick
from orthopsis.pieces.shapes.tidy import tidy


def flight(risers: int, way: int, *, far: bool) -> Parting:
    """Steps that climb along a way, toward its `far` end or back to its near one."""
    parts = tuple(Tick("risers", share=number / risers) for number in range(1, risers))
    across, away = (parts, ()) if way == ACROSS else ((), parts)
    filled: set[Cell] = set()
    for step in range(risers):
        place = step if far else risers - 1 - step
        for up in range(step + 1):
            row = risers - 1 - up
            filled.add((place, row, 0) if way == ACROSS else (0, row, place))
    return Parting(across, parts, away, frozenset(filled))


def draw_flight(made: Made, site: Site, way: int, *, far: bool) -> FrameMarks:
    """All steps of a flight that climbs along a way; the marks of its block's corners."""
    work = MadeSite(made, site, Knots(made, site), Choice("stairs"))
    if isinstance(made.place, OnEdge):
        marks = light_block(work, made.place)
    else:
        assert isinstance(made.place, OnFront)
        marks = light_front(work, made.place)
        if not made.place.on_floor and (way == AWAY or _Flight(work, way, far).goes_back):
            mark_depth(work, made.place, marks)
    _Flight(work, way, far).draw()
    tidy(site, "stairs")
    return KnotMarks(marks, work.knots)


@dataclass(frozen=True)
class _Flight:
    work: MadeSite
    way: int
    far: bool

    @property
    def goes_back(self) -> bool:
        """Whether anything shows behind the front."""
        return any(edge.end[AWAY] for edge in self.work.edges)

    @property
    def risers(self) -> int:
        return self.work.made.parting.last[DOWN]

    @property
    def side(self) -> int:
        """The plane of the side on which the steps are found, across or away: that which shows."""
        made = self.work.made
        if self.way == ACROSS or made.on_edge:
            return 0
        assert isinstance(made.place, OnFront)
        right_mm = made.place.front.corners[1].x
        return 1 if made.stage.view.level_points[0].at.x > right_mm else 0

    def knot(self, along: int, down: int) -> Knot:
        """A knot of that side, so many steps along the way."""
        return (along, down, self.side) if self.way == ACROSS else (self.side, down, along)

    def draw(self) -> None:
        edges = self.work.made.cells.edges
        mine = [k for k in self.work.shows if self._on_side(edges[k])]
        self._marks()
        self._steps(mine)
        self._rest([k for k in self.work.shows if k not in mine])

    def _on_side(self, edge: CellEdge) -> bool:
        other = AWAY if self.way == ACROSS else ACROSS
        return edge.start[other] == edge.end[other] == self.side

    def _marks(self) -> None:
        """Equal marks up an upright, a light line from each, and the slope."""
        work, paper, n = self.work, self.work.site.paper, self.risers
        knots, made = work.knots, work.made
        step = work.site.begin("stairs-marks", Act.PLAN)
        on_front = self.way == ACROSS and not made.on_edge
        at = (n if self.far else 0) if on_front else 0
        top, foot = knots.find(self.knot(at, 0)), knots.find(self.knot(at, n))
        for row in range(1, n):
            knots.known(self.knot(at, row), self._part(top, foot, row / n))
        low, high = (0, n) if self.far else (n, 0)
        start, end = knots.find(self.knot(low, n)), knots.find(self.knot(high, 0))
        slope = paper.join(start, end, FREE, work.site.part)
        for row in range(1, n):
            along = n - row if self.far else row
            line = knots.line(self.way, self.knot(at, row))
            foot_of_riser = knots.known(self.knot(along, row), paper.cross(line, slope))
            mark = knots.marks[self.knot(at, row)]
            paper.light(mark.at, foot_of_riser.at, made.families[self.way], work.site.part)
        family = made.families[self.way]
        edge, sloping = strung(foot, top), strung(start, end)
        if family == HORIZONTAL:
            step.say("stairs-marks-level", edge=edge, count=count(n), slope=sloping)
        else:
            goal = work.site.points[family]
            step.say("stairs-marks-to-point", edge=edge, count=count(n), slope=sloping, vp=goal)
        step.differs(count=count(n))
        step.check("stairs-marks-check", slope=sloping)
        step.bulk = True

    def _part(self, top: Mark, foot: Mark, share: float) -> Mark:
        paper, third = self.work.site.paper, self.work.site.third
        if third is None:
            return divided(paper, top, foot, share)
        return paper.measure_along(top, foot, true_share_down(top, foot, third, share))

    def _steps(self, mine: list[int]) -> None:
        if not mine:
            return
        step = self.work.site.begin("stairs-steps", Act.FRONTS)
        self.work.keep(mine)
        step.say("stairs-steps", count=count(self.risers))
        step.check("stairs-steps-check", count=count(self.risers))
        step.bulk = len(step.strokes) >= MOST_LINES

    def _rest(self, rest: list[int]) -> None:
        """Every step across, to the other side."""
        if not rest:
            return
        work = self.work
        other = AWAY if self.way == ACROSS else ACROSS
        family = work.made.families[other]
        step = work.site.begin("stairs-across", Act.BACKS)
        drawn = work.keep(rest)
        if family == HORIZONTAL:
            step.say("stairs-across-level", count=count(drawn))
        else:
            step.say("stairs-across-to-point", count=count(drawn), vp=work.site.points[family])
        step.check("stairs-across-check")
        step.bulk = len(step.strokes) >= MOST_LINES
