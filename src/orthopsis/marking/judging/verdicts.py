"""On, near, off or stray: each line against the true line through its middle, and where each
family really meets.

Tolerances: 0.8° and 1.2° for the standard demand (common practice, no published source).
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum

import numpy as np

from orthopsis.exercise.resolve import Scene
from orthopsis.marking.fitting import Meeting, RuledLine, meeting
from orthopsis.marking.judging.answer_key import LEVEL_GOALS
from orthopsis.marking.judging.families import Assigned, signed_turn_deg
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.perspective.plane import Point, distance_point_line, join
from orthopsis.perspective.segments import XY
from orthopsis.perspective.view import FREE

CLEARLY_DEG = 3.0
"""A line so far off that runs to another point was meant for that point."""
HAND_DEG = 0.4
"""How far a ruled line passes the point it is meant for, as a standard deviation."""
WOBBLE_MM = 0.3
"""How far a hand strays from its ruler, slowly: a line's scatter does not show it."""
TOLD_MM = 15.0
"""Which way a shorter line runs, no eye tells: it is never called off."""
EXACT_DEG = 0.06
"""A line of less doubt was not read from pixels."""
AGREE = 0.7
"""So many lines of a family that keeps to a point of its own lead there, as far as can be seen."""
SURE, SURELY_OFF = 2.0, 2.5
"""A line is on its way, or called off, only when it is so by this many standard deviations: of
forty right lines on a sheet none should be.
"""


class Verdict(StrEnum):
    """What is said of one line."""

    ON = "on"
    NEAR = "near"
    OFF = "off"
    STRAY = "stray"


@dataclass(frozen=True)
class Strictness:
    """How strictly a sheet is judged, in degrees."""

    on_deg: float
    near_deg: float


FIRST_STEPS, STANDARD, STRETCH = Strictness(2.0, 3.0), Strictness(0.8, 1.2), Strictness(0.5, 0.8)
STRICTNESS = {"first steps": FIRST_STEPS, "standard": STANDARD, "stretch": STRETCH}


@dataclass(frozen=True)
class JudgedStroke:
    """A pencil line with its verdict. `turn_deg` keeps its sign, positive clockwise.

    `miss_mm` is how far the line, extended, passes its vanishing point; None for uprights, levels
    and strays. `own_turn_deg` is its angle to the point the pupil really aims at; `runs_to` another
    vanishing point to which a line that is off runs instead.
    """

    assigned: Assigned
    verdict: Verdict
    turn_deg: float | None
    miss_mm: float | None
    own_turn_deg: float | None = None
    runs_to: str | None = None
    meant: bool = False
    """CurvedPrism on purpose: a teacher said so, and it is not off."""

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
    met: Meeting | None
    lines: int
    consistent_elsewhere: bool = False

    @property
    def found(self) -> XY | None:
        """Where the lines meet."""
        return None if self.met is None else self.met.at


def judge_lines(
    assigned: Sequence[Assigned], goals: Mapping[str, Point], demand: Strictness = STANDARD
) -> list[JudgedStroke]:
    """A verdict for each line; `goals` says where each family leads."""
    return [_judged(line, goals, demand) for line in assigned]


def _judged(line: Assigned, goals: Mapping[str, Point], demand: Strictness) -> JudgedStroke:
    if line.family == FREE:
        # A light line the exercise itself asks for, such as one to a distance point, is no stray.
        right = line.expected is not None or line.both
        return JudgedStroke(line, Verdict.ON if right else Verdict.STRAY, None, None)
    goal, stroke = goals[line.family], line.found
    turn = signed_turn_deg(stroke.start, stroke.end, goal)
    miss = None
    if not goal.at_infinity:
        miss = distance_point_line(goal, join(Point(*stroke.start), Point(*stroke.end)))
    verdict = _verdict(turn, stroke.angle_sd_deg, demand)
    if verdict is Verdict.OFF and stroke.angle_sd_deg >= EXACT_DEG:
        verdict = _verdict(turn, _doubt_deg(stroke), demand)
    if verdict is not Verdict.OFF or line.family in LEVEL_GOALS or abs(turn) < CLEARLY_DEG:
        return JudgedStroke(line, verdict, turn, miss)
    others = [name for name in goals if name not in LEVEL_GOALS and name != line.family]
    instead = [
        name
        for name in others
        if abs(signed_turn_deg(stroke.start, stroke.end, goals[name])) <= demand.on_deg
    ]
    return JudgedStroke(line, verdict, turn, miss, runs_to=instead[0] if instead else None)


def _doubt_deg(stroke: FoundStroke) -> float:
    """The doubt of a line's direction, with the slow wobble of a hand."""
    if stroke.length_mm < TOLD_MM:
        return math.inf
    return math.hypot(stroke.angle_sd_deg, math.degrees(WOBBLE_MM / stroke.length_mm))


def _verdict(turn_deg: float, sd_deg: float, demand: Strictness) -> Verdict:
    angle = abs(turn_deg)
    if angle <= demand.on_deg:
        return Verdict.ON if SURE * sd_deg <= demand.near_deg else Verdict.NEAR
    if angle - SURELY_OFF * sd_deg <= demand.near_deg:
        return Verdict.NEAR
    return Verdict.OFF


def meeting_points(
    judged: Sequence[JudgedStroke],
    scene: Scene,
    demand: Strictness = STANDARD,
    *,
    own: bool = False,
) -> list[MeetingPoint]:
    """For each vanishing point, where its family meets, and whether that is a point of its own.

    Where all points are the pupil's `own`, none is elsewhere.
    """
    points, placed = [], scene.vanishing_points
    for vp in scene.goals:
        lines = [j for j in judged if j.family == vp.name]
        if vp.at.at_infinity or (vp not in placed and len(lines) < 2):
            continue
        met = meeting([_ruled(line.assigned.found) for line in lines])
        elsewhere = met is not None and _consistent(lines, met.at, demand)
        elsewhere = elsewhere and not own
        points.append(MeetingPoint(vp.name, vp.at, met, len(lines), elsewhere))
    return points


def _ruled(stroke: FoundStroke) -> RuledLine:
    return RuledLine(stroke.start, stroke.end, stroke.angle_sd_deg)


def _consistent(lines: Sequence[JudgedStroke], found: XY, demand: Strictness) -> bool:
    """Most lines agree on the found point and most disagree with the intended one."""
    if len(lines) < 3:
        return False
    goal = Point(*found)
    own = [abs(_own_turn(line, goal)) for line in lines]
    theirs = [line.angle_deg or 0.0 for line in lines]
    agree = sum(
        turn <= max(demand.on_deg, SURE * math.hypot(line.assigned.found.angle_sd_deg, HAND_DEG))
        for turn, line in zip(own, lines, strict=True)
    )
    return agree >= AGREE * len(lines) and float(np.median(theirs)) > max(
        demand.on_deg, 2.0 * float(np.median(own))
    )


def as_meant(line: JudgedStroke) -> JudgedStroke:
    """A line whose rule was bent on purpose."""
    return replace(line, verdict=Verdict.ON, meant=True, runs_to=None)


def points_of_their_own(points: Sequence[MeetingPoint]) -> dict[str, Point]:
    """Where each family leads that keeps to another point than the sheet's."""
    return {p.name: Point(*p.found) for p in points if p.consistent_elsewhere and p.found}


def with_own_angles(
    judged: Sequence[JudgedStroke], points: Sequence[MeetingPoint], demand: Strictness = STANDARD
) -> list[JudgedStroke]:
    """Lines of a family that meets in a point of its own also get their angle to that point."""
    own = points_of_their_own(points)
    return [
        _of_own_point(line, own[line.family], demand) if line.family in own else line
        for line in judged
    ]


def _of_own_point(line: JudgedStroke, goal: Point, demand: Strictness) -> JudgedStroke:
    """A line of a family whose own point is proved by all of its lines.

    A short one whose pixels alone prove nothing was drawn to that point by the same hand: its angle
    is the mean of what is seen and of that point's direction, each by its doubt.
    """
    sd, turn, own_turn = line.assigned.found.angle_sd_deg, line.turn_deg, _own_turn(line, goal)
    line = replace(line, own_turn_deg=own_turn)
    fits = abs(own_turn) <= SURE * math.hypot(sd, HAND_DEG)
    if line.verdict is not Verdict.NEAR or line.meant or turn is None or not fits or sd <= 0.0:
        return line
    seen, by_family = 1.0 / sd**2, 1.0 / HAND_DEG**2
    likely = turn - own_turn * by_family / (seen + by_family)
    return replace(line, verdict=_verdict(likely, (seen + by_family) ** -0.5, demand))


def _own_turn(line: JudgedStroke, goal: Point) -> float:
    stroke = line.assigned.found
    return signed_turn_deg(stroke.start, stroke.end, goal)
