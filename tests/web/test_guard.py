"""At the door: foreign hosts, foreign pages, and files that are too large stay out."""

from __future__ import annotations

from collections import namedtuple

import pymysql
import pytest
from sqlalchemy.exc import OperationalError

from orthopsis.school import lessons
from tests.documents import ONE_POINT


@pytest.mark.parametrize("host", ["127.0.0.1", "127.0.0.1:8017", "localhost:99", "[::1]:8017"])
def test_this_machines_own_names_are_answered(client, host):
    assert client.get("/api/server", headers={"host": host}).status_code == 200


@pytest.mark.parametrize("host", ["example.com", "127.0.0.1.example.com", "10.0.0.8", "", "[::"])
def test_foreign_host_headers_are_refused(client, host):
    answer = client.get("/api/server", headers={"host": host})
    assert answer.status_code == 421
    assert answer.json()["title"] == "foreign host"


def test_another_page_cannot_change_anything(client):
    foreign = {"origin": "http://evil.example", "host": "127.0.0.1"}
    answer = client.post("/api/exercises", json=ONE_POINT, headers=foreign)
    assert answer.status_code == 403
    assert client.get("/api/exercises").json() == []
    own = {"origin": "http://127.0.0.1", "host": "127.0.0.1"}
    assert client.post("/api/exercises", json=ONE_POINT, headers=own).status_code == 201


def test_too_large_is_refused_by_its_length_alone(client):
    answer = client.post("/api/picture", content=b"{}", headers={"content-length": str(60_000_000)})
    assert answer.status_code == 413
    assert "up to 4 MB" in answer.json()["detail"]


def test_content_without_a_length_is_refused(client):
    answer = client.post("/api/picture", content=iter([b"{}"]))
    assert answer.status_code == 411


def test_pages_may_load_only_from_here(client):
    policy = client.get("/api/server").headers["content-security-policy"]
    assert "default-src 'self'" in policy
    assert "object-src 'none'" in policy
    assert client.get("/api/server").headers["x-content-type-options"] == "nosniff"
    assert client.get("/api/server").headers["cache-control"] == "no-store"


def test_a_crash_tells_nothing_of_its_inside(client, monkeypatch):
    from orthopsis.web.routes import drawing

    def broken(*_):
        raise RuntimeError("secret inside")

    monkeypatch.setattr(drawing, "resolve", broken)
    client.app.middleware_stack = None
    from fastapi.testclient import TestClient

    quiet = TestClient(client.app, base_url="http://127.0.0.1", raise_server_exceptions=False)
    answer = quiet.post("/api/picture", json=ONE_POINT)
    assert answer.status_code == 500
    assert "secret" not in answer.text
    assert "nothing was changed" in answer.json()["detail"]


@pytest.mark.parametrize(("code", "says"), [(1114, "Make room"), (2013, "cannot be reached")])
def test_what_the_database_cannot_do_is_told_in_words(client, monkeypatch, code, says):
    def refuse(*_):
        raise OperationalError("INSERT", {}, pymysql.OperationalError(code, "so"))

    monkeypatch.setattr("orthopsis.school.lessons.classes", refuse)
    refused = client.get("/api/classes")
    assert refused.status_code == 503 and refused.headers["Retry-After"]
    assert says in refused.json()["detail"]


def test_what_was_taken_back_is_done_again_and_never_said(client, monkeypatch):
    tried = []
    real = lessons.classes

    def deadlock(*asked):
        tried.append(asked)
        if len(tried) < 3:
            raise OperationalError("SELECT", {}, pymysql.OperationalError(1213, "deadlock"))
        return real(*asked)

    monkeypatch.setattr("orthopsis.school.lessons.classes", deadlock)
    assert client.get("/api/classes").json() == []
    assert len(tried) == 3


def test_the_health_of_the_server_is_told(client, monkeypatch):
    told = client.get("/api/health")
    assert told.status_code == 200
    kinds = ("sheet", "upload", "print", "picture")
    assert told.json()["well"] and told.json()["left"] == dict.fromkeys(kinds, 0)
    Free = namedtuple("Free", "total used free")
    monkeypatch.setattr("shutil.disk_usage", lambda _: Free(1, 1, 5_000_000))
    assert "Only 5 MB are free" in client.get("/api/health").json()["notes"][0]

    def refuse(*_):
        raise OperationalError("SELECT", {}, pymysql.OperationalError(2013, "gone"))

    monkeypatch.setattr("orthopsis.school.claims.waiting", refuse)
    ill = client.get("/api/health")
    assert ill.status_code == 503 and not ill.json()["records"]


def test_a_body_in_pieces_does_not_pass_the_guard(client):
    def pieces():
        yield b"{"
        yield b"}"

    for method in ("POST", "PUT", "DELETE"):
        assert client.request(method, "/api/exercises", content=pieces()).status_code == 411
