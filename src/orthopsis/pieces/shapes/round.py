"""Something round in a block: standing, lying, or running away from us.

The block is drawn first, lightly; each end is a circle in its square; two lines that touch both
circles close the side.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from typing import Annotated, Literal

from orthopsis.construction.circle import circle_within, construct_circle
from orthopsis.construction.moves import Act, Curve
from orthopsis.construction.order import Body, Hull, NearPlace, SeenLine, Shown
from orthopsis.perspective.area import Area
from orthopsis.perspective.ellipse import Ellipse, EllipseArc
from orthopsis.perspective.plane import Point, distance_point_line, join
from orthopsis.perspective.roots import TURN
from orthopsis.perspective.segments import XY
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import minus, plus, times
from orthopsis.perspective.view import HORIZONTAL, VERTICAL
from orthopsis.phrase import Choice, Own, PointName, Several, Value, say
from orthopsis.picture.round_solid import RoundSolid
from orthopsis.pieces.base import Site, Stage
from orthopsis.pieces.placement.corners import outline_area_mm2, seen_faces
from orthopsis.pieces.placement.edges import Edges, FrameMarks
from orthopsis.pieces.placement.placement import BlockPlacement
from orthopsis.pieces.roles import Only
from orthopsis.pieces.shapes.box_frame import draw_frame, frame_body, frame_solid
from orthopsis.pieces.shapes.tidy import tidy

Axis = Annotated[
    Literal["up", "away", "left", "right"],
    Only({"away": (1,), "left": (2, 3), "right": (2, 3)}),
]
"""Which way a round thing lies, and in which systems it can."""

Square = tuple[int, int, int, int]

ENDS: dict[str, tuple[tuple[Square, int, str], tuple[Square, int, str]]] = {
    "up": (((0, 1, 5, 4), 2, "top"), ((3, 2, 6, 7), 4, "base")),
    "away": (((0, 1, 2, 3), 0, "front"), ((4, 5, 6, 7), 1, "back")),
    "right": (((0, 1, 2, 3), 0, "left-end"), ((4, 5, 6, 7), 1, "right-end")),
    "left": (((1, 2, 6, 5), 3, "right-end"), ((0, 3, 7, 4), 5, "left-end")),
}
"""For each axis its two ends: the block's corners around them, in step with each other, the number
of the block's face, and its name."""

LEAST_END_MM2 = 0.5

SIDES = 8
OUTSIDE = 1.0 / math.cos(math.pi / SIDES)
"""A prism with so many sides stands outside the circle by this factor, at its corners."""


@dataclass(frozen=True)
class Round:
    """A round part in the block of its placement; `axis` is the way along it."""

    part: Part
    name: Value
    place: BlockPlacement
    axis: Axis

    def solid(self, stage: Stage) -> RoundSolid:
        """The cylinder that touches the block's sides."""
        corners = frame_solid(self.part, self.place, stage).vertices
        self._check_axis(stage)
        (p, q, r, s), (p_far, *_) = (square for square, _, _ in ENDS[self.axis])
        centre = times(plus(corners[p], corners[r]), 0.5)
        a, b = minus(corners[q], corners[p]), minus(corners[s], corners[p])
        found = RoundSolid(
            self.part,
            centre,
            times(a, 0.5),
            times(b, 0.5),
            minus(corners[p_far], corners[p]),
            self._families(stage)[2],
            transparent=stage.transparent,
            floating=stage.floating,
        )
        for square, _, name in ENDS[self.axis]:
            paper = [
                Point(corners[k][0] / corners[k][2], corners[k][1] / corners[k][2]) for k in square
            ]
            self._check_end(stage, paper, name)
        return found

    def body(self, stage: Stage) -> Body:
        """The block by ruler, with the round outline of what stands in it."""
        self._check_axis(stage)
        body = frame_body(self.part, self.name, self.place, stage)
        corners = [place for place, _ in body.corners]
        ovals = []
        for square, _, name in ENDS[self.axis]:
            around = [corners[k] for k in square]
            self._check_end(stage, around, name)
            try:
                ovals.append(circle_within(around))
            except (ValueError, ZeroDivisionError):
                raise stage.refuse(
                    "axis",
                    say("refused-end-too-thin", end=Choice(name)),
                ) from None
        goal = self._goal(stage)
        arcs, lines = _outline(ovals, self._ends_shown(corners), goal, stage.transparent)
        # Between the two lines that touch both curves lies the side.
        sides = [Area(((lines[0][0], lines[0][1], lines[1][1], lines[1][0]),))] if lines else []
        edges = tuple(
            SeenLine((start, end), (self._nearness(body, 0, start), self._nearness(body, 1, end)))
            for start, end in lines
        )
        shown = Shown(
            tuple(sides), edges, tuple(ovals), tuple(arc for of_end in arcs for arc in of_end)
        )
        return replace(body, hull=self._hull(body), show=lambda: shown, is_round=True)

    def build(self, site: Site, what: str) -> FrameMarks:
        """The light block, a circle in each end that shows, and the lines that touch both."""
        paper, body, stage = site.paper, site.body, site.stage
        edges = Edges(paper, body, light=True, whole=True)
        marks = draw_frame(self.place, site, edges)
        goal, families = self._goal(stage), self._families(stage)
        corners = [place for place, _ in body.corners]
        shown = self._ends_shown(corners)
        curves: list[Curve] = []
        ovals = list(body.shown.ovals)
        arcs, lines = _outline(ovals, shown, goal, stage.transparent)
        for number, (square, _, name) in enumerate(ENDS[self.axis]):
            if not arcs[number]:
                continue
            around = [marks[k] for k in square]
            curve = construct_circle(paper, around, families[:2], site.points, body, Choice(name))
            curves.append(curve)
            # The same curve as planned, now by its own marks.
            for arc in _outline(
                [curve.ellipse if i == number else oval for i, oval in enumerate(ovals)],
                shown, goal, stage.transparent,
            )[0][number]:  # fmt: skip
                paper.keep_arc(arc, body)
        if lines:
            self._draw_sides(site, curves, goal, families[2])
        tidy(site, what)
        return marks

    def _draw_sides(self, site: Site, curves: list[Curve], goal: Point, family: str) -> None:
        paper, vp = site.paper, site.points.get(family)
        step = site.begin("round-sides", Act.BACKS)
        near, far = (paper.touch(curve, vp or goal) for curve in curves)
        for mark in near:
            line = join(mark.at, goal)
            other = min(far, key=lambda m: distance_point_line(m.at, line))
            paper.keep(mark, other, family, site.body)
        if family in (HORIZONTAL, VERTICAL):
            step.say("round-sides-level" if family == HORIZONTAL else "round-sides-upright")
        else:
            step.say("round-sides-to", point=PointName(family))
        step.check("round-sides-check")

    # --- what both sides read from the document ----------------------------------------------

    def _families(self, stage: Stage) -> tuple[str, str, str]:
        """Families of an end's sides, as in ENDS, and of the lines along the cylinder."""
        view = stage.view
        up = view.uprights.name
        side, sweep = HORIZONTAL, view.level_points[-1].name
        if len(view.level_points) == 2:
            side = view.level_points[0].name
        return {
            "up": (side, sweep, up),
            "away": (side, up, sweep),
            "right": (side, up, sweep),
            "left": (up, sweep, side),
        }[self.axis]

    def _goal(self, stage: Stage) -> Point:
        """Where the lines along the cylinder meet."""
        family = self._families(stage)[2]
        return next(vp.at for vp in stage.view.directions if vp.name == family)

    def _ends_shown(self, corners: list[Point]) -> tuple[bool, bool]:
        seen = seen_faces(corners)
        first, second = (face in seen for _, face, _ in ENDS[self.axis])
        return first, second

    def _hull(self, body: Body) -> Hull:
        """A prism of eight sides that touches the cylinder from outside.

        With the nearness n of its corners a square is at (x/n, y/n, 1/n), and there its middle
        and its axes are found by halving.
        """
        corners: list[NearPlace] = []
        for square, _, _ in ENDS[self.axis]:
            p, q, r, s = (
                (place.x / near, place.y / near, 1.0 / near)
                for place, near in (body.corners[k] for k in square)
            )
            middle = times(plus(p, r), 0.5)
            a, b = times(minus(q, p), 0.5 * OUTSIDE), times(minus(s, p), 0.5 * OUTSIDE)
            for k in range(SIDES):
                turn = TURN * (k + 0.5) / SIDES
                across = plus(times(a, math.cos(turn)), times(b, math.sin(turn)))
                x, y, depth = plus(middle, across)
                corners.append((Point(x / depth, y / depth), 1.0 / depth))
        ends = tuple(range(SIDES)), tuple(range(SIDES, 2 * SIDES))
        sides = [(k, (k + 1) % SIDES, SIDES + (k + 1) % SIDES, SIDES + k) for k in range(SIDES)]
        return Hull(tuple(corners), (*ends, *sides))

    def _nearness(self, body: Body, end: int, xy: XY) -> float:
        """Nearness at a place of an end: it changes evenly over a plane on paper."""
        (ax, ay, a), (bx, by, b), (cx, cy, c) = (
            (*body.corners[k][0].xy, body.corners[k][1]) for k in ENDS[self.axis][end][0][:3]
        )
        det = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax)
        u = ((xy[0] - ax) * (cy - ay) - (xy[1] - ay) * (cx - ax)) / det
        v = ((bx - ax) * (xy[1] - ay) - (by - ay) * (xy[0] - ax)) / det
        return a + u * (b - a) + v * (c - a)

    def _check_axis(self, stage: Stage) -> None:
        two = len(stage.view.level_points) == 2
        fits = ("up", "left", "right") if two else ("up", "away")
        if self.axis not in fits:
            raise stage.refuse(
                "axis",
                say(
                    "refused-axis-none",
                    axis=Own(self.axis),
                    fits=Several(tuple(map(Own, fits)), "or"),
                ),
            )

    def _check_end(self, stage: Stage, around: list[Point], name: str) -> None:
        if abs(outline_area_mm2(around)) < LEAST_END_MM2:
            raise stage.refuse(
                "axis",
                say("refused-end-edge-on", end=Choice(name)),
            )


Arcs = list[EllipseArc]


def _outline(
    ovals: list[Ellipse], shown: tuple[bool, bool], goal: Point, transparent: bool
) -> tuple[tuple[Arcs, Arcs], list[tuple[XY, XY]]]:
    """What shows of both curves, and the two lines that touch them.

    An end that shows is drawn whole. Of the other, the part beyond the touching points: the one
    turned away from the first end.
    """
    touching = [oval.touched_from(goal) for oval in ovals]
    whole = [[EllipseArc(oval, 0.0, TURN)] for oval in ovals]
    if not all(touching):
        arcs = [whole[i] if shown[i] or transparent else [] for i in (0, 1)]
        return (arcs[0], arcs[1]), []
    contacts = [
        [oval.point(angle) for angle in angles]
        for oval, angles in zip(ovals, touching, strict=True)
    ]
    arcs = []
    for i in (0, 1):
        if shown[i] or transparent:
            arcs.append(whole[i])
            continue
        first, second = touching[i]
        chord = join(Point(*contacts[i][0]), Point(*contacts[i][1]))
        middle = ovals[i].point((first + second) / 2)
        if _side(chord, middle) * _side(chord, _between(*contacts[1 - i])) < 0.0:
            arcs.append([EllipseArc(ovals[i], first, second)])
        else:
            arcs.append([EllipseArc(ovals[i], second, first + TURN)])
    lines = []
    for start in contacts[0]:
        line = join(Point(*start), goal)
        end = min(contacts[1], key=lambda xy: distance_point_line(Point(*xy), line))
        lines.append((start, end))
    return (arcs[0], arcs[1]), lines


def _side(line: tuple[float, float, float], xy: XY) -> float:
    return line[0] * xy[0] + line[1] * xy[1] + line[2]


def _between(p: XY, q: XY) -> XY:
    return (p[0] + q[0]) / 2, (p[1] + q[1]) / 2
