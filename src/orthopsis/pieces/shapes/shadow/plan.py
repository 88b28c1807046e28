"""The plan of a thing on its floor: what lies straight below its corners, and the lines by which
ruler and set square find that.

One idea: what is level has a plan that runs the same way, and what is upright has a mark for a
plan. With what stands on the floor itself that finds every foot. Source: plan and elevation of
handbooks of perspective (from memory).
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass

from orthopsis.construction.line_figure import FigureLine, LineFigure, Place
from orthopsis.construction.moves import Mark
from orthopsis.perspective.plane import Point
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import VERTICAL, on_paper
from orthopsis.pieces.casting import CastForm

Pair = tuple[int, int]


class Plan:
    """The corners of one thing and the places below them, each with its name in the figure."""

    def __init__(self, part: Part, form: CastForm, families: Mapping[Pair, str]) -> None:
        self.part, self.form, self.families = part, form, families
        uprights = {k: k for k in range(len(form.corners))}
        for (a, b), family in families.items():
            if family == VERTICAL:
                one, other = uprights[a], uprights[b]
                first, second = sorted((one, other), key=lambda k: (k not in form.on_floor, k))
                uprights = {k: first if end == second else end for k, end in uprights.items()}
        self._uprights = uprights

    def corner(self, number: int) -> Place:
        return self.part, number

    def foot(self, number: int) -> Place:
        """The place on the ground below a corner: one for all of an upright, and what stands on the
        ground itself.
        """
        below = self._uprights[number]
        return (self.part, below) if below in self.form.on_floor else (self.part, below, "foot")

    def lines(self, level: Sequence[str]) -> Iterator[FigureLine]:
        """The edges, what is level once more on the ground, and the uprights."""
        for (a, b), family in self.families.items():
            if family == VERTICAL:
                continue
            yield FigureLine((self.corner(a), self.corner(b)), family)
            if family in level:
                yield FigureLine((self.foot(a), self.foot(b)), family)
        over: dict[Place, list[Place]] = {}
        for number in self._uprights:
            places = over.setdefault(self.foot(number), [self.foot(number)])
            if self.corner(number) not in places:
                places.append(self.corner(number))
        for places in over.values():
            if len(places) > 1:
                yield FigureLine(tuple(places), VERTICAL)


@dataclass(frozen=True, eq=False)
class PlanFinder:
    """Marks by the lines of a thing and its plan."""

    plan: Plan
    figure: LineFigure

    def corner(self, number: int) -> Mark:
        return self._found(self.plan.corner(number))

    def foot(self, number: int) -> Mark:
        return self._found(self.plan.foot(number))

    def _found(self, place: Place) -> Mark:
        """By lines; where no lines lead there, as nothing of it shows, a hidden corner is measured
        from the sheet's edges first.
        """
        figure, plan = self.figure, self.plan
        try:
            return figure.find(place)
        except KeyError:
            pass
        form, numbers = plan.form, range(len(plan.form.corners))
        places = {plan.corner(k): on_paper(form.corners[k]) for k in form.on_floor}
        places |= {plan.corner(k): on_paper(form.corners[k]) for k in numbers}
        places |= {plan.foot(k): on_paper(form.feet[k]) for k in numbers}
        anchors = [(one, Point(*xy)) for one, xy in places.items()]
        while (lacking := figure.lacks(place, anchors)) is not None:
            figure.marks[lacking] = figure.paper.measure(*places[lacking])
        return figure.find(place)
