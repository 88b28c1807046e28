"""All that is said of a drawing: facts, and the worst of the advice first."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from orthopsis.exercise.advice.measures import (
    Strip,
    strips,
    tape_strips,
    unforgiving,
    unreadable,
)
from orthopsis.exercise.advice.one import Advice
from orthopsis.exercise.advice.points import (
    flat_triangle,
    outside_cone,
    outside_triangle,
    points_too_close,
    share_in_cone,
    sharpest_corner,
)
from orthopsis.exercise.advice.things import in_one_another, slivers, small_letters
from orthopsis.exercise.resolve import Scene
from orthopsis.perspective.stroke import Stroke


@dataclass(frozen=True)
class Facts:
    """What follows from the set-up: shown beside it."""

    lowest_corner_deg: float | None
    share_in_cone: float
    strips: tuple[Strip, ...]


def facts(scene: Scene, strokes: Sequence[Stroke]) -> Facts:
    """The derived numbers of a drawing."""
    corner = sharpest_corner(scene)
    return Facts(
        lowest_corner_deg=None if corner is None else corner[2],
        share_in_cone=share_in_cone(scene, strokes),
        strips=strips(scene),
    )


def advice(scene: Scene, strokes: Sequence[Stroke], most: int = 3) -> list[Advice]:
    """At most `most` pieces of advice, the worst first."""
    said: list[Advice] = []
    for find in (
        in_one_another,
        points_too_close,
        flat_triangle,
        outside_triangle,
        slivers,
        small_letters,
        unreadable,
        unforgiving,
        tape_strips,
    ):
        said += find(scene)
    said += outside_cone(scene, strokes)
    return sorted(said, key=lambda one: -one.weight)[:most]
