"""The mark behind a corner of a carved face: by parallels in one point, else by far rows."""

from __future__ import annotations

import math
from collections.abc import Mapping

from orthopsis.construction.face import Face, plumb
from orthopsis.construction.moves import Mark, Ruled
from orthopsis.perspective.plane import Point, direction
from orthopsis.pieces.carve_steps import Carving
from orthopsis.pieces.profile import Crossing, Slant

GOOD_ANGLE = 0.3
"""Sine of the angle under which two lines cross well: a misreading grows less than fourfold."""


def parallel_behind(carving: Carving, k: int) -> Mark:
    """The mark behind a corner of a front, from another: what is parallel in front is so behind.

    From the corner of a side first, then from one level with it or upright to it, then from any
    by sliding the set square along the ruler. Where all of these run along the corner's own line
    to the vanishing point, another corner is found first.
    """
    paper, marks = carving.paper, carving.marks
    known = [(marks[j], mark) for j, mark in carving.behind.items()]
    given = paper.depths.get(carving.owner.id)
    if given is not None:
        known.append(given)
    sides = {frozenset(side) for side in carving.profile.sides}
    here = marks[k]

    def rank(pair: tuple[Mark, Mark]) -> tuple[int, float]:
        near, _ = pair
        dx, dy = direction(near.at, here.at)
        number = next((j for j, mark in marks.items() if mark is near), -1)
        square = min(abs(dx), abs(dy)) < 1e-9
        kind = 0 if frozenset((number, k)) in sides else 1 if square else 2
        sine = _crossing_sine(near.at, here.at, carving.vp.at)
        return (kind if sine > GOOD_ANGLE else 3, -sine)

    near, far = min(known, key=rank)
    if near.at == here.at:
        return far
    if rank((near, far))[0] == 3:
        helper = _corner_between(carving, near, k)
        if helper is not None:
            near, far = marks[helper], carving.mark_behind(helper, parallel_behind)
    dx, dy = direction(near.at, here.at)
    if abs(dy) < 1e-9:
        line = paper.level(far)
    elif abs(dx) < 1e-9:
        line = paper.upright(far)
    else:
        line = paper.slide(far, paper.along(near, here))
    return paper.cross(line, carving.guide(k))


def _crossing_sine(near: Point, here: Point, vp: Point) -> float:
    """Sine of the angle between the way from a corner to another and that one's guide line."""
    (ax, ay), (bx, by) = direction(near, here), direction(here, vp)
    return abs(ax * by - ay * bx)


def _corner_between(carving: Carving, near: Mark, k: int) -> int | None:
    """The corner by way of which the one behind k is best found."""
    marks, vp = carving.marks, carving.vp.at

    def worst(j: int) -> float:
        there, here = marks[j].at, marks[k].at
        return min(_crossing_sine(near.at, there, vp), _crossing_sine(there, here, vp))

    others = [j for j in marks if j != k and j not in carving.behind]
    best = max(others, key=worst, default=None)
    return best if best is not None and worst(best) > GOOD_ANGLE else None


class Behind:
    """The far side of a face that runs away: its rows start behind the front edge."""

    def __init__(self, carving: Carving, face: Face, block: Mapping[int, Mark]) -> None:
        self.carving, self.face = carving, face
        owner = carving.owner
        near = 1 if owner.run == "left" else 0
        far = owner.face_of_block.far
        self.top, self.foot = block[far[near]], block[far[3 - near]]
        self._rows: dict[float, Ruled] = {}
        self._crossings: dict[Crossing, Mark] = {}

    def row(self, share: float) -> Ruled:
        """A row of the far side, to the same point as the row before it."""
        if share not in self._rows:
            paper, carving = self.carving.paper, self.carving
            if share in (0.0, 1.0):
                start = self.foot if share else self.top
            else:
                back = paper.lay(self.face.level(share), carving.vp)
                start = paper.cross(back, paper.along(self.top, self.foot))
            self._rows[share] = paper.lay(start, carving.points[carving.across])
        return self._rows[share]

    def find(self, carving: Carving, k: int) -> Mark:
        """The mark behind a corner, where its line to the vanishing point meets a far line."""
        corner = carving.profile.corners[k]
        guide = carving.guide(k)
        lines: list[Ruled] = []
        if corner.row is not None:
            lines.append(self.row(carving.profile.rows[corner.row]))
        if not lines or _sine(lines[0], guide) <= GOOD_ANGLE:
            if corner.column is not None:
                lines.append(self._column(corner.column))
            lines += [self._slant(line) for line in corner if isinstance(line, Slant)]
        best = max(lines, key=lambda line: _sine(line, guide))
        return carving.paper.cross(best, guide)

    def _column(self, column: int) -> Ruled:
        """A column of the far side, through its crossing with a row off the eye level."""
        carving = self.carving
        level = carving.stage.view.eye_level_mm
        rows = carving.profile.rows
        row = max(range(len(rows)), key=lambda r: abs(self.face.level(rows[r]).at.y - level))
        return plumb(carving.paper, self._crossing((column, row)), carving.third)

    def _slant(self, slant: Slant) -> Ruled:
        start, end = (self._crossing(crossing) for crossing in slant)
        return self.carving.paper.along(start, end)

    def _crossing(self, crossing: Crossing) -> Mark:
        if crossing not in self._crossings:
            carving = self.carving
            columns, rows = carving.profile.columns, carving.profile.rows
            near = self.face.crossing(columns[crossing[0]], rows[crossing[1]])
            line = carving.paper.lay(near, carving.vp)
            self._crossings[crossing] = carving.paper.cross(self.row(rows[crossing[1]]), line)
        return self._crossings[crossing]


def _sine(one: Ruled, other: Ruled) -> float:
    (a, b, _), (c, d, _) = one.line, other.line
    return abs(a * d - b * c) / (math.hypot(a, b) * math.hypot(c, d))
