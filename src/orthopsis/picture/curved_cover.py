"""What curved solids hide, of others and of themselves, and what is seen of their curves."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from functools import cached_property
from itertools import pairwise
from typing import Any

from orthopsis.perspective.roots import in_quarter, wave_in_quarter
from orthopsis.perspective.segments import Portion, box_of, boxes_touch
from orthopsis.perspective.vector import Vector, dot, plus, times
from orthopsis.perspective.view import on_paper
from orthopsis.picture import compiled
from orthopsis.picture.curved_kernel import BentNumbers
from orthopsis.picture.curved_prism import QUARTER, CurvedPrism
from orthopsis.picture.curves import BARELY, Arc, Cover, PathCover, Rim, Straight, Wall


class CurvedCover(PathCover):
    """A curved solid as a cover; `own` when it is asked about its own lines."""

    def __init__(
        self, prism: CurvedPrism, *, own: bool = False, kernel: compiled.Kernel | None = None
    ) -> None:
        self.prism, self.own = prism, own
        self._kernel = kernel or compiled.in_use()
        places = [on_paper(prism.place(c, end)) for c in prism.corners for end in (0.0, 1.0)]
        for _, rim in prism.rims():
            places += [on_paper(place) for place in around(rim)]
        self.box = box_of(places, 1.0)

    def hidden_on(
        self, path: Straight | Rim, whole: bool, cuts: Sequence[float] = ()
    ) -> list[Portion]:
        """The portions of a straight path, or the angles of a rim, that it hides.

        `cuts` are angles of one of its own rims at which the eye's glance touches it.
        """
        if isinstance(path, Straight):
            middle = times(plus(path.start, path.end), 0.5)
            return self._portions((*path.start, 1.0, *middle, 1.0, *path.end, 1.0), whole)
        found: list[Portion] = []
        halves = [math.tan(angle / 2) for angle in cuts]
        for start, controls in quarters(path):
            if boxes_touch(self.box, box_of([(c[0] / c[2], c[1] / c[2]) for c in controls])):
                for t0, t1 in self._portions([n for c in controls for n in c], whole, halves):
                    found.append((start + 2.0 * math.atan(t0), start + 2.0 * math.atan(t1)))
        return found

    def _portions(
        self, path: Sequence[float], whole: bool, cuts: Sequence[float] = ()
    ) -> list[Portion]:
        numbers, ts, out = self._numbers
        for n, t in enumerate((0.0, 1.0, *cuts)):
            ts[n] = t
        given = 2 + len(cuts)
        hidden_along = self._kernel.curved.hidden_along
        count = hidden_along(
            self._kernel.array(path), numbers, int(whole), int(self.own), given, ts, out
        )
        found = out[:count]
        return list(zip(found[::2], found[1::2], strict=True))

    @cached_property
    def _numbers(self) -> tuple[BentNumbers, Any, Any]:
        """The solid for the kernel, and room for its work and its answer."""
        prism, array = self.prism, self._kernel.array
        straight = [s for n, s in enumerate(prism.sides) if n not in prism.bends]
        ends = [prism.corners[k] for side in straight for k in side[:2]]
        numbers = BentNumbers(
            own=array([n for row in prism.rows for n in (*row, -dot(row, prism.origin))]),
            eye=array(prism.eye),
            sides=array([n for end in ends for n in end]),
            bends=array([n for arc in prism.area.bends.values() for n in _to_circle(arc.ellipse)]),
            corners=array([n for corner in prism.sharp_corners for n in corner]),
        )
        most = 16 * (len(prism.sides) + 2) + 32
        return numbers, array([0.0] * (2 * most)), array([0.0] * (2 * most))


def _to_circle(ellipse: Any) -> tuple[float, ...]:
    """Two rows that carry (x, y, 1) to where the ellipse is the unit circle."""
    (cx, cy), (ax, ay), (bx, by) = ellipse
    det = ax * by - ay * bx
    return (
        *(by / det, -bx / det, (bx * cy - by * cx) / det),
        *(-ay / det, ax / det, (ay * cx - ax * cy) / det),
    )


Control = tuple[float, float, float, float]


def quarters(rim: Rim) -> Iterator[tuple[float, tuple[Control, Control, Control]]]:
    """The quarters of a rim, or the one that it is: the angle where each begins, and its control
    places as a curve of the second degree by t = tan ½θ, each with its weight.
    """
    bend = rim.cylinder
    centre = plus(bend.centre, bend.sweep) if rim.end else bend.centre
    a, b = bend.a, bend.b
    for k in range(1 if rim.quarter else 4):
        start, end = plus(centre, a), times(plus(centre, b), 2.0)
        yield k * QUARTER, ((*start, 1.0), (*plus(start, b), 1.0), (*end, 2.0))
        a, b = b, times(a, -1.0)


def around(rim: Rim) -> list[Vector]:
    """A quarter stays between its ends and the corner it turns around."""
    bend = rim.cylinder
    corner = plus(bend.centre, plus(bend.a, bend.b))
    if rim.end:
        corner = plus(corner, bend.sweep)
    return [rim.place(0.0), corner, rim.place(QUARTER)]


def _roots(rim: Rim, wall: Wall) -> list[float]:
    """Where a curved line crosses a wall."""
    bend, side = rim.cylinder, wall.side
    centre = plus(bend.centre, bend.sweep) if rim.end else bend.centre
    if wall.normal is not None:
        level, cos, sin = (dot(wall.normal, way) for way in (centre, bend.a, bend.b))
        return wave_in_quarter(level, cos, sin)
    return in_quarter(lambda angle: side(rim.place(angle)), wall.degree)


def arcs_of_bend(
    prism: CurvedPrism,
    number: int,
    rim: Rim,
    covers: Sequence[tuple[Cover | PathCover, bool]],
    limits: Sequence[Wall] = (),
) -> list[Arc]:
    """One curved line cut into arcs that are seen or hidden."""
    stops = [0.0, *prism.touches(number), QUARTER]
    open_ = prism.transparent or prism.end_shows(rim.end)
    turned = [open_ or prism.bend_shows(number, (a + b) / 2) for a, b in pairwise(stops)]
    cuts, hidden, asked = set(stops), [], []
    if any(turned):
        near = around(rim)
        box = box_of([on_paper(place) for place in near], 1e-3)
        limits = [wall for wall in limits if any(wall.side(place) < 0.0 for place in near)]
        for cover, whole in covers:
            if not boxes_touch(cover.box, box):
                continue
            if isinstance(cover, PathCover):
                hidden += cover.hidden_on(rim, whole, stops[1:-1])
            else:
                asked.append((cover, whole))
                cuts.update(root for wall in cover.walls() for root in _roots(rim, wall))
        cuts.update(end for portion in hidden for end in portion)
        cuts.update(root for wall in limits for root in _roots(rim, wall))
    arcs: list[Arc] = []
    for t0, t1 in pairwise(sorted(t for t in cuts if 0.0 <= t <= QUARTER)):
        if t1 - t0 < BARELY:
            continue
        middle = (t0 + t1) / 2
        place = rim.place(middle)
        if any(wall.side(place) < 0.0 for wall in limits):
            continue
        shows = (
            any(s and a <= middle <= b for s, (a, b) in zip(turned, pairwise(stops), strict=True))
            and not any(a <= middle <= b for a, b in hidden)
            and not any(cover.hides(place, whole) for cover, whole in asked)
        )
        if arcs and arcs[-1].seen == shows and t0 - arcs[-1].end < BARELY:
            arcs[-1] = Arc(arcs[-1].start, t1, shows)
        else:
            arcs.append(Arc(t0, t1, shows))
    return arcs
