"""The steps of a panel: heights up the near upright, uprights along the foot, then the openings."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise

from orthopsis.construction.division import divided
from orthopsis.construction.face import true_share_down
from orthopsis.construction.moves import (
    Do,
    Mark,
    Ruled,
    Step,
    count,
    measures_set,
    phrase,
    strung,
)
from orthopsis.perspective.plane import LEFT, LEVEL, distance, part_way
from orthopsis.perspective.segments import remainder
from orthopsis.perspective.view import FREE, HORIZONTAL, VERTICAL
from orthopsis.phrase import Choice, Length
from orthopsis.pieces.placement.front import front_measures, measured_front
from orthopsis.pieces.shapes.house.arch_moves import draw_arches
from orthopsis.pieces.shapes.house.inset_moves import Grid, InsetMoves
from orthopsis.pieces.shapes.house.panels import ON_THE_EDGE_MM, Panel, Row
from orthopsis.pieces.shapes.house.site import HouseSite
from orthopsis.pieces.shapes.house.wall_moves import WallMoves
from orthopsis.pieces.shapes.house.walls import Wall

MOST_LINES = 7
"""A step draws no more new lines than this, unless they all do one thing."""
Stretch = tuple[Mark, Mark, Mark, Mark]
"""Where openings lie: the near upright's top and foot, then the far one's."""


def draw_panel(work: HouseSite, panel: Panel) -> None:
    """All steps of a panel, where its wall shows."""
    wall = panel.wall(work.walls)
    if not shows_somewhere(work, panel):
        return
    if panel.front is not None:
        _draw_front(work, panel)
    else:
        _Openings(work, panel, wall).draw()
    if panel.freehand:
        work.paper.steps[-1].say("panel-by-hand")


def shows_somewhere(work: HouseSite, panel: Panel) -> bool:
    """Whether nearer things leave anything of a panel to be seen."""
    paper, house = work.paper, work.house
    if not work.shows(panel.wall(work.walls)):
        return False
    for outline in panel.outlines(house.block_in_space, work.walls, house.taken(panel)):
        for side in pairwise((*outline, outline[0])):
            hidden = paper.standing.under_nearer(side, work.site.part, paper.tolerance)
            if remainder([one for portions in hidden.values() for one in portions]):
                return True
    return False


def _draw_front(work: HouseSite, panel: Panel) -> None:
    """One rectangle in true shape, measured from the sheet's edges."""
    paper, front = work.paper, panel.front
    assert front is not None
    step = work.begin("panel-front", look=Choice(panel.look))
    a, b, c, d = measured_front(paper, front)
    foot_mm = work.house.foot_mm
    for start, end, family in ((a, b, HORIZONTAL), (b, c, VERTICAL), (c, d, HORIZONTAL),
                               (d, a, VERTICAL)):  # fmt: skip
        if start is a and panel.arch is not None:
            continue
        if family == VERTICAL or abs(start.at.y - foot_mm) > ON_THE_EDGE_MM:
            paper.keep(start, end, family, work.site.body)
    measures = front_measures(paper, front)
    step.say("panel-front", corner=a, look=Choice(panel.look), **measures)
    step.differs(**measures)
    step.check("panel-front-check")
    grid = Grid([(paper.level(c), paper.level(a))], [(paper.upright(a), paper.upright(b))])
    _finish(work, panel, panel.wall(work.walls), grid)


def _finish(work: HouseSite, panel: Panel, wall: Wall, grid: Grid) -> None:
    """What the openings have besides their sides."""
    if panel.inset is not None and grid.places:
        InsetMoves(work, panel, wall, grid).draw()
    if panel.arch is not None and grid.places:
        draw_arches(work, panel, wall, grid)


class _Openings(WallMoves):
    """A panel on a wall that runs away, or in storeys and bays on one that we face."""

    def draw(self) -> None:
        if self.panel.bays is None and self.panel.storeys is None:
            self._draw_one()
            return
        rows = self._heights()
        columns = self._bays(self._stretch())
        self._draw(rows, columns)

    def _draw_one(self) -> None:
        """A single opening, in one breath: its sides along the foot, its head and foot."""
        work, panel = self.work, self.panel
        (top, foot), look = self.near, Choice(panel.look)
        step = work.begin("panel-one", look=look)
        cuts = (panel.from_, "left"), (panel.to, "right")
        sides = [self.cut(step, cut, column) for cut, column in cuts if cut]
        near, away = (work.paper.along(*ends) for ends in sides)
        (row,) = panel.rows(distance(top.at, foot.at))
        low, high = self.level(row.foot_mm), self.level(row.head_mm)
        goal = work.points[self.wall.family]
        step.say("panel-one-sides")
        if row.foot_mm > ON_THE_EDGE_MM:
            step.say(
                "panel-one-both", upright=strung(foot, top), low=Length(row.foot_mm),
                high=Length(row.head_mm), vp=goal,
            )  # fmt: skip
        else:
            step.say("panel-one-head", upright=strung(foot, top), high=Length(row.head_mm), vp=goal)
        step.say("panel-one", look=look)
        step.differs(height=Length(row.head_mm - row.foot_mm))
        self._draw_opening(low, high, near, away)
        step.check("panel-one-check", vp=goal)
        step.bulk = len(step.strokes) > MOST_LINES
        _finish(work, panel, self.wall, Grid([(low, high)], [(near, away)]))

    # --- heights ------------------------------------------------------------------------------

    def _heights(self) -> list[tuple[Ruled, Ruled]]:
        """A line for the foot and one for the head of each row."""
        work, (top, foot) = self.work, self.near
        panel = self.panel
        rows = panel.rows(distance(top.at, foot.at))
        step = work.begin("panel-heights", look=Choice(panel.look))
        storeys = panel.storeys
        if storeys is None:
            lines = [(self.level(row.foot_mm), self.level(row.head_mm)) for row in rows]
        else:
            lines = [self._storey(k, storeys) for k in range(panel.skip, storeys)]
        if not step.moves:
            work.paper.steps.remove(step)
            return lines
        goal = work.points.get(self.wall.family)
        measured = measures_set(step)
        if storeys is not None and storeys > 1:
            self._say_storeys(step, rows)
        else:
            step.say("panel-heights", upright=strung(foot, top), ups=measured)
        if goal is None:
            step.say("panel-lines-level")
        else:
            step.say("panel-lines-to", vp=goal)
        step.differs(measures=measured)
        # What stands before the wall may part each of them.
        step.bulk = len(lines) > 2
        step.check("panel-heights-check" if goal else "panel-heights-level-check")
        return lines

    def _say_storeys(self, step: Step, rows: Sequence[Row]) -> None:
        top, foot = self.near
        panel = self.panel
        assert panel.storeys is not None
        storey_mm = distance(top.at, foot.at) / panel.storeys
        step.say(
            "panel-storeys",
            upright=strung(foot, top), count=count(panel.storeys), each=Length(storey_mm),
        )  # fmt: skip
        if panel.sill_mm:
            step.say("panel-sills", sill=Length(panel.sill_mm))
        step.say("panel-heads", high=Length(rows[0].head_mm - rows[0].foot_mm))
        if panel.skip:
            step.say("panel-skip", count=count(panel.skip))

    def _storey(self, number: int, storeys: int) -> tuple[Ruled, Ruled]:
        """The lines of the sills and heads of one storey, from its own mark up."""
        paper, panel, (top, foot) = self.work.paper, self.panel, self.near
        base = divided(paper, foot, top, number / storeys) if number else foot
        sill = paper.measure_along(base, top, panel.sill_mm) if panel.sill_mm else base
        head = paper.measure_along(sill, top, panel.height_mm or 0.0)
        return self.line_from(sill), self.line_from(head)

    # --- along the wall -----------------------------------------------------------------------

    def _stretch(self) -> Stretch:
        """The uprights between which the openings lie: the wall's own, or through two cuts."""
        work, panel = self.work, self.panel
        (top, foot), (far_top, far_foot) = self.near, self.far
        if panel.from_ is None and panel.to is None:
            return top, foot, far_top, far_foot
        step = work.begin("panel-cuts", look=Choice(panel.look))
        near = (top, foot) if panel.from_ is None else self.cut(step, panel.from_, "left")
        far = (far_top, far_foot) if panel.to is None else self.cut(step, panel.to, "right")
        step.check("panel-cuts-check")
        return *near, *far

    def _bays(self, stretch: Stretch) -> list[tuple[Ruled, Ruled]]:
        """An upright for both sides of each opening."""
        work, panel = self.work, self.panel
        top, foot, far_top, far_foot = stretch
        if panel.bays is None:
            return [(work.paper.along(top, foot), work.paper.along(far_top, far_foot))]
        step = work.begin("panel-bays", look=Choice(panel.look))
        find = {
            "diagonal": self._by_diagonal, "marks": self._by_marks, "eye": self._by_eye,
        }[panel.bays.by if self.wall.near else "marks"]  # fmt: skip
        whole = panel.bays.count * panel.bays.open + (panel.bays.count + 1) * panel.bays.pier
        ruler = [share for pair in panel.shares for share in pair]
        marks = find(step, stretch, ruler, whole)
        uprights = [work.upright(mark) for mark in marks]
        for line in uprights:
            work.paper.across(
                line, work.paper.along(top, far_top), work.site.part,
                since=work.paper.along(foot, far_foot),
            )  # fmt: skip
        step.say("panel-uprights", count=count(len(uprights)))
        measured = measures_set(step)
        if measured.items:
            step.differs(measures=measured)
        step.check("panel-bays-check" if self.wall.near else "panel-bays-level-check")
        step.bulk = True
        return list(zip(uprights[::2], uprights[1::2], strict=True))

    def _by_diagonal(
        self, step: Step, stretch: Stretch, shares: Sequence[float], whole: float
    ) -> list[Mark]:
        """As far across as up: where a level line of the wall meets its diagonal."""
        work, paper = self.work, self.work.paper
        top, foot, far_top, _ = stretch
        del whole
        vp = work.points[self.wall.family]
        diagonal = paper.diagonal(foot, far_top, work.site.part)
        long_mm = distance(top.at, foot.at)
        marks = []
        for share in shares:
            at_mm = long_mm * share
            if work.site.third is not None:
                at_mm = long_mm - true_share_down(top, foot, work.site.third, 1.0 - share)
            mark = paper.measure_along(foot, top, at_mm)
            marks.append(paper.cross(paper.lay(mark, vp), diagonal))
        measured = measures_set(step)
        step.say(
            "panel-by-diagonal",
            upright=strung(foot, top), ups=measured, diagonal=strung(foot, far_top), vp=vp,
        )  # fmt: skip
        return marks

    def _by_marks(
        self, step: Step, stretch: Stretch, shares: Sequence[float], whole: float
    ) -> list[Mark]:
        """Marks in the ratio of the bays on a level line through the foot, carried to the wall's
        foot by the place on the eye level that the last of them and the far foot point to.
        """
        work, paper = self.work, self.work.paper
        _, foot, _, far_foot = stretch
        if self.wall.near is None:
            wide_mm = distance(foot.at, far_foot.at)
            marks = [paper.measure_along(foot, far_foot, share * wide_mm) for share in shares]
            measured = measures_set(step)
            step.say("panel-by-measure", foot=foot, rights=measured)
            return marks
        way = LEVEL if far_foot.at.x > foot.at.x else LEFT
        step_mm = max(5.0, round(distance(foot.at, far_foot.at) / whole))
        last = paper.measure_along(foot, way, whole * step_mm)
        level = paper.level(work.points[self.wall.family])
        carrier = paper.cross(paper.lay(last, far_foot), level)
        marks = []
        line = paper.along(foot, far_foot)
        for share in shares:
            laid = paper.measure_along(foot, way, share * whole * step_mm)
            help_line = paper.aim(laid, carrier, work.site.part, family=FREE, fate="erase")
            marks.append(paper.cross(help_line, line))
        laid_out = measures_set(step)
        step.say(
            "panel-by-marks",
            foot=foot, rights=laid_out, last=last, far=far_foot, carrier=carrier,
        )  # fmt: skip
        return marks

    def _by_eye(
        self, step: Step, stretch: Stretch, shares: Sequence[float], whole: float
    ) -> list[Mark]:
        """Chosen by eye, closing up as they run away."""
        del whole
        _, foot, _, far_foot = stretch
        vp = self.work.points[self.wall.family]
        gone = 1.0 - distance(far_foot.at, vp.at) / distance(foot.at, vp.at)
        marks = []
        for share in shares:
            truth = share * gone / (1.0 - gone)
            place = truth / (1.0 + truth)
            there = part_way(foot.at, vp.at, place)
            marks.append(self.work.paper.by_eye(there, (foot, far_foot)))
        step.say("panel-by-eye", count=count(len(marks) // 2))
        return marks

    # --- the openings themselves --------------------------------------------------------------

    def _draw(
        self, rows: Sequence[tuple[Ruled, Ruled]], columns: Sequence[tuple[Ruled, Ruled]]
    ) -> None:
        work, panel = self.work, self.panel
        taken = work.house.taken(panel)
        many = len(rows) * len(columns) - len(taken)
        step = work.begin("panel-openings", look=Choice(panel.look), count=count(many))
        for row, (low, high) in enumerate(rows):
            for column, (near, away) in enumerate(columns):
                if (row, column) not in taken:
                    self._draw_opening(low, high, near, away)
        step.say("panel-openings", look=Choice(panel.look), count=count(many))
        if taken:
            step.say("panel-door-instead", count=count(len(taken)))
        step.differs(count=count(many))
        step.again = phrase("again-openings")
        step.check("panel-openings-check", count=count(many))
        step.bulk = True
        _finish(work, panel, self.wall, Grid(rows, columns, taken))

    def _draw_opening(self, low: Ruled, high: Ruled, near: Ruled, away: Ruled) -> None:
        """Its four sides, but for those that lie on an edge of the wall."""
        paper, site = self.work.paper, self.work.site
        (top, foot), (far_top, far_foot) = self.near, self.far
        ways = self.wall.family, site.stage.view.uprights.name
        edges = (top, far_top), (far_top, far_foot), (foot, far_foot), (top, foot)
        sides = (high, near), (high, away), (low, away), (low, near)
        marks = [paper.cross(line, upright) for line, upright in sides]
        for k in range(4):
            start, end = marks[k], marks[(k + 1) % 4]
            if k == 0 and self.panel.arch is not None:
                continue
            if not _along(start, end, *edges[k]):
                paper.keep(start, end, ways[k % 2], site.body, do=Do.TRACE)


def _along(start: Mark, end: Mark, one: Mark, other: Mark) -> bool:
    """Whether a side lies on an edge of the wall, which is drawn already."""
    (ax, ay), (bx, by) = one.at.xy, other.at.xy
    long = distance(one.at, other.at)
    return all(
        abs((bx - ax) * (y - ay) - (by - ay) * (x - ax)) < ON_THE_EDGE_MM * long
        for x, y in (start.at.xy, end.at.xy)
    )
