"""Things that stand on the tops of other things."""

from __future__ import annotations

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.demand import for_demand
from orthopsis.exercise.editing import renamed, with_new_piece
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.resolve import resolve, steps
from tests.agreement import difference, kept, outlines
from tests.core.test_depth_buffer import agrees_by_depth

VIEW = {"kind": "two-point", "eye_level_mm": 80, "left_vp_mm": -20, "right_vp_mm": 440}
CRATE = {"kind": "box", "id": "crate", "standing": "ground",
         "edge": {"x_mm": 220, "top_mm": 190, "bottom_mm": 270}, "left": {"x_mm": 90},
         "right": {"x_mm": 330}}  # fmt: skip


def small(name, x, top, bottom, on="crate/top", **more):
    return {"kind": "box", "id": name, "on": on, "left": {"along_mm": 20},
            "edge": {"x_mm": x, "top_mm": top, "bottom_mm": bottom}, "right": {"along_mm": 22},
            **more}  # fmt: skip


def document(*pieces, view=VIEW):
    return {"format": "orthopsis-exercise", "version": 2, "title": "On top",
            "sheet": {"size": "A3"}, "view": view, "pieces": list(pieces)}  # fmt: skip


@pytest.mark.parametrize(
    "pieces",
    [
        (CRATE, small("parcel", 220, 120, 170)),
        (CRATE, small("parcel", 220, 120, 170), small("tin", 165, 130, 160)),
        (CRATE, small("drum", 280, 120, 165, kind="cylinder"), small("tin", 165, 130, 160)),
        ({**CRATE, "kind": "building"}, small("parcel", 220, 120, 170),
         small("tin", 225, 95, 120, on="parcel/top", left={"along_mm": 8}, right={"along_mm": 8})),
    ],
)  # fmt: skip
def test_what_stands_on_a_top_is_before_it_and_after_what_is_nearer(pieces):
    data = document(*pieces)
    scene = resolve(from_data(data))
    assert difference(outlines(scene), kept(scene)) == ([], [])
    if not any(piece["kind"] == "cylinder" for piece in pieces):
        agrees_by_depth(data)
    # Seen from above, the top's lines stop at what stands on it, and nothing of that is hidden.
    top = [line for line in outlines(scene) if line.part.piece == pieces[1]["id"]]
    alone = resolve(from_data(document({**pieces[1], "on": None, "standing": "floating"})))
    assert len(top) >= len(outlines(alone)) - 2


def test_on_a_top_above_the_eye_the_foot_is_hidden():
    house = {**CRATE, "edge": {"x_mm": 220, "top_mm": 40, "bottom_mm": 270}}
    low = {**VIEW, "eye_level_mm": 200}
    data = document(house, small("mast", 215, 10, 60), view=low)
    scene = resolve(from_data(data))
    assert difference(outlines(scene), kept(scene)) == ([], [])
    agrees_by_depth(data)
    mast = [line for line in outlines(scene) if line.part.piece == "mast"]
    assert max(y for line in mast for _, y in line.segment) < 60


@pytest.mark.parametrize(
    ("change", "field"),
    [({"on": "nobody/top"}, "on"), ({"on": "crate/left"}, "on"), ({"on": "tin/top"}, "on"),
     ({"edge": {"x_mm": 220, "top_mm": 20, "bottom_mm": 70}}, "edge.bottom_mm")],
)  # fmt: skip
def test_what_cannot_stand_there_is_refused_with_the_field(change, field):
    data = document(CRATE, {**small("tin", 220, 120, 170), **change})
    with pytest.raises(ExerciseError) as refused:
        steps(resolve(from_data(data)))
    assert refused.value.path == f"pieces[1].{field}"


def test_it_goes_with_what_it_stands_on():
    data = document(CRATE, small("tin", 220, 120, 170), small("lamp", 165, 130, 160))
    data["demands"] = {"first steps": {"leave_out": ["crate"]}}
    short, edge = {"along_mm": 20}, {"x_mm": 380, "top_mm": 230, "bottom_mm": 280}
    data["pieces"].append({**CRATE, "id": "other", "edge": edge, "left": short, "right": short})
    left = for_demand(from_data(data), "first steps")
    assert [piece.id for piece in left.pieces] == ["other"]
    named = to_data(renamed(from_data(data), "crate", "chest"))
    assert [piece.get("on") for piece in named["pieces"][1:3]] == ["chest/top"] * 2


def test_a_thing_that_is_put_on_a_top_stands_there():
    there, id = with_new_piece(from_data(document(CRATE)), "box", (220.0, 160.0), 2.0)
    assert there.pieces[-1].id == id and there.pieces[-1].on == "crate/top"
    beside, _ = with_new_piece(from_data(document(CRATE)), "box", (60.0, 280.0), 2.0)
    assert beside.pieces[-1].on is None and beside.pieces[-1].standing == "ground"
    scene = resolve(there)
    assert difference(outlines(scene), kept(scene)) == ([], [])
