"""A pupil's own drawing beside what one correction would change, as pictures for a slip.

The right line is drawn beside the wrong one over the straightened sheet, and the place where they
part is shown enlarged.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import NamedTuple

import cv2
import numpy as np
from numpy.typing import NDArray

from orthopsis.marking.records import JudgedStrokeRecord, VerdictRecord
from orthopsis.perspective.segments import XY

WRONG, RIGHT = (30, 38, 179), (126, 76, 46)
"""Blue, green, red, as OpenCV has them: the colours of `off` and of action."""
DETAIL_MM = 62.0
DETAIL_PX = 560
WHOLE_PX = 900

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
    lines = _lines_of_the_first_fix(record)
    for stroke in lines:
        _draw(drawn, stroke, scale)
    small = WHOLE_PX / drawn.shape[1]
    whole = cv2.resize(drawn, None, fx=small, fy=small, interpolation=cv2.INTER_AREA)
    detail = _enlarged(drawn, _where(lines[0]), scale) if lines else None
    return Mended(_jpeg(np.asarray(whole, np.uint8)), None if detail is None else _jpeg(detail))


def _lines_of_the_first_fix(record: VerdictRecord) -> list[JudgedStrokeRecord]:
    """The lines of the first correction that have a right line beside them."""
    by_number = {stroke.number: stroke for stroke in record.strokes}
    for finding in record.findings:
        if finding.level == "fix":
            named = [by_number[n] for n in finding.lines if n in by_number]
            return [s for s in named if s.true is not None and s.verdict == "off"]
    return []


def _where(stroke: JudgedStrokeRecord) -> XY:
    """The end at which the drawn line and the right one lie farthest apart."""
    assert stroke.true is not None
    ends = [(stroke.start, stroke.true[0]), (stroke.end, stroke.true[1])]
    if math.dist(*ends[0]) > math.dist(stroke.start, stroke.true[1]):
        ends = [(ends[0][0], ends[1][1]), (ends[1][0], ends[0][1])]
    drawn, right = max(ends, key=lambda pair: math.dist(*pair))
    return (drawn[0] + right[0]) / 2, (drawn[1] + right[1]) / 2


def _draw(picture: Picture, stroke: JudgedStrokeRecord, scale: float) -> None:
    def px(place: Sequence[float]) -> tuple[int, int]:
        return round(place[0] * scale * 8), round(place[1] * scale * 8)

    thick = max(2, round(0.7 * scale))
    cv2.line(picture, px(stroke.start), px(stroke.end), WRONG, thick, cv2.LINE_AA, 3)
    start, end = (np.array(p, dtype=float) for p in stroke.true or ())
    size = float(np.linalg.norm(end - start))
    # Dashes tell the right line from the wrong one without colour.
    for at in np.arange(0.0, size, 5.0):
        a = start + (end - start) * at / size
        b = start + (end - start) * min(at + 3.2, size) / size
        cv2.line(picture, px(a), px(b), RIGHT, thick, cv2.LINE_AA, 3)


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
