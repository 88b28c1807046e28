"""The judge's processes: killed, too slow, out of memory; and whose sheets they are."""

from __future__ import annotations

import os
import signal
import time

import pytest

from orthopsis.demo.scanner import scan_sheet
from orthopsis.exercise.load import from_data
from orthopsis.school import intake, lessons, shelf, verdicts
from orthopsis.school.tables import JobState, SheetRow
from orthopsis.school.tasks import Origin
from orthopsis.web import marking_jobs
from orthopsis.web.marking_jobs import MarkingJobs
from tests.documents import ONE_POINT, scene_of
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


@pytest.fixture
def jobs(store):
    jobs = MarkingJobs(store, workers=1)
    yield jobs
    jobs.close()


def sent(store, school, lesson_id, data, name="x.jpg"):
    return list(intake.send(store, intake.Owner(school["first"], lesson_id), name, data))


def states(store, wanted, seconds=60.0):
    """The states of all sheets, once they are as wanted."""
    ends = time.monotonic() + seconds
    while time.monotonic() < ends:
        with store.session() as session:
            found = [row.state for row in session.query(SheetRow).order_by(SheetRow.id)]
        if found == wanted:
            return found
        time.sleep(0.1)
    return found


def test_a_photo_that_ends_its_process_spoils_only_itself(
    store, school, lesson_id, jobs, photo, monkeypatch
):
    ended = []
    real = marking_jobs._Worker._submitted

    def deadly(worker, claimed):
        work = real(worker, claimed)
        if not ended:
            # As a decoder's fault would: the process is gone in the middle of its work.
            while not worker._pool._processes:
                time.sleep(0.01)
            for process in worker._pool._processes:
                os.kill(process, signal.SIGKILL)
            ended.append(claimed)
        return work

    monkeypatch.setattr(marking_jobs._Worker, "_submitted", deadly)
    for name, data in (("a.jpg", photo), ("b.jpg", photo + b"\0")):
        sent(store, school, lesson_id, data, name)
    jobs.look()
    assert states(store, ["failed", "done"]) == ["failed", "done"]
    with store.session() as session:
        problem = session.query(SheetRow).order_by(SheetRow.id).first().problem
    assert "could not be read" in problem


def test_a_photo_that_takes_too_long_is_left(store, school, lesson_id, jobs, photo, monkeypatch):
    monkeypatch.setattr(marking_jobs, "SHEET_LIMIT_S", 0.0)
    sent(store, school, lesson_id, photo)
    jobs.look()
    assert states(store, ["failed"]) == ["failed"]
    monkeypatch.setattr(marking_jobs, "SHEET_LIMIT_S", 60.0)
    with store.session() as session:
        row = session.query(SheetRow).one()
        assert "too long" in row.problem
        intake.judge_later(session, school["first"], row.id)
    jobs.look()
    assert states(store, ["done"]) == ["done"], "it may be asked for again"


def test_one_thing_is_claimed_once_and_sheets_come_before_files(store, school, lesson_id, photo):
    sent(store, school, lesson_id, b"%PDF-1.7 several")
    sent(store, school, lesson_id, photo)
    with store.session() as first, store.session() as second:
        one, other, none = intake.claim(first), intake.claim(second), intake.claim(second)
    assert (one.kind, other.kind, none) == ("sheet", "upload", None)
    with store.session() as session:
        assert intake.under_way(session)
        assert intake.take_up(session), "after a restart both wait again"
        assert session.get(SheetRow, one.id).state == JobState.WAITING


def test_a_cancelled_sheet_is_not_judged_by_a_worker_that_had_it(store, school, lesson_id, photo):
    sent(store, school, lesson_id, photo)
    with store.session() as session:
        claimed = intake.claim(session)
        intake.cancel(session, school["first"], lesson_id)
    intake.work(store, claimed)
    with store.session() as session:
        row = session.get(SheetRow, claimed.id)
        assert row.state == JobState.CANCELLED and row.verdict is None


def test_what_broke_off_is_sent_again_and_nothing_is_doubled(store, school, lesson_id, photo):
    data = zipped(a=photo, b=photo + b"\0", c=b"%PDF-1.7 pages")
    parts = intake.send(store, intake.Owner(school["first"], lesson_id), "class.zip", data)
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
    parts = intake.send(store, intake.Owner(school["first"], lesson_id), "class.zip", data)
    next(parts)
    with store.session() as session:
        intake.cancel(session, school["first"], lesson_id)
    list(parts)
    with store.session() as session:
        assert [row.state for row in session.query(SheetRow)] == ["cancelled"] * 3
        assert not intake.take_up(session), "nothing waits"
    list(intake.send(store, intake.Owner(school["first"], lesson_id), "class.zip", data))
    with store.session() as session:
        assert [row.state for row in session.query(SheetRow)] == ["waiting"] * 3


@pytest.mark.parametrize(
    ("name", "pupil"),
    [
        ("ada.jpg", "Ada"),
        ("8 Rowan BRÁM 2.png", "Bram"),
        ("ada and bram.jpg", None),
        ("IMG_1234.jpg", None),
    ],
)
def test_a_files_name_tells_the_pupil_only_when_it_names_one(
    store, school, lesson_id, photo, name, pupil
):
    sent(store, school, lesson_id, photo, name)
    with store.session() as session:
        origin = Origin(session, session.query(SheetRow).one())
    assert origin.whose(None) == (school[pupil] if pupil else None)


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
            lambda: list(intake.send(store, intake.Owner(school["second"], lesson_id), "x", b"y")),
        ):
            with pytest.raises(lessons.NotFound):
                change()
        assert verdicts.phrases(session, school["second"], exercise_id) == {}
        assert intake.uploads(session, school["second"], lesson_id) == []
    # A photo that nobody has opened is never sent to a page.
    assert client.get(f"/api/sheets/{sheet_id}/photo").status_code == 404
