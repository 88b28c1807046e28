"""A large sheet on small paper: tiles that overlap, with marks to join them by."""

from __future__ import annotations

import math
from typing import NamedTuple

MARGIN_MM = 8.0
"""What an office printer leaves white at the edge (common practice, no published source)."""

OVERLAP_MM = 10.0


class Tile(NamedTuple):
    """The part of the sheet that one page shows, its place in the grid counted from 1."""

    row: int
    column: int
    x_mm: float
    y_mm: float
    width_mm: float
    height_mm: float


class Tiling(NamedTuple):
    """How a sheet is cut up: the page's size as it lies in the printer, and its tiles."""

    page_width_mm: float
    page_height_mm: float
    rows: int
    columns: int
    tiles: tuple[Tile, ...]


def tiled(width_mm: float, height_mm: float, paper_mm: tuple[float, float]) -> Tiling:
    """The tiling with the fewest pages, upright or lying.

    >>> tiled(420.0, 297.0, (210.0, 297.0))[2:4]
    (2, 2)
    >>> tiled(190.0, 270.0, (210.0, 297.0))[2:4]
    (1, 1)
    """
    ways = [_cut(width_mm, height_mm, *paper_mm), _cut(width_mm, height_mm, *reversed(paper_mm))]
    return min(ways, key=lambda way: len(way.tiles))


def _cut(width_mm: float, height_mm: float, page_width_mm: float, page_height_mm: float) -> Tiling:
    across, down = page_width_mm - 2 * MARGIN_MM, page_height_mm - 2 * MARGIN_MM
    columns, rows = _count(width_mm, across), _count(height_mm, down)
    # The tiles share the sheet evenly, so that no page holds a mere strip.
    wide = (width_mm + (columns - 1) * OVERLAP_MM) / columns
    high = (height_mm + (rows - 1) * OVERLAP_MM) / rows
    tiles = tuple(
        Tile(
            row + 1,
            column + 1,
            column * (wide - OVERLAP_MM),
            row * (high - OVERLAP_MM),
            wide,
            high,
        )
        for row in range(rows)
        for column in range(columns)
    )
    return Tiling(page_width_mm, page_height_mm, rows, columns, tiles)


def _count(whole_mm: float, page_mm: float) -> int:
    if whole_mm <= page_mm:
        return 1
    return math.ceil((whole_mm - OVERLAP_MM) / (page_mm - OVERLAP_MM))
