"""Bringing the records up to date: repeated after a kill, copied before, told in words."""

from __future__ import annotations

import json
import shutil
import subprocess
from collections import namedtuple

import pytest
from sqlalchemy import event, text
from sqlalchemy.exc import OperationalError

from orthopsis.errors import SchoolError
from orthopsis.school.store import Store
from orthopsis.school.tables import Base, SchoolClass
from tests.documents import ONE_POINT

NEWEST = "0010"
MOMENTS = 10
DAY = "2026-09-01 08:00:00"
FILLED = {
    "0001": [
        ("teacher", {"id": 1, "name": "kept"}),
        ("school_class", {"id": 1, "teacher_id": 1, "name": "8 Rowan"}),
        ("school_class", {"id": 2, "teacher_id": 1, "name": "8 rowan"}),
        ("pupil", {"id": 1, "teacher_id": 1, "class_id": 1, "name": "Ada"}),
        ("pupil", {"id": 2, "teacher_id": 1, "class_id": 1, "name": "ADA"}),
        ("exercise", {"id": 1, "teacher_id": 1, "title": "One box", "counter": 1,
                      "saved_at": DAY, "document": json.dumps(ONE_POINT)}),
        ("lesson", {"id": 1, "teacher_id": 1, "class_id": 1, "exercise_id": 1,
                    "given_on": DAY}),
        ("sheet", {"id": 1, "teacher_id": 1, "lesson_id": 1, "pupil_id": 1,
                   "file_name": "a.jpg", "handed_in_at": DAY}),
        ("sheet", {"id": 2, "teacher_id": 1, "lesson_id": 1, "pupil_id": 2,
                   "file_name": "a again.jpg", "handed_in_at": DAY}),
        ("sheet_picture", {"sheet_id": 1, "teacher_id": 1, "photo": "x", "photo_type": "png"}),
        ("sheet_picture", {"sheet_id": 2, "teacher_id": 1, "photo": "x", "photo_type": "png"}),
        ("verdict", {"id": 1, "teacher_id": 1, "sheet_id": 1, "exercise_counter": 1,
                     "record": json.dumps({"findings": []}), "judged_at": DAY}),
    ],
    "0003": [
        ("upload", {"id": 1, "teacher_id": 1, "lesson_id": 1, "file_name": "class.pdf",
                    "data": "y" * 5_000_000, "state": "waiting", "sent_at": DAY}),
    ],
    "0004": [],
}  # fmt: skip
VERSIONS = [f"{number:04}" for number in range(1, int(NEWEST) + 1)]


class Killed(BaseException):
    """As if the process had ended at this moment."""


def connect(database, name):
    """An empty database of that name on the tests' server."""
    server = Store(database.url, connections=1)
    with server.engine.begin() as connection:
        connection.exec_driver_sql(f"DROP DATABASE IF EXISTS {name}")
        connection.exec_driver_sql(f"CREATE DATABASE {name} CHARACTER SET utf8mb4")
    server.close()
    return Store(database.url.replace("/orthopsis?", f"/{name}?"), connections=2)


def fill(store, version):
    with store.engine.begin() as connection:
        for table, row in FILLED.get(version, []):
            names = ", ".join(f"`{name}`" for name in row)
            values = ", ".join(f":{name}" for name in row)
            connection.execute(text(f"INSERT INTO `{table}` ({names}) VALUES ({values})"), row)
        if version == "0004":
            connection.exec_driver_sql("UPDATE sheet_picture SET digest = REPEAT('d', 64)")


def migrate_but_die(store, to, moment):
    """Bring it up to date, and end at the so-manyth statement that changes something."""
    seen = 0

    def count(connection, cursor, statement, parameters, context, executemany):
        nonlocal seen
        if statement.lstrip().upper().startswith(("SELECT", "SHOW", "DESCRIBE")):
            return
        seen += 1
        if seen == moment:
            raise Killed

    event.listen(store.engine, "before_cursor_execute", count)
    try:
        store.migrate(to)
    except Killed:
        return True
    finally:
        event.remove(store.engine, "before_cursor_execute", count)
    return False


def test_killed_again_and_again_each_version_is_finished_by_the_next_start(database):
    """Ended ten times in each version, each time further on, and gone on with."""
    store = connect(database, "orthopsis_killed")
    deaths = 0
    for version in VERSIONS:
        for moment in range(1, MOMENTS + 1):
            deaths += migrate_but_die(store, version, moment)
        store.migrate(version)
        fill(store, version)
    store.migrate()
    assert deaths >= 3 * len(VERSIONS), "it was ended in the middle, and not before or after"
    assert_as_new(store)
    store.close()


def assert_as_new(store):
    """The tables are those of the program, and their rows are there."""
    names = Base.metadata.tables
    with store.engine.begin() as connection:
        for table in names.values():
            connection.execute(table.select().limit(1))
        if connection.scalar(text("SELECT COUNT(*) FROM teacher WHERE name = 'kept'")):
            listed = connection.execute(text("SELECT name FROM school_class ORDER BY id")).all()
            assert [row.name for row in listed] == ["8 Rowan", "8 rowan (2)"]
            keys = connection.execute(text("SELECT name_key FROM pupil ORDER BY id")).all()
            assert [row.name_key for row in keys] == ["ada", "ada (2)"]
            digests = connection.execute(text("SELECT digest FROM sheet ORDER BY id")).all()
            assert [row.digest for row in digests] in ([None, None], ["d" * 64, None])
            pieces = connection.execute(text("SELECT LENGTH(data) AS n FROM upload_piece")).all()
            assert [row.n for row in pieces] in ([], [4_000_000, 1_000_000])


def test_a_copy_is_made_before_and_can_be_put_back(database, tmp_path):
    store = connect(database, "orthopsis_copied")
    for version in VERSIONS[:4]:
        store.migrate(version, copies=tmp_path / "backups")
        fill(store, version)
    copies = sorted((tmp_path / "backups").iterdir())
    assert len(copies) == 3 and not any(copy.stat().st_mode & 0o077 for copy in copies)
    store.migrate(copies=tmp_path / "backups")
    newest = max((tmp_path / "backups").iterdir(), key=lambda file: file.stat().st_mtime_ns)
    assert newest.name.startswith(f"before-{NEWEST}")
    assert len(list((tmp_path / "backups").iterdir())) == 3, "the oldest made room"
    store.migrate(copies=tmp_path / "backups")
    assert len(list((tmp_path / "backups").iterdir())) == 3, "nothing was to be done"
    store.close()
    again = connect(database, "orthopsis_put_back")
    url = again.engine.url
    with newest.open("rb") as file:
        subprocess.run(
            ["mariadb", "--no-defaults", f"--socket={url.query['unix_socket']}",
             f"--user={url.username}", url.database],
            stdin=file, check=True, env={"MYSQL_PWD": url.password, "PATH": "/usr/bin:/bin"},
        )  # fmt: skip
    again.migrate()
    assert_as_new(again)
    again.close()


def test_without_room_for_a_copy_nothing_is_changed(database, tmp_path, monkeypatch):
    store = connect(database, "orthopsis_full")
    store.migrate("0008")
    Free = namedtuple("Free", "total used free")
    monkeypatch.setattr(shutil, "disk_usage", lambda _: Free(1, 1, 10_000))
    with pytest.raises(SchoolError, match="make room and start again"):
        store.migrate(copies=tmp_path)
    with store.engine.connect() as connection:
        assert connection.scalar(text("SELECT version_num FROM alembic_version")) == "0008"
    assert not list(tmp_path.iterdir())
    store.close()


def test_what_goes_wrong_is_told_in_words(database, monkeypatch):
    store = connect(database, "orthopsis_wrong")

    def refuse(connection, cursor, statement, *rest):
        if "CREATE TABLE IF NOT EXISTS pupil" in statement:
            raise OperationalError(statement, {}, Exception("the disk is full"))

    event.listen(store.engine, "before_cursor_execute", refuse)
    with pytest.raises(SchoolError, match=r"the disk is full.*goes on where it stopped"):
        store.migrate()
    event.remove(store.engine, "before_cursor_execute", refuse)
    store.migrate()
    with store.session() as session:
        assert session.query(SchoolClass).count() == 0
    store.close()
