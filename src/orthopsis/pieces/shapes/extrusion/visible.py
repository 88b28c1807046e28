"""What a swept profile shows of itself, found on paper by the corner rule."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field
from functools import cached_property
from typing import NamedTuple

from orthopsis.construction.corner_rule import Ends, PortionsSeen, Swept, what_shows
from orthopsis.construction.order import Body, Hull, NearPlace, SeenLine, Shown
from orthopsis.perspective.area import Area
from orthopsis.perspective.ellipse import Ellipse, EllipseArc
from orthopsis.perspective.plane import Point, distance_point_line, join
from orthopsis.perspective.roots import TURN
from orthopsis.perspective.segments import XY, Portion, at
from orthopsis.perspective.vector import Vector, cross, dot, minus, plus, times
from orthopsis.pieces.placement.corners import EDGE_ON_MM, thickness_mm
from orthopsis.pieces.shapes.extrusion.profile import Profile


class Bend(NamedTuple):
    """A curved side on paper, the one behind it, and where a ruler on the vanishing point touches
    both, in order from the side's start.
    """

    near: EllipseArc
    far: EllipseArc
    touches: tuple[tuple[NearPlace, NearPlace], ...]


def bend_on_face(
    profile: Profile, side: Ends, near: Sequence[Vector], far: Sequence[Vector], vp: Point
) -> Bend:
    """A curved side of a face, in front and behind, as ellipses through marks of the face.

    Raises ValueError where a curve is not seen as part of an ellipse.
    """
    turn = profile.place(profile.bend_of[side])
    marks = [profile.place(profile.corners[k]) for k in side]
    start, end, through = marks[0], marks[1], profile.through(side)
    arcs = []
    for four in (near, far):
        t1, corner, t2, on = (on_face(four, p)[0] for p in (start, turn, end, through))
        ellipse = Ellipse.touching(t1, corner, t2, on)
        arcs.append(EllipseArc.between(ellipse, (t1.xy, t2.xy), on.xy))
    angles = [a for a in arcs[0].ellipse.touched_from(vp) if arcs[0].spans(a, -1e-7)]
    touches = []
    for angle in angles:
        place = Point(*arcs[0].ellipse.point(angle))
        line = join(vp, place)
        others = [Point(*arcs[1].ellipse.point(a)) for a in arcs[1].ellipse.touched_from(vp)]
        behind = min(others, key=lambda p: distance_point_line(p, line))
        touches.append(((place, _nearness(near, place)), (behind, _nearness(far, behind))))
    first = on_face(near, start)[0]
    touches.sort(key=lambda pair: _way_along(arcs[0], first.xy, pair[0][0].xy))
    return Bend(arcs[0], arcs[1], tuple(touches))


def _way_along(arc: EllipseArc, start: XY, place: XY) -> float:
    """How far a place of an arc lies from the end at which it starts."""
    first, angle = arc.ellipse.angle(start), arc.ellipse.angle(place)
    forward = abs((arc.start - first + TURN / 2) % TURN - TURN / 2) < 1e-6
    return (angle - first) % TURN if forward else (first - angle) % TURN


def _nearness(corners: Sequence[Vector], place: Point) -> float:
    """Nearness of a place on a face: it changes evenly over a plane on paper."""
    (p, q, _, s) = corners
    normal = cross(minus(q, p), minus(s, p))
    return dot(normal, (*place.xy, 1.0)) / dot(normal, p)


def on_face(corners: Sequence[Vector], place: XY) -> NearPlace:
    """A place of a face, by its shares of width and height, and its nearness.

    With the nearness n of its corners a face is at (x/n, y/n, 1/n), and there parts are parts.
    """
    p, q, _, s = corners
    u, v = place
    x, y, depth = plus(p, plus(times(minus(q, p), u), times(minus(s, p), v)))
    return Point(x / depth, y / depth), 1.0 / depth


def bounds(places: Sequence[XY]) -> list[XY]:
    us, vs = zip(*places, strict=True)
    left, right, top, bottom = min(us), max(us), min(vs), max(vs)
    return [(left, top), (right, top), (right, bottom), (left, bottom)]


@dataclass(frozen=True)
class ExtrudedShown(Shown):
    """`lines` are the portions of each straight line that the piece itself leaves to be seen, and
    `far_arcs` the parts of each curved far side.
    """

    lines: Mapping[Ends, list[Portion]] = field(default_factory=dict)
    far_arcs: Mapping[Ends, list[EllipseArc]] = field(default_factory=dict)


@dataclass(frozen=True, eq=False)
class ExtrudedBody(Body):
    """A swept profile on paper. Its corners are those of the face, then the places where a ruler
    touches its curves, and then those behind all of them; `bends` are the curved sides.
    """

    show: Callable[[], ExtrudedShown]
    cells: tuple[Hull, ...] = ()
    bends: Mapping[Ends, Bend] = field(default_factory=dict)
    touching: Mapping[int, Ends] = field(default_factory=dict)

    @cached_property
    def shown(self) -> ExtrudedShown:
        return self.show()

    @property
    def shows(self) -> Mapping[Ends, list[Portion]]:
        return self.shown.lines

    @property
    def far_arcs(self) -> Mapping[Ends, list[EllipseArc]]:
        return self.shown.far_arcs

    @cached_property
    def parts(self) -> Sequence[Hull]:
        return self.cells


def extruded_body(
    block: Body,
    profile: Profile,
    ends: Sequence[Sequence[NearPlace]],
    bends: Mapping[Ends, Bend],
    hull: Hull,
    cells: tuple[Hull, ...],
    vp: Point,
) -> ExtrudedBody:
    """What a swept profile shows, by the corner rule. `ends` are its near and far corners; `block`
    tells what it is called and how it stands.
    """
    near, far = (list(corners) for corners in ends)
    swept: list[tuple[Ends, EllipseArc | None, EllipseArc | None]] = []
    touching: dict[int, Ends] = {}
    for side in profile.sides:
        if side not in bends:
            swept.append((side, None, None))
            continue
        bend, start = bends[side], side[0]
        stops = []
        for here, behind in bend.touches:
            touching[len(near)] = side
            stops.append(len(near))
            near.append(here)
            far.append(behind)
        for stop in (*stops, side[1]):
            before = _part(bend.near, near[start][0], near[stop][0])
            swept.append(((start, stop), before, _part(bend.far, far[start][0], far[stop][0])))
            start = stop
    count = len(near)
    corners = (*near, *far)
    places = [place for place, _ in corners]
    quads = [(b, a, a + count, b + count) for (a, b), _, _ in swept]
    numbers: list[tuple[int, ...]] = []
    for loop in profile.loops:
        first = sum(map(len, numbers))
        numbers.append(tuple(range(first, first + len(loop))))
    quiet = set(profile.smooth)

    def show() -> ExtrudedShown:
        rims = {k: bends[numbers[k[0]][k[1]], _after(numbers, k)].near for k in profile.bends}
        face = Area(tuple(tuple(places[k].xy for k in loop) for loop in numbers), rims)
        sides = [
            Swept(pair, thickness_mm([places[k] for k in quad]) > EDGE_ON_MM, near_arc, far_arc)
            for (pair, near_arc, far_arc), quad in zip(swept, quads, strict=True)
        ]
        if block.transparent:
            straight = [pair for pair, near_arc, _ in swept if near_arc is None]
            seen = _all_of(straight, set(range(count)) - quiet, count, bends)
        else:
            seen = what_shows(
                face, places[:count], places[count:], sides, vp, smooth=quiet, touching=touching
            )
        near_arcs = [bend.near for bend in bends.values()]
        return ExtrudedShown(
            faces=(face, *(_side_area(side, places, count) for side in sides if side.shown)),
            edges=tuple(
                _seen_line(corners[a], corners[b], portion)
                for (a, b), portions in seen.lines.items()
                for portion in portions
            ),
            arcs=(*near_arcs, *(arc for parts in seen.arcs.values() for arc in parts)),
            lines=seen.lines,
            far_arcs=seen.arcs,
        )

    return ExtrudedBody(
        part=block.part,
        name=block.name,
        corners=corners,
        faces=(numbers[0], tuple(k + count for k in numbers[0]), *quads),
        show=show,
        transparent=block.transparent,
        floating=block.floating,
        hull=hull,
        cells=cells,
        bends=bends,
        touching=touching,
    )


def _all_of(
    straight: Sequence[Ends], corners: set[int], count: int, bends: Mapping[Ends, Bend]
) -> PortionsSeen:
    """What a thing shows that is seen through: every line, of the face, behind it and between."""
    behind = [(a + count, b + count) for a, b in straight]
    lines = [*straight, *((k, k + count) for k in sorted(corners)), *behind]
    arcs = {side: [bend.far] for side, bend in bends.items()}
    return PortionsSeen({ends: [(0.0, 1.0)] for ends in lines}, arcs)


def _after(numbers: Sequence[tuple[int, ...]], key: tuple[int, int]) -> int:
    loop = numbers[key[0]]
    return loop[(key[1] + 1) % len(loop)]


def _part(arc: EllipseArc, start: Point, end: Point) -> EllipseArc:
    """The part of an arc between two of its places."""
    angles = sorted(
        (arc.ellipse.angle(p.xy) - arc.start + 1e-7) % TURN - 1e-7 for p in (start, end)
    )
    return EllipseArc(arc.ellipse, arc.start + angles[0], arc.start + angles[1])


def _side_area(side: Swept, places: Sequence[Point], count: int) -> Area:
    """What a side covers on paper, between its line or curve and the one behind it."""
    a, b = side.ends
    loop = tuple(places[k].xy for k in (a, b, b + count, a + count))
    if side.near is None or side.far is None:
        return Area((loop,))
    return Area((loop,), {(0, 0): side.near, (0, 2): side.far})


def _seen_line(start: NearPlace, end: NearPlace, portion: Portion) -> SeenLine:
    whole = SeenLine((start[0].xy, end[0].xy), (start[1], end[1]))
    t0, t1 = portion
    return SeenLine(
        (at(whole.segment, t0), at(whole.segment, t1)),
        (whole.nearness_at(t0), whole.nearness_at(t1)),
    )
