"""The cylinder: a round thing in a block, standing, lying, or running away from us.

Bins, drums, towers and pipes. The block is drawn first, lightly; each end is a circle in its
square; two lines that touch both circles close the side.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import replace
from typing import Literal

from orthopsis.construction.circle import circle_within, construct_circle
from orthopsis.construction.moves import Curve, Mark
from orthopsis.construction.order import Body, Corner, Hull, SeenLine
from orthopsis.construction.paper import Paper
from orthopsis.perspective.area import Area
from orthopsis.perspective.ellipse import Ellipse, EllipseArc
from orthopsis.perspective.plane import Point, distance_point_line, join
from orthopsis.perspective.roots import TURN
from orthopsis.perspective.segments import XY
from orthopsis.perspective.vector import minus, plus, times
from orthopsis.perspective.view import HORIZONTAL, VERTICAL
from orthopsis.picture.cylinder import Cylinder as Round
from orthopsis.picture.thing import Thing
from orthopsis.pieces.base import Drawn, Stage
from orthopsis.pieces.block import Block
from orthopsis.pieces.block_shape import outline_area_mm2, seen_faces
from orthopsis.pieces.block_steps import Edges, construct_block, tidy

Square = tuple[int, int, int, int]

ENDS: dict[str, tuple[tuple[Square, int, str], tuple[Square, int, str]]] = {
    "up": (((0, 1, 5, 4), 2, "top"), ((3, 2, 6, 7), 4, "base")),
    "away": (((0, 1, 2, 3), 0, "front"), ((4, 5, 6, 7), 1, "back")),
    "right": (((0, 1, 2, 3), 0, "left end"), ((4, 5, 6, 7), 1, "right end")),
    "left": (((1, 2, 6, 5), 3, "right end"), ((0, 3, 7, 4), 5, "left end")),
}
"""For each axis its two ends: the block's corners around them, in step with each other, the number
of the block's face, and its name."""

LEAST_END_MM2 = 0.5

SIDES = 8
OUTSIDE = 1.0 / math.cos(math.pi / SIDES)
"""A prism with so many sides stands outside the circle by this factor, at its corners."""


class Cylinder(Block, Drawn):
    """A round thing in a block. `axis`: `up`; in one-point also `away`; else `left` or `right`,
    to that side's vanishing point.
    """

    kind: Literal["cylinder"]
    axis: Literal["up", "away", "left", "right"] = "up"

    def solids(self, stage: Stage) -> list[Thing]:
        """The cylinder that touches the block's sides."""
        corners = self.block(stage).vertices
        self._check_axis(stage)
        (p, q, r, s), (p_far, *_) = (square for square, _, _ in ENDS[self.axis])
        centre = times(plus(corners[p], corners[r]), 0.5)
        a, b = minus(corners[q], corners[p]), minus(corners[s], corners[p])
        found = Round(
            self.id,
            centre,
            times(a, 0.5),
            times(b, 0.5),
            minus(corners[p_far], corners[p]),
            self._families(stage)[2],
            transparent=self.transparent,
            floating=self.standing == "floating",
        )
        for square, _, name in ENDS[self.axis]:
            paper = [
                Point(corners[k][0] / corners[k][2], corners[k][1] / corners[k][2]) for k in square
            ]
            self._check_end(stage, paper, name)
        return [found]

    def body(self, stage: Stage) -> Body:
        """The block by ruler, with the round outline of what stands in it."""
        self._check_axis(stage)
        body = super().body(stage)
        corners = [place for place, _ in body.corners]
        ovals = []
        for square, _, name in ENDS[self.axis]:
            around = [corners[k] for k in square]
            self._check_end(stage, around, name)
            try:
                ovals.append(circle_within(around))
            except (ValueError, ZeroDivisionError):
                raise stage.refuse(
                    "axis", f"its {name} is too thin a circle to construct; make it deeper or wider"
                ) from None
        goal = self._goal(stage)
        arcs, lines = _outline(ovals, self._ends_shown(corners), goal, self.transparent)
        # Between the two lines that touch both curves lies the side.
        sides = [Area(((lines[0][0], lines[0][1], lines[1][1], lines[1][0]),))] if lines else []
        return replace(
            body,
            hull=self._hull(body),
            seen_faces=tuple(sides),
            seen_edges=tuple(
                SeenLine(
                    (start, end), (self._nearness(body, 0, start), self._nearness(body, 1, end))
                )
                for start, end in lines
            ),
            seen_ovals=tuple(ovals),
            seen_arcs=tuple(arc for arcs_of_end in arcs for arc in arcs_of_end),
        )

    def build(self, paper: Paper, stage: Stage, body: Body, points: Mapping[str, Mark]) -> None:
        """The light block, a circle in each end that shows, and the lines that touch both."""
        marks = construct_block(
            self, paper, stage, Edges(paper, body, light=True, whole=True), points
        )
        goal = self._goal(stage)
        family = self._families(stage)[2]
        corners = [place for place, _ in body.corners]
        shown = self._ends_shown(corners)
        curves: list[Curve] = []
        ovals = list(body.seen_ovals)
        arcs, lines = _outline(ovals, shown, goal, self.transparent)
        for number, (square, _, name) in enumerate(ENDS[self.axis]):
            if not arcs[number]:
                continue
            families = self._families(stage)[0:2]
            around = [marks[k] for k in square]
            curve = construct_circle(paper, around, families, points, self.name, name, self.id)
            curves.append(curve)
            # The same curve as planned, now by its own marks.
            for arc in _outline(
                [curve.ellipse if i == number else oval for i, oval in enumerate(ovals)],
                shown, goal, self.transparent,
            )[0][number]:  # fmt: skip
                paper.keep_arc(arc, body)
        if lines:
            self._draw_sides(paper, body, curves, points.get(family), goal, family)
        tidy(self, paper)

    def _draw_sides(
        self,
        paper: Paper,
        body: Body,
        curves: list[Curve],
        vp: Mark | None,
        goal: Point,
        family: str,
    ) -> None:
        step = paper.begin(f"{self.name}: the sides", self.id)
        near, far = (paper.touch(curve, vp or goal) for curve in curves)
        for mark in near:
            line = join(mark.at, goal)
            other = min(far, key=lambda m: distance_point_line(m.at, line))
            paper.keep(mark, other, family, body)
        way = {HORIZONTAL: "lies level", VERTICAL: "stands upright"}.get(
            family, f"leads to {family}"
        )
        step.instruction = paper.wording.say(
            f"Lay the ruler so that it {way} and touches both curves; draw the line on each side, "
            "from curve to curve.",
            f"Put the ruler against both curves. See that it {way}. Draw the line. Do the same on "
            "the other side.",
        )
        step.check = "Each side line touches the curves and crosses neither."

    # --- what both sides read from the document ----------------------------------------------

    def _families(self, stage: Stage) -> tuple[str, str, str]:
        """Families of an end's sides, as in ENDS, and of the lines along the cylinder."""
        view = stage.view
        up = view.uprights.name
        side, sweep = HORIZONTAL, view.level_points[-1].name
        if self.edge is not None:
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
        corners: list[Corner] = []
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
        fits = ("up", "away") if self.edge is None else ("up", "left", "right")
        if self.axis not in fits:
            raise stage.refuse(
                "axis", f"'{self.axis}' is no direction of this view; use {' or '.join(fits)}"
            )

    def _check_end(self, stage: Stage, around: list[Point], name: str) -> None:
        if abs(outline_area_mm2(around)) < LEAST_END_MM2:
            raise stage.refuse(
                "axis",
                f"its {name} is seen edge-on, where a circle is a straight line; move the "
                "piece or the eye level by a few millimetres",
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
