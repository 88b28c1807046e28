"""Streets: ways over the ground, and rows of buildings beside them or round a corner."""

from __future__ import annotations

import math
from itertools import pairwise

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.editing import with_part
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.recipes import recipe
from orthopsis.exercise.resolve import picture, resolve, steps
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.viewer import viewer_moved
from orthopsis.perspective.stroke import Role
from orthopsis.pieces.base import NewPart
from tests.agreement import difference, how_many_agree, kept, outlines
from tests.documents import changed, example, scene_of
from tests.streets import random_street
from tests.words import instruction, title


@pytest.mark.parametrize("first", range(0, 160, 40))
def test_random_streets_agree(first):
    assert how_many_agree(map(random_street, range(first, first + 40))) > 20


def data_of(name):
    return to_data(example(name).exercise)


def test_a_corner_city_of_eight_stands_on_two_ground_lines():
    # Common practice, no published source: one at the corner, three and four beside it.
    scene = example("market-corner")
    assert len({line.part for line in outlines(scene)}) == 8
    made = steps(scene)
    grounds = [step for step in made if step.phrase == "row-ground"]
    assert len(grounds) == 2, "each ground line is drawn once"
    feet = [body.corners[2][0].xy for body in scene.bodies]
    for ground in grounds:
        (line,) = (drawn.stroke for drawn in ground.strokes)
        reached = min(line.start[0], line.end[0]), max(line.start[0], line.end[0])
        side = [x for x, _ in feet if (x < 210) == (line.end[0] < 210) and x != 210]
        assert all(reached[0] - 1e-6 <= x <= reached[1] + 1e-6 for x in side)


def test_a_connected_building_has_no_new_ground_corner_and_shows_a_strip_where_it_is_taller():
    scene = example("market-corner")
    by_part = {}
    for line in outlines(scene):
        by_part.setdefault(str(line.part), []).append(line)
    # The bakery is lower than the corner house: only its long side shows.
    assert {line.family for line in by_part["east side:1"]} == {"VP2", "vertical"}
    # The hall is taller than the bakery: above it one line of its other side, to the other point.
    strip = [line for line in by_part["east side:2"] if line.family == "VP1"]
    assert len(strip) == 1
    # After a gap the foot of the alley goes to the other point, too.
    alley = [line for line in by_part["east side:3"] if line.family == "VP1"]
    assert len(alley) == 2
    assert {step.phrase for step in steps(scene)} >= {"row-gap", "row-next", "row-across"}


def test_dashes_and_gaps_are_equal_in_truth():
    scene = example("lane-to-the-mill")
    level = [line for line in outlines(scene) if line.family == "horizontal"]
    ends = sorted({round(one.start[1], 6) for one in level if 190 < one.start[0] < 230})[::-1]
    assert len(ends) == 8
    # On the ground a place is as far away as 1 / its distance below the eye level.
    depths = [1.0 / (y - 150) for y in (297.0, *ends)]
    gaps = [b - a for a, b in pairwise(depths)]
    assert max(gaps) - min(gaps) < 1e-9 * max(gaps) + 1e-9


def test_the_road_is_drawn_first_and_its_edge_is_the_buildings_ground_line():
    made = run_through(example("lane-to-the-mill"))
    titles = [title(step) for step in made]
    road = next(k for k, one in enumerate(titles) if "edges of the road" in one)
    first = next(k for k, one in enumerate(titles) if "near upright" in one)
    assert road < first
    assert "On the edge of the way" in instruction(made[first])
    assert not any(step.phrase == "row-ground" for step in made)
    edge = [line for line in outlines(example("lane-to-the-mill")) if line.family == "VP1"]
    reach = [min(line.start[1], line.end[1]) for line in edge]
    assert sum(math.isclose(y, 150, abs_tol=1e-3) for y in reach) == 2


def test_a_road_toward_the_left_point_has_dashes_square_to_it():
    data = changed(data_of("market-corner"))
    dashes = {"count": 3, "wide_mm": 8, "first": {"along_mm": 60}}
    way = {"kind": "way", "id": "road", "to": "VP1", "edges_mm": [150, 400], "dashes": dashes}
    data["pieces"] = [way]
    scene = resolve(from_data(data))
    assert difference(outlines(scene), kept(scene)) == ([], [])
    assert sum(line.family == "VP2" for line in outlines(scene)) == 6


def test_who_looks_from_elsewhere_sees_the_same_street():
    for name in ("market-corner", "lane-to-the-mill"):
        there = resolve(viewer_moved(example(name).exercise, right_mm=12.0, up_mm=8.0))
        assert difference(outlines(there), kept(there)) == ([], []), name
        assert len(there.parts) == len(example(name).parts)


POLES = {
    "kind": "posts", "id": "poles", "to": "VP1", "count": 5, "next": {"fraction": 0.25},
    "post": {"x_mm": 350, "top_mm": 40, "foot_mm": 270}, "arm": {"long_mm": 50, "down_mm": 20},
}  # fmt: skip


def test_poles_stand_equally_far_apart_in_truth_and_are_found_by_diagonals():
    data = {**data_of("lane-to-the-mill"), "pieces": [POLES]}
    scene = resolve(from_data(data))
    assert difference(outlines(scene), kept(scene)) == ([], [])
    feet = [max(line.start[1], line.end[1]) for line in outlines(scene)
            if line.family == "vertical"]  # fmt: skip
    depths = [1.0 / (y - 150) for y in sorted(feet, reverse=True)]
    gaps = [b - a for a, b in pairwise(depths)]
    assert len(gaps) == 4 and max(gaps) - min(gaps) < 1e-9
    made = steps(scene)
    assert [step.phrase for step in made].count("post-repeat") == 3
    measured = [step for step in made if step.part and step.part.piece == "poles" and step.measures]
    assert {step.phrase for step in measured} == {"post-first", "post-next"}


def test_arms_on_the_eye_level_are_refused():
    low = {**POLES, "post": {"x_mm": 350, "top_mm": 130, "foot_mm": 270}}
    with pytest.raises(ExerciseError) as refused:
        picture(resolve(from_data({**data_of("lane-to-the-mill"), "pieces": [low]})))
    assert refused.value.path == "pieces[0].arm.down_mm"


def test_a_thing_in_the_air_stands_before_a_road():
    data = data_of("lane-to-the-mill")
    box = {"kind": "box", "id": "kite", "front": {"x_mm": 150, "y_mm": 120, "width_mm": 120,
           "height_mm": 160}, "depth": {"fraction": 0.2}}  # fmt: skip
    scene = resolve(from_data({**data, "pieces": [data["pieces"][0], box]}))
    assert difference(outlines(scene), kept(scene)) == ([], [])
    lane = [line for line in picture(scene) if str(line.part) == "lane"]
    assert any(line.role is Role.HIDDEN for line in lane)


def test_what_has_no_place_in_a_row_is_refused_by_its_field():
    data = data_of("market-corner")
    wrong = {
        "pieces[1].buildings[0].top_mm": {"pieces__1__buildings__0__top_mm": 260},
        "pieces[1].from.piece": {"pieces__1__from__piece": "nobody"},
        "pieces[1].buildings[2].gap.along_mm": {"pieces__1__buildings__2__gap": {"along_mm": 900}},
        "pieces[1].buildings": {"pieces__1__buildings__1__id": "bakery"},
    }
    for path, fields in wrong.items():
        with pytest.raises(ExerciseError) as refused:
            scene = scene_of(data, **fields)
            picture(scene)
        assert refused.value.path == path, refused.value


def behind_a_bank(**tower):
    data = data_of("market-corner")
    corner = {"kind": "building", "id": "corner", "standing": "ground",
              "edge": {"x_mm": 260, "top_mm": 90, "bottom_mm": 230},
              "left": {"fraction": 0.2}, "right": {"fraction": 0.35}}  # fmt: skip
    one = {"length": {"fraction": 0.3}, "back": {"fraction": 0.2}}
    tower = {**one, "id": "tower", "top_mm": 30, "behind": {"fraction": 0.22},
             "length": {"fraction": 0.12}, **tower}  # fmt: skip
    members = [{"id": "bank", "top_mm": 120, **one}, tower, {"id": "shop", "top_mm": 130, **one}]
    row = {"kind": "row", "id": "west", "from": {"piece": "corner", "side": "left"},
           "buildings": members}  # fmt: skip
    return resolve(from_data({**data, "pieces": [corner, row]}))


def test_what_stands_behind_has_no_foot_and_the_next_goes_on_from_the_neighbour():
    scene = behind_a_bank()
    drawn = outlines(scene)
    assert difference(drawn, kept(scene)) == ([], [])
    tower = [line for line in drawn if line.part == ("west", 2)]
    bank = next(body for body in scene.bodies if body.part == ("west", 1))
    assert tower
    assert max(y for line in tower for _, y in line.segment) < bank.box[3] - 20, "no foot shows"
    # The shop begins on the end upright of the bank.
    corners = {body.part.number: body.corners for body in scene.bodies if body.part.piece == "west"}
    assert corners[3][2][0] == pytest.approx(corners[1][3][0])
    said = [instruction(step) for step in run_through(scene) if step.phrase == "row-behind"]
    assert len(said) == 1
    assert "behind the others" in said[0]
    grounds = [step for step in steps(scene) if step.phrase == "row-ground"]
    assert len(grounds) == 1


def test_what_stands_behind_goes_along_when_the_viewer_moves():
    there = resolve(viewer_moved(behind_a_bank().exercise, right_mm=9.0, up_mm=6.0))
    assert difference(outlines(there), kept(there)) == ([], [])


@pytest.mark.parametrize("tower", [{"gap": {"fraction": 0.1}}, {"behind": {"fraction": 0.05}}])
def test_a_house_cannot_stand_in_its_neighbour_nor_both_behind_and_beside_it(tower):
    with pytest.raises(ExerciseError):
        steps(behind_a_bank(**tower))


def test_nothing_stands_behind_what_is_not_there():
    data = data_of("lane-to-the-mill")
    row = next(piece for piece in data["pieces"] if piece["kind"] == "row")
    row["buildings"] = [{**row["buildings"][0], "gap": None, "behind": {"along_mm": 10}}]
    with pytest.raises(ExerciseError) as refused:
        steps(resolve(from_data({**data, "pieces": [data["pieces"][0], row]})))
    assert refused.value.path.endswith("buildings[0].behind")


def test_the_bench_puts_a_house_behind_clear_of_its_neighbour():
    there = with_part(behind_a_bank().exercise, "west", NewPart("house-behind"))
    added = there.pieces[1].buildings[-1]
    assert added.behind.fraction > there.pieces[1].buildings[-2].back.fraction


def test_a_row_that_stands_beside_the_sheet_is_told_and_takes_nothing_with_it():
    """What was tried and taken back puts the light lines of others back, too."""
    data = to_data(recipe("street").document)
    data["pieces"][1]["from"]["foot_mm"] = 26500
    scene = resolve(from_data(data))
    assert difference(outlines(scene), kept(scene)) == ([], [])
    alone = resolve(from_data({**data, "pieces": [data["pieces"][0], data["pieces"][2]]}))
    own = [line for line in kept(scene) if line.part.piece in ("road", "trees")]
    assert difference(own, kept(alone)) == ([], [])
