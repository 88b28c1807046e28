"""From solids to the lines on the sheet."""

from __future__ import annotations

from collections.abc import Sequence

from orthopsis.perspective.segments import at, length, remainder
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.stroke import Role, Stroke
from orthopsis.perspective.tolerance import EXACT, Tolerance
from orthopsis.picture.hidden import seen_edges
from orthopsis.picture.solid import Solid


def draw(sheet: Sheet, solids: Sequence[Solid], tolerance: Tolerance = EXACT) -> list[Stroke]:
    """The lines of the solids as seen, then the lines that are hidden, cut to the sheet.

    The order is that of the solids and of their edges, so it is the same at every run.
    Raises ValueError when a solid reaches behind the eye.
    """
    outlines: list[Stroke] = []
    hidden: list[Stroke] = []
    for found in seen_edges(solids, tolerance):
        on_sheet = sheet.clip(found.segment)
        if on_sheet is None:
            continue
        size = tolerance.paper_mm / max(length(found.segment), tolerance.paper_mm)
        unseen = remainder(found.seen)
        for strokes, role, portions in (
            (outlines, Role.OUTLINE, found.seen),
            (hidden, Role.HIDDEN, unseen),
        ):
            for portion in portions:
                t0, t1 = max(portion[0], on_sheet[0]), min(portion[1], on_sheet[1])
                if t1 - t0 > size:
                    ends = at(found.segment, t0), at(found.segment, t1)
                    strokes.append(Stroke(*ends, found.edge.family, role, found.solid.piece))
    return outlines + hidden
