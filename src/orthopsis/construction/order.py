"""Near to far: which piece is drawn first, so that it stops the lines of what stands behind.

On paper a place has three numbers: x, y and its nearness, 1 on the picture plane and smaller the
further back. Along a guide line nearness falls evenly to nothing at the vanishing point, so the
pupil's own marks give it. In these numbers planes stay planes: if one plane has two pieces on
different sides of it, the piece on the viewer's side is drawn first.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from functools import cached_property
from itertools import combinations, pairwise
from typing import NamedTuple

from orthopsis.errors import ExerciseError
from orthopsis.perspective.area import Area
from orthopsis.perspective.ellipse import Ellipse, EllipseArc
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import Box, Segment, box_of
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector, cross, dot, loop_normal, minus, size, times
from orthopsis.phrase import Own, Phrase, Value, say

NEARNESS_SCALE_MM = 100.0
"""Brings nearness to the size of the other two numbers, so that one tolerance serves all."""

TOUCHING = 1e-6


class NoDrawingOrder(ExerciseError):
    """Two pieces stand in one another or surround each other: none can be drawn first.

    `pair` are the two parts.
    """

    def __init__(self, path: str, says: Phrase, pair: tuple[Part, Part]) -> None:
        super().__init__(path, says)
        self.pair = pair


class SeenLine(NamedTuple):
    """An edge on paper, with the nearness of its ends."""

    segment: Segment
    near: tuple[float, float]

    def nearness_at(self, share: float) -> float:
        """Nearness falls evenly along a line on paper."""
        first, last = self.near
        return first + (last - first) * share


NearPlace = tuple[Point, float]
"""A place on paper with its nearness."""


@dataclass(frozen=True)
class Hull:
    """Corners and the faces between them, by corner numbers: what the order is found with."""

    corners: tuple[NearPlace, ...]
    faces: tuple[tuple[int, ...], ...]

    @cached_property
    def places(self) -> list[Vector]:
        """x, y, nearness of the corners, all of the size of millimetres."""
        return [(*p.xy, nearness * NEARNESS_SCALE_MM) for p, nearness in self.corners]

    @cached_property
    def box(self) -> Box:
        """Left, top, right and bottom of the corners."""
        return box_of((x, y) for x, y, _ in self.places)

    @cached_property
    def planes(self) -> list[tuple[Vector, float]]:
        """Unit normal and offset of each face."""
        planes: list[tuple[Vector, float]] = []
        for face in self.faces:
            corners = [self.places[k] for k in face]
            planes += _plane(loop_normal(corners), corners[0])
        return planes

    @cached_property
    def edges(self) -> list[tuple[Vector, Vector]]:
        """A corner of each edge, and the way from there to the other."""
        pairs = {
            (min(i, j), max(i, j)) for face in self.faces for i, j in pairwise((*face, face[0]))
        }
        places = self.places
        return [(places[i], minus(places[j], places[i])) for i, j in sorted(pairs)]


@dataclass(frozen=True)
class Shown:
    """What a part shows of itself on paper, and covers: faces and edges, and what is round."""

    faces: tuple[Area, ...] = ()
    edges: tuple[SeenLine, ...] = ()
    ovals: tuple[Ellipse, ...] = ()
    arcs: tuple[EllipseArc, ...] = ()


@dataclass(frozen=True, eq=False)
class Body:
    """One part as constructed on paper, and its name.

    `corners` has a place and its nearness for each corner; `faces` are corner numbers. `show` tells
    what the part shows of itself, which the drawing order need not know. `hull` lies close around
    it; where it has none, its own corners and faces do, if it is not round. Floating bodies are
    ordered by the list, unless they are parts of one piece.
    """

    part: Part
    name: Value
    corners: tuple[NearPlace, ...]
    faces: tuple[tuple[int, ...], ...]
    show: Callable[[], Shown]
    transparent: bool
    floating: bool
    hull: Hull | None = None
    is_round: bool = False
    ground: bool = False
    """Whether it lies on the ground, behind all that stands there."""
    last: bool = False
    """Whether it is drawn when all else stands, as tiles are, though it lies behind."""
    on: Part | None = None
    """What it is built on: that is drawn first, and rubbed out where this then stands before it."""
    behind: bool = False
    """Whether it is built on a side that turns away, so that what it is built on hides it."""
    by_nearness: bool = False
    """Whether what hides its lines may be told line by line, as all of them are edges."""
    seams: tuple[SeenLine, ...] = ()
    """Where it goes on in another part of its piece: no line of either stays there."""

    @cached_property
    def shown(self) -> Shown:
        return self.show()

    @cached_property
    def around(self) -> Hull:
        """What the order is found with first."""
        return self.hull or Hull(self.corners, self.faces)

    @cached_property
    def own(self) -> Hull:
        """Its own corners and faces; of what is round, the hull."""
        return self.around if self.is_round else Hull(self.corners, self.faces)

    @property
    def parts(self) -> Sequence[Hull]:
        """Convex parts that make up the body, for others that stand within its hull."""
        return (self.around,)

    @property
    def box(self) -> Box:
        """Left, top, right and bottom of the hull."""
        return self.around.box

    def ordered_by_list(self, other: Body) -> bool:
        """Whether both float apart, so that the one listed first stands before the other."""
        apart = self.part.piece != other.part.piece
        return self.floating and other.floating and apart


def _around_each_other(a: Body, b: Body) -> NoDrawingOrder:
    return _Ring(
        "pieces",
        say("refused-each-partly-before", one=called(a), other=called(b)),
        (a.part, b.part),
    )


class Ordered(NamedTuple):
    """Positions of some bodies in drawing order, and the pairs of them of which each is before a
    part of the other: what hides what of these is told line by line.
    """

    numbers: list[int]
    mixed: frozenset[frozenset[int]] = frozenset()


def near_to_far(bodies: Sequence[Body], turns: Sequence[float] = ()) -> Ordered:
    """The drawing order; those that do not overlap take turns.

    The one with the least of `turns` comes first; without these they keep their order.

    Raises NoDrawingOrder naming the pair when two stand in one another, or hide each other in a
    ring and are not told line by line.
    """
    try:
        return _sorted(bodies, turns, thorough=False)
    except _Ring:
        # Two that faces put in an order may be free of each other, which breaks a ring.
        return _sorted(bodies, turns, thorough=True)


def in_building_order(bodies: Sequence[Body], near_to_far: Sequence[int]) -> list[int]:
    """The same bodies in the order in which they are made: what lies on the ground first, though
    all that stands there is nearer, and what is built on another thing right after that.
    """

    def turn(number: int) -> tuple[bool, bool, int]:
        body = bodies[number]
        # What lies on the ground comes as it is listed: a room before what is in its walls.
        return body.last, not body.ground, number if body.ground else 0

    grounds_first = sorted(near_to_far, key=turn)
    built_on: dict[Part, list[int]] = {}
    for number in grounds_first:
        base = bodies[number].on
        if base is not None:
            built_on.setdefault(base, []).append(number)
    order: list[int] = []

    def add(number: int) -> None:
        order.append(number)
        # As the document lists them: a roof before what lies on it, whatever is nearer.
        parts = built_on.get(bodies[number].part, [])
        for above in sorted(parts, key=lambda k: bodies[k].part.number):
            add(above)

    for number in grounds_first:
        if bodies[number].on is None:
            add(number)
    return order


class _Ring(NoDrawingOrder):
    """Each of some stands before the next, and the last before the first."""


def _sorted(bodies: Sequence[Body], turns: Sequence[float], *, thorough: bool) -> Ordered:
    before: dict[int, set[int]] = {i: set() for i in range(len(bodies))}
    mixed: set[frozenset[int]] = set()
    for i, j in combinations(range(len(bodies)), 2):
        try:
            first = _drawn_first(bodies[i], bodies[j], thorough)
        except _Ring:
            if not thorough or not _line_by_line(bodies[i], bodies[j]):
                raise
            mixed.add(frozenset((i, j)))
            continue
        if first > 0:
            before[j].add(i)
        elif first < 0:
            before[i].add(j)
    order: list[int] = []
    drawn: set[int] = set()
    while len(order) < len(bodies):
        may_come = (i for i in before if i not in drawn and before[i] <= drawn)
        free = min(may_come, key=lambda i: (turns[i] if turns else 0.0, i), default=None)
        if free is None:
            ring = [i for i in before if i not in drawn]
            pairs = [(i, k) for i in ring for k in before[i] if k in ring]
            told = [(i, k) for i, k in pairs if _line_by_line(bodies[i], bodies[k])]
            if not thorough or not told:
                i, j = pairs[0]
                raise _around_each_other(bodies[i], bodies[j])
            i, j = told[0]
            before[i].discard(j)
            mixed.add(frozenset((i, j)))
            continue
        order.append(free)
        drawn.add(free)
    return Ordered(order, frozenset(mixed))


def _line_by_line(a: Body, b: Body) -> bool:
    return a.by_nearness and b.by_nearness


def _drawn_first(a: Body, b: Body, thorough: bool) -> int:
    """1 when a comes before b, −1 when b comes before a, 0 when it makes no difference.

    Two whose hulls no plane parts are asked part by part. Raises NoDrawingOrder.
    """
    if not _overlap_on_paper(a.box, b.box):
        return 0
    if a.ground or b.ground:
        return int(b.ground) - int(a.ground)
    if a.on == b.part or b.on == a.part:
        if _line_by_line(a, b):
            # What stands on a thing may still run behind another part of it.
            raise _around_each_other(a, b)
        above, below = (a, 1) if a.on == b.part else (b, -1)
        return -below if above.behind else below
    if a.ordered_by_list(b):
        return 1
    found = _nearer(a.around, b.around, thorough)
    if found is not None:
        return found
    verdicts = {
        _nearer(one, other, thorough)
        for one in a.parts
        for other in b.parts
        if _overlap_on_paper(one.box, other.box)
    } - {0}
    if None in verdicts:
        raise NoDrawingOrder(
            "pieces",
            say("refused-in-one-another", one=called(a), other=called(b)),
            (a.part, b.part),
        )
    if len(verdicts) > 1:
        raise _around_each_other(a, b)
    return verdicts.pop() or 0 if verdicts else 0


def called(body: Body) -> Value:
    """A piece as its document calls it; one of its parts by its name."""
    return Own(body.part.piece) if body.part.number == 0 else body.name


def _nearer(a: Hull, b: Hull, thorough: bool) -> int | None:
    """1 when a stands before b, −1 behind it, 0 when the viewer looks past between them.

    None when no plane parts them. Faces are asked first; unless it is to be `thorough`, what they
    agree on is believed.
    """
    verdicts: set[int] = set()
    for planes in ((*a.planes, *b.planes), _edge_planes(a, b)):
        for plane in planes:
            verdict = _parts(plane, a, b)
            if verdict is not None:
                verdicts.add(verdict)
                if len(verdicts) > 1:
                    return 0
        if verdicts and not thorough:
            break
    return verdicts.pop() if verdicts else None


def stand_apart(a: Body, b: Body) -> bool:
    """Whether a face's plane keeps two bodies clear of one another, or they do not meet on paper.

    Two that only a plane along their edges would part are not yet called apart.
    """
    if not _overlap_on_paper(a.box, b.box) or a.ordered_by_list(b) or a.ground or b.ground:
        return True
    planes = (*a.around.planes, *b.around.planes)
    return any(_parts(plane, a.around, b.around) is not None for plane in planes)


def nearer_by_faces(a: Body, b: Body) -> int:
    """1 when the plane of a face parts the two with a on the viewer's side, −1 with b there.

    0 when none does, or when faces disagree.
    """
    one, other = a.own, b.own
    planes = (*one.planes, *other.planes)
    verdicts = {_parts(plane, one, other) for plane in planes} - {None, 0}
    return verdicts.pop() or 0 if len(verdicts) == 1 else 0


def _parts(plane: tuple[Vector, float], a: Hull, b: Hull) -> int | None:
    """1 when a plane has a on the viewer's side and b on the other, −1 the other way round.

    0 when it parts them and the viewer looks along it; None when it does not part them.
    """
    (nx, ny, nz), offset = plane
    toward_viewer = (nz > 1e-9) - (nz < -1e-9)
    sides = []
    for places in (a.places, b.places):
        low = high = 0.0
        for x, y, z in places:
            side = nx * x + ny * y + nz * z - offset
            low, high = min(low, side), max(high, side)
            if low < -TOUCHING and high > TOUCHING:
                return None
        sides.append((low, high))
    (a_low, a_high), (b_low, b_high) = sides
    if a_low >= -TOUCHING and b_high <= TOUCHING:
        return toward_viewer
    if b_low >= -TOUCHING and a_high <= TOUCHING:
        return -toward_viewer
    return None


def _overlap_on_paper(a: Box, b: Box) -> bool:
    return (
        min(a[2], b[2]) - max(a[0], b[0]) > TOUCHING
        and min(a[3], b[3]) - max(a[1], b[1]) > TOUCHING
    )


def _edge_planes(a: Hull, b: Hull) -> Iterator[tuple[Vector, float]]:
    """Planes along one edge of each, as unit normal and offset."""
    for p, u in a.edges:
        for _, v in b.edges:
            yield from _plane(cross(u, v), p)


def _plane(normal: Vector, through: Vector) -> Iterator[tuple[Vector, float]]:
    length = size(normal)
    if length > 1e-9:
        unit = times(normal, 1.0 / length)
        yield unit, dot(unit, through)
