"""Sheets that stand aside, and corrections by hand that outlive another judging."""

from __future__ import annotations

import io

import cv2
import numpy as np
import pytest
from pypdf import PdfReader

from orthopsis.demo.scanner import scan_sheet
from tests.documents import ONE_POINT, TWO_POINT, scene_of
from tests.web.test_marking_api import hand_in, settled


@pytest.fixture
def two(client, school):
    """Two lessons of one class: one point, then two."""
    lessons = []
    for document in (ONE_POINT, TWO_POINT):
        exercise = client.post("/api/exercises", json=document).json()["id"]
        asked = {"class_id": school["8 Rowan"], "exercise_id": exercise, "given_on": "2026-11-20"}
        lessons.append(client.post("/api/lessons", json=asked).json())
    return lessons


@pytest.fixture(scope="module")
def other():
    return scan_sheet(scene_of(TWO_POINT), 44)[0]


def codes(sheet):
    return [one["code"] for one in sheet["verdict"]["findings"]]


def test_a_sheet_of_another_exercise_says_so_alone_and_is_moved(client, two, other):
    one, two_point = two
    sheet = hand_in(client, one, other)
    assert sheet["verdict"]["unjudged"] and codes(sheet) == ["another-exercise"]
    assert two_point["exercise_title"] in sheet["verdict"]["findings"][0]["message"]
    assert sheet["first_words"] == "" and sheet["sure"] == 0.0
    assert sheet["likely_lessons"] == [two_point["id"]]
    summary = client.get(f"/api/lessons/{one['id']}/summary").json()
    assert (summary["judged"], summary["unjudged"], summary["stuck"]) == (0, [sheet["id"]], [])
    moved = client.put(f"/api/sheets/{sheet['id']}/lesson", json={"lesson_id": two_point["id"]})
    assert moved.json()["lesson_id"] == two_point["id"]
    assert client.get(f"/api/lessons/{one['id']}/sheets").json() == []
    judged = settled(client, two_point)[0]
    assert not judged["verdict"]["unjudged"] and "family-meets" in codes(judged)
    again = hand_in(client, one, other)
    refused = client.put(f"/api/sheets/{again['id']}/lesson", json={"lesson_id": two_point["id"]})
    assert refused.status_code == 400 and "already" in refused.json()["detail"]
    assert len(client.get(f"/api/lessons/{one['id']}/sheets").json()) == 1


def test_the_teacher_may_have_it_judged_all_the_same_and_be_stricter_then(client, two, other):
    one, _ = two
    sheet = hand_in(client, one, other)
    path = f"/api/sheets/{sheet['id']}"
    client.put(f"/api/lessons/{one['id']}/demand", json={"demand": "stretch"})
    assert codes(client.get(f"/api/lessons/{one['id']}/sheets").json()[0]) == ["another-exercise"]
    judged = client.put(f"{path}/corrections", json={"anyway": True}).json()
    assert not judged["verdict"]["unjudged"] and judged["verdict"]["strokes"]
    assert client.get(f"/api/lessons/{one['id']}/summary").json()["overruled"] == [sheet["id"]]
    client.post(f"{path}/judge")
    again = settled(client, one)[0]
    assert again["corrections"]["anyway"] and not again["verdict"]["unjudged"]


@pytest.mark.parametrize(
    ("step", "document", "code"), [(1, ONE_POINT, "blank-sheet"), (1, TWO_POINT, "blank-sheet")]
)
def test_a_sheet_with_nothing_but_the_eye_level_is_not_praised(client, two, step, document, code):
    lesson = two[0] if document is ONE_POINT else two[1]
    sheet = hand_in(client, lesson, scan_sheet(scene_of(document), 45, step=step)[0])
    assert codes(sheet) == [code] and sheet["first_words"] == ""


def test_what_was_corrected_outlives_another_judging(client, two):
    lesson = two[0]
    photo, _ = scan_sheet(scene_of(ONE_POINT), 46, ["stray"])
    sheet = hand_in(client, lesson, photo)
    path = f"/api/sheets/{sheet['id']}"
    stray = next(s for s in sheet["verdict"]["strokes"] if s["verdict"] == "stray")
    upright = next(s for s in sheet["verdict"]["strokes"] if s["family"] == "vertical")
    asked = {
        "lines": {
            str(stray["number"]): {"dismissed": True},
            str(upright["number"]): {"meant": True},
        },
        "added": [[[20.0, 20.0], [60.0, 20.0]]],
    }
    before = client.put(f"{path}/corrections", json=asked).json()
    client.put(f"{path}/task", json={"demand": "stretch", "word": None})
    after = settled(client, lesson)[0]
    assert after["corrections"]["added"] == before["corrections"]["added"]
    assert len(after["corrections"]["lines"]) == 2
    (found,), (again,) = after["dismissed"], before["dismissed"]
    assert found["from"] == pytest.approx(again["from"], abs=1.0)
    assert sum(s["meant"] for s in after["verdict"]["strokes"]) == 1
    summary = client.get(f"/api/lessons/{lesson['id']}/summary").json()
    assert (summary["overruled"], summary["changes"]) == ([sheet["id"]], 3)


def test_a_photo_in_which_nothing_is_seen_is_to_be_taken_again(client, two):
    sharp = cv2.imdecode(np.frombuffer(scan_sheet(scene_of(TWO_POINT), 47)[0], np.uint8), 0)
    _, blurred = cv2.imencode(".jpg", cv2.GaussianBlur(sharp, (0, 0), 14.0))
    sheet = hand_in(client, two[1], bytes(blurred))
    assert codes(sheet) == ["blank-sheet"] and sheet["verdict"]["unjudged"]
    assert "take it again" in sheet["verdict"]["findings"][0]["message"]


def test_how_sure_the_judge_is_puts_sheets_into_an_order(client, two):
    clear = hand_in(client, two[0], scan_sheet(scene_of(ONE_POINT), 48)[0], "clear.jpg")
    photo, _ = scan_sheet(scene_of(ONE_POINT), 49, ["stray", "missing"])
    doubtful = hand_in(client, two[0], photo, "doubtful.jpg")
    assert clear["sure"] == 1.0 and clear["verdict"]["doubts"] == []
    assert doubtful["sure"] < 0.95 and all(one["message"] for one in doubtful["verdict"]["doubts"])


def test_a_mark_is_taken_back_and_one_that_is_none_leaves_all_as_it_is(client, two, school):
    sheet = hand_in(client, two[0], scan_sheet(scene_of(ONE_POINT), 50)[0])
    path = f"/api/sheets/{sheet['id']}"
    given = {"pupil_id": school["Ada"], "understanding": "nearly", "words": "Use the set square."}
    assert client.put(f"{path}/mark", json=given).json()["mark"]["understanding"] == "nearly"
    back = client.delete(f"{path}/mark").json()
    assert back["mark"] is None and back["pupil"]["name"] == "Ada", "whose it is stays known"
    assert client.delete(f"{path}/mark").json()["mark"] is None
    assert client.delete("/api/sheets/999999/mark").status_code == 404


def test_a_marked_sheet_is_not_moved_to_a_class_where_its_pupil_is_not(client, two, school, other):
    group = client.post("/api/classes", json={"name": "9 Hazel"}).json()
    asked = {
        "class_id": group["id"],
        "exercise_id": two[1]["exercise_id"],
        "given_on": "2026-11-21",
    }
    elsewhere = client.post("/api/lessons", json=asked).json()
    sheet = hand_in(client, two[0], other)
    path = f"/api/sheets/{sheet['id']}"
    given = {"pupil_id": school["Ada"], "understanding": "sure", "words": ""}
    client.put(f"{path}/mark", json=given)
    refused = client.put(f"{path}/lesson", json={"lesson_id": elsewhere["id"]})
    assert refused.status_code == 400 and "mark" in refused.json()["detail"]
    (kept,) = client.get(f"/api/lessons/{two[0]['id']}/sheets").json()
    assert kept["mark"]["understanding"] == "sure" and kept["verdict"]["unjudged"]
    client.delete(f"{path}/mark")
    assert client.put(f"{path}/lesson", json={"lesson_id": elsewhere["id"]}).status_code == 200
    moved = settled(client, elsewhere)[0]
    assert moved["pupil"] is None and not moved["verdict"]["unjudged"]
    assert client.put(f"{path}/lesson", json={"lesson_id": 999999}).status_code == 404


def test_slips_leave_out_what_stands_aside_unless_it_was_marked(client, two, school, other):
    right = hand_in(client, two[0], scan_sheet(scene_of(ONE_POINT), 51)[0], "ada.jpg")
    aside = hand_in(client, two[0], other, "bram.jpg")
    assert (right["pupil"]["name"], aside["pupil"]["name"]) == ("Ada", "Bram")

    def told():
        slips = client.get(f"/api/lessons/{two[0]['id']}/slips.pdf").content
        return PdfReader(io.BytesIO(slips)).pages[0].extract_text()

    text = told()
    assert "Ada" in text and "Bram" not in text
    assert "8 Rowan" in text and "20 November 2026" in text and "Nearly" not in text
    given = {"pupil_id": school["Bram"], "understanding": "not yet", "words": "Draw the corner."}
    client.put(f"/api/sheets/{aside['id']}/mark", json=given)
    text = told()
    assert "Bram" in text and "Draw the corner." in text and "Not yet" in text
