"""Where teachers differ: what the document says, or else the age of the pupils."""

from __future__ import annotations

from orthopsis.construction.ways import Ways
from orthopsis.exercise.document import Exercise
from orthopsis.lesson.flow import Flow

EXACT_FROM_AGE = 12
"""Younger pupils sketch a circle through four middles (common practice, no published source)."""
CORNERS_BELOW_AGE = 9
"""Younger pupils finish one corner before the next (common practice, no published source)."""


def flow_of(exercise: Exercise, *, has_a_word: bool) -> Flow:
    """The order of teaching: as the teacher wishes; else words stage by stage, for the youngest
    corner by corner, and separate things one by one.
    """
    run, age = exercise.run, exercise.age
    if run is not None and run.flow is not None:
        return run.flow
    if not has_a_word:
        return Flow.THINGS
    return Flow.CORNERS if age is not None and age < CORNERS_BELOW_AGE else Flow.STAGES


def ways(exercise: Exercise, flow: Flow) -> Ways:
    """How things are done: as the document says; else by hand and eye below the age of twelve."""
    schools, age = exercise.schools, exercise.age
    young = age is not None and age < EXACT_FROM_AGE
    return Ways(
        quick_circles=schools.circle == "four middles" if schools.circle else young,
        quick_curves=schools.curve == "by hand" if schools.curve else young,
        corners=flow is Flow.CORNERS,
        long_guides=schools.guides == "to the point",
        casts=exercise.tone is not None and bool(exercise.tone.cast),
    )
