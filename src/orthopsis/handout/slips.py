"""Marking slips of judged sheets: what to say to each pupil, with their own drawing mended."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from orthopsis.handout.typeset import typeset


class Slip(NamedTuple):
    """What goes to one pupil. `whole` and `detail` are JPEG files; words one to a line."""

    pupil: str
    title: str
    words: str
    whole: bytes | None
    detail: bytes | None


def slips_pdf(slips: Sequence[Slip], office: str = "A4") -> bytes:
    """Two slips to a page, to cut apart. `office` is A4 or Letter."""
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
                "words": [line for line in slip.words.splitlines() if line.strip()],
                "whole": names.get("whole"),
                "detail": names.get("detail"),
            }
        )
    paper = "us-letter" if office == "Letter" else "a4"
    return typeset("slips.typ", {"paper": paper, "slips": rows}, figures, "pdf")
