"""Advice about roofs: how far away their own points lie."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from orthopsis.exercise.advice.one import Advice, first_that
from orthopsis.exercise.change import Change
from orthopsis.exercise.resolve import Scene, steps
from orthopsis.perspective.plane import Point
from orthopsis.phrase import About, Choice, Value
from orthopsis.pieces.roles import Path


class _Far(NamedTuple):
    """A roof's own point, what it belongs to, and the field that asks for it."""

    name: Value
    path: Path
    at: Point
    out_mm: float


def roof_points_far(scene: Scene) -> Iterator[Advice]:
    """Roofs whose far slope is found by a point that no second sheet reaches.

    A sheet like the first, taped on, carries points up to its own height away (common practice, no
    published source). By the middle of the far wall nothing leaves the sheet.
    """
    far = _far(scene)
    for one in far:

        def can_be_drawn(changed: Scene) -> bool:
            return bool(steps(changed)) and len(_far(changed)) < len(far)

        moved = first_that(scene, [(0.0, (Change(one.path, "middle"),))], can_be_drawn)
        mend = Choice("middle" if moved else "lower")
        values = {"piece": one.name, "out": About(one.out_mm), "mend": mend}
        changes = moved[1] if moved else ()
        yield Advice.of("roof-point-far", one.at.xy, one.out_mm, values, changes)


def _far(scene: Scene) -> list[_Far]:
    high_mm = scene.sheet.height_mm
    return [
        _Far(part.drawn.name, ("pieces", part.number, *path), point.at, out_mm)
        for part in scene.parts
        for path, point in part.drawn.found_points(part.stage)
        if (out_mm := max(-point.at.y, point.at.y - high_mm)) > high_mm
    ]
