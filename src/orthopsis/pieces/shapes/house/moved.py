"""A house as another viewer sees it: all that is measured on the sheet is measured anew."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import Any, TypeVar

from orthopsis.perspective.plane import Point
from orthopsis.perspective.vector import Vector, minus, plus, times
from orthopsis.perspective.view import View, on_paper
from orthopsis.pieces.placement.anchor import Front
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.shapes.house.chimney import Chimney
from orthopsis.pieces.shapes.house.cuts import cut_end
from orthopsis.pieces.shapes.house.dormer import (
    BACK_PEAK,
    FOOT,
    FOOT_2,
    PEAK,
    TOP,
    Dormer,
    part_way_mm,
)
from orthopsis.pieces.shapes.house.fittings import Fitting
from orthopsis.pieces.shapes.house.form import FIRST, middle, of_corners, raised
from orthopsis.pieces.shapes.house.hip import EqualEnds, Hip
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.inset import inset_depth, into_wall, measured_corner
from orthopsis.pieces.shapes.house.lettering import Lettering
from orthopsis.pieces.shapes.house.lid import ends_along_the_edge, lid_of, roofed
from orthopsis.pieces.shapes.house.on_wall import WallBlock
from orthopsis.pieces.shapes.house.panels import Panel
from orthopsis.pieces.shapes.house.planes import slope_called
from orthopsis.pieces.shapes.house.roofs import Flat, Gable, LeanTo, Roof
from orthopsis.pieces.shapes.house.setback import FOOT_UNDER, Setback
from orthopsis.pieces.shapes.house.setback_moves import OnTop
from orthopsis.pieces.shapes.house.walls import Wall
from orthopsis.pieces.shapes.house.wing import wing_of

OnWall = TypeVar("OnWall", Panel, Lettering, WallBlock)


class HouseMoved:
    """The roof and the parts of a house elsewhere: where a viewer sees it who has the other view,
    or where it stands after a `shift` in eye space.
    """

    def __init__(self, house: House, view: View, shift: Vector | None = None) -> None:
        self.house, self.view, self.stage, self.shift = house, view, house.stage, shift
        self.block = house.block_in_space
        self.roofed = roofed(house)

    def roof(self) -> Roof:
        """Its roof. Raises ExerciseError."""
        lid = lid_of(self.house)
        if lid is not None:
            there = self._setback(lid)
            hung = {"board_mm": there.height_mm, "eaves_mm": there.out_mm}
            hanging = self.house.over
            if isinstance(hanging, Gable) and there.across_mm is not None:
                both = there.out_mm, there.across_mm
                along = ends_along_the_edge(hanging, self.house)
                hung["rake_mm"], eaves_mm = both if along else both[::-1]
                hung["eaves_mm"] = eaves_mm or None
            return there.roof.model_copy(update=hung)
        roof, block = self.house.roof, self.block
        up, corners = of_corners(block), self.house.in_space
        if isinstance(roof, Flat):
            if roof.parapet_mm is None:
                return roof
            top, foot = block[1], block[2]
            long_mm = math.dist(on_paper(top), on_paper(foot))
            low = raised(foot, up, long_mm - roof.parapet_mm)
            return roof.model_copy(update={"parapet_mm": self._mm(top, low)})
        if isinstance(roof, Gable):
            p, q, _, _ = roof.foot(self.house.walls)
            over, peak = middle(block[p], block[q]), corners[FIRST]
        elif isinstance(roof, LeanTo):
            (slope,) = roof.slopes(self.house.walls)
            over = block[roof.raised_upright(self.house.walls)[0]]
            peak = corners[slope.ridge]
        else:
            assert isinstance(roof, Hip)
            over = block[1]
            peak = raised(over, up, roof.peak_mm)
        changed: dict[str, Any] = {"peak_mm": self._mm(over, peak)}
        if isinstance(roof, Hip) and isinstance(roof.ridge, EqualEnds):
            near, far = corners[FIRST], corners[FIRST + 1]
            changed["ridge"] = EqualEnds(equal_mm=self._mm(near, far) / 2.0)
        return roof.model_copy(update=changed)

    def fittings(self, fittings: Sequence[Fitting]) -> list[Fitting]:
        """Its parts. Raises ExerciseError."""
        return [self._part(one) for one in fittings]

    def _part(self, one: Fitting) -> Fitting:
        if isinstance(one, Panel):
            return self._panel(one)
        if isinstance(one, Lettering):
            return self._on_wall(one)
        if isinstance(one, WallBlock):
            return self._block(one)
        if isinstance(one, Setback):
            return self._setback(one)
        if isinstance(one, Chimney):
            return self._chimney(one)
        return self._dormer(one) if isinstance(one, Dormer) else one

    # --- on walls -----------------------------------------------------------------------------

    def _on_wall(self, one: OnWall) -> OnWall:
        """Heights on the near upright, cuts along the foot, or a front in true shape."""
        wall = self.house.walls.by_name[one.on]
        top, foot = (self.block[k] for k in wall.near_upright)
        scale = self._mm(top, foot) / math.dist(on_paper(top), on_paper(foot))
        changed: dict[str, Any] = {}
        for name in ("up_mm", "sill_mm", "height_mm"):
            value = getattr(one, name, None)
            if value is not None:
                changed[name] = value * scale
        way = minus(self.block[wall.far_upright[1]], foot)
        for name, field in (("from_", "from"), ("to", "to")):
            cut = getattr(one, name)
            if cut is not None:
                path = f"parts.{one.id}.{field}"
                end = cut_end(cut, foot, way, wall.family, self.stage, path, by_ruler=False)
                changed[name] = self._cut(cut, foot, end, wall.family)
        if one.front is not None:
            changed["front"] = self._front(one.front, foot[2])
        return one.model_copy(update=changed)

    def _panel(self, panel: Panel) -> Panel:
        there = self._on_wall(panel)
        wall = panel.wall(self.house.walls)
        top, foot = (self.block[k] for k in wall.near_upright)
        if panel.arch is not None:
            scale = self._mm(top, foot) / math.dist(on_paper(top), on_paper(foot))
            rise = panel.arch.model_copy(update={"rise_mm": panel.arch.rise_mm * scale})
            there = there.model_copy(update={"arch": rise})
        if panel.inset is None:
            return there
        return there.model_copy(update={"inset": self._inset(panel, panel.inset, wall)})

    def _inset(self, panel: Panel, inset: Cut, wall: Wall) -> Cut:
        """How deep the openings are, from the corner that it is measured from now."""
        walls, taken = self.house.walls, self.house.taken(panel)
        openings = (c for place, c in panel.corners(self.block, walls) if place not in taken)
        corners = next(openings, None)
        if corners is None:
            return inset
        field = f"parts.{panel.id}.inset"
        depth = inset_depth(inset, corners, walls, wall, field, by_ruler=False)
        if depth is None:
            return inset
        family = walls.across(wall)
        level = Point(*into_wall(walls, wall, corners[0]))
        goal = next((vp.at for vp in self.view.level_points if vp.name == family), level)
        seen = [Point(*on_paper(self._there(one))) for one in corners]
        start = measured_corner(seen, goal, self.view.eye_level_mm)
        if start is None:
            return inset
        return self._cut(inset, corners[start], plus(corners[start], depth), family)

    def _block(self, block: WallBlock) -> WallBlock:
        wall = self.house.walls.by_name[block.on]
        at = block.levelled(self.house).rectangle(self.house, self.block, wall, by_ruler=False)
        out = block.outward(self.house, wall, at.near_top)
        own = self._wing(block)
        own["out_mm"] = self._mm(at.near_top, plus(at.near_top, out))
        return self._on_wall(block).model_copy(update=own)

    def _setback(self, setback: Setback) -> Setback:
        place = OnTop(self.house, setback)
        near, beside = (self.block[k] for k in place.corners_of_top[:2])
        family, path = place.ways[0], f"parts.{setback.id}.in"
        way = minus(beside, near)
        corners = place.in_space(self.stage)
        top = place.corners_of_top[0]
        own = self._wing(setback)
        if setback.in_ is not None:
            end = cut_end(setback.in_, near, way, family, self.stage, path, by_ruler=False)
            own["in_"] = self._cut(setback.in_, near, end, family)
        else:
            out = times(way, place.share(near, way, by_ruler=False))
            own["out_mm"] = self._mm(near, plus(near, out))
        if setback.across_mm is not None:
            back = minus(self.block[place.corners_of_top[2]], near)
            share = place.hangs(near, back, place.ways[1], setback.across_mm)
            own["across_mm"] = self._mm(near, plus(near, times(back, share)))
        own["height_mm"] = self._mm(corners[top], corners[FOOT_UNDER[top]])
        return setback.model_copy(update=own)

    def _wing(self, one: WallBlock | Setback) -> dict[str, Any]:
        """The roof and the parts of what is a house by itself."""
        own = wing_of(self.house, one, self.stage)
        return moved_house(own, one.fittings, self.view, self.shift)

    # --- on slopes ----------------------------------------------------------------------------

    def _chimney(self, chimney: Chimney) -> Chimney:
        plane = slope_called(self.roofed, chimney.on, f"parts.{chimney.id}.on")
        house = self.roofed.in_space
        stands = chimney.corners(house, plane, self.stage, by_ruler=False)
        (top, foot), (_, along), (up, _) = (
            tuple(stands.places[k] for k in pair) for pair in stands[1:4]
        )
        near_eave, _, far_ridge, _ = plane.corners
        changed: dict[str, Any] = {
            "wide": self._cut(chimney.wide, foot, along, plane.along),
            "deep": self._cut(chimney.deep, top, up, plane.wall.family),
            "high_mm": self._mm(foot, top),
        }
        if chimney.from_ is not None:
            start = middle(house[near_eave], house[far_ridge])
            changed["from_"] = self._cut(chimney.from_, start, foot, plane.along)
        return chimney.model_copy(update=changed)

    def _dormer(self, dormer: Dormer) -> Dormer:
        plane = slope_called(self.roofed, dormer.on, f"parts.{dormer.id}.on")
        house = self.roofed.in_space
        at = dormer.corners(house, plane, self.stage, by_ruler=False).places
        near_eave, _, _, near_ridge = plane.corners
        eave = house[near_eave]
        start = part_way_mm(eave, house[near_ridge], dormer.rake_mm)
        assert start is not None and len(at) > BACK_PEAK
        over = plus(middle(at[FOOT], at[FOOT_2]), minus(at[TOP], at[FOOT]))
        return dormer.model_copy(
            update={
                "rake_mm": self._mm(eave, start),
                "from_": self._cut(dormer.from_, start, at[FOOT], plane.along),
                "wide": self._cut(dormer.wide, at[FOOT], at[FOOT_2], plane.along),
                "high_mm": self._mm(at[FOOT], at[TOP]),
                "peak_mm": self._mm(over, at[PEAK]),
            }
        )

    # --- measures -----------------------------------------------------------------------------

    def _there(self, place: Vector) -> Vector:
        if self.shift is not None:
            return plus(place, self.shift)
        return self.stage.view.place_seen_by(self.view, place)

    def _mm(self, one: Vector, other: Vector) -> float:
        """How far two places lie apart on the other sheet."""
        return math.dist(on_paper(self._there(one)), on_paper(self._there(other)))

    def _cut(self, cut: Cut, start: Vector, end: Vector, family: str) -> Cut:
        """The same cut, on the other sheet."""
        vp = next((one.at for one in self.view.level_points if one.name == family), None)
        if vp is None:
            return cut.model_copy(update={"along_mm": self._mm(start, end)})
        begin, place = (Point(*on_paper(self._there(one))) for one in (start, end))
        scale = start[2] / self._there(start)[2]
        return cut.moved("bottom", begin, vp, place, scale).model_copy(update={"from_": None})

    def _front(self, front: Front, depth: float) -> Front:
        """A rectangle that faces us."""
        corners = front.corners[0], front.corners[2]
        (left, top), (right, low) = (
            on_paper(self._there(times((*one.xy, 1.0), depth))) for one in corners
        )
        return Front(x_mm=left, y_mm=top, width_mm=right - left, height_mm=low - top)


def moved_house(
    house: House, fittings: Sequence[Fitting], view: View, shift: Vector | None = None
) -> dict[str, Any]:
    """The fields of a house that another viewer sees, or that stands elsewhere, but for its place.

    Raises ExerciseError.
    """
    moved = HouseMoved(house, view, shift)
    return {"roof": moved.roof(), "fittings": moved.fittings(fittings)}
