"""Marking slips of judged sheets: what to say to each pupil, with their own drawing mended."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from orthopsis.handout.typeset import typeset

MOST_ON_A_SLIP = 600
"""With more characters than this a slip has a page of its own."""


class Slip(NamedTuple):
    """What goes to one pupil. `whole` and `detail` are JPEG files; words one to a line. `day` is as
    it is read, `mark` empty where none was given.
    """

    pupil: str
    title: str
    words: str
    whole: bytes | None
    detail: bytes | None
    group: str = ""
    day: str = ""
    mark: str = ""


def slips_pdf(slips: Sequence[Slip], office: str = "A4") -> bytes:
    """Eight slips to a page, to cut apart; those with many words each on a page of its own.

    `office` is A4 or Letter.
    """
    figures: dict[str, str | bytes] = {}
    rows = []
    for number, slip in enumerate(slips):
        names = {}
        for part, picture in (("whole", slip.whole), ("detail", slip.detail)):
            if picture is not None:
                names[part] = f"{part}-{number}.jpg"
                figures[names[part]] = picture
        rows.append(
            {
                "pupil": slip.pupil,
                "title": slip.title,
                "about": " · ".join(part for part in (slip.group, slip.day) if part),
                "mark": slip.mark,
                "long": len(slip.words) > MOST_ON_A_SLIP,
                "words": [line for line in slip.words.splitlines() if line.strip()],
                "whole": names.get("whole"),
                "detail": names.get("detail"),
            }
        )
    paper = "us-letter" if office == "Letter" else "a4"
    return typeset("slips.typ", {"paper": paper, "slips": rows}, figures, "pdf")
