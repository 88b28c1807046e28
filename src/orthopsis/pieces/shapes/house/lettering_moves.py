"""The steps of lettering on a wall: its strip, rows, columns, then the letters along them."""

from __future__ import annotations

from orthopsis.construction.face import FrontFace, Lines, RecedingFace
from orthopsis.construction.moves import Do, Mark, Said, count, measures_set, strung
from orthopsis.perspective.plane import Point, distance
from orthopsis.perspective.segments import XY
from orthopsis.perspective.view import FREE, on_paper
from orthopsis.phrase import Length, Own
from orthopsis.pieces.placement.front import front_measures, measured_front
from orthopsis.pieces.shapes.extrusion.crossings import Crossings
from orthopsis.pieces.shapes.house.lettering import Lettering, families_on
from orthopsis.pieces.shapes.house.panels import ON_THE_EDGE_MM
from orthopsis.pieces.shapes.house.site import HouseSite
from orthopsis.pieces.shapes.house.wall_moves import WallMoves
from orthopsis.pieces.shapes.house.walls import Wall

Strip = tuple[Mark, Mark, Mark, Mark]
"""Its corners clockwise from the top left."""


def draw_lettering(work: HouseSite, lettering: Lettering) -> None:
    """All steps of lettering, where its wall shows."""
    wall = lettering.strip.wall(work.walls)
    if work.shows(wall):
        _Moves(work, lettering, wall).draw()


class _Moves:
    def __init__(self, work: HouseSite, lettering: Lettering, wall: Wall) -> None:
        self.work, self.lettering, self.wall = work, lettering, wall
        self.on_wall = WallMoves(work, lettering.strip, wall)

    def draw(self) -> None:
        work, wall = self.work, self.wall
        strip = self._on_front() if self.lettering.front is not None else self._on_receding()
        lines: Lines
        if wall.near is None:
            lines = FrontFace(work.paper, strip, work.site.part, halved=False)
        else:
            goal, third = work.points[wall.family], work.site.third
            lines = RecedingFace(
                work.paper, strip, wall.near, goal, third, work.site.part, halved=False
            )
        if self.lettering.drawn == "by eye":
            self._fields(strip, lines)
            self._by_eye(strip)
            return
        self._lightly("lettering-rows", strip, lines)
        self._lightly("lettering-columns", strip, lines)
        self._outlines(lines)

    def _fields(self, strip: Strip, lines: Lines) -> None:
        """A field for each letter, equal in truth."""
        work, (p, q, r, s) = self.work, strip
        many = len(self.lettering.text)
        if many < 2:
            return
        step = work.begin("lettering-fields")
        for k in range(1, many):
            lines.column(k / many)
        goal = work.points.get(self.wall.family)
        if goal is None:
            step.say("lettering-fields-level", line=strung(p, q), count=count(many))
        else:
            near = strung(q, r) if self.wall.near == "right" else strung(p, s)
            step.say("lettering-fields", near=near, diagonal=strung(p, r), vp=goal,
                     count=count(many))  # fmt: skip
        step.differs(count=count(many))
        step.check("lettering-fields-check")
        step.bulk = True

    def _by_eye(self, strip: Strip) -> None:
        """One letter in each field."""
        work, lettering, house = self.work, self.lettering, self.work.house
        families = families_on(house, self.wall)
        at = lettering.places(house, house.on_paper)
        step = work.begin("lettering-by-eye")
        p, _, r, _ = strip
        marks: dict[XY, Mark] = {}
        for side in lettering.sides():
            for place in (side.start, side.end):
                if place not in marks:
                    there = Point(*on_paper(at(place)))
                    marks[place] = work.paper.by_eye(there, (p, r))
            ends = marks[side.start], marks[side.end]
            work.paper.keep(*ends, families[side.way], work.site.body, do=Do.TRACE)
        step.say("lettering-by-eye", text=Own(lettering.text))
        step.differs(text=Own(lettering.text))
        step.check("lettering-check")
        step.bulk = True

    def _on_front(self) -> Strip:
        """A rectangle in true shape, lightly."""
        work, front = self.work, self.lettering.front
        assert front is not None
        paper = work.paper
        step = work.begin("lettering-strip")
        p, q, r, s = measured_front(paper, front)
        for a, b in ((p, q), (q, r), (s, r), (p, s)):
            paper.join(a, b, self.wall.family, work.site.part)
        measures = front_measures(paper, front)
        step.say("lettering-front", corner=p, **measures)
        step.differs(**measures)
        step.check("lettering-strip-check")
        return p, q, r, s

    def _on_receding(self) -> Strip:
        """Two lines to the wall's point, between two uprights."""
        work, lettering, on_wall = self.work, self.lettering, self.on_wall
        paper, (top, foot) = work.paper, on_wall.near
        assert lettering.from_ is not None and lettering.to is not None
        step = work.begin("lettering-strip")
        near, away = (
            paper.along(*on_wall.cut(step, cut, column))
            for cut, column in ((lettering.from_, "left"), (lettering.to, "right"))
        )
        (row,) = lettering.strip.rows(distance(top.at, foot.at))
        low, high = on_wall.level(row.foot_mm), on_wall.level(row.head_mm)
        goal = work.points[self.wall.family]
        marked: dict[str, Said] = {"upright": strung(foot, top), "high": Length(row.head_mm),
                                   "vp": goal}  # fmt: skip
        if row.foot_mm > ON_THE_EDGE_MM:
            step.say("panel-one-both", low=Length(row.foot_mm), **marked)
        else:
            step.say("panel-one-head", **marked)
        step.differs(height=Length(row.head_mm - row.foot_mm))
        step.check("lettering-strip-check")
        step.bulk = True
        sides = (away, near) if self.wall.near == "right" else (near, away)
        p, q = (paper.cross(high, side) for side in sides)
        s, r = (paper.cross(low, side) for side in sides)
        return p, q, r, s

    def _lightly(self, phrase: str, strip: Strip, lines: Lines) -> None:
        """All rows of the letters, or all their columns, as light lines."""
        work, (p, q, r, s) = self.work, strip
        step = work.begin(phrase)
        rows = phrase == "lettering-rows"
        shares = {
            share for profile in self.lettering.profiles
            for share in (profile.rows if rows else profile.columns)
        }  # fmt: skip
        for share in sorted(shares):
            _ = lines.row(share) if rows else lines.column(share)
        measured = measures_set(step)
        if not measured.items:
            work.paper.steps.remove(step)
            return
        upright = strung(q, r) if self.wall.near == "right" else strung(p, s)
        goal = work.points.get(self.wall.family)
        if goal is None:
            line = strung(p, s) if rows else strung(p, q)
            step.say(f"{phrase}-level", line=line, measures=measured)
        else:
            step.say(phrase, upright=upright, measures=measured, diagonal=strung(p, r), vp=goal)
        step.differs(measures=measured)
        step.check("lettering-light-check")
        step.bulk = True

    def _outlines(self, lines: Lines) -> None:
        """The letters along the light lines."""
        work, families = self.work, families_on(self.work.house, self.wall)
        step = work.begin("lettering")
        for profile in self.lettering.profiles:
            crossings = Crossings(profile, work.paper, work.site.part)
            marks = [crossings.corner(one, lines) for one in profile.corners]
            for a, b in profile.sides:
                family = families[profile.direction((a, b))]
                do = Do.JOIN if family == FREE else Do.TRACE
                work.paper.keep(marks[a], marks[b], family, work.site.body, do=do)
        step.say("lettering", text=Own(self.lettering.text))
        step.differs(text=Own(self.lettering.text))
        step.check("lettering-check")
        step.bulk = True
