"""Dark lines where an edge is hidden: by what stands before it, or by the letter it belongs to.

In a letter these are the lines that the corner test forbids: on their way to the point they run
through its face.
"""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np

from orthopsis.exercise.resolve import picture
from orthopsis.marking.findings.one import Finding, JudgedSheet
from orthopsis.marking.fitting import Array, ends_of
from orthopsis.marking.judging.answer_key import mm_beside, share_beside
from orthopsis.marking.judging.given import given_by
from orthopsis.perspective.segments import length
from orthopsis.perspective.stroke import Part, Role, Stroke
from orthopsis.pieces.kinds.letters import Letter

LEAST_MM, LEAST_IN_LETTER_MM = 10.0, 6.0
"""So much of a line lies where nothing shows; letters are smaller than houses."""
MOST_OF_IT = 0.85
"""So much of a line lies on edges, seen or hidden, if it is one of them; or so much of a hidden
edge under the line."""
SURELY_DEG = 1.0
"""Of a line whose direction is known no better nobody can tell on which edge it lies."""
AS_DARK = 0.9
"""An edge is at least so dark, as a share of what most edges are."""

HIDDEN_CODES = frozenset({"hidden-drawn", "through-letter"})
"""What is said of lines that should not be there at all."""


def of_hidden(sheet: JudgedSheet) -> list[Finding]:
    """Lines through letters, each letter by itself, and lines behind what stands before them."""
    scene = sheet.key.scene
    see_through = any(body.transparent for body in scene.bodies if not body.ground)
    if see_through or not given_by(sheet.key).places:
        return []
    unseen = [line for line in picture(scene) if line.role is Role.HIDDEN and line.curve is None]
    if not unseen:
        return []
    letters = {one.drawn.part: one.drawn.name for one in scene.parts if _is_letter(one.drawn)}
    inside = {part: _well_inside(sheet, part, unseen) for part in letters}
    through: dict[Part, list[int]] = {}
    behind: list[int] = []
    for n in _dark_lines(sheet):
        part = next((part for part, rows in inside.items() if _is_one_of(sheet, n, rows)), None)
        if part is not None:
            through.setdefault(part, []).append(n)
        elif _shows_not(sheet, n, ends_of(unseen), LEAST_MM):
            behind.append(n)
    said = [
        sheet.of_lines("through-letter", "fix", lines, letter=letters[part])
        for part, lines in through.items()
    ]
    return [*said, *([sheet.of_lines("hidden-drawn", "fix", behind)] if behind else [])]


def _is_letter(drawn: object) -> bool:
    return isinstance(drawn, Letter) and drawn.is_letter


def _dark_lines(sheet: JudgedSheet) -> list[int]:
    """The lines as dark as edges: a guide line that was drawn on is none, though the pencil be a
    soft one.
    """
    outlines = [
        line.assigned.found.darkness for line in sheet.judged
        if line.assigned.expected is not None and line.assigned.expected.outline
    ]  # fmt: skip
    enough = AS_DARK * float(np.median(outlines)) if outlines else 0.0
    dark = [line.assigned.found for line in sheet.judged]
    return [
        n for n, one in enumerate(dark)
        if one.dark and one.darkness >= enough and one.angle_sd_deg < SURELY_DEG
    ]  # fmt: skip


def _well_inside(sheet: JudgedSheet, part: Part, unseen: Sequence[Stroke]) -> Array:
    """The hidden edges of a letter that lie far enough from what shows of any."""
    shown = sheet.key.segments[sheet.key.outlines > 0.5]
    return ends_of([
        one for one in unseen
        if one.part == part
        and (1.0 - share_beside(*one.segment, shown)) * length(one.segment) > LEAST_IN_LETTER_MM
    ])  # fmt: skip


def _is_one_of(sheet: JudgedSheet, number: int, hidden: Array) -> bool:
    """Whether a line is a hidden edge, or runs along one and on beyond."""
    line = ends_of([sheet.judged[number].assigned.found])
    under = [row for row in hidden if share_beside(row[:2], row[2:], line) > MOST_OF_IT]
    if under and not _is_rather_its_edge(sheet, number, np.array(under)):
        return True
    return bool(len(hidden)) and _shows_not(sheet, number, hidden, LEAST_IN_LETTER_MM)


def _is_rather_its_edge(sheet: JudgedSheet, number: int, hidden: Array) -> bool:
    """Whether a line lies nearer to the edge that it was taken for than to a hidden one."""
    stroke, edge = sheet.judged[number].assigned.found, sheet.judged[number].assigned.expected
    if edge is None or not edge.outline:
        return False
    own, theirs = (
        float(np.mean(mm_beside(stroke.start, stroke.end, rows)))
        for rows in (ends_of([edge.stroke]), hidden)
    )
    return own < theirs


def _shows_not(sheet: JudgedSheet, number: int, hidden: Array, least_mm: float) -> bool:
    """Whether a line is an edge, or runs on along one, where that is hidden."""
    line = sheet.judged[number]
    stroke, edge = line.assigned.found, line.assigned.expected
    ends, long_mm = (stroke.start, stroke.end), stroke.length_mm
    shown = sheet.key.segments
    if share_beside(*ends, np.concatenate([hidden, shown])) < MOST_OF_IT:
        return False
    # An edge may be right as far as it shows, and run on behind what stands before it.
    if edge is not None and edge.outline and long_mm - math.dist(*edge.stroke.segment) < least_mm:
        return False
    on_hidden_mm = share_beside(*ends, hidden) * long_mm
    beside_shown_mm = (1.0 - share_beside(*ends, shown)) * long_mm
    return min(on_hidden_mm, beside_shown_mm) > least_mm
