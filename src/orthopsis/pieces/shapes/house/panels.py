"""Panels: what lies flat in a wall, as windows and doors do.

Heights are marks on the wall's near upright, carried by its vanishing point; widths are cuts along
its foot, or bays that are equal in truth. A wall that we face has both in true shape.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from itertools import pairwise
from typing import Annotated, Literal, NamedTuple

from pydantic import Field, model_validator

from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import XY
from orthopsis.perspective.vector import Vector, minus, plus, times
from orthopsis.perspective.view import FREE, eye_space, on_paper
from orthopsis.phrase import Length, Own, say
from orthopsis.picture.solid import Detail
from orthopsis.pieces.base import Flag, Measures, Name, PaperLength, Stage
from orthopsis.pieces.placement.anchor import Front
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.roles import Editor, FieldRole
from orthopsis.pieces.shapes.house.arch import Arch
from orthopsis.pieces.shapes.house.form import of_corners, raised
from orthopsis.pieces.shapes.house.inset import InsetLine, inset_depth, inset_lines
from orthopsis.pieces.shapes.house.walls import AROUND, Wall, WallName, Walls

Look = Literal["windows", "door", "vents", "plain"]
By = Literal["diagonal", "marks", "eye"]
Parts = Annotated[float, Field(gt=0, le=100), FieldRole.FIXED]
BEYOND_MM = 0.01
"""A rectangle on a front may reach so far over its edge: no pencil is finer."""
ON_THE_EDGE_MM = 1e-6
Taken = frozenset[tuple[int, int]]
"""Openings of a panel, by row and column, whose place something else takes."""


class Bays(Measures):
    """Openings side by side with a pier between and at both ends, in the ratio `pier` : `open`,
    equal in truth; how they are found is said `by`.
    """

    count: Annotated[int, Field(ge=1, le=16), FieldRole.COUNT]
    pier: Parts = 1.0
    open: Parts = 2.0
    by: Annotated[By, FieldRole.CHOICE] = "diagonal"

    @property
    def shares(self) -> list[tuple[float, float]]:
        """Where each opening begins and ends, as shares of the whole."""
        whole = self.count * self.open + (self.count + 1) * self.pier
        starts = [(k + 1) * self.pier + k * self.open for k in range(self.count)]
        return [(start / whole, (start + self.open) / whole) for start in starts]


class Row(NamedTuple):
    """The foot and the head of a row of openings, mm up the wall's near upright."""

    foot_mm: float
    head_mm: float


class Panel(Measures):
    """Rectangles in the wall `on`: one by `up_mm` and `height_mm`, or one in each of so many equal
    `storeys`, its sill `sill_mm` above the storey's line, the lowest `skip` left out. `from` and
    `to` are cuts along the wall's foot from its near upright, `bays` part what is between. On a
    wall that we face one rectangle is a `front` on the sheet. An `inset` is a cut from a corner of
    the first opening into the wall; all openings are as deep. An `arch` closes each above its head.
    `freehand` ones are drawn and not judged.
    """

    kind: Literal["panel"]
    id: Name
    on: Annotated[WallName, FieldRole.CHOICE]
    look: Annotated[Look, FieldRole.CHOICE] = "plain"
    storeys: Annotated[int, Field(ge=1, le=30), FieldRole.COUNT] | None = None
    skip: Annotated[int, Field(ge=0, le=30), FieldRole.COUNT] = 0
    sill_mm: Annotated[float, Field(ge=0, le=1e4), FieldRole.LENGTH] = 0.0
    up_mm: Annotated[float, Field(ge=0, le=1e4), FieldRole.LENGTH] = 0.0
    height_mm: PaperLength | None = None
    from_: Annotated[Cut | None, Field(alias="from"), FieldRole.RUN] = None
    to: Annotated[Cut | None, FieldRole.RUN] = None
    bays: Bays | None = None
    front: Front | None = None
    inset: Annotated[Cut | None, FieldRole.RUN, Editor.SWITCH] = None
    arch: Annotated[Arch | None, Editor.SWITCH] = None
    freehand: Flag = False
    teach: Annotated[Literal["one", "all"], FieldRole.CHOICE] = "one"

    @model_validator(mode="after")
    def _one_form(self) -> Panel:
        if self.front is not None:
            if self.on != "front" or self.bays or self.storeys or self.from_ or self.to:
                raise Unfit(say("refused-panel-front"))
        elif self.height_mm is None:
            raise Unfit(say("refused-panel-height"), "height_mm")
        elif self.bays is None and (self.from_ is None or self.to is None):
            raise Unfit(say("refused-panel-width"))
        if self.arch is not None and self.inset is not None:
            raise Unfit(say("refused-arch-inset"), "arch")
        if self.storeys is not None and self.skip >= self.storeys:
            raise Unfit(say("refused-panel-skip"), "skip")
        return self

    def rows(self, upright_mm: float) -> list[Row]:
        """The rows of openings on a near upright of that length on paper, from below."""
        high_mm = self.height_mm or 0.0
        if self.storeys is None:
            return [Row(self.up_mm, self.up_mm + high_mm)]
        storey_mm = upright_mm / self.storeys
        lines = (k * storey_mm + self.sill_mm for k in range(self.skip, self.storeys))
        return [Row(line, line + high_mm) for line in lines]

    @property
    def shares(self) -> list[tuple[float, float]]:
        """Where openings begin and end between `from` and `to`."""
        return self.bays.shares if self.bays else [(0.0, 1.0)]

    # --- for the picture ---------------------------------------------------------------------

    def details(
        self, block: Sequence[Vector], walls: Walls, taken: Taken = frozenset()
    ) -> list[Detail]:
        """Its lines in eye space, but for openings whose place is taken. Raises ExerciseError."""
        wall = self.wall(walls)
        number = AROUND.index(wall.corners)
        ways = (wall.family, walls.stage.view.uprights.name)
        found: list[Detail] = []
        for place, corners, on_edge in self._openings(block, wall, walls.stage):
            for k in range(4 if place not in taken else 0):
                if not on_edge[k] and not (k == 0 and self.arch):
                    ends = corners[k], corners[(k + 1) % 4]
                    found.append(Detail(number, *ends, ways[k % 2]))
        found += (Detail(number, *line) for line in self._insides(block, walls, taken))
        for curve in self.arches(block, walls, taken):
            found += (Detail(number, *ends, FREE, by_hand=True) for ends in pairwise(curve))
        return found

    def arches(
        self, block: Sequence[Vector], walls: Walls, taken: Taken = frozenset()
    ) -> list[list[Vector]]:
        """The curves over its openings. Raises ExerciseError."""
        if self.arch is None:
            return []
        return [
            self.arch.curve(corners[0], corners[1], self._rise(block, walls, place[0]))
            for place, corners in self.corners(block, walls)
            if place not in taken
        ]

    def arch_rooms(
        self, block: Sequence[Vector], walls: Walls, taken: Taken
    ) -> list[tuple[XY, ...]]:
        """The outlines on paper of where arches are drawn by hand. Raises ExerciseError."""
        if self.arch is None:
            return []
        found = []
        for place, (near, away, _, _) in self.corners(block, walls):
            rise = self._rise(block, walls, place[0])
            if place not in taken:
                around = near, away, plus(away, rise), plus(near, rise)
                found.append(tuple(on_paper(one) for one in around))
        return found

    def _rise(self, block: Sequence[Vector], walls: Walls, row: int) -> Vector:
        """How far up the top of an arch lies above the head of its row, as a way of space."""
        assert self.arch is not None
        top, foot = (block[k] for k in self.wall(walls).near_upright)
        if self.front is not None:
            return (0.0, -self.arch.rise_mm * foot[2], 0.0)
        upright_mm = math.dist(on_paper(top), on_paper(foot))
        head_mm = self.rows(upright_mm)[row].head_mm
        return self.arch.rise(foot, of_corners(block), head_mm)

    def _insides(self, block: Sequence[Vector], walls: Walls, taken: Taken) -> Iterator[InsetLine]:
        """What is seen of the inside of its openings."""
        wall = self.wall(walls)
        openings = [one for place, one in self.corners(block, walls) if place not in taken]
        if self.inset is None or not openings:
            return
        field = f"parts.{self.id}.inset"
        depth = inset_depth(self.inset, openings[0], walls, wall, field, by_ruler=False)
        if depth is not None:
            for corners in openings:
                yield from inset_lines(corners, depth, walls, wall)

    def corners(
        self, block: Sequence[Vector], walls: Walls
    ) -> list[tuple[tuple[int, int], list[Vector]]]:
        """The corners of its openings in eye space, by row and column. Raises ExerciseError."""
        openings = self._openings(block, self.wall(walls), walls.stage)
        return [(place, corners) for place, corners, _ in openings]

    def outlines(
        self, block: Sequence[Vector], walls: Walls, taken: Taken = frozenset()
    ) -> list[tuple[XY, ...]]:
        """Its openings on paper. Raises ExerciseError."""
        return [
            tuple(on_paper(corner) for corner in corners)
            for place, corners in self.corners(block, walls)
            if place not in taken
        ]

    def wall(self, walls: Walls) -> Wall:
        """The wall that it is on. Raises ExerciseError."""
        if self.on not in walls.by_name:
            raise walls.stage.refuse(f"parts.{self.id}.on", say("refused-no-such-wall"))
        return walls.by_name[self.on]

    def _openings(
        self, block: Sequence[Vector], wall: Wall, stage: Stage
    ) -> Iterator[tuple[tuple[int, int], list[Vector], tuple[bool, bool, bool, bool]]]:
        """Row and column of each opening, its corners from the head's near end on, toward the far
        end, and which of its sides, the head first, lie on an edge of the wall.
        """
        top, foot = (block[k] for k in wall.near_upright)
        far = block[wall.far_upright[1]]
        if self.front is not None:
            depth = foot[2]
            # Upward it may reach into a gable.
            (left_mm, _), (right_mm, low_mm) = on_paper(top), on_paper(far)
            for name, inside in (
                ("x_mm", left_mm <= self.front.x_mm + BEYOND_MM),
                ("width_mm", self.front.corners[2].x <= right_mm + BEYOND_MM),
                ("height_mm", self.front.corners[2].y <= low_mm + BEYOND_MM),
            ):
                if not inside:
                    path = f"parts.{self.id}.front.{name}"
                    raise stage.refuse(path, say("refused-panel-beyond-front"))
            corners = [eye_space(place, depth) for place in self.front.corners]
            y_mm = self.front.y_mm + self.front.height_mm
            yield (
                (0, 0),
                corners,
                (False, False, abs(y_mm * depth - foot[1]) < ON_THE_EDGE_MM, False),
            )
            return
        begin, end = self._stretch(wall, foot, far, stage)
        upright_mm = math.dist(on_paper(top), on_paper(foot))
        up = of_corners(block)
        for number, row in enumerate(self.rows(upright_mm)):
            self._check(row, upright_mm, stage)
            low, high = (minus(raised(foot, up, mm), foot) for mm in row)
            for column, (first, last) in enumerate(self.shares):
                near, away = (plus(begin, times(minus(end, begin), s)) for s in (first, last))
                corners = [plus(near, high), plus(away, high), plus(away, low), plus(near, low)]
                on_edge = (
                    abs(row.head_mm - upright_mm) < ON_THE_EDGE_MM,
                    _same(away, far),
                    row.foot_mm < ON_THE_EDGE_MM,
                    _same(near, foot),
                )
                yield (number, column), corners, on_edge

    def stretch(self, block: Sequence[Vector], walls: Walls) -> tuple[Vector, Vector]:
        """Where it begins and ends along its wall's foot. Raises ExerciseError."""
        wall = self.wall(walls)
        foot, far = block[wall.near_upright[1]], block[wall.far_upright[1]]
        return self._stretch(wall, foot, far, walls.stage)

    def _stretch(
        self, wall: Wall, foot: Vector, far: Vector, stage: Stage
    ) -> tuple[Vector, Vector]:
        """Where it begins and ends along the wall's foot, in eye space."""
        vp = next((p for p in stage.view.level_points if p.name == wall.family), None)
        ends = []
        for name, cut, whole in (("from", self.from_, foot), ("to", self.to, far)):
            if cut is None:
                ends.append(whole)
                continue
            start = Point(*on_paper(foot))
            if vp is None:
                raise stage.refuse(f"parts.{self.id}.{name}", say("refused-panel-cut-in-front"))
            gone = cut.share_by_projection(start, vp.at, stage.view)
            reach = math.dist(on_paper(far), start.xy) / math.dist(vp.at.xy, start.xy)
            if not 0.0 < gone < reach + 1e-9:
                raise stage.refuse(f"parts.{self.id}.{name}", say("refused-panel-beyond"))
            ends.append(plus(foot, eye_space(vp.at, foot[2] * gone / (1.0 - gone))))
        begin, end = ends
        if math.dist(foot, end) <= math.dist(foot, begin) + ON_THE_EDGE_MM:
            raise stage.refuse(f"parts.{self.id}.to", say("refused-panel-order"))
        return begin, end

    def _check(self, row: Row, upright_mm: float, stage: Stage) -> None:
        crown_mm = 0.0 if self.arch is None else self.arch.rise_mm
        if row.head_mm + crown_mm > upright_mm + ON_THE_EDGE_MM:
            raise stage.refuse(
                f"parts.{self.id}.height_mm",
                say(
                    "refused-panel-too-high",
                    panel=Own(self.id),
                    head=Length(row.head_mm + crown_mm),
                    wall=Length(upright_mm),
                ),
            )


def _same(a: Vector, b: Vector) -> bool:
    return math.dist(a, b) < ON_THE_EDGE_MM
