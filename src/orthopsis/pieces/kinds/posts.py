"""Posts: equal things in a line that runs away, as poles beside a road or the posts of a fence."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Annotated, Any, ClassVar, Literal, Self

from pydantic import model_validator

from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point, distance
from orthopsis.perspective.vector import Vector
from orthopsis.perspective.view import View, on_paper
from orthopsis.phrase import say
from orthopsis.pieces.base import Drawn, Grip, Measures, Stage
from orthopsis.pieces.piece import Piece
from orthopsis.pieces.placement.post import FirstPost, PostsInLine
from orthopsis.pieces.roles import Editor, FieldRole
from orthopsis.pieces.shapes.posts.arm import Arm
from orthopsis.pieces.shapes.posts.post import RAILS, UPRIGHTS, Post, PostLine, Thing
from orthopsis.pieces.shapes.posts.rails import Rails
from orthopsis.pieces.shapes.posts.wires import Wires


class Posts(Piece):
    """Equal things in a line `to` a point: poles with an `arm` across them and `wires` between, a
    fence with `rails`, or trees and people, which are drawn by hand between their lines.
    """

    wrong_form: ClassVar = "refused-form-of-posts"

    kind: Literal["posts"]
    standing: Annotated[Literal["ground"], FieldRole.CHOICE] = "ground"
    thing: Annotated[Thing, FieldRole.CHOICE] = "pole"
    arm: Annotated[Arm | None, Editor.SWITCH] = None
    rails: Annotated[Rails | None, Editor.SWITCH] = None
    wires: Annotated[Wires | None, Editor.SWITCH] = None
    place: PostsInLine

    @property
    def weight(self) -> float:
        return self.place.count / 2.0

    @model_validator(mode="after")
    def _only_posts_carry(self) -> Self:
        if self.thing not in UPRIGHTS and (self.arm or self.rails or self.wires):
            raise Unfit(say("refused-posts-carry"), "thing")
        return self

    def chosen(self, field: str, value: str | bool | None) -> Self:
        """Trees and people lose what only posts carry."""
        there = super().chosen(field, value)
        if field == "thing" and there.thing not in UPRIGHTS:
            return there.model_copy(update={"arm": None, "rails": None, "wires": None})
        return there

    def switched_on(self, field: str, stage: Stage) -> Self:
        """What fits the height of the nearest."""
        high_mm = distance(*self.place.ends)
        first: dict[str, Measures] = {
            "arm": Arm(long_mm=max(2.0, round(high_mm / 3)), down_mm=max(1.0, round(high_mm / 8))),
            "rails": Rails(upper_mm=high_mm * RAILS[0], lower_mm=high_mm * RAILS[1]),
            "wires": Wires(sag_mm=max(2.0, round(high_mm / 10))),
        }
        if field not in first:
            return super().switched_on(field, stage)
        return self.model_copy(update={field: first[field]})

    def parts(self, stage: Stage) -> Sequence[Drawn]:
        line = PostLine(
            self.id, self.name, self.place, self.thing, self.arm, self.rails, self.wires
        )
        for one in line.carried:
            one.check(self.place, stage)
        return [Post(line, number) for number in range(self.place.count)]

    def grips(self, stage: Stage) -> list[Grip]:
        return self.place.grips(stage)

    def moved(self, stage: Stage, view: View) -> Self:
        """The same posts seen from elsewhere."""
        place = self.place
        nearest, second = place.in_space(stage)[:2]

        def there(one: Vector) -> Point:
            return Point(*on_paper(stage.view.place_seen_by(view, one)))

        top, foot = map(there, nearest)
        goal = place.goal_in(view).at
        post = FirstPost(x_mm=foot.x, top_mm=top.y, foot_mm=foot.y)
        grown = nearest[1][2] / stage.view.place_seen_by(view, nearest[1])[2]
        cut = place.next.moved("bottom", foot, goal, there(second[1]), grown)
        if cut.from_ is not None:
            cut = cut.model_copy(update={"from_": None})
        changed: dict[str, Any] = {"place": place.model_copy(update={"post": post, "next": cut})}
        carried: dict[str, Measures | None] = {
            "arm": self.arm, "rails": self.rails, "wires": self.wires,
        }  # fmt: skip
        for field, one in carried.items():
            if one is not None:
                lengths = {name: value * grown for name, value in one}
                changed[field] = one.model_copy(update=lengths)
        return self.model_copy(update=changed)
