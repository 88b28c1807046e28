"""A block parted into cells, some of which are taken away: the faces and edges of what is left.

Nothing here knows where the block stands. Places are counted along its three ways: `across`, down
from the top, and away. What lies in one plane and faces the same way is one face, and no line
shows where two cells of the thing touch.
"""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Collection, Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import pairwise, product
from typing import NamedTuple

Cell = tuple[int, int, int]
"""Its number across, down and away."""
Knot = tuple[int, int, int]
"""Where lines of the parting cross: the number of the plane across, down and away."""
ACROSS, DOWN, AWAY = 0, 1, 2
WAYS = (ACROSS, DOWN, AWAY)


class CellFace(NamedTuple):
    """A face: the way it is square to, whether it looks along that way or back, and its loops."""

    way: int
    along: bool
    loops: tuple[tuple[Knot, ...], ...]


class CellEdge(NamedTuple):
    """An edge: the way that it runs, its ends, and the numbers of the two faces that it bounds."""

    way: int
    start: Knot
    end: Knot
    faces: tuple[int, int]


@dataclass(frozen=True)
class Cells:
    """What is left of a block: its faces and edges."""

    faces: tuple[CellFace, ...]
    edges: tuple[CellEdge, ...]

    @property
    def knots(self) -> list[Knot]:
        """The corners of all faces and the ends of all edges, in order."""
        found = {knot for face in self.faces for loop in face.loops for knot in loop}
        found |= {knot for edge in self.edges for knot in (edge.start, edge.end)}
        return sorted(found)


@lru_cache(maxsize=256)
def merged_cells(filled: frozenset[Cell]) -> Cells:
    """The faces and edges of some cells as one thing without seams.

    A table has eleven faces: a top, an underside, four sides, one for all four soles, and four for
    what its legs turn to each other.

    >>> legs = {(i, 1, k) for i in (0, 2) for k in (0, 2)}
    >>> len(merged_cells(frozenset(legs | {(i, 0, k) for i in range(3) for k in range(3)})).faces)
    11
    """
    squares: dict[tuple[int, int, bool], set[tuple[int, int]]] = defaultdict(set)
    for cell in filled:
        for way, along in product(WAYS, (False, True)):
            if _moved(cell, way, 1 if along else -1) not in filled:
                plane = cell[way] + along
                squares[way, plane, along].add(_without(cell, way))
    planes = sorted(squares)
    number = {plane: k for k, plane in enumerate(planes)}
    faces = tuple(
        CellFace(way, along, tuple(_loops(squares[way, plane, along], way, plane)))
        for way, plane, along in planes
    )
    return Cells(faces, tuple(_edges(filled, number)))


def outer_squares(cell: Cell, filled: Collection[Cell]) -> Iterator[CellFace]:
    """The faces of one cell that no other cell touches."""
    for way, along in product(WAYS, (False, True)):
        if _moved(cell, way, 1 if along else -1) not in filled:
            a, b = _without(cell, way)
            around = (a, b), (a + 1, b), (a + 1, b + 1), (a, b + 1)
            plane = cell[way] + along
            yield CellFace(way, along, (tuple(_with(corner, way, plane) for corner in around),))


def solid_blocks(filled: Collection[Cell]) -> list[tuple[Cell, Cell]]:
    """The cells gathered into few whole blocks, each by its first cell and its last."""
    left, found = set(filled), list[tuple[Cell, Cell]]()
    for first in sorted(filled):
        if first not in left:
            continue
        last = first
        for way in WAYS:
            while True:
                wider = _moved(last, way, 1)
                slab = {c for c in _between(first, wider) if c[way] == wider[way]}
                if not slab <= left:
                    break
                last = wider
        left -= set(_between(first, last))
        found.append((first, last))
    return found


def _between(first: Cell, last: Cell) -> Iterator[Cell]:
    ways = (range(a, b + 1) for a, b in zip(first, last, strict=True))
    yield from product(*ways)


def _moved(cell: Cell, way: int, by: int) -> Cell:
    i, j, k = (n + by * (axis == way) for axis, n in enumerate(cell))
    return i, j, k


def _without(knot: Sequence[int], way: int) -> tuple[int, int]:
    a, b = (n for axis, n in enumerate(knot) if axis != way)
    return a, b


def _with(pair: tuple[int, int], way: int, plane: int) -> Knot:
    rest = iter(pair)
    i, j, k = (plane if axis == way else next(rest) for axis in WAYS)
    return i, j, k


# --- faces -----------------------------------------------------------------------------------


def _loops(squares: set[tuple[int, int]], way: int, plane: int) -> Iterator[tuple[Knot, ...]]:
    """The borders of some squares of a plane; all run with the squares on the same hand."""
    steps: dict[tuple[int, int], list[tuple[int, int]]] = defaultdict(list)
    for a, b in squares:
        corners = ((a, b), (a + 1, b), (a + 1, b + 1), (a, b + 1))
        beside = ((a, b - 1), (a + 1, b), (a, b + 1), (a - 1, b))
        for k, other in enumerate(beside):
            if other not in squares:
                steps[corners[k]].append(corners[(k + 1) % 4])
    while steps:
        start = min(steps)
        loop = [start]
        while True:
            here = loop[-1]
            choices = steps[here]
            # Where two squares touch at a corner only, each keeps its own border.
            onward = choices[0] if len(choices) == 1 else _sharpest(loop, choices)
            choices.remove(onward)
            if not choices:
                del steps[here]
            if onward == start:
                break
            loop.append(onward)
        yield tuple(_with(corner, way, plane) for corner in _turning(loop))


def _sharpest(
    loop: Sequence[tuple[int, int]], choices: Sequence[tuple[int, int]]
) -> tuple[int, int]:
    if len(loop) < 2:
        return choices[0]
    (px, py), (x, y) = loop[-2:]
    return max(choices, key=lambda c: (x - px) * (c[1] - y) - (y - py) * (c[0] - x))


def _turning(loop: Sequence[tuple[int, int]]) -> list[tuple[int, int]]:
    """The corners of a loop where it turns."""
    count = len(loop)
    found = []
    for k, (x, y) in enumerate(loop):
        (px, py), (qx, qy) = loop[k - 1], loop[(k + 1) % count]
        if (x - px) * (qy - y) != (y - py) * (qx - x):
            found.append((x, y))
    return found


# --- edges -----------------------------------------------------------------------------------


def _edges(
    filled: frozenset[Cell], number: Mapping[tuple[int, int, bool], int]
) -> Iterator[CellEdge]:
    """Every line in which two faces meet, each as long as it bounds the same two."""
    for way in WAYS:
        rows: dict[tuple[int, int], dict[int, list[tuple[int, int]]]] = defaultdict(dict)
        for cell in filled:
            a, b = _without(cell, way)
            for corner in product((a, a + 1), (b, b + 1)):
                pairs = _meeting(filled, way, cell[way], corner, number)
                if pairs:
                    rows[corner][cell[way]] = pairs
        for corner, along in sorted(rows.items()):
            yield from _runs(way, corner, along)


def _runs(
    way: int, corner: tuple[int, int], along: Mapping[int, list[tuple[int, int]]]
) -> Iterator[CellEdge]:
    places = sorted(along)
    start = places[0]
    for here, after in pairwise([*places, places[-1] + 2]):
        if after == here + 1 and along[after] == along[here]:
            continue
        for pair in along[here]:
            yield CellEdge(way, _with(corner, way, start), _with(corner, way, here + 1), pair)
        start = after


def _meeting(
    filled: frozenset[Cell],
    way: int,
    place: int,
    corner: tuple[int, int],
    number: Mapping[tuple[int, int, bool], int],
) -> list[tuple[int, int]]:
    """The pairs of faces that meet in a line of one cell's length: none where it lies in a face."""
    first, second = (axis for axis in WAYS if axis != way)
    a, b = corner
    there = {
        (da, db): _with((a - 1 + da, b - 1 + db), way, place) in filled
        for da in (0, 1)
        for db in (0, 1)
    }
    # Faces square to the first way lie in the plane `a`, on either side of the line; and so on.
    beside: list[tuple[int, int, int]] = []
    for db in (0, 1):
        if there[0, db] != there[1, db]:
            beside.append((number[first, a, there[0, db]], 0 if there[0, db] else 1, db))
    across: list[tuple[int, int, int]] = []
    for da in (0, 1):
        if there[da, 0] != there[da, 1]:
            across.append((number[second, b, there[da, 0]], da, 0 if there[da, 0] else 1))
    if not beside or not across:
        return []
    if len(beside) == len(across) == 1:
        return [(beside[0][0], across[0][0])]
    # Two cells that touch along the line only: two faces of each meet there.
    return sorted(
        (one, other) for one, *of_one in beside for other, *of_other in across if of_one == of_other
    )
