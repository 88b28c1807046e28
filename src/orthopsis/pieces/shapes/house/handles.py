"""What of a house can be taken hold of on the sheet: its peak, and what lies in its walls."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from orthopsis.perspective.plane import Point, part_way
from orthopsis.perspective.vector import Vector, minus, plus, times
from orthopsis.perspective.view import on_paper
from orthopsis.pieces.base import Grip
from orthopsis.pieces.placement.depth import Cut
from orthopsis.pieces.shapes.house.fittings import Fitting
from orthopsis.pieces.shapes.house.form import FIRST, middle, of_corners, raised
from orthopsis.pieces.shapes.house.hip import Hip
from orthopsis.pieces.shapes.house.house import House
from orthopsis.pieces.shapes.house.lid import ends_along_the_edge, lid_of, roofed
from orthopsis.pieces.shapes.house.on_wall import WallBlock
from orthopsis.pieces.shapes.house.on_wall_moves import OnWall
from orthopsis.pieces.shapes.house.panels import Panel
from orthopsis.pieces.shapes.house.roofs import Gable, LeanTo
from orthopsis.pieces.shapes.house.setback import FOOT_UNDER, Setback
from orthopsis.pieces.shapes.house.setback_moves import OnTop
from orthopsis.pieces.shapes.house.walls import AROUND, Wall, opposite
from orthopsis.pieces.shapes.house.wing import wing_of

MOST_STOPS = 12
"""So many storeys or bays a hand can set; more are typed."""
FAR = 20.0
"""A way that ends nowhere is so many times as long as what is measured on it now."""


def house_handles(house: House, fittings: Sequence[Fitting], path: str = "") -> Iterator[Grip]:
    """The grips of a house; `path` leads to it in its piece, with a dot at its end.

    Raises ExerciseError.
    """
    yield from _peak(roofed(house), path)
    lid = lid_of(house)
    if lid is not None:
        ways = "eaves_mm", "rake_mm"
        if isinstance(house.over, Gable) and ends_along_the_edge(house.over, house):
            ways = ways[::-1] if lid.across_mm is not None else ways
        yield from _out(house, lid, f"{path}roof", ways)
    for number, one in enumerate(fittings):
        if isinstance(one, Setback):
            yield from _setback(house, one, f"{path}parts.{number}")
        if not isinstance(one, Panel | WallBlock) or one.on not in house.walls.by_name:
            continue
        wall = house.walls.by_name[one.on]
        if not house.faces_us(AROUND.index(wall.corners)):
            continue
        here = f"{path}parts.{number}"
        if one.front is not None:
            at = Point(one.front.x_mm, one.front.y_mm)
            yield Grip(f"{here}.front", "x_mm", at, at, at, label="grip-place")
        yield from _cuts(house, wall, one, here)
        if isinstance(one, WallBlock):
            yield from _block(house, one, here)
        if isinstance(one, Panel) and one.front is None:
            yield from _heights(house, wall, one, here)
            yield from _bays(house, wall, one, here)


def _block(house: House, block: WallBlock, here: str) -> Iterator[Grip]:
    """How high it is and how far it stands out, and all of the house that it is."""
    own, place = wing_of(house, block, house.stage), OnWall(house, block.levelled(house))
    places = [_at(one) for one in own.on_paper]
    behind, out = place.numbers.behind.near_top, place.numbers.out.near_top
    yield _length(here, "out_mm", places[behind], places[out], "grip-out")
    if block.height_mm is not None:
        foot, rise = house.on_paper[place.wall.near_upright[1]], of_corners(house.on_paper)
        low, high = (
            _at(raised(foot, rise, mm)) for mm in (block.up_mm, block.up_mm + block.tall_mm)
        )
        yield _length(here, "height_mm", low, high, "grip-top")
    yield from house_handles(own, block.fittings, f"{here}.")


def _setback(house: House, setback: Setback, here: str) -> Iterator[Grip]:
    """How far it is set in and how high it is, and all of the house that it is."""
    own, place = wing_of(house, setback, house.stage), OnTop(house, setback)
    top = place.corners_of_top[0]
    start = _at(house.on_paper[top])
    inward = minus(house.on_paper[place.corners_of_top[1]], house.on_paper[top])
    way = next((vp.at for vp in house.stage.view.level_points if vp.name == place.ways[0]), None)
    level = Point(inward[0], 0.0, 0.0)
    cut = setback.in_
    if cut is None:
        yield from _out(house, setback, here, ("out_mm", "across_mm"))
    elif way is None:
        end = Point(start.x + (cut.along_mm or 0.0), start.y)
        yield _length(f"{here}.in", "along_mm", start, end, "grip-inset")
    else:
        at = cut.place_on_paper(start, way, house.stage.view, level)
        yield Grip(f"{here}.in", cut.way, start, way, at, label="grip-inset")
    places = [_at(one) for one in own.on_paper]
    yield _length(here, "height_mm", places[FOOT_UNDER[top]], places[top], "grip-top")
    yield from house_handles(own, setback.fittings, f"{here}.")


def _out(house: House, lid: Setback, here: str, ways: tuple[str, str]) -> Iterator[Grip]:
    """How far a roof hangs over its walls."""
    place = OnTop(house, lid)
    near, beside, other = (house.on_paper[k] for k in place.corners_of_top[:3])
    edges = [(ways[0], minus(beside, near), place.ways[0], lid.out_mm)]
    edges.append((ways[1], minus(other, near), place.ways[1], lid.across_mm))
    for way, edge, family, out_mm in edges:
        if out_mm is not None:
            beyond = plus(near, times(edge, place.hangs(near, edge, family, out_mm)))
            yield _length(here, way, _at(near), _at(beyond), "grip-overhang")


def _at(place: Vector) -> Point:
    return Point(*on_paper(place))


def _length(field: str, way: str, start: Point, at: Point, label: str) -> Grip:
    """Of a length that goes on the way from its start."""
    return Grip(field, way, start, part_way(start, at, FAR), at, label=label)


def _peak(house: House, path: str) -> Iterator[Grip]:
    roof, corners, field = house.roof, house.on_paper, f"{path}roof"
    if isinstance(roof, Gable):
        p, q, _, _ = roof.foot(house.walls)
        over, peak = middle(corners[p], corners[q]), corners[FIRST]
    elif isinstance(roof, LeanTo):
        (slope,) = roof.slopes(house.walls)
        q1, p1, _, _ = opposite(roof.foot(house.walls))
        over, peak = corners[q1 if slope.ridge == FIRST else p1], corners[slope.ridge]
    elif isinstance(roof, Hip):
        over = corners[1]
        peak = raised(over, of_corners(corners), roof.peak_mm)
    else:
        return
    yield _length(field, "peak_mm", _at(over), _at(peak), "grip-peak")


def _cuts(house: House, wall: Wall, one: Panel | WallBlock, here: str) -> Iterator[Grip]:
    """Where it begins and ends along the wall's foot."""
    goal = house.walls.point(wall)
    foot = _at(house.on_paper[wall.near_upright[1]])
    inward = minus(house.on_paper[wall.far_upright[1]], house.on_paper[wall.near_upright[1]])
    for name, cut in (("from", one.from_), ("to", one.to)):
        if isinstance(cut, Cut) and goal is not None:
            way = Point(inward[0], 0.0, 0.0)
            at = cut.place_on_paper(foot, goal.at, house.stage.view, way)
            yield Grip(f"{here}.{name}", cut.way, foot, goal.at, at, label=f"grip-{name}")


def _heights(house: House, wall: Wall, panel: Panel, here: str) -> Iterator[Grip]:
    """How many storeys, and how high the openings are, on the near upright."""
    top, foot = (house.on_paper[k] for k in wall.near_upright)
    up = minus(top, foot)
    if panel.storeys is not None:
        stops = [
            (_at(plus(foot, times(up, 1.0 / count))), count) for count in range(1, MOST_STOPS + 1)
        ]
        at = _at(plus(foot, times(up, 1.0 / panel.storeys)))
        yield Grip(here, "storeys", _at(foot), _at(top), at, stops, label="grip-storeys")
    low, high = panel.rows(_long_mm(house, wall))[0]
    rise = of_corners(house.on_paper)
    start, end = _at(raised(foot, rise, low)), _at(raised(foot, rise, high))
    yield _length(here, "height_mm", start, end, "grip-height")


def _long_mm(house: House, wall: Wall) -> float:
    (ax, ay), (bx, by) = (on_paper(house.on_paper[k]) for k in wall.near_upright)
    return float(((ax - bx) ** 2 + (ay - by) ** 2) ** 0.5)


def _bays(house: House, wall: Wall, panel: Panel, here: str) -> Iterator[Grip]:
    """How many bays: where the first of them ends on the wall's foot."""
    if panel.bays is None:
        return
    begin, end = panel.stretch(house.on_paper, house.walls)
    along = minus(end, begin)
    stops = [
        (_at(plus(begin, times(along, 1.0 / count))), count) for count in range(1, MOST_STOPS + 1)
    ]
    at = _at(plus(begin, times(along, 1.0 / panel.bays.count)))
    field = f"{here}.bays"
    yield Grip(field, "count", _at(begin), _at(end), at, stops, label="grip-bays")
