"""What is said of the drawing's shape: its corners, middles, and the places of its edges."""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Iterator
from itertools import combinations

from orthopsis.marking.findings.one import Finding, JudgedSheet, finding
from orthopsis.marking.fitting import SURELY_DEG, ends_of
from orthopsis.marking.judging.answer_key import Expected, distances
from orthopsis.marking.judging.given import given_by
from orthopsis.marking.judging.verdicts import Verdict
from orthopsis.perspective.segments import XY
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import FREE, HORIZONTAL, VERTICAL
from orthopsis.phrase import About, Choice, Number

CORNER_MM = 1.5
"""Corners that gape or overshoot by more are said (common practice, no published source)."""
FARTHEST_PAST_MM = 20.0
"""No pencil slips farther past its corner: the line goes on along another."""
ENDS_MM = 1.0
"""How surely the end of a pencil line is seen."""
PENCIL_MM = 0.6
"""So wide is a pencil line: at a narrow angle it covers the end of the other."""
SAME_CORNER_MM = 0.1
BACK_CORNER_MM = 2.5
NARROW = math.sin(math.radians(12.0))
"""Lines at less are too nearly parallel to tell where they cross."""
WIDE = math.sin(math.radians(45.0))
"""Lines that cross at less than this cross further off, the narrower the angle."""
MIDDLE_MM = 2.0
PLACE_MM = 3.0
MOST_OF_ONE_KIND = 4


def of_shape(sheet: JudgedSheet) -> list[Finding]:
    """Everything that is said of the shape, in no order."""
    by_edge = _lines_by_edge(sheet)
    corners = list(_corners(sheet, by_edge))
    return [
        *_middles(sheet),
        *_back_corners(sheet, corners),
        *_ends(sheet, corners),
        *_places(sheet, by_edge),
    ]


def _lines_by_edge(sheet: JudgedSheet) -> dict[int, list[int]]:
    """For each expected line, by identity, the numbers of the lines that were taken for it."""
    by_edge: dict[int, list[int]] = {}
    for n, line in enumerate(sheet.judged):
        if line.assigned.expected is not None and not line.assigned.wrong_way:
            by_edge.setdefault(id(line.assigned.expected), []).append(n)
    return by_edge


# --- corners --------------------------------------------------------------------------------------


class _MeetingCorner:
    """A corner of the exercise with the pupil's lines that should meet in it."""

    def __init__(self, at: XY, lines: list[int]) -> None:
        self.at = at
        self.lines = lines


def _corners(sheet: JudgedSheet, by_edge: dict[int, list[int]]) -> Iterator[_MeetingCorner]:
    """The corners at which at least two of the edges that end there were found."""
    places: dict[tuple[int, int], list[Expected]] = {}
    spots: dict[tuple[int, int], XY] = {}
    for edge in sheet.key.expected:
        if edge.outline and edge.stroke.family != FREE:
            for end in edge.stroke.segment:
                spot = (round(end[0] / SAME_CORNER_MM), round(end[1] / SAME_CORNER_MM))
                spot = next((s for s in _neighbours(spot) if s in places), spot)
                places.setdefault(spot, []).append(edge)
                spots.setdefault(spot, end)
    for spot, edges in places.items():
        # Of an edge drawn in several goes, the one that comes to the corner.
        lines = [
            min(by_edge[id(edge)], key=lambda n: gap_to(sheet, n, spots[spot]))
            for edge in edges
            if id(edge) in by_edge
        ]
        if len(lines) >= 2:
            yield _MeetingCorner(spots[spot], lines)


def _neighbours(spot: tuple[int, int]) -> list[tuple[int, int]]:
    return [(spot[0] + i, spot[1] + j) for i in (0, -1, 1) for j in (0, -1, 1)]


def gap_to(sheet: JudgedSheet, number: int, place: XY) -> float:
    found = sheet.judged[number].assigned.found
    return min(math.dist(found.start, place), math.dist(found.end, place))


def crossing(sheet: JudgedSheet, a: int, b: int) -> XY | None:
    """Where two lines cross; None when they are too nearly parallel to tell."""
    one, other = (sheet.judged[n].assigned.found for n in (a, b))
    ux, uy = one.end[0] - one.start[0], one.end[1] - one.start[1]
    vx, vy = other.end[0] - other.start[0], other.end[1] - other.start[1]
    turn = ux * vy - uy * vx
    if _narrow(sheet, a, b) < NARROW:
        return None
    wx, wy = other.start[0] - one.start[0], other.start[1] - one.start[1]
    t = (wx * vy - wy * vx) / turn
    return one.start[0] + t * ux, one.start[1] + t * uy


def _narrow(sheet: JudgedSheet, a: int, b: int) -> float:
    """The sine of the angle at which two lines cross."""
    one, other = (sheet.judged[n].assigned.found for n in (a, b))
    ux, uy = one.end[0] - one.start[0], one.end[1] - one.start[1]
    vx, vy = other.end[0] - other.start[0], other.end[1] - other.start[1]
    return abs(ux * vy - uy * vx) / (math.hypot(ux, uy) * math.hypot(vx, vy))


def _good(sheet: JudgedSheet, numbers: list[int]) -> list[int]:
    """Of some lines those that are surely right: a wrong one is said of by itself, and where others
    lead is not known well enough.
    """
    return [n for n in numbers if sheet.judged[n].verdict is Verdict.ON]


def _back_corners(sheet: JudgedSheet, corners: list[_MeetingCorner]) -> list[Finding]:
    """Three edges that should meet in one corner and do not, each being right in direction."""
    said = []
    for corner in corners:
        lines = _good(sheet, corner.lines)
        pairs = [(a, b) for a, b in combinations(lines, 2) if crossing(sheet, a, b)]
        crossings = [c for a, b in pairs if (c := crossing(sheet, a, b))]
        if len(lines) < 3 or len(crossings) < 2:
            continue
        apart = max(math.dist(a, b) for a, b in combinations(crossings, 2))
        sway = {n: _sway_mm(sheet, n, corner.at) for n in lines}
        # At a narrow angle lines cross as much further off as they lie beside their place.
        every = math.hypot(*sway.values())
        doubt = max(every * max(1.0, WIDE / _narrow(sheet, a, b)) for a, b in pairs)
        if apart - doubt > BACK_CORNER_MM:
            said.append(finding("back-corner", "fix", corner.at, lines, apart=Number(apart)))
    return said[:MOST_OF_ONE_KIND]


def _sway_mm(sheet: JudgedSheet, number: int, place: XY) -> float:
    """How far a line's doubt moves it at a place."""
    found = sheet.judged[number].assigned.found
    doubt_deg = 2.0 * max(found.angle_sd_deg, SURELY_DEG)
    return math.radians(doubt_deg) * math.dist(found.middle, place) + 0.3


def _ends(sheet: JudgedSheet, corners: list[_MeetingCorner]) -> list[Finding]:
    """Lines that stop short of their corner, or run past it."""
    said: list[Finding] = []
    for corner in corners:
        for n in _good(sheet, corner.lines):
            found = sheet.judged[n].assigned.found
            others = [m for m in _good(sheet, corner.lines) if m != n]
            crossings = [c for m in others if (c := crossing(sheet, n, m))]
            crossings = [c for c in crossings if math.dist(c, corner.at) < 4.0]
            if not crossings:
                continue
            near, far = sorted((found.start, found.end), key=lambda e: math.dist(e, corner.at))
            meets = min(crossings, key=lambda c: math.dist(c, near))
            past = math.dist(near, far) - math.dist(meets, far)
            sharpest = min(_narrow(sheet, n, m) for m in others)
            unsure_mm = max(ENDS_MM, PENCIL_MM / max(sharpest, NARROW))
            if abs(past) <= CORNER_MM + unsure_mm or not found.dark:
                continue
            if past > 0 and (past > FARTHEST_PAST_MM or _goes_on(sheet, corner, n)):
                continue
            code = "corner-overshoots" if past > 0 else "corner-gapes"
            said.append(finding(code, "tidy", near, [n], past=Number(abs(past))))
    counts: Counter[str] = Counter()
    kept = []
    for one in said:
        counts[one.code] += 1
        if counts[one.code] <= MOST_OF_ONE_KIND:
            kept.append(one)
    return kept


def _goes_on(sheet: JudgedSheet, corner: _MeetingCorner, number: int) -> bool:
    """Whether an expected line goes on beyond the corner in the same direction."""
    found = sheet.judged[number].assigned.found
    near, far = sorted((found.start, found.end), key=lambda e: math.dist(e, corner.at))
    size = math.dist(near, far)
    ahead = (
        corner.at[0] + 4.0 * (near[0] - far[0]) / size,
        corner.at[1] + 4.0 * (near[1] - far[1]) / size,
    )
    outlines = sheet.key.segments[sheet.key.outlines > 0.5]
    return float(distances([ahead], outlines)[0]) < 1.0


# --- middles, places ----------------------------------------------------------------------


def _middles(sheet: JudgedSheet) -> list[Finding]:
    """Edges drawn through a middle that the crossed diagonals do not give."""
    said = []
    for n, line in enumerate(sheet.judged):
        edge = line.assigned.expected
        if edge is None or line.verdict is Verdict.OFF or line.assigned.wrong_way:
            continue
        if not line.assigned.found.dark:
            continue
        for middle in sheet.key.middles:
            if not _one_thing(middle.part, edge.stroke.part) or not _passes(edge, middle.at):
                continue
            off = _beside(sheet, n, middle.at)
            if abs(off) - _sway_mm(sheet, n, middle.at) > MIDDLE_MM:
                beside = Number(abs(off))
                said.append(finding("not-the-middle", "fix", middle.at, [n], beside=beside))
                break
    return said[:MOST_OF_ONE_KIND]


def _one_thing(whole: Part | None, part: Part | None) -> bool:
    """Whether a part, such as a letter of a word, belongs to the thing that a step draws."""
    if whole is None or part is None:
        return whole == part
    return whole == part or whole == Part(part.piece)


def _passes(edge: Expected, place: XY) -> bool:
    return float(distances([place], ends_of([edge.stroke]))[0]) < 0.2


def _beside(sheet: JudgedSheet, number: int, place: XY) -> float:
    """How far a line passes beside a place (mm, with its side)."""
    found = sheet.judged[number].assigned.found
    (x0, y0), (x1, y1) = found.start, found.end
    return ((place[0] - x0) * (y1 - y0) - (place[1] - y0) * (x1 - x0)) / found.length_mm


def _places(sheet: JudgedSheet, by_edge: dict[int, list[int]]) -> list[Finding]:
    """Where all measures are given: edges that run right and lie beside their place.

    Two long edges of one pair that lie apart by another width at each end are one finding.
    """
    if not given_by(sheet.key).places:
        return []
    said = []
    elsewhere = {point.name for point in sheet.own_points}
    for edge in sheet.key.expected:
        numbers = by_edge.get(id(edge), [])
        if not edge.outline or not numbers or edge.stroke.family in {FREE, *elsewhere}:
            continue
        n = max(numbers, key=lambda k: sheet.judged[k].assigned.found.length_mm)
        if sheet.judged[n].verdict is Verdict.OFF or sheet.judged[n].assigned.found.length_mm < 10:
            continue
        (x0, y0), (x1, y1) = edge.stroke.segment
        off = _beside(sheet, n, ((x0 + x1) / 2, (y0 + y1) / 2))
        if abs(off) > PLACE_MM:
            family = edge.stroke.family
            again = {VERTICAL: "left-edge", HORIZONTAL: "top-edge"}.get(family, "corner")
            beside, again_ = About(abs(off)), Choice(again)
            said.append(sheet.of_lines("misplaced", "fix", [n], beside=beside, again=again_))
    said.sort(key=lambda f: f.where)
    return said[:MOST_OF_ONE_KIND]
