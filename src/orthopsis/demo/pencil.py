"""What a pencil leaves on paper: wobble, pressure, breaks and second passes, smudges and stains."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

import cv2
import numpy as np
import segno
from numpy.typing import NDArray

from orthopsis.handout.aids import CORNER_INSET_MM, CORNER_MARK_MM
from orthopsis.perspective.segments import XY
from orthopsis.perspective.sheet import Sheet

INK_PX_PER_MM = 8.0
CODE_RIGHT_MM, CODE_TOP_MM, CODE_MM = 14.0, 4.0, 20.0

Ink = NDArray[np.float32]
"""How dark each spot of the paper is, 0 to 1, at INK_PX_PER_MM."""


@dataclass(frozen=True)
class Pencil:
    """A pencil and the hand that holds it. Darkness 0 to 1; `passes` of the pencil a line.

    `breaks` is the share of lines that have a gap where the pencil was lifted; an outline may be
    lighter than the darkest by as much as `uneven`.
    """

    outline: float = 0.78
    guide: float = 0.3
    outline_mm: float = 0.5
    guide_mm: float = 0.32
    wobble_mm: float = 0.05
    passes: int = 1
    breaks: float = 0.0
    uneven: float = 0.0


TONES = (0.0, 0.1, 0.18, 0.28)
"""How dark a plane of each value is laid on."""

HB = Pencil()
HARDER_PENCILS = (
    HB,
    Pencil(outline=0.62, guide=0.2, outline_mm=0.4, guide_mm=0.28),
    Pencil(outline=0.9, guide=0.34, outline_mm=0.9, guide_mm=0.4),  # felt pen over pencil
    Pencil(outline=0.5, guide=0.26, outline_mm=0.7, guide_mm=0.4),  # coloured pencil
    Pencil(outline=0.75, passes=2, wobble_mm=0.08),
    Pencil(outline=0.7, breaks=0.25, wobble_mm=0.07),
)


def blank(sheet: Sheet) -> Ink:
    """A clean sheet."""
    height, width = (round(side * INK_PX_PER_MM) for side in (sheet.height_mm, sheet.width_mm))
    return np.zeros((height, width), np.float32)


def rule(
    paper: Ink, start: XY, end: XY, pencil: Pencil, outline: bool, rng: np.random.Generator
) -> None:
    """One line along the ruler, perhaps in two goes or with a gap."""
    if outline and pencil.uneven:
        pencil = replace(pencil, outline=pencil.outline * (1.0 - pencil.uneven * rng.random()))
    for number in range(pencil.passes if outline else 1):
        slip = np.zeros((2, 2)) if number == 0 else rng.normal(0.0, 0.12, (2, 2))
        a, b = np.array(start) + slip[0], np.array(end) + slip[1]
        size = float(np.hypot(*(b - a)))
        parts = [(0.0, 1.0)]
        if rng.random() < pencil.breaks and size > 25.0:
            gap, at = rng.uniform(1.0, 2.5) / size, rng.uniform(0.3, 0.7)
            parts = [(0.0, at - gap / 2), (at + gap / 2, 1.0)]
        for low, high in parts:
            _pass(paper, a + low * (b - a), a + high * (b - a), pencil, outline, rng)


def _pass(
    paper: Ink,
    start: NDArray[np.float64],
    end: NDArray[np.float64],
    pencil: Pencil,
    outline: bool,
    rng: np.random.Generator,
) -> None:
    """Along the ruler: slow wobble, changing pressure, a soft edge."""
    dark = pencil.outline if outline else pencil.guide
    width_mm = pencil.outline_mm if outline else pencil.guide_mm
    size = float(np.hypot(*(end - start)))
    count = max(4, int(size / 0.5))
    t = np.linspace(0.0, 1.0, count)
    normal = np.array([-(end - start)[1], (end - start)[0]]) / max(size, 1e-6)
    phase, waves = rng.uniform(0, 2 * math.pi, 3), rng.uniform(0.5, 3.0, 3)
    wobble = sum(
        pencil.wobble_mm * np.sin(2 * math.pi * w * t * max(size, 20.0) / 120.0 + p)
        for w, p in zip(waves, phase, strict=True)
    )
    points = start + t[:, None] * (end - start) + np.asarray(wobble)[:, None] * normal
    pressure = dark * (1.0 + 0.18 * np.sin(2 * math.pi * t * rng.uniform(0.5, 2.0) + phase[0]))
    tones = np.round(np.clip(pressure, 0.0, 1.0) * 255).tolist()
    fixed = np.round(points * INK_PX_PER_MM * 16).astype(np.int32)
    thick = max(1, round(width_mm * INK_PX_PER_MM))
    margin = 6
    low = np.maximum(np.floor(points.min(0) * INK_PX_PER_MM).astype(int) - margin, 0)
    high = np.ceil(points.max(0) * INK_PX_PER_MM).astype(int) + margin
    part = paper[low[1] : high[1], low[0] : high[0]]
    if not part.size:
        return
    layer = np.zeros(part.shape, np.uint8)
    shifted = (fixed - low * 16).tolist()
    for a, b, tone in zip(shifted, shifted[1:], tones, strict=False):
        cv2.line(layer, a, b, tone, thick, cv2.LINE_AA, 4)
    soft = cv2.GaussianBlur(layer, (0, 0), 0.6).astype(np.float32) / 255.0
    np.maximum(part, soft, out=part)


def shade(paper: Ink, loops: Sequence[Sequence[XY]], value: int, rng: np.random.Generator) -> None:
    """A plane in an even tone, laid on with the side of the pencil; loops in others are holes.

    The strokes of the side of a pencil are broad and run into one another.
    """
    if value == 0:
        return
    area = _area(paper, loops)
    height, width = paper.shape
    rough = rng.normal(1.0, 0.25, (height // 24 + 1, width // 6 + 1)).astype(np.float32)
    strokes = cv2.resize(rough, (width, height), interpolation=cv2.INTER_CUBIC)
    tone = cv2.GaussianBlur(TONES[value] * strokes * area, (0, 0), 2.0)
    np.maximum(paper, tone, out=paper)


def hatch(
    paper: Ink, loops: Sequence[Sequence[XY]], pencil: Pencil, rng: np.random.Generator
) -> None:
    """A plane filled with light lines side by side, all one way, drawn by hand and not to measure.

    "The alley face is hatched one way, always" (common practice, no published source).
    """
    area = _area(paper, loops)
    places = np.array([place for loop in loops for place in loop])
    middle, reach = places.mean(0), float(np.hypot(*np.ptp(places, axis=0)))
    slope, gap = rng.uniform(0.5, 1.1) * rng.choice([-1.0, 1.0]), rng.uniform(2.2, 4.0)
    along = np.array([math.cos(slope), math.sin(slope)])
    across = np.array([-along[1], along[0]])
    layer = np.zeros_like(paper)
    for offset in np.arange(-reach / 2, reach / 2, gap):
        place = middle + (offset + rng.normal(0.0, 0.12 * gap)) * across
        way = along + rng.normal(0.0, 0.015) * across
        _pass(layer, place - reach / 2 * way, place + reach / 2 * way, pencil, False, rng)
    np.maximum(paper, layer * area, out=paper)


def _area(paper: Ink, loops: Sequence[Sequence[XY]]) -> NDArray[np.uint8]:
    """1 within the loops and 0 elsewhere; loops in others are holes."""
    area = np.zeros(paper.shape, np.uint8)
    rings = [np.round(np.array(loop) * INK_PX_PER_MM).astype(np.int32) for loop in loops]
    cv2.fillPoly(area, rings, 1)
    return area


def grained(paper: Ink, rng: np.random.Generator) -> Ink:
    """The paper's tooth breaks up what the pencil left."""
    height, width = paper.shape
    specks = rng.normal(1.0, 0.16, (height // 2 + 1, width // 2 + 1)).astype(np.float32)
    grain = cv2.resize(specks, (width, height), interpolation=cv2.INTER_LINEAR)
    return np.asarray(np.clip(paper * grain, 0.0, 0.95), dtype=np.float32)


def write_name(paper: Ink, rng: np.random.Generator) -> None:
    """A name and a class in a corner, joined up: strokes that are no ruler's lines."""
    height, width = paper.shape
    x, y = rng.uniform(0.03, 0.6) * width, rng.uniform(0.93, 0.965) * height
    layer = np.zeros_like(paper)
    for _ in range(int(rng.integers(6, 14))):
        wide, high = rng.uniform(14, 30), rng.uniform(18, 44)
        t = np.linspace(0.0, 2.0 * math.pi, 18)
        xs = x + wide * t / 6.3 + wide * 0.4 * np.sin(t * rng.uniform(0.8, 1.6))
        ys = y - high * np.abs(np.sin(t * rng.uniform(0.5, 1.2)))
        points = np.round(np.column_stack([xs, ys]) * 16).astype(np.int32)
        cv2.polylines(layer, [points.reshape(-1, 1, 2)], False, 0.6, 3, cv2.LINE_AA, 4)
        x += wide
    np.maximum(paper, layer, out=paper)


def smudge(paper: Ink, rng: np.random.Generator) -> None:
    """A wiped patch, a wet ring and a few crumbs of rubber."""
    height, width = paper.shape
    layer = np.zeros((height // 4, width // 4), np.float32)
    size = np.array([width, height]) / 4
    for _ in range(2):
        centre = tuple(int(v) for v in rng.uniform(0.1, 0.9, 2) * size)
        axes = tuple(int(v) for v in rng.uniform(25, 90, 2))
        cv2.ellipse(layer, centre, axes, float(rng.uniform(0, 180)), 0, 360, 0.06, -1)
    layer = cv2.GaussianBlur(layer, (0, 0), 10.0)
    ring = tuple(int(v) for v in rng.uniform(0.1, 0.9, 2) * size)
    cv2.circle(layer, ring, int(rng.uniform(60, 90)), 0.12, 4, cv2.LINE_AA)
    layer = cv2.GaussianBlur(layer, (0, 0), 2.0)
    for _ in range(12):
        spot = tuple(int(v) for v in rng.uniform(0.05, 0.95, 2) * size)
        cv2.ellipse(layer, spot, (3, 1), float(rng.uniform(0, 180)), 0, 360, 0.35, -1)
    np.maximum(paper, cv2.resize(layer, (width, height)), out=paper)


def print_marks(paper: Ink, sheet: Sheet, code: str | None) -> None:
    """The corner marks and the code that a starter sheet carries on request."""
    ink = 0.93

    def box(x: float, y: float, wide: float, high: float) -> None:
        x0, y0, x1, y1 = (round(v * INK_PX_PER_MM) for v in (x, y, x + wide, y + high))
        paper[y0:y1, x0:x1] = ink

    inset, mark = CORNER_INSET_MM, CORNER_MARK_MM
    for x in (inset, sheet.width_mm - inset - mark):
        for y in (inset, sheet.height_mm - inset - mark):
            box(x, y, mark, mark)
    if code is None:
        return
    rows: Sequence[Sequence[int]] = [
        list(row) for row in segno.make(code, error="m", micro=False).matrix_iter(border=2)
    ]
    cell = CODE_MM / len(rows)
    for j, row in enumerate(rows):
        for i, dark in enumerate(row):
            if dark:
                left = sheet.width_mm - CODE_RIGHT_MM - CODE_MM
                box(left + i * cell, CODE_TOP_MM + j * cell, cell, cell)
