"""An extrusion: profiles on one face of a block, swept back to the vanishing point.

On a front the face is the front. On an edge it is the side that the profile runs along, left or
right of the front edge, and the sweep goes to the other side's vanishing point.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Literal, NamedTuple

from orthopsis.construction.order import Body, Hull
from orthopsis.perspective.plane import turn
from orthopsis.perspective.segments import XY
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import minus, plus, size, times
from orthopsis.perspective.view import FREE, HORIZONTAL, VERTICAL, VanishingPoint, View
from orthopsis.phrase import Choice, Length, PointName, Value, say
from orthopsis.picture.curved_prism import CurvedPrism
from orthopsis.picture.solid import Solid, prism
from orthopsis.pieces.base import Grip, Stage
from orthopsis.pieces.placement.anchor import Front
from orthopsis.pieces.placement.corners import FACES, block_body
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.edge import OnEdge
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.placement.placement import BlockPlacement
from orthopsis.pieces.shapes.extrusion.profile import Profile
from orthopsis.pieces.shapes.extrusion.visible import (
    ExtrudedBody,
    bend_on_face,
    bounds,
    extruded_body,
    on_face,
)

Run = Literal["left", "right"]
Four = tuple[int, int, int, int]


class FaceOf(NamedTuple):
    """The block's corners around a face, clockwise from its top left, and those behind them."""

    near: Four
    far: Four


FRONT = FaceOf((0, 1, 2, 3), (4, 5, 6, 7))
SIDES: dict[Run, FaceOf] = {"left": FRONT, "right": FaceOf((1, 5, 6, 2), (0, 4, 7, 3))}


class StreetPlace(NamedTuple):
    """The place of a letter in a street: its number behind the first, the first one's front, and
    how far from one to the next, from the first one's lower left corner.
    """

    number: int
    first: Front
    step: Cut


@dataclass(frozen=True)
class Extrusion:
    """A block with profiles on its face. `run` is the side that is the face on an edge; on a front
    it is None. `bands` parts each straight side that shows into stripes, by light lines to its
    vanishing point. `halved` tells that all lines lie on halves, quarters and eighths, so that no
    measure is needed; `street` its place among things that stand one behind the other. Corners that
    are `measured` are marked one by one, without a block.
    """

    block: Part
    """What the whole block is known as, beside the parts that are drawn from it."""
    name: Value
    what: str
    place: BlockPlacement
    run: Run | None
    profiles: tuple[Profile, ...]
    bands: int = 0
    halved: bool = False
    street: StreetPlace | None = None
    measured: bool = False

    @property
    def on_front(self) -> OnFront:
        """Its placement, in one-point."""
        assert isinstance(self.place, OnFront)
        return self.place

    @property
    def on_edge(self) -> OnEdge:
        """Its placement, in two- and three-point."""
        assert isinstance(self.place, OnEdge)
        return self.place

    @cached_property
    def places(self) -> list[XY]:
        """All corners by shares of the face: depth is measured from the nearest to the point."""
        return [place for profile in self.profiles for loop in profile.places for place in loop]

    @property
    def face_of_block(self) -> FaceOf:
        """Which corners of the block the face has."""
        return FRONT if self.run is None else SIDES[self.run]

    def families(self, stage: Stage) -> tuple[str, str, VanishingPoint]:
        """The family along the face's rows, that along its columns, and the point swept to."""
        view = stage.view
        if self.run is None:
            return HORIZONTAL, VERTICAL, view.level_points[0]
        left, right = view.level_points
        along, back = (left, right) if self.run == "left" else (right, left)
        return along.name, view.uprights.name, back

    def side_family(self, profile: Profile, side: tuple[int, int], stage: Stage) -> str:
        """The family of a side of a profile on the face, and of the one behind it."""
        across, down, _ = self.families(stage)
        return {"row": across, "column": down, "slanted": FREE}[profile.direction(side)]

    def check(self, stage: Stage) -> None:
        """Refuse a face that turns its back, or that is not told."""
        if isinstance(self.place, OnFront):
            if self.run is not None:
                raise stage.refuse("run", say("refused-run-in-one-point"))
            return
        if self.run is None:
            raise stage.refuse("run", say("refused-run-missing"))
        edge = self.on_edge.edge
        left, right = (vp.at for vp in stage.view.level_points)
        upper, lower = edge.ends(stage.view.uprights.at)
        seen = (
            turn(upper, lower, left) > 0.0
            if self.run == "left"
            else turn(upper, lower, right) < 0.0
        )
        if not seen:
            name, way = ("VP1", "right") if self.run == "left" else ("VP2", "left")
            raise stage.refuse(
                "edge.x_mm",
                say(
                    "refused-face-turned-away",
                    at=Length(edge.x_mm),
                    point=PointName(name),
                    way=Choice(way),
                ),
            )

    def grips(self, stage: Stage) -> list[Grip]:
        """The cuts of the block, the depth from where it is measured."""
        if isinstance(self.place, OnFront):
            return self.place.grips(stage, self.places)
        return self.place.grips(stage)

    def moved(self, stage: Stage, view: View) -> BlockPlacement:
        """The block seen from elsewhere. A depth measured along a line becomes a fraction, as
        another corner may then be the nearest to the vanishing point.
        """
        place = self.place
        if isinstance(place, OnFront) and place.depth.way in ("along_mm", "x_mm"):
            vp = stage.view.level_points[0].at
            start, _ = place.depth_start(vp, self.places)
            share = place.depth.share_by_projection(start, vp, stage.view)
            place = place.model_copy(update={"depth": Cut(fraction=share)})
        return place.moved(stage, view)

    # --- for the picture ---------------------------------------------------------------------

    def solid(self, stage: Stage, profile: Profile, part: Part) -> Solid | CurvedPrism:
        """A profile of the face as a prism, or with its curves as a bent one."""
        near, _, sweep, _ = self.place.frame(stage, self.places)
        self.check(stage)
        back = self.families(stage)[2]
        first, low = near[0], near[3]
        along = minus(near[1], first)
        if self.run == "right":
            first, low, along, sweep = near[1], near[2], sweep, minus(near[0], near[1])
        up = minus(low, first)
        families = [self.side_family(profile, side, stage) for side in profile.sides]
        clear, floats = stage.transparent, stage.floating
        if profile.bends:
            wide, high = size(along), size(up)
            unit = times(along, 1.0 / wide), times(up, 1.0 / high)
            area = profile.area(wide, high)
            return CurvedPrism(
                part, first, *unit, area, tuple(families), sweep, back.name, clear, floats
            )
        loops = [
            [plus(first, plus(times(along, u), times(up, v))) for u, v in loop]
            for loop in profile.places
        ]
        each = iter(families)
        by_loop = [[next(each) for _ in loop] for loop in loops]
        return prism(part, loops, by_loop, sweep, back.name, transparent=clear, floating=floats)

    # --- for the construction ----------------------------------------------------------------

    def block_body(self, stage: Stage) -> Body:
        """The whole block by ruler."""
        corners = self.place.corners(stage, self.places)
        self.check(stage)
        return block_body(self.block, self.name, corners, stage)

    def body(self, stage: Stage, profile: Profile, part: Part, name: Value) -> ExtrudedBody:
        """A profile of the face by ruler, on the lines of the whole block. Raises ExerciseError
        where a curve is not seen as part of an ellipse.
        """
        block = self.block_body(stage)
        space = [(x / n, y / n, 1.0 / n) for (x, y, _), n in block.corners]
        near, far = ([space[k] for k in four] for four in self.face_of_block)
        places = [place for loop in profile.places for place in loop]

        def hull(around: Sequence[XY]) -> Hull:
            return Hull(tuple(on_face(four, p) for four in (near, far) for p in around), FACES)

        back = self.families(stage)[2].at
        try:
            bends = {side: bend_on_face(profile, side, near, far, back) for side in profile.bend_of}
        except ValueError:
            raise stage.refuse("form", say("refused-curve-behind")) from None
        return extruded_body(
            replace(block, part=part, name=name),
            profile,
            [[on_face(four, place) for place in places] for four in (near, far)],
            bends,
            hull(bounds([p for loop in profile.control_places for p in loop])),
            tuple(hull(cell) for cell in profile.cells),
            back,
        )
