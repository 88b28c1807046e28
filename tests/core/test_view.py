"""Views: directions and their vanishing points, measuring points, depth of the ground."""

import math
import random
from itertools import combinations, pairwise

import pytest

from orthopsis.perspective.plane import (
    LEFT,
    LEVEL,
    UPRIGHT,
    Point,
    distance,
    distance_point_line,
    join,
    meet,
)
from orthopsis.perspective.sheet import PAPER_SIZES_MM, Sheet
from orthopsis.perspective.vector import plus
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
    assert view.measuring_point(centre, LEFT) == Point(510, 100)
    assert view.measuring_point(centre, LEVEL) == Point(-90, 100)


def test_measuring_points_lie_as_far_from_the_vanishing_point_as_the_eye():
    # ISO 5456-4, measuring point: from memory.
    view = two_point()
    px, d = view.eye.principal.x, view.eye.distance_mm
    for vp in view.vanishing_points:
        reach = math.hypot(vp.at.x - px, d)
        for along in (LEFT, LEVEL, UPRIGHT):
            assert distance(view.measuring_point(vp.at, along), vp.at) == pytest.approx(reach)


def test_directions_parallel_to_the_picture_vanish_at_infinity():
    view = View.one_point(210, 148.5, 360, 110)
    assert view.vanishing_point_of_direction(1, 0, 0).at_infinity
    assert view.vanishing_point_of_direction(0.3, 0, 0.7).at_infinity


EVERY_KIND = {
    "one": View.one_point(210, 148.5, 360, 110),
    "two": View.two_point(-90, 510, 120, 210, 120),
    "three below": View.three_point(-60, 480, 80, Point(230, 600), 150),
    "three above": View.three_point(-60, 480, 220, Point(190, -300), 150),
}


@pytest.mark.parametrize("view", EVERY_KIND.values(), ids=EVERY_KIND)
def test_the_views_own_directions_are_found_again(view):
    for i, vp in enumerate(view.directions):
        found = view.vanishing_point_of_direction(*(float(i == k) for k in range(3)))
        if vp.at.at_infinity:
            assert found.at_infinity
        else:
            assert distance(found, vp.at) < 1e-9


@pytest.mark.parametrize("view", EVERY_KIND.values(), ids=EVERY_KIND)
def test_level_directions_vanish_on_the_eye_level_and_slopes_on_the_way_to_the_uprights(view):
    # B. Taylor, New Principles of Linear Perspective, 1719: from memory.
    rng = random.Random(5)
    for _ in range(30):
        first, second, up = (rng.uniform(-1, 1) for _ in range(3))
        level = view.vanishing_point_of_direction(first, second, 0.0)
        assert level.y == pytest.approx(view.eye_level_mm)
        slope = view.vanishing_point_of_direction(first, second, up)
        line = join(level, view.uprights.at)
        assert distance_point_line(slope, line) < 1e-6 * max(1.0, abs(slope.x), abs(slope.y))


@pytest.mark.parametrize("view", EVERY_KIND.values(), ids=EVERY_KIND)
def test_a_rising_slope_vanishes_above_a_falling_one_below(view):
    level = view.level_points[0].at
    assert distance(view.slope_point(level, 0.0), level) < 1e-9
    assert view.slope_point(level, 10).y < view.eye_level_mm < view.slope_point(level, -10).y
    rise = math.degrees(math.atan2(1.0, 2.0))
    steps = (0.0, 2.0) if len(view.vanishing_points) == 1 else (2.0, 0.0)
    same = view.vanishing_point_of_direction(*steps, 1.0)
    assert distance(view.slope_point(level, rise), same) < 1e-6


@pytest.mark.parametrize("view", EVERY_KIND.values(), ids=EVERY_KIND)
def test_turned_things_have_a_pair_of_points_at_a_right_angle(view):
    # (x₀ − a)·(b − x₀) = d² + (eye level − p_y)²; and the eye sees the pair at a right angle.
    (px, py), d = view.eye.principal.xy, view.eye.distance_mm
    for vp_mm in (-400.0, -30.0, 120.0, 300.0, 800.0, 1e5):
        turned = view.turned("shed", vp_mm)
        a, b = (vp.at for vp in turned.level_points)
        assert vp_mm in (a.x, b.x)
        assert [vp.name for vp in turned.level_points] == ["shed:VP1", "shed:VP2"]
        assert turned.uprights == view.uprights
        rays = [(vp.x - px, vp.y - py, d) for vp in (a, b)]
        cosine = sum(p * q for p, q in zip(*rays, strict=True)) / (
            math.hypot(*rays[0]) * math.hypot(*rays[1])
        )
        assert abs(cosine) < 1e-9


def test_three_points_are_two_with_the_third_far_away_and_two_are_one():
    # A point at infinity is a normal value: the systems run into one another without a break.
    two = View.two_point(-90, 510, 120, 210, 120)
    far = View.three_point(-90, 510, 120, Point(210, 1e9), 120)
    assert far.eye.principal.xy == pytest.approx((210, 120), abs=1e-3)
    assert far.eye.distance_mm == pytest.approx(two.eye.distance_mm)
    one = View.one_point(210, 120, 300, 120)
    nearly_one = View.two_point(210 - 300 * 1e-7, 210 + 300 * 1e7, 120, 210, 120)
    assert nearly_one.eye.distance_mm == pytest.approx(one.eye.distance_mm)


def test_a_point_100_m_away_loses_no_digits():
    # Similar triangles on paper: a guide line 300 mm on, to a point 100 m away.
    view = View.two_point(-1e5, 1e5, 100, 0, 120)
    start, vp = Point(0.0, 200.0), view.vanishing_points[1].at
    mark = meet(join(start, vp), join(Point(300.0, 0.0), UPRIGHT))
    assert mark.y == pytest.approx(200.0 - 100.0 * 300.0 / 1e5, abs=1e-9)
    x, y, depth = plus(eye_space(start, 1.0), eye_space(vp, 0.003 / 0.997))
    assert (x / depth, y / depth) == pytest.approx(mark.xy, abs=1e-9)


def test_the_orthocentre_and_focal_length_of_three_points():
    # Photogrammetry, from memory: rays to the three points are at right angles in pairs, and
    # d² = −(vᵢ − p)·(vⱼ − p) for every pair.
    for name in ("three below", "three above"):
        view = EVERY_KIND[name]
        (px, py), d = view.eye.principal.xy, view.eye.distance_mm
        points = [(vp.at.x - px, vp.at.y - py) for vp in view.vanishing_points]
        for (ax, ay), (bx, by) in combinations(points, 2):
            assert -(ax * bx + ay * by) == pytest.approx(d * d)


def test_no_eye_sees_right_angles_where_the_triangle_is_not_acute():
    # Common practice, no published source: VP1 and VP2 at the sheet's sides, VP3 at its top.
    view = View.three_point(0, 420, 148.5, Point(210, 0), 150)
    assert view.eye is None
    with pytest.raises(ValueError, match="right angles"):
        view.true_length(view.vanishing_points[0].at)
    with pytest.raises(ValueError, match="above or below"):
        View.three_point(0, 420, 148.5, Point(210, 148.5), 150)


@pytest.mark.parametrize("view", EVERY_KIND.values(), ids=EVERY_KIND)
@pytest.mark.parametrize("step", [(40, 0, 0), (0, -25, 0), (0, 0, 90), (-30, 20, -60)])
def test_a_moved_viewer_sees_the_same_world(view, step):
    moved = view.moved(*step)
    rng = random.Random(6)
    for _ in range(20):
        foot = Point(rng.uniform(0, 420), view.eye_level_mm + rng.uniform(20, 150))
        ground = eye_space(foot, view.ground_depth(foot.y))
        x, y, depth = view.place_seen_by(moved, ground)
        # What lay on the ground lies on it still, and parallels still share their point.
        assert moved.ground_depth(y / depth) == pytest.approx(depth)
        for before, after in zip(view.vanishing_points, moved.vanishing_points, strict=True):
            further = view.place_seen_by(moved, plus(ground, eye_space(before.at, 0.7)))
            line = join(Point(x / depth, y / depth), Point(*on_paper(further)))
            assert distance_point_line(after.at, line) < 1e-6


def test_the_viewer_stays_before_the_sheet_and_above_the_ground():
    view = EVERY_KIND["one"]
    with pytest.raises(ValueError, match="before the sheet"):
        view.moved(0, 0, -360)
    with pytest.raises(ValueError, match="above the ground"):
        view.moved(0, 120, 0)


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
