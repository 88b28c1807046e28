"""From a photo to the register: handed in, judged, corrected, marked, and kept."""

from __future__ import annotations

import io

import pytest
from PIL import Image

from orthopsis.demo.scanner import scan_sheet
from orthopsis.school import lessons
from tests.documents import ONE_POINT, scene_of


@pytest.fixture(scope="module")
def photo():
    return scan_sheet(scene_of(ONE_POINT), 21, ["lean"])


@pytest.fixture
def lesson(client, school):
    exercise = client.post("/api/exercises", json=ONE_POINT).json()
    asked = {"class_id": school["8 Rowan"], "exercise_id": exercise["id"], "given_on": "2026-11-20"}
    return client.post("/api/lessons", json=asked).json()


def hand_in(client, lesson, data, name="ada.jpg", **form):
    files = {"photo": (name, data, "image/jpeg")}
    return client.post(f"/api/lessons/{lesson['id']}/sheets", files=files, data=form)


def test_a_lesson_names_its_class_and_exercise(client, lesson):
    assert lesson["class_name"] == "8 Rowan"
    assert lesson["exercise_title"] == "One box"
    assert [one["id"] for one in client.get("/api/lessons").json()] == [lesson["id"]]


def test_a_photo_is_judged_line_by_line(client, lesson, photo):
    answer = hand_in(client, lesson, photo[0])
    assert answer.status_code == 201
    sheet = answer.json()
    verdict = sheet["verdict"]
    assert verdict["sheet_found"]
    kinds = [stroke["verdict"] for stroke in verdict["strokes"]]
    assert kinds.count("on") >= 8
    assert "off" in kinds
    assert {f["code"] for f in verdict["findings"]} >= {"upright-leans"}
    assert verdict["vanishing_points"][0]["intended_mm"] == [210, 100]
    assert all(s["true"] for s in verdict["strokes"] if s["verdict"] != "stray")
    flat = client.get(f"/api/sheets/{sheet['id']}/straight.jpg")
    ratio = Image.open(io.BytesIO(flat.content)).size
    assert ratio[0] / ratio[1] == pytest.approx(420 / 297, abs=0.01)
    assert client.get(f"/api/sheets/{sheet['id']}/photo").content == photo[0]


def test_the_verdict_is_saved_to_a_pupil_and_found_in_the_register(client, lesson, school, photo):
    sheet = hand_in(client, lesson, photo[0]).json()
    before = client.get(f"/api/classes/{school['8 Rowan']}/register").json()
    assert before["unnamed"] == 1
    mark = {
        "pupil_id": school["Ada"],
        "understanding": "nearly",
        "words": "Straight lines. Well done.",
    }
    saved = client.put(f"/api/sheets/{sheet['id']}/mark", json=mark).json()
    assert saved["pupil"]["name"] == "Ada"
    register = client.get(f"/api/classes/{school['8 Rowan']}/register").json()
    assert register["unnamed"] == 0
    assert [pupil["name"] for pupil in register["pupils"]] == ["Ada", "Bram"]
    (cell,) = register["cells"]
    assert (cell["pupil_id"], cell["understanding"]) == (school["Ada"], "nearly")
    assert cell["words"] == mark["words"]
    assert {"code": "upright-leans", "sheets": 1, "title": "Uprights that lean"} in register[
        "commonest"
    ]


def test_a_mark_can_be_changed(client, lesson, school, photo):
    sheet = hand_in(client, lesson, photo[0], pupil_id=school["Ada"]).json()
    assert sheet["pupil"]["name"] == "Ada"
    for name, understanding in (("Ada", "not yet"), ("Bram", "sure")):
        mark = {"pupil_id": school[name], "understanding": understanding, "words": ""}
        client.put(f"/api/sheets/{sheet['id']}/mark", json=mark)
    (kept,) = client.get(f"/api/lessons/{lesson['id']}/sheets").json()
    assert (kept["pupil"]["name"], kept["mark"]["understanding"]) == ("Bram", "sure")


def test_a_pupil_of_another_class_cannot_be_given_the_sheet(client, lesson, school, photo):
    sheet = hand_in(client, lesson, photo[0]).json()
    mark = {"pupil_id": school["Cleo"], "understanding": "sure", "words": ""}
    answer = client.put(f"/api/sheets/{sheet['id']}/mark", json=mark)
    assert answer.status_code == 404
    assert client.get(f"/api/lessons/{lesson['id']}/sheets").json()[0]["mark"] is None


@pytest.mark.parametrize("data", [b"", b"no picture", b"\x89PNG\r\n\x1a\n broken"])
def test_a_file_that_cannot_be_read_is_refused_and_not_kept(client, lesson, data):
    answer = hand_in(client, lesson, data)
    assert answer.status_code == 415
    assert "take the photo again" in answer.json()["detail"]
    assert client.get(f"/api/lessons/{lesson['id']}/sheets").json() == []


def test_a_photo_without_a_sheet_is_kept_and_its_corners_can_be_set(client, lesson, photo):
    picture = Image.open(io.BytesIO(photo[0])).convert("L")
    dim = io.BytesIO()
    # A desk as light as the paper: nothing tells them apart.
    picture.point(lambda v: 200).save(dim, "PNG")
    sheet = hand_in(client, lesson, dim.getvalue(), "dim.png").json()
    assert not sheet["verdict"]["sheet_found"]
    assert client.get(f"/api/sheets/{sheet['id']}/straight.jpg").status_code == 204
    corners = photo[1]["corners_px"]
    again = client.put(f"/api/sheets/{sheet['id']}/corners", json={"corners_px": corners}).json()
    assert again["verdict"]["sheet_found"]
    for kept, asked in zip(again["verdict"]["corners_px"], corners, strict=True):
        assert kept == pytest.approx(asked)
    assert client.get(f"/api/sheets/{sheet['id']}/straight.jpg").status_code == 200


@pytest.mark.parametrize("corners", [[], [[0, 0]] * 3, [["a", 0]] * 4])
def test_corners_are_four_places(client, lesson, photo, corners):
    sheet = hand_in(client, lesson, photo[0]).json()
    answer = client.put(f"/api/sheets/{sheet['id']}/corners", json={"corners_px": corners})
    assert answer.status_code == 422


def test_another_teachers_sheet_is_not_there(client, store, lesson, school, photo):
    with store.session() as session:
        from orthopsis.exercise.load import from_data
        from orthopsis.school import shelf

        row = shelf.add_exercise(session, school["second"], from_data(ONE_POINT))
        theirs = lessons.give_lesson(session, school["second"], school["7 Ash"], row.id, _day())
        sheet = lessons.hand_in(session, school["second"], theirs.id, "x", b"x", "image/jpeg")
        sheet_id, lesson_id = sheet.id, theirs.id
    for way, path in (
        ("get", f"/api/lessons/{lesson_id}/sheets"),
        ("get", f"/api/sheets/{sheet_id}/photo"),
        ("get", f"/api/sheets/{sheet_id}/straight.jpg"),
    ):
        assert getattr(client, way)(path).status_code == 404
    body = {"corners_px": [[0, 0], [9, 0], [9, 9], [0, 9]]}
    assert client.put(f"/api/sheets/{sheet_id}/corners", json=body).status_code == 404


def _day():
    from datetime import date

    return date(2026, 11, 20)
