"""Carved out of a block: profiles on one of its faces, swept back to the vanishing point.

In one-point the face is the front. In two- and three-point it is the side that the profile runs
along, left or right of the front edge, and the sweep goes to the other side's vanishing point.
"""

from __future__ import annotations

from collections.abc import Sequence
from typing import Annotated, Literal, NamedTuple, Self

from pydantic import Field

from orthopsis.construction.order import Body, Hull
from orthopsis.perspective.plane import (
    LEFT,
    LEVEL,
    Point,
    distance,
    turn,
)
from orthopsis.perspective.segments import XY
from orthopsis.perspective.vector import minus, plus, size, times
from orthopsis.perspective.view import FREE, HORIZONTAL, VERTICAL, VanishingPoint, View
from orthopsis.picture.bent import Bent
from orthopsis.picture.solid import Solid, prism
from orthopsis.pieces.anchor import Front
from orthopsis.pieces.base import Measures, Stage
from orthopsis.pieces.block import Block
from orthopsis.pieces.block_shape import FACES
from orthopsis.pieces.carved_shape import CarvedBody, bend_on_face, bounds, carved_body, on_face
from orthopsis.pieces.cut import ON_LEVEL_MM, Cut
from orthopsis.pieces.profile import Profile

Run = Literal["left", "right"]
Four = tuple[int, int, int, int]


class FaceOf(NamedTuple):
    """The block's corners around a face, clockwise from its top left, and those behind them."""

    near: Four
    far: Four


FRONT = FaceOf((0, 1, 2, 3), (4, 5, 6, 7))
SIDES: dict[Run, FaceOf] = {"left": FRONT, "right": FaceOf((1, 5, 6, 2), (0, 4, 7, 3))}


class StreetPlace(Measures):
    """The place of a letter in a street: its number behind the first, and how far from one to the
    next, from the first one's lower left corner.
    """

    number: int
    first: Front
    step: Cut


class Carved(Block):
    """A block with profiles on its face. `run` is the side that is the face in two- and
    three-point; in one-point it is the front. `bands` parts each straight side that shows into
    stripes, by light lines to its vanishing point.
    """

    run: Run | None = None
    bands: Annotated[int, Field(ge=0, le=6)] = 0

    @property
    def street_place(self) -> StreetPlace | None:
        """Its place in a street of things that stand one behind the other."""
        return None

    @property
    def halved(self) -> bool:
        """Whether all lines lie on halves, quarters and eighths, so that no measure is needed."""
        return False

    def block_body(self, stage: Stage) -> Body:
        """The whole block by ruler."""
        return Block.body(self, stage)

    def moved(self, stage: Stage, view: View) -> Self:
        """The same piece seen from elsewhere. A depth measured along a line becomes a fraction, as
        another corner may then be the nearest to the vanishing point.
        """
        if self.depth is None or self.depth.way not in ("along_mm", "x_mm"):
            return super().moved(stage, view)
        vp = stage.view.level_points[0].at
        share = self.depth.share_by_projection(self.depth_start(vp)[0], vp, stage.view)
        return self.model_copy(update={"depth": Cut(fraction=share)}).moved(stage, view)

    def profiles(self) -> Sequence[Profile]:
        """What is carved, on columns and rows of the whole face."""
        raise NotImplementedError

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

    def depth_start(self, vp: Point) -> tuple[Point, Point]:
        """The corner of the profiles nearest to the vanishing point, unless `from` names one of
        the front; for an `x_mm`, the nearest from which it lies toward the point.
        """
        assert self.front is not None and self.depth is not None
        if self.depth.from_ is not None:
            return super().depth_start(vp)
        p, _, r, _ = self.front.corners
        width, height = r.x - p.x, r.y - p.y
        corners = [
            Point(p.x + u * width, p.y + v * height)
            for profile in self.profiles()
            for loop in profile.places
            for u, v in loop
        ]
        x = self.depth.x_mm
        if x is not None:
            between = [c for c in corners if min(c.x, vp.x) < x < max(c.x, vp.x)]
            nearest = min((abs(c.x - x) for c in between), default=0.0)
            corners = [c for c in between if abs(c.x - x) < nearest + 1e-9] or corners
        if self.depth.true_mm is not None:
            # Along the eye level a true length is carried nowhere.
            corners = [c for c in corners if abs(c.y - vp.y) >= ON_LEVEL_MM]
        start = nearest_to(vp, corners)
        return start, LEVEL if start.x < (p.x + r.x) / 2 else LEFT

    def _check(self, stage: Stage) -> None:
        super()._check(stage)
        if self.front is not None and self.run is not None:
            raise stage.refuse("run", "in one-point the front is the face; leave run out")
        if self.edge is None:
            return
        if self.run is None:
            raise stage.refuse("run", "say which side of the edge is the face, left or right")
        left, right = (vp.at for vp in stage.view.level_points)
        upper, lower = self.edge.ends(stage.view.uprights.at)
        seen = (
            turn(upper, lower, left) > 0.0
            if self.run == "left"
            else turn(upper, lower, right) < 0.0
        )
        if not seen:
            name, way = ("VP1", "right") if self.run == "left" else ("VP2", "left")
            raise stage.refuse(
                "edge.x_mm",
                f"{self.edge.x_mm:g} mm lies beyond {name}, where the face turns its back to us; "
                f"move the edge to the {way} of the point, or let it run to the {way}",
            )

    # --- for the picture ---------------------------------------------------------------------

    def carved_solid(
        self, stage: Stage, profile: Profile, name: str, group: str = ""
    ) -> Solid | Bent:
        """A profile of the face as a prism, or with its curves as a bent one."""
        self._check(stage)
        near, _, sweep, _ = self.near_face(stage)
        across, down, back = self.families(stage)
        first, low = near[0], near[3]
        along = minus(near[1], first)
        if self.run == "right":
            first, low, along, sweep = near[1], near[2], sweep, minus(near[0], near[1])
        up = minus(low, first)
        named = {"row": across, "column": down, "slanted": FREE}
        families = [named[profile.direction(side)] for side in profile.sides]
        clear, floats = self.transparent, self.standing == "floating"
        if profile.bends:
            wide, high = size(along), size(up)
            unit = times(along, 1.0 / wide), times(up, 1.0 / high)
            area = profile.area(wide, high)
            return Bent(
                name, first, *unit, area, tuple(families), sweep, back.name, clear, floats, group
            )
        loops = [
            [plus(first, plus(times(along, u), times(up, v))) for u, v in loop]
            for loop in profile.places
        ]
        each = iter(families)
        by_loop = [[next(each) for _ in loop] for loop in loops]
        return prism(
            name, loops, by_loop, sweep, back.name,
            transparent=clear, floating=floats, group=group,
        )  # fmt: skip

    # --- for the construction ----------------------------------------------------------------

    def carved_body(
        self, stage: Stage, profile: Profile, name: str, block: Body, group: str = ""
    ) -> CarvedBody:
        """A profile of the face by ruler, on the lines of the whole `block`. Raises ExerciseError
        where a curve is not seen as part of an ellipse.
        """
        space = [(x / n, y / n, 1.0 / n) for (x, y, _), n in block.corners]
        near, far = ([space[k] for k in four] for four in self.face_of_block)
        places = [place for loop in profile.places for place in loop]

        def hull(around: Sequence[XY]) -> Hull:
            return Hull(tuple(on_face(four, p) for four in (near, far) for p in around), FACES)

        try:
            bends = {
                side: bend_on_face(profile, side, near, far, self.families(stage)[2].at)
                for side in profile.bend_of
            }
        except ValueError:
            raise stage.refuse(
                "form", "a curve reaches behind the eye; make the word shorter or lower"
            ) from None
        return carved_body(
            name,
            profile,
            [[on_face(four, place) for place in places] for four in (near, far)],
            bends,
            hull(bounds([p for loop in profile.control_places for p in loop])),
            tuple(hull(cell) for cell in profile.cells),
            self.families(stage)[2].at,
            transparent=self.transparent,
            floating=self.standing == "floating",
            group=group,
        )


def nearest_to(vp: Point, places: Sequence[Point]) -> Point:
    """The place that lies nearest to a vanishing point; of equals the lower, then the right one."""
    apart = [place for place in places if distance(place, vp) > 1e-6]
    return min(apart, key=lambda p: (round(distance(p, vp), 9), -p.y, -p.x))
