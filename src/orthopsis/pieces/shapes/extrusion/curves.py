"""The curves of a carved face: drawn over the block form, on the face and again behind it.

A curve leaves one side of a corner and reaches the other: a quarter of the ellipse in the rectangle
of the corner C, the ends S and E, and the middle M. Halve S C and M S. The line from E to the one
and the line from C to the other cross on the curve: in a square from 0 to 1 at (0.8, 0.6). Source:
the three-four-five triangle.
"""

from __future__ import annotations

from typing import Protocol

from orthopsis.construction.circle import in_turn, toward_family
from orthopsis.construction.corner_rule import Ends
from orthopsis.construction.division import divided
from orthopsis.construction.face import Lines
from orthopsis.construction.moves import Act, Curve, Mark, phrase, strung
from orthopsis.perspective.ellipse import EllipseArc
from orthopsis.perspective.plane import LEVEL, UPRIGHT, Point, distance, join, meet
from orthopsis.perspective.view import FREE, HORIZONTAL, VERTICAL
from orthopsis.pieces.shapes.extrusion.profile_site import CurveMarks, ProfileSite


class Far(Protocol):
    """Makes the marks behind those of a face: of a corner by its number, and of a curve."""

    def find(self, k: int) -> Mark: ...
    def corner(self, bay: CurveMarks, start: Mark, end: Mark) -> Mark: ...
    def on_curve(self, bay: CurveMarks, start: Mark, end: Mark, corner: Mark) -> Mark: ...


def curve_marks(work: ProfileSite, side: Ends, lines: Lines) -> CurveMarks:
    """Find the marks of a curve on the face."""
    paper, profile = work.paper, work.profile
    columns, rows = profile.columns, profile.rows
    turn = profile.bend_of[side]
    assert turn.column is not None and turn.row is not None
    start, end = (profile.corners[k] for k in side)
    along_column = start.column == turn.column
    across = end.column if along_column else start.column
    down = start.row if along_column else end.row
    assert across is not None and down is not None and start.column is not None
    first_mark, last_mark = (work.corner_mark(k, lines) for k in side)
    corner = lines.crossing(columns[turn.column], rows[turn.row])
    middle = lines.crossing(columns[across], rows[down])
    if paper.ways.quick_curves:
        ends = first_mark, corner, last_mark
        on = paper.by_eye(_on_curve(work, (*ends, middle), along_column), ends)
        return CurveMarks(*ends, on, on, on, turn, along_column, down, 0)
    if work.owner.run is None:
        first = divided(paper, first_mark, corner, 0.5)
        second = divided(paper, middle, first_mark, 0.5)
    else:
        down_line = paper.diagonal(middle, corner, work.part)
        up_line = paper.diagonal(first_mark, last_mark, work.part)
        centre = paper.cross(down_line, up_line)
        by_row, by_column = (
            toward_family(paper, centre, family, work.points) for family in (work.across, work.down)
        )
        if not along_column:
            by_row, by_column = by_column, by_row
        first = paper.cross(by_row, paper.along(first_mark, corner))
        second = paper.cross(by_column, paper.along(middle, first_mark))
    one = paper.join(last_mark, first, FREE, work.part)
    two = paper.join(corner, second, FREE, work.part)
    return CurveMarks(
        start=first_mark,
        corner=corner,
        end=last_mark,
        on=paper.cross(one, two),
        first=first,
        second=second,
        turn=turn,
        along_column=along_column,
        middle_row=down,
        half_column=turn.column if along_column else start.column,
    )


def _on_curve(work: ProfileSite, marks: tuple[Mark, Mark, Mark, Mark], along_column: bool) -> Point:
    """The place on a curve that the two lines would find, which the eye chooses instead.

    `marks` are the start, the corner, the end and the middle of the curve.
    """
    start, corner, end, middle = (mark.at for mark in marks)
    centre = meet(join(middle, corner), join(start, end))

    def goal(family: str) -> Point:
        straight = {HORIZONTAL: LEVEL, VERTICAL: UPRIGHT}
        return straight[family] if family in straight else work.points[family].at

    by_row, by_column = (join(centre, goal(family)) for family in (work.across, work.down))
    if not along_column:
        by_row, by_column = by_column, by_row
    first, second = meet(by_row, join(start, corner)), meet(by_column, join(middle, start))
    return meet(join(end, first), join(corner, second))


def _on_curve_behind(bay: CurveMarks, behind: tuple[Mark, Mark, Mark], vp: Point) -> Point:
    """Behind the place on a curve: what is in line in front is in line behind."""
    start, corner, end = (mark.at for mark in behind)
    near = meet(join(bay.on.at, bay.start.at), join(bay.corner.at, bay.end.at))
    far = meet(join(corner, end), join(near, vp))
    return meet(join(start, far), join(bay.on.at, vp))


def draw_curves(work: ProfileSite, lines: Lines) -> None:
    """The curves of the face, one in a step."""
    for k, side in enumerate(work.body.bends):
        step = work.begin("curves-more" if k else "curves", Act.FRONTS)
        step.like, step.again = "curves", phrase("again-curves")
        bay = curve_marks(work, side, lines)
        curve = work.paper.bend(*bay[:4])
        work.bays[side], work.curves[side] = bay, curve
        work.paper.keep_arc(_arc(curve, bay), work.body)
        if work.paper.ways.quick_curves:
            step.say(
                "curve-by-hand",
                corner=bay.corner, start=bay.start, end=bay.end, on=bay.on,
                line=strung(bay.start, bay.end),
            )  # fmt: skip
            step.check("curve-check")
            continue
        step.say(
            "curve",
            side=strung(bay.start, bay.corner), first=bay.first, second=bay.second,
            one=strung(bay.end, bay.first), other=strung(bay.corner, bay.second),
            on=bay.on, start=bay.start, end=bay.end,
        )  # fmt: skip
        step.check("curve-check")


def mark_touches(work: ProfileSite) -> list[Mark]:
    """The places where a ruler on the vanishing point touches the curves."""
    touching = []
    for k, side in sorted(work.body.touching.items()):
        if (k, k + work.count) not in work.body.shows:
            continue
        planned = work.body.corners[k][0]
        marks = work.paper.touch(work.curves[side], work.vp)
        work.marks[k] = min(marks, key=lambda mark: distance(mark.at, planned))
        touching.append(work.marks[k])
    return touching


def far_curve(work: ProfileSite, side: Ends, far: Far) -> Curve:
    """The curve behind a curved side, through the marks behind its own."""
    if side not in work.far_curves:
        bay, paper = work.bays[side], work.paper
        start, end = (mark_behind(work, k, far) for k in side)
        corner = far.corner(bay, start, end)
        if paper.ways.quick_curves:
            ends = start, corner, end
            on = paper.by_eye(_on_curve_behind(bay, ends, work.vp.at), ends)
        else:
            on = far.on_curve(bay, start, end, corner)
        work.far_curves[side] = paper.bend(start, corner, end, on)
    return work.far_curves[side]


def draw_far_curves(work: ProfileSite, far: Far) -> None:
    """What shows of the curves behind, one in a step."""
    done: set[Ends] = set()
    for ends, arcs in work.body.far_arcs.items():
        side = work.side_of(ends)
        if side not in done:
            step = work.begin("curves-behind-more" if done else "curves-behind", Act.BACKS)
            step.like, step.again = "curves-behind", phrase("again-curves")
            done.add(side)
        curve = far_curve(work, side, far)
        for arc in arcs:
            drawn = EllipseArc(curve.ellipse, arc.start, arc.stop)
            work.paper.keep_arc(drawn, work.body)
        bay = work.bays[side]
        if not step.says:
            step.say(
                "curve-behind", start=bay.start, end=bay.end, marks=in_turn(bay[:4]), vp=work.vp
            )
            step.check("curve-behind-check")


def mark_behind(work: ProfileSite, k: int, far: Far) -> Mark:
    """The mark behind a corner, made when it is first needed."""
    if k in work.body.touching and k not in work.behind:
        curve = far_curve(work, work.body.touching[k], far)
        planned = work.body.corners[k + work.count][0]
        marks = work.paper.touch(curve, work.vp)
        work.behind[k] = min(marks, key=lambda mark: distance(mark.at, planned))
    if k not in work.behind:
        work.behind[k] = far.find(k)
    return work.behind[k]


def _arc(curve: Curve, bay: CurveMarks) -> EllipseArc:
    return EllipseArc.between(curve.ellipse, (bay.start.at.xy, bay.end.at.xy), bay.on.at.xy)
