"""Comparing drawings by their lines, not by their bytes."""

from __future__ import annotations

import math
from collections.abc import Sequence

from orthopsis.exercise.resolve import Scene, picture, steps
from orthopsis.perspective.stroke import Role, Stroke

AGREEMENT_MM = 0.01


def same_line(a: Stroke, b: Stroke, within_mm: float = AGREEMENT_MM) -> bool:
    """Same piece and family, and both ends in the same places, either way round."""
    if (a.piece, a.family) != (b.piece, b.family):
        return False
    straight = max(math.dist(a.start, b.start), math.dist(a.end, b.end))
    crossed = max(math.dist(a.start, b.end), math.dist(a.end, b.start))
    return min(straight, crossed) <= within_mm


def difference(a: Sequence[Stroke], b: Sequence[Stroke]) -> tuple[list[Stroke], list[Stroke]]:
    """Lines of each drawing that the other does not have."""
    only_a = [line for line in a if not any(same_line(line, other) for other in b)]
    only_b = [line for line in b if not any(same_line(line, other) for other in a)]
    return only_a, only_b


def outlines(scene: Scene) -> list[Stroke]:
    """What the picture shows."""
    return [stroke for stroke in picture(scene) if stroke.role is Role.OUTLINE]


def kept(scene: Scene) -> list[Stroke]:
    """What the construction keeps."""
    return [d.stroke for step in steps(scene) for d in step.strokes if d.fate == "keep"]
