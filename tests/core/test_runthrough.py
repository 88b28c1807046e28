"""The run-through as a teacher gives it: the construction stays whole whatever is changed."""

from __future__ import annotations

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.records import steps_text
from orthopsis.exercise.resolve import resolve, steps
from orthopsis.exercise.runthrough import (
    may_change_places,
    refuse_empty,
    run_through,
    shown,
)
from orthopsis.exercise.told import measures_of
from tests.documents import example
from tests.words import instruction, title

EXAMPLES = ["seed-crates", "bell-corner", "fern", "bins-at-the-gate"]


def with_run(scene, order=(), **edits):
    run = {"order": list(map(str, order)), "steps": edits}
    return resolve(from_data({**to_data(scene.exercise), "run": run}))


def edited(scene, key, **edit):
    run = {"steps": {str(key): edit}}
    return resolve(from_data({**to_data(scene.exercise), "run": run}))


def all_lines(made):
    return [drawn for step in made for drawn in step.strokes]


def finished(made):
    """What becomes of each line, by the line itself and not by its number."""
    lines = all_lines(made)
    return (
        sorted(repr(line) for line in lines),
        sorted(repr(lines[k]) for step in made for k in step.darkens),
        sorted(repr(lines[k]) for step in made for k in step.erases),
    )


def test_names_last_when_measures_change():
    before = run_through(example("seed-crates"))
    data = to_data(example("seed-crates").exercise)
    data["pieces"][0]["front"]["x_mm"] += 10
    data["wording"] = {"line": "horizon", "units": "in"}
    after = run_through(resolve(from_data(data)))
    assert [step.key for step in before] == [step.key for step in after]


@pytest.mark.parametrize("name", EXAMPLES)
def test_hiding_joining_and_splitting_lose_no_line(name):
    scene = example(name)
    whole = finished(run_through(scene))
    for step in run_through(scene)[::4]:
        for edit in ({"hidden": True}, {"with_next": True}, {"first_lines": 1}):
            assert finished(run_through(edited(scene, step.key, **edit))) == whole, step.key


def test_a_hidden_step_is_drawn_and_not_said():
    scene = example("seed-crates")
    key = run_through(scene)[0].key
    made = run_through(edited(scene, key, hidden=True))
    assert shown(made)[0] == 2
    assert "1. The vanishing point" in steps_text(scene, made)
    with pytest.raises(ExerciseError, match="every step is hidden"):
        refuse_empty([made[0]])


def test_two_steps_are_said_as_one():
    scene = example("seed-crates")
    one, two = run_through(scene)[2:4]
    made = run_through(edited(scene, one.key, with_next=True))
    assert len(made) == len(run_through(scene)) - 1
    joined = made[2]
    assert title(joined) == f"{title(one)}; {title(two)[0].lower()}{title(two)[1:]}"
    assert instruction(joined) == f"{instruction(one)} {instruction(two)}"
    assert joined.strokes == [*one.strokes, *two.strokes]
    assert joined.minutes == pytest.approx(one.minutes + two.minutes, abs=0.5)


def test_a_step_is_split_after_a_line():
    scene = example("seed-crates")
    step = run_through(scene)[3]
    assert len(step.strokes) == 4
    made = run_through(edited(scene, step.key, first_lines=3))
    first, second = made[3:5]
    assert (len(first.strokes), len(second.strokes)) == (3, 1)
    assert (title(first), title(second)) == (f"{title(step)}, first", f"{title(step)}, then")
    assert {m.name for m in [*first.marks, *second.marks]} == {m.name for m in step.marks}
    assert run_through(edited(scene, step.key, first_lines=9))[3] == made[3].__class__(
        **vars(step)
    ), "where there are not so many lines it stays one"


def test_a_step_comes_earlier_only_where_nothing_of_it_rests_on_the_other():
    scene = example("bell-corner")
    made = run_through(scene)
    allowed = [k for k in range(1, len(made)) if may_change_places(made[k - 1], made[k])]
    assert allowed, "the left and the right side of a box do not rest on each other"
    titles = [title(made[k]) for k in allowed]
    assert any("right side" in title for title in titles)
    for k in range(1, len(made)):
        keys = [step.key for step in made]
        keys[k - 1 : k + 1] = [keys[k], keys[k - 1]]
        moved = run_through(with_run(scene, keys))
        assert finished(moved) == finished(made)
        if k in allowed:
            assert [step.key for step in moved] == keys
        else:
            assert [step.key for step in moved] == [step.key for step in made]


def test_nothing_is_used_before_it_is_made_in_any_order():
    scene = example("bell-corner")
    made = run_through(scene)
    moved = run_through(with_run(scene, [step.key for step in reversed(made)]))
    known = {"left edge", "right edge", "top edge", "bottom edge"}
    first_made = {move.makes for step in made for move in step.moves if move.makes}
    for step in moved:
        for move in step.moves:
            assert not (set(move.uses) & first_made) - known, (title(step), move)
            known |= {move.makes} if move.makes else set()


def test_words_of_ones_own_keep_their_measures_true():
    scene = example("seed-crates")
    step = run_through(scene)[3]
    said = [scene.wording.length(mm) for mm in measures_of(step)]
    assert said[0] in instruction(step)
    words = "Put your pencil {1} from the left, {2} down. {9}"
    data = {**to_data(scene.exercise), "run": {"steps": {str(step.key): {"instruction": words}}}}
    told = instruction(run_through(resolve(from_data(data)))[3])
    assert told == f"Put your pencil {said[0]} from the left, {said[1]} down. {{9}}"
    data["pieces"][0]["front"]["x_mm"] = 50
    assert "5 cm from the left" in instruction(run_through(resolve(from_data(data)))[3])


def test_changes_of_steps_that_are_gone_do_no_harm():
    scene = edited(example("seed-crates"), "shed/The roof", title="Roof", hidden=True)
    assert [title(s) for s in run_through(scene)] == [
        title(s) for s in run_through(example("seed-crates"))
    ]


def test_steps_of_one_phrase_are_told_apart_by_their_number():
    made = steps(example("moss-seen-from-below"))
    keys = [str(step.key) for step in made]
    assert len(set(keys)) == len(keys)
    assert keys[:2] == ["/eye-level-line/1", "/points/1"]
    assert {step.key.number for step in made if step.phrase == "curves-more"} > {1}
