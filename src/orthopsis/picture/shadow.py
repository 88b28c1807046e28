"""Cast shadows by projection: rays from a light through what they meet, onto a plane behind it."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import NamedTuple

from orthopsis.perspective.area import Area, outside
from orthopsis.perspective.segments import at, length
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector, dot, loop_normal, minus, plus, times
from orthopsis.perspective.view import on_paper
from orthopsis.picture.solid import Bar, Solid

ON_IT = 1e-9
"""So near to a plane, by the distance of what is cast on it, a place lies in it."""


class Light(NamedTuple):
    """Rays along a direction of eye space, or, where it is `near`, from a place of it."""

    where: Vector
    near: bool = False

    def ray(self, place: Vector) -> Vector:
        """The way that light goes on from a place."""
        return minus(place, self.where) if self.near else self.where

    def falls_on(self, outward: Vector, place: Vector) -> bool:
        """Whether the outer side of a face through a place is lit."""
        return dot(outward, self.ray(place)) < 0.0


class LevelPlane(NamedTuple):
    """A plane of eye space: normal · place = offset. What is above it has less."""

    normal: Vector
    offset: float

    def height(self, place: Vector) -> float:
        return self.offset - dot(self.normal, place)


class Cast(NamedTuple):
    """What a solid casts on a plane: lines that may bound its shadow, each with its family, and the
    areas of paper that the shadow covers.
    """

    part: Part
    lines: list[Bar]
    areas: list[Area]


class BehindUs(ValueError):
    """A shadow, of `part`, runs on behind the viewer."""

    def __init__(self, part: Part) -> None:
        super().__init__(f"the shadow of '{part}' runs behind the viewer")
        self.part = part


def cast(solid: Solid, light: Light, plane: LevelPlane, uprights: tuple[str, str]) -> Cast:
    """The shadow of a solid on a plane below it. `uprights` are the family of its uprights and that
    of their shadows; all other lines are level and keep theirs. Raises BehindUs.
    """
    lit = []
    for face in solid.faces:
        first = solid.vertices[face.loops[0][0]]
        outward = loop_normal([solid.vertices[k] for k in face.loops[0]])
        lit.append(light.falls_on(outward, first))
    places = [_on_plane(vertex, light, plane, solid.part) for vertex in solid.vertices]
    lines = []
    for edge in solid.edges:
        one, other = edge.faces
        ends = [solid.vertices[k] for k in (edge.start, edge.end)]
        if lit[one] == lit[other] or all(_lies_in(plane, end) for end in ends):
            continue
        upright, shadow = uprights
        family = shadow if edge.family == upright else edge.family
        lines.append(Bar(places[edge.start], places[edge.end], family))
    areas = [
        Area(tuple(tuple(on_paper(places[k]) for k in loop) for loop in face.loops))
        for face, shone in zip(solid.faces, lit, strict=True)
        if shone
    ]
    return Cast(solid.part, lines, areas)


def outline(casts: Sequence[Cast]) -> Iterator[tuple[Part, Bar]]:
    """What bounds the shadows: no line runs within a shadow, of its own thing or another."""
    areas = [area for one in casts for area in one.areas]
    for one in casts:
        for bar in one.lines:
            segment = on_paper(bar.start), on_paper(bar.end)
            for t0, t1 in outside(segment, areas):
                if (t1 - t0) * length(segment) > 1e-6:
                    start, end = (_between(bar, at(segment, t)) for t in (t0, t1))
                    yield one.part, Bar(start, end, bar.family)


def _between(bar: Bar, place: tuple[float, float]) -> Vector:
    """The place of a bar that is seen at a place of the sheet."""
    (ax, ay), (bx, by) = on_paper(bar.start), on_paper(bar.end)
    along = 0 if abs(bx - ax) > abs(by - ay) else 1
    a, b, x = (ax, bx, place[0]) if along == 0 else (ay, by, place[1])
    share = (x - a) / (b - a)
    # Nearness, one over depth, changes evenly on paper.
    nearness = (1.0 - share) / bar.start[2] + share / bar.end[2]
    return place[0] / nearness, place[1] / nearness, 1.0 / nearness


def _lies_in(plane: LevelPlane, place: Vector) -> bool:
    return abs(plane.height(place)) <= ON_IT * max(1.0, abs(plane.offset))


def _on_plane(place: Vector, light: Light, plane: LevelPlane, part: Part) -> Vector:
    if _lies_in(plane, place):
        return place
    ray = light.ray(place)
    falls = dot(plane.normal, ray)
    gone = plane.height(place) / falls if falls else -1.0
    there = plus(place, times(ray, gone))
    if gone <= 0.0 or there[2] <= 1e-6 * abs(place[2]):
        raise BehindUs(part)
    return there
