"""Cells of a block: faces and edges of what is left, against squares counted one by one."""

from __future__ import annotations

import random
from collections import Counter
from itertools import product

import pytest

from orthopsis.pieces.shapes.made.cells import (
    WAYS,
    merged_cells,
    outer_squares,
    solid_blocks,
)

EVERY = list(product(range(3), range(3), range(3)))


def some_cells(seed):
    rng = random.Random(seed)
    return frozenset(rng.sample(EVERY, rng.randint(1, 20)))


def beside(cell, way, by):
    return tuple(n + by * (axis == way) for axis, n in enumerate(cell))


def outer(filled):
    """Every outer square of a cell: its way, its plane, the side it looks to, and its place."""
    for cell, way, by in product(filled, WAYS, (-1, 1)):
        if beside(cell, way, by) not in filled:
            rest = tuple(n for axis, n in enumerate(cell) if axis != way)
            yield way, cell[way] + (by > 0), by > 0, rest


def area(loop, way):
    """Twice the area of a loop in its plane, by the side that it runs around."""
    flat = [tuple(n for axis, n in enumerate(knot) if axis != way) for knot in loop]
    return sum(a[0] * b[1] - b[0] * a[1] for a, b in zip(flat, (*flat[1:], flat[0]), strict=True))


@pytest.mark.parametrize("seed", range(40))
def test_faces_cover_each_outer_square_once(seed):
    filled = some_cells(seed)
    squares = Counter((way, plane, along) for way, plane, along, _ in outer(filled))
    cells = merged_cells(filled)
    found = {}
    for face in cells.faces:
        (plane,) = {knot[face.way] for loop in face.loops for knot in loop}
        assert (face.way, plane, face.along) not in found, "what lies in one plane is one face"
        # Outlines run one way round and holes the other, so their areas add up.
        found[face.way, plane, face.along] = (
            abs(sum(area(loop, face.way) for loop in face.loops)) / 2
        )
    assert found == dict(squares)


@pytest.mark.parametrize("seed", range(40))
def test_edges_lie_where_faces_meet_at_a_right_angle_and_nowhere_else(seed):
    filled = some_cells(seed)
    cells = merged_cells(filled)
    drawn = Counter()
    for edge in cells.edges:
        one, other = (cells.faces[k] for k in edge.faces)
        assert one.way != other.way and edge.way not in (one.way, other.way)
        for at in range(edge.start[edge.way], edge.end[edge.way]):
            drawn[edge.way, at, tuple(n for a, n in enumerate(edge.start) if a != edge.way)] += 1
    for way, at in product(WAYS, range(3)):
        for corner in product(range(4), range(4)):
            around = [
                tuple(at if axis == way else next(rest) for axis in WAYS) in filled
                for rest in (iter((corner[0] - 1 + i, corner[1] - 1 + j)) for i, j in QUARTERS)
            ]
            flat = around[0] == around[1] and around[2] == around[3]
            flat |= around[0] == around[3] and around[1] == around[2]
            touching = around in ([True, False, True, False], [False, True, False, True])
            expected = 2 if touching else int(not flat)
            assert drawn[way, at, corner] == expected, (way, at, corner)


QUARTERS = ((0, 0), (1, 0), (1, 1), (0, 1))
"""The four cells round a line, one after the other."""


@pytest.mark.parametrize("seed", range(25))
def test_blocks_hold_every_cell_once(seed):
    filled = some_cells(seed)
    held = Counter(
        cell
        for first, last in solid_blocks(filled)
        for cell in product(*(range(a, b + 1) for a, b in zip(first, last, strict=True)))
    )
    assert held == Counter(filled)


@pytest.mark.parametrize("seed", range(25))
def test_the_squares_of_each_cell_are_its_outer_ones(seed):
    filled = some_cells(seed)
    told = Counter(
        (face.way, face.loops[0][0][face.way], face.along)
        for cell in filled
        for face in outer_squares(cell, filled)
    )
    assert told == Counter((way, plane, along) for way, plane, along, _ in outer(filled))


def test_a_frame_has_a_hole_and_two_posts_share_a_sole():
    frame = frozenset(cell for cell in product(range(3), range(3), range(1)) if cell[:2] != (1, 1))
    front = [face for face in merged_cells(frame).faces if face.way == 2]
    assert [len(face.loops) for face in front] == [2, 2]
    posts = frozenset({(0, 0, 0), (2, 0, 0)})
    soles = [face for face in merged_cells(posts).faces if face.way == 1 and face.along]
    assert [len(face.loops) for face in soles] == [2]


def test_two_cells_that_touch_along_a_line_have_two_edges_there():
    cells = merged_cells(frozenset({(0, 0, 0), (1, 1, 0)}))
    along = [edge for edge in cells.edges if edge.way == 2 and edge.start == (1, 1, 0)]
    assert len(along) == 2
    assert len({frozenset(edge.faces) for edge in along}) == 2
