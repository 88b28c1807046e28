"""Cast shadows by projection: rays from a light through what they meet, onto a plane behind it."""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping, Sequence
from typing import NamedTuple

from orthopsis.perspective.area import Area, bordering
from orthopsis.perspective.segments import at, length
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector, dot, loop_normal, minus, plus, times
from orthopsis.perspective.view import FREE, on_paper
from orthopsis.picture.solid import Bar, Solid

ON_IT = 1e-9
"""So near to a plane, by the distance of what is cast on it, a place lies in it."""
GRAZING = 1e-6
"""A ray that nears a plane by less than this, for its length, does not reach it."""


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


class Receiving(NamedTuple):
    """A plane of eye space that shadows fall on: normal · place = offset. What stands before it,
    on the eye's side, has less. `families` are those of a line's shadow by its own, others run
    freely; its shadow is cut where it would run on behind us.
    """

    normal: Vector
    offset: float
    families: Mapping[str, str]

    def height(self, place: Vector) -> float:
        return self.offset - dot(self.normal, place)

    def lies_in(self, place: Vector) -> bool:
        return abs(self.height(place)) <= ON_IT * max(1.0, abs(self.offset))


class Cast(NamedTuple):
    """What a solid casts on a plane: lines that may bound its shadow, each with its family, and the
    areas of paper that the shadow covers.
    """

    part: Part
    lines: list[Bar]
    areas: list[Area]


class _Landing(NamedTuple):
    """Where the ray through a place meets a plane: `there`, times how fast it nears the plane. Both
    change evenly from place to place, so lines stay lines.
    """

    there: Vector
    nears: float

    @property
    def seen(self) -> float:
        """More than nothing where the ray reaches the plane, and before us."""
        x, y, z = self.there
        return min(self.nears, z / (math.hypot(x, y, z) or 1.0)) - GRAZING

    def between(self, other: _Landing, share: float) -> _Landing:
        way = times(minus(other.there, self.there), share)
        return _Landing(plus(self.there, way), self.nears + share * (other.nears - self.nears))

    @property
    def place(self) -> Vector:
        return times(self.there, 1.0 / self.nears)


def cast(solid: Solid, light: Light, plane: Receiving) -> Cast:
    """The shadow of a solid on a plane that it stands before."""
    lit = []
    for face in solid.faces:
        first = solid.vertices[face.loops[0][0]]
        outward = loop_normal([solid.vertices[k] for k in face.loops[0]])
        lit.append(light.falls_on(outward, first))
    landings = [_landing(vertex, light, plane) for vertex in solid.vertices]
    lines = []
    for edge in solid.edges:
        one, other = edge.faces
        ends = [solid.vertices[k] for k in (edge.start, edge.end)]
        if lit[one] == lit[other] or all(plane.lies_in(end) for end in ends):
            continue
        reached = _reached((landings[edge.start], landings[edge.end]), closed=False)
        if len(reached) == 2:
            family = plane.families.get(edge.family, FREE)
            lines.append(Bar(reached[0].place, reached[1].place, family))
    areas = []
    for face, shone in zip(solid.faces, lit, strict=True):
        if shone:
            loops = [_reached([landings[k] for k in loop]) for loop in face.loops]
            paper = (tuple(on_paper(one.there) for one in loop) for loop in loops if len(loop) > 2)
            areas.append(Area(tuple(paper)))
    return Cast(solid.part, lines, [area for area in areas if area.loops])


def _landing(place: Vector, light: Light, plane: Receiving) -> _Landing:
    ray = light.ray(place)
    nears = dot(plane.normal, ray)
    there = plus(times(place, nears), times(ray, plane.height(place)))
    return _Landing(there, nears)


def _reached(landings: Sequence[_Landing], *, closed: bool = True) -> list[_Landing]:
    """What of a line or, `closed`, of a loop the rays reach, and before us."""
    found = []
    count = len(landings)
    for k, here in enumerate(landings):
        if here.seen > 0.0:
            found.append(here)
        if k + 1 < count or closed:
            after = landings[(k + 1) % count]
            if (here.seen > 0.0) != (after.seen > 0.0):
                found.append(_last_seen(here, after))
    return found


def _last_seen(here: _Landing, after: _Landing) -> _Landing:
    """Where what is seen ends, between a place that is and one that is not; found by halves."""
    seen, unseen = (here, after) if here.seen > 0.0 else (after, here)
    for _ in range(60):
        middle = seen.between(unseen, 0.5)
        if middle.seen > 0.0:
            seen = middle
        else:
            unseen = middle
    return seen


def outline(casts: Sequence[Cast]) -> Iterator[tuple[Part, Bar]]:
    """What bounds the shadows: no line runs within a shadow, of its own thing or another."""
    areas = [area for one in casts for area in one.areas]
    for one in casts:
        for bar in one.lines:
            segment = on_paper(bar.start), on_paper(bar.end)
            for t0, t1 in bordering(segment, areas):
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
