"""The steps of a roof: the middle of the wall, the peak, the slopes, the ridge, the far slope."""

from __future__ import annotations

from orthopsis.construction.division import divided
from orthopsis.construction.moves import Act, Mark, Ruled, Step, strung
from orthopsis.perspective.plane import distance
from orthopsis.phrase import Length, say
from orthopsis.pieces.shapes.house.form import FIRST, OVER, ROOF_POINT, pair
from orthopsis.pieces.shapes.house.roofs import Gable, LeanTo, Pitched, Slope
from orthopsis.pieces.shapes.house.site import HouseSite, tape_where_it_lies
from orthopsis.pieces.shapes.house.walls import Wall, opposite


def draw_gable(work: HouseSite, roof: Gable) -> None:
    """The peak over the wall's middle as we see it, two slopes, the ridge, the far slope."""
    wall = next(one for one in work.walls.by_name.values() if one.corners == roof.foot(work.walls))
    peak = _peak(work, wall, roof.peak_mm)
    work.marks[FIRST] = peak
    p, q, _, _ = wall.corners
    step = work.paper.steps[-1]
    work.keep(p, FIRST)
    work.keep(q, FIRST)
    step.say("gable-slopes", left=work.marks[p], right=work.marks[q], peak=peak)
    step.check("gable-slopes-check")
    far = far_slope(work, roof)
    if far is None:
        work.keep(FIRST, FIRST + 1)
        return
    _finish(work, roof, wall, far)


def far_slope(work: HouseSite, roof: Pitched) -> Slope | None:
    """The slope by whose far end the ridge's end is found; None where no far end shows."""
    shown = [slope for slope in roof.slopes(work.walls) if slope.far in work.seen]
    if isinstance(roof, Gable):
        lead = roof.drawn_slope(work.walls)
        return lead if lead in shown else next(iter(shown), None)
    return next(iter(shown), None)


def _peak(work: HouseSite, wall: Wall, peak_mm: float) -> Mark:
    """The peak: over the wall's middle, by its diagonals where it runs away."""
    paper = work.paper
    p, q, r, s = work.corners_of(wall)
    step = work.begin("gable-middle")
    if wall.near is None:
        over = divided(paper, p, q, 0.5)
        step.say("gable-half", line=strung(p, q), middle=over)
    else:
        middle = paper.cross(
            paper.diagonal(p, r, work.site.part), paper.diagonal(q, s, work.site.part)
        )
        over = paper.cross(work.upright(middle), paper.along(p, q))
        which = "gable-diagonals" if work.site.third is None else "gable-diagonals-to"
        third = {} if work.site.third is None else {"third": work.site.third}
        step.say(which, one=strung(p, r), other=strung(q, s), line=strung(p, q), over=over, **third)
    work.marks[OVER] = over
    peak = work.above(over, peak_mm)
    step.say("gable-peak", over=over, high=Length(peak_mm), peak=peak)
    step.differs(height=Length(peak_mm))
    step.check("gable-middle-check" if wall.near else "gable-half-check")
    return peak


def draw_lean_to(work: HouseSite, roof: LeanTo) -> None:
    """The upright of the high wall prolonged, the slope down from it, the far slope."""
    (slope,) = roof.slopes(work.walls)
    base, foot = roof.raised_upright(work.walls)
    step = work.begin("lean-to-slope")
    top = work.marks[slope.ridge] = work.above(work.marks[base], roof.peak_mm)
    work.keep(slope.ridge, foot)
    work.keep(*slope.near)
    eave = work.marks[slope.eave]
    step.say("lean-to-slope", base=work.marks[base], high=Length(roof.peak_mm), top=top, eave=eave)
    step.differs(height=Length(roof.peak_mm))
    step.check("lean-to-check")
    if slope.far in work.seen:
        seen = (one for one in work.walls.by_name.values())
        wall = next(one for one in seen if pair(slope.eave, base) == pair(*one.corners[:2]))
        _finish(work, roof, wall, slope)


def _finish(work: HouseSite, roof: Pitched, wall: Wall, slope: Slope) -> None:
    """The ridge, and the far slope where it ends."""
    marks = work.marks
    peak = marks[slope.ridge]
    family = work.house.form.families[pair(slope.ridge, slope.far_ridge)]
    step = work.begin("roof-ridge", Act.DETAILS)
    ridge = work.toward(peak, family)
    if family in work.points:
        step.say("roof-ridge", peak=peak, vp=work.points[family])
    else:
        step.say("roof-ridge-level", peak=peak)
    step.check("roof-ridge-check")
    if not roof.shows_point(work.walls) or roof.far == "parallel":
        step = _far_by_parallel(work, roof, slope, ridge)
    elif roof.far == "middle" and isinstance(roof, Gable):
        step = _far_by_middle(work, roof, slope, ridge)
    else:
        step = _far_by_point(work, wall, slope, ridge)
    for edge in sorted(work.seen):
        if slope.far_ridge in edge and set(edge) <= marks.keys():
            work.keep(*edge)
    end = marks[slope.far_ridge]
    step.say("roof-far-ends", end=end, ridge=strung(peak, end))


def _far_by_point(work: HouseSite, wall: Wall, slope: Slope, ridge: Ruled) -> Step:
    """By the roof's own point: the near slope, prolonged, meets the upright through the point of
    the wall that it stands on.
    """
    paper, marks = work.paper, work.marks
    eave, peak, corner = (marks[k] for k in (slope.eave, slope.ridge, slope.far_eave))
    vp = work.points[wall.family]
    step = work.begin("roof-point")
    upright = work.upright(vp)
    roof_point = marks[ROOF_POINT] = paper.cross(upright, paper.along(eave, peak))
    paper.join(vp, roof_point, upright.family, work.site.part)
    paper.join(peak, roof_point, work.house.form.families[slope.near], work.site.part)
    step.say("roof-point", slope=strung(eave, peak), vp=vp, point=roof_point)
    tape_where_it_lies(work, step, roof_point, (eave, vp))
    step.check("roof-point-check", point=roof_point, vp=vp)
    taped = step.beyond
    step = work.begin("roof-far-point")
    step.beyond += taped
    family = work.house.form.families[slope.far]
    line = paper.aim(corner, roof_point, work.site.part, family=family)
    marks[slope.far_ridge] = paper.cross(line, ridge)
    step.say("roof-far-point", corner=corner, point=roof_point)
    step.check("roof-far-point-check", point=roof_point)
    return step


def _far_by_middle(work: HouseSite, roof: Gable, slope: Slope, ridge: Ruled) -> Step:
    """By the middle of the far wall: its diagonals, and the upright through their crossing."""
    paper = work.paper
    p, q, r, s = (work.marks[k] for k in opposite(roof.foot(work.walls)))
    step = work.begin("roof-far-middle")
    one = paper.diagonal(p, r, work.site.part)
    other = paper.diagonal(q, s, work.site.part)
    upright = work.upright(paper.cross(one, other))
    work.marks[slope.far_ridge] = paper.cross(upright, ridge)
    step.say("roof-far-middle", one=strung(p, r), other=strung(q, s))
    step.check("roof-far-middle-check")
    return step


def _far_by_parallel(work: HouseSite, roof: Pitched, slope: Slope, ridge: Ruled) -> Step:
    """By a parallel to the near slope: right where the gable faces us, else only nearly so."""
    paper, marks = work.paper, work.marks
    eave, peak, corner = (marks[k] for k in (slope.eave, slope.ridge, slope.far_eave))
    step = work.begin("roof-far-parallel")
    line = paper.slide(corner, paper.along(eave, peak))
    marks[slope.far_ridge] = paper.cross(line, ridge)
    step.say("roof-far-parallel", corner=corner, slope=strung(eave, peak))
    if roof.shows_point(work.walls):
        off_mm = distance(marks[slope.far_ridge].at, work.house.right_far_peak)
        step.says.append(say("roof-approximate", off=Length(round(off_mm))))
    step.check("roof-far-parallel-check")
    return step


def draw_parapet(work: HouseSite, parapet_mm: float) -> None:
    """A line below the roof's edge, carried round."""
    paper, third = work.paper, work.site.third
    del third
    step = work.begin("parapet")
    drawn: dict[int, Mark] = {}
    for wall in work.walls.by_name.values():
        if not all(k in work.marks for k in wall.corners) or not work.shows(wall):
            continue
        for_near = wall.near_upright if wall.near else (wall.corners[0], wall.corners[3])
        for_far = wall.far_upright if wall.near else (wall.corners[1], wall.corners[2])
        top, foot = (work.marks[k] for k in for_near)
        start = drawn.get(for_near[0]) or paper.measure_along(top, foot, parapet_mm)
        drawn[for_near[0]] = start
        line = work.toward(start, wall.family)
        end = paper.cross(line, paper.along(*(work.marks[k] for k in for_far)))
        drawn[for_far[0]] = end
        paper.keep(start, end, wall.family, work.site.body)
    step.say("parapet", down=Length(parapet_mm))
    step.differs(down=Length(parapet_mm))
    step.check("parapet-check")
