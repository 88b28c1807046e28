"""A pupil: which lines are drawn, and where they really go."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from orthopsis.demo.pencil import HB, Ink, Pencil, blank, grained, rule
from orthopsis.exercise.resolve import Scene, picture
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.state import lines_after
from orthopsis.perspective.plane import Point, direction
from orthopsis.perspective.segments import XY, Segment, at, distance_to_segment, length
from orthopsis.perspective.stroke import Role, Stroke
from orthopsis.perspective.view import FREE, HORIZONTAL, VERTICAL

MISTAKES = (
    "lean", "high-vp", "stray", "wrong-vp", "missing", "overshoot", "gape", "unerased",
    "on-level", "through",
)  # fmt: skip
"""What pupils do wrong; the last two in streets alone: an upright that stops on the eye level, and
an edge drawn on behind a neighbour.
"""
ENDS_OFF_MM = 4.0
FAR_FROM_LEVEL_MM = 15.0
HIGH_VP_MM = 14.0
LEAN_DEG = 2.6


@dataclass(frozen=True)
class PupilLine:
    """A line as the pupil drew it, beside the line that was meant."""

    meant: Stroke
    start: XY
    end: XY
    mistake: str | None = None


def drawn_lines(
    scene: Scene, mistakes: Sequence[str], rng: np.random.Generator, step: int | None = None
) -> list[PupilLine]:
    """The lines of a finished sheet (or one at a step), with an unsteady hand's small errors."""
    made = run_through(scene)
    lines = [
        PupilLine(d.stroke, *d.stroke.segment) for d, _ in lines_after(made, step or len(made))
    ]
    if step is None:
        # Guide lines and the eye level were rubbed out, but a light trace of most is left.
        lines = [
            PupilLine(d.stroke, *d.stroke.segment)
            for made_step in made
            for d in made_step.strokes
            if d.fate == "keep" or rng.random() < 0.85
        ]
    for mistake in mistakes:
        lines = _with_mistake(scene, lines, mistake, rng)
    return [_by_hand(line, rng) for line in lines]


def to_its_point(line: PupilLine, scene: Scene) -> PupilLine:
    """A guide line drawn on to its point, as far as the sheet goes; others as they are."""
    goal = next((vp.at for vp in scene.vanishing_points if vp.name == line.meant.family), None)
    if line.meant.role is not Role.GUIDE or goal is None or goal.at_infinity or line.mistake:
        return line
    near = max((line.start, line.end), key=lambda end: math.dist(end, goal.xy))
    on_sheet = scene.sheet.clip((near, goal.xy))
    return (
        line
        if on_sheet is None
        else replace(line, start=near, end=at((near, goal.xy), on_sheet[1]))
    )


def ink(
    scene: Scene, lines: Sequence[PupilLine], rng: np.random.Generator, pencil: Pencil = HB
) -> Ink:
    """How dark the pencil made each spot, 0 to 1."""
    paper = blank(scene.sheet)
    for line in lines:
        outline = line.meant.role is Role.OUTLINE or line.mistake == "unerased"
        rule(paper, line.start, line.end, pencil, outline, rng)
    return grained(paper, rng)


def _by_hand(line: PupilLine, rng: np.random.Generator) -> PupilLine:
    """The ruler slips a little; the pencil stops a little early or late."""
    (x0, y0), (x1, y1) = line.start, line.end
    size = max(length((line.start, line.end)), 1e-6)
    ux, uy = (x1 - x0) / size, (y1 - y0) / size
    slips = rng.normal(0.0, min(0.22, 0.0035 * size), 2)
    ends = rng.normal(0.0, 0.35, 2)
    start = x0 - uy * slips[0] + ux * ends[0], y0 + ux * slips[0] + uy * ends[0]
    end = x1 - uy * slips[1] + ux * ends[1], y1 + ux * slips[1] + uy * ends[1]
    return replace(line, start=start, end=end)


def _with_mistake(
    scene: Scene, lines: list[PupilLine], mistake: str, rng: np.random.Generator
) -> list[PupilLine]:
    if mistake == "high-vp":
        # Moved along its own lines, a third point would spoil none of them.
        third = scene.main.uprights.name
        vp = [one for one in scene.vanishing_points if one.name != third][-1]
        moved = Point(vp.at.x, vp.at.y - HIGH_VP_MM)
        return [
            _aimed_at(line, moved, mistake) if line.meant.family == vp.name else line
            for line in lines
        ]
    if mistake == "stray":
        width, height = scene.sheet.width_mm, scene.sheet.height_mm
        start = rng.uniform(0.1, 0.5) * width, rng.uniform(0.08, 0.2) * height
        angle = math.radians(rng.uniform(25, 40))
        end = start[0] + 45 * math.cos(angle), start[1] + 45 * math.sin(angle)
        return [
            *lines,
            PupilLine(Stroke(start, end, FREE, Role.OUTLINE, None), start, end, mistake),
        ]
    if mistake == "on-level":
        return _on_level(lines, scene.main.eye_level_mm, rng)
    if mistake == "through":
        return [*lines, *_through(scene, rng)]
    if mistake == "unerased":
        return [
            replace(line, mistake=mistake) if line.meant.role is Role.GUIDE else line
            for line in lines
        ]
    choice = _chosen(lines, VERTICAL if mistake == "lean" else None, rng)
    if choice is None:
        return lines
    line = lines[choice]
    if mistake == "missing":
        return [other for other in lines if not _lies_on(other, line)]
    if mistake == "lean":
        changed = _turned(line, LEAN_DEG * float(rng.choice([-1, 1])), mistake)
    elif mistake in ("overshoot", "gape"):
        changed = _longer(line, ENDS_OFF_MM if mistake == "overshoot" else -ENDS_OFF_MM, mistake)
    else:
        wrong = _wrong_point(scene, line)
        changed = _aimed_at(line, wrong, mistake)
    return [*lines[:choice], changed, *lines[choice + 1 :]]


def _on_level(
    lines: Sequence[PupilLine], level_mm: float, rng: np.random.Generator
) -> list[PupilLine]:
    """An upright that should stand on the ground well below the eye level, ended on that."""
    fitting = [
        k
        for k, line in enumerate(lines)
        if line.meant.role is Role.OUTLINE and line.meant.family == VERTICAL
        and min(y for _, y in line.meant.segment) < level_mm - FAR_FROM_LEVEL_MM
        and max(y for _, y in line.meant.segment) > level_mm + FAR_FROM_LEVEL_MM
    ]  # fmt: skip
    found = list(lines)
    if fitting:
        k = int(rng.choice(fitting))
        x, top = min(lines[k].meant.segment, key=lambda end: end[1])
        found[k] = replace(lines[k], start=(x, top), end=(x, level_mm), mistake="on-level")
    return found


def _through(scene: Scene, rng: np.random.Generator) -> list[PupilLine]:
    """An edge that nearer things hide, drawn all the same."""
    drawn = picture(scene)
    shown = [line.segment for line in drawn if line.role is Role.OUTLINE]
    hidden = [
        line for line in drawn
        if line.role is Role.HIDDEN and line.curve is None and length(line.segment) > 25.0
        and not any(_beside(line.segment, other) for other in shown)
    ]  # fmt: skip
    if not hidden:
        return []
    line = hidden[int(rng.integers(len(hidden)))]._replace(role=Role.OUTLINE)
    return [PupilLine(line, *line.segment, "through")]


def _beside(one: Segment, other: Segment) -> bool:
    """Whether a line lies so closely along another that nobody could tell them apart."""
    return distance_to_segment(at(one, 0.5), other) < 3.0


def _wrong_point(scene: Scene, line: PupilLine) -> Point:
    """The sheet's other point where it has one, otherwise the end of the eye level."""
    others = [vp.at for vp in scene.vanishing_points if vp.name != line.meant.family]
    if others:
        return others[0]
    home = scene.vanishing_points[0].at
    return Point(home.x + 40.0 * (1 if home.x < scene.sheet.width_mm / 2 else -1), home.y)


def _chosen(lines: Sequence[PupilLine], family: str | None, rng: np.random.Generator) -> int | None:
    """A long outline of the family; without one, any line to a vanishing point."""
    fitting = [
        i
        for i, line in enumerate(lines)
        if line.meant.role is Role.OUTLINE
        and length((line.start, line.end)) > 18.0
        and (
            line.meant.family == family
            if family
            else line.meant.family not in (VERTICAL, HORIZONTAL, FREE)
        )
    ]
    return int(rng.choice(fitting)) if fitting else None


def _aimed_at(line: PupilLine, goal: Point, mistake: str) -> PupilLine:
    """The line from its own front end, aimed at another point."""
    near = max((line.start, line.end), key=lambda end: math.dist(end, goal.xy))
    far = line.end if near == line.start else line.start
    dx, dy = direction(Point(*near), goal)
    size = math.dist(near, far)
    return replace(
        line, start=near, end=(near[0] + dx * size, near[1] + dy * size), mistake=mistake
    )


def _longer(line: PupilLine, by_mm: float, mistake: str) -> PupilLine:
    """The line past its end, or short of it."""
    (x0, y0), (x1, y1) = line.start, line.end
    share = by_mm / math.dist(line.start, line.end)
    return replace(line, end=(x1 + share * (x1 - x0), y1 + share * (y1 - y0)), mistake=mistake)


def _lies_on(line: PupilLine, other: PupilLine) -> bool:
    """Whether a line is the other or a light line under it."""
    return all(distance_to_segment(end, other.meant.segment) < 0.5 for end in line.meant.segment)


def _turned(line: PupilLine, by_deg: float, mistake: str) -> PupilLine:
    (x0, y0), (x1, y1) = line.start, line.end
    c, s = math.cos(math.radians(by_deg)), math.sin(math.radians(by_deg))
    dx, dy = x1 - x0, y1 - y0
    return replace(line, end=(x0 + c * dx - s * dy, y0 + s * dx + c * dy), mistake=mistake)
