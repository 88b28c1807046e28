"""What is seen of each edge, found exactly.

On any plane that misses the eye, 1/depth is affine in sheet coordinates. So an edge and a face are
compared at once along the whole line: the edge is hidden where it runs inside the face's outline
*and* the face's 1/depth is larger. Everything else is bookkeeping: which faces can hide anything
(those that face the eye), and which of two lines in one place is drawn (the nearer, or the first).
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from orthopsis.perspective.segments import (
    XY,
    Portion,
    Segment,
    at,
    merged,
    portion_shared,
    portions_inside,
    position_on,
    remainder,
)
from orthopsis.perspective.tolerance import EXACT, Tolerance
from orthopsis.perspective.vector import Vector, dot, loop_normal, size, times
from orthopsis.perspective.view import on_paper
from orthopsis.picture.solid import Edge, Solid


@dataclass(frozen=True)
class _SeenFace:
    """A face turned to the eye: its outline on paper and 1/depth = a·x + b·y + c."""

    solid: int
    number: int
    loops: list[list[tuple[float, float]]]
    inverse_depth: Vector
    box: tuple[float, float, float, float]


@dataclass(frozen=True)
class SeenEdge:
    """An edge on paper with its portions that are seen; the rest of it is hidden."""

    solid: Solid
    edge: Edge
    segment: Segment
    seen: list[Portion]


def seen_edges(solids: Sequence[Solid], tolerance: Tolerance = EXACT) -> list[SeenEdge]:
    """Every edge of the solids, in their order, with what the eye sees of it.

    Raises ValueError when a solid reaches behind the eye.
    """
    papers = [[on_paper(vertex) for vertex in solid.vertices] for solid in solids]
    facing = [_facing_the_eye(solid) for solid in solids]
    covers = [
        face
        for i, solid in enumerate(solids)
        if not solid.transparent
        for face in _seen_faces(i, solid, papers[i], facing[i])
    ]
    candidates: list[_Candidate] = []
    for i, solid in enumerate(solids):
        for edge in solid.edges:
            segment = papers[i][edge.start], papers[i][edge.end]
            depths = solid.vertices[edge.start][2], solid.vertices[edge.end][2]
            shown = solid.transparent or any(facing[i][f] for f in edge.faces)
            candidates.append(
                _Candidate(i, edge, segment, (1.0 / depths[0], 1.0 / depths[1]), shown)
            )
    return [
        SeenEdge(
            solids[c.solid],
            c.edge,
            c.segment,
            remainder(_hidden_portions(c, candidates, covers, solids, tolerance)),
        )
        for c in candidates
    ]


def seen_of_far_line(
    solids: Sequence[Solid], segment: Segment, tolerance: Tolerance = EXACT
) -> list[Portion]:
    """What is seen of a line behind everything, such as the eye level."""
    hidden = [
        portion
        for i, solid in enumerate(solids)
        if not solid.transparent
        for face in _seen_faces(
            i, solid, [on_paper(vertex) for vertex in solid.vertices], _facing_the_eye(solid)
        )
        for portion in portions_inside(segment, face.loops, tolerance)
    ]
    return remainder(hidden)


@dataclass(frozen=True)
class _Candidate:
    solid: int
    edge: Edge
    segment: Segment
    inverse_depths: tuple[float, float]
    shown: bool

    def inverse_depth(self, t: float) -> float:
        """1/depth at t of the way along the edge on paper."""
        first, last = self.inverse_depths
        return first + (last - first) * t

    @property
    def box(self) -> tuple[float, float, float, float]:
        (x0, y0), (x1, y1) = self.segment
        return min(x0, x1), min(y0, y1), max(x0, x1), max(y0, y1)


def _facing_the_eye(solid: Solid) -> list[bool]:
    """Which faces turn their outside to the eye; one seen edge-on does not."""
    facing = []
    for face in solid.faces:
        corner = solid.vertices[face.loops[0][0]]
        normal = loop_normal([solid.vertices[k] for k in face.loops[0]])
        facing.append(dot(normal, corner) < -1e-12 * size(normal) * size(corner))
    return facing


def _seen_faces(
    index: int, solid: Solid, paper: Sequence[XY], facing: list[bool]
) -> list[_SeenFace]:
    faces = []
    for number, face in enumerate(solid.faces):
        if not facing[number]:
            continue
        corner = solid.vertices[face.loops[0][0]]
        normal = loop_normal([solid.vertices[k] for k in face.loops[0]])
        loops = [[paper[k] for k in loop] for loop in face.loops]
        xs, ys = zip(*loops[0], strict=True)
        box = (min(xs), min(ys), max(xs), max(ys))
        faces.append(_SeenFace(index, number, loops, times(normal, 1.0 / dot(normal, corner)), box))
    return faces


def _hidden_portions(
    candidate: _Candidate,
    candidates: Sequence[_Candidate],
    covers: Sequence[_SeenFace],
    solids: Sequence[Solid],
    tolerance: Tolerance,
) -> list[Portion]:
    if not candidate.shown:
        return [(0.0, 1.0)]
    hidden: list[Portion] = []
    own = solids[candidate.solid]
    for face in covers:
        if face.solid == candidate.solid and face.number in candidate.edge.faces:
            continue
        if not _boxes_overlap(candidate.box, face.box):
            continue
        by_order = own.floating and solids[face.solid].floating and face.solid != candidate.solid
        if by_order and face.solid > candidate.solid:
            continue
        for t0, t1 in portions_inside(candidate.segment, face.loops, tolerance):
            hidden.extend([(t0, t1)] if by_order else _behind(candidate, face, t0, t1, tolerance))
    for other in candidates:
        if other.solid != candidate.solid and other.shown:
            hidden.extend(_under_line(candidate, other, solids, tolerance))
    return merged(hidden)


def _behind(
    candidate: _Candidate, face: _SeenFace, t0: float, t1: float, tolerance: Tolerance
) -> list[Portion]:
    """The part of t0…t1 that lies further away than the face's plane."""

    def lead(t: float) -> float:
        x, y = at(candidate.segment, t)
        a, b, c = face.inverse_depth
        return a * x + b * y + c - candidate.inverse_depth(t)

    lead0, lead1 = lead(t0), lead(t1)
    if max(lead0, lead1) <= tolerance.depth:
        return []
    if min(lead0, lead1) >= -tolerance.depth:
        return [(t0, t1)]
    crossing = t0 + (t1 - t0) * lead0 / (lead0 - lead1)
    return [(t0, crossing)] if lead0 > 0.0 else [(crossing, t1)]


def _under_line(
    candidate: _Candidate, other: _Candidate, solids: Sequence[Solid], tolerance: Tolerance
) -> list[Portion]:
    """Where another solid's line in the same place is drawn instead of this one."""
    if solids[other.solid].transparent or not _boxes_overlap(candidate.box, other.box):
        return []
    shared = portion_shared(candidate.segment, other.segment, tolerance)
    if shared is None:
        return []
    middle = sum(shared) / 2
    lead = 0.0
    if not (solids[candidate.solid].floating and solids[other.solid].floating):
        there = position_on(other.segment, at(candidate.segment, middle))
        lead = other.inverse_depth(there) - candidate.inverse_depth(middle)
    listed_first = other.solid < candidate.solid
    return [shared] if (listed_first if abs(lead) <= tolerance.depth else lead > 0.0) else []


def _boxes_overlap(
    a: tuple[float, float, float, float], b: tuple[float, float, float, float]
) -> bool:
    slack = 1e-6
    return (
        a[0] <= b[2] + slack
        and b[0] <= a[2] + slack
        and a[1] <= b[3] + slack
        and b[1] <= a[3] + slack
    )
