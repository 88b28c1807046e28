"""The print tray over the web: packs at once, and a class's sheets as a job."""

from __future__ import annotations

import io
import os
import signal
import time
from functools import partial

import cv2
import pypdfium2 as pdfium
import pytest
from pypdf import PdfReader

from orthopsis.exercise.load import to_data
from orthopsis.exercise.task import SheetCode
from orthopsis.school import claims, printing
from orthopsis.school.tables import JobState, PrintJob
from tests.documents import ONE_POINT, changed, example

ORDER = {"parts": ["starter"], "marks": True}


@pytest.fixture
def job_of(client, school, store, monkeypatch):
    """Asks for a class's sheets; the runner of the tests does nothing by itself."""
    monkeypatch.setattr(client.app.state.runner, "_give_out", lambda: False)
    monkeypatch.setattr(client.app.state.runner, "_hold", lambda: None)
    one = client.post("/api/exercises", json=ONE_POINT).json()

    def ask(class_id=None, more=(), **order):
        body = {
            "class_id": class_id or school["8 Rowan"],
            "order": {**ORDER, **order},
            **dict(more),
        }
        return client.post(f"/api/exercises/{one['id']}/prints", json={**body, **dict(more)})

    return ask


def work(store, job):
    with store.session() as session:
        assert claims.claim(session) == ("print", job["id"])
    printing.work(store, job["id"])


def state(client, job):
    return client.get(f"/api/prints/{job['id']}").json()


def test_a_pack_is_printed_as_it_was_ordered(client):
    order = {"parts": ["materials", "key", "key"], "paper": "A4", "office": "A4"}
    answer = client.post("/api/print", json={"document": ONE_POINT, "order": order})
    assert len(PdfReader(io.BytesIO(answer.content)).pages) == 5, "four tiles, then the list"


@pytest.mark.parametrize(
    ("order", "field"),
    [
        ({"parts": []}, "order.parts"),
        ({"parts": ["poster"]}, "order.parts[0]"),
        ({"parts": ["key"], "per_page": 3}, "order.per_page"),
        ({"parts": ["key"], "ink": "gold"}, "order.ink"),
    ],
)
def test_a_wrong_order_is_refused_by_its_field(client, order, field):
    refused = client.post("/api/print", json={"document": ONE_POINT, "order": order})
    assert refused.status_code == 422
    assert refused.json()["field"] == field


def test_what_cannot_be_drawn_is_not_printed(client):
    wrong = changed(ONE_POINT, pieces__0__depth={"along_mm": 900})
    order = {"parts": ["key"]}
    refused = client.post("/api/print", json={"document": wrong, "order": order})
    assert refused.status_code == 422
    assert refused.json()["field"] == "pieces[0].depth.along_mm"


def test_a_class_gets_its_sheets(client, job_of, store):
    job = job_of().json()
    assert (job["state"], job["done"], job["total"]) == ("waiting", 0, 2)
    assert client.get(f"/api/prints/{job['id']}/file.pdf").status_code == 404
    work(store, job)
    assert state(client, job)["state"] == "done"
    file = client.get(f"/api/prints/{job['id']}/file.pdf")
    text = [page.extract_text() for page in PdfReader(io.BytesIO(file.content)).pages]
    assert "Ada" in text[0] and "Bram" in text[1]


def test_some_of_a_class_get_their_sheets_by_another_demand(client, job_of, school, store):
    job = job_of(more={"demand": "first steps", "pupil_ids": [school["Bram"]]}).json()
    assert job["total"] == 1
    work(store, job)
    pages = PdfReader(io.BytesIO(client.get(f"/api/prints/{job['id']}/file.pdf").content)).pages
    assert len(pages) == 1 and "Bram" in pages[0].extract_text()
    image = pdfium.PdfDocument(client.get(f"/api/prints/{job['id']}/file.pdf").content)[0]
    grey = image.render(scale=3.0, grayscale=True).to_numpy()
    said = cv2.QRCodeDetector().detectAndDecode(grey)[0]
    assert SheetCode.read(said)[2:] == (school["Bram"], "first steps")
    assert job_of(more={"pupil_ids": [school["Cleo"]]}).status_code == 422, "of another class"


def test_a_print_is_stopped_at_its_next_sheet(client, job_of, store, monkeypatch):
    job = job_of().json()

    def slow(scene, order, tell):
        tell(1)
        assert client.delete(f"/api/prints/{job['id']}").json()["state"] == "cancelled"
        tell(2)
        raise AssertionError("it went on")

    monkeypatch.setattr(printing, "handout_pdf", slow)
    work(store, job)
    assert state(client, job)["state"] == "cancelled"
    assert state(client, job)["done"] == 1


def test_a_print_that_fails_says_why(client, job_of, store):
    job = job_of(parts=["key"]).json()
    spoilt = changed(ONE_POINT, pieces__0__depth={"along_mm": 900})
    exercise = client.get(f"/api/exercises/{job['exercise_id']}").json()
    client.put(
        f"/api/exercises/{job['exercise_id']}",
        json={"counter": exercise["counter"], "document": spoilt},
    )
    work(store, job)
    assert state(client, job)["state"] == "failed"
    assert "pieces[0].depth.along_mm" in state(client, job)["problem"]


def test_what_a_stopped_server_left_is_taken_up_again(client, job_of, store):
    job = job_of().json()
    with store.session() as session:
        row = session.get(PrintJob, job["id"])
        row.state, row.done = JobState.WORKING, 1
    with store.session() as session:
        claims.take_back(session)
    work(store, job)
    assert state(client, job)["state"] == "done"


def test_the_executor_does_it_in_a_process_of_its_own(client, school):
    one = client.post("/api/exercises", json=ONE_POINT).json()
    body = {"class_id": school["8 Rowan"], "order": ORDER}
    job = client.post(f"/api/exercises/{one['id']}/prints", json=body).json()
    until = time.monotonic() + 120
    while state(client, job)["state"] in ("waiting", "working") and time.monotonic() < until:
        time.sleep(0.1)
    assert state(client, job)["state"] == "done"


def test_only_the_own_class_is_printed_and_only_the_own_prints_are_seen(
    client, job_of, school, store
):
    assert job_of(class_id=school["7 Ash"]).status_code == 404
    job = job_of().json()
    with store.session() as session:
        session.get(PrintJob, job["id"]).teacher_id = school["second"]
    for ask in (client.get, client.delete):
        assert ask(f"/api/prints/{job['id']}").status_code == 404


def test_old_prints_make_room(client, job_of, store):
    for _ in range(printing.KEPT_JOBS + 3):
        assert job_of().status_code == 202
    with store.session() as session:
        assert session.query(PrintJob).count() == printing.KEPT_JOBS


def test_a_print_whose_process_is_killed_is_done_by_the_next(client, school):
    one = client.post("/api/exercises", json=ONE_POINT).json()
    runner = client.app.state.runner
    body = {"class_id": school["8 Rowan"], "order": ORDER}
    ask = partial(client.post, f"/api/exercises/{one['id']}/prints", json=body)
    jobs = [ask().json() for _ in range(3)]
    until = time.monotonic() + 120
    while not runner.state().under_way:
        assert time.monotonic() < until
        time.sleep(0.01)
    for process in runner.engine.processes():
        os.kill(process, signal.SIGKILL)
    while any(state(client, job)["state"] in ("waiting", "working") for job in jobs):
        assert time.monotonic() < until
        time.sleep(0.05)
    ended = [state(client, job) for job in jobs]
    assert [(one["state"], one["problem"]) for one in ended] == [("done", None)] * 3


def test_names_that_cannot_be_drawn_are_listed_before_anything_is_printed(client, school):
    fern = client.post("/api/exercises", json=to_data(example("fern").exercise)).json()
    crates = client.post("/api/exercises", json=ONE_POINT).json()
    group = school["8 Rowan"]
    names = ["Жena Alder", "Vale, Zoë", "Wolfeschlegelsteinhausenberger Oak"]
    client.post(f"/api/classes/{group}/pupils", json={"names": names})
    told = client.get(f"/api/exercises/{fern['id']}/names/{group}").json()
    why = {one["pupil"]: one["problem"] for one in told}
    assert why.keys() == {names[0], names[2]}
    assert "no block letter for Ж" in why[names[0]]
    assert client.get(f"/api/exercises/{crates['id']}/names/{group}").json() == []
    assert client.get(f"/api/exercises/{fern['id']}/names/999999").status_code == 404
