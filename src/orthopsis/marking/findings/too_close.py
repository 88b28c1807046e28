"""Points too close together: the commonest reason why a drawing looks wrong though its lines are
right.

The lowest corner looks too sharp, the floor too steep to stand on. Stretched sideways the drawing
is one in perspective still, with its points further apart: that shows what would help.
"""

from __future__ import annotations

import math
from dataclasses import replace
from itertools import combinations
from typing import NamedTuple

from orthopsis.marking.findings.one import Finding, JudgedSheet, finding
from orthopsis.marking.findings.shape import crossing, gap_to
from orthopsis.marking.judging.given import given_by
from orthopsis.perspective.segments import XY
from orthopsis.phrase import About, Number

LEAST_DEG = 100.0
"""A lowest corner under this looks too sharp (common practice, no published source)."""
MEETS_MM = 3.0
"""So near a corner the lines that meet there end."""


class _Lowest(NamedTuple):
    """The lowest corner, the two lines that rise from it, and how far each runs aside for one
    upwards.
    """

    at: XY
    lines: tuple[int, int]
    aside: tuple[float, float]

    @property
    def angle_deg(self) -> float:
        return math.degrees(sum(map(math.atan, self.aside)))


def of_points(sheet: JudgedSheet) -> list[Finding]:
    """Told to pupils who chose the points; asked of the teacher where the exercise gave them."""
    view = sheet.key.scene.main
    if not view.uprights.at.at_infinity or len(view.level_points) != 2:
        return []
    names = {vp.name for vp in view.level_points}
    lowest = _lowest(sheet, names)
    if lowest is None or lowest.angle_deg >= LEAST_DEG:
        return []
    places = [p.found or p.intended.xy for p in sheet.points if p.name in names]
    if len(places) != 2:
        return []
    stretch = stretch_to(LEAST_DEG, *lowest.aside)
    apart_mm = math.dist(*places)
    own = given_by(sheet.key).own_points or any(p.name in names for p in sheet.own_points)
    said = finding(
        "points-too-close", "fix" if own else "ask", lowest.at, lowest.lines,
        None if own else "points-given",
        angle=Number(lowest.angle_deg), apart=About(apart_mm), needed=About(apart_mm * stretch),
    )  # fmt: skip
    return [replace(said, stretch=stretch)]


def stretch_to(angle_deg: float, left: float, right: float) -> float:
    """How many times wider a drawing is when its lowest corner opens to an obtuse angle. The lines
    from it run so far aside, `left` and `right`, for one upwards.

    As tan(a + b) = (tan a + tan b) / (1 − tan a · tan b), stretched s times:
    s·(left + right) = tan(angle)·(1 − s²·left·right).
    """
    turn = math.tan(math.radians(angle_deg))
    square, linear = turn * left * right, left + right
    return (-linear - math.sqrt(linear * linear + 4.0 * square * turn)) / (2.0 * square)


def _lowest(sheet: JudgedSheet, names: set[str]) -> _Lowest | None:
    """The lowest corner at which lines to both points end."""
    lowest: _Lowest | None = None
    for a, b in combinations(range(len(sheet.judged)), 2):
        if {sheet.judged[a].family, sheet.judged[b].family} != names:
            continue
        place = crossing(sheet, a, b)
        if place is None or max(gap_to(sheet, n, place) for n in (a, b)) > MEETS_MM:
            continue
        if lowest is not None and place[1] <= lowest.at[1]:
            continue
        asides = []
        for n in (a, b):
            found = sheet.judged[n].assigned.found
            far = max((found.start, found.end), key=lambda end: math.dist(end, place))
            if far[1] < place[1]:
                asides.append((far[0] - place[0]) / (place[1] - far[1]))
        if len(asides) == 2 and asides[0] * asides[1] < 0.0:
            lowest = _Lowest(place, (a, b), (abs(asides[0]), abs(asides[1])))
    return lowest
