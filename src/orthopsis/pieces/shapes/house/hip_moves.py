"""The steps of a hip roof: a box of glass over the walls, the middle line of its top, the ridge on
it, and the hips down to the corners.
"""

from __future__ import annotations

from orthopsis.construction.moves import Idea, Mark, Ruled, strung
from orthopsis.perspective.plane import LEFT, LEVEL
from orthopsis.perspective.view import FREE, HORIZONTAL
from orthopsis.phrase import Length
from orthopsis.pieces.shapes.house.form import FIRST, ROOF_POINT, pair
from orthopsis.pieces.shapes.house.hip import HELPS, EqualEnds, Hip
from orthopsis.pieces.shapes.house.planes import RoofPlane, roof_planes
from orthopsis.pieces.shapes.house.site import HouseSite, tape_where_it_lies
from orthopsis.pieces.shapes.house.walls import opposite

Corners = tuple[Mark, Mark, Mark, Mark]
"""The glass top over a wall's left and right corner, and over those behind the right and left."""
Glass = dict[int, Mark]
"""The corners of the glass box's top, by the numbers of the block's corners below them."""


def draw_hip(work: HouseSite, roof: Hip) -> None:
    """Glass box, middle line, ends of the ridge, hips."""
    glass = _glass(work, roof.peak_mm)
    p, q, _, _ = roof.foot(work.walls)
    q1, p1, _, _ = opposite(roof.foot(work.walls))
    corners = glass[p], glass[q], glass[q1], glass[p1]
    families = work.house.form.families
    along, across = families[pair(q, q1)], families[pair(p, q)]
    middle, line = _middle(work, corners, along)
    if roof.ridge == "pyramid":
        work.marks[FIRST] = middle
    elif isinstance(roof.ridge, EqualEnds):
        _equal(work, roof.ridge.equal_mm, corners, middle, along)
    elif roof.ridge == "square":
        _square(work, corners, line, (p, q, q1))
    else:
        _quarters(work, corners, middle, line, across)
    step = work.begin("hip-edges")
    for edge in sorted(work.seen):
        if max(edge) >= FIRST and set(edge) <= work.marks.keys():
            work.keep(*edge)
    ends = [work.marks[k] for k in (FIRST, FIRST + 1) if k in work.marks]
    step.say("hip-edges", ends=ends)
    step.check("hip-edges-check")
    if work.house.on_slopes:
        for plane in roof_planes(work.house).values():
            _helps(work, roof, plane, corners, (p, q))


def _helps(
    work: HouseSite, roof: Hip, plane: RoofPlane, corners: Corners, under: tuple[int, int]
) -> None:
    """Where lines go up a long slope: below each end of the ridge a place of the eave."""
    paper, marks, across = work.paper, work.marks, plane.wall.family
    first = plane.slope.eave == HELPS[0].below_near
    helps = HELPS[0 if first else 1]
    p, q, q1, p1 = corners
    glass = paper.along(q, q1) if first else paper.along(p, p1)
    at_q, at_p, _, _ = opposite(roof.foot(work.walls))
    near, far = (under[1], at_q) if first else (under[0], at_p)
    eave_ends = marks[near], marks[far]
    eave = paper.along(*eave_ends)
    step = work.begin("hip-helps")
    for number, end in ((helps.below_near, marks[FIRST]), (helps.below_far, marks[FIRST + 1])):
        over = paper.cross(work.laid(end, across), glass)
        marks[number] = paper.cross(work.upright(over), eave)
    below = [marks[helps.below_near], marks[helps.below_far]]
    ends = strung(marks[FIRST], marks[FIRST + 1])
    goal = work.points.get(across)
    if goal is None:
        step.say("hip-helps-level", ends=ends, below=strung(*below))
    else:
        step.say("hip-helps", ends=ends, vp=goal, below=strung(*below))
    step.check("hip-helps-check")
    if goal is not None and ROOF_POINT not in marks:
        slope = paper.along(below[0], marks[FIRST])
        point = marks[ROOF_POINT] = paper.cross(work.upright(goal), slope)
        step.say("hip-point", slope=strung(below[0], marks[FIRST]), vp=goal, point=point)
        tape_where_it_lies(work, step, point, (below[0], goal))


def _middle(work: HouseSite, corners: Corners, along: str) -> tuple[Mark, Ruled]:
    """The middle of the glass top, and the line through it that the ridge lies on."""
    paper, part = work.paper, work.site.part
    p, q, q1, p1 = corners
    step = work.begin("hip-middle")
    middle = paper.cross(paper.diagonal(p, q1, part), paper.diagonal(q, p1, part))
    line = work.laid(middle, along)
    paper.across(line, paper.along(p1, q1), part, since=paper.along(p, q))
    step.say("hip-middle", one=strung(p, q1), other=strung(q, p1), middle=middle)
    if along == HORIZONTAL:
        step.say("hip-line-level", middle=middle)
    else:
        step.say("hip-line-to", middle=middle, vp=work.points[along])
    step.check("hip-middle-check")
    return middle, line


def _glass(work: HouseSite, peak_mm: float) -> Glass:
    """A box of glass over the walls: its top as high as the ridge."""
    paper, marks = work.paper, work.marks
    step = work.begin("hip-glass")
    top: Glass = {1: work.above(marks[1], peak_mm)}
    points = [work.points[vp.name] for vp in work.walls.stage.view.level_points]
    if work.walls.one_point:
        (vp,) = points
        top[0] = paper.cross(paper.level(top[1]), paper.upright(marks[0]))
        # The side further from the point crosses its upright at the better angle.
        lead = 1 if abs(marks[1].at.x - vp.at.x) >= abs(marks[0].at.x - vp.at.x) else 0
        guides = {k: paper.aim(top[k], vp, work.site.part, fate="erase") for k in (0, 1)}
        top[lead + 4] = paper.cross(paper.upright(marks[lead + 4]), guides[lead])
        top[5 - lead] = paper.cross(paper.level(top[lead + 4]), guides[1 - lead])
    else:
        left, right = points
        top[0] = paper.cross(
            paper.aim(top[1], left, work.site.part, fate="erase"), work.upright(marks[0])
        )
        top[5] = paper.cross(
            paper.aim(top[1], right, work.site.part, fate="erase"), work.upright(marks[5])
        )
        top[4] = paper.cross(
            paper.aim(top[0], right, work.site.part, fate="erase"),
            paper.aim(top[5], left, work.site.part, fate="erase"),
        )
    step.say(
        "hip-glass",
        corner=marks[1], high=Length(peak_mm), top=strung(top[0], top[1], top[5], top[4]),
    )  # fmt: skip
    step.differs(height=Length(peak_mm))
    step.check("hip-glass-check")
    return top


def _quarters(work: HouseSite, corners: Corners, middle: Mark, line: Ruled, across: str) -> None:
    """The quarters of the middle line: where the diagonals of each half of the top cross."""
    paper, part = work.paper, work.site.part
    p, q, q1, p1 = corners
    step = work.begin("hip-quarters")
    over = work.laid(middle, across)
    right, left = paper.cross(over, paper.along(q, q1)), paper.cross(over, paper.along(p, p1))
    paper.across(over, paper.along(q, q1), part, since=paper.along(p, p1))
    for number, one, other in ((FIRST, p, q), (FIRST + 1, p1, q1)):
        diagonal = paper.diagonal(one, right, part)
        paper.diagonal(other, left, part)
        work.marks[number] = paper.cross(diagonal, line)
    near, far = work.marks[FIRST], work.marks[FIRST + 1]
    step.say("hip-quarters", middle=middle, left=left, right=right, near=near, far=far)
    step.check("hip-quarters-check")


def _equal(work: HouseSite, mm: float, corners: Corners, middle: Mark, along: str) -> None:
    """Equal lengths on paper, both ways from the middle: only nearly right."""
    paper = work.paper
    _, q, q1, _ = corners
    step = work.begin("hip-equal")
    sideways = LEVEL if q1.at.x > q.at.x else LEFT
    way = sideways if along == HORIZONTAL else work.points[along]
    near = work.marks[FIRST] = paper.measure_along(middle, way, -mm)
    far = work.marks[FIRST + 1] = paper.measure_along(middle, way, mm)
    step.say("hip-equal", middle=middle, each=Length(mm), near=near, far=far)
    step.differs(measures=Length(mm))
    step.check("hip-equal-check")


def _square(work: HouseSite, corners: Corners, line: Ruled, numbers: tuple[int, int, int]) -> None:
    """By the point to which level lines lead that run at half a right angle to both walls."""
    paper, view = work.paper, work.walls.stage.view
    p, _, q1, _ = corners
    step = work.begin("hip-square")
    first, second = half_way(work.walls.one_point, *numbers)
    at = view.vanishing_point_of_direction(first, second, 0.0)
    point = None
    if not at.at_infinity:
        level = work.points[view.level_points[0].name]
        point = paper.measuring_point("HP", at, level, Idea.DIAGONAL)
    for number, corner in ((FIRST, p), (FIRST + 1, q1)):
        if point is None:
            help_line = paper.level(corner)
        else:
            part = work.site.part
            help_line = paper.aim(corner, point, part, family=FREE, fate="erase")
        work.marks[number] = paper.cross(help_line, line)
    near, far = work.marks[FIRST], work.marks[FIRST + 1]
    if point is None:
        step.say("hip-square-level", one=p, other=q1, near=near, far=far)
    else:
        step.say("hip-square", one=p, other=q1, point=point, near=near, far=far)
    step.check("hip-square-check")


def half_way(one_point: bool, p: int, q: int, q1: int) -> tuple[float, float]:
    """Steps along the view's level directions of the way at half a right angle from corner p of the
    block, along both the wall p–q and the wall q–q1.
    """
    steps = [0.0, 0.0]
    for a, b in ((p, q), (q, q1)):
        if abs(b - a) == 4:
            steps[1] += 1.0 if b > a else -1.0
        else:
            # From left to right; in two points that is away from the left point.
            rightward = (a, b) in ((0, 1), (4, 5))
            steps[0] += 1.0 if rightward == one_point else -1.0
    return steps[0], steps[1]
