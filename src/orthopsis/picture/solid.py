"""Solids in eye space, and the prism: an outline swept along one direction.

A box is a rectangle swept to a vanishing point, a block letter an outline with holes; both are
prisms, and a prism is all that a piece has to name.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from orthopsis.perspective.vector import Vector, dot, loop_normal, plus


@dataclass(frozen=True)
class Edge:
    """Two vertex numbers, the family of the line between them, and the faces it bounds."""

    start: int
    end: int
    family: str
    faces: tuple[int, ...]


@dataclass(frozen=True)
class Face:
    """A plane face: loops of vertex numbers, the first its outline, the others holes."""

    loops: tuple[tuple[int, ...], ...]


@dataclass(frozen=True)
class Solid:
    """A closed solid of one piece; `vertices` are places in eye space.

    Faces run around so that their normals point out. A transparent solid hides nothing and
    shows all its edges. Two floating solids are not compared by depth: the one listed first
    hides the other whole.
    """

    piece: str
    vertices: tuple[Vector, ...]
    faces: tuple[Face, ...]
    edges: tuple[Edge, ...]
    transparent: bool = False
    floating: bool = False


def prism(
    piece: str,
    loops: Sequence[Sequence[Vector]],
    loop_families: Sequence[Sequence[str]],
    sweep: Vector,
    sweep_family: str,
    *,
    transparent: bool = False,
    floating: bool = False,
) -> Solid:
    """Sweep a plane outline (with holes) along `sweep`, a vector of eye space.

    ``loop_families[i][k]`` is the family of the side from corner k to the next of loop i.
    Loops may run either way round; the faces are turned outward here.
    """
    outlines = [
        _Outline(tuple(loop), tuple(f)) for loop, f in zip(loops, loop_families, strict=True)
    ]
    facing = outlines[0] if dot(outlines[0].normal, sweep) < 0.0 else outlines[0].turned()
    outlines = [facing] + [
        hole.turned() if dot(hole.normal, facing.normal) > 0.0 else hole for hole in outlines[1:]
    ]
    front = [corner for outline in outlines for corner in outline.corners]
    n = len(front)
    vertices = (*front, *(plus(corner, sweep) for corner in front))

    near: list[tuple[int, ...]] = []
    for outline in outlines:
        first = sum(len(loop) for loop in near)
        near.append(tuple(range(first, first + len(outline.corners))))
    far = tuple(tuple(n + k for k in reversed(loop)) for loop in near)
    faces = [Face(tuple(near)), Face(far)]
    edges: list[Edge] = []
    for loop, outline in zip(near, outlines, strict=True):
        first_side = len(faces)
        for i, (a, family) in enumerate(zip(loop, outline.families, strict=True)):
            b = loop[(i + 1) % len(loop)]
            side, side_before = first_side + i, first_side + (i - 1) % len(loop)
            faces.append(Face(((b, a, a + n, b + n),)))
            edges.append(Edge(a, b, family, (0, side)))
            edges.append(Edge(a + n, b + n, family, (1, side)))
            edges.append(Edge(a, a + n, sweep_family, (side_before, side)))
    return Solid(piece, vertices, tuple(faces), tuple(edges), transparent, floating)


@dataclass(frozen=True)
class _Outline:
    """One loop of corners with the families of its sides."""

    corners: tuple[Vector, ...]
    families: tuple[str, ...]

    @property
    def normal(self) -> Vector:
        return loop_normal(self.corners)

    def turned(self) -> _Outline:
        """The same loop run the other way round."""
        return _Outline(self.corners[::-1], self.families[-2::-1] + self.families[-1:])
