"""Words and measures as the teacher chose them: units, the name of the line, spelling."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction
from typing import Literal

MM_PER_INCH = 25.4
_GLYPHS = {
    Fraction(1, 2): "½", Fraction(1, 4): "¼", Fraction(3, 4): "¾", Fraction(1, 8): "⅛",
    Fraction(3, 8): "⅜", Fraction(5, 8): "⅝", Fraction(7, 8): "⅞",
}  # fmt: skip

Units = Literal["mm", "cm", "in"]
LineName = Literal["eye level", "horizon"]
Spelling = Literal["UK", "US"]
Reading = Literal["full", "simple"]
Square = Literal["set square", "see-through ruler", "folded paper"]
"""What uprights are trued with."""

Far = Literal["long ruler", "book edge", "ladders"]
"""What helps where a pupil's ruler does not reach a point."""


@dataclass(frozen=True)
class Wording:
    """What a teacher calls things; every instruction and page follows it."""

    units: Units = "cm"
    line: LineName = "eye level"
    spelling: Spelling = "UK"
    reading: Reading = "full"
    square: Square = "set square"
    ruler_mm: float | None = None
    far: Far = "long ruler"

    def say(self, full: str, simple: str) -> str:
        """The sentence for the reading level: `simple` has one thought in each short sentence."""
        return simple if self.reading == "simple" else full

    @property
    def eye_level(self) -> str:
        """The line's name within a sentence."""
        return "eye level line" if self.line == "eye level" else "horizon line"

    @property
    def rub_out(self) -> str:
        return "Rub out" if self.spelling == "UK" else "Erase"

    def too_far(self, names: str) -> str:
        """What to do where the ruler does not reach a point."""
        assert self.ruler_mm is not None
        how = {
            "long ruler": "take the long ruler",
            "book edge": "use the edge of a large book",
            "ladders": "use the ladders: the same number at both edges of the sheet",
        }[self.far]
        return f"A ruler of {self.length(self.ruler_mm)} does not reach {names}: {how}."

    def length(self, mm: float) -> str:
        """A measure as a ruler shows it, with "about" when it falls between two marks.

        >>> Wording("in").length(85.725), Wording("cm").length(114), Wording("mm").length(30.2)
        ('3⅜ in', '11.4 cm', 'about 30 mm')
        """
        if self.units == "in":
            nearest = Fraction(round(mm / MM_PER_INCH * 16), 16)
            exact = abs(float(nearest) * MM_PER_INCH - mm) < 0.01
            text = f"{inches(nearest)} in"
        else:
            nearest_mm = round(mm * 2) / 2
            exact = abs(nearest_mm - mm) < 0.01
            shown = nearest_mm / 10 if self.units == "cm" else nearest_mm
            text = f"{shown:.2f}".rstrip("0").rstrip(".") + f" {self.units}"
        return text if exact else f"about {text}"

    def rough(self, mm: float) -> str:
        """A measure as it is said when it was not set but found: to the mm or eighth of an inch."""
        if self.units == "in":
            return f"{inches(Fraction(max(1, round(mm / MM_PER_INCH * 8)), 8))} in"
        return self.length(float(max(1, round(mm))))


def inches(value: Fraction) -> str:
    """Inches with a real fraction.

    >>> inches(Fraction(27, 8)), inches(Fraction(5, 16)), inches(Fraction(2))
    ('3⅜', '5⁄16', '2')
    """
    whole, part = divmod(value, 1)
    if part == 0:
        return str(whole)
    glyph = _GLYPHS.get(part)
    if glyph:
        return f"{whole or ''}{glyph}"
    fraction = f"{part.numerator}⁄{part.denominator}"
    return f"{whole} {fraction}" if whole else fraction


def mark_names() -> Iterator[str]:
    """A, B, … Z, then A2, B2 …; without I and O, which look like figures.

    >>> names = mark_names()
    >>> [next(names) for _ in range(25)][-2:]
    ['Z', 'A2']
    """
    turn = 1
    while True:
        for letter in "ABCDEFGHJKLMNPQRSTUVWXYZ":
            yield letter if turn == 1 else f"{letter}{turn}"
        turn += 1
