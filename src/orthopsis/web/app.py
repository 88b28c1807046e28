"""The application: routes, guard, problems, and the built front end."""

from __future__ import annotations

from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from pathlib import Path

from fastapi import FastAPI
from fastapi.responses import FileResponse
from fastapi.routing import APIRoute
from fastapi.staticfiles import StaticFiles
from starlette.exceptions import HTTPException

from orthopsis import __version__
from orthopsis.exercise.document import json_schema
from orthopsis.school.store import Store
from orthopsis.web import problems
from orthopsis.web.context import AtWork
from orthopsis.web.guard import Guard
from orthopsis.web.jobs import Jobs
from orthopsis.web.marking_jobs import MarkingJobs
from orthopsis.web.models import ServerOut
from orthopsis.web.routes import drawing, lessons, printing, recipes, sheets, shelf, teacher


def create_app(store: Store | None = None, pages: Path | None = None) -> FastAPI:
    """The app on a store, with the built front end in `pages`; both may be left out for its API
    description alone.
    """
    app = FastAPI(
        title="Orthopsis",
        version=__version__,
        docs_url=None,
        redoc_url=None,
        openapi_url="/api/openapi.json",
        generate_unique_id_function=_operation_name,
        lifespan=_at_work,
        separate_input_output_schemas=False,
    )
    app.state.store = store
    app.add_middleware(Guard)
    problems.install(app)
    for module in (drawing, recipes, shelf, printing, lessons, sheets, teacher):
        app.include_router(module.router)

    @app.get("/api/server", tags=["server"], responses=problems.PROBLEMS)
    def server(teacher: AtWork) -> ServerOut:
        """Who is at work here, with which version."""
        return ServerOut(version=__version__, teacher=teacher.name)

    @app.get("/api/schema", include_in_schema=False)
    def schema() -> dict[str, object]:
        return json_schema()

    if pages is not None:
        _serve_pages(app, pages)
    return app


@asynccontextmanager
async def _at_work(app: FastAPI) -> AsyncIterator[None]:
    """Long work is taken up when the server starts, and let go of when it stops."""
    store: Store | None = app.state.store
    if store is None:
        yield
        return
    jobs = app.state.jobs = Jobs(store)
    marking = app.state.marking = MarkingJobs(store)
    jobs.resume()
    marking.resume()
    try:
        yield
    finally:
        marking.close()
        jobs.close()


def _operation_name(route: APIRoute) -> str:
    return route.name


def _serve_pages(app: FastAPI, pages: Path) -> None:
    """The built files, and the one page for every place of the app."""
    app.mount("/assets", StaticFiles(directory=pages / "assets"), name="assets")
    own = {path.name for path in pages.iterdir() if path.is_file()}

    @app.get("/{path:path}", include_in_schema=False)
    def page(path: str) -> FileResponse:
        if path.startswith("api/"):
            raise HTTPException(404, "there is nothing at this address")
        name = path if path in own else "index.html"
        headers = {"Cache-Control": "no-cache"}
        return FileResponse(pages / name, headers=headers)
