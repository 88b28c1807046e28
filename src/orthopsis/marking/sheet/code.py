"""What a starter sheet carries in print on request: its code, and the marks at its corners."""

from __future__ import annotations

from dataclasses import replace
from typing import NamedTuple

import cv2
import numpy as np

from orthopsis.exercise.task import SheetCode
from orthopsis.handout.aids import CORNER_INSET_MM, CORNER_MARK_MM
from orthopsis.marking.sheet.straighten import Straightened
from orthopsis.perspective.segments import Box

RIGHT_MM, WIDE_MM, HIGH_MM = 40.0, 40.0, 32.0
"""The code lies within this part of the sheet, at the top right."""
DARK_SHARE = 0.06
RIM_MM = 1.2
"""Print may have moved so far on its sheet."""
SOLID = 0.5


class PrintedCode(NamedTuple):
    """A code, and the box on the sheet that it fills (mm)."""

    code: SheetCode
    box: Box


def read_code(flat: Straightened) -> PrintedCode | None:
    """The code at the sheet's top right; None where there is none that can be read."""
    scale = flat.px_per_mm
    height, width = flat.grey.shape
    left = max(0, width - round(RIGHT_MM * scale))
    corner = flat.darkness[: min(height, round(HIGH_MM * scale)), left:]
    if float((corner > 0.4).mean()) < DARK_SHARE:
        return None
    grey = np.asarray(255.0 * (1.0 - corner), dtype=np.uint8)
    for factor in (1.0, 2.0):
        seen = cv2.resize(grey, None, fx=factor, fy=factor, interpolation=cv2.INTER_CUBIC)
        text, places, _ = cv2.QRCodeDetector().detectAndDecode(np.asarray(seen, dtype=np.uint8))
        code = SheetCode.read(text)
        if code is not None and places is not None:
            x, y = np.asarray(places, dtype=float).reshape(-1, 2).T / (factor * scale)
            x += left / scale
            return PrintedCode(code, (x.min(), y.min(), x.max(), y.max()))
    return None


def without_print(flat: Straightened, printed: PrintedCode | None) -> Straightened:
    """The sheet with bare paper where its code is, and where a corner holds a solid mark."""
    darkness, scale = flat.darkness.copy(), flat.px_per_mm

    def part(box: Box, rim_mm: float) -> tuple[slice, slice]:
        x0, y0, x1, y1 = box
        rows = slice(max(0, round((y0 - rim_mm) * scale)), max(0, round((y1 + rim_mm) * scale)))
        return rows, slice(max(0, round((x0 - rim_mm) * scale)), round((x1 + rim_mm) * scale))

    if printed is not None:
        darkness[part(printed.box, RIM_MM)] = 0.0
    height, width = (side / scale for side in flat.grey.shape)
    near, far = CORNER_INSET_MM, CORNER_INSET_MM + CORNER_MARK_MM
    for x0, x1 in ((near, far), (width - far, width - near)):
        for y0, y1 in ((near, far), (height - far, height - near)):
            mark = x0, y0, x1, y1
            if float(flat.darkness[part(mark, -RIM_MM)].mean()) > SOLID:
                darkness[part(mark, RIM_MM)] = 0.0
    return replace(flat, darkness=darkness)
