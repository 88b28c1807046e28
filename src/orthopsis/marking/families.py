"""Giving each pencil line to its family: by the exercise's own lines, else by the geometry."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from orthopsis.exercise.resolve import Scene, picture
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.state import lines_after
from orthopsis.marking.find_strokes import FoundStroke
from orthopsis.perspective.plane import LEVEL, UPRIGHT, Point, direction
from orthopsis.perspective.segments import XY, distance_to_segment
from orthopsis.perspective.stroke import Role, Stroke
from orthopsis.perspective.view import FREE, HORIZONTAL, VERTICAL

NEAR_MM = 4.0
NEAR_DEG = 6.0
WRONG_DEG = 35.0
BY_GEOMETRY_DEG = 2.0
LEVEL_GOALS = {VERTICAL: UPRIGHT, HORIZONTAL: LEVEL}


@dataclass(frozen=True)
class Expected:
    """A line the exercise asks for; the eye level is expected without a piece."""

    stroke: Stroke

    @property
    def outline(self) -> bool:
        return self.stroke.role is Role.OUTLINE


@dataclass(frozen=True)
class Assigned:
    """A pencil line with its family; `expected` is the exercise's line it was taken for."""

    found: FoundStroke
    family: str
    expected: Expected | None = None
    wrong_way: bool = False
    """It starts where its line starts and then goes another way."""


def expected_lines(scene: Scene, step: int | None) -> list[Expected]:
    """What should be on the sheet: the finished drawing with its light lines, or a step's state.

    Curves are drawn by hand and not judged as lines.
    """
    made = run_through(scene)
    if step is not None:
        strokes = [drawn.stroke for drawn, _ in lines_after(made, step)]
    else:
        strokes = [stroke for stroke in picture(scene) if stroke.role is Role.OUTLINE]
        strokes += [d.stroke for s in made for d in s.strokes if d.fate != "keep"]
    return [Expected(stroke) for stroke in strokes if stroke.curve is None]


def without_curves(found: Sequence[FoundStroke], scene: Scene) -> list[FoundStroke]:
    """The found lines that are not parts of the exercise's curves."""
    chords = [stroke.segment for stroke in picture(scene) if stroke.curve is not None]
    if not chords:
        return list(found)

    def on_curve(stroke: FoundStroke) -> bool:
        (x0, y0), (x1, y1) = stroke.start, stroke.end
        places = (stroke.start, ((x0 + x1) / 2, (y0 + y1) / 2), stroke.end)
        return all(
            min(distance_to_segment(place, chord) for chord in chords) <= NEAR_MM
            for place in places
        )

    return [stroke for stroke in found if not on_curve(stroke)]


def assign(
    found: Sequence[FoundStroke], expected: Sequence[Expected], scene: Scene
) -> list[Assigned]:
    """One family for each line; a line that belongs to none is `free`."""
    goals = family_goals(scene)
    result = [_by_place(stroke, expected) for stroke in found]
    taken = {id(a.expected) for a in result if a.expected is not None}
    missing = [e for e in expected if e.outline and id(e) not in taken]
    for i, assigned in enumerate(result):
        if assigned.expected is None:
            result[i] = _by_start(assigned.found, missing) or _by_geometry(assigned.found, goals)
            missing = [line for line in missing if line is not result[i].expected]
    return result


def family_goals(scene: Scene) -> dict[str, Point]:
    """Where the lines of each family should lead."""
    goals = {vp.name: vp.at for vp in scene.vanishing_points}
    return {**goals, **LEVEL_GOALS}


def support(assigned: Sequence[Assigned], expected: Sequence[Expected]) -> float:
    """The share of expected outlines that were found in their place, 0 to 1."""
    outlines = [e for e in expected if e.outline]
    found = {id(a.expected) for a in assigned if a.expected is not None and not a.wrong_way}
    return sum(id(e) in found for e in outlines) / max(1, len(outlines))


def turn_deg(start: XY, end: XY, goal: Point) -> float:
    """The angle between a line and the true line through its middle to `goal`, 0 to 90."""
    return abs(signed_turn_deg(start, end, goal))


def signed_turn_deg(start: XY, end: XY, goal: Point) -> float:
    """The same with its sign, positive clockwise on the sheet, −90 to 90."""
    middle = Point((start[0] + end[0]) / 2, (start[1] + end[1]) / 2)
    gx, gy = direction(middle, goal)
    dx, dy = end[0] - start[0], end[1] - start[1]
    turn = math.degrees(math.atan2(gx * dy - gy * dx, gx * dx + gy * dy))
    return (turn + 90.0) % 180.0 - 90.0


def _by_place(stroke: FoundStroke, expected: Sequence[Expected]) -> Assigned:
    """The expected line that lies nearest in place and direction, when one lies near enough."""
    best, least = None, math.inf
    for line in expected:
        off, turn, overlap = _beside(stroke, line.stroke)
        if off > NEAR_MM or turn > NEAR_DEG or overlap < 0.4:
            continue
        tone = 0.0 if line.outline == stroke.dark else 0.6
        cost = off / 2.0 + turn / 1.5 + tone
        if cost < least:
            best, least = line, cost
    if best is None:
        return Assigned(stroke, FREE)
    return Assigned(stroke, best.stroke.family, best)


def _by_start(stroke: FoundStroke, missing: Sequence[Expected]) -> Assigned | None:
    """A missing edge that begins where this line begins, and is about as long."""
    if not stroke.dark:
        return None
    best, least = None, math.inf
    for line in missing:
        size = math.dist(*line.stroke.segment)
        if not 0.5 < stroke.length_mm / max(size, 1e-9) < 2.0:
            continue
        gap = min(math.dist(a, b) for a in (stroke.start, stroke.end) for b in line.stroke.segment)
        dx, dy = (
            line.stroke.end[0] - line.stroke.start[0],
            line.stroke.end[1] - line.stroke.start[1],
        )
        turn = turn_deg(stroke.start, stroke.end, Point(dx, dy, 0.0))
        if gap < NEAR_MM and turn < WRONG_DEG and gap + turn / 4 < least:
            best, least = line, gap + turn / 4
    if best is None:
        return None
    return Assigned(stroke, best.stroke.family, best, wrong_way=True)


def _by_geometry(stroke: FoundStroke, goals: dict[str, Point]) -> Assigned:
    """The one family whose true line runs the same way; none when two do, or none does."""
    fitting = [
        name
        for name, goal in goals.items()
        if turn_deg(stroke.start, stroke.end, goal) < BY_GEOMETRY_DEG + stroke.angle_sd_deg
    ]
    return Assigned(stroke, fitting[0] if len(fitting) == 1 else FREE)


def _beside(stroke: FoundStroke, line: Stroke) -> tuple[float, float, float]:
    """Distance at the stroke's middle (mm), angle (deg), and the share of it beside the line."""
    (ax, ay), (bx, by) = line.start, line.end
    size = math.dist(line.start, line.end)
    if size < 1e-6:
        return math.inf, math.inf, 0.0
    ux, uy = (bx - ax) / size, (by - ay) / size
    mx, my = stroke.middle
    off = abs((mx - ax) * uy - (my - ay) * ux)
    turn = turn_deg(stroke.start, stroke.end, Point(ux, uy, 0.0))
    t = sorted((x - ax) * ux + (y - ay) * uy for x, y in (stroke.start, stroke.end))
    overlap = min(t[1], size) - max(t[0], 0.0)
    return off, turn, overlap / stroke.length_mm
