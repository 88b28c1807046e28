"""One straight pencil line on the sheet, as every drawing, page and judgement uses it."""

from __future__ import annotations

import math
from collections.abc import Sequence
from enum import StrEnum
from typing import NamedTuple

from orthopsis.perspective.segments import Segment, at, merged, position_on

ASIDE = (-137.03, -211.71)
NEAR_MM = 0.01
"""Much more than strokes of one line lie apart, and much less than two lines do."""
MANY = 6
"""Of more strokes than this, those that touch another are picked out first."""


class Role(StrEnum):
    """What a line is for."""

    OUTLINE = "outline"
    HIDDEN = "hidden"
    GUIDE = "guide"
    SHADOW = "shadow"


class Part(NamedTuple):
    """What is drawn as one: a piece by its id, or one of its members by a number from 1.

    >>> str(Part("crate")), str(Part("fern", 2))
    ('crate', 'fern:2')
    """

    piece: str
    number: int = 0

    def __str__(self) -> str:
        return self.piece if self.number == 0 else f"{self.piece}:{self.number}"


class Stroke(NamedTuple):
    """A line from `start` to `end` (mm on the sheet).

    `family` is the name of the vanishing point it runs to, or vertical, horizontal, free;
    `part` is what it belongs to, None for the sheet's own lines. Strokes that
    share a `curve` number are the short chords of one curve, within 0.02 mm of it. A cast shadow's
    line lies `on` a surface.
    """

    start: tuple[float, float]
    end: tuple[float, float]
    family: str
    role: Role
    part: Part | None
    curve: int | None = None
    on: str | None = None

    @property
    def segment(self) -> Segment:
        return self.start, self.end


def joined(strokes: Sequence[Stroke], within_mm: float = 1e-6) -> list[Stroke]:
    """The strokes with those of one line joined where they touch or overlap.

    Only strokes of the same part, family and role are joined, in the place of the first; chords
    of curves stay as they are.
    """
    groups: dict[tuple[Part | None, str, Role], list[int]] = {}
    for number, (_, _, family, role, part, curve, _) in enumerate(strokes):
        if curve is None:
            groups.setdefault((part, family, role), []).append(number)
    result: list[Stroke | None] = list(strokes)
    for numbers in groups.values():
        if len(numbers) > MANY:
            numbers = _touching(strokes, numbers)
        while len(numbers) > 1:
            first, *numbers = numbers
            grown = True
            while grown:
                # What it did not touch before, it may touch now.
                numbers, grown = _grown(result, strokes, first, numbers, within_mm)
    return [stroke for stroke in result if stroke is not None]


def _touching(strokes: Sequence[Stroke], numbers: Sequence[int]) -> list[int]:
    """Those of some strokes that may lie on the line of another and touch it, and those others."""
    told = sorted((_off(strokes[k]), k) for k in numbers)
    found: set[int] = set()
    first = 0
    for last in range(1, len(told) + 1):
        if last < len(told) and told[last][0] - told[last - 1][0] <= NEAR_MM:
            continue
        if last - first > 1:
            found |= _meeting(strokes, [k for _, k in told[first:last]])
        first = last
    return [k for k in numbers if k in found]


def _off(stroke: Stroke) -> float:
    """How far a stroke's line lies from a place that is on no line of a drawing."""
    (px, py), (qx, qy) = stroke.segment
    dx, dy = qx - px, qy - py
    return abs((px - ASIDE[0]) * dy - (py - ASIDE[1]) * dx) / math.hypot(dx, dy)


def _meeting(strokes: Sequence[Stroke], numbers: Sequence[int]) -> set[int]:
    """Those of strokes on perhaps one line that touch another there."""
    (px, py), (qx, qy) = strokes[numbers[0]].segment
    dx, dy = qx - px, qy - py
    size, found = math.hypot(dx, dy), set[int]()
    spans: list[tuple[float, float, int]] = []
    for k in numbers:
        one, other = (((x - px) * dx + (y - py) * dy) / size for x, y in strokes[k].segment)
        low, high = (one, other) if one < other else (other, one)
        met = [n for a, b, n in spans if b >= low - NEAR_MM and a <= high + NEAR_MM]
        if met:
            found.update(met, (k,))
        spans.append((low, high, k))
    return found


def _grown(
    result: list[Stroke | None],
    strokes: Sequence[Stroke],
    first: int,
    rest: Sequence[int],
    within_mm: float,
) -> tuple[list[int], bool]:
    """The first of some strokes takes in those of the rest that touch it: what is left, and whether
    it has become longer.
    """
    (px, py), (qx, qy) = strokes[first].segment
    dx, dy = qx - px, qy - py
    limit = within_mm * math.hypot(dx, dy)
    # Most are no one line, and one of their ends tells it.
    starts = [(other, *strokes[other].start) for other in rest]
    near = [o for o, x, y in starts if abs((x - px) * dy - (y - py) * dx) <= limit]
    taken: set[int] = set()
    for other in near:
        whole = _one_line(result[first], result[other], within_mm)
        if whole is not None:
            result[first], result[other] = whole, None
            taken.add(other)
    if not taken:
        return list(rest), False
    return [other for other in rest if other not in taken], True


def _one_line(a: Stroke | None, b: Stroke | None, within_mm: float) -> Stroke | None:
    """Both strokes as one, or None where they are no one line."""
    assert a is not None and b is not None
    (px, py), (qx, qy) = a.segment
    dx, dy = qx - px, qy - py
    size = math.hypot(dx, dy)
    for x, y in b.segment:
        if abs((x - px) * dy - (y - py) * dx) > within_mm * size:
            return None
    ends = sorted(position_on(a.segment, end) for end in b.segment)
    portions = merged([(0.0, 1.0), (ends[0], ends[1])], within_mm / size)
    if len(portions) > 1:
        return None
    (t0, t1), segment = portions[0], a.segment
    return a._replace(start=at(segment, t0), end=at(segment, t1))
