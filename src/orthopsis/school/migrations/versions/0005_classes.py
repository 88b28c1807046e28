"""Pupils who left and classes that are put away: kept, and not listed."""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

from orthopsis.school.migrations import once

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None


def upgrade() -> None:
    for table, column in (("pupil", "left"), ("school_class", "away")):
        once.add_filled_column(table, sa.Column(column, sa.Boolean(), nullable=False), "0")


def downgrade() -> None:
    op.drop_column("school_class", "away")
    op.drop_column("pupil", "left")
