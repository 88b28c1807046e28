"""A chimney on its house: its solid, its body, and its steps."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

from orthopsis.construction.face import plumb
from orthopsis.construction.moves import Act, Mark, Ruled, strung
from orthopsis.construction.order import Body
from orthopsis.perspective.plane import Point, distance
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector
from orthopsis.perspective.view import HORIZONTAL, on_paper
from orthopsis.phrase import Length, Phrase, say
from orthopsis.picture.solid import polyhedron
from orthopsis.picture.solids import AnySolid
from orthopsis.pieces.base import Drawn, Site, Stage, named
from orthopsis.pieces.placement.corners import FACES, block_body, seen_edges
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.shapes.house.chimney import Chimney, Corners
from orthopsis.pieces.shapes.house.cuts import inward
from orthopsis.pieces.shapes.house.form import ROOF_POINT, Pair, pair
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.planes import RoofPlane, roof_planes, slope_called
from orthopsis.pieces.shapes.tidy import tidy


@dataclass(frozen=True, eq=False)
class OnRoof(Drawn):
    """A chimney on a house, as one of its parts."""

    part: Part
    house: House
    chimney: Chimney

    @property
    def name(self) -> Phrase:
        return say("part-of", part=named(self.chimney.id), whole=self.house.name)

    @cached_property
    def plane(self) -> RoofPlane:
        """The slope that it stands on. Raises ExerciseError."""
        return slope_called(self.house, self.chimney.on, f"parts.{self.chimney.id}.on")

    @cached_property
    def in_space(self) -> Corners:
        """Its corners by projection. Raises ExerciseError."""
        house = self.house
        return self.chimney.corners(house.in_space, self.plane, house.stage, by_ruler=False)

    @cached_property
    def by_ruler(self) -> Corners:
        """The same on paper, as places that can be parted evenly. Raises ExerciseError."""
        house = self.house
        return self.chimney.corners(house.on_paper, self.plane, house.stage, by_ruler=True)

    def families(self, corners: Corners) -> dict[Pair, str]:
        """The families of its edges."""
        plane, uprights = self.plane, self.house.stage.view.uprights.name
        front, along, up, last = corners[1:]
        found = {pair(*ends): uprights for ends in (front, along, up, last)}
        for end, way in ((0, plane.wall.family), (1, plane.up)):
            found[pair(front[end], up[end])] = found[pair(along[end], last[end])] = way
            found[pair(front[end], along[end])] = found[pair(up[end], last[end])] = plane.along
        return found

    def solids(self, stage: Stage) -> list[AnySolid]:
        """A block whose foot is a piece of the slope."""
        corners = self.in_space
        families = tuple((a, b, family) for (a, b), family in self.families(corners).items())
        return [
            polyhedron(
                self.part, corners.places, FACES, families,
                transparent=stage.transparent, floating=stage.floating,
            )
        ]  # fmt: skip

    def body(self, stage: Stage) -> Body:
        """The same on paper; it is drawn after its house, though it stands before the roof."""
        corners = tuple(
            (Point(x / depth, y / depth), 1.0 / depth) for x, y, depth in self.by_ruler.places
        )
        return block_body(self.part, self.name, corners, stage, on=self.house.part)

    def build(self, site: Site) -> FrameMarks:
        """Its place on the slope, its front, its depth, its top."""
        house = site.before.get(self.house.part)
        _Moves(self, site, house if isinstance(house, FrameMarks) else FrameMarks()).draw()
        tidy(site, "chimney")
        return FrameMarks()


class _Moves:
    """The moves of a chimney."""

    def __init__(self, drawn: OnRoof, site: Site, house: FrameMarks) -> None:
        self.drawn, self.site, self.house, self.paper = drawn, site, house, site.paper
        self.corners, self.marks = drawn.by_ruler, dict[int, Mark]()
        places = [place for place, _ in site.body.corners]
        self.seen = seen_edges(places, site.body.transparent)
        self.families = drawn.families(self.corners)

    def draw(self) -> None:
        self._place()
        self._front()
        self._depth()
        self._close()

    # --- helps ---------------------------------------------------------------------------------

    def _keep(self, a: int, b: int) -> None:
        if pair(a, b) in self.seen:
            family = self.families[pair(a, b)]
            self.paper.keep(self.marks[a], self.marks[b], family, self.site.body)

    def _toward(self, start: Mark, family: str) -> Ruled:
        if family == HORIZONTAL:
            return self.paper.level(start)
        return self.paper.aim(start, self.site.points[family], self.site.part)

    def _upright(self, start: Mark) -> Ruled:
        return plumb(self.paper, start, self.site.third)

    def _cut(self, cut: Cut, start: Mark, guide: Ruled, way: Vector, column: str) -> Mark:
        """The mark of a cut, with its sentence."""
        step, goal = self.paper.steps[-1], self.site.points.get(guide.family)
        if goal is not None:
            mark, said = cut.build(
                self.site, start, goal, guide, inward(way), (), None, column
            )  # fmt: skip
            step.says.append(said)
            return mark
        along_mm = cut.along_mm or 0.0
        mark = self.paper.measure_along(start, inward(way), along_mm)
        step.say("chimney-level", start=start, along=Length(along_mm), mark=mark)
        step.differs(**{column: Length(along_mm)})
        return mark

    def _corner_of_house(self, number: int) -> Mark:
        """A corner of the roof; where it was not needed before, as the eye sees it."""
        if number not in self.house:
            x, y, depth = self.drawn.house.on_paper[number]
            self.house[number] = self.paper.measure(x / depth, y / depth)
        return self.house[number]

    # --- steps ---------------------------------------------------------------------------------

    def _place(self) -> None:
        """The middle of the slope by its diagonals, and the level line through it."""
        paper, plane, chimney = self.paper, self.drawn.plane, self.drawn.chimney
        step = self.site.begin("chimney-place", Act.DETAILS)
        a, b, c, d = (self._corner_of_house(k) for k in plane.corners)
        middle = paper.cross(
            paper.diagonal(a, c, self.site.part), paper.diagonal(b, d, self.site.part)
        )
        step.say("chimney-middle", one=strung(a, c), other=strung(b, d), middle=middle)
        line = self._toward(middle, plane.along)
        goal = self.site.points.get(plane.along)
        if goal is None:
            step.say("chimney-line-level", middle=middle)
        else:
            step.say("chimney-line", middle=middle, vp=goal)
        way = plane.eave(self.drawn.house.on_paper)
        foot = middle
        if chimney.from_ is not None:
            foot = self._cut(chimney.from_, middle, line, way, "from")
        other = self._cut(chimney.wide, foot, line, way, "width")
        self.marks[self.corners.front[1]], self.marks[self.corners.along[1]] = foot, other
        step.check("chimney-place-check")

    def _front(self) -> None:
        """Two uprights, the front one measured."""
        paper, plane = self.paper, self.drawn.plane
        step = self.site.begin("chimney-front", Act.DETAILS)
        (top, foot), (top_along, foot_along) = self.corners.front, self.corners.along
        low, high_mm = self.marks[foot], self.drawn.chimney.high_mm
        self.marks[top] = self._above(low, high_mm)
        line = self._toward(self.marks[top], plane.along)
        self.marks[top_along] = paper.cross(self._upright(self.marks[foot_along]), line)
        for ends in ((top, foot), (top_along, foot_along), (top, top_along), (foot, foot_along)):
            self._keep(*ends)
        step.say(
            "chimney-front",
            foot=low, high=Length(high_mm), top=self.marks[top], other=self.marks[foot_along],
        )  # fmt: skip
        step.differs(height=Length(high_mm))
        step.check("chimney-front-check")

    def _above(self, start: Mark, mm: float) -> Mark:
        third = self.site.third
        if third is None:
            return self.paper.measure_along(start, Point(0.0, -1.0, 0.0), mm)
        below = third.at.y > start.at.y
        return self.paper.measure_along(start, third, -mm if below else mm)

    def _depth(self) -> None:
        """How deep, at the top; and the foot, which rises with the slope."""
        paper, plane, house = self.paper, self.drawn.plane, self.drawn.house
        (top, foot), (top_up, foot_up) = self.corners.front, self.corners.up
        step = self.site.begin("chimney-deep", Act.DETAILS)
        line = self._toward(self.marks[top], plane.wall.family)
        way = plane.level(house.on_paper)
        self.marks[top_up] = self._cut(self.drawn.chimney.deep, self.marks[top], line, way, "depth")
        slope = self._up_the_roof(self.marks[foot])
        self.marks[foot_up] = paper.cross(self._upright(self.marks[top_up]), slope)
        for ends in ((top, top_up), (top_up, foot_up), (foot, foot_up)):
            self._keep(*ends)
        step.say("chimney-deep", foot=self.marks[foot], top=self.marks[top_up])
        step.check("chimney-deep-check")

    def _up_the_roof(self, start: Mark) -> Ruled:
        """A line up the roof: to its own point, which is found if it is not yet; or parallel to the
        slope where the gable faces us.
        """
        paper, plane = self.paper, self.drawn.plane
        eave, ridge = (self._corner_of_house(k) for k in (plane.slope.eave, plane.slope.ridge))
        step = paper.steps[-1]
        if plane.wall.near is None:
            step.say("chimney-slope-parallel", slope=strung(eave, ridge))
            return paper.slide(start, paper.along(eave, ridge))
        if ROOF_POINT in self.house:
            point = self.house[ROOF_POINT]
            step.say("chimney-slope", point=point)
            return paper.aim(start, point, self.site.part, family=plane.up)
        vp = self.site.points[plane.wall.family]
        point = paper.cross(self._upright(vp), paper.along(eave, ridge))
        step.say("chimney-slope-to", slope=strung(eave, ridge), vp=vp, point=point)
        return paper.aim(start, point, self.site.part, family=plane.up)

    def _close(self) -> None:
        """The last corner, where the top shows, and what else is seen of the further sides."""
        (top, foot), (top_along, foot_along) = self.corners.last, self.corners.along
        top_up, foot_up = self.corners.up
        if not {pair(top, top_along), pair(top, top_up)} & self.seen:
            return
        plane = self.drawn.plane
        step = self.site.begin("chimney-top", Act.DETAILS)
        one = self._toward(self.marks[top_along], plane.wall.family)
        other = self._toward(self.marks[top_up], plane.along)
        self.marks[top] = self.paper.cross(one, other)
        self._keep(top, top_along)
        self._keep(top, top_up)
        step.say("chimney-top", one=self.marks[top_along], other=self.marks[top_up])
        step.check("chimney-top-check")
        if pair(top, foot) in self.seen:
            # Seen through, its back shows as well.
            step = self.site.begin("chimney-back", Act.DETAILS)
            line = self._toward(self.marks[foot_up], plane.along)
            self.marks[foot] = self.paper.cross(self._upright(self.marks[top]), line)
            for ends in ((top, foot), (foot, foot_up), (foot, foot_along)):
                self._keep(*ends)
            step.say("chimney-back", top=self.marks[top], foot=self.marks[foot_up])
            step.check("chimney-back-check")


def members(house: House, chimneys: Sequence[Chimney]) -> list[Drawn]:
    """What stands on a house, each a part of its own."""
    piece = house.part.piece
    return [
        OnRoof(Part(piece, number), house, chimney)
        for number, chimney in enumerate(chimneys, start=1)
    ]


def first_chimney(house: House, id: str) -> Chimney:
    """Where a new chimney begins, in round measures. Raises ExerciseError where no slope shows."""
    planes = roof_planes(house)
    if not planes:
        raise house.stage.refuse("parts", say("refused-no-slope"))
    name, plane = next(iter(planes.items()))
    near_eave, far_eave, _, near_ridge = (
        Point(*on_paper(house.on_paper[k])) for k in plane.corners
    )
    high_mm = max(4.0, round(distance(near_eave, near_ridge) / 2.0))
    wide_mm = max(2.0, round(distance(near_eave, far_eave) / 10.0))
    deep_mm = max(2.0, round(wide_mm * 0.6))
    return Chimney.model_validate(
        {"kind": "chimney", "id": id, "on": name, "wide": {"along_mm": wide_mm},
         "deep": {"along_mm": deep_mm}, "high_mm": high_mm}
    )  # fmt: skip
