"""Whose a sheet is, and what it was drawn from: by the teacher's word, its code, or a name."""

from __future__ import annotations

import json
import unicodedata
from collections.abc import Iterator, Mapping, Sequence
from functools import lru_cache
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from orthopsis.errors import ExerciseError, NotFound
from orthopsis.exercise.document import Exercise
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import Scene, resolve
from orthopsis.exercise.task import SheetCode, Task, as_asked, has_word
from orthopsis.marking.judge import Asked
from orthopsis.marking.judging.answer_key import AnswerKey, answer_key
from orthopsis.marking.judging.verdicts import STRICTNESS, Strictness
from orthopsis.marking.records import VerdictRecord
from orthopsis.phrase import say
from orthopsis.school.owned import owned
from orthopsis.school.tables import ExerciseRow, Pupil, SheetRow
from orthopsis.school.versions import kept, version_of


def key_of(document: Mapping[str, Any], task: Task, step: int | None = None) -> AnswerKey:
    """The answer key of a task at a step, made once for each version. Raises ExerciseError."""
    return _key(json.dumps(document, sort_keys=True), task, step)


@lru_cache(maxsize=64)
def _key(document: str, task: Task, step: int | None) -> AnswerKey:
    return answer_key(resolve(as_asked(from_data(json.loads(document)), task)), step)


def strictness(task: Task, of_lesson: str) -> Strictness:
    """How strictly a sheet is judged: first steps and stretch as they are, others as the lesson."""
    return STRICTNESS[of_lesson if task.demand == "standard" else task.demand]


def said_task(row: SheetRow) -> Task | None:
    """What the teacher says that it was drawn from."""
    return None if row.task is None else Task(**row.task)


class Origin:
    """Where a sheet comes from, before it is looked at; it needs no open session later."""

    def __init__(self, session: Session, row: SheetRow) -> None:
        self.strict, self.said = row.lesson.demand, said_task(row)
        self.exercise_id = row.lesson.exercise_id
        self.versions = kept(session, row.lesson.exercise)
        self.names, self.file_name = names_in(session, row.lesson.class_id), row.file_name
        self.pupil_id = row.pupil_id

    def version(self, code: SheetCode | None) -> int:
        """The version of the exercise that it was printed from, otherwise the newest."""
        ours = self._ours(code)
        return version_of(self.versions, ours.version if ours else None)

    def asked(self, task: Task, code: SheetCode | None = None) -> Asked:
        """A task to hold it against. Raises ExerciseError."""
        key = key_of(self.versions[self.version(code)], task)
        return Asked(key, strictness(task, self.strict), task)

    def likely(self, code: SheetCode | None) -> Iterator[Asked]:
        """What it may have been drawn from, the likeliest first; each is made when it is asked for.

        Raises ExerciseError when nothing of it can be drawn.
        """
        refused: ExerciseError | None = None
        made = 0
        for task in self._tasks(code):
            try:
                asked = self.asked(task, code)
            except ExerciseError as error:
                refused = refused or error
                continue
            made += 1
            yield asked
        if refused is not None and not made:
            raise refused

    def _tasks(self, code: SheetCode | None) -> Iterator[Task]:
        if self.said is not None:
            yield self.said
            return
        ours = self._ours(code)
        demand = ours.demand if ours else "standard"
        yield Task(demand)
        name = self.names.get(self.whose(code) or 0)
        if name and has_word(from_data(self.versions[self.version(code)])):
            yield Task(demand, own_word(name))

    def _ours(self, code: SheetCode | None) -> SheetCode | None:
        """The code, if it speaks of this exercise."""
        return code if code is not None and code.exercise == self.exercise_id else None

    def whose(self, code: SheetCode | None) -> int | None:
        """The pupil: as given, by the printed code, or by the file's name; None when none tells."""
        return self.pupil_id or whose(self.names, self.file_name, code)


def scenes_of(session: Session, rows: Sequence[SheetRow]) -> list[Scene]:
    """For each sheet of a lesson the exercise that it belongs to, in the version it is of."""
    versions = kept(session, rows[0].lesson.exercise) if rows else {}
    counters = [
        version_of(versions, row.verdict.exercise_counter if row.verdict else None) for row in rows
    ]
    scenes = {counter: resolve(from_data(versions[counter])) for counter in set(counters)}
    return [scenes[counter] for counter in counters]


def belongs_to(session: Session, row: SheetRow) -> str | None:
    """The other exercise that a sheet is of by its printed code; None where it is in its place."""
    code = VerdictRecord.model_validate(row.verdict.record).printed if row.verdict else None
    if code is None or code.exercise == row.lesson.exercise_id:
        return None
    try:
        other = owned(session, row.teacher_id, ExerciseRow, code.exercise, say("missing-exercise"))
    except NotFound as error:
        return str(error)
    return f"“{other.title}”"


def own_word(name: str) -> str:
    """The word that a pupil draws of a name: the first one, in capitals."""
    return name.split()[0].upper()


def refuse_wrong(exercise: Exercise, task: Task) -> None:
    """Raises ExerciseError for a task that nobody can draw from this exercise."""
    resolve(as_asked(exercise, task))


def names_in(session: Session, class_id: int) -> dict[int, str]:
    """The names on a class's list, by the pupil's number."""
    in_class = select(Pupil).where(Pupil.class_id == class_id, Pupil.left.is_(False))
    return {pupil.id: pupil.name for pupil in session.scalars(in_class)}


def whose(names: Mapping[int, str], file_name: str, code: SheetCode | None) -> int | None:
    """The pupil by the printed code, else by the file's name; None when neither tells."""
    if code is not None and code.pupil in names:
        return code.pupil
    said = _letters(file_name)
    for whole in (True, False):
        sought = {number: name if whole else name.split()[0] for number, name in names.items()}
        fitting = [number for number, name in sought.items() if _letters(name) in said]
        if len(fitting) == 1:
            return fitting[0]
    return None


def _letters(name: str) -> str:
    """A name as a file may write it: without case, accents, spaces and signs."""
    plain = unicodedata.normalize("NFKD", name).casefold()
    return "".join(letter for letter in plain if letter.isalnum())
