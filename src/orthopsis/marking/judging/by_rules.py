"""Sheets by their rules alone: own sizes, own places, perhaps own points.

Where an exercise gives only the points, or only the rules, places on the sheet prove nothing: lines
are given to families by where they run, and with the rules alone the points are read from the sheet
first.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from orthopsis.marking.judging.answer_key import AnswerKey
from orthopsis.marking.judging.families import Assigned, turn_deg
from orthopsis.marking.judging.free import read_freely
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.perspective.plane import Point
from orthopsis.perspective.view import FREE

RUNS_DEG = 8.0
"""A line that runs farther past every point belongs to none."""
BOTH_DEG = 1.0
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


def assign_by_rules(found: Sequence[FoundStroke], goals: Mapping[str, Point]) -> list[Assigned]:
    """Each line to the family it runs nearest to; one that runs to two is not guessed."""
    return [_nearest(stroke, goals) for stroke in found]


def _nearest(stroke: FoundStroke, goals: Mapping[str, Point]) -> Assigned:
    turns = sorted((turn_deg(stroke.start, stroke.end, goal), name) for name, goal in goals.items())
    best, name = turns[0]
    if best > RUNS_DEG + stroke.angle_sd_deg:
        return Assigned(stroke, FREE)
    if len(turns) > 1 and turns[1][0] < BOTH_DEG + stroke.angle_sd_deg:
        return Assigned(stroke, FREE, both=True)
    return Assigned(stroke, name)
