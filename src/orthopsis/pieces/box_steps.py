"""The steps that draw a box with a ruler, from its front face or from its front edge."""

from __future__ import annotations

from collections.abc import Mapping
from typing import TYPE_CHECKING

from orthopsis.construction.moves import Mark, Ruled
from orthopsis.construction.order import Body
from orthopsis.construction.paper import Paper
from orthopsis.perspective.plane import LEVEL, UPRIGHT, distance
from orthopsis.perspective.view import HORIZONTAL, VERTICAL
from orthopsis.pieces.base import Stage
from orthopsis.pieces.box_shape import seen_edges

if TYPE_CHECKING:
    from orthopsis.pieces.box import Box


class _Edges:
    """Which edges are drawn, and the keeping of them."""

    def __init__(self, paper: Paper, body: Body) -> None:
        self.paper, self.body = paper, body
        self.seen = seen_edges([place for place, _ in body.corners], body.transparent)

    def shows(self, a: int, b: int) -> bool:
        return (min(a, b), max(a, b)) in self.seen

    def keep(self, marks: Mapping[int, Mark], a: int, b: int, family: str) -> None:
        if self.shows(a, b):
            self.paper.keep(marks[a], marks[b], family, self.body)


def construct_from_front(
    box: Box, paper: Paper, stage: Stage, body: Body, points: Mapping[str, Mark]
) -> None:
    """One point: the front face, lines to the vanishing point, one depth, the back."""
    assert box.front is not None and box.depth is not None
    front, edges = box.front, _Edges(paper, body)
    (vp,) = (points[found.name] for found in stage.view.vanishing_points)
    length = paper.wording.length
    step = paper.begin(f"{box.name}: the front face", box.id)
    a = paper.measure(front.x_mm, front.y_mm)
    b = paper.measure_along(a, LEVEL, front.width_mm)
    c = paper.measure_along(b, UPRIGHT, front.height_mm)
    d = paper.cross(paper.level(c), paper.upright(a))
    marks = {0: a, 1: b, 2: c, 3: d}
    for first, second, family in (
        (0, 1, HORIZONTAL),
        (1, 2, VERTICAL),
        (2, 3, HORIZONTAL),
        (3, 0, VERTICAL),
    ):
        edges.keep(marks, first, second, family)
    step.instruction = (
        f"Mark {a.name} {length(front.x_mm)} from the left edge and {length(front.y_mm)} from the "
        f"top edge. Draw the front face {a.name} {b.name} {c.name} {d.name}: "
        f"{length(front.width_mm)} wide and {length(front.height_mm)} high."
    )
    step.check = "The uprights are square to the edge of the sheet."

    running = [i for i in range(4) if edges.shows(i, i + 4) and distance(marks[i].at, vp.at) > 1e-6]
    if not running:
        step.check += f" {vp.name} lies within the face, so no side of the box shows."
    else:
        _run_back(box, paper, stage, edges, marks, vp, running)
    _tidy(box, paper, body)


def _run_back(
    box: Box,
    paper: Paper,
    stage: Stage,
    edges: _Edges,
    marks: dict[int, Mark],
    vp: Mark,
    running: list[int],
) -> None:
    assert box.depth is not None
    start = box.depth_corner(vp.at)
    step = paper.begin(f"{box.name}: lines to {vp.name}", box.id)
    guides = {i: paper.aim(marks[i], vp, box.id) for i in running}
    names = _listed([marks[i].name for i in running])
    step.instruction = f"Lay the ruler from {names} to {vp.name} and draw light guide lines."
    if start not in guides:
        guides[start] = paper.aim(marks[start], vp, box.id, fate="erase")
        step.instruction += (
            f" Draw one from {marks[start].name} too, very lightly, for the depth: "
            "it runs across the box."
        )
    left_out = [marks[i].name for i in range(4) if i not in guides]
    count = f"{len(running)} guide lines meet" if len(running) > 1 else "One guide line ends"
    step.check = f"{count} in {vp.name}."
    if left_out:
        step.check += f" None starts at {_listed(left_out)}: it would run across the front face."

    step = paper.begin(f"{box.name}: how far back", box.id)
    far, sentence = box.depth.build(
        paper, marks[start], vp, guides[start], stage, lay_right=start in (0, 3)
    )
    marks[start + 4] = far
    # The back of a corner that lies on the vanishing point is that corner.
    marks.update({i + 4: marks[i] for i in range(4) if distance(marks[i].at, vp.at) <= 1e-6})
    _carry_round(paper, guides, marks, start)
    for i in running:
        edges.keep(marks, i, i + 4, vp.name)
    for i, family in enumerate((HORIZONTAL, VERTICAL, HORIZONTAL, VERTICAL)):
        edges.keep(marks, i + 4, (i + 1) % 4 + 4, family)
    step.instruction = (
        f"{sentence} From {far.name} draw the back edges, level and upright, "
        "from guide line to guide line."
    )
    step.check = "Each back edge is parallel to its front edge, and they meet on the guide lines."


def _carry_round(
    paper: Paper, guides: Mapping[int, Ruled], marks: dict[int, Mark], start: int
) -> None:
    """From one back corner, level and upright from guide line to guide line."""
    waiting = [start]
    while waiting:
        i = waiting.pop(0)
        for neighbour in ((i + 1) % 4, (i - 1) % 4):
            if neighbour not in guides or neighbour + 4 in marks:
                continue
            levelwise = {i, neighbour} in ({0, 1}, {2, 3})
            guide = guides[neighbour].line
            # A guide line that lies along the set square does not cross it.
            if abs(guide.a if levelwise else guide.b) < 1e-9 * max(abs(guide.a), abs(guide.b)):
                continue
            square = paper.level if levelwise else paper.upright
            marks[neighbour + 4] = paper.cross(square(marks[i + 4]), guides[neighbour])
            waiting.append(neighbour)


def construct_from_edge(
    box: Box, paper: Paper, stage: Stage, body: Body, points: Mapping[str, Mark]
) -> None:
    """Two points: the front edge, four guide lines, two uprights, opposite to opposite."""
    assert box.edge is not None
    edge, edges = box.edge, _Edges(paper, body)
    length = paper.wording.length
    step = paper.begin(f"{box.name}: the front edge", box.id)
    top = paper.measure(edge.x_mm, edge.top_mm)
    bottom = paper.measure_along(top, UPRIGHT, edge.bottom_mm - edge.top_mm)
    marks = {1: top, 2: bottom}
    edges.keep(marks, 1, 2, VERTICAL)
    step.instruction = (
        f"Mark {top.name} {length(edge.x_mm)} from the left edge and {length(edge.top_mm)} from "
        f"the top edge. Draw the front edge straight down, "
        f"{length(edge.bottom_mm - edge.top_mm)} long, to {bottom.name}."
    )
    step.check = "The front edge is square to the top edge of the sheet."

    left_vp, right_vp = (points[found.name] for found in stage.view.vanishing_points)
    step = paper.begin(f"{box.name}: lines to both points", box.id)
    guides = {
        (end, vp.name): paper.aim(marks[end], vp, box.id)
        for vp in (left_vp, right_vp)
        for end in (1, 2)
    }
    step.instruction = (
        f"Draw light guide lines from {top.name} and from {bottom.name} to {left_vp.name} and "
        f"to {right_vp.name}."
    )
    step.check = "Four guide lines: two meet in each vanishing point."

    for side, vp, corners in (("left", left_vp, (0, 3)), ("right", right_vp, (5, 6))):
        step = paper.begin(f"{box.name}: the {side} side", box.id)
        end = box.cut_end(side, stage.view.eye_level_mm)
        mark, sentence = box.cut(side).build(
            paper, marks[end], vp, guides[end, vp.name], stage, lay_right=vp.at.x > edge.x_mm
        )
        other = paper.cross(paper.upright(mark), guides[3 - end, vp.name])
        marks[corners[0]], marks[corners[1]] = (mark, other) if end == 1 else (other, mark)
        edges.keep(marks, *corners, VERTICAL)
        edges.keep(marks, 1, corners[0], vp.name)
        edges.keep(marks, 2, corners[1], vp.name)
        step.instruction = (
            f"{sentence} Draw the upright {marks[corners[0]].name} {marks[corners[1]].name} "
            "between the two guide lines."
        )
        step.check = f"The upright is square to the sheet and stops on both lines to {vp.name}."
    _close_back(box, paper, stage, edges, marks, left_vp, right_vp)
    _tidy(box, paper, body)


def _close_back(
    box: Box,
    paper: Paper,
    stage: Stage,
    edges: _Edges,
    marks: dict[int, Mark],
    left_vp: Mark,
    right_vp: Mark,
) -> None:
    """Opposite corner to opposite vanishing point, where the top, underside or back shows."""
    level_mm = stage.view.eye_level_mm
    ends = ((0, 5, 4, "top"), (3, 6, 7, "underside"))
    upright: Ruled | None = None
    # First the end further from the eye level, where the lines cross at the better angle.
    for left, right, back, name in sorted(
        ends, key=lambda e: -abs(marks[1 if e[2] == 4 else 2].at.y - level_mm)
    ):
        touching = (left, back), (right, back), (4, 7)
        if not any(edges.shows(a, b) for a, b in touching):
            continue
        step = paper.begin(f"{box.name}: the {name}", box.id)
        to_right = paper.aim(marks[left], right_vp, box.id)
        to_left = paper.aim(marks[right], left_vp, box.id)
        on_level = abs(marks[left].at.y - level_mm) < 1e-6
        if on_level and upright is not None:
            marks[back] = paper.cross(upright, to_right)
        else:
            marks[back] = paper.cross(to_right, to_left)
        edges.keep(marks, left, back, right_vp.name)
        edges.keep(marks, right, back, left_vp.name)
        step.instruction = (
            "Opposite corner to opposite point: draw lightly from "
            f"{marks[left].name} to {right_vp.name} and from {marks[right].name} to "
            f"{left_vp.name}. They cross in the back corner {marks[back].name}."
        )
        step.check = f"The two back edges meet in {marks[back].name} and nowhere else."
        if {4, 7} <= marks.keys():
            edges.keep(marks, 4, 7, VERTICAL)
            step.check = f"{marks[4].name} stands straight above {marks[7].name}."
        else:
            upright = paper.upright(marks[back])


def _tidy(box: Box, paper: Paper, body: Body) -> None:
    step = paper.begin(f"{box.name}: tidy and darken", box.id)
    paper.tidy(box.id)
    rub = paper.wording.rub_out
    step.instruction = (
        f"{rub} the light guide lines of this box, then darken its edges with the ruler."
        if step.erases
        else "Darken the edges with the ruler."
    )
    step.check = "Only the edges that can be seen are dark."


def _listed(names: list[str]) -> str:
    return names[0] if len(names) == 1 else f"{', '.join(names[:-1])} and {names[-1]}"
