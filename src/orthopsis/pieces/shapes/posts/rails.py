"""The rails of a fence: two lines from post to post, to the point of the posts."""

from __future__ import annotations

from collections.abc import Sequence

from pydantic import model_validator

from orthopsis.construction.moves import Mark, Ruled
from orthopsis.errors import Unfit
from orthopsis.perspective.plane import UPRIGHT, distance
from orthopsis.phrase import Length, say
from orthopsis.picture.solid import Bar
from orthopsis.pieces.base import PaperLength, Site, Stage
from orthopsis.pieces.placement.post import PostsInLine
from orthopsis.pieces.shapes.posts.carried import Carried, PostAt, place_before


class Rails(Carried):
    """An upper and a lower rail, so far below the nearest post's top."""

    upper_mm: PaperLength
    lower_mm: PaperLength

    @model_validator(mode="after")
    def _upper_above(self) -> Rails:
        if self.lower_mm <= self.upper_mm:
            raise Unfit(say("refused-rails-order"), "lower_mm")
        return self

    def check(self, place: PostsInLine, stage: Stage) -> None:
        if self.lower_mm >= distance(*place.ends):
            raise stage.refuse("rails.lower_mm", say("refused-rails-below"))

    @property
    def _downs_mm(self) -> tuple[float, float]:
        return self.upper_mm, self.lower_mm

    def bars(self, post: PostAt) -> Sequence[Bar]:
        if post.number == 0:
            return []
        return [
            Bar(post.before.up_in_space(mm), post.up_in_space(mm), post.goal)
            for mm in self._downs_mm
        ]

    def begin(self, site: Site, post: PostAt, top: Mark) -> list[Mark]:
        paper, step = site.paper, site.paper.steps[-1]
        grown = distance(*post.place.on_paper(post.stage, post.number)[:2])
        grown /= distance(*post.place.ends)
        marks = [paper.measure_along(top, UPRIGHT, mm * grown) for mm in self._downs_mm]
        if post.number > 0:
            self._keep(site, post, [place_before(post, mm) for mm in self._downs_mm], marks)
        upper, lower = (Length(mm * grown) for mm in self._downs_mm)
        step.say("post-rails-marks", upper=upper, lower=lower)
        return marks

    def carry(
        self, site: Site, post: PostAt, marks: tuple[Mark, Mark], lines: Sequence[Ruled],
        before: Sequence[Mark],
    ) -> list[Mark]:  # fmt: skip
        paper = site.paper
        there = [paper.cross(paper.along(*marks), line) for line in lines]
        self._keep(site, post, before, there)
        return there

    def _keep(
        self, site: Site, post: PostAt, before: Sequence[Mark], marks: Sequence[Mark]
    ) -> None:
        for near, far in zip(before, marks, strict=True):
            site.paper.keep(near, far, post.goal, site.body)
