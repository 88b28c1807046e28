"""How a teacher says it: units, the name of the line, spelling, reading level, tools."""

from __future__ import annotations

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
ReadingLevel = Literal["full", "simple"]
Square = Literal["set square", "see-through ruler", "folded paper"]
"""What uprights are trued with."""

Fronts = Literal["ruler", "freehand"]
"""What fronts are drawn with."""

Guides = Literal["as far as needed", "to the point"]
"""How far guide lines are drawn."""

Given = Literal["measures", "points", "rules"]
"""What pupils take from the sheet: all measures, the points, or only the rules."""

Far = Literal["long ruler", "book edge", "ladders"]
"""What helps where a pupil's ruler does not reach a point."""


@dataclass(frozen=True)
class Wording:
    """What a teacher calls things; every instruction and page follows it."""

    units: Units = "cm"
    line: LineName = "eye level"
    spelling: Spelling = "UK"
    reading: ReadingLevel = "full"
    square: Square = "set square"
    ruler_mm: float | None = None
    far: Far = "long ruler"
    given: Given = "measures"
    fronts: Fronts = "ruler"
    guides: Guides = "as far as needed"

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
