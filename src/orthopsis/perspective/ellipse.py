"""The ellipse on the sheet: what every circle in perspective before the eye is.

It is kept by its centre and two conjugate half-diameters, and walked around by an angle θ:
centre + cos θ · a + sin θ · b. Its lines and points of contact are those of a unit circle.
Source: H. S. M. Coxeter, Projective Geometry, ch. 8 (conics through five points; from memory).
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import NamedTuple

from orthopsis.perspective.plane import Line, Point, join
from orthopsis.perspective.roots import TURN, along_line, around_circle
from orthopsis.perspective.segments import XY, Box, Portion, Segment, at, box_of

CHORD_MM = 0.02
"""A curve is put out as chords that stay this close to it."""


class Ellipse(NamedTuple):
    """Centre and conjugate half-diameters, mm on the sheet."""

    centre: XY
    a: XY
    b: XY

    @classmethod
    def through(cls, points: Sequence[Point]) -> Ellipse:
        """The ellipse through five points of the sheet.

        Of the conics through the first four, l₁₂·l₃₄ and l₁₃·l₂₄ are two; their mixture that
        vanishes at the fifth is the one. Raises ValueError when the conic is no ellipse, or when
        three of the points lie on one line.
        """
        p, q, r, s, t = points
        first, second = (join(p, q), join(r, s)), (join(p, r), join(q, s))
        one = _value(first[0], t) * _value(first[1], t)
        two = _value(second[0], t) * _value(second[1], t)
        mixed = [
            two * u - one * v for u, v in zip(_product(*first), _product(*second), strict=True)
        ]
        return cls.of_conic(*mixed)

    @classmethod
    def touching(cls, start: Point, corner: Point, end: Point, through: Point) -> Ellipse:
        """The ellipse that touches the lines from a corner at `start` and at `end`, and goes
        through a further point.

        Both lines together, and the chord between the points of contact taken twice, are two
        conics that touch there; their mixture that vanishes at the point is the one. Raises
        ValueError when it is no ellipse.
        """
        pair, chord = (join(corner, start), join(corner, end)), join(start, end)
        one = _value(pair[0], through) * _value(pair[1], through)
        two = _value(chord, through) ** 2
        mixed = [
            two * u - one * v for u, v in zip(_product(*pair), _product(chord, chord), strict=True)
        ]
        return cls.of_conic(*mixed)

    @classmethod
    def of_conic(cls, xx: float, xy: float, yy: float, x: float, y: float, rest: float) -> Ellipse:
        """The ellipse xx·x² + xy·x·y + yy·y² + x·x + y·y + rest = 0; ValueError for another."""
        det = 4.0 * xx * yy - xy * xy
        if det <= 1e-12 * (abs(xx) + abs(yy)) ** 2:
            raise ValueError("the curve is no ellipse")
        cx, cy = (xy * y - 2.0 * yy * x) / det, (xy * x - 2.0 * xx * y) / det
        level = -(rest + (x * cx + y * cy) / 2.0)
        m, n, k = xx / level, xy / 2.0 / level, yy / level
        if m <= 0.0 or m * k - n * n <= 0.0:
            raise ValueError("the curve is no ellipse")
        # (p − c)ᵀ·Q·(p − c) = 1 with Q = L·Lᵀ: the half-diameters are the columns of L⁻ᵀ.
        l11 = math.sqrt(m)
        l21 = n / l11
        l22 = math.sqrt(k - l21 * l21)
        return cls((cx, cy), (1.0 / l11, 0.0), (-l21 / (l11 * l22), 1.0 / l22))

    def point(self, angle: float) -> XY:
        """The point at an angle."""
        c, s = math.cos(angle), math.sin(angle)
        (x, y), (ax, ay), (bx, by) = self
        return x + c * ax + s * bx, y + c * ay + s * by

    def unit(self, point: XY, w: float = 1.0) -> tuple[float, float]:
        """A point, or with w = 0 a direction, in the coordinates of the unit circle."""
        (cx, cy), (ax, ay), (bx, by) = self
        x, y = point[0] - w * cx, point[1] - w * cy
        det = ax * by - ay * bx
        return (x * by - y * bx) / det, (ax * y - ay * x) / det

    def angle(self, point: XY) -> float:
        """The angle at which a point of the curve lies, 0 to 2π."""
        u, v = self.unit(point)
        return math.atan2(v, u) % TURN

    def contains(self, point: XY) -> bool:
        """Whether a point lies within the curve."""
        u, v = self.unit(point)
        return u * u + v * v < 1.0

    def angles_on_line(self, line: Line) -> list[float]:
        """Where the curve meets a line."""
        return around_circle(lambda t: _value(line, Point(*self.point(t))), 1)

    def angles_on(self, other: Ellipse) -> list[float]:
        """Where the curve meets another ellipse, up to four times."""

        def within(angle: float) -> float:
            u, v = other.unit(self.point(angle))
            return u * u + v * v - 1.0

        return around_circle(within, 2)

    def touched_from(self, point: Point) -> list[float]:
        """Where lines through a point, which may lie at infinity, touch the curve: two or none."""
        u, v = self.unit((point.x, point.y), point.w)
        return around_circle(lambda t: u * math.cos(t) + v * math.sin(t) - point.w, 1)

    def portion_inside(self, segment: Segment) -> Portion | None:
        """The portion of a segment within the curve; None when it misses it."""

        def within(t: float) -> float:
            u, v = self.unit(at(segment, t))
            return u * u + v * v - 1.0

        ends = along_line(within, 2)
        if len(ends) < 2:
            return None
        t0, t1 = max(0.0, ends[0]), min(1.0, ends[1])
        return (t0, t1) if t1 - t0 > 1e-12 else None

    def chords(self, start: float, end: float, within_mm: float = CHORD_MM) -> list[XY]:
        """Points of the curve from one angle to a larger one, with chords as close as asked."""
        (_, (ax, ay), (bx, by)) = self
        longest = math.sqrt(ax * ax + ay * ay + bx * bx + by * by)
        step = 2.0 * math.acos(max(0.0, 1.0 - 0.95 * within_mm / max(longest, within_mm)))
        count = max(1, math.ceil((end - start) / step))
        return [self.point(start + (end - start) * k / count) for k in range(count + 1)]


class EllipseArc(NamedTuple):
    """A part of an ellipse from one angle to a larger one."""

    ellipse: Ellipse
    start: float
    stop: float

    @classmethod
    def between(cls, ellipse: Ellipse, ends: tuple[XY, XY], through: XY) -> EllipseArc:
        """The arc from one point of an ellipse to another, on the side of a third."""
        first, last = (ellipse.angle(end) for end in ends)
        middle = ellipse.angle(through)
        if (middle - first) % TURN > (last - first) % TURN:
            first, last = last, first
        return cls(ellipse, first, first + (last - first) % TURN)

    def spans(self, angle: float, slack: float = 1e-9) -> bool:
        """Whether an angle lies between its ends."""
        return (angle - self.start + slack) % TURN <= self.stop - self.start + 2.0 * slack

    def holds(self, point: XY, within_mm: float) -> bool:
        """Whether a point lies on the arc."""
        angle = self.ellipse.angle(point)
        return math.dist(self.ellipse.point(angle), point) <= within_mm and self.spans(angle, 0.0)

    @property
    def barely_seen(self) -> bool:
        """Whether it is too short for a pencil, as where two curves all but touch."""
        if self.stop - self.start > 1.0:
            return False
        return math.dist(*(self.ellipse.point(angle) for angle in (self.start, self.stop))) < 1e-4

    @property
    def box(self) -> Box:
        """Left, top, right and bottom, at its ends or where it goes furthest."""
        (_, (ax, ay), (bx, by)) = self.ellipse
        far = [math.atan2(bx, ax), math.atan2(by, ay)]
        angles = [angle + half for angle in far for half in (0.0, math.pi)]
        furthest = [angle for angle in angles if self.spans(angle)]
        return box_of(self.ellipse.point(angle) for angle in (self.start, self.stop, *furthest))


def _value(line: Line, point: Point) -> float:
    return line.a * point.x + line.b * point.y + line.c * point.w


def _product(m: Line, n: Line) -> tuple[float, float, float, float, float, float]:
    """The pair of lines as a conic: coefficients of x², xy, y², x, y and 1."""
    return (
        m.a * n.a, m.a * n.b + m.b * n.a, m.b * n.b,
        m.a * n.c + m.c * n.a, m.b * n.c + m.c * n.b, m.c * n.c,
    )  # fmt: skip
