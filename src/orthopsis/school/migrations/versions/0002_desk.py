"""Places of exercises, settings of teachers, long prints."""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import mysql

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column(
        "exercise",
        sa.Column("place", sa.String(length=10), nullable=False, server_default="shelf"),
    )
    op.alter_column(
        "exercise",
        "place",
        existing_type=sa.String(length=10),
        existing_nullable=False,
        server_default=None,
    )
    op.create_table(
        "teacher_settings",
        sa.Column("teacher_id", sa.Integer(), nullable=False),
        sa.Column("values", sa.JSON(), nullable=False),
        sa.ForeignKeyConstraint(
            ["teacher_id"], ["teacher.id"], name="fk_teacher_settings_teacher_id"
        ),
        sa.PrimaryKeyConstraint("teacher_id", name="pk_teacher_settings"),
    )
    op.create_table(
        "print_job",
        sa.Column("exercise_id", sa.Integer(), nullable=False),
        sa.Column("order", sa.JSON(), nullable=False),
        sa.Column("state", sa.String(length=10), nullable=False),
        sa.Column("done", sa.Integer(), nullable=False),
        sa.Column("total", sa.Integer(), nullable=False),
        sa.Column("problem", sa.Text(), nullable=True),
        sa.Column("file", mysql.LONGBLOB(), nullable=True),
        sa.Column("asked_at", sa.DateTime(), nullable=False),
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("teacher_id", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(["exercise_id"], ["exercise.id"], name="fk_print_job_exercise_id"),
        sa.ForeignKeyConstraint(["teacher_id"], ["teacher.id"], name="fk_print_job_teacher_id"),
        sa.PrimaryKeyConstraint("id", name="pk_print_job"),
    )
    op.create_index("ix_print_job_teacher_id", "print_job", ["teacher_id"], unique=False)


def downgrade() -> None:
    op.drop_table("print_job")
    op.drop_table("teacher_settings")
    op.drop_column("exercise", "place")
