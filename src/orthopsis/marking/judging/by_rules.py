"""Sheets by their rules alone: own sizes, own places, perhaps own points.

Where an exercise gives only the points, or only the rules, places on the sheet prove nothing: lines
are given to families by where they run, and with the rules alone the points are read from the sheet
first.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence

from orthopsis.marking.judging.answer_key import LEVEL_GOALS, AnswerKey
from orthopsis.marking.judging.families import Assigned, turn_deg
from orthopsis.marking.judging.free import read_freely
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import XY
from orthopsis.perspective.view import FREE

RUNS_DEG = 8.0
"""A line that runs farther past every point belongs to none."""
BOTH_DEG = 1.0
SLANT_DEG = 12.0
"""So much a slanted edge may be turned by other sizes."""
LEAST_LINES = 3


def own_goals(found: Sequence[FoundStroke], key: AnswerKey) -> dict[str, Point]:
    """Where a pupil's families lead: their own points where they can be read, else the sheet's."""
    goals = dict(key.goals)
    read = read_freely(found)
    mine = {point.name: Point(*point.met.at) for point in read.points if point.sure >= 0.4}
    if "VP2" not in goals and "VP2" in mine:
        # One point is asked for: the surer of the two is it.
        surest = max(read.points, key=lambda point: point.sure)
        mine = {"VP1": Point(*surest.met.at)}
    elif "VP2" in goals and "VP1" in mine and "VP2" not in mine:
        left, right = goals["VP1"].x, goals["VP2"].x
        nearer = "VP1" if abs(mine["VP1"].x - left) <= abs(mine["VP1"].x - right) else "VP2"
        mine[nearer] = mine.pop("VP1")
    return goals | {name: point for name, point in mine.items() if name in goals}


def assign_by_rules(
    found: Sequence[FoundStroke], key: AnswerKey, goals: Mapping[str, Point]
) -> list[Assigned]:
    """Each line to the family it runs nearest to. One that runs to two is not guessed, nor one that
    runs as a slanted edge of the exercise does: where that leads follows from the pupil's sizes.
    """
    printed = {vp.name for vp in key.scene.vanishing_points} | LEVEL_GOALS.keys()
    goals = {name: goal for name, goal in goals.items() if name in printed}
    slants = [
        _way_deg(*line.stroke.segment)
        for line in key.expected
        if line.outline and line.stroke.family not in goals
    ]
    return [_nearest(stroke, goals, slants) for stroke in found]


def _way_deg(start: XY, end: XY) -> float:
    return math.degrees(math.atan2(end[1] - start[1], end[0] - start[0]))


def _nearest(stroke: FoundStroke, goals: Mapping[str, Point], slants: Sequence[float]) -> Assigned:
    turns = sorted((turn_deg(stroke.start, stroke.end, goal), name) for name, goal in goals.items())
    best, name = turns[0]
    if best > RUNS_DEG + stroke.angle_sd_deg:
        return Assigned(stroke, FREE)
    if len(turns) > 1 and turns[1][0] < BOTH_DEG + stroke.angle_sd_deg:
        return Assigned(stroke, FREE, both=True)
    way = _way_deg(stroke.start, stroke.end)
    if best > BOTH_DEG + stroke.angle_sd_deg and any(
        abs((way - slant + 90.0) % 180.0 - 90.0) < SLANT_DEG for slant in slants
    ):
        return Assigned(stroke, FREE, both=True)
    return Assigned(stroke, name)
