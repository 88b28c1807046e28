"""The lesson plan: minutes by age, periods, words, what to look for, cautions.

What the trade does, with no published source unless said; a teacher changes every line of it.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import NamedTuple

from orthopsis.construction.moves import Do, Step
from orthopsis.exercise.document import LessonSpec, TwoPointView
from orthopsis.exercise.materials import materials
from orthopsis.exercise.resolve import Scene
from orthopsis.exercise.runthrough import run_through

PLANNED_AGE = 10
"""The age that the moves' minutes are meant for."""

AROUND_MIN = 8.0
"""Handing out at the beginning and clearing up at the end of a period."""


class Period(NamedTuple):
    """One lesson: the numbers of its first and last step, and the minutes of its steps."""

    first: int
    last: int
    minutes: float
    ends_with: str


class Plan(NamedTuple):
    """A plan, each part the teacher's own where there is one."""

    minutes: float
    periods: list[Period]
    materials: list[str]
    words: list[str]
    look_for: list[str]
    cautions: list[str]
    notes: str


def lesson_plan(scene: Scene) -> Plan:
    """The plan of an exercise. Raises ExerciseError, NoDrawingOrder."""
    spec = scene.exercise.lesson or LessonSpec()
    made = run_through(scene)
    times = [minutes_at(step, scene.exercise.age) for step in made]
    return Plan(
        minutes=sum(times),
        periods=periods(made, times, spec.period_min),
        materials=spec.materials or [item.name for item in materials(scene)],
        words=spec.words or words_to_introduce(scene, made),
        look_for=spec.look_for or what_to_look_for(scene, made),
        cautions=spec.cautions or cautions(scene),
        notes=spec.notes,
    )


def minutes_at(step: Step, age: int | None) -> float:
    """A step's minutes for an age: younger pupils take longer, older ones less, within reason."""
    factor = 1.0 if age is None else min(1.6, max(0.7, math.sqrt(PLANNED_AGE / age)))
    return max(0.5, round(step.minutes * factor * 2) / 2)


def periods(made: Sequence[Step], times: Sequence[float], period_min: float) -> list[Period]:
    """Lessons of a length, each ending where a thing is finished if that leaves it half full.

    A step is never cut in two, so a step longer than a period has a period of its own.
    """
    room = max(5.0, period_min - AROUND_MIN)
    found: list[Period] = []
    first = 0
    while first < len(made):
        last, used = first, times[first]
        while last + 1 < len(made) and used + times[last + 1] <= room:
            last += 1
            used += times[last]
        if last + 1 < len(made):
            last = _sensible_end(made, times, first, last, room)
        used = sum(times[first : last + 1])
        found.append(Period(first + 1, last + 1, used, made[last].title))
        first = last + 1
    return found


def _sensible_end(
    made: Sequence[Step], times: Sequence[float], first: int, last: int, room: float
) -> int:
    """The last step up to `last` after which another thing begins; `last` where that is early."""
    for end in range(last, first - 1, -1):
        new_thing = made[end + 1].piece != made[end].piece
        if new_thing and sum(times[first : end + 1]) >= room / 2.0:
            return end
    return last


def words_to_introduce(scene: Scene, made: Sequence[Step]) -> list[str]:
    """The trade's terms that come up, in the order in which they do."""
    wording, found = scene.wording, []
    found.append(f"{wording.eye_level}: as high as our eyes; all level things vanish on it")
    many = len(scene.vanishing_points) > 1
    name = "vanishing points (VPs)" if many else "vanishing point (VP)"
    found.append(f"{name}: where lines that run away from us meet on paper")
    found.append("guide line: a light line that helps and is rubbed out or covered")
    if scene.exercise.view.kind == "one-point":
        found.append("orthogonal: a line that goes to the vanishing point")
    if scene.exercise.view.kind == "three-point":
        found.append("worm's-eye and bird's-eye view: looking up, and looking down")
    does = {move.do for step in made for move in step.moves}
    if Do.SLIDE in does:
        found.append("parallel: the same way, never meeting; found by sliding the set square")
    if any("distance point" in step.instruction for step in made):
        found.append("distance point: carries a true length into the depth")
    if any("measuring point" in step.instruction for step in made):
        found.append("measuring point: carries a true length into the depth")
    if any("diagonal" in step.instruction for step in made):
        found.append("diagonal: from corner to corner; two of them find the middle of a face")
    if Do.SKETCH in does:
        found.append("ellipse: what a circle looks like when it turns away from us")
    if scene.exercise.tone is not None:
        found.append("value: how dark a tone is, from 0, paper white, to 3")
    return found


def what_to_look_for(scene: Scene, made: Sequence[Step]) -> list[str]:
    """What goes wrong most, seen while walking round."""
    wording = scene.wording
    found = [
        f"The {wording.eye_level} is equally far from the top at both ends.",
        "Light lines first: can they still be rubbed out?",
        "The ruler lies on the point itself, not beside it.",
    ]
    if scene.far_points:
        found.append("Strips are taped so that they cannot turn; the point is marked on them.")
    if isinstance(scene.exercise.view, TwoPointView):
        found.append("Left sides go to the left point and right sides to the right one.")
        found.append("Opposite corner to opposite point: the back corner falls under the other.")
    if scene.exercise.view.kind == "three-point":
        found.append("Every upright leads to VP3; none is drawn square to the paper's edge.")
    else:
        found.append("Uprights are square to the paper's edge, not laid by eye.")
    if any(step.tried for step in made):
        found.append("No line runs through the shape itself: count the lines that are drawn.")
    found.append("Count: is a corner forgotten?")
    return found


def cautions(scene: Scene) -> list[str]:
    """What needs care, and the school's own rules, which come first."""
    found = []
    if scene.far_points:
        found.append("Craft knives for cutting strips are for supervised use; scissors do as well.")
    if any(part.piece.kind == "cylinder" for part in scene.parts if hasattr(part.piece, "kind")):
        found.append("Compass points are sharp: for supervised use.")
    found.append(
        "Permanent markers for inking: in a ventilated room, not with solvent-sensitive pupils."
    )
    found.append("Long metre rulers are carried upright.")
    found.append("The school's own risk assessment and local rules come first.")
    return found
