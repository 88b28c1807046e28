"""A pupil's own drawing beside what one correction would change, as pictures for a slip.

The right line is drawn beside the wrong one over the straightened sheet, and the place where they
part is shown enlarged; what should not be there is crossed out. Where the points lie too close, the
drawing is shown stretched beside itself.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import NamedTuple

import cv2
import numpy as np
from numpy.typing import NDArray

from orthopsis.marking.findings.hidden import HIDDEN_CODES
from orthopsis.marking.records import JudgedStrokeRecord, VerdictRecord
from orthopsis.perspective.segments import XY

WRONG, RIGHT = (30, 38, 179), (126, 76, 46)
"""Blue, green, red, as OpenCV has them: the colours of `off` and of action."""
DETAIL_MM = 62.0
DETAIL_PX = 560
WHOLE_PX = 900
CROSSES, CROSS_MM = (0.25, 0.5, 0.75), 1.6
"""Where on a line that should not be there it is crossed out, and how large."""

Picture = NDArray[np.uint8]


class Mended(NamedTuple):
    """The whole sheet and one detail as JPEG files; no detail where no line is wrong."""

    whole: bytes
    detail: bytes | None


def mended(straight_jpeg: bytes, width_mm: float, record: VerdictRecord) -> Mended:
    """The straightened sheet of a verdict's record with its most useful correction drawn in."""
    coded = np.frombuffer(straight_jpeg, np.uint8)
    sheet = np.asarray(cv2.imdecode(coded, cv2.IMREAD_COLOR), dtype=np.uint8)
    scale = sheet.shape[1] / width_mm
    drawn = sheet.copy()
    first = next((one for one in record.findings if one.level == "fix"), None)
    named = {stroke.number: stroke for stroke in record.strokes}
    lines = [named[n] for n in first.lines if n in named] if first is not None else []
    detail: Picture | None = None
    if first is not None and first.stretch is not None:
        detail = _stretched(sheet, first.stretch)
    elif first is not None and first.code in HIDDEN_CODES and lines:
        for stroke in lines:
            _cross_out(drawn, stroke, scale)
        detail = _enlarged(drawn, first.where, scale)
    else:
        wrong = [one for one in lines if one.true is not None and one.verdict == "off"]
        for stroke in wrong:
            _draw(drawn, stroke, scale)
        detail = _enlarged(drawn, _where(wrong[0]), scale) if wrong else None
    small = WHOLE_PX / drawn.shape[1]
    whole = cv2.resize(drawn, None, fx=small, fy=small, interpolation=cv2.INTER_AREA)
    return Mended(_jpeg(np.asarray(whole, np.uint8)), None if detail is None else _jpeg(detail))


def _stretched(sheet: Picture, stretch: float) -> Picture:
    """The whole drawing as it looks with its points further apart."""
    height = round(WHOLE_PX / stretch * sheet.shape[0] / sheet.shape[1])
    wide = cv2.resize(sheet, (WHOLE_PX, height), interpolation=cv2.INTER_AREA)
    return np.asarray(wide, dtype=np.uint8)


def _where(stroke: JudgedStrokeRecord) -> XY:
    """The end at which the drawn line and the right one lie farthest apart."""
    assert stroke.true is not None
    ends = [(stroke.start, stroke.true[0]), (stroke.end, stroke.true[1])]
    if math.dist(*ends[0]) > math.dist(stroke.start, stroke.true[1]):
        ends = [(ends[0][0], ends[1][1]), (ends[1][0], ends[0][1])]
    drawn, right = max(ends, key=lambda pair: math.dist(*pair))
    return (drawn[0] + right[0]) / 2, (drawn[1] + right[1]) / 2


def _draw(picture: Picture, stroke: JudgedStrokeRecord, scale: float) -> None:
    _line(picture, stroke.start, stroke.end, WRONG, scale)
    start, end = (np.array(p, dtype=float) for p in stroke.true or ())
    size = float(np.linalg.norm(end - start))
    # Dashes tell the right line from the wrong one without colour.
    for at in np.arange(0.0, size, 5.0):
        a = start + (end - start) * at / size
        b = start + (end - start) * min(at + 3.2, size) / size
        _line(picture, a, b, RIGHT, scale)


def _cross_out(picture: Picture, stroke: JudgedStrokeRecord, scale: float) -> None:
    """A wrong line with little crosses on it: a sign that needs no colour."""
    _line(picture, stroke.start, stroke.end, WRONG, scale)
    start, end = np.array(stroke.start, dtype=float), np.array(stroke.end, dtype=float)
    for share in CROSSES:
        x, y = start + (end - start) * share
        for way in (1.0, -1.0):
            _line(picture, (x - CROSS_MM, y - way * CROSS_MM), (x + CROSS_MM, y + way * CROSS_MM),
                  WRONG, scale)  # fmt: skip


def _line(
    picture: Picture,
    start: Sequence[float] | NDArray[np.float64],
    end: Sequence[float] | NDArray[np.float64],
    colour: tuple[int, int, int],
    scale: float,
) -> None:
    def px(place: Sequence[float] | NDArray[np.float64]) -> tuple[int, int]:
        return round(float(place[0]) * scale * 8), round(float(place[1]) * scale * 8)

    cv2.line(picture, px(start), px(end), colour, max(2, round(0.7 * scale)), cv2.LINE_AA, 3)


def _enlarged(picture: Picture, middle: XY, scale: float) -> Picture:
    half = DETAIL_MM / 2 * scale
    height, width = picture.shape[:2]
    x = min(max(middle[0] * scale, half), width - half)
    y = min(max(middle[1] * scale, half), height - half)
    left, top = max(0, round(x - half)), max(0, round(y - half))
    part = picture[top : round(y + half), left : round(x + half)]
    factor = DETAIL_PX / max(part.shape[0], 1)
    seen = cv2.resize(part, None, fx=factor, fy=factor, interpolation=cv2.INTER_CUBIC)
    return np.asarray(seen, dtype=np.uint8)


def _jpeg(picture: Picture) -> bytes:
    _, data = cv2.imencode(".jpg", picture, [cv2.IMWRITE_JPEG_QUALITY, 85])
    return bytes(data)
