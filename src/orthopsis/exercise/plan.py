"""The lesson plan: minutes by age, periods, words, what to look for, cautions.

What the trade does, with no published source unless said; a teacher changes every line of it.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from typing import NamedTuple

from orthopsis.construction.moves import Act, Do, Idea, Step
from orthopsis.exercise.document import LessonSpec
from orthopsis.exercise.materials import materials
from orthopsis.exercise.resolve import Scene
from orthopsis.exercise.runthrough import run_through
from orthopsis.lesson.flow import Flow
from orthopsis.phrase import Number, Phrase, say

PLANNED_AGE = 10
"""The age that the moves' minutes are meant for."""

AROUND_MIN = 8.0
"""Handing out at the beginning and clearing up at the end of a period."""


MOST_STEPS = 25
"""A lesson of more steps is cut, however short they are."""


class Period(NamedTuple):
    """One lesson: the numbers of its first and last step, and the minutes of its steps."""

    first: int
    last: int
    minutes: float


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
        periods=periods(made, times, spec.period_min, scene.flow),
        materials=spec.materials or _said(scene, (item.name for item in materials(scene))),
        words=spec.words or _said(scene, words_to_introduce(scene, made)),
        look_for=spec.look_for or _said(scene, what_to_look_for(scene, made)),
        cautions=spec.cautions or _said(scene, cautions(scene)),
        notes=spec.notes,
    )


def _said(scene: Scene, phrases: Iterable[Phrase]) -> list[str]:
    return list(map(scene.words.say, phrases))


def minutes_at(step: Step, age: int | None) -> float:
    """A step's minutes for an age: younger pupils take longer, older ones less, within reason."""
    factor = 1.0 if age is None else min(1.6, max(0.7, math.sqrt(PLANNED_AGE / age)))
    return max(0.5, round(step.minutes * factor * 2) / 2)


def periods(
    made: Sequence[Step], times: Sequence[float], period_min: float, flow: Flow = Flow.THINGS
) -> list[Period]:
    """Lessons of a length, each ending where a thing or an act does if that leaves it half full.

    A step is never cut in two, so a step longer than a period has a period of its own.
    """
    room = max(5.0, period_min - AROUND_MIN)
    found: list[Period] = []
    first = 0
    while first < len(made):
        last, used = first, times[first]
        while (
            last + 1 < len(made)
            and used + times[last + 1] <= room
            and last + 1 - first < MOST_STEPS
        ):
            last += 1
            used += times[last]
        if last + 1 < len(made):
            last = _sensible_end(made, times, (first, last), room, flow)
        used = sum(times[first : last + 1])
        found.append(Period(first + 1, last + 1, used))
        first = last + 1
    return found


def _sensible_end(
    made: Sequence[Step], times: Sequence[float], span: tuple[int, int], room: float, flow: Flow
) -> int:
    """The last step of a span after which another thing or act begins; its end where that is
    early.
    """
    first, last = span
    for end in range(last, first - 1, -1):
        here, after = made[end], made[end + 1]
        begins = here.part != after.part if flow is Flow.THINGS else here.act is not after.act
        if begins and sum(times[first : end + 1]) >= room / 2.0:
            return end
    return last


def words_to_introduce(scene: Scene, made: Sequence[Step]) -> list[Phrase]:
    """The trade's terms that come up, in the order in which they do."""
    kind = scene.exercise.view.kind
    found = [say("term-eye-level"), say("term-points", count=_many(scene.vanishing_points))]
    found.append(say("term-guide-line"))
    if kind == "one-point":
        found.append(say("term-orthogonal"))
    if kind == "three-point":
        found.append(say("term-views"))
    if any(step.phrase == "block" or step.act is Act.PLAN for step in made):
        found.append(say("term-block"))
    ideas = {idea for step in made for idea in step.ideas}
    found += [say(f"term-{idea}") for idea in Idea if idea in ideas]
    if scene.exercise.tone is not None:
        found.append(say("term-value"))
    return found


def _many(things: Sequence[object]) -> Number:
    return Number(float(len(things)))


def what_to_look_for(scene: Scene, made: Sequence[Step]) -> list[Phrase]:
    """What goes wrong most, seen while walking round."""
    does = {move.do for step in made for move in step.moves}
    kinds = {step.like for step in made}
    families = {drawn.stroke.family.rpartition(":")[2] for s in made for drawn in s.strokes}
    wanted = {
        "eye-level": True,
        "light-lines": Act.LINES in {step.act for step in made},
        "ruler-on-point": bool({Do.AIM, Do.LAY} & does),
        "strips": bool(scene.far_points) and scene.wording.far != "ladders",
        "sides": {"box-left", "box-right"} <= kinds,
        "opposite": bool({"box-top", "box-underside"} & kinds),
        "uprights-to-vp3": "VP3" in families,
        "uprights": Do.SQUARE in does,
        "corner-rule": any(step.tried for step in made),
        "right-row": any(step.table for step in made),
        "curves": bool({Do.SKETCH, Do.BEND} & does),
        "count": True,
    }
    return [say(f"look-for-{name}") for name, is_wanted in wanted.items() if is_wanted]


def cautions(scene: Scene) -> list[Phrase]:
    """What needs care, and the school's own rules, which come first."""
    names = ["knives"] if scene.far_points else []
    if any(body.shown.ovals for body in scene.bodies):
        names.append("compasses")
    return [say(f"caution-{name}") for name in (*names, "markers", "metre-rulers", "own-rules")]
