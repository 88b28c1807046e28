"""Giving each pencil line to its family: by the exercise's own lines, else by the geometry."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from orthopsis.marking.fitting import Array, ends_of
from orthopsis.marking.judging.answer_key import (
    AnswerKey,
    Expected,
    by_hand,
    distances,
    lies_in_one,
)
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.perspective.plane import Point, direction
from orthopsis.perspective.segments import XY
from orthopsis.perspective.view import FREE

FILL_MM = 1.0
"""So far beside a face its bricks may reach."""
ON_EDGE_MM = 1.0
"""Nearer than this with both ends, a line lies on an edge."""
NEAR_MM = 4.0
NEAR_DEG = 6.0
ON_CORNER_MM = 1.5
PARTED_MM = 8.0
PARTED_SD_DEG = 1.0
RIVAL_MM = 1.2
WRONG_DEG = 35.0
BY_GEOMETRY_DEG = 2.0


@dataclass(frozen=True)
class Assigned:
    """A pencil line with its family; `expected` is the exercise's line it was taken for."""

    found: FoundStroke
    family: str
    expected: Expected | None = None
    wrong_way: bool = False
    """It starts where its line starts and then goes another way."""
    both: bool = False
    """It runs to two points at once, so that nobody can tell which was meant."""


def without_handwork(found: Sequence[FoundStroke], key: AnswerKey) -> list[FoundStroke]:
    """The found lines that are not parts of the exercise's curves, nor of what is drawn by hand."""
    if key.scene.by_hand:
        found = [one for one in found if not by_hand((one.start, one.end), key.scene, NEAR_MM)]
    if not found or not len(key.curves):
        return list(found)
    places = [place for s in found for place in (s.start, s.middle, s.end)]
    off = distances(places, key.curves).reshape(-1, 3).max(axis=1)
    return [
        stroke
        for stroke, far in zip(found, off, strict=True)
        if far > NEAR_MM or _is_an_edge(stroke, key)
    ]


def _is_an_edge(stroke: FoundStroke, key: AnswerKey) -> bool:
    """Whether a line lies on an edge of the exercise, and is most of it: an arm between wires is
    no part of them.
    """
    edges = key.segments[key.outlines > 0.0]
    ends = np.array([stroke.start, stroke.end])
    start, way = edges[:, :2], edges[:, 2:] - edges[:, :2]
    long_mm = np.maximum(np.hypot(*way.T), 1e-9)
    off = ends[:, None] - start
    aside = np.abs(off[..., 0] * way[:, 1] - off[..., 1] * way[:, 0]) / long_mm
    along = np.clip((off * way).sum(axis=2) / long_mm, 0.0, long_mm)
    covered = np.abs(along[1] - along[0])
    return bool(np.any((aside.max(axis=0) < ON_EDGE_MM) & (covered > long_mm / 2)))


def assign(found: Sequence[FoundStroke], key: AnswerKey) -> list[Assigned]:
    """One family for each line; a line that belongs to none is `free`."""
    result = _without_rivals([_by_place(stroke, key) for stroke in found], key)
    missing = _not_found(result, key)
    result = [part for line in result for part in _parted(line, missing, key)]
    missing = _not_found(result, key)
    for i, assigned in enumerate(result):
        if assigned.expected is None:
            ways = _leads_to(assigned.found, key.goals)
            family = ways[0] if len(ways) == 1 else FREE
            by_start = _by_start(assigned.found, missing, ways)
            result[i] = by_start or Assigned(assigned.found, family)
        elif assigned.found.dark and not assigned.expected.outline:
            # A dark line on a guide line's place may be an edge that went the guide's way.
            result[i] = _by_start(assigned.found, missing, within_mm=ON_CORNER_MM) or assigned
        missing = [line for line in missing if line is not result[i].expected]
    return [one for one in result if _is_judged(one, key)]


def _is_judged(line: Assigned, key: AnswerKey) -> bool:
    """Whether a line is held against the exercise: not where hands may stray or bricks lie, unless
    it is one of the edges there.
    """
    edge = line.expected is not None and not line.expected.fills
    found = line.found
    rooms = [*key.scene.hand_rooms, *key.scene.filled]
    return edge or not lies_in_one((found.start, found.end), rooms, FILL_MM)


def support(assigned: Sequence[Assigned], expected: Sequence[Expected]) -> float:
    """The share of expected outlines that were found in their place, 0 to 1; what the eye may lose
    does not count.
    """
    outlines = [e for e in expected if e.outline and not e.may_lack]
    found = {id(a.expected) for a in assigned if a.expected is not None and not a.wrong_way}
    return sum(id(e) in found for e in outlines) / max(1, len(outlines))


def turn_deg(start: XY, end: XY, goal: Point) -> float:
    """The angle between a line and the true line through its middle to `goal`, 0 to 90."""
    return abs(signed_turn_deg(start, end, goal))


def signed_turn_deg(start: XY, end: XY, goal: Point) -> float:
    """The same with its sign, positive clockwise on the sheet, −90 to 90."""
    middle = Point((start[0] + end[0]) / 2, (start[1] + end[1]) / 2)
    gx, gy = direction(middle, goal)
    dx, dy = end[0] - start[0], end[1] - start[1]
    turn = math.degrees(math.atan2(gx * dy - gy * dx, gx * dx + gy * dy))
    return (turn + 90.0) % 180.0 - 90.0


def _by_place(stroke: FoundStroke, key: AnswerKey) -> Assigned:
    """The expected line that lies nearest in place and direction, when one lies near enough."""
    if not key.expected:
        return Assigned(stroke, FREE)
    off, turn, overlap = beside(stroke, key.segments)
    cost = off / 2.0 + turn / 1.5 + np.where(key.outlines == stroke.dark, 0.0, 0.6)
    cost[(off > NEAR_MM) | (turn > NEAR_DEG) | (overlap < 0.4)] = np.inf
    best = int(cost.argmin())
    if not math.isfinite(cost[best]):
        return Assigned(stroke, FREE)
    return Assigned(stroke, key.expected[best].stroke.family, key.expected[best])


def _without_rivals(lines: Sequence[Assigned], key: AnswerKey) -> list[Assigned]:
    """Of lines side by side on one edge's place only the nearest is that edge."""
    rows = {id(edge): row for edge, row in zip(key.expected, key.segments, strict=True)}
    nearest: dict[int, tuple[float, FoundStroke]] = {}
    for line in lines:
        if line.expected is not None:
            edge = id(line.expected)
            off = float(beside(line.found, rows[edge][None])[0][0])
            if off < nearest.get(edge, (math.inf, None))[0]:
                nearest[edge] = off, line.found
    return [
        Assigned(line.found, FREE)
        if line.expected is not None and _is_rival(line.found, nearest[id(line.expected)][1])
        else line
        for line in lines
    ]


def _is_rival(stroke: FoundStroke, nearest: FoundStroke) -> bool:
    """Whether a line runs beside another: neither on it, as one drawn twice, nor its other part."""
    off, _, overlap = beside(stroke, ends_of([nearest]))
    return bool(off[0] > RIVAL_MM and overlap[0] > 0.4)


def _not_found(lines: Sequence[Assigned], key: AnswerKey) -> list[Expected]:
    """The edges that no line was taken for."""
    taken = {id(line.expected) for line in lines if line.expected is not None}
    return [edge for edge in key.expected if edge.outline and id(edge) not in taken]


def _parted(line: Assigned, missing: Sequence[Expected], key: AnswerKey) -> list[Assigned]:
    """A line that runs on past its edge's end where a missing edge begins is two lines.

    So a line to the wrong point that happens to prolong a right one is seen by itself.
    """
    stroke, edge = line.found, line.expected
    if edge is None or not stroke.dark or not edge.outline:
        return [line]
    for first, last in ((stroke.start, stroke.end), (stroke.end, stroke.start)):
        near = min(edge.stroke.segment, key=lambda end: math.dist(end, first))
        beyond = math.dist(first, near)
        if beyond < PARTED_MM or math.dist(first, last) - beyond < PARTED_MM:
            continue
        if math.dist(near, last) > math.dist(first, last):
            continue
        if any(
            min(math.dist(near, end) for end in other.stroke.segment) < NEAR_MM
            and 0.5 < beyond / max(math.dist(*other.stroke.segment), 1e-9) < 2.0
            for other in missing
        ):
            share = beyond / stroke.length_mm
            corner = (
                first[0] + share * (last[0] - first[0]),
                first[1] + share * (last[1] - first[1]),
            )
            rest = _cut(stroke, corner, last)
            # Its direction is the whole line's: whoever has the pixels measures it anew.
            other = _cut(stroke, first, corner)
            other = replace(other, angle_sd_deg=max(other.angle_sd_deg, PARTED_SD_DEG))
            return [Assigned(rest, line.family, edge), _by_place(other, key)]
    return [line]


def _cut(stroke: FoundStroke, start: XY, end: XY) -> FoundStroke:
    """A part of a line, whose direction is known the less the shorter it is."""
    longer = stroke.length_mm / math.dist(start, end)
    return replace(stroke, start=start, end=end, angle_sd_deg=stroke.angle_sd_deg * longer**1.5)


def _by_start(
    stroke: FoundStroke,
    missing: Sequence[Expected],
    leads_to: Sequence[str] = (),
    within_mm: float = NEAR_MM,
) -> Assigned | None:
    """A missing edge that begins where this line begins, and is about as long.

    A line that `leads_to` another point may leave its corner at any angle.
    """
    if not stroke.dark:
        return None
    best, least = None, math.inf
    for line in missing:
        size = math.dist(*line.stroke.segment)
        if not 0.5 < stroke.length_mm / max(size, 1e-9) < 2.0:
            continue
        gap = min(math.dist(a, b) for a in (stroke.start, stroke.end) for b in line.stroke.segment)
        dx, dy = (
            line.stroke.end[0] - line.stroke.start[0],
            line.stroke.end[1] - line.stroke.start[1],
        )
        turn = turn_deg(stroke.start, stroke.end, Point(dx, dy, 0.0))
        elsewhere = bool(set(leads_to) - {line.stroke.family}) and gap < ON_CORNER_MM
        if gap < within_mm and (turn < WRONG_DEG or elsewhere) and gap + turn / 4 < least:
            best, least = line, gap + turn / 4
    if best is None:
        return None
    return Assigned(stroke, best.stroke.family, best, wrong_way=True)


def _leads_to(stroke: FoundStroke, goals: Mapping[str, Point]) -> list[str]:
    """The families whose true line runs the same way; a line that fits two is not guessed."""
    return [
        name
        for name, goal in goals.items()
        if turn_deg(stroke.start, stroke.end, goal) < BY_GEOMETRY_DEG + stroke.angle_sd_deg
    ]


def beside(stroke: FoundStroke, segments: Array) -> tuple[Array, Array, Array]:
    """Distance at the stroke's middle (mm), angle (deg), and the share of it beside each line."""
    start, step = segments[:, :2], segments[:, 2:] - segments[:, :2]
    size = np.maximum(np.hypot(step[:, 0], step[:, 1]), 1e-6)
    u = step / size[:, None]
    a, b = np.array(stroke.start) - start, np.array(stroke.end) - start
    middle = (a + b) / 2
    off = np.abs(middle[:, 0] * u[:, 1] - middle[:, 1] * u[:, 0])
    dx, dy = stroke.end[0] - stroke.start[0], stroke.end[1] - stroke.start[1]
    across, along = u[:, 0] * dy - u[:, 1] * dx, u[:, 0] * dx + u[:, 1] * dy
    turn = np.degrees(np.arctan2(np.abs(across), np.abs(along)))
    t0, t1 = (a * u).sum(axis=1), (b * u).sum(axis=1)
    overlap = np.minimum(np.maximum(t0, t1), size) - np.maximum(np.minimum(t0, t1), 0.0)
    return off, turn, overlap / stroke.length_mm
