"""Things that hang in a room: how far away they are, where they may hang, and how they are put."""

from __future__ import annotations

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.editing import with_new_piece
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.resolve import picture, resolve
from orthopsis.exercise.viewer import viewer_moved
from tests.agreement import difference, kept, outlines
from tests.rooms import ONE, TWO, scene, with_pieces

ROOM = {
    "kind": "room",
    "id": "hall",
    "back": {"x_mm": 140, "y_mm": 75, "width_mm": 140, "height_mm": 100},
}
CORNER = {
    "kind": "room",
    "id": "hall",
    "corner": {"x_mm": 200, "top_mm": 55, "bottom_mm": 150},
}


def in_one(on, x_mm, y_mm, back_mm=10.0, **more):
    return {
        "kind": "box",
        "id": "thing",
        "on": f"hall/{on}",
        "front": {"x_mm": x_mm, "y_mm": y_mm, "width_mm": 20, "height_mm": 12},
        "depth": {"along_mm": back_mm},
        **more,
    }


def in_two(on, x_mm, top_mm, **more):
    return {
        "kind": "box",
        "id": "thing",
        "on": f"hall/{on}",
        "edge": {"x_mm": x_mm, "top_mm": top_mm, "bottom_mm": top_mm + 15},
        "left": {"along_mm": 12},
        "right": {"along_mm": 12},
        **more,
    }


HUNG = [
    (ROOM, in_one("ceiling", 190, 40), ONE),
    (ROOM, in_one("left", 90, 90), ONE),
    (ROOM, in_one("right", 310, 90), ONE),
    (ROOM, in_one("back", 170, 90, 2.0), ONE),
    (CORNER, in_two("ceiling", 220, 20), TWO),
    (CORNER, in_two("left", 140, 50), TWO),
    (CORNER, in_two("right", 290, 60), TWO),
]


@pytest.mark.parametrize(("room", "thing", "view"), HUNG)
def test_what_hangs_is_drawn_as_it_is_built(room, thing, view):
    there = scene(room, thing, view=view)
    assert difference(outlines(there), kept(there)) == ([], [])
    moved = resolve(viewer_moved(there.exercise, right_mm=8, up_mm=5))
    assert difference(outlines(moved), kept(moved)) == ([], [])


@pytest.mark.parametrize(("room", "thing", "view"), HUNG)
def test_a_corner_of_it_lies_on_its_surface(room, thing, view):
    """The room's own plane through three of its places, worked out here."""
    there = scene(room, thing, view=view)
    drawn, stage = there.parts[1].drawn, there.parts[1].stage
    surface = thing["on"].partition("/")[2]
    corner = drawn.place.in_space(stage)[drawn.place.touches[surface]]
    place = there.pieces[0].place
    depth = there.main.eye_height_mm / (place.floor_mm - there.main.eye_level_mm)
    if surface == "ceiling":
        high = (there.main.eye_level_mm - place.ceiling_mm) * depth
        x, y, z = corner
        assert there.main.eye_level_mm * z - y == pytest.approx(high)
        return
    wall = place.walls(there.parts[0].stage)[surface]
    foot, goal = place.corners()[wall.corner], wall.goal.at
    if goal.at_infinity:
        assert corner[2] == pytest.approx(depth)
        return
    # Seen from above, the wall is a line through its corner toward its point.
    x, _, z = corner
    start_x, start_z = foot.x * depth, depth
    assert (x - start_x) - goal.x * (z - start_z) == pytest.approx(0.0, abs=1e-6)


@pytest.mark.parametrize(
    ("thing", "field"),
    [
        (in_one("ceiling", 190, 90), "front"),
        (in_one("ceiling", 190, 140), "front"),
        (in_one("left", 150, 90), "front"),
        (in_one("right", 250, 90), "front"),
        (in_one("roof", 190, 40), "on"),
    ],
)
def test_where_the_surface_is_not_seen_nothing_hangs(thing, field):
    with pytest.raises(ExerciseError) as refused:
        picture(scene(ROOM, thing))
    assert refused.value.path == f"pieces[1].{field}"


@pytest.mark.parametrize(
    ("at", "on"),
    [
        ((200, 30), "hall/ceiling"),
        ((60, 110), "hall/left"),
        ((380, 110), "hall/right"),
        ((210, 130), "hall/back"),
    ],
)
def test_a_click_on_a_wall_or_the_ceiling_hangs_a_box_there(at, on):
    document, _ = with_new_piece(from_data(with_pieces(ROOM)), "box", at, 5.0)
    assert document.pieces[-1].on == on
    there = resolve(document)
    assert picture(there)
    assert from_data(to_data(document)) == document


def test_in_a_corner_a_click_on_the_ceiling_hangs_it_by_its_top():
    base = from_data(with_pieces(CORNER, view=TWO))
    document, _ = with_new_piece(base, "box", (230, 20), 5.0)
    piece = document.pieces[-1]
    assert piece.on == "hall/ceiling"
    assert piece.place.edge.top_mm == pytest.approx(20)
    assert picture(resolve(document))


@pytest.mark.parametrize("kind", ["made", "cylinder"])
def test_other_things_hang_too(kind):
    thing = in_one("ceiling", 190, 40)
    thing = {**thing, "kind": kind}
    if kind == "made":
        thing |= {"form": "shelf", "boards": 2}
    there = scene(ROOM, thing)
    assert difference(outlines(there), kept(there)) == ([], [])
