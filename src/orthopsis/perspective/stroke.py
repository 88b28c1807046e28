"""One straight pencil line on the sheet, as every drawing, page and judgement uses it."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

from orthopsis.perspective.segments import Segment


class Role(StrEnum):
    """What a line is for."""

    OUTLINE = "outline"
    HIDDEN = "hidden"
    GUIDE = "guide"


@dataclass(frozen=True)
class Stroke:
    """A line from `start` to `end` (mm on the sheet).

    `family` is the name of the vanishing point it runs to, or vertical, horizontal, free;
    `piece` is the id of the piece it belongs to, None for the sheet's own lines.
    """

    start: tuple[float, float]
    end: tuple[float, float]
    family: str
    role: Role
    piece: str | None

    @property
    def segment(self) -> Segment:
        return self.start, self.end
