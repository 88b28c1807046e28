"""What is made of a block: a table, a chair, a shelf, each as the cells that are left of it.

Each thing is described as a joiner would: `board` is how thick what lies is, `leg` how thick what
stands. Legs are square, so the same measure is set off to both sides.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import dataclass
from itertools import product

from orthopsis.pieces.shapes.made.cells import ACROSS, AWAY, DOWN, Cell
from orthopsis.pieces.shapes.made.parting import Parting, Tick

Keep = Callable[[int, int, int], bool]


@dataclass(frozen=True)
class Sizes:
    """The measures of a made thing. `seat_mm` is how high it is sat upon; `side` is the way square
    to its back board and whether that stands at its far end.
    """

    high_mm: float
    board_mm: float
    leg_mm: float
    seat_mm: float
    boards: int
    side: tuple[int, bool]


def _cells(across: int, down: int, away: int, keep: Keep) -> frozenset[Cell]:
    every = product(range(across + 1), range(down + 1), range(away + 1))
    return frozenset(cell for cell in every if keep(*cell))


def _legs(sizes: Sizes) -> tuple[Tick, Tick]:
    return Tick("leg_mm", sizes.leg_mm), Tick("leg_mm", sizes.leg_mm, far=True)


def _corner(i: int, k: int) -> bool:
    return i in (0, 2) and k in (0, 2)


def table(sizes: Sizes) -> Parting:
    """A top, and a leg under each of its corners."""
    legs = _legs(sizes)
    filled = _cells(2, 1, 2, lambda i, j, k: j == 0 or _corner(i, k))
    return Parting(legs, (Tick("top_mm", sizes.board_mm),), legs, filled)


def bench(sizes: Sizes) -> Parting:
    """A seat on two boards that stand at its ends."""
    legs = _legs(sizes)
    filled = _cells(2, 1, 0, lambda i, j, k: j == 0 or i != 1)
    return Parting(legs, (Tick("top_mm", sizes.board_mm),), (), filled)


def chair(sizes: Sizes) -> Parting:
    """A table whose back is drawn on upward."""
    way, far = sizes.side
    legs = _legs(sizes)
    seat = Tick("seat_mm", sizes.seat_mm, far=True)
    below = Tick("top_mm", sizes.seat_mm - sizes.board_mm, far=True)

    def keep(i: int, j: int, k: int) -> bool:
        along = (i, j, k)[way]
        return (along == (2 if far else 0)) if j == 0 else (j == 1 or _corner(i, k))

    return Parting(legs, (seat, below), legs, _cells(2, 2, 2, keep))


def shelf(sizes: Sizes) -> Parting:
    """Boards between two sides, closed behind."""
    way, far = sizes.side
    board_mm, high_mm, boards = sizes.board_mm, sizes.high_mm, max(2, sizes.boards)
    between_mm = (high_mm - board_mm) / (boards - 1)
    down = [Tick("top_mm", board_mm)]
    for number in range(1, boards - 1):
        down += [
            Tick("boards", number * between_mm),
            Tick("top_mm", number * between_mm + board_mm),
        ]
    down.append(Tick("top_mm", board_mm, far=True))
    back = Tick("leg_mm", sizes.leg_mm, far=far)
    sides = _legs(sizes)
    across, away = ((back,), sides) if way == ACROSS else (sides, (back,))

    def keep(i: int, j: int, k: int) -> bool:
        behind = (i, j, k)[way] == (1 if far else 0)
        beside = (k if way == ACROSS else i) in (0, 2)
        return j % 2 == 0 or behind or beside

    filled = _cells(len(across), len(down), len(away), keep)
    return Parting(across, tuple(down), away, filled)


def tank(sizes: Sizes) -> Parting:
    """Four walls and a bottom, all equally thick, open above."""
    walls = _legs(sizes)
    bottom = Tick("leg_mm", sizes.leg_mm, far=True)
    filled = _cells(2, 1, 2, lambda i, j, k: j == 1 or (i, k) != (1, 1))
    return Parting(walls, (bottom,), walls, filled)


def book(sizes: Sizes) -> Parting:
    """Two covers and a back; the leaves between them end a little further in."""
    way, far = sizes.side
    margins = _legs(sizes)
    covers = Tick("top_mm", sizes.board_mm), Tick("top_mm", sizes.board_mm, far=True)
    spine = 2 if far else 0

    def keep(i: int, j: int, k: int) -> bool:
        along, beside = (i, k) if way == ACROSS else (k, i)
        return j != 1 or along == spine or (along, beside) == (1, 1)

    return Parting(margins, covers, margins, _cells(2, 2, 2, keep))


def cut(columns: int, rows: int, layers: int, take: Iterable[Cell]) -> Parting:
    """Equal parts, of which some are taken away."""
    gone = set(take)

    def equal(field: str, parts: int) -> tuple[Tick, ...]:
        return tuple(Tick(field, share=number / parts) for number in range(1, parts))

    filled = _cells(columns - 1, rows - 1, layers - 1, lambda *cell: cell not in gone)
    ways = equal("columns", columns), equal("rows", rows), equal("layers", layers)
    return Parting(ways[ACROSS], ways[DOWN], ways[AWAY], filled)


FORMS: dict[str, Callable[[Sizes], Parting]] = {
    "table": table, "stool": table, "bench": bench, "chair": chair, "bed": chair,
    "shelf": shelf, "tank": tank, "book": book,
}  # fmt: skip
