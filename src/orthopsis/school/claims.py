"""Who does what is left to do: a row is claimed for some seconds and held while it is worked on.

A runner that dies holds nothing for long: what it had is waiting again once its time is past. All
moments are the database's own, so that runners on several machines agree.
"""

from __future__ import annotations

from collections.abc import Collection, Mapping
from typing import Any, Literal, NamedTuple

from sqlalchemy import ColumnElement, and_, func, or_, select, text, update
from sqlalchemy.orm import Session

from orthopsis.school.tables import AnyPicture, JobState, PrintJob, SheetRow, Upload

Kind = Literal["sheet", "upload", "print", "picture"]
Row = SheetRow | Upload | PrintJob | AnyPicture

TABLES: Mapping[Kind, type[SheetRow] | type[Upload] | type[PrintJob] | type[AnyPicture]] = {
    "sheet": SheetRow,
    "upload": Upload,
    "print": PrintJob,
    "picture": AnyPicture,
}
"""What can be left to do. Sheets come first, so that one is soon on the screen."""

HELD_S = 15
"""Seconds that a claim lasts when nobody renews it."""


class Claim(NamedTuple):
    """One thing to do."""

    kind: Kind
    id: int


def claim(session: Session, under_way: Collection[Claim] = ()) -> Claim | None:
    """The next thing to do, marked as begun: of the kind of which the least is under way.

    What is under way and was asked for anew meanwhile waits until it is over.
    """
    begun_ids: dict[Kind, list[int]] = {kind: [] for kind in TABLES}
    for one in under_way:
        begun_ids[one.kind].append(one.id)
    for kind in sorted(TABLES, key=lambda kind: len(begun_ids[kind])):
        table = TABLES[kind]
        query = (
            select(table.id)
            .where(table.state == JobState.WAITING, table.id.not_in(begun_ids[kind]))
            .order_by(table.id)
            .limit(1)
            .with_for_update(skip_locked=True)
        )
        found = session.scalar(query)
        if found is not None:
            begun = {"state": JobState.WORKING, "claimed_until": _from_now()}
            session.execute(update(table).where(table.id == found).values(begun))
            return Claim(kind, found)
    return None


def hold(session: Session, claims: Collection[Claim]) -> None:
    """Keep what is being worked on."""
    for kind, table in TABLES.items():
        ids = [one.id for one in claims if one.kind == kind]
        if ids:
            begun = and_(table.id.in_(ids), table.state == JobState.WORKING)
            session.execute(update(table).where(begun).values(claimed_until=_from_now()))


def let_go(session: Session, claims: Collection[Claim]) -> None:
    """Give back what was not done: it waits again."""
    for one in claims:
        table = TABLES[one.kind]
        begun = and_(table.id == one.id, table.state == JobState.WORKING)
        waiting = {"state": JobState.WAITING, "claimed_until": None}
        session.execute(update(table).where(begun).values(waiting))


def take_back(session: Session) -> None:
    """Have wait again what somebody claimed and holds no more."""
    for table in TABLES.values():
        past = or_(table.claimed_until.is_(None), table.claimed_until < func.utc_timestamp())
        lost = and_(table.state == JobState.WORKING, past)
        waiting = {"state": JobState.WAITING, "claimed_until": None}
        session.execute(update(table).where(lost).values(waiting))


def fail(session: Session, claimed: Claim, problem: str) -> None:
    """What could not be done spoils only itself; its problem is kept in words."""
    table: type[Any] = TABLES[claimed.kind]
    row: Row | None = session.get(table, claimed.id, with_for_update=True)
    if row is not None and row.state == JobState.WORKING:
        row.state, row.problem, row.claimed_until = JobState.FAILED, problem, None


def waiting(session: Session) -> dict[Kind, int]:
    """How much of each kind is left to do."""
    return {
        kind: session.scalar(
            select(func.count())
            .select_from(table)
            .where(table.state.in_([JobState.WAITING, JobState.WORKING]))
        )
        or 0
        for kind, table in TABLES.items()
    }


def _from_now() -> ColumnElement[object]:
    return func.timestampadd(text("SECOND"), HELD_S, func.utc_timestamp())
