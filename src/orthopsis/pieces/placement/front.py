"""On a front: a face in true shape that runs to the one vanishing point."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import Annotated, ClassVar

from orthopsis.construction.moves import Act, Mark, Ruled, Said, count, phrase, several, strung
from orthopsis.construction.order import NearPlace
from orthopsis.construction.paper import Paper
from orthopsis.construction.places import across, down
from orthopsis.perspective.plane import LEFT, LEVEL, UPRIGHT, Point, distance, part_way
from orthopsis.perspective.segments import XY
from orthopsis.perspective.vector import plus
from orthopsis.perspective.view import HORIZONTAL, VERTICAL, View, eye_space, on_paper
from orthopsis.phrase import Length, say
from orthopsis.pieces.base import Grip, Site, Stage
from orthopsis.pieces.placement.anchor import FRONT_CORNERS, Front
from orthopsis.pieces.placement.corners import INWARD
from orthopsis.pieces.placement.depth import (
    ON_LEVEL_MM,
    Cut,
    check_cut,
    check_share,
    share_on_paper,
)
from orthopsis.pieces.placement.edges import Edges
from orthopsis.pieces.placement.placement import BlockPlacement, Frame, Placement
from orthopsis.pieces.placement.room import room_surface
from orthopsis.pieces.roles import FieldRole

BESIDE = {0: 3, 3: 0, 1: 2, 2: 1}
"""The corner above or below each corner of a front."""
SIDES = (HORIZONTAL, VERTICAL, HORIZONTAL, VERTICAL)
"""Families of a front's sides, from corner 0 on."""


def measured_front(paper: Paper, front: Front) -> tuple[Mark, Mark, Mark, Mark]:
    """Corners 0 to 3 of a rectangle in true shape: one from the sheet's edges, two from there, the
    last where level and upright lines meet.
    """
    a = paper.measure(front.x_mm, front.y_mm)
    b = paper.measure_along(a, LEVEL, front.width_mm)
    c = paper.measure_along(b, UPRIGHT, front.height_mm)
    return a, b, c, paper.cross(paper.level(c), paper.upright(a))


def front_measures(paper: Paper, front: Front) -> dict[str, Said]:
    """What is measured for it, as a sentence says it."""
    return {
        "across": across(front.x_mm, paper.sheet),
        "down": down(front.y_mm, paper.sheet),
        "width": Length(front.width_mm),
        "height": Length(front.height_mm),
    }


class OnFront(BlockPlacement):
    """A `front` face in true shape, and the `depth` to which it goes back."""

    form: ClassVar = "front"
    tells: ClassVar = "front"
    systems: ClassVar = (1,)
    sized: ClassVar = ("front.width_mm", "front.height_mm")
    surfaces: ClassVar = ("ceiling", "back", "left", "right")
    touches: ClassVar = {"ceiling": 0, "left": 0, "right": 1, "back": 4}

    front: Front
    depth: Annotated[Cut, FieldRole.DEPTH]

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> OnFront:
        del points
        front = Front(x_mm=at.x, y_mm=at.y - size_mm, width_mm=size_mm, height_mm=size_mm)
        return cls(front=front, depth=Cut(fraction=0.3))

    @classmethod
    def first_beside(
        cls, at: Point, size_mm: float, view: View, earlier: Mapping[str, Placement]
    ) -> Placement:
        """In a room it hangs on the surface that was pointed at."""
        found = super().first_beside(at, size_mm, view, earlier)
        surface = room_surface(earlier, at, view)
        if not isinstance(found, OnFront) or surface not in ("ceiling", "right"):
            return found
        place = {"y_mm": at.y} if surface == "ceiling" else {"x_mm": at.x - size_mm}
        return found.model_copy(update={"front": found.front.model_copy(update=place)})

    @property
    def anchor(self) -> Point:
        return self.front.corners[0]

    # --- for the picture ---------------------------------------------------------------------

    def frame(self, stage: Stage, places: Sequence[XY] | None = None) -> Frame:
        self._check(stage)
        (vanishing_point,) = stage.view.vanishing_points
        vp, depth = vanishing_point.at, self._relative_depth(stage)
        start, _ = self.depth_start(vp, places)
        share = self.depth.share_by_projection(start, vp, stage.view)
        check_share(share, (start, vp), self.depth, stage, "depth")
        near = [eye_space(place, depth) for place in self.front.corners]
        sweep = eye_space(vp, depth * share / (1.0 - share))
        return Frame(near, list(SIDES), sweep, vanishing_point.name)

    def _relative_depth(self, stage: Stage) -> float:
        return stage.depth_at(self.front.y_mm + self.front.height_mm, "front")

    # --- for the construction ----------------------------------------------------------------

    def corners(self, stage: Stage, places: Sequence[XY] | None = None) -> tuple[NearPlace, ...]:
        self._check(stage)
        vp = stage.view.vanishing_points[0].at
        start, inward = self.depth_start(vp, places)
        place = self.depth.place_on_paper(start, vp, stage.view, inward)
        share = share_on_paper(start, vp, place)
        check_share(share, (start, vp), self.depth, stage, "depth")
        nearness = 1.0 / self._relative_depth(stage)
        # The back is the front again, drawn smaller toward the vanishing point.
        near = [(corner, nearness) for corner in self.front.corners]
        far = [(part_way(p, vp, share), nearness * (1.0 - share)) for p in self.front.corners]
        return (*near, *far)

    def lay_out(self, site: Site, edges: Edges) -> dict[int, Mark]:
        """The front face, lines to the vanishing point, one depth, the back."""
        front, paper = self.front, site.paper
        (vp,) = (site.points[found.name] for found in site.stage.view.vanishing_points)
        step = site.begin("box-front", Act.FRONTS)
        corners = measured_front(paper, front)
        marks = dict(enumerate(corners))
        for number, family in enumerate(SIDES):
            edges.keep(marks, number, (number + 1) % 4, family)
        measures = front_measures(paper, front)
        step.say("box-front", corner=corners[0], face=strung(*corners), **measures)
        step.differs(**measures)
        step.check("box-front-check")
        apart = [distance(marks[i].at, vp.at) > 1e-6 for i in range(4)]
        running = [i for i in range(4) if edges.shows(i, i + 4) and apart[i]]
        if running:
            self._run_back(site, edges, marks, vp, running)
        else:
            step.check("box-no-side", vp=vp)
        return marks

    def _run_back(
        self, site: Site, edges: Edges, marks: dict[int, Mark], vp: Mark, running: list[int]
    ) -> None:
        paper, part = site.paper, site.part
        start = self.depth_corner(vp.at)
        step = site.begin("box-lines", Act.LINES, vp=vp)
        guides = {i: paper.aim(marks[i], vp, part) for i in running}
        step.say("box-lines", corners=several([marks[i] for i in running]), vp=vp)
        if start not in guides:
            guides[start] = paper.aim(marks[start], vp, part, fate="erase")
            step.say("box-line-for-depth", corner=marks[start])
        if abs(marks[start].at.y - vp.at.y) < 1e-9 and BESIDE[start] not in guides:
            # A set square cannot carry the depth along the eye level itself: it goes round by the
            # corner above or below.
            beside = BESIDE[start]
            guides[beside] = paper.aim(marks[beside], vp, part, fate="erase")
            step.say("box-line-beside", corner=marks[beside])
        left_out = [marks[i] for i in range(4) if i not in guides]
        step.differs(lines=count(len(running)))
        step.check("box-lines-count", count=count(len(running)), vp=vp)
        if left_out:
            step.check("box-lines-left-out", corners=several(left_out))

        step = site.begin("box-depth", Act.BACKS)
        step.again = phrase("again-depth")
        far, said = self.depth.build(
            site, marks[start], vp, guides[start], INWARD[start], marks.values(),
            FRONT_CORNERS[start],
        )  # fmt: skip
        marks[start + 4] = far
        # The back of a corner that lies on the vanishing point is that corner.
        marks.update({i + 4: marks[i] for i in range(4) if distance(marks[i].at, vp.at) <= 1e-6})
        step.says.append(said)
        whole = step
        if edges.seen_through:
            # All twelve edges show: the back is a step of its own.
            step.check("box-depth-check", far=far, start=marks[start], vp=vp)
            edges.keep(marks, start, start + 4, vp.name)
            running = [i for i in running if i != start]
            whole = site.begin("box-back", Act.BACKS)
        _carry_round(paper, guides, marks, start)
        for i in running:
            edges.keep(marks, i, i + 4, vp.name)
        for i, family in enumerate(SIDES):
            edges.keep(marks, i + 4, (i + 1) % 4 + 4, family)
        whole.say("box-back", corner=far)
        whole.check("box-back-check")

    @property
    def on_floor(self) -> bool:
        """Whether its plan is drawn before it is raised."""
        return False

    def light_front(self, site: Site) -> dict[int, Mark]:
        """The front as a light block that something is cut from; the marks of its corners."""
        paper = site.paper
        step = site.begin("block", Act.PLAN)
        marks = dict(enumerate(measured_front(paper, self.front)))
        for k, family in enumerate(SIDES):
            paper.join(marks[k], marks[(k + 1) % 4], family, site.part)
        measures = front_measures(paper, self.front)
        step.say("block", corner=marks[0], **measures)
        step.differs(**measures)
        step.check("block-check")
        return marks

    # --- what both sides read from the document ----------------------------------------------

    def depth_start(self, vp: Point, places: Sequence[XY] | None = None) -> tuple[Point, Point]:
        """The place of the front whose guide line carries the depth, and the way over the front.

        Of other `places` than the corners it is the nearest to the vanishing point; for an `x_mm`
        the nearest from which it lies toward the point.
        """
        if places is None or self.depth.from_ is not None:
            corner = self.depth_corner(vp)
            return self.front.corners[corner], INWARD[corner]
        front, x = self.front, self.depth.x_mm
        corners = [
            Point(front.x_mm + u * front.width_mm, front.y_mm + v * front.height_mm)
            for u, v in places
        ]
        if x is not None:
            between = [c for c in corners if min(c.x, vp.x) < x < max(c.x, vp.x)]
            nearest = min((abs(c.x - x) for c in between), default=0.0)
            corners = [c for c in between if abs(c.x - x) < nearest + 1e-9] or corners
        if self.depth.true_mm is not None:
            # Along the eye level a true length is carried nowhere.
            corners = [c for c in corners if abs(c.y - vp.y) >= ON_LEVEL_MM]
        apart = [place for place in corners if distance(place, vp) > 1e-6]
        start = min(apart, key=lambda p: (round(distance(p, vp), 9), -p.y, -p.x))
        return start, LEVEL if start.x < front.x_mm + front.width_mm / 2 else LEFT

    def depth_corner(self, vp: Point) -> int:
        """The front corner whose guide line carries the depth.

        The nearest to the vanishing point (ties: lower, then right); for an `x_mm` on the upright
        from which it lies toward the point.
        """
        corners, depth = self.front.corners, self.depth
        choice = [2, 3, 1, 0]
        if depth.from_ is not None:
            choice = [FRONT_CORNERS.index(depth.from_)]
        x = depth.x_mm
        if x is not None and depth.from_ is None:
            between = [i for i in choice if min(corners[i].x, vp.x) < x < max(corners[i].x, vp.x)]
            nearest = min((abs(corners[i].x - x) for i in between), default=0.0)
            choice = [i for i in between if abs(corners[i].x - x) == nearest] or choice
        away = [round(math.hypot(corner.x - vp.x, corner.y - vp.y), 9) for corner in corners]
        # A corner that lies on the vanishing point sends no guide line.
        choice = [i for i in choice if away[i] > 1e-6] or [2, 0]
        corner = min(choice, key=away.__getitem__)
        return BESIDE[corner] if depth.flat(corners[corner].y, vp.y) else corner

    def grips(self, stage: Stage, places: Sequence[XY] | None = None) -> list[Grip]:
        vp = stage.view.level_points[0].at
        start, inward = self.depth_start(vp, places)
        place = self.depth.place_on_paper(start, vp, stage.view, inward)
        return [Grip("depth", self.depth.way, start, vp, place)]

    def moved(self, stage: Stage, view: View) -> BlockPlacement:
        depth = self._relative_depth(stage)

        def there(place: tuple[float, float, float]) -> Point:
            return Point(*on_paper(stage.view.place_seen_by(view, place)))

        corners = [eye_space(corner, depth) for corner in self.front.corners]
        (x0, y0), (x1, y1) = there(corners[0]).xy, there(corners[2]).xy
        front = Front(x_mm=x0, y_mm=y0, width_mm=x1 - x0, height_mm=y1 - y0)
        vp = stage.view.level_points[0].at
        number = self.depth_corner(vp)
        start = self.front.corners[number]
        share = self.depth.share_by_projection(start, vp, stage.view)
        near = eye_space(start, depth)
        far = plus(near, eye_space(vp, depth * share / (1.0 - share)))
        grown = depth / stage.view.place_seen_by(view, corners[0])[2]
        cut = self.depth.moved(
            FRONT_CORNERS[number], there(near), view.level_points[0].at, there(far), grown
        )
        return OnFront(front=front, depth=cut)

    def _check(self, stage: Stage) -> None:
        if len(stage.view.level_points) != 1:
            raise stage.refuse("front", say("refused-front-in-two-point"))
        check_cut(self.depth, FRONT_CORNERS, stage, "depth")


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
