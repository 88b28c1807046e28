"""The block alphabet: each letter an outline on named lines, in two cuts.

Measured letters are 6 cm high, with lines in round millimetres; quartered letters are 4 × 6 cm
with every line on a half, a quarter or an eighth, so that diagonals find them all. The H and the
F, measured, are the trade's (common practice, no published source); the others follow them.
"""

from __future__ import annotations

from functools import lru_cache
from typing import Literal, NamedTuple

from orthopsis.pieces.shapes.extrusion.accents import Accent, parted, width_with, with_accents
from orthopsis.pieces.shapes.extrusion.profile import Profile

Alphabet = Literal["measured", "quartered"]
Form = Literal["block", "curved"]

HEIGHT_MM = 60.0
QUARTERED_MM = 40.0
GAP_MM = 10.0
SPACE_MM = 30.0


class Letterform(NamedTuple):
    """A letter 60 mm high: `measured` columns and rows in mm, `quartered` ones in eighths of the
    letter, which is `part` of 40 mm wide; and its corners.
    """

    measured: str
    quartered: str
    corners: str
    part: float = 1.0


S_CORNERS = "a1 d1 d2 b2 b3 d3 d6 a6 a5 c5 c4 a4"
FIVE_BANDS = "0 12 24 36 48 60"
FIVE_PARTS = "0 2 3 5 6 8"

FORMS: dict[str, Letterform] = {
    "A": Letterform(
        "0 15 20 35 40 55 / 0 35 45 60",
        "0 2 3 5 6 8 / 0 5 6 8",
        "a4 c1 d1 f4 e4 e4c1/3 b4d1/3 b4 | b4d1/2 b4d1/e4c1 e4c1/2",
    ),
    "B": Letterform(
        "0 15 35 50 55 / 0 12 24 30 36 48 60",
        "0 2 5 7 8 / 0 2 3 4 5 6 8",
        "a1 d1 d4 e4 e7 a7 | b2 c2 c3 b3 | b5 c5 c6 b6",
    ),
    "C": Letterform("0 15 50 / 0 15 45 60", "0 2 8 / 0 2 6 8", "a1 c1 c2 b2 b3 c3 c4 a4"),
    "D": Letterform(
        "0 15 40 55 / 0 12 48 60", "0 2 6 8 / 0 2 6 8", "a1 c1 d2 d3 c4 a4 | b2 c2 c3 b3"
    ),
    "E": Letterform(
        f"0 15 40 50 / {FIVE_BANDS}",
        f"0 2 6 8 / {FIVE_PARTS}",
        "a1 d1 d2 b2 b3 c3 c4 b4 b5 d5 d6 a6",
    ),
    "F": Letterform(
        "0 20 50 55 / 0 15 30 40 60", "0 2 6 8 / 0 2 3 5 8", "a1 d1 d2 b2 b3 c3 c4 b4 b5 a5"
    ),
    "G": Letterform(
        "0 15 30 40 55 / 0 15 27 37 45 60",
        f"0 2 4 6 8 / {FIVE_PARTS}",
        "a1 e1 e2 b2 b5 d5 d4 c4 c3 e3 e6 a6",
    ),
    "H": Letterform(
        "0 15 40 55 / 0 25 35 60", "0 2 6 8 / 0 3 5 8", "a1 b1 b2 c2 c1 d1 d4 c4 c3 b3 b4 a4"
    ),
    "I": Letterform("0 15 / 0 60", "0 8 / 0 8", "a1 b1 b2 a2", 0.25),
    "J": Letterform("0 15 30 45 / 0 36 45 60", "0 2 6 8 / 0 5 6 8", "c1 d1 d4 a4 a2 b2 b3 c3"),
    "K": Letterform(
        "0 15 30 38 55 / 0 25 30 35 60",
        "0 2 4 5 8 / 0 3 4 5 8",
        "a1 b1 b2 d1 e1 c3 e5 d5 b4 b5 a5",
    ),
    "L": Letterform("0 15 45 / 0 45 60", "0 2 8 / 0 6 8", "a1 b1 b2 c2 c3 a3"),
    "M": Letterform(
        "0 12 30 48 60 / 0 18 27 45 60",
        "0 2 4 6 8 / 0 2 3 5 8",
        "a1 b1 c3 d1 e1 e5 d5 d2 c4 b2 b5 a5",
        1.25,
    ),
    "N": Letterform(
        "0 15 40 55 / 0 24 36 60", "0 2 6 8 / 0 3 5 8", "a1 b1 c3 c1 d1 d4 c4 b2 b4 a4"
    ),
    "O": Letterform("0 15 40 55 / 0 15 45 60", "0 2 6 8 / 0 2 6 8", "a1 d1 d4 a4 | b2 c2 c3 b3"),
    "P": Letterform(
        "0 15 35 50 / 0 12 24 36 60", "0 2 6 8 / 0 2 3 5 8", "a1 d1 d4 b4 b5 a5 | b2 c2 c3 b3"
    ),
    "Q": Letterform(
        "0 15 35 40 45 55 65 / 0 13 37 50 60",
        "0 2 4 5 6 7 8 / 0 2 5 7 8",
        "a1 f1 f4 g5 e5 c4 a4 | b2 d2 d3 b3",
    ),
    "R": Letterform(
        "0 15 25 40 55 / 0 12 24 36 60",
        "0 2 4 6 8 / 0 2 3 5 8",
        "a1 e1 e4 d4 e5 d5 c4 b4 b5 a5 | b2 d2 d3 b3",
    ),
    "S": Letterform(f"0 15 30 45 / {FIVE_BANDS}", f"0 2 6 8 / {FIVE_PARTS}", S_CORNERS),
    "T": Letterform("0 20 35 55 / 0 15 60", "0 3 5 8 / 0 2 8", "a1 d1 d2 c2 c3 b3 b2 a2"),
    "U": Letterform("0 15 40 55 / 0 45 60", "0 2 6 8 / 0 6 8", "a1 b1 b2 c2 c1 d1 d3 a3"),
    "V": Letterform("0 15 20 35 40 55 / 0 60", "0 2 3 5 6 8 / 0 8", "a1 b1 b1d2/e1c2 e1 f1 d2 c2"),
    "W": Letterform(
        "0 12 30 48 60 / 0 15 33 42 60",
        "0 2 4 6 8 / 0 3 5 6 8",
        "a1 b1 b4 c2 d4 d1 e1 e5 d5 c3 b5 a5",
        1.25,
    ),
    "X": Letterform(
        "0 15 40 55 / 0 60",
        "0 2 6 8 / 0 8",
        "a1 b1 b1d2/c1a2 c1 d1 b1d2/d1b2 d2 c2 a1c2/d1b2 b2 a2 a1c2/c1a2",
    ),
    "Y": Letterform(
        "0 15 20 27.5 35 40 55 / 0 20 32 60",
        "0 2 3 4 5 6 8 / 0 3 5 8",
        "a1 b1 d2 f1 g1 e3 e4 c4 c3",
    ),
    "Z": Letterform(
        "0 15 35 50 / 0 12 48 60", "0 2 6 8 / 0 2 6 8", "a1 d1 d2 b3 d3 d4 a4 a3 c2 a2"
    ),
    "0": Letterform("0 12 28 40 / 0 12 48 60", "0 2 6 8 / 0 2 6 8", "a1 d1 d4 a4 | b2 c2 c3 b3"),
    "1": Letterform(
        "0 12 26 38 / 0 12 22 48 60",
        "0 2 6 8 / 0 2 3 6 8",
        "b1 c1 c4 d4 d5 a5 a4 b4 b3 a3 a2",
        0.75,
    ),
    "2": Letterform(
        f"0 14 28 42 / {FIVE_BANDS}",
        f"0 2 6 8 / {FIVE_PARTS}",
        "a1 d1 d4 b4 b5 d5 d6 a6 a3 c3 c2 a2",
    ),
    "3": Letterform(
        "0 14 28 36 42 / 0 12 24 30 36 48 60",
        "0 2 6 7 8 / 0 2 3 4 5 6 8",
        "a1 e1 e3 d4 e5 e7 a7 a6 c6 c5 b5 b3 c3 c2 a2",
    ),
    "4": Letterform(
        "0 14 25 30 39 45 55 / 0 35 47 60",
        "0 2 3 4 5 6 8 / 0 5 6 8",
        "c1 f1 f2 g2 g3 f3 f4 d4 d3 a3 a2 | b2 b2e1/d d2",
    ),
    "5": Letterform(
        f"0 14 28 42 / {FIVE_BANDS}",
        f"0 2 6 8 / {FIVE_PARTS}",
        "a1 d1 d2 b2 b3 c3 d4 d5 c6 a6 a5 c5 c4 a4",
    ),
    "6": Letterform(
        f"0 14 28 42 / {FIVE_BANDS}",
        f"0 2 6 8 / {FIVE_PARTS}",
        "a1 d1 d2 b2 b3 d3 d6 a6 | b4 c4 c5 b5",
    ),
    "7": Letterform("0 15 30 35 50 / 0 12 60", "0 2 4 6 8 / 0 2 8", "a1 e1 e2 c3 b3 d2 a2"),
    "8": Letterform(
        "0 6 14 28 36 42 / 0 12 18 24 30 36 42 48 60",
        "0 1 2 6 7 8 / 0 1 2 3 4 5 6 7 8",
        "a1 f1 f3 e5 f7 f9 a9 a7 b5 a3 | c2 d2 d4 c4 | c6 d6 d8 c8",
    ),
    "9": Letterform(
        f"0 14 28 42 / {FIVE_BANDS}",
        f"0 2 6 8 / {FIVE_PARTS}",
        "a1 d1 d6 a6 a5 c5 c4 a4 | b2 c2 c3 b3",
    ),
    "&": Letterform(
        "0 6 15 27 32 39 55 / 0 10 20 27 34 38 46 50 60",
        "0 1 2 4 5 6 8 / 0 1 2 3 4 5 6 7 8",
        "b1 f1 f3 e4 e4g9/6 g6 g7 e4g9/7 g9 a9 a6 b4 | c2 d2 d3 c3 | c5 d5 e8 c8",
    ),
    "Ø": Letterform(
        "0 15 24 31 40 55 / 0 15 26 34 45 60",
        "0 2 3 5 6 8 / 0 2 3 5 6 8",
        "a1 f1 f6 a6 | b2 d2 b4 | e3 e5 c5",
    ),
    "Ł": Letterform(
        "0 10 25 35 55 / 0 22 34 45 60",
        "0 1 3 5 8 / 0 3 4 6 8",
        "b1 c1 c2 d2 d3 c3 c4 e4 e5 b5 b3 a3 a2 b2",
    ),
    "Đ": Letterform(
        "0 10 25 32 50 65 / 0 12 24 36 48 60",
        "0 1 3 4 6 8 / 0 2 3 5 6 8",
        "b1 e1 f2 f5 e6 b6 b4 a4 a3 b3 | c2 e2 e5 c5 c4 d4 d3 c3",
    ),
    "!": Letterform("0 15 / 0 40 48 60", "0 8 / 0 5 6 8", "a1 b1 b2 a2 | a3 b3 b4 a4", 0.25),
    "?": Letterform(
        "0 12 26 40 / 0 12 22 32 42 48 60",
        "0 2 5 8 / 0 2 3 4 5 6 8",
        "a1 d1 d4 c4 c5 b5 b3 c3 c2 a2 | b6 c6 c7 b7",
    ),
    ".": Letterform("0 15 / 45 60", "0 8 / 6 8", "a1 b1 b2 a2", 0.25),
    "-": Letterform("0 25 / 24 36", "0 8 / 3 5", "a1 b1 b2 a2", 0.5),
    "'": Letterform("0 12 / 0 18", "0 8 / 0 2", "a1 b1 b2 a2", 0.25),
}


EIGHT_ROWS = "0 12 18 24 36 42 48 60"
EIGHT_PARTS = "0 1 2 3 5 6 7 8"
NINE_ROWS = "0 12 18 24 30 36 42 48 60"
NINE_PARTS = "0 1 2 3 4 5 6 7 8"

CURVED: dict[str, Letterform] = {
    "B": Letterform(
        "0 15 30 38 50 55 / 0 10 14 18 28 32 42 46 50 60",
        "0 2 4 5 7 8 / 0 1 1.5 2 3 4 5 6 7 8",
        "a1 c1 ~e1 e3 ~e5 c5 c6 ~f6 f8 ~f10 c10 a10 | b2 c2 ~d2 d3 ~d4 c4 b4 | "
        "b7 c7 ~d7 d8 ~d9 c9 b9",
    ),
    "C": Letterform(
        "0 15 27 50 / 0 15 30 45 60",
        "0 2 4 8 / 0 2 4 6 8",
        "d1 d2 c2 ~b2 b3 ~b4 c4 d4 d5 c5 ~a5 a3 ~a1 c1",
    ),
    "D": Letterform(
        "0 15 25 40 55 / 0 12 30 48 60",
        "0 2 4 6 8 / 0 2 4 6 8",
        "a1 c1 ~e1 e3 ~e5 c5 a5 | b2 c2 ~d2 d3 ~d4 c4 b4",
    ),
    "G": Letterform(
        "0 15 27 40 55 / 0 15 30 40 45 60",
        "0 2 4 6 8 / 0 2 4 5 6 8",
        "e1 e2 c2 ~b2 b3 ~b5 c5 d5 d4 c4 c3 e3 e6 c6 ~a6 a3 ~a1 c1",
    ),
    "J": Letterform(
        "0 15 22.5 30 45 / 0 38 48 60",
        "0 2 4 6 8 / 0 5 6 8",
        "d1 e1 e2 ~e4 c4 ~a4 a2 b2 ~b3 c3 ~d3 d2",
    ),
    "O": Letterform(
        "0 15 27.5 40 55 / 0 15 30 45 60",
        "0 2 4 6 8 / 0 2 4 6 8",
        "c1 ~e1 e3 ~e5 c5 ~a5 a3 ~a1 | c2 ~d2 d3 ~d4 c4 ~b4 b3 ~b2",
    ),
    "P": Letterform(
        "0 15 30 35 50 / 0 12 18 24 36 60",
        "0 2 4 6 8 / 0 1 2 3 4 8",
        "a1 c1 ~e1 e3 ~e5 c5 b5 b6 a6 | b2 c2 ~d2 d3 ~d4 c4 b4",
    ),
    "Q": Letterform(
        "0 15 27.5 35 40 45 55 65 / 0 13 25 37 50 60",
        "0 2 3.5 4.5 5 6 7 8 / 0 2 3.5 5 7 8",
        "c1 ~g1 g3 g5 h6 f6 d5 c5 ~a5 a3 ~a1 | c2 ~e2 e3 ~e4 c4 ~b4 b3 ~b2",
    ),
    "R": Letterform(
        "0 15 25 40 55 / 0 12 18 24 36 60",
        "0 2 4 6 8 / 0 1 2 3 4 8",
        "a1 c1 ~e1 e3 ~e5 c5 e6 d6 b5 b6 a6 | b2 c2 ~d2 d3 ~d4 c4 b4",
    ),
    "S": Letterform(
        f"0 14 22.5 31 45 / {EIGHT_ROWS}",
        f"0 2 4 6 8 / {EIGHT_PARTS}",
        "e1 e2 c2 ~b2 b3 ~b4 c4 ~e4 e6 ~e8 c8 a8 a7 c7 ~d7 d6 ~d5 c5 ~a5 a3 ~a1 c1",
    ),
    "U": Letterform(
        "0 15 27.5 40 55 / 0 30 45 60",
        "0 2 4 6 8 / 0 4 6 8",
        "a1 b1 b2 ~b3 c3 ~d3 d2 d1 e1 e2 ~e4 c4 ~a4 a2",
    ),
    "0": Letterform(
        "0 12 20 28 40 / 0 15 30 45 60",
        "0 2 4 6 8 / 0 2 4 6 8",
        "c1 ~e1 e3 ~e5 c5 ~a5 a3 ~a1 | c2 ~d2 d3 ~d4 c4 ~b4 b3 ~b2",
    ),
    "2": Letterform(
        f"0 14 21 28 42 / {EIGHT_ROWS}",
        f"0 2 4 6 8 / {EIGHT_PARTS}",
        "a1 c1 ~e1 e3 ~e5 c5 ~b5 b6 b7 e7 e8 a8 a6 ~a4 c4 ~d4 d3 ~d2 c2 a2",
    ),
    "3": Letterform(
        f"0 14 21 28 36 42 / {NINE_ROWS}",
        f"0 2 4 6 7 8 / {NINE_PARTS}",
        "a1 c1 ~f1 f3 e5 f7 ~f9 c9 a9 a8 c8 ~d8 d7 ~d6 c6 b6 b4 c4 ~d4 d3 ~d2 c2 a2",
    ),
    "5": Letterform(
        f"0 14 21 28 42 / {EIGHT_ROWS}",
        f"0 2 4 6 8 / {EIGHT_PARTS}",
        "e1 e2 b2 b4 c4 ~e4 e6 ~e8 c8 a8 a7 c7 ~d7 d6 ~d5 c5 a5 a1",
    ),
    "6": Letterform(
        f"0 14 21 28 42 / {EIGHT_ROWS}",
        f"0 2 4 6 8 / {EIGHT_PARTS}",
        "e1 e2 c2 ~b2 b3 b4 c4 ~e4 e6 ~e8 c8 ~a8 a6 a3 ~a1 c1 | c5 ~d5 d6 ~d7 c7 ~b7 b6 ~b5",
    ),
    "8": Letterform(
        f"0 6 14 21 28 36 42 / {NINE_ROWS}",
        f"0 1 2 4 6 7 8 / {NINE_PARTS}",
        "d1 ~g1 g3 f5 g7 ~g9 d9 ~a9 a7 b5 a3 ~a1 | d2 ~e2 e3 ~e4 d4 ~c4 c3 ~c2 | "
        "d6 ~e6 e7 ~e8 d8 ~c8 c7 ~c6",
    ),
    "9": Letterform(
        f"0 14 21 28 42 / {EIGHT_ROWS}",
        f"0 2 4 6 8 / {EIGHT_PARTS}",
        "a8 a7 c7 ~d7 d6 d5 c5 ~a5 a3 ~a1 c1 ~e1 e3 e6 ~e8 c8 | c4 ~b4 b3 ~b2 c2 ~d2 d3 ~d4",
    ),
    "?": Letterform(
        "0 12 20 28 40 / 0 12 18 24 33 42 48 60",
        "0 2 4 6 8 / 0 1 2 3 4 5 6 8",
        "a3 ~a1 c1 ~e1 e3 ~e5 d5 d6 b6 b4 c4 ~d4 d3 ~d2 c2 ~b2 b3 | b7 d7 d8 b8",
    ),
    "&": Letterform(
        "0 12 22 32 44 55 / 0 12 17 22 34 41 48 60",
        "0 2 3 5 6 8 / 0 1 2 3 4 5 7 8",
        "c1 ~e1 e3 e5 f5 f6 e6 f8 c8 ~a8 a6 a3 ~a1 | c2 ~d2 d3 ~d4 c4 ~b4 b3 ~b2 | "
        "c5 ~d5 d6 ~d7 c7 ~b7 b6 ~b5",
    ),
}
"""The round letters with their curves: quarters of ellipses drawn over the block letter."""


class Placed(NamedTuple):
    """A letter of a word: its character, where it begins and how wide it is, for 60 mm height."""

    character: str
    left_mm: float
    width_mm: float


def width_mm(character: str, alphabet: Alphabet) -> float:
    """A letter's width when it is 60 mm high."""
    base, accents = _parted(character)
    return width_with(_base_width_mm(base, alphabet), accents)


def _base_width_mm(character: str, alphabet: Alphabet) -> float:
    form = FORMS[character]
    if alphabet == "quartered":
        return QUARTERED_MM * form.part
    return float(form.measured.partition("/")[0].split()[-1])


def can_be_drawn(character: str) -> bool:
    """Whether there is a block letter, or a letter and marks, for a character."""
    found = None if character in FORMS else parted(character)
    return character in FORMS or (found is not None and found[0] in FORMS)


def _parted(character: str) -> tuple[str, tuple[Accent, ...]]:
    return (character, ()) if character in FORMS else parted(character) or (character, ())


@lru_cache(maxsize=256)
def letter(character: str, alphabet: Alphabet, form_name: Form = "block") -> Profile:
    """The letter's profile on a face as wide as itself and 60 mm high. A letter without curves
    has but one form.
    """
    base, accents = _parted(character)
    if accents:
        plain = letter(base, alphabet, form_name)
        return with_accents(plain, _base_width_mm(base, alphabet), accents)
    form = FORMS[character]
    if form_name == "curved":
        form = CURVED.get(character, form)
    if alphabet == "measured":
        columns, rows = ([float(n) for n in part.split()] for part in form.measured.split("/"))
        wide, high = columns[-1], HEIGHT_MM
    else:
        columns, rows = ([float(n) for n in part.split()] for part in form.quartered.split("/"))
        wide = high = 8.0
    return Profile.read([c / wide for c in columns], [r / high for r in rows], form.corners)


def set_in_row(text: str, alphabet: Alphabet, gap_mm: float = GAP_MM) -> list[Placed]:
    """The letters of a text side by side, for 60 mm height; blanks leave room."""
    placed, x = [], 0.0
    for character in text:
        if character == " ":
            x += SPACE_MM - gap_mm
            continue
        wide = width_mm(character, alphabet)
        placed.append(Placed(character, x, wide))
        x += wide + gap_mm
    return placed
