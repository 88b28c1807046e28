"""What a sheet was drawn from, where the teacher says it."""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

from orthopsis.school.migrations import once

revision = "0006"
down_revision = "0005"
branch_labels = None
depends_on = None


def upgrade() -> None:
    once.add_column("sheet", sa.Column("task", sa.JSON(), nullable=True))


def downgrade() -> None:
    op.drop_column("sheet", "task")
