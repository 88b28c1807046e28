"""The runner and its processes: killed, too slow, out of memory; and whose sheets they are."""

from __future__ import annotations

import io
import logging
import os
import signal
import socket
import ssl
import subprocess
import sys
import time
from datetime import datetime
from pathlib import Path

import pytest
from distributed import LocalCluster

from orthopsis.demo.scanner import scan_sheet
from orthopsis.exercise.load import from_data
from orthopsis.school import claims, intake, lessons, shelf, verdicts
from orthopsis.school.tables import JobState, SheetRow
from orthopsis.school.tasks import Origin
from orthopsis.work.engine import Engine
from orthopsis.work.runner import LIMIT_S, Runner
from tests.documents import ONE_POINT, ROOT, scene_of
from tests.marking.test_intake import zipped
from tests.web.test_marking_api import _day


@pytest.fixture(scope="module")
def photo():
    return scan_sheet(scene_of(ONE_POINT), 23)[0]


@pytest.fixture
def lesson_id(store, school):
    with store.session() as session:
        row = shelf.add_exercise(session, school["first"], from_data(ONE_POINT))
        given = lessons.give_lesson(session, school["first"], school["8 Rowan"], row.id, _day())
        return given.id


@pytest.fixture(autouse=True)
def alone(running, monkeypatch):
    """The runner of the other tests' app leaves everything to this one's."""
    monkeypatch.setattr(running.app.state.runner, "_give_out", lambda: False)
    monkeypatch.setattr(running.app.state.runner, "_hold", lambda: None)


@pytest.fixture
def runner(store):
    url = store.engine.url.render_as_string(hide_password=False)
    runner = Runner(store, Engine(url, workers=1))
    yield runner
    runner.close()


def sent(store, school, lesson_id, data, name="x.jpg"):
    return list(intake.send(store, owner(school, lesson_id), name, io.BytesIO(data)))


def owner(school, lesson_id):
    return intake.Owner(school["first"], lesson_id)


def states(store, wanted, seconds=240.0):
    """The states of all sheets, once they are as wanted."""
    ends = time.monotonic() + seconds
    while time.monotonic() < ends:
        with store.session() as session:
            found = [row.state for row in session.query(SheetRow).order_by(SheetRow.id)]
        if found == wanted:
            return found
        time.sleep(0.1)
    return found


def problem(store):
    with store.session() as session:
        return session.query(SheetRow).order_by(SheetRow.id).first().problem


def test_a_photo_that_ends_its_process_twice_spoils_only_itself(
    store, school, lesson_id, runner, photo, monkeypatch
):
    real = runner.engine.submit

    def deadly(claimed, limit_s, heard):
        if claimed.id == first:
            # As a decoder's fault would: the process is gone in the middle of its work.
            limit_s = 0.05
        real(claimed, limit_s, heard)

    monkeypatch.setattr(runner.engine, "submit", deadly)
    for name, data in (("a.jpg", photo), ("b.jpg", photo + b"\0")):
        sent(store, school, lesson_id, data, name)
    with store.session() as session:
        first = session.query(SheetRow).order_by(SheetRow.id).first().id
    runner.look()
    assert states(store, ["failed", "done"]) == ["failed", "done"]
    assert "too long (or too much memory)" in problem(store)


def test_a_photo_that_takes_too_long_is_left(store, school, lesson_id, runner, photo, monkeypatch):
    monkeypatch.setitem(LIMIT_S, "sheet", 0.02)
    sent(store, school, lesson_id, photo)
    runner.look()
    assert states(store, ["failed"]) == ["failed"]
    assert "too long" in problem(store)
    monkeypatch.setitem(LIMIT_S, "sheet", 60.0)
    with store.session() as session:
        intake.judge_later(session, school["first"], session.query(SheetRow).one().id)
    runner.look()
    assert states(store, ["done"]) == ["done"], "it may be asked for again"


def test_a_process_that_somebody_kills_loses_nothing(store, school, lesson_id, runner, photo):
    runner.warm()
    wait_for(lambda: runner.engine.started)
    for k in range(3):
        sent(store, school, lesson_id, photo + bytes(k), f"{k}.jpg")
    runner.look()
    wait_for(lambda: runner.state().under_way)
    for process in runner.engine.processes():
        os.kill(process, signal.SIGKILL)
    assert states(store, ["done"] * 3) == ["done"] * 3


def test_one_thing_is_claimed_once_and_each_kind_gets_its_turn(store, school, lesson_id, photo):
    sent(store, school, lesson_id, b"%PDF-1.7 several")
    sent(store, school, lesson_id, photo)
    sent(store, school, lesson_id, photo + b"\0")
    with store.session() as first, store.session() as second:
        one = claims.claim(first)
        other = claims.claim(second, [one])
        third = claims.claim(second, [one, other])
        none = claims.claim(second, [one, other, third])
    assert [c.kind for c in (one, other, third)] == ["sheet", "upload", "sheet"]
    assert none is None


def test_what_nobody_holds_any_more_waits_again(store, school, lesson_id, photo):
    sent(store, school, lesson_id, photo)
    with store.session() as session:
        claimed = claims.claim(session)
        claims.take_back(session)
        assert claims.claim(session) is None, "it is held"
        session.query(SheetRow).one().claimed_until = datetime(2026, 1, 1)
        session.flush()
        claims.take_back(session)
        assert claims.claim(session) == claimed
        claims.let_go(session, [claimed])
        assert claims.claim(session, [claimed]) is None, "not while it is still under way here"
        assert claims.claim(session) == claimed


def test_work_goes_on_after_the_records_were_out_of_reach(
    store, school, lesson_id, runner, photo, database
):
    runner.warm()
    for k in range(2):
        sent(store, school, lesson_id, photo + bytes(k), f"{k}.jpg")
    runner.look()
    os.kill(database.running_pid(), signal.SIGKILL)
    wait_for(lambda: database.running_pid() is None)
    time.sleep(1.0)
    assert runner.state().running, "it is still there"
    database.start()
    assert states(store, ["done", "done"]) == ["done", "done"]


def test_a_thread_that_has_ended_is_begun_anew(store, school, lesson_id, runner, photo):
    runner.start()
    ended = runner._thread
    runner._closing = True
    runner.look()
    ended.join()
    runner._closing = False
    assert not runner.state().running
    sent(store, school, lesson_id, photo)
    runner.look()
    assert states(store, ["done"]) == ["done"]


def test_the_processes_end_with_the_one_that_began_them(store):
    """Whatever it is doing: a killed server leaves nobody behind."""
    program = (
        "import sys, time\n"
        "from orthopsis.work.engine import Engine\n"
        "if __name__ == '__main__':\n"
        "    engine = Engine(sys.argv[1], workers=2); engine.start()\n"
        "    print(*engine.processes(), flush=True); time.sleep(60)\n"
    )
    url = store.engine.url.render_as_string(hide_password=False)
    parent = subprocess.Popen(
        [sys.executable, "-c", program, url], stdout=subprocess.PIPE, text=True,
        env={**os.environ, "PYTHONPATH": str(ROOT / "src")},
    )  # fmt: skip
    processes = [int(number) for number in parent.stdout.readline().split()]
    assert len(processes) == 2
    assert all(Path(f"/proc/{number}").exists() for number in processes)
    parent.kill()
    parent.wait()
    wait_for(lambda: not any(Path(f"/proc/{number}").exists() for number in processes))


def test_nobody_else_can_speak_with_the_processes(runner):
    """They listen on this machine only, and under certificates that nobody else has."""
    runner.engine.start()
    address = runner.engine._client.scheduler.address
    assert address.startswith("tls://127.0.0.1:")
    host, port = address.removeprefix("tls://").split(":")
    context = ssl.create_default_context()
    context.check_hostname, context.verify_mode = False, ssl.CERT_NONE
    with (
        socket.create_connection((host, int(port))) as plain,
        pytest.raises(ssl.SSLError, match="certificate required"),
        context.wrap_socket(plain) as stranger,
    ):
        stranger.settimeout(10)
        stranger.recv(1)
    listening = subprocess.run(["ss", "-ltn"], capture_output=True, text=True).stdout
    assert port in listening and f"0.0.0.0:{port}" not in listening


def test_another_schools_engine_does_it_by_its_address(store, school, lesson_id, photo):
    """Nothing but the address differs: the same work, by processes that others began."""
    with LocalCluster(
        n_workers=1, threads_per_worker=1, host="127.0.0.1", dashboard_address="127.0.0.1:0",
        silence_logs=logging.CRITICAL,
    ) as cluster:  # fmt: skip
        url = store.engine.url.render_as_string(hide_password=False)
        elsewhere = Runner(store, Engine(url, cluster.scheduler_address))
        try:
            sent(store, school, lesson_id, photo)
            elsewhere.look()
            assert states(store, ["done"]) == ["done"]
            assert elsewhere.engine.processes() == [], "none of ours"
        finally:
            elsewhere.close()


def test_an_engine_that_cannot_be_reached_loses_nothing(store, school, lesson_id, photo):
    url = store.engine.url.render_as_string(hide_password=False)
    lost = Runner(store, Engine(url, "tcp://127.0.0.1:1"))
    sent(store, school, lesson_id, photo)
    lost.look()
    time.sleep(0.5)
    assert lost.state().running and not lost.state().engine
    assert states(store, ["waiting"]) == ["waiting"], "it still waits for somebody"
    lost._closing = True


def wait_for(happened, seconds=240.0):
    ends = time.monotonic() + seconds
    while not happened():
        assert time.monotonic() < ends, "it does not happen"
        time.sleep(0.05)


def test_a_cancelled_sheet_is_not_judged_by_a_worker_that_had_it(store, school, lesson_id, photo):
    sent(store, school, lesson_id, photo)
    with store.session() as session:
        claimed = claims.claim(session)
        intake.cancel(session, school["first"], lesson_id)
    intake.judge(store, claimed.id)
    with store.session() as session:
        row = session.get(SheetRow, claimed.id)
        assert row.state == JobState.CANCELLED and row.verdict is None


def test_what_broke_off_is_sent_again_and_nothing_is_doubled(store, school, lesson_id, photo):
    data = zipped(a=photo, b=photo + b"\0", c=b"%PDF-1.7 pages")
    parts = intake.send(store, owner(school, lesson_id), "class.zip", io.BytesIO(data))
    assert next(parts).name == "a"
    parts.close()
    with store.session() as session:
        assert session.query(SheetRow).one().state == JobState.WAITING, "it need not wait for b"
        session.query(SheetRow).one().state = JobState.CANCELLED
    kept = sent(store, school, lesson_id, data, "class.zip")
    assert [(one.known, one.upload is None) for one in kept] == [(False, True)] * 2 + [
        (False, False)
    ]
    with store.session() as session:
        rows = session.query(SheetRow).order_by(SheetRow.id).all()
        assert [(row.file_name, row.state) for row in rows] == [("a", "waiting"), ("b", "waiting")]
    (again,) = sent(store, school, lesson_id, photo, "renamed.jpg")
    assert again.known and again.upload is None
    with store.session() as session:
        first = session.query(SheetRow).order_by(SheetRow.id).first()
        first.away = True
    (anew,) = sent(store, school, lesson_id, photo)
    assert not anew.known, "what was taken from the stack may come again"


def test_who_stops_while_a_zip_arrives_has_the_rest_unjudged(store, school, lesson_id, photo):
    data = zipped(**{name: photo + name.encode() for name in "abc"})
    parts = intake.send(store, owner(school, lesson_id), "class.zip", io.BytesIO(data))
    next(parts)
    with store.session() as session:
        intake.cancel(session, school["first"], lesson_id)
    list(parts)
    with store.session() as session:
        assert [row.state for row in session.query(SheetRow)] == ["cancelled"] * 3
        assert claims.claim(session) is None, "nothing waits"
    list(intake.send(store, owner(school, lesson_id), "class.zip", io.BytesIO(data)))
    with store.session() as session:
        assert [row.state for row in session.query(SheetRow)] == ["waiting"] * 3


@pytest.mark.parametrize(
    ("name", "pupil"),
    [
        ("ada.jpg", "Ada"),
        ("8 Rowan BRÁM 2.png", "Bram"),
        ("AdaSheet3.jpg", "Ada"),
        ("ada and bram.jpg", None),
        ("IMG_1234.jpg", None),
        ("canada.jpg", None),
        ("embrambled.jpg", None),
        ("—.jpg", None),
    ],
)
def test_a_files_name_tells_the_pupil_only_when_it_names_one(
    store, school, lesson_id, photo, name, pupil
):
    sent(store, school, lesson_id, photo, name)
    with store.session() as session:
        origin = Origin(session, session.query(SheetRow).one())
    assert origin.whose(None) == ((school[pupil], True) if pupil else (None, False))


def test_what_belongs_to_another_teacher_is_not_there(client, store, school, lesson_id, photo):
    sent(store, school, lesson_id, photo)
    with store.session() as session:
        sheet = session.query(SheetRow).one()
        exercise_id, sheet_id = sheet.lesson.exercise_id, sheet.id
        for change in (
            lambda: intake.judge_later(session, school["second"], sheet_id),
            lambda: verdicts.be_strict(session, school["second"], lesson_id, "stretch"),
            lambda: verdicts.save_phrase(session, school["second"], exercise_id, "x", "y"),
            lambda: verdicts.summary(session, school["second"], lesson_id),
            lambda: lessons.give_to(session, school["second"], sheet_id, school["Ada"]),
            lambda: intake.cancel(session, school["second"], lesson_id),
            lambda: sent(store, {"first": school["second"]}, lesson_id, b"y"),
        ):
            with pytest.raises(lessons.NotFound):
                change()
        assert verdicts.phrases(session, school["second"], exercise_id) == {}
        assert intake.uploads(session, school["second"], lesson_id) == []
    # A photo that nobody has opened is never sent to a page.
    assert client.get(f"/api/sheets/{sheet_id}/photo").status_code == 404
