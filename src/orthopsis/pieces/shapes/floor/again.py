"""A panel drawn again beside the last one, as wide in truth: cupboards in a row, windows, niches.

On the back wall it is measured; along a wall that runs away the line from a foot through the middle
of the last upright leads to the top of the next, further away or nearer to us.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from typing import NamedTuple

from orthopsis.construction.division import Bay, repeat
from orthopsis.construction.moves import Act, Mark, phrase
from orthopsis.perspective.plane import LEFT, LEVEL, UPRIGHT, Point, distance, join, meet, part_way
from orthopsis.perspective.vector import minus, plus
from orthopsis.perspective.view import HORIZONTAL, VERTICAL, eye_space, on_paper
from orthopsis.phrase import Choice, Length, say
from orthopsis.pieces.base import Site
from orthopsis.pieces.placement.edges import FrameMarks
from orthopsis.pieces.shapes.floor.niche import Niche
from orthopsis.pieces.shapes.floor.panel import RoomPanel

Place = tuple[Point, float]


class Pairs(NamedTuple):
    """The upper and lower corner of the last upright of a panel and of the one before it, by their
    numbers.
    """

    last: tuple[int, int]
    before: tuple[int, int]


@dataclass(frozen=True, eq=False)
class AgainPanel(RoomPanel):
    """The one after `base`, which is the first or one after it."""

    base: RoomPanel
    toward: str

    @cached_property
    def pairs(self) -> Pairs:
        """Where it goes on from."""
        (left_top, _), (right_top, _) = (self.base.by_ruler[k] for k in (0, self._other_top))
        first, second = (0, self._foot_of(0)), (self._other_top, self._foot_of(self._other_top))
        if self.toward in ("left", "right"):
            is_last = (left_top.x > right_top.x) == (self.toward == "right")
        else:
            # What lies nearer to the eye level's point is smaller.
            small = self._high(first) < self._high(second)
            is_last = small == (self.toward == "away")
        return Pairs(first, second) if is_last else Pairs(second, first)

    @property
    def _other_top(self) -> int:
        """The corner that lies along the upper side from corner 0."""
        return 3 if self.base.families[0] == VERTICAL else 1

    def _foot_of(self, top: int) -> int:
        families = self.base.families
        return (top + 1) % 4 if families[top] == VERTICAL else (top - 1) % 4

    def _high(self, pair: tuple[int, int]) -> float:
        top, foot = (self.base.by_ruler[k][0] for k in pair)
        return foot.y - top.y

    def _ordered(self, last: Sequence[Place], new: Sequence[Place]) -> list[Place]:
        """The corners in the order of the base, whose last upright is now the first."""
        found: dict[int, Place] = {}
        for k, place in zip(self.pairs.before, last, strict=True):
            found[k] = place
        for k, place in zip(self.pairs.last, new, strict=True):
            found[k] = place
        return [found[k] for k in range(4)]

    # --- for the picture ---------------------------------------------------------------------

    @cached_property
    def places(self) -> list[Place]:
        base, (last, before) = self.base.places, self.pairs
        new = []
        for here, there in zip(before, last, strict=True):
            a, b = (eye_space(*base[k]) for k in (here, there))
            place = plus(b, minus(b, a))
            if place[2] <= 0.0:
                raise self.stage.refuse("repeat.count", say("refused-repeat-behind-us"))
            new.append((Point(*on_paper(place)), place[2]))
        self._check(new)
        return self._ordered([base[k] for k in last], new)

    def _check(self, new: Sequence[Place]) -> None:
        """Refuse what would lie beyond the end of its wall. Raises ExerciseError."""
        for place, _ in new:
            if not self.room.holds(self.surface, place.xy, self.stage.view):
                raise self.stage.refuse("repeat.count", say("refused-repeat-beyond"))

    # --- for the construction ----------------------------------------------------------------

    @cached_property
    def by_ruler(self) -> list[Place]:
        base, (last, before) = self.base.by_ruler, self.pairs
        (a, _), (b, _) = (base[k] for k in before)
        (c, depth), (d, _) = (base[k] for k in last)
        if self.toward in ("left", "right"):
            new = [Point(2 * c.x - a.x, c.y), Point(2 * d.x - b.x, d.y)]
            return self._ordered([base[k] for k in last], [(place, depth) for place in new])
        middle = part_way(c, d, 0.5)
        top = meet(join(b, middle), join(a, c))
        foot = meet(join(top, UPRIGHT), join(b, d))
        goal = meet(join(a, c), join(b, d))
        # Along a wall, nearness goes with the distance from its point.
        far = depth * (c.x - goal.x) / (top.x - goal.x)
        return self._ordered([base[k] for k in last], [(top, far), (foot, far)])

    @property
    def families(self) -> tuple[str, str, str, str]:
        return self.base.families

    @property
    def sides(self) -> list[int]:
        """Its upright beside the last one is there already."""
        first = self.pairs.before
        return [k for k in range(4) if {k, (k + 1) % 4} != set(first)]

    def build(self, site: Site) -> list[Mark]:
        """Three sides, from the two corners that are there."""
        handed = site.before.get(self.base.part)
        known = handed if isinstance(handed, FrameMarks) else FrameMarks()
        paper, (last, before) = site.paper, self.pairs
        step = site.begin("panel-again", Act.DETAILS)
        marks = {
            k: known[k] if k in known else paper.mark(self.base.by_ruler[k][0])
            for k in (*last, *before)
        }
        a, b, c, d = (marks[k] for k in (*before, *last))
        if self.toward in ("left", "right"):
            way, wide_mm = LEVEL if self.toward == "right" else LEFT, abs(c.at.x - a.at.x)
            top = paper.measure_along(c, way, wide_mm)
            foot = paper.cross(paper.upright(top), paper.level(d))
            step.say("panel-again-level", corner=c, wide=Length(wide_mm), top=top, what=self.what)
        else:
            bay = Bay(a, b, c, d)
            goal = next(name for name in self.families if name not in (VERTICAL, HORIZONTAL))
            further = repeat(paper, bay, goal, VERTICAL, site.points, site.part)
            top, foot = further.far_top, further.far_bottom
            step.say("panel-again", start=b, top=top, what=self.what)
        step.again = phrase("again-openings")
        step.check("panel-again-check")
        new = dict(zip(last, (top, foot), strict=True)) | dict(zip(before, (c, d), strict=True))
        ordered = [new[k] for k in range(4)]
        self.keep(site, ordered)
        return ordered

    @cached_property
    def niche(self) -> Niche | None:
        """As deep as the base's in truth: the lines along its back go on."""
        base, own = self.base.niche, super().niche
        if base is None or own is None:
            return None
        first, here = self.base.by_ruler, self.by_ruler
        corner = here[own.start(here)][0]
        behind = base.behind_by_ruler(first)[base.start(first)]
        goal = meet(join(first[0][0], first[self._other_top][0]), join(*self._lower(first)))
        into = own.into.at
        end = meet(join(behind, goal), join(corner, into))
        return replace(own, along_mm=distance(corner, end))

    def _lower(self, places: Sequence[Place]) -> tuple[Point, Point]:
        feet = self._foot_of(0), self._foot_of(self._other_top)
        return places[feet[0]][0], places[feet[1]][0]

    @property
    def what(self) -> Choice:
        return Choice(f"flat-{self.look}")
