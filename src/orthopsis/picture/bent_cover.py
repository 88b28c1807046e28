"""What bent solids hide, of others and of themselves, and what is seen of their curves."""

from __future__ import annotations

import math
from collections.abc import Sequence
from functools import cached_property
from itertools import pairwise

from orthopsis.perspective.roots import in_quarter, wave_in_quarter
from orthopsis.perspective.segments import Box, box_of, boxes_touch
from orthopsis.perspective.vector import Vector, dot, plus
from orthopsis.perspective.view import on_paper
from orthopsis.picture.bent import QUARTER, TOUCH, Bent
from orthopsis.picture.curves import Arc, Cover, Rim, Wall, eye_plane, plane_through
from orthopsis.picture.curves import Side as SideOf
from orthopsis.picture.cylinder import Cylinder


class BentCover:
    """A bent solid as a cover; `own` when it is asked about its own lines."""

    def __init__(self, bent: Bent, *, own: bool = False) -> None:
        self.bent, self.own = bent, own
        places = [on_paper(bent.place(c, end)) for c in bent.corners for end in (0.0, 1.0)]
        for _, rim in bent.rims():
            places += [on_paper(place) for place in _around(rim)]
        self.box = box_of(places, 1.0)

    def walls_near(self, box: Box, around: Sequence[Vector]) -> list[Wall]:
        """The walls that a path can cross; its surface only for what may reach into it."""
        walls = [wall for there, wall in self._shadow if boxes_touch(there, box)]
        if self.own or not self._reached_by(around):
            return walls
        return walls + self._surface

    def _reached_by(self, places: Sequence[Vector]) -> bool:
        own = [self.bent.own(place) for place in places]
        depths = [s for _, _, s in own]
        there = boxes_touch(box_of((x, y) for x, y, _ in own), self.bent.area.box, TOUCH)
        return there and max(depths) > -TOUCH and min(depths) < 1.0 + TOUCH

    @cached_property
    def _shadow(self) -> list[tuple[Box, Wall]]:
        """Planes of the eye through its lines, and cones through its curves."""
        found: list[tuple[Box, Wall]] = []
        for a, end_a, b, end_b, _, _ in self.bent.lines:
            ends = self.bent.place(a, end_a), self.bent.place(b, end_b)
            found.append((box_of([on_paper(end) for end in ends]), eye_plane(*ends)))
        for _, rim in self.bent.rims():
            found.append((_box_of(rim), Wall(_cone(rim), 2)))
        return found

    @cached_property
    def _surface(self) -> list[Wall]:
        """The planes and cylinders that bound it."""
        bent = self.bent
        found = [Wall(_level(bent, end), 1) for end in (0.0, 1.0)]
        for number, side in enumerate(bent.sides):
            if number in bent.bends:
                found.append(Wall(_round_side(bent.bends[number]), 2))
            else:
                a, b = bent.corners[side.start], bent.corners[side.end]
                found.append(
                    Wall(plane_through(bent.place(a), bent.place(b), bent.place(a, 1.0)), 1)
                )
        return found

    def hides(self, place: Vector, whole: bool) -> bool:
        return self.bent.stretches_before(place, whole)


def _around(rim: Rim) -> list[Vector]:
    """A curve stays between its ends and the corner it turns around."""
    bend = rim.cylinder
    corner = plus(bend.centre, plus(bend.a, bend.b))
    if rim.end:
        corner = plus(corner, bend.sweep)
    return [rim.place(0.0), corner, rim.place(QUARTER)]


def _box_of(rim: Rim) -> Box:
    return box_of([on_paper(place) for place in _around(rim)], 1e-3)


def _level(bent: Bent, end: float) -> SideOf:
    return lambda place: bent.own(place)[2] - end


def _cone(rim: Rim) -> SideOf:
    own, eye, end = rim.cylinder.own, rim.cylinder.eye, float(rim.end)

    def side(place: Vector) -> float:
        u, v, s = own(place)
        rise, up = s - eye[2], end - eye[2]
        x, y = eye[0] * rise + (u - eye[0]) * up, eye[1] * rise + (v - eye[1]) * up
        return x * x + y * y - rise * rise

    return side


def _round_side(cylinder: Cylinder) -> SideOf:
    def side(place: Vector) -> float:
        u, v, _ = cylinder.own(place)
        return u * u + v * v - 1.0

    return side


def _roots(rim: Rim, wall: Wall) -> list[float]:
    """Where a curved line crosses a wall."""
    bend, side = rim.cylinder, wall.side
    centre = plus(bend.centre, bend.sweep) if rim.end else bend.centre
    if wall.normal is not None:
        level, cos, sin = (dot(wall.normal, way) for way in (centre, bend.a, bend.b))
        return wave_in_quarter(level, cos, sin)
    cx, cy, cw = centre
    (ax, ay, aw), (bx, by, bw) = bend.a, bend.b

    def value(angle: float) -> float:
        c, s = math.cos(angle), math.sin(angle)
        return side((cx + c * ax + s * bx, cy + c * ay + s * by, cw + c * aw + s * bw))

    return in_quarter(value, wall.degree)


def arcs_of_bend(
    bent: Bent,
    number: int,
    rim: Rim,
    covers: Sequence[tuple[Cover, bool]],
    limits: Sequence[Wall] = (),
) -> list[Arc]:
    """One curved line cut into arcs that are seen or hidden."""
    stops = [0.0, *bent.touches(number), QUARTER]
    open_ = bent.transparent or bent.end_shows(rim.end)
    turned = [open_ or bent.bend_shows(number, (a + b) / 2) for a, b in pairwise(stops)]
    cuts = set(stops)
    if any(turned):
        box, around = _box_of(rim), _around(rim)
        for cover, _ in covers:
            for wall in cover.walls_near(box, around):
                cuts.update(_roots(rim, wall))
        for wall in limits:
            cuts.update(_roots(rim, wall))
    arcs: list[Arc] = []
    for t0, t1 in pairwise(sorted(t for t in cuts if 0.0 <= t <= QUARTER)):
        if t1 - t0 < 1e-6:
            continue
        middle = (t0 + t1) / 2
        place = rim.place(middle)
        if any(wall.side(place) < 0.0 for wall in limits):
            continue
        shows = any(
            seen and a <= middle <= b for seen, (a, b) in zip(turned, pairwise(stops), strict=True)
        )
        shows = shows and not any(cover.hides(place, whole) for cover, whole in covers)
        if arcs and arcs[-1].seen == shows and t0 - arcs[-1].end < 1e-6:
            arcs[-1] = Arc(arcs[-1].start, t1, shows)
        else:
            arcs.append(Arc(t0, t1, shows))
    return arcs
