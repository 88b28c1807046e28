"""Settings, demands, plans, files and packs over the web."""

from __future__ import annotations

import io
import json
import zipfile
from concurrent.futures import ThreadPoolExecutor

import pytest
from PIL import Image
from pypdf import PdfReader

from orthopsis.school.settings import Settings, as_said, save_settings, settings_of
from orthopsis.school.tables import ExerciseRow, TeacherSettings
from tests.documents import ONE_POINT, TWO_POINT, changed, scene_of


def test_settings_are_kept_for_the_teacher(client, school, store):
    plain = client.get("/api/settings").json()
    assert plain == Settings().model_dump()
    mine = {**plain, "units": "in", "left_handed": True}
    assert client.put("/api/settings", json=mine).json() == mine
    assert client.get("/api/settings").json() == mine
    wrong = client.put("/api/settings", json={**mine, "units": "ells"})
    assert wrong.status_code == 422 and wrong.json()["field"] == "units"
    assert client.get("/api/settings").json() == mine


def test_what_is_set_holds_and_the_rest_is_the_exercises():
    exercise = scene_of(changed(ONE_POINT, wording={"units": "mm", "line": "horizon"})).exercise
    said = as_said(exercise, Settings(units="cm", ruler_mm=300))
    assert (said.wording.units, said.wording.line, said.wording.ruler_mm) == ("cm", "horizon", 300)
    assert as_said(exercise, Settings()) is exercise


def test_three_demands_come_with_their_documents(client):
    found = client.post("/api/demands", json=TWO_POINT).json()
    assert [one["name"] for one in found] == ["first steps", "standard", "stretch"]
    assert all(one["problem"] is None and one["steps"] > 3 for one in found)
    crossed = changed(ONE_POINT, pieces__0__depth={"along_mm": 900})
    refused = client.post("/api/demands", json=crossed).json()
    assert "pieces[0].depth.along_mm" in refused[1]["problem"]


def test_a_plan_is_made(client):
    plan = client.post("/api/plan", json=ONE_POINT).json()
    assert plan["minutes"] > 5 and plan["periods"][0]["first"] == 1


@pytest.mark.parametrize("form", ["json", "svg", "pdf", "png", "dxf", "gltf"])
def test_a_drawing_is_taken_along_in_every_format(client, form):
    body = {"document": ONE_POINT, "format": form}
    answer = client.post("/api/export", json=body)
    assert answer.status_code == 200
    assert answer.headers["content-disposition"].endswith(f'.{form}"')
    begins = {"json": b"{", "svg": b"<svg", "pdf": b"%PDF", "png": b"\x89PNG", "gltf": b"{"}
    assert answer.content.lstrip().startswith(begins.get(form, b"0"))
    step = client.post("/api/export", json={**body, "step": 3})
    if form == "gltf":
        assert step.status_code == 422 and "solids are whole" in step.json()["detail"]
    else:
        assert step.status_code == 200
        assert (step.content != answer.content) == (form != "json")
        assert client.post("/api/export", json={**body, "step": 99}).status_code in (200, 422)


def test_a_pack_holds_everything_for_a_lesson(client, school):
    one = client.post("/api/exercises", json=ONE_POINT).json()
    order = {"parts": ["plan", "steps", "key"], "marks": False}
    body = {"order": order, "class_id": school["8 Rowan"]}
    answer = client.post(f"/api/exercises/{one['id']}/pack.zip", json=body)
    with zipfile.ZipFile(io.BytesIO(answer.content)) as archive:
        assert archive.testzip() is None
        assert set(archive.namelist()) == {
            "exercise.json", "drawing.svg", "drawing.png", "plan.pdf", "steps.pdf", "key.pdf",
            "pupils.pdf",
        }  # fmt: skip
        again = json.loads(archive.read("exercise.json"))
        assert client.post("/api/exercises", json=again).status_code == 201
        assert len(PdfReader(io.BytesIO(archive.read("pupils.pdf"))).pages) == 2
        Image.open(io.BytesIO(archive.read("drawing.png"))).verify()
    alone = client.post(f"/api/exercises/{one['id']}/pack.zip", json={"order": order})
    with zipfile.ZipFile(io.BytesIO(alone.content)) as archive:
        assert "pupils.pdf" not in archive.namelist()
    other = {"order": order, "class_id": school["7 Ash"]}
    assert client.post(f"/api/exercises/{one['id']}/pack.zip", json=other).status_code == 404


def test_another_teachers_exercise_is_not_there_for_any_of_it(client, school, store):
    one = client.post("/api/exercises", json=ONE_POINT).json()
    with store.session() as session:
        session.get(ExerciseRow, one["id"]).teacher_id = school["second"]
    path = f"/api/exercises/{one['id']}"
    order = {"order": {"parts": ["key"]}}
    asked = [
        client.get(path),
        client.get(f"{path}/document.json"),
        client.get(f"{path}/cover.svg"),
        client.post(f"{path}/copy"),
        client.put(f"{path}/place", json={"place": "bin"}),
        client.post(f"{path}/pack.zip", json=order),
        client.post(f"{path}/prints", json={**order, "class_id": school["8 Rowan"]}),
    ]
    assert [answer.status_code for answer in asked] == [404] * len(asked)
    for answer in asked:
        assert "go back to the shelf" in answer.json()["detail"]


def test_settings_belong_to_their_teacher(client, school, store):
    mine = {**client.get("/api/settings").json(), "spelling": "US"}
    client.put("/api/settings", json=mine)
    with store.session() as session:
        assert settings_of(session, school["first"]).spelling == "US"
        assert settings_of(session, school["second"]).spelling is None
        row = session.get(TeacherSettings, school["first"])
        row.values = {**row.values, "hat": "green"}
    assert client.get("/api/settings").json() == mine, "what is not known is left aside"


def test_settings_hold_in_a_pack_and_leave_the_kept_exercise_alone(client, school):
    one = client.post("/api/exercises", json=ONE_POINT).json()
    ways = {**client.get("/api/settings").json(), "units": "in", "line": "horizon"}
    client.put("/api/settings", json=ways)
    body = {"order": {"parts": ["steps"]}}
    answer = client.post(f"/api/exercises/{one['id']}/pack.zip", json=body)
    with zipfile.ZipFile(io.BytesIO(answer.content)) as archive:
        text = PdfReader(io.BytesIO(archive.read("steps.pdf"))).pages[0].extract_text()
    assert "Horizon line" in text and " in from the top" in text
    kept = client.get(f"/api/exercises/{one['id']}").json()["document"]
    assert kept == one["document"]


def test_windows_that_save_settings_for_the_first_time_at_once_all_succeed(client, school, store):
    """Each would find no row yet, wait for the other's gap in the table, and be refused."""
    teacher_id = school["first"]

    def save(ruler_mm):
        with store.session() as session:
            save_settings(session, teacher_id, Settings(ruler_mm=ruler_mm))

    asked = range(200, 212)
    with ThreadPoolExecutor(6) as windows:
        list(windows.map(save, asked))
    with store.session() as session:
        assert settings_of(session, teacher_id).ruler_mm in asked
