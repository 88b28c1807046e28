"""Regions with straight and curved sides, quarters of ellipses, and where quantities vanish."""

from __future__ import annotations

import math
import random
from itertools import pairwise

import pytest

from orthopsis.perspective.area import Area, quarter_between
from orthopsis.perspective.ellipse import Ellipse, EllipseArc
from orthopsis.perspective.plane import Point, distance_point_line, join
from orthopsis.perspective.roots import around_circle, in_quarter, wave_in_quarter
from orthopsis.perspective.segments import at, portions_inside, sides_cross, sides_crossed
from orthopsis.perspective.tolerance import EXACT

SQUARE = ((0.0, 0.0), (10.0, 0.0), (10.0, 10.0), (0.0, 10.0))
HOLE = ((3.0, 3.0), (3.0, 7.0), (7.0, 7.0), (7.0, 3.0))


def disc(radius=10.0, centre=(0.0, 0.0)):
    """A circle as four quarters around the corners of the square about it."""
    x, y = centre
    ends = [(x, y - radius), (x + radius, y), (x, y + radius), (x - radius, y)]
    turns = [(1, -1), (1, 1), (-1, 1), (-1, -1)]
    bends = {
        (0, k): quarter_between(
            ends[k], (x + dx * radius, y + dy * radius), ends[(k + 1) % 4]
        )
        for k, (dx, dy) in enumerate(turns)
    }  # fmt: skip
    return Area((tuple(ends),), bends)


def test_a_region_of_straight_sides_is_what_its_loops_are():
    area = Area((SQUARE, HOLE))
    for segment in (((-5.0, 5.0), (15.0, 5.0)), ((0.0, 0.0), (10.0, 10.0)), ((-1.0, 3), (11, 3))):
        assert area.portions_inside(segment) == portions_inside(segment, (SQUARE, HOLE))
    assert area.inside((1, 1))
    assert not area.inside((5, 5))
    assert area.on_border((3, 5))
    assert area.box == (0, 0, 10, 10)
    assert len(list(area.straight)) == 8


@pytest.mark.parametrize("centre", [(0.0, 0.0), (31.0, -7.5)])
def test_four_quarters_are_a_circle(centre):
    area = disc(10.0, centre)
    rng = random.Random(5)
    for _ in range(400):
        x, y = rng.uniform(-14, 14), rng.uniform(-14, 14)
        if abs(math.hypot(x, y) - 10.0) > 1e-6:
            assert area.inside((x + centre[0], y + centre[1])) == (math.hypot(x, y) < 10.0)
    assert area.box == pytest.approx(
        (centre[0] - 10, centre[1] - 10, centre[0] + 10, centre[1] + 10)
    )
    for k in range(24):
        angle = math.tau * k / 24 + 0.01
        place = centre[0] + 10 * math.cos(angle), centre[1] + 10 * math.sin(angle)
        assert area.on_border(place)
        assert not area.on_border((place[0] + 0.01, place[1]))


def test_what_runs_inside_a_circle_is_its_chord():
    area, circle = disc(), Ellipse((0.0, 0.0), (10.0, 0.0), (0.0, 10.0))
    rng = random.Random(6)
    for _ in range(200):
        segment = tuple((rng.uniform(-15, 15), rng.uniform(-15, 15)) for _ in "ab")
        expected = circle.portion_inside(segment)
        found = area.portions_inside(segment)
        if expected is None or (expected[1] - expected[0]) * math.dist(*segment) < 1e-5:
            assert not found
        else:
            assert len(found) == 1
            assert found[0] == pytest.approx(expected, abs=1e-9)


def test_a_hole_with_curves_is_open():
    ring = disc()
    inner = disc(4.0)
    both = Area((*ring.loops, *inner.loops), {**ring.bends,
                **{(1, k): arc for (_, k), arc in inner.bends.items()}})  # fmt: skip
    assert not both.inside((0, 0))
    assert both.inside((7, 0.5))
    found = both.portions_inside(((-12.0, 0.1), (12.0, 0.1)))
    assert len(found) == 2


def test_a_quarter_leaves_and_arrives_along_the_lines_to_its_corner():
    arc = quarter_between((0.0, -6.0), (8.0, -6.0), (8.0, 0.0))
    # A source for its mark: (0.8, 0.6) lies on the unit circle, as 3² + 4² = 5².
    assert arc.ellipse.point(arc.start) == pytest.approx((0, -6))
    assert arc.ellipse.point(arc.stop) == pytest.approx((8, 0))
    x, y = 8 * 0.6, -6 * 0.8
    assert arc.holds((x, y), EXACT.paper_mm)
    for angle, line in ((arc.start, ((0, -6), (8, -6))), (arc.stop, ((8, -6), (8, 0)))):
        near = arc.ellipse.point(angle + (0.001 if angle == arc.start else -0.001))
        assert distance_point_line(Point(*near), join(*(Point(*p) for p in line))) < 1e-5
    assert arc.box == pytest.approx((0, -6, 8, 0))


def test_an_ellipse_is_known_by_two_tangents_and_a_point():
    # Seen under any projective map, tangents stay tangents: the same by five points.
    circle = Ellipse((3.0, 4.0), (5.0, 0.0), (0.0, 5.0))
    start, end = Point(8, 4), Point(3, 9)
    found = Ellipse.touching(start, Point(8, 9), end, Point(3 + 4, 4 + 3))
    for k in range(12):
        u, v = circle.unit(found.point(math.tau * k / 12))
        assert math.hypot(u, v) == pytest.approx(1.0)
    with pytest.raises(ValueError, match="no ellipse"):
        # Through a point beyond the parabola that the same tangents make.
        Ellipse.touching(start, Point(8, 9), end, Point(7.9, 8.9))


def test_the_arc_between_two_points_runs_through_the_third():
    circle = Ellipse((0.0, 0.0), (5.0, 0.0), (0.0, 5.0))
    ends = (5.0, 0.0), (0.0, 5.0)
    short = EllipseArc.between(circle, ends, (3.0, 4.0))
    long = EllipseArc.between(circle, ends, (-5.0, 0.0))
    assert short.stop - short.start == pytest.approx(math.pi / 2)
    assert long.stop - long.start == pytest.approx(3 * math.pi / 2)
    assert short.spans(short.start)
    assert not short.spans(math.pi)
    assert EllipseArc(circle, 0.0, 1e-6).barely_seen
    assert not EllipseArc(circle, 0.0, math.tau).barely_seen


@pytest.mark.parametrize("degree", [1, 2])
def test_what_vanishes_in_a_quarter_is_what_vanishes_on_the_circle_there(degree):
    rng = random.Random(7 + degree)
    for _ in range(300):
        terms = [rng.uniform(-1, 1) for _ in range(2 * degree + 1)]

        def value(angle, terms=terms):
            waves = [1.0, math.cos(angle), math.sin(angle), math.cos(2 * angle),
                     math.sin(2 * angle)]  # fmt: skip
            return sum(t * w for t, w in zip(terms, waves, strict=False))

        whole = [a for a in around_circle(value, degree) if 1e-9 < a < math.pi / 2 - 1e-9]
        part = [a for a in in_quarter(value, degree) if 1e-9 < a < math.pi / 2 - 1e-9]
        assert part == pytest.approx(whole, abs=1e-9)
        assert all(abs(value(angle)) < 1e-9 for angle in part)


def test_sides_that_touch_or_cross_are_named():
    assert sides_cross([SQUARE, HOLE]) is None
    bow = ((0.0, 0.0), (10.0, 10.0), (10.0, 0.0), (0.0, 10.0))
    assert sides_cross([bow]) == ((0, 0), (0, 2))
    touching = ((5.0, 0.0), (7.0, 3.0), (3.0, 3.0))
    assert sides_cross([SQUARE, touching]) == ((0, 0), (1, 0))
    spike = ((0.0, 0.0), (10.0, 0.0), (5.0, 0.0), (5.0, 5.0))
    assert sides_cross([spike]) == ((0, 0), (0, 1))


def test_places_along_a_segment_alternate_in_and_out():
    area = Area((SQUARE, HOLE))
    segment = (-1.0, 5.0), (11.0, 5.0)
    cuts = area.crossings(segment)
    inside = [area.inside(at(segment, (a + b) / 2)) for a, b in pairwise(cuts)]
    assert inside == [False, True, False, True, False]


def test_a_wave_vanishes_in_a_quarter_where_it_does_on_the_circle():
    rng = random.Random(11)
    found = 0
    for _ in range(300):
        level, cosine, sine = (rng.uniform(-1, 1) for _ in "abc")

        def value(angle, terms=(level, cosine, sine)):
            return terms[0] + terms[1] * math.cos(angle) + terms[2] * math.sin(angle)

        roots = [a for a in wave_in_quarter(level, cosine, sine) if 1e-9 < a < math.pi / 2 - 1e-9]
        whole = [a for a in around_circle(value, 1) if 1e-9 < a < math.pi / 2 - 1e-9]
        assert roots == pytest.approx(whole, abs=1e-9)
        found += len(roots)
    assert found > 60


def test_a_side_is_crossed_where_it_is_touched_too():
    crossed = list(sides_crossed(((0.0, 5.0), (20.0, 5.0)), [((5.0, 5.0), (5.0, 9.0))]))
    assert crossed == [0.25]
    assert not list(sides_crossed(((0.0, 5.0), (4.0, 5.0)), [((5.0, 5.0), (5.0, 9.0))]))
