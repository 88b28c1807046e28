"""The sketch: hills, a sun, a tree, whatever is drawn by hand in its place, and never judged."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Annotated, Any, ClassVar, Literal, Self

from orthopsis.construction.moves import Act
from orthopsis.construction.order import Body
from orthopsis.construction.places import across, down
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import XY
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.view import View, eye_space, on_paper
from orthopsis.phrase import About, Choice
from orthopsis.picture.solids import AnySolid
from orthopsis.pieces.base import Drawn, Grip, Site, Stage
from orthopsis.pieces.piece import Piece
from orthopsis.pieces.placement.anchor import Front
from orthopsis.pieces.placement.area import InArea
from orthopsis.pieces.roles import FieldRole
from orthopsis.pieces.shapes.card.card import Card

FAR = 1e3
"""So many times as far away as the picture plane is what stands behind everything."""
BEHIND = 0.05
"""Of several of these each is so much further away than the one listed before it."""


class Sketch(Piece, Drawn):
    """Something by hand in an `area` of the sheet: on the ground it stands where its lower side
    lies; else it is behind all that stands there.
    """

    wrong_form: ClassVar = "refused-form-of-a-sketch"

    kind: Literal["sketch"]
    look: Annotated[
        Literal["hills", "sun", "cloud", "tree", "bush", "person", "bin", "aerial"],
        FieldRole.CHOICE,
    ] = "hills"
    place: InArea

    @property
    def part(self) -> Part:
        """It is drawn as one."""
        return Part(self.id)

    @property
    def card(self) -> Card:
        """What is drawn, on paper."""
        area = self.place.area
        foot = area.x_mm + area.width_mm / 2, area.y_mm + area.height_mm
        return Card(self.look, foot, area.height_mm, area.width_mm)

    def _depth(self, stage: Stage) -> float:
        """How far away it stands. Raises ExerciseError."""
        if self.standing == "floating":
            return FAR * (1.0 + BEHIND * stage.number)
        return stage.depth_at(self.card.foot[1], "area.height_mm")

    def hand_rooms(self, stage: Stage) -> Sequence[Sequence[XY]]:
        del stage
        return [self.card.room]

    def solids(self, stage: Stage) -> list[AnySolid]:
        """A card."""
        return [self.card.solid(self.part, self._depth(stage))]

    def body(self, stage: Stage) -> Body:
        """The same on paper."""
        card, nearness = self.card, 1.0 / self._depth(stage)
        hull = card.hull(nearness)
        return Body(
            part=self.part,
            name=self.name,
            corners=hull.corners,
            faces=hull.faces,
            show=lambda: card.shown(nearness),
            transparent=False,
            floating=False,
        )

    def build(self, site: Site) -> None:
        """One step: its box, and all of it by hand."""
        paper, area = site.paper, self.place.area
        step = site.begin("sketch", Act.DETAILS, look=Choice(self.look))
        # No two of them are alike.
        step.like = f"sketch {self.id}"
        step.say(
            "sketch",
            look=Choice(self.look), across=across(area.x_mm, paper.sheet),
            down=down(area.y_mm, paper.sheet), width=About(area.width_mm),
            height=About(area.height_mm),
        )  # fmt: skip
        step.check("sketch-check")
        self.card.draw(paper, site.body)
        step.bulk = True
        paper.tidy(site.part)

    def grips(self, stage: Stage) -> list[Grip]:
        return self.place.grips(stage)

    def moved(self, stage: Stage, view: View) -> Self:
        """The same seen from elsewhere; what is behind everything goes with the eye level."""
        area, depth = self.place.area, self._depth(stage)
        corners = (area.x_mm, area.y_mm), (area.x_mm + area.width_mm, area.y_mm + area.height_mm)
        (left, top), (right, bottom) = (
            on_paper(stage.view.place_seen_by(view, eye_space(Point(*corner), depth)))
            for corner in corners
        )
        there = Front(x_mm=left, y_mm=top, width_mm=right - left, height_mm=bottom - top)
        return self.placed(self.place.model_copy(update={"area": there}))

    @classmethod
    def own_first(cls, at: Point, size_mm: float, form: str) -> dict[str, Any]:
        """A tree that stands where it is put."""
        del at, size_mm, form
        return {"look": "tree", "standing": "ground"}
