"""The faces of a pupil's own drawing: their corners, their middle as we see it, and the ruler's."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import NamedTuple

import numpy as np

from orthopsis.exercise.resolve import solids
from orthopsis.marking.judging.answer_key import AnswerKey, distances
from orthopsis.marking.judging.verdicts import JudgedStroke
from orthopsis.perspective.plane import Line, Point, join, meet
from orthopsis.perspective.segments import XY
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import on_paper
from orthopsis.picture.facets import flat_quads

SIDE_MM = 1.0
"""How near a face's side lies to the edge of the drawing that it is."""
LEAST_SIDE_MM = 12.0
CLEARLY_MM = 1.5


class SeenFace(NamedTuple):
    """A four-sided face as the pupil drew it: its corners, true middle, and the ruler's one."""

    corners: tuple[XY, XY, XY, XY]
    middle: XY
    halfway: XY


def faces(key: AnswerKey, strokes: Sequence[JudgedStroke]) -> list[SeenFace]:
    """The faces whose four sides were found, with where the diagonals of the drawing cross.

    `halfway` is the mean of the corners: what a ruler's measure would give, and wrong on any face
    that recedes.
    """
    found = []
    for solid in solids(key.scene):
        for quad in flat_quads(solid):
            places = list(map(on_paper, quad))
            sides = [
                _drawn_side(strokes, places[k], places[(k + 1) % 4], solid.part) for k in range(4)
            ]
            lines = [side for side in sides if side is not None]
            if len(lines) < 4:
                continue
            corners = [meet(lines[k - 1], lines[k]) for k in range(4)]
            if any(corner.at_infinity for corner in corners):
                continue
            a, b, c, d = (corner.xy for corner in corners)
            middle = meet(join(corners[0], corners[2]), join(corners[1], corners[3]))
            if not middle.at_infinity:
                halfway = (a[0] + b[0] + c[0] + d[0]) / 4, (a[1] + b[1] + c[1] + d[1]) / 4
                found.append(SeenFace((a, b, c, d), middle.xy, halfway))
    # Large faces first, of those on which the ruler's halfway is clearly wrong.
    return sorted(found, key=lambda f: (math.dist(f.middle, f.halfway) < CLEARLY_MM, -_area(f)))


def _area(face: SeenFace) -> float:
    (ax, ay), (bx, by), (cx, cy), (dx, dy) = face.corners
    return abs((cx - ax) * (dy - by) - (cy - ay) * (dx - bx)) / 2


def _drawn_side(strokes: Sequence[JudgedStroke], start: XY, end: XY, part: Part) -> Line | None:
    """The pupil's line for a face's side; None when it is short, hidden or was not found."""
    if math.dist(start, end) < LEAST_SIDE_MM:
        return None
    for stroke in strokes:
        edge = stroke.assigned.expected
        if edge is None or not edge.outline or edge.stroke.part != part:
            continue
        side = np.array([[*start, *end]])
        if distances([*edge.stroke.segment], side).max() < SIDE_MM:
            found = stroke.assigned.found
            return join(Point(*found.start), Point(*found.end))
    return None
