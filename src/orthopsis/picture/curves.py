"""What is hidden where something is round: rims before and behind, and edges behind cylinders.

One idea for all: whether a place is hidden changes only where its path crosses one of the walls of
the shadow that a thing throws away from the eye, and each wall vanishes on that path where a
polynomial does. So the path is cut at all the roots, and each part is asked once, in its middle.
"""

from __future__ import annotations

import math
from abc import ABC, abstractmethod
from collections.abc import Callable, Sequence
from itertools import pairwise
from typing import NamedTuple, Protocol

from orthopsis.perspective.roots import TURN, along_line, around_circle
from orthopsis.perspective.segments import (
    Box,
    Portion,
    box_of,
    inside,
    merged,
    on_border,
)
from orthopsis.perspective.tolerance import Tolerance
from orthopsis.perspective.vector import Vector, cross, dot, loop_normal, minus, plus, size, times
from orthopsis.perspective.view import on_paper
from orthopsis.picture.round_solid import RoundSolid
from orthopsis.picture.solid import Face, Solid

Side = Callable[[Vector], float]


class Wall(NamedTuple):
    """A surface of the shadow: `side` vanishes on it, a polynomial of `degree` in the place.

    Of a plane through the eye, `normal` is all that is needed.
    """

    side: Side
    degree: int
    normal: Vector | None = None


class Cover(Protocol):
    """Something that hides what is behind it."""

    @property
    def box(self) -> Box:
        """Left, top, right, bottom on paper."""

    def walls(self) -> list[Wall]:
        """Where hiding may begin or end."""

    def hides(self, place: Vector, whole: bool) -> bool:
        """Whether it hides a place, or, `whole`, all that is seen in its direction."""


class PathCover(ABC):
    """A cover that finds by itself what it hides of a path; `box` is its box on paper."""

    box: Box

    @abstractmethod
    def hidden_on(
        self, path: Straight | Rim, whole: bool, cuts: Sequence[float] = ()
    ) -> list[Portion]:
        """The portions of a straight path, or the angles of a rim, that it hides; with `whole`
        whatever the depth. `cuts` are angles at which that may change besides.
        """


class RoundCover:
    """A cylinder as a cover."""

    def __init__(self, cylinder: RoundSolid) -> None:
        self.cylinder = cylinder
        self.box = box_of(
            [on_paper(cylinder.rim(end, TURN * k / 64)) for end in (0, 1) for k in range(64)], 1.0
        )

    def walls(self) -> list[Wall]:
        """Planes along the outline, cones through the rims, and its own surface."""
        own, eye = self.cylinder.own, self.cylinder.eye
        rim = self.cylinder.rim
        walls = [eye_plane(rim(0, angle), rim(1, angle)) for angle in self.cylinder.outline_angles]
        for end in (0.0, 1.0):

            def cone(place: Vector, end: float = end) -> float:
                u, v, s = own(place)
                rise, up = s - eye[2], end - eye[2]
                x, y = eye[0] * rise + (u - eye[0]) * up, eye[1] * rise + (v - eye[1]) * up
                return x * x + y * y - rise * rise

            def level(place: Vector, end: float = end) -> float:
                return own(place)[2] - end

            walls += [Wall(cone, 2), Wall(level, 1)]

        def surface(place: Vector) -> float:
            u, v, _ = own(place)
            return u * u + v * v - 1.0

        return [*walls, Wall(surface, 2)]

    def hides(self, place: Vector, whole: bool) -> bool:
        stretch = self.cylinder.stretch_hidden_before(place)
        return stretch is not None and (whole or stretch[0] < 1.0 - 1e-7)


class FlatCover:
    """A face turned to the eye as a cover."""

    def __init__(self, solid: Solid, face: Face, tolerance: Tolerance) -> None:
        self.loops = [[solid.vertices[k] for k in loop] for loop in face.loops]
        self.paper = [[on_paper(place) for place in loop] for loop in self.loops]
        self.normal = loop_normal(self.loops[0])
        self.tolerance = tolerance
        self.box = box_of(self.paper[0])

    def walls(self) -> list[Wall]:
        """Planes of the eye through its sides, and its own plane."""
        sides = [side for loop in self.loops for side in pairwise((*loop, loop[0]))]
        walls = [eye_plane(a, b) for a, b in sides]
        corner, normal = self.loops[0][0], self.normal
        return [*walls, Wall(lambda place: dot(normal, minus(place, corner)), 1)]

    def hides(self, place: Vector, whole: bool) -> bool:
        corner = self.loops[0][0]
        away = dot(self.normal, corner)
        # 1/depth of the face's plane in the place's direction, times the place's depth.
        if not whole and dot(self.normal, place) / away <= 1.0 + self.tolerance.depth:
            return False
        xy = on_paper(place)
        return inside(xy, self.paper) and not on_border(xy, self.paper, self.tolerance)


class Rim(NamedTuple):
    """One rim of a cylinder as a path, by its angle; of a curved side its first quarter."""

    cylinder: RoundSolid
    end: int
    quarter: bool = False

    def place(self, angle: float) -> Vector:
        return self.cylinder.rim(self.end, angle)

    def roots(self, wall: Wall) -> list[float]:
        return around_circle(lambda t: wall.side(self.place(t)), wall.degree)


class Straight(NamedTuple):
    """An edge as a path, from 0 to 1 in space."""

    start: Vector
    end: Vector

    def place(self, t: float) -> Vector:
        return plus(times(self.start, 1.0 - t), times(self.end, t))

    def roots(self, wall: Wall) -> list[float]:
        if wall.normal is not None:
            start, end = dot(wall.normal, self.start), dot(wall.normal, self.end)
            return [start / (start - end)] if start != end else []
        return along_line(lambda t: wall.side(self.place(t)), wall.degree)

    def on_paper(self, t: float) -> float:
        """How far along the edge's line on paper the place at t is seen."""
        near, far = self.start[2] * (1.0 - t), self.end[2] * t
        return far / (near + far)


class Arc(NamedTuple):
    """A part of a rim between two angles, the second one larger, and whether it is seen."""

    start: float
    end: float
    seen: bool


def hidden_of_edge(
    edge: Straight, covers: Sequence[tuple[Cover | PathCover, bool]]
) -> list[Portion]:
    """What covers hide of an edge, in portions of its line on paper.

    Each cover comes with whether it hides whole, whatever the depth.
    """
    found: list[Portion] = []
    for cover, whole in covers:
        if isinstance(cover, PathCover):
            found += [(edge.on_paper(a), edge.on_paper(b)) for a, b in cover.hidden_on(edge, whole)]
            continue
        cuts = sorted({0.0, 1.0, *(t for wall in cover.walls() for t in edge.roots(wall))})
        for t0, t1 in pairwise(t for t in cuts if 0.0 <= t <= 1.0):
            if t1 - t0 > 1e-12 and cover.hides(edge.place((t0 + t1) / 2), whole):
                found.append((edge.on_paper(t0), edge.on_paper(t1)))
    return merged(found, 1e-9)


BARELY = 1e-6
"""Less than this angle of a rim is a touch, neither seen nor hidden."""


def arcs_of_rim(
    rim: Rim,
    covers: Sequence[tuple[Cover | PathCover, bool]],
    same: Sequence[Rim],
    limits: Sequence[Wall] = (),
) -> list[Arc]:
    """A rim cut into arcs that are seen or hidden.

    `same` are rims in the same place that are drawn instead where they show; beyond `limits`, such
    as the sheet's edges, nothing is drawn.
    """
    cuts = list(rim.cylinder.outline_angles)
    hidden: list[Portion] = []
    asked: list[tuple[Cover, bool]] = []
    for cover, whole in covers:
        if isinstance(cover, PathCover):
            hidden += cover.hidden_on(rim, whole)
        else:
            asked.append((cover, whole))
            cuts += [t for wall in cover.walls() for t in rim.roots(wall)]
    cuts += [end for portion in hidden for end in portion]
    cuts += [t for wall in limits for t in rim.roots(wall)]
    for other in same:
        # The other rim's own cuts, by their places.
        cuts += [rim_angle(rim, other.place(angle)) for angle in other.cylinder.outline_angles]
    cuts = sorted(cuts) or [0.0]
    arcs: list[Arc] = []
    for t0, t1 in pairwise((*cuts, cuts[0] + TURN)):
        if t1 - t0 < BARELY:
            continue
        middle = (t0 + t1) / 2
        place = rim.place(middle)
        if any(wall.side(place) < 0.0 for wall in limits):
            continue
        shows = rim.cylinder.transparent or rim.cylinder.rim_shows(rim.end, middle)
        shows = shows and not any(a <= middle % TURN <= b for a, b in hidden)
        shows = shows and not any(cover.hides(place, whole) for cover, whole in asked)
        shows = shows and not any(
            other.cylinder.rim_shows(other.end, rim_angle(other, place)) for other in same
        )
        if arcs and arcs[-1].seen == shows and t0 - arcs[-1].end < BARELY:
            arcs[-1] = Arc(arcs[-1].start, t1, shows)
        else:
            arcs.append(Arc(t0, t1, shows))
    if len(arcs) > 1 and arcs[0].seen == arcs[-1].seen:
        first, last = arcs[0], arcs[-1]
        if first.start + TURN - last.end < BARELY:
            arcs[:1] = []
            arcs[-1] = Arc(last.start, first.end + TURN, last.seen)
    return arcs


def rim_angle(rim: Rim, place: Vector) -> float:
    """The angle of a place on a rim."""
    u, v, _ = rim.cylinder.own(place)
    return math.atan2(v, u) % TURN


def eye_plane(a: Vector, b: Vector) -> Wall:
    """The plane of the eye through two places."""
    normal = cross(a, b)
    return plane_through_eye(times(normal, 1.0 / (size(normal) or 1.0)))


def plane_through_eye(normal: Vector) -> Wall:
    """The plane through the eye that a direction stands on."""
    return Wall(lambda place: dot(normal, place), 1, normal)
