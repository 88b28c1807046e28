"""Portions of a straight line on paper: inside outlines, on other lines, within the sheet.

A portion is (t0, t1) with 0 ≤ t0 < t1 ≤ 1 counted from the segment's first end.
Both the picture and the construction cut lines with these; neither knows of the other.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Sequence
from itertools import pairwise

from orthopsis.perspective.tolerance import EXACT, Tolerance

XY = tuple[float, float]
Segment = tuple[XY, XY]
Portion = tuple[float, float]
Box = tuple[float, float, float, float]
"""Left, top, right and bottom on the sheet, mm."""


WHOLE: Portion = (0.0, 1.0)


def at(segment: Segment, t: float) -> XY:
    """The point of the segment at t; its own ends at 0 and 1 without rounding."""
    if t == 0.0 or t == 1.0:
        return segment[int(t)]
    (x0, y0), (x1, y1) = segment
    return x0 + (x1 - x0) * t, y0 + (y1 - y0) * t


def length(segment: Segment) -> float:
    """Millimetres from end to end."""
    (x0, y0), (x1, y1) = segment
    return math.hypot(x1 - x0, y1 - y0)


def box_of(points: Iterable[XY], more_mm: float = 0.0) -> Box:
    """The upright box around points, larger by `more_mm` on each side."""
    xs, ys = zip(*points, strict=True)
    return min(xs) - more_mm, min(ys) - more_mm, max(xs) + more_mm, max(ys) + more_mm


def boxes_touch(a: Box, b: Box, slack_mm: float = 1e-6) -> bool:
    """Whether two upright boxes meet at all."""
    return (
        a[0] <= b[2] + slack_mm
        and b[0] <= a[2] + slack_mm
        and a[1] <= b[3] + slack_mm
        and b[1] <= a[3] + slack_mm
    )


def inside(point: XY, loops: Sequence[Sequence[XY]]) -> bool:
    """Whether a point lies within an outline; further loops are holes (even–odd rule)."""
    x, y = point
    odd = False
    for loop in loops:
        x0, y0 = loop[-1]
        for x1, y1 in loop:
            if (y0 > y) != (y1 > y) and x < x0 + (y - y0) * (x1 - x0) / (y1 - y0):
                odd = not odd
            x0, y0 = x1, y1
    return odd


def crossings(segment: Segment, loops: Sequence[Sequence[XY]]) -> list[float]:
    """Sorted t at which the segment crosses or touches the loops' sides, 0 and 1 included."""
    sides = ((loop[i - 1], loop[i]) for loop in loops for i in range(len(loop)))
    return sorted({0.0, 1.0, *sides_crossed(segment, sides)})


def sides_crossed(segment: Segment, sides: Iterable[Segment]) -> Iterator[float]:
    """Every t within the segment at which it crosses or touches one of some sides."""
    (px, py), (qx, qy) = segment
    dx, dy = qx - px, qy - py
    for (ax, ay), (bx, by) in sides:
        ex, ey = bx - ax, by - ay
        det = dx * ey - dy * ex
        if det != 0.0:
            t = ((ax - px) * ey - (ay - py) * ex) / det
            u = ((ax - px) * dy - (ay - py) * dx) / det
            if 0.0 < t < 1.0 and -1e-9 <= u <= 1.0 + 1e-9:
                yield t


def portions_inside(
    segment: Segment, loops: Sequence[Sequence[XY]], tolerance: Tolerance = EXACT
) -> list[Portion]:
    """Where the segment runs through an outline's inside; along its border counts as outside.

    >>> portions_inside(((0, 5), (20, 5)), [[(5, 0), (15, 0), (15, 10), (5, 10)]])
    [(0.25, 0.75)]
    """
    size = length(segment)
    if size <= tolerance.paper_mm:
        return []
    ts = crossings(segment, loops)
    found: list[Portion] = []
    for t0, t1 in pairwise(ts):
        middle = at(segment, (t0 + t1) / 2)
        if (t1 - t0) * size <= tolerance.paper_mm or not inside(middle, loops):
            continue
        if not on_border(middle, loops, tolerance):
            found.append((t0, t1))
    return merged(found)


def on_border(point: XY, loops: Sequence[Sequence[XY]], tolerance: Tolerance = EXACT) -> bool:
    """Whether a point lies on one of the loops' sides."""
    return any(
        distance_to_segment(point, (loop[i - 1], loop[i])) <= tolerance.paper_mm
        for loop in loops
        for i in range(len(loop))
    )


def distance_to_segment(point: XY, segment: Segment) -> float:
    """Millimetres from a point to the nearest point of a segment."""
    (px, py), ((ax, ay), (bx, by)) = point, segment
    ex, ey = bx - ax, by - ay
    square = ex * ex + ey * ey
    u = max(0.0, min(1.0, ((px - ax) * ex + (py - ay) * ey) / square)) if square else 0.0
    return math.hypot(px - ax - u * ex, py - ay - u * ey)


def sides_cross(loops: Sequence[Sequence[XY]]) -> tuple[tuple[int, int], tuple[int, int]] | None:
    """Two sides of the loops that touch or cross, each as its loop and its number; None if none do.

    Neighbours in a loop share a corner and may do so.
    """
    sides = [
        ((i, k), (loop[k], loop[(k + 1) % len(loop)]))
        for i, loop in enumerate(loops)
        for k in range(len(loop))
    ]
    for n, ((i, a), side) in enumerate(sides):
        for (j, b), other in sides[n + 1 :]:
            beside = i == j and (b - a) % len(loops[i]) in (1, len(loops[i]) - 1)
            if beside:
                if portion_shared(side, other) is not None:
                    return (i, a), (j, b)
            elif _meet(side, other):
                return (i, a), (j, b)
    return None


def _meet(one: Segment, other: Segment) -> bool:
    if any(distance_to_segment(end, one) < 1e-9 for end in other):
        return True
    if any(distance_to_segment(end, other) < 1e-9 for end in one):
        return True
    return min(_sides(one, other), _sides(other, one)) > 0.0


def _sides(line: Segment, other: Segment) -> float:
    """Positive when both ends of a segment lie on different sides of a line."""
    (px, py), (qx, qy) = line
    first, second = ((qx - px) * (y - py) - (qy - py) * (x - px) for x, y in other)
    return -first * second


def position_on(segment: Segment, point: XY) -> float:
    """How far along the segment a point lies, by its foot on the line; 0 and 1 at the ends."""
    (px, py), (qx, qy) = segment
    dx, dy = qx - px, qy - py
    return ((point[0] - px) * dx + (point[1] - py) * dy) / (dx * dx + dy * dy)


def portion_shared(
    segment: Segment, other: Segment, tolerance: Tolerance = EXACT
) -> Portion | None:
    """Where two segments lie on one another, as a portion of the first; None when they do not.

    >>> portion_shared(((0, 0), (10, 0)), ((5, 0), (20, 0)))
    (0.5, 1.0)
    """
    (px, py), (qx, qy) = segment
    dx, dy = qx - px, qy - py
    size = math.hypot(dx, dy)
    if size <= tolerance.paper_mm:
        return None
    if any(abs((x - px) * dy - (y - py) * dx) > tolerance.paper_mm * size for x, y in other):
        return None
    ts = [position_on(segment, end) for end in other]
    t0, t1 = max(0.0, min(ts)), min(1.0, max(ts))
    return (t0, t1) if (t1 - t0) * size > tolerance.paper_mm else None


def portion_within(
    segment: Segment, left: float, top: float, right: float, bottom: float
) -> Portion | None:
    """The portion of a segment within an upright rectangle; None when it misses it.

    Source: Liang and Barsky, "A new concept and method for line clipping", 1984 (from memory).
    """
    (x0, y0), (x1, y1) = segment
    t0, t1 = 0.0, 1.0
    for step, room_before, room_after in (
        (x1 - x0, x0 - left, right - x0),
        (y1 - y0, y0 - top, bottom - y0),
    ):
        if step == 0.0:
            if room_before < 0.0 or room_after < 0.0:
                return None
            continue
        enter, leave = -room_before / step, room_after / step
        t0, t1 = max(t0, min(enter, leave)), min(t1, max(enter, leave))
    return (t0, t1) if t0 < t1 else None


def within_convex(loop: Sequence[XY], around: Sequence[XY]) -> tuple[XY, ...]:
    """What of a loop lies within a convex outline.

    Source: Sutherland and Hodgman, "Reentrant polygon clipping", 1974 (from memory).

    >>> within_convex([(0, 0), (4, 0), (4, 4), (0, 4)], [(2, 1), (9, 1), (9, 9), (2, 9)])
    ((2.0, 1.0), (4.0, 1.0), (4, 4), (2.0, 4.0))
    """
    doubled = sum(a[0] * b[1] - b[0] * a[1] for a, b in pairwise((*around, around[0])))
    hand = 1.0 if doubled > 0.0 else -1.0
    left = list(loop)
    for (ax, ay), (bx, by) in pairwise((*around, around[0])):

        def side(p: XY, a: XY = (ax, ay), b: XY = (bx, by)) -> float:
            return hand * ((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]))

        kept: list[XY] = []
        for k, here in enumerate(left):
            before = left[k - 1]
            s, t = side(before), side(here)
            if (s < 0.0) != (t < 0.0):
                kept.append(at((before, here), s / (s - t)))
            if t >= 0.0:
                kept.append(here)
        left = kept
    return tuple(left)


def merged(portions: Iterable[Portion], gap: float = 1e-12) -> list[Portion]:
    """Portions in order, those that touch or overlap joined into one."""
    result: list[Portion] = []
    for t0, t1 in sorted(portions):
        if result and t0 <= result[-1][1] + gap:
            result[-1] = (result[-1][0], max(result[-1][1], t1))
        else:
            result.append((t0, t1))
    return result


def remainder(removed: Iterable[Portion], within: Portion = (0.0, 1.0)) -> list[Portion]:
    """What is left of a portion when others are taken away.

    >>> remainder([(0.25, 0.5)])
    [(0.0, 0.25), (0.5, 1.0)]
    """
    start, end = within
    left: list[Portion] = []
    for t0, t1 in merged(removed):
        if t0 > start:
            left.append((start, min(t0, end)))
        start = max(start, t1)
        if start >= end:
            return left
    left.append((start, end))
    return left
