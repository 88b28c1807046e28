"""A second sheet taped on beside the first, where a point off the sheet is found by drawing."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import Box, Segment, at, box_of, length, portion_within
from orthopsis.perspective.sheet import Sheet

MARGIN_MM = 15.0
PAST_MM = 8.0
"""Lines are drawn a little past their crossing, so that it can be seen."""


@dataclass(frozen=True)
class Beyond:
    """Its left, top, right and bottom, in mm of the first sheet, and what is drawn on it."""

    paper: Box
    lines: tuple[Segment, ...]


def taped_on(sheet: Sheet, crossing: Point, starts: Sequence[Point]) -> Beyond:
    """A sheet that holds the `crossing` of lines from several places, and where they come to it
    from the first sheet. A line from a place that is itself off the sheet begins at its edge.
    """
    ways = [(start.xy, crossing.xy) for start in starts]
    left = [
        at(way, portion[1])
        for way, portion in ((way, sheet.clip(way)) for way in ways)
        if portion is not None
    ]
    x0, y0, x1, y1 = box_of([crossing.xy, *left])
    paper = x0 - MARGIN_MM, y0 - MARGIN_MM, x1 + MARGIN_MM, y1 + MARGIN_MM
    lines = []
    for way in ways:
        onward = way[0], at(way, 1.0 + PAST_MM / length(way))
        on_sheet, there = sheet.clip(onward), portion_within(onward, *paper)
        assert there is not None, "the crossing lies on it"
        begin = there[0] if on_sheet is None else max(there[0], on_sheet[1])
        lines.append((at(onward, begin), at(onward, there[1])))
    return Beyond(paper, tuple(lines))
