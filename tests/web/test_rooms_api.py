"""A room from a click to print, by the addresses that the bench asks."""

from __future__ import annotations

import copy
import math

import pytest

from orthopsis.exercise.load import to_data
from orthopsis.exercise.recipes import recipe
from tests.documents import changed
from tests.rooms import HALL, TWO, with_pieces

ROOMS = ("first-room", "potting-room", "reading-corner", "flight", "terrace-steps")
CORNER = {"kind": "room", "id": "hall",
          "corner": {"x_mm": 210, "top_mm": 60, "bottom_mm": 160}}  # fmt: skip
LIT = {**copy.deepcopy(HALL), "tone": {"light": {"kind": "side", "from": "left", "rise_deg": 40},
                                       "cast": ["hall/floor"]}}  # fmt: skip


def drawn(client, document):
    answer = client.post("/api/picture", json=document)
    assert answer.status_code == 200, answer.text
    return answer.json()


@pytest.mark.parametrize("name", ROOMS)
def test_a_good_start_is_drawn_taught_planned_and_shown_at_the_board(client, name):
    document = to_data(recipe(name).document)
    answer = drawn(client, document)
    assert answer["drawing"]["strokes"] and all(grip["label"] for grip in answer["grips"])
    stepped = client.post("/api/steps", json=document).json()
    for step in stepped["steps"]:
        assert step["title"] and step["instruction"], step
        assert "None" not in step["instruction"] and "{" not in step["instruction"]
    assert client.post("/api/board", json=document).status_code == 200
    asked = {"document": document, "order": {"parts": ["steps"]}}
    assert client.post("/api/print", json=asked).content.startswith(b"%PDF")


def test_a_room_is_built_up_piece_by_piece(client):
    document = {**copy.deepcopy(HALL), "pieces": []}
    for kind, at in (
        ("room", [210, 130]), ("made", [190, 250]), ("panel", [30, 140]), ("panel", [300, 285]),
        ("box", [260, 230]),
    ):  # fmt: skip
        asked = {"document": document, "kind": kind, "at": at, "step_mm": 5}
        put = client.post("/api/pieces", json=asked)
        assert put.status_code == 200, put.text
        document = put.json()["document"]
        drawn(client, document)
    room, *others = document["pieces"]
    surfaces = [one["on"].removeprefix(room["id"]) for one in others]
    assert surfaces == ["/floor", "/left", "/floor", "/floor"]
    named = {"document": document, "old": room["id"], "new": "kitchen"}
    kitchen = client.post("/api/pieces/name", json=named).json()["document"]
    assert {one["on"].partition("/")[0] for one in kitchen["pieces"][1:]} == {"kitchen"}
    assert drawn(client, kitchen)["drawing"]["strokes"]


def test_a_level_is_dragged_where_its_grip_is_and_things_follow(client):
    def top_of_table(document):
        strokes = drawn(client, document)["drawing"]["strokes"]
        of_table = [stroke for stroke in strokes if stroke["piece"] == "table"]
        ends = [stroke[end] for stroke in of_table for end in ("from", "to")]
        return min(y for _, y in ends)

    document = changed(HALL, pieces__2__height={"level": "worktop"})
    grips = [grip for grip in drawn(client, document)["grips"] if grip["piece"] == "hall"]
    levels = {grip["way"]: grip for grip in grips if grip["field"] == "levels"}
    assert set(levels) == {"worktop", "sill"}
    up = levels["worktop"]
    assert math.dist(up["at"], up["start"]) == pytest.approx(28)
    higher = changed(document, pieces__0__levels={"worktop": 40, "sill": 36})
    assert top_of_table(higher) < top_of_table(document)
    lost = client.post("/api/picture", json=changed(document, pieces__0__levels={"sill": 36}))
    assert (lost.status_code, lost.json()["field"]) == (422, "pieces[2].height.level")


def test_shadows_come_with_the_picture_and_are_a_step(client):
    plain, lit = drawn(client, HALL), drawn(client, LIT)
    cast = [one for one in lit["drawing"]["strokes"] if one["role"] == "shadow"]
    assert cast and not any(one["role"] == "shadow" for one in plain["drawing"]["strokes"])
    titles = [step["title"] for step in client.post("/api/steps", json=LIT).json()["steps"]]
    assert any("shadow" in title.lower() for title in titles)


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"pieces__0__back__x_mm": 230}, "pieces[0].back"),
        ({"pieces__1__on": "hall/roof"}, "pieces[1].on"),
        ({"pieces__1__grid": [0, 4]}, "pieces[1].grid[0]"),
        ({"pieces__2__foot__y_mm": 100}, "pieces[2].foot"),
        ({"pieces__2__on": "garage/floor"}, "pieces[2].on"),
        ({"tone": {"light": {"kind": "lamp", "piece": "nobody"}, "cast": ["ground"]}},
         "tone.light.piece"),
    ],
)  # fmt: skip
def test_a_fault_in_a_room_is_a_problem_that_names_the_field(client, change, field):
    answer = client.post("/api/picture", json=changed(HALL, **change))
    assert answer.status_code == 422
    assert answer.json()["field"] == field, answer.json()
    assert answer.json()["detail"]


def test_a_viewer_takes_a_step_in_a_corner(client):
    document = with_pieces(CORNER, view=TWO)
    moved = client.post("/api/viewer", json={"document": document, "back_mm": 40, "right_mm": 10})
    assert moved.status_code == 200, moved.text
    there = moved.json()["pieces"][0]["corner"]
    # Through the same window, what lies behind it looks larger from further back.
    assert 100 < there["bottom_mm"] - there["top_mm"] < 140
    drawn(client, moved.json())
