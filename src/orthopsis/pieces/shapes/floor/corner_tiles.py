"""Tiles in a corner of a room: equal true lengths along the foot of both walls, a line from each.

The foot of a wall is measured on a level line through the corner, and carried to it by the
measuring point of that wall; from there a line runs over the floor along the other wall. Source:
ISO 5456-4, measuring points (from memory).
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from functools import cached_property
from itertools import product
from typing import NamedTuple

from orthopsis.construction.moves import Act, Mark, Ruled, count
from orthopsis.construction.order import Body, SeenLine, Shown
from orthopsis.perspective.plane import LEFT, LEVEL, Point, join, meet, toward
from orthopsis.perspective.segments import XY, at
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector, minus, times
from orthopsis.perspective.view import VanishingPoint, eye_space, on_paper
from orthopsis.phrase import Length, Value, say
from orthopsis.picture.solid import Detail, Solid, patch
from orthopsis.pieces.base import Site, Stage
from orthopsis.pieces.placement.depth import carrying_point
from orthopsis.pieces.placement.room import RoomMarks, onward
from orthopsis.pieces.placement.room_corner import Corner
from orthopsis.pieces.shapes.floor.tiles import shade_squares
from orthopsis.pieces.shapes.tidy import tidy

Numbers = tuple[int, int]
"""How many tiles a place lies from the corner, along the left wall and along the right."""


class TileLine(NamedTuple):
    """A line of the tiles: where it begins at a wall, where it ends, and its point."""

    start: Numbers
    end: Numbers
    point: VanishingPoint


@dataclass(frozen=True, eq=False)
class CornerTiles:
    """So many tiles along the left wall and the right, `side_mm` wide at the corner's scale."""

    part: Part
    name: Value
    room_id: str
    room: Corner
    stage: Stage
    grid: Numbers
    side_mm: float
    chequered: bool = False

    @property
    def points(self) -> tuple[VanishingPoint, VanishingPoint]:
        """To which the foot of the left wall leads, and that of the right."""
        left, right = self.stage.view.level_points
        return right, left

    @property
    def lines(self) -> Iterator[TileLine]:
        """All lines: those that begin at the left wall run along the right one."""
        along_left, along_right = self.points
        left, right = self.grid
        for k in range(1, left + 1):
            yield TileLine((k, 0), (k, right), along_right)
        for k in range(1, right + 1):
            yield TileLine((0, k), (left, k), along_left)

    # --- for the picture ---------------------------------------------------------------------

    @cached_property
    def _corner(self) -> Vector:
        foot = self.room.corners()[1]
        return eye_space(foot, self.stage.depth_at(foot.y, "on"))

    def _in_space(self, numbers: Numbers) -> Vector:
        found, depth = self._corner, self._corner[2]
        for number, vp in zip(numbers, self.points, strict=True):
            step = self.side_mm * depth / self.stage.view.true_length(vp.at)
            found = minus(found, times((*vp.at,), number * step))
        return found

    def solid(self) -> Solid:
        """The lines on the floor, which hide nothing. Raises ExerciseError."""
        details = []
        for line in self.lines:
            start, end = self._in_space(line.start), self._in_space(line.end)
            if start[2] <= 0.0:
                raise self.stage.refuse("grid", say("refused-tiles-behind"))
            if end[2] <= 1e-3 * start[2]:
                # It comes past us: as far as the sheet goes.
                place = self._exit(Point(*on_paper(start)), line.point.at)
                end = eye_space(place, self.stage.depth_at(place.y, "on"))
            details.append(Detail(0, start, end, line.point.name))
        loop = [self._corner, *(self._in_space(n) for n in ((1, 0), (0, 1)))]
        return patch(self.part, loop, (), details)

    def _exit(self, start: Point, vp: Point) -> Point:
        """Where a line that comes from a point leaves the sheet, or a place beyond it."""
        line = onward(start, vp)
        on_sheet = self.stage.sheet.clip(line)
        return Point(*at(line, on_sheet[1] if on_sheet else 1e-3))

    # --- for the construction ----------------------------------------------------------------

    def by_ruler(self, numbers: Numbers) -> Point:
        """A corner of the tiles on paper, by measuring points."""
        foot = self.room.corners()[1]
        feet = [self._on_foot(number, k) for k, number in enumerate(numbers)]
        if 0 in numbers:
            return next((place for place, n in zip(feet, numbers, strict=True) if n), foot)
        along_left, along_right = (vp.at for vp in self.points)
        return meet(join(feet[0], along_right), join(feet[1], along_left))

    def _on_foot(self, number: int, side: int) -> Point:
        foot, vp = self.room.corners()[1], self.points[side].at
        # Toward us it is laid out the other way than into the depth.
        into = LEVEL if side == 0 else LEFT
        laid = toward(foot, into, -number * self.side_mm)
        return meet(join(laid, self.stage.view.measuring_point(vp, into)), join(foot, vp))

    def _ends(self, line: TileLine) -> tuple[Point, Point]:
        start, end = self.by_ruler(line.start), self.by_ruler(line.end)
        onward = (end.x - start.x) * (start.x - line.point.at.x)
        if end.at_infinity or onward <= 0.0 or self._nearness(end) > 1e3 * self._nearness(start):
            end = self._exit(start, line.point.at)
        return start, end

    def squares(self) -> list[list[XY]]:
        """Every second tile that lies before us. Raises ExerciseError."""
        found = []
        for i, j in product(*map(range, self.grid)):
            around = (i, j), (i + 1, j), (i + 1, j + 1), (i, j + 1)
            before = all(self._in_space(n)[2] > 0.02 * self._corner[2] for n in around)
            if (i + j) % 2 == 0 and before:
                found.append([self.by_ruler(n).xy for n in around])
        return found

    def _nearness(self, place: Point) -> float:
        return 1.0 / self.stage.depth_at(place.y, "on")

    def body(self) -> Body:
        """The same by ruler: on the floor behind all that stands there, and drawn last."""
        edges = []
        for line in self.lines:
            a, b = self._ends(line)
            edges.append(SeenLine((a.xy, b.xy), (self._nearness(a), self._nearness(b))))
        corners = tuple(
            (Point(*xy), near)
            for edge in edges
            for xy, near in zip(edge.segment, edge.near, strict=True)
        )
        return Body(
            part=self.part, name=self.name, corners=corners,
            faces=(tuple(range(len(corners))),), show=lambda: Shown(edges=tuple(edges)),
            transparent=True, floating=False, ground=True, last=True,
        )  # fmt: skip

    def build(self, site: Site) -> None:
        """Marks along the foot of both walls, and a line over the floor from each."""
        room = site.before[Part(self.room_id)]
        assert isinstance(room, RoomMarks)
        feet: dict[Numbers, Mark] = {(0, 0): room[1]}
        for side, name in ((0, "left"), (1, "right")):
            self._measure(site, room[1], side, name, feet)
        self._draw(site, feet)
        tidy(site, "floor")

    def _measure(
        self, site: Site, corner: Mark, side: int, name: str, feet: dict[Numbers, Mark]
    ) -> None:
        paper, vp = site.paper, site.points[self.points[side].name]
        into = LEVEL if side == 0 else LEFT
        step = site.begin(f"tiles-{name}-wall", Act.DETAILS)
        point = carrying_point(site, vp, into)
        foot = paper.lay(corner, vp)
        back = Point(-into.x, into.y, 0.0)
        for number in range(1, self.grid[side] + 1):
            laid = paper.measure_along(corner, back, number * self.side_mm)
            line = paper.lay(laid, point)
            mark = paper.cross(line, foot)
            feet[(number, 0) if side == 0 else (0, number)] = mark
        step.say(
            f"tiles-{name}-wall", corner=corner, side=Length(self.side_mm), point=point,
            count=count(self.grid[side]), vp=vp,
        )  # fmt: skip
        step.check("tiles-wall-check", vp=vp)
        step.bulk = True

    def _draw(self, site: Site, feet: dict[Numbers, Mark]) -> None:
        paper = site.paper
        step = site.begin("tiles-over-floor", Act.DETAILS)
        ruled: dict[Numbers, Ruled] = {}
        for line in self.lines:
            ruled[line.start] = paper.lay(feet[line.start], site.points[line.point.name])
        for line in self.lines:
            _, end = self._ends(line)
            crossing = (line.end[0], 0) if line.start[0] == 0 else (0, line.end[1])
            if end == self.by_ruler(line.end):
                mark = paper.cross(ruled[line.start], ruled[crossing])
            else:
                mark = paper.to_the_edge(ruled[line.start], end)
            paper.keep(feet[line.start], mark, line.point.name, site.body)
        left, right = (site.points[vp.name] for vp in self.stage.view.level_points)
        step.say("tiles-over-floor", left=left, right=right)
        step.check("tiles-over-floor-check")
        step.bulk = True
        if self.chequered:
            shade_squares(site, len(self.squares()))
