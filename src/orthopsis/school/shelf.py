"""The shelf: a teacher's exercises, saved with a counter so that nothing is overwritten unseen."""

from __future__ import annotations

from collections.abc import Sequence

from sqlalchemy import or_, select
from sqlalchemy.orm import Session

from orthopsis.errors import EditConflict
from orthopsis.exercise.document import Exercise
from orthopsis.exercise.load import to_data
from orthopsis.phrase import Own, say
from orthopsis.school.owned import owned
from orthopsis.school.tables import ExerciseRow, Place, now


def exercises(
    session: Session, teacher_id: int, place: Place = Place.SHELF
) -> Sequence[ExerciseRow]:
    """The teacher's exercises in one place, the last saved first."""
    there = ExerciseRow.place == place
    if place == Place.SHELF:
        # Nothing is lost in a place that nobody knows.
        there = or_(there, ExerciseRow.place.not_in(list(Place)))
    query = (
        select(ExerciseRow)
        .where(ExerciseRow.teacher_id == teacher_id, there)
        .order_by(ExerciseRow.saved_at.desc(), ExerciseRow.id)
    )
    return session.scalars(query).all()


def exercise(session: Session, teacher_id: int, exercise_id: int) -> ExerciseRow:
    """One exercise; raises NotFound."""
    missing = say("missing-exercise")
    return owned(session, teacher_id, ExerciseRow, exercise_id, missing)


def add_exercise(
    session: Session, teacher_id: int, document: Exercise, set_aside_from: int | None = None
) -> ExerciseRow:
    """Put a new exercise on the shelf."""
    row = ExerciseRow(
        teacher_id=teacher_id,
        title=document.title,
        document=to_data(document),
        counter=1,
        set_aside_from=set_aside_from,
    )
    session.add(row)
    session.flush()
    return row


def save_exercise(
    session: Session, teacher_id: int, exercise_id: int, document: Exercise, counter: int
) -> ExerciseRow:
    """Save over the version that was opened; raises EditConflict when there is a newer one.

    The refused document is not lost: it is put on the shelf beside the other. The caller commits
    it although the save was refused.
    """
    missing = say("missing-exercise-to-save")
    row = owned(session, teacher_id, ExerciseRow, exercise_id, missing, lock=True)
    if row.document == to_data(document):
        return row
    if row.counter != counter:
        copy = document.model_copy(update={"title": f"{document.title[:100]} (set aside)"})
        kept = add_exercise(session, teacher_id, copy, set_aside_from=exercise_id)
        raise EditConflict(
            say("refused-newer-there", title=Own(row.title), copy=Own(kept.title)),
            current_counter=row.counter,
            kept_copy_id=kept.id,
        )
    row.title, row.document = document.title, to_data(document)
    row.counter, row.saved_at = counter + 1, now()
    return row


def copy_exercise(session: Session, teacher_id: int, exercise_id: int) -> ExerciseRow:
    """Put a copy on the shelf; its title says that it is one. What is spoilt is copied as it is."""
    row = exercise(session, teacher_id, exercise_id)
    title = f"{row.title[:110]} (copy)"
    data = {**row.document, "title": title} if isinstance(row.document, dict) else row.document
    copied = ExerciseRow(teacher_id=teacher_id, title=title, document=data, counter=1)
    session.add(copied)
    session.flush()
    return copied


def put_in(session: Session, teacher_id: int, exercise_id: int, place: Place) -> ExerciseRow:
    """Move an exercise to the shelf, the archive or the bin; lessons that used it keep it."""
    row = exercise(session, teacher_id, exercise_id)
    row.place = place
    return row
