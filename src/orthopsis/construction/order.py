"""Near to far: which piece is drawn first, so that it stops the lines of what stands behind.

On paper a place has three numbers: x, y and its nearness, 1 on the picture plane and smaller the
further back. Along a guide line nearness falls evenly to nothing at the vanishing point, so the
pupil's own marks give it. In these numbers planes stay planes: if one plane has two pieces on
different sides of it, the piece on the viewer's side is drawn first.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import combinations, pairwise

from orthopsis.errors import NoDrawingOrder
from orthopsis.perspective.ellipse import Ellipse, EllipseArc
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import XY, Segment
from orthopsis.perspective.vector import Vector, cross, dot, minus, size, times

NEARNESS_SCALE_MM = 100.0
"""Brings nearness to the size of the other two numbers, so that one tolerance serves all."""

TOUCHING = 1e-6


@dataclass(frozen=True)
class Body:
    """One piece as constructed on paper.

    `corners` has a place and its nearness for each corner; `faces` are corner numbers.
    `seen_faces` and `seen_edges` are what the piece shows of itself, `seen_ovals` and `seen_arcs`
    the same where it is round: what it covers on paper is all of these together.
    """

    piece: str
    corners: tuple[tuple[Point, float], ...]
    faces: tuple[tuple[int, ...], ...]
    seen_faces: tuple[tuple[XY, ...], ...]
    seen_edges: tuple[Segment, ...]
    transparent: bool
    floating: bool
    seen_ovals: tuple[Ellipse, ...] = ()
    seen_arcs: tuple[EllipseArc, ...] = ()

    @property
    def places(self) -> list[Vector]:
        """x, y, nearness of the corners, all of the size of millimetres."""
        return [(*p.xy, nearness * NEARNESS_SCALE_MM) for p, nearness in self.corners]


def near_to_far(bodies: Sequence[Body]) -> list[int]:
    """Positions of the bodies in drawing order; those that do not overlap keep their order.

    Raises NoDrawingOrder naming the pair when two stand in one another, or hide each other in a
    ring.
    """
    before: dict[int, set[int]] = {i: set() for i in range(len(bodies))}
    for i, j in combinations(range(len(bodies)), 2):
        first = _drawn_first(bodies[i], bodies[j])
        if first > 0:
            before[j].add(i)
        elif first < 0:
            before[i].add(j)
    order: list[int] = []
    while len(order) < len(bodies):
        free = [i for i in before if i not in order and before[i] <= set(order)]
        if not free:
            ring = [i for i in before if i not in order]
            i = ring[0]
            j = next(k for k in before[i] if k in ring)
            raise NoDrawingOrder(
                "pieces",
                f"'{bodies[i].piece}' and '{bodies[j].piece}' each stand partly before the other, "
                "so neither can be drawn first; move one of them",
                (bodies[i].piece, bodies[j].piece),
            )
        order.append(free[0])
    return order


def _drawn_first(a: Body, b: Body) -> int:
    """1 when a comes before b, −1 when b comes before a, 0 when it makes no difference."""
    places_a, places_b = a.places, b.places
    if not _overlap_on_paper(places_a, places_b):
        return 0
    if a.floating and b.floating:
        return 1
    verdicts = set()
    for normal, offset in _planes(a, places_a, b, places_b):
        side_a = [dot(place, normal) - offset for place in places_a]
        side_b = [dot(place, normal) - offset for place in places_b]
        apart = 0
        if min(side_a) >= -TOUCHING and max(side_b) <= TOUCHING:
            apart = 1
        elif min(side_b) >= -TOUCHING and max(side_a) <= TOUCHING:
            apart = -1
        if apart:
            toward_viewer = (normal[2] > 1e-9) - (normal[2] < -1e-9)
            verdicts.add(apart * toward_viewer)
    if not verdicts:
        raise NoDrawingOrder(
            "pieces",
            f"'{a.piece}' and '{b.piece}' stand in one another; move one of them apart",
            (a.piece, b.piece),
        )
    return verdicts.pop() if len(verdicts) == 1 else 0


def _overlap_on_paper(a: list[Vector], b: list[Vector]) -> bool:
    for axis in (0, 1):
        low = max(min(place[axis] for place in a), min(place[axis] for place in b))
        high = min(max(place[axis] for place in a), max(place[axis] for place in b))
        if high - low <= TOUCHING:
            return False
    return True


def _planes(
    a: Body, places_a: list[Vector], b: Body, places_b: list[Vector]
) -> Iterator[tuple[Vector, float]]:
    """Candidate planes, as unit normal and offset: the faces of both, then one edge of each."""
    for body, places in ((a, places_a), (b, places_b)):
        for face in body.faces:
            p, q, r = (places[k] for k in face[:3])
            yield from _plane(cross(minus(q, p), minus(r, p)), p)
    edges_b = _edges(b, places_b)
    for p, u in _edges(a, places_a):
        for _, v in edges_b:
            yield from _plane(cross(u, v), p)


def _edges(body: Body, places: list[Vector]) -> list[tuple[Vector, Vector]]:
    pairs = {(min(i, j), max(i, j)) for face in body.faces for i, j in pairwise((*face, face[0]))}
    return [(places[i], minus(places[j], places[i])) for i, j in sorted(pairs)]


def _plane(normal: Vector, through: Vector) -> Iterator[tuple[Vector, float]]:
    length = size(normal)
    if length > 1e-9:
        unit = times(normal, 1.0 / length)
        yield unit, dot(unit, through)
