"""Changes of tables that are skipped where they are done already.

A server that is killed in the middle of a version leaves some of its steps done; the next start
repeats all of them. Each single step is whole or not there at all (atomic DDL, MariaDB 10.6).
"""

from __future__ import annotations

from typing import Any

import sqlalchemy as sa
from alembic import op


def create_table(name: str, *parts: sa.Column[Any] | sa.Constraint) -> None:
    """A table with all its columns and keys."""
    op.create_table(name, *parts, if_not_exists=True)


def add_column(table: str, column: sa.Column[Any]) -> None:
    """One more column."""
    if not has_column(table, column.name):
        op.add_column(table, column)


def add_filled_column(table: str, column: sa.Column[Any], value: str) -> None:
    """A column that every row gets a value for, and later ones have to bring."""
    column.server_default = sa.DefaultClause(value)
    add_column(table, column)
    op.alter_column(
        table,
        column.name,
        existing_type=column.type,
        existing_nullable=bool(column.nullable),
        server_default=None,
    )


def drop_column(table: str, name: str) -> None:
    """One column less."""
    if has_column(table, name):
        op.drop_column(table, name)


def create_index(name: str, table: str, columns: list[str], *, unique: bool = False) -> None:
    """An index, or a key that no two rows share."""
    if name not in {one["name"] for one in sa.inspect(op.get_bind()).get_indexes(table)}:
        op.create_index(name, table, columns, unique=unique)


def has_column(table: str, name: str) -> bool:
    """Whether a table has a column."""
    return name in {one["name"] for one in sa.inspect(op.get_bind()).get_columns(table)}
