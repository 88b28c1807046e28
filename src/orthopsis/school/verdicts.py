"""Verdicts as a teacher changes them: lines, strictness, own phrases; a class at a glance."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass

from pydantic import ValidationError
from sqlalchemy import delete, select
from sqlalchemy.dialects.mysql import insert
from sqlalchemy.orm import Session

from orthopsis.errors import ExerciseError
from orthopsis.marking.corrections import Corrections, carried, judged_again
from orthopsis.marking.findings.gather import RANK
from orthopsis.marking.findings.photo import PHOTO_CODES, TONE_CODES
from orthopsis.marking.judge import SheetVerdict
from orthopsis.marking.judging.answer_key import AnswerKey
from orthopsis.marking.judging.seen_faces import SeenFace, faces
from orthopsis.marking.records import VerdictRecord, found_of, judged_record
from orthopsis.phrase import Phrase, say
from orthopsis.school import lessons, shelf
from orthopsis.school.settings import words_for
from orthopsis.school.tables import JobState, Lesson, OwnWords, SheetRow, VerdictRow, now
from orthopsis.school.tasks import key_of, strictness
from orthopsis.school.versions import Versions, kept, version_of
from orthopsis.wording.words import Words


def correct(session: Session, teacher_id: int, sheet_id: int, corrections: Corrections) -> SheetRow:
    """Keep what a teacher corrects, and judge the lines again. Raises NotFound, ExerciseError."""
    row = lessons.lock_sheet(session, teacher_id, sheet_id)
    if row.verdict is not None:
        _judge_again(row.lesson, row.verdict, corrections, kept(session, row.lesson.exercise))
    return row


def on_new_lines(before: VerdictRow | None, record: VerdictRecord) -> Corrections:
    """What was corrected on a sheet, on its lines as they were found anew."""
    if before is None or readable_record(before) is None:
        return Corrections()
    lines = found_of(record_of(before).found)
    return carried(corrections_of(before), lines, found_of(record.found))


def correct_again(session: Session, sheet: SheetRow, corrections: Corrections) -> None:
    """Keep corrections on a sheet judged anew; families that it has no more are dropped."""
    if not corrections.overruled:
        return
    session.flush()
    session.expire(sheet, ["verdict"])
    try:
        correct(session, sheet.teacher_id, sheet.id, corrections)
    except ExerciseError:
        lines = {
            number: change.model_copy(update={"family": None})
            for number, change in corrections.lines.items()
        }
        plain = corrections.model_copy(update={"lines": lines})
        correct(session, sheet.teacher_id, sheet.id, plain)


def be_strict(session: Session, teacher_id: int, lesson_id: int, demand: str) -> Lesson:
    """Judge a whole lesson by another demand; sheets drawn from one of their own keep to it."""
    row = lessons.lesson(session, teacher_id, lesson_id)
    row.demand = demand
    versions = kept(session, row.exercise)
    for sheet in lessons.sheets(session, teacher_id, lesson_id):
        if sheet.verdict is not None and readable_record(sheet.verdict) is not None:
            _judge_again(row, sheet.verdict, corrections_of(sheet.verdict), versions)
    return row


def readable_record(verdict: VerdictRow | None) -> VerdictRecord | None:
    """What was kept of a verdict, if all of it can be read; a spoilt one spoils no other."""
    if verdict is None:
        return None
    try:
        corrections_of(verdict)
        return record_of(verdict)
    except (ValidationError, LookupError, TypeError):
        return None


def record_of(verdict: VerdictRow) -> VerdictRecord:
    """What was kept of a verdict."""
    return VerdictRecord.model_validate(verdict.record)


def corrections_of(verdict: VerdictRow) -> Corrections:
    """What was corrected on a sheet."""
    return Corrections.model_validate(verdict.corrections or {})


def faces_of(session: Session, sheet: SheetRow) -> list[SeenFace]:
    """The faces of a pupil's drawing with their middles; none where no sheet was found."""
    if sheet.verdict is None or not record_of(sheet.verdict).sheet_found:
        return []
    versions = kept(session, sheet.lesson.exercise)
    again = _again(sheet.lesson, sheet.verdict, corrections_of(sheet.verdict), versions)
    return faces(_key(sheet.verdict, versions), again.strokes)


def _key(verdict: VerdictRow, versions: Versions) -> AnswerKey:
    """What a sheet was held against."""
    document = versions[version_of(versions, verdict.exercise_counter)]
    record = record_of(verdict)
    return key_of(document, record.drawn_from, record.reached)


def _again(
    lesson: Lesson, verdict: VerdictRow, corrections: Corrections, versions: Versions
) -> SheetVerdict:
    """The lines that were found, judged again."""
    record = record_of(verdict)
    found = found_of(record.found)
    key, demand = _key(verdict, versions), strictness(record.drawn_from, lesson.demand)
    return judged_again(key, found, corrections, demand, record.reached)


def _judge_again(
    lesson: Lesson, verdict: VerdictRow, corrections: Corrections, versions: Versions
) -> None:
    record = record_of(verdict)
    if not record.found and not corrections.added:
        return
    verdict.corrections = corrections.model_dump(mode="json", exclude_defaults=True)
    if record.unjudged and not corrections.anyway:
        return
    again = judged_record(_again(lesson, verdict, corrections, versions))
    kept = PHOTO_CODES | TONE_CODES
    about_the_photo = [one for one in record.findings if one.code in kept]
    changed = record.model_copy(
        update={
            "strokes": again.strokes,
            "vanishing_points": again.vanishing_points,
            "findings": [*again.findings, *about_the_photo],
            "reached": again.reached,
            "unjudged": again.unjudged,
            "looks_like": None,
            "doubts": [*(one for one in record.doubts if one.of_photo), *again.doubts],
        }
    )
    verdict.record = changed.plain()
    verdict.judged_at = now()


# --- a teacher's own words ------------------------------------------------------------------------


def phrases(session: Session, teacher_id: int, exercise_id: int) -> dict[str, str]:
    """The teacher's own words for corrections in an exercise, by code."""
    query = select(OwnWords).where(
        OwnWords.teacher_id == teacher_id, OwnWords.exercise_id == exercise_id
    )
    return {row.code: row.words for row in session.scalars(query)}


def save_phrase(session: Session, teacher_id: int, exercise_id: int, code: str, words: str) -> None:
    """Keep own words for a correction; without words the usual ones are said again."""
    shelf.exercise(session, teacher_id, exercise_id)
    if not words.strip():
        session.execute(
            delete(OwnWords).where(
                OwnWords.teacher_id == teacher_id,
                OwnWords.exercise_id == exercise_id,
                OwnWords.code == code,
            )
        )
        return
    values = {"teacher_id": teacher_id, "exercise_id": exercise_id, "code": code, "words": words}
    session.execute(insert(OwnWords).values(values).on_duplicate_key_update(words=words))


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
    """A class set at a glance. `reteach` is a sentence on what to show the class again.

    `unjudged` are the sheets that stand aside: they were not held against the exercise. `overruled`
    are those on which the teacher corrected the judge, in so many `changes`.
    """

    judged: int
    unjudged: list[int]
    overruled: list[int]
    changes: int
    without_fault: list[int]
    commonest: list[Mistake]
    stuck: list[Stuck]
    reteach: str


RETEACH_SHARE = 0.25
"""What at least so many of the class need is shown to all of them again."""
MOST_COMMON = 3


def summary(session: Session, teacher_id: int, lesson_id: int) -> Summary:
    """What a lesson's sheets have in common; raises NotFound."""
    lesson = lessons.lesson(session, teacher_id, lesson_id)
    words = words_for(session, teacher_id, lesson.exercise.document)
    own = phrases(session, teacher_id, lesson.exercise_id)
    told = [
        (sheet, record)
        for sheet in lessons.sheets(session, teacher_id, lesson_id)
        if sheet.state == JobState.DONE
        if (record := readable_record(sheet.verdict)) is not None
    ]
    aside = [sheet.id for sheet, record in told if record.unjudged]
    sheets = [(sheet, record) for sheet, record in told if not record.unjudged]
    by_hand = {
        sheet.id: corrections_of(sheet.verdict).overruled for sheet, _ in told if sheet.verdict
    }
    overruled = [sheet_id for sheet_id, many in by_hand.items() if many]
    by_code: dict[str, list[int]] = {}
    stuck, without_fault = [], []
    for sheet, record in sheets:
        fixes = [one for one in record.said(words, own).findings if one.level == "fix"]
        for code in {one.code for one in fixes}:
            by_code.setdefault(code, []).append(sheet.id)
        if not fixes:
            without_fault.append(sheet.id)
            continue
        first = fixes[0]
        who = sheet.pupil.name if sheet.pupil else sheet.file_name
        title = title_of(first.code, words)
        stuck.append(Stuck(sheet.id, who, first.code, title, first.message))
    counts = Counter({code: len(ids) for code, ids in by_code.items()})
    ranked = sorted(counts, key=lambda code: (-counts[code], RANK.get(code, len(RANK))))
    commonest = [
        Mistake(code, title_of(code, words), by_code[code]) for code in ranked[:MOST_COMMON]
    ]
    reteach = words.say(_reteach(commonest, len(sheets)))
    return Summary(
        len(sheets), aside, overruled, sum(by_hand.values()), without_fault, commonest, stuck,
        reteach,
    )  # fmt: skip


def title_of(code: str, words: Words) -> str:
    """A correction as a heading; one that this program does not know goes by its code."""
    return words.say(say(f"title-{code}")) if code in RANK else code


def _reteach(commonest: Sequence[Mistake], judged: int) -> Phrase:
    """One thing to show again: what at least a quarter of the class needs."""
    for mistake in commonest:
        many = len(mistake.sheets) >= max(2, RETEACH_SHARE * judged)
        if many and mistake.code in RANK and mistake.code not in PHOTO_CODES:
            return say(f"reteach-{mistake.code}")
    return say("reteach-nothing")
