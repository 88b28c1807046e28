"""What lies flush is one face, and roofs hang over their walls as far as is said on each side."""

from __future__ import annotations

import math

import numpy as np
import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.viewer import viewer_moved
from orthopsis.perspective.view import on_paper
from orthopsis.pieces.shapes.house.lid import roofed
from orthopsis.pieces.shapes.house.setback import FOOT_UNDER
from tests.agreement import difference, how_many_agree, kept, outlines
from tests.core.test_depth_buffer import agrees_by_depth
from tests.houses import COTTAGE, cottage, random_flush_houses
from tests.words import instruction

WING = {"kind": "block", "id": "wing", "look": "extension", "on": "right", "out_mm": 25,
        "to": {"along_mm": 40}, "height_mm": 60}  # fmt: skip
GABLE = {"kind": "gable", "end": "right", "peak_mm": 40}


def with_wing(**fields):
    wing = {name: value for name, value in (WING | fields).items() if value is not None}
    door = COTTAGE["pieces"][0]["parts"][1]
    return cottage(pieces__0__parts=[door | {"from": {"fraction": 0.19}}, wing])


def on_the_near_upright(scene):
    return [s for s in outlines(scene) if {round(x, 6) for x, _ in s.segment} == {240.0}]


@pytest.mark.parametrize("first", range(0, 200, 50))
def test_random_flush_houses_agree(first):
    assert how_many_agree(random_flush_houses(seed) for seed in range(first, first + 50)) > 9


@pytest.mark.parametrize("seed", range(0, 60, 3))
def test_a_depth_buffer_agrees_on_flush_houses(seed):
    data = random_flush_houses(seed)
    for piece in data["pieces"]:
        piece["standing"], piece["transparent"] = "ground", False
    agrees_by_depth(data)


def test_a_block_at_the_end_of_its_wall_goes_on_in_the_wall_round_the_corner():
    scene = with_wing()
    # The near upright stays above the wing alone: 95 mm, of which 60 are inside one face.
    (upright,) = on_the_near_upright(scene)
    assert sorted(y for _, y in upright.segment) == pytest.approx([120, 155])
    assert difference(outlines(scene), kept(scene)) == ([], [])
    apart = with_wing(**{"from": {"along_mm": 1}})
    assert sorted(y for _, y in on_the_near_upright(apart)[0].segment) == pytest.approx([120, 215])
    lesson = run_through(scene)
    told = [step for step in lesson if "one face" in instruction(step)]
    assert len(told) == 1
    # The line is drawn with the house, and rubbed out when the wing stands there.
    tidied = [step for step in lesson if step.part == told[0].part][-1]
    strokes = [d for step in lesson for d in step.strokes]
    gone = [strokes[k].stroke for k in tidied.erases if strokes[k].stroke.family == "vertical"]
    assert any(
        sorted(y for _, y in one.segment) == pytest.approx([155, 215])
        and {round(x, 6) for x, _ in one.segment} == {240.0}
        for one in gone
    )


def test_a_block_as_high_as_its_house_has_no_seam_at_all():
    scene = cottage(pieces__0__roof={"kind": "flat"}, pieces__0__parts=[WING | {"height_mm": 95}])
    assert on_the_near_upright(scene) == []
    on_top = [s for s in outlines(scene) if s.family == "VP2"]
    line = [s for s in on_top if any(math.dist(end, (240, 120)) < 1e-6 for end in s.segment)]
    assert line == [], "both flat roofs are one"
    assert difference(outlines(scene), kept(scene)) == ([], [])


def test_a_garage_is_level_with_the_doors_head_and_goes_with_it():
    scene = with_wing(height_mm=None, level_with="door")
    (upright,) = on_the_near_upright(scene)
    assert max(y for _, y in upright.segment) == pytest.approx(215 - 40)
    told = [instruction(step) for step in run_through(scene)]
    assert any("level with the head of “Door”" in text for text in told)
    there = resolve(viewer_moved(scene.exercise, 4, 3, 10))
    wing = there.exercise.pieces[0].fittings[1]
    assert (wing.level_with, wing.height_mm) == ("door", None)


@pytest.mark.parametrize(
    ("fields", "field"),
    [
        ({"level_with": "door"}, "height_mm"),
        ({"height_mm": None}, "height_mm"),
        ({"height_mm": None, "level_with": "gate"}, "parts.wing.level_with"),
        ({"height_mm": None, "level_with": "door", "up_mm": 50}, "parts.wing.level_with"),
    ],
)
def test_a_height_is_given_once(fields, field):
    with pytest.raises(ExerciseError) as refused:
        outlines(with_wing(**fields))
    assert refused.value.path.endswith(field)


@pytest.mark.parametrize("one_point", [False, True])
def test_a_roof_hangs_over_equally_on_both_sides_in_truth_and_differently_at_its_gables(one_point):
    roof = GABLE | {"eaves_mm": 8, "rake_mm": 3}
    data = COTTAGE["pieces"][0] | {"roof": roof, "parts": []}
    view = COTTAGE["view"]
    if one_point:
        view = {"kind": "one-point", "eye_level_mm": 150, "vanishing_point_mm": 210}
        data = {k: v for k, v in data.items() if k not in ("edge", "left", "right")} | {
            "front": {"x_mm": 240, "y_mm": 160, "width_mm": 80, "height_mm": 60},
            "depth": {"along_mm": 12}, "roof": roof | {"end": "front"},
        }  # fmt: skip
    scene = resolve(from_data(COTTAGE | {"view": view, "pieces": [data]}))
    assert difference(outlines(scene), kept(scene)) == ([], [])
    house = scene.parts[0].drawn.house(scene.parts[0].stage)
    walls, lid = house.in_space, roofed(house).in_space
    # In shares of the walls' edges, from one corner of their top.
    near, right, back = (np.array(walls[k]) for k in (1, 0, 5))
    edges = np.array([right - near, back - near]).T
    corners = [lid[FOOT_UNDER[k]] - near for k in (1, 0, 5, 4)]
    first, beside, other, last = (np.linalg.lstsq(edges, c, rcond=None)[0] for c in corners)
    assert max(first) < 0.0
    assert beside == pytest.approx([1.0 - first[0], first[1]])
    assert other == pytest.approx([first[0], 1.0 - first[1]])
    assert last == pytest.approx([1.0 - first[0], 1.0 - first[1]])
    # On paper the edges go on by what is said, at the near corner.
    near = on_paper(house.block_in_space[0 if one_point else 1])
    reach = sorted(
        round(math.dist(near, (grip.at.x, grip.at.y)), 6)
        for grip in scene.exercise.pieces[0].handles(scene.parts[0].stage, scene.pieces[0])
        if grip.label == "grip-overhang"
    )
    assert reach == [3.0, 8.0]
    there = resolve(viewer_moved(scene.exercise, 3, 2, 5))
    assert difference(outlines(there), kept(there)) == ([], [])
    assert there.exercise.pieces[0].roof.rake_mm != 3.0


def test_a_gable_that_does_not_hang_over_is_one_face_with_its_wall():
    scene = cottage(pieces__0__roof=GABLE | {"eaves_mm": 6, "rake_mm": 0}, pieces__0__parts=[])
    assert difference(outlines(scene), kept(scene)) == ([], [])
    corners = {(240.0, 120.0), (320.0, 129.23)}
    ends = [{tuple(round(n, 2) for n in end) for end in s.segment} for s in outlines(scene)]
    assert corners not in ends


def row(first, second, **fields):
    houses = [
        {"id": name, "top_mm": top, "length": {"along_mm": long}, "back": {"along_mm": 30},
         "roof": roof}
        for name, top, long, roof in (("shop", 125, 30, first), ("inn", 130, 20, second))
    ]  # fmt: skip
    houses[1] |= fields
    street = {"kind": "row", "id": "row", "from": {"piece": "cottage", "side": "left"}}
    corner = COTTAGE["pieces"][0] | {"left": {"x_mm": 180}, "parts": []}
    return resolve(from_data(COTTAGE | {"pieces": [corner, street | {"buildings": houses}]}))


def test_joined_houses_hang_over_the_street_but_not_into_one_another():
    ends_flush = {"kind": "gable", "end": "right", "peak_mm": 15, "eaves_mm": 4, "rake_mm": 0}
    scene = row(ends_flush, ends_flush)
    assert difference(outlines(scene), kept(scene)) == ([], [])
    hangs_over = ends_flush | {"rake_mm": 2}
    for first, second, number in ((ends_flush, hangs_over, 1), (hangs_over, ends_flush, 0)):
        with pytest.raises(ExerciseError) as refused:
            outlines(row(first, second))
        assert refused.value.path == f"pieces[1].buildings.{number}.roof.rake_mm"
    assert outlines(row(ends_flush, hangs_over, gap={"along_mm": 12}))


def test_a_roof_may_hang_over_at_its_gables_alone():
    scene = cottage(pieces__0__roof=GABLE | {"rake_mm": 3}, pieces__0__parts=[])
    assert difference(outlines(scene), kept(scene)) == ([], [])
    # The long wall and the roof's board above it are one face.
    eave = {(120.0, 132.0), (240.0, 120.0)}
    ends = [{tuple(round(n, 2) for n in end) for end in s.segment} for s in outlines(scene)]
    assert eave not in ends
    there = resolve(viewer_moved(scene.exercise, 3, 2, 5))
    assert there.exercise.pieces[0].roof.eaves_mm is None
    assert difference(outlines(there), kept(there)) == ([], [])
