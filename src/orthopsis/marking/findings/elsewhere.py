"""Edges that are missing because they were drawn to another point than their own.

Such a line begins at a corner of the missing edge and leads to another point, perhaps on along an
edge that rightly does; nothing of the exercise lies where it ends.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from typing import NamedTuple

import numpy as np

from orthopsis.marking.findings.one import Finding, JudgedSheet
from orthopsis.marking.judging.answer_key import Expected, distances
from orthopsis.marking.judging.families import signed_turn_deg
from orthopsis.perspective.segments import XY
from orthopsis.perspective.view import FREE
from orthopsis.phrase import Number, PointName, say

AT_THE_CORNER_MM = 2.0
CLEAR_MM = 1.2
"""What lies no nearer to an edge is not on it."""
LEAST_MM, LEAST_SHARE = 6.0, 0.35
"""So far it reaches from the corner at least, and so much of the missing edge's length."""


class Elsewhere(NamedTuple):
    """What is said of some of the missing edges, and those that are left."""

    said: list[Finding]
    left: list[Expected]


def drawn_elsewhere(sheet: JudgedSheet, gone: Sequence[Expected]) -> Elsewhere:
    """The missing edges for which a line was drawn that leads to another point."""
    points = {point.name for point in sheet.points}
    said, left, taken = list[Finding](), list[Expected](), set[int]()
    for edge in gone:
        number = None
        if edge.stroke.family in points:
            number = next((n for n in _instead(sheet, edge) if n not in taken), None)
        if number is None:
            left.append(edge)
            continue
        taken.add(number)
        line = sheet.judged[number]
        if line.family in points:
            goes = say("goes-to", other=PointName(line.family))
        else:
            goal, found = sheet.key.goals[edge.stroke.family], line.assigned.found
            turn = abs(signed_turn_deg(found.start, found.end, goal))
            goes = say("goes-off", angle=Number(turn))
        name = PointName(edge.stroke.family)
        said.append(sheet.of_lines("wrong-point", "fix", [number], point=name, goes=goes))
    return Elsewhere(said, left)


def _instead(sheet: JudgedSheet, edge: Expected) -> Iterable[int]:
    """The lines that may have been drawn instead of an edge, by their numbers."""
    edges = sheet.key.segments[sheet.key.outlines > 0.5]
    least_mm = max(LEAST_MM, LEAST_SHARE * math.dist(*edge.stroke.segment))
    for n, line in enumerate(sheet.judged):
        found, own = line.assigned.found, line.assigned.expected
        if not found.dark or (own is not None and not own.outline):
            continue
        if line.family in (edge.stroke.family, FREE) or line.assigned.both:
            continue
        for corner in edge.stroke.segment:
            far = _far_end(found.start, found.end, corner)
            if far is None or math.dist(far, corner) < least_mm:
                continue
            beyond = [(corner[0] + k * (far[0] - corner[0]), corner[1] + k * (far[1] - corner[1]))
                      for k in (0.7, 0.85, 0.97)]  # fmt: skip
            if float(np.min(distances(beyond, edges))) > CLEAR_MM:
                yield n


def _far_end(start: XY, end: XY, corner: XY) -> XY | None:
    """The end of a line that is further from a corner, if the line runs by the corner."""
    size = math.dist(start, end)
    ux, uy = (end[0] - start[0]) / size, (end[1] - start[1]) / size
    along = (corner[0] - start[0]) * ux + (corner[1] - start[1]) * uy
    beside = abs((corner[0] - start[0]) * uy - (corner[1] - start[1]) * ux)
    near = -AT_THE_CORNER_MM <= along <= size + AT_THE_CORNER_MM
    if beside > AT_THE_CORNER_MM or not near:
        return None
    return end if along < size / 2.0 else start
