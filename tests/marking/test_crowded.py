"""Short lines among others: measured where they lie alone, on sheets drawn by rule."""

from __future__ import annotations

import math

import numpy as np
import pytest

from orthopsis.marking.judging.crossing_lines import DOUBT_DEG, measured_apart
from orthopsis.marking.judging.verdicts import SURE
from orthopsis.marking.pencil.find_strokes import FoundStroke, find_strokes
from tests.marking.test_narrow import angle_of, sheet_with

LEFT, RIGHT = np.array([20.0, 20.0]), np.array([29.0, 20.0])


def beside(place, right_mm, down_mm):
    return place + np.array([right_mm, down_mm])


def found_between(start, end, sheet):
    """The stroke whose ends lie nearest to those places."""
    return min(
        find_strokes(sheet),
        key=lambda s: min(
            math.dist(s.start, a) + math.dist(s.end, b) for a, b in ((start, end), (end, start))
        ),
    )


def stroke(start, end):
    return FoundStroke(tuple(map(float, start)), tuple(map(float, end)), 0.1, 0.8, dark=True)


@pytest.mark.parametrize("turn_deg", [0.0, 4.0])
@pytest.mark.parametrize("seed", [1, 2, 3])
def test_a_line_that_ends_beside_it_does_not_turn_a_short_one(turn_deg, seed):
    turn = math.radians(turn_deg)
    right = LEFT + 9.0 * np.array([math.cos(turn), math.sin(turn)])
    crossing = beside(LEFT, -14.0, -8.0), beside(LEFT, 5.0, 2.9)
    upright = LEFT, beside(LEFT, 0.0, 15.0)
    sheet = sheet_with((LEFT, right, 0.6), (*crossing, 0.5), (*upright, 0.6), noise=0.02, seed=seed)
    before = found_between(LEFT, right, sheet)
    after, *_ = measured_apart(sheet, [before, stroke(*crossing), stroke(*upright)])
    wrong = abs((angle_of(after) - turn_deg + 90.0) % 180.0 - 90.0)
    assert wrong < max(0.5, SURE * after.angle_sd_deg)
    assert after.length_mm == pytest.approx(before.length_mm, abs=0.2)


def test_what_never_lies_alone_is_doubtful_and_what_lies_alone_stays():
    crossings = [(beside(LEFT, x, -6.0), beside(LEFT, x + 2.0, 6.0)) for x in (-1.0, 1.5, 4.0, 6.5)]
    short, far = stroke(LEFT, RIGHT), stroke((45.0, 10.0), (45.0, 22.0))
    sheet = sheet_with(
        (LEFT, RIGHT, 0.6), (far.start, far.end, 0.6), *[(*c, 0.6) for c in crossings]
    )
    crowded, alone, *_ = measured_apart(sheet, [short, far], [stroke(*c) for c in crossings])
    assert crowded.angle_sd_deg == DOUBT_DEG
    assert alone == far


def test_a_double_is_no_crossing_and_what_is_far_off_says_nothing():
    double = stroke(beside(LEFT, 0.0, 0.5), beside(RIGHT, 0.0, 0.7))
    long = stroke((5.0, 28.0), (40.0, 28.0))
    sheet = sheet_with((LEFT, RIGHT, 0.6), (long.start, long.end, 0.6))
    first = stroke(LEFT, RIGHT)
    far = stroke((50.0, 26.0), (52.0, 30.0))
    assert measured_apart(sheet, [first, long], [double, far]) == [first, long]
