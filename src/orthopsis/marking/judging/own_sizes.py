"""Sizes that pupils choose by eye are theirs: they are read off the lines before these are judged.

A cut that is made by eye lies anywhere on its way. Each line that crosses the way may be where it
was made; the place by which most of what the exercise asks for lies under pencil, and least beside
it, is taken. Everything else of the sheet is as it was given.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import replace
from typing import NamedTuple

import numpy as np

from orthopsis.errors import ExerciseError
from orthopsis.exercise.resolve import Scene, picture, resolve
from orthopsis.marking.fitting import Array, ends_of
from orthopsis.marking.judging.answer_key import BESIDE_MM, AnswerKey, answer_key, mm_beside
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.perspective.segments import XY
from orthopsis.perspective.stroke import Role
from orthopsis.picture.curved_prism import CurvedPrism
from orthopsis.picture.round_solid import RoundSolid
from orthopsis.pieces.base import Grip
from orthopsis.pieces.placement.depth import Cut

LEAST_MM = 4.0
"""No cut is made nearer to its start."""
MOST_SHARE = 0.85
"""Nor further along its way."""
ONE_PLACE_MM = 1.0
"""Lines that cross the way nearer to one another than this are of one cut."""
BEYOND_MM = 4.0
"""So far a line is prolonged to the way: it may end at the corner."""
STEPS_MM = 5.0, 1.5, 0.4
"""What is round is felt for in such steps, each within the last."""
LEAST_ANGLE = math.sin(math.radians(8.0))
BETTER_MM = 8.0
"""So much more of the drawing lies under pencil, or the cut is where it was said to be."""
ROUNDS = 2


class OwnCut(NamedTuple):
    """A cut by eye: the number of its piece, and its way on paper."""

    number: int
    grip: Grip

    def made_at(self, scene: Scene) -> float | None:
        """How far along its way it is made (mm), where that is what the document says."""
        cut = scene.exercise.pieces[self.number].value(self.grip.field)
        return cut.along_mm if isinstance(cut, Cut) else None

    @property
    def way_mm(self) -> float:
        return math.dist(self.grip.start.xy, self.grip.goal.xy)


def own_cuts(scene: Scene) -> Iterator[OwnCut]:
    """The cuts that are made by eye."""
    for number, piece in enumerate(scene.exercise.pieces):
        by_eye = {
            name for name in type(piece.place).model_fields
            if (cut := getattr(piece.place, name)) and isinstance(cut, Cut) and cut.by_eye
        }  # fmt: skip
        if by_eye:
            for grip in scene.pieces[number].grips(scene.stage(number)):
                if grip.field in by_eye and not grip.goal.at_infinity:
                    yield OwnCut(number, grip)


def with_own_sizes(key: AnswerKey, found: Sequence[FoundStroke]) -> AnswerKey:
    """The key with the cuts that were made by eye where the lines have them."""
    if not found:
        return key
    cuts = list(own_cuts(key.scene))
    if not cuts:
        return key
    lines = ends_of([line for line in found if line.dark] or found)
    scene, best = key.scene, _explained(key.scene, lines)
    first = best
    for _ in range(ROUNDS if len(cuts) > 1 else 1):
        for cut in cuts:
            places = _places(cut, lines)
            scene, best = _best_cut(scene, best, cut, places, lines)
            if _is_round(scene, cut.number):
                # No straight line shows where it was made: it is felt for, the steps ever smaller.
                middle, reach = LEAST_MM, MOST_SHARE * cut.way_mm
                for step_mm in STEPS_MM:
                    low, high = max(LEAST_MM, middle - reach), middle + reach
                    places = np.arange(low, min(high, MOST_SHARE * cut.way_mm), step_mm).tolist()
                    scene, best = _best_cut(scene, best, cut, places, lines)
                    middle, reach = cut.made_at(scene) or middle, step_mm
    if best < first + BETTER_MM:
        return replace(key, sized=True)
    return replace(answer_key(scene, key.step), sized=True)


def _is_round(scene: Scene, number: int) -> bool:
    return any(
        isinstance(solid, RoundSolid | CurvedPrism)
        for part, solids in zip(scene.parts, scene.solids, strict=True)
        if part.number == number
        for solid in solids
    )


def _best_cut(
    scene: Scene, best: float, cut: OwnCut, places: Sequence[float], lines: Array
) -> tuple[Scene, float]:
    """The scene with a cut at the best of some places, and how much it explains."""
    for mm in places:
        other = _cut_at(scene, cut, mm)
        explained = -math.inf if other is None else _explained(other, lines)
        if other is not None and explained > best:
            scene, best = other, explained
    return scene, best


def _cut_at(scene: Scene, cut: OwnCut, mm: float) -> Scene | None:
    """The scene with a cut so far along its way; None where nothing can be drawn so."""
    exercise = scene.exercise
    piece = exercise.pieces[cut.number]
    before = piece.value(cut.grip.field)
    new = Cut.model_validate({"along_mm": mm, "by_eye": True, "from": before.from_})
    pieces = [
        piece.with_value(cut.grip.field, new) if k == cut.number else one
        for k, one in enumerate(exercise.pieces)
    ]
    try:
        return resolve(exercise.model_copy(update={"pieces": pieces}))
    except ExerciseError:
        return None


def _places(cut: OwnCut, lines: Array) -> list[float]:
    """How far along its way it may have been made: where lines cross that, each place once."""
    start, goal = np.array(cut.grip.start.xy), np.array(cut.grip.goal.xy)
    way = (goal - start) / cut.way_mm
    steps = lines[:, 2:] - lines[:, :2]
    longs = np.hypot(steps[:, 0], steps[:, 1])
    slants = (steps[:, 0] * way[1] - steps[:, 1] * way[0]) / np.maximum(longs, 1e-9)
    found: list[tuple[float, float]] = []
    for line, step, long, slant in zip(lines, steps, longs, slants, strict=True):
        if abs(slant) < LEAST_ANGLE:
            continue
        off = start - line[:2]
        along = (off[0] * way[1] - off[1] * way[0]) / (slant * long)
        if -BEYOND_MM / long <= along <= 1.0 + BEYOND_MM / long:
            mm = float((line[:2] + along * step - start) @ way)
            if LEAST_MM <= mm <= MOST_SHARE * cut.way_mm:
                found.append((mm, float(long)))
    return _each_once(sorted(found))


def _each_once(found: Sequence[tuple[float, float]]) -> list[float]:
    """The means of those that lie together, each by its line's length."""
    places: list[list[tuple[float, float]]] = []
    for one in found:
        if places and one[0] - places[-1][-1][0] < ONE_PLACE_MM:
            places[-1].append(one)
        else:
            places.append([one])
    return [sum(mm * long for mm, long in some) / sum(long for _, long in some) for some in places]


def _explained(scene: Scene, lines: Array) -> float:
    """How much of the outlines lies under lines, the nearer the more, less what does not (mm)."""
    total = 0.0
    for stroke in picture(scene):
        if stroke.role is Role.OUTLINE and stroke.curve is None:
            ends: tuple[XY, XY] = stroke.segment
            off = np.minimum(mm_beside(*ends, lines) / BESIDE_MM, 1.0)
            total += float(1.0 - 2.0 * (off**2).mean()) * math.dist(*ends)
    return total
