"""Move the viewer: the world stays; move the points: the anchors on paper stay."""

from __future__ import annotations

import random

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.resolve import resolve, solids
from orthopsis.exercise.viewer import viewer_moved
from orthopsis.perspective.vector import plus
from orthopsis.perspective.view import on_paper
from orthopsis.pieces.shapes.house.inset import inset_depth
from tests.agreement import difference, kept, outlines
from tests.documents import (
    ONE_POINT,
    THREE_POINT,
    TWO_POINT,
    changed,
    example,
    random_document,
    scene_of,
)
from tests.houses import COTTAGE

STEPS = [(30, 0, 0), (0, 15, 0), (0, 0, 80), (-12, -9, -40)]
TURNED = changed(
    ONE_POINT,
    pieces=[
        {
            "kind": "box", "id": "chest", "turned_vp_mm": 60, "standing": "ground",
            "edge": {"x_mm": 190, "top_mm": 150, "bottom_mm": 200},
            "left": {"along_mm": 40}, "right": {"true_mm": 60},
        }
    ],
)  # fmt: skip


def seen_from_there(scene, moved):
    """Corners of every solid, by the old world and by the new document."""
    for number, (old, new) in enumerate(zip(solids(scene), solids(moved), strict=True)):
        before, after = scene.stage(number).view, moved.stage(number).view
        for a, b in zip(old.vertices, new.vertices, strict=True):
            yield on_paper(before.place_seen_by(after, a)), on_paper(b)


@pytest.mark.parametrize("step", STEPS)
@pytest.mark.parametrize("data", [ONE_POINT, TWO_POINT, THREE_POINT, TURNED])
@pytest.mark.parametrize("standing", ["ground", "floating"])
def test_a_moved_viewer_sees_the_same_things(data, step, standing):
    exercise = from_data(changed(data, pieces__0__standing=standing))
    moved = viewer_moved(exercise, *step)
    for there, here in seen_from_there(resolve(exercise), resolve(moved)):
        assert here == pytest.approx(there, abs=1e-6)
    # The new document is as good as any other: it can be saved, read and drawn by ruler.
    again = resolve(from_data(to_data(moved)))
    assert difference(outlines(again), kept(again)) == ([], [])


def test_a_step_and_the_step_back_lead_to_the_same_document():
    for seed in range(40):
        try:
            exercise = from_data(random_document(seed))
            there = viewer_moved(exercise, 7, -4, 31)
            back = viewer_moved(there, -7, 4, -31)
            pairs = zip(solids(resolve(exercise)), solids(resolve(back)), strict=True)
        except ExerciseError as refusal:
            assert refusal.path
            continue
        for old, new in pairs:
            for a, b in zip(old.vertices, new.vertices, strict=True):
                assert on_paper(b) == pytest.approx(on_paper(a), abs=1e-5)


def test_moving_the_points_leaves_every_anchor_where_it_was():
    rng = random.Random(8)
    for _ in range(20):
        left, right = rng.uniform(-400, 100), rng.uniform(300, 900)
        scene = scene_of(TWO_POINT, view__left_vp_mm=left, view__right_vp_mm=right)
        assert {(200.0, 150.0), (200.0, 230.0)} in [set(line.segment) for line in outlines(scene)]
        assert difference(outlines(scene), kept(scene)) == ([], [])


def test_a_viewer_without_an_eye_or_through_the_sheet_is_refused_with_the_remedy():
    flat = changed(THREE_POINT, view__third_vp_mm=[220, 200], pieces=[])
    for data, step in ((flat, (5, 0, 0)), (ONE_POINT, (0, 0, -300)), (ONE_POINT, (0, -200, 0))):
        with pytest.raises(ExerciseError, match="smaller step") as refusal:
            viewer_moved(from_data(data), *step)
        assert refusal.value.path == "view"


def test_turned_things_run_to_their_own_points_and_agree():
    scene = scene_of(TURNED)
    names = [vp.name for vp in scene.vanishing_points]
    assert names == ["VP1", "chest:VP1", "chest:VP2"]
    assert {line.family for line in outlines(scene)} == {"vertical", "chest:VP1", "chest:VP2"}
    for vp_mm in range(-100, 520, 37):
        turned = scene_of(TURNED, pieces__0__turned_vp_mm=vp_mm)
        assert difference(outlines(turned), kept(turned)) == ([], [])


def test_a_turn_that_runs_to_the_views_own_points_is_refused():
    with pytest.raises(ExerciseError, match="view's own points") as refusal:
        outlines(scene_of(TURNED, pieces__0__turned_vp_mm=210))
    assert refusal.value.path == "pieces[0].turned_vp_mm"
    with pytest.raises(ExerciseError, match="rename"):
        scene_of(TURNED, views={"chest": ONE_POINT["view"]}, pieces__0__id="chest")


ROOFS = [
    {"kind": "gable", "end": "right", "peak_mm": 45},
    {"kind": "lean-to", "low": "left", "peak_mm": 90},
    {"kind": "hip", "end": "left", "peak_mm": 40, "ridge": "quarter"},
    {"kind": "flat", "parapet_mm": 8},
]
WAYS = [(25, 0, 0), (0, 15, 0), (0, 0, 60), (-20, 10, 40)]


@pytest.mark.parametrize("way", WAYS)
@pytest.mark.parametrize("roof", ROOFS, ids=lambda roof: roof["kind"])
def test_all_that_is_in_and_on_a_house_stays_in_the_world(roof, way):
    slope = "roof" if roof["kind"] == "lean-to" else "roof left"
    parts = [
        {"kind": "panel", "id": "panes", "on": "left", "look": "windows", "storeys": 2,
         "sill_mm": 10, "height_mm": 20, "bays": {"count": 2}},
        {"kind": "panel", "id": "door", "on": "left", "look": "door", "from": {"along_mm": 30},
         "to": {"fraction": 0.3}, "height_mm": 30, "arch": {"rise_mm": 8}},
        {"kind": "lettering", "id": "name", "on": "right", "text": "TEA", "from": {"along_mm": 10},
         "to": {"along_mm": 40}, "up_mm": 30, "height_mm": 15},
        {"kind": "block", "id": "sign", "on": "right", "from": {"along_mm": 50},
         "to": {"along_mm": 65}, "up_mm": 40, "height_mm": 15, "out_mm": 6},
    ]  # fmt: skip
    if roof["kind"] in ("gable", "lean-to"):
        parts.append({"kind": "chimney", "id": "stack", "on": slope, "from": {"along_mm": 5},
                      "wide": {"along_mm": 8}, "deep": {"along_mm": 4}, "high_mm": 30})  # fmt: skip
        parts.append({"kind": "dormer", "id": "dormer", "on": slope, "rake_mm": 5,
                      "from": {"along_mm": 70}, "wide": {"along_mm": 10}, "high_mm": 4,
                      "peak_mm": 3})  # fmt: skip
    before = resolve(from_data(seen_house(roof, parts)))
    after = resolve(viewer_moved(before.exercise, *way))
    view, other = before.stage(0).view, after.stage(0).view
    for old, new in zip(solids(before), solids(after), strict=True):
        for one, there in zip(old.vertices, new.vertices, strict=True):
            assert view.place_seen_by(other, one) == pytest.approx(there, abs=1e-5)
    assert difference(outlines(after), kept(after)) == ([], [])


def seen_house(roof, parts):
    house = {"kind": "building", "id": "house", "standing": "ground", "left": {"x_mm": 90},
             "edge": {"x_mm": 230, "top_mm": 110, "bottom_mm": 230}, "right": {"x_mm": 330},
             "roof": roof, "parts": parts}  # fmt: skip
    view = {"kind": "two-point", "eye_level_mm": 165, "left_vp_mm": -80, "right_vp_mm": 520}
    return {**COTTAGE, "view": view, "pieces": [house]}


@pytest.mark.parametrize("way", WAYS)
def test_an_inset_is_as_deep_from_wherever_it_is_seen(way):
    panes = {"kind": "panel", "id": "panes", "on": "left", "look": "windows", "storeys": 2,
             "sill_mm": 10, "height_mm": 20, "bays": {"count": 2},
             "inset": {"along_mm": 5}}  # fmt: skip
    before = resolve(from_data(seen_house({"kind": "flat"}, [panes])))
    after = resolve(viewer_moved(before.exercise, *way))
    view, other = before.stage(0).view, after.stage(0).view
    (old, depth), (new, there) = (first_inset(scene) for scene in (before, after))
    assert view.place_seen_by(other, old) == pytest.approx(new, abs=1e-6)
    assert view.place_seen_by(other, plus(old, depth)) == pytest.approx(plus(new, there), abs=1e-5)


def first_inset(scene):
    house = scene.parts[0].drawn.house(scene.parts[0].stage)
    (panel,) = house.panels
    (_, corners), *_ = panel.corners(house.block_in_space, house.walls)
    wall = panel.wall(house.walls)
    depth = inset_depth(panel.inset, corners, house.walls, wall, "", by_ruler=False)
    return corners[0], depth


@pytest.mark.parametrize("way", WAYS)
def test_the_houses_of_a_row_keep_their_roofs_and_windows(way):
    before = example("school-corner")
    after = resolve(viewer_moved(before.exercise, *way))
    view, other = before.stage(0).view, after.stage(0).view
    for old, new in zip(solids(before), solids(after), strict=True):
        for one, there in zip(old.vertices, new.vertices, strict=True):
            assert view.place_seen_by(other, one) == pytest.approx(there, abs=1e-4)
