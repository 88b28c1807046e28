"""A step's figure: what it shows, and where its letters find room."""

from __future__ import annotations

import itertools
import math
import random

import pytest

from orthopsis.exercise.crowd import crowd, named_marks
from orthopsis.exercise.runthrough import run_through
from orthopsis.handout.closeup import LETTER_MM, step_closeup
from orthopsis.handout.figure import INK, Pen
from orthopsis.handout.labels import box_of_label, place_labels
from orthopsis.handout.window import Window, at_least, fitted, grown
from orthopsis.perspective.segments import boxes_touch
from tests.documents import example

SIZE = (74.0, 40.0)


def figure_of(name, phrase):
    scene = example(name)
    made = run_through(scene)
    number = next(k for k, one in enumerate(made, start=1) if one.phrase == phrase)
    return scene, made, number, step_closeup(scene, made, number, *SIZE)


def test_a_window_has_one_scale_and_shows_all_that_is_wanted():
    window = fitted((10.0, 20.0, 110.0, 60.0), (0.0, 0.0, 50.0, 40.0))
    assert window.scale == pytest.approx(0.5)
    assert window.holds((10.0, 20.0)) and window.holds((110.0, 60.0))
    assert window.at((60.0, 40.0)) == pytest.approx((25.0, 20.0))
    assert window.line(((60.0, 40.0), (5000.0, 40.0))) == (
        pytest.approx((25.0, 20.0)), pytest.approx((50.0, 20.0)),
    )  # fmt: skip
    assert window.line(((900.0, 0.0), (900.0, 9.0))) is None
    assert window.area((500.0, 0.0, 600.0, 9.0)) is None
    assert grown((0.0, 0.0, 4.0, 2.0), 1.0) == (-1.0, -1.0, 5.0, 3.0)
    left, _, right, _ = at_least((0.0, 0.0, 4.0, 2.0), 70.0)
    assert right - left == pytest.approx(70.0)


def test_a_place_is_shown_large_and_the_whole_sheet_small_beside_it():
    *_, figure = figure_of("bell-corner", "box-left")
    small = [rule for rule in figure.rules if rule.group.startswith("small")]
    assert small, "the whole sheet stands beside the place"
    large = [rule for rule in figure.rules if rule.group == "VP1 new"]
    assert max(math.dist(rule.start, rule.end) for rule in large) > 15.0
    assert any(rule.group == "ruler" for rule in figure.rules)


def test_strips_and_their_points_are_shown_with_the_setting():
    scene, *_, figure = figure_of("bell-corner", "points")
    assert {label.text for label in figure.labels} == {"VP1", "VP2"}
    paper = [fill for fill in figure.fills if fill.group == "paper"]
    assert len(paper) == 1 + len(scene.far_points)


def test_lines_that_leave_the_picture_say_where_they_go():
    *_, figure = figure_of("bell-corner", "box-top")
    assert {"to VP1", "to VP2"} <= {label.text for label in figure.labels}


def test_where_marks_crowd_their_place_is_enlarged():
    scene = example("moss-seen-from-below")
    made = run_through(scene)
    figures = [step_closeup(scene, made, k, *SIZE) for k in range(1, len(made) + 1)]
    frames = [sum(rule.group == "zz frame" for rule in one.rules) for one in figures]
    assert max(frames) >= min(frames) + 8, "a window, and the place that it enlarges"


def test_nothing_shows_through_an_enlarged_place():
    *_, figure = figure_of("bins-at-the-gate", "circle-top")
    # In ink are the frames of the window, and of the place that it enlarges after it.
    corners = [
        rule.start
        for rule in figure.rules
        if rule.group == "zz frame" and rule.pen == Pen(0.25, INK)
    ][:4]
    (left, right), (top, bottom) = ((min(of), max(of)) for of in zip(*corners, strict=True))

    def within(place, margin):
        x, y = place
        return left - margin < x < right + margin and top - margin < y < bottom + margin

    drawn = [rule for rule in figure.rules if rule.group.endswith((" new", " light", " dark"))]
    ends = [pair for r in drawn for pair in ((r.start, r.end), (r.end, r.start))]
    assert any(within(start, -0.01) for start, _ in ends), "the place is drawn in the window"
    assert not [one for one in ends if within(one[0], -0.01) and not within(one[1], 0.01)]


def test_marks_that_stand_apart_are_no_crowd():
    scene = example("seed-crates")
    made = run_through(scene)
    marks = named_marks(made, 4)
    assert crowd(marks, 1.0) == []
    assert len(crowd(marks, 1000.0)) == len(marks)


@pytest.mark.parametrize("seed", range(20))
def test_labels_find_room_beside_their_places(seed):
    rng = random.Random(seed)
    room = (0.0, 0.0, 80.0, 50.0)
    wanted = [(f"{'ABCDEFGH'[k]}{k}", (rng.uniform(5, 75), rng.uniform(5, 45))) for k in range(8)]
    lines = [
        ((rng.uniform(0, 80), rng.uniform(0, 50)), (rng.uniform(0, 80), rng.uniform(0, 50)))
        for _ in range(6)
    ]
    placed = place_labels(wanted, LETTER_MM, room, lines)
    assert [one.text for one in placed] == [text for text, _ in wanted]
    for one, other in itertools.combinations(placed, 2):
        assert not boxes_touch(one.box, other.box, -1e-6)
    for one, (_, (x, y)) in zip(placed, wanted, strict=True):
        assert one.box == box_of_label(one.text, one.at, LETTER_MM)
        left, top, right, bottom = one.box
        assert room[0] <= left and right <= room[2] and room[1] <= top and bottom <= room[3]
        assert math.dist((x, y), ((left + right) / 2, (top + bottom) / 2)) < 30.0


def test_a_label_keeps_off_what_it_is_told_to():
    keep_off = [(40.0, 0.0, 80.0, 50.0)]
    (placed,) = place_labels([("A", (39.0, 25.0))], LETTER_MM, (0, 0, 80, 50), [], keep_off)
    assert placed.box[2] <= 40.0


def test_a_window_is_a_value():
    one = Window((0.0, 0.0, 10.0, 5.0), (0.0, 0.0, 20.0, 10.0))
    assert one == Window((0.0, 0.0, 10.0, 5.0), (0.0, 0.0, 20.0, 10.0)) and one.scale == 2.0
