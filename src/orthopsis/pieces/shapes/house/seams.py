"""Where two houses lie flush: faces in one plane are one face, and no line stays between them.

A line of space is told by places that can be parted evenly, in eye space or on paper.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import replace
from itertools import pairwise
from typing import NamedTuple

from orthopsis.perspective.segments import Portion
from orthopsis.perspective.vector import Vector, cross, dot, loop_normal, minus, plus, size, times
from orthopsis.picture.solid import Edge, Shape, Solid

FLUSH = 1e-7
"""As a share of their size, faces so far apart lie in one plane."""
DEPTH_MM = 100.0
"""Brings a place's depth, of the size of 1, to the size of the other two numbers."""

BARELY = 1e-5
"""A smaller share of an edge is no line."""


class Seam(NamedTuple):
    """A line of space that two faces share."""

    start: Vector
    end: Vector


Faces = Sequence[Sequence[int]]


def seams(
    faces: Faces, places: Sequence[Vector], others: Faces, their_places: Sequence[Vector]
) -> Iterator[Seam]:
    """The lines along which convex faces of two houses go on in one another."""
    own = [[_scaled(places[k]) for k in face] for face in faces]
    theirs = [[_scaled(their_places[k]) for k in face] for face in others]
    for face in own:
        normal = loop_normal(face)
        unit = times(normal, 1.0 / size(normal))
        reach = math.sqrt(size(normal))
        for other in theirs:
            if not _one_plane(face, unit, reach, other):
                continue
            for a, b in pairwise((*face, face[0])):
                outward = _outward(face, unit, a, b)
                if max(dot(outward, minus(one, a)) for one in other) < FLUSH * reach:
                    continue
                shared = _within(other, loop_normal(other), a, b)
                if shared is not None:
                    way = minus(b, a)
                    ends = (plus(a, times(way, share)) for share in shared)
                    yield Seam(*(_unscaled(end) for end in ends))


def unseamed(solid: Solid, gone: Sequence[Seam]) -> Solid:
    """The same without the lines that lie on seams."""
    if not gone:
        return solid
    vertices, edges = list(solid.vertices), list[Edge]()
    for edge in solid.edges:
        ends = solid.vertices[edge.start], solid.vertices[edge.end]
        rest = left_of(*ends, gone)
        if rest == [ends]:
            edges.append(edge)
            continue
        for places in rest:
            edges.append(replace(edge, start=len(vertices), end=len(vertices) + 1))
            vertices += places
    return replace(solid, vertices=tuple(vertices), shape=Shape(solid.faces, tuple(edges)))


def left_of(start: Vector, end: Vector, gone: Sequence[Seam]) -> list[tuple[Vector, Vector]]:
    """What is left of an edge where seams lie on it."""
    way = minus(end, start)
    long = dot(way, way)
    covered: list[Portion] = []
    for seam in gone:
        off = (cross(way, minus(one, start)) for one in seam)
        if max(size(one) for one in off) > 1e-6 * long:
            continue
        first, last = sorted(dot(way, minus(one, start)) / long for one in seam)
        if last - first > BARELY:
            covered.append((first, last))
    if not covered:
        return [(start, end)]
    found, reached = list[tuple[Vector, Vector]](), 0.0
    for first, last in [*sorted(covered), (1.0, 1.0)]:
        if first - reached > BARELY:
            found.append((plus(start, times(way, reached)), plus(start, times(way, first))))
        reached = max(reached, last)
    return found


def _one_plane(face: Sequence[Vector], unit: Vector, reach: float, other: Sequence[Vector]) -> bool:
    """Whether another face lies in the plane of the first and faces the same way."""
    off = max(abs(dot(unit, minus(one, face[0]))) for one in other)
    return off < FLUSH * reach * 10 and dot(unit, loop_normal(other)) > 0.0


def _outward(face: Sequence[Vector], unit: Vector, a: Vector, b: Vector) -> Vector:
    """In the plane of a face, square to its side from a to b, away from it."""
    square = cross(unit, minus(b, a))
    inside = sum(dot(square, minus(one, a)) for one in face)
    square = times(square, 1.0 / size(square))
    return times(square, -1.0) if inside > 0.0 else square


def _within(face: Sequence[Vector], normal: Vector, a: Vector, b: Vector) -> Portion | None:
    """The shares of a line between which it lies in a convex face or on its border."""
    way, low, high = minus(b, a), 0.0, 1.0
    limit = FLUSH * math.sqrt(size(normal))
    for p, q in pairwise((*face, face[0])):
        outward = _outward(face, normal, p, q)
        start, rise = dot(outward, minus(a, p)), dot(outward, way)
        if abs(rise) <= limit:
            if start > limit:
                return None
        elif rise > 0.0:
            high = min(high, -start / rise)
        else:
            low = max(low, -start / rise)
    return (low, high) if high - low > 1e-6 else None


def _scaled(place: Vector) -> Vector:
    x, y, depth = place
    return x, y, depth * DEPTH_MM


def _unscaled(place: Vector) -> Vector:
    x, y, depth = place
    return x, y, depth / DEPTH_MM
