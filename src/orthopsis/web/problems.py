"""Every refusal as problem details (RFC 9457): what happened, what was kept, what to do."""

from __future__ import annotations

import logging

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel
from sqlalchemy.exc import DBAPIError
from starlette.exceptions import HTTPException

from orthopsis.construction.order import NoDrawingOrder
from orthopsis.errors import (
    EditConflict,
    ExerciseError,
    ImageError,
    NotFound,
    OrthopsisError,
)
from orthopsis.exercise.load import explained
from orthopsis.phrase import say
from orthopsis.school.settings import own_words, settings_of
from orthopsis.school.store import Store, code_of, was_taken_back
from orthopsis.web.again import TAKEN_BACK
from orthopsis.web.context import local_teacher
from orthopsis.web.turns import Busy, TookTooLong
from orthopsis.wording.words import Words

NO_ROOM = {1021, 1114}
"""MariaDB: disk full, table full."""
MEDIA_TYPE = "application/problem+json"


class Problem(BaseModel):
    """RFC 9457 problem details; `field` names the document's field that is at fault."""

    type: str
    title: str
    status: int
    detail: str
    field: str | None = None
    current_counter: int | None = None
    kept_copy_id: int | None = None


def problem_response(problem: Problem) -> JSONResponse:
    body = problem.model_dump(exclude_none=True)
    headers = {"Retry-After": "5"} if problem.status == 503 else None
    return JSONResponse(body, problem.status, headers, MEDIA_TYPE)


def install(app: FastAPI) -> None:
    """Give the app a handler for each kind of error, our own and others'."""

    @app.exception_handler(OrthopsisError)
    def of_ours(request: Request, error: OrthopsisError) -> JSONResponse:
        return problem_response(problem_of(error, words_of(request)))

    @app.exception_handler(RequestValidationError)
    def of_validation(request: Request, error: RequestValidationError) -> JSONResponse:
        explanation = explained(error.errors(), skip={"body", "query"})
        return problem_response(problem_of(explanation, words_of(request)))

    @app.exception_handler(HTTPException)
    def of_http(request: Request, error: HTTPException) -> JSONResponse:
        title = "not found" if error.status_code == 404 else "request refused"
        return problem_response(
            Problem(
                type=_type(title), title=title, status=error.status_code, detail=str(error.detail)
            )
        )

    @app.exception_handler(DBAPIError)
    def of_database(request: Request, error: DBAPIError) -> JSONResponse:
        if not was_taken_back(error):
            logging.getLogger("orthopsis").error("database: %s", error.orig)
        full = code_of(error) in NO_ROOM
        title = "no room left" if full else "records out of reach"
        detail = Words().say(say("records-full" if full else "records-out-of-reach"))
        answer = problem_response(
            Problem(type=_type(title), title=title, status=503, detail=detail)
        )
        if was_taken_back(error):
            answer.headers[TAKEN_BACK] = "1"
        return answer

    @app.exception_handler(Exception)
    def of_anything(request: Request, error: Exception) -> JSONResponse:
        logging.getLogger("orthopsis").exception("unexpected", exc_info=error)
        title, detail = "unexpected fault", Words().say(say("unexpected-fault"))
        return problem_response(Problem(type=_type(title), title=title, status=500, detail=detail))


def words_of(request: Request) -> Words:
    """The words and units of the teacher who is at work; plain ones where nobody can be asked."""
    store: Store = request.app.state.store
    try:
        with store.session() as session:
            return own_words(settings_of(session, local_teacher(session).id))
    except (DBAPIError, OrthopsisError):
        return Words()


def problem_of(error: OrthopsisError, words: Words) -> Problem:
    """The problem that tells of one of our own errors, in a teacher's words."""
    if isinstance(error, ExerciseError):
        title = "no drawing order" if isinstance(error, NoDrawingOrder) else "exercise refused"
        return Problem(
            type=_type(title),
            title=title,
            status=422,
            detail=words.say(error.says),
            field=error.path,
        )
    if isinstance(error, EditConflict):
        return Problem(
            type=_type("newer version"),
            title="newer version",
            status=409,
            detail=words.say(error.says),
            current_counter=error.current_counter,
            kept_copy_id=error.kept_copy_id,
        )
    title, status = _kind(error)
    return Problem(type=_type(title), title=title, status=status, detail=words.say(error.says))


def _kind(error: OrthopsisError) -> tuple[str, int]:
    if isinstance(error, NotFound):
        return "not found", 404
    if isinstance(error, ImageError):
        return "picture refused", 415
    if isinstance(error, Busy):
        return "busy", 503
    if isinstance(error, TookTooLong):
        return "took too long", 422
    return "request refused", 400


def _type(title: str) -> str:
    return "urn:orthopsis:" + title.replace(" ", "-")


PROBLEMS: dict[int | str, dict[str, object]] = {
    "4XX": {"model": Problem, "description": "What was wrong, and the remedy"},
    "5XX": {"model": Problem, "description": "What could not be done"},
}
"""What every route may answer besides its own result."""
