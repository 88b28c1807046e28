"""Advice about roofs: how far away their own points lie."""

from __future__ import annotations

from collections.abc import Iterator

from orthopsis.exercise.advice.one import Advice, first_that
from orthopsis.exercise.change import Change
from orthopsis.exercise.resolve import Scene, steps
from orthopsis.perspective.plane import Point
from orthopsis.phrase import About, Choice, Value
from orthopsis.pieces.roles import Path


def roof_points_far(scene: Scene) -> Iterator[Advice]:
    """Roofs whose far slope is found by a point that no second sheet reaches.

    A sheet like the first, taped on, carries points up to its own height away (common practice, no
    published source). By the middle of the far wall nothing leaves the sheet.
    """
    for number, piece in enumerate(scene.pieces):
        for path, point in piece.found_points(scene.stage(number)):
            out_mm = _off_mm(scene, point.at)
            if out_mm <= scene.sheet.height_mm:
                continue
            whole: Path = ("pieces", number, *path)
            by_middle = (0.0, (Change(whole, "middle"),))

            def can_be_drawn(changed: Scene) -> bool:
                return bool(steps(changed)) and len(_far(changed)) < len(_far(scene))

            moved = first_that(scene, [by_middle], can_be_drawn)
            mend = Choice("middle" if moved else "lower")
            values: dict[str, Value] = {"piece": piece.name, "out": About(out_mm), "mend": mend}
            where = (point.at.x, -out_mm if point.at.y < 0 else scene.sheet.height_mm + out_mm)
            yield Advice.of("roof-point-far", where, out_mm, values, moved[1] if moved else ())


def _far(scene: Scene) -> list[Point]:
    return [
        point.at
        for number, piece in enumerate(scene.pieces)
        for _, point in piece.found_points(scene.stage(number))
        if _off_mm(scene, point.at) > scene.sheet.height_mm
    ]


def _off_mm(scene: Scene, at: Point) -> float:
    """How far above or below the sheet a place lies."""
    return max(-at.y, at.y - scene.sheet.height_mm, 0.0)
