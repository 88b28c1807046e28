"""The school's first tables."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import mysql

from orthopsis.school.migrations import once

revision = "0001"
down_revision = None


def upgrade() -> None:
    once.create_table(
        "setting",
        sa.Column("name", sa.String(length=60), nullable=False),
        sa.Column("value", sa.Text(), nullable=False),
        sa.PrimaryKeyConstraint("name", name="pk_setting"),
    )
    once.create_table(
        "teacher",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(length=120), nullable=False),
        sa.PrimaryKeyConstraint("id", name="pk_teacher"),
    )
    once.create_table(
        "exercise",
        sa.Column("title", sa.String(length=160), nullable=False),
        sa.Column("document", sa.JSON(), nullable=False),
        sa.Column("counter", sa.Integer(), nullable=False),
        sa.Column("set_aside_from", sa.Integer(), nullable=True),
        sa.Column("saved_at", sa.DateTime(), nullable=False),
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("teacher_id", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(
            ["set_aside_from"], ["exercise.id"], name="fk_exercise_set_aside_from"
        ),
        sa.ForeignKeyConstraint(["teacher_id"], ["teacher.id"], name="fk_exercise_teacher_id"),
        sa.PrimaryKeyConstraint("id", name="pk_exercise"),
    )
    once.create_index("ix_exercise_teacher_id", "exercise", ["teacher_id"])
    once.create_index("ix_exercise_teacher_saved", "exercise", ["teacher_id", "saved_at"])
    once.create_table(
        "school_class",
        sa.Column("name", sa.String(length=60), nullable=False),
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("teacher_id", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(["teacher_id"], ["teacher.id"], name="fk_school_class_teacher_id"),
        sa.PrimaryKeyConstraint("id", name="pk_school_class"),
    )
    once.create_index("ix_school_class_teacher_id", "school_class", ["teacher_id"])
    once.create_table(
        "lesson",
        sa.Column("class_id", sa.Integer(), nullable=False),
        sa.Column("exercise_id", sa.Integer(), nullable=False),
        sa.Column("given_on", sa.Date(), nullable=False),
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("teacher_id", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(["class_id"], ["school_class.id"], name="fk_lesson_class_id"),
        sa.ForeignKeyConstraint(["exercise_id"], ["exercise.id"], name="fk_lesson_exercise_id"),
        sa.ForeignKeyConstraint(["teacher_id"], ["teacher.id"], name="fk_lesson_teacher_id"),
        sa.PrimaryKeyConstraint("id", name="pk_lesson"),
    )
    once.create_index("ix_lesson_teacher_id", "lesson", ["teacher_id"])
    once.create_table(
        "pupil",
        sa.Column("class_id", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(length=120), nullable=False),
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("teacher_id", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(["class_id"], ["school_class.id"], name="fk_pupil_class_id"),
        sa.ForeignKeyConstraint(["teacher_id"], ["teacher.id"], name="fk_pupil_teacher_id"),
        sa.PrimaryKeyConstraint("id", name="pk_pupil"),
    )
    once.create_index("ix_pupil_teacher_id", "pupil", ["teacher_id"])
    once.create_table(
        "sheet",
        sa.Column("lesson_id", sa.Integer(), nullable=False),
        sa.Column("pupil_id", sa.Integer(), nullable=True),
        sa.Column("file_name", sa.String(length=200), nullable=False),
        sa.Column("handed_in_at", sa.DateTime(), nullable=False),
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("teacher_id", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(["lesson_id"], ["lesson.id"], name="fk_sheet_lesson_id"),
        sa.ForeignKeyConstraint(["pupil_id"], ["pupil.id"], name="fk_sheet_pupil_id"),
        sa.ForeignKeyConstraint(["teacher_id"], ["teacher.id"], name="fk_sheet_teacher_id"),
        sa.PrimaryKeyConstraint("id", name="pk_sheet"),
    )
    once.create_index("ix_sheet_lesson_id", "sheet", ["lesson_id"])
    once.create_index("ix_sheet_teacher_id", "sheet", ["teacher_id"])
    once.create_table(
        "mark",
        sa.Column("sheet_id", sa.Integer(), nullable=False),
        sa.Column("understanding", sa.String(length=20), nullable=False),
        sa.Column("words", sa.Text(), nullable=False),
        sa.Column("saved_at", sa.DateTime(), nullable=False),
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("teacher_id", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(["sheet_id"], ["sheet.id"], name="fk_mark_sheet_id"),
        sa.ForeignKeyConstraint(["teacher_id"], ["teacher.id"], name="fk_mark_teacher_id"),
        sa.PrimaryKeyConstraint("id", name="pk_mark"),
        sa.UniqueConstraint("sheet_id", name="uq_mark_sheet_id"),
    )
    once.create_index("ix_mark_teacher_id", "mark", ["teacher_id"])
    once.create_table(
        "sheet_picture",
        sa.Column("sheet_id", sa.Integer(), nullable=False),
        sa.Column("teacher_id", sa.Integer(), nullable=False),
        sa.Column("photo", mysql.LONGBLOB(), nullable=False),
        sa.Column("photo_type", sa.String(length=20), nullable=False),
        sa.Column("straight_jpeg", mysql.LONGBLOB(), nullable=True),
        sa.ForeignKeyConstraint(["sheet_id"], ["sheet.id"], name="fk_sheet_picture_sheet_id"),
        sa.ForeignKeyConstraint(["teacher_id"], ["teacher.id"], name="fk_sheet_picture_teacher_id"),
        sa.PrimaryKeyConstraint("sheet_id", name="pk_sheet_picture"),
    )
    once.create_index("ix_sheet_picture_teacher_id", "sheet_picture", ["teacher_id"])
    once.create_table(
        "verdict",
        sa.Column("sheet_id", sa.Integer(), nullable=False),
        sa.Column("exercise_counter", sa.Integer(), nullable=False),
        sa.Column("record", sa.JSON(), nullable=False),
        sa.Column("judged_at", sa.DateTime(), nullable=False),
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("teacher_id", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(["sheet_id"], ["sheet.id"], name="fk_verdict_sheet_id"),
        sa.ForeignKeyConstraint(["teacher_id"], ["teacher.id"], name="fk_verdict_teacher_id"),
        sa.PrimaryKeyConstraint("id", name="pk_verdict"),
        sa.UniqueConstraint("sheet_id", name="uq_verdict_sheet_id"),
    )
    once.create_index("ix_verdict_teacher_id", "verdict", ["teacher_id"])


def downgrade() -> None:
    for table in (
        "verdict", "sheet_picture", "mark", "sheet", "pupil", "lesson", "school_class", "exercise",
        "teacher", "setting",
    ):  # fmt: skip
        op.drop_table(table)
