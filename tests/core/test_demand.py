"""Three demands from one exercise, and the lesson plan."""

from __future__ import annotations

import pytest

from orthopsis.exercise.demand import demand_spec, for_demand
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.plan import AROUND_MIN, lesson_plan, minutes_at, periods
from orthopsis.exercise.resolve import picture, resolve, steps
from orthopsis.exercise.runthrough import run_through
from tests.documents import EXAMPLE_NAMES, ONE_POINT, changed, example
from tests.words import instruction

STRICTNESS = ["first steps", "standard", "stretch"]


def with_demand(name, demand, **spec):
    data = to_data(example(name).exercise)
    return from_data({**data, "demands": {demand: spec}})


@pytest.mark.parametrize("name", EXAMPLE_NAMES)
def test_every_example_can_be_asked_in_three_ways(name):
    exercise = example(name).exercise
    counts = []
    for demand in STRICTNESS:
        asked = for_demand(exercise, demand)
        scene = resolve(asked)
        assert picture(scene)
        assert steps(scene)
        counts.append(len(scene.parts))
    assert counts[0] <= counts[1] == counts[2]
    assert for_demand(exercise, "standard") == exercise.model_copy(update={"demands": {}})


def test_first_steps_are_a_whole_picture_with_less():
    exercise = example("seed-crates").exercise
    first = for_demand(exercise, "first steps")
    assert [p.id for p in first.pieces] == [p.id for p in exercise.pieces][:2]
    made = run_through(resolve(first))
    assert [step.hidden for step in made[:3]] == [True, True, False]
    assert "by eye" in " ".join(instruction(step) for step in made)
    assert first.title.endswith("first steps")
    word = for_demand(example("fern").exercise, "first steps")
    assert word.pieces[0].text == "FE"


def test_true_depth_is_where_it_was_to_the_next_half_centimetre():
    """The picture with true depth has its back where the measured one has it, but for rounding."""
    exercise = example("bell-corner").exercise
    true = for_demand(exercise, "stretch")
    for before, after in zip(exercise.pieces, true.pieces, strict=True):
        assert after.place.left.true_mm % 5 == 0 and after.place.right.true_mm % 5 == 0
        assert before.place.edge == after.place.edge
    ours = [body.box for body in resolve(exercise).bodies]
    theirs = [body.box for body in resolve(true).bodies]
    for a, b in zip(ours, theirs, strict=True):
        assert a == pytest.approx(b, abs=6.0)


def test_a_teachers_own_demand_is_kept_to():
    asked = for_demand(
        with_demand("seed-crates", "stretch", leave_out=["tray"], tone=False, given="rules",
                    depth="measured"),
        "stretch",
    )  # fmt: skip
    assert "tray" not in [piece.id for piece in asked.pieces]
    assert asked.tone is None
    assert asked.given == "rules"
    assert all(piece.place.depth.along_mm % 5 == 0 for piece in asked.pieces)
    assert demand_spec(example("fern").exercise, "standard").depth == "as it is"


def test_what_stands_on_a_thing_goes_with_it():
    exercise = example("three-crates").exercise
    below = next(piece.id for piece in exercise.pieces if piece.front_edge is not None)
    asked = for_demand(with_demand("three-crates", "stretch", leave_out=[below]), "stretch")
    left = {piece.id for piece in asked.pieces}
    assert below not in left
    for piece in exercise.pieces:
        if below in piece.rests_on:
            assert piece.id not in left


def test_younger_pupils_take_longer():
    """Common practice, no published source: the moves' minutes are a ten-year-old's."""
    step = max(steps(example("seed-crates")), key=lambda step: step.minutes)
    at = [minutes_at(step, age) for age in (6, 10, 16)]
    assert at[0] > at[1] > at[2]
    assert at[1] == minutes_at(step, None) == step.minutes


@pytest.mark.parametrize("name", EXAMPLE_NAMES)
@pytest.mark.parametrize("minutes", [30, 45, 60])
def test_lessons_hold_every_step_once_and_fit_their_time(name, minutes):
    made = run_through(example(name))
    times = [step.minutes for step in made]
    found = periods(made, times, minutes)
    assert [p.first for p in found] == [1, *(p.last + 1 for p in found[:-1])]
    assert found[-1].last == len(made)
    for period in found:
        one_step = period.first == period.last
        assert one_step or period.minutes <= minutes - AROUND_MIN
        assert period.minutes == sum(times[period.first - 1 : period.last])


def test_a_lesson_ends_where_a_thing_is_finished_if_it_can():
    scene = example("fern")
    plan, made = lesson_plan(scene), run_through(scene)
    assert len(plan.periods) == 2
    first, last = (made[period.last - 1] for period in plan.periods)
    assert made[plan.periods[0].last].act != first.act
    assert last.phrase == "finish"
    crates = example("seed-crates")
    made, short = run_through(crates), [2.0] * 9
    ends = [period.last for period in periods(made, short, 20.0, crates.flow)]
    assert [made[end - 1].part != made[end].part for end in ends[:-1]] == [True] * (len(ends) - 1)


def test_the_plan_follows_the_exercise():
    bell, fern, bins = (example(n) for n in ("bell-corner", "fern", "bins-at-the-gate"))
    assert any("Strips" in line for line in lesson_plan(bell).look_for)
    assert any("knives" in line for line in lesson_plan(bell).cautions)
    assert not any("knives" in line for line in lesson_plan(fern).cautions)
    assert any("ellipse" in line for line in lesson_plan(bins).words)
    assert any("Compass" in line for line in lesson_plan(bins).cautions)
    assert any("horizon line" in line for line in lesson_plan(bell).words)
    for scene in (bell, fern, bins):
        assert "school's own" in lesson_plan(scene).cautions[-1]


def test_what_a_teacher_wrote_stands_in_the_plan():
    lesson = {"period_min": 30, "words": ["edge"], "notes": "Bring the crate."}
    plan = lesson_plan(resolve(from_data(changed(ONE_POINT, lesson=lesson))))
    assert plan.words == ["edge"]
    assert plan.notes == "Bring the crate."
    assert plan.look_for, "the rest follows from the exercise"


def test_tools_in_the_room_are_named_in_the_steps():
    words = {"square": "folded paper", "ruler_mm": 200, "far": "ladders"}
    pots = to_data(example("pots-on-the-wall").exercise)
    scene = resolve(from_data({**pots, "wording": {**pots["wording"], **words}}))
    told = " ".join(instruction(step, scene.words) for step in run_through(scene))
    assert "folded paper" in told and "set square" not in told
    assert "does not reach VP" in told and "the same number at both edges" in told
    long = {**words, "ruler_mm": 1000}
    scene = resolve(from_data({**pots, "wording": {**pots["wording"], **long}}))
    assert "does not reach" not in " ".join(
        instruction(step, scene.words) for step in run_through(scene)
    )


@pytest.mark.parametrize(("age", "houses"), [(7, 1), (13, 3), (None, 3)])
def test_first_steps_of_a_street_are_a_whole_picture_of_one_side(age, houses):
    data = {**to_data(example("school-corner").exercise), "age": age}
    first = for_demand(from_data(data), "first steps")
    assert [piece.id for piece in first.pieces] == ["school", "west"]
    assert len(first.pieces[1].buildings) == houses
    assert steps(resolve(first)) and picture(resolve(first))


def test_a_teacher_says_how_many_houses_of_each_row_stay():
    data = to_data(example("school-corner").exercise)
    data["demands"] = {"first steps": {"houses": 2}}
    first = for_demand(from_data(data), "first steps")
    assert [len(one.buildings) for one in first.pieces[1:]] == [2, 2]
