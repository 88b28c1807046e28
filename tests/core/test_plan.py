"""Periods of a lesson plan and its lists, by properties that hold for every exercise."""

from __future__ import annotations

import math
import random
from itertools import pairwise

import pytest

from orthopsis.exercise.load import from_data
from orthopsis.exercise.materials import Material, materials
from orthopsis.exercise.plan import AROUND_MIN, PLANNED_AGE, lesson_plan, minutes_at, periods
from orthopsis.exercise.resolve import resolve, steps
from orthopsis.phrase import say
from tests.documents import EXAMPLE_NAMES, ONE_POINT, TWO_POINT, changed, example

PENCIL = say("pencil-hb")


@pytest.mark.parametrize("period_min", [30, 45, 60])
@pytest.mark.parametrize("name", EXAMPLE_NAMES)
def test_every_step_has_its_period_and_none_is_cut(name, period_min):
    made = steps(example(name))
    times = [minutes_at(step, 11) for step in made]
    found = periods(made, times, period_min)
    assert found[0].first == 1
    assert found[-1].last == len(made)
    for one, following in pairwise(found):
        assert following.first == one.last + 1
    for one in found:
        inside = times[one.first - 1 : one.last]
        assert one.minutes == pytest.approx(sum(inside))
        assert one.minutes <= period_min - AROUND_MIN or len(inside) == 1
    assert sum(one.minutes for one in found) == pytest.approx(sum(times))


@pytest.mark.parametrize("seed", range(12))
def test_any_times_are_shared_out_whole(seed):
    rng = random.Random(seed)
    made = steps(example("look-down-yard"))
    times = [rng.choice([0.5, 1.0, 3.0, 9.0, 40.0]) for _ in made]
    found = periods(made, times, rng.choice([20, 35, 50]))
    covered = [n for one in found for n in range(one.first, one.last + 1)]
    assert covered == list(range(1, len(made) + 1))


def test_a_shorter_period_needs_at_least_as_many_lessons():
    made = steps(example("moss-seen-from-below"))
    times = [minutes_at(step, None) for step in made]
    counts = [len(periods(made, times, minutes)) for minutes in (90, 60, 45, 30)]
    assert counts == sorted(counts)
    assert counts[-1] > counts[0]


def test_younger_pupils_take_longer_within_reason():
    step = steps(example("seed-crates"))[0]
    by_age = [minutes_at(step, age) for age in (5, 8, 10, 13, 17)]
    assert by_age == sorted(by_age, reverse=True)
    assert by_age[2] == minutes_at(step, PLANNED_AGE) == minutes_at(step, None)
    assert by_age[0] <= 1.6 * by_age[2] + 0.5
    assert all(minutes * 2 == round(minutes * 2) for minutes in by_age), "to the half minute"


@pytest.mark.parametrize("name", EXAMPLE_NAMES)
def test_the_plan_says_what_the_exercise_needs(name):
    scene = example(name)
    plan = lesson_plan(scene)
    assert plan.minutes == pytest.approx(sum(one.minutes for one in plan.periods))
    assert any(
        scene.words.say(say("eye-level")) in line or "Horizon" in line for line in plan.words
    )
    lists = (plan.materials, plan.words, plan.look_for, plan.cautions)
    for lines in lists:
        assert len(set(lines)) == len(lines) > 0
    strips = any("far points" in line for line in plan.materials)
    assert strips is bool(scene.far_points)
    three = scene.exercise.view.kind == "three-point"
    assert any("VP3" in line for line in plan.look_for) is three


@pytest.mark.parametrize(
    ("item", "pupils", "count"),
    [
        (Material(PENCIL), 30, 30),
        (Material(PENCIL, spare=0.1), 30, 33),
        (Material(PENCIL, shared_by=2), 31, 16),
        (Material(PENCIL, shared_by=6), 1, 1),
        (Material(PENCIL, spare=0.1), 1, 2),
    ],
)
def test_enough_for_a_class_and_never_a_part_of_a_thing(item, pupils, count):
    assert item.for_class(pupils) == count
    assert item.for_class(pupils) >= math.ceil(pupils / item.shared_by)


@pytest.mark.parametrize(
    ("changes", "said", "unsaid"),
    [
        ({"wording": {"spelling": "UK"}}, "rubber", "eraser"),
        ({"wording": {"spelling": "US"}}, "eraser", "rubber"),
        ({"wording": {"units": "in"}}, "clear ruler, 12 in", "clear ruler, 30 cm"),
        ({"wording": {"units": "cm"}}, "clear ruler, 30 cm", "clear ruler, 12 in"),
        ({"wording": {"square": "folded paper"}}, "folded paper", "set square"),
    ],
)
def test_the_list_speaks_the_teacher_s_words(changes, said, unsaid):
    for document in (ONE_POINT, TWO_POINT):
        scene = resolve(from_data(changed(document, **changes)))
        names = [scene.words.say(item.name) for item in materials(scene)]
        assert said in names
        assert unsaid not in names
