"""A pupil with a pencil: which lines are drawn, where they really go, and how they look."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

import cv2
import numpy as np
from numpy.typing import NDArray

from orthopsis.exercise.resolve import Scene, steps
from orthopsis.exercise.state import lines_after
from orthopsis.perspective.plane import Point, direction
from orthopsis.perspective.segments import XY, length
from orthopsis.perspective.stroke import Role, Stroke
from orthopsis.perspective.view import FREE, HORIZONTAL, VERTICAL

MISTAKES = ("lean", "high-vp", "stray", "wrong-vp")
INK_PX_PER_MM = 8.0
HIGH_VP_MM = 14.0
LEAN_DEG = 2.6


@dataclass(frozen=True)
class Drawn:
    """A line as the pupil drew it, beside the line that was meant."""

    meant: Stroke
    start: XY
    end: XY
    mistake: str | None = None


def drawn_lines(
    scene: Scene, mistakes: Sequence[str], rng: np.random.Generator, step: int | None = None
) -> list[Drawn]:
    """The lines of a finished sheet (or one at a step), with an unsteady hand's small errors."""
    made = steps(scene)
    lines = [Drawn(d.stroke, *d.stroke.segment) for d, _ in lines_after(made, step or len(made))]
    if step is None:
        # Guide lines and the eye level were rubbed out, but a light trace of most is left.
        lines = [
            Drawn(d.stroke, *d.stroke.segment)
            for made_step in made
            for d in made_step.strokes
            if d.fate == "keep" or rng.random() < 0.85
        ]
    for mistake in mistakes:
        lines = _with_mistake(scene, lines, mistake, rng)
    return [_by_hand(line, rng) for line in lines]


def ink(scene: Scene, lines: Sequence[Drawn], rng: np.random.Generator) -> NDArray[np.float32]:
    """How dark the pencil made each spot, 0 to 1, at 8 pixels a millimetre."""
    height = round(scene.sheet.height_mm * INK_PX_PER_MM)
    width = round(scene.sheet.width_mm * INK_PX_PER_MM)
    sheet = np.zeros((height, width), np.float32)
    for line in lines:
        outline = line.meant.role is Role.OUTLINE
        _pencil(sheet, line, 0.78 if outline else 0.3, 0.5 if outline else 0.32, rng)
    specks = rng.normal(1.0, 0.16, (height // 2 + 1, width // 2 + 1)).astype(np.float32)
    grain = cv2.resize(specks, (width, height), interpolation=cv2.INTER_LINEAR)
    return np.asarray(np.clip(sheet * grain, 0.0, 0.95), dtype=np.float32)


def _by_hand(line: Drawn, rng: np.random.Generator) -> Drawn:
    """The ruler slips a little; the pencil stops a little early or late."""
    (x0, y0), (x1, y1) = line.start, line.end
    size = max(length((line.start, line.end)), 1e-6)
    ux, uy = (x1 - x0) / size, (y1 - y0) / size
    slips = rng.normal(0.0, min(0.22, 0.0035 * size), 2)
    ends = rng.normal(0.0, 0.35, 2)
    start = x0 - uy * slips[0] + ux * ends[0], y0 + ux * slips[0] + uy * ends[0]
    end = x1 - uy * slips[1] + ux * ends[1], y1 + ux * slips[1] + uy * ends[1]
    return replace(line, start=start, end=end)


def _pencil(
    sheet: NDArray[np.float32],
    line: Drawn,
    dark: float,
    width_mm: float,
    rng: np.random.Generator,
) -> None:
    """Along the ruler: slow wobble, changing pressure, a soft edge."""
    size = length((line.start, line.end))
    count = max(4, int(size / 0.5))
    t = np.linspace(0.0, 1.0, count)
    start, end = np.array(line.start), np.array(line.end)
    normal = np.array([-(end - start)[1], (end - start)[0]]) / max(size, 1e-6)
    phase, waves = rng.uniform(0, 2 * math.pi, 3), rng.uniform(0.5, 3.0, 3)
    wobble = sum(
        0.05 * np.sin(2 * math.pi * w * t * max(size, 20.0) / 120.0 + p)
        for w, p in zip(waves, phase, strict=True)
    )
    points = start + t[:, None] * (end - start) + np.asarray(wobble)[:, None] * normal
    pressure = dark * (1.0 + 0.18 * np.sin(2 * math.pi * t * rng.uniform(0.5, 2.0) + phase[0]))
    fixed = np.round(points * INK_PX_PER_MM * 16).astype(np.int32)
    thick = max(1, round(width_mm * INK_PX_PER_MM))
    margin = 6
    low = np.maximum(np.floor(points.min(0) * INK_PX_PER_MM).astype(int) - margin, 0)
    high = np.ceil(points.max(0) * INK_PX_PER_MM).astype(int) + margin
    part = sheet[low[1] : high[1], low[0] : high[0]]
    if not part.size:
        return
    layer = np.zeros(part.shape, np.uint8)
    shifted = fixed - low * 16
    for i in range(count - 1):
        value = int(np.clip(pressure[i], 0.0, 1.0) * 255)
        a, b = tuple(map(int, shifted[i])), tuple(map(int, shifted[i + 1]))
        cv2.line(layer, a, b, value, thick, cv2.LINE_AA, 4)
    soft = cv2.GaussianBlur(layer, (0, 0), 0.6).astype(np.float32) / 255.0
    np.maximum(part, soft, out=part)


def _with_mistake(
    scene: Scene, lines: list[Drawn], mistake: str, rng: np.random.Generator
) -> list[Drawn]:
    if mistake == "high-vp":
        vp = scene.vanishing_points[-1]
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
        return [*lines, Drawn(Stroke(start, end, FREE, Role.OUTLINE, None), start, end, mistake)]
    choice = _chosen(lines, VERTICAL if mistake == "lean" else None, rng)
    if choice is None:
        return lines
    line = lines[choice]
    if mistake == "lean":
        changed = _turned(line, LEAN_DEG * float(rng.choice([-1, 1])), mistake)
    else:
        wrong = _wrong_point(scene, line)
        changed = _aimed_at(line, wrong, mistake)
    return [*lines[:choice], changed, *lines[choice + 1 :]]


def _wrong_point(scene: Scene, line: Drawn) -> Point:
    """The sheet's other point where it has one, otherwise the end of the eye level."""
    others = [vp.at for vp in scene.vanishing_points if vp.name != line.meant.family]
    if others:
        return others[0]
    home = scene.vanishing_points[0].at
    return Point(home.x + 40.0 * (1 if home.x < scene.sheet.width_mm / 2 else -1), home.y)


def _chosen(lines: Sequence[Drawn], family: str | None, rng: np.random.Generator) -> int | None:
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


def _aimed_at(line: Drawn, goal: Point, mistake: str) -> Drawn:
    """The line from its own front end, aimed at another point."""
    near = max((line.start, line.end), key=lambda end: math.dist(end, goal.xy))
    far = line.end if near == line.start else line.start
    dx, dy = direction(Point(*near), goal)
    size = math.dist(near, far)
    return replace(
        line, start=near, end=(near[0] + dx * size, near[1] + dy * size), mistake=mistake
    )


def _turned(line: Drawn, by_deg: float, mistake: str) -> Drawn:
    (x0, y0), (x1, y1) = line.start, line.end
    c, s = math.cos(math.radians(by_deg)), math.sin(math.radians(by_deg))
    dx, dy = x1 - x0, y1 - y0
    return replace(line, end=(x0 + c * dx - s * dy, y0 + s * dx + c * dy), mistake=mistake)
