"""The steps of a building in a row: near upright, length, and what shows of its other side."""

from __future__ import annotations

from dataclasses import dataclass
from dataclasses import field as dataclass_field

from orthopsis.construction.division import Bay, repeat
from orthopsis.construction.moves import Act, Mark, Ruled, Step, strung
from orthopsis.construction.places import across, down
from orthopsis.perspective.plane import LEFT, LEVEL, UPRIGHT, Point
from orthopsis.perspective.segments import remainder
from orthopsis.phrase import Length
from orthopsis.pieces.base import Site
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.edges import Edges, FrameMarks
from orthopsis.pieces.placement.row_links import Corners, Link, RowMarks

SAME_MM = 1e-6
"""Nearer than this two tops are one."""


def draw_in_row(
    site: Site,
    edges: Edges,
    link: Link,
    corners: Corners,
    cuts: tuple[Cut, Cut],
    ways: tuple[str, str],
) -> RowMarks:
    """A member from the ground line on. `cuts` are its length and how far back, `ways` the families
    along the row and straight across it.
    """
    moves = _RowMoves(site, edges, link, corners, cuts, ways)
    moves.draw()
    return moves.marks


@dataclass
class _RowMoves:
    site: Site
    edges: Edges
    link: Link
    corners: Corners
    cuts: tuple[Cut, Cut]
    ways: tuple[str, str]
    marks: RowMarks = dataclass_field(default_factory=RowMarks)

    def draw(self) -> None:
        before = self.site.before.get(self.link.before)
        base = before if isinstance(before, FrameMarks) else FrameMarks()
        self._near_upright(base)
        self._along()
        self._across()
        self._last()

    @property
    def uprights(self) -> str:
        return self.site.stage.view.uprights.name

    def _keep(self, a: int, b: int, family: str) -> None:
        if self.edges.shows(a, b) and {a, b} <= self.marks.keys():
            self.edges.keep(self.marks, a, b, family)

    def _ground(self, base: FrameMarks, start: Mark) -> Ruled:
        """The ground line of the row, drawn once, as far as the last of its feet."""
        paper = self.site.paper
        if isinstance(base, RowMarks) and base.ground is not None:
            return base.ground
        vp = self.site.points[self.ways[0]]
        if self.link.corners[0] == self.link.corners[1]:
            return paper.along(start, vp)
        step = self.site.begin("row-ground", Act.PLAN)
        # It belongs to the whole row, so it stays until everything is cleaned up.
        line = paper.aim(start, vp, self.link.row)
        paper.reach(line, Mark("", self.link.end))
        step.say("row-ground", foot=start, vp=vp)
        step.check("row-ground-check", vp=vp)
        return line

    def _near_upright(self, base: FrameMarks) -> None:
        """Where it begins: on the last one's end upright, or after a gap on a new one."""
        paper, site, edge = self.site.paper, self.site, self._top_mm
        top_number, foot_number = self.corners.near
        vp = site.points[self.ways[0]]
        of_way = self.link.corners[0] == self.link.corners[1]
        if not base:
            # What it begins at does not show: its own measures are taken from the sheet.
            step = site.begin("row-alone", Act.FRONTS)
            top = paper.measure(self._foot.x, edge)
            foot = paper.measure_along(top, UPRIGHT, self._foot.y - edge)
            ground = paper.aim(foot, vp, self.link.row)
            step.say("row-alone", top=top, across=across(self._foot.x, paper.sheet),
                     down=down(edge, paper.sheet), foot=foot,
                     length=Length(self._foot.y - edge))  # fmt: skip
        elif of_way:
            ground = self._ground(base, base[self.link.corners[0]])
            step = site.begin("row-first", Act.FRONTS)
            foot = paper.measure_down(self._foot.y, ground)
            top = paper.measure_down(edge, paper.upright(foot))
            step.say("row-first", foot=foot, below=down(self._foot.y, paper.sheet), top=top,
                     down=down(edge, paper.sheet))  # fmt: skip
        elif self.link.behind is not None:
            top, foot, ground = self._behind(base, self.link.behind)
        elif self.link.gap is not None:
            start = base[self.link.corners[1]]
            ground = self._ground(base, start)
            step = site.begin("row-gap", Act.FRONTS)
            foot, said = self.link.gap.build(site, start, vp, ground, LEVEL, (), None, "gap")
            step.says.append(said)
            alike = self._top_as_like(foot)
            top = alike or paper.measure_down(edge, paper.upright(foot))
            if alike is None:
                step.say("row-gap", foot=foot, top=top, down=down(edge, paper.sheet))
        else:
            upper, foot = (base[k] for k in self.link.corners)
            ground = self._ground(base, foot)
            step = site.begin("row-next", Act.FRONTS)
            alike = self._top_as_like(foot, upper)
            top = alike or paper.measure_down(edge, paper.along(upper, foot))
            if alike is None:
                step.say("row-next", upright=strung(upper, foot), top=top,
                         down=down(edge, paper.sheet))  # fmt: skip
        step = paper.steps[-1]
        if self.link.like is None:
            step.differs(down=down(edge, paper.sheet))
        step.check("row-upright-check" if self.link.behind is None else "row-behind-check")
        self.marks.ground = ground
        self.marks[top_number], self.marks[foot_number] = top, foot
        self._keep(top_number, foot_number, self.uprights)

    def _top_as_like(self, foot: Mark, upper: Mark | None = None) -> Mark | None:
        """The top of one that is as high as an earlier one: on the line of that one's top, which is
        `upper` itself where the two are joined. None where it has a measure of its own.
        """
        link, paper = self.link, self.site.paper
        marks = self.site.before.get(link.like) if link.like else None
        if not isinstance(marks, FrameMarks) or self.corners.near[0] not in marks:
            return None
        if upper is not None and abs(upper.at.y - self._top_mm) < SAME_MM:
            paper.steps[-1].say("row-like-joined", upright=strung(upper, foot))
            return upper
        vp = self.site.points[self.ways[0]]
        line = paper.aim(marks[self.corners.near[0]], vp, self.site.part)
        top = paper.cross(paper.upright(foot), line)
        paper.steps[-1].say(
            "row-like", start=marks[self.corners.near[0]], vp=vp, top=top, foot=foot
        )
        return top

    def _behind(self, base: FrameMarks, cut: Cut) -> tuple[Mark, Mark, Ruled]:
        """Its near upright, on the neighbour's line away from the street. Where nearer things hide
        its foot, that is not looked for.
        """
        paper, site, link = self.site.paper, self.site, self.link
        upper, lower = (base[k] for k in link.corners)
        step = site.begin("row-behind", Act.FRONTS)
        mark = self._cut_away(step, cut, upper)
        upright = paper.upright(mark)
        top = paper.measure_down(self._top_mm, upright)
        step.say("row-behind", mark=mark, top=top, down=down(self._top_mm, paper.sheet))
        vp = site.points[self.ways[0]]
        if self._feet_hidden():
            foot = Mark("", self._foot)
            return top, foot, paper.along(foot, vp)
        foot = paper.cross(upright, self._toward_across(lower))
        step.say("row-behind-foot", lower=lower, foot=foot)
        return top, foot, paper.aim(foot, vp, site.part)

    def _cut_away(self, step: Step, cut: Cut, start: Mark) -> Mark:
        """A mark so far from another, away from the street."""
        paper, goal = self.site.paper, self.site.points.get(self.ways[1])
        if goal is None:
            way = LEFT if self._foot.x < start.at.x else LEVEL
            mark = paper.measure_along(start, way, cut.along_mm or 0.0)
            step.say("row-behind-level", start=start, long=Length(cut.along_mm or 0.0), mark=mark)
            return mark
        mark, said = cut.build(
            self.site, start, goal, self._toward_across(start), LEVEL, (), None, "depth"
        )
        step.says.append(said)
        return mark

    def _feet_hidden(self) -> bool:
        """Whether nothing of its foot along the row is seen."""
        corners, paper = self.site.body.corners, self.site.paper
        line = tuple(corners[k[1]][0].xy for k in (self.corners.near, self.corners.far))
        segment = line[0], line[1]
        hidden = paper.standing.under_nearer(segment, self.site.part, paper.tolerance)
        return not remainder([one for portions in hidden.values() for one in portions])

    @property
    def _foot(self) -> Point:
        return self.site.body.corners[self.corners.near[1]][0]

    @property
    def _top_mm(self) -> float:
        return self.site.body.corners[self.corners.near[0]][0].y

    def _along(self) -> None:
        """Its length along the row: a line to the point, a cut, an upright to the ground line."""
        paper, site = self.site.paper, self.site
        top, foot = (self.marks[k] for k in self.corners.near)
        far_top, far_foot = self.corners.far
        vp, cut = site.points[self.ways[0]], self.cuts[0]
        step = site.begin("row-length", Act.BACKS)
        guide, ground = paper.aim(top, vp, site.part), self.marks.ground
        assert ground is not None
        if self.link.after_equal and self._as_long_as_the_last(step):
            self._keep_along(step)
            return
        low = cut.from_ is not None and cut.from_.startswith("bottom")
        start, line = (foot, ground) if low else (top, guide)
        inward = LEVEL if vp.at.x > start.at.x else LEFT
        if len(site.stage.view.level_points) == 1:
            inward = LEFT if vp.at.x > start.at.x else LEVEL
        mark, said = cut.build(
            site, start, vp, line, inward, (), "near-foot" if low else "near-top", "along"
        )
        other = paper.cross(paper.upright(mark), guide if low else ground)
        upper, lower = (other, mark) if low else (mark, other)
        self.marks[far_top], self.marks[far_foot] = upper, lower
        step.say("row-top", top=top, vp=vp)
        step.says.append(said)
        self._keep_along(step)

    def _as_long_as_the_last(self, step: Step) -> bool:
        """By the diagonal through the middle of the upright between the two."""
        last, paper, site = self.site.before.get(self.link.before), self.site.paper, self.site
        near, far = self.corners.near, self.corners.far
        if not isinstance(last, FrameMarks) or not {*near, *far} <= last.keys():
            return False
        bay = Bay(last[near[0]], last[near[1]], self.marks[near[0]], self.marks[near[1]])
        again = repeat(paper, bay, self.ways[0], self.uprights, site.points, site.part)
        self.marks[far[0]], self.marks[far[1]] = again.far_top, again.far_bottom
        step.say(
            "row-like-length", vp=site.points[self.ways[0]], foot=bay.near_bottom,
            upright=strung(bay.far_top, bay.far_bottom), end=again.far_top,
        )  # fmt: skip
        return True

    def _keep_along(self, step: Step) -> None:
        """What shows of its side along the row."""
        (far_top, far_foot), vp = self.corners.far, self.site.points[self.ways[0]]
        step.say("row-end", line=strung(self.marks[far_top], self.marks[far_foot]))
        step.check("row-length-check", vp=vp)
        self._keep(self.corners.near[0], far_top, self.ways[0])
        self._keep(self.corners.near[1], far_foot, self.ways[0])
        self._keep(far_top, far_foot, self.uprights)

    def _across(self) -> None:
        """What shows of its other side: above a lower neighbour, down to the foot in an alley."""
        paper, site, edges = self.site.paper, self.site, self.edges
        top, foot = self.corners.near
        a_top, a_foot = self.corners.across
        needed = edges.needs(a_top) or edges.needs(a_foot)
        if not edges.shows(top, a_top) and not needed:
            return
        take_back = paper.on_trial()
        step = site.begin("row-across", Act.BACKS)
        mark = self._mark_across(step)
        self._keep(top, a_top, self.ways[1])
        if edges.shows(foot, a_foot) or edges.needs(a_foot):
            line = self._toward_across(self.marks[foot])
            self.marks[a_foot] = paper.cross(paper.upright(mark), line)
            self._keep(foot, a_foot, self.ways[1])
            self._keep(a_top, a_foot, self.uprights)
        step.check("row-across-check")
        if not needed and not any(drawn.fate == "keep" for drawn in step.strokes):
            take_back()
            self.marks.pop(a_top, None)
            self.marks.pop(a_foot, None)

    def _toward_across(self, start: Mark) -> Ruled:
        goal = self.site.points.get(self.ways[1])
        paper = self.site.paper
        return paper.level(start) if goal is None else paper.aim(start, goal, self.site.part)

    def _mark_across(self, step: Step) -> Mark:
        """The corner behind the near upright's top: how far back it goes."""
        paper, site = self.site.paper, self.site
        top = self.marks[self.corners.near[0]]
        goal = site.points.get(self.ways[1])
        if goal is None:
            way, wide_mm = LEFT if self._aside_mm < 0.0 else LEVEL, abs(self._aside_mm)
            mark = paper.measure_along(top, way, wide_mm)
            step.say("row-across-level", top=top, long=Length(wide_mm), mark=mark)
            step.differs(width=Length(wide_mm))
        else:
            guide = self._toward_across(top)
            inward = LEVEL if goal.at.x > top.at.x else LEFT
            mark, said = self.cuts[1].build(site, top, goal, guide, inward, (), "near-top", "depth")
            step.say("row-across", top=top, vp=goal)
            step.says.append(said)
        self.marks[self.corners.across[0]] = mark
        return mark

    @property
    def _aside_mm(self) -> float:
        """How far its other side reaches beside its near upright, to the right."""
        corners = self.site.body.corners
        near, across = (corners[k[0]][0] for k in (self.corners.near, self.corners.across))
        return across.x - near.x

    def _last(self) -> None:
        """The back corner, where the top shows: opposite corner to opposite point."""
        paper, site = self.site.paper, self.site
        far_top, a_top, b_top = self.corners.far[0], self.corners.across[0], self.corners.last[0]
        needed = self.edges.needs(b_top) or self.edges.needs(self.corners.last[1])
        shown = self.edges.shows(far_top, b_top) or self.edges.shows(a_top, b_top)
        shown |= self.edges.shows(self.corners.far[1], self.corners.last[1])
        if not shown and not needed:
            return
        take_back, known = paper.on_trial(), a_top in self.marks
        step = site.begin("row-back", Act.BACKS)
        if not known:
            self._mark_across(step)
        vp = site.points[self.ways[0]]
        one = paper.aim(self.marks[a_top], vp, site.part)
        other = self._toward_across(self.marks[far_top])
        self.marks[b_top] = paper.cross(one, other)
        self._keep(a_top, b_top, self.ways[0])
        self._keep(far_top, b_top, self.ways[1])
        step.say("row-back", one=self.marks[a_top], other=self.marks[far_top],
                 back=self.marks[b_top])  # fmt: skip
        step.check("row-back-check")
        if self.edges.needs(self.corners.last[1]) or self.edges.shows(
            self.corners.far[1], self.corners.last[1]
        ):
            self._last_foot(step)
        if not needed and not any(drawn.fate == "keep" for drawn in step.strokes):
            take_back()
            self.marks.pop(b_top, None)
            if not known:
                self.marks.pop(a_top, None)

    def _last_foot(self, step: Step) -> None:
        """Straight below the back corner, on the line of the far foot."""
        paper, (b_top, b_foot) = self.site.paper, self.corners.last
        line = self._toward_across(self.marks[self.corners.far[1]])
        self.marks[b_foot] = paper.cross(paper.upright(self.marks[b_top]), line)
        step.say("row-back-foot", back=self.marks[b_top], foot=self.marks[b_foot])
        # Seen through, its hidden edges show as well.
        self._keep(b_top, b_foot, self.uprights)
        self._keep(self.corners.far[1], b_foot, self.ways[1])
        self._keep(self.corners.across[1], b_foot, self.ways[0])
