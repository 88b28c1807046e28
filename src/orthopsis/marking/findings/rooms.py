"""What is said of rooms, furniture and stairs: legs and steps by counting, and rows of tiles that
do not lie where the diagonal has them.

Causes are common practice of the trade, no published source.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from orthopsis.marking.findings.houses import Missing
from orthopsis.marking.findings.one import Finding, JudgedSheet, finding
from orthopsis.marking.judging.answer_key import Expected
from orthopsis.perspective.segments import XY, distance_to_segment
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import HORIZONTAL
from orthopsis.phrase import About, Choice, Number
from orthopsis.pieces.kinds.made import MadeThing
from orthopsis.pieces.kinds.panel import Panel
from orthopsis.pieces.kinds.stairs import Stairs
from orthopsis.pieces.placement.on_room import OverFloor
from orthopsis.pieces.shapes.made.cells import ACROSS, AWAY, DOWN, CellEdge
from orthopsis.pieces.shapes.made.model import Made

ON_IT_MM = 0.1
"""So near to an edge of a thing lies what is drawn of it."""
LEAST_ROW_MM, LEAST_OFF_MM = 30.0, 1.5
"""A row of tiles is at least so long, and so far off its place if it is said to be."""
WITH_LEGS = ("table", "stool", "chair", "bed")


def missing_of_rooms(sheet: JudgedSheet, gone: Sequence[Expected]) -> Missing:
    """Legs and steps that nobody drew, and rows of tiles that lie elsewhere."""
    said: list[Finding] = []
    told: set[int] = set()
    for one, edges in (*_uprights(sheet, gone), *_rows_elsewhere(sheet, gone)):
        said.append(one)
        told |= {id(edge) for edge in edges}
    return Missing(said, [edge for edge in gone if id(edge) not in told])


# --- legs and steps -----------------------------------------------------------------------------


def _uprights(
    sheet: JudgedSheet, gone: Sequence[Expected]
) -> Iterator[tuple[Finding, list[Expected]]]:
    """Things whose uprights are counted: none of one leg, or of one riser, is there."""
    for part in sheet.key.scene.parts:
        drawn = part.drawn
        if isinstance(drawn, Stairs):
            code, way = "steps-missing", drawn.run[0]
        elif isinstance(drawn, MadeThing) and drawn.form in WITH_LEGS:
            code, way = "legs-missing", None
        else:
            continue
        made = drawn.cells(part.stage)
        shown = [e for e in sheet.key.expected if e.outline and e.stroke.part == made.part]
        groups: dict[tuple[int, ...], list[Expected]] = {}
        for edge in made.cells.edges:
            group = _group(made, edge, way)
            if group is not None:
                groups.setdefault(group, []).extend(_drawn_of(made, edge, shown))
        lost = _lost(groups, gone)
        if not lost:
            continue
        own = [edge for edge in gone if edge.stroke.part == made.part]
        there, asked = len(groups) - len(lost), len(groups)
        where = _middle(lost[0])
        what = Choice(drawn.form if isinstance(drawn, MadeThing) else "stairs")
        yield (
            finding(code, "fix", where, what=what, there=_number(there), asked=_number(asked)),
            own,
        )


def _group(made: Made, edge: CellEdge, way: int | None) -> tuple[int, ...] | None:
    """Which leg or riser an upright is of; None for what is no upright of one."""
    if edge.way != DOWN:
        return None
    if way is not None:
        place = edge.start[way]
        # What closes the stairs behind is no riser.
        high = made.parting.last[way]
        behind = all(cell[way] < high for cell in made.parting.filled) and place == high
        return None if behind and edge.end[DOWN] == made.parting.last[DOWN] else (place,)
    if edge.end[DOWN] != made.parting.last[DOWN]:
        return None
    return edge.start[ACROSS] // 2, edge.start[AWAY] // 2


def _drawn_of(made: Made, edge: CellEdge, shown: Sequence[Expected]) -> list[Expected]:
    """The lines on paper that lie on an edge of a thing."""
    ends = made.near_place(edge.start)[0].xy, made.near_place(edge.end)[0].xy
    return [
        one for one in shown
        if all(distance_to_segment(end, ends) < ON_IT_MM for end in one.stroke.segment)
    ]  # fmt: skip


def _lost(
    groups: dict[tuple[int, ...], list[Expected]], gone: Sequence[Expected]
) -> list[list[Expected]]:
    """The groups of which something should show and nothing does."""
    missing = {id(edge) for edge in gone}
    for name in [name for name, edges in groups.items() if not edges]:
        del groups[name]
    return [edges for edges in groups.values() if missing.issuperset(map(id, edges))]


# --- tiles ----------------------------------------------------------------------------------------


def _rows_elsewhere(
    sheet: JudgedSheet, gone: Sequence[Expected]
) -> Iterator[tuple[Finding, list[Expected]]]:
    """Rows of tiles that are drawn level, but not where the diagonal crosses the lines."""
    tiles = {
        part.drawn.part for part in sheet.key.scene.parts
        if isinstance(part.drawn, Panel) and isinstance(part.drawn.place, OverFloor)
    }  # fmt: skip
    rows = [e for e in gone if e.stroke.part in tiles and e.stroke.family == HORIZONTAL]
    lines = list(_level_lines(sheet, tiles))
    for row in rows:
        (x0, y_mm), (x1, _) = sorted(row.stroke.segment)
        near = [
            (abs(place[1] - y_mm), number) for number, place, (a, b) in lines
            if min(b, x1) - max(a, x0) > 0.5 * (x1 - x0)
        ]  # fmt: skip
        if not near or x1 - x0 < LEAST_ROW_MM:
            continue
        off_mm, number = min(near)
        if off_mm > LEAST_OFF_MM:
            one = sheet.of_lines("tiles-off", "fix", [number], off=About(off_mm))
            yield one, [edge for edge in rows if abs(edge.stroke.start[1] - y_mm) < ON_IT_MM]
            return


def _level_lines(
    sheet: JudgedSheet, tiles: set[Part]
) -> Iterator[tuple[int, XY, tuple[float, float]]]:
    """Level lines that lie on no edge that the exercise asks for, by their numbers."""
    rows = [
        edge.stroke.segment for edge in sheet.key.expected
        if edge.stroke.part in tiles and edge.stroke.family == HORIZONTAL
    ]  # fmt: skip
    for number, line in enumerate(sheet.judged):
        found, edge = line.assigned.found, line.assigned.expected
        placed = edge is not None and edge.outline and edge.stroke.part not in tiles
        there = any(distance_to_segment(found.middle, row) < LEAST_OFF_MM for row in rows)
        if placed or there or line.family != HORIZONTAL or not found.dark:
            continue
        if found.length_mm > LEAST_ROW_MM:
            (a, _), (b, _) = sorted((found.start, found.end))
            yield number, found.middle, (a, b)


def _middle(edges: Sequence[Expected]) -> XY:
    (x0, y0), (x1, y1) = edges[0].stroke.segment
    return (x0 + x1) / 2, (y0 + y1) / 2


def _number(count: int) -> Number:
    return Number(float(count))
