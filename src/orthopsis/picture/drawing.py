"""From solids to the lines on the sheet."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from itertools import pairwise

from orthopsis.perspective.ellipse import EllipseArc
from orthopsis.perspective.segments import WHOLE, Portion, Segment, at, length, remainder
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.stroke import Role, Stroke, joined
from orthopsis.perspective.view import FREE
from orthopsis.picture.curves import Wall, plane_through_eye
from orthopsis.picture.visibility import Sight


def draw(sheet: Sheet, sight: Sight, with_hidden: bool = True) -> list[Stroke]:
    """The lines of the solids as seen, then, if wanted, those that are hidden, cut to the sheet.

    The order is that of the solids and of their edges, so it is the same at every run.
    """
    outlines: list[Stroke] = []
    hidden: list[Stroke] = []
    sketched: list[Stroke] = []
    least_mm = sight.tolerance.paper_mm
    for solid, edge, segment, unseen in sight.edges():
        if unseen and not with_hidden and unseen[0] == WHOLE:
            continue
        on_sheet = sheet.clip(segment)
        if on_sheet is None:
            continue
        part, family = solid.part, edge.family
        if edge.by_hand:
            for start, end in _cut(segment, remainder(unseen), on_sheet, least_mm):
                sketched.append(Stroke(start, end, family, Role.OUTLINE, part))
            continue
        if on_sheet == WHOLE and (not unseen or unseen[0] == WHOLE):
            strokes, role = (hidden, Role.HIDDEN) if unseen else (outlines, Role.OUTLINE)
            if length(segment) > least_mm:
                strokes.append(Stroke(*segment, family, role, part))
            continue
        for start, end in _cut(segment, remainder(unseen), on_sheet, least_mm):
            outlines.append(Stroke(start, end, family, Role.OUTLINE, part))
        for start, end in _cut(segment, unseen, on_sheet, least_mm):
            hidden.append(Stroke(start, end, family, Role.HIDDEN, part))
    outlines, hidden = joined(outlines), joined(hidden) if with_hidden else []
    curve = -1
    for curve, arc in enumerate(sight.arcs(_edges_of(sheet))):
        strokes, role = (outlines, Role.OUTLINE) if arc.seen else (hidden, Role.HIDDEN)
        if not (arc.seen or with_hidden):
            continue
        if EllipseArc(arc.ellipse, arc.start, arc.stop).barely_seen:
            continue
        for start, end in pairwise(arc.ellipse.chords(arc.start, arc.stop)):
            strokes.append(Stroke(start, end, FREE, role, arc.cylinder.part, curve))
    return outlines + list(_in_one_go(sketched, curve + 1)) + hidden


def _in_one_go(strokes: Sequence[Stroke], number: int) -> Iterator[Stroke]:
    """What is drawn by hand, with one number for all that goes on where the last part ended."""
    last: Stroke | None = None
    for stroke in strokes:
        if last is not None and (last.part != stroke.part or last.end != stroke.start):
            number += 1
        yield stroke._replace(curve=number)
        last = stroke


def _edges_of(sheet: Sheet) -> list[Wall]:
    """The sheet's edges as walls of eye space, positive on the sheet."""
    left, top, right, bottom = sheet.bounds
    inward = (1.0, 0.0, -left), (-1.0, 0.0, right), (0.0, 1.0, -top), (0.0, -1.0, bottom)
    return [plane_through_eye(normal) for normal in inward]


def _cut(
    segment: Segment, portions: Sequence[Portion], on_sheet: Portion, paper_mm: float
) -> list[Segment]:
    """Portions of a segment as they lie on the sheet; what is too short to see is left out."""
    cut = []
    for portion in portions:
        t0, t1 = max(portion[0], on_sheet[0]), min(portion[1], on_sheet[1])
        if (t1 - t0) * length(segment) > paper_mm:
            cut.append((at(segment, t0), at(segment, t1)))
    return cut
