"""The database: migrations, restarts, crashes, the demo data."""

from __future__ import annotations

import json
import os
import signal
import time
from datetime import date

import pytest
from alembic.autogenerate import compare_metadata
from alembic.migration import MigrationContext
from sqlalchemy import MetaData, Table, inspect, text

from orthopsis.demo import school as demo
from orthopsis.errors import SchoolError
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve
from orthopsis.exercise.runthrough import run_through
from orthopsis.school import shelf
from orthopsis.school.private_db import PrivateDatabase
from orthopsis.school.register import register
from orthopsis.school.store import Store
from orthopsis.school.tables import Base, SchoolClass, SheetRow, Teacher
from orthopsis.school.verdicts import record_of
from orthopsis.wording.words import Words
from tests.documents import EXAMPLE_TITLES, ONE_POINT, ROOT


def test_the_migrations_make_exactly_the_tables_of_the_code(migrated):
    with migrated.engine.connect() as connection:
        context = MigrationContext.configure(connection)
        assert compare_metadata(context, Base.metadata) == []


def test_every_table_but_teachers_and_settings_names_its_teacher(migrated):
    found = inspect(migrated.engine)
    for table in found.get_table_names():
        if table in ("teacher", "setting", "alembic_version"):
            continue
        assert "teacher_id" in {column["name"] for column in found.get_columns(table)}, table


def test_a_newer_schema_is_refused_and_left_alone(store):
    with store.session() as session:
        known = session.scalar(text("SELECT version_num FROM alembic_version"))
        session.execute(text("UPDATE alembic_version SET version_num = '9999'"))
    try:
        with pytest.raises(SchoolError, match="newer version"):
            store.migrate()
    finally:
        with store.session() as session:
            session.execute(text("UPDATE alembic_version SET version_num = :v"), {"v": known})
    store.migrate()


def test_a_session_that_fails_takes_everything_back(store, school):
    with pytest.raises(RuntimeError), store.session() as session:
        shelf.add_exercise(session, school["first"], from_data(ONE_POINT))
        session.flush()
        raise RuntimeError
    with store.session() as session:
        assert list(shelf.exercises(session, school["first"])) == []


def test_records_survive_a_restart_and_a_kill(own_database):
    store = Store(own_database.url)
    store.migrate()
    with store.session() as session:
        session.get(Teacher, 1).name = "kept"
    store.close()
    own_database.stop()
    assert own_database.running_pid() is None
    own_database.start()
    os.kill(own_database.running_pid(), signal.SIGKILL)
    for _ in range(100):
        if own_database.running_pid() is None:
            break
        time.sleep(0.05)
    own_database.start()
    store = Store(own_database.url)
    store.migrate()
    with store.session() as session:
        assert session.get(Teacher, 1).name == "kept"
    store.close()


def test_a_database_of_before_keeps_edits_and_verdicts(own_database):
    """Schema 0007 kept steps by their titles, findings as sentences, and `away` as a state."""
    old = json.loads((ROOT / "tests" / "cases" / "verdict-of-version-1.json").read_text())
    run = {"steps": {"crate/Crate: the front face": {"note": "Slowly."}}}
    document = {**ONE_POINT, "run": run}
    store = Store(own_database.url)
    store.migrate("0007")
    day = "2026-09-01 08:00:00"
    rows = {
        "teacher": {"id": 1, "name": "kept", "created_at": day},
        "school_class": {"id": 1, "teacher_id": 1, "name": "8 Rowan", "away": 0},
        "pupil": {"id": 1, "teacher_id": 1, "class_id": 1, "name": "Ada", "left": 0},
        "exercise": {"id": 1, "teacher_id": 1, "title": "One box", "counter": 1, "saved_at": day,
                     "document": json.dumps(document), "place": "shelf"},
        "lesson": {"id": 1, "teacher_id": 1, "class_id": 1, "exercise_id": 1, "given_on": day,
                   "demand": "standard"},
        "sheet": {"id": 1, "teacher_id": 1, "lesson_id": 1, "pupil_id": 1, "file_name": "a.jpg",
                  "handed_in_at": day, "state": "away"},
        "verdict": {"id": 1, "teacher_id": 1, "sheet_id": 1, "exercise_counter": 1,
                    "record": json.dumps(old), "corrections": "{}", "judged_at": day},
    }  # fmt: skip
    with store.engine.begin() as connection:
        for name, values in rows.items():
            table = Table(name, MetaData(), autoload_with=connection)
            own = {key: value for key, value in values.items() if key in table.c}
            connection.execute(table.insert().values(own))
    store.migrate()
    with store.session() as session:
        sheet = session.get(SheetRow, 1)
        assert (sheet.away, sheet.state) == (True, "done")
        record = record_of(sheet.verdict)
        assert [one.message for one in record.said(Words()).findings] == [
            one["message"] for one in old["findings"]
        ]
        made = run_through(resolve(from_data(shelf.exercise(session, 1, 1).document)))
        assert [step.note for step in made if step.note] == ["Slowly."]
        assert next(step.note for step in made if step.phrase == "box-front") == "Slowly."
    store.close()


def test_a_second_start_finds_the_running_one(own_database):
    pid = own_database.running_pid()
    PrivateDatabase(own_database.folder).start()
    assert own_database.running_pid() == pid


def test_an_unfinished_setup_is_done_again(tmp_path):
    folder = tmp_path / "db"
    (folder / "data").mkdir(parents=True)  # as it is before the first start, or after a restore
    (folder / "data.new").mkdir()
    database = PrivateDatabase(folder)
    database.start()
    try:
        assert database.running_pid()
        assert oct((folder / "password").stat().st_mode)[-3:] == "600"
    finally:
        database.stop()


def test_two_folders_have_their_own_servers_and_passwords(own_database, database):
    assert own_database.running_pid() != database.running_pid()
    assert own_database.url != database.url


@pytest.fixture(scope="module")
def filled(migrated):
    with migrated.session() as session:
        demo.clear(session)
        session.add(Teacher(id=1, name="Local teacher"))  # as the tables' first version makes it
    said: list[str] = []
    demo.fill(migrated, said.append, date(2026, 11, 24))
    return migrated, said


def test_the_demo_data_are_a_class_its_lessons_and_ten_judged_sheets(filled):
    store, said = filled
    assert len(said) == 10
    with store.session() as session:
        teacher = session.query(Teacher).one()
        titles = {row.title for row in shelf.exercises(session, teacher.id)}
        assert titles == EXAMPLE_TITLES
        page = register(session, teacher.id, session.query(SchoolClass).one().id)
        assert page.school_class.name == "8 Rowan"
        assert len(page.pupils) == 8
        assert len(page.sheets) == 10
        assert all(sheet.verdict and sheet.mark for sheet in page.sheets.values())
        codes = {
            finding["code"]
            for sheet in page.sheets.values()
            for finding in sheet.verdict.record["findings"]
        }
        assert {"vp-moved", "upright-leans", "stray-line"} <= codes


def test_other_work_is_told_from_the_demo_data(filled):
    store, _ = filled
    with store.session() as session:
        assert not demo.is_empty(session)
        assert not demo.has_other_work(session)
        teacher = session.query(Teacher).one()
        row = shelf.add_exercise(session, teacher.id, from_data(ONE_POINT))
        assert demo.has_other_work(session)
        session.delete(row)
        session.flush()
        assert not demo.has_other_work(session)
