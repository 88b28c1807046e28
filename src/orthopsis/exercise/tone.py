"""Tone: one value for each plane, 0 paper white to 3 darkest, by one direction of the light.

Planes are handed out from the furthest to the nearest, so that each is laid over those behind it.
Which plane is lightest, the top or the front, is the teacher's choice. Values: common practice, no
published source.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace
from itertools import combinations

from orthopsis.construction.order import NoDrawingOrder
from orthopsis.exercise.resolve import Scene
from orthopsis.exercise.shadows import shadow_areas, side_lit
from orthopsis.exercise.values import VALUES, turned_to
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import XY, within_convex
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import dot, minus
from orthopsis.perspective.view import on_paper
from orthopsis.picture.facets import Facing, Facings, facing, on_paper_loops
from orthopsis.pieces.shapes.made.model import Made

SQUARE = 2
"""The value of every second tile."""
STRIPS = 6
"""A curved side is shaded in so many strips to a quarter."""


@dataclass(frozen=True)
class Plane:
    """A plane as it is seen: its value, and its loops on paper, those within others being holes."""

    part: Part
    value: int
    loops: tuple[tuple[XY, ...], ...]
    cast: bool = False
    """Whether it is no plane of a thing but the shadow that one casts."""
    side: str = ""
    """How a plane of a thing is turned: a top, a front, to the light or away from it."""


def planes(scene: Scene) -> list[Plane]:
    """All planes that turn to us, the furthest first; none where no tone is asked for, or where
    no piece can be said to be nearer than the others. Raises ExerciseError.
    """
    tone = scene.exercise.tone
    squares = [
        Plane(part.drawn.part, SQUARE, (tuple(square),))
        for part in scene.parts
        for square in part.drawn.dark_squares(part.stage)
    ]
    if tone is None and not squares:
        return []
    try:
        order = scene.drawing_order
    except NoDrawingOrder:
        return []
    areas = shadow_areas(scene)

    def cast_on(number: int | None) -> list[Plane]:
        return [Plane(one.part, 3, one.loops, cast=True) for one in areas if one.on == number]

    found = [*squares, *cast_on(None)]
    for number in reversed(order):
        part = scene.parts[number]
        for solid in scene.solids[number]:
            if solid.transparent:
                continue
            light = side_lit(scene, tone, solid) if tone else ""
            made = part.drawn.cells(part.stage)
            faces = _far_first(facing(solid, STRIPS))
            if isinstance(made, Made) and len(made.parting.filled) > 1:
                faces = made.far_first()
            for loops, normal in faces:
                side = turned_to(normal, part.stage.view, light)
                # Without tone the things are white before the tiles.
                value = VALUES[tone.lightest, tone.values][side] if tone else 0
                found.append(Plane(part.drawn.part, value, on_paper_loops(loops), side=side))
        found += cast_on(number)
    return [plane for plane in (_on_sheet(one, scene.sheet) for one in found) if plane.loops]


def _on_sheet(plane: Plane, sheet: Sheet) -> Plane:
    """What of a plane lies where it can be shaded."""
    left, top, right, bottom = sheet.bounds
    if all(left <= x <= right and top <= y <= bottom for loop in plane.loops for x, y in loop):
        return plane
    corners = (left, top), (right, top), (right, bottom), (left, bottom)
    loops = (within_convex(loop, corners) for loop in plane.loops)
    return replace(plane, loops=tuple(loop for loop in loops if loop))


def _far_first(faces: Facings) -> list[Facing]:
    """The faces that turn to the eye, the furthest first."""
    ends, sides = (
        [(face, normal) for face, normal in some if dot(normal, face[0][0]) < 0.0] for some in faces
    )
    return [*_far_to_near(sides), *ends]


def _far_to_near(sides: list[Facing]) -> list[Facing]:
    """Swept sides so that each comes before those that cover it.

    Along a line from the vanishing point the one whose near edge lies nearer to it covers the
    other. In plain numbers, as every pair is asked while a hand moves.
    """
    if len(sides) < 2:
        return sides
    near, far = sides[0][0][0][1:3]
    vp = Point(*minus(far, near))
    if vp.at_infinity:
        return sides
    x0, y0 = vp.xy
    edges: list[_Edge] = []
    for loops, _ in sides:
        (ax, ay), (bx, by) = (on_paper(place) for place in loops[0][:2])
        edges.append((ax - x0, ay - y0, bx - x0, by - y0))
    covers: list[set[int]] = [set() for _ in sides]
    for i, j in combinations(range(len(sides)), 2):
        first = _covers(edges[i], edges[j])
        if first > 0:
            covers[i].add(j)
        elif first < 0:
            covers[j].add(i)
    return [sides[i] for i in _covering_last(covers)]


def _covering_last(covers: list[set[int]]) -> Iterator[int]:
    """The numbers of some sides, each after those that it covers."""
    waiting = list(range(len(covers)))
    while waiting:
        free = next((i for i in waiting if covers[i].isdisjoint(waiting)), waiting[0])
        waiting.remove(free)
        yield free


_Edge = tuple[float, float, float, float]
"""Both ends of a near edge, from the vanishing point on."""


def _covers(a: _Edge, b: _Edge) -> int:
    """1 when a side's near edge a lies before b on lines from the vanishing point, −1 behind."""
    for one, (ux, uy, vx, vy), sign in ((a, b, 1), (b, a, -1)):
        dx, dy = vx - ux, vy - uy
        for ex, ey in (one[:2], one[2:]):
            slant = ex * dy - ey * dx
            if not slant:
                continue
            along = (ey * ux - ex * uy) / slant
            if not 1e-6 < along < 1 - 1e-6:
                continue
            place = ((ux + along * dx) * ex + (uy + along * dy) * ey) / (ex * ex + ey * ey)
            if place > 1e-9 and abs(place - 1.0) > 1e-9:
                return sign if place > 1.0 else -sign
    return 0
