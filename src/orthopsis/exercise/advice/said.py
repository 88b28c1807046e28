"""All that is said of a drawing: facts, and the worst of the advice first."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from orthopsis.exercise.advice.kind_point import hair_breadths
from orthopsis.exercise.advice.measures import (
    Strip,
    strips,
    tape_strips,
    unforgiving,
    unreadable,
)
from orthopsis.exercise.advice.one import WEIGHTS, Advice
from orthopsis.exercise.advice.points import (
    flat_triangle,
    outside_cone,
    outside_triangle,
    points_too_close,
    share_in_cone,
    sharpest_corner,
)
from orthopsis.exercise.advice.roofs import roof_points_far
from orthopsis.exercise.advice.things import (
    in_one_another,
    in_the_wall,
    shadows_by_hand,
    slivers,
    small_letters,
)
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
    """At most `most` pieces of advice, the worst first.

    What would mend a thing is only tried out for what is said: nothing is asked for that could not
    be worse than what has been found.
    """
    finders: dict[str, Iterable[Advice]] = {
        "in-one-another": in_one_another(scene),
        "in-the-wall": in_the_wall(scene),
        "points-too-close": points_too_close(scene),
        "outside-triangle": outside_triangle(scene),
        "sliver": slivers(scene),
        "roof-point-far": roof_points_far(scene),
        "hair-breadth": hair_breadths(scene),
        "unforgiving": unforgiving(scene),
        "small-letters": small_letters(scene),
        "flat-triangle": flat_triangle(scene),
        "outside-cone": outside_cone(scene, strokes),
        "unreadable": unreadable(scene),
        "shadow-by-hand": shadows_by_hand(scene),
        "tape-strip": tape_strips(scene),
    }
    said: list[Advice] = []
    for code, worst in WEIGHTS.items():
        waiting = iter(finders[code])
        while (
            sum(one.weight >= worst for one in said) < most
            and (one := next(waiting, None)) is not None
        ):
            said.append(one)
    return sorted(said, key=lambda one: -one.weight)[:most]
