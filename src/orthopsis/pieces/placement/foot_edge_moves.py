"""From the foot up, in two points: the plan on the floor, then the front edge, sides and top."""

from __future__ import annotations

from typing import Protocol

from orthopsis.construction.moves import Act, Mark, Ruled, Said, Step, phrase, strung
from orthopsis.construction.places import across, down
from orthopsis.perspective.plane import LEFT, LEVEL, UPRIGHT, UPWARD
from orthopsis.perspective.view import VERTICAL, View
from orthopsis.phrase import Length
from orthopsis.pieces.base import Site
from orthopsis.pieces.placement.anchor import FrontEdge
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.edges import Edges
from orthopsis.pieces.placement.foot_moves import Carried, marks_of_room

Marks = dict[int, Mark]


class StandsOnCorner(Protocol):
    """A front edge that stands on the floor."""

    @property
    def edge(self) -> FrontEdge: ...
    @property
    def carried(self) -> Carried | None: ...
    def cut(self, side: str) -> Cut: ...
    def cut_end(self, side: str, view: View) -> int: ...


def draw_from_foot_corner(place: StandsOnCorner, site: Site, edges: Edges) -> Marks:
    """A block from its plan up; the marks of its corners as far as needed."""
    paper = site.paper
    left_vp, right_vp = (site.points[found.name] for found in site.stage.view.level_points)
    marks, guides = _plan(place, site, left_vp, right_vp)
    step = site.begin("foot-edge", Act.FRONTS)
    _raise(place, site, step, marks, guides, left_vp)
    edges.keep(marks, 1, 2, VERTICAL)
    step = site.begin("foot-sides", Act.BACKS)
    tops = {k: paper.aim(marks[1], vp, site.part) for k, vp in ((0, left_vp), (5, right_vp))}
    for k, foot, vp in ((0, 3, left_vp), (5, 6, right_vp)):
        marks[k] = paper.cross(tops[k], paper.upright(marks[foot]))
        edges.keep(marks, k, foot, VERTICAL)
        edges.keep(marks, 1, k, vp.name)
        edges.keep(marks, 2, foot, vp.name)
    step.say("foot-sides", top=marks[1], left=left_vp, right=right_vp)
    step.check("box-lines-to-both-check")
    if any(edges.shows(a, b) for a, b in ((0, 4), (5, 4), (4, 7))):
        step = site.begin("foot-top", Act.BACKS)
        lines = paper.aim(marks[0], right_vp, site.part), paper.aim(marks[5], left_vp, site.part)
        level_mm = site.stage.view.eye_level_mm
        if abs(marks[1].at.y - level_mm) > 1e-6:
            marks[4] = paper.cross(*lines)
        else:
            marks[4] = paper.cross(lines[0], paper.upright(marks[7]))
        edges.keep(marks, 0, 4, right_vp.name)
        edges.keep(marks, 5, 4, left_vp.name)
        edges.keep(marks, 4, 7, VERTICAL)
        step.say(
            "box-opposite",
            left=marks[0], right=marks[5], back=marks[4], left_vp=left_vp, right_vp=right_vp,
        )  # fmt: skip
        step.check("box-backs-check", upper=marks[4], lower=marks[7])
    edges.keep(marks, 3, 7, right_vp.name)
    edges.keep(marks, 6, 7, left_vp.name)
    return marks


def _plan(
    place: StandsOnCorner, site: Site, left_vp: Mark, right_vp: Mark
) -> tuple[Marks, dict[str, Ruled]]:
    """The corner, lines to both points, both cuts, and the back of the plan."""
    paper, foot = site.paper, place.edge.ends(UPRIGHT)[1]
    step = site.begin("foot-plan", Act.PLAN)
    corner = paper.measure(*foot.xy)
    guides = {vp.name: paper.aim(corner, vp, site.part) for vp in (left_vp, right_vp)}
    said: dict[str, Said] = {
        "across": across(foot.x, paper.sheet), "down": down(foot.y, paper.sheet),
    }  # fmt: skip
    step.say("foot-plan-corner", corner=corner, left=left_vp, right=right_vp, **said)
    step.differs(**said)
    marks = {2: corner}
    for side, number, vp in (("left", 3, left_vp), ("right", 6, right_vp)):
        laying = LEVEL if side == "right" else LEFT
        marks[number], cut = place.cut(side).build(
            site, corner, vp, guides[vp.name], laying, marks.values(), "bottom", side
        )
        step.says.append(cut)
    to_right = paper.aim(marks[3], right_vp, site.part)
    to_left = paper.aim(marks[6], left_vp, site.part)
    marks[7] = paper.cross(to_right, to_left)
    step.say(
        "box-opposite",
        left=marks[3], right=marks[6], back=marks[7], left_vp=left_vp, right_vp=right_vp,
    )  # fmt: skip
    step.check("foot-plan-corner-check", plan=strung(*(marks[k] for k in (2, 3, 7, 6))))
    return marks, guides


def _raise(
    place: StandsOnCorner,
    site: Site,
    step: Step,
    marks: Marks,
    guides: dict[str, Ruled],
    left_vp: Mark,
) -> None:
    """The upper end of the front edge: measured, or carried along the floor to a wall and back."""
    paper, edge = site.paper, place.edge
    if place.carried is None:
        marks[1] = paper.measure_along(marks[2], UPWARD, edge.drawn_mm)
        step.say("foot-edge", foot=marks[2], top=marks[1], height=Length(edge.drawn_mm))
        step.differs(height=Length(edge.drawn_mm))
        step.check("box-edge-check")
        return
    room = marks_of_room(site, place.carried.room)
    # What leads to the left point meets the left wall, whose own lines come from the right one.
    right_vp = next(site.points[p.name] for p in site.stage.view.level_points[1:])
    wall = paper.cross(guides[left_vp.name], paper.lay(room[1], right_vp))
    start = room.levels[place.carried.level] if place.carried.level else room[0]
    high = paper.cross(paper.upright(wall), paper.lay(start, right_vp))
    paper.join(wall, high, VERTICAL, site.part)
    marks[1] = paper.cross(paper.lay(high, left_vp), paper.upright(marks[2]))
    paper.join(high, marks[1], left_vp.name, site.part)
    step.says.append(
        phrase(
            "foot-carry-corner" if place.carried.level else "foot-carry-corner-to-ceiling",
            foot=marks[2], vp=left_vp, wall=wall, start=start, other=right_vp, high=high,
            top=marks[1],
        )
    )  # fmt: skip
    step.check("box-edge-check")
