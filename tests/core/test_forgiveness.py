"""What a small misreading does: foretold by the construction, and tried out."""

from __future__ import annotations

import math
import random

import numpy as np
import pytest

from orthopsis.construction.doubt import doubt
from orthopsis.construction.paper import Paper
from orthopsis.errors import ExerciseError
from orthopsis.exercise.advice import advice
from orthopsis.exercise.forgiveness import forgiveness, rounded_miss_mm
from orthopsis.exercise.resolve import picture, steps
from tests.documents import (
    EXAMPLES,
    ONE_POINT,
    THREE_POINT,
    TWO_POINT,
    example,
    random_document,
    scene_of,
)


def corners(scene):
    return {mark.name: mark for step in steps(scene) for mark in step.corners}


@pytest.mark.parametrize("data", [ONE_POINT, TWO_POINT, THREE_POINT])
def test_the_doubt_of_a_corner_is_what_many_pupils_would_show(data, monkeypatch):
    # Monte Carlo: 400 pupils misread every measure by a normal error of 0.01 mm.
    scene, rng, error_mm = scene_of(data), random.Random(3), 0.01
    foretold = corners(scene)
    monkeypatch.setattr(Paper, "_read", lambda self, mm: mm + rng.gauss(0.0, error_mm))
    drawn = [corners(scene) for _ in range(400)]
    for name, mark in foretold.items():
        places = np.array([pupil[name].at.xy for pupil in drawn])
        spread = math.sqrt(float(np.linalg.eigvalsh(np.cov(places.T))[-1])) / error_mm
        # Readings that two lines share are counted as two, hence the room.
        assert 0.4 * spread < doubt(mark.sway) < 2.5 * spread, name


def test_forgiveness_is_what_lets_the_worst_corner_gape():
    made = steps(scene_of(TWO_POINT))
    found = forgiveness(made)
    worst = max(doubt(mark.sway) for step in made for mark in step.corners)
    assert found.mm * worst == pytest.approx(1.5)
    assert forgiveness(steps(scene_of(TWO_POINT, pieces=[]))) is None


def test_a_drawing_that_forgives_nothing_says_so():
    # A top just below the eye level: its back corner is a crossing at a very flat angle.
    flat = scene_of(TWO_POINT, view__eye_level_mm=149, pieces__0__edge__bottom_mm=152)
    one = {a.code: a for a in advice(flat, picture(flat), 9)}["unforgiving"]
    assert one.number < 0.1
    calm = scene_of(TWO_POINT)
    assert "unforgiving" not in {a.code for a in advice(calm, picture(calm), 9)}


def test_round_measures_miss_by_nothing_and_odd_ones_by_little():
    even = scene_of(TWO_POINT, pieces__0__left={"along_mm": 80})
    assert rounded_miss_mm(even) == pytest.approx(0, abs=1e-9)
    odd = scene_of(TWO_POINT, pieces__0__edge__x_mm=200.2)
    assert 0 < rounded_miss_mm(odd) < 1


@pytest.mark.parametrize("name", sorted(path.stem for path in EXAMPLES.glob("*.json")))
def test_the_examples_forgive_a_ruler_read_to_half_a_millimetre(name):
    # A corner may gape by 1.5 mm; letters carry more marks one by one than boxes do.
    assert rounded_miss_mm(example(name)) < 1.0
    assert forgiveness(steps(example(name))).mm > 0.1


def test_rounded_random_drawings_miss_by_what_their_doubt_allows():
    # A rounding is an error of at most a quarter of a millimetre, at random 0.15.
    within = compared = 0
    for seed in range(80):
        try:
            scene = scene_of(random_document(seed))
            found = forgiveness(steps(scene))
        except ExerciseError:
            continue
        if found is None:
            continue
        compared += 1
        within += rounded_miss_mm(scene) <= 3.0 * 0.15 * 1.5 / found.mm
    assert compared > 50
    assert within >= 0.95 * compared
