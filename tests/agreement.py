"""Comparing drawings by their lines, not by their bytes."""

from __future__ import annotations

import json
import math
from collections.abc import Iterable, Sequence
from typing import Any

from orthopsis.errors import ExerciseError
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import Scene, picture, resolve, steps
from orthopsis.perspective.ellipse import Ellipse
from orthopsis.perspective.plane import Point
from orthopsis.perspective.stroke import Role, Stroke, joined

AGREEMENT_MM = 0.01


def same_line(a: Stroke, b: Stroke, within_mm: float = AGREEMENT_MM) -> bool:
    """Same piece and family, and both ends in the same places, either way round."""
    if (str(a.part), a.family) != (str(b.part), b.family):
        return False
    straight = max(math.dist(a.start, b.start), math.dist(a.end, b.end))
    crossed = max(math.dist(a.start, b.end), math.dist(a.end, b.start))
    return min(straight, crossed) <= within_mm


def difference(a: Sequence[Stroke], b: Sequence[Stroke]) -> tuple[list[Stroke], list[Stroke]]:
    """Lines of each drawing that the other does not have; curves are compared as curves."""
    a, b = joined(a), joined(b)
    curves_a, curves_b = curves(a), curves(b)
    lines_a, lines_b = ([s for s in strokes if s.curve is None] for strokes in (a, b))
    only_a = [line for line in lines_a if not any(same_line(line, other) for other in lines_b)]
    only_b = [line for line in lines_b if not any(same_line(line, other) for other in lines_a)]
    only_a += [c[0] for c in curves_a if not any(same_curve(c, other) for other in curves_b)]
    only_b += [c[0] for c in curves_b if not any(same_curve(c, other) for other in curves_a)]
    return only_a, only_b


def curves(strokes: Sequence[Stroke]) -> list[list[Stroke]]:
    """The chords of each curve together."""
    found: dict[int, list[Stroke]] = {}
    for stroke in strokes:
        if stroke.curve is not None:
            found.setdefault(stroke.curve, []).append(stroke)
    return list(found.values())


def same_curve(a: Sequence[Stroke], b: Sequence[Stroke]) -> bool:
    """One curve of the same piece with the same ends: the ends of all chords lie on the other's
    conic, not merely near its chords.
    """
    if str(a[0].part) != str(b[0].part):
        return False
    closed_a, closed_b = (math.dist(c[0].start, c[-1].end) < AGREEMENT_MM for c in (a, b))
    if closed_a != closed_b:
        return False
    ends_a, ends_b = ((c[0].start, c[-1].end) for c in (a, b))
    straight = max(map(math.dist, ends_a, ends_b))
    crossed = max(map(math.dist, ends_a, reversed(ends_b)))
    if not closed_a and min(straight, crossed) > AGREEMENT_MM:
        return False
    if len(b) < 5 or _same_chords(a, b):
        return True
    on_curve = [Point(*b[k * (len(b) - 1) // 4].start) for k in range(5)]
    ellipse = Ellipse.through(on_curve)
    size = max(math.hypot(*ellipse.a), math.hypot(*ellipse.b))
    return all(abs(math.hypot(*ellipse.unit(s.start)) - 1.0) * size < AGREEMENT_MM for s in a)


def _same_chords(a: Sequence[Stroke], b: Sequence[Stroke]) -> bool:
    """Whether two curves go through the same places, as what is drawn by hand does."""
    if len(a) != len(b):
        return False
    pairs = [zip(one.segment, other.segment, strict=True) for one, other in zip(a, b, strict=True)]
    return all(math.dist(*ends) <= AGREEMENT_MM for pair in pairs for ends in pair)


def outlines(scene: Scene) -> list[Stroke]:
    """What the picture shows."""
    return [stroke for stroke in picture(scene) if stroke.role is Role.OUTLINE]


def kept(scene: Scene) -> list[Stroke]:
    """What the construction keeps of the things themselves."""
    return [one for one in _kept(scene) if one.role is Role.OUTLINE]


def kept_shadows(scene: Scene) -> list[Stroke]:
    """What it keeps of their shadows."""
    return [one for one in _kept(scene) if one.role is Role.SHADOW]


def _kept(scene: Scene) -> list[Stroke]:
    return [d.stroke for step in steps(scene) for d in step.strokes if d.fate == "keep"]


def how_many_agree(documents: Iterable[dict[str, Any]]) -> int:
    """How many documents are drawn as they are built; the others are refused by a field."""
    compared = 0
    for data in documents:
        try:
            scene = resolve(from_data(data))
            drawn, built = outlines(scene), kept(scene)
        except ExerciseError as refusal:
            assert refusal.path, "a refusal names its field"
            continue
        compared += 1
        # Ready to paste into tests/cases when it fails:
        assert difference(drawn, built) == ([], []), json.dumps(data)
    return compared
