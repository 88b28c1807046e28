"""An SVG of lines instead of a photo: exact ends, so exact verdicts, with no eye between."""

from __future__ import annotations

import math
import re
from itertools import pairwise
from xml.etree import ElementTree

from orthopsis.construction.moves import count
from orthopsis.errors import ImageError
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.perspective.sheet import Sheet
from orthopsis.phrase import Own, say

MAX_LINES = 20_000
MAX_SVG_BYTES = 10_000_000
FURTHEST_MM = 1e5
"""A line that ends further off belongs to no sheet."""
_NUMBER = r"[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?"
_TOKEN = re.compile(rf"[\s,]*(?:({_NUMBER})|(.))", re.DOTALL)
"""The next number or letter: a text is read once from its start to its end."""
_UNITS_MM = {"mm": 1.0, "cm": 10.0, "in": 25.4, "pt": 25.4 / 72, "px": 25.4 / 96, "": 25.4 / 96}


def is_svg(data: bytes) -> bool:
    """Whether the content is XML with an svg element near its start."""
    head = data[:2000].lstrip(b"\xef\xbb\xbf \r\n\t")
    return head.startswith(b"<") and b"<svg" in head


def lines_of_svg(data: bytes, sheet: Sheet) -> list[FoundStroke]:
    """The line, polyline, polygon and straight path elements, in sheet mm.

    Transforms are refused: the file is meant to hold lines in the sheet's own coordinates.
    Raises ImageError.
    """
    if len(data) > MAX_SVG_BYTES:
        most = count(MAX_SVG_BYTES // 1_000_000)
        raise ImageError(say("refused-svg-large", most=most))
    if b"<!DOCTYPE" in data or b"<!ENTITY" in data:
        raise ImageError(say("refused-svg-doctype"))
    try:
        root = ElementTree.fromstring(data)
    except ElementTree.ParseError as error:
        raise ImageError(say("refused-svg-broken", fault=Own(str(error)))) from None
    scale = _mm_per_unit(root, sheet)
    strokes: list[FoundStroke] = []
    for element in root.iter():
        if "transform" in element.attrib:
            raise ImageError(say("refused-svg-transform"))
        for (x0, y0), (x1, y1) in _segments(element):
            start, end = (x0 * scale, y0 * scale), (x1 * scale, y1 * scale)
            # Also what is no number at all is not nearer.
            if not max(map(abs, (*start, *end))) < FURTHEST_MM:
                raise ImageError(say("refused-svg-numbers"))
            if math.dist(start, end) > 0.5:
                strokes.append(FoundStroke(start, end, 0.0, 1.0))
        if len(strokes) > MAX_LINES:
            raise ImageError(say("refused-svg-lines", most=count(MAX_LINES)))
    return strokes


Pair = tuple[tuple[float, float], tuple[float, float]]


def _segments(element: ElementTree.Element) -> list[Pair]:
    tag = element.tag.rsplit("}", 1)[-1]
    try:
        if tag == "line":
            x0, y0, x1, y1 = (float(element.get(k, "0")) for k in ("x1", "y1", "x2", "y2"))
            return [((x0, y0), (x1, y1))]
    except ValueError:
        raise ImageError(say("refused-svg-numbers")) from None
    if tag in ("polyline", "polygon") and "points" in element.attrib:
        points, letters = _read(element.attrib["points"])
        # Small filled shapes are marks of points, not lines.
        filled = tag == "polygon" and element.get("fill", "none") != "none"
        if filled or letters:
            return []
        return _chain([*points, *(points[:1] if tag == "polygon" else [])])
    if tag == "path":
        points, letters = _read(element.get("d", ""))
        if letters[:1] == "M" and set(letters) <= {"M", "L"} and letters.count("M") == 1:
            return _chain(points)
    return []


def _read(text: str) -> tuple[list[tuple[float, float]], str]:
    """The places in a text, and its letters."""
    numbers: list[float] = []
    letters = ""
    for found in _TOKEN.finditer(text):
        number, letter = found.groups()
        if number is not None:
            numbers.append(float(number))
        else:
            letters += letter
    return list(zip(numbers[::2], numbers[1::2], strict=False)), letters


def _chain(points: list[tuple[float, float]]) -> list[Pair]:
    return list(pairwise(points))


def _mm_per_unit(root: ElementTree.Element, sheet: Sheet) -> float:
    """From width and viewBox; without them the drawing is taken to be as wide as the sheet."""
    width = re.fullmatch(rf"({_NUMBER})\s*([a-z]*)", root.get("width", "").strip())
    corners, _ = _read(root.get("viewBox", "")[:200])
    box = [number for corner in corners for number in corner]
    width_mm = sheet.width_mm
    if width and width.group(2) in _UNITS_MM:
        width_mm = float(width.group(1)) * _UNITS_MM[width.group(2)]
    if len(box) == 4 and box[2] > 0:
        return width_mm / box[2]
    return _UNITS_MM["px"] if width else 1.0
