"""A photo's digest, by which one that is sent twice is known."""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

from orthopsis.school.migrations import once

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def upgrade() -> None:
    once.add_column("sheet_picture", sa.Column("digest", sa.String(length=64), nullable=True))


def downgrade() -> None:
    op.drop_column("sheet_picture", "digest")
