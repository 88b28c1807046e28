"""Pictures that are looked at without an exercise."""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import mysql

from orthopsis.school.migrations import once

revision = "0010"
down_revision = "0009"
branch_labels = None
depends_on = None


def upgrade() -> None:
    once.create_table(
        "any_picture",
        sa.Column("file_name", sa.String(length=200), nullable=False),
        sa.Column("state", sa.String(length=10), nullable=False),
        sa.Column("problem", sa.Text(), nullable=True),
        sa.Column("photo", mysql.LONGBLOB(), nullable=False),
        sa.Column("photo_type", sa.String(length=20), nullable=False),
        sa.Column("lines", sa.JSON(), nullable=True),
        sa.Column("points", sa.JSON(), nullable=True),
        sa.Column("sent_at", sa.DateTime(), nullable=False),
        sa.Column("claimed_until", sa.DateTime(), nullable=True),
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("teacher_id", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(["teacher_id"], ["teacher.id"], name="fk_any_picture_teacher_id"),
        sa.PrimaryKeyConstraint("id", name="pk_any_picture"),
    )
    once.create_index("ix_any_picture_teacher_id", "any_picture", ["teacher_id"])


def downgrade() -> None:
    op.drop_table("any_picture")
