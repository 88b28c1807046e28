"""The construction as it is read and drawn: steps, words, counts, and where things come from."""

from __future__ import annotations

import math
import re

import pytest

from orthopsis.construction.moves import Do
from orthopsis.construction.order import NoDrawingOrder
from orthopsis.exercise.advice import strips
from orthopsis.exercise.records import steps_record, steps_text
from orthopsis.exercise.resolve import steps
from orthopsis.exercise.state import lines_after
from tests.agreement import difference, kept, outlines
from tests.documents import (
    EXAMPLES,
    ONE_POINT,
    THREE_POINT,
    TWO_POINT,
    example,
    random_document,
    scene_of,
)
from tests.letters import STAIR, STREET, random_words
from tests.words import check, instruction, title

EXAMPLES_BY_NAME = sorted(path.stem for path in EXAMPLES.glob("*.json"))


def titles(scene):
    return [title(step) for step in steps(scene)]


def test_a_one_point_box_is_drawn_in_the_trades_order():
    # Common practice, no published source: the order of the work.
    assert titles(scene_of(ONE_POINT)) == [
        "The eye level line",
        "The vanishing point",
        "Crate: the front face",
        "Crate: lines to VP1",
        "Crate: how far back",
        "Crate: tidy and darken",
        "Finish",
    ]


def test_a_two_point_box_is_drawn_in_the_trades_order():
    # Common practice: front edge, four guide lines, two uprights, opposite corner to opposite VP.
    assert titles(scene_of(TWO_POINT)) == [
        "The eye level line",
        "The vanishing points",
        "Shed: the front edge",
        "Shed: lines to both points",
        "Shed: the left side",
        "Shed: the right side",
        "Shed: the top",
        "Shed: tidy and darken",
        "Finish",
    ]


@pytest.mark.parametrize(
    ("level_mm", "closing"),
    [(120, ["Shed: the top"]), (190, []), (260, ["Shed: the underside"])],
)
def test_what_is_below_shows_its_top_and_what_is_above_its_underside(level_mm, closing):
    # Common practice, no published source: a box that straddles the eye level shows neither.
    scene = scene_of(TWO_POINT, view__eye_level_mm=level_mm)
    assert [t for t in titles(scene) if "top" in t or "underside" in t] == closing


def guide_count(scene):
    step = next(step for step in steps(scene) if "lines to" in title(step))
    return len(step.strokes)


@pytest.mark.parametrize(
    ("vp_mm", "level_mm", "count"),
    [
        (210, 100, 3),  # up to the right: the lower left corner's line would cross the face
        (90, 100, 2),  # straight above: only the upper corners
        (210, 185, 2),  # straight to the right: only the right-hand corners
        (210, 270, 3),
        (20, 100, 3),
    ],
)
def test_only_visible_corners_send_a_guide_line(vp_mm, level_mm, count):
    # Common practice, no published source: a line that would cross the shape is not drawn.
    scene = scene_of(ONE_POINT, view__vanishing_point_mm=vp_mm, view__eye_level_mm=level_mm)
    assert guide_count(scene) == count
    said = next(check(step) for step in steps(scene) if "lines to" in title(step))
    assert said.startswith(f"{count} guide lines meet in VP1")


def test_a_box_straight_in_front_shows_no_side_and_takes_no_guide_lines():
    scene = scene_of(ONE_POINT, view__vanishing_point_mm=90, view__eye_level_mm=185)
    assert not any("lines to" in title for title in titles(scene))
    assert len(outlines(scene)) == 4
    face = next(step for step in steps(scene) if "front face" in title(step))
    assert "VP1 lies within the face" in check(face)


def test_left_of_the_point_the_right_side_shows_and_right_of_it_the_left():
    # Common practice, no published source.
    for vp_mm, side_is_right in ((210, True), (20, False)):
        scene = scene_of(ONE_POINT, view__vanishing_point_mm=vp_mm)
        backs = [line for line in outlines(scene) if line.family == "vertical"]
        outside = [x for line in backs for x, _ in line.segment if not 60 <= x <= 120]
        assert outside
        assert all((x > 120) == side_is_right for x in outside)


def test_nothing_comes_from_nowhere():
    """Each move uses only marks and lines made before it."""
    random_ones = (random_document(seed, round_share=0.4) for seed in range(60))
    words = (random_words(seed) for seed in range(40))
    for data in (ONE_POINT, TWO_POINT, THREE_POINT, STAIR, STREET, *random_ones, *words):
        try:
            made_steps = steps(scene_of(data))
        except Exception as refusal:
            assert "pieces" in str(refusal)
            continue
        made: set[str] = set()
        for step in made_steps:
            for move in step.moves:
                missing = [name for name in move.uses if name not in made]
                assert not missing, (title(step), move)
                if move.makes:
                    assert move.makes not in made or move.do is Do.MEASURE, "names are given once"
                    made.add(move.makes)


def test_darkened_and_erased_lines_are_named_by_position_and_all_are_named():
    for scene in (
        scene_of(ONE_POINT), scene_of(TWO_POINT), example("bell-corner"), example("fern"),
        example("pots-on-the-wall"), example("moss-seen-from-below"),
    ):  # fmt: skip
        made = steps(scene)
        strokes = [drawn for step in made for drawn in step.strokes]
        darkened = [k for step in made for k in step.darkens]
        erased = [k for step in made for k in step.erases]
        assert sorted(darkened) == [i for i, d in enumerate(strokes) if d.fate == "keep"]
        assert sorted(erased) == [i for i, d in enumerate(strokes) if d.fate != "keep"]


def test_nothing_is_darkened_or_erased_before_it_is_drawn():
    drawn = 0
    for step in steps(example("seed-crates")):
        drawn += len(step.strokes)
        assert all(k < drawn for k in [*step.darkens, *step.erases])


def test_the_last_step_leaves_only_the_finished_lines():
    scene = example("bell-corner")
    made = steps(scene)
    left = [drawn for drawn, state in lines_after(made, len(made)) if state != "struck"]
    assert len(left) == len(outlines(scene))
    assert all(drawn.fate == "keep" for drawn in left)


def test_the_eye_level_is_a_guide_line_of_no_piece_right_across():
    first = steps(scene_of(ONE_POINT))[0].strokes[0]
    assert (first.stroke.family, first.fate, first.stroke.part) == ("horizontal", "guide", None)
    assert first.stroke.segment == ((0, 100), (420, 100))


def test_a_frame_is_drawn_first_and_keeps_lines_inside():
    scene = scene_of(ONE_POINT, sheet__frame_mm=50, pieces__0__front__x_mm=20)
    made = steps(scene)
    assert title(made[0]) == "The frame"
    assert len(made[0].strokes) == 4
    for step in made:
        for drawn in step.strokes:
            assert all(50 - 1e-9 <= x <= 370 + 1e-9 for x, _ in drawn.stroke.segment)


def test_nearer_things_are_drawn_first_and_stop_the_lines_behind():
    names = [title.split(":")[0] for title in titles(example("bell-corner")) if ":" in title]
    assert names.index("Bus shelter") < names.index("Corner house")
    shelter = (266.0, 392.0)
    for step in steps(example("bell-corner")):
        for drawn in step.strokes:
            if str(drawn.stroke.part) == "corner-house":
                middle = sum(x for x, _ in drawn.stroke.segment) / 2
                low = min(y for _, y in drawn.stroke.segment)
                assert not (shelter[0] + 12 < middle < shelter[1] - 12 and low > 182), drawn


def test_a_piece_wholly_hidden_takes_no_steps():
    wall = {
        "kind": "box", "id": "wall", "standing": "ground",
        "front": {"x_mm": 10, "y_mm": 110, "width_mm": 390, "height_mm": 170},
        "depth": {"along_mm": 2},
    }  # fmt: skip
    small = {**ONE_POINT["pieces"][0], "standing": "ground"}
    scene = scene_of(ONE_POINT, pieces=[small, wall])
    assert not any("Crate" in title for title in titles(scene))


def test_boxes_standing_in_one_another_are_refused_by_name():
    a = {**ONE_POINT["pieces"][0], "standing": "ground"}
    b = {**a, "id": "tray", "front": {**a["front"], "x_mm": 80}}
    with pytest.raises(NoDrawingOrder, match=r"'crate' and 'tray' stand in one another"):
        steps(scene_of(ONE_POINT, pieces=[a, b]))


def test_words_follow_units_line_and_spelling():
    uk = steps_text(s := scene_of(ONE_POINT), steps(s))
    assert "10 cm down from the top" in uk
    assert "eye level line" in uk
    assert "Rub out" in uk
    us = scene_of(
        TWO_POINT,
        sheet={"size": "11x17in"},
        wording={"line": "horizon", "spelling": "US"},
        view__eye_level_mm=85.725,
    )
    text = steps_text(us, steps(us))
    assert "Measure 3⅜ in down" in text
    assert "horizon line" in text
    assert "Erase" in text
    assert "eye level" not in text


def test_every_step_says_what_to_do_how_to_check_it_and_how_long_it_takes():
    for name in EXAMPLES_BY_NAME:
        for step in steps(example(name)):
            assert len(instruction(step)) > 20
            assert check(step).endswith(".")
            assert step.minutes >= 0.5
            assert (step.minutes * 2).is_integer()


def test_names_in_the_instruction_are_marks_that_exist():
    for example_name in ("seed-crates", "fern", "pots-on-the-wall", "moss-seen-from-below"):
        known = set()
        for step in steps(example(example_name)):
            known |= {mark.name for mark in step.marks}
            # A sentence may begin with the article, and a letter is called by its own name.
            words = re.sub(r"\bA (?=[a-z])|[Ll]etter [A-Z]\b", "", instruction(step) + check(step))
            for name in re.findall(r"\b[A-HJ-NP-Z]\d?\b", words):
                assert name in known, (title(step), name)


def test_far_points_are_measured_from_the_edge_on_a_strip():
    step = steps(scene_of(TWO_POINT))[1]
    assert "VP1 on a strip of paper, 9 cm out from the left edge" in instruction(step)
    assert "VP2 on a strip of paper, 9 cm out from the right edge" in instruction(step)


def test_measures_say_where_the_rulers_zero_lies():
    scene = scene_of(ONE_POINT)
    record = steps_record(scene, steps(scene)).plain()["steps"]
    front = next(step for step in record if "front face" in step["title"])
    assert {"zero": "left edge", "axis": "x", "mm": 60.0} in front["measures"]
    assert {"zero": "top edge", "axis": "y", "mm": 160.0} in front["measures"]
    assert {"zero": "A", "axis": "along", "mm": 60.0} in front["measures"]


def test_true_depth_joins_to_a_point_that_the_setting_has_placed():
    scene = scene_of(ONE_POINT, pieces__0__depth={"true_mm": 60})
    made = steps(scene)
    setting = next(step for step in made if step.phrase == "helping-points")
    assert made.index(setting) == 2, "before the first thing"
    assert "DP2 on a strip of paper, 9 cm out from the right edge" in instruction(setting)
    step = next(step for step in made if "how far back" in title(step))
    assert "nothing to measure. Join A to the right distance point DP2" in instruction(step)
    assert not step.measures, "it was measured in the setting"
    helping = [d for d in step.strokes if d.stroke.family == "free"]
    assert len(helping) == 1
    assert helping[0].fate == "guide"
    assert [vp.name for vp in scene.helping_points] == ["DP2"]
    assert "DP2" in [strip.name for strip in strips(scene)]


def test_points_that_nothing_asks_for_are_not_placed():
    hidden = {**ONE_POINT["pieces"][0], "id": "behind", "depth": {"true_mm": 60}}
    hidden["front"] = {"x_mm": 70, "y_mm": 170, "width_mm": 20, "height_mm": 20}
    both = [ONE_POINT["pieces"][0], hidden]
    for scene in (scene_of(ONE_POINT), scene_of(ONE_POINT, pieces=both)):
        assert "helping-points" not in [step.phrase for step in steps(scene)]
        assert scene.helping_points == []


@pytest.mark.parametrize(
    ("front", "said"),
    [
        ({"x_mm": -20}, "Mark A 2 cm out from the left edge and 16 cm from the top edge"),
        ({"y_mm": -15}, "and 1.5 cm above the top edge"),
        ({"x_mm": 425}, "Mark A 0.5 cm out from the right edge"),
    ],
)
def test_a_mark_off_the_sheet_is_measured_out_from_its_edge(front, said):
    changes = {f"pieces__0__front__{name}": value for name, value in front.items()}
    scene = scene_of(ONE_POINT, **changes, pieces__0__standing="floating")
    told = " ".join(map(instruction, steps(scene)))
    assert said in told or "crate" not in told.lower()
    assert "-" not in told.replace("set square", "")


def test_guide_lines_are_drawn_only_as_far_as_needed():
    for step in steps(scene_of(ONE_POINT)):
        for drawn in step.strokes:
            if drawn.stroke.family == "VP1" and drawn.fate == "guide":
                start, end = drawn.stroke.segment
                assert math.dist(start, end) < 0.4 * math.dist(start, (210, 100)) + 6.01


def test_guide_lines_reach_the_point_where_a_teacher_wants_them_to():
    long = scene_of({**ONE_POINT, "schools": {"guides": "to the point"}})
    point = long.main.vanishing_points[0].at.xy
    for scene, reaches in ((long, True), (scene_of(ONE_POINT), False)):
        guides = [
            drawn.stroke
            for step in steps(scene)
            for drawn in step.strokes
            if drawn.stroke.family == "VP1" and drawn.fate == "guide"
        ]
        assert guides
        assert all((math.dist(line.end, point) < 1e-6) is reaches for line in guides)
        assert difference(outlines(scene), kept(scene)) == ([], [])
