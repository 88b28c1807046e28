"""Near to far: which piece is drawn first."""

from __future__ import annotations

import random

import pytest

from orthopsis.construction.order import NoDrawingOrder, near_to_far
from tests.documents import ONE_POINT, TWO_POINT, scene_of


def standing(name, x, top, foot, width=50, depth=20, **more):
    return {
        "kind": "box", "id": name, "standing": "ground", **more,
        "front": {"x_mm": x, "y_mm": top, "width_mm": width, "height_mm": foot - top},
        "depth": {"true_mm": depth},
    }  # fmt: skip


def order(data, pieces):
    scene = scene_of(data, pieces=pieces)
    return [pieces[i]["id"] for i in near_to_far(scene.bodies).numbers]


def test_the_nearer_of_two_overlapping_boxes_comes_first_however_they_are_listed():
    near, far = standing("near", 80, 150, 270), standing("far", 100, 120, 165)
    assert order(ONE_POINT, [near, far]) == ["near", "far"]
    assert order(ONE_POINT, [far, near]) == ["near", "far"]


def test_boxes_that_do_not_overlap_on_paper_keep_the_listed_order():
    left, right = standing("left", 10, 120, 160), standing("right", 300, 180, 270)
    assert order(ONE_POINT, [left, right]) == ["left", "right"]
    assert order(ONE_POINT, [right, left]) == ["right", "left"]


def test_a_row_shuffled_comes_out_near_to_far():
    row = [
        standing(f"n{i}", 100 + 8 * i, foot - 90, foot)
        for i, foot in enumerate((280, 220, 180, 150))
    ]
    rng = random.Random(8)
    for _ in range(10):
        shuffled = rng.sample(row, len(row))
        assert order(ONE_POINT, shuffled) == ["n0", "n1", "n2", "n3"]


def test_touching_boxes_have_an_order():
    a, b = standing("a", 60, 180, 240), standing("b", 110, 180, 240)
    assert sorted(order(ONE_POINT, [a, b])) == ["a", "b"]


def test_floating_boxes_follow_the_list():
    a = standing("a", 80, 40, 90)
    b = standing("b", 100, 50, 110)
    a["standing"] = b["standing"] = "floating"
    assert order(ONE_POINT, [a, b]) == ["a", "b"]
    assert order(ONE_POINT, [b, a]) == ["b", "a"]


def test_a_box_lifted_before_the_picture_plane_stands_before_a_far_one():
    lifted = {**standing("lifted", 90, 105, 150), "standing": "floating"}
    assert order(ONE_POINT, [standing("far", 100, 110, 150), lifted]) == ["lifted", "far"]


def test_two_boxes_in_one_place_have_no_order():
    with pytest.raises(NoDrawingOrder, match=r"'a' and 'b' stand in one another"):
        order(ONE_POINT, [standing("a", 80, 180, 240), standing("b", 90, 185, 240)])


def test_corner_boxes_behind_one_another():
    def corner(name, x, top, foot):
        return {
            "kind": "box", "id": name, "standing": "ground",
            "edge": {"x_mm": x, "top_mm": top, "bottom_mm": foot},
            "left": {"true_mm": 25}, "right": {"true_mm": 25},
        }  # fmt: skip

    near, far = corner("near", 210, 150, 280), corner("far", 220, 130, 170)
    assert order(TWO_POINT, [far, near]) == ["near", "far"]
