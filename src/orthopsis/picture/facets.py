"""Solids in flat faces, for whoever shades or hands them on: curves become strips or sides."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise
from typing import NamedTuple

from orthopsis.perspective.roots import TURN
from orthopsis.perspective.segments import XY
from orthopsis.perspective.vector import Vector, dot, loop_normal, minus, plus, times
from orthopsis.perspective.view import on_paper
from orthopsis.picture.curved_prism import QUARTER, CurvedPrism
from orthopsis.picture.round_solid import RoundSolid
from orthopsis.picture.solid import Solid
from orthopsis.picture.solids import AnySolid

Loops = Sequence[Sequence[Vector]]
Facing = tuple[Loops, Vector]
"""A face's loops and its outward normal."""


def on_paper_loops(loops: Loops) -> tuple[tuple[XY, ...], ...]:
    """The loops of a face as they lie on paper."""
    return tuple(tuple(on_paper(place) for place in loop) for loop in loops)


class Facings(NamedTuple):
    """The faces of a solid with their outward normals: both ends, and the sides between them."""

    ends: list[Facing]
    sides: list[Facing]


def facing(solid: AnySolid, quarter: int) -> Facings:
    """All faces; each quarter of a curve as so many flat strips."""
    if isinstance(solid, Solid):
        whole: list[Loops] = [
            [[solid.vertices[k] for k in loop] for loop in face.loops] for face in solid.faces
        ]
        turned: list[Facing] = [(face, loop_normal(face[0])) for face in whole]
        return Facings(turned[:2], turned[2:])
    return _swept(solid, quarter)


def flat_quads(solid: AnySolid) -> list[list[Vector]]:
    """The four-sided faces of what has flat faces alone."""
    if not isinstance(solid, Solid):
        return []
    loops = (face.loops[0] for face in solid.faces if [len(loop) for loop in face.loops] == [4])
    return [[solid.vertices[k] for k in loop] for loop in loops]


def _swept(solid: RoundSolid | CurvedPrism, quarter: int) -> Facings:
    """Both ends, and the sides, of what is round: its curves in strips."""
    if isinstance(solid, CurvedPrism):
        loops = _outline(solid, quarter)
        near, far = ([[solid.place(p, end) for p in loop] for loop in loops] for end in (0.0, 1.0))
    else:
        angles = [QUARTER * k / quarter for k in range(4 * quarter)]
        near, far = ([[solid.rim(end, angle) for angle in angles]] for end in (0, 1))
    ends: list[Facing] = [
        (near, _turned(loop_normal(near[0]), times(solid.sweep, -1.0))),
        (far, _turned(loop_normal(far[0]), solid.sweep)),
    ]
    sides: list[Facing] = []
    for front, back in zip(near, far, strict=True):
        for k, here in enumerate(front):
            before = front[k - 1]
            strip = [before, here, back[k], back[k - 1]]
            if isinstance(solid, CurvedPrism):
                # Clockwise, the solid lies to the right of a side.
                (x, y, _), (x1, y1, _) = solid.own(before), solid.own(here)
                out = plus(times(solid.across, y1 - y), times(solid.down, x - x1))
            else:
                out = minus(here, solid.centre)
            sides.append(([strip], _turned(loop_normal(strip), out)))
    return Facings(ends, sides)


def _turned(normal: Vector, out: Vector) -> Vector:
    """A normal on the side of a way that leads out."""
    return normal if dot(normal, out) > 0.0 else times(normal, -1.0)


def flat_mesh(solid: AnySolid, quarter: int) -> tuple[list[Vector], list[list[Sequence[int]]]]:
    """Corners, and faces as loops of corner numbers; a quarter of a curve as so many."""
    if isinstance(solid, Solid):
        return list(solid.vertices), [list(face.loops) for face in solid.faces]
    if isinstance(solid, CurvedPrism):
        return _mesh_of_prism(solid, quarter)
    around = 4 * quarter
    corners = [solid.rim(end, k * TURN / around) for end in (0, 1) for k in range(around)]
    near, far = list(range(around)), list(range(around, 2 * around))
    faces: list[list[Sequence[int]]] = [[near[::-1]], [far]]
    faces += [[[near[k - 1], near[k], far[k], far[k - 1]]] for k in range(around)]
    return corners, faces


def _mesh_of_prism(
    prism: CurvedPrism, quarter: int
) -> tuple[list[Vector], list[list[Sequence[int]]]]:
    """The outline with each curve as some sides, at both ends, and the sides between."""
    outline = _outline(prism, quarter)
    count = sum(map(len, outline))
    corners = [prism.place(xy, end) for end in (0.0, 1.0) for loop in outline for xy in loop]
    near: list[list[int]] = []
    for places in outline:
        first = sum(map(len, near))
        near.append(list(range(first, first + len(places))))
    faces: list[list[Sequence[int]]] = [
        [numbers[::-1] for numbers in near],
        [[k + count for k in numbers] for numbers in near],
    ]
    for numbers in near:
        for a, b in pairwise((*numbers, numbers[0])):
            faces.append([[a, b, b + count, a + count]])
    return corners, faces


def _outline(prism: CurvedPrism, quarter: int) -> list[list[XY]]:
    """The loops of an outline with each curve as some straight pieces."""
    outline: list[list[XY]] = []
    for i, loop in enumerate(prism.area.loops):
        around: list[XY] = []
        for k, corner in enumerate(loop):
            around.append(corner)
            arc = prism.area.bends.get((i, k))
            if arc is not None:
                way = (arc.stop - arc.start) / quarter
                around += [arc.ellipse.point(arc.start + way * n) for n in range(1, quarter)]
        outline.append(around)
    return outline
