"""What is said of things that are equal in truth: walls as thick at both ends, repeats in step.

Two edges of a wall that lead to one point close up toward it in proportion to their distance from
it; an upright pair stays as far apart as it is. Along a line to a vanishing point the reciprocal of
the distance from it grows by equal steps for equal steps in truth (both are the cross-ratio; any
handbook of projective geometry, from memory). So a pupil's own measure and own point make no
difference: only what is uneven is said.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from itertools import combinations
from typing import NamedTuple

import numpy as np

from orthopsis.marking.findings.one import Finding, JudgedSheet, finding
from orthopsis.marking.fitting import SURELY_DEG, Array
from orthopsis.marking.judging.answer_key import Expected
from orthopsis.marking.judging.verdicts import Verdict, points_of_their_own
from orthopsis.perspective.plane import Point, direction
from orthopsis.perspective.segments import XY
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import FREE
from orthopsis.phrase import About, Choice, PointName, Value

WALL_MM = 1.5
"""A wall may change by so much before it is said (common practice, no published source)."""
STEP_MM = 2.0
"""A repeat may lie so far beside its step."""
BESIDE_MM = 4.0
SIDE_BY_SIDE = 0.6
NARROW = 0.5
SAME_LINE_MM = 0.3
MOST_OF_ONE_KIND = 2
LEAST_REPEATS = 3


def of_measure(sheet: JudgedSheet) -> list[Finding]:
    """Everything that is said of equal things, in no order."""
    goals = {**sheet.key.goals, **points_of_their_own(sheet.points)}
    numbers = _number_of_edges(sheet)
    walls = sorted(_walls(sheet, goals, numbers), key=lambda told: -told[0])
    return [
        *(said for _, said in walls[:MOST_OF_ONE_KIND]),
        *_repeats(sheet, goals, numbers),
    ]


def _number_of_edges(sheet: JudgedSheet) -> dict[int, int]:
    """For each expected edge, by identity, the longest right line that was taken for it."""
    found: dict[int, int] = {}
    for n, line in enumerate(sheet.judged):
        edge = line.assigned.expected
        if edge is None or line.assigned.wrong_way or line.verdict is Verdict.OFF:
            continue
        size = line.assigned.found.length_mm
        if id(edge) not in found or size > _length(sheet, found[id(edge)]):
            found[id(edge)] = n
    return found


def _length(sheet: JudgedSheet, number: int) -> float:
    return sheet.judged[number].assigned.found.length_mm


# --- walls ----------------------------------------------------------------------------------------


def _walls(
    sheet: JudgedSheet, goals: dict[str, Point], numbers: dict[int, int]
) -> Iterator[tuple[float, Finding]]:
    """How much the thickness of a wall changes, and what is said of it."""
    for one, other in _pairs(sheet.key.expected):
        if id(one) not in numbers or id(other) not in numbers:
            continue
        pair = numbers[id(one)], numbers[id(other)]
        widths = _widths(sheet, pair, goals[one.stroke.family])
        if widths is None:
            continue
        near, far, right, doubt = widths
        change = abs(far - right)
        if change - doubt <= WALL_MM:
            continue
        point = one.stroke.family
        values: dict[str, Value] = {"near": About(near), "far": About(far)}
        if goals[point].at_infinity:
            yield change, sheet.of_lines("wall-changes", "fix", pair, "wall-even", **values)
        else:
            yield (
                change,
                sheet.of_lines(
                    "wall-changes",
                    "fix",
                    pair,
                    point=PointName(point),
                    right=About(right),
                    **values,
                ),
            )


def _pairs(expected: Sequence[Expected]) -> Iterator[tuple[Expected, Expected]]:
    """Edges of one piece and family that run closely side by side, with none between them."""
    groups: dict[tuple[Part, str], list[Expected]] = {}
    for edge in expected:
        if edge.outline and edge.stroke.family != FREE and edge.stroke.part is not None:
            groups.setdefault((edge.stroke.part, edge.stroke.family), []).append(edge)
    for edges in groups.values():
        for one, other in combinations(edges, 2):
            apart, together = _side_by_side(one, other)
            if together <= 0.0 or not 1.0 < apart < NARROW * together:
                continue
            between = (
                third
                for third in edges
                if third is not one
                and third is not other
                and 0.2 < _side_by_side(one, third)[0] < apart - 0.2
                and 0.2 < _side_by_side(other, third)[0] < apart - 0.2
            )
            if next(between, None) is None:
                yield one, other


def _side_by_side(one: Expected, other: Expected) -> tuple[float, float]:
    """How far apart two edges run (mm), and how far they run together; 0 when too little of it."""
    start, end = np.array(one.stroke.start), np.array(one.stroke.end)
    size = float(np.linalg.norm(end - start))
    along = (end - start) / max(size, 1e-9)
    ends = np.array(other.stroke.segment) - start
    t = np.sort(ends @ along)
    together = min(float(t[1]), size) - max(float(t[0]), 0.0)
    shorter = min(size, float(np.linalg.norm(ends[1] - ends[0])))
    apart = float(np.abs(ends.mean(axis=0) @ np.array([-along[1], along[0]])))
    return apart, together if together > SIDE_BY_SIDE * shorter else 0.0


def _widths(
    sheet: JudgedSheet, pair: tuple[int, int], goal: Point
) -> tuple[float, float, float, float] | None:
    """A wall's thickness at its two ends, the far one as it should be, and the doubt of it (mm)."""
    a, b = (sheet.judged[n].assigned.found for n in pair)
    ends = np.array([a.start, a.end, b.start, b.end])
    middle = ends.mean(axis=0)
    along = np.array(direction(Point(*middle), goal))
    t = (ends - middle) @ along
    low = max(min(t[0], t[1]), min(t[2], t[3]))
    high = min(max(t[0], t[1]), max(t[2], t[3]))
    if high - low < 5.0:
        return None
    normal = np.array([-along[1], along[0]])

    def offset(start: XY, end: XY, at: float) -> float:
        p, q = np.array(start) - middle, np.array(end) - middle
        step = q - p
        share = (at - p @ along) / (step @ along)
        return float((p + share * step) @ normal)

    # The front end is farther from the point than the back end.
    near, far = (abs(offset(a.start, a.end, at) - offset(b.start, b.end, at)) for at in (low, high))
    right = near
    if not goal.at_infinity:
        reach = float((np.array(goal.xy) - middle) @ along)
        right = near * (reach - high) / (reach - low)
    sway = math.hypot(*(max(s.angle_sd_deg, SURELY_DEG) for s in (a, b)))
    return near, far, right, 2.0 * math.radians(sway) * (high - low) + 0.3


# --- repeats --------------------------------------------------------------------------------------


class _StepMark(NamedTuple):
    """Where an edge of one of several repeats stands on a line to a point: its number, and the
    distances from the point as they should be and as they are, with their doubt (mm)."""

    member: Part | None
    number: int
    right_mm: float
    found_mm: float
    doubt_mm: float
    at: XY


def _repeats(
    sheet: JudgedSheet, goals: dict[str, Point], numbers: dict[int, int]
) -> Iterator[Finding]:
    """Rows of letters or things of which one falls out of step."""
    for point in sheet.points:
        if point.intended.at_infinity or goals[point.name].at_infinity:
            continue
        for row in _rows_of(sheet.key.expected):
            marks = _marks(sheet, point.name, goals[point.name], row, numbers)
            worst = _out_of_step(marks)
            if worst is None:
                continue
            mark, off = worst
            yield finding(
                "repeats-uneven", "fix", mark.at, [mark.number],
                point=PointName(point.name), off=About(abs(off)),
                way=Choice("near" if off > 0 else "far"),
            )  # fmt: skip


def _rows_of(expected: Sequence[Expected]) -> list[list[Expected]]:
    """The outlines of pieces that are several alike, such as the letters of a word."""
    rows: dict[str, list[Expected]] = {}
    for edge in expected:
        part = edge.stroke.part
        if edge.outline and part is not None and part.number:
            rows.setdefault(part.piece, []).append(edge)
    return list(rows.values())


def _marks(
    sheet: JudgedSheet,
    family: str,
    goal: Point,
    row: Sequence[Expected],
    numbers: dict[int, int],
) -> list[_StepMark]:
    """The marks of a row on the one line to a point that most of its members touch."""
    home = sheet.key.goals[family]
    ends = [
        (edge, end)
        for edge in row
        if edge.stroke.family != family and id(edge) in numbers
        for end in edge.stroke.segment
    ]
    places = np.array([end for _, end in ends]).reshape(-1, 2) - np.array(home.xy)
    along = places / np.maximum(np.linalg.norm(places, axis=1), 1e-9)[:, None]
    # Row k tells which ends lie on the line from the point through end k.
    beside = np.abs(along[:, :1] * places[:, 1] - along[:, 1:] * places[:, 0])
    best: list[_StepMark] = []
    for on_one_line in beside < SAME_LINE_MM:
        chosen = [ends[k] for k in np.flatnonzero(on_one_line)]
        if len(chosen) <= len(best) or len({e.stroke.part for e, _ in chosen}) < LEAST_REPEATS:
            continue
        marks = [_mark(sheet, home, goal, e, end, numbers[id(e)]) for e, end in chosen]
        best = max(best, [mark for mark in marks if mark is not None], key=len)
    return best if len({mark.member for mark in best}) >= LEAST_REPEATS else []


def _mark(
    sheet: JudgedSheet, home: Point, goal: Point, edge: Expected, end: XY, number: int
) -> _StepMark | None:
    """Where a pupil's edge crosses the line to the point."""
    found = sheet.judged[number].assigned.found
    way = np.array(end) - np.array(goal.xy)
    size = float(np.linalg.norm(way))
    step = np.array(found.end) - np.array(found.start)
    turn = way[0] * step[1] - way[1] * step[0]
    if abs(turn) < math.sin(math.radians(12.0)) * size * float(np.linalg.norm(step)):
        return None
    begin = np.array(found.start) - np.array(goal.xy)
    distance = float((begin[0] * step[1] - begin[1] * step[0]) / turn) * size
    crossing = np.array(goal.xy) + distance / size * way
    beyond = min(math.dist(crossing, end) for end in (found.start, found.end))
    if distance < 1.0 or beyond > max(BESIDE_MM, 0.5 * found.length_mm):
        return None
    sway = math.radians(2.0 * max(found.angle_sd_deg, SURELY_DEG))
    doubt = (sway * math.dist(found.middle, crossing) + 0.5) / abs(turn) * size * found.length_mm
    right = math.dist(end, home.xy)
    return _StepMark(edge.stroke.part, number, right, distance, doubt, end)


def _out_of_step(marks: Sequence[_StepMark]) -> tuple[_StepMark, float] | None:
    """The mark that is most out of step with the others, and by how much (mm); None for none.

    Each repeat is held against the even steps of all others, where those do keep step.
    """
    right = np.array([1.0 / mark.right_mm for mark in marks])
    found = np.array([mark.found_mm for mark in marks])
    doubt = np.array([mark.doubt_mm for mark in marks])
    numbers = np.array([0 if mark.member is None else mark.member.number for mark in marks])
    worst: tuple[_StepMark, float] | None = None
    for number in dict.fromkeys(numbers):
        rest = numbers != number
        if rest.sum() < LEAST_REPEATS or len(set(numbers[rest])) < LEAST_REPEATS - 1:
            continue
        (slope, offset), unsure = _even(right[rest], found[rest], doubt[rest])
        off = found - 1.0 / (slope * right + offset)
        rows = np.column_stack([right, np.ones_like(right)])
        told = np.sqrt(((rows @ unsure) * rows).sum(axis=1)) * found**2
        if np.abs(off[rest]).max() > STEP_MM / 2:
            continue
        k = int(np.where(rest, 0.0, np.abs(off)).argmax())
        if abs(off[k]) - math.hypot(doubt[k], told[k]) > STEP_MM and (
            worst is None or abs(off[k]) > abs(worst[1])
        ):
            worst = marks[k], float(off[k])
    return worst


def _even(right: Array, found: Array, doubt: Array) -> tuple[Array, Array]:
    """The equal steps that the marks keep to best: 1/found = slope · right + offset.

    Slope and offset, and their covariance by the marks' doubt.
    """
    # A millimetre of doubt on the sheet is less of 1/found the farther away a mark is.
    weight = found**2 / doubt
    rows = np.column_stack([right, np.ones_like(right)]) * weight[:, None]
    inverse = np.linalg.pinv(rows.T @ rows)
    return np.asarray(inverse @ rows.T @ (weight / found)), np.asarray(inverse)
