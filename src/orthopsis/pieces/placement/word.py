"""A word's place: by the height of its letters, or along one side of an edge."""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping
from typing import Annotated, Any, ClassVar, Literal

from orthopsis.perspective.plane import LEVEL, Point
from orthopsis.perspective.view import View
from orthopsis.pieces.base import Across, Down, Grip, Measures, PaperLength, PointAcross, Stage
from orthopsis.pieces.placement.anchor import Front, FrontEdge
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.placement.edge import OnEdge, beside
from orthopsis.pieces.placement.front import OnFront
from orthopsis.pieces.placement.lines import DrawnOn, OnLines, Stack
from orthopsis.pieces.placement.placement import BlockPlacement, Listed, Placement
from orthopsis.pieces.roles import Editor, FieldRole

Run = Literal["left", "right"]


ROUND_MM = 5.0
FIRST_LENGTH, FIRST_THICKNESS = Cut(fraction=0.4), Cut(fraction=0.15)


def _round(mm: float) -> float:
    return max(ROUND_MM, round(mm / ROUND_MM) * ROUND_MM)


class LettersFront(Measures):
    """The place of the first letter's top left corner on the sheet, and the letters' height."""

    x_mm: Across
    y_mm: Down
    height_mm: PaperLength


class WordOnFront(Placement):
    """`front` and `depth`. With `street` each letter stands by itself, so far behind the one
    before it.
    """

    form: ClassVar = "front"
    tells: ClassVar = "front"
    systems: ClassVar = (1,)
    sized: ClassVar = ("", "front.height_mm")

    front: LettersFront
    depth: Annotated[Cut, FieldRole.DEPTH]
    street: Annotated[Annotated[Cut, FieldRole.RUN] | None, Editor.SWITCH] = None

    @property
    def run(self) -> Run | None:
        """None: its face is the front."""
        return None

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> WordOnFront:
        del points
        front = LettersFront(x_mm=at.x, y_mm=at.y - size_mm, height_mm=size_mm)
        return cls(front=front, depth=Cut(fraction=0.3))

    def first_value(self, field: str, stage: Stage) -> Any:
        return Cut(fraction=0.35) if field == "street" else super().first_value(field, stage)

    @property
    def anchor(self) -> Point:
        return Point(self.front.x_mm, self.front.y_mm)

    def block(self, wide: float) -> OnFront:
        """The block of the whole word, which is `wide` times as wide as high."""
        front = self.front
        whole = Front(
            x_mm=front.x_mm,
            y_mm=front.y_mm,
            width_mm=wide * front.height_mm,
            height_mm=front.height_mm,
        )
        return OnFront(front=whole, depth=self.depth)

    def of_height(self, height_mm: float) -> WordOnFront:
        """The same word in letters of that height."""
        front = self.front.model_copy(update={"height_mm": height_mm})
        return self.model_copy(update={"front": front})

    def grips(self, stage: Stage) -> list[Grip]:
        """The way from letter to letter; the depth's is the block's."""
        if self.street is None:
            return []
        start = Point(self.front.x_mm, self.front.y_mm + self.front.height_mm)
        vp = stage.view.level_points[0].at
        place = self.street.place_on_paper(start, vp, stage.view, LEVEL)
        return [Grip("street", self.street.way, start, vp, place)]

    def moved_to(self, block: BlockPlacement, street: Cut | None) -> WordOnFront:
        """The same word whose block was moved there."""
        assert isinstance(block, OnFront)
        there = block.front
        front = LettersFront(x_mm=there.x_mm, y_mm=there.y_mm, height_mm=there.height_mm)
        return WordOnFront(front=front, depth=block.depth, street=street)


class WordOnEdge(Placement):
    """`edge`, the side to which the word runs, its `length` there and its `thickness`."""

    form: ClassVar = "edge"
    tells: ClassVar = "edge"
    systems: ClassVar = (2, 3)
    sized: ClassVar = ("", "edge.bottom_mm")

    edge: FrontEdge
    run: Annotated[Run, FieldRole.CHOICE]
    length: Annotated[Cut, FieldRole.RUN]
    thickness: Annotated[Cut, FieldRole.RUN]
    turned_vp_mm: Annotated[PointAcross | None, Editor.SWITCH] = None

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> WordOnEdge:
        edge = FrontEdge.first(at, size_mm, points)
        return cls(edge=edge, run="right", length=FIRST_LENGTH, thickness=FIRST_THICKNESS)

    def run_to(self, side: Run) -> WordOnEdge:
        """Along the other side; a cut from the sheet's edge would lie on the wrong one."""
        cuts = {
            "length": (self.length, FIRST_LENGTH),
            "thickness": (self.thickness, FIRST_THICKNESS),
        }
        kept = {name: new if cut.way == "x_mm" else cut for name, (cut, new) in cuts.items()}
        return self.model_copy(update={"run": side, **kept})

    def first_value(self, field: str, stage: Stage) -> Any:
        if field == "turned_vp_mm":
            return beside(stage.view)
        return super().first_value(field, stage)

    @property
    def anchor(self) -> Point:
        return self.edge.upper

    @property
    def named(self) -> dict[str, str]:
        """What the block's sides are called here."""
        other = "left" if self.run == "right" else "right"
        return {self.run: "length", other: "thickness"}

    @property
    def turned(self) -> bool:
        return self.turned_vp_mm is not None

    def seen(self, view: View, name: str) -> View:
        return view if self.turned_vp_mm is None else view.turned(name, self.turned_vp_mm)

    def block(self, wide: float) -> OnEdge:
        """The block of the whole word, as long as it is told whatever its letters."""
        del wide
        cuts = {side: getattr(self, field) for side, field in self.named.items()}
        return OnEdge(edge=self.edge, **cuts, turned_vp_mm=self.turned_vp_mm)

    def smaller(self, share: float, longer: float, length: Grip) -> WordOnEdge:
        """An edge of a part of its height, with a length that keeps the letters' shape.

        The word is `longer` in truth than the one of which `length` is the grip. A length that goes
        t of the way to the vanishing point is in truth as t / (1 − t).
        """
        (sx, sy), (gx, gy) = length.start.xy, length.goal.xy
        way_mm = math.hypot(gx - sx, gy - sy)
        gone = math.dist(length.at.xy, (sx, sy)) / way_mm
        truth = gone / (1.0 - gone) * longer * share
        reach = truth / (1.0 + truth)
        values = {
            "fraction": round(reach, 3),
            "true_mm": (self.length.true_mm or 0.0) * longer * share,
            "along_mm": _round(reach * way_mm),
            "x_mm": sx + (1.0 if gx > sx else -1.0) * _round(reach * abs(gx - sx)),
        }
        way = self.length.way
        changed: dict[str, float] = {}
        for name, start in (("bottom_mm", self.edge.upper.y), ("length_mm", 0.0)):
            mm = getattr(self.edge, name)
            if mm is not None:
                changed[name] = start + _round((mm - start) * share)
        return self.model_copy(
            update={
                "edge": self.edge.model_copy(update=changed),
                "length": self.length.model_copy(update={way: values[way]}),
            }
        )

    def grips(self, stage: Stage) -> list[Grip]:
        """None of its own: all are the block's."""
        return []

    def moved_to(self, block: BlockPlacement, street: Cut | None) -> WordOnEdge:
        """The same word whose block was moved there."""
        del street
        assert isinstance(block, OnEdge)
        cuts = {field: block.cut(side) for side, field in self.named.items()}
        turned = block.turned_vp_mm
        return WordOnEdge(edge=block.edge, run=self.run, **cuts, turned_vp_mm=turned)


class WordDrawnOn(WordOnEdge):
    """An edge with its cuts, worked out from the lines of another block, and drawn on them."""

    base: str

    def block(self, wide: float) -> OnEdge:
        alone = super().block(wide)
        return DrawnOn(
            **{name: getattr(alone, name) for name in OnEdge.model_fields}, base=self.base
        )


class WordOnLines(Placement):
    """A `stack` on the lines of another block, and the side of it to which the word `run`s: as long
    and as thick as that block.
    """

    form: ClassVar = "lines"
    tells: ClassVar = "stack"
    systems: ClassVar = (2, 3)

    stack: Stack
    run: Annotated[Run, FieldRole.CHOICE]
    turned_vp_mm: Annotated[PointAcross | None, Editor.NONE] = None

    @classmethod
    def first(cls, at: Point, size_mm: float, points: int) -> WordOnLines:
        raise NotImplementedError("a word on the lines of another is begun from that one")

    @property
    def lines(self) -> OnLines:
        """The lines that its block stands on."""
        return OnLines(stack=self.stack, turned_vp_mm=self.turned_vp_mm)

    @property
    def anchor(self) -> Point:
        return self.lines.anchor

    @property
    def rests_on(self) -> Iterable[str]:
        return self.lines.rests_on

    @property
    def turned(self) -> bool:
        return self.lines.turned

    def seen(self, view: View, name: str) -> View:
        return self.lines.seen(view, name)

    def settled(self, others: Mapping[str, Listed], view: str | None, stage: Stage) -> WordDrawnOn:
        there = self.lines.settled(others, view, stage)
        other: Run = "left" if self.run == "right" else "right"
        return WordDrawnOn(
            edge=there.edge,
            run=self.run,
            length=there.cut(self.run),
            thickness=there.cut(other),
            turned_vp_mm=self.turned_vp_mm,
            base=there.base,
        )

    def grips(self, stage: Stage) -> list[Grip]:
        """None: what stands on the lines of another is moved with it."""
        return []
