"""The outline: any shape on a block's face, swept back. A gable, a stair, a chair from its side."""

from __future__ import annotations

from collections.abc import Sequence
from functools import cached_property
from typing import Annotated, Any, Literal, Self

from pydantic import Field, model_validator

from orthopsis.construction.moves import Act, count
from orthopsis.construction.order import Body
from orthopsis.errors import Unfit
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import XY, inside, sides_cross
from orthopsis.perspective.vector import Vector
from orthopsis.perspective.view import View, on_paper
from orthopsis.phrase import Choice, Length, Number, Phrase, say
from orthopsis.picture.solid import Solid, lined
from orthopsis.picture.solids import AnySolid
from orthopsis.pieces.base import Drawn, FaceLength, Grip, Measures, Millimetres, Site, Stage
from orthopsis.pieces.block import BlockPiece
from orthopsis.pieces.casting import Casting
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.placement.word import Run
from orthopsis.pieces.roles import Editor, FieldRole, Only
from orthopsis.pieces.shapes.extrusion.construct import draw_profile
from orthopsis.pieces.shapes.extrusion.model import Extrusion
from orthopsis.pieces.shapes.extrusion.profile import Corner, Profile
from orthopsis.pieces.shapes.extrusion.profile_site import Extruded
from orthopsis.pieces.shapes.extrusion.shadow import casting_of
from orthopsis.pieces.shapes.extrusion.tower_windows import (
    TowerWindows,
    Wall,
    walls_with_windows,
    windows_in,
)

OnFace = Annotated[Millimetres, FieldRole.FACE]
Place = tuple[OnFace, OnFace]
Loop = Annotated[list[Place], Field(min_length=3, max_length=60), FieldRole.FACE]


class FaceSize(Measures):
    """How wide and high the face is in the measures of the outline's corners."""

    width_mm: FaceLength
    height_mm: FaceLength


class Outline(BlockPiece, Drawn):
    """`corners` of a shape on the face, and of its `holes`: mm from the face's left and top.

    In one-point they are the measures on paper. In two- and three-point `face` says how wide and
    high the face is in those measures, and `run` on which side of the edge it lies. `bands` parts
    each straight side that shows into stripes. `by` tells how its corners are found: on the lines
    of a light block, or, in one-point, one by one. `windows` are drawn by hand in the walls
    that run back from the face.
    """

    kind: Literal["outline"]
    corners: Annotated[Loop, Editor.CORNERS]
    holes: Annotated[
        list[Loop], Field(max_length=20, default_factory=list), FieldRole.FACE, Editor.NONE
    ]
    face: FaceSize | None = None
    run: Annotated[Run | None, FieldRole.CHOICE] = None
    by: Annotated[Literal["block", "corners"], FieldRole.CHOICE, Only({"corners": (1,)})] = "block"
    bands: Annotated[int, Field(ge=0, le=6), FieldRole.COUNT] = 0
    windows: Annotated[TowerWindows | None, Editor.SWITCH] = None

    @property
    def weight(self) -> float:
        return sum(map(len, (self.corners, *self.holes))) / 4.0

    @classmethod
    def own_first(cls, at: Point, size_mm: float, form: str) -> dict[str, Any]:
        """A wall with a gable."""
        del at
        s, half = size_mm, size_mm / 2
        own: dict[str, Any] = {"corners": [(0, s), (0, half), (half, 0), (s, half), (s, s)]}
        if form != "front":
            own |= {"run": "left", "face": {"width_mm": s, "height_mm": s}}
        return own

    @model_validator(mode="after")
    def _shape_fits(self) -> Self:
        width, height = self._size()
        for name, loop in (("corners", self.corners), *self._named_holes()):
            for k, (x, y) in enumerate(loop):
                if not (-1e-9 <= x <= width + 1e-9 and -1e-9 <= y <= height + 1e-9):
                    raise Unfit(
                        say(
                            "refused-corner-off-the-face",
                            x=Length(x),
                            y=Length(y),
                            wide=Length(width),
                            high=Length(height),
                        ),
                        f"{name}[{k}]",
                    )
        if self.by == "corners" and not isinstance(self.place, OnFront):
            raise Unfit(say("refused-by-corners"), "by")
        loops = [self.corners, *self.holes]
        crossing = sides_cross(loops)
        if crossing is not None:
            (i, a), (j, b) = crossing
            raise Unfit(
                say(
                    "refused-sides-cross",
                    one=Number(a + 1.0),
                    loop=_named(i),
                    other=Number(b + 1.0),
                    its=_named(j),
                ),
                "corners",
            )
        for k, hole in enumerate(self.holes):
            if not inside(hole[0], [self.corners]):
                raise Unfit(say("refused-hole-outside"), f"holes[{k}]")
        return self

    def _named_holes(self) -> list[tuple[str, list[Place]]]:
        return [(f"holes[{k}]", hole) for k, hole in enumerate(self.holes)]

    def _size(self) -> tuple[float, float]:
        if self.face is not None:
            return self.face.width_mm, self.face.height_mm
        if isinstance(self.place, OnFront):
            return self.place.front.width_mm, self.place.front.height_mm
        raise Unfit(say("refused-face-missing"), "face")

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

    @cached_property
    def shape(self) -> Extrusion:
        """The shape on its block's face."""
        return Extrusion(
            block=self.part,
            name=self.name,
            what="shape",
            place=self.place,
            run=self.run,
            profiles=(self.profile,),
            bands=self.bands,
            measured=self.by == "corners",
        )

    def solids(self, stage: Stage) -> list[AnySolid]:
        """The shape as a prism, with its windows."""
        solid = self.shape.solid(stage, self.profile, self.part)
        if self.windows is None:
            return [solid]
        assert isinstance(solid, Solid)
        half = len(solid.vertices) // 2
        near, far = solid.vertices[:half], solid.vertices[half:]
        for wall in self._walls(near, far, stage):
            solid = lined(solid, wall, list(windows_in(wall, self.windows)))
        return [solid]

    def _walls(self, near: Sequence[Vector], far: Sequence[Vector], stage: Stage) -> list[Wall]:
        """The walls that have windows, by their corners on the roof and behind it."""
        outer = len(self.corners)
        return walls_with_windows(near[:outer], far[:outer], self.shape.families(stage)[2].at)

    def _windows_on_paper(self, stage: Stage) -> list[list[XY]]:
        """The windows by ruler: a closed line each."""
        if self.windows is None:
            return []
        places = [(x / n, y / n, 1.0 / n) for (x, y, _), n in self.body(stage).corners]
        half = len(places) // 2
        return [
            [on_paper(place) for place in window]
            for wall in self._walls(places[:half], places[half:], stage)
            for window in windows_in(wall, self.windows)
        ]

    def by_hand(self, stage: Stage) -> Sequence[Sequence[XY]]:
        return [window[:-1] for window in self._windows_on_paper(stage)]

    def body(self, stage: Stage) -> Body:
        """The shape by ruler, on the lines of its block."""
        return self.shape.body(stage, self.profile, self.part, self.name)

    def casting(self, stage: Stage) -> Casting | None:
        return casting_of(self.shape, self.profile, self.body(stage), self.name, stage)

    def build(self, site: Site) -> Extruded:
        """The light block, the shape on its face, the corner rule, what lies behind."""
        drawn = draw_profile(self.shape, self.profile, site)
        windows = self._windows_on_paper(site.stage)
        if self.windows is not None and windows:
            step = site.begin("tower-windows", Act.DETAILS)
            site.paper.keep_by_hand(windows, site.body)
            step.say(
                "tower-windows", rows=count(self.windows.rows), columns=count(self.windows.columns),
                vp=site.points[self.shape.families(site.stage)[2].name],
                sides=Choice(self.windows.sides.replace(" ", "-")),
            )  # fmt: skip
            step.differs(rows=count(self.windows.rows), columns=count(self.windows.columns))
            step.check("tower-windows-check")
            step.bulk = True
        return drawn

    def switched_on(self, field: str, stage: Stage) -> Self:
        """New windows."""
        if field != "windows":
            return super().switched_on(field, stage)
        return self.model_copy(update={field: TowerWindows()})

    def grips(self, stage: Stage) -> list[Grip]:
        return self.shape.grips(stage)

    def moved(self, stage: Stage, view: View) -> Self:
        return self.placed(self.shape.moved(stage, view))


def _named(loop: int) -> Phrase:
    return say("the-shape") if loop == 0 else say("the-hole", number=Number(float(loop)))
