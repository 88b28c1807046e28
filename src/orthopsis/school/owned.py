"""Whose a row is: the one place where that is asked."""

from __future__ import annotations

from typing import TypeVar

from sqlalchemy.orm import Session
from sqlalchemy.orm.interfaces import ORMOption

from orthopsis.errors import NotFound
from orthopsis.phrase import Phrase
from orthopsis.school.tables import Owned, SheetPicture

Row = TypeVar("Row", bound="Owned | SheetPicture")


def owned(
    session: Session,
    teacher_id: int,
    table: type[Row],
    row_id: int,
    missing: Phrase,
    *,
    lock: bool = False,
    options: tuple[ORMOption, ...] = (),
) -> Row:
    """A row of the teacher's, locked for this transaction if asked. Raises NotFound: `missing`.

    What belongs to somebody else does not exist.
    """
    row = session.get(table, row_id, with_for_update=lock or None, options=options)
    if row is None or row.teacher_id != teacher_id:
        raise NotFound(missing)
    return row
