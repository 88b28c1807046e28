"""Where labels stand: beside their places, not over one another, and off the lines if they can."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from orthopsis.perspective.segments import XY, Box, Segment, boxes_touch, portion_within

WIDE = 0.62
"""A letter's mean width by its size, with room to spare."""
WAYS = 12
REACHES = (1.0, 1.8, 2.8, 4.0, 5.5, 7.5)
"""How far from its place a label may stand, by the label's own height."""


@dataclass(frozen=True)
class Placed:
    """A label's text with the box that it fills, and the left end of its base line."""

    text: str
    at: XY
    box: Box


def box_of_label(text: str, at: XY, size_mm: float) -> Box:
    """What a text fills whose base line begins there."""
    x, y = at
    return x, y - 0.78 * size_mm, x + WIDE * size_mm * len(text), y + 0.22 * size_mm


def place_labels(
    wanted: Sequence[tuple[str, XY]],
    size_mm: float,
    within: Box,
    lines: Sequence[Segment],
    keep_off: Sequence[Box] = (),
) -> list[Placed]:
    """A place for each label near its own: the one that covers least, in the order they come.

    Labels never lie over one another or beyond `within` where there is any room at all.
    """
    taken = list(keep_off)
    dots = [(x - 0.5, y - 0.5, x + 0.5, y + 0.5) for _, (x, y) in wanted]
    placed: list[Placed] = []
    for text, place in wanted:
        best = min(
            _around(text, place, size_mm),
            key=lambda one: _cost(one, place, within, lines, taken, dots, size_mm),
        )
        placed.append(best)
        taken.append(best.box)
    return placed


def _around(text: str, place: XY, size_mm: float) -> list[Placed]:
    """Places for a label around a dot, the upper right one first."""
    wide, high = WIDE * size_mm * len(text), size_mm
    found = []
    for reach in REACHES:
        for k in range(WAYS):
            turn = math.radians(-45.0) + math.tau * k / WAYS
            dx, dy = math.cos(turn), math.sin(turn)
            middle = (
                place[0] + dx * (reach * 0.7 * high + wide / 2),
                place[1] + dy * reach * 0.95 * high,
            )
            at = middle[0] - wide / 2, middle[1] + 0.28 * size_mm
            found.append(Placed(text, at, box_of_label(text, at, size_mm)))
    return found


def _cost(
    one: Placed,
    place: XY,
    within: Box,
    lines: Sequence[Segment],
    taken: Sequence[Box],
    dots: Sequence[Box],
    size_mm: float,
) -> float:
    left, top, right, bottom = one.box
    outside = left < within[0] or top < within[1] or right > within[2] or bottom > within[3]
    over = sum(boxes_touch(one.box, other, -1e-6) for other in taken)
    on_dots = sum(boxes_touch(one.box, dot, -1e-6) for dot in dots)
    on_lines = sum(portion_within(line, *one.box) is not None for line in lines)
    far = math.dist(place, ((left + right) / 2, (top + bottom) / 2)) / size_mm
    return 1000.0 * over + 500.0 * outside + 40.0 * on_dots + 3.0 * on_lines + far
