"""The steps of a block from its front edge: four guide lines, two sides, opposite to opposite."""

from __future__ import annotations

from collections.abc import Mapping
from typing import NamedTuple, Protocol

from orthopsis.construction.face import plumb
from orthopsis.construction.moves import Act, Mark, Ruled, Said, strung
from orthopsis.construction.places import across, down
from orthopsis.perspective.plane import LEFT, LEVEL, UPRIGHT
from orthopsis.perspective.view import VERTICAL, View
from orthopsis.phrase import Length, Value
from orthopsis.pieces.base import Site
from orthopsis.pieces.placement.anchor import FrontEdge
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.edges import Edges

Marks = dict[int, Mark]


class StandsOnEdge(Protocol):
    """A placement by a front edge, whose sides go back by a cut from one end of it."""

    @property
    def edge(self) -> FrontEdge: ...
    def cut(self, side: str) -> Cut: ...
    def cut_end(self, side: str, view: View) -> int: ...


class BaseBlock(NamedTuple):
    """A block whose lines are used: what it is called, and the marks of its corners."""

    name: Value
    marks: Mapping[int, Mark]


def draw_block(place: StandsOnEdge, site: Site, edges: Edges, on: BaseBlock | None = None) -> Marks:
    """All steps from the front edge on, or `on` the lines of a block that is drawn already."""
    paper, third = site.paper, site.third
    front = _front_edge_on(place, site, edges, on) if on else _front_edge(place, site, edges)
    marks: Marks = dict(zip((1, 2), front, strict=True))
    left_vp, right_vp = (site.points[found.name] for found in site.stage.view.level_points)

    step = site.begin("box-lines-to-both", Act.LINES)
    guides = {
        (end, vp.name): paper.aim(marks[end], vp, site.part)
        for vp in (left_vp, right_vp)
        for end in (1, 2)
    }
    step.say("box-lines-to-both", top=marks[1], foot=marks[2], left=left_vp, right=right_vp)
    step.check("box-lines-to-both-check")

    for side, vp, other_vp, corners in (
        ("left", left_vp, right_vp, (0, 3)),
        ("right", right_vp, left_vp, (5, 6)),
    ):
        step = site.begin(f"box-{side}", Act.BACKS)
        if on is not None:
            line = paper.along(*(on.marks[k] for k in corners))
            mark, other = (paper.cross(line, guides[end, vp.name]) for end in (1, 2))
            marks[corners[0]], marks[corners[1]] = mark, other
            upright = strung(*(on.marks[k] for k in corners))
            step.say("box-side-on", base=on.name, upright=upright)
        else:
            end = place.cut_end(side, site.stage.view) + 1
            laying = LEVEL if vp.at.x > other_vp.at.x else LEFT
            mark, said = place.cut(side).build(
                site, marks[end], vp, guides[end, vp.name], laying, marks.values(),
                "top" if end == 1 else "bottom", side,
            )  # fmt: skip
            other = paper.cross(plumb(paper, mark, third), guides[3 - end, vp.name])
            marks[corners[0]], marks[corners[1]] = (mark, other) if end == 1 else (other, mark)
            step.says.append(said)
        edges.keep(marks, *corners, site.stage.view.uprights.name)
        edges.keep(marks, 1, corners[0], vp.name)
        edges.keep(marks, 2, corners[1], vp.name)
        drawn = strung(*(marks[k] for k in corners))
        if third is None or on is not None:
            step.say("box-upright", line=drawn)
        else:
            step.say("box-upright-to", mark=mark, third=third, line=drawn)
        if third is None:
            step.check("box-upright-check", line=drawn, vp=vp)
        else:
            step.check("box-upright-to-check", line=drawn, vp=vp, third=third)
    _close_back(site, edges, marks, left_vp, right_vp)
    return marks


def _front_edge(place: StandsOnEdge, site: Site, edges: Edges) -> tuple[Mark, Mark]:
    """The front edge from its upper end: straight down, or on the line through VP3."""
    edge, paper, third = place.edge, site.paper, site.third
    step = site.begin("box-edge", Act.FRONTS)
    top = paper.measure(edge.x_mm, edge.upper.y)
    said: dict[str, Said] = {
        "top": top, "across": across(edge.x_mm, paper.sheet),
        "down": down(edge.upper.y, paper.sheet),
        "length": Length(edge.drawn_mm),
    }  # fmt: skip
    if third is None:
        bottom = paper.measure_along(top, UPRIGHT, edge.drawn_mm)
        step.say("box-edge-down", **said, foot=bottom)
        step.check("box-edge-check")
        family = VERTICAL
    else:
        below = third.at.y > top.at.y
        bottom = paper.measure_along(top, third, edge.drawn_mm if below else -edge.drawn_mm)
        step.say("box-edge-toward" if below else "box-edge-from", **said, foot=bottom, third=third)
        step.check("box-edge-to-check", third=third)
        family = third.name
    step.differs(**{name: said[name] for name in ("across", "down", "length")})
    edges.keep({1: top, 2: bottom}, 1, 2, family)
    return top, bottom


def _front_edge_on(
    place: StandsOnEdge, site: Site, edges: Edges, on: BaseBlock
) -> tuple[Mark, Mark]:
    """The front edge of the block whose lines are used, drawn on."""
    paper, third = site.paper, site.third
    upper, lower = place.edge.ends(site.stage.view.uprights.at)
    step = site.begin("box-edge-on", Act.FRONTS)
    line = paper.along(on.marks[1], on.marks[2])
    top, bottom = (paper.measure_down(end.y, line) for end in (upper, lower))
    edges.keep({1: top, 2: bottom}, 1, 2, VERTICAL if third is None else third.name)
    drawn_on = strung(on.marks[1], on.marks[2])
    step.say(
        "box-edge-on",
        base=on.name, line=drawn_on, top=top, down=down(upper.y, paper.sheet), foot=bottom,
        below=down(lower.y, paper.sheet),
    )  # fmt: skip
    step.differs(top=down(upper.y, paper.sheet), foot=down(lower.y, paper.sheet))
    step.check("box-edge-on-check", edge=strung(top, bottom), line=drawn_on)
    return top, bottom


def _close_back(site: Site, edges: Edges, marks: Marks, left_vp: Mark, right_vp: Mark) -> None:
    """Opposite corner to opposite vanishing point, where the top, underside or back shows."""
    paper, third, level_mm = site.paper, site.third, site.stage.view.eye_level_mm
    ends = ((0, 5, 4, "box-top"), (3, 6, 7, "box-underside"))
    upright: Ruled | None = None
    # First the end further from the eye level, where the lines cross at the better angle.
    for left, right, back, name in sorted(
        ends, key=lambda e: -abs(marks[1 if e[2] == 4 else 2].at.y - level_mm)
    ):
        touching = (left, back), (right, back), (4, 7)
        if not any(edges.shows(a, b) for a, b in touching):
            continue
        step = site.begin(name, Act.BACKS)
        to_right = paper.aim(marks[left], right_vp, site.part)
        to_left = paper.aim(marks[right], left_vp, site.part)
        on_level = abs(marks[left].at.y - level_mm) < 1e-6
        if on_level:
            if upright is None:
                # On the eye level both lines are one: the corner lies under that of the other end.
                beside, beyond = (0, 5) if back == 7 else (3, 6)
                lines = paper.lay(marks[beside], right_vp), paper.lay(marks[beyond], left_vp)
                upright = plumb(paper, paper.cross(*lines), third)
            marks[back] = paper.cross(upright, to_right)
        else:
            marks[back] = paper.cross(to_right, to_left)
        edges.keep(marks, left, back, right_vp.name)
        edges.keep(marks, right, back, left_vp.name)
        step.say(
            "box-opposite",
            left=marks[left], right=marks[right], back=marks[back],
            left_vp=left_vp, right_vp=right_vp,
        )  # fmt: skip
        if {4, 7} <= marks.keys():
            edges.keep(marks, 4, 7, site.stage.view.uprights.name)
            if third is None:
                step.check("box-backs-check", upper=marks[4], lower=marks[7])
            else:
                step.check("box-backs-to-check", upper=marks[4], lower=marks[7], third=third)
        else:
            step.check("box-opposite-check", back=marks[back])
            upright = plumb(paper, marks[back], third)
