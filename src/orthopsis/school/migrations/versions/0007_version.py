"""Documents that sheets were printed or judged from."""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

from orthopsis.school.migrations import once

revision = "0007"
down_revision = "0006"
branch_labels = None
depends_on = None


def upgrade() -> None:
    once.create_table(
        "exercise_version",
        sa.Column("exercise_id", sa.Integer(), nullable=False),
        sa.Column("counter", sa.Integer(), nullable=False),
        sa.Column("document", sa.JSON(), nullable=False),
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("teacher_id", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(
            ["exercise_id"], ["exercise.id"], name="fk_exercise_version_exercise_id"
        ),
        sa.ForeignKeyConstraint(
            ["teacher_id"], ["teacher.id"], name="fk_exercise_version_teacher_id"
        ),
        sa.PrimaryKeyConstraint("id", name="pk_exercise_version"),
        sa.UniqueConstraint(
            "exercise_id", "counter", name="uq_exercise_version_exercise_id_counter"
        ),
    )
    once.create_index("ix_exercise_version_teacher_id", "exercise_version", ["teacher_id"])


def downgrade() -> None:
    op.drop_table("exercise_version")
