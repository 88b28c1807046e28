"""What posts carry: how it begins at the nearest, and how it is carried on."""

from __future__ import annotations

from abc import abstractmethod
from collections.abc import Sequence
from dataclasses import dataclass
from typing import NamedTuple

from orthopsis.construction.moves import Mark, Ruled
from orthopsis.construction.order import NearPlace
from orthopsis.perspective.plane import distance, part_way
from orthopsis.perspective.vector import Vector, minus, plus, times
from orthopsis.picture.solid import Bar
from orthopsis.pieces.base import Measures, Site, Stage
from orthopsis.pieces.placement.post import PostsInLine


class PostMarks(NamedTuple):
    """What a post hands on: its top and foot, the lines that all tops and feet end on, those that
    carry what it bears, and the post before it.
    """

    top: Mark
    foot: Mark
    lines: tuple[Ruled, Ruled]
    carried: tuple[tuple[Ruled, ...], ...] = ()
    ends: tuple[tuple[Mark, ...], ...] = ()
    """Where these cross the post, or end beside it."""
    before: tuple[Mark, Mark] | None = None
    alone: bool = False
    """Whether it was measured by itself, as those before it do not show."""


@dataclass(frozen=True)
class PostAt:
    """A post on its stage, by its number from the nearest, 0."""

    place: PostsInLine
    stage: Stage
    number: int

    @property
    def goal(self) -> str:
        return self.place.goal(self.stage).name

    def up_in_space(self, down_mm: float) -> Vector:
        """A place of the post that lies so far below the nearest one's top on paper."""
        top, foot = self.place.in_space(self.stage)[self.number]
        return plus(top, times(minus(foot, top), down_mm / distance(*self.place.ends)))

    def up_on_paper(self, down_mm: float) -> NearPlace:
        """The same by ruler."""
        high, low, near = self.place.on_paper(self.stage, self.number)
        return part_way(high, low, down_mm / distance(*self.place.ends)), near

    @property
    def before(self) -> PostAt:
        """The post before it."""
        return PostAt(self.place, self.stage, self.number - 1)


class Carried(Measures):
    """Something that every post carries."""

    def check(self, place: PostsInLine, stage: Stage) -> None:
        """Refuse what cannot be drawn. Raises ExerciseError."""
        del place, stage

    @abstractmethod
    def bars(self, post: PostAt) -> Sequence[Bar]:
        """What belongs to a post of it, for the picture, if it is ruled."""

    def aside_mm(self) -> float:
        """How far it reaches beside the nearest post."""
        return 0.0

    @abstractmethod
    def begin(self, site: Site, post: PostAt, top: Mark) -> list[Mark]:
        """On the nearest post, or one that is measured by itself: its own marks, from which lines
        go to the point. Words go to the open step.
        """

    @abstractmethod
    def carry(
        self, site: Site, post: PostAt, marks: tuple[Mark, Mark], lines: Sequence[Ruled],
        before: Sequence[Mark],
    ) -> list[Mark]:  # fmt: skip
        """On a further post, between its top and foot: where the lines cross it. `before` are
        these marks of the last one.
        """


def place_before(post: PostAt, down_mm: float) -> Mark:
    """A place of the post before, which does not show: what comes from there is drawn as far as it
    is seen.
    """
    return Mark("", post.before.up_on_paper(down_mm)[0])
