"""Stateless drawing: a document in, its picture, steps and pages out; every refusal a problem."""

from __future__ import annotations

import math

import pytest

from orthopsis.exercise.load import to_data
from orthopsis.exercise.records import drawing_record, steps_record
from orthopsis.exercise.resolve import picture
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.tone import planes
from orthopsis.pieces.registry import KINDS
from orthopsis.web.app import create_app
from tests.documents import (
    EXAMPLE_NAMES,
    ONE_POINT,
    THREE_POINT,
    TWO_POINT,
    changed,
    example,
    scene_of,
)
from tests.letters import ONE, STAIR, STREET, THREE, TWO


def bare(answer):
    """An answer without the fields that are null where the command line leaves them out."""
    if isinstance(answer, dict):
        left_out = {
            k for k in ("curve", "columns", "table", "crowd", "beyond") if answer.get(k) is None
        }
        return {k: bare(v) for k, v in answer.items() if k not in left_out}
    return [bare(one) for one in answer] if isinstance(answer, list) else answer


DRUM = changed(ONE_POINT, pieces__0__kind="cylinder")


@pytest.mark.parametrize("data", [ONE_POINT, TWO_POINT, THREE_POINT, DRUM])
def test_the_picture_is_that_of_the_command_line(client, data):
    answer = client.post("/api/picture", json=data)
    assert answer.status_code == 200
    scene = scene_of(data)
    record = drawing_record(scene, picture(scene)).plain()
    drawing = answer.json()["drawing"]
    assert bare(drawing["strokes"]) == record["strokes"]
    assert drawing["sheet"] == record["sheet"]


@pytest.mark.parametrize("name", EXAMPLE_NAMES)
def test_every_example_opens_at_the_bench_with_its_grips_named(client, name):
    data = to_data(example(name).exercise)
    answer = client.post("/api/picture", json=data)
    assert answer.status_code == 200, answer.text
    for grip in answer.json()["grips"]:
        piece = next(one for one in data["pieces"] if one["id"] == grip["piece"])
        for field in (*grip["field"].split("."), grip["way"]):
            # A hand that moves it changes a measure that is there.
            piece = piece[int(field)] if isinstance(piece, list) else piece[field]
        assert isinstance(piece, int | float)
        assert grip["label"]
    assert client.post("/api/steps", json=data).status_code == 200


@pytest.mark.parametrize("data", [TWO_POINT, DRUM])
def test_a_moving_hand_is_answered_with_the_same_lines_and_no_more(client, data):
    whole = client.post("/api/picture", json=data).json()
    quick = client.post("/api/picture?lines_only=true&hidden=false", json=data).json()
    strokes = whole["drawing"]["strokes"]
    assert any(stroke["role"] == "hidden" for stroke in strokes)
    assert quick["drawing"]["strokes"] == [s for s in strokes if s["role"] != "hidden"]
    assert (quick["facts"], quick["advice"], quick["grips"]) == (None, None, [])
    name = data["pieces"][0]["id"]
    held = client.post(f"/api/picture?lines_only=true&chosen={name}", json=data).json()
    assert held["grips"] == [grip for grip in whole["grips"] if grip["piece"] == name] != []


@pytest.mark.parametrize("data", [ONE_POINT, THREE_POINT, DRUM])
def test_the_steps_are_those_of_the_command_line(client, data):
    answer = client.post("/api/steps", json=data)
    made = bare(answer.json())
    assert made.pop("flow") == "things"
    for step in made["steps"]:
        del step["earlier"]
    scene = scene_of(data)
    assert made == steps_record(scene, run_through(scene)).plain()
    assert answer.json()["forgiveness_mm"] > 0


def test_facts_advice_and_grips_come_with_the_picture(client):
    answer = client.post("/api/picture", json=TWO_POINT).json()
    assert answer["facts"]["strips"][0] == {"name": "VP1", "side": "left", "length_mm": 90,
                                             "ruler_mm": 500}  # fmt: skip
    assert {one["code"] for one in answer["advice"]} == {"tape-strip"}
    assert answer["units"] == "cm"
    grips = {grip["field"]: grip for grip in answer["grips"]}
    assert grips["left"]["way"] == "fraction"
    assert grips["left"]["start"] == [200, 150]
    assert grips["left"]["at"] == pytest.approx([200 - 0.3 * 290, 150 - 0.3 * 30])
    assert grips["right"]["goal"] == [510, 120]


def test_a_slanting_edge_has_a_grip_for_its_length(client):
    answer = client.post("/api/picture", json=THREE_POINT).json()
    grip = next(grip for grip in answer["grips"] if grip["field"] == "edge")
    assert (grip["way"], grip["start"]) == ("length_mm", [200, 100])
    assert math.dist(grip["start"], grip["at"]) == pytest.approx(110)
    assert {vp["name"] for vp in answer["drawing"]["vanishing_points"]} == {"VP1", "VP2", "VP3"}


def test_advice_changes_may_be_pairs_and_apply_as_they_come(client):
    flat = changed(THREE_POINT, view__third_vp_mm=[220, 200], pieces__0__edge__length_mm=30)
    said = client.post("/api/picture", json=flat).json()["advice"]
    one = next(a for a in said if a["code"] == "flat-triangle")
    assert one["remedy"]
    for change in one["changes"]:
        flat = changed(flat, **{"__".join(map(str, change["path"])): change["value"]})
    after = client.post("/api/picture", json=flat).json()
    assert "flat-triangle" not in {a["code"] for a in after["advice"]}


def test_a_viewer_takes_a_step_and_the_things_stay(client):
    step = {"document": THREE_POINT, "back_mm": 40, "right_mm": 15}
    moved = client.post("/api/viewer", json=step)
    assert moved.status_code == 200
    assert moved.json()["view"]["third_vp_mm"] != THREE_POINT["view"]["third_vp_mm"]
    assert client.post("/api/picture", json=moved.json()).status_code == 200
    far = client.post("/api/viewer", json={"document": ONE_POINT, "back_mm": -900})
    assert far.status_code == 422
    assert "smaller step" in far.json()["detail"]
    assert client.post("/api/viewer", json={**step, "back_mm": "x"}).status_code == 422


def test_an_answer_may_be_sent_back_as_it_came(client):
    added = client.post("/api/exercises", json=ONE_POINT).json()["document"]
    assert client.post("/api/picture", json=added).status_code == 200


def test_the_handout_is_a_pdf_to_look_at(client):
    asked = {"document": changed(ONE_POINT, title="Böxes: a/b"), "order": {"parts": ["steps"]}}
    answer = client.post("/api/print", json=asked)
    assert answer.headers["content-type"] == "application/pdf"
    assert answer.headers["content-disposition"] == 'inline; filename="b-xes--a-b.pdf"'
    assert answer.content.startswith(b"%PDF")


@pytest.mark.parametrize(
    ("change", "field", "says"),
    [
        ({"piezes": []}, "piezes", "unknown field"),
        ({"view__eye_level_mm": "x"}, "view.eye_level_mm", "must be a number"),
        ({"pieces__0__depth": {"along_mm": 900}}, "pieces[0].depth.along_mm", "choose a place"),
        ({"pieces__0__view": "rail"}, "pieces[0].view", "there is no view"),
    ],
)
def test_a_fault_is_a_problem_that_names_the_field(client, change, field, says):
    answer = client.post("/api/picture", json=changed(ONE_POINT, **change))
    assert answer.status_code == 422
    assert answer.headers["content-type"] == "application/problem+json"
    problem = answer.json()
    assert problem["field"] == field
    assert says in problem["detail"]
    assert problem["type"].startswith("urn:orthopsis:")


def test_steps_without_an_order_are_refused_while_the_picture_is_drawn(client):
    box = {**ONE_POINT["pieces"][0], "standing": "ground"}
    data = changed(ONE_POINT, pieces=[box, {**box, "id": "tray"}])
    assert client.post("/api/picture", json=data).status_code == 200
    problem = client.post("/api/steps", json=data).json()
    assert problem["title"] == "no drawing order"


def test_what_is_not_json_is_a_problem_too(client):
    answer = client.post("/api/picture", content=b"{", headers={"content-type": "application/json"})
    assert answer.status_code == 422
    assert answer.headers["content-type"] == "application/problem+json"


def test_unknown_addresses_are_problems(client):
    answer = client.get("/api/nothing")
    assert answer.status_code == 404
    assert answer.json()["title"] == "not found"


def test_the_description_has_no_untyped_holes():
    """Every answer and every field of every model has a type of its own."""
    description = create_app().openapi()
    for path, ways in description["paths"].items():
        for way, operation in ways.items():
            for status, response in operation["responses"].items():
                for body in response.get("content", {}).values():
                    assert body["schema"], (path, way, status)
    for name, model in description["components"]["schemas"].items():
        for field, kind in model.get("properties", {}).items():
            typed = {"type", "$ref", "anyOf", "oneOf", "allOf", "const", "enum"} & set(kind)
            assert typed, (name, field)
            assert kind.get("additionalProperties") is not True, (name, field)


def test_names_of_operations_are_given_once():
    names = [
        operation["operationId"]
        for ways in create_app().openapi()["paths"].values()
        for operation in ways.values()
    ]
    assert len(names) == len(set(names))


@pytest.mark.parametrize("data", [ONE, TWO, THREE, STAIR, STREET])
def test_letters_and_shapes_come_with_their_parts_tried_lines_and_planes(client, data):
    toned = {**data, "tone": {"light": "right"}}
    answer = client.post("/api/picture", json=toned).json()
    scene = scene_of(toned)
    drawn = drawing_record(scene, picture(scene)).plain()
    assert bare(answer["drawing"]["strokes"]) == drawn["strokes"]
    assert len(answer["planes"]) == len(planes(scene))
    for plane, found in zip(answer["planes"], planes(scene), strict=True):
        assert (plane["piece"], plane["value"]) == (str(found.part), found.value)
        assert plane["colour"].startswith("#")
    made = client.post("/api/steps", json=data).json()["steps"]
    assert any(step["tried"] for step in made)
    grips = {grip["field"] for grip in answer["grips"]}
    assert grips <= {"depth", "length", "thickness", "street", "edge"}
    assert grips


def test_a_small_letter_is_refused_with_the_capitals_to_write(client):
    piece = {**ONE["pieces"][0], "text": "Fern"}
    answer = client.post("/api/picture", json={**ONE, "pieces": [piece]})
    assert answer.status_code == 422
    assert "write 'FERN'" in answer.json()["detail"]
    assert answer.json()["field"] == "pieces[0].text"


def test_steps_say_their_measures_and_what_may_come_earlier(client):
    made = client.post("/api/steps", json=TWO_POINT).json()["steps"]
    assert made[0]["said"] == ["12 cm"]
    assert any(step["earlier"] for step in made)
    edit = {"steps": {made[0]["key"]: {"hidden": True, "note": "Printed already"}}}
    hidden = client.post("/api/steps", json={**TWO_POINT, "run": edit}).json()["steps"][0]
    assert (hidden["hidden"], hidden["note"]) == (True, "Printed already")


def test_the_board_has_its_own_measures_and_notes(client):
    board = client.post("/api/board", json=ONE_POINT).json()
    assert board["factor"] == 4
    assert board["document"]["sheet"]["size"] == {"width_mm": 2400, "height_mm": 1200}
    made = client.post("/api/steps", json=board["document"]).json()["steps"]
    assert len(board["step_notes"]) == len(made)
    assert "string" in board["step_notes"][0]


@pytest.mark.parametrize(
    "show",
    [
        {"kind": "lift", "piece": "corner", "up_mm": 20, "right_mm": -5},
        {"kind": "spread", "factor": 1.5},
        {"kind": "climb", "up_mm": 30},
    ],
)
def test_a_demonstration_is_a_copy_with_a_sentence(client, show):
    body = {"document": TWO_POINT, "show": show}
    if show["kind"] == "lift":
        show["piece"] = TWO_POINT["pieces"][0]["id"]
    answer = client.post("/api/demonstrate", json=body).json()
    assert answer["sentence"].endswith(".")
    assert client.post("/api/picture", json=answer["document"]).status_code == 200
    refused = client.post("/api/demonstrate", json={**body, "show": {"kind": "juggle"}})
    assert refused.status_code == 422


def test_the_kinds_tell_all_that_a_form_needs(client):
    kinds = {one["kind"]: one for one in client.get("/api/kinds").json()}
    assert list(kinds) == list(KINDS)
    box = kinds["box"]
    assert (box["several"], box["add"]) == ("boxes", "Add a box")
    front = next(form for form in box["forms"] if form["name"] == "front")
    assert (front["tells"], front["systems"]) == ("front", [1])
    assert front["sized"] == ["front.width_mm", "front.height_mm"]
    width = next(one for one in front["fields"] if one["path"] == ["front", "width_mm"])
    assert (width["role"], width["least"], width["above"]) == ("length", 0, True)
    axis = next(one for one in kinds["cylinder"]["fields"] if one["path"] == ["axis"])
    assert {one["value"]: one["systems"] for one in axis["choices"]}["away"] == [1]
    paths = [one["path"] for one in kinds["letters"]["fields"]]
    assert ["gap_mm"] not in paths, "what nobody sets at the bench has no row there"


def test_a_piece_is_put_named_and_chosen_at_by_the_core(client):
    asked = {"document": ONE_POINT, "kind": "cylinder", "at": [280, 240], "step_mm": 5}
    put = client.post("/api/pieces", json=asked).json()
    assert put["piece"] == "drum 1"
    drum = put["document"]["pieces"][-1]
    assert (drum["standing"], drum["front"]["y_mm"]) == ("ground", 190)
    named = client.post(
        "/api/pieces/name",
        json={"document": put["document"], "old": "drum 1", "new": "rain barrel"},
    ).json()
    assert named["document"]["pieces"][-1]["uid"] == drum["uid"]
    chosen = client.post(
        "/api/pieces/field",
        json={"document": named["document"], "piece": "rain barrel", "field": "axis",
              "value": "away"},
    ).json()  # fmt: skip
    assert chosen["document"]["pieces"][-1]["axis"] == "away"
    twice = {"document": put["document"], "old": "drum 1", "new": "crate"}
    refused = client.post("/api/pieces/name", json=twice)
    assert (refused.status_code, refused.json()["field"]) == (422, "pieces[1].id")
    nowhere = client.post("/api/pieces", json={**asked, "kind": "teapot"})
    assert ", ".join(KINDS) in nowhere.json()["detail"]


ASIDE = changed(TWO_POINT, pieces__0__edge__x_mm=40)


@pytest.mark.parametrize("kind", list(KINDS))
@pytest.mark.parametrize("view", [ONE_POINT, ASIDE, THREE_POINT], ids=["one", "two", "three"])
def test_whatever_is_put_at_the_bench_opens_there(client, view, kind):
    """A new piece of each kind is drawn, taught and has its grips, or is refused by its field."""
    asked = {"document": view, "kind": kind, "at": [300, 240], "step_mm": 5}
    put = client.post("/api/pieces", json=asked)
    if kind == "panel":
        # It lies in a surface of a room, so that comes first.
        assert (put.status_code, put.json()["field"] != "") == (422, True)
        roomy = client.post("/api/pieces", json={**asked, "kind": "room"}).json()
        if view is not THREE_POINT:
            put = client.post("/api/pieces", json={**asked, "document": roomy["document"]})
    offered = {one["kind"]: one for one in client.get("/api/kinds").json()}[kind]
    systems = {system for form in offered["forms"] for system in form["systems"]}
    here = {"one-point": 1, "two-point": 2, "three-point": 3}[view["view"]["kind"]]
    if here not in systems:
        assert put.status_code == 422
        assert put.json()["field"]
        return
    document = put.json()["document"]
    answer = client.post("/api/picture", json=document)
    assert answer.status_code == 200, answer.text
    assert all(grip["label"] for grip in answer.json()["grips"])
    stepped = client.post("/api/steps", json=document)
    assert stepped.status_code == 200, stepped.text


@pytest.mark.parametrize(("units", "said"), [("cm", "9 cm"), ("in", "3 9⁄16 in"), ("mm", "90 mm")])
def test_a_refusal_speaks_in_the_teachers_units(client, school, units, said):
    own = {**client.get("/api/settings").json(), "units": units}
    client.put("/api/settings", json=own)
    high = changed(ONE_POINT, pieces__0__standing="ground", pieces__0__front__y_mm=40)
    answer = client.post("/api/picture", json=high).json()
    assert said in answer["detail"] and "lower the foot" in answer["detail"]
