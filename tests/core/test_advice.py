"""Advice: each with its number, and a remedy that mends it."""

from __future__ import annotations

import pytest

from orthopsis.exercise.advice import advice, facts, strips
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import picture, resolve
from tests.documents import ONE_POINT, TWO_POINT, changed, example, scene_of


def said(scene, most=9):
    return {one.code: one for one in advice(scene, picture(scene), most)}


def mended(data, one):
    for change in one.changes:
        data = changed(data, **{"__".join(map(str, change.path)): change.value})
    return data


CLOSE = changed(
    TWO_POINT,
    view__left_vp_mm=120,
    view__right_vp_mm=290,
    pieces__0__left={"fraction": 0.4},
    pieces__0__right={"fraction": 0.4},
)


def test_points_too_close_are_named_with_the_angle():
    # Common practice, no published source: sharper than a right angle looks as if it tips.
    one = said(scene_of(CLOSE))["points-too-close"]
    assert 60 < one.number < 90
    assert f"The lowest corner is {one.number:.0f}°. It will look as if it tips." in one.message
    assert "Move both points out by" in one.remedy


def test_the_remedy_opens_the_corner_to_a_right_angle_and_keeps_the_nearest_edge():
    one = said(scene_of(CLOSE))["points-too-close"]
    data = mended(CLOSE, one)
    after = facts(scene_of(data), picture(scene_of(data)))
    assert 90 <= after.lowest_corner_deg < 96
    assert "points-too-close" not in said(scene_of(data))
    assert data["pieces"] == CLOSE["pieces"]
    assert data["view"]["eye_level_mm"] == CLOSE["view"]["eye_level_mm"]


@pytest.mark.parametrize("foot_mm", [180, 230, 290])
@pytest.mark.parametrize("left_mm", [60, 150, 190])
def test_the_remedy_always_suffices_and_is_a_round_measure(foot_mm, left_mm):
    data = changed(CLOSE, view__left_vp_mm=left_mm, pieces__0__edge__bottom_mm=foot_mm)
    one = said(scene_of(data)).get("points-too-close")
    if one is None:
        assert facts(scene_of(data), []).lowest_corner_deg >= 90
        return
    moved = data["view"]["left_vp_mm"] - one.changes[0].value
    assert moved % 5 == pytest.approx(0)
    assert facts(scene_of(mended(data, one)), []).lowest_corner_deg >= 90


def test_a_corner_above_the_eye_level_does_not_tip():
    scene = scene_of(CLOSE, view__eye_level_mm=280)
    assert facts(scene, picture(scene)).lowest_corner_deg is None


def test_the_share_in_the_cone_grows_with_the_viewing_distance():
    shares = [
        facts(s := scene_of(ONE_POINT, view__viewing_distance_mm=d), picture(s)).share_in_cone
        for d in (60, 200, 260, 2000)
    ]
    assert shares == sorted(shares)
    assert shares[-1] == 1.0
    assert shares[0] < 0.5


def test_what_lies_outside_the_cone_is_a_hint_and_no_fault():
    one = said(scene_of(ONE_POINT, view__viewing_distance_mm=150))["outside-cone"]
    assert "a hint, no fault" in one.message
    assert f"{one.number:.0f} % of the drawing" in one.message


def test_a_sliver_is_named_with_its_width():
    one = said(scene_of(ONE_POINT, view__vanishing_point_mm=122))["sliver"]
    assert 0 < one.number < 3
    assert "Crate" in one.message
    assert "sliver" not in said(scene_of(ONE_POINT))


def test_strips_for_points_off_the_sheet():
    assert [(s.name, s.side, s.length_mm) for s in strips(scene_of(TWO_POINT))] == [
        ("VP1", "left", 90),
        ("VP2", "right", 90),
    ]
    assert strips(scene_of(ONE_POINT)) == ()
    assert "9 cm off the sheet" in said(scene_of(TWO_POINT))["tape-strip"].message


def test_pieces_in_one_another_come_first():
    box = {**ONE_POINT["pieces"][0], "standing": "ground"}
    scene = scene_of(
        ONE_POINT,
        view__vanishing_point_mm=122,
        pieces=[box, {**box, "id": "tray", "front": {**box["front"], "x_mm": 70}}],
    )
    first = advice(scene, picture(scene))[0]
    assert first.code == "no-drawing-order"
    assert "'crate' and 'tray'" in first.message


def test_at_most_three_and_the_worst_first():
    scene = scene_of(CLOSE, view__left_vp_mm=-500, view__right_vp_mm=215)
    weights = [one.weight for one in advice(scene, picture(scene))]
    assert len(weights) <= 3
    assert weights == sorted(weights, reverse=True)


def test_both_demo_exercises_have_something_to_read():
    for name in ("seed-crates", "bell-corner"):
        scene = example(name)
        assert advice(scene, picture(scene))


def test_advice_changes_only_fields_that_exist():
    one = said(scene_of(CLOSE))["points-too-close"]
    resolve(from_data(mended(CLOSE, one)))
    assert {change.path for change in one.changes} == {
        ("view", "left_vp_mm"),
        ("view", "right_vp_mm"),
    }
