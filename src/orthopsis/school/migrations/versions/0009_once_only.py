"""What is there only once is so by keys; work is claimed for a time; files lie in pieces.

Where an older version let something in twice, both stay: only the first of them has the key.
"""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import mysql

from orthopsis.school.migrations import once
from orthopsis.school.tables import name_key

revision = "0009"
down_revision = "0008"
branch_labels = None
depends_on = None


def upgrade() -> None:
    for table in ("sheet", "upload", "print_job"):
        once.add_column(table, sa.Column("claimed_until", sa.DateTime(), nullable=True))
    once.add_column("exercise", sa.Column("card", sa.JSON(), nullable=True))
    once.add_column("exercise", sa.Column("cover", mysql.MEDIUMTEXT(), nullable=True))
    once.add_filled_column("sheet", sa.Column("guessed", sa.Boolean(), nullable=False), "0")
    _one_teacher()
    _classes()
    _pupils()
    _digests()
    _pieces()


def _one_teacher() -> None:
    """The one teacher of a machine is there before the first question."""
    op.execute(
        "INSERT INTO teacher (id, name) SELECT 1, 'Local teacher' "
        "WHERE NOT EXISTS (SELECT * FROM teacher)"
    )


def _classes() -> None:
    # The younger of two classes of one name is told from the other by its number.
    op.execute(
        "UPDATE school_class AS one JOIN school_class AS before_it "
        "ON before_it.teacher_id = one.teacher_id AND before_it.name = one.name "
        "AND before_it.id < one.id AND NOT before_it.away "
        "SET one.name = CONCAT(LEFT(one.name, 45), ' (', one.id, ')') WHERE NOT one.away"
    )
    listed = sa.Computed("IF(away, NULL, name)", persisted=True)
    once.add_column("school_class", sa.Column("listed_name", sa.String(60), listed))
    once.create_index(
        "uq_school_class_teacher_id_listed_name",
        "school_class",
        ["teacher_id", "listed_name"],
        unique=True,
    )


def _pupils() -> None:
    key = mysql.VARCHAR(300, collation="utf8mb4_bin")
    once.add_column("pupil", sa.Column("name_key", key, nullable=True))
    connection = op.get_bind()
    taken: set[tuple[int, str]] = set()
    query = sa.text("SELECT id, class_id, name FROM pupil ORDER BY id")
    for row in connection.execute(query).all():
        own = name_key(row.name)
        if (row.class_id, own) in taken:
            own = f"{own} ({row.id})"
        taken.add((row.class_id, own))
        connection.execute(
            sa.text("UPDATE pupil SET name_key = :own WHERE id = :id"), {"own": own, "id": row.id}
        )
    op.alter_column("pupil", "name_key", existing_type=key, nullable=False)
    once.create_index("uq_pupil_class_id_name_key", "pupil", ["class_id", "name_key"], unique=True)


def _digests() -> None:
    """A photo is known by its sheet, so that a stack cannot have it twice."""
    once.add_column("sheet", sa.Column("digest", sa.String(64), nullable=True))
    if once.has_column("sheet_picture", "digest"):
        op.execute(
            "UPDATE sheet JOIN sheet_picture ON sheet_picture.sheet_id = sheet.id "
            "SET sheet.digest = sheet_picture.digest"
        )
        op.execute(
            "UPDATE sheet AS one JOIN sheet AS before_it "
            "ON before_it.lesson_id = one.lesson_id AND before_it.digest = one.digest "
            "AND before_it.id < one.id AND NOT before_it.away "
            "SET one.digest = NULL WHERE NOT one.away"
        )
    listed = sa.Computed("IF(away, NULL, digest)", persisted=True)
    once.add_column("sheet", sa.Column("listed_digest", sa.String(64), listed))
    once.create_index(
        "uq_sheet_lesson_id_listed_digest", "sheet", ["lesson_id", "listed_digest"], unique=True
    )
    once.drop_column("sheet_picture", "digest")


def _pieces() -> None:
    once.create_table(
        "upload_piece",
        sa.Column("upload_id", sa.Integer(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False, autoincrement=False),
        sa.Column("teacher_id", sa.Integer(), nullable=False),
        sa.Column("data", mysql.MEDIUMBLOB(), nullable=False),
        sa.ForeignKeyConstraint(
            ["upload_id"], ["upload.id"], name="fk_upload_piece_upload_id", ondelete="CASCADE"
        ),
        sa.ForeignKeyConstraint(["teacher_id"], ["teacher.id"], name="fk_upload_piece_teacher_id"),
        sa.PrimaryKeyConstraint("upload_id", "number", name="pk_upload_piece"),
    )
    once.create_index("ix_upload_piece_teacher_id", "upload_piece", ["teacher_id"])
    if not once.has_column("upload", "data"):
        return
    # At most 210 MB came in one file, so it had at most 53 pieces of 4 MB.
    for number in range(53):
        op.execute(
            "INSERT IGNORE INTO upload_piece (upload_id, number, teacher_id, data) "
            f"SELECT id, {number}, teacher_id, SUBSTRING(data, {number * 4_000_000 + 1}, 4000000) "
            f"FROM upload WHERE LENGTH(data) > {number * 4_000_000}"
        )
    once.drop_column("upload", "data")


def downgrade() -> None:
    op.add_column("upload", sa.Column("data", mysql.LONGBLOB(), nullable=False))
    op.drop_table("upload_piece")
    op.drop_index("uq_sheet_lesson_id_listed_digest", "sheet")
    op.add_column("sheet_picture", sa.Column("digest", sa.String(64), nullable=True))
    op.execute(
        "UPDATE sheet_picture JOIN sheet ON sheet_picture.sheet_id = sheet.id "
        "SET sheet_picture.digest = sheet.digest"
    )
    op.drop_index("uq_pupil_class_id_name_key", "pupil")
    op.drop_index("uq_school_class_teacher_id_listed_name", "school_class")
    for table, columns in (
        ("sheet", ("listed_digest", "digest", "guessed", "claimed_until")),
        ("pupil", ("name_key",)),
        ("school_class", ("listed_name",)),
        ("exercise", ("card", "cover")),
        ("upload", ("claimed_until",)),
        ("print_job", ("claimed_until",)),
    ):
        for column in columns:
            op.drop_column(table, column)
