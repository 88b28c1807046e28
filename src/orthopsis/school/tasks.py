"""Whose a sheet is, and what it was drawn from: by the teacher's word, its code, or a name."""

from __future__ import annotations

import json
import unicodedata
from collections.abc import Iterator, Mapping
from functools import lru_cache

from sqlalchemy import select
from sqlalchemy.orm import Session

from orthopsis.errors import ExerciseError
from orthopsis.exercise.document import Exercise
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve
from orthopsis.exercise.task import SheetCode, Task, as_asked, has_word
from orthopsis.marking.answer_key import AnswerKey, answer_key
from orthopsis.marking.judge import Asked
from orthopsis.marking.verdicts import DEMANDS, Demand
from orthopsis.school.tables import ExerciseRow, Pupil, SheetRow, VerdictRow


def key_of(exercise: ExerciseRow, task: Task, step: int | None = None) -> AnswerKey:
    """The answer key of a task at a step, made once for each version. Raises ExerciseError."""
    return _key(json.dumps(exercise.document, sort_keys=True), task, step)


@lru_cache(maxsize=64)
def _key(document: str, task: Task, step: int | None) -> AnswerKey:
    return answer_key(resolve(as_asked(from_data(json.loads(document)), task)), step)


def tolerance(task: Task, of_lesson: str) -> Demand:
    """How strictly a sheet is judged: first steps and stretch as they are, others as the lesson."""
    return DEMANDS[of_lesson if task.demand == "standard" else task.demand]


def task_of(verdict: VerdictRow) -> Task:
    """What a judged sheet was held against."""
    return Task(**verdict.record.get("task", {}))


def said_task(row: SheetRow) -> Task | None:
    """What the teacher says that it was drawn from."""
    return None if row.task is None else Task(**row.task)


class Stand:
    """What is known of a sheet before it is looked at; it needs no open session later."""

    def __init__(self, session: Session, row: SheetRow) -> None:
        self.exercise, self.strict = row.lesson.exercise, row.lesson.demand
        self.counter, self.said = self.exercise.counter, said_task(row)
        self.names, self.file_name = names_in(session, row.lesson.class_id), row.file_name
        self.pupil_id = row.pupil_id

    def asked(self, task: Task) -> Asked:
        """A task to hold it against. Raises ExerciseError."""
        key = key_of(self.exercise, task)
        return Asked(key, tolerance(task, self.strict), task)

    def likely(self, code: SheetCode | None) -> Iterator[Asked]:
        """What it may have been drawn from, the likeliest first; each is made when it is asked for.

        Raises ExerciseError when nothing of it can be drawn.
        """
        refused: ExerciseError | None = None
        made = 0
        for task in self._tasks(code):
            try:
                asked = self.asked(task)
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
        ours = code is not None and code.exercise == self.exercise.id
        demand = code.demand if code is not None and ours else "standard"
        yield Task(demand)
        name = self.names.get(self.whose(code) or 0)
        if name and has_word(from_data(self.exercise.document)):
            yield Task(demand, own_word(name))

    def whose(self, code: SheetCode | None) -> int | None:
        """The pupil: as given, by the printed code, or by the file's name; None when none tells."""
        return self.pupil_id or whose(self.names, self.file_name, code)


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
