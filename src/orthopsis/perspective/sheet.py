"""Sheets of paper: their sizes, and the frame inside the edge.

Sources: ISO 216 for the A sizes; the inch sizes are the trade's usual sheets
(common practice, no published source).
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import Segment, portion_within

MM_PER_INCH = 25.4

PAPER_SIZES_MM: dict[str, tuple[float, float]] = {
    "A5": (148.0, 210.0),
    "A4": (210.0, 297.0),
    "A3": (297.0, 420.0),
    "A2": (420.0, 594.0),
    "A1": (594.0, 841.0),
    "9x12in": (9 * MM_PER_INCH, 12 * MM_PER_INCH),
    "11x17in": (11 * MM_PER_INCH, 17 * MM_PER_INCH),
    "12x18in": (12 * MM_PER_INCH, 18 * MM_PER_INCH),
    "18x24in": (18 * MM_PER_INCH, 24 * MM_PER_INCH),
}
"""Width and height in portrait, mm."""


@dataclass(frozen=True)
class Sheet:
    """A sheet lying on the desk: origin at its top left, x right, y down, all in mm."""

    width_mm: float
    height_mm: float
    frame_mm: float = 0.0

    @classmethod
    def named(cls, size: str, orientation: str = "landscape", frame_mm: float = 0.0) -> Sheet:
        """A sheet of a common size; KeyError for an unknown one."""
        short, long = PAPER_SIZES_MM[size]
        width, height = (long, short) if orientation == "landscape" else (short, long)
        return cls(width, height, frame_mm)

    @cached_property
    def bounds(self) -> tuple[float, float, float, float]:
        """Left, top, right and bottom of the part that is drawn on."""
        frame = self.frame_mm
        return frame, frame, self.width_mm - frame, self.height_mm - frame

    def clip(self, segment: Segment) -> tuple[float, float] | None:
        """The portion of a segment that lies on the drawn part; None when it misses it."""
        left, top, right, bottom = self.bounds
        (x0, y0), (x1, y1) = segment
        if (
            left <= x0 <= right
            and left <= x1 <= right
            and top <= y0 <= bottom
            and top <= y1 <= bottom
        ):
            return (0.0, 1.0) if x0 != x1 or y0 != y1 else None
        return portion_within(segment, left, top, right, bottom)

    def beside(self, point: Point) -> tuple[str, float]:
        """The edge beyond which a point lies furthest, and how far out; negative on the sheet."""
        x, y = point.xy
        outs = {"left": -x, "right": x - self.width_mm, "top": -y, "bottom": y - self.height_mm}
        side = max(outs, key=lambda name: outs[name])
        return side, outs[side]

    def contains(self, point: Point) -> bool:
        """Whether a point lies on the sheet, its edges included; false at infinity."""
        if point.at_infinity:
            return False
        x, y = point.xy
        return 0.0 <= x <= self.width_mm and 0.0 <= y <= self.height_mm

    def holds(self, point: Point) -> bool:
        """Whether a point lies within the part that is drawn on, and not where a line leaves it."""
        if point.at_infinity:
            return False
        (x, y), (left, top, right, bottom) = point.xy, self.bounds
        return left < x < right and top < y < bottom
