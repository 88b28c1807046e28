"""Every exercise that the desk makes of another is an exercise: both computations agree on it.

Good starts, demands, the board, demonstrations, personal words: for each the picture and the
finished lines of the construction are the same to 0.01 mm.
"""

from __future__ import annotations

import pytest

from orthopsis.exercise.board import on_board
from orthopsis.exercise.demand import for_demand
from orthopsis.exercise.demonstration import climbed, lifted, spread
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.personal import with_text
from orthopsis.exercise.plan import lesson_plan
from orthopsis.exercise.recipes import RECIPES
from orthopsis.exercise.resolve import picture, resolve
from orthopsis.exercise.runthrough import run_through
from orthopsis.handout.aids import (
    CORNER_INSET_MM,
    CORNER_MARK_MM,
    corner_marks,
    starter_figure,
    strips,
)
from tests.agreement import difference, kept, outlines
from tests.documents import EXAMPLE_NAMES, example


def assert_agrees(scene):
    only_picture, only_construction = difference(outlines(scene), kept(scene))
    assert only_picture == []
    assert only_construction == []


@pytest.mark.parametrize("one", RECIPES, ids=lambda one: one.name)
def test_a_good_start_agrees_and_can_be_planned(one):
    scene = resolve(one.document)
    assert_agrees(scene)
    plan = lesson_plan(scene)
    assert plan.periods[-1].last == len(run_through(scene))
    assert from_data(to_data(one.document)) == one.document


@pytest.mark.parametrize("demand", ["first steps", "stretch"])
@pytest.mark.parametrize("name", EXAMPLE_NAMES)
def test_a_demand_agrees(name, demand):
    assert_agrees(resolve(for_demand(example(name).exercise, demand)))


@pytest.mark.parametrize("name", EXAMPLE_NAMES)
def test_the_board_agrees(name):
    large = on_board(example(name))
    # The board is up to six times as large: its lines are held to the same hundredth.
    assert_agrees(large)


@pytest.mark.parametrize("name", ["seed-crates", "bell-corner", "look-down-yard"])
def test_what_is_demonstrated_agrees(name):
    exercise = example(name).exercise
    piece = exercise.pieces[0].id
    shown = [lifted(exercise, piece, 25, -10)[0], climbed(exercise, 20)[0]]
    if exercise.view.kind != "one-point":
        shown.append(spread(exercise, 1.3)[0])
    for one in shown:
        assert_agrees(resolve(one))


@pytest.mark.parametrize("name", EXAMPLE_NAMES)
def test_everything_can_be_lifted_where_it_stands_on_its_own(name):
    exercise = example(name).exercise
    for piece in exercise.pieces:
        if any(piece.rests_on) or not piece.may_float:
            continue
        for up, right in ((15, 0), (-10, 12)):
            moved, words = lifted(exercise, piece.id, up, right)
            assert picture(resolve(moved))
            assert words[0].id in ("shows-top", "shows-underside", "shows-neither")


@pytest.mark.parametrize("text", ["ADA", "BRAM", "CLEO"])
@pytest.mark.parametrize("name", ["fern", "pots-on-the-wall"])
def test_a_personal_sheet_of_a_demand_agrees(name, text):
    own = with_text(for_demand(example(name).exercise, "first steps"), text)
    assert own.pieces[0].text == text
    assert_agrees(resolve(own))


@pytest.mark.parametrize("name", EXAMPLE_NAMES)
def test_corner_marks_lie_in_the_four_corners_of_the_sheet(name):
    figure = starter_figure(example(name))
    before = len(figure.fills)
    corner_marks(figure)
    squares = [fill.loops[0] for fill in figure.fills[before:]]
    assert len(squares) == 4
    for square in squares:
        xs, ys = zip(*square, strict=True)
        assert max(xs) - min(xs) == pytest.approx(CORNER_MARK_MM)
        near_x = min(min(xs), figure.width_mm - max(xs))
        near_y = min(min(ys), figure.height_mm - max(ys))
        assert (near_x, near_y) == pytest.approx((CORNER_INSET_MM, CORNER_INSET_MM))


@pytest.mark.parametrize("name", ["bell-corner", "look-down-yard", "pots-on-the-wall"])
def test_a_strips_ruler_counts_from_the_papers_edge(name):
    scene = example(name)
    unit = 25.4 if scene.wording.units == "in" else 10.0
    cut = {strip.title: strip for strip in strips(scene)}
    for vp in scene.vanishing_points:
        if scene.sheet.contains(vp.at):
            continue
        _, out_mm = scene.sheet.beside(vp.at)
        first = cut.get(vp.name) or cut[f"{vp.name}, part 1 of 2"]
        edge = next(rule.start[0] for rule in first.figure.rules if rule.group == "edge")
        ticks = sorted(r.start[0] - edge for r in first.figure.rules if r.group == "ruler")
        assert ticks == pytest.approx([k * unit for k in range(len(ticks))])
        assert ticks[-1] <= out_mm + 20.0
        numbers = [label.text for label in first.figure.labels if label.text.isdigit()]
        assert numbers == [str(k) for k in range(len(ticks))]
