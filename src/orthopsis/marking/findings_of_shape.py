"""What is said of the drawing's shape: its corners, middles, and the places of its edges."""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Iterator
from itertools import combinations

from orthopsis.marking.answer_key import Expected, distances
from orthopsis.marking.findings import Finding, Reading
from orthopsis.marking.findings_of_lines import numbers_of
from orthopsis.marking.fitting import SURELY_DEG, ends_of
from orthopsis.marking.verdicts import Verdict
from orthopsis.perspective.segments import XY
from orthopsis.perspective.view import FREE, HORIZONTAL, VERTICAL

CORNER_MM = 1.5
"""Corners that gape or overshoot by more are said (common practice, no published source)."""
FARTHEST_PAST_MM = 20.0
"""No pencil slips farther past its corner: the line goes on along another."""
ENDS_MM = 1.0
"""How surely the end of a pencil line is seen."""
SAME_CORNER_MM = 0.1
BACK_CORNER_MM = 2.5
MIDDLE_MM = 2.0
PLACE_MM = 3.0
RIGHT_ANGLE_DEG = 90.0
MOST_OF_ONE_KIND = 4


def of_shape(reading: Reading) -> list[Finding]:
    """Everything that is said of the shape, in no order."""
    by_edge = _lines_by_edge(reading)
    corners = list(_corners(reading, by_edge))
    return [
        *_too_close(reading, corners),
        *_middles(reading),
        *_back_corners(reading, corners),
        *_ends(reading, corners),
        *_places(reading, by_edge),
    ]


def _lines_by_edge(reading: Reading) -> dict[int, list[int]]:
    """For each expected line, by identity, the numbers of the lines that were taken for it."""
    by_edge: dict[int, list[int]] = {}
    for n, line in enumerate(reading.judged):
        if line.assigned.expected is not None and not line.assigned.wrong_way:
            by_edge.setdefault(id(line.assigned.expected), []).append(n)
    return by_edge


# --- corners --------------------------------------------------------------------------------------


class _Corner:
    """A corner of the exercise with the pupil's lines that should meet in it."""

    def __init__(self, at: XY, lines: list[int]) -> None:
        self.at = at
        self.lines = lines


def _corners(reading: Reading, by_edge: dict[int, list[int]]) -> Iterator[_Corner]:
    """The corners at which at least two of the edges that end there were found."""
    places: dict[tuple[int, int], list[Expected]] = {}
    spots: dict[tuple[int, int], XY] = {}
    for edge in reading.key.expected:
        if edge.outline and edge.stroke.family != FREE:
            for end in edge.stroke.segment:
                spot = (round(end[0] / SAME_CORNER_MM), round(end[1] / SAME_CORNER_MM))
                spot = next((s for s in _neighbours(spot) if s in places), spot)
                places.setdefault(spot, []).append(edge)
                spots.setdefault(spot, end)
    for spot, edges in places.items():
        # Of an edge drawn in several goes, the one that comes to the corner.
        lines = [
            min(by_edge[id(edge)], key=lambda n: _gap_to(reading, n, spots[spot]))
            for edge in edges
            if id(edge) in by_edge
        ]
        if len(lines) >= 2:
            yield _Corner(spots[spot], lines)


def _neighbours(spot: tuple[int, int]) -> list[tuple[int, int]]:
    return [(spot[0] + i, spot[1] + j) for i in (0, -1, 1) for j in (0, -1, 1)]


def _gap_to(reading: Reading, number: int, place: XY) -> float:
    found = reading.judged[number].assigned.found
    return min(math.dist(found.start, place), math.dist(found.end, place))


def _crossing(reading: Reading, a: int, b: int) -> XY | None:
    """Where two lines cross; None when they are too nearly parallel to tell."""
    one, other = (reading.judged[n].assigned.found for n in (a, b))
    ux, uy = one.end[0] - one.start[0], one.end[1] - one.start[1]
    vx, vy = other.end[0] - other.start[0], other.end[1] - other.start[1]
    turn = ux * vy - uy * vx
    if abs(turn) < math.sin(math.radians(12.0)) * math.hypot(ux, uy) * math.hypot(vx, vy):
        return None
    wx, wy = other.start[0] - one.start[0], other.start[1] - one.start[1]
    t = (wx * vy - wy * vx) / turn
    return one.start[0] + t * ux, one.start[1] + t * uy


def _good(reading: Reading, numbers: list[int]) -> list[int]:
    """Of some lines those that are not off: a wrong line is said of by itself."""
    return [n for n in numbers if reading.judged[n].verdict is not Verdict.OFF]


def _back_corners(reading: Reading, corners: list[_Corner]) -> list[Finding]:
    """Three edges that should meet in one corner and do not, each being right in direction."""
    said = []
    for corner in corners:
        lines = _good(reading, corner.lines)
        crossings = [c for a, b in combinations(lines, 2) if (c := _crossing(reading, a, b))]
        if len(lines) < 3 or len(crossings) < 2:
            continue
        apart = max(math.dist(a, b) for a, b in combinations(crossings, 2))
        doubt = math.hypot(*(_sway_mm(reading, n, corner.at) for n in lines))
        if apart - doubt > BACK_CORNER_MM:
            said.append(
                Finding(
                    "back-corner", "fix", corner.at,
                    f"Three edges should meet in one corner here; they miss by {apart:.0f} mm. "
                    "Find the corner first, opposite corner to opposite point, and draw all three "
                    "to it.",
                    numbers_of(lines),
                )
            )  # fmt: skip
    return said[:MOST_OF_ONE_KIND]


def _sway_mm(reading: Reading, number: int, place: XY) -> float:
    """How far a line's doubt moves it at a place."""
    found = reading.judged[number].assigned.found
    doubt_deg = 2.0 * max(found.angle_sd_deg, SURELY_DEG)
    return math.radians(doubt_deg) * math.dist(found.middle, place) + 0.3


def _ends(reading: Reading, corners: list[_Corner]) -> list[Finding]:
    """Lines that stop short of their corner, or run past it."""
    said: list[Finding] = []
    for corner in corners:
        for n in _good(reading, corner.lines):
            found = reading.judged[n].assigned.found
            others = [m for m in _good(reading, corner.lines) if m != n]
            crossings = [c for m in others if (c := _crossing(reading, n, m))]
            crossings = [c for c in crossings if math.dist(c, corner.at) < 4.0]
            if not crossings:
                continue
            near, far = sorted((found.start, found.end), key=lambda e: math.dist(e, corner.at))
            meets = min(crossings, key=lambda c: math.dist(c, near))
            past = math.dist(near, far) - math.dist(meets, far)
            if abs(past) <= CORNER_MM + ENDS_MM or not found.dark:
                continue
            if past > 0 and (past > FARTHEST_PAST_MM or _goes_on(reading, corner, n)):
                continue
            code = "corner-overshoots" if past > 0 else "corner-gapes"
            words = (
                f"This line runs {past:.0f} mm past its corner; stop the pencil at the corner."
                if past > 0
                else f"This line stops {-past:.0f} mm short of its corner; bring it to the corner."
            )
            said.append(Finding(code, "tidy", near, words, (n,)))
    counts: Counter[str] = Counter()
    kept = []
    for finding in said:
        counts[finding.code] += 1
        if counts[finding.code] <= MOST_OF_ONE_KIND:
            kept.append(finding)
    return kept


def _goes_on(reading: Reading, corner: _Corner, number: int) -> bool:
    """Whether an expected line goes on beyond the corner in the same direction."""
    found = reading.judged[number].assigned.found
    near, far = sorted((found.start, found.end), key=lambda e: math.dist(e, corner.at))
    size = math.dist(near, far)
    ahead = (
        corner.at[0] + 4.0 * (near[0] - far[0]) / size,
        corner.at[1] + 4.0 * (near[1] - far[1]) / size,
    )
    outlines = reading.key.segments[reading.key.outlines > 0.5]
    return float(distances([ahead], outlines)[0]) < 1.0


# --- points, middles, places ----------------------------------------------------------------------


def _too_close(reading: Reading, corners: list[_Corner]) -> list[Finding]:
    """Where pupils choose the points: the lowest corner sharper than a right angle."""
    if reading.key.given != "rules":
        return []
    level = {p.name for p in reading.points if not p.intended.at_infinity}
    lowest: tuple[float, float, tuple[int, int], XY] | None = None
    for a, b in combinations(range(len(reading.judged)), 2):
        one, other = reading.judged[a], reading.judged[b]
        if one.family == other.family or not {one.family, other.family} <= level:
            continue
        place = _crossing(reading, a, b)
        if place is None or _gap_to(reading, a, place) > 3 or _gap_to(reading, b, place) > 3:
            continue
        if lowest is None or place[1] > lowest[0]:
            lowest = place[1], _opening_deg(reading, a, b, place), (a, b), place
    if lowest is None or lowest[1] >= RIGHT_ANGLE_DEG - 2.0:
        return []
    return [
        Finding(
            "points-too-close", "fix", lowest[3],
            f"The lowest corner is {lowest[1]:.0f}°, sharper than a right angle, so it looks as if "
            "it tips. Put both points further apart, on strips of paper beside the sheet.",
            lowest[2],
        )
    ]  # fmt: skip


def _opening_deg(reading: Reading, a: int, b: int, place: XY) -> float:
    ways = []
    for n in (a, b):
        found = reading.judged[n].assigned.found
        far = max((found.start, found.end), key=lambda e: math.dist(e, place))
        ways.append(math.atan2(far[1] - place[1], far[0] - place[0]))
    return abs((math.degrees(ways[0] - ways[1]) + 180.0) % 360.0 - 180.0)


def _middles(reading: Reading) -> list[Finding]:
    """Edges drawn through a middle that the crossed diagonals do not give."""
    said = []
    for n, line in enumerate(reading.judged):
        edge = line.assigned.expected
        if edge is None or line.verdict is Verdict.OFF or line.assigned.wrong_way:
            continue
        if not line.assigned.found.dark:
            continue
        for middle in reading.key.middles:
            if not _one_thing(middle.piece, edge.stroke.piece) or not _passes(edge, middle.at):
                continue
            off = _beside(reading, n, middle.at)
            if abs(off) - _sway_mm(reading, n, middle.at) > MIDDLE_MM:
                said.append(
                    Finding(
                        "not-the-middle", "fix", middle.at,
                        f"This line is {abs(off):.0f} mm beside the place that the diagonal gives. "
                        "Cross the diagonals of the face: they show its middle as we see it.",
                        (n,),
                    )
                )  # fmt: skip
                break
    return said[:MOST_OF_ONE_KIND]


def _one_thing(piece: str | None, part: str | None) -> bool:
    """Whether a part, such as a letter of a word, belongs to a piece."""
    return piece == part or (piece is not None and part is not None and part.startswith(piece))


def _passes(edge: Expected, place: XY) -> bool:
    return float(distances([place], ends_of([edge.stroke]))[0]) < 0.2


def _beside(reading: Reading, number: int, place: XY) -> float:
    """How far a line passes beside a place (mm, with its side)."""
    found = reading.judged[number].assigned.found
    (x0, y0), (x1, y1) = found.start, found.end
    return ((place[0] - x0) * (y1 - y0) - (place[1] - y0) * (x1 - x0)) / found.length_mm


def _places(reading: Reading, by_edge: dict[int, list[int]]) -> list[Finding]:
    """Where all measures are given: edges that run right and lie beside their place.

    Two long edges of one pair that lie apart by another width at each end are one finding.
    """
    if reading.key.given != "measures":
        return []
    wording = reading.key.scene.wording
    said = []
    elsewhere = {point.name for point in reading.own_points}
    for edge in reading.key.expected:
        numbers = by_edge.get(id(edge), [])
        if not edge.outline or not numbers or edge.stroke.family in {FREE, *elsewhere}:
            continue
        n = max(numbers, key=lambda k: reading.judged[k].assigned.found.length_mm)
        if (
            reading.judged[n].verdict is Verdict.OFF
            or reading.judged[n].assigned.found.length_mm < 10
        ):
            continue
        (x0, y0), (x1, y1) = edge.stroke.segment
        off = _beside(reading, n, ((x0 + x1) / 2, (y0 + y1) / 2))
        if abs(off) > PLACE_MM:
            said.append(
                reading.say(
                    "misplaced", "fix", [n],
                    f"This edge runs the right way, but lies {wording.rough(abs(off))} beside its "
                    f"place. {_measure_again(edge.stroke.family)}",
                )
            )  # fmt: skip
    said.sort(key=lambda f: f.where)
    return said[:MOST_OF_ONE_KIND]


def _measure_again(family: str) -> str:
    if family == VERTICAL:
        return "Measure again from the left edge of the sheet."
    if family == HORIZONTAL:
        return "Measure again from the top edge of the sheet."
    return "Check the corner it starts from."
