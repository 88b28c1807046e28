"""Views: directions and their vanishing points, measuring points, depth of the ground."""

import math
import random
from itertools import pairwise

import pytest

from orthopsis.perspective.plane import Point, distance
from orthopsis.perspective.sheet import PAPER_SIZES_MM, Sheet
from orthopsis.perspective.view import View, eye_space, on_paper


def two_point(left=-90.0, right=510.0, level=120.0, centre=210.0):
    return View.two_point(left, right, level, centre, 100.0)


def test_the_two_directions_of_a_two_point_view_are_at_right_angles():
    view = two_point()
    px, d = view.eye.principal.x, view.eye.distance_mm
    left, right = (vp.at for vp in view.vanishing_points)
    assert (left.x - px) * (right.x - px) + d * d == pytest.approx(0)


def test_viewing_distance_is_the_altitude_on_the_hypotenuse():
    # Euclid, Elements VI.8, corollary: the altitude is the mean proportional of the two parts.
    view = two_point(left=0.0, right=400.0, centre=80.0)
    assert view.eye.distance_mm == pytest.approx(math.sqrt(80 * 320))


def test_a_centre_outside_the_points_is_refused():
    with pytest.raises(ValueError, match="between"):
        two_point(centre=600.0)


def test_distance_points_lie_at_the_viewing_distance_on_both_sides():
    # Common practice, no published source: the distance points of a one-point sheet.
    view = View.one_point(210, 100, 300, 120)
    centre = view.vanishing_points[0].at
    assert view.measuring_point(centre, on_the_right=True) == Point(510, 100)
    assert view.measuring_point(centre, on_the_right=False) == Point(-90, 100)


def test_measuring_points_lie_as_far_from_the_vanishing_point_as_the_eye():
    # ISO 5456-4, measuring point: from memory.
    view = two_point()
    px, d = view.eye.principal.x, view.eye.distance_mm
    for vp in view.vanishing_points:
        reach = math.hypot(vp.at.x - px, d)
        for right in (True, False):
            assert distance(view.measuring_point(vp.at, right), vp.at) == pytest.approx(reach)


def test_level_directions_vanish_on_the_eye_level():
    # B. Taylor, New Principles of Linear Perspective, 1719: from memory.
    view = View.one_point(210, 148.5, 360, 110)
    for degrees in range(5, 180, 7):
        radians = math.radians(degrees)
        vp = view.vanishing_point_of_direction(math.cos(radians), math.sin(radians), 0.0)
        assert vp.y == pytest.approx(148.5)


def test_directions_parallel_to_the_picture_vanish_at_infinity():
    view = View.one_point(210, 148.5, 360, 110)
    assert view.vanishing_point_of_direction(1, 0, 0).at_infinity
    assert view.vanishing_point_of_direction(0.3, 0, 0.7).at_infinity


def test_a_slope_vanishes_straight_above_its_level_direction():
    view = two_point()
    level = view.vanishing_point_of_direction(0.5, 1.0, 0.0)
    up = view.vanishing_point_of_direction(0.5, 1.0, 0.6)
    down = view.vanishing_point_of_direction(0.5, 1.0, -0.6)
    assert up.x == pytest.approx(level.x)
    assert level.y - up.y == pytest.approx(down.y - level.y)


def test_the_views_own_directions_are_found_again():
    view = two_point()
    px, d = view.eye.principal.x, view.eye.distance_mm
    for vp in view.vanishing_points:
        found = view.vanishing_point_of_direction(vp.at.x - px, d, 0.0)
        assert found.x == pytest.approx(vp.at.x)


def test_turned_things_have_a_vanishing_pair_with_the_views_distance():
    # design: (x₀ − a)(b − x₀) = d² for a pair at right angles on the eye level.
    view = two_point()
    px, d = view.eye.principal.x, view.eye.distance_mm
    rng = random.Random(4)
    for _ in range(50):
        turn = rng.uniform(0.1, 1.4)
        a = view.vanishing_point_of_direction(-math.cos(turn), math.sin(turn), 0.0).x
        b = view.vanishing_point_of_direction(math.sin(turn), math.cos(turn), 0.0).x
        assert (px - a) * (b - px) == pytest.approx(d * d)


def test_ground_nearer_the_eye_level_is_further_away():
    view = View.one_point(210, 100, 300, 120)
    depths = [view.ground_depth(y) for y in (110, 140, 220, 280)]
    assert depths == sorted(depths, reverse=True)
    assert view.ground_depth(220) == pytest.approx(1.0)


@pytest.mark.parametrize("foot_mm", [100.0, 40.0])
def test_no_ground_is_seen_on_or_above_the_eye_level(foot_mm):
    with pytest.raises(ValueError, match="below the eye level"):
        View.one_point(210, 100, 300, 120).ground_depth(foot_mm)


def test_eye_space_comes_back_to_the_paper():
    rng = random.Random(5)
    for _ in range(100):
        x, y, depth = rng.uniform(-500, 900), rng.uniform(-500, 900), rng.uniform(0.01, 50)
        assert on_paper(eye_space(Point(x, y), depth)) == pytest.approx((x, y))


def test_what_is_behind_the_eye_is_not_on_paper():
    with pytest.raises(ValueError, match="behind the eye"):
        on_paper((1.0, 1.0, 0.0))


def test_a_view_named_for_a_street_names_its_points():
    view = View.one_point(210, 100, 300, 120).named("rail")
    assert [vp.name for vp in view.vanishing_points] == ["rail:VP1"]
    assert [vp.name for vp in view.directions] == ["horizontal", "rail:VP1", "vertical"]


def test_the_cone_of_vision_has_its_angle_at_the_eye():
    view = View.one_point(210, 100, 300, 120)
    edge = 300 * math.tan(math.radians(30))
    assert view.within_cone(Point(210 + edge - 0.01, 100), 60)
    assert not view.within_cone(Point(210, 100 + edge + 0.01), 60)


@pytest.mark.parametrize(
    ("size", "landscape"),
    [
        ("A5", (210, 148)), ("A4", (297, 210)), ("A3", (420, 297)), ("A2", (594, 420)),
        ("A1", (841, 594)),
    ],
)  # fmt: skip
def test_sheet_sizes_of_iso_216(size, landscape):
    # ISO 216: trimmed sizes of the A series.
    sheet = Sheet.named(size)
    assert (sheet.width_mm, sheet.height_mm) == landscape
    assert Sheet.named(size, "portrait").width_mm == landscape[1]


def test_a_sizes_have_the_ratio_of_root_two_and_halve():
    names = ["A1", "A2", "A3", "A4", "A5"]
    for larger, smaller in pairwise(names):
        assert PAPER_SIZES_MM[smaller][1] == PAPER_SIZES_MM[larger][0]
        short, long = PAPER_SIZES_MM[larger]
        assert long / short == pytest.approx(math.sqrt(2), abs=0.01)


def test_the_frame_is_what_is_drawn_on():
    sheet = Sheet.named("A4", "portrait", 20)
    assert sheet.bounds == (20, 20, 190, 277)
    assert sheet.clip(((0, 100), (210, 100))) == pytest.approx((20 / 210, 190 / 210))
    assert not sheet.contains(Point(1, 0, 0))
