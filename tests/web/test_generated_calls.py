"""Calls that a machine makes up from the API's own description: answers, and nothing spoilt.

Schemathesis draws requests that fit the description and some that do not; each is answered in our
own words, and afterwards every list still opens. A longer run: `./orthopsis bench faults`.
"""

from __future__ import annotations

import os

import hypothesis
import pytest
import schemathesis
from httpx import InvalidURL
from hypothesis import HealthCheck, Phase, given, settings
from hypothesis import strategies as st
from schemathesis.generation import GenerationMode

from orthopsis.demo.school import clear
from orthopsis.web.app import create_app
from tests.web.conftest import one_of_everything

CALLS = int(os.environ.get("ORTHOPSIS_CALLS", "700"))
DESCRIPTION = schemathesis.openapi.from_dict(create_app().openapi())
OPERATIONS = [found.ok() for found in DESCRIPTION.get_all_operations()]
LISTS = (
    "/api/exercises", "/api/exercises?place=bin", "/api/exercises?place=archive", "/api/classes",
    "/api/classes?away=true", "/api/lessons", "/api/settings", "/api/recipes", "/api/kinds",
)  # fmt: skip


@pytest.fixture(scope="module")
def a_school(migrated, running):
    """One of everything, so that made-up numbers sometimes find something."""
    patch = pytest.MonkeyPatch()
    patch.setattr(running.app.state.runner, "_give_out", lambda: False)
    patch.setattr(running.app.state.runner, "_hold", lambda: None)
    with migrated.session() as session:
        clear(session)
        session.flush()
        known = one_of_everything(session, sheets=2)
    yield known
    patch.undo()


def sent(client, case, known, use_known):
    """The answer to a made-up request; its numbers are often those of something that is there."""
    path = case.path
    for name, value in (case.path_parameters or {}).items():
        path = path.replace(f"{{{name}}}", str(known.get(name, value) if use_known else value))
    what = {}
    if case.media_type == "multipart/form-data":
        body = case.body if isinstance(case.body, dict) else {}
        files = body.get("files") if isinstance(body.get("files"), list) else []
        what["files"] = [("files", ("x.png", str(one).encode("utf-8", "replace"))) for one in files]
    elif not isinstance(case.body, type(schemathesis.core.NOT_SET)):
        what["json"] = case.body
    query = {name: value for name, value in (case.query or {}).items() if value is not None}
    try:
        return client.request(case.method, path, params=query, **what)
    except (UnicodeError, ValueError, TypeError, InvalidURL):
        return None  # no HTTP client would send it


@pytest.mark.parametrize("operation", OPERATIONS, ids=lambda one: one.label)
def test_every_call_is_answered(running, a_school, operation):
    each = max(5, CALLS // len(OPERATIONS))
    if operation.path in ("/api/print", "/api/exercises/{exercise_id}/pack.zip"):
        each = max(5, each // 4)  # each of these prints a whole pack
    modes = [GenerationMode.POSITIVE, GenerationMode.NEGATIVE]
    drawn = st.one_of(*(operation.as_strategy(generation_mode=mode) for mode in modes))

    @hypothesis.seed(20261127)
    @settings(
        max_examples=each, deadline=None, database=None, phases=[Phase.generate],
        suppress_health_check=list(HealthCheck),
    )  # fmt: skip
    @given(case=drawn, use_known=st.booleans())
    def ask(case, use_known):
        answer = sent(running, case, a_school, use_known)
        if answer is None:
            return
        assert answer.status_code < 500 or answer.json()["title"] == "busy", answer.text[:400]
        if answer.status_code >= 400:
            problem = answer.json()
            assert problem["detail"] and len(answer.content) < 4000

    try:
        ask()
    except hypothesis.errors.Unsatisfiable:
        pytest.skip("nothing can be made up that does not fit")


def test_afterwards_every_list_opens(running, a_school):
    for path in (*LISTS, f"/api/lessons/{a_school['lesson_id']}/sheets",
                 f"/api/classes/{a_school['class_id']}/register",
                 f"/api/lessons/{a_school['lesson_id']}/summary"):  # fmt: skip
        answer = running.get(path)
        assert answer.status_code == 200, f"{path}: {answer.text[:300]}"
    for item in running.get("/api/exercises").json():
        assert running.get(f"/api/exercises/{item['id']}/cover.svg").status_code in (200, 404)
