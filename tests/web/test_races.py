"""What several do at the same moment: once in the records, and each told rightly."""

from __future__ import annotations

import io
import threading
import time
from concurrent.futures import ThreadPoolExecutor

import pytest

from orthopsis.demo.scanner import scan_sheet
from orthopsis.school import claims, intake, lessons
from orthopsis.school.tables import GivenMark, Pupil, SchoolClass, SheetRow, Teacher
from tests.documents import ONE_POINT, scene_of
from tests.web.conftest import one_of_everything

CLIENTS = 6


@pytest.fixture(params=["ON", "OFF"], ids=["as newer servers", "as older servers"])
def isolation(request, store, running, monkeypatch):
    """Newer servers refuse to write over what changed since it was read; older ones do not."""
    monkeypatch.setattr(running.app.state.runner, "_give_out", lambda: False)

    def told(value):
        store.engine.dispose()
        with store.engine.connect() as connection:
            if (
                value
                not in connection.exec_driver_sql(
                    "SHOW VARIABLES LIKE 'innodb_snapshot_isolation'"
                ).one()
            ):
                pytest.skip("the tests' account may not change it")

    if request.param == "ON":
        told("ON")
        yield
        return
    from sqlalchemy import event

    def older(connection, _):
        with connection.cursor() as cursor:
            cursor.execute("SET SESSION innodb_snapshot_isolation = OFF")

    event.listen(store.engine, "connect", older)
    store.engine.dispose()
    yield
    event.remove(store.engine, "connect", older)
    store.engine.dispose()


def at_once(work, count=CLIENTS):
    """What each of several says who begin at the same moment."""
    gate = threading.Barrier(count)

    def one(number):
        gate.wait()
        return work(number)

    with ThreadPoolExecutor(count) as pool:
        return list(pool.map(one, range(count)))


@pytest.fixture
def lesson(client, store, isolation):
    with store.session() as session:
        return one_of_everything(session, sheets=0)["lesson_id"]


def test_the_first_questions_of_all_make_one_teacher(client, store, isolation):
    answers = at_once(lambda _: client.get("/api/server").status_code)
    assert answers == [200] * CLIENTS
    made = at_once(lambda n: client.post("/api/exercises", json={**ONE_POINT, "title": f"T{n}"}))
    assert [one.status_code for one in made] == [201] * CLIENTS
    assert len(client.get("/api/exercises").json()) == CLIENTS, "none has vanished"
    with store.session() as session:
        assert session.query(Teacher).count() == 1


def test_a_class_of_one_name_is_begun_once(client, store, lesson):
    codes = at_once(lambda _: client.post("/api/classes", json={"name": "9 Hazel"}).status_code)
    assert sorted(codes) == [201] + [400] * (CLIENTS - 1)
    with store.session() as session:
        assert session.query(SchoolClass).filter_by(name="9 Hazel").count() == 1


def test_a_pupil_is_added_once(client, store, lesson):
    group = client.get("/api/classes").json()[0]["id"]
    names = {"names": ["Cleo", "Dario"]}
    codes = at_once(lambda _: client.post(f"/api/classes/{group}/pupils", json=names).status_code)
    assert sorted(codes) == [201] + [400] * (CLIENTS - 1)
    with store.session() as session:
        assert session.query(Pupil).count() == 4


def test_the_same_photo_from_all_is_one_sheet(client, store, lesson):
    photo = scan_sheet(scene_of(ONE_POINT), 23, flat=True)[0]

    def send(_):
        return client.post(
            f"/api/lessons/{lesson}/sheets", files={"files": ("a.jpg", photo, "image/jpeg")}
        )

    answers = at_once(send)
    assert [one.status_code for one in answers] == [202] * CLIENTS
    assert sum(len(one.json()["known"]) for one in answers) == CLIENTS - 1
    with store.session() as session:
        assert session.query(SheetRow).count() == 1


def test_first_marks_of_all_are_one_mark(client, store, lesson):
    with store.session() as session:
        sheet = lessons.hand_in(session, 1, lesson, "a.jpg", b"x", intake.SEALED).id
        pupil = session.query(Pupil).first().id

    def mark(number):
        body = {"pupil_id": pupil, "understanding": "sure", "words": f"Words {number}"}
        return client.put(f"/api/sheets/{sheet}/mark", json=body).status_code

    assert at_once(mark) == [200] * CLIENTS
    with store.session() as session:
        assert session.query(GivenMark).one().words.startswith("Words")


def test_one_thing_is_claimed_by_one_of_many_runners(client, store, lesson):
    with store.session() as session:
        for number in range(CLIENTS):
            sheet = lessons.hand_in(session, 1, lesson, "a", bytes([number]), intake.SEALED)
            sheet.state = "waiting"

    def claim(_):
        # What others have locked at this moment is passed over; who gets nothing looks again.
        until = time.monotonic() + 60
        while time.monotonic() < until:
            found = store.done(claims.claim)
            if found is not None:
                return found
            time.sleep(0.02)
        return None

    found = at_once(claim)
    assert len(set(found)) == CLIENTS and None not in found


def test_of_those_who_save_at_once_one_wins_and_none_is_lost(client, store, lesson):
    one = client.post("/api/exercises", json=ONE_POINT).json()

    def save(number):
        body = {"counter": one["counter"], "document": {**ONE_POINT, "title": f"Mine {number}"}}
        return client.put(f"/api/exercises/{one['id']}", json=body).status_code

    assert sorted(at_once(save)) == [200] + [409] * (CLIENTS - 1)
    titles = {item["title"].split(" (")[0] for item in client.get("/api/exercises").json()}
    assert {f"Mine {number}" for number in range(CLIENTS)} <= titles


def test_a_file_sent_by_all_is_kept_by_each_whole(client, store, lesson, monkeypatch):
    monkeypatch.setattr(intake, "PIECE_BYTES", 1000)
    data = b"%PDF-1.7 " + bytes(range(256)) * 40
    for kept in at_once(
        lambda n: list(intake.send(store, intake.Owner(1, lesson), f"{n}.pdf", io.BytesIO(data)))
    ):
        (one,) = kept
        with store.session() as session:
            pieces = session.query(intake.UploadPiece).filter_by(upload_id=one.upload.id)
            found = [p.data for p in pieces.order_by(intake.UploadPiece.number)]
        assert b"".join(found) == data and len(found) == 11
