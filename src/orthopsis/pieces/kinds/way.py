"""The way: a road or a path over the ground, with dashes along its middle."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Annotated, ClassVar, Literal, Self

from pydantic import Field

from orthopsis.construction.moves import Act, Mark, count, measures_set
from orthopsis.construction.order import Body, SeenLine, Shown
from orthopsis.construction.places import across as across_said
from orthopsis.perspective.plane import LEFT, LEVEL, Point, distance, join, meet
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector, plus
from orthopsis.perspective.view import HORIZONTAL, View, eye_space, on_paper
from orthopsis.phrase import Choice, Length
from orthopsis.picture.solid import Detail, Side, patch
from orthopsis.picture.solids import AnySolid
from orthopsis.pieces.base import Drawn, Grip, Measures, PaperLength, Site, Stage
from orthopsis.pieces.piece import Piece
from orthopsis.pieces.placement.depth import Cut, check_share
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.placement.placement import Listed
from orthopsis.pieces.placement.way import FAR, WayPlace
from orthopsis.pieces.roles import Editor, FieldRole
from orthopsis.pieces.shapes.tidy import tidy


class Dashes(Measures):
    """Dashes along the middle, `wide_mm` at the sheet's lower edge. The `first` begins as far up
    the middle line as the cut says; each dash and each gap is as long in truth as the way up there.
    """

    count: Annotated[int, Field(ge=1, le=20), FieldRole.COUNT] = 5
    wide_mm: PaperLength
    first: Annotated[Cut, FieldRole.RUN]

    def steps(self, share: float) -> Iterator[tuple[float, float]]:
        """Where each dash begins and ends, in true steps, when the first step goes that share of
        the way to the point.
        """
        step = share / (1.0 - share)
        for k in range(self.count):
            yield (2 * k + 1) * step, (2 * k + 2) * step


class Way(Piece, Drawn):
    """A road, path or river `to` a point, between two `edges_mm` on the sheet's lower edge."""

    wrong_form: ClassVar = "refused-form-of-a-way"

    kind: Literal["way"]
    standing: Annotated[Literal["ground"], FieldRole.CHOICE] = "ground"
    look: Annotated[Literal["road", "path", "river"], FieldRole.CHOICE] = "road"
    dashes: Annotated[Dashes | None, Editor.SWITCH] = None
    place: WayPlace

    @property
    def part(self) -> Part:
        """It is drawn as one."""
        return Part(self.id)

    def switched_on(self, field: str, stage: Stage) -> Self:
        """Dashes begin a tenth of the way up, a tenth of the road wide."""
        if field != "dashes":
            return super().switched_on(field, stage)
        left, right = self.place.edges_mm
        wide_mm = max(2.0, round((right - left) / 20.0))
        dashes = Dashes(wide_mm=wide_mm, first=Cut(fraction=0.1))
        return self.model_copy(update={"dashes": dashes})

    @property
    def _middle_mm(self) -> float:
        left, right = self.place.edges_mm
        return (left + right) / 2.0

    def _dashes(self, stage: Stage) -> list[tuple[float, float]]:
        """Where dashes begin and end, in true steps. Raises ExerciseError."""
        if self.dashes is None:
            return []
        way = self.place.at_sheet(stage, self._middle_mm), self.place.goal(stage).at
        cut = self.dashes.first
        share = cut.share_by_projection(*way, stage.view)
        check_share(share, way, cut, stage, "dashes.first")
        return list(self.dashes.steps(share))

    # --- for the picture ---------------------------------------------------------------------

    def solids(self, stage: Stage) -> list[AnySolid]:
        """The ground between the edges, as far as the point, with the dashes in it."""
        left, right = self.place.edges_mm
        there = [
            self.place.in_space(stage, x, gone)
            for x, gone in ((left, 0.0), (left, FAR), (right, FAR), (right, 0.0))
        ]
        family = self.place.goal(stage).name
        return [patch(self.part, there, (Side(0, family), Side(2, family)), self._lines(stage))]

    def _lines(self, stage: Stage) -> list[Detail]:
        found: list[Detail] = []
        across, along = self.place.across(stage), self.place.goal(stage).name
        level = HORIZONTAL if across is None else across.name
        for begin, end in self._dashes(stage):
            (a, c), (b, d) = (self._across(stage, gone) for gone in (begin, end))
            found += [Detail(0, a, b, along), Detail(0, c, d, along)]
            found += [Detail(0, a, c, level), Detail(0, b, d, level)]
        return found

    def _across(self, stage: Stage, gone: float) -> list[Vector]:
        """The two corners of a dash's end, straight across the middle line."""
        assert self.dashes is not None
        middle = self.place.in_space(stage, self._middle_mm, gone)
        start = self.place.in_space(stage, self._middle_mm)
        half_mm, other = self.dashes.wide_mm / 2 * start[2], self.place.across(stage)
        if other is None:
            return [plus(middle, (way * half_mm, 0.0, 0.0)) for way in (-1.0, 1.0)]
        # Toward the other point, as far as the dash's side, which runs to the way's own.
        step = half_mm / (other.at.x - self.place.goal(stage).at.x)
        return [plus(middle, eye_space(other.at, way * step)) for way in (-1.0, 1.0)]

    # --- for the construction ----------------------------------------------------------------

    def body(self, stage: Stage) -> Body:
        """The ground by ruler: it hides nothing, and lies behind all that stands on it."""
        goal, depth = self.place.goal(stage).at, stage.depth_at(stage.sheet.bounds[3], "edges_mm")
        edges = [self.place.at_sheet(stage, x) for x in self.place.edges_mm]
        near = 1.0 / depth
        lines = tuple(SeenLine((edge.xy, goal.xy), (near, 0.0)) for edge in edges)
        self._dashes(stage)
        return Body(
            part=self.part,
            name=self.name,
            corners=((edges[0], near), (goal, 0.0), (edges[1], near)),
            faces=((0, 1, 2),),
            show=lambda: Shown(edges=lines),
            transparent=True,
            floating=False,
            ground=True,
        )

    @property
    def listed(self) -> Listed | None:
        return Listed(self.place, self.view)

    def build(self, site: Site) -> FrameMarks:
        """Both edges to the point, then the dashes."""
        paper, place = site.paper, self.place
        goal = site.points[place.goal(site.stage).name]
        step = site.begin("way-edges", Act.SETTING, look=Choice(self.look))
        marks = [paper.measure_on_foot(x) for x in place.edges_mm]
        for mark in marks:
            # Whole and light first: what will stand on it covers some of it.
            paper.join(mark, goal, goal.name, site.part)
            paper.keep(mark, goal, goal.name, site.body)
        step.say(
            "way-edges",
            left=marks[0], right=marks[1], across=across_said(place.edges_mm[0], paper.sheet),
            other=across_said(place.edges_mm[1], paper.sheet), vp=goal, look=Choice(self.look),
        )  # fmt: skip
        step.check("way-edges-check", vp=goal)
        if self.dashes is not None:
            self._draw_dashes(site, goal, self.dashes)
        tidy(site, "way")
        return FrameMarks(enumerate(marks))

    def _draw_dashes(self, site: Site, goal: Mark, dashes: Dashes) -> None:
        """A light middle line with the ends of the dashes on it, and two lines for their sides."""
        paper = site.paper
        step = site.begin("way-middle", Act.DETAILS)
        middle = paper.measure_on_foot(self._middle_mm)
        line = paper.aim(middle, goal, site.part, fate="erase")
        half_mm = dashes.wide_mm / 2
        sides = [paper.measure_along(middle, way, half_mm) for way in (LEFT, LEVEL)]
        guides = [paper.aim(side, goal, site.part, fate="erase") for side in sides]
        step.say(
            "way-middle", middle=middle, across=across_said(self._middle_mm, paper.sheet),
            vp=goal, half=Length(half_mm),
        )  # fmt: skip
        step.check("way-middle-check", vp=goal)
        step = site.begin("way-dashes", Act.DETAILS)
        other = self.place.across(site.stage)
        first, said = dashes.first.build(site, middle, goal, line, LEVEL, (), None, "first")
        whole = distance(middle.at, goal.at)
        share = distance(middle.at, first.at) / whole
        ends = [first]
        for begin, end in dashes.steps(share):
            for gone in (begin, end):
                along_mm = whole * gone / (1.0 + gone)
                if gone != share / (1.0 - share):
                    ends.append(paper.measure_along(middle, goal, along_mm))
                    paper.reach(line, ends[-1])
        corners = []
        for mark in ends:
            if other is None:
                end_line, family = paper.level(mark), HORIZONTAL
            else:
                end_line, family = paper.lay(mark, site.points[other.name]), other.name
            a, b = (paper.cross(end_line, guide) for guide in guides)
            paper.keep(a, b, family, site.body)
            corners.append((a, b))
        for near, far in zip(corners[::2], corners[1::2], strict=True):
            for a, b in zip(near, far, strict=True):
                paper.keep(a, b, goal.name, site.body)
        measured = measures_set(step, since=1)
        step.says.append(said)
        step.say("way-dashes", middle=middle, alongs=measured)
        which = "way-dashes-level" if other is None else "way-dashes-to"
        toward = {} if other is None else {"vp": site.points[other.name]}
        step.say(which, count=count(dashes.count), **toward)
        step.check("way-dashes-check")
        step.bulk = True

    # --- what both sides read from the document ----------------------------------------------

    def grips(self, stage: Stage) -> list[Grip]:
        if self.dashes is None:
            return []
        start, goal = self.place.at_sheet(stage, self._middle_mm), self.place.goal(stage).at
        at = self.dashes.first.place_on_paper(start, goal, stage.view, LEVEL)
        return [Grip("dashes.first", self.dashes.first.way, start, goal, at)]

    def moved(self, stage: Stage, view: View) -> Self:
        """The same road seen from elsewhere: its edges where they now leave the sheet."""
        y_mm, goal = stage.sheet.bounds[3], self.place.goal_in(view)
        depth = stage.depth_at(y_mm, "edges_mm")
        edges = []
        for x in self.place.edges_mm:
            there = stage.view.place_seen_by(view, eye_space(Point(x, y_mm), depth))
            line = join(Point(*on_paper(there)), goal.at)
            edges.append(meet(line, join(Point(0.0, y_mm), LEVEL)).x)
        return self.placed(self.place.model_copy(update={"edges_mm": tuple(edges)}))
