"""A line of equal posts: the first by its place on the sheet, the others by the way between."""

from __future__ import annotations

from typing import Annotated, ClassVar

from pydantic import Field, model_validator

from orthopsis.construction.order import NearPlace
from orthopsis.errors import Unfit
from orthopsis.perspective.plane import LEVEL, Point, distance, part_way
from orthopsis.perspective.vector import Vector, plus
from orthopsis.perspective.view import eye_space
from orthopsis.phrase import say
from orthopsis.pieces.base import Across, Down, Grip, Measures, Stage
from orthopsis.pieces.placement.depth import Cut, check_share, share_on_paper
from orthopsis.pieces.placement.to_point import ToPoint
from orthopsis.pieces.roles import FieldRole


class FirstPost(Measures):
    """The nearest post: how far from the left, and its top and foot from the top of the sheet."""

    x_mm: Across
    top_mm: Down
    foot_mm: Down

    @model_validator(mode="after")
    def _downward(self) -> FirstPost:
        if self.foot_mm <= self.top_mm:
            raise Unfit(say("refused-bottom-above"))
        return self


class PostsInLine(ToPoint):
    """The nearest `post`, the point that the line runs `to`, how many there are, and how far along
    the foot line the `next` one stands; the others follow at the same distance in truth.
    """

    form: ClassVar = "posts"
    tells: ClassVar = "post"
    systems: ClassVar = (1, 2)
    sized: ClassVar = ("", "post.foot_mm")

    post: FirstPost
    count: Annotated[int, Field(ge=2, le=16), FieldRole.COUNT] = 4
    next: Annotated[Cut, FieldRole.RUN]

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> PostsInLine:
        del points
        post = FirstPost(x_mm=at.x, top_mm=at.y - 3 * size_mm, foot_mm=at.y)
        return cls(post=post, next=Cut(fraction=0.3))

    @property
    def anchor(self) -> Point:
        return Point(self.post.x_mm, self.post.top_mm)

    @property
    def ends(self) -> tuple[Point, Point]:
        """Top and foot of the nearest post."""
        x_mm = self.post.x_mm
        return Point(x_mm, self.post.top_mm), Point(x_mm, self.post.foot_mm)

    # --- for the picture ---------------------------------------------------------------------

    def in_space(self, stage: Stage) -> list[tuple[Vector, Vector]]:
        """Top and foot of every post in eye space. Raises ExerciseError."""
        (top, foot), vp = self.ends, self.goal(stage).at
        depth = stage.depth_at(foot.y, "post.foot_mm")
        share = self.next.share_by_projection(foot, vp, stage.view)
        check_share(share, (foot, vp), self.next, stage, "next")
        step = share / (1.0 - share)
        return [
            (
                plus(eye_space(top, depth), eye_space(vp, depth * k * step)),
                plus(eye_space(foot, depth), eye_space(vp, depth * k * step)),
            )
            for k in range(self.count)
        ]

    # --- for the construction ----------------------------------------------------------------

    def on_paper(self, stage: Stage, number: int) -> tuple[Point, Point, float]:
        """Top and foot of a post by ruler, counted from 0, and its nearness."""
        (top, foot), vp = self.ends, self.goal(stage).at
        place = self.next.place_on_paper(foot, vp, stage.view, LEVEL)
        share = share_on_paper(foot, vp, place)
        check_share(share, (foot, vp), self.next, stage, "next")
        gone = number * share / (1.0 - share)
        way = gone / (1.0 + gone)
        nearness = (1.0 - way) / stage.depth_at(foot.y, "post.foot_mm")
        return part_way(top, vp, way), part_way(foot, vp, way), nearness

    def aside(self, stage: Stage, place: NearPlace, out_mm: float) -> NearPlace:
        """A place straight across the line from one at the nearest post, so far on paper."""
        (start, near), other = place, self.across(stage)
        if other is None:
            return Point(start.x + out_mm, start.y), near
        share = out_mm / distance(start, other.at)
        return part_way(start, other.at, share), near * (1.0 - share)

    def carried(self, stage: Stage, number: int, place: NearPlace) -> NearPlace:
        """A place beside the nearest post, carried to the one of that number."""
        (at, near), vp = place, self.goal(stage).at
        _, _, last = self.on_paper(stage, number)
        first = 1.0 / stage.depth_at(self.ends[1].y, "post.foot_mm")
        # Evenly parted are places at (x / n, y / n, 1 / n): all posts go the same way there.
        gone = 1.0 / last - 1.0 / first
        depth = 1.0 / near + gone
        (x, y), (vx, vy) = at.xy, vp.xy
        return Point((x / near + vx * gone) / depth, (y / near + vy * gone) / depth), 1.0 / depth

    def grips(self, stage: Stage) -> list[Grip]:
        vp, foot = self.goal(stage).at, self.ends[1]
        at = self.next.place_on_paper(foot, vp, stage.view, LEVEL)
        return [Grip("next", self.next.way, foot, vp, at)]
