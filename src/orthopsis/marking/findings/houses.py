"""What is missing of houses, counted as a teacher counts: houses, storeys, bays, windows."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from orthopsis.marking.findings.one import Finding, JudgedSheet, finding
from orthopsis.marking.judging.answer_key import Expected
from orthopsis.perspective.segments import XY, box_of, distance_to_segment
from orthopsis.perspective.view import on_paper
from orthopsis.phrase import Choice, Number, Value
from orthopsis.pieces.shapes.house.drawn import DrawnHouse
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.panels import Panel
from orthopsis.pieces.shapes.house.walls import AROUND

LEAST_EDGES = 3
"""A house of which fewer edges show is no house that one misses."""


@dataclass(frozen=True)
class Missing:
    """What is said of missing edges, and those of which nothing is said yet."""

    said: list[Finding]
    left: list[Expected]


def missing_of_houses(sheet: JudgedSheet, gone: Sequence[Expected]) -> Missing:
    """Whole houses first, then what is missing in the walls of the others."""
    said: list[Finding] = []
    told: set[int] = set()
    missing = {id(edge) for edge in gone}
    houses = [(one.drawn, one.stage) for one in sheet.key.scene.parts
              if isinstance(one.drawn, DrawnHouse)]  # fmt: skip
    for drawn, stage in houses:
        own = [e for e in sheet.key.expected if e.outline and e.stroke.part == drawn.part]
        if len(own) >= LEAST_EDGES and missing.issuperset(map(id, own)):
            if len(houses) > 1:
                where = _middle([xy for edge in own for xy in edge.stroke.segment])
                said.append(finding("house-missing", "fix", where, house=drawn.name))
                told |= {id(edge) for edge in own}
            continue
        for panel in drawn.house(stage).panels:
            for one, edges in _of_panel(drawn.house(stage), panel, own, missing):
                said.append(one)
                told |= edges
    return Missing(said, [edge for edge in gone if id(edge) not in told])


def _of_panel(
    house: House, panel: Panel, own: Sequence[Expected], missing: set[int]
) -> Iterator[tuple[Finding, set[int]]]:
    """What is said of a panel's openings, with the edges that it tells of."""
    wall = panel.wall(house.walls)
    if panel.freehand or not house.faces_us(AROUND.index(wall.corners)):
        return
    taken = house.taken(panel)
    edges: dict[tuple[int, int], list[Expected]] = {}
    outlines: dict[tuple[int, int], list[XY]] = {}
    for place, corners in panel.corners(house.block_in_space, house.walls):
        outline = [on_paper(one) for one in corners]
        mine = [edge for edge in own if _lies_on(edge, outline)]
        if place not in taken and mine:
            edges[place], outlines[place] = mine, outline
    gone = {place for place, mine in edges.items() if missing.issuperset(map(id, mine))}
    if not gone:
        return
    rows, columns = ({place[k] for place in edges} for k in (0, 1))
    lost_rows, lost_columns = (
        {n for n in every if {p for p in edges if p[k] == n} <= gone}
        for k, every in ((0, rows), (1, columns))
    )
    values: dict[str, Value] = {"look": Choice(panel.look)}
    if len(lost_rows) == len(rows) or not (lost_rows or lost_columns):
        code, there, asked = "openings-missing", len(edges) - len(gone), len(edges)
    elif lost_rows:
        code, there, asked = "storeys-missing", len(rows) - len(lost_rows), len(rows)
    else:
        code, there, asked = "bays-missing", len(columns) - len(lost_columns), len(columns)
    where = _middle([xy for place in sorted(gone) for xy in outlines[place]])
    values |= {"there": Number(float(there)), "asked": Number(float(asked))}
    yield (
        finding(code, "fix", where, (), None, **values),
        {id(edge) for place in gone for edge in edges[place]},
    )


def _lies_on(edge: Expected, outline: Sequence[XY]) -> bool:
    sides = list(zip(outline, [*outline[1:], outline[0]], strict=True))
    return any(
        all(distance_to_segment(end, side) < 0.1 for end in edge.stroke.segment) for side in sides
    )


def _middle(places: Sequence[XY]) -> XY:
    left, top, right, bottom = box_of(places)
    return (left + right) / 2, (top + bottom) / 2
