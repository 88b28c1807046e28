"""Made things: tables, chairs, shelves, and stairs, each one solid of merged cells."""

from __future__ import annotations

import math

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.editing import with_new_piece
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.resolve import picture, resolve
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.viewer import viewer_moved
from orthopsis.pieces.shapes.made.cells import merged_cells, solid_blocks
from orthopsis.pieces.shapes.made.forms import FORMS, Sizes
from tests.agreement import difference, kept, outlines
from tests.core.test_depth_buffer import agrees_by_depth
from tests.documents import THREE_POINT
from tests.rooms import ONE, TWO, random_made, scene, with_pieces
from tests.words import instruction

TABLE = {"kind": "made", "id": "table", "form": "table", "standing": "ground",
         "front": {"x_mm": 60, "y_mm": 200, "width_mm": 110, "height_mm": 50},
         "depth": {"true_mm": 90}, "top_mm": 5, "leg_mm": 7}  # fmt: skip
ON_EDGE = {"kind": "made", "id": "table", "standing": "ground", "left": {"true_mm": 60},
           "edge": {"x_mm": 200, "top_mm": 195, "bottom_mm": 250}, "right": {"true_mm": 80},
           "top_mm": 5, "leg_mm": 7}  # fmt: skip


def flight(**fields):
    return {"kind": "stairs", "id": "flight", "risers": 5, "climbs": "right", "standing": "ground",
            "front": {"x_mm": 60, "y_mm": 190, "width_mm": 100, "height_mm": 60},
            "depth": {"along_mm": 40}, **fields}  # fmt: skip


def agrees(scene):
    assert difference(outlines(scene), kept(scene)) == ([], [])


@pytest.mark.parametrize("first", range(0, 240, 60))
def test_what_is_made_is_the_same_by_projection_and_by_ruler(first):
    drawn = 0
    for seed in range(first, first + 60):
        try:
            made = resolve(from_data(random_made(seed)))
            found = difference(outlines(made), kept(made))
        except ExerciseError:
            continue  # no room for its legs, or a foot over the eye level
        assert found == ([], []), seed
        drawn += 1
    assert drawn > 40


@pytest.mark.parametrize("form", FORMS)
def test_every_form_is_one_solid_that_hides_itself_as_a_depth_buffer_says(form):
    thing = {**TABLE, "form": form, "top_mm": 4, "leg_mm": 5}
    agrees_by_depth(with_pieces(thing))
    agrees_by_depth(with_pieces({**ON_EDGE, "form": form}, view=TWO))
    high_mm = 80.0
    parting = FORMS[form](Sizes(high_mm, 5.0, 7.0, 40.0, 4, (2, True)))
    cells = merged_cells(parting.filled)
    # Of a closed solid without seams each edge parts two faces that meet at a right angle.
    assert all(cells.faces[a].way != cells.faces[b].way for a, b in (e.faces for e in cells.edges))
    corners, edges = len(cells.knots), len(cells.edges)
    loops = sum(len(face.loops) for face in cells.faces)
    # Euler and Poincaré: V - E + L is even for faces of L loops in all (from memory).
    assert (corners - edges + loops) % 2 == 0
    blocks = solid_blocks(parting.filled)
    sizes = [math.prod(b - a + 1 for a, b in zip(*block, strict=True)) for block in blocks]
    assert sum(sizes) == len(parting.filled), "no cell is told twice, and none is left out"


def test_a_leg_shows_no_seam_where_it_meets_the_board():
    table = scene(TABLE)
    under = [
        s for s in outlines(table) if s.family == "horizontal" and s.start[1] == s.end[1] == 205
    ]
    (front,) = under
    assert sorted(x for x, _ in front.segment) == pytest.approx([67, 163]), "only between the legs"


def test_legs_are_square_in_truth():
    # By projection: a length L goes back to L / (d + L) of the way to the point.
    table = scene(TABLE)
    (vp,) = table.main.vanishing_points
    share = 7 / (300 + 7)
    foot = 60 + share * (vp.at.x - 60), 250 + share * (vp.at.y - 250)
    ends = [end for s in picture(table, with_hidden=True) for end in s.segment]
    assert min(math.dist(end, foot) for end in ends) < 1e-6


def test_a_thing_is_the_same_for_a_viewer_who_moved():
    for thing, view in ((TABLE, ONE), (ON_EDGE, TWO)):
        there = resolve(viewer_moved(from_data(with_pieces(thing, view=view)), 15, 10, 20))
        agrees(there)
        piece = there.exercise.pieces[0]
        high_mm = piece.high_mm
        assert piece.top_mm / high_mm == pytest.approx(5 / (50 if thing is TABLE else 55))
        again = resolve(viewer_moved(there.exercise, -15, -10, -20)).exercise.pieces[0]
        assert again.leg_mm == pytest.approx(7)


def test_in_three_points_a_chair_leans_with_the_view():
    data = {**THREE_POINT, "pieces": [{
        "kind": "made", "id": "chair", "form": "chair", "back": "far left", "seat_mm": 40,
        "top_mm": 6, "leg_mm": 8, "edge": {"x_mm": 220, "y_mm": 110, "length_mm": 90},
        "left": {"along_mm": 50}, "right": {"along_mm": 60}}]}  # fmt: skip
    agrees(resolve(from_data(data)))


def test_what_has_no_room_is_refused_with_its_field():
    for wrong, field in (
        ({"leg_mm": 60}, "leg_mm"), ({"top_mm": 50}, "top_mm"),
        ({"form": "chair", "seat_mm": 55}, "seat_mm"),
        ({"form": "shelf", "boards": 9, "top_mm": 8}, "boards"),
    ):  # fmt: skip
        with pytest.raises(ExerciseError) as refused:
            picture(scene({**TABLE, **wrong}))
        assert refused.value.path.endswith(field), wrong
    for wrong in ({"take": [[0, 0, 0]]}, {"columns": 2, "take": [[2, 0, 0]]}):
        with pytest.raises(ExerciseError):
            scene({**TABLE, "form": "cut", **wrong})


def test_a_cut_is_a_block_with_parts_taken_away():
    whole = scene({**TABLE, "form": "cut", "columns": 2, "rows": 2, "layers": 2})
    box = scene(
        {**{k: v for k, v in TABLE.items() if k not in ("form", "top_mm", "leg_mm")}, "kind": "box"}
    )
    assert difference([s._replace(part=None) for s in outlines(whole)],
                      [s._replace(part=None) for s in outlines(box)]) == ([], [])  # fmt: skip
    less = scene(
        {**TABLE, "form": "cut", "columns": 2, "rows": 2, "layers": 2, "take": [[1, 0, 0]]}
    )
    agrees(less)
    assert len(outlines(less)) > len(outlines(whole))


def test_things_stand_on_a_table():
    parcel = {"kind": "box", "id": "parcel", "on": "table/top", "depth": {"along_mm": 6},
              "front": {"x_mm": 100, "y_mm": 170, "width_mm": 20, "height_mm": 20}}  # fmt: skip
    there = scene(TABLE, parcel)
    agrees(there)
    agrees_by_depth(with_pieces(TABLE, parcel))
    with pytest.raises(ExerciseError):
        picture(scene({**TABLE, "form": "chair"}, parcel))


def test_a_table_is_taught_in_few_steps_and_the_second_by_a_table_of_measures():
    two = scene(TABLE, {**TABLE, "id": "bench", "front": {**TABLE["front"], "x_mm": 240}})
    lesson = run_through(two)
    assert len(lesson) <= 16
    words = " ".join(instruction(step) for step in lesson)
    assert "0.7 cm" in words and "0.5 cm" in words


# --- stairs ----------------------------------------------------------------------------------


@pytest.mark.parametrize("climbs", ["left", "right", "away"])
@pytest.mark.parametrize("x_mm", [20, 170, 320])
def test_a_flight_in_one_point_agrees(climbs, x_mm):
    front = {"x_mm": x_mm, "y_mm": 190, "width_mm": 80, "height_mm": 60}
    agrees(scene(flight(climbs=climbs, front=front)))
    agrees_by_depth(with_pieces(flight(climbs=climbs, front=front)))


@pytest.mark.parametrize("climbs", ["left", "right"])
@pytest.mark.parametrize("risers", [2, 7])
def test_a_flight_from_its_measuring_line_agrees(climbs, risers):
    steps = flight(climbs=climbs, risers=risers, left={"along_mm": 80}, right={"along_mm": 70},
                   edge={"x_mm": 210, "top_mm": 130, "bottom_mm": 250})  # fmt: skip
    del steps["front"], steps["depth"]
    agrees(scene(steps, view=TWO))
    with pytest.raises(ExerciseError) as refused:
        picture(scene({**steps, "climbs": "away"}, view=TWO))
    assert refused.value.path.endswith("climbs")


def test_noses_and_riser_feet_lie_on_two_lines_that_lead_to_one_point():
    # Source of the check: the slope's point lies straight above the flight's own (craft's fact,
    # common practice, no published source).
    steps = flight(climbs="away", depth={"true_mm": 200})
    stairs = scene(steps)
    (vp,) = stairs.main.vanishing_points
    made = stairs.parts[0].drawn.cells(stairs.parts[0].stage)
    paper = {knot: made.near_place(knot)[0] for knot in made.cells.knots}
    right = made.parting.last[0]
    noses = [paper[right, 5 - k, k - 1].xy for k in range(1, 6)]
    feet = [paper[right, 5 - k, k].xy for k in range(5)]

    def line(places):
        (x0, y0), (x1, y1) = places[0], places[-1]
        for x, y in places:
            assert abs((x - x0) * (y1 - y0) - (y - y0) * (x1 - x0)) < 1e-6
        return (y1 - y0) / (x1 - x0), x0, y0

    heights = []
    for slope, x0, y0 in (line(noses), line(feet)):
        heights.append(y0 + slope * (vp.at.x - x0))
    assert heights[0] == pytest.approx(heights[1], abs=1e-6)
    assert heights[0] < vp.at.y, "above the flight's own point"


def test_one_flight_takes_ten_steps_and_twenty_five_minutes_at_most():
    lesson = run_through(scene(flight()))
    of_flight = [step for step in lesson if step.part is not None]
    assert len(of_flight) <= 10
    assert sum(step.minutes for step in lesson) <= 25


def test_a_new_table_and_new_stairs_are_put_by_a_click():
    for kind in ("made", "stairs"):
        for view in (ONE, TWO):
            document, id = with_new_piece(from_data(with_pieces(view=view)), kind, (220, 250), 5.0)
            assert document.pieces[-1].id == id and from_data(to_data(document)) == document
            agrees(resolve(document))


# --- what stands partly before and partly behind another ----------------------------------------

UNDER = {
    "kind": "box", "id": "crate", "standing": "ground", "left": {"along_mm": 25},
    "edge": {"x_mm": 205, "top_mm": 205, "bottom_mm": 238}, "right": {"along_mm": 22},
}  # fmt: skip
HIGH = {**ON_EDGE, "edge": {"x_mm": 200, "top_mm": 175, "bottom_mm": 250},
        "left": {"along_mm": 60}, "right": {"along_mm": 70}}  # fmt: skip


@pytest.mark.parametrize("pieces", [(HIGH, UNDER), (UNDER, HIGH)])
def test_a_crate_between_the_legs_of_a_table_is_drawn_and_taught(pieces):
    there = scene(*pieces, view=TWO)
    agrees(there)
    agrees_by_depth(with_pieces(*pieces, view=TWO))
    assert there.ordered.mixed == {frozenset((0, 1))}
    # The near leg stands before the crate, and the crate before the hind one.
    crate = [s for s in outlines(there) if s.part.piece == "crate"]
    assert not any(200 < (s.start[0] + s.end[0]) / 2 < 205 and s.start[1] > 210 for s in crate)
    lesson = there.construction
    drawn_over = [n for step in lesson for n in step.erases]
    assert len(drawn_over) == len(set(drawn_over)), "nothing is rubbed out twice"


def test_what_lies_in_a_tank_is_seen_between_its_walls():
    tank = {**TABLE, "id": "tank", "form": "tank", "leg_mm": 6,
            "front": {"x_mm": 150, "y_mm": 220, "width_mm": 110, "height_mm": 50}}  # fmt: skip
    fish = {"kind": "box", "id": "fish", "on": "tank/inside", "depth": {"along_mm": 8},
            "front": {"x_mm": 180, "y_mm": 205, "width_mm": 25, "height_mm": 40}}  # fmt: skip
    there = scene(tank, fish)
    agrees(there)
    agrees_by_depth(with_pieces(tank, fish))
    with pytest.raises(ExerciseError):
        picture(scene({**tank, "form": "table"}, fish))


def test_two_that_stand_in_one_another_are_still_refused():
    with pytest.raises(ExerciseError):
        kept(
            scene(HIGH, {**UNDER, "edge": {"x_mm": 200, "top_mm": 160, "bottom_mm": 250}}, view=TWO)
        )
