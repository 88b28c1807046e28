"""A profile: an outline with holes, on named lines of a face.

Columns are named a, b, c … from the left and rows 1, 2, 3 … from the top, so a corner is written
``b3``. A slanted side runs from one such corner to another, and a corner on it is written by the
slant and what it meets: ``b4d1/3`` on row 3, ``b4d1/c`` on column c, ``b4d1/e4c1`` on a second
slant. A letter, a gable, a stair seen from its side: all are profiles, swept back.
"""

from __future__ import annotations

import math
import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from itertools import pairwise
from typing import NamedTuple

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

    Outlines run clockwise and holes the other way round.
    """

    columns: tuple[float, ...]
    rows: tuple[float, ...]
    loops: tuple[tuple[Corner, ...], ...]

    @classmethod
    def read(cls, columns: Sequence[float], rows: Sequence[float], text: str) -> Profile:
        """A profile from the corners' names: loops parted by ``|``.

        >>> bar = Profile.read([0, 1], [0.25, 0.75], "a1 b1 b2 a2")
        >>> bar.places
        (((0.0, 0.25), (1.0, 0.25), (1.0, 0.75), (0.0, 0.75)),)
        """
        loops = [[_corner(name) for name in loop.split()] for loop in text.split("|")]
        return cls.of_loops(columns, rows, loops)

    @classmethod
    def of_loops(
        cls, columns: Sequence[float], rows: Sequence[float], loops: Sequence[Sequence[Corner]]
    ) -> Profile:
        """A profile whose loops may run either way round."""
        found = cls(tuple(map(float, columns)), tuple(map(float, rows)), tuple(map(tuple, loops)))
        return replace(found, loops=tuple(found._turned(k) for k in range(len(loops))))

    def _turned(self, number: int) -> tuple[Corner, ...]:
        """A loop, clockwise unless it lies within another."""
        loop, places = self.loops[number], self.places[number]
        others = [other for k, other in enumerate(self.places) if k != number]
        hole = inside(places[0], others)
        return loop[::-1] if (_area(places) > 0.0) == hole else loop

    @cached_property
    def places(self) -> tuple[tuple[XY, ...], ...]:
        """Each corner's shares of width and height."""
        return tuple(tuple(self._place(corner) for corner in loop) for loop in self.loops)

    def _place(self, corner: Corner) -> XY:
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
        places = self.places
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
