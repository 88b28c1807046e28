"""The kind point: where a vanishing point stands so that a pencil can draw everything apart.

A pencil line is half a millimetre wide: edges under a millimetre become blots, and two guide lines
that nearly fall together become one (common practice, no published source).
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from itertools import pairwise
from typing import NamedTuple

from orthopsis.construction.order import NoDrawingOrder
from orthopsis.errors import ExerciseError
from orthopsis.exercise.advice.one import ROUND_MM, Advice
from orthopsis.exercise.advice.things import thinnest_face
from orthopsis.exercise.change import Change
from orthopsis.exercise.document import OnePointView
from orthopsis.exercise.resolve import Scene
from orthopsis.exercise.runthrough import run_through
from orthopsis.perspective.plane import Point, distance_point_line, join
from orthopsis.perspective.segments import XY, length
from orthopsis.phrase import Length, Number, Phrase, PointName, Value, say

LEAST_EDGE_MM = 1.0
"""Shorter edges are narrower than a pencil can tell."""
SAME_MM = 0.02
"""Lines that are no further apart are one line."""
FURTHEST_MM = 60.0
"""The point is not sought further away: the drawing would be another."""
FEWEST_OF = 3
"""Of so many kind places the one with the fewest steps is taken."""
EYE_LEVEL_LATER_MM = 20.0
"""So much further away another eye level counts: it changes more of the picture than a point."""
MOST_LOOKED_AT = 4000
"""So many corners are looked at in all, so that the desk answers at once."""
COUNTING = 8
"""Counting the steps takes so many times as long as looking at the corners."""


class Hair(NamedTuple):
    """What cannot be drawn apart: where it begins, how many edges, how many pairs of lines."""

    where: XY
    edges: int
    pairs: int


def hair_breadths(scene: Scene) -> Iterator[Advice]:
    """Edges and guide lines that a pencil cannot tell apart, with the nearest kind point."""
    hair = _hair(scene)
    if hair is None:
        return
    values: dict[str, Value] = {
        "edges": Number(float(hair.edges)), "pairs": Number(float(hair.pairs)),
        "least": Number(LEAST_EDGE_MM),
    }  # fmt: skip
    found = _kind_place(scene)
    if found is not None:
        values |= {"move": found.said, "steps": Number(float(found.steps))}
    changes = () if found is None else found.changes
    yield Advice.of("hair-breadth", hair.where, float(hair.edges + hair.pairs), values, changes)


class _Move(NamedTuple):
    """A point, or the eye level with its points, in another place; and the steps there are then."""

    said: Phrase
    changes: tuple[Change, ...]
    steps: int = 0


def _kind_place(scene: Scene) -> _Move | None:
    """Of the nearest kind places the one with the fewest steps; None where none nearby is kind."""
    kind: list[_Move] = []
    corners = sum(len(body.corners) for body in scene.bodies)
    left = MOST_LOOKED_AT
    for move in _moves(scene):
        left -= corners
        if left < COUNTING * corners or len(kind) == FEWEST_OF:
            break
        try:
            changed = scene.changed(move.changes)
            if next(_blots(changed), None) is None and not _has_sliver(changed):
                left -= COUNTING * corners
                kind.append(move._replace(steps=len(run_through(changed))))
        except (ExerciseError, NoDrawingOrder, ValueError):
            continue
    return min(kind, default=None, key=lambda move: move.steps)


def _moves(scene: Scene) -> Iterator[_Move]:
    """Other places in round measures, the nearest first: of the points, then of the eye level."""
    view, views = scene.exercise.view, scene.exercise.views
    one_point = isinstance(view, OnePointView)
    fields = ["vanishing_point_mm"] if one_point else ["left_vp_mm", "right_vp_mm"]
    names = [vp.name for vp in scene.main.level_points]
    moves: list[tuple[float, _Move]] = []
    for name, field in zip(names, fields, strict=True):
        here_mm = float(getattr(view, field))
        for mm in _round_places(here_mm):
            said = say("move-point", point=PointName(name), there=Length(mm))
            moves.append((abs(mm - here_mm), _Move(said, (Change(("view", field), mm),))))
    level_mm = view.eye_level_mm
    for mm in _round_places(level_mm):
        paths = [("view", "eye_level_mm"), *(("views", one, "eye_level_mm") for one in views)]
        changes = tuple(Change(path, mm) for path in paths)
        move = _Move(say("move-eye-level", there=Length(mm)), changes)
        moves.append((EYE_LEVEL_LATER_MM + abs(mm - level_mm), move))
    yield from (move for _, move in sorted(moves, key=lambda one: one[0]))


def _round_places(here_mm: float) -> Iterator[float]:
    first = math.ceil((here_mm - FURTHEST_MM) / ROUND_MM)
    for k in range(first, math.floor((here_mm + FURTHEST_MM) / ROUND_MM) + 1):
        if k * ROUND_MM != here_mm:
            yield k * ROUND_MM


def _hair(scene: Scene) -> Hair | None:
    found = list(_blots(scene))
    if not found:
        return None
    edges = sum(is_edge for _, is_edge in found)
    return Hair(found[0][0], edges, len(found) - edges)


def _blots(scene: Scene) -> Iterator[tuple[XY, bool]]:
    """Where something cannot be drawn apart, and whether it is an edge or a pair of lines."""
    points = [vp.at for vp in scene.main.level_points]
    for body in scene.bodies:
        segments = [line.segment for line in body.shown.edges]
        yield from ((one[0], True) for one in segments if SAME_MM < length(one) < LEAST_EDGE_MM)
        yield from ((place, False) for at in points for place in _close_lines(segments, at))


def _close_lines(segments: list[tuple[XY, XY]], point: Point) -> list[XY]:
    """Where two lines to a point begin that are two, but nearly one."""
    lines: list[tuple[float, float, XY]] = []
    for start, end in segments:
        if distance_point_line(point, join(Point(*start), Point(*end))) < 1e-6:
            far = max((start, end), key=lambda place: math.dist(place, point.xy))
            angle = math.atan2(far[1] - point.xy[1], far[0] - point.xy[0])
            lines.append((angle, math.dist(far, point.xy), far))
    found = []
    for (a, from_a, _), (b, from_b, there) in pairwise(sorted(lines)):
        apart = (b - a) * max(from_a, from_b)
        if SAME_MM < apart < LEAST_EDGE_MM:
            found.append(there)
    return found


def _has_sliver(scene: Scene) -> bool:
    return any(thinnest_face(body.shown.faces) is not None for body in scene.bodies)
