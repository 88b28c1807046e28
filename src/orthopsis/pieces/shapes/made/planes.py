"""The planes of a parting that lie within the depth of a block, found on the floor.

Square by the point that carries true lengths, or in equal parts by a diagonal. What is as far from
the other end is found from what is so far from this one: in one point the same diagonal of a square
leads forward from the back, from an edge a line through the middle of the floor leads across.
Source: all squares of a floor have their diagonals to the distance point, and a rectangle turned
half round its middle is itself; handbooks of perspective (from memory).
"""

from __future__ import annotations

from orthopsis.construction.face import RecedingFace
from orthopsis.construction.moves import Act, Mark, phrase, strung
from orthopsis.perspective.plane import LEFT, LEVEL, Point, distance, toward
from orthopsis.perspective.view import FREE
from orthopsis.phrase import Length, Phrase
from orthopsis.pieces.placement.depth import Cut, carrying_point
from orthopsis.pieces.shapes.made.cells import ACROSS, AWAY, DOWN, WAYS, Knot
from orthopsis.pieces.shapes.made.made_site import MadeSite
from orthopsis.pieces.shapes.made.parting import Tick

Ticks = list[tuple[int, Tick]]


def _needed(work: MadeSite, way: int) -> Ticks:
    """The planes of a way in which something ends that shows."""
    numbers = {k[way] for edge in work.edges for k in (edge.start, edge.end)}
    return [(n, t) for n, t in enumerate(work.made.parting.ways[way], start=1) if n in numbers]


# --- one point -------------------------------------------------------------------------------


def inner_depths(work: MadeSite, first: Knot) -> None:
    """One point: the planes between front and back, marked along the line from `first`."""
    site, knots = work.site, work.knots
    ticks = _needed(work, AWAY)
    if not ticks:
        return
    vp = site.points[work.made.families[AWAY]]
    inward = LEVEL if first[ACROSS] == 0 else LEFT
    step = site.begin("made-depths", Act.BACKS)
    for number, tick in ticks:
        if tick.share is not None:
            said = _by_diagonal(work, first, number, tick.share, inward)
        elif tick.far:
            said = _from_behind(work, first, number, tick.mm, inward)
        else:
            start, guide = knots.marks[first], knots.line(AWAY, first)
            cut = Cut(true_mm=tick.mm)
            mark, said = cut.build(site, start, vp, guide, inward, knots.marks.values())
            knots.known((first[ACROSS], first[DOWN], number), mark)
        step.says.append(said)
    step.check("made-depths-check", vp=vp)


def _beside(work: MadeSite, first: Knot, mm: float, inward: Point) -> tuple[Mark, Knot | None]:
    """The mark so far from a corner of the front, and its knot where it is one."""
    knots, start = work.knots, work.knots.marks[first]
    place = toward(start.at, inward, mm)
    for knot, mark in knots.marks.items():
        if knot[AWAY] == 0 and distance(mark.at, place) < 1e-6:
            return mark, knot
    return work.site.paper.measure_along(start, inward, mm), None


def _from_behind(work: MadeSite, first: Knot, number: int, mm: float, inward: Point) -> Phrase:
    """From the corner behind, the line to the distance point leads forward, over a square."""
    site, paper, knots = work.site, work.site.paper, work.knots
    vp = site.points[work.made.families[AWAY]]
    column, row, _ = first
    back = knots.find((column, row, work.made.parting.last[AWAY]))
    beside, knot = _beside(work, first, mm, inward)
    point = carrying_point(site, vp, inward)
    guide = paper.aim(beside, vp, site.part) if knot is None else knots.drawn_away(knot)
    mark = paper.cross(paper.lay(back, point), guide)
    if knot is not None:
        knots.known((knot[ACROSS], row, number), mark)
    else:
        knots.known((column, row, number), paper.cross(paper.level(mark), knots.line(AWAY, first)))
    return phrase("made-from-behind", back=back, point=point, near=beside, vp=vp, mark=mark)


def _by_diagonal(work: MadeSite, first: Knot, number: int, share: float, inward: Point) -> Phrase:
    """A part of the depth: so much of the width, to the point, as far as the diagonal."""
    site, paper, knots, last = work.site, work.site.paper, work.knots, work.made.parting.last
    vp = site.points[work.made.families[AWAY]]
    column, row, _ = first
    across = last[ACROSS] - column, row, 0
    wide_mm = distance(knots.marks[first].at, knots.find(across).at)
    knots.drawn_away(across)
    opposite = knots.find((across[ACROSS], row, last[AWAY]))
    beside, knot = _beside(work, first, share * wide_mm, inward)
    guide = paper.aim(beside, vp, site.part) if knot is None else knots.drawn_away(knot)
    diagonal = paper.diagonal(knots.marks[first], opposite, site.part)
    crossing = paper.cross(guide, diagonal)
    mark = paper.cross(paper.level(crossing), knots.line(AWAY, first))
    knots.known((column, row, number), mark)
    return phrase(
        "made-by-diagonal",
        diagonal=strung(knots.marks[first], opposite), across=Length(share * wide_mm),
        start=knots.marks[first], vp=vp, mark=mark,
    )  # fmt: skip


# --- from an edge ----------------------------------------------------------------------------


def plan_on_floor(work: MadeSite) -> None:
    """From an edge: the planes across and away, marked on the two lines from its end."""
    ways = [way for way in (ACROSS, AWAY) if _needed(work, way)]
    if not ways:
        return
    step = work.site.begin("made-plan", Act.PLAN)
    for way in ways:
        ticks = _needed(work, way)
        shares = [(number, tick.share) for number, tick in ticks if tick.share is not None]
        if shares:
            step.says.append(_by_columns(work, way, shares))
        for number, tick in ticks:
            if tick.share is None:
                step.says += _true_on_floor(work, way, number, tick)
    step.check("made-plan-check")


def _near_mark(work: MadeSite, way: int, mm: float) -> tuple[Mark, list[Phrase]]:
    """The mark so far along a way from the front edge, in truth, and how it is found if it is not
    there yet.
    """
    site, knots, made = work.site, work.knots, work.made
    corner = knots.corner
    for number, tick in enumerate(made.parting.ways[way], start=1):
        there = knots.marks.get(_on(corner, way, number))
        if there is not None and tick == tick._replace(mm=mm, far=False, share=None):
            return there, []
    vp = site.points[made.families[way]]
    mark, said = Cut(true_mm=mm).build(
        site, knots.marks[corner], vp, knots.line(way, corner), made.inward(way),
        column="left" if way == ACROSS else "right",
    )  # fmt: skip
    return mark, [said]


def _true_on_floor(work: MadeSite, way: int, number: int, tick: Tick) -> list[Phrase]:
    knots, paper, made = work.knots, work.site.paper, work.made
    near, said = _near_mark(work, way, tick.mm)
    if not tick.far:
        knots.known(_on(knots.corner, way, number), near)
        return said
    other = AWAY if way == ACROSS else ACROSS
    last = made.parting.last
    corner = knots.corner
    beyond = _on(corner, other, last[other])
    middle, found = _middle(work)
    through = paper.along(near, middle)
    mark = paper.cross(through, knots.line(way, beyond))
    paper.join(near, mark, FREE, work.site.part)
    knots.known(_on(beyond, way, number), mark)
    return [*said, *found, phrase("made-through-middle", near=near, middle=middle, mark=mark)]


def _middle(work: MadeSite) -> tuple[Mark, list[Phrase]]:
    """The middle of the floor by its diagonals, drawn once."""
    knots, paper, last = work.knots, work.site.paper, work.made.parting.last
    if knots.middle is not None:
        return knots.middle, []
    corner = knots.corner
    left, right = _on(corner, ACROSS, last[ACROSS]), _on(corner, AWAY, last[AWAY])
    back = _on(left, AWAY, last[AWAY])
    found: list[Phrase] = []
    if back not in knots.marks:
        vps = {way: work.site.points[work.made.families[way]] for way in (ACROSS, AWAY)}
        sides = knots.find(left), knots.find(right)
        for way, start, side in ((AWAY, left, sides[0]), (ACROSS, right, sides[1])):
            knots.drawn(way, start, paper.aim(side, vps[way], work.site.part))
        found.append(
            phrase(
                "box-opposite", left=sides[0], right=sides[1], back=knots.find(back),
                left_vp=vps[ACROSS], right_vp=vps[AWAY],
            )
        )  # fmt: skip
    pairs = [(knots.find(a), knots.find(b)) for a, b in ((corner, back), (left, right))]
    one, other = (paper.diagonal(a, b, work.site.part) for a, b in pairs)
    knots.middle = paper.cross(one, other)
    lines = [strung(a, b) for a, b in pairs]
    return knots.middle, [phrase("made-middle", one=lines[0], other=lines[1], middle=knots.middle)]


def _by_columns(work: MadeSite, way: int, shares: list[tuple[int, float]]) -> Phrase:
    """Equal parts of a side: rows from the front edge, and where they meet the diagonal."""
    knots, made, last, site = work.knots, work.made, work.made.parting.last, work.site
    foot = (0, last[DOWN], 0)
    near_top, near_foot = knots.find((0, 0, 0)), knots.find(foot)
    far_top, far_foot = (knots.find(_on(k, way, last[way])) for k in ((0, 0, 0), foot))
    near = "right" if way == ACROSS else "left"
    p, q, r, s = far_top, near_top, near_foot, far_foot
    if near == "left":
        p, q, r, s = q, p, s, r
    face = RecedingFace(
        site.paper, (p, q, r, s), near, site.points[made.families[way]], site.third, site.part,
        halved=False,
    )  # fmt: skip
    row = 1.0 if made.true_row else 0.0
    for number, share in shares:
        column = 1.0 - share if near == "right" else share
        face.column(column)
        knots.known(_on(knots.corner, way, number), face.crossing(column, row))
    return phrase("made-by-columns", side=strung(p, q, r, s), goal=site.points[made.families[way]])


def _on(knot: Knot, way: int, number: int) -> Knot:
    i, j, k = (number if axis == way else n for axis, n in zip(WAYS, knot, strict=True))
    return i, j, k
