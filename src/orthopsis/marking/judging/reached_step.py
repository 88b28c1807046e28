"""How far a half-finished sheet has come: judged up to the last step with lines."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from itertools import chain

from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.state import lines_after
from orthopsis.marking.fitting import ends_of
from orthopsis.marking.judging.answer_key import (
    AnswerKey,
    Expected,
    answer_key,
    expected_of,
    is_drawn,
    share_beside,
)
from orthopsis.marking.judging.families import Assigned, assign, support
from orthopsis.marking.pencil.find_strokes import FoundStroke

STEP_SHARE = 0.6
FINISHED = 0.7
"""From so many of its outlines on, what is missing was forgotten, unless it is all due later."""
NOT_YET = 3
"""Fewer edges than this are forgotten rather than not begun."""
NOTHING_MISSING = 0.97
BEYOND = 2
"""So many edges that are not due yet are not drawn by chance."""


def as_far_as_drawn(
    key: AnswerKey, lines: list[Assigned]
) -> tuple[AnswerKey, list[Assigned], int | None]:
    """The key of the step that a half-finished sheet has reached, the lines by it, and the step.

    Where most of the drawing is there, it is half-finished only if nothing due so far is missing.
    """
    share = support(lines, key.expected)
    outlines = sum(e.outline and not e.may_lack for e in key.expected)
    if share >= FINISHED and round((1.0 - share) * outlines) < NOT_YET:
        return key, lines, None
    found = [line.found for line in lines]
    reached = step_reached(found, key)
    if reached is None:
        return key, lines, None
    sofar = answer_key(key.scene, reached)
    by_step = assign(found, sofar)
    if _goes_beyond(key, sofar, found):
        return key, lines, None
    if share >= FINISHED and support(by_step, sofar.expected) < NOTHING_MISSING:
        return key, lines, None
    return sofar, by_step, reached


def _goes_beyond(key: AnswerKey, sofar: AnswerKey, found: Sequence[FoundStroke]) -> bool:
    """Whether several dark edges are there that are not due yet: then others are only pale."""
    dark = ends_of([one for one in found if one.dark])
    due = sofar.segments[sofar.outlines > 0.5]
    later = [
        edge for edge in key.expected
        if edge.outline and not edge.may_lack and share_beside(*edge.stroke.segment, due) < 0.5
    ]  # fmt: skip
    return sum(is_drawn(edge, dark) for edge in later) >= BEYOND


def step_reached(found: Sequence[FoundStroke], key: AnswerKey) -> int | None:
    """The last step whose lines are on the sheet; None for a finished one, or one of no step."""
    made = run_through(key.scene)
    own = [expected_of((d.stroke for d in step.strokes), key.scene) for step in made]
    lines = assign(found, replace(key, expected=list(chain.from_iterable(own))))
    seen = {id(line.expected) for line in lines if line.expected is not None}
    shares = _shares(own, seen)
    drawn = [number for number, share in shares if share >= STEP_SHARE]
    if not drawn or drawn[-1] >= shares[-1][0]:
        return None
    last = drawn[-1]
    seen_ends = ends_of(found)
    due = expected_of((drawn.stroke for drawn, _ in lines_after(made, last)), key.scene)
    there = [is_drawn(line, seen_ends) for line in due]
    return last if sum(there) >= STEP_SHARE * len(there) else None


def _shares(own: Sequence[Sequence[Expected]], seen: set[int]) -> list[tuple[int, float]]:
    """For each step whose lines can be told, its number and the share of them that was found."""
    shares = []
    for number, lines in enumerate(own, start=1):
        told = [line for line in lines if not line.may_lack]
        if told:
            shares.append((number, sum(id(line) in seen for line in told) / len(told)))
    return shares
