"""Solids in eye space, and the prism: an outline swept along one direction.

A box is a rectangle swept to a vanishing point, a block letter an outline with holes; both are
prisms, and a prism is all that a piece has to name.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import cached_property, lru_cache
from itertools import pairwise
from typing import NamedTuple, Protocol

from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector, dot, loop_normal, plus, times
from orthopsis.perspective.view import FREE

NO_FACE = -1
"""Where a line bounds no face."""


@dataclass(frozen=True)
class Edge:
    """Two vertex numbers, the family of the line between them, and the two faces it bounds."""

    start: int
    end: int
    family: str
    faces: tuple[int, int]
    by_hand: bool = False
    """Whether it is a short part of a line that is drawn by hand."""


@dataclass(frozen=True)
class Face:
    """A plane face: loops of vertex numbers, the first its outline, the others holes."""

    loops: tuple[tuple[int, ...], ...]


@dataclass(frozen=True, eq=False)
class Shape:
    """How faces and edges hang together, whatever the places of the vertices."""

    faces: tuple[Face, ...]
    edges: tuple[Edge, ...]

    @cached_property
    def numbers(self) -> ShapeNumbers:
        """The same as bare numbers."""
        loops = [loop for face in self.faces for loop in face.loops]
        return ShapeNumbers(
            loops_of_faces=[len(face.loops) for face in self.faces],
            points_of_loops=[len(loop) for loop in loops],
            points=[k for loop in loops for k in loop],
            edges=[n for edge in self.edges for n in (edge.start, edge.end, *edge.faces)],
        )


class ShapeNumbers(NamedTuple):
    """Counts and numbers of a shape, in its own order; `edges` are two vertices and two faces."""

    loops_of_faces: list[int]
    points_of_loops: list[int]
    points: list[int]
    edges: list[int]


@dataclass(frozen=True)
class Solid:
    """A closed solid of one piece; `vertices` are places in eye space.

    Faces run around so that their normals point out. A transparent solid hides nothing and
    shows all its edges. Two floating solids are not compared by depth, the one listed first hides
    the other whole; unless they are parts of one piece, as the letters of a word.
    """

    part: Part
    vertices: tuple[Vector, ...]
    shape: Shape
    transparent: bool = False
    floating: bool = False

    @property
    def faces(self) -> tuple[Face, ...]:
        return self.shape.faces

    @property
    def edges(self) -> tuple[Edge, ...]:
        return self.shape.edges


class Stands(Protocol):
    """What stands or floats, alone or in a group."""

    @property
    def part(self) -> Part: ...
    @property
    def floating(self) -> bool: ...


def by_list(one: Stands, other: Stands) -> bool:
    """Whether two float apart, so that the one listed first hides the other whole."""
    return one.floating and other.floating and one.part.piece != other.part.piece


Families = tuple[tuple[str, ...], ...]


def prism(
    part: Part,
    loops: Sequence[Sequence[Vector]],
    loop_families: Sequence[Sequence[str]],
    sweep: Vector,
    sweep_family: str,
    *,
    transparent: bool = False,
    floating: bool = False,
) -> Solid:
    """Sweep a plane outline along `sweep`, a vector of eye space.

    ``loop_families[i][k]`` is the family of the side from corner k to the next of loop i.
    The first loop may run either way round; holes run the other way, further outlines the same.
    """
    corners, families = [], []
    # The outline faces against the sweep.
    wrong = dot(loop_normal(loops[0]), sweep) > 0.0
    for loop, named in zip(loops, loop_families, strict=True):
        corners.append(loop[::-1] if wrong else loop)
        families.append((*named[-2::-1], named[-1]) if wrong else tuple(named))
    front = [corner for loop in corners for corner in loop]
    vertices = (*front, *[plus(corner, sweep) for corner in front])
    shape = _prism_shape(tuple(families), sweep_family)
    return Solid(part, vertices, shape, transparent, floating)


@lru_cache(maxsize=256)
def _prism_shape(families: Families, sweep_family: str) -> Shape:
    """Faces and edges of a prism: both ends, and a side for each corner of the outline."""
    n = sum(len(named) for named in families)
    near: list[tuple[int, ...]] = []
    for named in families:
        first = sum(len(loop) for loop in near)
        near.append(tuple(range(first, first + len(named))))
    far = tuple(tuple(n + k for k in reversed(loop)) for loop in near)
    faces = [Face(tuple(near)), Face(far)]
    edges: list[Edge] = []
    for loop, named in zip(near, families, strict=True):
        first_side = len(faces)
        for i, (a, family) in enumerate(zip(loop, named, strict=True)):
            b = loop[(i + 1) % len(loop)]
            side, side_before = first_side + i, first_side + (i - 1) % len(loop)
            faces.append(Face(((b, a, a + n, b + n),)))
            edges.append(Edge(a, b, family, (0, side)))
            edges.append(Edge(a + n, b + n, family, (1, side)))
            edges.append(Edge(a, a + n, sweep_family, (side_before, side)))
    return Shape(tuple(faces), tuple(edges))


class Detail(NamedTuple):
    """A line that lies in a face, as a window's: the number of the face, its ends, its family, and
    whether it is a short part of one that is drawn by hand.
    """

    face: int
    start: Vector
    end: Vector
    family: str
    by_hand: bool = False


FaceLoops = tuple[tuple[int, ...], ...]
FamilyOf = tuple[tuple[int, int, str], ...]
"""Edges, the smaller number first, with their families."""


def polyhedron(
    part: Part,
    vertices: Sequence[Vector],
    faces: FaceLoops,
    families: FamilyOf,
    details: Sequence[Detail] = (),
    *,
    transparent: bool = False,
    floating: bool = False,
) -> Solid:
    """A solid of plane faces, each clockwise as it is seen from outside, with lines in them."""
    shape = _polyhedron_shape(
        faces,
        families,
        len(vertices),
        tuple((one.face, one.family, one.by_hand) for one in details),
    )
    ends = [end for one in details for end in (one.start, one.end)]
    return Solid(part, (*vertices, *ends), shape, transparent, floating)


def faces_beside(faces: Sequence[Sequence[int]]) -> dict[tuple[int, int], list[int]]:
    """The edges of faces by their ends, the smaller number first, and which faces each bounds."""
    beside: dict[tuple[int, int], list[int]] = {}
    for number, loop in enumerate(faces):
        for a, b in pairwise((*loop, loop[0])):
            beside.setdefault((min(a, b), max(a, b)), []).append(number)
    return beside


@lru_cache(maxsize=256)
def _polyhedron_shape(
    faces: FaceLoops, families: FamilyOf, count: int, details: tuple[tuple[int, str, bool], ...]
) -> Shape:
    named = {(a, b): family for a, b, family in families}
    edges = [
        Edge(*ends, named[ends], (two[0], two[-1])) for ends, two in faces_beside(faces).items()
    ]
    for k, (face, family, by_hand) in enumerate(details):
        ends = count + 2 * k, count + 2 * k + 1
        edges.append(Edge(*ends, family, (face, face), by_hand))
    # Seen clockwise with y down the sheet, a loop's normal points away from the eye.
    return Shape(tuple(Face((loop[::-1],)) for loop in faces), tuple(edges))


def lined(solid: Solid, face: Sequence[Vector], lines: Sequence[Sequence[Vector]]) -> Solid:
    """A solid with lines by hand in that face of it which has those corners among its own."""
    number = next(
        k for k, one in enumerate(solid.faces)
        if len(one.loops[0]) == len(face) and _within(solid, one, face)
    )  # fmt: skip
    vertices, edges = list(solid.vertices), list(solid.edges)
    for line in lines:
        first = len(vertices)
        vertices += line
        edges += (
            Edge(k, k + 1, FREE, (number, number), by_hand=True)
            for k in range(first, len(vertices) - 1)
        )
    return replace(solid, vertices=tuple(vertices), shape=Shape(solid.faces, tuple(edges)))


def _within(solid: Solid, face: Face, corners: Sequence[Vector]) -> bool:
    own = [solid.vertices[k] for loop in face.loops for k in loop]
    return all(any(math.dist(one, other) < 1e-9 for other in own) for one in corners)


class Side(NamedTuple):
    """A side of a patch that is drawn: the number of the corner it starts from, and its family."""

    start: int
    family: str


def patch(
    part: Part, corners: Sequence[Vector], sides: Sequence[Side], details: Sequence[Detail] = ()
) -> Solid:
    """A flat piece of the ground with lines in it. It hides nothing, and of its sides only some are
    drawn; everything that floats is before it.
    """
    count = len(corners)
    edges = [Edge(side.start, (side.start + 1) % count, side.family, (0, 0)) for side in sides]
    for k, one in enumerate(details):
        edges.append(Edge(count + 2 * k, count + 2 * k + 1, one.family, (0, 0)))
    shape = Shape((Face((tuple(range(count)),)),), tuple(edges))
    ends = [end for one in details for end in (one.start, one.end)]
    return Solid(part, (*corners, *ends), shape, transparent=True, floating=True)


FAR_OFF = 1e3
"""So many times as far off, a room is behind all that stands in it."""


def far_off(solid: Solid) -> Solid:
    """The same on paper, and behind everything: what is seen from inside hides nothing."""
    return replace(solid, vertices=tuple(times(place, FAR_OFF) for place in solid.vertices))


def card(part: Part, outline: Sequence[Vector], lines: Sequence[Sequence[Vector]]) -> Solid:
    """A flat thing that is drawn by hand: what its outline encloses hides what is behind, and of
    the lines each is drawn from its first place to its last.
    """
    turned = outline and dot(loop_normal(outline), outline[0]) > 0.0
    loop = range(len(outline) - 1, -1, -1) if turned else range(len(outline))
    face = 0 if outline else NO_FACE
    edges: list[Edge] = []
    vertices = list(outline)
    for line in lines:
        first = len(vertices)
        vertices += line
        edges += (
            Edge(k, k + 1, FREE, (face, face), by_hand=True)
            for k in range(first, len(vertices) - 1)
        )
    faces = (Face((tuple(loop),)),) if outline else ()
    return Solid(part, tuple(vertices), Shape(faces, tuple(edges)))


class Bar(NamedTuple):
    """A line of space that is a thing by itself, with its family."""

    start: Vector
    end: Vector
    family: str


def bars(part: Part, drawn: Sequence[Bar], *, floating: bool = False) -> Solid:
    """Lines as thin as a pole: they hide nothing."""
    edges = tuple(
        Edge(2 * k, 2 * k + 1, bar.family, (NO_FACE, NO_FACE)) for k, bar in enumerate(drawn)
    )
    ends = tuple(end for bar in drawn for end in (bar.start, bar.end))
    return Solid(part, ends, Shape((), edges), floating=floating)
