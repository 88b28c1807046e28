"""Rooms: seen from inside, furnished from the plan up, with tiles and panels."""

from __future__ import annotations

import math

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.advice import advice
from orthopsis.exercise.editing import renamed, with_new_piece
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.resolve import eye_level_behind, picture, resolve
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.tone import planes
from orthopsis.exercise.viewer import viewer_moved
from tests.agreement import difference, kept, outlines
from tests.documents import changed
from tests.rooms import HALL, ONE, TWO, hall, random_room, scene, with_pieces
from tests.words import instruction

ROOM = HALL["pieces"][0]
CORNER = {"kind": "room", "id": "hall", "corner": {"x_mm": 180, "top_mm": 60, "bottom_mm": 160},
          "levels": {"worktop": 28}}  # fmt: skip


def box(**fields):
    foot = {"x_mm": 260, "y_mm": 200, "width_mm": 30}
    return {"kind": "box", "id": "pillar", "on": "hall/floor", "depth": {"along_mm": 14},
            "foot": foot, "height": {"mm": 40}, **fields}  # fmt: skip


def of(scene, id):
    return [s for s in outlines(scene) if s.part.piece == id]


@pytest.mark.parametrize("first", range(0, 160, 40))
def test_rooms_are_the_same_by_projection_and_by_ruler(first):
    drawn = 0
    for seed in range(first, first + 40):
        try:
            room = resolve(from_data(random_room(seed)))
            found = difference(outlines(room), kept(room))
        except ExerciseError:
            continue
        assert found == ([], []), seed
        drawn += 1
    assert drawn > 25


def test_the_hall_as_documents_write_it_is_drawn_and_taught():
    there = hall()
    assert difference(outlines(there), kept(there)) == ([], [])
    lesson = run_through(there)
    acts = [step.act.value for step in lesson]
    assert acts[0] == "setting"
    words = " ".join(instruction(step) for step in lesson)
    assert "2.8 cm" in words and "3.6 cm" in words, "levels are chosen once"


def test_a_room_has_its_back_wall_and_four_lines_to_the_edge_of_the_sheet():
    there = scene(ROOM)
    lines = of(there, "hall")
    assert sum(line.family == "VP1" for line in lines) == 4
    assert sum(line.family in ("horizontal", "vertical") for line in lines) == 4
    edge = [max(max(x, 420 - x), max(y, 297 - y)) for s in lines if s.family == "VP1"
            for x, y in s.segment]  # fmt: skip
    assert sum(value >= 297 - 1e-6 for value in edge) >= 4
    assert eye_level_behind(there) == [], "walls stand before the eye level wherever one looks"


def test_each_wall_of_a_corner_comes_from_the_point_on_the_other_side():
    lines = of(scene(CORNER, view=TWO), "hall")
    left = {
        s.family for s in lines if max(x for x, _ in s.segment) < 180.1 and s.family != "vertical"
    }
    right = {
        s.family for s in lines if min(x for x, _ in s.segment) > 179.9 and s.family != "vertical"
    }
    assert (left, right) == ({"VP2"}, {"VP1"})


def test_square_tiles_lie_where_the_handbook_has_them():
    # Worked out by hand: row k at 120 + 135 / (1 + 0.2 k); ten rows end at 165.
    room = changed(ROOM, back__height_mm=60)
    tiles = {**HALL["pieces"][1], "foot": {"x_mm": 30, "y_mm": 255, "width_mm": 360}}
    there = scene(room, tiles)
    rows = sorted(
        (s.start[1] for s in of(there, "tiles") if s.family == "horizontal"), reverse=True
    )
    expected = [120 + 135 / (1 + 0.2 * k) for k in range(11)]
    assert rows == pytest.approx(expected, abs=0.01)
    assert rows[-1] == pytest.approx(165)
    assert difference(outlines(there), kept(there)) == ([], [])


@pytest.mark.parametrize("row", ["square", {"along_mm": 12}, {"fraction": 0.2}])
@pytest.mark.parametrize("grid", [[1, 1], [3, 12], [12, 4]])
def test_tiles_of_any_number_cost_few_steps(row, grid):
    there = scene(ROOM, {**HALL["pieces"][1], "grid": grid, "row": row})
    assert difference(outlines(there), kept(there)) == ([], [])
    assert sum(str(step.part) == "tiles" for step in run_through(there)) <= 6


def test_tiles_stop_at_what_stands_on_them_and_at_the_wall():
    there = hall()
    tiles = of(there, "tiles")
    assert all(y >= 170 - 1e-6 for s in tiles for _, y in s.segment)
    legs = [(120, 127), (223, 230)]
    for s in tiles:
        x, y = ((a + b) / 2 for a, b in zip(*s.segment, strict=True))
        assert not any(a < x < b and 200 < y < 239 for a, b in legs), "behind a leg"


def test_a_height_that_is_carried_is_the_same_in_truth():
    for height, at_back in (({"level": "worktop"}, 28.0), ({"to": "hall/ceiling"}, 85.0)):
        there = scene(ROOM, box(height=height))
        assert difference(outlines(there), kept(there)) == ([], [])
        high = max(abs(a[1] - b[1]) for a, b in (s.segment for s in of(there, "pillar"))
                   if abs(a[0] - b[0]) < 1e-9)  # fmt: skip
        # What stands nearer is as much larger as its foot lies further below the eye level.
        assert high == pytest.approx(at_back * (200 - 120) / (170 - 120))
        assert any(step.phrase == "foot-front" for step in run_through(there))


def test_in_a_corner_a_pillar_reaches_the_ceiling_by_a_loop():
    pillar = {"kind": "box", "id": "pillar", "on": "hall/floor", "foot": {"x_mm": 300, "y_mm": 220},
              "left": {"along_mm": 20}, "right": {"along_mm": 20},
              "height": {"to": "hall/ceiling"}}  # fmt: skip
    there = scene(CORNER, pillar, view=TWO)
    assert difference(outlines(there), kept(there)) == ([], [])
    front = next(s for s in of(there, "pillar") if s.family == "vertical"
                 and abs(s.start[0] - 300) < 1e-9)  # fmt: skip
    assert abs(front.start[1] - front.end[1]) == pytest.approx(100 * (220 - 110) / (160 - 110))


def test_panels_lie_in_the_walls_and_lead_to_their_points():
    door = {"kind": "panel", "id": "door", "on": "hall/left", "look": "door",
            "from": {"x_mm": 60}, "to": {"x_mm": 90}, "height_mm": 60}  # fmt: skip
    chart = {"kind": "panel", "id": "chart", "on": "hall/back", "look": "picture",
             "front": {"x_mm": 160, "y_mm": 95, "width_mm": 40, "height_mm": 25}}  # fmt: skip
    foot = {"x_mm": 150, "y_mm": 230, "width_mm": 80}
    rug = {"kind": "panel", "id": "rug", "on": "hall/floor", "look": "rug", "foot": foot,
           "depth": {"along_mm": 20}}  # fmt: skip
    there = scene(ROOM, door, chart, rug)
    assert difference(outlines(there), kept(there)) == ([], [])
    assert {s.family for s in of(there, "door")} == {"vertical", "VP1"}
    assert {s.family for s in of(there, "chart")} == {"vertical", "horizontal"}
    assert {s.family for s in of(there, "rug")} == {"VP1", "horizontal"}
    moved = resolve(viewer_moved(there.exercise, 10, 8, 15))
    assert difference(outlines(moved), kept(moved)) == ([], [])
    assert len(outlines(moved)) == len(outlines(there))


def test_what_does_not_fit_a_room_is_refused_with_its_field():
    door = {"kind": "panel", "id": "door", "on": "hall/left", "look": "door",
            "from": {"x_mm": 60}, "to": {"x_mm": 90}, "height_mm": 60}  # fmt: skip
    for pieces, field in (
        ([changed(ROOM, back__y_mm=130)], "back"),
        ([changed(ROOM, back__x_mm=220)], "back"),
        ([{**CORNER, "id": "hall"}], "corner"),
        ([ROOM, {**door, "height_mm": 90}], "height_mm"),
        ([ROOM, {**door, "to": {"x_mm": 150}}], "to"),
        ([ROOM, {**door, "on": "attic/left"}], "on"),
        ([ROOM, box(height={"level": "attic"})], "height.level"),
        ([ROOM, box(height={"to": "attic/ceiling"})], "height.to"),
        ([ROOM, {**HALL["pieces"][1], "row": {"x_mm": 400}}], "row"),
    ):
        with pytest.raises(ExerciseError) as refused:
            picture(scene(*pieces))
        assert refused.value.path.endswith(field), refused.value.path
    for wrong in ({"mm": 20, "level": "worktop"}, {}):
        with pytest.raises(ExerciseError):
            scene(ROOM, box(height=wrong))
    with pytest.raises(ExerciseError):
        scene(ROOM, {**door, "on": "hall/floor"})


def test_what_stands_in_a_wall_is_told():
    inside = scene(ROOM, box(foot={"x_mm": 250, "y_mm": 230, "width_mm": 30}))
    assert not any(one.code == "in-the-wall" for one in advice(inside, picture(inside)))
    outside = scene(ROOM, box(foot={"x_mm": 300, "y_mm": 190, "width_mm": 30}))
    (told,) = [one for one in advice(outside, picture(outside)) if one.code == "in-the-wall"]
    assert told.where[0] > 290


def test_a_viewer_who_moves_sees_the_same_room():
    there = hall()
    moved = resolve(viewer_moved(there.exercise, 12, 9, 25))
    assert difference(outlines(moved), kept(moved)) == ([], [])
    room, _, table = moved.exercise.pieces
    grown = room.place.back.height_mm / 85
    assert room.place.levels["worktop"] == pytest.approx(28 * grown)
    back = resolve(viewer_moved(moved.exercise, -12, -9, -25)).exercise.pieces[2]
    assert back.place.foot.x_mm == pytest.approx(120) and back.place.height.mm == pytest.approx(50)
    assert table.place.foot.width_mm != pytest.approx(110)


def test_things_are_put_on_the_surface_that_is_pointed_at():
    base = from_data(with_pieces(ROOM))
    for at, kind, on in (
        ((220, 240), "box", "hall/floor"), ((220, 240), "made", "hall/floor"),
        ((200, 120), "panel", "hall/back"), ((40, 140), "panel", "hall/left"),
        ((220, 240), "panel", "hall/floor"),
    ):  # fmt: skip
        document, id = with_new_piece(base, kind, at, 5.0)
        assert document.pieces[-1].on == on and document.pieces[-1].id == id
        there = resolve(from_data(to_data(document)))
        assert difference(outlines(there), kept(there)) == ([], [])
    with pytest.raises(ExerciseError):
        with_new_piece(from_data(with_pieces()), "panel", (200, 120), 5.0)


def test_a_new_room_is_put_round_the_point_and_a_rename_is_followed():
    document, id = with_new_piece(from_data(with_pieces()), "room", (200, 120), 5.0)
    assert picture(resolve(document))
    document, _ = with_new_piece(document, "box", (215, 280), 5.0)
    other = renamed(document, id, "kitchen")
    assert other.pieces[1].on == "kitchen/floor"
    corner, id = with_new_piece(from_data(with_pieces(view=TWO)), "room", (200, 120), 5.0)
    assert picture(resolve(corner)) and math.isfinite(corner.pieces[0].place.corner.x_mm)
    assert ONE["vanishing_point_mm"] == 210


# --- tiles in a corner, and chequered ones ---------------------------------------------------

CORNER_TILES = {"kind": "panel", "id": "tiles", "on": "hall/floor", "look": "tiles",
                "grid": [5, 4], "tile_mm": 25}  # fmt: skip


@pytest.mark.parametrize("grid", [[1, 1], [5, 4], [12, 12], [2, 9]])
@pytest.mark.parametrize("tile_mm", [12, 33])
def test_tiles_in_a_corner_agree(grid, tile_mm):
    there = scene(CORNER, {**CORNER_TILES, "grid": grid, "tile_mm": tile_mm}, view=TWO)
    assert difference(outlines(there), kept(there)) == ([], [])
    assert sum(str(step.part) == "tiles" for step in run_through(there)) <= 6


def test_the_diagonals_of_a_corners_tiles_lead_to_one_point():
    there = scene(CORNER, CORNER_TILES, view=TWO)
    tiles = there.parts[1].drawn._drawn(there.parts[1].stage)
    # Square tiles: their diagonals run halfway between both walls, to one point of the eye level.
    vp = there.main.vanishing_point_of_direction(1, 1, 0)
    (x0, y0), (vx, vy) = there.pieces[0].place.corners()[1].xy, vp.xy
    for k in range(1, 5):
        x, y = tiles.by_ruler((k, k)).xy
        assert (
            abs((x - x0) * (vy - y0) - (y - y0) * (vx - x0)) / math.hypot(vx - x0, vy - y0) < 1e-6
        )


def test_tiles_that_reach_behind_us_or_have_no_size_are_refused():
    for wrong, field in (({"tile_mm": None}, "tile_mm"), ({"grid": [40, 1]}, "grid")):
        with pytest.raises(ExerciseError) as refused:
            picture(scene(CORNER, {**CORNER_TILES, **wrong}, view=TWO))
        assert refused.value.path.endswith(field)


@pytest.mark.parametrize(
    ("room", "tiles", "view"), [(ROOM, HALL["pieces"][1], ONE), (CORNER, CORNER_TILES, TWO)]
)
def test_every_second_tile_is_dark_and_things_stand_white_before_them(room, tiles, view):
    chest = {"kind": "box", "id": "chest", "standing": "ground"}
    if view is ONE:
        chest |= {"front": {"x_mm": 180, "y_mm": 200, "width_mm": 40, "height_mm": 40},
                  "depth": {"along_mm": 20}}  # fmt: skip
    else:
        chest |= {"edge": {"x_mm": 200, "top_mm": 180, "bottom_mm": 220},
                  "left": {"along_mm": 25}, "right": {"along_mm": 25}}  # fmt: skip
    there = scene(room, {**tiles, "chequered": True}, chest, view=view)
    toned = planes(there)
    dark = [plane for plane in toned if plane.part.piece == "tiles"]
    assert len(dark) > 5 and toned[: len(dark)] == dark, "the floor first"
    assert {plane.value for plane in toned[len(dark) :]} == {0}
    squares = [plane.loops[0] for plane in dark]
    assert len({frozenset(square) for square in squares}) == len(squares)
    corners = [(round(x, 6), round(y, 6)) for square in squares for x, y in square]
    sides = [frozenset((a, b)) for square in squares
             for a, b in zip(square, (*square[1:], square[0]), strict=True)]  # fmt: skip
    assert len(set(sides)) == len(sides) and corners, "no two dark tiles share a side"
    assert any(step.phrase == "tiles-shade" for step in run_through(there))
    assert planes(scene(room, {**tiles, "chequered": False}, chest, view=view)) == []
