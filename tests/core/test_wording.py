"""Measures as a ruler shows them."""

from __future__ import annotations

import json
from fractions import Fraction

import pytest

from orthopsis.construction.moves import Step, StepStroke
from orthopsis.exercise.state import lines_after
from orthopsis.phrase import say
from orthopsis.wording.choices import Wording, inches
from orthopsis.wording.words import Words
from tests.documents import ROOT

IN_BOTH = json.loads((ROOT / "tests" / "cases" / "said-in-both-languages.json").read_text())


@pytest.mark.parametrize("case", IN_BOTH["measures"], ids=lambda case: case["text"])
def test_a_measure_reads_as_on_the_screen(case):
    assert Wording(case["units"]).length(case["mm"]).removeprefix("about ") == case["text"]


@pytest.mark.parametrize("case", IN_BOTH["moments"])
def test_after_each_step_a_line_looks_as_on_the_screen(case):
    steps = []
    for kept in case["steps"]:
        step = Step("any", darkens=kept["darkens"], erases=kept["erases"])
        step.strokes = [StepStroke(None, "guide") for _ in range(kept["strokes"])]
        steps.append(step)
    states = [[state for _, state in lines_after(steps, k + 1)] for k in range(len(steps))]
    assert states == case["states"]


@pytest.mark.parametrize(
    ("units", "mm", "text"),
    [
        ("cm", 114.2, "about 11.4 cm"),
        ("mm", 114.5, "114.5 mm"),
        ("in", 25.4 * 0.0625, "1⁄16 in"),
        ("in", 100, "about 3 15⁄16 in"),
    ],
)
def test_a_measure_reads_as_on_the_ruler(units, mm, text):
    assert Wording(units).length(mm) == text


def test_every_sixteenth_of_an_inch_has_its_own_words():
    words = [inches(Fraction(i, 16)) for i in range(1, 64)]
    assert len(set(words)) == len(words)
    assert "." not in "".join(words)


@pytest.mark.parametrize(
    ("units", "mm", "text"),
    [("cm", 13.7, "1.4 cm"), ("cm", 0.2, "0.1 cm"), ("in", 13.7, "½ in"), ("in", 0.3, "⅛ in")],
)
def test_a_found_measure_is_rounded_to_what_an_eye_sees(units, mm, text):
    assert Wording(units).rough(mm) == text


def test_the_line_and_the_eraser_have_the_teachers_words():
    for wording, line, rub in (
        (Wording(), "eye level line", "Rub out"),
        (Wording(line="horizon", spelling="US"), "horizon line", "Erase"),
    ):
        words = Words(wording)
        assert (words.say(say("eye-level")), words.say(say("rub-out"))) == (line, rub)
