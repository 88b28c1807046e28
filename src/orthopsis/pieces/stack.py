"""A block on the construction lines of another: the same front edge, the same sides, drawn on.

Above, on and below the eye level on one set of lines, blocks show what the eye level does.
"""

from __future__ import annotations

from typing import TYPE_CHECKING, Annotated, TypeVar

from pydantic import Field, ValidationError, model_validator

from orthopsis.perspective.plane import LEVEL, Point, distance, join, meet
from orthopsis.pieces.anchor import FrontEdge
from orthopsis.pieces.base import Measures, Millimetres, Stage
from orthopsis.pieces.cut import Cut, share_on_paper

if TYPE_CHECKING:
    from orthopsis.pieces.block import Block

AnyBlock = TypeVar("AnyBlock", bound="Block")


class Stack(Measures):
    """`on` is the block whose lines are used; the ends of the front edge are given by how far they
    lie below the sheet's top edge.
    """

    on: Annotated[str, Field(max_length=40)]
    top_mm: Millimetres
    bottom_mm: Millimetres

    @model_validator(mode="after")
    def _downward(self) -> Stack:
        if self.bottom_mm <= self.top_mm:
            raise ValueError("bottom_mm is measured from the top, so it must be larger than top_mm")
        return self


def unstacked(piece: AnyBlock, stack: Stack, base: Block, stage: Stage) -> AnyBlock:
    """The same block with an edge and cuts of its own, as the lines of `base` give them.

    Raises ExerciseError when the lines do not make a block.
    """
    if base.edge is None:
        raise stage.refuse("stack.on", f"'{base.id}' has no front edge; name a block with one")
    if (base.view, base.turned_vp_mm) != (piece.view, piece.turned_vp_mm):
        raise stage.refuse("stack.on", f"'{base.id}' is seen in another view; give both the same")
    third = stage.view.uprights.at
    line = join(base.edge.ends(third)[0], third)
    upper, lower = (
        meet(line, join(Point(0.0, y_mm), LEVEL)) for y_mm in (stack.top_mm, stack.bottom_mm)
    )
    corners = [place for place, _ in base.body(stage).corners]
    cuts = {}
    for side, corner, vp in zip(("left", "right"), (0, 5), stage.view.level_points, strict=True):
        place = meet(join(upper, vp.at), join(corners[corner], third))
        try:
            cuts[side] = Cut(fraction=share_on_paper(upper, vp.at, place))
        except ValidationError:
            raise stage.refuse(
                "stack.top_mm",
                f"{stack.top_mm:g} mm: the line to {vp.name} does not meet the {side} side of "
                f"'{base.id}' before the point; choose a place nearer to it",
            ) from None
    if base.edge.upright:
        edge = FrontEdge(x_mm=upper.x, top_mm=stack.top_mm, bottom_mm=stack.bottom_mm)
    else:
        edge = FrontEdge(x_mm=upper.x, y_mm=stack.top_mm, length_mm=distance(upper, lower))
    return piece.model_copy(update={"edge": edge, **cuts})
