"""The block that a made thing is parted from, in space, and the body of the thing on paper."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

from orthopsis.construction.order import Body, Hull, NearPlace, SeenLine, Shown
from orthopsis.perspective.segments import Portion, at
from orthopsis.perspective.vector import Vector, cross, dot, minus, plus, times
from orthopsis.pieces.shapes.made.cells import WAYS, Knot

Shares = tuple[tuple[float, ...], tuple[float, ...], tuple[float, ...]]
"""Where the planes of each way lie, from 0 to 1."""

ON_FRONT = (0, 1, 3, 4)
"""A block's corners at the start and at the end of each way, on a front; and on an edge."""
ON_EDGE = (1, 0, 2, 5)


@dataclass(frozen=True)
class MadeShown(Shown):
    """`lines` are what shows of each edge, by its number; those of which nothing shows are left
    out.
    """

    lines: Mapping[int, list[Portion]] | None = None


@dataclass(frozen=True, eq=False)
class MadeBody(Body):
    """A made thing on paper; its corners are the knots of its cells in their order."""

    show: Callable[[], MadeShown]
    blocks: tuple[Hull, ...] = ()

    @cached_property
    def shown(self) -> MadeShown:
        return self.show()

    @property
    def parts(self) -> Sequence[Hull]:
        return self.blocks


class Ways(NamedTuple):
    """A block's near corner and its three ways from there."""

    start: Vector
    along: tuple[Vector, Vector, Vector]

    def shares_of(self, place: Vector) -> Vector:
        """How far along each way a place lies."""
        x, y, z = self.along
        way = minus(place, self.start)
        whole = dot(x, cross(y, z))
        return (
            dot(way, cross(y, z)) / whole,
            dot(way, cross(z, x)) / whole,
            dot(way, cross(x, y)) / whole,
        )

    def at(self, knot: Knot, shares: Shares) -> Vector:
        """Where a knot lies, by where the planes of each way do."""
        return self.place([shares[way][knot[way]] for way in WAYS])

    def place(self, shares: Sequence[float]) -> Vector:
        found = self.start
        for way, share in zip(self.along, shares, strict=True):
            found = plus(found, times(way, share))
        return found


def ways_of(corners: Sequence[Vector], *, on_edge: bool) -> Ways:
    start, *ends = (corners[k] for k in (ON_EDGE if on_edge else ON_FRONT))
    across, down, away = (minus(end, start) for end in ends)
    return Ways(start, (across, down, away))


def seen_line(start: NearPlace, end: NearPlace) -> SeenLine:
    """A line between two places."""
    (p, near_p), (q, near_q) = start, end
    return SeenLine((p.xy, q.xy), (near_p, near_q))


def part_of_line(whole: SeenLine, portion: Portion) -> SeenLine:
    """A portion of it."""
    t0, t1 = portion
    return SeenLine(
        (at(whole.segment, t0), at(whole.segment, t1)),
        (whole.nearness_at(t0), whole.nearness_at(t1)),
    )
