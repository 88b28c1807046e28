"""What is said, in words: steps, advice and findings as a teacher reads them."""

from __future__ import annotations

from typing import Any

from orthopsis.construction.moves import Step
from orthopsis.exercise import told
from orthopsis.wording.words import Words

PLAIN = Words()


def title(step: Step, words: Words = PLAIN) -> str:
    return told.title(step, words)


def instruction(step: Step, words: Words = PLAIN) -> str:
    return told.instruction(step, words)


def check(step: Step, words: Words = PLAIN) -> str:
    return told.check(step, words)


def message(one: Any, words: Words = PLAIN) -> str:
    """What a finding or a piece of advice says."""
    return words.say(one.says)


def remedy(one: Any, words: Words = PLAIN) -> str:
    """What the button of a piece of advice says; "" where it has none."""
    return "" if one.remedy is None else words.say(one.remedy)
