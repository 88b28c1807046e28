"""Vectors of three numbers, as plain tuples: quick to start with and quick in small drawings."""

from __future__ import annotations

import math
from collections.abc import Sequence
from itertools import pairwise

Vector = tuple[float, float, float]


def plus(a: Vector, b: Vector) -> Vector:
    return a[0] + b[0], a[1] + b[1], a[2] + b[2]


def minus(a: Vector, b: Vector) -> Vector:
    return a[0] - b[0], a[1] - b[1], a[2] - b[2]


def times(a: Vector, factor: float) -> Vector:
    return a[0] * factor, a[1] * factor, a[2] * factor


def dot(a: Vector, b: Vector) -> float:
    return a[0] * b[0] + a[1] * b[1] + a[2] * b[2]


def cross(a: Vector, b: Vector) -> Vector:
    return (
        a[1] * b[2] - a[2] * b[1],
        a[2] * b[0] - a[0] * b[2],
        a[0] * b[1] - a[1] * b[0],
    )


def size(a: Vector) -> float:
    return math.hypot(*a)


def loop_normal(corners: Sequence[Vector]) -> Vector:
    """Perpendicular to a plane loop, of length twice its area, by the side it runs around.

    Source: M. E. Newell's sum over the sides, as in Foley et al., Computer Graphics (from memory).

    >>> loop_normal([(0, 0, 1), (2, 0, 1), (2, 3, 1), (0, 3, 1)])
    (0.0, 0.0, 12.0)
    """
    # Counted from the first corner, so that far away loops lose no digits.
    first = corners[0]
    total = (0.0, 0.0, 0.0)
    for a, b in pairwise(minus(corner, first) for corner in corners[1:]):
        total = plus(total, cross(a, b))
    return total


def seen_part_way(start: Vector, end: Vector, share: float) -> Vector:
    """The place between two whose picture lies a share of the way between theirs on paper."""
    # Even on paper is not even in space: the far end counts for less.
    there = share * start[2] / ((1.0 - share) * end[2] + share * start[2])
    return plus(start, times(minus(end, start), there))
