"""Class sets judged in the background, corrections, strictness, a teacher's own phrases."""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import mysql

from orthopsis.school.migrations import once

revision = "0003"
down_revision = "0002"
branch_labels = None
depends_on = None


def upgrade() -> None:
    once.add_filled_column(
        "lesson", sa.Column("demand", sa.String(length=20), nullable=False), "standard"
    )
    once.add_filled_column(
        "sheet", sa.Column("state", sa.String(length=10), nullable=False), "done"
    )
    once.add_column("sheet", sa.Column("problem", sa.Text(), nullable=True))
    once.add_column("sheet", sa.Column("corners", sa.JSON(), nullable=True))
    once.add_column("verdict", sa.Column("corrections", sa.JSON(), nullable=True))
    op.execute("UPDATE verdict SET corrections = '{}' WHERE corrections IS NULL")
    op.alter_column("verdict", "corrections", existing_type=sa.JSON(), nullable=False)
    once.create_table(
        "upload",
        sa.Column("lesson_id", sa.Integer(), nullable=False),
        sa.Column("pupil_id", sa.Integer(), nullable=True),
        sa.Column("file_name", sa.String(length=200), nullable=False),
        sa.Column("data", mysql.LONGBLOB(), nullable=False),
        sa.Column("state", sa.String(length=10), nullable=False),
        sa.Column("problem", sa.Text(), nullable=True),
        sa.Column("sent_at", sa.DateTime(), nullable=False),
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("teacher_id", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(["lesson_id"], ["lesson.id"], name="fk_upload_lesson_id"),
        sa.ForeignKeyConstraint(["pupil_id"], ["pupil.id"], name="fk_upload_pupil_id"),
        sa.ForeignKeyConstraint(["teacher_id"], ["teacher.id"], name="fk_upload_teacher_id"),
        sa.PrimaryKeyConstraint("id", name="pk_upload"),
    )
    once.create_index("ix_upload_lesson_id", "upload", ["lesson_id"])
    once.create_index("ix_upload_teacher_id", "upload", ["teacher_id"])
    once.create_table(
        "phrase",
        sa.Column("exercise_id", sa.Integer(), nullable=False),
        sa.Column("code", sa.String(length=40), nullable=False),
        sa.Column("words", sa.Text(), nullable=False),
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("teacher_id", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(["exercise_id"], ["exercise.id"], name="fk_phrase_exercise_id"),
        sa.ForeignKeyConstraint(["teacher_id"], ["teacher.id"], name="fk_phrase_teacher_id"),
        sa.PrimaryKeyConstraint("id", name="pk_phrase"),
        sa.UniqueConstraint(
            "teacher_id", "exercise_id", "code", name="uq_phrase_teacher_id_exercise_id_code"
        ),
    )
    once.create_index("ix_phrase_teacher_id", "phrase", ["teacher_id"])


def downgrade() -> None:
    op.drop_table("phrase")
    op.drop_table("upload")
    op.drop_column("verdict", "corrections")
    op.drop_column("sheet", "corners")
    op.drop_column("sheet", "problem")
    op.drop_column("sheet", "state")
    op.drop_column("lesson", "demand")
