"""Reading documents: what is refused, by its field, with a remedy; what is written back."""

from __future__ import annotations

import json
import random

import pytest

from orthopsis.errors import ExerciseError, OrthopsisError
from orthopsis.exercise.advice import advice
from orthopsis.exercise.document import json_schema
from orthopsis.exercise.load import from_data, parse, to_data
from orthopsis.exercise.recipes import RECIPES
from orthopsis.exercise.resolve import picture, resolve, steps
from tests.documents import EXAMPLES, ONE_POINT, ROOT, TWO_POINT, changed, random_document

REFUSALS = json.loads((ROOT / "tests" / "cases" / "refusals.json").read_text())


@pytest.mark.parametrize("case", REFUSALS, ids=lambda case: case["what"])
def test_a_fault_is_refused_by_its_field_and_its_remedy(case):
    base = ONE_POINT if case["base"] == "one-point" else TWO_POINT
    with pytest.raises(ExerciseError) as refused:
        scene = resolve(from_data(changed(base, **case["change"])))
        picture(scene)
        steps(scene)
    assert refused.value.path == case["path"]
    assert case["says"] in refused.value.message


@pytest.mark.parametrize(
    "text", ["", "{", "[]", "null", '"orthopsis"', "[" * 100_000, '{"format": "other"}', "\x00"]
)
def test_what_is_no_exercise_is_refused(text):
    with pytest.raises(ExerciseError):
        parse(text)


def test_a_newer_version_is_refused_as_newer():
    with pytest.raises(ExerciseError, match="newer than this program knows"):
        from_data({**ONE_POINT, "version": 3})


def test_a_huge_document_is_refused_before_it_is_read():
    with pytest.raises(ExerciseError, match="larger than"):
        parse(b" " * 3_000_000)


@pytest.mark.parametrize("path", sorted(EXAMPLES.glob("*.json")), ids=lambda path: path.stem)
def test_what_is_written_reads_back_the_same(path):
    exercise = parse(path.read_bytes())
    assert parse(json.dumps(to_data(exercise))) == exercise


def test_random_documents_survive_a_round_trip():
    for seed in range(100):
        exercise = from_data(random_document(seed))
        assert from_data(json.loads(json.dumps(to_data(exercise)))) == exercise


def test_only_what_differs_from_the_default_is_written():
    written = to_data(from_data(ONE_POINT))
    assert "views" not in written
    assert "given" not in written
    assert "transparent" not in written["pieces"][0]
    assert written["pieces"][0]["kind"] == "box"


def test_the_schema_names_every_field_and_refuses_unknown_ones():
    schema = json_schema()
    assert schema["additionalProperties"] is False
    assert set(schema["properties"]) == {
        "format", "version", "title", "age", "sheet", "wording", "given", "tone", "schools",
        "run", "demands", "lesson", "view", "views", "pieces",
    }  # fmt: skip
    box = schema["$defs"]["Box"]
    assert {"front", "depth", "edge", "left", "right", "standing", "transparent"} <= set(
        box["properties"]
    )
    assert "from" in schema["$defs"]["Cut"]["properties"]


def test_defaults_are_those_of_the_format():
    scene = resolve(from_data(changed(TWO_POINT, view__eye_height_mm=None)))
    # Eye level to the sheet's lower edge; the sheet's middle as centre of vision.
    assert scene.main.eye_height_mm == 297 - 120
    assert scene.main.eye.principal.x == 210
    low = resolve(from_data(changed(TWO_POINT, view__eye_height_mm=None, view__eye_level_mm=280)))
    assert low.main.eye_height_mm == 50
    aside = resolve(from_data(changed(TWO_POINT, view__left_vp_mm=300)))
    assert aside.main.eye.principal.x == (300 + 510) / 2


def test_units_follow_the_sheet_unless_they_are_given():
    assert resolve(from_data(changed(ONE_POINT, sheet__size="12x18in"))).wording.units == "in"
    assert resolve(from_data(ONE_POINT)).wording.units == "cm"
    given = changed(ONE_POINT, sheet__size="12x18in", wording={"units": "mm"})
    assert resolve(from_data(given)).wording.units == "mm"


VALUES = [
    None,
    -1,
    0,
    1e-9,
    1e5,
    1e6,
    1e308,
    float("nan"),
    float("inf"),
    "x",
    [],
    {},
    True,
    "ground",
]


def test_mutated_documents_get_an_answer_or_a_refusal():
    """One field after another is broken at random; nothing may crash or come out as no number."""
    rng = random.Random(7)
    answered = refused = 0
    for seed in range(300):
        data = random_document(seed % 60, most_pieces=3)
        for _ in range(rng.randint(1, 3)):
            _break_something(data, rng)
        try:
            scene = resolve(from_data(data))
            for stroke in picture(scene):
                assert all(abs(v) < 1e12 for end in stroke.segment for v in end)
            steps(scene)
            answered += 1
        except OrthopsisError as refusal:
            assert str(refusal)
            refused += 1
        except Exception as crash:
            raise AssertionError(json.dumps(data)) from crash
    assert answered > 10
    assert refused > 100


def _break_something(data, rng):
    places = []

    def walk(node):
        keys = node if isinstance(node, dict) else range(len(node))
        for key in keys:
            places.append((node, key))
            if isinstance(node[key], dict | list):
                walk(node[key])

    walk(data)
    node, key = rng.choice(places)
    if isinstance(node, dict) and rng.random() < 0.2:
        del node[key]
    elif isinstance(node[key], int | float) and rng.random() < 0.6:
        node[key] = node[key] * rng.choice([-1, 0, 0.5, 2, 10, 1e3])
    else:
        node[key] = rng.choice(VALUES)


@pytest.mark.parametrize("one", RECIPES, ids=lambda one: one.name)
def test_a_good_start_can_be_drawn_and_has_no_fault(one):
    scene = resolve(one.document)
    drawn = picture(scene)
    made = steps(scene)
    assert 7 <= len(made) <= 60
    assert one.document.age is not None
    assert len(one.learn) > 30 and len(one.why) > 60
    # Strips and the cone of vision are hints; nothing is in the way, hidden or a sliver.
    assert {a.code for a in advice(scene, drawn)} <= {"tape-strip", "outside-cone"}, one.name


def test_good_starts_have_each_a_name_and_every_system_is_there():
    assert len({one.name for one in RECIPES}) == len(RECIPES) >= 12
    assert {one.document.view.kind for one in RECIPES} == {"one-point", "two-point", "three-point"}
