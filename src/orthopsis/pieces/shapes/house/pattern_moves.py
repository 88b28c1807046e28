"""The steps of a pattern: courses by equal marks, joints by one diagonal."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

from orthopsis.construction.division import divided
from orthopsis.construction.face import true_share_down
from orthopsis.construction.moves import Act, Mark, Ruled, Step, count, measures_set, strung
from orthopsis.perspective.plane import distance
from orthopsis.perspective.segments import portions_inside, remainder
from orthopsis.phrase import Choice, Length
from orthopsis.pieces.shapes.house.form import OVER, ROOF_POINT
from orthopsis.pieces.shapes.house.pattern import STAGGERED, Pattern
from orthopsis.pieces.shapes.house.planes import RoofPlane
from orthopsis.pieces.shapes.house.site import HouseSite
from orthopsis.pieces.shapes.house.surfaces import Surface


def draw_pattern(work: HouseSite, pattern: Pattern) -> None:
    """All steps of a pattern, where its surface shows."""
    surface = pattern.surface(work.house)
    known = surface.corners if surface.top is None else (*surface.corners[:2], *surface.top)
    if work.house.faces_us(surface.face) and set(known) <= work.marks.keys():
        _Moves(work, pattern, surface).draw()


@dataclass
class _Moves:
    work: HouseSite
    pattern: Pattern
    surface: Surface

    def draw(self) -> None:
        levels = {0.0: self._edge(0, 1), 1.0: self._ridge}
        if self.pattern.levels:
            levels |= self._courses()
        if self.pattern.joints:
            self._joints(levels)

    @cached_property
    def upright(self) -> tuple[Mark, Mark]:
        """The foot and top of the upright that is parted: the wall's near one, or under a ridge."""
        marks, lies = self.work.marks, self.surface.lies
        if not isinstance(lies, RoofPlane):
            return marks[self.surface.corners[0]], marks[self.surface.corners[3]]
        if self.surface.top is not None and OVER not in marks:
            # Straight below the ridge's end, as high as the eave.
            below, end = (marks[k] for k in lies.slope[:2])
            level = self.work.laid(below, lies.wall.family)
            marks[OVER] = self.work.paper.cross(self.work.upright(end), level)
        foot = marks[OVER] if OVER in marks else marks[lies.under[0]]
        return foot, marks[lies.slope.ridge]

    @cached_property
    def near(self) -> Ruled:
        """The near side of the surface: an upright, a slanted edge, or a line up a hip."""
        lies = self.surface.lies
        if self.surface.top is not None and isinstance(lies, RoofPlane):
            return self.work.paper.along(*(self.work.marks[k] for k in lies.slope[:2]))
        return self._edge(0, 3)

    @cached_property
    def _ridge(self) -> Ruled:
        """The upper side of the surface."""
        if self.surface.top is None:
            return self._edge(3, 2)
        return self.work.paper.along(*(self.work.marks[k] for k in self.surface.top))

    @cached_property
    def sides(self) -> tuple[Ruled, Ruled]:
        """Where courses begin and end: the sides of the surface, or the hips."""
        if self.surface.top is None:
            return self._edge(0, 3), self._edge(1, 2)
        marks, (near, far) = self.work.marks, self.surface.top
        foot, far_foot = self.surface.corners[:2]
        return (
            self.work.paper.along(marks[foot], marks[near]),
            self.work.paper.along(marks[far_foot], marks[far]),
        )

    def _edge(self, a: int, b: int) -> Ruled:
        corners, marks = self.surface.corners, self.work.marks
        return self.work.paper.along(marks[corners[a]], marks[corners[b]])

    def _mark(self, share: float, *, equal: bool = False) -> Mark:
        """The mark on the near side that lies so far up in truth: measured, or where it ends one of
        `equal` parts, parted off.
        """
        paper, (foot, top) = self.work.paper, self.upright
        up_mm = distance(foot.at, top.at) * share
        third = self.work.site.third
        if third is not None:
            up_mm = distance(foot.at, top.at) - true_share_down(top, foot, third, 1.0 - share)
        if equal and third is None:
            mark = divided(paper, foot, top, share)
        else:
            mark = paper.measure_along(foot, top, up_mm)
        lies = self.surface.lies
        if not isinstance(lies, RoofPlane):
            return mark
        return paper.cross(self.work.laid(mark, lies.wall.family), self.near)

    def _courses(self) -> dict[float, Ruled]:
        """Equal marks up the upright, each led along the surface."""
        work, pattern = self.work, self.pattern
        step = work.begin("pattern-courses", Act.DETAILS, look=Choice(pattern.look))
        found, (first, last) = {}, self.sides
        for share in pattern.levels:
            start = self._mark(share, equal=True)
            line = found[share] = work.laid(start, self.surface.along)
            if self.surface.top is not None:
                start = work.paper.cross(line, first)
            self._keep(start, work.paper.cross(line, last), self.surface.along)
        self._say_upright(step)
        foot, top = self.upright
        each = Length(distance(foot.at, top.at) / pattern.rows)
        if work.site.third is not None:
            step.say("pattern-measured", upright=strung(foot, top), ups=measures_set(step))
        else:
            parts = count(pattern.rows)
            step.say("pattern-parted", upright=strung(foot, top), parts=parts, each=each)
        lies = self.surface.lies
        if isinstance(lies, RoofPlane):
            a, d = (work.marks[k] for k in lies.slope[:2])
            goal = work.points.get(lies.wall.family)
            if goal is None:
                step.say("pattern-to-slope-level", slope=strung(a, d))
            else:
                step.say("pattern-to-slope", slope=strung(a, d), vp=goal)
        self._say_along(step)
        step.check("pattern-courses-check")
        step.bulk = True
        return found

    def _say_along(self, step: Step) -> None:
        goal = self.work.points.get(self.surface.along)
        if goal is None:
            step.say("pattern-along-level")
        else:
            step.say("pattern-along", vp=goal)

    def _joints(self, levels: dict[float, Ruled]) -> None:
        """As far along as up: where a level line of the surface meets its diagonal."""
        work, pattern, paper = self.work, self.pattern, self.work.paper
        step = work.begin("pattern-joints", Act.DETAILS, look=Choice(pattern.look))
        if self.surface.top is not None:
            self._far_corner()
        near_foot, far_top = (work.marks[self.surface.corners[k]] for k in (0, 2))
        diagonal = paper.diagonal(near_foot, far_top, work.site.part)
        for across in pattern.joints:
            place = paper.cross(work.laid(self._mark(across), self.surface.along), diagonal)
            line = self._up(place)
            most = self.surface.highest(work.house.on_paper, across)
            for low, high in pattern.joint_rows(across):
                if low > most - 1e-9:
                    continue
                foot = paper.cross(line, levels[_known(levels, low)])
                ends = levels[_known(levels, high)]
                if high > most:
                    ends = self.sides[0 if across < 0.5 else 1]
                self._keep(foot, paper.cross(line, ends), self.surface.up)
        foot, top = self.upright
        if not pattern.levels:
            self._say_upright(step)
        self._say_corner(step)
        step.say(
            "pattern-joints",
            upright=strung(foot, top), ups=measures_set(step),
            diagonal=strung(near_foot, far_top),
        )  # fmt: skip
        self._say_up(step)
        if pattern.look in STAGGERED and pattern.rows > 1:
            step.say("pattern-staggered")
        step.check("pattern-joints-check")
        step.bulk = True

    def _far_corner(self) -> None:
        """Of a hip: where the line up the roof from the eave's far end meets the ridge's line."""
        foot = self.work.marks[self.surface.corners[1]]
        self.work.marks[self.surface.corners[2]] = self.work.paper.cross(
            self._up(foot), self._ridge
        )

    def _say_upright(self, step: Step) -> None:
        """Of a hip: where the upright below the ridge's end begins."""
        lies = self.surface.lies
        if self.surface.top is None or not isinstance(lies, RoofPlane):
            return
        below, end = (self.work.marks[k] for k in lies.slope[:2])
        goal = self.work.points.get(lies.wall.family)
        if goal is None:
            step.say("pattern-hip-upright-level", start=below, end=end, foot=self.upright[0])
        else:
            step.say("pattern-hip-upright", start=below, vp=goal, end=end, foot=self.upright[0])

    def _say_corner(self, step: Step) -> None:
        """Of a hip: the corner of the rectangle around the slope that its diagonal leads to."""
        lies, marks = self.surface.lies, self.work.marks
        if self.surface.top is None or not isinstance(lies, RoofPlane):
            return
        far_foot, corner = (marks[k] for k in self.surface.corners[1:3])
        ridge, slope = (strung(*(marks[k] for k in ends)) for ends in
                        (self.surface.top, lies.slope[:2]))  # fmt: skip
        if lies.wall.near is None:
            step.say(
                "pattern-hip-parallel", ridge=ridge, start=far_foot, slope=slope, corner=corner
            )
        else:
            step.say("pattern-hip-corner", ridge=ridge, start=far_foot, point=self._roof_point,
                     corner=corner)  # fmt: skip

    def _keep(self, start: Mark, end: Mark, family: str) -> None:
        """A line of it, where no window or door is."""
        segment = start.at.xy, end.at.xy
        openings = self.pattern.openings(self.work.house)
        inside = [part for one in openings for part in portions_inside(segment, [one])]
        shows = remainder(inside)
        if shows:
            self.work.paper.keep(start, end, family, self.work.site.body, shows)

    def _up(self, start: Mark) -> Ruled:
        """A line up the surface: upright, to the roof's own point, or parallel to the slope."""
        work, lies = self.work, self.surface.lies
        if not isinstance(lies, RoofPlane):
            return work.upright(start)
        if lies.wall.near is None:
            return work.paper.slide(start, self.near)
        return work.paper.lay(start, self._roof_point)

    @cached_property
    def _roof_point(self) -> Mark:
        """The roof's own point, found if it is not yet."""
        work, lies = self.work, self.surface.lies
        assert isinstance(lies, RoofPlane)
        if ROOF_POINT not in work.marks:
            upright = work.upright(work.points[lies.wall.family])
            work.marks[ROOF_POINT] = work.paper.cross(upright, self.near)
        return work.marks[ROOF_POINT]

    def _say_up(self, step: Step) -> None:
        work, lies = self.work, self.surface.lies
        if not isinstance(lies, RoofPlane):
            third = work.site.third
            if third is None:
                step.say("pattern-upright")
            else:
                step.say("pattern-up-to", point=third)
        elif lies.wall.near is None:
            slope = strung(*(work.marks[k] for k in lies.slope[:2]))
            step.say("pattern-up-parallel", slope=slope)
        else:
            step.say("pattern-up-to", point=self._roof_point)


def _known(levels: dict[float, Ruled], share: float) -> float:
    return min(levels, key=lambda one: abs(one - share))
