"""An arm: a bar straight across each post."""

from __future__ import annotations

from collections.abc import Sequence

from orthopsis.construction.moves import Mark, Ruled
from orthopsis.construction.places import across, down
from orthopsis.perspective.plane import LEFT, LEVEL, Point, distance
from orthopsis.perspective.vector import Vector, minus, plus
from orthopsis.perspective.view import HORIZONTAL, eye_space, on_paper
from orthopsis.phrase import Length, Several, say
from orthopsis.picture.solid import Bar
from orthopsis.pieces.base import PaperLength, Site, Stage
from orthopsis.pieces.placement.depth import ON_LEVEL_MM
from orthopsis.pieces.placement.post import PostsInLine
from orthopsis.pieces.shapes.posts.carried import Carried, PostAt


class Arm(Carried):
    """A bar straight across each post: so long on the nearest, and so far below its top."""

    long_mm: PaperLength
    down_mm: PaperLength

    def check(self, place: PostsInLine, stage: Stage) -> None:
        if abs(place.post.top_mm + self.down_mm - stage.view.eye_level_mm) < ON_LEVEL_MM:
            raise stage.refuse("arm.down_mm", say("refused-arm-on-level"))

    def aside_mm(self) -> float:
        return self.long_mm / 2

    def family(self, post: PostAt) -> str:
        """The family of the arms."""
        other = post.place.across(post.stage)
        return HORIZONTAL if other is None else other.name

    def ends_in_space(self, post: PostAt) -> list[Vector]:
        """Its ends on a post: those on the nearest, carried back."""
        nearest = PostAt(post.place, post.stage, 0)
        middle = nearest.up_in_space(self.down_mm)
        half_mm, other = self.long_mm / 2, post.place.across(post.stage)
        if other is None:
            ends = [plus(middle, (way * half_mm * middle[2], 0.0, 0.0)) for way in (-1.0, 1.0)]
        else:
            reach = distance(Point(*on_paper(middle)), other.at)
            shares = (-half_mm / reach, half_mm / reach)
            ends = [plus(middle, eye_space(other.at, middle[2] * t / (1.0 - t))) for t in shares]
        back = minus(post.up_in_space(0.0), nearest.up_in_space(0.0))
        return [plus(end, back) for end in ends]

    def ends_on_paper(self, post: PostAt) -> list[tuple[Point, float]]:
        """The same by ruler, with their nearness."""
        middle = PostAt(post.place, post.stage, 0).up_on_paper(self.down_mm)
        half_mm = self.long_mm / 2
        ends = (post.place.aside(post.stage, middle, mm) for mm in (-half_mm, half_mm))
        return [post.place.carried(post.stage, post.number, end) for end in ends]

    def bars(self, post: PostAt) -> Sequence[Bar]:
        left, right = self.ends_in_space(post)
        return [Bar(left, right, self.family(post))]

    def begin(self, site: Site, post: PostAt, top: Mark) -> list[Mark]:
        if post.number > 0:
            return self._alone(site, post)
        paper, step = site.paper, site.paper.steps[-1]
        half_mm, other = self.long_mm / 2, post.place.across(post.stage)
        middle = paper.measure_along(top, Point(0.0, 1.0, 0.0), self.down_mm)
        if other is None:
            ends = [paper.measure_along(middle, way, half_mm) for way in (LEFT, LEVEL)]
            step.say("post-arm-level", down=Length(self.down_mm), half=Length(half_mm))
        else:
            goal = site.points[other.name]
            ends = [paper.measure_along(middle, goal, mm) for mm in (-half_mm, half_mm)]
            step.say("post-arm-to", down=Length(self.down_mm), half=Length(half_mm), vp=goal)
        paper.keep(ends[0], ends[1], self.family(post), site.body)
        return [middle, *ends]

    def _alone(self, site: Site, post: PostAt) -> list[Mark]:
        """The arm of a post that is measured by itself, where those before it do not show."""
        paper = site.paper
        there = [post.up_on_paper(self.down_mm), *self.ends_on_paper(post)]
        marks = [paper.measure(*place.xy) for place, _ in there]
        paper.keep(marks[1], marks[2], self.family(post), site.body)
        said = [say("post-arm-end", across=across(place.x, paper.sheet),
                    down=down(place.y, paper.sheet)) for place, _ in there]  # fmt: skip
        paper.steps[-1].say("post-arm-alone", ends=Several(tuple(said), "semicolon"))
        return marks

    def carry(
        self, site: Site, post: PostAt, marks: tuple[Mark, Mark], lines: Sequence[Ruled],
        before: Sequence[Mark],
    ) -> list[Mark]:  # fmt: skip
        del before
        paper, other = site.paper, post.place.across(post.stage)
        middle = paper.cross(paper.along(*marks), lines[0])
        line = paper.level(middle) if other is None else paper.lay(middle, site.points[other.name])
        left, right = (paper.cross(line, guide) for guide in lines[1:])
        paper.keep(left, right, self.family(post), site.body)
        return [middle, left, right]
