"""What is said of streets and houses: the cause, where it spoils several lines, and not the lines.

Causes are common practice of the trade, no published source: an upright that stops on the eye
level, a line through a neighbour, a peak beside the middle, a far slope that was not led to the
roof's own point, storeys that do not close up, sleepers at even distances.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from itertools import pairwise

from orthopsis.exercise.resolve import eye_level_behind
from orthopsis.marking.findings.one import Finding, JudgedSheet
from orthopsis.marking.fitting import ends_of
from orthopsis.marking.judging.answer_key import share_beside
from orthopsis.marking.judging.given import given_by
from orthopsis.marking.judging.verdicts import JudgedStroke, Verdict
from orthopsis.perspective.plane import Point, join, meet
from orthopsis.perspective.segments import XY, Segment, distance_to_segment, length
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import FREE, HORIZONTAL, VERTICAL
from orthopsis.phrase import About, PointName
from orthopsis.pieces.kinds.way import Way
from orthopsis.pieces.shapes.house.drawn import DrawnHouse
from orthopsis.pieces.shapes.house.form import FIRST
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.roofs import Gable

ON_LEVEL_MM, OFF_LEVEL_MM = 2.5, 8.0
"""An end so near the eye level stops there; one that should lie so far off it does not."""
LEAST_MM = 10.0
"""Shorter lines are too little to tell a cause by."""
PEAK_MM = 3.5
PARALLEL_DEG, APART_DEG = 1.0, 2.5
"""Lines that lie so close in direction are drawn parallel; those so far apart should not be."""
EVEN = 0.12
"""Steps that differ by less than this share of them are even."""
MOST_OF_ONE_KIND = 3
GOES_ON = 0.5


def of_street(sheet: JudgedSheet) -> list[Finding]:
    """Everything that is said of streets and houses, in no order."""
    said = [*_eye_level_inside(sheet), *_even_sleepers(sheet)]
    if given_by(sheet.key).places:
        said += [*_ends_on_the_level(sheet), *_roofs(sheet), *_level_storeys(sheet)]
    return said


def explained(said: Sequence[Finding], causes: Sequence[Finding]) -> list[Finding]:
    """What is left to say where causes are said: nothing of lines that they explain."""
    lines = {number for cause in causes for number in cause.lines}
    left = [one for one in said if not one.lines or not set(one.lines) <= lines]
    if any(cause.code == "sleepers-even" for cause in causes):
        left = [one for one in left if one.code != "missing-edge"]
    return left


# --- uprights and the eye level ------------------------------------------------------------------


def _ends_on_the_level(sheet: JudgedSheet) -> list[Finding]:
    """Uprights that stop on the eye level instead of on the ground."""
    level_mm = sheet.key.scene.main.eye_level_mm
    said = []
    dark = ends_of([one.assigned.found for one in sheet.judged if one.assigned.found.dark])
    for n, line in enumerate(sheet.judged):
        edge = line.assigned.expected
        if edge is None or not edge.outline or edge.stroke.family != VERTICAL:
            continue
        top_mm, foot_mm = sorted(y for _, y in edge.stroke.segment)
        found = line.assigned.found
        end_mm = max(found.start[1], found.end[1])
        if found.length_mm < 0.5 * (level_mm - top_mm):
            continue  # a scrap of it
        x_mm = found.start[0]
        if share_beside((x_mm, level_mm), (x_mm, foot_mm), dark) > GOES_ON:
            continue  # it was read in two goes
        if abs(end_mm - level_mm) < ON_LEVEL_MM and foot_mm - level_mm > OFF_LEVEL_MM:
            said.append(sheet.of_lines("ends-on-eye-level", "fix", [n]))
    return said[:MOST_OF_ONE_KIND]


def _eye_level_inside(sheet: JudgedSheet) -> list[Finding]:
    """The eye level, dark, where something stands before it, on a sheet that is finished."""
    scene = sheet.key.scene
    if sheet.key.step is not None or sheet.reached is not None or not given_by(sheet.key).places:
        return []
    level_mm = scene.main.eye_level_mm
    open_parts = sorted(sorted((a[0], b[0])) for a, b in eye_level_behind(scene))
    found = []
    for n, line in enumerate(sheet.judged):
        stroke = line.assigned.found
        (x0, y0), (x1, y1) = sorted((stroke.start, stroke.end))
        edge = line.assigned.expected
        of_thing = edge is not None and edge.stroke.part is not None
        if not stroke.dark or of_thing or max(abs(y0 - level_mm), abs(y1 - level_mm)) > ON_LEVEL_MM:
            continue
        clear = sum(max(0.0, min(b, x1) - max(a, x0)) for a, b in open_parts)
        if x1 - x0 - clear > LEAST_MM:
            found.append(n)
    return [sheet.of_lines("eye-level-inside", "tidy", found)] if found else []


# --- roofs ----------------------------------------------------------------------------------------


def _roofs(sheet: JudgedSheet) -> Iterator[Finding]:
    for drawn, stage, _ in sheet.key.scene.parts:
        if not isinstance(drawn, DrawnHouse):
            continue
        house = drawn.house(stage)
        if isinstance(house.roof, Gable):
            yield from _gable(sheet, house, house.roof)


def _gable(sheet: JudgedSheet, house: House, roof: Gable) -> Iterator[Finding]:
    """The peak over the middle, and the far slope by the roof's own point."""
    places = [(x / depth, y / depth) for x, y, depth in house.on_paper]
    slopes = roof.slopes(house.walls)
    near = [_drawn_along(sheet, (places[one.eave], places[one.ridge])) for one in slopes]
    a, b = near
    if a is not None and b is not None:
        peak = _crossing(sheet.judged[a], sheet.judged[b])
        if peak is not None and abs(peak[0] - places[FIRST][0]) > PEAK_MM:
            beside = About(abs(peak[0] - places[FIRST][0]))
            yield sheet.of_lines("peak-beside-middle", "fix", [a, b], beside=beside)
            return
    if not roof.shows_point(house.walls) or roof.far == "parallel":
        return
    for number, slope in zip(near, slopes, strict=True):
        ends = places[slope.far_eave], places[slope.far_ridge]
        far = _drawn_along(sheet, ends)
        if number is None or far is None or sheet.judged[far].verdict is not Verdict.OFF:
            continue
        should = _between_deg((places[slope.eave], places[slope.ridge]), ends)
        one, other = (sheet.judged[k].assigned.found for k in (number, far))
        is_now = _between_deg((one.start, one.end), (other.start, other.end))
        if is_now < PARALLEL_DEG and should > APART_DEG:
            yield sheet.of_lines("slopes-parallel", "fix", [far])
        else:
            walls = house.walls.by_name.values()
            wall = next(one for one in walls if one.corners == roof.foot(house.walls))
            yield sheet.of_lines("roof-point-picked", "fix", [far], vp=PointName(wall.family))


def _drawn_along(sheet: JudgedSheet, edge: Segment) -> int | None:
    """The longest dark line that was taken for an edge; or for none, if it begins near the edge's
    first end and lies about along it.
    """
    best: int | None = None
    for n, line in enumerate(sheet.judged):
        stroke = line.assigned.found
        if not stroke.dark or stroke.length_mm < min(LEAST_MM, 0.4 * length(edge)):
            continue
        meant = line.assigned.expected
        if meant is not None and not _same(meant.stroke.segment, edge):
            continue
        start = min((stroke.start, stroke.end), key=lambda end: math.dist(end, edge[0]))
        if math.dist(start, edge[0]) > 4.0 or _between_deg((stroke.start, stroke.end), edge) > 25.0:
            continue
        if best is None or stroke.length_mm > sheet.judged[best].assigned.found.length_mm:
            best = n
    return best


def _same(one: Segment, other: Segment) -> bool:
    """Whether one line lies on the other."""
    return all(distance_to_segment(end, other) < 0.1 for end in one)


def _between_deg(one: Segment, other: Segment) -> float:
    """The angle between two lines, 0 to 90."""
    ways = [math.atan2(b[1] - a[1], b[0] - a[0]) for a, b in (one, other)]
    turn = abs(math.degrees(ways[0] - ways[1])) % 180.0
    return min(turn, 180.0 - turn)


def _crossing(one: JudgedStroke, other: JudgedStroke) -> XY | None:
    found = one.assigned.found, other.assigned.found
    place = meet(*(join(Point(*stroke.start), Point(*stroke.end)) for stroke in found))
    return None if place.at_infinity else place.xy


# --- storeys and sleepers -------------------------------------------------------------------------


def _level_storeys(sheet: JudgedSheet) -> Iterator[Finding]:
    """Lines of one wall that should close up toward their point and were drawn parallel."""
    groups: dict[tuple[Part, str], list[int]] = {}
    for n, line in enumerate(sheet.judged):
        edge = line.assigned.expected
        if edge is None or edge.stroke.part is None or line.verdict is not Verdict.OFF:
            continue
        if edge.stroke.family not in (FREE, VERTICAL, HORIZONTAL):
            groups.setdefault((edge.stroke.part, edge.stroke.family), []).append(n)
    for (_, family), numbers in groups.items():
        if len(numbers) < 3:
            continue
        found = [sheet.judged[n].assigned.found for n in numbers]
        edges = [sheet.judged[n].assigned.expected for n in numbers]
        is_now = [_between_deg((a.start, a.end), (b.start, b.end)) for a, b in pairwise(found)]
        should = max(
            _between_deg(edges[0].stroke.segment, edge.stroke.segment)
            for edge in edges
            if edge is not None and edges[0] is not None
        )
        if max(is_now) < 2 * PARALLEL_DEG and should > APART_DEG:
            yield sheet.of_lines("storeys-parallel", "fix", numbers, point=PointName(family))


def _even_sleepers(sheet: JudgedSheet) -> Iterator[Finding]:
    """Level lines of a railway at even distances on paper, where they should close up."""
    for piece in sheet.key.scene.pieces:
        if not isinstance(piece, Way) or piece.track is None or piece.track.sleepers < 4:
            continue
        stage = sheet.key.scene.stage(sheet.key.scene.number_of(piece.part))
        goal = piece.place.goal(stage).at
        if piece.place.across(stage) is not None:
            continue
        edges = [join(piece.place.at_sheet(stage, x), goal) for x in piece.place.edges_mm]
        rows: dict[float, list[int]] = {}
        for n in sheet.of(HORIZONTAL):
            x, y = sheet.judged[n].assigned.found.middle
            if y <= goal.y + ON_LEVEL_MM:
                continue
            level = join(Point(0.0, y), Point(1.0, y))
            left, right = sorted(meet(edge, level).x for edge in edges)
            if left - 1.0 < x < right + 1.0:
                near = next((k for k in rows if abs(k - y) < 1.0), y)
                rows.setdefault(near, []).append(n)
        ys = sorted(rows, reverse=True)
        steps = [a - b for a, b in zip(ys, ys[2:], strict=False)]
        if len(steps) < 5:
            continue
        usual = sum(steps) / len(steps)
        if max(abs(step - usual) for step in steps) < EVEN * usual:
            numbers = [n for row in rows.values() for n in row]
            point = PointName(piece.place.to)
            yield sheet.of_lines("sleepers-even", "fix", numbers, point=point)
