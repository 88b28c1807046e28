"""Tiles: equal spaces one way, and every row where one diagonal crosses their lines.

All diagonals of one floor of equal tiles are parallel, so they lead to one point: that of square
tiles is the distance point. Row k of square tiles of width s lies, from the front line on, at
1 / (1 + k s / d) of its distance from the eye level. Source: ISO 5456-4 (from memory), and a check
value in the tests that was worked out by hand.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property
from itertools import pairwise

from orthopsis.construction.division import divide
from orthopsis.construction.moves import Act, Do, Mark, Ruled, Step, count
from orthopsis.construction.order import Body, SeenLine, Shown
from orthopsis.construction.places import across, down
from orthopsis.perspective.plane import LEFT, LEVEL, Point, distance, part_way
from orthopsis.perspective.segments import XY
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import FREE, HORIZONTAL, VanishingPoint, eye_space
from orthopsis.phrase import Length, Value, say
from orthopsis.picture.solid import Detail, Solid, patch
from orthopsis.pieces.base import Site, Stage
from orthopsis.pieces.placement.depth import Cut, carrying_point, share_on_paper
from orthopsis.pieces.placement.room import BackWall, RoomMarks
from orthopsis.pieces.shapes.tidy import tidy


def shade_squares(site: Site, number: int) -> None:
    """Every second tile, in one tone."""
    step = site.begin("tiles-shade", Act.TONE)
    for _ in range(number):
        site.paper.moved(Do.TRACE, (), None)
    step.say("tiles-shade", count=count(number))
    step.check("tiles-shade-check")
    step.bulk = True


LEAST_ROW_MM = 0.5
"""A row that looks thinner than this is not drawn."""


@dataclass(frozen=True, eq=False)
class Tiles:
    """A floor of `columns` tiles across and at most `rows` of them back, from a front line on.

    `front` are the ends of that line; `row` says how deep the first row is, None that the tiles are
    square. `own_line` tells that the front line is one of theirs, and not the sheet's edge.
    """

    part: Part
    name: Value
    room_id: str
    room: BackWall
    stage: Stage
    front: tuple[Point, Point]
    columns: int
    rows: int
    row: Cut | None
    own_line: bool
    chequered: bool = False

    @property
    def vp(self) -> VanishingPoint:
        return self.stage.view.level_points[0]

    @property
    def wide_mm(self) -> float:
        """How wide a tile is on the front line."""
        return (self.front[1].x - self.front[0].x) / self.columns

    @property
    def front_mm(self) -> float:
        return self.front[0].y

    def on_front(self, column: int) -> Point:
        return Point(self.front[0].x + column * self.wide_mm, self.front_mm)

    # --- for the picture ---------------------------------------------------------------------

    @cached_property
    def deep(self) -> float:
        """How deep a row is, measured by the distance of the front line. Raises ExerciseError."""
        if self.row is None:
            assert self.stage.view.eye is not None
            return self.wide_mm / self.stage.view.eye.distance_mm
        share = self.row.share_by_projection(self.on_front(0), self.vp.at, self.stage.view)
        if not 0.0 < share < 1.0:
            raise self.stage.refuse("row", say("refused-row-beyond"))
        return share / (1.0 - share)

    @cached_property
    def row_places_mm(self) -> list[float]:
        """How far down the sheet each row's further line lies, those that fit before the wall."""
        level_mm, found = self.vp.at.y, list[float]()
        for number in range(1, self.rows + 1):
            y_mm = level_mm + (self.front_mm - level_mm) / (1.0 + number * self.deep)
            before = found[-1] if found else self.front_mm
            if y_mm <= self.room.floor_mm + 1e-6 or before - y_mm < LEAST_ROW_MM:
                break
            found.append(y_mm)
        return found

    @property
    def end_mm(self) -> float:
        """Where the lines to the point end: at the wall, or at the last row."""
        full = len(self.row_places_mm) == self.rows
        return self.row_places_mm[-1] if full else self.room.floor_mm

    def at_depth(self, column: float, y_mm: float) -> Point:
        """The place on a line to the point, so far down the sheet."""
        start, vp = self.on_front(0), self.vp.at
        start = Point(start.x + column * self.wide_mm, start.y)
        gone = (start.y - y_mm) / (start.y - vp.y)
        return part_way(start, vp, gone)

    @property
    def column_numbers(self) -> range:
        """The lines to the point, without those that the walls have already."""
        return range(self.columns + 1) if self.own_line else range(1, self.columns)

    @cached_property
    def lines(self) -> list[tuple[Point, Point, str]]:
        """All lines on paper, with their families. Raises ExerciseError."""
        end_mm = self.end_mm
        found = [
            (self.on_front(k), self.at_depth(k, end_mm), self.vp.name) for k in self.column_numbers
        ]
        for y_mm in self.row_places_mm:
            ends = self.at_depth(0, y_mm), self.at_depth(self.columns, y_mm)
            found.append((*ends, HORIZONTAL))
        if self.own_line:
            found.append((*self.front, HORIZONTAL))
        return found

    def squares(self) -> list[list[XY]]:
        """Every second tile, as far as the wall. Raises ExerciseError."""
        found = []
        ends = [self.front_mm, *self.row_places_mm]
        if self.end_mm < ends[-1]:
            ends.append(self.end_mm)
        for row, (near_mm, far_mm) in enumerate(pairwise(ends)):
            for column in range(row % 2, self.columns, 2):
                corners = (
                    self.at_depth(column, near_mm), self.at_depth(column + 1, near_mm),
                    self.at_depth(column + 1, far_mm), self.at_depth(column, far_mm),
                )  # fmt: skip
                found.append([corner.xy for corner in corners])
        return found

    @property
    def _corners(self) -> list[Point]:
        return [*self.front, *(self.at_depth(k, self.end_mm) for k in (self.columns, 0))]

    def _depth(self, place: Point) -> float:
        return self.stage.depth_at(place.y, "on")

    def solid(self) -> Solid:
        """The lines on the ground, which hide nothing."""
        details = [
            Detail(0, eye_space(a, self._depth(a)), eye_space(b, self._depth(b)), family)
            for a, b, family in self.lines
        ]
        loop = [eye_space(corner, self._depth(corner)) for corner in self._corners]
        return patch(self.part, loop, (), details)

    # --- for the construction ----------------------------------------------------------------

    def body(self) -> Body:
        """The same by ruler: on the floor behind all that stands there, and drawn last."""
        near = tuple((corner, 1.0 / self._depth(corner)) for corner in self._corners)
        edges = tuple(
            SeenLine((a.xy, b.xy), (1.0 / self._depth(a), 1.0 / self._depth(b)))
            for a, b, _ in self.lines
        )
        return Body(
            part=self.part, name=self.name, corners=near, faces=((0, 1, 2, 3),),
            show=lambda: Shown(edges=edges), transparent=True, floating=False, ground=True,
            last=True,
        )  # fmt: skip

    def build(self, site: Site) -> None:
        """Light lines to the point from equal marks, one diagonal, and a level line wherever it
        crosses one of them.
        """
        room = site.before[Part(self.room_id)]
        assert isinstance(room, RoomMarks)
        columns = self._columns(site, room)
        self._rows(site, room, columns)
        tidy(site, "floor")

    def _columns(self, site: Site, room: RoomMarks) -> dict[int, Ruled]:
        """The lines to the point by their numbers, those of the walls among them."""
        paper, vp = site.paper, site.points[self.vp.name]
        step = site.begin("tiles-columns", Act.DETAILS, vp=vp)
        if self.own_line:
            left = paper.measure(*self.front[0].xy)
            right = paper.measure_along(left, LEVEL, self.columns * self.wide_mm)
        elif all(paper.sheet.contains(end) for end in self.front):
            left, right = (paper.measure_on_foot(end.x) for end in self.front)
        else:
            # The front line reaches beyond the sheet: the foot of the back wall is parted.
            left, right = room[3], room[2]
        starts = [left, *divide(paper, left, right, self.columns), right]
        found = {number: paper.lay(start, vp) for number, start in enumerate(starts)}
        wide_mm = (right.at.x - left.at.x) / self.columns
        if self.own_line:
            paper.keep(left, right, HORIZONTAL, site.body)
            step.say("tiles-front", left=left, right=right,
                     across=across(left.at.x, paper.sheet), down=down(left.at.y, paper.sheet),
                     width=Length(right.at.x - left.at.x))  # fmt: skip
        for number in self.column_numbers:
            near, far = self.on_front(number), self.at_depth(number, self.room.floor_mm)
            paper.light(near, far, vp.name, site.part)
        where = "front" if left is not room[3] else "back"
        step.say(f"tiles-columns-{where}", count=count(self.columns), wide=Length(wide_mm), vp=vp)
        step.check("tiles-columns-check", vp=vp)
        step.bulk = True
        return found

    def _rows(self, site: Site, room: RoomMarks, columns: dict[int, Ruled]) -> None:
        """Every row by a diagonal; where that has reached the last line it begins again."""
        paper, vp = site.paper, site.points[self.vp.name]
        step = site.begin("tiles-rows", Act.DETAILS)
        on_sheet = (k for k in range(self.columns) if paper.sheet.contains(self.on_front(k)))
        first = next(on_sheet, 0)
        front = paper.beside_all(Point(0.0, self.front_mm), HORIZONTAL)
        start = paper.cross(columns[first], front)
        diagonal, point = self._diagonal(site, step, columns, first, start)
        column, level = first, front
        for _ in self.row_places_mm:
            column += 1
            if column > self.columns:
                start, column = paper.cross(level, columns[first]), first + 1
                if point is not None:
                    diagonal = paper.aim(start, point, site.part, family=FREE, fate="erase")
                else:
                    # The next tile's own diagonal: through where its lines cross.
                    diagonal = self._next(site, start, columns, column, diagonal)
                step.say("tiles-again", start=start)
            mark = paper.cross(diagonal, columns[column])
            level = paper.level(mark)
            ends = [paper.cross(level, columns[k]) for k in (0, self.columns)]
            paper.keep(ends[0], ends[1], HORIZONTAL, site.body)
        full = len(self.row_places_mm) == self.rows
        end = level if full else paper.along(room[3], room[2])
        for number in self.column_numbers:
            near, far = (paper.cross(columns[number], line) for line in (front, end))
            paper.keep(near, far, vp.name, site.body)
        step.say("tiles-rows", vp=vp, count=count(len(self.row_places_mm)))
        step.check("tiles-rows-check")
        step.bulk = True
        if self.chequered:
            shade_squares(site, len(self.squares()))

    def _diagonal(
        self, site: Site, step: Step, columns: dict[int, Ruled], first: int, start: Mark
    ) -> tuple[Ruled, Mark | None]:
        """The diagonal of the first tile, drawn on, and the point it leads to if that is known."""
        paper, vp = site.paper, site.points[self.vp.name]
        if self.row is None:
            point = carrying_point(site, vp, LEFT)
            step.say("tiles-diagonal", start=start, point=point, vp=vp)
            return paper.aim(start, point, site.part, family=FREE, fate="erase"), point
        share = share_on_paper(self.on_front(0), vp.at, self.at_depth(0, self.row_places_mm[0]))
        along_mm = share * distance(start.at, vp.at)
        mark = paper.measure_along(start, vp, along_mm)
        corner = paper.cross(paper.level(mark), columns[first + 1])
        diagonal = paper.along(start, corner)
        last = self.at_depth(
            min(self.columns, first + len(self.row_places_mm)),
            self.row_places_mm[min(len(self.row_places_mm), self.columns - first) - 1],
        )
        paper.light(start.at, last, FREE, site.part)
        step.say("tiles-first-row", start=start, vp=vp, along=Length(along_mm), corner=corner)
        return diagonal, None

    def _next(
        self, site: Site, start: Mark, columns: dict[int, Ruled], column: int, before: Ruled
    ) -> Ruled:
        """The diagonal from a tile further back: parallel in truth to the one before, so it leads
        to the same point of the eye level.
        """
        paper, vp = site.paper, site.points[self.vp.name]
        goal = paper.cross(before, paper.beside_all(vp.at, HORIZONTAL))
        return paper.aim(start, goal, site.part, family=FREE, fate="erase")
