"""Marking slips: what is said to a pupil, on paper."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from contextlib import suppress
from datetime import date
from typing import NamedTuple

from fastapi import APIRouter, Request, Response
from sqlalchemy.orm import Session

from orthopsis.errors import NotFound, OrthopsisError
from orthopsis.handout.slips import Slip, slips_pdf
from orthopsis.marking.mended import mended
from orthopsis.phrase import say
from orthopsis.school import lessons, verdicts
from orthopsis.school.settings import Settings, settings_of
from orthopsis.school.store import Store
from orthopsis.school.tables import SheetRow
from orthopsis.web.context import local_teacher
from orthopsis.web.files import binary, named
from orthopsis.web.problems import PROBLEMS
from orthopsis.web.stack import Said, Teller
from orthopsis.web.turns import TO_PRINT, within
from orthopsis.wording.words import Words

router = APIRouter(prefix="/api", tags=["marking"], responses=PROBLEMS)
PDF = binary("application/pdf")


@router.get(
    "/lessons/{lesson_id}/slips.pdf",
    response_class=Response,
    responses=PDF,
    dependencies=[TO_PRINT],
)
def all_slips(lesson_id: int, request: Request) -> Response:
    """The marking slips of all sheets that a pupil's name stands on."""

    def rows(session: Session, teacher_id: int) -> list[SheetRow]:
        found = lessons.sheets(session, teacher_id, lesson_id)
        return [row for row in found if row.pupil and row.verdict and _can_be_told(row)]

    return _slips(request, rows, "marking slips")


@router.get(
    "/sheets/{sheet_id}/slip.pdf",
    response_class=Response,
    responses=PDF,
    dependencies=[TO_PRINT],
)
def slip(sheet_id: int, request: Request) -> Response:
    """The marking slip of one sheet."""

    def row(session: Session, teacher_id: int) -> list[SheetRow]:
        return [lessons.sheet(session, teacher_id, sheet_id)]

    return _slips(request, row, "marking slip")


def _slips(
    request: Request, rows_of: Callable[[Session, int], Sequence[SheetRow]], name: str
) -> Response:
    """Slips of some sheets. The records are let go of before anything is drawn."""

    def gathered(session: Session) -> tuple[list[_ToSlip], Settings]:
        teacher_id = local_teacher(session).id
        rows = rows_of(session, teacher_id)
        told = Teller(session, teacher_id, rows)
        sheets = []
        for row in rows:
            with suppress(ValueError, LookupError, TypeError, OrthopsisError):
                said = told.of(row)
                jpeg = lessons.sheet_picture(session, teacher_id, row.id).straight_jpeg
                sheets.append(
                    _ToSlip(
                        row.pupil.name if row.pupil else row.file_name,
                        row.lesson.exercise.title,
                        row.mark.words if row.mark else said.first_words,
                        said,
                        jpeg,
                        row.lesson.school_class.name,
                        row.lesson.given_on,
                        _mark(row),
                    )
                )
        return sheets, settings_of(session, teacher_id)

    store: Store = request.app.state.store
    sheets, settings = store.done(gathered)
    if not sheets:
        raise NotFound(say("missing-sheets-of-pupils"))
    pdf = _drawn(sheets, settings.office)
    return Response(pdf, media_type="application/pdf", headers=named(name, "pdf", "inline"))


@within("printing")
def _drawn(sheets: Sequence[_ToSlip], office: str) -> bytes:
    return slips_pdf([sheet.slip() for sheet in sheets], office)


class _ToSlip(NamedTuple):
    """What a slip is made of; it needs no open session."""

    who: str
    title: str
    words: str
    said: Said
    jpeg: bytes | None
    group: str
    given_on: date
    mark: str

    def slip(self) -> Slip:
        said, pictures = self.said, None
        if said.verdict is not None and self.jpeg is not None:
            pictures = mended(self.jpeg, said.scene.sheet.width_mm, said.verdict)
        return Slip(
            self.who,
            self.title,
            self.words,
            pictures.whole if pictures else None,
            pictures.detail if pictures else None,
            self.group,
            f"{self.given_on.day} {self.given_on:%B %Y}",
            self.mark,
        )


def _can_be_told(row: SheetRow) -> bool:
    """Whether there is something to say to the pupil: it was judged, or marked all the same."""
    record = verdicts.readable_record(row.verdict)
    return row.mark is not None or (record is not None and not record.unjudged)


def _mark(row: SheetRow) -> str:
    """The mark that was given, in words; empty where none was."""
    if row.mark is None:
        return ""
    return Words().say(say(f"mark-{row.mark.understanding.replace(' ', '-')}"))
