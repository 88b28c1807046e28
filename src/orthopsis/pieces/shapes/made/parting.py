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

    def of(self, whole_mm: float) -> float:
        """How much of a whole is gone at it."""
        if self.share is not None:
            return self.share
        return 1.0 - self.mm / whole_mm if self.far else self.mm / whole_mm


@dataclass(frozen=True)
class Parting:
    """The planes within a block along its three ways, and the cells that are left."""

    across: tuple[Tick, ...]
    down: tuple[Tick, ...]
    away: tuple[Tick, ...]
    filled: frozenset[Cell]

    @property
    def ways(self) -> tuple[tuple[Tick, ...], ...]:
        return self.across, self.down, self.away

    @property
    def last(self) -> Cell:
        """The numbers of the block's last planes."""
        return len(self.across) + 1, len(self.down) + 1, len(self.away) + 1


LEAST_SHARE = 1e-4
"""Two planes that lie nearer to one another leave nothing between them."""


def no_room(ticks: Sequence[Tick], shares: Sequence[float]) -> Iterator[Tick]:
    """The planes that leave nothing between them and the one before; the first of them counts."""
    before = 0.0
    for tick, share in zip((*ticks, None), (*shares, 1.0), strict=True):
        if share - before < LEAST_SHARE:
            yield tick or ticks[-1]
        before = share


WHOLE_BLOCK = Parting((), (), (), frozenset({(0, 0, 0)}))
"""A block of which nothing is taken away."""
