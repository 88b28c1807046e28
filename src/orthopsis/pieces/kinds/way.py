"""The way: a road, a path or a river over the ground, and what lies on it."""

from __future__ import annotations

from typing import Annotated, ClassVar, Literal, Self

from orthopsis.construction.moves import Act
from orthopsis.construction.order import Body, SeenLine, Shown
from orthopsis.construction.places import across as across_said
from orthopsis.perspective.plane import LEVEL, Point, join, meet
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import View, eye_space, on_paper
from orthopsis.phrase import Choice
from orthopsis.picture.solid import Side, patch
from orthopsis.picture.solids import AnySolid
from orthopsis.pieces.base import Drawn, Grip, RowEnd, Site, Stage
from orthopsis.pieces.piece import Piece
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.placement.placement import Listed
from orthopsis.pieces.placement.row_handles import ends_of_way
from orthopsis.pieces.placement.way import FAR, WayPlace
from orthopsis.pieces.roles import Editor, FieldRole
from orthopsis.pieces.shapes.road.crossing import Crossing
from orthopsis.pieces.shapes.road.dashes import Dashes
from orthopsis.pieces.shapes.road.kerb import Kerb
from orthopsis.pieces.shapes.road.marking import Marking, OnWay, WaySite
from orthopsis.pieces.shapes.road.track import Track
from orthopsis.pieces.shapes.tidy import tidy


class Way(Piece, Drawn):
    """A road, path or river `to` a point, between two `edges_mm` on the sheet's lower edge."""

    wrong_form: ClassVar = "refused-form-of-a-way"

    first_size: ClassVar = 2.4

    kind: Literal["way"]
    standing: Annotated[Literal["ground"], FieldRole.CHOICE] = "ground"
    look: Annotated[Literal["road", "path", "river", "rails"], FieldRole.CHOICE] = "road"
    kerb: Annotated[Kerb | None, Editor.SWITCH] = None
    dashes: Annotated[Dashes | None, Editor.SWITCH] = None
    crossing: Annotated[Crossing | None, Editor.SWITCH] = None
    track: Annotated[Track | None, Editor.SWITCH] = None
    place: WayPlace

    @property
    def part(self) -> Part:
        """It is drawn as one."""
        return Part(self.id)

    def switched_on(self, field: str, stage: Stage) -> Self:
        """What fits the way's width: dashes a tenth of it wide, a kerb a fifteenth."""
        left, right = self.place.edges_mm
        wide_mm = right - left
        first: dict[str, Marking] = {
            "kerb": Kerb(in_mm=max(1.0, round(wide_mm / 15.0))),
            "dashes": Dashes(wide_mm=max(2.0, round(wide_mm / 20.0)), first=Cut(fraction=0.1)),
            "crossing": Crossing(near=Cut(fraction=0.2), far=Cut(fraction=0.35)),
            "track": Track(
                in_mm=max(1.0, round(wide_mm / 8.0)),
                wide_mm=max(1.0, round(wide_mm / 20.0)),
                side_mm=max(1.0, round(wide_mm / 40.0)),
                first=Cut(fraction=0.08),
            ),
        }
        if field not in first:
            return super().switched_on(field, stage)
        return self.model_copy(update={field: first[field]})

    def chosen(self, field: str, value: str | bool | None) -> Self:
        """Sleepers that get a front get one half as high as a rail is wide."""
        if field != "track.thick_mm" or value is not True or self.track is None:
            return super().chosen(field, value)
        thick_mm = max(1.0, round(self.track.wide_mm / 2.0))
        track = self.track.model_copy(update={"thick_mm": thick_mm})
        return self.model_copy(update={"track": track})

    @property
    def _markings(self) -> list[Marking]:
        """What lies on it, in the order of drawing."""
        return [
            one for one in (self.kerb, self.dashes, self.crossing, self.track) if one is not None
        ]

    # --- for the picture ---------------------------------------------------------------------

    def solids(self, stage: Stage) -> list[AnySolid]:
        """The ground between the edges, as far as the point, with the dashes in it."""
        left, right = self.place.edges_mm
        there = [
            self.place.in_space(stage, x, gone)
            for x, gone in ((left, 0.0), (left, FAR), (right, FAR), (right, 0.0))
        ]
        way = OnWay(self.place, stage)
        details = [line for marking in self._markings for line in marking.details(way)]
        sides = () if self.track else (Side(0, way.goal.name), Side(2, way.goal.name))
        return [patch(self.part, there, sides, details)]

    # --- for the construction ----------------------------------------------------------------

    def body(self, stage: Stage) -> Body:
        """The ground by ruler: it hides nothing, and lies behind all that stands on it."""
        goal, depth = self.place.goal(stage).at, stage.depth_at(stage.sheet.bounds[3], "edges_mm")
        edges = [self.place.at_sheet(stage, x) for x in self.place.edges_mm]
        near = 1.0 / depth
        lines = tuple(SeenLine((edge.xy, goal.xy), (near, 0.0)) for edge in edges)
        for marking in self._markings:
            marking.details(OnWay(self.place, stage))
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
            if self.track is None:
                paper.keep(mark, goal, goal.name, site.body)
        step.say(
            "way-edges" if self.track is None else "way-edges-light",
            left=marks[0], right=marks[1], across=across_said(place.edges_mm[0], paper.sheet),
            other=across_said(place.edges_mm[1], paper.sheet), vp=goal, look=Choice(self.look),
        )  # fmt: skip
        step.check("way-edges-check", vp=goal)
        work = WaySite(site, OnWay(place, site.stage), (marks[0], marks[1]), goal)
        for marking in self._markings:
            marking.draw(work)
        return FrameMarks(enumerate(marks))

    def finish(self, site: Site) -> None:
        """Its light lines go when what stands on it is there."""
        tidy(site, "way")

    # --- what both sides read from the document ----------------------------------------------

    def grips(self, stage: Stage) -> list[Grip]:
        """The cuts of what lies on it."""
        way = OnWay(self.place, stage)
        found = []
        for field, cut, x_mm in self._cuts(way):
            start, goal = self.place.at_sheet(stage, x_mm), way.goal.at
            at = cut.place_on_paper(start, goal, stage.view, LEVEL)
            found.append(Grip(field, cut.way, start, goal, at))
        return found

    def handles(self, stage: Stage, settled: Piece) -> list[Grip]:
        del settled
        edges = [
            Grip("edges_mm", str(k), at, at, at, label="grip-way-edge", across=True)
            for k, at in enumerate(self.place.at_sheet(stage, x) for x in self.place.edges_mm)
        ]
        return [*self.grips(stage), *edges]

    def row_ends(self, stage: Stage) -> list[RowEnd]:
        return ends_of_way(self.place, stage)

    def _cuts(self, way: OnWay) -> list[tuple[str, Cut, float]]:
        """Each cut with its field and where its line begins on the sheet's lower edge."""
        found = []
        if self.dashes is not None:
            found.append(("dashes.first", self.dashes.first, way.middle_mm))
        if self.crossing is not None:
            left = self.place.edges_mm[0]
            found += [("crossing.near", self.crossing.near, left),
                      ("crossing.far", self.crossing.far, left)]  # fmt: skip
        if self.track is not None:
            found.append(("track.first", self.track.first, self.place.edges_mm[0]))
        return found

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
