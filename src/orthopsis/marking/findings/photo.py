"""What is said of the photo itself."""

from __future__ import annotations

from orthopsis.marking.findings.one import Finding, finding
from orthopsis.marking.sheet.quality import BLURRED, DARK_TONE, SMALL_PX_PER_MM, Quality
from orthopsis.perspective.sheet import Sheet

DOUBTFUL = 0.2
"""A share of lines this large whose direction cannot be told asks for a better photo."""


def photo_findings(seen: Quality, sheet: Sheet, doubtful: float) -> list[Finding]:
    """What to do better next time, said only when it matters.

    `doubtful` is the share of lines whose direction is too unsure to be judged.
    """
    if doubtful < DOUBTFUL and seen.px_per_mm >= SMALL_PX_PER_MM / 1.5:
        return []
    middle = sheet.width_mm / 2, sheet.height_mm / 2
    said = []
    if seen.px_per_mm < SMALL_PX_PER_MM:
        said.append(finding("photo-small", "tidy", middle))
    if seen.light < DARK_TONE:
        said.append(finding("photo-dark", "tidy", middle))
    if seen.sharpness < BLURRED:
        said.append(finding("photo-blurred", "tidy", middle))
    return said


def about_the_photo(code: str) -> bool:
    """Whether a finding speaks of the photo and not of the drawing."""
    return code in PHOTO_CODES


PHOTO_CODES = frozenset({"photo-small", "photo-dark", "photo-blurred"})

TONE_CODES = frozenset({"values-swapped", "plane-left-white", "shadow-missing", "shadow-astray"})
"""What only the photo tells of the drawing."""
