"""A house: a block with a roof, drawn as one, without seams."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass, field
from functools import cached_property
from typing import Literal, Protocol

from orthopsis.construction.moves import Mark
from orthopsis.construction.order import Body, NearPlace, SeenLine, Shown
from orthopsis.errors import Unfit
from orthopsis.perspective.area import Area
from orthopsis.perspective.plane import Point, distance
from orthopsis.perspective.segments import XY
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import Vector, dot, loop_normal
from orthopsis.perspective.view import VanishingPoint, on_paper
from orthopsis.phrase import Value, say
from orthopsis.picture.solid import Detail, Solid, polyhedron
from orthopsis.pieces.base import Site, Stage
from orthopsis.pieces.placement.edges import Edges
from orthopsis.pieces.shapes.house.doors import taken_by_doors
from orthopsis.pieces.shapes.house.form import FIRST, Form, seen_pairs, turned_to_us, vanishing
from orthopsis.pieces.shapes.house.hip import Hip
from orthopsis.pieces.shapes.house.panels import Panel, Taken
from orthopsis.pieces.shapes.house.roofs import DOWN, UP, Gable, Pitched, Roof
from orthopsis.pieces.shapes.house.seams import Seam, seams, unseamed
from orthopsis.pieces.shapes.house.walls import AROUND, Walls


class OnFaces(Protocol):
    """Something that draws lines on the faces of a house."""

    def details(self, house: House) -> list[Detail]: ...


MOST_MEMBERS = 100
"""More parts than a house may have: what is built on the second house of a row begins at 201."""


class HousePlace(Protocol):
    """Where a house stands: its block in eye space, by ruler, and on its way onto paper."""

    def in_space(self, stage: Stage) -> list[Vector]:
        """Its eight corners. Raises ExerciseError."""

    def corners(self, stage: Stage) -> tuple[NearPlace, ...]:
        """The same by ruler. Raises ExerciseError."""

    def lay_out(self, site: Site, edges: Edges) -> dict[int, Mark]:
        """The steps that draw the block; the marks of its corners, as far as needed."""


@dataclass(frozen=True)
class House:
    """What a house is on its stage. Everything else follows: solid, body, moves."""

    part: Part
    name: Value
    place: HousePlace
    roof: Roof
    panels: Sequence[Panel]
    stage: Stage
    patterns: Sequence[OnFaces] = ()
    on_slopes: bool = False
    """Whether something lies on its slopes."""
    over: Gable | Hip | None = None
    """The roof that hangs over its walls, which end flat below it."""
    over_patterns: Sequence[OnFaces] = ()
    on_top: bool = False
    """Whether something stands on its flat roof, whose corners are then found even if hidden."""
    beside: Callable[[], Sequence[House]] = field(default=tuple, compare=False)
    """What of the same piece may lie flush with it, so that faces of both are one."""

    @cached_property
    def walls(self) -> Walls:
        """Its walls by their names."""
        side: Literal["left", "right"] | None = None
        if len(self.stage.view.level_points) == 1:
            (left, _), (right, _), *_ = self.place.corners(self.stage)
            x = self.stage.view.level_points[0].at.x
            if x > right.x:
                side = "right"
            elif x < left.x:
                side = "left"
        return Walls(self.stage, side)

    @cached_property
    def form(self) -> Form:
        """Its faces and the families of its edges. Raises ExerciseError."""
        self._check()
        return self.roof.form(self.walls, str(self.part))

    # --- for the picture ---------------------------------------------------------------------

    @cached_property
    def block_in_space(self) -> list[Vector]:
        """The block's corners in eye space. Raises ExerciseError."""
        block = self.place.in_space(self.stage)
        self._check()
        return block

    @cached_property
    def in_space(self) -> list[Vector]:
        """All corners in eye space. Raises ExerciseError."""
        return self._closed(self.block_in_space)

    def solid(self) -> Solid:
        """The house with the lines that lie in its walls. Raises ExerciseError."""
        families = tuple((a, b, family) for (a, b), family in self.form.families.items())
        block = self.block_in_space
        details = [
            one
            for panel in self.panels
            for one in panel.details(block, self.walls, self.taken(panel))
        ]
        details += self.roof.details(block, self.walls)
        details += [one for pattern in self.patterns for one in pattern.details(self)]
        # What lies in a wall that turns away is not drawn, even where the house is seen through.
        details = [one for one in details if self.faces_us(one.face)]
        whole = polyhedron(
            self.part, self.in_space, self.form.faces, families, details,
            transparent=self.stage.transparent, floating=self.stage.floating,
        )  # fmt: skip
        return unseamed(whole, self._seams(lambda house: house.in_space))

    def _seams(self, places: Callable[[House], Sequence[Vector]]) -> list[Seam]:
        """Where it goes on in what is beside it, with the places that each house has."""
        return [
            seam
            for other in self.beside()
            for seam in seams(self.form.faces, places(self), other.form.faces, places(other))
        ]

    def faces_us(self, number: int) -> bool:
        """Whether a face turns its outside to us. Raises ExerciseError."""
        return self._facing[number]

    @cached_property
    def _facing(self) -> tuple[bool, ...]:
        loops = ([self.in_space[k] for k in face] for face in self.form.faces)
        return tuple(dot(loop_normal(corners), corners[0]) > 0.0 for corners in loops)

    def slope_points(self) -> list[VanishingPoint]:
        """The points of its own that lines up the roof lead to. Raises ExerciseError."""
        found: dict[str, VanishingPoint] = {}
        for (a, b), family in self.form.families.items():
            if family.endswith((UP, DOWN)):
                point = vanishing(family, self.in_space[a], self.in_space[b])
                found.setdefault(family, point)
        return list(found.values())

    def found_points(self) -> list[VanishingPoint]:
        """The one of them that is found by drawing, by the far slope. Raises ExerciseError."""
        roof = self.roof
        if not isinstance(roof, Pitched) or roof.far == "parallel":
            return []
        if isinstance(roof, Gable) and roof.far == "middle":
            return []
        pairs = [slope.far for slope in roof.slopes(self.walls)]
        seen = seen_pairs(self.form.faces, [place for place, _ in self.body().corners], False)
        wanted = {self.form.families[one] for one in pairs if one in seen}
        return [point for point in self.slope_points() if point.name in wanted]

    def taken(self, panel: Panel) -> Taken:
        """The openings of a panel that doors take the place of. Raises ExerciseError."""
        return taken_by_doors(panel, self.panels, self.block_in_space, self.walls)

    def head_mm(self, panel: Panel) -> float:
        """How far up its wall's near upright the head of its lowest openings lies."""
        if panel.front is not None:
            return self.foot_mm - panel.front.y_mm
        top, foot = (
            Point(*on_paper(self.on_paper[k])) for k in panel.wall(self.walls).near_upright
        )
        return panel.rows(distance(top, foot))[0].head_mm

    def by_hand(self) -> list[tuple[XY, ...]]:
        """The outlines on paper of what pupils draw in its walls by hand. Raises ExerciseError."""
        block, found = self.block_in_space, list[tuple[XY, ...]]()
        for panel in self.panels:
            if self.faces_us(AROUND.index(panel.wall(self.walls).corners)):
                drawn = panel.outlines if panel.freehand else panel.arch_rooms
                found += drawn(block, self.walls, self.taken(panel))
        return found

    # --- for the construction ----------------------------------------------------------------

    def body(self) -> Body:
        """The house by ruler. Raises ExerciseError."""
        block = self.place.corners(self.stage)
        self._check()
        new = self.on_paper[len(block) :]
        corners: tuple[NearPlace, ...] = (
            *block,
            *((Point(x / d, y / d), 1.0 / d) for x, y, d in new),
        )
        faces, clear = self.form.faces, self.stage.transparent
        places = [place for place, _ in corners]
        outer = self.outer_faces

        def show() -> Shown:
            seen = [loop for loop in outer if turned_to_us(loop, places)]
            return Shown(
                faces=tuple(Area((tuple(places[k].xy for k in loop),)) for loop in seen),
                edges=tuple(
                    SeenLine((places[a].xy, places[b].xy), (corners[a][1], corners[b][1]))
                    for a, b in sorted(seen_pairs(faces if clear else outer, places, clear))
                ),
            )

        flush = self._seams(lambda house: house.on_paper)
        return Body(
            part=self.part, name=self.name, corners=corners, faces=faces, show=show,
            transparent=clear, floating=self.stage.floating,
            seams=tuple(
                SeenLine(
                    (on_paper(one.start), on_paper(one.end)), (1 / one.start[2], 1 / one.end[2])
                )
                for one in flush
            ),
        )  # fmt: skip

    @cached_property
    def outer_faces(self) -> tuple[tuple[int, ...], ...]:
        """The faces that may be seen: the far end of a roof that hangs over its wall may not."""
        faces = self.form.faces
        overhangs = (
            isinstance(self.roof, Gable)
            and self.roof.far == "parallel"
            and self.roof.overhangs(self._space, self.walls)
        )
        return faces[:-1] if overhangs else faces

    @cached_property
    def _space(self) -> list[Vector]:
        """The block's corners by ruler, as places that can be parted evenly."""
        return [(x / n, y / n, 1.0 / n) for (x, y, _), n in self.place.corners(self.stage)]

    @cached_property
    def on_paper(self) -> list[Vector]:
        """All corners by ruler, in the same way. Raises ExerciseError."""
        return self._closed(self._space)

    @property
    def right_far_peak(self) -> Point:
        """Where the far peak of a gable belongs on paper."""
        right = self.roof.model_copy(update={"far": "roof point"})
        x, y, depth = right.corners(self._space, self.walls)[FIRST + 1]
        return Point(x / depth, y / depth)

    @property
    def foot_mm(self) -> float:
        """How far down the sheet the foot of a front lies."""
        return self.place.corners(self.stage)[2][0].y

    # --- what both sides read from the document ----------------------------------------------

    def _closed(self, block: Sequence[Vector]) -> list[Vector]:
        try:
            return self.roof.corners(block, self.walls)
        except (Unfit, ZeroDivisionError):
            raise self.stage.refuse("roof.peak_mm", say("refused-roof-behind")) from None

    def _check(self) -> None:
        roof, walls = self.roof, self.walls
        if not isinstance(roof, Pitched):
            return
        field = "roof.end" if roof.kind == "gable" else "roof.low"
        name = roof.end if roof.kind == "gable" else roof.low
        known = ("front", "side", "left", "right") if walls.one_point else ("left", "right")
        if name not in known:
            raise self.stage.refuse(field, say("refused-no-such-wall"))
        if name in ("side", "left", "right") and walls.one_point:
            shown = walls.side_that_shows
            if shown is None or name not in ("side", shown):
                raise self.stage.refuse(field, say("refused-wall-unseen"))
