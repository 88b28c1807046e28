"""Where a block is parted: planes across, down and away, each by how it is found on paper."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import NamedTuple

from orthopsis.pieces.shapes.made.cells import Cell


class Tick(NamedTuple):
    """A plane of the parting, so far from the near end of its way, or from its `far` end.

    Lengths are those of the near upright and of the front, in the sheet's mm, or a `share` of the
    whole. `field` is the field of the document that says so.
    """

    field: str
    mm: float = 0.0
    far: bool = False
    share: float | None = None
    of_other: bool = False
    """Whether the share is one of the other level way's whole."""

    def of(self, whole_mm: float) -> float:
        """How much of a whole is gone at it."""
        if self.share is not None:
            return self.share
        return 1.0 - self.mm / whole_mm if self.far else self.mm / whole_mm


Ticks = tuple[tuple[Tick, ...], tuple[Tick, ...], tuple[Tick, ...]]


@dataclass(frozen=True)
class Parting:
    """The planes within a block along its three ways, and the cells that are left."""

    across: tuple[Tick, ...]
    down: tuple[Tick, ...]
    away: tuple[Tick, ...]
    filled: frozenset[Cell]
    before: Ticks = ((), (), ())
    """Planes before the block, so far from its near end, the furthest first; and behind it, so far
    from its far end, the nearest first.
    """
    behind: Ticks = ((), (), ())

    @property
    def ways(self) -> tuple[tuple[Tick, ...], ...]:
        return self.across, self.down, self.away

    @property
    def first(self) -> Cell:
        """The numbers of the planes in which the block begins."""
        a, b, c = (len(ticks) for ticks in self.before)
        return a, b, c

    @property
    def end(self) -> Cell:
        """The numbers of those in which it ends."""
        a, b, c = (n + len(ticks) + 1 for n, ticks in zip(self.first, self.ways, strict=True))
        return a, b, c

    @property
    def last(self) -> Cell:
        """The numbers of the last planes of all."""
        a, b, c = (n + len(ticks) for n, ticks in zip(self.end, self.behind, strict=True))
        return a, b, c

    def corner(self, far: Cell) -> Cell:
        """A corner of the block, by whether it lies at the far end of each way."""
        a, b, c = (
            end if beyond else start
            for start, end, beyond in zip(self.first, self.end, far, strict=True)
        )
        return a, b, c


LEAST_SHARE = 1e-4
"""Two planes that lie nearer to one another leave nothing between them."""


def no_room(ticks: Sequence[Tick], shares: Sequence[float]) -> Iterator[Tick]:
    """The planes of a way that leave nothing between them and the one before; `shares` are those
    of all, the ends of the block included, and `ticks` those that have one.
    """
    for before, share, tick in zip(shares, shares[1:], (*ticks, ticks[-1]), strict=False):
        if share - before < LEAST_SHARE:
            yield tick


WHOLE_BLOCK = Parting((), (), (), frozenset({(0, 0, 0)}))
"""A block of which nothing is taken away."""
