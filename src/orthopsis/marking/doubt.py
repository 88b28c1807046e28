"""How sure the judge is of a sheet, and why it is not: what a teacher looks at first.

Each reason takes something away from 1. The weights put sheets into an order; they are no
probabilities.
"""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from orthopsis.marking.findings.one import Finding
from orthopsis.marking.judging.verdicts import JudgedStroke, Verdict
from orthopsis.marking.sheet.quality import Quality
from orthopsis.phrase import Number, Phrase, say

CLEAR_SHEET = 0.7
"""A sheet whose edges were seen so surely is where it was found."""
MOST_FOR_LINES = 0.35


class Doubt(NamedTuple):
    """One reason to look closer; `weight` is what it takes away of 1, `of_photo` whether it stays
    when the lines are judged again.
    """

    weight: float
    says: Phrase
    of_photo: bool = False


def of_photo(seen: Quality, said: Sequence[Finding]) -> list[Doubt]:
    """Reasons that lie in the photo; `said` is what is said of it."""
    doubts = []
    if said:
        doubts.append(Doubt(0.3, say("doubt-photo"), of_photo=True))
    if seen.how == "edges" and seen.sure < CLEAR_SHEET:
        doubts.append(Doubt(0.25, say("doubt-sheet"), of_photo=True))
    return doubts


def of_lines(
    judged: Sequence[JudgedStroke], said: Sequence[Finding], reached: int | None
) -> list[Doubt]:
    """Reasons that lie in what was read of the drawing."""
    doubts = []
    missing = sum(_count(one) for one in said if one.code in ("missing-edge", "missing-guide"))
    asked = sum(one.level == "ask" for one in said)
    strays = sum(one.verdict is Verdict.STRAY and one.assigned.found.dark for one in judged)
    for many, each, phrase in (
        (missing, 0.06, "doubt-missing"),
        (asked, 0.1, "doubt-asked"),
        (strays, 0.04, "doubt-strays"),
    ):
        if many:
            weight = min(MOST_FOR_LINES, each * many)
            doubts.append(Doubt(weight, say(phrase, count=Number(float(many)))))
    if reached is not None:
        doubts.append(Doubt(0.1, say("doubt-half-finished", step=Number(float(reached)))))
    return doubts


def _count(one: Finding) -> int:
    """How many edges a finding says are missing."""
    value = one.says.values.get("count") or one.says.values.get("gone")
    return int(value.value) if isinstance(value, Number) else 1


def sureness(weights: Sequence[float]) -> float:
    """From 1, where nothing is doubtful, down to 0."""
    return round(max(0.0, 1.0 - sum(weights)), 2)
