"""Letters with a mark: the letter three quarters as high, and its mark above or below.

The marks are block shapes of their own, in mm from the letter's middle and from the top of a letter
60 mm high. Which letter a character is made of, and with which marks, is the Unicode standard's
canonical decomposition.
"""

from __future__ import annotations

import unicodedata
from collections.abc import Sequence
from typing import NamedTuple

from orthopsis.pieces.shapes.extrusion.profile import Corner, Crossing, GridLine, Profile, Slant

Loop = tuple[tuple[float, float], ...]

HEIGHT_MM = 60.0
ROOM_MM = 15.0
"""What a mark takes of the letter's height, the gap to it included."""


class Accent(NamedTuple):
    """A mark's loops, in mm from the middle and from the top, and whether it stands above."""

    loops: tuple[Loop, ...]
    above: bool = True

    @property
    def wide_mm(self) -> float:
        return 2.0 * max(abs(x) for loop in self.loops for x, _ in loop)


def _box(left: float, top: float, right: float, bottom: float) -> Loop:
    return (left, top), (right, top), (right, bottom), (left, bottom)


ACCENTS: dict[str, Accent] = {
    "\N{COMBINING GRAVE ACCENT}": Accent((((-7, 0), (-1, 0), (7, 12), (1, 12)),)),
    "\N{COMBINING ACUTE ACCENT}": Accent((((1, 0), (7, 0), (-1, 12), (-7, 12)),)),
    "\N{COMBINING CIRCUMFLEX ACCENT}": Accent(
        (((-3, 0), (3, 0), (9, 12), (3, 12), (0, 6), (-3, 12), (-9, 12)),)
    ),
    "\N{COMBINING CARON}": Accent((((-9, 0), (-3, 0), (0, 6), (3, 0), (9, 0), (3, 12), (-3, 12)),)),
    "\N{COMBINING TILDE}": Accent(
        (((-10, 0), (0, 0), (4, 6), (10, 6), (10, 12), (0, 12), (-4, 6), (-10, 6)),)
    ),
    "\N{COMBINING DIAERESIS}": Accent((_box(-11, 2, -3, 10), _box(3, 2, 11, 10))),
    "\N{COMBINING DOUBLE ACUTE ACCENT}": Accent(
        (((-4, 0), (0, 0), (-5, 12), (-9, 12)), ((5, 0), (9, 0), (4, 12), (0, 12)))
    ),
    "\N{COMBINING RING ABOVE}": Accent((_box(-7, 0, 7, 12), _box(-3, 4, 3, 8))),
    "\N{COMBINING MACRON}": Accent((_box(-10, 4, 10, 10),)),
    "\N{COMBINING DOT ABOVE}": Accent((_box(-4, 2, 4, 10),)),
    "\N{COMBINING BREVE}": Accent(
        (((-9, 0), (-4, 0), (-4, 6), (4, 6), (4, 0), (9, 0), (9, 12), (-9, 12)),)
    ),
    "\N{COMBINING COMMA ABOVE}": Accent((((-3, 0), (3, 0), (3, 6), (-3, 12)),)),
    "\N{COMBINING CEDILLA}": Accent(
        (((-2, 48), (4, 48), (4, 60), (-6, 60), (-6, 55), (-2, 55)),), above=False
    ),
    "\N{COMBINING OGONEK}": Accent(
        (((-4, 48), (2, 48), (2, 55), (6, 55), (6, 60), (-4, 60)),), above=False
    ),
    "\N{COMBINING COMMA BELOW}": Accent((((-3, 48), (3, 48), (3, 54), (-3, 60)),), above=False),
    "\N{COMBINING DOT BELOW}": Accent((_box(-4, 50, 4, 58),), above=False),
}


def parted(character: str) -> tuple[str, tuple[Accent, ...]] | None:
    """A letter and its marks; None where a mark is none of ours, or two stand in one place.

    >>> parted("É")[0], len(parted("É")[1]), parted("E"), parted("Ǟ")
    ('E', 1, ('E', ()), None)
    """
    base, *marks = list(unicodedata.normalize("NFD", character))
    found = [ACCENTS[mark] for mark in marks if mark in ACCENTS]
    places = {accent.above for accent in found}
    return (base, tuple(found)) if len(found) == len(marks) == len(places) else None


def width_with(base_mm: float, accents: Sequence[Accent]) -> float:
    """A letter's width with its marks, which may be wider."""
    return max(base_mm, *(accent.wide_mm for accent in accents), 0.0)


def with_accents(letter: Profile, base_mm: float, accents: Sequence[Accent]) -> Profile:
    """The letter's profile, `base_mm` wide, made lower and in the middle, with its marks."""
    wide_mm = width_with(base_mm, accents)
    above = ROOM_MM * any(accent.above for accent in accents)
    below = ROOM_MM * any(not accent.above for accent in accents)
    high_mm = HEIGHT_MM - above - below
    columns = [(wide_mm - base_mm) / 2 + share * base_mm for share in letter.columns]
    rows = [above + share * high_mm for share in letter.rows]
    places = [(wide_mm / 2 + x, y) for accent in accents for loop in accent.loops for x, y in loop]
    across = sorted({round(x, 6) for x in (*columns, *(x for x, _ in places))})
    down = sorted({round(y, 6) for y in (*rows, *(y for _, y in places))})

    def column(x: float) -> int:
        return across.index(round(x, 6))

    def row(y: float) -> int:
        return down.index(round(y, 6))

    def crossing(old: Crossing) -> Crossing:
        return column(columns[old[0]]), row(rows[old[1]])

    def line(old: GridLine, number: bool) -> GridLine:
        if isinstance(old, Slant):
            return Slant(crossing(old.start), crossing(old.end))
        return column(columns[old]) if number else row(rows[old])

    def corner(old: Corner) -> Corner:
        return Corner(line(old.across, True), line(old.down, False))

    loops = [tuple(map(corner, loop)) for loop in letter.loops]
    loops += [
        tuple(Corner(column(wide_mm / 2 + x), row(y)) for x, y in loop)
        for accent in accents
        for loop in accent.loops
    ]
    bends = {at: corner(old) for at, old in letter.bends.items()}
    return Profile.of_loops(
        [x / wide_mm for x in across], [y / HEIGHT_MM for y in down], loops, bends
    )
