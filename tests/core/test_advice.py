"""Advice: each with its number, and a remedy that mends it."""

from __future__ import annotations

import math

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.advice import advice, facts, strips
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import picture, resolve
from orthopsis.perspective.stroke import Role
from orthopsis.wording.words import Words
from tests.documents import (
    ONE_POINT,
    THREE_POINT,
    TWO_POINT,
    changed,
    example,
    random_document,
    scene_of,
)
from tests.words import message, remedy

WORDS = Words()


def say(one):
    return message(one, WORDS)


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
    assert f"The lowest corner is {one.number:.0f}°. It will look as if it tips." in say(one)
    assert "Move both points out by" in remedy(one, WORDS)


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
    assert "a hint, no fault" in say(one)
    assert f"{one.number:.0f} % of the drawing" in say(one)


def test_a_sliver_is_named_with_its_width():
    one = said(scene_of(ONE_POINT, view__vanishing_point_mm=122))["sliver"]
    assert 0 < one.number < 3
    assert "Crate" in say(one)
    assert "sliver" not in said(scene_of(ONE_POINT))


def test_strips_for_points_off_the_sheet():
    assert [(s.name, s.side, s.length_mm) for s in strips(scene_of(TWO_POINT))] == [
        ("VP1", "left", 90),
        ("VP2", "right", 90),
    ]
    assert strips(scene_of(ONE_POINT)) == ()
    assert "9 cm off the sheet" in say(said(scene_of(TWO_POINT))["tape-strip"])


def test_pieces_in_one_another_come_first():
    box = {**ONE_POINT["pieces"][0], "standing": "ground"}
    scene = scene_of(
        ONE_POINT,
        view__vanishing_point_mm=122,
        pieces=[box, {**box, "id": "tray", "front": {**box["front"], "x_mm": 70}}],
    )
    first = advice(scene, picture(scene))[0]
    assert first.code == "in-one-another"
    assert "'crate' and 'tray'" in say(first)


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


def test_of_two_in_one_another_one_is_moved_aside_by_a_round_step():
    box = {**ONE_POINT["pieces"][0], "standing": "ground"}
    other = {**box, "id": "tray", "front": {**box["front"], "x_mm": 100}}
    data = changed(ONE_POINT, pieces=[box, other])
    one = said(scene_of(data))["in-one-another"]
    assert one.number in (5, 10, 20, 40, 80, 160)
    assert "'tray'" in remedy(one, WORDS)
    assert "in-one-another" not in said(scene_of(mended(data, one)))


def test_a_sliver_is_mended_by_a_round_step_aside():
    data = changed(ONE_POINT, view__vanishing_point_mm=122)
    one = said(scene_of(data))["sliver"]
    assert "aside" in remedy(one, WORDS)
    assert "sliver" not in said(scene_of(mended(data, one)))


@pytest.mark.parametrize("data", [ONE_POINT, TWO_POINT, THREE_POINT])
def test_looking_from_further_away_brings_all_into_the_cone(data):
    near = {"viewing_distance_mm": 120} if data is ONE_POINT else {}
    if data is not ONE_POINT:
        near = {"left_vp_mm": 100, "right_vp_mm": 330}
    data = changed(data, view={**data["view"], **near})
    one = said(scene_of(data))["outside-cone"]
    assert one.number > 5
    after = said(scene_of(mended(data, one))).get("outside-cone")
    # The points have moved with the eye, so the drawing has changed a little as well.
    assert after is None or after.number < one.number


def test_where_no_eye_sees_right_angles_vp3_is_told_its_place():
    # Common practice, no published source: beginners put VP3 at the sheet's top; it is a hint.
    flat = changed(
        THREE_POINT, view__eye_level_mm=180, view__third_vp_mm=[210, 0],
        pieces__0__edge={"x_mm": 200, "y_mm": 100, "length_mm": 60},
    )  # fmt: skip
    one = said(scene_of(flat))["flat-triangle"]
    assert 90 < one.number < 180
    assert "A fine first drawing" in say(one)
    assert scene_of(flat).main.eye is None
    assert scene_of(mended(flat, one)).main.eye is not None
    # Thales: the angle over a half circle is right, so VP3 lies beyond it.
    x, y = one.changes[0].value
    assert (y - 180) ** 2 > (x + 60) * (480 - x)


def test_what_reaches_outside_the_triangle_is_named_and_the_points_moved_out():
    data = changed(THREE_POINT, pieces__0__edge={"x_mm": 20, "y_mm": 230, "length_mm": 30})
    one = said(scene_of(data))["outside-triangle"]
    assert one.number > 0.5 and "Tower" in say(one)
    assert "outside-triangle" not in said(scene_of(mended(data, one)))


def test_strips_say_which_ruler_reaches_the_point():
    near, far = (strips(scene_of(TWO_POINT, view__left_vp_mm=left))[0] for left in (-300, -1500))
    assert near.ruler_mm == 1000
    assert far.ruler_mm is None
    below = strips(scene_of(THREE_POINT))[-1]
    assert (below.name, below.side, below.length_mm) == ("VP3", "bottom", 223)
    assert "no classroom ruler" in say(
        said(scene_of(TWO_POINT, view__left_vp_mm=-1500, view__right_vp_mm=400))["tape-strip"]
    )


@pytest.mark.parametrize(("units", "value"), [("cm", 60.3), ("in", 60.0)])
def test_a_measure_between_the_marks_of_a_ruler_is_named(units, value):
    data = changed(ONE_POINT, wording={"units": units}, pieces__0__front__x_mm=value)
    one = said(scene_of(data))["unreadable"]
    if units == "cm":
        assert one.number == pytest.approx(60.3)
        assert "nearest is 6.05 cm" in say(one)
    assert "unreadable" not in said(scene_of(mended(data, one)))
    assert "unreadable" not in said(scene_of(ONE_POINT))


def test_a_ruler_in_inches_is_named_in_inches():
    scene = scene_of(TWO_POINT, wording={"units": "in"}, view__left_vp_mm=-60)
    assert strips(scene)[0].ruler_mm == 18 * 25.4
    notes = [message(one, scene.words) for one in advice(scene, picture(scene), 9)]
    assert any("a ruler of 18 in reaches it" in note for note in notes)


@pytest.mark.parametrize("seed", range(12))
def test_what_is_left_out_is_never_worse_than_what_is_said(seed):
    """Nothing is tried out for what is not said, and the same is said as if all had been."""
    scene = scene_of({**random_document(seed), "tone": None})
    try:
        strokes = picture(scene)
        everything = advice(scene, strokes, most=100)
    except ExerciseError:
        return
    assert advice(scene, strokes) == everything[:3]
    assert [one.weight for one in everything] == sorted(
        (one.weight for one in everything), reverse=True
    )


def short_edges(data):
    scene = scene_of(data)
    lines = [line for body in scene.bodies for line in body.shown.edges]
    return [line for line in lines if 0.02 < math.dist(*line.segment) < 1.0]


def word(text, x_mm, y_mm=235, **fields):
    view = {"kind": "one-point", "eye_level_mm": y_mm, "vanishing_point_mm": x_mm}
    front = {"x_mm": 40, "y_mm": 50, "height_mm": 60}
    piece = {"kind": "letters", "id": "word", "text": text, "front": front}
    return {**ONE_POINT, "view": view, "pieces": [{**piece, "depth": {"along_mm": 20}, **fields}]}


@pytest.mark.parametrize("x_mm", [330, 340, 360, 380])
def test_the_kind_point_leaves_nothing_that_a_pencil_cannot_draw(x_mm):
    # Common practice, no published source: an edge under a millimetre is a blot.
    data = word("FERN", x_mm)
    one = said(scene_of(data))["hair-breadth"]
    (change,) = one.changes
    assert change.path == ("view", "vanishing_point_mm")
    assert change.value % 5 == 0 and abs(change.value - x_mm) <= 60
    after = mended(data, one)
    assert not short_edges(after)
    assert not {"hair-breadth", "sliver"} & said(scene_of(after)).keys()
    assert f"{change.value / 10:g} cm from the left" in remedy(one, WORDS)


def test_where_no_point_aside_is_kind_the_eye_level_moves():
    data = example("pots-on-the-wall").exercise.model_dump(mode="json", exclude_none=True)
    assert "hair-breadth" not in said(scene_of(data))
    low = changed(data, view__eye_level_mm=230)
    one = said(scene_of(low))["hair-breadth"]
    assert [change.path for change in one.changes] == [("view", "eye_level_mm")]
    assert "hair-breadth" not in said(scene_of(mended(low, one)))


def test_boxes_and_examples_have_no_hair_to_speak_of():
    for data in (ONE_POINT, TWO_POINT, THREE_POINT):
        assert "hair-breadth" not in said(scene_of(data))
    for name in ("fern", "pots-on-the-wall", "moss-seen-from-below"):
        assert "hair-breadth" not in said(example(name)), name


def cottage(peak_mm, right_vp_mm, **roof):
    return {
        "format": "orthopsis-exercise", "version": 1, "title": "Cottage", "sheet": {"size": "A3"},
        "view": {"kind": "two-point", "eye_level_mm": 165, "left_vp_mm": -80,
                 "right_vp_mm": right_vp_mm},
        "pieces": [{"kind": "building", "id": "cottage", "standing": "ground",
                    "edge": {"x_mm": 240, "top_mm": 115, "bottom_mm": 215},
                    "left": {"x_mm": 110}, "right": {"x_mm": 345},
                    "roof": {"peak_mm": peak_mm, **roof}}],
    }  # fmt: skip


def test_a_roofs_own_point_out_of_reach_is_found_by_the_middle_instead():
    # A second sheet like the first is taped on (common practice, no published source).
    gable = {"kind": "gable", "end": "right", "far": "roof point"}
    assert "roof-point-far" not in said(scene_of(cottage(45, 520, **gable)))
    data = cottage(100, 700, **gable)
    one = said(scene_of(data))["roof-point-far"]
    up, down = sorted(point.at.y for point in scene_of(data).slope_points)
    assert one.number == pytest.approx(-up)
    # Equal slopes: their points lie equally far from the eye level.
    assert (up + down) / 2 == pytest.approx(165)
    assert "61.1 cm off the sheet" in say(one)
    assert one.changes[0].path == ("pieces", 0, "roof", "far")
    better = mended(data, one)
    assert "roof-point-far" not in said(scene_of(better))
    both = [picture(scene_of(each)) for each in (data, better)]
    ends = [sorted(line.segment for line in each if line.role is Role.OUTLINE) for each in both]
    assert ends[0] == ends[1], "the house is the same"


def test_a_lean_to_with_a_far_point_is_told_so_without_a_remedy():
    one = said(scene_of(cottage(110, 700, kind="lean-to", low="left")))["roof-point-far"]
    assert one.changes == ()
    assert "A lower roof brings it nearer" in say(one)
