"""Documents that sheets were printed or judged from: an exercise may change, its sheets do not."""

from __future__ import annotations

from typing import Any

from sqlalchemy import select
from sqlalchemy.dialects.mysql import insert
from sqlalchemy.orm import Session

from orthopsis.school.tables import ExerciseRow, ExerciseVersion

Versions = dict[int, dict[str, Any]]
"""Documents of an exercise by the counter that it had."""


def keep(session: Session, exercise: ExerciseRow, versions: Versions | None = None) -> None:
    """Keep documents for the sheets that are made of them: if none is told, the one of now."""
    for counter, document in (versions or {exercise.counter: exercise.document}).items():
        values = {
            "teacher_id": exercise.teacher_id,
            "exercise_id": exercise.id,
            "counter": counter,
            "document": document,
        }
        # A version is what it is: one that was kept before stays.
        known = insert(ExerciseVersion).values(values).on_duplicate_key_update(counter=counter)
        session.execute(known)


def kept(session: Session, exercise: ExerciseRow) -> Versions:
    """What was kept of an exercise, and what it is now."""
    query = select(ExerciseVersion.counter, ExerciseVersion.document).where(
        ExerciseVersion.exercise_id == exercise.id,
        ExerciseVersion.teacher_id == exercise.teacher_id,
    )
    before = {row.counter: row.document for row in session.execute(query)}
    return {**before, exercise.counter: exercise.document}


def version_of(versions: Versions, counter: int | None) -> int:
    """The version to hold a sheet against: its own where that was kept, otherwise the newest."""
    return counter if counter in versions else max(versions)
