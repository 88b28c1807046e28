"""Ellipses on the sheet and the roots they are found with."""

from __future__ import annotations

import math
import random
from itertools import pairwise

import cv2
import numpy as np
import pytest

from orthopsis.perspective.ellipse import CHORD_MM, Ellipse
from orthopsis.perspective.plane import UPRIGHT, Point, distance_point_line, join
from orthopsis.perspective.roots import TURN, along_line, around_circle
from orthopsis.perspective.segments import distance_to_segment

RNG = random.Random(12)


def random_ellipse():
    angle, size = RNG.uniform(0, TURN), RNG.uniform(5, 120)
    thin = size * RNG.uniform(0.05, 1)
    a = (size * math.cos(angle), size * math.sin(angle))
    b = (-thin * math.sin(angle), thin * math.cos(angle))
    return Ellipse((RNG.uniform(0, 400), RNG.uniform(0, 300)), a, b)


def test_five_of_its_points_give_the_ellipse_again():
    for _ in range(50):
        true = random_ellipse()
        angles = [k * TURN / 5 + RNG.uniform(0, 0.5) for k in range(5)]
        found = Ellipse.through([Point(*true.point(t)) for t in angles])
        for k in range(24):
            u, v = true.unit(found.point(k))
            assert math.hypot(u, v) == pytest.approx(1, abs=1e-6)


def test_the_projected_circle_is_the_conic_through_five_of_its_points():
    # OpenCV's direct least squares fit of an ellipse, as an outside reference.
    from orthopsis.perspective.view import View, eye_space, on_paper

    view = View.one_point(210, 100, 300, 120)
    centre, depth = Point(120, 220), view.ground_depth(220)
    x, y, w = eye_space(centre, depth)
    ring = []
    for k in range(60):
        c, s = math.cos(k * TURN / 60), math.sin(k * TURN / 60)
        # A level circle: across is x, away is (VP1, 1) per viewing distance.
        ring.append(on_paper((x + 60 * c + 0.2 * s * 210, y + 0.2 * s * 100, w + 0.2 * s)))
    found = Ellipse.through([Point(*ring[k]) for k in (0, 11, 23, 37, 48)])
    for place in ring:
        u, v = found.unit(place)
        assert math.hypot(u, v) == pytest.approx(1, abs=1e-9)
    fitted, axes, _ = cv2.fitEllipseDirect(np.array(ring, np.float32))
    assert fitted == pytest.approx(found.centre, abs=0.01)
    (ax, ay), (bx, by) = found.a, found.b
    assert axes[0] * axes[1] / 4 == pytest.approx(abs(ax * by - ay * bx), rel=1e-3)


def test_no_ellipse_goes_through_points_of_a_line_or_a_hyperbola():
    with pytest.raises(ValueError, match="no ellipse"):
        Ellipse.through([Point(x, 1 / x) for x in (1, 2, 4, -1, -3)])
    with pytest.raises((ValueError, ZeroDivisionError)):
        Ellipse.through([Point(x, 2 * x) for x in range(5)])


@pytest.mark.parametrize("from_point", [Point(900, -40), Point(-70, 500), UPRIGHT, Point(3, 1, 0)])
def test_the_lines_that_touch_it_meet_it_nowhere_else(from_point):
    for _ in range(20):
        curve = random_ellipse()
        touching = curve.touched_from(from_point)
        if not from_point.at_infinity and curve.contains(from_point.xy):
            assert touching == []
            continue
        assert len(touching) == 2
        for angle in touching:
            line = join(Point(*curve.point(angle)), from_point)
            sides = {
                (line.a * x + line.b * y + line.c) > 0
                for x, y in (curve.point(angle + k) for k in (0.5, 1.5, 2.5, 3.5, 4.5, 5.5))
            }
            assert len(sides) == 1


def test_two_ellipses_meet_where_both_say_so():
    met = 0
    for _ in range(200):
        one, other = random_ellipse(), random_ellipse()
        angles = one.angles_on(other)
        met += len(angles)
        for angle in angles:
            u, v = other.unit(one.point(angle))
            assert math.hypot(u, v) == pytest.approx(1, abs=1e-6)
        # Walked around in small steps, the inside changes just as often.
        steps = [other.contains(one.point(k * TURN / 2000)) for k in range(2001)]
        changes = sum(a != b for a, b in pairwise(steps))
        assert changes <= len(angles)
    assert met > 50


def test_a_segment_runs_inside_between_its_two_crossings():
    curve = Ellipse((50, 50), (30, 0), (0, 10))
    assert curve.portion_inside(((0, 50), (100, 50))) == pytest.approx((0.2, 0.8))
    assert curve.portion_inside(((50, 50), (100, 50))) == pytest.approx((0.0, 0.6))
    assert curve.portion_inside(((0, 61), (100, 61))) is None
    line = join(Point(0, 50), Point(100, 50))
    crossed = [math.cos(t) for t in curve.angles_on_line(line)]
    assert sorted(crossed) == pytest.approx([-1, 1])
    assert distance_point_line(Point(*curve.point(0.0)), line) == 0


def test_chords_stay_as_close_as_they_promise():
    for _ in range(20):
        curve = random_ellipse()
        points = curve.chords(0.3, 5.9)
        assert points[0] == pytest.approx(curve.point(0.3))
        assert points[-1] == pytest.approx(curve.point(5.9))
        for k, (p, q) in enumerate(pairwise(points)):
            middle = curve.point(0.3 + 5.6 * (k + 0.5) / (len(points) - 1))
            assert distance_to_segment(middle, (p, q)) <= CHORD_MM


def test_roots_are_all_found():
    for _ in range(200):
        roots = sorted(RNG.uniform(-3, 3) for _ in range(2))
        found = along_line(lambda t, r=roots: 2.5 * (t - r[0]) * (t - r[1]), 2)
        assert found == pytest.approx(roots, abs=1e-7)
        angles = sorted(RNG.uniform(0, TURN) for _ in range(4))

        def wave(t, angles=angles):
            product = 1.0
            for angle in angles:
                product *= math.sin((t - angle) / 2)
            return product

        assert around_circle(wave, 2) == pytest.approx(angles, abs=1e-5)
    assert along_line(lambda t: 1 + t * t, 2) == []
    assert along_line(lambda t: 4 - 2 * t, 2) == pytest.approx([2])
    assert around_circle(lambda t: math.cos(t) - 1.5, 1) == []
    assert around_circle(lambda t: 0.0, 2) == []
