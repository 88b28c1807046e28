"""A figure as a small picture: one path for each pen, and nothing that is smaller than a pixel."""

from __future__ import annotations

import math
from collections.abc import Iterable
from xml.sax.saxutils import escape

from orthopsis.handout.figure import PAPER, Figure, Pen
from orthopsis.perspective.segments import XY

WIDTH_PX = 392
"""As wide as a cover on the shelf, on a screen with two pixels to each."""

LEAST_PX = 0.8
CHORD_PX = 2.5
"""On a curve that can be seen at all, a chord of this length lies within a tenth of a pixel."""


def to_thumbnail(figure: Figure) -> str:
    """The figure without words, names and what nobody could see at that size."""
    scale = WIDTH_PX / figure.width_mm
    height_px = round(figure.height_mm * scale)
    lines = [
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {WIDTH_PX} {height_px}" '
        f'fill="none" stroke-linecap="round"><title>{escape(figure.title)}</title>'
        f'<path fill="{PAPER}" d="M0 0H{WIDTH_PX}V{height_px}H0Z"/>'
    ]
    for fill in figure.fills:
        way = "".join(f"{_run(loop, scale, 0.0)}Z" for loop in fill.loops)
        # The line closes the seam between two planes of one tone.
        tone = f'fill="{fill.colour}" stroke="{fill.colour}" stroke-width=".6"'
        lines.append(f'<path {tone} fill-rule="evenodd" d="{way}"/>')
    runs: dict[Pen, list[list[XY]]] = {}
    for rule in figure.rules:
        drawn = runs.setdefault(rule.pen, [])
        if drawn and drawn[-1][-1] == rule.start:
            drawn[-1].append(rule.end)
        elif math.dist(rule.start, rule.end) * scale > LEAST_PX or rule.curve is not None:
            drawn.append([rule.start, rule.end])
    for pen, drawn in runs.items():
        way = "".join(_run(places, scale, CHORD_PX) for places in drawn)
        dashes = " ".join(f"{mm * scale:.1f}" for mm in pen.dashes_mm)
        dashed = f' stroke-dasharray="{dashes}"' if dashes else ""
        width = f"{pen.width_mm * scale:.1f}"
        lines.append(f'<path stroke="{pen.colour}" stroke-width="{width}"{dashed} d="{way}"/>')
    for dot in figure.dots:
        (x, y), r = dot.at, dot.radius_mm
        lines.append(
            f'<circle cx="{x * scale:.1f}" cy="{y * scale:.1f}" r="{r * scale:.1f}" '
            f'fill="{dot.colour}"/>'
        )
    return "".join([*lines, "</svg>"])


def _run(places: Iterable[XY], scale: float, least_px: float) -> str:
    """A broken line, without places that lie closer to one another; its end stays."""
    first, *rest = ((x * scale, y * scale) for x, y in places)
    kept = [first]
    for place in rest:
        if math.dist(place, kept[-1]) > least_px:
            kept.append(place)
    if rest and kept[-1] != rest[-1]:
        kept[-1:] = [rest[-1]] if len(kept) > 1 else [first, rest[-1]]
    return "M" + "L".join(f"{x:.1f} {y:.1f}" for x, y in kept)
