"""How light is taught: the lamp's foot, places under what stands higher, and what comes last."""

from __future__ import annotations

import pytest

from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.recipes import recipe
from orthopsis.exercise.resolve import resolve
from orthopsis.exercise.runthrough import run_through
from tests.core.test_shadows import SIDE, lit
from tests.core.test_shadows_in_rooms import FURNISHED, LAMPS, _block
from tests.rooms import ONE
from tests.words import instruction, title

SURFACES = [
    "table/top",
    "hall/floor",
    "hall/left",
    "hall/right",
    "hall/back",
]


def lesson(light, *more):
    data = lit(light, *FURNISHED["one"], *more, view=ONE, cast=SURFACES)
    return run_through(resolve(from_data(data)))


def told(made, phrase):
    return [instruction(step) for step in made if step.phrase == phrase]


@pytest.mark.parametrize(
    ("where", "words"),
    [
        ("ceiling", "along the ceiling to the right wall"),
        ("left", "straight down to the foot of the wall"),
        ("back", "straight down to the foot of the wall"),
        ("top", "the foot of the light on the floor"),
    ],
)
def test_each_lamp_has_its_foot_found_in_its_own_way(where, words):
    on = "table/top" if where == "top" else f"hall/{where}"
    lamp = _block("lamp", on, **LAMPS["one"][where])
    (said,) = told(lesson({"kind": "lamp", "piece": "lamp"}, lamp), "light-lamp")
    assert words in said


def test_what_stands_higher_has_its_places_on_the_floor_found_first():
    made = lesson({**SIDE, "rise_deg": 35})
    phrases = [step.phrase for step in made]
    assert "shadow-below" in phrases and "shadow-turns" in phrases
    assert phrases.index("shadow-below") < phrases.index("shadow-outline")
    said = " ".join(told(made, "shadow-below"))
    assert "straight below" in said.lower()
    assert any("the left wall" in one for one in told(made, "shadow-turns"))


@pytest.mark.parametrize("flow", ["things", "stages", "corners"])
def test_what_is_left_over_is_rubbed_out_last_in_every_flow(flow):
    data = to_data(recipe("lamplight").document)
    data["run"] = {"flow": flow, "order": [], "steps": {}}
    scene = resolve(from_data(data))
    assert str(scene.flow) == flow
    made = run_through(scene)
    assert made[-1].phrase == "finish"
    assert "shadow" in " ".join(title(step) for step in made[:-1])
    tones = [step.phrase for step in made if step.phrase.startswith("tone-")]
    assert tones == ["tone-light", "tone-middle"], "three values, the lightest stays white"
