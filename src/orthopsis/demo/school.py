"""Bramblegate School: the exercises, class 8 Rowan, its lessons, with sheets judged and marked.

All names are invented. The sheets are drawn and photographed by the stand-in and judged by the
same judge as any other.
"""

from __future__ import annotations

import hashlib
from collections.abc import Callable
from concurrent.futures import ProcessPoolExecutor
from datetime import date, timedelta
from multiprocessing import get_context
from pathlib import Path
from typing import NamedTuple

from sqlalchemy import delete, func, select, update
from sqlalchemy.orm import Session

from orthopsis.demo.scanner import scan_sheet
from orthopsis.exercise.load import parse
from orthopsis.exercise.resolve import resolve
from orthopsis.marking.judge import Asked, check_grey
from orthopsis.marking.judging.answer_key import answer_key
from orthopsis.marking.records import VerdictRecord, kept_record
from orthopsis.marking.sheet.photo import open_grey
from orthopsis.marking.sheet.straighten import as_jpeg
from orthopsis.school import lessons, shelf, versions
from orthopsis.school.store import Store
from orthopsis.school.tables import (
    Base,
    ExerciseRow,
    GivenMark,
    Lesson,
    Pupil,
    SchoolClass,
    Setting,
    SheetRow,
    Teacher,
    Understanding,
)
from orthopsis.work.parent import belong_to_the_parent

EXAMPLES = Path(__file__).parents[3] / "examples"
EXERCISES = (
    "bell-corner", "seed-crates", "fern", "pots-on-the-wall", "moss-seen-from-below",
    "bins-at-the-gate", "look-down-yard", "three-crates", "cottage-by-the-lane",
    "lane-to-the-mill", "market-corner", "garden-railway", "pocket-planet", "school-corner",
    "tiled-pavilion", "potting-room", "terrace-steps",
)  # fmt: skip
CLASS_NAME = "8 Rowan"
PUPILS = (
    "Ada Thistle", "Bram Fennel", "Cleo Marsh", "Dario Quince",
    "Edda Sorrel", "Finn Barley", "Greta Plum", "Hugo Larch",
)  # fmt: skip

DemoSheet = tuple[str, tuple[str, ...], int, Understanding]
"""Pupil, mistakes, seed and the mark given."""

LESSONS: tuple[tuple[str, int, tuple[DemoSheet, ...]], ...] = (
    ("bell-corner", 32, (
        ("Cleo Marsh", (), 26, Understanding.SURE),
        ("Dario Quince", ("wrong-vp",), 27, Understanding.NEARLY),
    )),
    ("moss-seen-from-below", 25, (("Hugo Larch", (), 23, Understanding.SURE),)),
    ("pots-on-the-wall", 18, (("Greta Plum", (), 23, Understanding.SURE),)),
    ("fern", 11, (("Finn Barley", (), 24, Understanding.SURE),)),
    ("seed-crates", 4, (
        ("Ada Thistle", (), 11, Understanding.SURE),
        ("Bram Fennel", ("lean",), 12, Understanding.NEARLY),
        ("Cleo Marsh", ("high-vp",), 13, Understanding.NOT_YET),
        ("Dario Quince", ("stray", "lean"), 14, Understanding.NEARLY),
        ("Edda Sorrel", ("wrong-vp",), 15, Understanding.NEARLY),
    )),
)  # fmt: skip
"""Exercise, how many days ago it was set, and the sheets that were handed in."""

_FINGERPRINT = "demo fingerprint"


def is_empty(session: Session) -> bool:
    """Whether nothing at all has been put into the records yet."""
    return not session.scalar(select(func.count()).select_from(ExerciseRow))


def has_other_work(session: Session) -> bool:
    """Whether the records hold anything but the demo data as it was made."""
    if is_empty(session):
        return False
    made = session.get(Setting, _FINGERPRINT)
    return made is None or made.value != _fingerprint(session)


def clear(session: Session) -> None:
    """Take everything out, in the order that the tables hang together."""
    session.execute(update(ExerciseRow).values(set_aside_from=None))
    for table in reversed(Base.metadata.sorted_tables):
        session.execute(delete(table))


def fill(store: Store, tell: Callable[[str], None], today: date) -> None:
    """Make the demo data. All of it is committed at once, or nothing is."""
    judged = _judged_sheets(tell)
    with store.session() as session:
        teacher = session.scalar(select(Teacher).order_by(Teacher.id).limit(1)) or Teacher()
        teacher.name = "Art room, Bramblegate School"
        session.add(teacher)
        session.flush()
        rows = {}
        for name in EXERCISES:
            document = parse((EXAMPLES / f"{name}.json").read_bytes())
            rows[name] = shelf.add_exercise(session, teacher.id, document)
        group = SchoolClass(teacher_id=teacher.id, name=CLASS_NAME)
        session.add(group)
        session.flush()
        pupils = {name: _pupil(session, teacher.id, group.id, name) for name in PUPILS}
        for (name, days, _), sheets in zip(LESSONS, judged, strict=True):
            row, day = rows[name], today - timedelta(days=days)
            given = lessons.give_lesson(session, teacher.id, group.id, row.id, day)
            versions.keep(session, row)
            for sheet in sheets:
                _hand_in(session, teacher.id, given, pupils[sheet.pupil], sheet, row.counter)
        session.flush()
        session.add(Setting(name=_FINGERPRINT, value=_fingerprint(session)))


class _Sheet(NamedTuple):
    """A pupil's drawn and photographed sheet, with what the judge says of it."""

    pupil: str
    understanding: Understanding
    photo: bytes
    straightened: bytes | None
    record: VerdictRecord
    words: str


def _judged_sheets(tell: Callable[[str], None]) -> list[list[_Sheet]]:
    """The sheets of each lesson, drawn and judged on all processors."""
    total, made = sum(len(sheets) for _, _, sheets in LESSONS), 0
    judged: list[list[_Sheet]] = []
    # A new interpreter for each: a fork would take along the server's open sockets.
    with ProcessPoolExecutor(
        mp_context=get_context("spawn"), initializer=belong_to_the_parent
    ) as pool:
        under_way = [
            [pool.submit(_judged_sheet, (name, *sheet)) for sheet in sheets]
            for name, _, sheets in LESSONS
        ]
        for sheets in under_way:
            judged.append([])
            for sheet in sheets:
                made += 1
                tell(f"drawing and judging demo sheet {made} of {total}")
                judged[-1].append(sheet.result())
    return judged


def _judged_sheet(order: tuple[str, str, tuple[str, ...], int, Understanding]) -> _Sheet:
    name, pupil, mistakes, seed, understanding = order
    scene = resolve(parse((EXAMPLES / f"{name}.json").read_bytes()))
    photo, _ = scan_sheet(scene, seed, mistakes, flat=seed == 14)
    grey = open_grey(photo)
    verdict = check_grey(Asked(answer_key(scene)), grey)
    said = [f.says for f in verdict.findings if f.level == "praise"][:1]
    said += [f.says for f in verdict.findings if f.level == "fix"][:1]
    words = "\n".join(map(scene.words.say, said))
    flat = as_jpeg(verdict.straightened) if verdict.straightened is not None else None
    return _Sheet(pupil, understanding, photo, flat, kept_record(verdict, grey), words)


def _hand_in(
    session: Session, teacher_id: int, lesson: Lesson, pupil: Pupil, sheet: _Sheet, counter: int
) -> None:
    file_name = f"{sheet.pupil.split()[0].lower()}.jpg"
    row = lessons.hand_in(
        session, teacher_id, lesson.id, file_name, sheet.photo, "image/jpeg", pupil.id
    )
    session.flush()
    lessons.keep_verdict(session, teacher_id, row.id, counter, sheet.record, sheet.straightened)
    lessons.save_mark(session, teacher_id, row.id, pupil.id, sheet.understanding, sheet.words)


def _pupil(session: Session, teacher_id: int, class_id: int, name: str) -> Pupil:
    pupil = Pupil(teacher_id=teacher_id, class_id=class_id, name=name)
    session.add(pupil)
    session.flush()
    return pupil


def _fingerprint(session: Session) -> str:
    """Changes whenever an exercise, lesson, sheet, mark or name is added, changed or removed."""
    parts = [
        session.execute(query).all()
        for query in (
            select(ExerciseRow.id, ExerciseRow.counter).order_by(ExerciseRow.id),
            select(Lesson.id, Lesson.given_on).order_by(Lesson.id),
            select(SheetRow.id, SheetRow.pupil_id).order_by(SheetRow.id),
            select(GivenMark.id, GivenMark.saved_at, GivenMark.words).order_by(GivenMark.id),
            select(Pupil.id, Pupil.name, Pupil.left).order_by(Pupil.id),
            select(SchoolClass.id, SchoolClass.name, SchoolClass.away).order_by(SchoolClass.id),
        )
    ]
    return hashlib.sha256(repr(parts).encode()).hexdigest()
