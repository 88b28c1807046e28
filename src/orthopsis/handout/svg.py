"""A figure as SVG in real millimetres: one group per family and role, named for screen readers."""

from __future__ import annotations

from itertools import groupby
from xml.sax.saxutils import escape, quoteattr

from orthopsis.handout.figure import PAPER, Dot, Figure, Fill, Pen, Rule

FONT = "Atkinson Hyperlegible Next, sans-serif"


def to_svg(figure: Figure) -> str:
    """The figure as one SVG document; 1 user unit is 1 mm."""
    width, height = _n(figure.width_mm), _n(figure.height_mm)
    lines = [
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{width}mm" height="{height}mm" '
        f'viewBox="0 0 {width} {height}" role="img">',
        f"<title>{escape(figure.title)}</title>",
    ]
    if figure.paper:
        lines.append(f'<rect width="{width}" height="{height}" fill="{PAPER}"/>')
    lines += [_fill(fill) for fill in figure.fills]
    ordered = sorted(figure.rules, key=lambda rule: rule.group)
    for group, rules in groupby(ordered, key=lambda rule: rule.group):
        lines.append(f'<g aria-label={quoteattr(group)} fill="none" stroke-linecap="round">')
        for curve, parts in groupby(rules, key=lambda rule: rule.curve):
            together = list(parts)
            lines += [_line(rule) for rule in together] if curve is None else [_curve(together)]
        lines.append("</g>")
    lines += [_dot(dot) for dot in figure.dots]
    lines += [
        f'<text x="{_n(label.at[0])}" y="{_n(label.at[1])}" font-family="{FONT}" '
        f'font-size="{_n(label.size_mm)}" fill="{label.colour}">{escape(label.text)}</text>'
        for label in figure.labels
        if label.text
    ]
    lines.append("</svg>")
    return "\n".join(lines) + "\n"


def _fill(fill: Fill) -> str:
    way = " ".join(
        "M" + " L".join(f"{_n(x)},{_n(y)}" for x, y in loop) + " Z" for loop in fill.loops
    )
    return (
        f'<path aria-label={quoteattr(fill.group)} fill="{fill.colour}" fill-rule="evenodd" '
        f'stroke="{fill.colour}" stroke-width="0.3" stroke-linejoin="round" '
        f'd="{way}"/>'
    )


def _line(rule: Rule) -> str:
    (x0, y0), (x1, y1) = rule.start, rule.end
    return (
        f'<line x1="{_n(x0)}" y1="{_n(y0)}" x2="{_n(x1)}" y2="{_n(y1)}" '
        f'stroke="{rule.pen.colour}" stroke-width="{_n(rule.pen.width_mm)}"{_dashes(rule.pen)}/>'
    )


def _curve(chords: list[Rule]) -> str:
    """The chords of one curve as one line, so that dashes and round ends run on."""
    places = [chords[0].start, *(chord.end for chord in chords)]
    points = " ".join(f"{_n(x)},{_n(y)}" for x, y in places)
    pen = chords[0].pen
    return (
        f'<polyline points="{points}" stroke="{pen.colour}" '
        f'stroke-width="{_n(pen.width_mm)}"{_dashes(pen)}/>'
    )


def _dashes(pen: Pen) -> str:
    dashes = " ".join(_n(length) for length in pen.dashes_mm)
    return f' stroke-dasharray="{dashes}"' if dashes else ""


def _dot(dot: Dot) -> str:
    (x, y), r = dot.at, dot.radius_mm
    if dot.sign == "round":
        return f'<circle cx="{_n(x)}" cy="{_n(y)}" r="{_n(r)}" fill="{dot.colour}"/>'
    shapes: dict[str, list[tuple[float, float]]] = {
        "left": [(-1, 0), (0.8, -1), (0.8, 1)],
        "right": [(1, 0), (-0.8, -1), (-0.8, 1)],
        "up": [(0, -1), (-1, 0.8), (1, 0.8)],
    }
    corners = " ".join(f"{_n(x + r * dx)},{_n(y + r * dy)}" for dx, dy in shapes[dot.sign])
    return f'<polygon points="{corners}" fill="{dot.colour}"/>'


def _n(value: float) -> str:
    """A number with up to 6 decimals and no trailing zeros."""
    return f"{value:.6f}".rstrip("0").rstrip(".") or "0"
