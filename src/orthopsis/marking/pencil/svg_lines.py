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
_NUMBER = r"[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?"
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
        numbers = [float(n) for n in re.findall(_NUMBER, element.attrib["points"])]
        points = list(zip(numbers[::2], numbers[1::2], strict=False))
        # Small filled shapes are marks of points, not lines.
        if tag == "polygon":
            return [] if element.get("fill", "none") != "none" else _chain([*points, points[0]])
        return _chain(points)
    if tag == "path" and re.fullmatch(
        rf"\s*M[\s,]*({_NUMBER}[\s,]*|L[\s,]*)+", element.get("d", "")
    ):
        numbers = [float(n) for n in re.findall(_NUMBER, element.attrib["d"])]
        return _chain(list(zip(numbers[::2], numbers[1::2], strict=False)))
    return []


def _chain(points: list[tuple[float, float]]) -> list[Pair]:
    return list(pairwise(points))


def _mm_per_unit(root: ElementTree.Element, sheet: Sheet) -> float:
    """From width and viewBox; without them the drawing is taken to be as wide as the sheet."""
    width = re.fullmatch(rf"\s*({_NUMBER})\s*([a-z]*)\s*", root.get("width", ""))
    box = [float(n) for n in re.findall(_NUMBER, root.get("viewBox", ""))]
    width_mm = sheet.width_mm
    if width and width.group(2) in _UNITS_MM:
        width_mm = float(width.group(1)) * _UNITS_MM[width.group(2)]
    if len(box) == 4 and box[2] > 0:
        return width_mm / box[2]
    return _UNITS_MM["px"] if width else 1.0
