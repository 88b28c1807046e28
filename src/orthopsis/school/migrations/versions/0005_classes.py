"""Pupils who left and classes that are put away: kept, and not listed."""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None


def upgrade() -> None:
    for table, column in (("pupil", "left"), ("school_class", "away")):
        op.add_column(
            table, sa.Column(column, sa.Boolean(), nullable=False, server_default=sa.false())
        )
        op.alter_column(
            table, column, existing_type=sa.Boolean(), existing_nullable=False, server_default=None
        )


def downgrade() -> None:
    op.drop_column("school_class", "away")
    op.drop_column("pupil", "left")
