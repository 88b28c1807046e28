"""The benefit of the doubt: a line is not off where the right one has its pencil.

Where a line is crossed, touched or drawn on by others, the eye may follow them. Before a line is
called off, the ruler is laid once more as it should lie: if there is dark pencil under it from end
to end, the line is measured there, and if it cannot be, nothing is said of its direction.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

import numpy as np

from orthopsis.marking.fitting import Array
from orthopsis.marking.judging.answer_key import AnswerKey
from orthopsis.marking.judging.families import Assigned, assign, signed_turn_deg
from orthopsis.marking.judging.missing_edges import UNSURE_DEG, laid_ruler, pencil_line
from orthopsis.marking.judging.verdicts import CLEARLY_DEG, Strictness, Verdict, judge_lines
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.marking.sheet.straighten import Straightened

UNDER = 0.9
"""So much of the right line has pencil under it, if it is there."""
LEAST_MM = 5.0
DARK = 0.5
"""A pencil line is at least so dark, as a share of what most outlines are."""


def right_where_they_are(
    sheet: Straightened, strokes: Sequence[FoundStroke], key: AnswerKey, strict: Strictness
) -> list[FoundStroke]:
    """The strokes, those that seem off measured again where they should lie."""
    dark = [stroke.darkness for stroke in strokes if stroke.dark]
    if not dark:
        return list(strokes)
    enough = DARK * float(np.median(dark))
    lines = assign(list(strokes), key)
    rows = {id(edge): row for edge, row in zip(key.expected, key.segments, strict=True)}
    found = []
    for line, judged in zip(lines, judge_lines(lines, key.goals, strict), strict=True):
        edge = line.expected
        doubtful = judged.verdict is Verdict.OFF and edge is not None and edge.outline
        if not doubtful or not line.found.dark:
            found.append(line.found)
            continue
        found.append(_looked_at(sheet, line, rows[id(edge)], key, strict, enough))
    return found


def _looked_at(
    sheet: Straightened, line: Assigned, row: Array, key: AnswerKey, strict: Strictness,
    enough: float,
) -> FoundStroke:  # fmt: skip
    stroke = line.found
    part = _covered(stroke, row[:2], row[2:])
    if part is None:
        return stroke
    begin, end, under = laid_ruler(sheet, *part, enough, strict.on_deg)
    if under < UNDER:
        return stroke
    seen = pencil_line(sheet, begin, end, enough)
    if seen is not None and seen.length_mm > 0.8 * float(np.linalg.norm(part[1] - part[0])):
        turn = signed_turn_deg(seen.start, seen.end, key.goals[line.family])
        right = abs(turn) <= strict.near_deg
        return replace(seen, number=stroke.number) if right else stroke
    turn = signed_turn_deg(stroke.start, stroke.end, key.goals[line.family])
    return stroke if abs(turn) > CLEARLY_DEG else replace(stroke, angle_sd_deg=UNSURE_DEG)


def _covered(stroke: FoundStroke, start: Array, end: Array) -> tuple[Array, Array] | None:
    """What of an edge lies beside a stroke."""
    size = float(np.linalg.norm(end - start))
    along = (end - start) / max(size, 1e-9)
    low, high = sorted(float((np.array(p) - start) @ along) for p in (stroke.start, stroke.end))
    low, high = max(low, 0.0), min(high, size)
    if high - low < LEAST_MM:
        return None
    return start + low * along, start + high * along
