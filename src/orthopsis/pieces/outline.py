"""The outline: any shape on a block's face, swept back. A gable, a stair, a chair from its side."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from functools import cached_property
from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from orthopsis.construction.moves import Mark
from orthopsis.construction.order import Body
from orthopsis.construction.paper import Paper
from orthopsis.perspective.segments import inside, sides_cross
from orthopsis.picture.thing import Thing
from orthopsis.pieces.base import Drawn, Length, Measures, Millimetres, Stage
from orthopsis.pieces.carve import carve
from orthopsis.pieces.carved import Carved
from orthopsis.pieces.carved_shape import CarvedBody
from orthopsis.pieces.profile import Corner, Profile

Place = tuple[Millimetres, Millimetres]
Loop = Annotated[list[Place], Field(min_length=3, max_length=60)]


class FaceSize(Measures):
    """How wide and high the face is in the measures of the outline's corners."""

    width_mm: Length
    height_mm: Length


class Outline(Carved, Drawn):
    """`corners` of a shape on the face, and of its `holes`: mm from the face's left and top.

    In one-point they are the measures on paper. In two- and three-point `face` says how wide and
    high the face is in those measures, and `run` on which side of the edge it lies.
    """

    kind: Literal["outline"]
    corners: Loop
    holes: Annotated[list[Loop], Field(max_length=20, default_factory=list)]
    face: FaceSize | None = None

    @model_validator(mode="after")
    def _shape_fits(self) -> Self:
        width, height = self._size()
        for name, loop in (("corners", self.corners), *self._named_holes()):
            for k, (x, y) in enumerate(loop):
                if not (-1e-9 <= x <= width + 1e-9 and -1e-9 <= y <= height + 1e-9):
                    raise ValueError(
                        f"{name}[{k}]: ({x:g}, {y:g}) lies outside the face of {width:g} × "
                        f"{height:g} mm; keep every corner on it"
                    )
        loops = [self.corners, *self.holes]
        crossing = sides_cross(loops)
        if crossing is not None:
            (i, a), (j, b) = crossing
            raise ValueError(
                f"corners: side {a + 1} of {_named(i)} touches or crosses side {b + 1} of "
                f"{_named(j)}; a shape is drawn without lifting the pencil or crossing a line"
            )
        for k, hole in enumerate(self.holes):
            if not inside(hole[0], [self.corners]):
                raise ValueError(f"holes[{k}]: it lies outside the shape; move it within")
        return self

    def _named_holes(self) -> list[tuple[str, list[Place]]]:
        return [(f"holes[{k}]", hole) for k, hole in enumerate(self.holes)]

    def _size(self) -> tuple[float, float]:
        if self.face is not None:
            return self.face.width_mm, self.face.height_mm
        if self.front is not None:
            return self.front.width_mm, self.front.height_mm
        raise ValueError("face: say how wide and high the face is, in the measures of the corners")

    @cached_property
    def profile(self) -> Profile:
        """The shape on columns and rows through all its corners."""
        width, height = self._size()
        loops = [self.corners, *self.holes]
        xs = sorted({x for loop in loops for x, _ in loop})
        ys = sorted({y for loop in loops for _, y in loop})
        return Profile.of_loops(
            [x / width for x in xs],
            [y / height for y in ys],
            [[Corner(xs.index(x), ys.index(y)) for x, y in loop] for loop in loops],
        )

    def profiles(self) -> Sequence[Profile]:
        return (self.profile,)

    def solids(self, stage: Stage) -> list[Thing]:
        """The shape as a prism."""
        return [self.carved_solid(stage, self.profile, self.id)]

    def body(self, stage: Stage) -> Body:
        """The shape by ruler, on the lines of its block."""
        return self.carved_body(stage, self.profile, self.id, self.block_body(stage))

    def build(self, paper: Paper, stage: Stage, body: Body, points: Mapping[str, Mark]) -> None:
        """The light block, the shape on its face, the corner test, what lies behind."""
        assert isinstance(body, CarvedBody)
        carve(self, self.name, self.profile, body, paper, stage, points)


def _named(loop: int) -> str:
    return "the shape" if loop == 0 else f"hole {loop}"
