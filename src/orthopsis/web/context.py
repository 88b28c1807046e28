"""What routes are given: the store, and the teacher who is at work."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Annotated

from fastapi import Depends, Request
from sqlalchemy import insert, select
from sqlalchemy.orm import Session

from orthopsis.school.store import Store
from orthopsis.school.tables import Teacher


def session_of(request: Request) -> Iterator[Session]:
    """One transaction for one request."""
    store: Store = request.app.state.store
    with store.session() as session:
        yield session


Records = Annotated[Session, Depends(session_of, scope="function")]


def local_teacher(session: Records) -> Teacher:
    """The one teacher of this machine, made when there is none yet."""
    teacher = session.scalar(select(Teacher).order_by(Teacher.id).limit(1))
    if teacher is None:
        # By one number, so that of several first requests only one makes it.
        session.execute(insert(Teacher).prefix_with("IGNORE").values(id=1, name="Local teacher"))
        # Read as it is now, not as it was when this transaction began.
        teacher = session.get_one(Teacher, 1, with_for_update=True)
    return teacher


AtWork = Annotated[Teacher, Depends(local_teacher)]
