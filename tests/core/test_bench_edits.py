"""What the bench takes hold of and puts: faces, ends of rows, handles."""

from __future__ import annotations

import math

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.editing import open_row_ends, with_field, with_house_beside, with_part
from orthopsis.exercise.faces import open_faces
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.recipes import RECIPES
from orthopsis.exercise.resolve import resolve
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import inside
from orthopsis.phrase import say
from orthopsis.pieces.base import NewPart
from tests.agreement import difference, kept, outlines
from tests.documents import example
from tests.houses import COTTAGE, cottage, random_houses
from tests.streets import random_street


def names(scene):
    return [(scene.pieces[k].id, face.member, face.name) for k, face in open_faces(scene)]


def test_the_faces_that_turn_to_us_are_open_with_what_they_take():
    faces = {face.name: face for _, face in open_faces(cottage())}
    assert set(faces) == {"left", "right", "roof left"}
    assert "chimney" in faces["roof left"].takes and "door" not in faces["roof left"].takes
    assert "bricks" in faces["left"].takes
    assert "bricks" not in faces["right"].takes, "a gable rises from it"
    assert inside((170, 170), [faces["left"].outline])


@pytest.mark.parametrize("one", RECIPES, ids=lambda one: one.name)
def test_every_face_and_every_grip_has_a_name_that_can_be_read(one):
    scene = resolve(one.document)
    said = [f"face-{face.name.replace(' ', '-')}" for _, face in open_faces(scene)]
    for number, piece in enumerate(scene.exercise.pieces):
        grips = piece.handles(scene.stage(number), scene.pieces[number])
        said += [grip.label or f"grip-{grip.field.replace('.', '-')}" for grip in grips]
    assert all(scene.words.say(say(one)) for one in said)


def test_the_nearest_face_lies_over_the_others_and_hidden_ones_are_not_offered():
    scene = example("market-corner")
    found = names(scene)
    assert found[-1][0] == "corner house"
    houses = {member for _, member, _ in found}
    assert {"bakery", "hall", "inn", "granary"} <= houses
    assert ("east side", "bakery", "left") not in found, "only a strip of it shows over the corner"
    assert ("east side", "bakery", "right") in found


def put(exercise, new, id="cottage"):
    there = with_part(exercise, id, new)
    scene = resolve(there)
    assert difference(outlines(scene), kept(scene)) == ([], [])
    return there


def test_a_part_goes_on_the_wall_and_to_the_place_that_was_pointed_at():
    bare = from_data({**COTTAGE, "pieces": [{**COTTAGE["pieces"][0], "parts": []}]})
    there = put(bare, NewPart("door", on="left", at=Point(170, 180)))
    (door,) = there.pieces[0].fittings
    assert door.on == "left"
    scene = resolve(there)
    sides = [line for line in outlines(scene)
             if line.family == "vertical" and 121 < line.start[0] < 239]  # fmt: skip
    # As wide on both sides of the place, to the nearest millimetre along the slanting foot.
    assert math.isclose(sum(line.start[0] for line in sides) / 2, 170, abs_tol=1.0)
    sign = put(there, NewPart("sign", on="left", at=Point(200, 140))).pieces[0].fittings[-1]
    assert sign.on == "left" and sign.up_mm > 40
    tiles = put(there, NewPart("tiles", on="roof left")).pieces[0].fittings[-1]
    assert tiles.on == "roof left"
    with pytest.raises(ExerciseError):
        with_part(there, "cottage", NewPart("chimney", on="roof right"))


def test_windows_leave_the_storey_of_a_door_free_and_take_the_storeys_of_the_other_wall():
    there = put(from_data(COTTAGE), NewPart("windows", on="right"))
    windows = there.pieces[0].fittings[-1]
    assert (windows.storeys, windows.skip) == (3, 1)


@pytest.mark.parametrize("side", ["left", "right"])
@pytest.mark.parametrize("what", ["house", "house-after-gap", "house-behind"])
def test_a_row_grows_from_a_building_and_goes_on(side, what):
    first, row = with_house_beside(from_data(COTTAGE), "cottage", side, "house")
    second, same = with_house_beside(first, "cottage", side, what)
    third, again = with_house_beside(second, row, side, "house")
    assert row == same == again
    houses = third.pieces[-1].buildings
    assert [house.id for house in houses] == ["house 1", "house 2", "house 3"]
    scene = resolve(third)
    assert difference(outlines(scene), kept(scene)) == ([], [])
    dressed = with_part(third, row, NewPart("windows", member="house 3"))
    assert dressed.pieces[-1].buildings[2].fittings[0].look == "windows"
    crowned = with_field(dressed, row, "buildings.0.roof.kind", "gable")
    assert crowned.pieces[-1].buildings[0].roof.kind == "gable"
    sunk = with_field(crowned, row, "buildings.2.parts.0.inset", True)
    assert sunk.pieces[-1].buildings[2].fittings[0].inset.along_mm == 5.0
    scene = resolve(sunk)
    assert difference(outlines(scene), kept(scene)) == ([], [])


def test_a_row_along_a_road_begins_where_it_was_pointed_at_and_names_are_nobodys_twice():
    lane = example("lane-to-the-mill").exercise
    way = next(piece.id for piece in lane.pieces if piece.kind == "way")
    for side in ("left", "right"):
        lane, _ = with_house_beside(lane, way, side, "house")
    rows = [piece for piece in lane.pieces if piece.kind == "row"]
    ids = [house.id for row in rows for house in row.buildings]
    assert len(set(ids)) == len(ids)
    with pytest.raises(ExerciseError):
        with_house_beside(lane, "nobody", "left", "house")


def test_a_choice_deep_in_a_part_is_made_by_its_path():
    there = with_field(from_data(COTTAGE), "cottage", "parts.0.bays.by", "eye")
    assert there.pieces[0].fittings[0].bays.by == "eye"
    arched = with_field(there, "cottage", "parts.1.arch", True)
    pointed = with_field(arched, "cottage", "parts.1.arch.shape", "pointed")
    assert pointed.pieces[0].fittings[1].arch.shape == "pointed"
    assert with_field(pointed, "cottage", "parts.1.arch", None).pieces[0].fittings[1].arch is None


@pytest.mark.parametrize(
    "path",
    ["parts.0.bays.colour", "parts.1.look.far", "parts.9.look", "parts.x.look", "parts.0.colour"],
)
def test_a_choice_in_a_part_that_is_not_there_is_refused(path):
    with pytest.raises(ExerciseError, match="parts"):
        with_field(from_data(COTTAGE), "cottage", path, "door")


def value_of(piece, grip):
    value = to_data_of(piece)
    for name in filter(None, (*grip.field.split("."), grip.way)):
        value = value[int(name)] if isinstance(value, list | tuple) else value[name]
    return value


def to_data_of(piece):
    return piece.model_dump(by_alias=True, exclude_none=True)


@pytest.mark.parametrize("seed", range(0, 90))
def test_every_handle_lies_where_its_value_is_read(seed):
    data = random_street(seed) if seed % 3 else random_houses(seed, 2)
    try:
        scene = resolve(from_data(data))
        grips = [
            (piece, grip)
            for number, piece in enumerate(scene.exercise.pieces)
            for grip in piece.handles(scene.stage(number), scene.pieces[number])
        ]
    except ExerciseError:
        return
    for piece, grip in grips:
        value = value_of(piece, grip)
        here, start = grip.at, grip.start
        if grip.reads == "across":
            read = here.x
        elif grip.reads == "down":
            read = here.y
        elif grip.reads == "along":
            read = math.dist(here.xy, start.xy)
        elif grip.reads == "share":
            read = math.dist(here.xy, start.xy) / math.dist(grip.goal.xy, start.xy)
        elif grip.reads == "stops":
            read = min(grip.stops, key=lambda stop: math.dist(stop[0].xy, here.xy))[1]
        else:
            continue
        if grip.reads != "stops" or value <= len(grip.stops):
            assert math.isclose(read, value, abs_tol=1e-6), (seed, grip)


def test_a_house_has_handles_for_its_peak_its_storeys_its_bays_and_its_cuts():
    scene = cottage()
    found = {
        (grip.field, grip.way) for grip in scene.pieces[0].handles(scene.stage(0), scene.pieces[0])
    }
    assert found >= {
        ("left", "x_mm"), ("roof", "peak_mm"), ("parts.0", "storeys"), ("parts.0.bays", "count"),
        ("parts.0", "height_mm"), ("parts.1.from", "fraction"), ("parts.1.to", "fraction"),
    }  # fmt: skip
    assert to_data(scene.exercise)["pieces"][0]["parts"][0]["storeys"] == 3


def test_on_a_wall_that_faces_us_a_door_is_a_rectangle_about_the_place():
    front = {"x_mm": 100, "y_mm": 100, "width_mm": 120, "height_mm": 110}
    hall = {"kind": "building", "id": "hall", "standing": "ground", "front": front,
            "depth": {"along_mm": 40}, "parts": []}  # fmt: skip
    view = {"kind": "one-point", "eye_level_mm": 150, "vanishing_point_mm": 330}
    bare = from_data({**COTTAGE, "view": view, "pieces": [hall]})
    there = put(bare, NewPart("door", on="front", at=Point(150, 190)), "hall")
    box = there.pieces[0].fittings[0].front
    assert math.isclose(box.x_mm + box.width_mm / 2, 150, abs_tol=1.0)
    assert box.y_mm + box.height_mm == 210, "it stands on the ground"
    edge = put(bare, NewPart("door", on="front", at=Point(101, 190)), "hall")
    assert edge.pieces[0].fittings[0].front.x_mm == 100, "it stays in its wall"
    grown, row = with_house_beside(there, "hall", "left", "house")
    assert row != "hall" and difference(outlines(resolve(grown)), kept(resolve(grown))) == ([], [])
    with pytest.raises(ExerciseError):
        # No row goes on where the other side of the front shows.
        with_house_beside(there, "hall", "right", "house")


def test_a_row_needs_ground_and_has_an_end():
    three = {"kind": "three-point", "eye_level_mm": 40, "left_vp_mm": -140, "right_vp_mm": 560,
             "third_vp_mm": [210, 540]}  # fmt: skip
    edge = {"x_mm": 210, "y_mm": 90, "length_mm": 140}
    tower = {**COTTAGE["pieces"][0], "edge": edge, "left": {"along_mm": 80},
             "right": {"along_mm": 80}, "parts": [], "roof": {"kind": "flat"}}  # fmt: skip
    scene = resolve(from_data({**COTTAGE, "view": three, "pieces": [tower]}))
    assert scene.pieces[0].row_ends(scene.stage(0)) == []
    street, row = with_house_beside(from_data(COTTAGE), "cottage", "left", "house")
    offered = {(piece, end.side) for piece, end in open_row_ends(resolve(street))}
    assert offered == {("cottage", "right"), (row, "left")}, "where a row begins, it goes on itself"
    for _ in range(11):
        street, _ = with_house_beside(street, row, "left", "house")
    full = resolve(street)
    assert full.pieces[1].row_ends(full.stage(1)) == [], "twelve houses are a row's most"
