"""A MariaDB of the tests' own, and the app on it; every test starts with empty tables."""

from __future__ import annotations

import pytest
from fastapi.testclient import TestClient

from orthopsis.demo.school import clear
from orthopsis.school.private_db import PrivateDatabase
from orthopsis.school.store import Store
from orthopsis.school.tables import Pupil, SchoolClass, Teacher
from orthopsis.web.app import create_app


@pytest.fixture(scope="session")
def database(tmp_path_factory):
    database = PrivateDatabase(tmp_path_factory.mktemp("records of the tests"))
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
