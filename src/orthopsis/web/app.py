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
from orthopsis.marking.sheet.intake import MAX_TOGETHER_BYTES
from orthopsis.marking.sheet.photo import MAX_BYTES
from orthopsis.school.store import Store
from orthopsis.web import health, problems
from orthopsis.web.again import Again
from orthopsis.web.context import AtWork
from orthopsis.web.guard import Guard
from orthopsis.web.models import ServerOut
from orthopsis.web.routes import (
    drawing,
    lessons,
    pictures,
    printing,
    recipes,
    sheets,
    shelf,
    slips,
    teacher,
)
from orthopsis.web.turns import Turns
from orthopsis.work.engine import Engine
from orthopsis.work.runner import Runner


def create_app(
    store: Store | None = None,
    pages: Path | None = None,
    *,
    folder: Path = Path(),
    engine_address: str | None = None,
) -> FastAPI:
    """The app on a store, with the built front end in `pages`; both may be left out for its API
    description alone. Long work is done by processes beside it, or by a Dask scheduler at
    `engine_address`; the room that is watched is where `folder` lies.
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
    app.state.folder, app.state.engine_address = folder, engine_address
    # More at once would only be slower, and whoever reads records waits for none of them.
    app.state.drawing, app.state.printing = Turns(6, 200), Turns(2, 60)
    app.add_middleware(Again)
    app.add_middleware(Guard)
    problems.install(app)
    for module in (
        drawing,
        recipes,
        shelf,
        printing,
        lessons,
        sheets,
        slips,
        pictures,
        teacher,
        health,
    ):
        app.include_router(module.router)

    @app.get("/api/server", tags=["server"], responses=problems.PROBLEMS)
    def server(teacher: AtWork) -> ServerOut:
        """Who is at work here, with which version."""
        return ServerOut(
            version=__version__,
            teacher=teacher.name,
            most_photo_mb=MAX_BYTES // 1_000_000,
            most_file_mb=MAX_TOGETHER_BYTES // 1_000_000,
        )

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
    url = store.engine.url.render_as_string(hide_password=False)
    runner = app.state.runner = Runner(store, Engine(url, app.state.engine_address))
    runner.start()
    try:
        yield
    finally:
        runner.close()


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
