"""The promise: projection and construction make the same drawing, to 0.01 mm."""

from __future__ import annotations

import json
import math

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve, steps
from orthopsis.lesson.flow import Flow
from orthopsis.perspective.plane import Point, distance_point_line, join
from orthopsis.perspective.segments import portion_shared
from orthopsis.perspective.stroke import Part, Role, Stroke, joined
from tests.agreement import curves, difference, how_many_agree, kept, outlines
from tests.documents import (
    EXAMPLES,
    ONE_POINT,
    THREE_POINT,
    TWO_POINT,
    mixed_document,
    random_document,
    scene_of,
    touching_document,
)

CHUNK = 40


@pytest.mark.parametrize("round_share", [0.0, 0.5], ids=["boxes", "round things"])
@pytest.mark.parametrize("first", range(0, 400, CHUNK))
def test_random_documents_agree(first, round_share):
    seeds = range(first, first + CHUNK)
    documents = (random_document(seed, round_share=round_share) for seed in seeds)
    assert how_many_agree(documents) > CHUNK * 0.3


@pytest.mark.parametrize("path", sorted(EXAMPLES.glob("*.json")), ids=lambda path: path.stem)
@pytest.mark.parametrize("flow", list(Flow))
def test_examples_agree(path, flow):
    scene = resolve(from_data({**json.loads(path.read_text()), "run": {"flow": flow}}))
    assert difference(outlines(scene), kept(scene)) == ([], [])
    assert len(outlines(scene)) > 8


CUTS = [{"fraction": 0.37}, {"along_mm": 42}, {"true_mm": 66}]


@pytest.mark.parametrize("cut", [*CUTS, {"x_mm": 150}], ids=lambda cut: next(iter(cut)))
@pytest.mark.parametrize("corner", [None, "top left", "top right", "bottom left", "bottom right"])
def test_one_point_cuts_from_every_corner(cut, corner):
    depth = {**cut, "from": corner} if corner else cut
    scene = scene_of(ONE_POINT, pieces__0__depth=depth)
    assert difference(outlines(scene), kept(scene)) == ([], [])


@pytest.mark.parametrize("left", [*CUTS, {"x_mm": 120}], ids=lambda cut: next(iter(cut)))
@pytest.mark.parametrize("right", [*CUTS, {"x_mm": 290}], ids=lambda cut: next(iter(cut)))
@pytest.mark.parametrize("end", [None, "top", "bottom"])
def test_two_point_cuts_from_both_ends(left, right, end):
    more = {"from": end} if end else {}
    scene = scene_of(
        TWO_POINT, pieces__0__left={**left, **more}, pieces__0__right={**right, **more}
    )
    assert difference(outlines(scene), kept(scene)) == ([], [])


@pytest.mark.parametrize("vp_mm", [-80, 40, 60, 90, 120, 300, 900])
@pytest.mark.parametrize("level_mm", [20, 160, 185, 210, 280])
@pytest.mark.parametrize("transparent", [False, True])
def test_a_box_with_the_vanishing_point_in_every_place(vp_mm, level_mm, transparent):
    scene = scene_of(
        ONE_POINT,
        view__vanishing_point_mm=vp_mm,
        view__eye_level_mm=level_mm,
        pieces__0__transparent=transparent,
    )
    assert difference(outlines(scene), kept(scene)) == ([], [])


@pytest.mark.parametrize("x_mm", [-200, -60, 60, 200, 360, 480, 620])
@pytest.mark.parametrize("level_mm", [100, 150, 190, 230, 280])
def test_a_corner_between_beside_and_beyond_the_points(x_mm, level_mm):
    scene = scene_of(
        TWO_POINT,
        sheet={"size": {"width_mm": 900, "height_mm": 400}},
        pieces__0__edge__x_mm=x_mm,
        pieces__0__right={"fraction": 0.3},
        view__eye_level_mm=level_mm,
    )
    assert difference(outlines(scene), kept(scene)) == ([], [])


@pytest.mark.parametrize("first", range(0, 120, 40))
def test_turned_things_and_second_views_agree(first):
    assert how_many_agree(map(mixed_document, range(first, first + 40))) > 15


@pytest.mark.parametrize("first", range(0, 60, 20))
def test_touching_things_agree_and_draw_each_line_once(first):
    for seed in range(first, first + 20):
        data = touching_document(seed)
        scene = scene_of(data)
        drawn = outlines(scene)
        assert difference(drawn, kept(scene)) == ([], []), json.dumps(data)
        for i, line in enumerate(drawn):
            for other in drawn[i + 1 :]:
                shared = portion_shared(line.segment, other.segment)
                assert shared is None, json.dumps(data)


@pytest.mark.parametrize("left", [*CUTS, {"x_mm": 120}], ids=lambda cut: next(iter(cut)))
@pytest.mark.parametrize("right", [*CUTS, {"x_mm": 290}], ids=lambda cut: next(iter(cut)))
@pytest.mark.parametrize("end", [None, "top", "bottom"])
@pytest.mark.parametrize("third", [[220, 520], [150, -400]], ids=["VP3 below", "VP3 above"])
def test_three_point_cuts_from_both_ends(left, right, end, third):
    more = {"from": end} if end else {}
    level = 60 if third[1] > 0 else 240
    scene = scene_of(
        THREE_POINT,
        view__third_vp_mm=third,
        view__eye_level_mm=level,
        pieces__0__left={**left, **more},
        pieces__0__right={**right, **more},
    )
    assert difference(outlines(scene), kept(scene)) == ([], [])


@pytest.mark.parametrize("x_mm", [-90, 100, 205, 330, 560])
@pytest.mark.parametrize("level_mm", [40, 100, 150, 209, 280])
@pytest.mark.parametrize("third_mm", [700, -420])
@pytest.mark.parametrize("transparent", [False, True])
def test_three_point_blocks_above_on_and_below_the_eye_level(x_mm, level_mm, third_mm, transparent):
    # Common practice, no published source: one above, one straddling, one below the horizon.
    scene = scene_of(
        THREE_POINT,
        sheet={"size": {"width_mm": 900, "height_mm": 500}},
        view__eye_level_mm=level_mm,
        view__third_vp_mm=[230, third_mm],
        pieces__0__edge__x_mm=x_mm,
        pieces__0__right={"fraction": 0.2},
        pieces__0__transparent=transparent,
    )
    drawn = outlines(scene)
    assert difference(drawn, kept(scene)) == ([], [])
    # At 100 mm the top is seen edge-on, and its lines lie on one another.
    if transparent and x_mm > 0 and level_mm != 100:
        assert len(drawn) == 12
    uprights = [line for line in drawn if line.family == "VP3"]
    for line in uprights:
        ruler = join(Point(*line.start), Point(*line.end))
        assert distance_point_line(Point(230, third_mm), ruler) < 1e-6


def test_touching_boxes_draw_their_shared_edge_once():
    row = [
        {"kind": "box", "id": name, "standing": "ground", "depth": {"true_mm": 40},
         "front": {"x_mm": x, "y_mm": 170, "width_mm": 50, "height_mm": 40}}
        for name, x in (("a", 60), ("b", 110), ("c", 160))
    ]  # fmt: skip
    scene = scene_of(ONE_POINT, pieces=row)
    lines = outlines(scene)
    for i, line in enumerate(lines):
        for other in lines[i + 1 :]:
            apart = max(
                min(math.dist(end, other.start), math.dist(end, other.end)) for end in line.segment
            )
            assert apart > 0.01, "no line is drawn twice"


def test_of_two_floating_boxes_the_first_hides_the_other_whole():
    front = ONE_POINT["pieces"][0]
    behind = {**front, "id": "other", "front": {**front["front"], "x_mm": 80, "y_mm": 170}}
    both = scene_of(ONE_POINT, pieces=[front, behind])
    turned = scene_of(ONE_POINT, pieces=[behind, front])
    count = lambda scene, name: sum(str(line.part) == name for line in outlines(scene))  # noqa: E731
    assert count(both, "crate") == count(scene_of(ONE_POINT), "crate")
    assert count(turned, "other") == count(scene_of(ONE_POINT, pieces=[behind]), "other")
    for scene in (both, turned):
        assert difference(outlines(scene), kept(scene)) == ([], [])


@pytest.mark.parametrize("data", [ONE_POINT, TWO_POINT, THREE_POINT])
def test_each_family_meets_in_its_vanishing_point(data):
    scene = scene_of(data)
    points = {vp.name: vp.at for vp in scene.vanishing_points}
    for step in steps(scene):
        for drawn in step.strokes:
            line = join(Point(*drawn.stroke.start), Point(*drawn.stroke.end))
            if drawn.stroke.family in points:
                assert distance_point_line(points[drawn.stroke.family], line) < 1e-6
            elif drawn.stroke.family == "vertical":
                assert drawn.stroke.start[0] == pytest.approx(drawn.stroke.end[0])
            elif drawn.stroke.family == "horizontal":
                assert drawn.stroke.start[1] == pytest.approx(drawn.stroke.end[1])


def test_two_views_on_one_sheet_hide_one_another():
    data = {
        **ONE_POINT,
        "views": {"side street": {"kind": "one-point", "eye_level_mm": 100,
                                  "vanishing_point_mm": 350, "viewing_distance_mm": 250}},
        "pieces": [
            {**ONE_POINT["pieces"][0], "standing": "ground", "depth": {"fraction": 0.1}},
            {"kind": "box", "id": "far", "view": "side street", "standing": "ground",
             "front": {"x_mm": 90, "y_mm": 110, "width_mm": 90, "height_mm": 60},
             "depth": {"fraction": 0.3}},
        ],
    }  # fmt: skip
    scene = scene_of(data)
    assert difference(outlines(scene), kept(scene)) == ([], [])
    assert {line.family for line in outlines(scene) if str(line.part) == "far"} >= {
        "side street:VP1"
    }


@pytest.mark.parametrize(
    ("data", "level_mm"), [(TWO_POINT, 150), (TWO_POINT, 230), (THREE_POINT, 100)]
)
def test_a_face_seen_edge_on_is_one_line_of_each_family(data, level_mm):
    scene = scene_of(data, view__eye_level_mm=level_mm, pieces__0__transparent=True)
    drawn, built = outlines(scene), kept(scene)
    assert difference(drawn, built) == ([], [])
    for lines in (drawn, built):
        for i, line in enumerate(lines):
            for other in lines[i + 1 :]:
                if line.family == other.family:
                    assert portion_shared(line.segment, other.segment) is None


def test_strokes_of_one_line_are_joined_and_others_are_not():
    line = Stroke((0.0, 0.0), (4.0, 0.0), "VP1", Role.OUTLINE, "a")
    on = line._replace(start=(4.0, 0.0), end=(9.0, 0.0))
    over = line._replace(start=(12.0, 0.0), end=(7.0, 0.0))
    for others in ([on, over], [over, on]):
        whole = joined([line, *others])
        assert {end for stroke in whole for end in stroke.segment} >= {(0.0, 0.0), (12.0, 0.0)}
    assert len(joined([line, on, over])) == 1
    for other in (
        on._replace(part=Part("b")),
        on._replace(family="VP2"),
        on._replace(role=Role.HIDDEN),
        on._replace(start=(5.0, 0.0)),
        on._replace(end=(9.0, 1.0)),
        on._replace(curve=1),
    ):
        assert joined([line, other]) == [line, other]


def drum(name, x, y, width, height, back, **more):
    front = {"x_mm": x, "y_mm": y, "width_mm": width, "height_mm": height}
    return {"kind": "cylinder", "id": name, "front": front, "depth": {"fraction": back}, **more}


STACK = [drum("low", 60, 160, 60, 50, 0.3), drum("up", 60, 120, 60, 40, 0.3)]
LYING = {"axis": "away", "standing": "ground"}
PIPES = [
    drum("near", 60, 160, 60, 60, 0.3, **LYING),
    # The second pipe begins where the first one ends, three tenths of the way to VP1.
    drum("far", 60 + 150 * 0.3, 160 - 60 * 0.3, 60 * 0.7, 60 * 0.7, 0.3, **LYING),
]


@pytest.mark.parametrize("pieces", [STACK, STACK[::-1], PIPES, PIPES[::-1]])
def test_round_things_that_share_a_rim_draw_it_once(pieces):
    scene = scene_of(ONE_POINT, pieces=pieces)
    drawn = outlines(scene)
    assert difference(drawn, kept(scene)) == ([], [])
    shapes = curves(drawn)
    for i, one in enumerate(shapes):
        places = {(round(s.start[0], 3), round(s.start[1], 3)) for s in one[1:]}
        for other in shapes[i + 1 :]:
            again = {(round(s.start[0], 3), round(s.start[1], 3)) for s in other[1:]}
            assert len(places & again) <= 1
    if pieces[0]["id"] in ("near", "far"):
        whole = [c for c in shapes if math.dist(c[0].start, c[-1].end) < 0.01]
        assert [str(c[0].part) for c in whole] == ["near"]


@pytest.mark.parametrize(("left_mm", "right_mm"), [(-1e5, 1e5), (-1e5, 500), (100, 1e5)])
@pytest.mark.parametrize("kind", ["box", "cylinder"])
@pytest.mark.parametrize("third", [None, [220, 520], [220, 1e5]])
def test_points_100_m_away_agree_like_any_others(left_mm, right_mm, kind, third):
    more = {} if third is None else {"view__third_vp_mm": third}
    for left, right in (
        ({"fraction": 0.0005}, {"along_mm": 70}),
        ({"along_mm": 50}, {"x_mm": 260}),
    ):
        scene = scene_of(
            TWO_POINT if third is None else THREE_POINT,
            view__left_vp_mm=left_mm,
            view__right_vp_mm=right_mm,
            pieces__0__kind=kind,
            pieces__0__left=left,
            pieces__0__right=right,
            **more,
        )
        assert difference(outlines(scene), kept(scene)) == ([], [])


def test_drums_may_stand_closer_than_the_blocks_around_them():
    # 60 mm wide, 45 mm apart to the right and away: the blocks overlap, the circles do not.
    far = 1 + 45 / 300
    pieces = [
        drum("left", 60, 170, 60, 50, 0.5, standing="ground"),
        drum("right", 210 - 105 / far, 100 + 70 / far, 60 / far, 50 / far, 0.5, standing="ground"),
    ]
    pieces[0]["depth"], pieces[1]["depth"] = {"true_mm": 60}, {"true_mm": 60 / far}
    scene = scene_of(ONE_POINT, pieces=pieces)
    assert difference(outlines(scene), kept(scene)) == ([], [])
    for piece in pieces:
        piece["kind"] = "box"
    with pytest.raises(ExerciseError, match="stand in one another"):
        steps(scene_of(ONE_POINT, pieces=pieces))
