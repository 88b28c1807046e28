"""The ruler's geometry: points and lines of the sheet in homogeneous coordinates.

A point is (x, y, w): on the paper at (x/w, y/w) mm when w is not zero, otherwise the point at
infinity in the direction (x, y). A line a·x + b·y + c·w = 0 joins two points and two lines meet
in one point, always: parallel lines meet at infinity, which is a normal answer here.
Source: H. S. M. Coxeter, Projective Geometry, ch. 12 (homogeneous coordinates; from memory).
"""

from __future__ import annotations

import math
from typing import NamedTuple


class Point(NamedTuple):
    """A point of the sheet, finite or at infinity; x and y in mm when w is 1."""

    x: float
    y: float
    w: float = 1.0

    @property
    def at_infinity(self) -> bool:
        return self.w == 0.0

    @property
    def xy(self) -> tuple[float, float]:
        """Millimetres from the sheet's top left; raises ZeroDivisionError at infinity."""
        return self.x / self.w, self.y / self.w


class Line(NamedTuple):
    """The line a·x + b·y + c = 0 of the sheet."""

    a: float
    b: float
    c: float


UPRIGHT = Point(0.0, 1.0, 0.0)
"""Where all uprights of the sheet meet: at infinity, straight down."""

LEVEL = Point(1.0, 0.0, 0.0)
"""Where all level lines of the sheet meet: at infinity, to the right."""

UPWARD = Point(0.0, -1.0, 0.0)
"""Straight up, as a direction of the sheet."""

LEFT = Point(-1.0, 0.0, 0.0)
"""Level to the left, as a direction of the sheet."""


def join(p: Point, q: Point) -> Line:
    """The line through two points; (0, 0, 0) when they are the same point.

    >>> join(Point(0, 5), LEVEL)
    Line(a=0.0, b=1.0, c=-5.0)
    """
    return Line(p.y * q.w - p.w * q.y, p.w * q.x - p.x * q.w, p.x * q.y - p.y * q.x)


def meet(m: Line, n: Line) -> Point:
    """Where two lines cross, with w = 1 when it is on paper; at infinity when they are parallel.

    >>> meet(Line(0, 1, -5), Line(1, 0, -3))
    Point(x=3.0, y=5.0, w=1.0)
    >>> meet(Line(0, 1, -5), Line(0, 1, -9)).at_infinity
    True
    """
    x, y, w = m.b * n.c - m.c * n.b, m.c * n.a - m.a * n.c, m.a * n.b - m.b * n.a
    return Point(x, y, 0.0) if w == 0.0 else Point(x / w, y / w, 1.0)


def distance(p: Point, q: Point) -> float:
    """Millimetres between two points on paper."""
    (px, py), (qx, qy) = p.xy, q.xy
    return math.hypot(qx - px, qy - py)


def distance_point_line(p: Point, line: Line) -> float:
    """Millimetres from a point on paper to a line, always positive."""
    x, y = p.xy
    return abs(line.a * x + line.b * y + line.c) / math.hypot(line.a, line.b)


def toward(p: Point, q: Point, length_mm: float) -> Point:
    """The point `length_mm` from p in the direction of q, which may lie at infinity.

    >>> toward(Point(0, 0), Point(3, 4), 10)
    Point(x=6.0, y=8.0, w=1.0)
    """
    x, y = p.xy
    dx, dy = direction(p, q)
    return Point(x + dx * length_mm, y + dy * length_mm)


def direction(p: Point, q: Point) -> tuple[float, float]:
    """Unit vector from p on paper to q, finite or at infinity; (0, 0) when they coincide."""
    x, y = p.xy
    dx, dy = (q.x, q.y) if q.at_infinity else (q.x / q.w - x, q.y / q.w - y)
    length = math.hypot(dx, dy)
    return (dx / length, dy / length) if length else (0.0, 0.0)


def part_way(p: Point, q: Point, fraction: float) -> Point:
    """The point that divides p–q, both on paper, at `fraction` of the way from p."""
    (px, py), (qx, qy) = p.xy, q.xy
    return Point(px + (qx - px) * fraction, py + (qy - py) * fraction)


def angle_deg(corner: Point, p: Point, q: Point) -> float:
    """The angle p–corner–q in degrees, 0 to 180.

    >>> angle_deg(Point(0, 0), Point(5, 0), UPRIGHT)
    90.0
    """
    (ax, ay), (bx, by) = direction(corner, p), direction(corner, q)
    return math.degrees(math.atan2(abs(ax * by - ay * bx), ax * bx + ay * by))


def turn(p: Point, q: Point, r: Point) -> float:
    """Twice the area of the triangle p q r on paper, positive when it runs clockwise to the eye.

    Clockwise to the eye because y points down the sheet.
    """
    (px, py), (qx, qy), (rx, ry) = p.xy, q.xy, r.xy
    return (qx - px) * (ry - py) - (qy - py) * (rx - px)
