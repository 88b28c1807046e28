"""Any drawing or photograph, looked at without an exercise."""

from __future__ import annotations

import io
import time

import pytest
from PIL import Image

from orthopsis.demo.scanner import scan_sheet
from orthopsis.school.tables import AnyPicture
from tests.documents import example


@pytest.fixture(scope="module")
def drawing():
    return scan_sheet(example("bell-corner"), 61)[0]


def send(client, data, name="found.jpg"):
    return client.post("/api/pictures", files={"file": (name, data, "image/jpeg")})


def looked_at(client, picture_id):
    for _ in range(300):
        one = client.get(f"/api/pictures/{picture_id}").json()
        if one["state"] not in ("waiting", "working"):
            return one
        time.sleep(0.1)
    raise AssertionError(one)


def test_a_drawing_is_read_its_points_are_set_by_hand_and_it_is_removed(client, drawing):
    sent = send(client, drawing)
    assert sent.status_code == 202
    path = f"/api/pictures/{sent.json()['id']}"
    seen = looked_at(client, sent.json()["id"])
    read = seen["reading"]
    assert [p["name"] for p in read["vanishing_points"]] == ["VP1", "VP2"]
    assert read["eye_level_px"] and not seen["by_hand"]
    assert client.get(f"{path}/photo").headers["content-type"] == "image/jpeg"
    found = {p["name"]: p["found_px"] for p in read["vanishing_points"]}
    moved = {name: [x, y + 400.0] for name, (x, y) in found.items()}
    by_hand = client.put(f"{path}/points", json={"points_px": moved}).json()
    assert by_hand["by_hand"]
    for point in by_hand["reading"]["vanishing_points"]:
        assert point["found_px"] == pytest.approx(moved[point["name"]], abs=0.5)
    worse = sum(s["verdict"] == "off" for s in by_hand["reading"]["strokes"])
    assert worse > sum(s["verdict"] == "off" for s in read["strokes"])
    assert client.get(path).json()["by_hand"], "it is kept"
    alone = client.put(f"{path}/points", json={"points_px": {}}).json()
    assert alone["reading"] == read and not alone["by_hand"]
    assert client.delete(path).status_code == 204
    assert client.get(path).status_code == 404


def test_what_is_no_picture_is_refused_in_words_and_spoils_nothing(client, drawing):
    refused = send(client, b"PK\x03\x04" + bytes(40))
    assert refused.status_code == 415 and "one picture" in refused.json()["detail"]
    bad = looked_at(client, send(client, b"no picture at all").json()["id"])
    assert bad["state"] == "failed" and bad["problem"] and bad["reading"] is None
    assert client.get(f"/api/pictures/{bad['id']}/photo").status_code == 404
    plain = io.BytesIO()
    Image.new("L", (900, 600), 235).save(plain, "PNG")
    empty = looked_at(client, send(client, plain.getvalue()).json()["id"])
    assert empty["reading"]["vanishing_points"] == []
    assert empty["reading"]["findings"][0]["code"] == "no-points"


def test_anothers_picture_does_not_exist(client, store, school, drawing):
    with store.session() as session:
        row = AnyPicture(
            teacher_id=school["second"], file_name="theirs.jpg", photo=drawing,
            photo_type="image/jpeg", state="done",
        )  # fmt: skip
        session.add(row)
        session.flush()
        path = f"/api/pictures/{row.id}"
    assert client.get("/api/pictures").json() == []
    for answer in (
        client.get(path),
        client.get(f"{path}/photo"),
        client.put(f"{path}/points", json={"points_px": {}}),
        client.delete(path),
    ):
        assert answer.status_code == 404
