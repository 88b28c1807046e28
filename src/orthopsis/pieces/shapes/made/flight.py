"""A flight of stairs: equal marks up an upright, a slope, and steps between the two.

The slope runs through the feet of the risers, from the foot of the first to the top of the last. A
line from each mark, level or to the point, meets it where a riser stands; from there it goes
straight up to the next line. Against a landing there is one tread less, so the slope ends one riser
below its top. Source: that equal parts of one side of a triangle, carried across,
part its slope equally, in perspective as well; handbooks of drawing (from memory).
"""

from __future__ import annotations

from dataclasses import dataclass

from orthopsis.construction.division import divided
from orthopsis.construction.face import true_share_down
from orthopsis.construction.moves import Act, Mark, count, measures_set, strung
from orthopsis.perspective.plane import LEFT, LEVEL, UPWARD, Point, distance
from orthopsis.perspective.view import FREE, HORIZONTAL
from orthopsis.phrase import Choice, Length, Number, Phrase
from orthopsis.pieces.base import Site
from orthopsis.pieces.placement.depth import Cut, carrying_point
from orthopsis.pieces.placement.edge import OnEdge
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.shapes.made.cells import ACROSS, AWAY, DOWN, CellEdge, Knot
from orthopsis.pieces.shapes.made.construct import (
    MOST_LINES,
    light_block,
    light_front,
    mark_depth,
)
from orthopsis.pieces.shapes.made.flight_parting import Turn
from orthopsis.pieces.shapes.made.flight_plan import FlightPlan
from orthopsis.pieces.shapes.made.knots import KnotMarks, Knots
from orthopsis.pieces.shapes.made.made_site import MadeSite
from orthopsis.pieces.shapes.made.model import Made
from orthopsis.pieces.shapes.made.parting import Parting
from orthopsis.pieces.shapes.tidy import tidy


def draw_flight(
    made: Made, site: Site, way: int, *, far: bool, turn: Turn | None = None
) -> FrameMarks:
    """All steps of a flight that climbs along a way; the marks of its block's corners."""
    work = MadeSite(made, site, Knots(made, site), Choice("stairs"))
    first = Flight(work, FlightPlan(made, way, far, turn))
    if isinstance(made.place, OnEdge):
        marks = light_block(work, made.place)
    else:
        assert isinstance(made.place, OnFront)
        marks = light_front(work, made.place)
        if not made.place.on_floor and (way == AWAY or turn or first.goes_back):
            mark_depth(work, made.place, marks)
    first.draw()
    tidy(site, "stairs")
    return KnotMarks(marks, work.knots)


@dataclass(frozen=True)
class Flight:
    """A flight on its way onto paper."""

    work: MadeSite
    plan: FlightPlan

    @property
    def goes_back(self) -> bool:
        """Whether anything shows behind the front."""
        return any(edge.end[AWAY] for edge in self.work.edges)

    def draw(self) -> None:
        edges = self.work.made.cells.edges
        upper = [k for k in self.work.shows if self._of_second(edges[k])]
        mine = [k for k in self.work.shows if self._on_side(edges[k]) and k not in upper]
        self._marks()
        second = SecondFlight(self.work, self.plan, self.plan.turn) if self.plan.turn else None
        if second:
            second.draw_landing()
        self._steps(mine)
        self._rest([k for k in self.work.shows if k not in mine and k not in upper])
        if second:
            second.draw(upper)

    def _of_second(self, edge: CellEdge) -> bool:
        """Whether a line belongs to the second flight."""
        parting = self.work.made.parting
        first, end = parting.first[self.plan.other], parting.end[self.plan.other]
        return any(
            not first <= knot[self.plan.other] <= end or knot[DOWN] < self.plan.row(0)
            for knot in (edge.start, edge.end)
        )

    def _on_side(self, edge: CellEdge) -> bool:
        return edge.start[self.plan.other] == edge.end[self.plan.other] == self.plan.side

    def _marks(self) -> None:
        """Equal marks up an upright, a light line from each, and the slope."""
        work, paper, n = self.work, self.work.site.paper, self.plan.risers
        knots, made = work.knots, work.made
        step = work.site.begin("stairs-marks", Act.PLAN)
        on_front = self.plan.way == ACROSS and not made.on_edge
        at = self.plan.treads if on_front else 0
        top, foot = knots.find(self.plan.knot(at, 0)), knots.find(self.plan.knot(at, n))
        for down in range(1, n):
            knots.known(self.plan.knot(at, down), self._part(top, foot, down / n))
        high = self.plan.knot(self.plan.treads, n - self.plan.treads)
        start, end = knots.find(self.plan.knot(0, n)), knots.find(high)
        slope = paper.join(start, end, FREE, work.site.part)
        for down in range(1, n):
            line = knots.line(self.plan.way, self.plan.knot(at, down))
            there = self.plan.knot(n - down, down)
            foot_of_riser = knots.marks.get(there) or knots.known(there, paper.cross(line, slope))
            mark = knots.marks[self.plan.knot(at, down)]
            paper.light(mark.at, foot_of_riser.at, made.families[self.plan.way], work.site.part)
        family = made.families[self.plan.way]
        edge, sloping = strung(foot, top), strung(start, end)
        against = "" if self.plan.turn is None else "-to-landing"
        if family == HORIZONTAL:
            step.say(f"stairs-marks-level{against}", edge=edge, count=count(n), slope=sloping)
        else:
            goal = work.site.points[family]
            step.say(
                f"stairs-marks-to-point{against}", edge=edge, count=count(n), slope=sloping,
                vp=goal,
            )  # fmt: skip
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
        step.say("stairs-steps", count=count(self.plan.risers))
        step.check("stairs-steps-check", count=count(self.plan.risers))
        step.bulk = len(step.strokes) >= MOST_LINES

    def _rest(self, rest: list[int]) -> None:
        """Every step across, to the other side."""
        if not rest:
            return
        work = self.work
        family = work.made.families[self.plan.other]
        step = work.site.begin("stairs-across", Act.BACKS)
        drawn = work.keep(rest)
        if family == HORIZONTAL:
            step.say("stairs-across-level", count=count(drawn))
        else:
            step.say("stairs-across-to-point", count=count(drawn), vp=work.site.points[family])
        step.check("stairs-across-check")
        step.bulk = len(step.strokes) >= MOST_LINES


@dataclass(frozen=True)
class SecondFlight:
    """The landing, and the flight that turns off from it at a right angle."""

    work: MadeSite
    plan: FlightPlan
    turn: Turn

    @property
    def parting(self) -> Parting:
        return self.work.made.parting

    # --- the landing -----------------------------------------------------------------------------

    def draw_landing(self) -> None:
        """Where it ends: measured by the true width of the stairs."""
        first, work = self.plan, self.work
        made, knots = work.made, work.knots
        wide_mm, long_mm = made.whole_by_ruler(first.other), made.whole_by_ruler(first.way)
        step = work.site.begin("stairs-landing", Act.PLAN)
        ends = (self.parting.behind if first.far else self.parting.before)[first.way]
        shares = sorted(tick.share or 0.0 for tick in ends)
        for number, share in enumerate(shares, start=1):
            plane = first.plane(first.treads + number)
            if made.families[first.way] == HORIZONTAL:
                corner = first.at(first.plane(first.treads), first.row(0), self.parting.first[AWAY])
                way = LEVEL if first.far else LEFT
                mark = work.site.paper.measure_along(knots.find(corner), way, share * wide_mm)
                knots.known((plane, corner[DOWN], corner[AWAY]), mark)
            else:
                step.says.append(self._true(first.way, long_mm + share * wide_mm, plane))
        times = Number(self.turn.landing, 0 if self.turn.landing.is_integer() else 1)
        if made.families[first.way] == HORIZONTAL:
            step.say(
                "stairs-landing", wide=Length(wide_mm), times=times, measures=measures_set(step)
            )
        else:
            step.say("stairs-landing-true", wide=Length(wide_mm), times=times)
        step.check("stairs-landing-check")

    def _true(self, way: int, mm: float, plane: int) -> Phrase:
        """The mark of a plane by its true distance from the corner where depths are set off."""
        work, corner = self.work, self.work.knots.corner
        vp = work.site.points[work.made.families[way]]
        mark, said = Cut(true_mm=mm).build(
            work.site, work.knots.find(corner), vp, work.knots.line(way, corner),
            self._inward(way, mm), column="left" if way == ACROSS else "right",
        )  # fmt: skip
        work.knots.known(_moved(corner, way, plane), mark)
        return said

    def _inward(self, way: int, mm: float) -> Point:
        """The direction in which a true length is laid off: in one point that which stays on the
        sheet.
        """
        made, corner = self.work.made, self.work.knots.corner
        if made.on_edge:
            return made.inward(way)
        room_mm = made.stage.sheet.width_mm - self.work.knots.find(corner).at.x
        return LEVEL if mm <= room_mm else LEFT

    # --- the second flight -----------------------------------------------------------------------

    def draw(self, upper: list[int]) -> None:
        """Its plan and its heights, a slope again, and its steps."""
        if not upper:
            return
        work, edges = self.work, self.work.made.cells.edges
        way = self.plan.way
        sides = [self.plan.last_along - 1, self.plan.last_along]
        beside = {
            along: [
                k for k in upper
                if edges[k].start[way] == edges[k].end[way] == self.plan.plane(along)
            ]
            for along in sides
        }  # fmt: skip
        along = max(sides, key=lambda one: len(beside[one]))
        self._plan()
        self._marks(along)
        step = work.site.begin("stairs-second-steps", Act.FRONTS)
        work.keep(beside[along])
        step.say("stairs-second-steps", count=count(self.turn.risers))
        step.check("stairs-steps-check", count=count(self.turn.risers))
        step.bulk = True
        rest = [k for k in upper if k not in beside[along]]
        if rest:
            step = work.site.begin("stairs-second-across", Act.BACKS)
            drawn, family = work.keep(rest), work.made.families[way]
            if family == HORIZONTAL:
                step.say("stairs-across-level", count=count(drawn))
            else:
                step.say("stairs-across-to-point", count=count(drawn), vp=work.site.points[family])
            step.check("stairs-across-check")
            step.bulk = True

    def _plan(self) -> None:
        """How far it goes, on the floor, and its risers, on the upright where heights are."""
        first, work = self.plan, self.work
        made, knots, paper = work.made, work.knots, work.site.paper
        other, risers = first.other, self.turn.risers
        step = work.site.begin("stairs-second-plan", Act.PLAN)
        step.like = "stairs-second-plan"
        run_mm = made.whole_by_ruler(first.way) / first.treads * risers
        family = made.families[other]
        end = self.plan.aside(risers)
        if family == HORIZONTAL:
            corner = _moved(knots.corner, ACROSS, self.plan.start)
            way = LEVEL if self.turn.far else LEFT
            mark = paper.measure_along(knots.find(corner), way, run_mm)
            knots.known(_moved(corner, ACROSS, end), mark)
            step.say("stairs-second-length", length=Length(run_mm))
        elif self.turn.far:
            step.says.append(self._true(other, made.whole_by_ruler(other) + run_mm, end))
        else:
            self._toward_us(run_mm, end)
        # Equal risers go on above the first flight.
        plane = first.plane(first.treads) if not made.on_edge and first.way == ACROSS else None
        across, _, away = knots.corner
        across, away = (across if plane is None else plane), self.parting.first[AWAY]
        top = knots.find((across, first.row(0), away))
        foot = knots.find((across, first.row(first.risers), away))
        riser_mm = distance(top.at, foot.at) / first.risers
        for number in range(1, risers + 1):
            mark = paper.measure_along(top, UPWARD, number * riser_mm)
            knots.known((across, first.row(-number), away), mark)
        step.say("stairs-second-heights", count=count(risers), riser=Length(riser_mm), top=top)
        step.differs(count=count(risers))
        step.check("stairs-second-plan-check")
        step.bulk = True

    def _toward_us(self, run_mm: float, end: int) -> None:
        """The plane in which a flight ends that comes toward us: its true length is laid off the
        other way, and the line from the point through it is drawn on.
        """
        work, other, corner = self.work, self.plan.other, self.work.knots.corner
        paper, knots = work.site.paper, work.knots
        vp = work.site.points[work.made.families[other]]
        inward = self._inward(other, 0.0) if work.made.on_edge else LEFT
        start = knots.find(corner)
        base = paper.measure_along(start, LEFT if inward == LEVEL else LEVEL, run_mm)
        point = carrying_point(work.site, vp, inward)
        mark = paper.cross(paper.lay(base, point), knots.line(other, corner))
        knots.known(_moved(corner, other, end), mark)
        paper.steps[-1].say(
            "stairs-second-toward-us", length=Length(run_mm), start=start, point=point, base=base,
            vp=vp, mark=mark,
        )  # fmt: skip

    def _marks(self, along: int) -> None:
        """A line from each height, and the slope that they meet where the risers stand."""
        work, risers = self.work, self.turn.risers
        knots, paper, made = work.knots, work.site.paper, work.made
        step = work.site.begin("stairs-second-marks", Act.PLAN)
        start = knots.find(self.plan.second(along, 0, 0))
        end = knots.find(self.plan.second(along, -risers, risers))
        slope = paper.join(start, end, FREE, work.site.part)
        family = made.families[self.plan.other]
        for number in range(1, risers):
            begun = knots.find(self.plan.second(along, -number, 0))
            line = knots.line(self.plan.other, self.plan.second(along, -number, 0))
            there = knots.known(self.plan.second(along, -number, number), paper.cross(line, slope))
            paper.light(begun.at, there.at, family, work.site.part)
        sloping = strung(start, end)
        if family == HORIZONTAL:
            step.say("stairs-second-marks-level", slope=sloping)
        else:
            step.say("stairs-second-marks", slope=sloping, vp=work.site.points[family])
        step.check("stairs-marks-check", slope=sloping)
        step.bulk = True


def _moved(knot: Knot, way: int, plane: int) -> Knot:
    i, j, k = (plane if axis == way else n for axis, n in enumerate(knot))
    return i, j, k
