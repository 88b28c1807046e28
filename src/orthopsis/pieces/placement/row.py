"""Buildings in a row: each begins where the last one ends, or after a gap, on one ground line.

What stands in a row is given by where its near upright begins below the sheet's top edge, how long
it is toward the row's point, and how far it goes back. Where it stands follows from those before.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from dataclasses import field as dataclass_field
from typing import Annotated, ClassVar, Literal, NamedTuple, TypeVar

from pydantic import Field, ValidationError

from orthopsis.construction.moves import Act, Mark, Ruled, strung
from orthopsis.construction.places import across, down
from orthopsis.perspective.plane import LEFT, LEVEL, UPRIGHT, Point, join, meet
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import HORIZONTAL, View, eye_space, on_paper
from orthopsis.phrase import Length, Own, say
from orthopsis.pieces.base import Down, Grip, Measures, Name, Reference, Site, Stage
from orthopsis.pieces.placement.anchor import Front, FrontEdge
from orthopsis.pieces.placement.depth import Cut, check_share, share_on_paper
from orthopsis.pieces.placement.edge import OnEdge
from orthopsis.pieces.placement.edges import Edges, FrameMarks
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.placement.placement import Listed, Placement
from orthopsis.pieces.placement.way import WayPlace
from orthopsis.pieces.roles import Editor, FieldRole

RowSide = Literal["left", "right"]


class RowStart(Measures):
    """Where a row begins: at the end of a building's side, or on the edge of a way, where the near
    upright of the first stands `foot_mm` below the sheet's top edge.
    """

    piece: Reference
    side: Annotated[RowSide, FieldRole.CHOICE]
    foot_mm: Down | None = None


class RowMember(Measures):
    """One building of a row: `top_mm` is how far below the sheet's top edge its near upright
    begins, after a `gap` if there is one; its `length` goes toward the row's point, `back` away
    from it.
    """

    id: Name
    top_mm: Down
    gap: Annotated[Cut | None, FieldRole.RUN, Editor.NONE] = None
    length: Annotated[Cut, FieldRole.RUN]
    back: Annotated[Cut, FieldRole.RUN]


class Corners(NamedTuple):
    """The numbers of a block's corners as a row sees them: its near upright, the one at its far end
    along the row, the one behind the near upright, and the last.
    """

    near: tuple[int, int]
    far: tuple[int, int]
    across: tuple[int, int]
    last: tuple[int, int]


TO_LEFT = Corners((1, 2), (0, 3), (5, 6), (4, 7))
TO_RIGHT = Corners((1, 2), (5, 6), (0, 3), (4, 7))
FROM_LEFT = Corners((0, 3), (4, 7), (1, 2), (5, 6))
"""In one point, of what stands on the right of the way."""


class Link(NamedTuple):
    """How a member hangs on what stands before it: the part that it begins at, the corners of the
    upright there, whether there is a gap, and where the row ends on its ground line.
    """

    before: Part
    corners: tuple[int, int]
    gap: Cut | None
    start: Point
    end: Point
    row: Part


class RowMarks(FrameMarks):
    """The corners of a member, and the ground line that all of them stand on."""

    ground: Ruled | None = None


class EdgeInRow(OnEdge):
    """An edge with its sides, worked out from those before it in the row, and drawn on them."""

    side: RowSide
    link: Link

    @property
    def seen_corners(self) -> Corners:
        return TO_LEFT if self.side == "left" else TO_RIGHT

    def lay_out(self, site: Site, edges: Edges) -> RowMarks:
        left = self.side == "left"
        cuts = (self.left, self.right) if left else (self.right, self.left)
        points = [vp.name for vp in site.stage.view.level_points]
        ways = (points[0], points[1]) if left else (points[1], points[0])
        return draw_in_row(site, edges, self.link, self.seen_corners, cuts, ways)


class FrontInRow(OnFront):
    """The same in one point: its front stands level on one `side` of the way."""

    side: RowSide
    link: Link
    back: Cut

    @property
    def seen_corners(self) -> Corners:
        return TO_RIGHT if self.side == "left" else FROM_LEFT

    def lay_out(self, site: Site, edges: Edges) -> RowMarks:
        (vp,) = (point.name for point in site.stage.view.level_points)
        cuts = self.depth, self.back
        return draw_in_row(site, edges, self.link, self.seen_corners, cuts, (vp, HORIZONTAL))


BlockInRow = EdgeInRow | FrontInRow


class AlongLine(Placement):
    """Where a row begins; all else follows from what stands before."""

    form: ClassVar = "row"
    tells: ClassVar = "from"
    systems: ClassVar = (1, 2)

    from_: Annotated[RowStart, Field(alias="from")]

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> AlongLine:
        raise NotImplementedError("a row is begun from what stands before it")

    @property
    def anchor(self) -> Point:
        return Point(0.0, 0.0)

    @property
    def rests_on(self) -> Iterable[str]:
        return (self.from_.piece,)

    def grips(self, stage: Stage) -> list[Grip]:
        """None: a row goes with what it begins at."""
        del stage
        return []


class Blocks(AlongLine):
    """A row that is measured out: the block of each member."""

    blocks: tuple[BlockInRow, ...]


class _Begin(NamedTuple):
    """The foot on the ground line, the part it belongs to, and the corners of its upright."""

    foot: Point
    before: Part
    corners: tuple[int, int]


def in_row(
    start: RowStart,
    members: Sequence[RowMember],
    others: Mapping[str, Listed],
    stage: Stage,
    row: str,
) -> list[BlockInRow]:
    """Where each member stands. Raises ExerciseError."""
    if start.piece not in others:
        raise stage.refuse("from.piece", say("refused-row-from-none", piece=Own(start.piece)))
    base = others[start.piece].place
    side, begin = _begin(start, base, stage)
    view = stage.view
    along = view.level_points[0 if len(view.level_points) == 1 or side == "left" else 1].at
    made: list[BlockInRow] = []
    foot = begin.foot
    for number, member in enumerate(members):
        field, before = f"buildings[{number}]", foot
        if member.gap is not None:
            place = member.gap.place_on_paper(foot, along, view, LEVEL)
            check_share(share_on_paper(foot, along, place), (foot, along), member.gap, stage,
                        f"{field}.gap")  # fmt: skip
            foot = place
        if member.top_mm >= foot.y - 1.0:
            raise stage.refuse(f"{field}.top_mm", say("refused-row-top", foot=Length(foot.y)))
        link = Link(begin.before, begin.corners, member.gap, before, foot, Part(row))
        one = _block(side, member, foot, stage, field, link)
        made.append(one)
        corners = one.seen_corners
        foot = one.corners(stage)[corners.far[1]][0]
        begin = _Begin(foot, Part(row, number + 1), corners.far)
    return [
        one.model_copy(update={"link": one.link._replace(end=foot)})
        for one in made
    ]  # fmt: skip


def _begin(start: RowStart, base: Placement, stage: Stage) -> tuple[RowSide, _Begin]:
    one_point = len(stage.view.level_points) == 1
    if isinstance(base, WayPlace):
        if start.foot_mm is None:
            raise stage.refuse("from.foot_mm", say("refused-row-foot"))
        number = 0 if start.side == "left" else 1
        goal = base.goal(stage)
        edge = join(base.at_sheet(stage, base.edges_mm[number]), goal.at)
        foot = meet(edge, join(Point(0.0, start.foot_mm), LEVEL))
        side: RowSide = start.side
        if not one_point:
            side = "left" if goal == stage.view.level_points[0] else "right"
        return side, _Begin(foot, Part(start.piece), (number, number))
    if isinstance(base, OnEdge) and not one_point:
        corners = TO_LEFT if start.side == "left" else TO_RIGHT
    elif isinstance(base, OnFront) and one_point:
        corners = TO_RIGHT if start.side == "left" else FROM_LEFT
    else:
        raise stage.refuse("from.piece", say("refused-row-from-none", piece=Own(start.piece)))
    foot = base.corners(stage)[corners.far[1]][0]
    return start.side, _Begin(foot, Part(start.piece), corners.far)


def _block(
    side: RowSide, member: RowMember, foot: Point, stage: Stage, field: str, link: Link
) -> BlockInRow:
    """A member's block, its near upright over a place of the ground line."""
    x, y = foot.xy
    try:
        if len(stage.view.level_points) == 2:
            edge = FrontEdge(x_mm=x, top_mm=member.top_mm, bottom_mm=y)
            left, right = member.length, member.back
            if side == "right":
                left, right = right, left
            return EdgeInRow(edge=edge, left=left, right=right, side=side, link=link)
        back = member.back
        wide_mm = abs(x - back.x_mm) if back.x_mm is not None else back.along_mm
        if wide_mm is None:
            raise stage.refuse(f"{field}.back", say("refused-row-back"))
        left_mm = x - wide_mm if side == "left" else x
        front = Front(x_mm=left_mm, y_mm=member.top_mm, width_mm=wide_mm,
                      height_mm=y - member.top_mm)  # fmt: skip
        end = member.length.from_ or "top"
        corner = f"{end.split()[0]} {'right' if side == 'left' else 'left'}"
        length = Cut.model_validate(
            {**member.length.model_dump(by_alias=True, exclude_none=True), "from": corner}
        )
        return FrontInRow(front=front, depth=length, side=side, link=link, back=back)
    except ValidationError:
        raise stage.refuse(field, say("refused-row-too-far")) from None


Member = TypeVar("Member", bound=RowMember)


def moved_row(
    start: RowStart,
    members: Sequence[Member],
    blocks: Sequence[BlockInRow],
    stage: Stage,
    view: View,
) -> tuple[RowStart, list[Member]]:
    """The same buildings as another viewer sees them, measured from what the row begins at."""
    there: list[Member] = []
    for member, block in zip(members, blocks, strict=True):
        changed: dict[str, object] = {}
        if isinstance(block, EdgeInRow):
            edge = OnEdge.moved(block, stage, view)
            assert isinstance(edge, OnEdge)
            other = "right" if block.side == "left" else "left"
            changed = {"top_mm": edge.edge.top_mm, "length": edge.cut(block.side),
                       "back": edge.cut(other)}  # fmt: skip
        else:
            front = OnFront.moved(block, stage, view)
            assert isinstance(front, OnFront)
            end = (front.depth.from_ or "top").split()[0]
            length = front.depth.model_copy(update={"from_": end})
            changed = {"top_mm": front.front.y_mm, "length": length,
                       "back": Cut(along_mm=front.front.width_mm)}  # fmt: skip
        if member.gap is not None:
            changed["gap"] = _moved_gap(member.gap, block, stage, view)
        there.append(member.model_copy(update=changed))
    if start.foot_mm is not None:
        first = blocks[0]
        place, near = first.corners(stage)[first.seen_corners.near[1]]
        seen = stage.view.place_seen_by(view, eye_space(place, 1.0 / near))
        start = start.model_copy(update={"foot_mm": on_paper(seen)[1]})
    return start, there


def _moved_gap(gap: Cut, block: BlockInRow, stage: Stage, view: View) -> Cut:
    """A gap before a block, as a part of the way."""
    place, near = block.corners(stage)[block.seen_corners.near[1]]
    left = isinstance(block, FrontInRow) or block.side == "left"
    points = (stage.view.level_points, view.level_points)
    old, new = (one[0 if left else 1].at for one in points)
    # Before a gap of t of the way the ground is 1 − t times as far away as behind it.
    share = share_on_paper(block.link.start, old, place)
    begin = eye_space(block.link.start, (1.0 - share) / near)
    seen = [Point(*on_paper(stage.view.place_seen_by(view, one)))
            for one in (begin, eye_space(place, 1.0 / near))]  # fmt: skip
    return gap.moved("bottom", seen[0], new, seen[1], 1.0)


# --- the moves --------------------------------------------------------------------------------


def draw_in_row(
    site: Site,
    edges: Edges,
    link: Link,
    corners: Corners,
    cuts: tuple[Cut, Cut],
    ways: tuple[str, str],
) -> RowMarks:
    """A member from the ground line on. `cuts` are its length and how far back, `ways` the families
    along the row and straight across it.
    """
    moves = _RowMoves(site, edges, link, corners, cuts, ways)
    moves.draw()
    return moves.marks


@dataclass
class _RowMoves:
    site: Site
    edges: Edges
    link: Link
    corners: Corners
    cuts: tuple[Cut, Cut]
    ways: tuple[str, str]
    marks: RowMarks = dataclass_field(default_factory=RowMarks)

    def draw(self) -> None:
        before = self.site.before.get(self.link.before)
        base = before if isinstance(before, FrameMarks) else FrameMarks()
        self._near_upright(base)
        self._along()
        self._across()
        self._last()

    @property
    def uprights(self) -> str:
        return self.site.stage.view.uprights.name

    def _keep(self, a: int, b: int, family: str) -> None:
        if self.edges.shows(a, b) and {a, b} <= self.marks.keys():
            self.edges.keep(self.marks, a, b, family)

    def _ground(self, base: FrameMarks, start: Mark) -> Ruled:
        """The ground line of the row, drawn once, as far as the last of its feet."""
        paper = self.site.paper
        if isinstance(base, RowMarks) and base.ground is not None:
            return base.ground
        vp = self.site.points[self.ways[0]]
        if self.link.corners[0] == self.link.corners[1]:
            return paper.along(start, vp)
        step = self.site.begin("row-ground", Act.PLAN)
        # It belongs to the whole row, so it stays until everything is cleaned up.
        line = paper.aim(start, vp, self.link.row)
        paper.reach(line, Mark("", self.link.end))
        step.say("row-ground", foot=start, vp=vp)
        step.check("row-ground-check", vp=vp)
        return line

    def _near_upright(self, base: FrameMarks) -> None:
        """Where it begins: on the last one's end upright, or after a gap on a new one."""
        paper, site, edge = self.site.paper, self.site, self._top_mm
        top_number, foot_number = self.corners.near
        vp = site.points[self.ways[0]]
        of_way = self.link.corners[0] == self.link.corners[1]
        if not base:
            # What it begins at does not show: its own measures are taken from the sheet.
            step = site.begin("row-alone", Act.FRONTS)
            top = paper.measure(self._foot.x, edge)
            foot = paper.measure_along(top, UPRIGHT, self._foot.y - edge)
            ground = paper.aim(foot, vp, self.link.row)
            step.say("row-alone", top=top, across=across(self._foot.x, paper.sheet),
                     down=down(edge, paper.sheet), foot=foot,
                     length=Length(self._foot.y - edge))  # fmt: skip
        elif of_way:
            ground = self._ground(base, base[self.link.corners[0]])
            step = site.begin("row-first", Act.FRONTS)
            foot = paper.measure_down(self._foot.y, ground)
            top = paper.measure_down(edge, paper.upright(foot))
            step.say("row-first", foot=foot, below=down(self._foot.y, paper.sheet), top=top,
                     down=down(edge, paper.sheet))  # fmt: skip
        elif self.link.gap is not None:
            start = base[self.link.corners[1]]
            ground = self._ground(base, start)
            step = site.begin("row-gap", Act.FRONTS)
            foot, said = self.link.gap.build(site, start, vp, ground, LEVEL, (), None, "gap")
            top = paper.measure_down(edge, paper.upright(foot))
            step.says.append(said)
            step.say("row-gap", foot=foot, top=top, down=down(edge, paper.sheet))
        else:
            upper, foot = (base[k] for k in self.link.corners)
            ground = self._ground(base, foot)
            step = site.begin("row-next", Act.FRONTS)
            top = paper.measure_down(edge, paper.along(upper, foot))
            step.say("row-next", upright=strung(upper, foot), top=top,
                     down=down(edge, paper.sheet))  # fmt: skip
        step.differs(top=down(edge, paper.sheet))
        step.check("row-upright-check")
        self.marks.ground = ground
        self.marks[top_number], self.marks[foot_number] = top, foot
        self._keep(top_number, foot_number, self.uprights)

    @property
    def _foot(self) -> Point:
        return self.site.body.corners[self.corners.near[1]][0]

    @property
    def _top_mm(self) -> float:
        return self.site.body.corners[self.corners.near[0]][0].y

    def _along(self) -> None:
        """Its length along the row: a line to the point, a cut, an upright to the ground line."""
        paper, site = self.site.paper, self.site
        top, foot = (self.marks[k] for k in self.corners.near)
        far_top, far_foot = self.corners.far
        vp, cut = site.points[self.ways[0]], self.cuts[0]
        step = site.begin("row-length", Act.BACKS)
        guide, ground = paper.aim(top, vp, site.part), self.marks.ground
        assert ground is not None
        low = cut.from_ is not None and cut.from_.startswith("bottom")
        start, line = (foot, ground) if low else (top, guide)
        inward = LEVEL if vp.at.x > start.at.x else LEFT
        if len(site.stage.view.level_points) == 1:
            inward = LEFT if vp.at.x > start.at.x else LEVEL
        mark, said = cut.build(
            site, start, vp, line, inward, (), "bottom" if low else "top", "length"
        )
        other = paper.cross(paper.upright(mark), guide if low else ground)
        upper, lower = (other, mark) if low else (mark, other)
        self.marks[far_top], self.marks[far_foot] = upper, lower
        step.say("row-top", top=top, vp=vp)
        step.says.append(said)
        step.say("row-end", line=strung(upper, lower))
        step.check("row-length-check", vp=vp)
        self._keep(self.corners.near[0], far_top, self.ways[0])
        self._keep(self.corners.near[1], far_foot, self.ways[0])
        self._keep(far_top, far_foot, self.uprights)

    def _across(self) -> None:
        """What shows of its other side: above a lower neighbour, down to the foot in an alley."""
        paper, site = self.site.paper, self.site
        top, foot = self.corners.near
        a_top, a_foot = self.corners.across
        if not self.edges.shows(top, a_top):
            return
        take_back = paper.on_trial()
        step = site.begin("row-across", Act.BACKS)
        goal = site.points.get(self.ways[1])
        if goal is None:
            mark = paper.measure_along(self.marks[top], self._level_way, self._width_mm)
            guide = paper.level(self.marks[top])
            step.say("row-across-level", top=self.marks[top], long=Length(self._width_mm),
                     mark=mark)  # fmt: skip
            step.differs(depth=Length(self._width_mm))
        else:
            guide = paper.aim(self.marks[top], goal, site.part)
            inward = LEVEL if goal.at.x > self.marks[top].at.x else LEFT
            mark, said = self.cuts[1].build(
                site, self.marks[top], goal, guide, inward, (), "top", "depth"
            )
            step.say("row-across", top=self.marks[top], vp=goal)
            step.says.append(said)
        self.marks[a_top] = mark
        self._keep(top, a_top, self.ways[1])
        if self.edges.shows(foot, a_foot):
            line = (
                paper.level(self.marks[foot])
                if goal is None
                else paper.aim(self.marks[foot], goal, site.part)
            )
            self.marks[a_foot] = paper.cross(paper.upright(mark), line)
            self._keep(foot, a_foot, self.ways[1])
            self._keep(a_top, a_foot, self.uprights)
        step.check("row-across-check")
        del guide
        if not any(drawn.fate == "keep" for drawn in step.strokes):
            take_back()
            self.marks.pop(a_top, None)
            self.marks.pop(a_foot, None)

    @property
    def _level_way(self) -> Point:
        near, across = (self.site.body.corners[k[0]][0] for k in (self.corners.near,
                                                                  self.corners.across))  # fmt: skip
        return LEFT if across.x < near.x else LEVEL

    @property
    def _width_mm(self) -> float:
        near, across = (self.site.body.corners[k[0]][0] for k in (self.corners.near,
                                                                  self.corners.across))  # fmt: skip
        return abs(across.x - near.x)

    def _last(self) -> None:
        """The back corner, where the top shows: opposite corner to opposite point."""
        paper, site = self.site.paper, self.site
        far_top, a_top, b_top = self.corners.far[0], self.corners.across[0], self.corners.last[0]
        shown = self.edges.shows(far_top, b_top) or self.edges.shows(a_top, b_top)
        if not shown or a_top not in self.marks:
            return
        take_back = paper.on_trial()
        step = site.begin("row-back", Act.BACKS)
        vp, goal = site.points[self.ways[0]], site.points.get(self.ways[1])
        one = paper.aim(self.marks[a_top], vp, site.part)
        other = (
            paper.level(self.marks[far_top])
            if goal is None
            else paper.aim(self.marks[far_top], goal, site.part)
        )
        self.marks[b_top] = paper.cross(one, other)
        self._keep(a_top, b_top, self.ways[0])
        self._keep(far_top, b_top, self.ways[1])
        step.say("row-back", one=self.marks[a_top], other=self.marks[far_top],
                 back=self.marks[b_top])  # fmt: skip
        step.check("row-back-check")
        if not any(drawn.fate == "keep" for drawn in step.strokes):
            take_back()
            self.marks.pop(b_top, None)
