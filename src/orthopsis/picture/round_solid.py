"""The cylinder: a circle or ellipse of space swept along a straight line.

Its own coordinates make everything simple: (u, v, s) with the rims at s = 0 and s = 1 and the
surface at u² + v² = 1. There the eye is a point like any other, (ue, ve, se): the side shows at
the angle θ where ue·cos θ + ve·sin θ > 1, so the two lines of its outline stand exactly where
that is 1, and an end shows when the eye is beyond it.
"""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass
from functools import cached_property

from orthopsis.perspective.ellipse import Ellipse
from orthopsis.perspective.roots import TURN, around_circle
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector, cross, dot, minus, plus, times
from orthopsis.picture.solid import Edge, Shape, Solid, by_list

BARELY = 1e-9
"""Less than this share of a line of sight within a cylinder is a touch, not a cover."""


@dataclass(frozen=True)
class RoundSolid:
    """A round solid in eye space: the near rim is centre + cos θ · a + sin θ · b.

    `sweep` leads from the near rim to the far one, along lines of `sweep_family`. Transparent and
    floating as with other solids.
    """

    part: Part
    centre: Vector
    a: Vector
    b: Vector
    sweep: Vector
    sweep_family: str
    transparent: bool = False
    floating: bool = False

    def own(self, place: Vector) -> Vector:
        """A place of eye space in the cylinder's own coordinates."""
        rest = minus(place, self.centre)
        return dot(rest, self._rows[0]), dot(rest, self._rows[1]), dot(rest, self._rows[2])

    def rim(self, end: int, angle: float) -> Vector:
        """The place at an angle of the rim, 0 the near and 1 the far one."""
        across = plus(times(self.a, math.cos(angle)), times(self.b, math.sin(angle)))
        return plus(plus(self.centre, times(self.sweep, float(end))), across)

    def rim_on_paper(self, end: int) -> tuple[Ellipse, Callable[[float], float]]:
        """The ellipse that a rim is seen as, and its angle for an angle of the rim.

        With the rim's angle counted from where it is furthest away, depth is c + a·cos φ, and the
        substitution of the eccentric anomaly, cos ψ = (a + c·cos φ) / (c + a·cos φ), makes the
        projection linear in cos ψ and sin ψ: centre and half-diameters stand there as they are.
        """
        turned = math.atan2(self.b[2], self.a[2])
        cos, sin = math.cos(turned), math.sin(turned)
        far = plus(times(self.a, cos), times(self.b, sin))
        side = minus(times(self.b, cos), times(self.a, sin))
        middle = plus(self.centre, times(self.sweep, float(end)))
        c, a = middle[2], far[2]
        square = c * c - a * a
        root = math.sqrt(square)
        ellipse = Ellipse(
            ((middle[0] * c - far[0] * a) / square, (middle[1] * c - far[1] * a) / square),
            ((far[0] * c - middle[0] * a) / square, (far[1] * c - middle[1] * a) / square),
            (side[0] / root, side[1] / root),
        )

        def seen_angle(angle: float) -> float:
            phi = angle - turned
            return math.atan2(root * math.sin(phi), a + c * math.cos(phi))

        return ellipse, seen_angle

    @cached_property
    def eye(self) -> Vector:
        """The eye in the cylinder's own coordinates."""
        return self.own((0.0, 0.0, 0.0))

    @cached_property
    def outline_angles(self) -> list[float]:
        """Where the two lines of its outline stand; none when the eye looks along the inside."""
        u, v, _ = self.eye
        return around_circle(lambda t: u * math.cos(t) + v * math.sin(t) - 1.0, 1)

    def end_shows(self, end: int) -> bool:
        """Whether the eye sees the flat end."""
        return self.eye[2] < 0.0 if end == 0 else self.eye[2] > 1.0

    def rim_shows(self, end: int, angle: float) -> bool:
        """Whether the cylinder itself leaves its rim in sight there: its end or its side shows."""
        u, v, _ = self.eye
        return self.end_shows(end) or u * math.cos(angle) + v * math.sin(angle) > 1.0

    def outline(self) -> Solid:
        """The two straight lines of the outline, as edges without faces."""
        places = [self.rim(end, angle) for angle in self.outline_angles for end in (0, 1)]
        edges = tuple(Edge(k, k + 1, self.sweep_family, (-1, -1)) for k in range(0, len(places), 2))
        shape = Shape((), edges)
        return Solid(self.part, tuple(places), shape, self.transparent, self.floating)

    def stretch_hidden_before(self, place: Vector) -> tuple[float, float] | None:
        """The part of the line of sight within the solid: 0 at the eye, 1 at the place."""
        eye, there = self.eye, self.own(place)
        along = minus(there, eye)
        first, last = 0.0, math.inf
        if along[2] == 0.0:
            if not 0.0 < eye[2] < 1.0:
                return None
        else:
            ends = sorted(((0.0 - eye[2]) / along[2], (1.0 - eye[2]) / along[2]))
            first, last = max(first, ends[0]), min(last, ends[1])
        square = along[0] ** 2 + along[1] ** 2
        half = eye[0] * along[0] + eye[1] * along[1]
        rest = eye[0] ** 2 + eye[1] ** 2 - 1.0
        under = half * half - square * rest
        if under <= 0.0 or square == 0.0:
            return (first, last) if square == 0.0 and rest < 0.0 and last > first else None
        reach = math.sqrt(under)
        first = max(first, (-half - reach) / square)
        last = min(last, (-half + reach) / square)
        return (first, last) if last - first > BARELY else None

    @cached_property
    def _rows(self) -> tuple[Vector, Vector, Vector]:
        """The inverse of the matrix whose columns are a, b and sweep."""
        bc, ca, ab = cross(self.b, self.sweep), cross(self.sweep, self.a), cross(self.a, self.b)
        det = dot(self.a, bc)
        return times(bc, 1.0 / det), times(ca, 1.0 / det), times(ab, 1.0 / det)

    def leaves_rim_to(self, end: int, other: RoundSolid, listed_first: bool) -> bool:
        """Whether a rim that both share is drawn as the other's: as the nearer one's, if the rim
        parts the two, and else as that of the one `listed_first`, whether the other is it.
        """
        middle = self.own(plus(other.centre, times(other.sweep, 0.5)))[2]
        parts = middle < 0.0 if end == 0 else middle > 1.0
        if not parts or by_list(self, other):
            return listed_first
        return self.end_shows(end)

    def same_rim(self, end: int, other: RoundSolid, other_end: int) -> bool:
        """Whether two rims are one circle of space."""
        for k in range(5):
            u, v, s = other.own(self.rim(end, TURN * k / 5))
            if abs(s - other_end) > 1e-7 or abs(u * u + v * v - 1.0) > 1e-7:
                return False
        return True
