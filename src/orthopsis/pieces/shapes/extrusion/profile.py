"""A profile: an outline with holes, on named lines of a face.

Columns are named a, b, c … from the left and rows 1, 2, 3 … from the top, so a corner is written
``b3``. A slanted side runs from one such corner to another, and a corner on it is written by the
slant and what it meets: ``b4d1/3`` on row 3, ``b4d1/c`` on column c, ``b4d1/e4c1`` on a second
slant. A curved side is a quarter of an ellipse: ``c1 ~e1 e3`` leaves c1 toward e1 and reaches e3
from there. A letter, a gable, a stair seen from its side: all are profiles, swept back.
"""

from __future__ import annotations

import math
import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property
from itertools import pairwise
from typing import NamedTuple

from orthopsis.perspective.area import Area, quarter_between
from orthopsis.perspective.plane import Line, Point, join, meet
from orthopsis.perspective.segments import XY, inside

Crossing = tuple[int, int]
"""A column and a row, counted from 0."""


class Slant(NamedTuple):
    """A slanted line of the face, through two crossings of columns and rows."""

    start: Crossing
    end: Crossing


GridLine = int | Slant


class Corner(NamedTuple):
    """Where two lines of the face cross: its column or a slant, and its row or a slant."""

    across: GridLine
    down: GridLine

    @property
    def column(self) -> int | None:
        return self.across if isinstance(self.across, int) else None

    @property
    def row(self) -> int | None:
        return self.down if isinstance(self.down, int) else None


Quad = tuple[XY, XY, XY, XY]


@dataclass(frozen=True)
class Profile:
    """Loops of corners, and where the columns and rows lie: shares of the face's width from its
    left side and of its height from its top.

    Outlines run clockwise and holes the other way round. `bends` has the corner that a curved side
    turns around, by its loop and the number of the corner it starts from.
    """

    columns: tuple[float, ...]
    rows: tuple[float, ...]
    loops: tuple[tuple[Corner, ...], ...]
    bends: Mapping[tuple[int, int], Corner] = field(default_factory=dict)

    @classmethod
    def read(cls, columns: Sequence[float], rows: Sequence[float], text: str) -> Profile:
        """A profile from the corners' names: loops parted by ``|``.

        >>> bar = Profile.read([0, 1], [0.25, 0.75], "a1 b1 b2 a2")
        >>> bar.places
        (((0.0, 0.25), (1.0, 0.25), (1.0, 0.75), (0.0, 0.75)),)
        """
        loops: list[list[Corner]] = []
        bends: dict[tuple[int, int], Corner] = {}
        for i, loop in enumerate(text.split("|")):
            loops.append([])
            for name in loop.split():
                if name.startswith("~"):
                    bends[i, len(loops[i]) - 1] = _corner(name[1:])
                else:
                    loops[i].append(_corner(name))
        return cls.of_loops(columns, rows, loops, bends)

    @classmethod
    def of_loops(
        cls,
        columns: Sequence[float],
        rows: Sequence[float],
        loops: Sequence[Sequence[Corner]],
        bends: Mapping[tuple[int, int], Corner] | None = None,
    ) -> Profile:
        """A profile whose loops may run either way round."""
        given = tuple(map(tuple, loops))
        found = cls(tuple(map(float, columns)), tuple(map(float, rows)), given, bends or {})
        turned = [found._runs_wrong(i) for i in range(len(given))]
        return replace(
            found,
            loops=tuple(loop[::-1] if turned[i] else loop for i, loop in enumerate(given)),
            bends={
                (i, (len(given[i]) - 2 - k) % len(given[i]) if turned[i] else k): corner
                for (i, k), corner in found.bends.items()
            },
        )

    def _runs_wrong(self, number: int) -> bool:
        """Whether a loop runs the other way: clockwise is right unless it lies within another."""
        places = self.control_places
        others = [other for k, other in enumerate(places) if k != number]
        hole = inside(self.places[number][0], others)
        return (_area(places[number]) > 0.0) == hole

    @cached_property
    def places(self) -> tuple[tuple[XY, ...], ...]:
        """Each corner's shares of width and height."""
        return tuple(tuple(self.place(corner) for corner in loop) for loop in self.loops)

    @cached_property
    def control_places(self) -> tuple[tuple[XY, ...], ...]:
        """The same with the corners that curved sides turn around."""
        found = []
        for i, loop in enumerate(self.places):
            around: list[XY] = []
            for k, place in enumerate(loop):
                around.append(place)
                if (i, k) in self.bends:
                    around.append(self.place(self.bends[i, k]))
            found.append(tuple(around))
        return tuple(found)

    def area(self, width: float = 1.0, height: float = 1.0) -> Area:
        """The profile on a face of some size."""

        def sized(place: XY) -> XY:
            return place[0] * width, place[1] * height

        loops = tuple(tuple(map(sized, loop)) for loop in self.places)
        bends = {
            (i, k): quarter_between(
                loops[i][k], sized(self.place(corner)), loops[i][(k + 1) % len(loops[i])]
            )
            for (i, k), corner in self.bends.items()
        }
        return Area(loops, bends)

    def place(self, corner: Corner) -> XY:
        return meet(self._line(corner.across, 0), self._line(corner.down, 1)).xy

    def _line(self, line: GridLine, way: int) -> Line:
        if isinstance(line, Slant):
            return join(Point(*self.crossing(line.start)), Point(*self.crossing(line.end)))
        return Line(1.0, 0.0, -self.columns[line]) if way == 0 else Line(0.0, 1.0, -self.rows[line])

    def crossing(self, at: Crossing) -> XY:
        """Shares of width and height where a column and a row cross."""
        return self.columns[at[0]], self.rows[at[1]]

    @property
    def sides(self) -> Iterator[tuple[int, int]]:
        """The sides as pairs of corner numbers, counted through all loops."""
        first = 0
        for loop in self.loops:
            last = first + len(loop)
            yield from pairwise((*range(first, last), first))
            first = last

    @cached_property
    def bend_of(self) -> dict[tuple[int, int], Corner]:
        """The corner that a side turns around, by the side."""
        first = 0
        found = {}
        for i, loop in enumerate(self.loops):
            for k in range(len(loop)):
                if (i, k) in self.bends:
                    found[first + k, first + (k + 1) % len(loop)] = self.bends[i, k]
            first += len(loop)
        return found

    @cached_property
    def smooth(self) -> list[int]:
        """Numbers of the corners where one side goes over into the next without a corner."""
        found, first = [], 0
        for i, loop in enumerate(self.control_places):
            count = len(self.places[i])
            for k, place in enumerate(self.places[i]):
                at = loop.index(place)
                (ax, ay), (bx, by) = loop[at - 1], loop[(at + 1) % len(loop)]
                ways = (place[0] - ax, place[1] - ay), (bx - place[0], by - place[1])
                turn = ways[0][0] * ways[1][1] - ways[0][1] * ways[1][0]
                curved = (i, k) in self.bends or (i, (k - 1) % count) in self.bends
                if curved and abs(turn) < 1e-9:
                    found.append(first + k)
            first += count
        return found

    def through(self, side: tuple[int, int]) -> XY:
        """A place of a curved side: four fifths and three fifths from its middle along its axes."""
        start, end = (self.place(self.corners[k]) for k in side)
        x, y = self.place(self.bend_of[side])
        middle = start[0] + end[0] - x, start[1] + end[1] - y
        (au, av), (bu, bv) = ((p[0] - middle[0], p[1] - middle[1]) for p in (start, end))
        return middle[0] + 0.8 * au + 0.6 * bu, middle[1] + 0.8 * av + 0.6 * bv

    @cached_property
    def corners(self) -> tuple[Corner, ...]:
        """The corners of all loops."""
        return tuple(corner for loop in self.loops for corner in loop)

    def direction(self, side: tuple[int, int]) -> str:
        """Whether a side lies along a ``row``, along a ``column``, or is ``slanted``."""
        a, b = (self.corners[k] for k in side)
        if a.row is not None and a.row == b.row:
            return "row"
        return "column" if a.column is not None and a.column == b.column else "slanted"

    def within(self, left: float, right: float) -> Profile:
        """The same profile on a part of a wider face, from one share of its width to another."""
        return replace(self, columns=tuple(left + c * (right - left) for c in self.columns))

    @cached_property
    def cells(self) -> list[Quad]:
        """Convex parts that make up the whole: between the levels of the corners, trapeziums."""
        # Where a curve bulges out its corner stands for it, where it bulges in its chord.
        places = [
            tuple(p for k, p in enumerate(loop) if p in self.places[i] or _turns_out(loop, k))
            for i, loop in enumerate(self.control_places)
        ]
        levels = sorted({v for loop in places for _, v in loop})
        sides = [side for loop in places for side in pairwise((*loop, loop[0]))]
        found: list[Quad] = []
        for top, bottom in pairwise(levels):
            middle = (top + bottom) / 2
            if bottom - top < 1e-9:
                continue
            across = sorted(
                (_along(side, middle), _along(side, top), _along(side, bottom))
                for side in sides
                if min(side[0][1], side[1][1]) < middle < max(side[0][1], side[1][1])
            )
            for (_, a, d), (_, b, c) in zip(across[::2], across[1::2], strict=True):
                found.append(((a, top), (b, top), (c, bottom), (d, bottom)))
        return found


def _turns_out(loop: Sequence[XY], k: int) -> bool:
    """Whether a loop that runs clockwise turns clockwise at a corner."""
    (ax, ay), (bx, by), (cx, cy) = loop[k - 1], loop[k], loop[(k + 1) % len(loop)]
    return (bx - ax) * (cy - by) - (by - ay) * (cx - bx) > 0.0


def _along(side: tuple[XY, XY], v: float) -> float:
    """Where a side is on a level."""
    (u0, v0), (u1, v1) = side
    return u0 + (u1 - u0) * (v - v0) / (v1 - v0)


def _area(loop: Sequence[XY]) -> float:
    """Twice the area, positive clockwise as v runs down."""
    return math.fsum(u0 * v1 - v0 * u1 for (u0, v0), (u1, v1) in pairwise((*loop, loop[0])))


_NAME = re.compile(r"([a-z])(\d+)")


def _corner(name: str) -> Corner:
    slant, _, on = name.partition("/")
    if not on:
        column, row = _crossing(name)
        return Corner(column, row)
    if on.isdigit():
        return Corner(_slant(slant), int(on) - 1)
    return Corner(ord(on) - ord("a") if len(on) == 1 else _slant(on), _slant(slant))


def _slant(text: str) -> Slant:
    start, end = (_crossing(letter + digits) for letter, digits in _NAME.findall(text))
    return Slant(start, end)


def _crossing(name: str) -> Crossing:
    found = _NAME.fullmatch(name)
    if found is None:
        raise ValueError(f"'{name}' is no corner; write a column and a row, as b3")
    return ord(found[1]) - ord("a"), int(found[2]) - 1
