"""A rectangle in the floor or a wall of a room: a picture, a door, a window, a rug."""

from __future__ import annotations

from abc import abstractmethod
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

from orthopsis.construction.moves import Act, Mark, Said, strung
from orthopsis.construction.order import Body, SeenLine, Shown
from orthopsis.errors import ExerciseError
from orthopsis.perspective.plane import LEFT, LEVEL, Point, join, meet, part_way
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import HORIZONTAL, VERTICAL, VanishingPoint, eye_space
from orthopsis.phrase import Choice, Length, Value, say
from orthopsis.picture.solid import Detail, Side, Solid, patch
from orthopsis.pieces.base import Site, Stage
from orthopsis.pieces.placement.anchor import FRONT_CORNERS
from orthopsis.pieces.placement.depth import Cut, check_share, share_on_paper
from orthopsis.pieces.placement.foot_moves import measured_foot
from orthopsis.pieces.placement.front import front_measures, measured_front
from orthopsis.pieces.placement.on_room import OnBackWall, OnFloor, OnSideWall
from orthopsis.pieces.placement.room import RoomMarks, RoomPlace, Run
from orthopsis.pieces.shapes.floor.niche import Niche


@dataclass(frozen=True, eq=False)
class RoomPanel:
    """What all have: an outline on paper, how far off each corner is, and families of its sides.

    Corners run clockwise from the top left, or from the back left on the floor.
    """

    part: Part
    name: Value
    look: str
    room_id: str
    room: RoomPlace
    surface: str
    stage: Stage
    recess_mm: float | None

    @cached_property
    @abstractmethod
    def places(self) -> list[tuple[Point, float]]:
        """The corners on paper, each with its relative depth, by projection."""

    @property
    @abstractmethod
    def by_ruler(self) -> list[tuple[Point, float]]:
        """The same by ruler."""

    @property
    @abstractmethod
    def families(self) -> tuple[str, str, str, str]:
        """The families of the sides, from that after the first corner on."""

    @abstractmethod
    def build(self, site: Site) -> list[Mark]:
        """Record the moves that draw it; the marks of its corners."""

    @property
    def sides(self) -> list[int]:
        """The sides that are drawn, by the corner that each begins at."""
        return [0, 1, 2, 3]

    @property
    def niche(self) -> Niche | None:
        """How it is let into the wall, if it is."""
        if self.recess_mm is None:
            return None
        across, away, _ = self.stage.view.directions
        if self.surface == "back":
            into = away
        elif across.at.at_infinity:
            out = -1.0 if self.surface == "left" else 1.0
            into = VanishingPoint(HORIZONTAL, Point(out, 0.0, 0.0))
        else:
            # A wall runs to the point on the other side; into it one goes toward its own.
            into = across if self.surface == "left" else away
        return Niche(self.families, into, self.recess_mm, self.stage)

    def solid(self) -> Solid:
        """The outline as a patch, behind all that stands there."""
        corners = [eye_space(place, depth) for place, depth in self.places]
        details, niche = [], self.niche
        if niche is not None:
            depth, back = self.places[0][1], niche.behind_in_space(self.places)
            details = [
                Detail(0, eye_space(Point(*a), depth), eye_space(Point(*b), depth), family)
                for family, (a, b) in niche.segments([place for place, _ in self.places], back)
            ]
        sides = [Side(k, self.families[k]) for k in self.sides]
        return patch(self.part, corners, sides, details)

    def body(self) -> Body:
        """The same on paper."""
        near = [(place, 1.0 / depth) for place, depth in self.by_ruler]
        ends = [(near[k], near[(k + 1) % 4]) for k in self.sides]
        lines = [SeenLine((a[0].xy, b[0].xy), (a[1], b[1])) for a, b in ends]
        niche = self.niche
        if niche is not None:
            back = niche.behind_by_ruler(self.by_ruler)
            opening, nearness = [place for place, _ in self.by_ruler], near[0][1]
            lines += [
                SeenLine(segment, (nearness, nearness))
                for _, segment in niche.segments(opening, back)
            ]
        shown = Shown(edges=tuple(lines))
        return Body(
            part=self.part, name=self.name, corners=tuple(near), faces=((0, 1, 2, 3),),
            show=lambda: shown, transparent=True, floating=False, ground=True,
        )  # fmt: skip

    def marks_of_room(self, site: Site) -> RoomMarks | None:
        handed = site.before.get(Part(self.room_id))
        return handed if isinstance(handed, RoomMarks) else None

    def keep(self, site: Site, marks: Sequence[Mark]) -> None:
        """Its outline, whole and light first: what stands before it parts its four lines."""
        site.paper.steps[-1].bulk = True
        for k in self.sides:
            site.paper.join(marks[k], marks[(k + 1) % 4], self.families[k], site.part)
            site.paper.keep(marks[k], marks[(k + 1) % 4], self.families[k], site.body)

    def draw_niche(self, site: Site, marks: Sequence[Mark]) -> None:
        """What is seen through its opening, if it is let into the wall."""
        niche = self.niche
        if niche is not None:
            niche.draw(site, marks, self.by_ruler)


@dataclass(frozen=True, eq=False)
class BackPanel(RoomPanel):
    """In the back wall, in true shape."""

    place: OnBackWall

    @cached_property
    def places(self) -> list[tuple[Point, float]]:
        depth = self.stage.depth_at(self.room.floor_mm, "on")
        return [(corner, depth) for corner in self.place.front.corners]

    @property
    def by_ruler(self) -> list[tuple[Point, float]]:
        return self.places

    @property
    def families(self) -> tuple[str, str, str, str]:
        return HORIZONTAL, VERTICAL, HORIZONTAL, VERTICAL

    def build(self, site: Site) -> list[Mark]:
        step = site.begin("panel-back", Act.DETAILS)
        marks = measured_front(site.paper, self.place.front)
        self.keep(site, marks)
        measures = front_measures(site.paper, self.place.front)
        step.say("panel-back", what=Choice(f"flat-{self.look}"), corner=marks[0], **measures)
        step.differs(**measures)
        step.check("block-check")
        return list(marks)


@dataclass(frozen=True, eq=False)
class SidePanel(RoomPanel):
    """In a wall that runs away. Corners: above and below at `from`, then at `to`."""

    place: OnSideWall

    @cached_property
    def wall(self) -> tuple[Run, int, int]:
        """The wall's foot toward us, and the numbers of the room's corners below and above it.

        Raises ExerciseError.
        """
        one_point = len(self.room.corners()) == 4
        below, above = ((3, 0) if self.surface == "left" else (2, 1)) if one_point else (1, 0)
        points = self.stage.view.level_points
        wanted = points[0] if one_point else points[1 if self.surface == "left" else 0]
        for run in self.room.runs(self.stage):
            if (run.corner, run.point) == (below, wanted):
                return run, below, above
        raise self._unseen()

    def _unseen(self) -> ExerciseError:
        return self.stage.refuse("on", say("refused-wall-off-sheet"))

    def _ends(self) -> list[tuple[str, Cut]]:
        return [("from", self.place.from_), ("to", self.place.to)]

    @cached_property
    def places(self) -> list[tuple[Point, float]]:
        run, _, _ = self.wall
        way = run.end, run.point.at
        shares = (cut.share_by_projection(*way, self.stage.view) for _, cut in self._ends())
        return self._corners([part_way(*way, share) for share in shares])

    @property
    def by_ruler(self) -> list[tuple[Point, float]]:
        run, _, _ = self.wall
        way = run.end, run.point.at, self.stage.view, self._inward
        return self._corners([cut.place_on_paper(*way) for _, cut in self._ends()])

    @property
    def _inward(self) -> Point:
        """The direction in which true lengths along the wall are laid out."""
        run, _, _ = self.wall
        return LEVEL if run.end.x < run.point.at.x else LEFT

    def _corners(self, feet: Sequence[Point]) -> list[tuple[Point, float]]:
        run, below, above = self.wall
        vp, level_mm = run.point.at, self.stage.view.eye_level_mm
        foot = self.room.corners()[below]
        whole_mm = foot.y - self.room.corners()[above].y
        if self.place.up_mm + self.place.height_mm > whole_mm + 1e-6:
            raise self.stage.refuse("height_mm", say("refused-higher-than-wall"))
        for (field, cut), place in zip(self._ends(), feet, strict=True):
            check_share(share_on_paper(run.end, vp, place), (run.end, vp), cut, self.stage, field)
            if place.y < foot.y - 1e-6:
                raise self.stage.refuse(field, say("refused-panel-behind-wall"))
        if abs(feet[0].y - feet[1].y) < 1e-6:
            raise self.stage.refuse("to", say("refused-panel-empty"))
        found = []
        for place in feet:
            # Uprights grow with the distance of their foot from the eye level.
            grown = (place.y - level_mm) / (foot.y - level_mm)
            depth = self.stage.depth_at(place.y, "from")
            low = place.y - self.place.up_mm * grown
            found.append([
                (Point(place.x, low - self.place.height_mm * grown), depth),
                (Point(place.x, low), depth),
            ])  # fmt: skip
        return [found[0][0], found[0][1], found[1][1], found[1][0]]

    @property
    def families(self) -> tuple[str, str, str, str]:
        name = self.wall[0].point.name
        return VERTICAL, name, VERTICAL, name

    def build(self, site: Site) -> list[Mark]:
        """Heights at the back, lines from the point through them, two uprights between."""
        run, below, above = self.wall
        room, paper = self.marks_of_room(site), site.paper
        assert room is not None
        vp = site.points[run.point.name]
        step = site.begin("panel-wall", Act.DETAILS)
        foot, top = room[below], room[above]
        low = paper.measure_along(foot, top, self.place.up_mm) if self.place.up_mm else foot
        high = paper.measure_along(foot, top, self.place.up_mm + self.place.height_mm)
        lines = [paper.lay(high, vp), paper.lay(low, vp)]
        said: dict[str, Said] = {
            "height": Length(self.place.up_mm + self.place.height_mm),
            "up": Length(self.place.up_mm),
        }  # fmt: skip
        kind = "panel-wall" if self.place.up_mm else "panel-wall-on-floor"
        step.say(
            kind, what=Choice(f"flat-{self.look}"), foot=foot, vp=vp, high=high, low=low, **said
        )
        step.differs(height=said["height"])
        floor = paper.lay(foot, vp)
        start = paper.to_the_edge(floor, run.end)
        marks: list[Mark] = []
        for field, cut in self._ends():
            place, cut_said = cut.build(site, start, vp, floor, self._inward, (), None, field)
            step.says.append(cut_said)
            upright = paper.upright(place)
            marks += [paper.cross(upright, line) for line in lines]
        ordered = [marks[0], marks[1], marks[3], marks[2]]
        # Light lines along the wall, from the back to the nearer end.
        nearer = max((0, 1), key=lambda k: marks[2 * k + 1].at.y)
        for start, end in zip((high, low), marks[2 * nearer :], strict=False):
            paper.light(start.at, end.at, vp.name, site.part)
        self.keep(site, ordered)
        step.say("panel-wall-uprights", outline=strung(*ordered))
        step.check("panel-wall-check", vp=vp)
        return ordered


@dataclass(frozen=True, eq=False)
class FloorPanel(RoomPanel):
    """On the floor: back left, back right, front right, front left."""

    place: OnFloor

    @property
    def vp(self) -> VanishingPoint:
        return self.stage.view.level_points[0]

    def _start(self) -> int:
        if self.place.depth.from_ is not None:
            return FRONT_CORNERS.index(self.place.depth.from_)
        return self.place.foot.nearer_end(self.vp.at)

    def _front(self) -> list[Point]:
        return [self.place.foot.end, self.place.foot.at]

    def _closed(self, far_mm: float) -> list[tuple[Point, float]]:
        level = join(Point(0.0, far_mm), LEVEL)
        right, left = self._front()
        back = [meet(join(corner, self.vp.at), level) for corner in (left, right)]
        return [(place, self.stage.depth_at(place.y, "foot")) for place in (*back, right, left)]

    def _far_mm(self, place: Point, start: Point) -> float:
        way = start, self.vp.at
        check_share(share_on_paper(*way, place), way, self.place.depth, self.stage, "depth")
        return place.y

    @cached_property
    def places(self) -> list[tuple[Point, float]]:
        start = self._front()[self._start() - 2]
        share = self.place.depth.share_by_projection(start, self.vp.at, self.stage.view)
        return self._closed(self._far_mm(part_way(start, self.vp.at, share), start))

    @property
    def by_ruler(self) -> list[tuple[Point, float]]:
        number = self._start()
        start, inward = self._front()[number - 2], LEVEL if number == 3 else LEFT
        place = self.place.depth.place_on_paper(start, self.vp.at, self.stage.view, inward)
        return self._closed(self._far_mm(place, start))

    @property
    def families(self) -> tuple[str, str, str, str]:
        return HORIZONTAL, self.vp.name, HORIZONTAL, self.vp.name

    def build(self, site: Site) -> list[Mark]:
        paper, vp = site.paper, site.points[self.vp.name]
        step = site.begin("panel-floor", Act.DETAILS)
        ends = measured_foot(site, step, self.place.foot, vp)
        guides = {k: paper.aim(mark, vp, site.part) for k, mark in ends.items()}
        start = self._start()
        far, cut = self.place.depth.build(
            site, ends[start], vp, guides[start], LEVEL if start == 3 else LEFT, ends.values(),
            FRONT_CORNERS[start],
        )  # fmt: skip
        other = paper.cross(paper.level(far), guides[5 - start])
        step.says.append(cut)
        step.say("panel-floor", far=far, other=other, what=Choice(f"flat-{self.look}"))
        step.check("foot-plan-check", vp=vp)
        back = (far, other) if start == 3 else (other, far)
        ordered = [*back, ends[2], ends[3]]
        self.keep(site, ordered)
        return ordered
