"""Sheets taken away are so by a field of their own; verdicts keep phrases, documents lasting names.

Verdicts of before kept sentences: they are kept as they are, as somebody's own words.
"""

from __future__ import annotations

import json
from collections.abc import Callable, Iterator
from typing import Any

import sqlalchemy as sa
from alembic import op

from orthopsis.exercise.upgrade import upgraded
from orthopsis.school.migrations import once

revision = "0008"
down_revision = "0007"
branch_labels = None
depends_on = None


def upgrade() -> None:
    once.add_filled_column("sheet", sa.Column("away", sa.Boolean(), nullable=False), "0")
    op.execute("UPDATE sheet SET away = 1 WHERE state = 'away'")
    op.execute(
        "UPDATE sheet SET state = CASE WHEN id IN (SELECT sheet_id FROM verdict) THEN 'done' "
        "ELSE 'cancelled' END WHERE state = 'away'"
    )
    _rewrite("verdict", "record", _with_phrases)
    _rewrite("exercise", "document", upgraded)
    _rewrite("exercise_version", "document", upgraded)


def downgrade() -> None:
    op.execute("UPDATE sheet SET state = 'away' WHERE away = 1")
    op.drop_column("sheet", "away")


def _rewrite(table: str, column: str, change: Callable[[dict[str, Any]], dict[str, Any]]) -> None:
    """Every row's JSON anew, one after the other; what is no object is left as it is."""
    connection = op.get_bind()
    for row_id in list(_ids(connection, table)):
        kept = connection.execute(
            sa.text(f"SELECT {column} FROM {table} WHERE id = :id"), {"id": row_id}
        ).scalar_one()
        data = json.loads(kept) if isinstance(kept, (str, bytes)) else kept
        if isinstance(data, dict):
            connection.execute(
                sa.text(f"UPDATE {table} SET {column} = :data WHERE id = :id"),
                {"id": row_id, "data": json.dumps(change(data))},
            )


def _ids(connection: sa.Connection, table: str) -> Iterator[int]:
    for row in connection.execute(sa.text(f"SELECT id FROM {table}")):
        yield row[0]


def _with_phrases(record: dict[str, Any]) -> dict[str, Any]:
    if record.get("version") == 2:
        return record
    findings = [_with_phrase(one) for one in record.get("findings", [])]
    return {**record, "version": 2, "findings": findings}


def _with_phrase(finding: dict[str, Any]) -> dict[str, Any]:
    own = {"own": [str(finding.get("message", ""))]}
    says = {"say": "own-words", "words": own}
    return {**{key: value for key, value in finding.items() if key != "message"}, "says": says}
