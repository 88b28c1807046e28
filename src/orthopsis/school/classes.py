"""Classes and who is in them. Whoever leaves keeps sheets and marks, and can come back."""

from __future__ import annotations

from collections.abc import Sequence

from sqlalchemy import select
from sqlalchemy.orm import Session

from orthopsis.errors import SchoolError
from orthopsis.phrase import Number, Own, say
from orthopsis.school.lessons import school_class
from orthopsis.school.owned import owned
from orthopsis.school.tables import Pupil, SchoolClass

MOST_PUPILS = 60


def new_class(session: Session, teacher_id: int, name: str) -> SchoolClass:
    """An empty class. Raises SchoolError when the teacher has one of that name."""
    row = SchoolClass(teacher_id=teacher_id, name=_free_class_name(session, teacher_id, name))
    session.add(row)
    session.flush()
    return row


def rename_class(session: Session, teacher_id: int, class_id: int, name: str) -> SchoolClass:
    """Give a class another name. Raises NotFound, SchoolError."""
    row = school_class(session, teacher_id, class_id)
    if name != row.name:
        row.name = _free_class_name(session, teacher_id, name)
    return row


def put_class_away(session: Session, teacher_id: int, class_id: int, away: bool) -> SchoolClass:
    """Take a class from the lists, with all that is kept of it, or bring it back."""
    row = school_class(session, teacher_id, class_id)
    row.away = away
    return row


def add_pupils(session: Session, teacher_id: int, class_id: int, names: Sequence[str]) -> None:
    """Pupils by their names; who had left comes back. Raises NotFound, SchoolError."""
    school_class(session, teacher_id, class_id)
    known = {pupil.name.casefold(): pupil for pupil in _all(session, teacher_id, class_id)}
    there = sum(not pupil.left for pupil in known.values())
    if there + len(names) > MOST_PUPILS:
        raise SchoolError(say("refused-class-full", most=Number(MOST_PUPILS)))
    for name in names:
        before = known.get(name.casefold())
        if before is not None and not before.left:
            raise SchoolError(say("refused-pupil-twice-none-added", name=Own(name)))
        if before is not None:
            before.left = False
            continue
        row = Pupil(teacher_id=teacher_id, class_id=class_id, name=name)
        known[name.casefold()] = row
        session.add(row)
    session.flush()


def rename_pupil(session: Session, teacher_id: int, pupil_id: int, name: str) -> Pupil:
    """Write a name anew. Raises NotFound, SchoolError."""
    row = _pupil(session, teacher_id, pupil_id)
    for other in _all(session, teacher_id, row.class_id):
        if other.id != row.id and other.name.casefold() == name.casefold():
            raise SchoolError(say("refused-pupil-twice", name=Own(name)))
    row.name = name
    return row


def leave(session: Session, teacher_id: int, pupil_id: int, left: bool) -> Pupil:
    """Take a pupil off the list of the class, or put them back on it. Raises NotFound."""
    row = _pupil(session, teacher_id, pupil_id)
    row.left = left
    return row


def _pupil(session: Session, teacher_id: int, pupil_id: int) -> Pupil:
    return owned(session, teacher_id, Pupil, pupil_id, say("missing-pupil"))


def _all(session: Session, teacher_id: int, class_id: int) -> Sequence[Pupil]:
    """Everybody who is or was in a class, held for this transaction."""
    query = select(Pupil).where(Pupil.teacher_id == teacher_id, Pupil.class_id == class_id)
    return session.scalars(query.with_for_update()).all()


def _free_class_name(session: Session, teacher_id: int, name: str) -> str:
    query = select(SchoolClass).where(
        SchoolClass.teacher_id == teacher_id, SchoolClass.name == name, SchoolClass.away.is_(False)
    )
    if session.scalar(query) is not None:
        raise SchoolError(say("refused-class-there", name=Own(name)))
    return name
