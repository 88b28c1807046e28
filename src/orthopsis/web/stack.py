"""What is told of pupils' sheets, each by itself: a spoilt one spoils no other."""

from __future__ import annotations

import logging
from collections.abc import Sequence
from datetime import datetime
from typing import NamedTuple

from sqlalchemy.exc import DBAPIError
from sqlalchemy.orm import Session

from orthopsis.exercise.records import SheetRecord
from orthopsis.exercise.resolve import Scene, resolve
from orthopsis.exercise.task import STANDARD_TASK, has_word
from orthopsis.marking.corrections import Corrections
from orthopsis.marking.records import VerdictRecord
from orthopsis.phrase import say
from orthopsis.school import lessons, tasks, verdicts
from orthopsis.school.settings import as_said, settings_of
from orthopsis.school.tables import JobState, SheetRow
from orthopsis.web.marking_models import (
    DismissedLineOut,
    MarkOut,
    PupilSheetOut,
    TaskOut,
)
from orthopsis.web.models import PupilOut
from orthopsis.wording.words import Words


class Said(NamedTuple):
    """A sheet's exercise and its verdict, said in the teacher's words."""

    scene: Scene
    verdict: VerdictRecord | None

    @property
    def first_words(self) -> str:
        """What is right first, then the one correction that helps most."""
        said = self.verdict.findings if self.verdict else []
        praise = [one.message for one in said if one.level == "praise"][:1]
        return "\n".join(praise + [one.message for one in said if one.level == "fix"][:1])


class Teller:
    """Tells of the sheets of one lesson, each by itself: a spoilt one spoils no other."""

    def __init__(self, session: Session, teacher_id: int, rows: Sequence[SheetRow]) -> None:
        self._settings = settings_of(session, teacher_id)
        self._own: dict[str, str] = {}
        self._scenes: tasks.Scenes | None = None
        if rows:
            exercise = rows[0].lesson.exercise
            self._own = verdicts.phrases(session, teacher_id, exercise.id)
            self._scenes = tasks.Scenes(session, exercise)

    def of(self, row: SheetRow) -> Said:
        """What is said of a sheet. Raises whatever is wrong with it."""
        assert self._scenes is not None
        scene, verdict = self._scenes.of(row), None
        if row.verdict is not None:
            words = resolve(as_said(scene.exercise, self._settings)).words
            verdict = verdicts.record_of(row.verdict).said(words, self._own)
        return Said(scene, verdict)


def all_out(session: Session, teacher_id: int, rows: Sequence[SheetRow]) -> list[PupilSheetOut]:
    """Sheets of one lesson."""
    told, sheets = Teller(session, teacher_id, rows), []
    for row in rows:
        try:
            said = told.of(row)
            sheets.append(
                _one_out(row, said, _task_out(session, row, said), _likely(session, row, said))
            )
        except DBAPIError:
            raise
        except Exception as error:
            logging.getLogger("orthopsis").warning("sheet %d cannot be shown: %s", row.id, error)
            sheets.append(_spoilt_out(row))
    return sheets


def _spoilt_out(row: SheetRow) -> PupilSheetOut:
    """A sheet of which nothing can be said but that it is there."""
    known = row.state in set(JobState)
    return PupilSheetOut(
        id=row.id,
        lesson_id=row.lesson_id,
        file_name=str(row.file_name),
        handed_in_at=row.handed_in_at or datetime.min,
        state=JobState(row.state) if known and row.verdict is None else JobState.FAILED,
        away=bool(row.away),
        problem=Words().say(say("sheet-cannot-be-shown")),
        pupil=PupilOut.model_validate(row.pupil) if row.pupil else None,
        guessed=bool(row.guessed),
        sheet=SheetRecord(width_mm=297.0, height_mm=210.0),
        families=[],
        task=TaskOut(demand="standard", word=None, worded=False, belongs_to=None),
        verdict=None,
        corrections=Corrections(),
        dismissed=[],
        mark=None,
        sure=0.0,
        likely_lessons=[],
        first_words="",
    )


def _task_out(session: Session, row: SheetRow, said: Said) -> TaskOut:
    judged = said.verdict.drawn_from if said.verdict else STANDARD_TASK
    task = tasks.said_task(row) or judged
    return TaskOut(
        demand=task.demand,
        word=task.word,
        worded=has_word(said.scene.exercise),
        belongs_to=tasks.belongs_to(session, row),
    )


def _likely(session: Session, row: SheetRow, said: Said) -> list[int]:
    """The other lessons that a sheet may belong to."""
    if said.verdict is None:
        return []
    printed = said.verdict.printed
    exercises = {said.verdict.looks_like, printed.exercise if printed else None}
    exercises -= {None, row.lesson.exercise_id}
    return [one.id for one in lessons.of_exercises(session, row.teacher_id, exercises)]


def _one_out(row: SheetRow, said: Said, task: TaskOut, likely: list[int]) -> PupilSheetOut:
    verdict, scene = said.verdict, said.scene
    corrections = verdicts.corrections_of(row.verdict) if row.verdict else Corrections()
    found = verdict.found if verdict else []
    return PupilSheetOut(
        id=row.id,
        lesson_id=row.lesson_id,
        file_name=row.file_name,
        handed_in_at=row.handed_in_at,
        state=JobState(row.state),
        away=row.away,
        problem=row.problem,
        pupil=PupilOut.model_validate(row.pupil) if row.pupil else None,
        guessed=row.guessed,
        sheet=SheetRecord(width_mm=scene.sheet.width_mm, height_mm=scene.sheet.height_mm),
        families=[*[vp.name for vp in scene.vanishing_points], "vertical", "horizontal"],
        task=task,
        verdict=None if verdict is None else verdict.model_copy(update={"found": []}),
        corrections=corrections,
        dismissed=[
            DismissedLineOut(number=number, start=found[number].start, end=found[number].end)
            for number, change in corrections.lines.items()
            if change.dismissed and number < len(found)
        ],
        mark=MarkOut.model_validate(row.mark) if row.mark else None,
        sure=1.0 if verdict is None else verdict.sure,
        likely_lessons=likely,
        first_words=said.first_words,
    )
