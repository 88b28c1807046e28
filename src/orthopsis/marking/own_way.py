"""Sheets that go their own way: own sizes and points, or not yet finished.

Where an exercise gives only the points, or only the rules, places on the sheet prove nothing: lines
are given to families by where they run, and with the rules alone the points are read from the sheet
first. A sheet that is not finished is judged up to the step it has reached.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

from orthopsis.construction.moves import Step
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.state import lines_after
from orthopsis.marking.answer_key import AnswerKey, Expected, is_drawn
from orthopsis.marking.families import Assigned, assign, turn_deg
from orthopsis.marking.find_strokes import FoundStroke
from orthopsis.marking.fitting import ends_of
from orthopsis.marking.free import read_freely
from orthopsis.perspective.plane import Point
from orthopsis.perspective.view import FREE

RUNS_DEG = 8.0
"""A line that runs farther past every point belongs to none."""
BOTH_DEG = 1.0
STEP_SHARE = 0.6
FINISHED = 0.7
"""From so many of its outlines on, what is missing was forgotten, unless it is all due later."""
NOT_YET = 3
"""Fewer edges than this are forgotten rather than not begun."""
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


def step_reached(found: Sequence[FoundStroke], key: AnswerKey) -> int | None:
    """The last step whose lines are on the sheet; None for a finished one, or one of no step."""
    made = run_through(key.scene)
    everything = replace(
        key,
        expected=[
            Expected(d.stroke) for step in made for d in step.strokes if d.stroke.curve is None
        ],
    )
    lines = assign(found, everything)
    seen = {id(line.expected) for line in lines if line.expected is not None}
    shares = _shares(made, everything, seen)
    drawn = [number for number, share in shares if share >= STEP_SHARE]
    if not drawn or drawn[-1] >= shares[-1][0]:
        return None
    last = drawn[-1]
    seen_ends = ends_of(found)
    there = [
        is_drawn(Expected(drawn.stroke), seen_ends)
        for drawn, _ in lines_after(made, last)
        if drawn.stroke.curve is None
    ]
    return last if sum(there) >= STEP_SHARE * len(there) else None


def _shares(made: Sequence[Step], key: AnswerKey, seen: set[int]) -> list[tuple[int, float]]:
    """For each step that draws lines, its number and the share of them that was found."""
    shares, position = [], 0
    for number, step in enumerate(made, start=1):
        count = sum(drawn.stroke.curve is None for drawn in step.strokes)
        own = key.expected[position : position + count]
        position += count
        if own:
            shares.append((number, sum(id(line) in seen for line in own) / len(own)))
    return shares
