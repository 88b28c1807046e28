"""What is said by counting: edges and guide lines that are missing, and construction left dark."""

from __future__ import annotations

import math
from itertools import combinations

import numpy as np

from orthopsis.marking.findings.elsewhere import drawn_elsewhere
from orthopsis.marking.findings.houses import missing_of_houses
from orthopsis.marking.findings.one import Finding, JudgedSheet, finding
from orthopsis.marking.findings.rooms import missing_of_rooms
from orthopsis.marking.fitting import Array, ends_of
from orthopsis.marking.judging.answer_key import (
    LEAST_EDGE_MM,
    Expected,
    is_drawn,
    share_beside,
)
from orthopsis.marking.judging.given import given_by
from orthopsis.perspective.segments import boxes_touch
from orthopsis.perspective.view import HORIZONTAL
from orthopsis.phrase import Number, PointName
from orthopsis.pieces.kinds.row import RowHouse

UNERASED = 4
"""So many dark construction lines are left on purpose or by neglect; fewer by chance."""

IN_PART, MOST_ASKED = 0.25, 3
"""Of an edge that is not to be found, so much lies under dark lines that it may well be drawn."""

MOSTLY, DARKER, LIGHTER = 0.7, 1.2, 30
"""A light line lies on an edge by so much of it, and may be one if it is so many times as dark as
the lighter of the other light lines: there may be edges among these, too.
"""

FEW_GUIDES = 8
"""Among more guide lines than these, a single one that is not to be found is asked about."""

MAY_HIDE = 0.15
"""So many of a family's edges may lie behind what other sizes have brought before them."""


def of_counts(sheet: JudgedSheet) -> list[Finding]:
    """Everything that is said by counting, in no order."""
    return [*_missing(sheet), *_unerased(sheet)]


def _missing(sheet: JudgedSheet) -> list[Finding]:
    if not given_by(sheet.key).places:
        return _fewer(sheet)
    found = {
        id(line.assigned.expected) for line in sheet.judged if line.assigned.expected is not None
    }
    dark = _seen_segments(sheet, dark=True)
    gone = [
        edge
        for edge in sheet.key.expected
        if edge.outline and id(edge) not in found and not is_drawn(edge, dark)
    ]
    unsure = [edge for edge in gone if share_beside(*edge.stroke.segment, dark) > IN_PART]
    gone = [edge for edge in gone if edge not in unsure]
    pale = [edge for edge in gone if _may_be_pale(sheet, edge)]
    elsewhere = drawn_elsewhere(sheet, [edge for edge in gone if edge not in pale])
    # Where a whole storey is missing, its guide lines are not its edges.
    of_houses = missing_of_houses(sheet, [*elsewhere.left, *pale])
    of_rooms = missing_of_rooms(sheet, of_houses.left)
    said = [*elsewhere.said, *of_houses.said, *of_rooms.said]
    gone = [edge for edge in of_rooms.left if edge not in pale]
    unsure += [edge for edge in of_rooms.left if edge in pale]
    said += [_asked(edge) for edge in unsure[:MOST_ASKED]]
    if gone:
        (x0, y0), (x1, y1) = gone[0].stroke.segment
        middle, many = ((x0 + x1) / 2, (y0 + y1) / 2), Number(float(len(gone)))
        if all(_of_strip(sheet, edge) for edge in gone):
            said.append(finding("strip-missing", "fix", middle))
        else:
            said.append(finding("missing-edge", "fix", middle, count=many))
    return said + _missing_guides(sheet, found)


def _may_be_pale(sheet: JudgedSheet, edge: Expected) -> bool:
    """Whether a light line lies where an edge should, darker than guide lines are."""
    row = ends_of([edge.stroke])
    on_it, others = list[float](), list[float]()
    for line in sheet.judged:
        found = line.assigned.found
        if not found.dark and found.length_mm > LEAST_EDGE_MM:
            along = share_beside(found.start, found.end, row) > MOSTLY
            (on_it if along else others).append(found.darkness)
    return bool(on_it and others) and max(on_it) > DARKER * float(np.percentile(others, LIGHTER))


def _asked(edge: Expected) -> Finding:
    """A question to the teacher: of an edge, a part is to be seen."""
    (x0, y0), (x1, y1) = edge.stroke.segment
    return finding("unsure-edge", "ask", ((x0 + x1) / 2, (y0 + y1) / 2))


def _of_strip(sheet: JudgedSheet, edge: Expected) -> bool:
    """Whether an edge is what shows of the other side of a building in a row, above its neighbour
    or in an alley.
    """
    part = next((one for one in sheet.key.scene.parts if one.drawn.part == edge.stroke.part), None)
    if part is None or not isinstance(part.drawn, RowHouse):
        return False
    points = [vp.name for vp in part.stage.view.level_points]
    if len(points) == 1:
        return edge.stroke.family == HORIZONTAL
    return edge.stroke.family == points[1 if part.drawn.place.side == "left" else 0]


def _fewer(sheet: JudgedSheet) -> list[Finding]:
    """Where sizes and places are the pupil's own, edges can still be counted by family, as far as
    the family is sure and other sizes hide no others.
    """
    said, undecided = [], sum(j.assigned.both and j.assigned.found.dark for j in sheet.judged)
    for name in (point.name for point in sheet.points):
        asked = sum(
            e.outline and not e.may_lack and e.stroke.family == name for e in sheet.key.expected
        )
        drawn = sum(sheet.judged[n].assigned.found.dark for n in sheet.of(name))
        hidden = math.ceil(asked * MAY_HIDE) if _overlap(sheet) else 0
        if 0 < drawn < asked - undecided - hidden:
            place = sheet.judged[sheet.of(name)[0]].assigned.found.middle
            said.append(
                finding(
                    "missing-edge", "fix", place, (), "fewer-edges",
                    asked=Number(float(asked)), point=PointName(name), drawn=Number(float(drawn)),
                )
            )  # fmt: skip
    return said


def _overlap(sheet: JudgedSheet) -> bool:
    """Whether things stand before one another on the sheet, so that their sizes tell what shows."""
    bodies = [body for body in sheet.key.scene.bodies if not body.ground]
    return any(boxes_touch(one.box, other.box) for one, other in combinations(bodies, 2))


def _missing_guides(sheet: JudgedSheet, found: set[int]) -> list[Finding]:
    """On a half-finished sheet guide lines are not rubbed out yet: they can be counted."""
    if sheet.key.step is None:
        return []
    said = []
    seen = _seen_segments(sheet)
    for name in (point.name for point in sheet.points):
        due = [e for e in sheet.key.expected if not e.outline and e.stroke.family == name]
        gone = [e for e in due if id(e) not in found and not is_drawn(e, seen)]
        if len(due) >= 2 and gone and len(gone) < len(due):
            (x0, y0), (x1, y1) = gone[0].stroke.segment
            # Of many, the eye may have lost the one.
            sure = len(gone) > 1 or len(due) <= FEW_GUIDES
            said.append(
                finding(
                    "missing-guide", "fix" if sure else "ask", ((x0 + x1) / 2, (y0 + y1) / 2),
                    due=Number(float(len(due))), point=PointName(name),
                    gone=Number(float(len(gone))),
                )
            )  # fmt: skip
    return said


def _seen_segments(sheet: JudgedSheet, dark: bool = False) -> Array:
    lines = [j.assigned.found for j in sheet.judged if j.assigned.found.dark or not dark]
    return ends_of(lines)


def _unerased(sheet: JudgedSheet) -> list[Finding]:
    """Dark lines where the construction had light ones, on a sheet that is finished."""
    if sheet.key.step is not None or sheet.reached is not None:
        return []
    dark = [
        n
        for n, line in enumerate(sheet.judged)
        if line.assigned.found.dark
        and line.assigned.expected is not None
        and not line.assigned.expected.outline
        and line.assigned.expected.stroke.part is not None
        and not _under_outline(sheet, n)
    ]
    if len(dark) < UNERASED:
        return []
    return [sheet.of_lines("unerased", "tidy", dark, count=Number(float(len(dark))))]


def _under_outline(sheet: JudgedSheet, number: int) -> bool:
    """Whether an edge of the finished drawing lies where this line was taken for a light one."""
    outlines = sheet.key.segments[sheet.key.outlines > 0.5]
    found = sheet.judged[number].assigned.found
    return share_beside(found.start, found.end, outlines) > 0.5
