"""Extensions, porches, signs and setbacks: houses built on houses; and houses like another."""

from __future__ import annotations

import math

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.editing import with_field, with_house_beside, with_part
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve, steps
from orthopsis.perspective.plane import Point, distance, join, meet
from orthopsis.pieces.base import NewPart
from tests.agreement import difference, kept, outlines
from tests.houses import COTTAGE, cottage
from tests.words import instruction

ROOFS = {
    "flat": {"kind": "flat"},
    "gable": {"kind": "gable", "peak_mm": 10},
    "hip": {"kind": "hip", "peak_mm": 8},
    "lean-to": {"kind": "lean-to", "peak_mm": 9},
}
FLAT = {"kind": "flat"}


def agrees(scene):
    assert difference(outlines(scene), kept(scene)) == ([], [])
    return scene


def garage(on, roof="flat", **more):
    end = {"gable": {"end": on}, "hip": {"end": on}, "lean-to": {"low": on}}.get(roof, {})
    door = {"kind": "panel", "id": "gate", "on": on, "look": "door", "from": {"fraction": 0.03},
            "to": {"fraction": 0.08}, "height_mm": 20}  # fmt: skip
    return {"kind": "block", "id": "garage", "on": on, "look": "garage",
            "from": {"fraction": 0.1}, "to": {"fraction": 0.3}, "height_mm": 35, "out_mm": 15,
            "roof": {**ROOFS[roof], **end}, "parts": [door], **more}  # fmt: skip


@pytest.mark.parametrize("seen_through", [False, True])
@pytest.mark.parametrize("roof", ROOFS)
@pytest.mark.parametrize("on", ["left", "right"])
def test_a_garage_is_a_house_with_a_roof_and_a_door_of_its_own(on, roof, seen_through):
    scene = cottage(pieces__0__parts=[garage(on, roof)], pieces__0__transparent=seen_through)
    agrees(scene)
    own = [line for line in outlines(scene) if line.part.number == 1]
    goal = "VP1" if on == "left" else "VP2"
    assert sum(line.family == goal for line in own) >= 2, "its foot and the head of its door"


@pytest.mark.parametrize("on", ["left", "right"])
@pytest.mark.parametrize(("up_mm", "height_mm"), [(0, 65), (65, 20), (30, 35)])
def test_a_block_that_ends_on_the_eye_level_is_found_from_its_other_end(on, up_mm, height_mm):
    # All lines that lie on the eye level are one, so nothing crosses there.
    block = {**garage(on), "parts": [], "up_mm": up_mm, "height_mm": height_mm}
    agrees(cottage(pieces__0__parts=[block], pieces__0__roof=FLAT))


def tower(in_, **more):
    upper = {"kind": "setback", "id": "upper", "in": in_, "height_mm": 30, **more}
    return cottage(pieces__0__parts=[upper], pieces__0__roof=FLAT)


def test_its_feet_lie_on_the_diagonals_and_it_is_set_in_alike_all_round():
    scene = agrees(tower({"fraction": 0.1}))
    house, upper = scene.bodies
    top = [house.corners[k][0] for k in (1, 0, 5, 4)]
    feet = [upper.corners[k][0] for k in (2, 3, 6, 7)]
    through, crossing = join(top[0], top[3]), join(top[1], top[2])
    for foot, line in zip(feet, (through, crossing, crossing, through), strict=True):
        off = line.a * foot.x + line.b * foot.y + line.c
        assert math.isclose(off / math.hypot(line.a, line.b), 0.0, abs_tol=1e-6)
    # From both eaves the near foot is the same share away in truth: its lines cut them alike.
    left = meet(join(feet[0], Point(500, 150)), join(top[0], top[1]))
    right = meet(join(feet[0], Point(-60, 150)), join(top[0], top[2]))
    shares = [
        _true_share(top[0], end, cut, vp)
        for end, cut, vp in ((top[1], left, Point(-60, 150)), (top[2], right, Point(500, 150)))
    ]
    assert math.isclose(shares[0], shares[1], rel_tol=1e-9)


def _true_share(start, end, cut, vp):
    """Of a length in depth: cross-ratio with its vanishing point (projective geometry, from
    memory).
    """
    ratio = distance(start, cut) / distance(cut, vp)
    return ratio / (distance(start, end) / distance(end, vp))


def test_from_below_the_house_hides_the_setbacks_foot():
    scene = agrees(tower({"fraction": 0.1}))
    own = [line for line in outlines(scene) if line.part.number == 1]
    assert not any(line.end[1] > 120 and line.family == "VP1" for line in own)
    assert {line.family for line in own} == {"vertical", "VP1", "VP2"}


@pytest.mark.parametrize(
    ("roof", "in_", "field"),
    [({"kind": "gable", "end": "left", "peak_mm": 20}, {"fraction": 0.1}, "upper"),
     (FLAT, {"x_mm": 150}, "upper.in")],
)  # fmt: skip
def test_a_setback_needs_a_flat_roof_and_something_left_of_it(roof, in_, field):
    upper = {"kind": "setback", "id": "upper", "in": in_, "height_mm": 30}
    with pytest.raises(ExerciseError) as refused:
        steps(cottage(pieces__0__parts=[upper], pieces__0__roof=roof))
    assert refused.value.path == f"pieces[0].parts.{field}"


@pytest.mark.parametrize("kind", ["gable", "hip"])
@pytest.mark.parametrize("end", ["left", "right"])
def test_eaves_hang_over_all_round_and_carry_what_lies_on_the_roof(kind, end):
    slope = "roof right" if end == "left" else "roof left"
    stack = {"kind": "chimney", "id": "stack", "on": slope, "wide": {"along_mm": 6},
             "deep": {"along_mm": 4}, "high_mm": 16}  # fmt: skip
    tiles = {"kind": "pattern", "id": "tiles", "on": slope, "courses": 3, "bays": 4}
    roof = {"kind": kind, "end": end, "peak_mm": 60, "eaves_mm": 7}
    high = {"edge": {"x_mm": 240, "top_mm": 165, "bottom_mm": 230}}
    fields = {"pieces__0__parts": [stack, tiles], "pieces__0__roof": roof,
              "pieces__0__edge": high["edge"]}  # fmt: skip
    scene = agrees(cottage(**fields))
    walls, lid, chimney = scene.bodies
    assert (walls.on, lid.on, chimney.on) == (None, walls.part, lid.part)
    top = [walls.corners[k][0] for k in (1, 0, 5, 4)]
    under = [lid.corners[k][0] for k in (2, 3, 6, 7)]
    through, crossing = join(top[0], top[3]), join(top[1], top[2])
    for foot, line in zip(under, (through, crossing, crossing, through), strict=True):
        off = line.a * foot.x + line.b * foot.y + line.c
        assert math.isclose(off / math.hypot(line.a, line.b), 0.0, abs_tol=1e-6)
    beyond = meet(join(under[0], Point(500, 150)), join(top[0], top[1]))
    assert math.isclose(distance(top[0], beyond), 7.0, abs_tol=1e-9)
    assert distance(beyond, top[1]) > distance(top[0], top[1])
    joints = [
        line for line in outlines(scene) if "roof up" in line.family and line.part == lid.part
    ]
    assert joints, "the tiles lie on it"
    off = with_field(scene.exercise, "cottage", "roof.eaves_mm", None)
    assert off.pieces[0].roof.eaves_mm is None
    assert with_field(off, "cottage", "roof.eaves_mm", True).pieces[0].roof.eaves_mm == 4.0


def test_each_roof_of_a_house_or_a_row_has_a_point_of_its_own():
    # One name for two points would have the one roof's slopes judged by the other's.
    roof = {"kind": "gable", "end": "right", "peak_mm": 40}
    low = {"kind": "gable", "end": "right", "peak_mm": 6}
    house = cottage(pieces__0__roof=roof, pieces__0__parts=[{**garage("right"), "roof": low}])
    data = terrace(9)
    data["pieces"][1]["buildings"].append(
        {"id": "barn", "top_mm": 150, "gap": {"along_mm": 6}, "length": {"along_mm": 20},
         "back": {"along_mm": 20}, "roof": low}
    )  # fmt: skip
    for scene in (house, resolve(from_data(data))):
        names = [point.name for point in scene.slope_points]
        assert len(names) == len(set(names)) >= 4
        for line in outlines(scene):
            goal = next((one for one in scene.slope_points if one.name == line.family), None)
            if goal is not None:
                through = join(Point(*line.start), Point(*line.end))
                off = through.a * goal.at.x + through.b * goal.at.y + through.c
                assert abs(off / math.hypot(through.a, through.b)) < 1e-4


def test_no_roof_hangs_over_into_the_wall_that_it_leans_on():
    roof = {"kind": "gable", "end": "left", "peak_mm": 10, "eaves_mm": 3}
    with pytest.raises(ExerciseError) as refused:
        cottage(pieces__0__parts=[{**garage("left"), "roof": roof}])
    assert refused.value.path == "pieces[0].parts[0].roof"


def test_what_is_built_on_a_house_is_dressed_at_the_bench_like_a_house():
    bare = from_data({**COTTAGE, "pieces": [{**COTTAGE["pieces"][0], "parts": [], "roof": FLAT}]})
    one = with_part(bare, "cottage", NewPart("extension", on="left", at=Point(170, 180)))
    two = with_part(one, "cottage", NewPart("door", member="extension 1", on="left"))
    three = with_field(two, "cottage", "parts.0.roof.kind", "gable")
    four = with_field(three, "cottage", "parts.0.parts.0.look", "plain")
    five = with_part(four, "cottage", NewPart("setback"))
    six = with_part(five, "cottage", NewPart("sign", on="right"))
    last = with_part(six, "cottage", NewPart("lettering", member="sign 1", on="right"))
    extension, setback, sign = last.pieces[0].fittings
    assert (extension.roof.kind, extension.fittings[0].look) == ("gable", "plain")
    assert setback.kind == "setback" and sign.fittings[0].text == "ART"
    agrees(resolve(last))
    with pytest.raises(ExerciseError):
        with_part(last, "cottage", NewPart("door", member="nothing"))


# --- houses like another --------------------------------------------------------------------------


def terrace(*gaps, shop=None):
    inn = {"kind": "building", "id": "inn", "standing": "ground",
           "edge": {"x_mm": 250, "top_mm": 90, "bottom_mm": 230}, "left": {"x_mm": 200},
           "right": {"x_mm": 330}}  # fmt: skip
    panes = {"kind": "panel", "id": "panes", "on": "left", "look": "windows", "storeys": 2,
             "sill_mm": 12, "height_mm": 20, "bays": {"count": 2}}  # fmt: skip
    gable = {"kind": "gable", "end": "right", "peak_mm": 20}
    first = {"id": "shop", "top_mm": 120, "length": {"along_mm": 40}, "back": {"along_mm": 30},
             "roof": gable, "parts": [panes]}  # fmt: skip
    more = [{"id": f"house {k}", "like": "shop", **({"gap": {"along_mm": gap}} if gap else {})}
            for k, gap in enumerate(gaps)]  # fmt: skip
    row = {"kind": "row", "id": "street", "from": {"piece": "inn", "side": "left"},
           "buildings": [first | (shop or {}), *more]}  # fmt: skip
    return {**COTTAGE, "pieces": [inn, row]}


@pytest.mark.parametrize("gaps", [(0,), (0, 0), (8,), (8, 0), (0, 6)])
def test_a_house_like_another_is_that_house_further_along_the_street(gaps):
    scene = agrees(resolve(from_data(terrace(*gaps))))
    vp = Point(-60, 150)
    houses = [body for body in scene.bodies if body.part.piece == "street"]
    shop, *others = ({k: place for k, (place, _) in enumerate(house.corners)} for house in houses)
    for other in others:
        # All that it has lies on lines from the first to the street's point: tops, peaks, backs.
        for k, place in shop.items():
            there, back = distance(other[k], vp), distance(place, vp)
            assert there < back
            assert math.isclose(
                (place.x - vp.x) * (other[k].y - vp.y), (place.y - vp.y) * (other[k].x - vp.x),
                abs_tol=1e-6 * back * there,
            )  # fmt: skip
        # Equally long in truth.
        ways = (1 / distance(one[0], vp) - 1 / distance(one[1], vp) for one in (shop, other))
        long, again = (way * distance(one[1], Point(one[1].x, 150)) for way, one in
                       zip(ways, (shop, other), strict=True))  # fmt: skip
        assert math.isclose(
            long / distance(shop[1], Point(shop[1].x, 150)),
            again / distance(other[1], Point(other[1].x, 150)), rel_tol=1e-6,
        )  # fmt: skip


def test_its_height_is_not_measured_and_its_length_comes_by_the_diagonal():
    said = [instruction(step) for step in steps(resolve(from_data(terrace(0, 9))))]
    assert any("as high" in one and "near upright, too" in one for one in said)
    assert any("through that middle to the line of the tops" in one for one in said)
    assert any("nothing is measured" in one for one in said), "after a gap its top is carried on"


def test_what_is_put_on_one_of_them_is_on_all():
    first, row = with_house_beside(from_data(COTTAGE), "cottage", "left", "house")
    second, _ = with_house_beside(first, "cottage", "left", "house-like")
    assert second.pieces[-1].buildings[1].like == "house 1"
    third = with_part(second, row, NewPart("door", member="house 2", on="left"))
    shown = agrees(resolve(third))
    assert [len(one.fittings) for one in third.pieces[-1].buildings] == [1, 0]
    doors = [line for line in outlines(shown) if line.family == "VP1"]
    assert (
        len(doors) > len([line for line in outlines(resolve(second)) if line.family == "VP1"]) + 1
    )


@pytest.mark.parametrize(
    ("more", "field"),
    [({"top_mm": 100}, "top_mm"), ({"like": "nobody"}, "like"), ({"roof": ROOFS["hip"]}, "roof")],
)
def test_a_house_like_another_has_no_measures_of_its_own(more, field):
    data = terrace(0)
    data["pieces"][1]["buildings"][1] |= more
    with pytest.raises(ExerciseError) as refused:
        steps(resolve(from_data(data)))
    assert refused.value.path.endswith(field)
