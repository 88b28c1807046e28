"""Facts of the trade as check values (common practice, no published source)."""

from __future__ import annotations

import math

import pytest

from orthopsis.exercise.advice import facts
from orthopsis.exercise.resolve import picture, steps
from tests.agreement import outlines
from tests.documents import ONE_POINT, TWO_POINT, scene_of
from tests.words import instruction

INCH = 25.4


def front(x, y, width=60, height=50):
    return {"x_mm": x, "y_mm": y, "width_mm": width, "height_mm": height}


def slopes(scene):
    """Rise (+) or fall (−) of each line toward VP1, from the nearer end."""
    found = []
    for line in outlines(scene):
        if line.family == "VP1":
            near, far = sorted(line.segment, key=lambda end: -math.dist(end, (210, 150)))
            found.append(near[1] - far[1])
    return found


def test_lines_below_the_eye_level_rise_toward_the_point_and_above_it_they_fall():
    below = scene_of(ONE_POINT, view__eye_level_mm=150, pieces__0__front=front(40, 180))
    above = scene_of(ONE_POINT, view__eye_level_mm=150, pieces__0__front=front(40, 40))
    assert all(rise > 0 for rise in slopes(below))
    assert all(rise < 0 for rise in slopes(above))


def side_widths(**view):
    scene = scene_of(
        TWO_POINT, **view,
        pieces__0__left={"true_mm": 80}, pieces__0__right={"true_mm": 80},
    )  # fmt: skip
    xs = [x for line in outlines(scene) for x, _ in line.segment]
    return 200 - min(xs), max(xs) - 200


def test_the_nearer_vanishing_point_is_on_the_side_that_looks_narrower():
    left, right = side_widths(view__left_vp_mm=-40, view__right_vp_mm=800)
    assert left < right
    left, right = side_widths(view__left_vp_mm=-600, view__right_vp_mm=300)
    assert left > right


def test_a_face_close_to_edge_on_is_a_sliver():
    widths = []
    for vp_mm in (300, 200, 150, 130, 122):
        scene = scene_of(ONE_POINT, view__vanishing_point_mm=vp_mm)
        widths.append(max(x for line in outlines(scene) for x, _ in line.segment) - 120)
    assert widths == sorted(widths, reverse=True)
    assert widths[-1] < 1


@pytest.mark.parametrize(("level_mm", "rows"), [(100, {"top"}), (185, set()), (270, {"underside"})])
def test_below_you_see_the_top_above_the_underside_and_between_neither(level_mm, rows):
    scene = scene_of(ONE_POINT, view__eye_level_mm=level_mm)
    backs = [line for line in outlines(scene) if line.family == "horizontal"]
    shown = set()
    for line in backs:
        if line.start[1] < 160:
            shown.add("top")
        elif line.start[1] > 210:
            shown.add("underside")
    assert shown == rows


def test_points_on_the_paper_make_the_lowest_corner_sharp_and_far_ones_open_it():
    angles = []
    for out in (0, 60, 120, 300):
        scene = scene_of(
            TWO_POINT,
            view__left_vp_mm=100 - out, view__right_vp_mm=300 + out,
            pieces__0__edge__bottom_mm=260,
            pieces__0__left={"fraction": 0.3}, pieces__0__right={"fraction": 0.3},
        )  # fmt: skip
        angles.append(facts(scene, picture(scene)).lowest_corner_deg)
    assert angles == sorted(angles)
    assert angles[0] < 90 < angles[-1]


def test_the_citys_corner_on_a_12_by_18_sheet():
    """Eye level 6 in down, corner 9 in across, points at the paper's edges."""
    scene = scene_of(
        TWO_POINT,
        sheet={"size": "12x18in"},
        view={"kind": "two-point", "eye_level_mm": 6 * INCH, "left_vp_mm": 0,
              "right_vp_mm": 18 * INCH},
        pieces__0__edge={"x_mm": 9 * INCH, "top_mm": INCH, "bottom_mm": 8 * INCH},
        pieces__0__left={"fraction": 0.45},
        pieces__0__right={"fraction": 0.4},
    )  # fmt: skip
    text = " ".join(instruction(step, scene.words) for step in steps(scene))
    for words in (
        "6 in down",
        "VP1 0 in from the left edge",
        "9 in from the left edge",
        "7 in long",
    ):
        assert words in text
    assert scene.main.eye.distance_mm == pytest.approx(9 * INCH)


def test_the_same_thing_further_back_is_drawn_smaller_between_the_same_lines():
    near = scene_of(ONE_POINT, pieces__0__depth={"fraction": 0.3})
    back = [line for line in outlines(near) if line.family == "horizontal" and line.start[1] < 160]
    assert len(back) == 1
    assert math.dist(*back[0].segment) == pytest.approx(60 * 0.7)


def test_everyone_as_tall_as_the_viewer_has_the_head_on_the_eye_level():
    for foot in (150, 200, 280):
        height = foot - 100
        scene = scene_of(
            ONE_POINT,
            pieces__0__front=front(40, foot - height, 10, height),
            pieces__0__standing="ground",
        )
        w = scene.main.ground_depth(foot)
        assert height * w == pytest.approx(scene.main.eye_height_mm)
