"""Blocks on the construction lines of another: above, on and below the eye level."""

from __future__ import annotations

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve, steps
from orthopsis.exercise.viewer import viewer_moved
from orthopsis.perspective.plane import Point, distance_point_line, join
from orthopsis.perspective.stroke import Part
from tests.agreement import difference, kept, outlines
from tests.documents import ONE_POINT, THREE_POINT, TWO_POINT, changed, example, scene_of
from tests.words import instruction

TALL = {"size": {"width_mm": 420, "height_mm": 420}}


def stacked(data, top_mm, bottom_mm, **fields):
    stack = {"on": data["pieces"][0]["id"], "top_mm": top_mm, "bottom_mm": bottom_mm}
    own = {"kind": "box", "id": "other", "stack": stack}
    return changed({**data, "sheet": TALL, "pieces": [*data["pieces"], own]}, **fields)


@pytest.mark.parametrize("data", [TWO_POINT, THREE_POINT], ids=["two points", "three points"])
@pytest.mark.parametrize(("top_mm", "bottom_mm"), [(10, 50), (40, 95), (250, 300), (300, 390)])
@pytest.mark.parametrize("kind", ["box", "cylinder"])
def test_blocks_on_the_same_lines_agree(data, top_mm, bottom_mm, kind):
    scene = scene_of(stacked(data, top_mm, bottom_mm, pieces__1__kind=kind))
    assert difference(outlines(scene), kept(scene)) == ([], [])


WORD = {"kind": "letters", "text": "HAT", "run": "right"}


@pytest.mark.parametrize("data", [TWO_POINT, THREE_POINT], ids=["two points", "three points"])
@pytest.mark.parametrize(("top_mm", "bottom_mm"), [(10, 50), (250, 300), (300, 390)])
@pytest.mark.parametrize("base", ["a box", "a word"])
def test_words_on_the_same_lines_agree_and_measure_no_side(data, top_mm, bottom_mm, base):
    fields = {f"pieces__1__{name}": value for name, value in WORD.items()}
    if base == "a word":
        box = data["pieces"][0]
        first = {**WORD, "id": box["id"], "edge": box["edge"], "length": box["right"]}
        data = {**data, "pieces": [{**first, "thickness": box["left"]}]}
    scene = scene_of(stacked(data, top_mm, bottom_mm, **fields))
    assert difference(outlines(scene), kept(scene)) == ([], [])
    made = [step for step in steps(scene) if step.part and step.part.piece == "other"]
    assert {"box-edge-on", "face-outline"} <= {step.phrase for step in made}
    assert not [
        step
        for step in made
        if step.phrase.startswith("box-") and "on" not in step.phrase and step.measures
    ], "sides come from the lines that are there"
    if base == "a word":
        assert "of" in scene.words.say(made[-1].name), "two words: each letter says whose it is"


def test_three_crates_stand_on_one_set_of_lines():
    # Common practice, no published source: one above, one straddling, one below the horizon.
    scene = example("three-crates")
    drawn = outlines(scene)
    uprights = {}
    for line in drawn:
        if line.family == "VP3":
            uprights.setdefault(str(line.part), []).append(line)
    assert {piece: len(lines) for piece, lines in uprights.items()} == {
        "middle": 3, "lower": 3, "upper": 3,
    }  # fmt: skip
    rulers = [join(Point(*line.start), Point(*line.end)) for line in uprights["middle"]]
    for piece in ("lower", "upper"):
        for line in uprights[piece]:
            assert any(
                all(distance_point_line(Point(*end), ruler) < 1e-6 for end in line.segment)
                for ruler in rulers
            )
    # The one below shows its top, the one above its underside, the one on the level neither.
    count = {piece: sum(str(line.part) == piece for line in drawn) for piece in uprights}
    assert count == {"middle": 7, "lower": 9, "upper": 9}


def test_its_steps_measure_only_along_the_sheets_edge():
    made = [step for step in steps(example("three-crates")) if step.part == Part("lower")]
    measured = [measure.mm for step in made for measure in step.measures]
    assert measured == [290, 350]
    assert "Lay the ruler along the front edge A B of middle" in instruction(made[0])
    assert "upright C D" in instruction(made[2])


def test_moving_the_base_takes_the_others_along():
    data = stacked(THREE_POINT, 250, 300)
    left = [p.xy for p, _ in scene_of(data).bodies[1].corners]
    moved = scene_of(changed(data, pieces__0__edge__x_mm=230))
    assert all(
        a != b for a, b in zip(left, (p.xy for p, _ in moved.bodies[1].corners), strict=True)
    )
    assert difference(outlines(moved), kept(moved)) == ([], [])


def test_a_moved_viewer_sees_the_stack_where_it_was():
    exercise = from_data(stacked(THREE_POINT, 250, 300))
    there = resolve(viewer_moved(exercise, 15, 0, 40))
    assert not any(there.exercise.pieces[1].rests_on)
    assert difference(outlines(there), kept(there)) == ([], [])


@pytest.mark.parametrize(
    ("data", "path", "says"),
    [
        (stacked(TWO_POINT, 10, 50, pieces__1__stack__on="nobody"), "pieces[1].stack.on", "listed"),
        (stacked(ONE_POINT, 10, 50), "pieces[1].stack.on", "no front edge"),
        (stacked(TWO_POINT, 50, 10), "pieces[1].stack", "larger than top_mm"),
        (stacked(TWO_POINT, 10, 50, pieces__1__turned_vp_mm=50), "pieces[1].stack.on", "same"),
    ],
)
def test_lines_that_make_no_block_are_refused(data, path, says):
    with pytest.raises(ExerciseError, match=says) as refusal:
        outlines(scene_of(data))
    assert refusal.value.path.endswith(path)
