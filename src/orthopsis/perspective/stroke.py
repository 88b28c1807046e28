"""One straight pencil line on the sheet, as every drawing, page and judgement uses it."""

from __future__ import annotations

from enum import StrEnum
from typing import NamedTuple

from orthopsis.perspective.segments import Segment


class Role(StrEnum):
    """What a line is for."""

    OUTLINE = "outline"
    HIDDEN = "hidden"
    GUIDE = "guide"


class Stroke(NamedTuple):
    """A line from `start` to `end` (mm on the sheet).

    `family` is the name of the vanishing point it runs to, or vertical, horizontal, free;
    `piece` is the id of the piece it belongs to, None for the sheet's own lines. Strokes that
    share a `curve` number are the short chords of one curve, within 0.02 mm of it.
    """

    start: tuple[float, float]
    end: tuple[float, float]
    family: str
    role: Role
    piece: str | None
    curve: int | None = None

    @property
    def segment(self) -> Segment:
        return self.start, self.end
