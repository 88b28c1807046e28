"""Places of exercises, settings of teachers, long prints."""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import mysql

from orthopsis.school.migrations import once

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None


def upgrade() -> None:
    once.add_filled_column(
        "exercise", sa.Column("place", sa.String(length=10), nullable=False), "shelf"
    )
    once.create_table(
        "teacher_settings",
        sa.Column("teacher_id", sa.Integer(), nullable=False),
        sa.Column("values", sa.JSON(), nullable=False),
        sa.ForeignKeyConstraint(
            ["teacher_id"], ["teacher.id"], name="fk_teacher_settings_teacher_id"
        ),
        sa.PrimaryKeyConstraint("teacher_id", name="pk_teacher_settings"),
    )
    once.create_table(
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
    once.create_index("ix_print_job_teacher_id", "print_job", ["teacher_id"])


def downgrade() -> None:
    op.drop_table("print_job")
    op.drop_table("teacher_settings")
    op.drop_column("exercise", "place")
