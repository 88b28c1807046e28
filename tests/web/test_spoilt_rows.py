"""Rows that nobody should have written, put in by SQL: each spoils itself alone."""

from __future__ import annotations

import json
import random

import pytest
from sqlalchemy import JSON, Boolean, Date, DateTime, Integer, LargeBinary, inspect, text

from orthopsis.school.tables import Base, SheetRow
from tests.documents import ONE_POINT, changed
from tests.web.conftest import one_of_everything

ROWS = 500
ODD_TEXT = ("", " ", "\0", "\u202e\u200b", "x" * 9, "😀", "'", "<script>", "away", "done", "sure")
ODD_NUMBERS = (0, -1, 1, 2, 2**31 - 1, -(2**31))
ODD_JSON = (
    None, 1, "x", [], {}, [[]], {"version": 2}, {"version": 2, "findings": [{"code": "no-such"}]},
    {"findings": 5}, {"strokes": [{}]}, ONE_POINT, changed(ONE_POINT, sheet__size="A5"),
    {**ONE_POINT, "sheet": {"size": "A5", "frame_mm": 100}}, {**ONE_POINT, "pieces": 7},
    {**ONE_POINT, "version": 99}, {"values": {}}, {"units": "furlongs", "paper": 3},
    {"lines": {"x": 1}}, {"demand": "none"}, {"x": "\0"}, {"drawn_with": "0", "points": "many"},
)  # fmt: skip


@pytest.fixture
def spoilt(client, store):
    """One good row of everything, and hundreds of spoilt ones beside them."""
    rng = random.Random(20261127)
    with store.session() as session:
        ids = one_of_everything(session, sheets=40)
    with store.engine.begin() as connection:
        connection.exec_driver_sql("SET SESSION check_constraint_checks = 0, sql_mode = ''")
        for table in Base.metadata.sorted_tables:
            if table.name not in ("teacher", "setting", "teacher_settings"):
                put_in(connection, table, rng)
        connection.exec_driver_sql("INSERT INTO teacher_settings VALUES (1, '{\"paper\": 3}')")
    yield ids
    with store.engine.begin() as connection:
        connection.exec_driver_sql("SET SESSION check_constraint_checks = 0")
        connection.exec_driver_sql("UPDATE exercise SET set_aside_from = NULL")


def put_in(connection, table, rng):
    """Rows of odd values, as far as the database takes them; keys and foreign keys hold."""
    known = {}
    for column in table.columns:
        for key in column.foreign_keys:
            query = text(f"SELECT id FROM `{key.column.table.name}`")
            known[column.name] = connection.scalars(query).all()
    rows = []
    for _ in range(ROWS):
        row = {}
        for column in table.columns:
            if column.computed is not None or (column.name == "id" and not column.foreign_keys):
                continue
            if column.nullable and rng.random() < 0.2:
                row[column.name] = None
            elif column.name in known:
                row[column.name] = rng.choice(known[column.name])
            else:
                row[column.name] = odd(column.type, rng)
        rows.append(row)
    names = ", ".join(f"`{name}`" for name in rows[0])
    marks = ", ".join(f":{name}" for name in rows[0])
    query = text(f"INSERT IGNORE INTO `{table.name}` ({names}) VALUES ({marks})")
    for row in rows:
        connection.execute(query, row)
    assert connection.scalar(text(f"SELECT COUNT(*) FROM `{table.name}`")) > 5, table.name


def odd(kind, rng):
    if isinstance(kind, JSON):
        return rng.choice(["{", "", json.dumps(rng.choice(ODD_JSON)), json.dumps(ODD_JSON[10])])
    if isinstance(kind, Boolean):
        return rng.choice([0, 0, 1])
    if isinstance(kind, Integer):
        return rng.choice(ODD_NUMBERS)
    if isinstance(kind, DateTime | Date):
        return rng.choice(["2026-09-01 08:00:00", "1000-01-01", "9999-12-31 23:59:59"])
    if isinstance(kind, LargeBinary):
        return b"no picture"
    return rng.choice(ODD_TEXT)


def test_every_page_is_usable_beside_five_hundred_spoilt_rows_of_every_table(client, store, spoilt):
    for _ in range(60):
        shelf_now = client.get("/api/exercises")
        assert shelf_now.status_code == 200, shelf_now.text[:500]
        exercises = shelf_now.json()
        good = next(one for one in exercises if one["id"] == spoilt["exercise_id"])
        if good["minutes"] is not None:
            break  # a page waits a while for what is not drawn yet, and not for all of it
    bad = [one for one in exercises if one["problem"]]
    assert good["problem"] is None and good["minutes"] > 0
    assert len(bad) > 20 and "put it in the bin" in bad[0]["problem"]
    for one in bad[:20]:
        assert client.get(f"/api/exercises/{one['id']}").status_code in (200, 422)
        assert client.get(f"/api/exercises/{one['id']}/document.json").status_code == 200
        assert client.post(f"/api/exercises/{one['id']}/copy").status_code == 201
        binned = client.put(f"/api/exercises/{one['id']}/place", json={"place": "bin"})
        assert binned.status_code == 200 and binned.json()["place"] == "bin"
    assert client.get(f"/api/exercises/{good['id']}/cover.svg").status_code == 200
    for path in ("exercises?place=bin", "exercises?place=archive", "classes", "classes?away=true",
                 "lessons", "settings", "server"):  # fmt: skip
        answer = client.get(f"/api/{path}")
        assert answer.status_code == 200, f"{path}: {answer.text[:300]}"
    stack = client.get(f"/api/lessons/{spoilt['lesson_id']}/sheets")
    assert stack.status_code == 200, stack.text[:300]
    told = {one["problem"] for one in stack.json() if one["problem"]}
    assert any("cannot be shown" in problem for problem in told)
    for path in ("uploads", "summary"):
        answer = client.get(f"/api/lessons/{spoilt['lesson_id']}/{path}")
        assert answer.status_code == 200, f"{path}: {answer.text[:300]}"
    assert client.get(f"/api/classes/{spoilt['class_id']}/register").status_code == 200
    for lesson in client.get("/api/lessons").json()[:20]:
        for path in ("sheets", "summary", "uploads"):
            answer = client.get(f"/api/lessons/{lesson['id']}/{path}")
            assert answer.status_code == 200, f"{path} of {lesson}: {answer.text[:300]}"


def test_a_spoilt_sheet_is_taken_from_the_stack_or_judged_again(client, store, spoilt):
    (bad, *_) = [
        one for one in client.get(f"/api/lessons/{spoilt['lesson_id']}/sheets").json()
        if one["problem"] and "cannot be shown" in one["problem"]
    ]  # fmt: skip
    away = client.put(f"/api/sheets/{bad['id']}/away", json={"away": True})
    assert away.status_code == 200 and away.json()["away"]
    assert client.post(f"/api/sheets/{bad['id']}/judge").status_code == 200
    with store.session() as session:
        assert inspect(session.get(SheetRow, bad["id"])).persistent, "nobody is deleted"
