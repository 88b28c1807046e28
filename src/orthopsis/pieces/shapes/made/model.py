"""A made thing on its stage: where the planes of its parting lie, its solid, its body on paper."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property
from itertools import pairwise

from orthopsis.construction.nearness import NearFace, hidden_by
from orthopsis.construction.order import Hull, NearPlace
from orthopsis.perspective.plane import LEVEL, Point, distance
from orthopsis.perspective.segments import Portion, length, remainder
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.tolerance import EXACT
from orthopsis.perspective.vector import dot, loop_normal, plus, times
from orthopsis.perspective.view import VanishingPoint, View, on_paper
from orthopsis.phrase import Value, say
from orthopsis.picture.facets import Facing
from orthopsis.picture.solid import Edge, Face, Shape, Solid
from orthopsis.pieces.base import Stage
from orthopsis.pieces.placement.corners import EDGE_ON_MM, FACES, outline_area_mm2
from orthopsis.pieces.placement.depth import Cut, share_on_paper
from orthopsis.pieces.placement.edge import OnEdge, sideways
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.placement.placement import BlockPlacement
from orthopsis.pieces.shapes.made.block import (
    MadeBody,
    MadeShown,
    Shares,
    Ways,
    part_of_line,
    seen_line,
    ways_of,
)
from orthopsis.pieces.shapes.made.cells import (
    ACROSS,
    AWAY,
    DOWN,
    WAYS,
    Cells,
    Knot,
    merged_cells,
    outer_squares,
    solid_blocks,
)
from orthopsis.pieces.shapes.made.parting import Parting, Tick, no_room


@dataclass(frozen=True, eq=False)
class Made:
    """Some cells of a block, as one thing."""

    part: Part
    name: Value
    place: BlockPlacement
    parting: Parting
    stage: Stage

    @property
    def on_edge(self) -> bool:
        return isinstance(self.place, OnEdge)

    @cached_property
    def cells(self) -> Cells:
        return merged_cells(self.parting.filled)

    @cached_property
    def families(self) -> tuple[str, str, str]:
        """Of lines across, down and away."""
        return self._points[0].name, self._points[1].name, self._points[2].name

    @property
    def _points(self) -> tuple[VanishingPoint, VanishingPoint, VanishingPoint]:
        across, away, down = self.stage.view.directions
        return across, down, away

    @property
    def true_row(self) -> int:
        """The plane in which true lengths are set off: the foot, where uprights lean the top."""
        first, end = self.parting.first[DOWN], self.parting.end[DOWN]
        if not self.stage.view.uprights.at.at_infinity:
            return first
        if isinstance(self.place, OnFront) and self.place.on_floor:
            return end
        upper, lower = self.near_edge
        level_mm = self.stage.view.eye_level_mm
        return end if lower.y - level_mm >= level_mm - upper.y else first

    @property
    def near_edge(self) -> tuple[Point, Point]:
        """The upper and the lower end of the near upright."""
        if isinstance(self.place, OnEdge):
            return self.place.edge.ends(self.stage.view.uprights.at)
        assert isinstance(self.place, OnFront)
        return self.place.front.corners[0], self.place.front.corners[3]

    # --- for the picture ---------------------------------------------------------------------

    @cached_property
    def in_space(self) -> Ways:
        """The block in eye space. Raises ExerciseError."""
        return ways_of(self.place.in_space(self.stage), on_edge=self.on_edge)

    @cached_property
    def shares_in_space(self) -> Shares:
        """Where the planes lie in space. Raises ExerciseError."""
        return self._shares([self._true_in_space(way) for way in WAYS], self._whole_in_space)

    def solid(self) -> Solid:
        """The cells in eye space. Raises ExerciseError."""
        ways, shares = self.in_space, self.shares_in_space
        number = {knot: k for k, knot in enumerate(self.cells.knots)}
        vertices = tuple(ways.at(knot, shares) for knot in self.cells.knots)
        faces = []
        for face in self.cells.faces:
            loops = [tuple(number[knot] for knot in loop) for loop in face.loops]
            out = times(ways.along[face.way], 1.0 if face.along else -1.0)
            around = sum(dot(loop_normal([vertices[k] for k in loop]), out) for loop in loops)
            faces.append(Face(tuple(loop if around > 0.0 else loop[::-1] for loop in loops)))
        edges = tuple(
            Edge(number[edge.start], number[edge.end], self.families[edge.way], edge.faces)
            for edge in self.cells.edges
        )
        shape = Shape(tuple(faces), edges)
        return Solid(self.part, vertices, shape, self.stage.transparent, self.stage.floating)

    def _whole_in_space(self, way: int) -> float:
        """The true length of a level way of the block, at the scale of its start."""
        vp, ways = self._points[way].at, self.in_space
        x, y, z = ways.along[way]
        if vp.at_infinity:
            return math.hypot(x, y) / ways.start[2]
        return abs(z) / ways.start[2] * self.stage.view.true_length(vp)

    def _true_in_space(self, way: int) -> Callable[[Tick], float]:
        """How much of a way is gone at a plane, by its true length at the scale of its start."""
        view, vp, ways = self.stage.view, self._points[way].at, self.in_space
        depth = ways.start[2]
        if vp.at_infinity:
            x, y, _ = ways.along[way]
            whole_mm = (x * x + y * y) ** 0.5 / depth
            return lambda tick: tick.of(whole_mm)
        gone = abs(ways.along[way][2]) / depth
        if way == DOWN:
            # Measured on paper: so much of the way to VP3, of which the whole is a part.
            far_mm = distance(self.near_edge[0], vp)
            paper_mm = distance(*self.near_edge)

            def down(tick: Tick) -> float:
                if tick.share is not None:
                    return tick.share
                t = (paper_mm - tick.mm if tick.far else tick.mm) / far_mm
                whole = paper_mm / far_mm
                return t / (1.0 - t) / (whole / (1.0 - whole))

            return down
        whole_mm = gone * view.true_length(vp) if view.eye else 0.0
        return lambda tick: tick.of(whole_mm)

    def far_first(self) -> list[Facing]:
        """The outer squares of all cells that turn to the eye, each with its outward normal, those
        first over which others are laid. Raises ExerciseError.

        Between two slabs of a block there is a plane: what lies on the eye's side is nearer.
        """
        ways, shares = self.in_space, self.shares_in_space
        eye = ways.shares_of((0.0, 0.0, 0.0))

        def off(way: int, number: int) -> float:
            return abs((shares[way][number] + shares[way][number + 1]) / 2 - eye[way])

        found: list[Facing] = []
        filled = self.parting.filled
        for cell in sorted(filled, key=lambda c: [-off(way, c[way]) for way in WAYS]):
            for face in outer_squares(cell, filled):
                plane = shares[face.way][face.loops[0][0][face.way]]
                if (eye[face.way] > plane) != face.along:
                    continue
                corners = [ways.at(knot, shares) for knot in face.loops[0]]
                normal = loop_normal(corners)
                out = times(ways.along[face.way], 1.0 if face.along else -1.0)
                found.append(([corners], normal if dot(normal, out) > 0.0 else times(normal, -1.0)))
        return found

    def measures_seen_from(self, view: View, given: Mapping[str, float]) -> dict[str, float]:
        """The measures of the same thing on the sheet of a viewer who stands elsewhere."""
        stage, ways = self.stage, self.in_space
        down = self._true_in_space(DOWN)

        def there(share: float) -> Point:
            place = stage.view.place_seen_by(view, ways.place((0.0, share, 0.0)))
            return Point(*on_paper(place))

        grown = ways.start[2] / stage.view.place_seen_by(view, ways.start)[2]
        found = {}
        for name, mm in given.items():
            if name == "leg_mm":
                found[name] = mm * grown
            elif name == "seat_mm":
                found[name] = distance(there(down(Tick(name, mm, far=True))), there(1.0))
            else:
                found[name] = distance(there(0.0), there(down(Tick(name, mm))))
        return found

    # --- for the construction ----------------------------------------------------------------

    @cached_property
    def on_paper(self) -> Ways:
        """The block by ruler, as places that can be parted evenly. Raises ExerciseError."""
        corners = self.place.corners(self.stage)
        places = [(x / n, y / n, 1.0 / n) for (x, y, _), n in corners]
        return ways_of(places, on_edge=self.on_edge)

    @cached_property
    def shares(self) -> Shares:
        """Where the planes lie by ruler. Raises ExerciseError."""
        return self._shares([self._by_ruler(way) for way in WAYS], self.whole_by_ruler)

    def whole_by_ruler(self, way: int) -> float:
        """The true length of a level way of the block: how much of it one of 1 mm takes."""
        return 1.0 / self._by_ruler(way)(Tick("", 1.0))

    def _by_ruler(self, way: int) -> Callable[[Tick], float]:
        vp = self._points[way].at
        ways, (upper, lower) = self.on_paper, self.near_edge
        if vp.at_infinity:
            end = plus(ways.start, ways.along[way])
            x0, y0, depth = ways.start
            whole_mm = distance(
                Point(x0 / depth, y0 / depth), Point(end[0] / end[2], end[1] / end[2])
            )
            return lambda tick: tick.of(whole_mm)
        if way == DOWN:
            whole = share_on_paper(upper, vp, lower)

            def down(tick: Tick) -> float:
                if tick.share is not None:
                    return tick.share
                long_mm = distance(upper, lower)
                t = (long_mm - tick.mm if tick.far else tick.mm) / distance(upper, vp)
                return _in_truth(t) / _in_truth(whole)

            return down
        start = lower if self.true_row else upper
        whole = share_on_paper(start, vp, self._end_of(way))
        inward = self.inward(way)

        def carried(tick: Tick) -> float:
            if tick.share is not None:
                return tick.share
            place = Cut(true_mm=tick.mm).place_on_paper(start, vp, self.stage.view, inward)
            gone = _in_truth(share_on_paper(start, vp, place)) / _in_truth(whole)
            return 1.0 - gone if tick.far else gone

        return carried

    def _end_of(self, way: int) -> Point:
        """Where a way ends on paper, in the plane of the true lengths."""
        ways = self.on_paper
        found = plus(ways.start, ways.along[way])
        if self.true_row:
            found = plus(found, ways.along[DOWN])
        return Point(found[0] / found[2], found[1] / found[2])

    def inward(self, way: int) -> Point:
        """The direction in which a true length of a way is laid out."""
        if not self.on_edge:
            return LEVEL
        vps = self._points[ACROSS].at, self._points[AWAY].at
        return sideways(*(vps if way == ACROSS else vps[::-1]))

    def near_place(self, knot: Knot) -> NearPlace:
        """A knot on paper, with its nearness. Raises ExerciseError."""
        x, y, depth = self.on_paper.at(knot, self.shares)
        return Point(x / depth, y / depth), 1.0 / depth

    def body(self) -> MadeBody:
        """The thing by ruler. Raises ExerciseError."""
        cells, stage = self.cells, self.stage
        places = {knot: self.near_place(knot) for knot in cells.knots}
        number = {knot: k for k, knot in enumerate(cells.knots)}
        loops = tuple(
            tuple(number[knot] for knot in loop) for face in cells.faces for loop in face.loops
        )

        def show() -> MadeShown:
            facing = self._facing(places)
            seen = [NearFace.of(facing[k]) for k in sorted(facing)]
            lines: dict[int, list[Portion]] = {}
            for k, edge in enumerate(cells.edges):
                whole = seen_line(places[edge.start], places[edge.end])
                if stage.transparent:
                    lines[k] = [(0.0, 1.0)]
                elif set(edge.faces) & facing.keys():
                    long_mm = length(whole.segment)
                    portions = [
                        (t0, t1)
                        for t0, t1 in remainder(hidden_by(whole, seen))
                        if (t1 - t0) * long_mm > EXACT.paper_mm
                    ]
                    if portions:
                        lines[k] = portions
            return MadeShown(
                faces=tuple(face.area for face in seen),
                edges=tuple(
                    part_of_line(seen_line(*(places[end] for end in cells.edges[k][1:3])), portion)
                    for k, portions in lines.items()
                    for portion in portions
                ),
                lines=lines,
            )

        return MadeBody(
            part=self.part,
            name=self.name,
            corners=tuple(places.values()),
            faces=loops,
            show=show,
            transparent=stage.transparent,
            floating=stage.floating,
            by_nearness=not stage.floating,
            hull=self._hull((0, 0, 0), self.parting.last),
            blocks=tuple(
                self._hull(first, (last[0] + 1, last[1] + 1, last[2] + 1))
                for first, last in solid_blocks(self.parting.filled)
            ),
        )

    def _facing(self, places: Mapping[Knot, NearPlace]) -> dict[int, list[list[NearPlace]]]:
        """The faces that turn to us, by their numbers, with their loops on paper."""
        found: dict[int, list[list[NearPlace]]] = {}
        for k, face in enumerate(self.cells.faces):
            loops = [[places[knot] for knot in loop] for loop in face.loops]
            turned = _hand(face.way, face.along, self.on_edge)
            area = sum(outline_area_mm2([place for place, _ in loop]) for loop in loops)
            longest = max(distance(p, q) for loop in loops for (p, _), (q, _) in pairwise(loop))
            if longest and turned * area / longest > EDGE_ON_MM:
                found[k] = loops
        return found

    def _hull(self, first: Knot, last: Knot) -> Hull:
        """A box between two knots, its corners numbered as a block's are."""
        order = [
            (0, 0, 0), (1, 0, 0), (1, 1, 0), (0, 1, 0), (0, 0, 1), (1, 0, 1), (1, 1, 1), (0, 1, 1),
        ]  # fmt: skip
        corners = []
        for i, j, k in order:
            i = 1 - i if self.on_edge else i
            knot = (last if i else first)[0], (last if j else first)[1], (last if k else first)[2]
            corners.append(self.near_place(knot))
        return Hull(tuple(corners), FACES)

    # --- what both sides read from the document ----------------------------------------------

    def _shares(
        self, gone: Sequence[Callable[[Tick], float]], whole: Callable[[int], float]
    ) -> Shares:
        """Where the planes lie; `gone` says how much of each way is gone at a tick, and `whole` how
        long a level way is. Raises ExerciseError where two leave nothing between them.
        """
        found, parting = [], self.parting
        for way, (before, within, behind) in enumerate(
            zip(parting.before, parting.ways, parting.behind, strict=True)
        ):
            ticks = (*before, *within, *behind)
            true = any(tick.share is None or tick.of_other for tick in ticks)
            if true and self.stage.view.eye is None:
                raise self.stage.refuse(ticks[0].field, say("refused-made-not-true"))

            def share(tick: Tick, way: int = way) -> float:
                if tick.share is not None and tick.of_other:
                    return tick.share * whole(AWAY if way == ACROSS else ACROSS) / whole(way)
                return gone[way](tick)

            shares = (
                *(-share(tick) for tick in before), 0.0, *map(share, within), 1.0,
                *(1.0 + share(tick) for tick in behind),
            )  # fmt: skip
            wrong = next(no_room(ticks, shares), None) if ticks else None
            if wrong is not None:
                raise self.stage.refuse(wrong.field, say("refused-made-no-room"))
            found.append(shares)
        across, down, away = found
        return across, down, away


def _hand(way: int, along: bool, on_edge: bool) -> float:
    """1 where a face's loop, as its cells give it, runs clockwise to an eye outside, or −1."""
    # Seen along a way, the other two make a left or a right hand; on an edge `across` runs left.
    hand = -1.0 if way == DOWN else 1.0
    return (hand if not along else -hand) * (-1.0 if on_edge else 1.0)


def _in_truth(share: float) -> float:
    """The true length, in some measure, of what takes so much of the way to a vanishing point."""
    return share / (1.0 - share)
