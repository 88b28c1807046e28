"""The ruler's geometry: joining, crossing, measuring."""

import math
import random

import pytest

from orthopsis.perspective.plane import (
    LEVEL,
    UPRIGHT,
    Line,
    Point,
    angle_deg,
    direction,
    distance,
    distance_point_line,
    join,
    meet,
    part_way,
    toward,
    turn,
)


def test_two_points_lie_on_the_line_that_joins_them():
    rng = random.Random(1)
    for _ in range(200):
        p, q = (Point(rng.uniform(-500, 500), rng.uniform(-500, 500)) for _ in range(2))
        line = join(p, q)
        assert distance_point_line(p, line) == pytest.approx(0, abs=1e-9)
        assert distance_point_line(q, line) == pytest.approx(0, abs=1e-9)


def test_lines_meet_in_the_point_they_were_drawn_through():
    rng = random.Random(2)
    for _ in range(200):
        p, a, b = (Point(rng.uniform(-500, 500), rng.uniform(-500, 500)) for _ in range(3))
        if abs(turn(p, a, b)) < 50:
            continue
        assert distance(meet(join(p, a), join(p, b)), p) < 1e-6


def test_parallel_lines_meet_at_infinity_in_their_own_direction():
    crossing = meet(join(Point(0, 0), Point(3, 4)), join(Point(10, 0), Point(13, 4)))
    assert crossing.at_infinity
    assert crossing.x * 4 == pytest.approx(crossing.y * 3)


def test_uprights_and_levels_meet_at_infinity():
    assert meet(join(Point(3, 0), UPRIGHT), join(Point(9, 5), UPRIGHT)).at_infinity
    assert meet(join(Point(3, 7), LEVEL), join(Point(9, 5), UPRIGHT)) == Point(9, 7)


def test_a_line_through_one_point_twice_is_no_line():
    assert join(Point(3, 4), Point(3, 4)) == Line(0, 0, 0)


@pytest.mark.parametrize("far_mm", [1e3, 1e5, 1e8])
def test_points_far_off_the_sheet_lose_no_digits(far_mm):
    vp = Point(far_mm, 120.0)
    upright = join(Point(200.0, 0.0), UPRIGHT)
    crossing = meet(join(Point(50.0, 250.0), vp), upright)
    exact = 250.0 + (120.0 - 250.0) * 150.0 / (far_mm - 50.0)
    assert crossing.y == pytest.approx(exact, abs=1e-6)


def test_measuring_toward_a_point_keeps_the_length_and_the_direction():
    mark = toward(Point(10, 20), Point(310, 420), 35)
    assert distance(Point(10, 20), mark) == pytest.approx(35)
    assert angle_deg(Point(10, 20), mark, Point(310, 420)) == pytest.approx(0, abs=1e-6)
    assert toward(Point(10, 20), UPRIGHT, 5) == Point(10, 25)


def test_direction_to_itself_is_nothing():
    assert direction(Point(4, 4), Point(4, 4)) == (0.0, 0.0)


def test_part_way_divides_the_segment():
    assert part_way(Point(0, 10), Point(100, 30), 0.25) == Point(25, 15)


@pytest.mark.parametrize(
    ("p", "q", "degrees"),
    [
        (Point(1, 0), Point(0, 1), 90),
        (Point(1, 0), Point(-1, 0), 180),
        (Point(1, 0), Point(1, 1), 45),
        (LEVEL, UPRIGHT, 90),
    ],
)
def test_angles_at_a_corner(p, q, degrees):
    assert angle_deg(Point(0, 0), p, q) == pytest.approx(degrees)


def test_turn_is_positive_clockwise_to_the_eye():
    # y points down the sheet: right, then down, is clockwise.
    assert turn(Point(0, 0), Point(10, 0), Point(10, 10)) == pytest.approx(100)
    assert turn(Point(0, 0), Point(10, 10), Point(10, 0)) == pytest.approx(-100)


def test_distance_to_a_line_is_the_perpendicular():
    line = join(Point(0, 0), Point(1, 1))
    assert distance_point_line(Point(10, 0), line) == pytest.approx(10 / math.sqrt(2))
