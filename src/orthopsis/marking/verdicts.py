"""On, near, off or stray: each line against the true line through its middle, and where each
family really meets.

Tolerances: 0.8° and 1.2° for the standard demand (common practice, no published source).
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum

import numpy as np

from orthopsis.exercise.resolve import Scene
from orthopsis.marking.families import Assigned, family_goals, signed_turn_deg
from orthopsis.perspective.plane import Point, distance_point_line, join
from orthopsis.perspective.segments import XY
from orthopsis.perspective.view import FREE

SURE = 2.0
"""A line is called off only when it is so by this many standard deviations."""


class Verdict(StrEnum):
    """What is said of one line."""

    ON = "on"
    NEAR = "near"
    OFF = "off"
    STRAY = "stray"


@dataclass(frozen=True)
class Demand:
    """How strictly a sheet is judged, in degrees."""

    on_deg: float
    near_deg: float


FIRST_STEPS, STANDARD, STRETCH = Demand(2.0, 3.0), Demand(0.8, 1.2), Demand(0.5, 0.8)


@dataclass(frozen=True)
class JudgedStroke:
    """A pencil line with its verdict. `turn_deg` keeps its sign, positive clockwise.

    `miss_mm` is how far the line, extended, passes its vanishing point; None for uprights, levels
    and strays. `own_turn_deg` is its angle to the point the pupil really aims at.
    """

    assigned: Assigned
    verdict: Verdict
    turn_deg: float | None
    miss_mm: float | None
    own_turn_deg: float | None = None

    @property
    def family(self) -> str:
        return self.assigned.family

    @property
    def angle_deg(self) -> float | None:
        return None if self.turn_deg is None else abs(self.turn_deg)


@dataclass(frozen=True)
class MeetingPoint:
    """A vanishing point as intended, and where the pupil's lines meet (None: cannot be told)."""

    name: str
    intended: Point
    found: XY | None
    lines: int
    consistent_elsewhere: bool = False


def judge_lines(
    assigned: Sequence[Assigned], scene: Scene, demand: Demand = STANDARD
) -> list[JudgedStroke]:
    """A verdict for each line."""
    goals = family_goals(scene)
    return [_judged(line, goals, demand) for line in assigned]


def _judged(line: Assigned, goals: dict[str, Point], demand: Demand) -> JudgedStroke:
    if line.family == FREE:
        # A light line the exercise itself asks for, such as one to a distance point, is no stray.
        return JudgedStroke(line, Verdict.ON if line.expected else Verdict.STRAY, None, None)
    goal, stroke = goals[line.family], line.found
    turn = signed_turn_deg(stroke.start, stroke.end, goal)
    miss = None
    if not goal.at_infinity:
        miss = distance_point_line(goal, join(Point(*stroke.start), Point(*stroke.end)))
    doubt = SURE * stroke.angle_sd_deg
    if abs(turn) <= demand.on_deg:
        verdict = Verdict.ON if doubt <= demand.near_deg else Verdict.NEAR
    elif abs(turn) <= demand.near_deg or abs(turn) - doubt <= demand.near_deg:
        verdict = Verdict.NEAR
    else:
        verdict = Verdict.OFF
    return JudgedStroke(line, verdict, turn, miss)


def meeting_points(
    judged: Sequence[JudgedStroke], scene: Scene, demand: Demand = STANDARD
) -> list[MeetingPoint]:
    """For each vanishing point, where its family meets, and whether that is a point of its own."""
    points = []
    for vp in scene.vanishing_points:
        lines = [j for j in judged if j.family == vp.name]
        found = _meeting(lines) if len(lines) >= 2 else None
        elsewhere = found is not None and _consistent(lines, found, demand)
        points.append(MeetingPoint(vp.name, vp.at, found, len(lines), elsewhere))
    return points


def _meeting(lines: Sequence[JudgedStroke]) -> XY | None:
    """The point with the least weighted squares of angles to the lines, found robustly.

    Each line counts by its certainty; lines that disagree lose their say (iteratively reweighted
    least squares, Tukey's biweight; P. J. Huber, Robust Statistics, from memory).
    """
    strokes = [line.assigned.found for line in lines]
    starts = np.array([s.start for s in strokes])
    ends = np.array([s.end for s in strokes])
    along = (ends - starts) / np.linalg.norm(ends - starts, axis=1)[:, None]
    normals = np.column_stack([-along[:, 1], along[:, 0]])
    middles = (starts + ends) / 2
    offsets = (normals * middles).sum(axis=1)
    x, y = along[0]
    sines = x * along[:, 1] - y * along[:, 0]
    spread = math.degrees(math.asin(min(1.0, float(np.abs(sines).max()))))
    if spread < 1.5:
        return None
    doubt = np.array([max(s.angle_sd_deg, 0.12) for s in strokes])
    reach = np.full(len(strokes), 1.0)
    trust = np.ones(len(strokes))
    place = np.zeros(2)
    for _ in range(12):
        weight = trust / (doubt * reach) ** 2
        matrix = (normals * weight[:, None]).T @ normals
        if np.linalg.cond(matrix) > 1e9:
            return None
        place = np.linalg.solve(matrix, (normals * (weight * offsets)[:, None]).sum(axis=0))
        reach = np.maximum(np.linalg.norm(middles - place, axis=1), 5.0)
        rest = np.degrees(np.abs(normals @ place - offsets) / reach)
        limit = max(4.7 * 1.4826 * float(np.median(rest)), 0.6)
        trust = np.clip(1.0 - (rest / limit) ** 2, 0.02, None) ** 2
    return float(place[0]), float(place[1])


def _consistent(lines: Sequence[JudgedStroke], found: XY, demand: Demand) -> bool:
    """Most lines agree on the found point and most disagree with the intended one."""
    if len(lines) < 3:
        return False
    goal = Point(*found)
    own = [abs(_own_turn(line, goal)) for line in lines]
    theirs = [line.angle_deg or 0.0 for line in lines]
    agree = sum(turn <= demand.on_deg for turn in own) >= 0.75 * len(lines)
    return agree and float(np.median(theirs)) > max(demand.on_deg, 2.0 * float(np.median(own)))


def with_own_angles(
    judged: Sequence[JudgedStroke], points: Sequence[MeetingPoint]
) -> list[JudgedStroke]:
    """Lines of a family that meets in a point of its own also get their angle to that point."""
    own = {p.name: Point(*p.found) for p in points if p.consistent_elsewhere and p.found}
    return [
        JudgedStroke(
            line.assigned,
            line.verdict,
            line.turn_deg,
            line.miss_mm,
            _own_turn(line, own[line.family]),
        )
        if line.family in own
        else line
        for line in judged
    ]


def _own_turn(line: JudgedStroke, goal: Point) -> float:
    stroke = line.assigned.found
    return signed_turn_deg(stroke.start, stroke.end, goal)
