"""What is seen of each edge, found exactly: solids are laid out as numbers for the kernel."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Sequence
from functools import cached_property
from itertools import accumulate, pairwise
from typing import Any, NamedTuple

from orthopsis.perspective.ellipse import Ellipse
from orthopsis.perspective.roots import TURN
from orthopsis.perspective.segments import (
    Box,
    Portion,
    Segment,
    box_of,
    boxes_touch,
    merged,
    remainder,
)
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.tolerance import EXACT, Tolerance
from orthopsis.perspective.vector import dot
from orthopsis.perspective.view import on_paper
from orthopsis.picture import compiled
from orthopsis.picture.curved_cover import CurvedCover, arcs_of_bend
from orthopsis.picture.curved_prism import CurvedPrism
from orthopsis.picture.curves import (
    Cover,
    FlatCover,
    PathCover,
    Rim,
    RoundCover,
    Straight,
    Wall,
    arcs_of_rim,
    hidden_of_edge,
)
from orthopsis.picture.mesh import FLOATS, TRANSPARENT, Grid, Mesh, Room, Seen
from orthopsis.picture.round_solid import RoundSolid
from orthopsis.picture.solid import Edge, Solid, by_list
from orthopsis.picture.solids import AnySolid


class HiddenEdge(NamedTuple):
    """An edge on paper with its portions that are hidden; the rest of it is seen."""

    solid: Solid
    edge: Edge
    segment: Segment
    hidden: list[Portion]


class RimArc(NamedTuple):
    """A part of a rim as it lies on paper: the ellipse from one angle to a larger one."""

    cylinder: RoundSolid
    end: int
    ellipse: Ellipse
    start: float
    stop: float
    seen: bool


class BehindTheEye(ValueError):
    """A thing, `part`, reaches behind the eye, where nothing is seen."""

    def __init__(self, part: Part) -> None:
        super().__init__(f"'{part}' reaches behind the eye")
        self.part = part


class Sight:
    """Solids and cylinders before the eye, and lines behind them all.

    `far_lines` lie behind everything, as the eye level does: faces hide them, they hide nothing.
    Raises BehindTheEye when a solid reaches there.
    """

    def __init__(
        self,
        solids: Sequence[AnySolid],
        far_lines: Sequence[Segment] = (),
        tolerance: Tolerance = EXACT,
        kernel: compiled.Kernel | None = None,
    ) -> None:
        self.solids, self.far_lines, self.tolerance = solids, far_lines, tolerance
        self._rounds = [i for i, t in enumerate(solids) if not isinstance(t, Solid)]
        self._kernel = kernel or compiled.in_use()
        self._lists = self._kernel is compiled.plain
        # What curved prisms hide of themselves.
        self._own_covers = {
            i: CurvedCover(t, own=True, kernel=self._kernel)
            for i, t in enumerate(solids)
            if isinstance(t, CurvedPrism)
        }
        for solid in solids:
            if _least_depth(solid) <= 0.0:
                raise BehindTheEye(solid.part)
        # To the kernel a round thing is the straight lines of its outline.
        self.outlines = [t if isinstance(t, Solid) else t.outline() for t in solids]
        places = [place for outline in self.outlines for place in outline.vertices]
        self._paper = [(x / depth, y / depth) for x, y, depth in places]
        self._nearness = [1.0 / depth for _, _, depth in places]
        for segment in far_lines:
            self._paper += segment
            self._nearness += (0.0, 0.0)
        self._places = places
        self._rivals: dict[int, list[tuple[Cover | PathCover, bool]]] = {}

    def edges(self) -> Iterator[HiddenEdge]:
        """Every edge of the solids, in their order, with what is hidden of it."""
        hidden, first, number = self.hidden(), 0, 0
        for outline in self.outlines:
            paper = self._paper[first : first + len(outline.vertices)]
            for edge in outline.edges:
                ends = paper[edge.start], paper[edge.end]
                yield HiddenEdge(outline, edge, ends, hidden[number])
                number += 1
            first += len(outline.vertices)

    def arcs(self, limits: Sequence[Wall] = ()) -> Iterator[RimArc]:
        """The rims of round things in arcs that are seen or hidden, within the limits."""
        for i in self._rounds:
            cylinder = self.solids[i]
            if isinstance(cylinder, CurvedPrism):
                yield from self._curved_arcs(i, cylinder, limits)
                continue
            assert isinstance(cylinder, RoundSolid)
            for end in (0, 1):
                rim = Rim(cylinder, end)
                ellipse, seen_angle = cylinder.rim_on_paper(end)
                box = box_of([on_paper(rim.place(TURN * k / 64)) for k in range(64)], 1.0)
                same = [
                    Rim(other, other_end)
                    for j in self._rounds
                    if j != i
                    and isinstance(other := self.solids[j], RoundSolid)
                    and not other.transparent
                    for other_end in (0, 1)
                    if cylinder.same_rim(end, other, other_end)
                    and cylinder.leaves_rim_to(end, other, j < i)
                ]
                for arc in arcs_of_rim(rim, self._covers_before(i, box), same, limits):
                    start, whole = seen_angle(arc.start), arc.end - arc.start > TURN - 1e-9
                    turn = TURN if whole else (seen_angle(arc.end) - start) % TURN
                    yield RimArc(cylinder, end, ellipse, start, start + turn, arc.seen)

    def _curved_arcs(self, i: int, prism: CurvedPrism, limits: Sequence[Wall]) -> Iterator[RimArc]:
        own = [] if prism.transparent else [(self._own_covers[i], False)]
        covers = [*self._covers_before(i, self._own_covers[i].box), *own]
        for number, rim in prism.rims():
            ellipse, seen_angle = rim.cylinder.rim_on_paper(rim.end)
            # What is drawn on a face that we see, the solid itself does not hide.
            before = covers[: len(covers) - len(own)] if prism.end_shows(rim.end) else covers
            for arc in arcs_of_bend(prism, number, rim, before, limits):
                start = seen_angle(arc.start)
                turn = (seen_angle(arc.end) - start) % TURN
                yield RimArc(rim.cylinder, rim.end, ellipse, start, start + turn, arc.seen)

    def far_lines_seen(self) -> list[list[Portion]]:
        """What is seen of each far line."""
        hidden = self.hidden()
        return [remainder(portions) for portions in hidden[len(hidden) - len(self.far_lines) :]]

    def hidden(self) -> list[list[Portion]]:
        """The hidden portions of every edge and then of every far line, sorted."""
        if self._hidden is None:
            self._hidden = self.hidden_by(self.mesh())
            if self._rounds:
                self._hide_behind_rounds(self._hidden)
        return self._hidden

    _hidden: list[list[Portion]] | None = None

    # --- round things -------------------------------------------------------------------------

    @cached_property
    def _covers(self) -> list[list[Cover | PathCover]]:
        """What each thing hides with: the cylinder, or those faces that the eye sees."""
        covers: list[list[Cover | PathCover]] = []
        for solid in self.solids:
            if solid.transparent:
                covers.append([])
            elif isinstance(solid, RoundSolid):
                covers.append([RoundCover(solid)])
            elif isinstance(solid, CurvedPrism):
                covers.append([CurvedCover(solid, kernel=self._kernel)])
            else:
                flat = (FlatCover(solid, face, self.tolerance) for face in solid.faces)
                covers.append([f for f in flat if dot(f.normal, f.loops[0][0]) < 0.0])
        return covers

    def _covers_before(self, own: int, box: Box) -> list[tuple[Cover | PathCover, bool]]:
        """Covers of other things that may hide what lies in a box, and whether they hide whole."""
        if own not in self._rivals:
            solid = self.solids[own] if own < len(self.solids) else None
            ordered = [solid is not None and by_list(solid, other) for other in self.solids]
            self._rivals[own] = [
                (cover, ordered[i])
                for i, covers in enumerate(self._covers)
                if i != own and not (ordered[i] and i > own)
                for cover in covers
            ]
        return [pair for pair in self._rivals[own] if boxes_touch(pair[0].box, box)]

    def _hide_behind_rounds(self, hidden: list[list[Portion]]) -> None:
        """Take away what round things hide of straight edges and of the far lines."""
        number = vertex = 0
        for i, outline in enumerate(self.outlines):
            solid = self.solids[i]
            own = None if solid.transparent else self._own_covers.get(i)
            for k, edge in enumerate(outline.edges):
                ends = self._places[vertex + edge.start], self._places[vertex + edge.end]
                if isinstance(solid, CurvedPrism) and not solid.may_show(k):
                    hidden[number] = [(0.0, 1.0)]
                self._hide_one(hidden, number, i, Straight(*ends))
                if own is not None and hidden[number] != [(0.0, 1.0)]:
                    more = hidden_of_edge(Straight(*ends), [(own, False)])
                    hidden[number] = merged([*hidden[number], *more], 1e-9)
                number += 1
            vertex += len(outline.vertices)
        for segment in self.far_lines:
            # Far enough behind everything to be at infinity for all that stands here.
            far = [(x * BEHIND_ALL, y * BEHIND_ALL, BEHIND_ALL) for x, y in segment]
            self._hide_one(hidden, number, len(self.solids), Straight(*far))
            number += 1

    def _hide_one(self, hidden: list[list[Portion]], number: int, own: int, edge: Straight) -> None:
        if hidden[number] == [(0.0, 1.0)]:
            return
        box = box_of([on_paper(edge.start), on_paper(edge.end)])
        covers = [c for c in self._covers_before(own, box) if not isinstance(c[0], FlatCover)]
        if covers:
            hidden[number] = merged([*hidden[number], *hidden_of_edge(edge, covers)], 1e-9)

    # --- numbers for the kernel ---------------------------------------------------------------

    def hidden_by(self, mesh: Mesh) -> list[list[Portion]]:
        """The hidden portions of every edge of the mesh."""
        if len(mesh.edge_solid) == 0:
            return []
        ends, numbers = self.hidden_numbers(mesh)
        if not self._lists:
            ends, numbers = ends.tolist(), numbers.tolist()
        return [
            list(zip(numbers[first:last:2], numbers[first + 1 : last : 2], strict=True))
            if first != last
            else []
            for first, last in pairwise(ends)
        ]

    def hidden_numbers(self, mesh: Mesh) -> tuple[Any, Any]:
        """The same as the kernel says it: where each edge's numbers begin, and pairs of t."""
        kernel = self._kernel
        faces, edges = len(mesh.face_solid), len(mesh.edge_solid)
        floats, ints = self._floats, self._ints
        seen = Seen(
            planes=floats(4 * faces),
            inverse_depths=floats(3 * faces),
            face_boxes=floats(4 * faces),
            facing=ints(faces),
            covers=ints(faces),
            edge_boxes=floats(4 * edges),
            shown=ints(edges),
        )
        kernel.faces.measure(mesh, seen)
        face_grid = self._grid(seen.face_boxes, seen.covers)
        # Far lines are drawn but lie under all others.
        drawn, far = seen.shown.copy(), len(self.far_lines)
        drawn[edges - far :] = [0] * far
        line_grid = self._grid(seen.edge_boxes, drawn)
        most = 2 * (len(mesh.loop_points) + edges) + 8
        room = Room(ints(faces + edges), floats(most), floats(most), floats(most))
        starts, need = ints(edges + 1), 4 * edges + 8
        limits = self.tolerance.paper_mm, self.tolerance.depth
        while True:
            out = floats(need)
            need = kernel.faces.hidden_portions(
                mesh, seen, face_grid, line_grid, room, out, starts, *limits
            )
            if need <= len(out):
                break
        return starts, out

    def mesh(self) -> Mesh:
        """All solids as numbers."""
        outlines, far = self.outlines, len(self.far_lines)
        vertices = [number for place in self._places for number in place]
        # Places at infinity have no depth; for them only paper and nearness are asked.
        vertices += (0.0, 0.0, 0.0) * (2 * far)
        shapes = [outline.shape.numbers for outline in outlines]
        first_vertex = _starts(len(outline.vertices) for outline in outlines)
        first_face = _starts(len(shape.loops_of_faces) for shape in shapes)
        numbered = list(zip(shapes, first_vertex, first_face, strict=False))
        edges: list[int] = []
        for shape, vertex, face in numbered:
            own = shape.edges
            edges += own if not vertex else _shifted_edges(own, vertex, face)
        last = first_vertex[-1]
        for number in range(last, last + 2 * far, 2):
            edges += (number, number + 1, NO_FACE, NO_FACE)
        of_ints, of_floats = self._of_ints, self._of_floats
        groups: dict[str, int] = {}
        flags = [
            TRANSPARENT * s.transparent
            + FLOATS * s.floating * groups.setdefault(s.part.piece, len(groups) + 1)
            for s in outlines
        ]
        counts = [len(outline.shape.edges) for outline in outlines]
        return Mesh(
            vertices=of_floats(vertices),
            paper=of_floats([number for xy in self._paper for number in xy]),
            nearness=of_floats(self._nearness),
            solid_vertices=of_ints(first_vertex),
            solid_faces=of_ints(first_face),
            solid_flags=of_ints([*flags, 0]),
            face_solid=of_ints(_repeated(len(shape.loops_of_faces) for shape in shapes)),
            face_loops=of_ints(_starts(n for shape in shapes for n in shape.loops_of_faces)),
            loop_starts=of_ints(_starts(n for shape in shapes for n in shape.points_of_loops)),
            loop_points=of_ints(
                [vertex + k for shape, vertex, _ in numbered for k in shape.points]
            ),
            edges=of_ints(edges),
            edge_solid=of_ints([*_repeated(counts), *[len(outlines)] * far]),
        )

    @cached_property
    def _frame(self) -> tuple[int, float, float, float, float]:
        """How many cells the grid has each way, and the box that it divides."""
        xs, ys = zip(*self._paper, strict=True)
        side = max(1, min(64, round(math.sqrt(len(self._paper) / 4))))
        return side, min(xs), min(ys), max(xs), max(ys)

    def _grid(self, boxes: Any, used: Any) -> Grid:
        side, left, top, right, bottom = self._frame
        wide, high = max((right - left) / side, 1e-3), max((bottom - top) / side, 1e-3)
        need = 2 * len(used)
        while True:
            starts, items = self._ints(side * side + 1), self._ints(need)
            grid = Grid(left, top, wide, high, side, starts, items)
            need = self._kernel.faces.fill_grid(boxes, used, grid)
            if need <= len(items):
                return grid

    def _floats(self, count: int) -> Any:
        return [0.0] * count if self._lists else _numpy().zeros(count)

    def _ints(self, count: int) -> Any:
        return [0] * count if self._lists else _numpy().zeros(count, _numpy().int64)

    def _of_floats(self, values: list[float]) -> Any:
        return values if self._lists else _numpy().array(values, _numpy().float64)

    def _of_ints(self, values: list[int]) -> Any:
        return values if self._lists else _numpy().array(values, _numpy().int64)


BEHIND_ALL = 1e6
"""A relative depth that no thing on a sheet has."""


def _least_depth(solid: AnySolid) -> float:
    """Relative depth of the nearest place of a thing."""
    if isinstance(solid, Solid):
        return min((depth for _, _, depth in solid.vertices), default=1.0)
    if isinstance(solid, CurvedPrism):
        return solid.least_depth
    near = min(solid.centre[2], solid.centre[2] + solid.sweep[2])
    return near - math.hypot(solid.a[2], solid.b[2])


NO_FACE = -1
"""Where an edge bounds no face, as the outline of a cylinder."""


def _shifted_edges(edges: list[int], vertex: int, face: int) -> list[int]:
    """A shape's edges among all others: its vertices and faces counted on."""
    shifted = [n + vertex for n in edges]
    shifted[2::4] = [n + face if n >= 0 else n for n in edges[2::4]]
    shifted[3::4] = [n + face if n >= 0 else n for n in edges[3::4]]
    return shifted


def _repeated(counts: Iterable[int]) -> list[int]:
    """Each position as often as its count says."""
    return [number for number, count in enumerate(counts) for _ in range(count)]


def _starts(lengths: Any) -> list[int]:
    return list(accumulate(lengths, initial=0))


def _numpy() -> Any:
    import numpy

    return numpy
