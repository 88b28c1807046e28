"""What stands beside a street: kerbs, crossings, fences, wires, and what is drawn by hand."""

from __future__ import annotations

import math

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.editing import with_field
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve, steps
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.viewer import viewer_moved
from orthopsis.handout.gltf import to_gltf
from orthopsis.perspective.segments import at
from orthopsis.pieces.kinds.sketch import Sketch
from orthopsis.pieces.shapes.card.looks import LOOKS, smooth
from tests.agreement import curves, difference, kept, outlines
from tests.words import instruction

LEVEL_MM, VP_MM = 150.0, 210.0


def sheet_of(*pieces, two_point=False):
    view = {"kind": "one-point", "eye_level_mm": LEVEL_MM, "vanishing_point_mm": VP_MM,
            "viewing_distance_mm": 360}  # fmt: skip
    if two_point:
        view = {"kind": "two-point", "eye_level_mm": LEVEL_MM, "left_vp_mm": -60,
                "right_vp_mm": 500}  # fmt: skip
    data = {"format": "orthopsis-exercise", "version": 2, "title": "by hand",
            "sheet": {"size": "A3"}, "view": view, "pieces": list(pieces)}  # fmt: skip
    return resolve(from_data(data))


def way(**more):
    return {"kind": "way", "id": "lane", "to": "VP1", "edges_mm": [90, 330], **more}


def posts(**more):
    return {"kind": "posts", "id": "row", "to": "VP1", "count": 4, "next": {"fraction": 0.25},
            "post": {"x_mm": 350, "top_mm": 40, "foot_mm": 270}, **more}  # fmt: skip


def sketch(look, left=100, top=100, wide=80, high=50, **more):
    area = {"x_mm": left, "y_mm": top, "width_mm": wide, "height_mm": high}
    return {"kind": "sketch", "id": look, "look": look, "area": area, **more}


def agrees(scene):
    assert difference(outlines(scene), kept(scene)) == ([], [])


def test_a_kerb_is_seen_only_where_its_side_turns_to_us():
    # Common practice, no published source: a second line just below the pavement's edge.
    both = sheet_of(way(kerb={"in_mm": 8}))
    assert sum(line.family == "VP1" for line in outlines(both)) == 4
    away = sheet_of(way(kerb={"in_mm": 8}), two_point=True)
    lower, edge = sorted(
        (line for line in outlines(away) if max(line.start[0], line.end[0]) > 300),
        key=lambda line: max(line.start[0], line.end[0]),
    )
    assert sum(line.family == "VP1" for line in outlines(away)) == 3
    height = [at(line.segment, 0.4) for line in (lower, edge)]
    on_edge = edge.start[1] + (edge.end[1] - edge.start[1]) * (height[0][0] - edge.start[0]) / (
        edge.end[0] - edge.start[0]
    )
    assert height[0][1] > on_edge, "the second line lies below"


@pytest.mark.parametrize("two_point", [False, True])
def test_stripes_and_gaps_of_a_crossing_are_equally_wide(two_point):
    crossing = {"near": {"along_mm": 50}, "far": {"along_mm": 90}, "stripes": 4}
    scene = sheet_of(way(crossing=crossing), two_point=two_point)
    agrees(scene)
    goal = next(vp for vp in scene.vanishing_points if vp.name == "VP1").at
    feet = []
    for line in outlines(scene):
        (x0, y0), (x1, y1) = line.segment
        if line.family == "VP1" and abs(max(y0, y1) - 297) > 1:
            x, y = (x0, y0) if y0 > y1 else (x1, y1)
            feet.append(goal.x + (x - goal.x) * (297 - goal.y) / (y - goal.y))
    # Lines of one direction on a level ground cut every line of it in the same ratio.
    wide = [(b - a) for a, b in zip([90, *sorted(feet)], [*sorted(feet), 330], strict=True)]
    assert len(feet) == 8
    assert wide == pytest.approx([240 / 9] * 9, abs=1e-3)


def test_a_crossing_that_ends_before_it_begins_is_refused():
    crossing = {"near": {"along_mm": 50}, "far": {"along_mm": 40}}
    with pytest.raises(ExerciseError) as refused:
        outlines(sheet_of(way(crossing=crossing)))
    assert refused.value.path == "pieces[0].crossing.far"


def test_rails_run_to_the_point_of_the_posts_and_wires_hang_between_them():
    scene = sheet_of(posts(thing="fence", wires={"sag_mm": 12}))
    agrees(scene)
    drawn = outlines(scene)
    assert sum(line.family == "VP1" for line in drawn) == 2 * 3
    wires = curves(drawn)
    assert len(wires) == 3
    for wire in wires:
        (x0, y0), (x1, y1) = wire[0].start, wire[-1].end
        lowest = max(wire, key=lambda chord: _below(chord.start, (x0, y0), (x1, y1)))
        assert _below(lowest.start, (x0, y0), (x1, y1)) > 1
    # In the nearest space they hang so far below the straight line at its perspective middle.
    first = max(wires, key=lambda one: max(c.start[0] for c in one))
    assert _below(first[6].start, first[0].start, first[-1].end) == pytest.approx(12, abs=1e-6)


def _below(place, start, end):
    share = (place[0] - start[0]) / (end[0] - start[0])
    return place[1] - (start[1] + share * (end[1] - start[1]))


def test_people_as_tall_as_the_viewer_have_their_heads_on_the_eye_level():
    # Common practice, no published source.
    people = posts(
        thing="person",
        next={"fraction": 0.45},
        post={"x_mm": 350, "top_mm": LEVEL_MM, "foot_mm": 270},
    )
    scene = sheet_of(people)
    agrees(scene)
    heads = [min(min(c.start[1], c.end[1]) for c in one) for one in curves(outlines(scene))]
    assert heads == pytest.approx([LEVEL_MM] * len(heads), abs=1e-6)


def test_only_posts_carry_wires_and_a_change_of_mind_takes_them_down():
    with pytest.raises(ExerciseError) as refused:
        sheet_of(posts(thing="tree", wires={"sag_mm": 12}))
    assert refused.value.path == "pieces[0].thing"
    there = with_field(sheet_of(posts(wires={"sag_mm": 12})).exercise, "row", "thing", "tree")
    assert there.pieces[0].wires is None
    with pytest.raises(ExerciseError) as low:
        outlines(sheet_of(posts(rails={"upper_mm": 10, "lower_mm": 400})))
    assert low.value.path == "pieces[0].rails.lower_mm"


@pytest.mark.parametrize("look", sorted(set(LOOKS) - {"lamp", "signpost"}))
def test_what_is_drawn_by_hand_agrees_and_is_all_of_curves(look):
    box = {"kind": "box", "id": "crate", "standing": "ground", "depth": {"fraction": 0.3},
           "front": {"x_mm": 120, "y_mm": 110, "width_mm": 30, "height_mm": 80}}  # fmt: skip
    for standing in ("ground", "floating"):
        scene = sheet_of(box, sketch(look, top=120, high=50, standing=standing))
        agrees(scene)
        lines = [line for line in outlines(scene) if line.part.piece == look]
        assert lines
        assert all(line.curve is not None and line.family == "free" for line in lines)
        left, top, right, bottom = 100, 120, 180, 170
        for x, y in (end for line in lines for end in line.segment):
            assert left - 1e-6 <= x <= right + 1e-6
            assert top - 1e-6 <= y <= bottom + 1e-6
        assert to_gltf(scene).count(look) == 0, "what is flat is no solid"


def test_of_what_is_far_away_the_one_listed_first_stands_before_the_others():
    behind = sheet_of(sketch("hills"), sketch("sun", left=120, top=90))
    before = sheet_of(sketch("sun", left=120, top=90), sketch("hills"))
    whole = sheet_of(sketch("sun", left=120, top=90))
    agrees(behind)

    def drawn_mm(scene):
        return sum(math.dist(*line.segment) for line in outlines(scene) if line.part.piece == "sun")

    assert drawn_mm(behind) < drawn_mm(before) == pytest.approx(drawn_mm(whole))


def test_a_sketch_is_said_in_one_step_and_goes_along_when_the_viewer_moves():
    scene = sheet_of(way(), sketch("tree", top=80, high=150, standing="ground"))
    said = [step for step in run_through(scene) if step.phrase == "sketch"]
    assert len(said) == 1
    assert "by hand" in instruction(said[0]) or "Without a ruler" in instruction(said[0])
    assert all(step.phrase != "tidy" or step.part.piece != "tree" for step in steps(scene))
    there = resolve(viewer_moved(scene.exercise, right_mm=10.0, up_mm=5.0))
    agrees(there)
    (moved,) = (piece for piece in there.pieces if isinstance(piece, Sketch))
    assert moved.place.area.y_mm + moved.place.area.height_mm != 230


def test_trees_in_a_row_are_drawn_nearest_first():
    made = run_through(sheet_of(posts(thing="tree", next={"along_mm": 20})))
    order = [step.title for step in made if step.phrase == "post-by-hand"]
    assert len(order) == 1
    (step,) = (step for step in made if step.phrase == "post-by-hand")
    assert [row[0].values["number"].value for row in step.table.rows] == [1, 2, 3, 4]


def test_a_curve_goes_through_its_places():
    places = [(0.0, 0.0), (1.0, 2.0), (3.0, 1.0)]
    assert set(places) <= set(smooth(places))
    assert smooth(places, closed=True)[0] == places[0]


@pytest.mark.parametrize("two_point", [False, True])
def test_sleepers_pass_under_the_rails_and_close_up(two_point):
    # Common practice, no published source: two rails of three lines each, sleepers as pairs of
    # level lines that close up toward the point, and the outer guide lines erased.
    track = {"in_mm": 30, "wide_mm": 10, "side_mm": 6, "sleepers": 5, "first": {"along_mm": 30}}
    scene = sheet_of(way(look="rails", track=track), two_point=two_point)
    agrees(scene)
    goal = next(vp for vp in scene.vanishing_points if vp.name == "VP1").at

    def foot(place):
        return goal.x + (place[0] - goal.x) * (297 - goal.y) / (place[1] - goal.y)

    lines = outlines(scene)
    long = [one for one in lines if one.family == "VP1" and max(y for _, y in one.segment) > 296]
    feet = sorted(foot(max(line.segment, key=lambda end: end[1])) for line in long)
    assert feet == pytest.approx([120, 130, 136, 284, 290, 300], abs=1e-3)
    across = [line for line in lines if line.family == ("VP2" if two_point else "horizontal")]
    assert len(across) == 3 * 2 * 5
    under = [(120, 136), (284, 300)]
    for line in across:
        a, b = sorted(foot(end) for end in line.segment)
        assert all(b <= low + 1e-3 or a >= high - 1e-3 for low, high in under)
    if not two_point:
        ys = sorted({round(line.start[1], 6) for line in across}, reverse=True)
        depths = [1.0 / (y - LEVEL_MM) for y in ys]
        gaps = [b - a for a, b in zip(depths[::2], depths[2::2], strict=False)]
        assert gaps == pytest.approx([gaps[0]] * 4), "equal in truth"


@pytest.mark.parametrize("two_point", [False, True])
def test_sleepers_with_a_front_are_equally_thick_in_truth(two_point):
    # Common practice, no published source: each sleeper has a short upright and a front edge.
    track = {"in_mm": 30, "wide_mm": 10, "side_mm": 6, "sleepers": 4, "first": {"along_mm": 30},
             "thick_mm": 5}  # fmt: skip
    scene = sheet_of(way(look="rails", track=track), two_point=two_point)
    agrees(scene)
    fronts = [line for line in outlines(scene) if line.family == "vertical"]
    assert len(fronts) == 2 * 4
    for line in fronts:
        top, low = sorted(y for _, y in line.segment)
        # Thickness and distance from the eye level shrink alike.
        first = max(fronts, key=lambda one: max(y for _, y in one.segment))
        if not two_point:
            (first_top, first_low) = sorted(y for _, y in first.segment)
            assert math.isclose(
                (low - top) / (top - LEVEL_MM),
                (first_low - first_top) / (first_top - LEVEL_MM), rel_tol=1e-6,
            )  # fmt: skip
    assert any(math.isclose(math.dist(*line.segment), 5.0, abs_tol=1e-6) for line in fronts)
    on = with_field(sheet_of(way(look="rails", track={**track, "thick_mm": None})).exercise,
                    "lane", "track.thick_mm", True)  # fmt: skip
    assert on.pieces[0].track.thick_mm == 5.0


def test_rails_that_meet_in_the_middle_are_refused():
    track = {"in_mm": 110, "wide_mm": 10, "side_mm": 6, "first": {"along_mm": 30}}
    with pytest.raises(ExerciseError) as refused:
        outlines(sheet_of(way(look="rails", track=track)))
    assert refused.value.path == "pieces[0].track.in_mm"


TOWER = {"kind": "outline", "id": "tower", "by": "corners", "depth": {"along_mm": 45},
         "front": {"x_mm": 300, "y_mm": 120, "width_mm": 40, "height_mm": 50},
         "corners": [[0, 20], [25, 0], [40, 30], [15, 50]]}  # fmt: skip
ROUND = {"kind": "cylinder", "id": "silo", "axis": "away", "depth": {"along_mm": 40},
         "front": {"x_mm": 80, "y_mm": 130, "width_mm": 36, "height_mm": 36}}  # fmt: skip
PLANET = {"kind": "disc", "id": "planet", "centre": {"x_mm": 210, "y_mm": 150}, "radius_mm": 60,
          "land_mm": 8}  # fmt: skip


def test_a_little_planet_lies_behind_towers_turned_any_way():
    scene = sheet_of(TOWER, ROUND, PLANET)
    agrees(scene)
    drawn = outlines(scene)
    disc = [line for line in drawn if line.part.piece == "planet"]
    assert all(line.curve is not None for line in disc)
    far = [math.dist(end, (210, 150)) for line in disc for end in line.segment]
    assert min(far) > 60 - 0.02
    assert sum(abs(one - 60) < 1e-6 for one in far) > len(far) / 4
    # A tower's foot is parallel to its roof, and its sides lead to the point.
    sides = [one for one in drawn if one.part.piece == "tower" and one.family == "free"]
    slopes = {round((b[1] - a[1]) / (b[0] - a[0]), 6) for a, b in (one.segment for one in sides)}
    assert (len(sides), len(slopes)) == (6, 2), "two pairs of sides, and two more behind"
    made = run_through(scene)
    order = [step.phrase for step in made]
    assert order.index("disc") < order.index("face-corners"), "the circle comes first"
    assert "roll of tape" in instruction(next(step for step in made if step.phrase == "disc"))
    there = resolve(viewer_moved(scene.exercise, right_mm=6.0, up_mm=4.0))
    agrees(there)


@pytest.mark.parametrize("sides", ["to the point", "like the walls"])
def test_windows_of_a_tower_are_drawn_by_hand_in_the_walls_that_show(sides):
    tower = {**TOWER, "windows": {"rows": 4, "columns": 2, "sides": sides}}
    scene = sheet_of(tower, PLANET)
    agrees(scene)
    tower_lines = [line for line in outlines(scene) if line.part.piece == "tower"]
    walls = [line for line in tower_lines if line.curve is None]
    by_hand = [line for line in tower_lines if line.curve is not None]
    assert len(by_hand) == 2 * 4 * 2 * 4, "two walls show, of four rows with two windows each"
    assert len(walls) == 9
    heads = [
        line for line in by_hand
        if any(abs(_slope(line) - _slope(wall)) < 1e-9 for wall in walls if wall.family == "free")
    ]  # fmt: skip
    assert len(heads) >= 32, "heads and sills run like the roof's edge"
    to_point = [line for line in by_hand if _beside((VP_MM, LEVEL_MM), line) < 1e-6]
    assert len(to_point) == (32 if sides == "to the point" else 0)
    said = [instruction(step) for step in steps(scene) if step.phrase == "tower-windows"]
    assert len(said) == 1 and "2 side by side and 4 one below the other" in said[0]


def _slope(line):
    (ax, ay), (bx, by) = line.segment
    return math.atan2(by - ay, bx - ax) % math.pi


def _beside(place, line):
    """How far a place lies beside a line that is drawn on."""
    (ax, ay), (bx, by) = line.segment
    across = (bx - ax) * (place[1] - ay) - (by - ay) * (place[0] - ax)
    return abs(across) / math.dist((ax, ay), (bx, by))


def test_the_chords_of_a_planet_lie_within_two_hundredths_of_a_millimetre():
    for line in outlines(sheet_of({**PLANET, "land_mm": None})):
        assert 60 - math.dist(at(line.segment, 0.5), (210, 150)) < 0.02


def test_several_towers_are_told_by_the_corners_of_each():
    towers = [
        {**TOWER, "id": f"tower {k}", "front": {**TOWER["front"], "y_mm": y}}
        for k, y in enumerate((60, 130, 200), start=1)
    ]
    tables = [step.table for step in run_through(sheet_of(*towers)) if step.table]
    assert "column-places" in str(tables)


def test_corners_one_by_one_are_for_faces_in_true_shape():
    tower = {"kind": "outline", "id": "tower", "by": "corners", "run": "left",
             "edge": {"x_mm": 200, "top_mm": 90, "bottom_mm": 220}, "left": {"fraction": 0.2},
             "right": {"fraction": 0.2}, "face": {"width_mm": 40, "height_mm": 50},
             "corners": TOWER["corners"]}  # fmt: skip
    with pytest.raises(ExerciseError) as refused:
        sheet_of(tower, two_point=True)
    assert refused.value.path == "pieces[0].by"
