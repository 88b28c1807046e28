"""From the foot up, in one point: the plan on the floor, then the front, then the back."""

from __future__ import annotations

from typing import Protocol

from orthopsis.construction.moves import Act, Mark, Ruled, Said, Step, phrase, strung
from orthopsis.construction.places import across, down
from orthopsis.perspective.plane import LEFT, LEVEL, UPWARD, Point
from orthopsis.perspective.view import HORIZONTAL, VERTICAL
from orthopsis.phrase import Length, Phrase
from orthopsis.pieces.base import Measures, Site
from orthopsis.pieces.placement.anchor import FRONT_CORNERS, Front
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.edges import Edges
from orthopsis.pieces.placement.room import RoomMarks

Marks = dict[int, Mark]


class Carried(Measures):
    """The room from whose back wall a height is carried, and its level; "" is the ceiling."""

    room: str
    level: str


class FootLine(Protocol):
    """The line on the floor that something stands on."""

    @property
    def at(self) -> Point: ...
    @property
    def width_mm(self) -> float: ...


class StandsOnFoot(Protocol):
    """A front that stands on the floor."""

    @property
    def front(self) -> Front: ...
    @property
    def foot(self) -> FootLine: ...
    @property
    def depth(self) -> Cut: ...
    @property
    def carried(self) -> Carried | None: ...
    def depth_corner(self, vp: Point) -> int: ...


def plan(place: StandsOnFoot, site: Site) -> tuple[Marks, dict[int, Ruled]]:
    """The foot, lines to the point, the depth, and the back of the plan, all lightly; the marks of
    the block's lower corners and the lines that run back from 2 and 3.
    """
    paper, part = site.paper, site.part
    (vp,) = (site.points[found.name] for found in site.stage.view.level_points)
    step = site.begin("foot-plan", Act.PLAN)
    marks = measured_foot(site, step, place.foot, vp)
    paper.join(marks[3], marks[2], HORIZONTAL, part)
    guides = {k: paper.aim(marks[k], vp, part) for k in (3, 2)}
    start = place.depth_corner(vp.at)
    far, cut = place.depth.build(
        site, marks[start], vp, guides[start], LEVEL if start == 3 else LEFT, marks.values(),
        FRONT_CORNERS[start],
    )  # fmt: skip
    other = 5 - start
    marks[start + 4] = far
    marks[other + 4] = paper.cross(paper.level(far), guides[other])
    paper.join(marks[7], marks[6], HORIZONTAL, part)
    step.says.append(cut)
    step.say("foot-plan-back", far=far, other=marks[other + 4])
    step.check("foot-plan-check", vp=vp)
    return marks, guides


def measured_foot(site: Site, step: Step, foot: FootLine, vp: Mark) -> Marks:
    """The ends of a foot, 3 and 2, with what is said of them."""
    paper, (x_mm, y_mm) = site.paper, foot.at.xy
    left = paper.measure(x_mm, y_mm)
    right = paper.measure_along(left, LEVEL, foot.width_mm)
    said: dict[str, Said] = {
        "across": across(x_mm, paper.sheet), "down": down(y_mm, paper.sheet),
        "width": Length(foot.width_mm),
    }  # fmt: skip
    step.say("foot-plan", left=left, right=right, vp=vp, **said)
    step.differs(**said)
    return {3: left, 2: right}


def raise_front(place: StandsOnFoot, site: Site, marks: Marks, guides: dict[int, Ruled]) -> Phrase:
    """The upper corners of the front, 0 and 1; how they were found."""
    paper, front = site.paper, place.front
    (vp,) = (site.points[found.name] for found in site.stage.view.level_points)
    if place.carried is None:
        marks[0] = paper.measure_along(marks[3], UPWARD, front.height_mm)
        marks[1] = paper.cross(paper.level(marks[0]), paper.upright(marks[2]))
        height = Length(front.height_mm)
        return phrase("foot-raise", left=marks[3], top=marks[0], right=marks[1], height=height)
    # From the end of the foot whose line to the point lies flatter.
    base = max((3, 2), key=lambda k: abs(marks[k].at.x - vp.at.x))
    wall, high, top = carry(site, place.carried, marks[base], guides[base], vp)
    marks[3 - base] = top
    other = 1 if base == 3 else 0
    marks[other] = paper.cross(paper.level(top), paper.upright(marks[3 - other]))
    return phrase(
        "foot-carry" if place.carried.level else "foot-carry-to-ceiling",
        foot=marks[base], vp=vp, wall=wall, high=high, top=top, other=marks[other],
    )  # fmt: skip


def carry(
    site: Site, carried: Carried, foot: Mark, guide: Ruled, vp: Mark
) -> tuple[Mark, Mark, Mark]:
    """A height from the back wall to the upright over a foot: along the floor to the wall, up it to
    the height, and on the line to the point out again.
    """
    paper = site.paper
    room = marks_of_room(site, carried.room)
    wall = paper.cross(guide, paper.along(room[3], room[2]))
    if carried.level:
        line = paper.level(room.levels[carried.level])
    else:
        line = paper.along(room[0], room[1])
    high = paper.cross(paper.upright(wall), line)
    paper.join(wall, high, VERTICAL, site.part)
    top = paper.cross(paper.lay(high, vp), paper.upright(foot))
    paper.join(high, top, vp.name, site.part)
    return wall, high, top


def marks_of_room(site: Site, name: str) -> RoomMarks:
    """The marks of a room that is drawn already."""
    return next(
        handed for part, handed in site.before.items()
        if part.piece == name and isinstance(handed, RoomMarks)
    )  # fmt: skip


def light_from_foot(place: StandsOnFoot, site: Site) -> Marks:
    """The plan and the front, lightly, for something that is cut from the block."""
    marks, guides = plan(place, site)
    step = site.begin("foot-front", Act.PLAN)
    step.says.append(raise_front(place, site, marks, guides))
    for a, b, family in (
        (3, 0, VERTICAL), (0, 1, HORIZONTAL), (1, 2, VERTICAL),
    ):  # fmt: skip
        site.paper.join(marks[a], marks[b], family, site.part)
    if place.carried is None:
        step.differs(height=Length(place.front.height_mm))
    step.check("block-check")
    return marks


def draw_from_foot(place: StandsOnFoot, site: Site, edges: Edges) -> Marks:
    """A block from its plan up."""
    paper = site.paper
    (vp,) = (site.points[found.name] for found in site.stage.view.level_points)
    marks, guides = plan(place, site)
    step = site.begin("foot-front", Act.FRONTS)
    step.says.append(raise_front(place, site, marks, guides))
    if place.carried is None:
        step.differs(height=Length(place.front.height_mm))
    for number, family in enumerate((HORIZONTAL, VERTICAL, HORIZONTAL, VERTICAL)):
        edges.keep(marks, number, (number + 1) % 4, family)
    step.say("foot-front", face=strung(*(marks[k] for k in range(4))))
    step.check("box-front-check")
    needed = [
        k for k in (0, 1)
        if edges.shows(k, k + 4) or edges.shows(4, 5) or edges.shows(k + 4, 7 - k)
    ]  # fmt: skip
    if not needed and not edges.shows(6, 7):
        for k in (2, 3):
            edges.keep(marks, k, k + 4, vp.name)
        step.check("box-no-side", vp=vp)
        return marks
    step = site.begin("foot-back", Act.BACKS)
    tops = {k: paper.aim(marks[k], vp, site.part) for k in needed}
    # Where a line to the point runs upright, its end is found level with the other.
    flat_first = sorted(needed, key=lambda k: -abs(marks[k].at.x - vp.at.x))
    for k in flat_first:
        if abs(marks[k].at.x - vp.at.x) > 1e-6:
            marks[k + 4] = paper.cross(tops[k], paper.upright(marks[7 - k]))
        else:
            if 5 - k not in marks:
                beside = paper.aim(marks[1 - k], vp, site.part, fate="erase")
                marks[5 - k] = paper.cross(beside, paper.upright(marks[6 + k]))
            marks[k + 4] = paper.cross(tops[k], paper.level(marks[5 - k]))
    for k, family in enumerate((HORIZONTAL, VERTICAL, HORIZONTAL, VERTICAL)):
        if k + 4 in marks:
            edges.keep(marks, k, k + 4, vp.name)
        if {k + 4, (k + 1) % 4 + 4} <= marks.keys():
            edges.keep(marks, k + 4, (k + 1) % 4 + 4, family)
    step.say("foot-back", vp=vp)
    step.check("box-back-check")
    return marks
