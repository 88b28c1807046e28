"""How a small misreading grows through a construction.

Each reading of the ruler is off by a little, independently of all others. A mark remembers how far
each reading moves it; a line, how far each moves it across itself; a crossing follows from both of
its lines. So readings that lines share, such as the place of a vanishing point, count only once.
First order. Source: the propagation of errors of the theory of observations (from memory).
"""

from __future__ import annotations

import math
from collections.abc import Mapping

from orthopsis.perspective.plane import Line, Point, distance

Sway = Mapping[int, tuple[float, float]]
"""By the number of a reading: how far a mark moves, in x and y, when it is off by one."""

Swing = dict[int, float]
"""The same for a line, at one place and at a right angle to it."""

FIRM: Sway = {}
"""The sway of what no reading moves, such as a direction at infinity."""


def doubt(sway: Sway) -> float:
    """The mark's error in its worst direction when each reading is off by one, at random."""
    xx = sum(x * x for x, _ in sway.values())
    yy = sum(y * y for _, y in sway.values())
    xy = sum(x * y for x, y in sway.values())
    return math.sqrt(max(0.0, (xx + yy) / 2.0 + math.hypot((xx - yy) / 2.0, xy)))


def mixed(*parts: tuple[float, Sway]) -> Sway:
    """The sway of a mark that is a mixture of others, each with its share."""
    total: dict[int, tuple[float, float]] = {}
    for share, sway in parts:
        for reading, (x, y) in sway.items():
            dx, dy = total.get(reading, (0.0, 0.0))
            total[reading] = dx + share * x, dy + share * y
    return total


def swing_at(
    line: Line, start: Point, start_sway: Sway, goal: Point, goal_sway: Sway, place: Point
) -> Swing:
    """How readings move a line at a place: as they move both marks that it is laid through, in
    proportion, and beyond them like a lever. Through a point at infinity it shifts with one.
    """
    share = 0.0
    if not goal.at_infinity and not place.at_infinity:
        way = distance(start, goal)
        (sx, sy), (gx, gy), (x, y) = start.xy, goal.xy, place.xy
        share = ((x - sx) * (gx - sx) + (y - sy) * (gy - sy)) / (way * way) if way else 0.0
    size = math.hypot(line.a, line.b)
    a, b = line.a / size, line.b / size
    sway = mixed((1.0 - share, start_sway), (share, goal_sway))
    return {reading: a * x + b * y for reading, (x, y) in sway.items()}


def crossing_sway(first: Line, one: Swing, second: Line, two: Swing) -> Sway:
    """How readings move the mark where two lines cross."""
    size_one, size_two = math.hypot(first.a, first.b), math.hypot(second.a, second.b)
    a, b = first.a / size_one, first.b / size_one
    c, d = second.a / size_two, second.b / size_two
    sine = a * d - b * c
    if abs(sine) < 1e-12:
        return FIRM
    return {
        reading: (
            (d * one.get(reading, 0.0) - b * two.get(reading, 0.0)) / sine,
            (a * two.get(reading, 0.0) - c * one.get(reading, 0.0)) / sine,
        )
        for reading in one.keys() | two.keys()
    }
