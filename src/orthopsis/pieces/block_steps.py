"""The steps that draw a box with a ruler, from its front face or from its front edge."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from orthopsis.construction.face import plumb
from orthopsis.construction.moves import Mark, Ruled
from orthopsis.construction.order import Body
from orthopsis.construction.paper import Paper
from orthopsis.perspective.plane import LEFT, LEVEL, UPRIGHT, distance
from orthopsis.perspective.view import HORIZONTAL, VERTICAL
from orthopsis.pieces.base import Stage
from orthopsis.pieces.block import Block
from orthopsis.pieces.block_shape import INWARD, seen_edges


class Edges:
    """Which edges are drawn, and the keeping of them.

    A `light` block is only a help for something in it: its edges are drawn thinly and erased, all
    of them if what stands in it needs the `whole` block.
    """

    def __init__(
        self, paper: Paper, body: Body, *, light: bool = False, whole: bool = False
    ) -> None:
        self.paper, self.body, self.light = paper, body, light
        corners = [place for place, _ in body.corners]
        self.seen = seen_edges(corners, whole or (body.transparent and not light))

    def shows(self, a: int, b: int) -> bool:
        return (min(a, b), max(a, b)) in self.seen

    def keep(self, marks: Mapping[int, Mark], a: int, b: int, family: str) -> None:
        if not self.shows(a, b):
            return
        if self.light:
            self.paper.join(marks[a], marks[b], family, self.body.piece)
        else:
            self.paper.keep(marks[a], marks[b], family, self.body)


def construct_block(
    box: Block, paper: Paper, stage: Stage, edges: Edges, points: Mapping[str, Mark]
) -> dict[int, Mark]:
    """The steps of a block; returns the marks of its corners, 0 to 7, as far as they are needed."""
    construct = _construct_from_edge if box.front is None else _construct_from_front
    marks = construct(box, paper, stage, edges, points)
    paper.corner_marks[box.id] = marks
    return marks


def _construct_from_front(
    box: Block, paper: Paper, stage: Stage, edges: Edges, points: Mapping[str, Mark]
) -> dict[int, Mark]:
    """One point: the front face, lines to the vanishing point, one depth, the back."""
    assert box.front is not None and box.depth is not None
    front = box.front
    (vp,) = (points[found.name] for found in stage.view.vanishing_points)
    length, say = paper.wording.length, paper.wording.say
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
    step.instruction = say(
        f"Mark {a.name} {length(front.x_mm)} from the left edge and {length(front.y_mm)} from the "
        f"top edge. Draw the front face {a.name} {b.name} {c.name} {d.name}: "
        f"{length(front.width_mm)} wide and {length(front.height_mm)} high.",
        f"Mark {a.name}: {length(front.x_mm)} from the left edge, {length(front.y_mm)} from the "
        f"top edge. From {a.name} draw the front face: {length(front.width_mm)} wide, "
        f"{length(front.height_mm)} high. Its corners are {a.name} {b.name} {c.name} {d.name}.",
    )
    step.check = "The uprights are square to the edge of the sheet."

    running = [i for i in range(4) if edges.shows(i, i + 4) and distance(marks[i].at, vp.at) > 1e-6]
    if not running:
        step.check += f" {vp.name} lies within the face, so no side of the box shows."
    else:
        _run_back(box, paper, stage, edges, marks, vp, running)
    return marks


def _run_back(
    box: Block,
    paper: Paper,
    stage: Stage,
    edges: Edges,
    marks: dict[int, Mark],
    vp: Mark,
    running: list[int],
) -> None:
    assert box.depth is not None
    start, say = box.depth_corner(vp.at), paper.wording.say
    step = paper.begin(f"{box.name}: lines to {vp.name}", box.id)
    guides = {i: paper.aim(marks[i], vp, box.id) for i in running}
    names = listed([marks[i].name for i in running])
    step.instruction = say(
        f"Lay the ruler from {names} to {vp.name} and draw light guide lines.",
        f"Put the ruler on {vp.name}. Draw a light line to {names}.",
    )
    if start not in guides:
        guides[start] = paper.aim(marks[start], vp, box.id, fate="erase")
        step.instruction += (
            f" Draw one from {marks[start].name} too, very lightly, for the depth: "
            "it runs across the box."
        )
    along_level = abs(marks[start].at.y - vp.at.y) < 1e-9
    upright_neighbour = {0: 3, 3: 0, 1: 2, 2: 1}[start]
    if along_level and upright_neighbour not in guides:
        # A set square cannot carry the depth along the eye level itself: it goes round by the
        # corner above or below.
        guides[upright_neighbour] = paper.aim(marks[upright_neighbour], vp, box.id, fate="erase")
        step.instruction += f" Draw a light one from {marks[upright_neighbour].name} as well."
    left_out = [marks[i].name for i in range(4) if i not in guides]
    count = f"{len(running)} guide lines meet" if len(running) > 1 else "One guide line ends"
    step.check = f"{count} in {vp.name}."
    if left_out:
        step.check += f" None starts at {listed(left_out)}: it would run across the front face."

    step = paper.begin(f"{box.name}: how far back", box.id)
    far, sentence = box.depth.build(
        paper, marks[start], vp, guides[start], stage, INWARD[start], marks.values()
    )
    marks[start + 4] = far
    # The back of a corner that lies on the vanishing point is that corner.
    marks.update({i + 4: marks[i] for i in range(4) if distance(marks[i].at, vp.at) <= 1e-6})
    _carry_round(paper, guides, marks, start)
    for i in running:
        edges.keep(marks, i, i + 4, vp.name)
    for i, family in enumerate((HORIZONTAL, VERTICAL, HORIZONTAL, VERTICAL)):
        edges.keep(marks, i + 4, (i + 1) % 4 + 4, family)
    step.instruction = f"{sentence} " + say(
        f"From {far.name} draw the back edges, level and upright, from guide line to guide line.",
        f"Start at {far.name}. Draw the back edges level and upright. Stop at each guide line.",
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


def _construct_from_edge(
    box: Block, paper: Paper, stage: Stage, edges: Edges, points: Mapping[str, Mark]
) -> dict[int, Mark]:
    """Two and three points: the front edge, four guide lines, two sides, opposite to opposite."""
    assert box.edge is not None
    say = paper.wording.say
    third = points.get(stage.view.uprights.name)
    # The block whose lines are used, when it is drawn already.
    base = paper.corner_marks.get(box.stack.on) if box.stack is not None else None
    front_edge = _front_edge(box, paper, edges, third, base)
    marks = dict(zip((1, 2), front_edge, strict=True))
    top, bottom = marks[1], marks[2]
    left_vp, right_vp = (points[found.name] for found in stage.view.level_points)

    step = paper.begin(f"{box.name}: lines to both points", box.id)
    guides = {
        (end, vp.name): paper.aim(marks[end], vp, box.id)
        for vp in (left_vp, right_vp)
        for end in (1, 2)
    }
    step.instruction = say(
        f"Draw light guide lines from {top.name} and from {bottom.name} to {left_vp.name} and "
        f"to {right_vp.name}.",
        f"Draw two light lines to {left_vp.name}: one from {top.name}, one from {bottom.name}. "
        f"Draw two light lines to {right_vp.name} from the same corners.",
    )
    step.check = "Four guide lines: two meet in each vanishing point."

    for side, vp, other_vp, corners in (
        ("left", left_vp, right_vp, (0, 3)),
        ("right", right_vp, left_vp, (5, 6)),
    ):
        step = paper.begin(f"{box.name}: the {side} side", box.id)
        if base is not None and box.stack is not None:
            line = paper.along(base[corners[0]], base[corners[1]])
            mark, other = (paper.cross(line, guides[end, vp.name]) for end in (1, 2))
            marks[corners[0]], marks[corners[1]] = mark, other
            sentence = (
                f"Use the line of {box.stack.on}: lay the ruler along its upright "
                f"{line.uses[0]} {line.uses[1]}."
            )
        else:
            end = box.cut_end(side, stage.view) + 1
            laying = LEVEL if vp.at.x > other_vp.at.x else LEFT
            mark, sentence = box.cut(side).build(
                paper, marks[end], vp, guides[end, vp.name], stage, laying, marks.values()
            )
            other = paper.cross(plumb(paper, mark, third), guides[3 - end, vp.name])
            marks[corners[0]], marks[corners[1]] = (mark, other) if end == 1 else (other, mark)
        edges.keep(marks, *corners, stage.view.uprights.name)
        edges.keep(marks, 1, corners[0], vp.name)
        edges.keep(marks, 2, corners[1], vp.name)
        upper, lower = marks[corners[0]].name, marks[corners[1]].name
        step.instruction = f"{sentence} " + (
            f"Draw the upright {upper} {lower} between the two guide lines."
            if third is None or base is not None
            else say(
                f"Lay the ruler through {mark.name} and {third.name} and draw {upper} {lower} "
                "between the two guide lines.",
                f"Put the ruler on {mark.name} and {third.name}. Draw {upper} {lower}. Stop at "
                "both guide lines.",
            )
        )
        straight = "is square to the sheet" if third is None else f"points at {third.name}"
        step.check = f"{upper} {lower} {straight} and stops on both lines to {vp.name}."
    _close_back(box, paper, stage, edges, marks, left_vp, right_vp, third)
    return marks


def _front_edge(
    box: Block,
    paper: Paper,
    edges: Edges,
    third: Mark | None,
    base: Mapping[int, Mark] | None,
) -> tuple[Mark, Mark]:
    """The front edge from its upper end: straight down, or on the line through VP3.

    On the lines of another block it is that block's front edge drawn on.
    """
    assert box.edge is not None
    if base is not None and box.stack is not None:
        return _front_edge_on(box, paper, edges, VERTICAL if third is None else third.name, base)
    edge, say, length = box.edge, paper.wording.say, paper.wording.length
    step = paper.begin(f"{box.name}: the front edge", box.id)
    top = paper.measure(edge.x_mm, edge.upper.y)
    if third is None:
        bottom = paper.measure_along(top, UPRIGHT, edge.drawn_mm)
        how = "straight down"
        step.check = "The front edge is square to the top edge of the sheet."
        family = VERTICAL
    else:
        below = third.at.y > top.at.y
        bottom = paper.measure_along(top, third, edge.drawn_mm if below else -edge.drawn_mm)
        how = f"toward {third.name}" if below else f"down, in line with {third.name}"
        step.check = f"The ruler along the front edge passes through {third.name}."
        family = third.name
    step.instruction = say(
        f"Mark {top.name} {length(edge.x_mm)} from the left edge and {length(edge.upper.y)} from "
        f"the top edge. Draw the front edge {how}, {length(edge.drawn_mm)} long, "
        f"to {bottom.name}.",
        f"Mark {top.name}: {length(edge.x_mm)} from the left edge, {length(edge.upper.y)} from "
        f"the top edge. Draw a line {how}, {length(edge.drawn_mm)} long. Its end is "
        f"{bottom.name}.",
    )
    edges.keep({1: top, 2: bottom}, 1, 2, family)
    return top, bottom


def _front_edge_on(
    box: Block, paper: Paper, edges: Edges, family: str, base: Mapping[int, Mark]
) -> tuple[Mark, Mark]:
    assert box.stack is not None
    stack, say, length = box.stack, paper.wording.say, paper.wording.length
    step = paper.begin(f"{box.name}: the front edge", box.id)
    line = paper.along(base[1], base[2])
    top, bottom = (paper.measure_down(y_mm, line) for y_mm in (stack.top_mm, stack.bottom_mm))
    edges.keep({1: top, 2: bottom}, 1, 2, family)
    drawn_on = f"{base[1].name} {base[2].name}"
    step.instruction = say(
        f"Lay the ruler along the front edge {drawn_on} of {stack.on} and draw it on: from "
        f"{top.name}, {length(stack.top_mm)} below the top edge of the sheet, to {bottom.name}, "
        f"{length(stack.bottom_mm)} below it.",
        f"Put the ruler along {drawn_on} of {stack.on}. Mark {top.name} {length(stack.top_mm)} "
        f"below the top edge. Mark {bottom.name} {length(stack.bottom_mm)} below it. Draw "
        f"{top.name} {bottom.name}.",
    )
    step.check = f"{top.name} {bottom.name} lies in one line with {drawn_on}."
    return top, bottom


def _close_back(
    box: Block,
    paper: Paper,
    stage: Stage,
    edges: Edges,
    marks: dict[int, Mark],
    left_vp: Mark,
    right_vp: Mark,
    third: Mark | None,
) -> None:
    """Opposite corner to opposite vanishing point, where the top, underside or back shows."""
    level_mm, say = stage.view.eye_level_mm, paper.wording.say
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
        at_left, at_right, at_back = marks[left].name, marks[right].name, marks[back].name
        step.instruction = say(
            f"Opposite corner to opposite point: draw lightly from {at_left} to {right_vp.name} "
            f"and from {at_right} to {left_vp.name}. They cross in the back corner {at_back}.",
            f"Opposite corner to opposite point. Draw a light line from {at_left} to "
            f"{right_vp.name}. Draw a light line from {at_right} to {left_vp.name}. Mark "
            f"{at_back} where they cross.",
        )
        step.check = f"The two back edges meet in {at_back} and nowhere else."
        if {4, 7} <= marks.keys():
            edges.keep(marks, 4, 7, stage.view.uprights.name)
            step.check = (
                f"{marks[4].name} stands straight above {marks[7].name}."
                if third is None
                else f"{marks[4].name} and {marks[7].name} lie in line with {third.name}."
            )
        else:
            upright = plumb(paper, marks[back], third)


def tidy(box: Block, paper: Paper) -> None:
    """Rub out what the piece grew from and darken what stays."""
    tidy_piece(box.id, box.name, box.kind, paper)


def tidy_piece(piece: str, name: str, what: str, paper: Paper) -> None:
    """The same for a piece by its id, its name in titles, and what it is called."""
    step = paper.begin(f"{name}: tidy and darken", piece)
    paper.tidy(piece)
    rub = paper.wording.rub_out
    curved = any(paper.strokes[number].stroke.curve is not None for number in step.darkens)
    darken = (
        "darken its sides with the ruler and its curves by hand"
        if curved
        else "darken its edges with the ruler"
    )
    then = f"{darken[0].upper()}{darken[1:]}."
    if step.erases:
        step.instruction = paper.wording.say(
            f"{rub} the light guide lines of this {what}, then {darken}.",
            f"{rub} the light guide lines of this {what}. {then}",
        )
    else:
        step.instruction = then
    step.check = "Only what can be seen is dark."


def listed(names: Sequence[str]) -> str:
    """Names as they are read aloud: A, B and C."""
    return names[0] if len(names) == 1 else f"{', '.join(names[:-1])} and {names[-1]}"
