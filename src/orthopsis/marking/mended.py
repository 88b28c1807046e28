"""A pupil's own drawing beside what one correction would change, as pictures for a slip.

The right line is drawn beside the wrong one over the straightened sheet, and the place where they
part is shown enlarged.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import Any, NamedTuple

import cv2
import numpy as np
from numpy.typing import NDArray

from orthopsis.exercise.resolve import solids
from orthopsis.marking.answer_key import AnswerKey, distances
from orthopsis.marking.verdicts import JudgedStroke
from orthopsis.perspective.plane import Line, Point, join, meet
from orthopsis.perspective.segments import XY
from orthopsis.perspective.view import on_paper
from orthopsis.picture.solid import Solid

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


def mended(straight_jpeg: bytes, width_mm: float, record: Mapping[str, Any]) -> Mended:
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


def _lines_of_the_first_fix(record: Mapping[str, Any]) -> list[Mapping[str, Any]]:
    """The lines of the first correction that have a right line beside them."""
    by_number = {stroke.get("number"): stroke for stroke in record["strokes"]}
    for finding in record["findings"]:
        if finding["level"] == "fix":
            named = [by_number[n] for n in finding.get("lines", []) if n in by_number]
            return [s for s in named if s["true"] is not None and s["verdict"] == "off"]
    return []


def _where(stroke: Mapping[str, Any]) -> XY:
    """The end at which the drawn line and the right one lie farthest apart."""
    ends: Sequence[tuple[XY, XY]] = [
        (tuple(stroke["from"]), tuple(stroke["true"][0])),
        (tuple(stroke["to"]), tuple(stroke["true"][1])),
    ]
    if math.dist(*ends[0]) > math.dist(stroke["from"], stroke["true"][1]):
        ends = [(ends[0][0], ends[1][1]), (ends[1][0], ends[0][1])]
    drawn, right = max(ends, key=lambda pair: math.dist(*pair))
    return (drawn[0] + right[0]) / 2, (drawn[1] + right[1]) / 2


def _draw(picture: Picture, stroke: Mapping[str, Any], scale: float) -> None:
    def px(place: Sequence[float]) -> tuple[int, int]:
        return round(place[0] * scale * 8), round(place[1] * scale * 8)

    thick = max(2, round(0.7 * scale))
    cv2.line(picture, px(stroke["from"]), px(stroke["to"]), WRONG, thick, cv2.LINE_AA, 3)
    start, end = (np.array(p, dtype=float) for p in stroke["true"])
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


# --- the middle of a face -------------------------------------------------------------------------

SIDE_MM = 1.0
"""How near a face's side lies to the edge of the drawing that it is."""
LEAST_SIDE_MM = 12.0
CLEARLY_MM = 1.5


class SeenFace(NamedTuple):
    """A four-sided face as the pupil drew it: its corners, true middle, and the ruler's one."""

    corners: tuple[XY, XY, XY, XY]
    middle: XY
    halfway: XY


def faces(key: AnswerKey, strokes: Sequence[JudgedStroke]) -> list[SeenFace]:
    """The faces whose four sides were found, with where the diagonals of the drawing cross.

    `halfway` is the mean of the corners: what a ruler's measure would give, and wrong on any face
    that recedes.
    """
    found = []
    for thing in solids(key.scene):
        if not isinstance(thing, Solid):
            continue
        for loop in (f.loops[0] for f in thing.faces if [len(loop) for loop in f.loops] == [4]):
            places = [on_paper(thing.vertices[k]) for k in loop]
            sides = [
                _drawn_side(strokes, places[k], places[(k + 1) % 4], thing.piece) for k in range(4)
            ]
            lines = [side for side in sides if side is not None]
            if len(lines) < 4:
                continue
            corners = [meet(lines[k - 1], lines[k]) for k in range(4)]
            if any(corner.at_infinity for corner in corners):
                continue
            a, b, c, d = (corner.xy for corner in corners)
            middle = meet(join(corners[0], corners[2]), join(corners[1], corners[3]))
            if not middle.at_infinity:
                halfway = (a[0] + b[0] + c[0] + d[0]) / 4, (a[1] + b[1] + c[1] + d[1]) / 4
                found.append(SeenFace((a, b, c, d), middle.xy, halfway))
    # Large faces first, of those on which the ruler's halfway is clearly wrong.
    return sorted(found, key=lambda f: (math.dist(f.middle, f.halfway) < CLEARLY_MM, -_area(f)))


def _area(face: SeenFace) -> float:
    (ax, ay), (bx, by), (cx, cy), (dx, dy) = face.corners
    return abs((cx - ax) * (dy - by) - (cy - ay) * (dx - bx)) / 2


def _drawn_side(strokes: Sequence[JudgedStroke], start: XY, end: XY, piece: str) -> Line | None:
    """The pupil's line for a face's side; None when it is short, hidden or was not found."""
    if math.dist(start, end) < LEAST_SIDE_MM:
        return None
    for stroke in strokes:
        edge = stroke.assigned.expected
        if edge is None or not edge.outline or edge.stroke.piece != piece:
            continue
        side = np.array([[*start, *end]])
        if distances([*edge.stroke.segment], side).max() < SIDE_MM:
            found = stroke.assigned.found
            return join(Point(*found.start), Point(*found.end))
    return None
