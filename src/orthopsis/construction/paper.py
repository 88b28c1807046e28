"""The sheet of paper on which moves are made and recorded."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass, field
from itertools import accumulate, chain, pairwise
from typing import Any

from orthopsis.construction.cover import drawn_by_others, open_parts
from orthopsis.construction.doubt import crossing_sway
from orthopsis.construction.guides import Guide
from orthopsis.construction.moves import (
    Do,
    Fate,
    Idea,
    Mark,
    Measure,
    Ruled,
    Step,
    StepStroke,
)
from orthopsis.construction.order import Body
from orthopsis.construction.record import MoveRecord
from orthopsis.construction.standing import StandingBodies
from orthopsis.construction.ways import Ways
from orthopsis.perspective.ellipse import EllipseArc
from orthopsis.perspective.plane import LEVEL, UPRIGHT, Line, Point, join, meet
from orthopsis.perspective.segments import (
    WHOLE,
    XY,
    Portion,
    Segment,
    at,
    length,
    portion_shared,
    remainder,
)
from orthopsis.perspective.stroke import Part, Role, Stroke
from orthopsis.perspective.view import FREE, HORIZONTAL, VERTICAL


@dataclass
class Paper(MoveRecord):
    """Marks and lines made from earlier ones, and what stays of them."""

    standing: StandingBodies = field(default_factory=StandingBodies)
    ways: Ways = field(default_factory=Ways)
    _guides: list[Guide] = field(default_factory=list)
    _tidied: list[tuple[Step, Part]] = field(default_factory=list)
    _rubbed: list[tuple[Step, Guide]] = field(default_factory=list)
    _curves: int = 0

    def on_trial(self) -> Callable[[], None]:
        """From now on what is drawn is only tried: the answer takes all of it back."""
        steps, guides = len(self.steps), [(one, len(one.reached)) for one in self._guides]
        tidied, rubbed = len(self._tidied), len(self._rubbed)
        counts = self._named, self._readings, self._ruled, self._curves
        placed: list[tuple[list[Any], int]] = [(self._helping, len(self._helping))]
        if self.setting is not None:
            of_setting = self.setting.marks, self.setting.moves, self.setting.measures
            placed += [(made, len(made)) for made in of_setting]
        ideas = set(self.setting.ideas) if self.setting else set()

        def take_back() -> None:
            for made, before in placed:
                del made[before:]
            if self.setting is not None:
                self.setting.ideas = ideas
            del self.steps[steps:], self._tidied[tidied:], self._rubbed[rubbed:]
            self._guides[:] = [guide for guide, _ in guides]
            for guide, many in guides:
                guide.take_up()
                del guide.reached[many:]
            self._named, self._readings, self._ruled, self._curves = counts

        return take_back

    # --- marks -------------------------------------------------------------------------------

    def measure_down(self, y_mm: float, line: Ruled) -> Mark:
        """Mark on a line the place that lies so far below the sheet's top edge."""
        side = self.mark(Point(0.0, self._read(y_mm)), self._misread((0.0, 1.0)))
        self.moved(Do.MEASURE, (), side.name)
        self._step.measures.append(Measure("top edge", "y", y_mm))
        return self.cross(self.level(side), line)

    def cross(self, first: Ruled, second: Ruled) -> Mark:
        """Mark where two ruled lines cross; guide lines are drawn as far as this mark."""
        place = meet(first.line, second.line)
        swings = first.swing_at(place), second.swing_at(place)
        mark = self.mark(place, crossing_sway(first.line, swings[0], second.line, swings[1]))
        uses = tuple(name for ruled in (first, second) for name in ruled.uses or (ruled.name,))
        self.moved(Do.CROSS, uses, mark.name)
        for ruled in (first, second):
            self.reach(ruled, mark)
        return mark

    # --- lines -------------------------------------------------------------------------------

    def aim(
        self,
        start: Mark,
        goal: Mark,
        part: Part,
        family: str | None = None,
        fate: Fate = "guide",
        until: XY | None = None,
    ) -> Ruled:
        """A light line from a mark toward a vanishing point, which names its family.

        A line to a measuring point is only a help: its family is `free`. It goes no further than
        `until`, where it runs into something.
        """
        names = (start.name, goal.name)
        line = join(start.at, goal.at)
        ruled = self._rule(Do.AIM, line, family or goal.name, start, names, goal)
        self._guides.append(Guide(ruled, self._step, part, fate, goal.at, until))
        return ruled

    def lay(self, start: Mark, goal: Mark) -> Ruled:
        """The ruler laid through a mark and a point; what is drawn along it is said by `keep`."""
        line = join(start.at, goal.at)
        names = (start.name, goal.name)
        return self._rule(Do.LAY, line, goal.name, start, names, goal=goal)

    def join(self, start: Mark, end: Mark, family: str, part: Part) -> Ruled:
        """A light line from mark to mark, a help that is erased at the end."""
        names = (start.name, end.name)
        ruled = self._rule(Do.JOIN, join(start.at, end.at), family, start, names, end)
        stroke = Stroke(start.at.xy, end.at.xy, family, Role.GUIDE, part)
        on_sheet = self.sheet.clip(stroke.segment)
        if on_sheet is not None:
            ends = at(stroke.segment, on_sheet[0]), at(stroke.segment, on_sheet[1])
            self._step.strokes += self._before_nearer(
                StepStroke(stroke._replace(start=ends[0], end=ends[1]), "erase")
            )
        return ruled

    def light(self, start: Point, end: Point, family: str, part: Part | None) -> None:
        """A light line along a ruler that lies already, as far as the sheet goes."""
        on_sheet = self.sheet.clip((start.xy, end.xy))
        if on_sheet is not None:
            first, last = (at((start.xy, end.xy), share) for share in on_sheet)
            stroke = Stroke(first, last, family, Role.GUIDE, part)
            self._step.strokes += self._before_nearer(StepStroke(stroke, "erase"))

    def diagonal(self, start: Mark, end: Mark, part: Part) -> Ruled:
        """A light line from corner to corner."""
        self._step.ideas.add(Idea.DIAGONAL)
        return self.join(start, end, FREE, part)

    def across(self, ruled: Ruled, until: Ruled, part: Part, since: Ruled | None = None) -> None:
        """Draw a line lightly to where it meets another, from its mark or from a third line."""
        start = ruled.start.at if since is None else meet(ruled.line, since.line)
        ends = start.xy, meet(ruled.line, until.line).xy
        on_sheet = self.sheet.clip(ends)
        if on_sheet is not None:
            drawn = at(ends, on_sheet[0]), at(ends, on_sheet[1])
            stroke = Stroke(*drawn, ruled.family, Role.GUIDE, part)
            self._step.strokes += self._before_nearer(StepStroke(stroke, "erase"))

    def upright(self, start: Mark) -> Ruled:
        """The set square laid upright through a mark; what is drawn of it is said by `keep`."""
        return self._rule(Do.SQUARE, join(start.at, UPRIGHT), VERTICAL, start, (start.name,))

    def level(self, start: Mark) -> Ruled:
        """The set square laid level through a mark."""
        return self._rule(Do.SQUARE, join(start.at, LEVEL), HORIZONTAL, start, (start.name,))

    def slide(self, through: Mark, to: Ruled) -> Ruled:
        """The set square slid along the ruler from a line to a mark: a parallel through it."""
        along = Point(to.line.b, -to.line.a, 0.0)
        self._step.ideas.add(Idea.PARALLEL)
        names = (through.name, *(to.uses or (to.name,)))
        return self._rule(Do.SLIDE, join(through.at, along), to.family, through, names)

    def reach(self, ruled: Ruled, mark: Mark) -> None:
        """A guide line is needed as far as this mark."""
        for guide in self._guides:
            if guide.ruled is ruled:
                guide.reached.append(mark.at)

    def keep(
        self,
        start: Mark,
        end: Mark,
        family: str,
        body: Body,
        shows: Sequence[Portion] = (WHOLE,),
        do: Do = Do.JOIN,
    ) -> None:
        """A finished line from mark to mark, stopped where nearer things stand before it; `shows`
        are the portions of it that the piece itself does not hide.
        """
        self.moved(do, (start.name, end.name), None)
        self._keep((start.at.xy, end.at.xy), (start, end), family, body, shows)

    def keep_along(
        self,
        start: Mark,
        ruled: Ruled,
        end: Point,
        family: str,
        body: Body,
        shows: Sequence[Portion],
    ) -> None:
        """A finished line from a mark along a ruled one, which stops where it runs behind the
        piece itself; `end` is where it would end behind it.
        """
        foot = meet(ruled.line, join(end, Point(ruled.line.a, ruled.line.b, 0.0)))
        self.moved(Do.JOIN, (start.name, *(ruled.uses or (ruled.name,))), None)
        self._keep((start.at.xy, foot.xy), (start,), family, body, shows)

    def _keep(
        self,
        whole: Segment,
        ends: tuple[Mark, ...],
        family: str,
        body: Body,
        shows: Sequence[Portion],
    ) -> None:
        for portion in shows:
            segment = at(whole, portion[0]), at(whole, portion[1])
            on_sheet = self.sheet.clip(segment)
            if on_sheet is None:
                continue
            self._step.corners += (end for end in ends if self.sheet.holds(end.at))
            flush = self.standing.flush_with(segment, body, self.tolerance)
            seam = [*chain.from_iterable(flush.values())]
            covered = drawn_by_others(segment, body, self.standing.bodies, self.tolerance)
            if seam:
                covered = [open for one in covered for open in remainder(seam, one)]
            covered += self._drawn_before(segment, family, body.part)
            beside = self.standing.under_parts_of(segment, body)
            nearer = self.standing.under_nearer(segment, body.part, self.tolerance) | beside
            not_begun = (beside.keys() | flush.keys()) - {step.part for step in self.steps}
            later = self.standing.built_on(body.part) | not_begun
            self._step.behind |= nearer.keys() - later
            for one, portions in flush.items():
                nearer[one] = [*nearer.get(one, ()), *portions]
            covered += chain.from_iterable(nearer[one] for one in nearer if one not in later)
            for one in (one for one in nearer if one in later):
                # It is not there yet: the line is drawn, and rubbed out with its light lines.
                elsewhere = remainder(nearer[one], WHOLE)
                light = Stroke(*segment, family, Role.GUIDE, one)
                self._draw(StepStroke(light, "erase"), remainder([*covered, *elsewhere], on_sheet))
            covered += chain.from_iterable(nearer[one] for one in later & nearer.keys())
            dark = Stroke(*segment, family, Role.OUTLINE, body.part)
            self._draw(StepStroke(dark, "keep"), remainder(covered, on_sheet))

    def _draw(self, drawn: StepStroke, portions: Iterable[Portion]) -> None:
        """The portions of a line that are long enough to see."""
        whole = drawn.stroke.segment
        for t0, t1 in portions:
            if (t1 - t0) * length(whole) > self.tolerance.paper_mm:
                part = drawn.stroke._replace(start=at(whole, t0), end=at(whole, t1))
                self._step.strokes.append(StepStroke(part, drawn.fate))

    def _drawn_before(self, segment: Segment, family: str, part: Part) -> list[Portion]:
        """Where the part has a line of the same family already, as on a face seen edge-on."""
        own = (step for step in self.steps if step.part == part)
        shared = (
            portion_shared(segment, drawn.stroke.segment, self.tolerance)
            for step in own
            for drawn in step.strokes
            if drawn.fate == "keep" and drawn.stroke.family == family
        )
        return [portion for portion in shared if portion is not None]

    # --- curves ------------------------------------------------------------------------------

    def keep_arc(self, arc: EllipseArc, body: Body) -> None:
        """A finished part of a curve, stopped at the sheet's edge and where nearer things stand."""
        for part in open_parts(arc, self.sheet, self.standing.before(body.part), self.tolerance):
            if part.barely_seen:
                continue
            for ends in pairwise(part.ellipse.chords(part.start, part.stop)):
                stroke = Stroke(*ends, FREE, Role.OUTLINE, body.part, self._curves)
                self._step.strokes.append(StepStroke(stroke, "keep"))
            self._curves += 1

    def draw_lightly(self, places: Sequence[XY], part: Part) -> None:
        """A light line by hand from place to place, all of it that lies on the sheet."""
        for ends in pairwise(places):
            on_sheet = self.sheet.clip(ends)
            if on_sheet is not None:
                drawn = at(ends, on_sheet[0]), at(ends, on_sheet[1])
                stroke = Stroke(*drawn, FREE, Role.GUIDE, part, self._curves)
                self._step.strokes.append(StepStroke(stroke, "erase"))
        self._curves += 1

    def keep_by_hand(self, lines: Iterable[Sequence[XY]], body: Body) -> None:
        """Something finished that is drawn by hand in one go, each line from place to place,
        stopped at the sheet's edge and where nearer things stand.
        """
        self.moved(Do.SKETCH, (), None)
        last: XY | None = None
        for ends in chain.from_iterable(map(pairwise, lines)):
            on_sheet = self.sheet.clip(ends)
            if on_sheet is None:
                continue
            nearer = self.standing.under_nearer(ends, body.part, self.tolerance)
            self._step.behind |= nearer.keys()
            covered = drawn_by_others(ends, body, self.standing.bodies, self.tolerance)
            covered += chain.from_iterable(nearer.values())
            for t0, t1 in remainder(covered, on_sheet):
                if (t1 - t0) * length(ends) <= self.tolerance.paper_mm:
                    continue
                drawn = at(ends, t0), at(ends, t1)
                self._curves += drawn[0] != last
                last = drawn[1]
                stroke = Stroke(*drawn, FREE, Role.OUTLINE, body.part, self._curves - 1)
                self._step.strokes.append(StepStroke(stroke, "keep"))

    # --- tidying -----------------------------------------------------------------------------

    def rub_out(self, ruled: Ruled) -> None:
        """Rub out a guide line in this step, once the finished line stands on it."""
        for guide in self._guides:
            if guide.ruled is ruled:
                self._rubbed.append((self._step, guide))
                self.moved(Do.ERASE, (), None)

    def tidy(self, part: Part) -> None:
        """Darken a part's lines and erase the light ones it grew from."""
        self.finish_guides()
        self._tidied.append((self._step, part))
        curves: set[int | None] = {None}
        for drawn in self.lines_of(part):
            # The chords of a curve are one line to the hand.
            if drawn.stroke.curve is None or drawn.stroke.curve not in curves:
                self.moved(Do.DARKEN if drawn.fate == "keep" else Do.ERASE, (), None)
            curves.add(drawn.stroke.curve)

    def lines_of(self, part: Part) -> list[StepStroke]:
        """What is drawn of a part so far."""
        return [drawn for drawn in self.strokes if drawn.stroke.part == part]

    def finish_guides(self) -> None:
        """Fix the ends of the guide lines, now that it is known how far they were needed."""
        for guide in self._guides:
            drawn = guide.drawn(self.sheet, whole=self.ways.long_guides)
            guide.put(self._before_nearer(drawn, guide.step))
        self._guides.clear()

    def finish(self) -> None:
        """Nothing more is drawn: lines get their ends, and their numbers where they are named."""
        self.finish_guides()
        firsts = list(accumulate((len(step.strokes) for step in self.steps), initial=0))
        numbers = {id(step): number for number, step in enumerate(self.steps)}
        strokes = self.strokes
        places = {id(drawn): number for number, drawn in enumerate(strokes)}
        gone: set[int] = set()
        for step, guide in self._rubbed:
            step.erases += [places[id(drawn)] for drawn in guide.put_down]
            gone |= set(step.erases)
        for step, part in self._tidied:
            for number in range(firsts[numbers[id(step)] + 1]):
                if strokes[number].stroke.part == part and number not in gone:
                    keeps = strokes[number].fate == "keep"
                    (step.darkens if keeps else step.erases).append(number)

    def _before_nearer(self, drawn: StepStroke, step: Step | None = None) -> list[StepStroke]:
        """The parts of a guide line that do not run over what is nearer than its own part: the
        lines of a whole word stop at the letters that stand already.
        """
        stroke, part = drawn.stroke, (step or self._step).part
        nearer = self.standing.under_nearer(stroke.segment, part, self.tolerance)
        covered = chain.from_iterable(nearer.values())
        return [
            StepStroke(
                stroke._replace(start=at(stroke.segment, t0), end=at(stroke.segment, t1)),
                drawn.fate,
            )
            for t0, t1 in remainder(list(covered))
            if (t1 - t0) * length(stroke.segment) > self.tolerance.paper_mm
        ]

    # --- inside ------------------------------------------------------------------------------

    def _rule(
        self,
        do: Do,
        line: Line,
        family: str,
        start: Mark,
        uses: tuple[str, ...],
        goal: Mark | None = None,
    ) -> Ruled:
        self._ruled += 1
        ruled = Ruled(f"line {self._ruled}", line, family, start, goal)
        self.moved(do, uses, ruled.name)
        return ruled
