"""How the server is: records, judges, what waits, and room on the disk."""

from __future__ import annotations

import shutil

from fastapi import APIRouter, Request, Response
from sqlalchemy.exc import SQLAlchemyError

from orthopsis.phrase import Number, Phrase, say
from orthopsis.school import claims
from orthopsis.school.claims import Kind
from orthopsis.school.private_db import LITTLE_ROOM_BYTES
from orthopsis.school.store import Store
from orthopsis.web.models import Out
from orthopsis.wording.words import Words
from orthopsis.work.runner import Runner

router = APIRouter(prefix="/api", tags=["server"])


class HealthOut(Out):
    """`well` is what a machine asks for; `notes` are for the teacher."""

    well: bool
    records: bool
    runner: bool
    judges_ready: bool
    under_way: int
    left: dict[Kind, int]
    free_mb: int
    notes: list[str]


@router.get("/health", responses={503: {"model": HealthOut}})
def health(request: Request, response: Response) -> HealthOut:
    """Whether all is well here; 503 when nothing can be kept, or nothing is done any more."""
    store: Store = request.app.state.store
    runner: Runner = request.app.state.runner
    state = runner.state()
    left: dict[Kind, int] = {}
    try:
        with store.session() as session:
            left = claims.waiting(session)
        records = True
    except SQLAlchemyError:
        records = False
    if not state.running:
        runner.look()
    free = shutil.disk_usage(request.app.state.folder).free
    well = records and state.running
    if not well:
        response.status_code = 503
    words = Words()
    return HealthOut(
        well=well,
        records=records,
        runner=state.running,
        judges_ready=state.engine,
        under_way=state.under_way,
        left=left,
        free_mb=free // 1_000_000,
        notes=[words.say(note) for note in _notes(records, state.running, free)],
    )


def _notes(records: bool, running: bool, free: int) -> list[Phrase]:
    notes = []
    if not records:
        notes.append(say("note-records"))
    elif not running:
        notes.append(say("note-judges"))
    if free < LITTLE_ROOM_BYTES:
        notes.append(say("note-little-room", free=Number(free // 1_000_000)))
    return notes
