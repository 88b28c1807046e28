"""What stands on a house: chimneys, patterns and blocks, each as the trade builds it."""

from __future__ import annotations

import math

import pytest

from orthopsis.construction.moves import Do
from orthopsis.errors import ExerciseError
from orthopsis.exercise.editing import with_part
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve, steps
from orthopsis.exercise.runthrough import run_through
from orthopsis.marking.judge import judge_strokes
from orthopsis.marking.judging.answer_key import answer_key
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.perspective.plane import Point, join
from orthopsis.perspective.segments import portions_inside
from orthopsis.pieces.base import NewPart
from orthopsis.pieces.describe import kinds
from orthopsis.pieces.shapes.house.pattern import first_pattern
from tests.agreement import difference, kept, outlines
from tests.documents import changed
from tests.houses import COTTAGE, cottage
from tests.words import instruction

CHIMNEY = {"kind": "chimney", "id": "stack", "on": "roof left", "wide": {"along_mm": 12},
           "deep": {"along_mm": 7}, "high_mm": 34}  # fmt: skip


def with_chimney(roof=None, **more):
    data = changed(COTTAGE)
    house = data["pieces"][0]
    house["parts"] = [*house["parts"], {**CHIMNEY, **more}]
    house["roof"] = {**house["roof"], **(roof or {})}
    return resolve(from_data(data))


def test_a_chimney_stands_on_the_middle_of_the_slope_and_its_foot_rises_with_it():
    # Common practice, no published source: middle by diagonals, base to the eave's point, uprights,
    # tops to both points, the slanted foot to the roof's own point.
    scene = with_chimney()
    assert difference(outlines(scene), kept(scene)) == ([], [])
    stack = [line for line in outlines(scene) if line.part.number == 1]
    assert len(stack) == 7, "a front, a side, and no top, as it lies above the eye level"
    (roof_point,) = (vp for vp in scene.slope_points if vp.name == "cottage:roof up")
    (foot,) = (line for line in stack if line.family == "cottage:roof up")
    line = join(Point(*foot.start), Point(*foot.end))
    x, y = roof_point.at.xy
    assert abs(line.a * x + line.b * y + line.c) / math.hypot(line.a, line.b) < 1e-6
    made = run_through(scene)
    said = [instruction(step) for step in made if "chimney" in step.phrase]
    assert "Cross the diagonals" in said[0]
    assert "roof’s own point" in " ".join(said)
    # Common practice, no published source: a cottage with chimney and door in 22 steps and 70 min.
    assert len(made) <= 22
    assert sum(step.minutes for step in made) <= 70


def test_the_ridge_is_drawn_whole_and_rubbed_out_where_the_chimney_stands_before_it():
    made = steps(with_chimney(high_mm=44))
    light = [
        drawn.stroke
        for step in made
        if step.part is not None and step.part.number == 0
        for drawn in step.strokes
        if drawn.fate == "erase" and drawn.stroke.part.number == 1
    ]
    assert light, "the ridge runs behind the chimney"
    numbers = [k for k, one in enumerate(s for step in made for s in step.strokes)
               if one.stroke in light]  # fmt: skip
    tidied = next(step for step in made if step.phrase == "tidy" and step.part.number == 1)
    assert set(numbers) <= set(tidied.erases)


@pytest.mark.parametrize(
    ("roof", "more", "path"),
    [
        ({"far": "parallel"}, {}, "roof.far"),
        ({}, {"on": "roof right"}, "parts.stack.on"),
        ({}, {"deep": {"along_mm": 60}}, "parts.stack.deep"),
        ({}, {"wide": {"along_mm": 90}}, "parts.stack.wide"),
        ({}, {"high_mm": 2}, "parts.stack.high_mm"),
    ],
)
def test_a_chimney_that_cannot_stand_is_refused_by_its_field(roof, more, path):
    with pytest.raises(ExerciseError) as refused:
        steps(with_chimney(roof, **more))
    assert refused.value.path == f"pieces[0].{path}"


def test_a_new_chimney_stands_on_a_slope_that_shows():
    there = with_part(from_data(COTTAGE), "cottage", NewPart("chimney"))
    scene = resolve(there)
    assert difference(outlines(scene), kept(scene)) == ([], [])
    assert sum(line.part.number == 1 for line in outlines(scene)) == 7


@pytest.mark.parametrize("low", ["left", "right"])
def test_a_house_seen_through_whose_feet_lie_on_the_eye_level_is_drawn(low):
    edge = {"x_mm": 240, "top_mm": 60, "bottom_mm": 150}
    house = {**COTTAGE["pieces"][0], "standing": "floating", "transparent": True, "edge": edge,
             "roof": {"kind": "lean-to", "low": low, "peak_mm": 30}, "parts": []}  # fmt: skip
    scene = resolve(from_data({**COTTAGE, "pieces": [house]}))
    assert difference(outlines(scene), kept(scene)) == ([], [])


def test_the_bench_is_told_which_part_of_a_house_has_which_fields():
    building = next(kind for kind in kinds() if kind.kind == "building")
    (parts,) = (field for field in building.fields if field.path == ("parts",))
    where = {field.only: [one.value for one in field.choices]
             for field in parts.fields if field.path == ("on",)}  # fmt: skip
    assert where["panel", "lettering", "block"] == ["left", "right", "front"]
    assert "roof left" in where["chimney", "dormer"]
    high = next(field for field in parts.fields if field.path == ("high_mm",))
    assert high.only == ("chimney", "dormer")
    assert [one.value for one in parts.added] == [
        "windows",
        "door",
        "chimney",
        "dormer",
        "lettering",
        "sign",
        "extension",
        "setback",
        "overhang",
        "bricks",
        "tiles",
    ]
    # A block is a house by itself: its roof's own fields go by the roof's kind.
    roof = {field.path[1]: field.only for field in parts.fields if field.path[0] == "roof"}
    assert roof["kind"] == ("flat", "gable", "hip", "lean-to")
    assert roof["peak_mm"] == ("gable", "hip", "lean-to")


def with_pattern(on="roof left", look="tiles", courses=5, bays=6, house=None, **more):
    data = changed(COTTAGE)
    piece = data["pieces"][0]
    pattern = {"kind": "pattern", "id": "pattern", "on": on, "look": look, "courses": courses,
               "bays": bays, **more}  # fmt: skip
    piece |= {"parts": [*piece["parts"], pattern], **(house or {})}
    return resolve(from_data(data))


def lines_on(scene, family):
    with_it = [line.segment for line in outlines(scene) if line.family == family]
    without = {line.segment for line in outlines(cottage()) if line.family == family}
    return [line for line in with_it if line not in without]


def test_joints_of_tiles_lead_to_the_roofs_own_point_and_courses_to_the_eaves():
    # Common practice, no published source: tiles get narrower upward, joints are staggered.
    scene = with_pattern()
    assert difference(outlines(scene), kept(scene)) == ([], [])
    (point,) = (vp.at for vp in scene.slope_points if vp.name == "cottage:roof up")
    joints = lines_on(scene, "cottage:roof up")
    assert len(joints) == 3 * 5 + 2 * 6
    for start, end in joints:
        line = join(Point(*start), Point(*end))
        assert abs(line.a * point.x + line.b * point.y + line.c) / math.hypot(line.a, line.b) < 1e-6
    assert len(lines_on(scene, "VP1")) == 4


def test_courses_are_equal_in_truth_and_carried_round_by_the_upright_under_the_ridge():
    scene = with_pattern(look="stripes", courses=4)
    house = scene.pieces[0].house(scene.stage(0))
    eave, peak = (Point(house.on_paper[k][0] / house.on_paper[k][2],
                        house.on_paper[k][1] / house.on_paper[k][2]) for k in (1, 8))  # fmt: skip
    depth = [house.on_paper[k][2] for k in (1, 8)]
    starts = [max(line, key=lambda end: end[0]) for line in lines_on(scene, "VP1")]
    shares = []
    for x, _ in starts:
        on_paper = (x - eave.x) / (peak.x - eave.x)
        shares.append(on_paper * depth[0] / (depth[1] + on_paper * (depth[0] - depth[1])))
    assert sorted(shares) == pytest.approx([0.25, 0.5, 0.75])
    said = [instruction(step) for step in run_through(scene) if step.phrase == "pattern-courses"]
    assert "equal parts" in said[0]
    assert "VP2" in said[0]


def test_bricks_stop_at_windows_and_doors():
    scene = with_pattern("left", "bricks", 9, 8)
    assert difference(outlines(scene), kept(scene)) == ([], [])
    house = scene.pieces[0].house(scene.stage(0))
    openings = house.panels[0].outlines(house.on_paper, house.walls)
    assert len(openings) == 15
    for line in outlines(scene):
        for opening in openings:
            assert not portions_inside(line.segment, [opening]), "no brick lies in a window"


def test_nobody_is_blamed_for_a_brick_that_is_missing():
    scene = with_pattern("left", "bricks", 6, 6)
    bricks = set(map(tuple, scene.fills))
    assert len(bricks) == 5 + 3 * 5 + 3 * 6
    key = answer_key(scene)
    assert sum(edge.fills for edge in key.expected if edge.outline) > 20
    rest = [FoundStroke(e.stroke.start, e.stroke.end, 0.05, 1.0)
            for e in key.expected if e.outline and not e.fills]  # fmt: skip
    assert [one for one in judge_strokes(key, rest).findings if one.level == "fix"] == []


@pytest.mark.parametrize(
    ("more", "path"),
    [
        ({"on": "right"}, "parts.pattern.on"),
        ({"on": "roof right"}, "parts.pattern.on"),
        ({"house": {"roof": {"kind": "gable", "end": "right", "peak_mm": 40, "far": "parallel"}}},
         "roof.far"),
    ],
)  # fmt: skip
def test_a_pattern_lies_on_what_has_four_corners_and_turns_to_us(more, path):
    with pytest.raises(ExerciseError) as refused:
        steps(with_pattern(**more))
    assert refused.value.path == f"pieces[0].{path}"


@pytest.mark.parametrize(("what", "on"), [("bricks", "left"), ("tiles", "roof left")])
def test_the_bench_lays_patterns_where_there_is_room(what, on):
    there = with_part(from_data(COTTAGE), "cottage", NewPart(what))
    assert there.pieces[0].fittings[-1].on == on
    scene = resolve(there)
    assert difference(outlines(scene), kept(scene)) == ([], [])


def test_a_new_pattern_has_no_more_courses_than_the_pencil_has_room_for():
    low = cottage(pieces__0__roof__peak_mm=12)
    tiles = first_pattern(low.pieces[0].house(low.stage(0)), "tiles", "new")
    high = cottage(pieces__0__roof__peak_mm=90)
    more = first_pattern(high.pieces[0].house(high.stage(0)), "tiles", "new")
    assert tiles.courses < more.courses <= 6
    assert tiles.courses == 2


SIGN = {"kind": "block", "id": "sign", "look": "sign", "on": "left", "from": {"along_mm": 20},
        "to": {"along_mm": 70}, "up_mm": 55, "height_mm": 15, "out_mm": 8}  # fmt: skip


def with_block(**more):
    data = changed(COTTAGE)
    block = {key: value for key, value in {**SIGN, **more}.items() if value is not None}
    data["pieces"][0]["parts"] = [block]
    return resolve(from_data(data))


def test_a_sign_stands_out_along_the_lines_of_the_wall_round_the_corner():
    scene = with_block()
    assert difference(outlines(scene), kept(scene)) == ([], [])
    sign = [line for line in outlines(scene) if line.part.number == 1]
    assert {line.family for line in sign} == {"VP1", "VP2", "vertical"}
    # Only the near upper corner is measured; the further ones follow.
    out = [math.dist(*line.segment) for line in sign if line.family == "VP2"]
    assert max(out) == pytest.approx(8.0, abs=0.3)
    said = " ".join(instruction(step) for step in run_through(scene) if "block" in step.phrase)
    assert "toward you" in said
    assert "above the ground" in said


def test_what_stands_on_the_ground_hides_the_foot_of_the_wall():
    porch = with_block(up_mm=0, height_mm=50, out_mm=15, look="porch")
    assert difference(outlines(porch), kept(porch)) == ([], [])
    light = [drawn for step in steps(porch) for drawn in step.strokes
             if drawn.fate == "erase" and drawn.stroke.part.number == 1]  # fmt: skip
    assert light, "it was drawn whole, and rubbed out behind the porch"


def test_on_a_wall_that_we_face_a_block_has_a_front_on_the_sheet():
    front = {"x_mm": 95, "y_mm": 120, "width_mm": 50, "height_mm": 15}
    balcony = {"kind": "block", "id": "balcony", "on": "front", "front": front, "out_mm": 10}
    house = {"kind": "building", "id": "shop", "standing": "ground", "depth": {"along_mm": 60},
             "front": {"x_mm": 80, "y_mm": 90, "width_mm": 100, "height_mm": 130},
             "parts": [balcony, {**SIGN, "on": "right", "to": {"along_mm": 40}}]}  # fmt: skip
    view = {"kind": "one-point", "eye_level_mm": 140, "vanishing_point_mm": 260,
            "viewing_distance_mm": 360}  # fmt: skip
    scene = resolve(from_data({**COTTAGE, "view": view, "pieces": [house]}))
    assert difference(outlines(scene), kept(scene)) == ([], [])
    level = [line for line in outlines(scene)
             if line.part.number == 1 and line.family == "horizontal"]  # fmt: skip
    assert max(math.dist(*line.segment) for line in level) > 50, "nearer, so it looks wider"


@pytest.mark.parametrize(
    ("more", "path"),
    [
        ({"to": {"along_mm": 10}}, "parts.sign.to"),
        ({"to": {"fraction": 0.9}}, "parts.sign.to"),
        ({"on": "front"}, "parts.sign.on"),
        ({"height_mm": None}, "parts[0].height_mm"),
    ],
)
def test_a_block_that_fits_no_wall_is_refused_by_its_field(more, path):
    with pytest.raises(ExerciseError) as refused:
        steps(with_block(**more))
    assert refused.value.path == f"pieces[0].{path}"


def test_the_bench_puts_a_sign_on_the_first_wall_that_shows():
    there = with_part(from_data(COTTAGE), "cottage", NewPart("sign"))
    assert there.pieces[0].fittings[-1].on == "left"
    scene = resolve(there)
    assert difference(outlines(scene), kept(scene)) == ([], [])


def test_courses_are_parted_off_and_joints_are_measured():
    made = steps(with_pattern("left", "bricks", 4, 3))
    courses = next(step for step in made if step.phrase == "pattern-courses")
    joints = next(step for step in made if step.phrase == "pattern-joints")
    assert not courses.measures
    assert [move.do for move in courses.moves].count(Do.DIVIDE) == 3
    assert len(joints.measures) == 2 + 3, "between the bricks, and in the middle of those below"
    assert all(step.bulk for step in (courses, joints))
