"""The room: seen from inside, behind everything that stands in it."""

from __future__ import annotations

from typing import Annotated, ClassVar, Literal, Self

from orthopsis.construction.behind import behind_all
from orthopsis.construction.moves import Act, Mark, count, measures_set, strung
from orthopsis.construction.order import Body, SeenLine, Shown
from orthopsis.construction.places import across, down
from orthopsis.perspective.plane import UPRIGHT, Point
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector
from orthopsis.perspective.view import View, eye_space
from orthopsis.phrase import Length
from orthopsis.picture.solid import Detail, Side, far_off, patch
from orthopsis.picture.solids import AnySolid
from orthopsis.pieces.base import Drawn, Flag, Grip, Site, Stage
from orthopsis.pieces.piece import InRoom, Piece
from orthopsis.pieces.placement.front import front_measures, measured_front
from orthopsis.pieces.placement.placement import Listed
from orthopsis.pieces.placement.room import BackWall, RoomMarks
from orthopsis.pieces.roles import Editor, FieldRole
from orthopsis.pieces.shapes.tidy import tidy


class Room(Piece, Drawn):
    """A room by its `back` wall, or by the upright of its `corner`."""

    wrong_form: ClassVar = "refused-form-of-a-room"

    first_size: ClassVar = 1.0

    kind: Literal["room"]
    standing: Annotated[Literal["ground"], FieldRole.CHOICE] = "ground"
    transparent: Annotated[Flag, Editor.NONE] = False
    place: InRoom

    @property
    def part(self) -> Part:
        """It is drawn as one."""
        return Part(self.id)

    @property
    def surrounds(self) -> bool:
        return True

    @property
    def surfaces(self) -> tuple[str, ...]:
        """What things may stand on or lie in."""
        walls = ("back", "left", "right") if isinstance(self.place, BackWall) else ("left", "right")
        return ("floor", "ceiling", *walls)

    @property
    def listed(self) -> Listed | None:
        return Listed(self.place, self.view)

    def _depth(self, stage: Stage) -> float:
        self.place.check(stage)
        return stage.depth_at(self.place.floor_mm, self.place.tells)

    # --- for the picture ---------------------------------------------------------------------

    def solids(self, stage: Stage) -> list[AnySolid]:
        """Lines in space, behind everything that stands there."""
        depth, place = self._depth(stage), self.place
        corners = [eye_space(corner, depth) for corner in place.corners()]

        def end(run_start: Point, run_end: Point, vp: Point) -> Vector:
            nearer = _gone(run_start, vp) / _gone(run_end, vp)
            return eye_space(run_end, depth * nearer)

        details = [
            Detail(0, corners[run.corner], end(place.corners()[run.corner], run.end, run.point.at),
                   run.point.name)
            for run in place.runs(stage)
        ]  # fmt: skip
        if isinstance(place, BackWall):
            sides = [Side(edge.start, edge.family) for edge in place.edges()]
            return [far_off(patch(self.part, corners, sides, details))]
        details += [Detail(0, corners[a], corners[b], family) for a, b, family in place.edges()]
        return [far_off(patch(self.part, corners, (), details))]

    # --- for the construction ----------------------------------------------------------------

    def body(self, stage: Stage) -> Body:
        """The same by ruler: it hides nothing, and lies behind all that stands in it."""
        near, place = 1.0 / self._depth(stage), self.place
        corners = [(corner, near) for corner in place.corners()]
        lines = [
            SeenLine((corners[a][0].xy, corners[b][0].xy), (near, near))
            for a, b, _ in place.edges()
        ]
        ends = []
        for run in place.runs(stage):
            start = place.corners()[run.corner]
            nearer = near * _gone(run.end, run.point.at) / _gone(start, run.point.at)
            lines.append(SeenLine((start.xy, run.end.xy), (near, nearer)))
            ends.append((run.end, nearer))
        body = Body(
            part=self.part,
            name=self.name,
            corners=(*corners, *ends),
            faces=(tuple(range(len(corners) + len(ends))),),
            show=lambda: Shown(edges=tuple(lines)),
            transparent=True,
            floating=False,
            ground=True,
        )
        return behind_all(body)

    def build(self, site: Site) -> RoomMarks:
        """The back wall or the corner, the lines toward us, and the levels."""
        paper, place, stage = site.paper, self.place, site.stage
        marks = self._begin(site)
        ends: dict[tuple[int, str], Mark] = {}
        runs = place.runs(stage)
        points = list(dict.fromkeys(run.point.name for run in runs))
        step = site.begin("room-lines", Act.SETTING)
        for run in runs:
            vp = site.points[run.point.name]
            line = paper.lay(marks[run.corner], vp)
            ends[run.corner, vp.name] = end = paper.to_the_edge(line, run.end)
            # Whole and light first: what will stand there covers some of it.
            paper.join(marks[run.corner], end, vp.name, site.part)
            paper.keep(marks[run.corner], end, vp.name, site.body)
        if len(points) == 1:
            step.say("room-lines", vp=site.points[points[0]], count=count(len(runs)))
        else:
            left, right = (site.points[name] for name in sorted(points))
            step.say("room-lines-of-corner", left=left, right=right)
        step.check("room-lines-check")
        step.bulk = True
        return RoomMarks(marks, self._draw_levels(site, marks))

    def _begin(self, site: Site) -> dict[int, Mark]:
        paper, place = site.paper, self.place
        if isinstance(place, BackWall):
            step = site.begin("room-back", Act.SETTING)
            marks = dict(enumerate(measured_front(paper, place.back)))
            step.say("room-back", corner=marks[0], **front_measures(paper, place.back))
            step.check("room-back-check")
            # What stands before it parts its four lines into more.
            step.bulk = True
        else:
            step = site.begin("room-corner", Act.SETTING)
            top, foot = place.corners()
            upper = paper.measure(*top.xy)
            lower = paper.measure_along(upper, UPRIGHT, foot.y - top.y)
            marks = {0: upper, 1: lower}
            step.say(
                "room-corner", top=upper, foot=lower, across=across(top.x, paper.sheet),
                down=down(top.y, paper.sheet), high=Length(foot.y - top.y),
            )  # fmt: skip
            step.check("room-corner-check")
        for a, b, family in place.edges():
            paper.join(marks[a], marks[b], family, site.part)
            paper.keep(marks[a], marks[b], family, site.body)
        return marks

    def _draw_levels(self, site: Site, marks: dict[int, Mark]) -> dict[str, Mark]:
        """Heights on the upright of the back wall, each with a light line across it."""
        if not self.place.levels:
            return {}
        paper, one_point = site.paper, isinstance(self.place, BackWall)
        foot, top = (marks[3], marks[0]) if one_point else (marks[1], marks[0])
        step = site.begin("room-levels", Act.SETTING)
        found = {}
        for name, mm in sorted(self.place.levels.items(), key=lambda one: one[1]):
            found[name] = paper.measure_along(foot, top, mm)
            if one_point:
                paper.across(paper.level(found[name]), paper.along(marks[1], marks[2]), site.part)
        step.say("room-levels", edge=strung(foot, top), foot=foot, measures=measures_set(step))
        step.check("room-levels-check")
        return found

    def finish(self, site: Site) -> None:
        """Its light lines go when all that stands in it is there."""
        tidy(site, "room")

    # --- what both sides read from the document ----------------------------------------------

    def grips(self, stage: Stage) -> list[Grip]:
        return self.place.grips(stage)

    def moved(self, stage: Stage, view: View) -> Self:
        return self.placed(self.place.moved(stage, view))


def _gone(place: Point, vp: Point) -> float:
    """How far a place lies from a point, on a line to it that is not upright, or along it."""
    return max(abs(place.x - vp.x), abs(place.y - vp.y))
