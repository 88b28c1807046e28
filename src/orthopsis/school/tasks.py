"""Whose a sheet is, and what it was drawn from: by the teacher's word, its code, or a name."""

from __future__ import annotations

import json
import re
import unicodedata
from collections.abc import Iterator, Mapping, Sequence
from contextlib import suppress
from functools import lru_cache
from pathlib import PurePath
from typing import Any, NamedTuple

from sqlalchemy import select
from sqlalchemy.orm import Session

from orthopsis.errors import ExerciseError, NotFound, OrthopsisError
from orthopsis.exercise.document import Exercise
from orthopsis.exercise.load import from_data
from orthopsis.exercise.personal import word_of
from orthopsis.exercise.resolve import Scene, resolve
from orthopsis.exercise.task import STANDARD_TASK, SheetCode, Task, as_asked, has_word
from orthopsis.marking.judge import Asked, which_fits
from orthopsis.marking.judging.answer_key import AnswerKey, answer_key
from orthopsis.marking.judging.verdicts import STRICTNESS, Strictness
from orthopsis.marking.records import VerdictRecord
from orthopsis.marking.sheet.photo import Grey
from orthopsis.perspective.segments import XY
from orthopsis.phrase import say
from orthopsis.school.owned import owned
from orthopsis.school.tables import ExerciseRow, Lesson, Pupil, SheetRow
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
        self.others = _others(session, row.lesson)

    def looks_like(
        self, code: SheetCode | None, grey: Grey, corners: Sequence[XY] | None
    ) -> Other | None:
        """Another exercise that a sheet is of: by its printed code, or by its lines, if they lie in
        the places of one that was given.
        """
        if code is not None and code.exercise != self.exercise_id:
            return next((one for one in self.others if one.exercise_id == code.exercise), None)
        others, keys = list[Other](), list[AnswerKey]()
        for other in self.others:
            with suppress(OrthopsisError):
                keys.append(key_of(other.document, STANDARD_TASK))
                others.append(other)
        number = which_fits(grey, keys, corners)
        return None if number is None else others[number]

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
        name = self.names.get(self.whose(code)[0] or 0)
        if name and has_word(from_data(self.versions[self.version(code)])):
            yield Task(demand, word_of(name))

    def _ours(self, code: SheetCode | None) -> SheetCode | None:
        """The code, if it speaks of this exercise."""
        return code if code is not None and code.exercise == self.exercise_id else None

    def whose(self, code: SheetCode | None) -> tuple[int | None, bool]:
        """The pupil: as given, or by the printed code; or by the file's name, which is a guess."""
        if self.pupil_id is not None:
            return self.pupil_id, False
        if code is not None and code.pupil in self.names:
            return code.pupil, False
        guess = guessed(self.names, self.file_name)
        return guess, guess is not None


class Other(NamedTuple):
    """Another exercise that the teacher gave."""

    exercise_id: int
    title: str
    document: Mapping[str, Any]


MOST_OTHERS = 8


def _others(session: Session, lesson: Lesson) -> list[Other]:
    """Other exercises that were given: to this class first, the latest first."""
    given = (
        select(ExerciseRow)
        .join(Lesson, Lesson.exercise_id == ExerciseRow.id)
        .where(
            Lesson.teacher_id == lesson.teacher_id,
            ExerciseRow.id != lesson.exercise_id,
        )
        .order_by(
            (Lesson.class_id == lesson.class_id).desc(), Lesson.given_on.desc(), Lesson.id.desc()
        )
    )
    rows = {row.id: row for row in session.scalars(given).unique()}
    return [Other(row.id, row.title, row.document) for row in list(rows.values())[:MOST_OTHERS]]


class Scenes:
    """The exercise of some sheets of a lesson, in the version that each is of."""

    def __init__(self, session: Session, exercise: ExerciseRow) -> None:
        self._versions = kept(session, exercise)
        self._made: dict[int, Scene] = {}

    def of(self, row: SheetRow) -> Scene:
        """The exercise that a sheet belongs to. Raises ExerciseError."""
        told = row.verdict.exercise_counter if row.verdict else None
        counter = version_of(self._versions, told)
        if counter not in self._made:
            self._made[counter] = resolve(from_data(self._versions[counter]))
        return self._made[counter]


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


def refuse_wrong(exercise: Exercise, task: Task) -> None:
    """Raises ExerciseError for a task that nobody can draw from this exercise."""
    resolve(as_asked(exercise, task))


def names_in(session: Session, class_id: int) -> dict[int, str]:
    """The names on a class's list, by the pupil's number."""
    in_class = select(Pupil).where(Pupil.class_id == class_id, Pupil.left.is_(False))
    return {pupil.id: pupil.name for pupil in session.scalars(in_class)}


def guessed(names: Mapping[int, str], file_name: str) -> int | None:
    """The one pupil whom a file's name names in whole words; None when it names none or several.

    >>> guessed({1: "Can Oak", 2: "Ada Fern"}, "scan0001.jpg")
    >>> guessed({1: "Can Oak", 2: "Ada Fern"}, "ADA_2.png")
    2
    """
    said = _words(PurePath(file_name).stem)
    for whole in (True, False):
        fitting = [
            number
            for number, name in names.items()
            if _stands_in(_words(name) if whole else _words(name)[:1], said)
        ]
        if len(fitting) == 1:
            return fitting[0]
    return None


def _stands_in(sought: Sequence[str], said: Sequence[str]) -> bool:
    """Whether words stand one after the other among others; a letter alone says nothing."""
    count = len(sought)
    long_enough = sum(map(len, sought)) > 1
    return long_enough and any(said[k : k + count] == sought for k in range(len(said) - count + 1))


def _words(name: str) -> list[str]:
    """The words of a name as a file may write it: without case, accents, signs and numbers."""
    parted = re.sub(r"(?<=[a-z])(?=[A-Z])", " ", name)
    plain = unicodedata.normalize("NFKD", parted).casefold()
    bare = "".join(c for c in plain if not unicodedata.combining(c))
    return "".join(c if c.isalpha() else " " for c in bare).split()
