"""Reading the code that a starter sheet carries on request."""

from __future__ import annotations

import cv2
import numpy as np

from orthopsis.exercise.task import SheetCode
from orthopsis.marking.straighten import Straightened

RIGHT_MM, WIDE_MM, HIGH_MM = 40.0, 40.0, 32.0
"""The code lies within this part of the sheet, at the top right."""
DARK_SHARE = 0.06


def read_code(flat: Straightened) -> SheetCode | None:
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
        text = cv2.QRCodeDetector().detectAndDecode(np.asarray(seen, dtype=np.uint8))[0]
        code = SheetCode.read(text)
        if code is not None:
            return code
    return None
