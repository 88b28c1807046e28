"""Wires that sag between posts: from the ends of the arms, or from the tops; drawn by hand."""

from __future__ import annotations

from orthopsis.construction.order import NearPlace
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import XY
from orthopsis.perspective.vector import Vector, minus, plus, times
from orthopsis.pieces.base import Measures, PaperLength
from orthopsis.pieces.shapes.posts.arm import Arm
from orthopsis.pieces.shapes.posts.carried import PostAt

PARTS = 12
"""A wire is drawn through so many places."""
SHARES = tuple(k / PARTS for k in range(PARTS + 1))


class Wires(Measures):
    """In the nearest space they hang `sag_mm` on paper below a straight line, at its middle."""

    sag_mm: PaperLength

    def in_space(self, post: PostAt, arm: Arm | None) -> list[list[Vector]]:
        """The wires from the post before to this one, in eye space."""
        first = PostAt(post.place, post.stage, 1)
        starts, ends = (_hooks_in_space(one, arm) for one in (post.before, post))
        middle = times(plus(first.up_in_space(0.0), first.before.up_in_space(0.0)), 0.5)
        drop = (0.0, self.sag_mm * middle[2], 0.0)
        return [
            [plus(plus(a, times(minus(b, a), t)), times(drop, 4 * t * (1.0 - t))) for t in SHARES]
            for a, b in zip(starts, ends, strict=True)
        ]

    def on_paper(self, post: PostAt, arm: Arm | None) -> list[list[XY]]:
        """The same by ruler and eye."""
        first = PostAt(post.place, post.stage, 1)
        starts, ends = (_hooks_on_paper(one, arm) for one in (post.before, post))
        _, near = _between(first.before.up_on_paper(0.0), first.up_on_paper(0.0), 0.5)
        return [
            [_hanging(a, b, t, self.sag_mm / near) for t in SHARES]
            for a, b in zip(starts, ends, strict=True)
        ]


def _hooks_in_space(post: PostAt, arm: Arm | None) -> list[Vector]:
    return arm.ends_in_space(post) if arm else [post.up_in_space(0.0)]


def _hooks_on_paper(post: PostAt, arm: Arm | None) -> list[NearPlace]:
    return arm.ends_on_paper(post) if arm else [post.up_on_paper(0.0)]


def _between(a: NearPlace, b: NearPlace, share: float) -> NearPlace:
    """A place between two, so far in truth."""
    (p, near), (q, far) = a, b
    nearness = 1.0 / ((1.0 - share) / near + share / far)
    on_paper = share / far * nearness
    return Point(p.x + (q.x - p.x) * on_paper, p.y + (q.y - p.y) * on_paper), nearness


def _hanging(a: NearPlace, b: NearPlace, share: float, sag: float) -> XY:
    place, near = _between(a, b, share)
    return place.x, place.y + 4 * share * (1.0 - share) * sag * near
