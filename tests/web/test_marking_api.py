"""From a photo to the register: handed in, judged, corrected, marked, and kept."""

from __future__ import annotations

import io
import time
import zipfile

import pytest
from fastapi.testclient import TestClient
from PIL import Image
from pypdf import PdfReader

from orthopsis.demo.scanner import PhotoSetting, scan_sheet
from orthopsis.exercise.load import to_data
from orthopsis.exercise.resolve import resolve
from orthopsis.exercise.task import SheetCode, Task, as_asked
from orthopsis.school import lessons
from orthopsis.web.app import create_app
from tests.documents import ONE_POINT, changed, example, scene_of


@pytest.fixture(scope="module")
def photo():
    return scan_sheet(scene_of(ONE_POINT), 21, ["lean"])


@pytest.fixture
def lesson(client, school):
    exercise = client.post("/api/exercises", json=ONE_POINT).json()
    asked = {"class_id": school["8 Rowan"], "exercise_id": exercise["id"], "given_on": "2026-11-20"}
    return client.post("/api/lessons", json=asked).json()


def send(client, lesson, *files, **form):
    sent = [("files", (name, data, "application/octet-stream")) for name, data in files]
    return client.post(f"/api/lessons/{lesson['id']}/sheets", files=sent, data=form)


def settled(client, lesson):
    """The stack, once everything that was sent is opened and judged."""
    for _ in range(600):
        # Files first: what leaves them is among the sheets by then.
        uploads = client.get(f"/api/lessons/{lesson['id']}/uploads").json()
        sheets = client.get(f"/api/lessons/{lesson['id']}/sheets").json()
        if not any(one["state"] in ("waiting", "working") for one in [*sheets, *uploads]):
            return sheets
        time.sleep(0.1)
    raise AssertionError((sheets, uploads))


def hand_in(client, lesson, data, name="ada.jpg", **form):
    """One sheet, judged."""
    answer = send(client, lesson, (name, data), **form)
    assert answer.status_code == 202, answer.text
    return settled(client, lesson)[-1]


def test_a_lesson_names_its_class_and_exercise(client, lesson):
    assert lesson["class_name"] == "8 Rowan"
    assert lesson["exercise_title"] == "One box"
    assert [one["id"] for one in client.get("/api/lessons").json()] == [lesson["id"]]


def test_a_photo_is_judged_line_by_line(client, lesson, photo):
    sheet = hand_in(client, lesson, photo[0], "sheet 1.jpg")
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
    sheet = hand_in(client, lesson, photo[0], "sheet 1.jpg")
    before = client.get(f"/api/classes/{school['8 Rowan']}/register").json()
    assert before["unnamed"] == [{"lesson_id": lesson["id"], "sheet_id": sheet["id"]}]
    mark = {
        "pupil_id": school["Ada"],
        "understanding": "nearly",
        "words": "Straight lines. Well done.",
    }
    saved = client.put(f"/api/sheets/{sheet['id']}/mark", json=mark).json()
    assert saved["pupil"]["name"] == "Ada"
    register = client.get(f"/api/classes/{school['8 Rowan']}/register").json()
    assert register["unnamed"] == []
    assert [pupil["name"] for pupil in register["pupils"]] == ["Ada", "Bram"]
    (cell,) = register["cells"]
    assert (cell["pupil_id"], cell["understanding"]) == (school["Ada"], "nearly")
    assert cell["words"] == mark["words"]
    assert {"code": "upright-leans", "sheets": 1, "title": "Uprights that lean"} in register[
        "commonest"
    ]


def test_a_mark_can_be_changed(client, lesson, school, photo):
    sheet = hand_in(client, lesson, photo[0], pupil_id=school["Ada"])
    assert sheet["pupil"]["name"] == "Ada"
    for name, understanding in (("Ada", "not yet"), ("Bram", "sure")):
        mark = {"pupil_id": school[name], "understanding": understanding, "words": ""}
        client.put(f"/api/sheets/{sheet['id']}/mark", json=mark)
    (kept,) = client.get(f"/api/lessons/{lesson['id']}/sheets").json()
    assert (kept["pupil"]["name"], kept["mark"]["understanding"]) == ("Bram", "sure")


def test_a_pupil_of_another_class_cannot_be_given_the_sheet(client, lesson, school, photo):
    sheet = hand_in(client, lesson, photo[0], "sheet 1.jpg")
    mark = {"pupil_id": school["Cleo"], "understanding": "sure", "words": ""}
    answer = client.put(f"/api/sheets/{sheet['id']}/mark", json=mark)
    assert answer.status_code == 404
    assert client.get(f"/api/lessons/{lesson['id']}/sheets").json()[0]["mark"] is None


@pytest.mark.parametrize("data", [b"", b"no picture", b"\x89PNG\r\n\x1a\n broken"])
def test_a_file_that_cannot_be_read_is_refused_and_not_kept(client, lesson, data):
    send(client, lesson, ("ada.jpg", data))
    (refused,) = settled(client, lesson)
    assert refused["state"] == "failed" and "take the photo again" in refused["problem"]
    assert client.get(f"/api/sheets/{refused['id']}/photo").status_code == 404


def test_a_file_that_cannot_be_opened_is_told_and_taken_away(client, lesson):
    send(client, lesson, ("class.zip", b"PK\x03\x04 broken"))
    assert settled(client, lesson) == []
    (refused,) = client.get(f"/api/lessons/{lesson['id']}/uploads").json()
    assert refused["state"] == "failed" and "ZIP file is broken" in refused["problem"]
    assert client.delete(f"/api/uploads/{refused['id']}").status_code == 204
    assert client.get(f"/api/lessons/{lesson['id']}/uploads").json() == []


def test_a_class_set_is_matched_to_pupils_and_a_poisoned_file_spoils_only_itself(
    client, lesson, school, photo
):
    exercise = lesson["exercise_id"]
    code = f"orthopsis:{exercise}:1:{school['Bram']}"
    marked, _ = scan_sheet(scene_of(ONE_POINT), 22, setting=PhotoSetting(marks=True, code=code))
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as archive:
        archive.writestr("8 Rowan/Ada.jpg", photo[0])
        archive.writestr("8 Rowan/IMG 2.jpg", marked)
        archive.writestr("8 Rowan/poison.jpg", b"\xff\xd8\xff no picture")
    send(client, lesson, ("class.zip", out.getvalue()))
    sheets = {one["file_name"]: one for one in settled(client, lesson)}
    assert sheets["Ada.jpg"]["pupil"]["name"] == "Ada", "by the file's name"
    assert sheets["IMG 2.jpg"]["pupil"]["name"] == "Bram", "by the printed code"
    assert sheets["IMG 2.jpg"]["verdict"]["photo"]["how"] == "marks"
    assert sheets["poison.jpg"]["state"] == "failed"
    assert "not a readable picture" in sheets["poison.jpg"]["problem"]
    page = client.get(f"/api/lessons/{lesson['id']}/summary").json()
    assert page["judged"] == 2
    assert [(one["who"], one["code"]) for one in page["stuck"]] == [("Ada", "upright-leans")]
    slips = client.get(f"/api/lessons/{lesson['id']}/slips.pdf")
    text = "".join(p.extract_text() for p in PdfReader(io.BytesIO(slips.content)).pages)
    assert "Ada" in text and "Bram" in text and "turned by" in text
    away = client.put(f"/api/sheets/{sheets['poison.jpg']['id']}/away", json={"away": True}).json()
    assert (away["away"], away["state"]) == (True, "failed"), "what it was is kept"
    assert len(client.get(f"/api/lessons/{lesson['id']}/sheets").json()) == 2


def test_a_class_set_that_is_sent_again_is_known(client, lesson, school, photo):
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as archive:
        archive.writestr("one.jpg", photo[0])
        archive.writestr("inner.zip", b"PK\x03\x04")
    first = send(client, lesson, ("class.zip", out.getvalue())).json()
    assert first == {"uploads": [], "known": []}
    assert [one["state"] for one in settled(client, lesson)] == ["done", "failed"]
    again = send(
        client, lesson, ("class.zip", out.getvalue()), ("copy of one.jpg", photo[0]),
        pupil_id=school["Bram"],
    ).json()  # fmt: skip
    assert again["known"] == ["one.jpg", "copy of one.jpg"]
    sheets = settled(client, lesson)
    assert sheets[0]["pupil"]["name"] == "Bram", "whose it is may be said with the second"
    assert [one["file_name"] for one in sheets].count("one.jpg") == 1
    assert send(client, lesson, ("scan.pdf", b"%PDF-1.7 x")).json()["uploads"][0]["state"] in (
        "waiting", "working", "failed",
    )  # fmt: skip


def test_what_is_cancelled_stays_and_is_judged_when_asked(client, store, lesson, school, photo):
    with store.session() as session:
        for number in range(3):
            sheet = lessons.hand_in(
                session, school["first"], lesson["id"], f"{number}.jpg", photo[0] + bytes(number),
                "image/jpeg",
            )  # fmt: skip
            sheet.state = "waiting"
    assert client.post(f"/api/lessons/{lesson['id']}/cancel").status_code == 204
    stack = client.get(f"/api/lessons/{lesson['id']}/sheets").json()
    assert [one["state"] for one in stack] == ["cancelled"] * 3
    client.post(f"/api/sheets/{stack[1]['id']}/judge")
    assert [one["state"] for one in settled(client, lesson)] == ["cancelled", "done", "cancelled"]


def test_after_a_restart_what_was_begun_is_done(store, client, lesson, school, photo):
    with store.session() as session:
        sheet = lessons.hand_in(
            session, school["first"], lesson["id"], "x.jpg", photo[0], "image/jpeg"
        )
        sheet.state = "working"
    with TestClient(create_app(store), base_url="http://127.0.0.1") as restarted:
        assert [one["state"] for one in settled(restarted, lesson)] == ["done"]


def test_a_line_is_dismissed_moved_added_given_another_family_or_meant(client, lesson, photo):
    sheet = hand_in(client, lesson, photo[0], "sheet 1.jpg")
    path = f"/api/sheets/{sheet['id']}/corrections"
    strokes = sheet["verdict"]["strokes"]
    off = next(s for s in strokes if s["verdict"] == "off")
    number = str(off["number"])

    def again(lines, added=()):
        answer = client.put(path, json={"lines": lines, "added": list(added)})
        assert answer.status_code == 200, answer.text
        record = answer.json()["verdict"]
        return {str(s["number"]): s for s in record["strokes"]}, record

    by_number, record = again({number: {"meant": True}})
    assert by_number[number]["meant"] and by_number[number]["verdict"] == "on"
    assert "upright-leans" not in {f["code"] for f in record["findings"]}
    assert number not in again({number: {"dismissed": True}})[0]
    (gone,) = client.get(f"/api/lessons/{lesson['id']}/sheets").json()[0]["dismissed"]
    assert (gone["number"], gone["from"]) == (off["number"], off["from"])
    assert again({number: {"family": "VP1"}})[0][number]["family"] == "VP1"
    straight = off["true"]
    assert again({number: {"moved": straight}})[0][number]["verdict"] == "on"
    by_number, _ = again({}, [[[20, 20], [60, 20]]])
    assert by_number[str(max(s["number"] for s in strokes) + 1)]["family"] == "horizontal"
    for wrong in ({"999": {"meant": True}}, {number: {"family": "VP9"}}):
        assert client.put(path, json={"lines": wrong}).status_code == 422
    kept = client.get(f"/api/lessons/{lesson['id']}/sheets").json()[0]["corrections"]
    assert len(kept["added"]) == 1 and kept["lines"] == {}


def test_strictness_judges_the_whole_lesson_again(client, lesson, photo):
    sheet = hand_in(client, lesson, photo[0], "sheet 1.jpg")
    (young,) = client.put(
        f"/api/lessons/{lesson['id']}/demand", json={"demand": "first steps"}
    ).json()
    (strict,) = client.put(f"/api/lessons/{lesson['id']}/demand", json={"demand": "stretch"}).json()

    for judged, limit in ((young, 2.0), (sheet, 0.8), (strict, 0.5)):
        for stroke in judged["verdict"]["strokes"]:
            if stroke["angle_deg"] is not None and stroke["sd_deg"] < 0.2:
                assert (stroke["verdict"] == "on") == (stroke["angle_deg"] <= limit)
    assert client.get("/api/lessons").json()[0]["demand"] == "stretch"
    assert (
        client.put(f"/api/lessons/{lesson['id']}/demand", json={"demand": "x"}).status_code == 422
    )


def test_own_words_are_said_wherever_the_correction_comes_again(client, lesson, photo):
    hand_in(client, lesson, photo[0], "sheet 1.jpg")
    path = f"/api/exercises/{lesson['exercise_id']}/phrases"
    mine = {"code": "upright-leans", "words": "Like a lamp post: straight up."}
    assert client.put(path, json=mine).json() == {"upright-leans": mine["words"]}
    (sheet,) = client.get(f"/api/lessons/{lesson['id']}/sheets").json()
    said = {f["code"]: f["message"] for f in sheet["verdict"]["findings"]}
    assert said["upright-leans"] == mine["words"]
    slip = client.get(f"/api/sheets/{sheet['id']}/slip.pdf")
    assert "lamp post" in PdfReader(io.BytesIO(slip.content)).pages[0].extract_text()
    assert client.put(path, json={**mine, "words": " "}).json() == {}


def test_a_photo_without_a_sheet_is_kept_and_its_corners_can_be_set(client, lesson, photo):
    picture = Image.open(io.BytesIO(photo[0])).convert("L")
    dim = io.BytesIO()
    # A desk as light as the paper: nothing tells them apart.
    picture.point(lambda v: 200).save(dim, "PNG")
    sheet = hand_in(client, lesson, dim.getvalue(), "dim.png")
    assert not sheet["verdict"]["sheet_found"]
    assert client.get(f"/api/sheets/{sheet['id']}/straight.jpg").status_code == 204
    corners = photo[1]["corners_px"]
    client.put(f"/api/sheets/{sheet['id']}/corners", json={"corners_px": corners})
    (again,) = settled(client, lesson)
    assert again["verdict"]["sheet_found"]
    for kept, asked in zip(again["verdict"]["corners_px"], corners, strict=True):
        assert kept == pytest.approx(asked)
    assert client.get(f"/api/sheets/{sheet['id']}/straight.jpg").status_code == 200


@pytest.mark.parametrize("corners", [[], [[0, 0]] * 3, [["a", 0]] * 4])
def test_corners_are_four_places(client, lesson, photo, corners):
    sheet = hand_in(client, lesson, photo[0], "sheet 1.jpg")
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


def test_a_sheet_is_held_against_what_it_was_drawn_from(client, school, store):
    fern = example("fern").exercise
    exercise = client.post("/api/exercises", json=to_data(fern)).json()
    asked = {"class_id": school["8 Rowan"], "exercise_id": exercise["id"], "given_on": "2026-11-20"}
    lesson = client.post("/api/lessons", json=asked).json()
    own = resolve(as_asked(fern, Task(word="ADA")))
    sheet = hand_in(client, lesson, scan_sheet(own, 8201)[0])
    by_name = {"demand": "standard", "word": "ADA", "worded": True, "belongs_to": None}
    assert sheet["task"] == by_name
    good = [stroke["verdict"] for stroke in sheet["verdict"]["strokes"]].count("on")
    address = f"/api/sheets/{sheet['id']}/task"
    asked = client.put(address, json={"demand": "standard", "word": None}).json()
    assert asked["state"] == "waiting"
    (sheet,) = settled(client, lesson)
    assert sheet["task"]["word"] is None, "the teacher's word goes before a name's"
    assert [s["verdict"] for s in sheet["verdict"]["strokes"]].count("on") < good
    client.put(address, json={"demand": "first steps", "word": "ada"})
    (sheet,) = settled(client, lesson)
    assert sheet["task"]["word"] == "ADA"
    strict = f"/api/lessons/{lesson['id']}/demand"
    (again,) = client.put(strict, json={"demand": "stretch"}).json()
    kinds = [[s["verdict"] for s in one["verdict"]["strokes"]] for one in (again, sheet)]
    assert kinds[0] == kinds[1], "first steps stay first steps"
    assert client.get(f"/api/sheets/{sheet['id']}/faces").status_code == 200
    refused = client.put(address, json={"demand": "standard", "word": "ö%"})
    assert refused.status_code == 422 and "block letter" in refused.json()["detail"]
    assert settled(client, lesson)[0]["task"]["word"] == "ADA", "nothing of it was kept"


def test_a_sheet_is_held_against_the_version_that_was_printed(client, lesson, school):
    exercise = client.get(f"/api/exercises/{lesson['exercise_id']}").json()
    code = {"exercise": exercise["id"], "version": exercise["counter"]}
    order = {"parts": ["starter"], "marks": True}
    asked = {"document": ONE_POINT, "order": order, "code": code}
    assert client.post("/api/print", json=asked).status_code == 200
    moved = changed(ONE_POINT, view__vanishing_point_mm=120, view__eye_level_mm=60)
    saved = {"document": moved, "counter": exercise["counter"]}
    assert client.put(f"/api/exercises/{exercise['id']}", json=saved).status_code == 200
    said = SheetCode(exercise["id"], exercise["counter"], school["Ada"]).text
    data, _ = scan_sheet(scene_of(ONE_POINT), 8301, setting=PhotoSetting(marks=True, code=said))
    sheet = hand_in(client, lesson, data)
    assert sheet["verdict"]["vanishing_points"][0]["intended_mm"] == [210, 100]
    assert "off" not in {stroke["verdict"] for stroke in sheet["verdict"]["strokes"]}
    again = client.put(f"/api/sheets/{sheet['id']}/corrections", json={"lines": {}}).json()
    assert again["verdict"]["vanishing_points"][0]["intended_mm"] == [210, 100]


def test_a_sheet_of_another_exercise_is_told_by_its_code(client, lesson, school):
    other = client.post("/api/exercises", json=changed(ONE_POINT, title="Other box")).json()
    setting = PhotoSetting(marks=True, code=SheetCode(other["id"], 1, school["Ada"]).text)
    data, _ = scan_sheet(scene_of(ONE_POINT), 8302, setting=setting)
    assert hand_in(client, lesson, data)["task"]["belongs_to"] == "“Other box”"
