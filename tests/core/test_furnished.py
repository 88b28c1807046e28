"""Rooms and furniture wherever an exercise goes: to print, to the board, to other programs."""

from __future__ import annotations

import json
import math

import pytest

from orthopsis.exercise.board import on_board
from orthopsis.exercise.corner_test import corner_test
from orthopsis.exercise.demand import for_demand
from orthopsis.exercise.demonstration import climbed, lifted
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.materials import materials
from orthopsis.exercise.plan import lesson_plan
from orthopsis.exercise.records import steps_record
from orthopsis.exercise.resolve import picture, resolve
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.shadows import shadows
from orthopsis.handout.export import exported
from orthopsis.handout.figure import picture_figure, step_figure
from orthopsis.handout.svg import to_svg
from tests.agreement import difference, kept, outlines
from tests.core.test_formats import meshes, volume
from tests.core.test_shadows import SUN, TABLE, crate, lit
from tests.rooms import HALL, ONE, TWO, scene, with_pieces
from tests.words import check, instruction, title

CHAIR = {"kind": "made", "id": "chair", "form": "chair", "standing": "ground", "seat_mm": 40,
         "top_mm": 5, "leg_mm": 6, "back": "right",
         "front": {"x_mm": 60, "y_mm": 160, "width_mm": 50, "height_mm": 80},
         "depth": {"true_mm": 50}}  # fmt: skip
STEPS = {"kind": "stairs", "id": "steps", "risers": 4, "climbs": "away", "standing": "ground",
         "front": {"x_mm": 250, "y_mm": 180, "width_mm": 60, "height_mm": 60},
         "depth": {"true_mm": 120}}  # fmt: skip
SHADED = lit(SUN, crate(), TABLE)
DOCUMENTS = {
    "hall": HALL, "chair": with_pieces(CHAIR), "steps": with_pieces(STEPS), "shaded": SHADED,
}  # fmt: skip


@pytest.fixture(params=DOCUMENTS)
def document(request):
    return from_data(DOCUMENTS[request.param])


def agrees(exercise):
    there = resolve(exercise)
    assert difference(outlines(there), kept(there)) == ([], [])
    return there


def test_the_board_has_the_same_enlarged(document):
    small, large = resolve(document), on_board(resolve(document))
    assert difference(outlines(large), kept(large)) == ([], [])
    grown = large.sheet.height_mm / small.sheet.height_mm
    assert grown > 2
    lengths = [sum(math.dist(*s.segment) for s in outlines(one)) for one in (small, large)]
    # The board is wider than the sheet, so walls and tiles go on further there.
    assert lengths[1] > 0.99 * lengths[0] * min(grown, 4)


@pytest.mark.parametrize("demand", ["first steps", "stretch"])
def test_every_demand_is_an_exercise(document, demand):
    agrees(for_demand(document, demand))


def test_it_is_seen_from_higher_up_and_lifted(document):
    agrees(climbed(document, 30)[0])
    first = next(piece for piece in document.pieces if piece.kind not in ("room", "panel"))
    if not first.rests_on:
        agrees(lifted(document, first.id, 10, 5)[0])


def test_it_goes_through_its_document_unchanged(document):
    assert from_data(json.loads(json.dumps(to_data(document)))) == document


@pytest.mark.parametrize("form", ["svg", "dxf", "gltf", "png"])
def test_other_programs_get_it(document, form):
    there = resolve(document)
    assert len(exported(there, form, None)) > 300


def test_each_step_has_words_a_check_and_a_figure(document):
    there = resolve(document)
    lesson = run_through(there)
    for number, step in enumerate(lesson, start=1):
        assert title(step) and instruction(step) and check(step), step.phrase
        assert step.minutes >= 0.5
        assert "<svg" in to_svg(step_figure(there, lesson, number))
    record = steps_record(there, lesson)
    assert len(record.steps) == len(lesson)
    assert all(step.act for step in record.steps)


def test_it_can_be_planned_and_needs_things_at_the_table(document):
    there = resolve(document)
    plan = lesson_plan(there)
    assert plan.periods[-1].last == len(run_through(there))
    assert len(materials(there)) >= 5
    assert plan.words and plan.look_for


def test_the_corner_test_has_nothing_to_ask_of_furniture():
    assert corner_test(scene(CHAIR)) is None


def grown(foot_mm):
    """How much larger in truth what stands on the ground is than on paper, in its volume."""
    return ((297 - 120) / (foot_mm - 120)) ** 3


def test_a_chair_is_a_closed_body_as_large_as_its_parts():
    there = scene(CHAIR)
    ((name, triangles),) = meshes(there)
    assert name == "chair"
    wide, deep, high, seat, board, leg = 50, 50, 80, 40, 5, 6
    expected = wide * deep * board + 4 * leg * leg * (seat - board) + leg * deep * (high - seat)
    assert volume(triangles) == pytest.approx(expected * 1e-9 * grown(240), rel=1e-4)


def test_a_flight_is_as_large_as_its_steps():
    ((_, triangles),) = meshes(scene(STEPS))
    steps = sum(60 * 15 * k * 30 for k in range(1, 5))
    assert volume(triangles) == pytest.approx(steps * 1e-9 * grown(240), rel=1e-4)


def test_a_room_itself_is_no_body():
    names = [name for name, _ in meshes(resolve(from_data(HALL)))]
    assert names == ["table"]


def test_the_finished_figure_shows_shadows_under_the_things_that_cast_them():
    there = resolve(from_data(SHADED))
    figure = picture_figure(there, [*picture(there), *shadows(there)])
    dark = [fill for fill in figure.fills if fill.colour == "#77746E"]
    assert dark and figure.fills[: len(dark)] == dark
    assert "#77746E" in to_svg(figure)


def test_two_tables_are_taught_once():
    second = {**CHAIR, "id": "other", "front": {**CHAIR["front"], "x_mm": 280}}
    lesson = run_through(scene(CHAIR, second))
    again = [step for step in lesson if step.table is not None]
    assert again, "the second is told by a table of measures"
    assert len(lesson) < 2 * len(run_through(scene(CHAIR)))


@pytest.mark.parametrize("view", [ONE, TWO])
def test_a_long_lesson_may_be_taught_stage_by_stage(view):
    pieces = (CHAIR, STEPS) if view is ONE else (
        {**{k: v for k, v in CHAIR.items() if k not in ("front", "depth")},
         "edge": {"x_mm": 210, "top_mm": 130, "bottom_mm": 210},
         "left": {"along_mm": 40}, "right": {"along_mm": 40}},)  # fmt: skip
    data = with_pieces(*pieces, view=view)
    things = resolve(from_data({**data, "run": {"flow": "things"}}))
    stages = resolve(from_data({**data, "run": {"flow": "stages"}}))
    assert difference(kept(things), kept(stages)) == ([], [])
    acts = [step.act for step in run_through(stages)]
    assert acts.index("plan") < acts.index("backs") < acts.index("ink")
