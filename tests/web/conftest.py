"""A MariaDB of the tests' own, and the app on it; every test starts with empty tables."""

from __future__ import annotations

from datetime import date

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import func

from orthopsis.demo.school import clear
from orthopsis.exercise.load import from_data
from orthopsis.school import classes, intake, lessons, shelf
from orthopsis.school.private_db import PrivateDatabase
from orthopsis.school.store import Store
from orthopsis.school.tables import Pupil, SchoolClass, SheetRow, Teacher
from orthopsis.web.app import create_app
from tests.documents import ONE_POINT


@pytest.fixture(scope="session")
def database(tmp_path_factory):
    database = PrivateDatabase(tmp_path_factory.mktemp("records of the tests"))
    database.start()
    yield database
    database.stop()


@pytest.fixture
def own_database(tmp_path):
    """A database for one test alone, in a folder whose path is no easy one."""
    database = PrivateDatabase(tmp_path / "a folder with spaces")
    database.start()
    yield database
    database.stop()


@pytest.fixture(scope="session")
def migrated(database):
    store = Store(database.url)
    store.migrate()
    yield store
    store.close()


@pytest.fixture
def store(migrated):
    with migrated.session() as session:
        clear(session)
    return migrated


@pytest.fixture(scope="session")
def running(migrated):
    """One app for all tests, as a server is: its processes load what they need only once."""
    with TestClient(create_app(migrated), base_url="http://127.0.0.1") as client:
        yield client


@pytest.fixture
def client(store, running):
    running.headers.clear()
    running.cookies.clear()
    return running


@pytest.fixture
def school(store):
    """A teacher with a class of two, and a second teacher with a class of one."""
    with store.session() as session:
        ids = {}
        for teacher, group, names in (
            ("first", "8 Rowan", ["Ada", "Bram"]),
            ("second", "7 Ash", ["Cleo"]),
        ):
            owner = Teacher(name=teacher)
            session.add(owner)
            session.flush()
            row = SchoolClass(teacher_id=owner.id, name=group)
            session.add(row)
            session.flush()
            ids[teacher], ids[group] = owner.id, row.id
            for name in names:
                pupil = Pupil(teacher_id=owner.id, class_id=row.id, name=name)
                session.add(pupil)
                session.flush()
                ids[name] = pupil.id
    return ids


def one_of_everything(session, sheets):
    """The one teacher of a machine, with a class, an exercise, its lesson and some sheets."""
    session.add(Teacher(id=1, name="the only one"))
    session.flush()
    group = classes.new_class(session, 1, "8 Rowan")
    classes.add_pupils(session, 1, group.id, ["Ada", "Bram"])
    row = shelf.add_exercise(session, 1, from_data(ONE_POINT))
    lesson = lessons.give_lesson(session, 1, group.id, row.id, date(2026, 11, 24))
    for number in range(sheets):
        lessons.hand_in(session, 1, lesson.id, f"{number}.png", bytes([1, number]), intake.SEALED)
    return {
        "class_id": group.id, "exercise_id": row.id, "lesson_id": lesson.id,
        "sheet_id": session.query(func.min(SheetRow.id)).scalar(),
        "pupil_id": session.query(func.min(Pupil.id)).scalar(),
    }  # fmt: skip
