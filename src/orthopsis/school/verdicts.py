"""Verdicts as a teacher changes them: lines, strictness, own phrases; a class at a glance."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from sqlalchemy import delete, select
from sqlalchemy.dialects.mysql import insert
from sqlalchemy.orm import Session

from orthopsis.marking.answer_key import AnswerKey
from orthopsis.marking.corrections import Corrections, judged_again
from orthopsis.marking.findings import ORDER, TITLES
from orthopsis.marking.judge import SheetVerdict
from orthopsis.marking.mended import SeenFace, faces
from orthopsis.marking.records import found_of, judged_record
from orthopsis.school import lessons, shelf
from orthopsis.school.tables import JobState, Lesson, Phrase, SheetRow, VerdictRow, now
from orthopsis.school.tasks import key_of, task_of, tolerance
from orthopsis.school.versions import Versions, kept, version_of


def correct(session: Session, teacher_id: int, sheet_id: int, corrections: Corrections) -> SheetRow:
    """Keep what a teacher corrects, and judge the lines again. Raises NotFound, ExerciseError."""
    row = lessons.lock_sheet(session, teacher_id, sheet_id)
    if row.verdict is not None:
        _judge_again(row.lesson, row.verdict, corrections, kept(session, row.lesson.exercise))
    return row


def be_strict(session: Session, teacher_id: int, lesson_id: int, demand: str) -> Lesson:
    """Judge a whole lesson by another demand; sheets drawn from one of their own keep to it."""
    row = lessons.lesson(session, teacher_id, lesson_id)
    row.demand = demand
    versions = kept(session, row.exercise)
    for sheet in lessons.sheets(session, teacher_id, lesson_id):
        if sheet.verdict is not None:
            _judge_again(row, sheet.verdict, corrections_of(sheet.verdict), versions)
    return row


def corrections_of(verdict: VerdictRow) -> Corrections:
    """What was corrected on a sheet."""
    return Corrections.model_validate(verdict.corrections or {})


def faces_of(session: Session, sheet: SheetRow) -> list[SeenFace]:
    """The faces of a pupil's drawing with their middles; none where no sheet was found."""
    if sheet.verdict is None or not sheet.verdict.record["sheet_found"]:
        return []
    versions = kept(session, sheet.lesson.exercise)
    again = _again(sheet.lesson, sheet.verdict, corrections_of(sheet.verdict), versions)
    return faces(_key(sheet.verdict, versions), again.strokes)


def _key(verdict: VerdictRow, versions: Versions) -> AnswerKey:
    """What a sheet was held against."""
    document = versions[version_of(versions, verdict.exercise_counter)]
    return key_of(document, task_of(verdict), verdict.record.get("reached"))


def _again(
    lesson: Lesson, verdict: VerdictRow, corrections: Corrections, versions: Versions
) -> SheetVerdict:
    """The lines that were found, judged again."""
    found = found_of(verdict.record.get("found", []))
    key, demand = _key(verdict, versions), tolerance(task_of(verdict), lesson.demand)
    return judged_again(key, found, corrections, demand, verdict.record.get("reached"))


def _judge_again(
    lesson: Lesson, verdict: VerdictRow, corrections: Corrections, versions: Versions
) -> None:
    record = verdict.record
    if not record.get("found") and not corrections.added:
        return
    again = _again(lesson, verdict, corrections, versions)
    about_the_photo = [f for f in record["findings"] if f["code"].startswith("photo-")]
    judged = judged_record(again)
    judged["findings"] += about_the_photo
    verdict.record = {**record, **judged}
    verdict.corrections = corrections.model_dump(mode="json", exclude_defaults=True)
    verdict.judged_at = now()


# --- a teacher's own words ------------------------------------------------------------------------


def phrases(session: Session, teacher_id: int, exercise_id: int) -> dict[str, str]:
    """The teacher's own words for corrections in an exercise, by code."""
    query = select(Phrase).where(Phrase.teacher_id == teacher_id, Phrase.exercise_id == exercise_id)
    return {row.code: row.words for row in session.scalars(query)}


def save_phrase(session: Session, teacher_id: int, exercise_id: int, code: str, words: str) -> None:
    """Keep own words for a correction; without words the usual ones are said again."""
    shelf.exercise(session, teacher_id, exercise_id)
    if not words.strip():
        session.execute(
            delete(Phrase).where(
                Phrase.teacher_id == teacher_id,
                Phrase.exercise_id == exercise_id,
                Phrase.code == code,
            )
        )
        return
    values = {"teacher_id": teacher_id, "exercise_id": exercise_id, "code": code, "words": words}
    session.execute(insert(Phrase).values(values).on_duplicate_key_update(words=words))


def in_own_words(record: dict[str, Any], own: dict[str, str]) -> dict[str, Any]:
    """A verdict's record with the teacher's phrases in place of ours."""
    if not own:
        return record
    findings = [
        {**finding, "message": own.get(finding["code"], finding["message"])}
        for finding in record["findings"]
    ]
    return {**record, "findings": findings}


# --- a class set at a glance ----------------------------------------------------------------------


@dataclass(frozen=True)
class Mistake:
    """A correction that several sheets need: its code and title, and those sheets."""

    code: str
    title: str
    sheets: list[int]


@dataclass(frozen=True)
class Stuck:
    """Who is stuck on what: a pupil's (or an unnamed) sheet and its most useful correction."""

    sheet_id: int
    who: str
    code: str
    title: str
    message: str


@dataclass(frozen=True)
class Summary:
    """A class set at a glance. `reteach` is a sentence on what to show the class again."""

    judged: int
    without_fault: list[int]
    commonest: list[Mistake]
    stuck: list[Stuck]
    reteach: str


RETEACH = {
    "vp-moved": "Show again how the dots are set first, on the eye level, and kept to.",
    "points-too-close": "Stretch a drawing sideways and show why the points belong far apart.",
    "sheet-turned": "Show again how the sheet is squared and the set square laid on its edge.",
    "eye-level-tilts": "Measure the eye level on both sides of the sheet, together.",
    "wrong-point": "Point with the ruler: which edge goes to which point? Do it with the class.",
    "upright-leans": "Show again how an upright is squared against the edge of the sheet.",
    "level-tilts": "Show again how a level line is measured at both its ends.",
    "line-misses": "Show again: pencil on the corner, swing the ruler to the point, then draw.",
    "not-the-middle": "Cross the diagonals on the board: the middle we see is not the ruler's.",
    "repeats-uneven": "Divide a wall on the board by diagonals: equal parts, shrinking steps.",
    "back-corner": "Build the back corner on the board: opposite corner to opposite point, twice.",
    "wall-changes": "Show one beam: both edges go to one point, so its end tells how thick it is.",
    "misplaced": "Read the measures aloud together, and from which edge each one counts.",
    "missing-edge": "Count the edges of the finished drawing together, face by face.",
    "missing-guide": "Count the corners that send a guide line, before anyone draws on.",
    "corner-gapes": "Show a corner enlarged: lines meet, they do not greet from afar.",
    "corner-overshoots": "Show a corner enlarged: the pencil stops at the corner.",
    "unerased": "Light first, dark last: show the pressure of both on one strip of paper.",
    "stray-line": "Look for lines that belong to nothing, and rub them out together.",
}
MOST_COMMON = 3


def summary(session: Session, teacher_id: int, lesson_id: int) -> Summary:
    """What a lesson's sheets have in common; raises NotFound."""
    sheets = [
        sheet
        for sheet in lessons.sheets(session, teacher_id, lesson_id)
        if sheet.state == JobState.DONE and sheet.verdict is not None
    ]
    by_code: dict[str, list[int]] = {}
    stuck, without_fault = [], []
    for sheet in sheets:
        assert sheet.verdict is not None
        fixes = [f for f in sheet.verdict.record["findings"] if f["level"] == "fix"]
        for code in {f["code"] for f in fixes}:
            by_code.setdefault(code, []).append(sheet.id)
        if not fixes:
            without_fault.append(sheet.id)
            continue
        first = fixes[0]
        who = sheet.pupil.name if sheet.pupil else sheet.file_name
        title = TITLES.get(first["code"], "")
        stuck.append(Stuck(sheet.id, who, first["code"], title, first["message"]))
    counts = Counter({code: len(ids) for code, ids in by_code.items()})
    ranked = sorted(counts, key=lambda code: (-counts[code], ORDER.get(code, 99)))
    commonest = [Mistake(code, TITLES[code], by_code[code]) for code in ranked[:MOST_COMMON]]
    return Summary(len(sheets), without_fault, commonest, stuck, _reteach(commonest, len(sheets)))


def _reteach(commonest: Sequence[Mistake], judged: int) -> str:
    """One thing to show again: what at least a quarter of the class needs."""
    for mistake in commonest:
        if len(mistake.sheets) >= max(2, 0.25 * judged) and mistake.code in RETEACH:
            return RETEACH[mistake.code]
    return "Nothing needs to be shown to the whole class again; a word to each is enough."
