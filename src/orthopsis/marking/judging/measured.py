"""A measure that was set wrongly is one mistake, however many lines follow from it.

Where edges of a thing lack pencil and dark lines beside them belong to nothing, each measure that a
pupil sets for that thing is tried: how far it is off is read from how the edges move with it. The
one by which what moved lies under pencil in its new place, and did not in the old one, is taken,
and everything else is held against the drawing as it follows from it.
"""

from __future__ import annotations

import math
from collections import defaultdict
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace
from typing import NamedTuple

import numpy as np

from orthopsis.errors import ExerciseError
from orthopsis.exercise.change import with_changes
from orthopsis.exercise.forgiveness import SetMeasure, set_measures
from orthopsis.exercise.resolve import Scene, picture, resolve
from orthopsis.marking.fitting import Array, ends_of
from orthopsis.marking.judging.answer_key import (
    BESIDE_MM,
    AnswerKey,
    Measured,
    answer_key,
    mm_beside,
)
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.perspective.segments import XY
from orthopsis.perspective.stroke import Role, Stroke

LEAST_MM = 20.0
"""A shorter edge that is not where it should be tells nothing."""
APART_MM = 3.5
"""An edge that lies less beside its place is misplaced by itself."""
PROBE_MM = 4.0
"""A measure is moved by so much to see which way the edges go."""
SAME_WAY = math.sin(math.radians(8.0))
"""An edge keeps its way so nearly, though where it leads from has moved."""
LOOSE, HELD = 0.25, 0.8
"""So little of an edge lies under pencil where it is not, and so much where it is."""
CLOSE_MM = 1.0
"""So near a line is one with an edge."""
GAIN_MM = 25.0
"""So much more of the drawing lies under pencil, or nothing is said."""
MOSTLY = 0.9
"""What explains so much of all that is not in its place is the cause."""
MOST = 2
"""So many measures of one sheet are told."""
TRIES = 12
"""So many amounts are tried, the likeliest first: a sheet is judged while somebody waits."""
CLOSER = 3
EXACTLY_MM = 0.2
"""So often a measure is set once more, unless its edge lies so near to its line."""
ALIKE = 0.12
"""Amounts that differ by less may be one, as edges do not move evenly."""
LEAST_SHARE, MOST_SHARE = 0.15, 4.0
"""Nobody measures less of what is asked, or more."""
LEAST_PACE = 0.02
"""An edge that moves by less for each millimetre of a measure does not tell of it."""


class _Drawn(NamedTuple):
    """A scene and its straight outlines, by their part and family."""

    scene: Scene
    edges: Mapping[tuple[object, str], Sequence[Stroke]]

    @classmethod
    def of(cls, scene: Scene) -> _Drawn:
        edges = defaultdict[tuple[object, str], list[Stroke]](list)
        for stroke in picture(scene):
            if stroke.role is Role.OUTLINE and stroke.curve is None:
                edges[stroke.part, stroke.family].append(stroke)
        return cls(scene, edges)

    @property
    def all(self) -> list[Stroke]:
        return [stroke for some in self.edges.values() for stroke in some]

    def off(self, measure: SetMeasure, mm: float) -> _Drawn | None:
        """The same with a measure so much longer; None where nothing can be drawn so."""
        try:
            return _Drawn.of(resolve(with_changes(self.scene.exercise, [measure.off(mm)])))
        except ExerciseError:
            return None

    def twin(self, stroke: Stroke, after: _Drawn, near: Array) -> Stroke | None:
        """The same edge as one of this drawing, where the drawing has changed: if edges have come
        or gone, the one that runs nearest to a line.
        """
        place = stroke.part, stroke.family
        here, there = self.edges[place], after.edges.get(place, ())
        if len(here) == len(there):
            return there[here.index(stroke)]
        return min(there, key=lambda one: abs(_beside(one, near)), default=None)

    def moved_from(self, before: _Drawn) -> list[Stroke]:
        """The edges that have no place on an edge of the drawing before, drawn on or not."""
        return [
            stroke for place, some in self.edges.items() for stroke in some
            if not any(_in_place(stroke, other) for other in before.edges.get(place, ()))
        ]  # fmt: skip


def with_measures_of(key: AnswerKey, found: Sequence[FoundStroke]) -> AnswerKey:
    """The key with what was plainly measured otherwise where the lines have it."""
    lines = ends_of([line for line in found if line.dark] or found)
    drawn, told = _Drawn.of(key.scene), list[Measured]()
    for _ in range(MOST):
        better = _best(drawn, lines)
        if better is None:
            break
        drawn, one = better
        told.append(one)
    if not told:
        return key
    other = answer_key(drawn.scene, key.step)
    return replace(other, sized=key.sized, measured=tuple(told))


def _best(drawn: _Drawn, lines: Array) -> tuple[_Drawn, Measured] | None:
    """The measure that explains most, if one explains what is not in its place."""
    loose = [
        stroke for stroke in drawn.all
        if math.dist(*stroke.segment) >= LEAST_MM and _held(stroke, lines, BESIDE_MM) <= LOOSE
    ]  # fmt: skip
    rows = ends_of(drawn.all)
    free = [
        line for line in lines
        if math.dist(line[:2], line[2:]) >= LEAST_MM / 2
        and np.median(mm_beside(line[:2], line[2:], rows)) > BESIDE_MM
    ]  # fmt: skip
    if not loose or not free:
        return None
    parts = {stroke.part for stroke in loose}
    numbers = {part.number for part in drawn.scene.parts if part.drawn.part in parts}
    parts = {stroke.part for stroke in loose}
    numbers = {part.number for part in drawn.scene.parts if part.drawn.part in parts}
    guesses = [
        guess
        for measure in set_measures(drawn.scene)
        if measure.path[0] == "pieces" and measure.path[1] in numbers
        for guess in _guesses(drawn, measure, loose, free)
    ]
    lost_mm = sum(math.dist(*stroke.segment) for stroke in loose)
    best: tuple[float, _Drawn, Measured] | None = None
    for guess in sorted(guesses, key=lambda one: -one.weight_mm)[:TRIES]:
        other, measured = _tried(drawn, guess)
        gain = _gain(drawn, other, lines) if other else 0.0
        if other and gain > (best[0] if best else GAIN_MM):
            best = gain, other, measured
        if gain > MOSTLY * lost_mm:
            break
    return best and best[1:]


class _Guess(NamedTuple):
    """How far a measure may be off: as an edge shows it that lies on a line then. `weight_mm` is
    how much of the edges that are missed would lie on lines so.
    """

    measure: SetMeasure
    mm: float
    pace: float
    stroke: Stroke
    line: Array
    weight_mm: float


def _guesses(
    drawn: _Drawn, measure: SetMeasure, loose: Sequence[Stroke], free: Sequence[Array]
) -> Iterator[_Guess]:
    """How far a measure may be off: each amount once."""
    probed = drawn.off(measure, PROBE_MM)
    if probed is None:
        return
    found = list[_Guess]()
    for stroke in loose:
        twin = drawn.twin(stroke, probed, ends_of([stroke])[0])
        pace = 0.0 if twin is None else _beside(stroke, ends_of([twin])[0]) / PROBE_MM
        if abs(pace) < LEAST_PACE:
            continue
        for line in free:
            aside = _beside(stroke, line)
            if _same_way(stroke, line) and abs(aside) > APART_MM:
                long = math.dist(*stroke.segment)
                found.append(_Guess(measure, aside / pace, pace, stroke, line, long))
    asked_mm = measure.value / measure.per_mm
    while found:
        first = max(found, key=lambda one: one.weight_mm)
        within_mm = ALIKE * abs(first.mm) + CLOSE_MM
        alike = [one for one in found if abs(one.mm - first.mm) <= within_mm]
        found = [one for one in found if abs(one.mm - first.mm) > within_mm]
        if LEAST_SHARE < (asked_mm + first.mm) / asked_mm < MOST_SHARE:
            yield first._replace(weight_mm=sum({id(o.stroke): o.weight_mm for o in alike}.values()))


def _tried(drawn: _Drawn, guess: _Guess) -> tuple[_Drawn | None, Measured]:
    """The drawing with a measure so far off as its edge lies on its line exactly."""
    measure, mm, pace, stroke, line, _ = guess
    other, where = drawn.off(measure, mm), _middle(stroke)
    # In perspective an edge does not move evenly with its measure.
    for _ in range(CLOSER):
        twin = other and drawn.twin(stroke, other, line)
        if twin is None:
            break
        where = _middle(twin)
        aside = _beside(twin, line)
        if abs(aside) < EXACTLY_MM:
            break
        mm += aside / pace
        other = drawn.off(measure, mm)
    asked_mm = measure.value / measure.per_mm
    return other, Measured(measure.path, asked_mm, asked_mm + mm, where)


def _middle(stroke: Stroke) -> XY:
    (x0, y0), (x1, y1) = stroke.segment
    return (x0 + x1) / 2, (y0 + y1) / 2


def _beside(stroke: Stroke, line: Array) -> float:
    """How far a line runs beside the middle of an edge, to its left less than nothing (mm)."""
    (x0, y0), (x1, y1) = stroke.segment
    long = math.dist(*stroke.segment)
    nx, ny = (y0 - y1) / long, (x1 - x0) / long
    (x, y), (ax, ay, bx, by) = _middle(stroke), line
    across = (bx - ax) * nx + (by - ay) * ny
    along = (bx - ax) * ny - (by - ay) * nx
    # On to where the line is beside the middle, not beyond its end.
    gone = (ax - x) * ny - (ay - y) * nx
    return float((ax - x) * nx + (ay - y) * ny - across * (gone / along if along else 0.0))


def _same_way(stroke: Stroke, line: Array) -> bool:
    (x0, y0), (x1, y1) = stroke.segment
    ax, ay, bx, by = line
    turn = (x1 - x0) * (by - ay) - (y1 - y0) * (bx - ax)
    return bool(abs(turn) < SAME_WAY * math.dist(*stroke.segment) * math.dist((ax, ay), (bx, by)))


def _held(stroke: Stroke, lines: Array, within_mm: float) -> float:
    """How much of an edge lies under pencil, 0 to 1."""
    return float((mm_beside(*stroke.segment, lines) <= within_mm).mean())


def _gain(before: _Drawn, after: _Drawn, lines: Array) -> float:
    """How much more lies under pencil (mm), where that is so for all that moved; else nothing."""
    long_old, held_old = _under(before.moved_from(after), lines, BESIDE_MM)
    long_new, held_new = _under(after.moved_from(before), lines, CLOSE_MM)
    if held_new < HELD * long_new or held_old > LOOSE * long_old:
        return 0.0
    return held_new - held_old


def _in_place(one: Stroke, other: Stroke) -> bool:
    line = ends_of([other])[0]
    return _same_way(one, line) and abs(_beside(one, line)) < CLOSE_MM


def _under(strokes: Sequence[Stroke], lines: Array, within_mm: float) -> tuple[float, float]:
    """How long some edges are, and how much of them lies under pencil (mm)."""
    longs = [math.dist(*stroke.segment) for stroke in strokes]
    held = (long * _held(one, lines, within_mm) for long, one in zip(longs, strokes, strict=True))
    return sum(longs), sum(held)
