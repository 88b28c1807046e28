"""Where a mark lies, as it is measured: from the sheet's edges, and out from them beyond."""

from __future__ import annotations

from orthopsis.perspective.sheet import Sheet
from orthopsis.phrase import Length, Phrase, say


def across(x_mm: float, sheet: Sheet) -> Phrase:
    """How far from the left edge, or out from the edge beyond which it lies."""
    if x_mm < 0.0:
        return say("across-left", mm=Length(-x_mm))
    if x_mm > sheet.width_mm:
        return say("across-right", mm=Length(x_mm - sheet.width_mm))
    return say("across-on", mm=Length(x_mm))


def down(y_mm: float, sheet: Sheet) -> Phrase:
    """How far from the top edge, or beyond the edge over which it lies."""
    if y_mm < 0.0:
        return say("down-above", mm=Length(-y_mm))
    if y_mm > sheet.height_mm:
        return say("down-below", mm=Length(y_mm - sheet.height_mm))
    return say("down-on", mm=Length(y_mm))
