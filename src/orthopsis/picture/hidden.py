"""What is seen of each edge, found exactly: solids are laid out as numbers for the kernel."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from itertools import accumulate
from types import ModuleType
from typing import Any, NamedTuple

from orthopsis.perspective.segments import Portion, Segment, remainder
from orthopsis.perspective.tolerance import EXACT, Tolerance
from orthopsis.picture import compiled
from orthopsis.picture import kernel as plain
from orthopsis.picture.mesh import FLOATING, TRANSPARENT, Grid, Mesh, Room, Seen
from orthopsis.picture.solid import Edge, Solid


class HiddenEdge(NamedTuple):
    """An edge on paper with its portions that are hidden; the rest of it is seen."""

    solid: Solid
    edge: Edge
    segment: Segment
    hidden: list[Portion]


class Sight:
    """Solids before the eye, and lines behind them all.

    `far_lines` lie behind everything, as the eye level does: faces hide them, they hide nothing.
    Raises ValueError when a solid reaches behind the eye.
    """

    def __init__(
        self,
        solids: Sequence[Solid],
        far_lines: Sequence[Segment] = (),
        tolerance: Tolerance = EXACT,
        kernel: ModuleType | None = None,
    ) -> None:
        self.solids, self.far_lines, self.tolerance = solids, far_lines, tolerance
        self._kernel = kernel or compiled.in_use()
        self._lists = self._kernel is plain
        places = [place for solid in solids for place in solid.vertices]
        if any(depth <= 0.0 for _, _, depth in places):
            raise ValueError("a place lies behind the eye")
        self._paper = [(x / depth, y / depth) for x, y, depth in places]
        self._nearness = [1.0 / depth for _, _, depth in places]
        for segment in far_lines:
            self._paper += segment
            self._nearness += (0.0, 0.0)
        self._places = places

    def edges(self) -> Iterator[HiddenEdge]:
        """Every edge of the solids, in their order, with what is hidden of it."""
        hidden, first, number = self.hidden(), 0, 0
        for solid in self.solids:
            paper = self._paper[first : first + len(solid.vertices)]
            for edge in solid.edges:
                ends = paper[edge.start], paper[edge.end]
                yield HiddenEdge(solid, edge, ends, hidden[number])
                number += 1
            first += len(solid.vertices)

    def far_lines_seen(self) -> list[list[Portion]]:
        """What is seen of each far line."""
        hidden = self.hidden()
        return [remainder(portions) for portions in hidden[len(hidden) - len(self.far_lines) :]]

    def hidden(self) -> list[list[Portion]]:
        """The hidden portions of every edge and then of every far line, sorted."""
        if self._hidden is None:
            self._hidden = self._find()
        return self._hidden

    _hidden: list[list[Portion]] | None = None

    # --- numbers for the kernel ---------------------------------------------------------------

    def _find(self) -> list[list[Portion]]:
        kernel, mesh = self._kernel, self._mesh()
        faces, edges = len(mesh.face_solid), len(mesh.edge_solid)
        if edges == 0:
            return []
        floats, ints = self._floats, self._ints
        seen = Seen(
            planes=floats(4 * faces),
            face_boxes=floats(4 * faces),
            facing=ints(faces),
            covers=ints(faces),
            edge_boxes=floats(4 * edges),
            shown=ints(edges),
        )
        kernel.measure(mesh, seen)
        face_grid = self._grid(seen.face_boxes, seen.covers)
        # Far lines are drawn but lie under all others.
        lines = [*[1] * (edges - len(self.far_lines)), *[0] * len(self.far_lines)]
        drawn = self._of_ints([a & b for a, b in zip(lines, seen.shown, strict=True)])
        line_grid = self._grid(seen.edge_boxes, drawn)
        most = 2 * (len(mesh.loop_points) + edges) + 8
        room = Room(ints(faces + edges), floats(most), floats(most), floats(most))
        starts, need = ints(edges + 1), 4 * edges + 8
        limits = self.tolerance.paper_mm, self.tolerance.depth
        while True:
            out = floats(need)
            need = kernel.hidden_portions(
                mesh, seen, face_grid, line_grid, room, out, starts, *limits
            )
            if need <= len(out):
                break
        ends = list(starts) if self._lists else starts.tolist()
        numbers = out if self._lists else out.tolist()
        return [
            [(numbers[k], numbers[k + 1]) for k in range(ends[e], ends[e + 1], 2)]
            for e in range(edges)
        ]

    def _mesh(self) -> Mesh:
        solids, far = self.solids, len(self.far_lines)
        vertices: list[float] = []
        for place in self._places:
            vertices += place
        # Places at infinity have no depth; for them only paper and nearness are asked.
        vertices += (0.0, 0.0, 0.0) * (2 * far)
        paper: list[float] = []
        for xy in self._paper:
            paper += xy
        loop_points: list[int] = []
        loop_lengths: list[int] = []
        face_lengths: list[int] = []
        edges: list[int] = []
        vertex = face = 0
        for solid in solids:
            shape = solid.shape.numbers
            face_lengths += shape.loops_of_faces
            loop_lengths += shape.points_of_loops
            loop_points += [vertex + k for k in shape.points]
            for (a, b), (one, two) in zip(shape.edge_ends, shape.edge_faces, strict=True):
                edges += (vertex + a, vertex + b, face + one, face + two)
            vertex += len(solid.vertices)
            face += len(solid.faces)
        for number in range(far):
            edges += (vertex + 2 * number, vertex + 2 * number + 1, -1, -1)
        of_ints, of_floats = self._of_ints, self._of_floats
        flags = [TRANSPARENT * s.transparent + FLOATING * s.floating for s in solids]
        return Mesh(
            vertices=of_floats(vertices),
            paper=of_floats(paper),
            nearness=of_floats(self._nearness),
            solid_vertices=of_ints(_starts(len(s.vertices) for s in solids)),
            solid_faces=of_ints(_starts(len(s.faces) for s in solids)),
            solid_flags=of_ints([*flags, 0]),
            face_solid=of_ints([i for i, s in enumerate(solids) for _ in s.faces]),
            face_loops=of_ints(_starts(face_lengths)),
            loop_starts=of_ints(_starts(loop_lengths)),
            loop_points=of_ints(loop_points),
            edges=of_ints(edges),
            edge_solid=of_ints(
                [*(i for i, s in enumerate(solids) for _ in s.edges), *[len(solids)] * far]
            ),
        )

    def _grid(self, boxes: Any, used: Any) -> Grid:
        xs = [x for x, _ in self._paper]
        ys = [y for _, y in self._paper]
        side = max(1, min(64, round(math.sqrt(len(self._paper) / 4))))
        left, top = min(xs), min(ys)
        wide, high = max((max(xs) - left) / side, 1e-3), max((max(ys) - top) / side, 1e-3)
        need = 2 * len(used)
        while True:
            starts, items = self._ints(side * side + 1), self._ints(need)
            grid = Grid(left, top, wide, high, side, starts, items)
            need = self._kernel.fill_grid(boxes, used, grid)
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


def _starts(lengths: Any) -> list[int]:
    return list(accumulate(lengths, initial=0))


def _numpy() -> Any:
    import numpy

    return numpy
