"""What is said of the back of a letter: each corner is found before a line begins at it."""

from __future__ import annotations

import re

import pytest

from orthopsis.exercise.runthrough import run_through
from tests.documents import scene_of
from tests.letters import ONE, THREE, TWO
from tests.words import instruction, title


@pytest.mark.parametrize("base", [ONE, TWO, THREE])
@pytest.mark.parametrize("text", ["FERN", "MOTH", "PLUM"])
def test_every_far_corner_is_introduced_as_a_move_of_the_ruler(base, text):
    """No line of the back begins at a mark that nobody has heard of."""
    scene = scene_of({**base, "pieces": [{**base["pieces"][0], "text": text}]})
    heard: set[str] = set()
    for step in run_through(scene):
        told = re.findall(r"\b[A-Z]\d*\b", instruction(step))
        if step.phrase in ("back", "back-more") and not step.bulk:
            introduced = set(re.findall(r"\bis ([A-Z]\d*)\.", instruction(step)))
            lettered = {mark.name for mark in step.marks if mark.lettered}
            assert lettered <= introduced, title(step)
            sides = instruction(step).split("Draw the far sides")[-1]
            assert set(re.findall(r"\b[A-Z]\d*\b", sides)) <= heard | introduced | {"D", "S"}
            assert not re.search(r"from (\w+) and from \1\b", sides)
        heard |= set(told)
