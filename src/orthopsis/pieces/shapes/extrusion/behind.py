"""The marks behind a face: by parallels in one point, by far rows in two and three."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence

from orthopsis.construction.face import RecedingFace, plumb
from orthopsis.construction.moves import Mark, Ruled, phrase, strung
from orthopsis.perspective.plane import Line, Point, direction, distance, join, meet
from orthopsis.phrase import Choice, Phrase
from orthopsis.pieces.shapes.extrusion.curves import mark_behind
from orthopsis.pieces.shapes.extrusion.profile import Crossing, Slant
from orthopsis.pieces.shapes.extrusion.profile_site import CurveMarks, Pair, ProfileSite

GOOD_ANGLE = 0.3
"""Sine of the angle under which two lines cross well: a misreading grows less than fourfold."""


class Parallels:
    """Behind a front: what is parallel in front is parallel behind."""

    def __init__(self, work: ProfileSite) -> None:
        self.work = work
        self.sides = {frozenset(side) for side in work.profile.sides}
        self._looked_for: set[int] = set()

    def find(self, k: int) -> Mark:
        """The mark behind a corner, from another.

        From the corner of a side first, then from one level with it or upright to it, then from
        any by sliding the set square along the ruler. Where all of these run along the corner's
        own line to the vanishing point, another corner is found first.
        """
        work, marks = self.work, self.work.marks
        self._looked_for.add(k)
        known = [(marks[j], mark) for j, mark in work.behind.items()]
        if work.depth is not None:
            known.append(work.depth)
        here = marks[k]

        def rank(pair: Pair) -> tuple[int, float]:
            near, _ = pair
            if distance(near.at, here.at) < 1e-6:
                return -1, 0.0
            dx, dy = direction(near.at, here.at)
            number = next((j for j, mark in marks.items() if mark is near), -1)
            square = min(abs(dx), abs(dy)) < 1e-9
            kind = 0 if frozenset((number, k)) in self.sides else 1 if square else 2
            sine = self._crossing_sine(near.at, here.at)
            return (kind if sine > GOOD_ANGLE else 3, -sine)

        best = min(known, key=rank)
        if distance(best[0].at, here.at) < 1e-6:
            return best[1]
        if rank(best)[0] == 3:
            helper = self._corner_between(best[0], k, better_than=-rank(best)[1])
            if helper is not None:
                best = marks[helper], mark_behind(work, helper, self)
        return self._beside(best, here, work.guide(k))

    def corner(self, bay: CurveMarks, start: Mark, end: Mark) -> Mark:
        """The mark behind the corner that a curve turns around."""
        return self._from_best([(bay.start, start), (bay.end, end)], bay.corner)

    def on_curve(self, bay: CurveMarks, start: Mark, end: Mark, corner: Mark) -> Mark:
        """The mark behind the one that is on the curve."""
        known = [(bay.start, start), (bay.end, end), (bay.corner, corner)]
        return self._from_best(known, bay.on)

    def _from_best(self, known: Sequence[Pair], here: Mark) -> Mark:
        best = max(known, key=lambda pair: self._crossing_sine(pair[0].at, here.at))
        return self._beside(best, here, self.work.paper.lay(here, self.work.vp))

    def _beside(self, known: Pair, here: Mark, guide: Ruled) -> Mark:
        """Behind `here`, on its guide line and on the parallel through a mark that is known."""
        paper, (near, far) = self.work.paper, known
        dx, dy = direction(near.at, here.at)
        if abs(dy) < 1e-9:
            line, way = paper.level(far), phrase("way-level-from", mark=far)
        elif abs(dx) < 1e-9:
            line, way = paper.upright(far), None
        else:
            line = paper.slide(far, paper.along(near, here))
            way = phrase("way-parallel-from", mark=far, line=strung(near, here))
        mark = paper.cross(line, guide)
        return self.work.note_far(mark, way or _upright_way(far, mark), here)

    def _crossing_sine(self, near: Point, here: Point) -> float:
        """Sine of the angle between the way from one mark to another and that one's guide line."""
        (ax, ay), (bx, by) = direction(near, here), direction(here, self.work.vp.at)
        return abs(ax * by - ay * bx)

    def _corner_between(self, near: Mark, k: int, better_than: float) -> int | None:
        """The corner by way of which the one behind k is best found."""
        marks = self.work.marks

        def worst(j: int) -> float:
            there, here = marks[j].at, marks[k].at
            return min(self._crossing_sine(near.at, there), self._crossing_sine(there, here))

        done = self.work.behind.keys() | self._looked_for | self.work.body.touching.keys()
        others = [j for j in marks if j not in done]
        best = max(others, key=worst, default=None)
        return best if best is not None and worst(best) > better_than else None


class Rows:
    """Behind a face that runs away: its rows start behind the front edge."""

    def __init__(self, work: ProfileSite, face: RecedingFace, block: Mapping[int, Mark]) -> None:
        self.work, self.face = work, face
        owner = work.owner
        near = 1 if owner.run == "left" else 0
        far = owner.face_of_block.far
        self.top, self.foot = block[far[near]], block[far[3 - near]]
        self._rows: dict[float, Ruled] = {}
        self._behind: list[Pair] = [
            (block[k], block[j])
            for k, j in zip(owner.face_of_block.near, owner.face_of_block.far, strict=True)
            if j in block
        ]
        """Marks of the face with those behind them: nothing is looked for twice."""
        self._crossings: dict[Crossing, Mark] = {}

    def find(self, k: int) -> Mark:
        """The mark behind a corner, where its line to the vanishing point meets a far line."""
        corner = self.work.profile.corners[k]
        guide, here = self.work.guide(k), self.work.marks[k]
        known = self._known(here)
        if known is not None:
            return known
        lines: list[Ruled] = []
        if corner.row is not None:
            lines.append(self._row(corner.row))
        if not lines or _sine(lines[0], guide) <= GOOD_ANGLE:
            if corner.column is not None:
                lines.append(self._column(corner.column))
            lines += [self._slant(line) for line in corner if isinstance(line, Slant)]
        return self._best(lines, guide, here)

    def corner(self, bay: CurveMarks, start: Mark, end: Mark) -> Mark:
        """The mark behind the corner that a curve turns around."""
        del start, end
        assert bay.turn.column is not None and bay.turn.row is not None
        guide = self._lay(bay.corner)
        lines = [self._row(bay.turn.row)]
        if _sine(lines[0], guide) <= GOOD_ANGLE:
            lines.append(self._column(bay.turn.column))
        return self._best(lines, guide, bay.corner)

    def on_curve(self, bay: CurveMarks, start: Mark, end: Mark, corner: Mark) -> Mark:
        """The mark behind the one that is on the curve: on the same help line, drawn behind."""
        del start
        assert bay.turn.row is not None
        paper, vp = self.work.paper, self.work.vp.at
        # Of the two halves one lies on a row and one on a column. One is carried back, with the
        # line through it: the one whose lines cross better.
        on_row = bay.second if bay.along_column else bay.first
        ways = []
        for half, line in (
            (on_row, self._row(bay.middle_row if bay.along_column else bay.turn.row)),
            (bay.first if bay.along_column else bay.second, self._column(bay.half_column)),
        ):
            other = corner if half is bay.second else end
            guide, last = join(half.at, vp), join(bay.on.at, vp)
            through = join(other.at, meet(line.line, guide))
            worst = min(_line_sine(line.line, guide), _line_sine(through, last))
            ways.append((worst, half, line, other))
        _, half, line, other = max(ways, key=lambda way: way[0])
        behind = paper.cross(line, self._lay(half))
        return paper.cross(paper.along(other, behind), self._lay(bay.on))

    def _lay(self, mark: Mark) -> Ruled:
        return self.work.paper.lay(mark, self.work.vp)

    def _best(self, lines: Sequence[Ruled], guide: Ruled, here: Mark) -> Mark:
        line = max(lines, key=lambda line: _sine(line, guide))
        mark = self.work.paper.cross(line, guide)
        self.work.note_far(mark, self._way(line, mark), here)
        self._behind.append((here, mark))
        return mark

    def _known(self, here: Mark) -> Mark | None:
        return next((far for near, far in self._behind if distance(near.at, here.at) < 1e-6), None)

    def _way(self, line: Ruled, end: Mark) -> Phrase:
        """How the ruler lies: to a point, upright, or along two marks."""
        if line.goal is None:
            return _upright_way(line.start, end)
        if line.goal.point:
            return phrase("way-to-point-from", mark=line.start, point=line.goal)
        return phrase("way-along", line=strung(line.start, line.goal))

    def _row(self, number: int) -> Ruled:
        """A row of the far side, to the same point as the row before it."""
        share = self.work.profile.rows[number]
        if share not in self._rows:
            paper, work = self.work.paper, self.work
            if share in (0.0, 1.0):
                start = self.foot if share else self.top
            else:
                level = self.face.level(share)
                edge = paper.along(self.top, self.foot)
                start = paper.cross(self._lay(level), edge)
                work.note_far(start, phrase("way-along", line=strung(self.top, self.foot)), level)
                self._behind.append((level, start))
            self._rows[share] = paper.lay(start, work.points[work.across])
        return self._rows[share]

    def _column(self, column: int) -> Ruled:
        """A column of the far side, through its crossing with a row off the eye level."""
        work = self.work
        level = work.stage.view.eye_level_mm
        rows = work.profile.rows
        row = max(range(len(rows)), key=lambda r: abs(self.face.level(rows[r]).at.y - level))
        return plumb(work.paper, self._crossing((column, row)), work.third)

    def _slant(self, slant: Slant) -> Ruled:
        start, end = (self._crossing(crossing) for crossing in slant)
        return self.work.paper.along(start, end)

    def _crossing(self, crossing: Crossing) -> Mark:
        if crossing not in self._crossings:
            work = self.work
            columns, rows = work.profile.columns, work.profile.rows
            near = self._on_face(columns[crossing[0]], rows[crossing[1]])
            mark = self._known(near)
            if mark is None:
                row = self._row(crossing[1])
                mark = work.paper.cross(row, self._lay(near))
                work.note_far(mark, self._way(row, mark), near)
                self._behind.append((near, mark))
            self._crossings[crossing] = mark
        return self._crossings[crossing]

    def _on_face(self, column: float, row: float) -> Mark:
        """A crossing of the face's own lines; one that is made only now is said, too."""
        work = self.work
        step = work.paper.steps[-1]
        before = len(step.marks)
        near = self.face.crossing(column, row)
        if near in step.marks[before:]:
            across, upright = self.face.row(row), self.face.column(column)
            work.note_on_face(near, across.start, upright.start)
        return near


def _upright_way(start: Mark, end: Mark) -> Phrase:
    """Straight up or down from a mark, to where another is found."""
    which = Choice("up" if end.at.y < start.at.y else "down")
    return phrase("way-upright-from", mark=start, way=which)


def _sine(one: Ruled, other: Ruled) -> float:
    return _line_sine(one.line, other.line)


def _line_sine(one: Line, other: Line) -> float:
    """Sine of the angle between two lines; 0 where one of them is none."""
    size = math.hypot(one.a, one.b) * math.hypot(other.a, other.b)
    return abs(one.a * other.b - one.b * other.a) / size if size else 0.0
