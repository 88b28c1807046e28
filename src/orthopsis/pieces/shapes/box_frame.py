"""The box frame: a block with all its edges, and what round things and letters are drawn in."""

from __future__ import annotations

from orthopsis.construction.order import Body
from orthopsis.perspective.stroke import Part
from orthopsis.phrase import Value
from orthopsis.picture.solid import Solid, prism
from orthopsis.pieces.base import Site, Stage
from orthopsis.pieces.placement.corners import block_body
from orthopsis.pieces.placement.edges import Edges, FrameMarks
from orthopsis.pieces.placement.placement import BlockPlacement
from orthopsis.pieces.shapes.tidy import tidy


def frame_solid(part: Part, place: BlockPlacement, stage: Stage) -> Solid:
    """The block as a prism: its near face swept to a vanishing point."""
    near, sides, sweep, family = place.frame(stage)
    return prism(
        part,
        [near],
        [sides],
        sweep,
        family,
        transparent=stage.transparent,
        floating=stage.floating,
    )


def frame_body(part: Part, name: Value, place: BlockPlacement, stage: Stage) -> Body:
    """The block by ruler."""
    return block_body(part, name, place.corners(stage), stage)


def draw_frame(place: BlockPlacement, site: Site, edges: Edges | None = None) -> FrameMarks:
    """The steps of the block, all its edges or those that `edges` tell; the marks of its corners.

    Front first, guide lines, cuts, back corners.
    """
    return FrameMarks(place.lay_out(site, edges or Edges(site.paper, site.body)))


def draw_box(place: BlockPlacement, site: Site, what: str) -> FrameMarks:
    """The whole box, to what is erased and darkened in the end."""
    marks = draw_frame(place, site)
    tidy(site, what)
    return marks
