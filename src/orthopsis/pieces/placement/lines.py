"""On the construction lines of another block: the same front edge, the same sides, drawn on.

Above, on and below the eye level on one set of lines, blocks show what the eye level does.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from typing import Annotated, ClassVar

from pydantic import ValidationError, model_validator

from orthopsis.construction.moves import Mark
from orthopsis.errors import Unfit
from orthopsis.perspective.plane import LEVEL, Point, distance, join, meet
from orthopsis.perspective.view import View
from orthopsis.phrase import Choice, Length, Own, PointName, say
from orthopsis.pieces.base import Down, Measures, PointAcross, Reference, Site, Stage
from orthopsis.pieces.placement.anchor import FrontEdge
from orthopsis.pieces.placement.depth import Cut, share_on_paper
from orthopsis.pieces.placement.edge import OnEdge
from orthopsis.pieces.placement.edge_moves import BaseBlock, draw_block
from orthopsis.pieces.placement.edges import Edges, Framed
from orthopsis.pieces.placement.placement import BlockPlacement, Listed, UnsettledPlace
from orthopsis.pieces.roles import Editor


class Stack(Measures):
    """`on` is the block whose lines are used; the ends of the front edge are given by how far they
    lie below the sheet's top edge.
    """

    on: Reference
    top_mm: Down
    bottom_mm: Down

    @model_validator(mode="after")
    def _downward(self) -> Stack:
        if self.bottom_mm <= self.top_mm:
            raise Unfit(say("refused-bottom-above"))
        return self


class DrawnOn(OnEdge):
    """An edge with its sides, worked out from the lines of another block, and drawn on them."""

    base: str

    def lay_out(self, site: Site, edges: Edges) -> dict[int, Mark]:
        framed = (
            handed.frame
            for part, handed in site.before.items()
            if part.piece == self.base and isinstance(handed, Framed)
        )
        marks = next((frame for frame in framed if frame is not None), None)
        # Where that block is not drawn yet, or does not show, this one is measured by itself.
        on = None if marks is None else BaseBlock(Own(self.base), marks)
        return draw_block(self, site, edges, on)

    def moved(self, stage: Stage, view: View) -> BlockPlacement:
        alone = OnEdge(**{name: getattr(self, name) for name in OnEdge.model_fields})
        return alone.moved(stage, view)


class OnLines(UnsettledPlace):
    """A `stack` on the lines of another block; seen in the same view and turned as that is."""

    form: ClassVar = "lines"
    tells: ClassVar = "stack"
    systems: ClassVar = (2, 3)

    stack: Stack
    turned_vp_mm: Annotated[PointAcross | None, Editor.NONE] = None

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> OnLines:
        raise NotImplementedError("a block on the lines of another is begun from that one")

    @property
    def anchor(self) -> Point:
        return Point(0.0, self.stack.top_mm)

    @property
    def rests_on(self) -> Iterable[str]:
        return (self.stack.on,)

    @property
    def turned(self) -> bool:
        return self.turned_vp_mm is not None

    def seen(self, view: View, name: str) -> View:
        return view if self.turned_vp_mm is None else view.turned(name, self.turned_vp_mm)

    def settled(self, others: Mapping[str, Listed], view: str | None, stage: Stage) -> DrawnOn:
        """The same block with an edge and cuts of its own, as the lines of its base give them."""
        stack = self.stack
        if stack.on not in others:
            raise stage.refuse("stack.on", say("refused-stack-on-none", block=Own(stack.on)))
        base, its_view = others[stack.on]
        if not isinstance(base, OnEdge):
            raise stage.refuse("stack.on", say("refused-stack-no-edge", block=Own(stack.on)))
        if (its_view, base.turned_vp_mm) != (view, self.turned_vp_mm):
            raise stage.refuse("stack.on", say("refused-stack-other-view", block=Own(stack.on)))
        third = stage.view.uprights.at
        line = join(base.edge.ends(third)[0], third)
        upper, lower = (
            meet(line, join(Point(0.0, y_mm), LEVEL)) for y_mm in (stack.top_mm, stack.bottom_mm)
        )
        corners = [place for place, _ in base.corners(stage)]
        cuts = {}
        points = stage.view.level_points
        for side, corner, vp in zip(("left", "right"), (0, 5), points, strict=True):
            place = meet(join(upper, vp.at), join(corners[corner], third))
            try:
                cuts[side] = Cut(fraction=share_on_paper(upper, vp.at, place))
            except ValidationError:
                raise stage.refuse(
                    "stack.top_mm",
                    say(
                        "refused-stack-beyond",
                        at=Length(stack.top_mm),
                        point=PointName(vp.name),
                        side=Choice(side),
                        block=Own(stack.on),
                    ),
                ) from None
        try:
            if base.edge.upright:
                edge = FrontEdge(x_mm=upper.x, top_mm=stack.top_mm, bottom_mm=stack.bottom_mm)
            else:
                edge = FrontEdge(x_mm=upper.x, y_mm=stack.top_mm, length_mm=distance(upper, lower))
        except ValidationError:
            raise stage.refuse(
                "stack.top_mm",
                say("refused-stack-too-far", at=Length(stack.top_mm), block=Own(stack.on)),
            ) from None
        return DrawnOn(edge=edge, **cuts, turned_vp_mm=self.turned_vp_mm, base=stack.on)
