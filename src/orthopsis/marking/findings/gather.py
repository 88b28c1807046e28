"""What a teacher says of a sheet: first what is right, then the corrections in a fixed order.

The order is the rule by which the one most useful correction is chosen: a cause that spoils many
lines comes before a fault in one, and what shows in the finished drawing before what is only
untidy.
"""

from __future__ import annotations

from collections.abc import Sequence

from orthopsis.marking.findings.counts import of_counts
from orthopsis.marking.findings.hidden import of_hidden
from orthopsis.marking.findings.lines import of_lines, praise
from orthopsis.marking.findings.measure import of_measure
from orthopsis.marking.findings.one import Finding, JudgedSheet, Level
from orthopsis.marking.findings.shape import of_shape
from orthopsis.marking.findings.sizes import of_sizes
from orthopsis.marking.findings.street import explained, of_street
from orthopsis.marking.findings.too_close import of_points

ORDER: tuple[str, ...] = (
    "vp-moved",
    "points-too-close",
    "sheet-turned",
    "eye-level-tilts",
    "measured-otherwise",
    "storeys-parallel",
    "slopes-parallel",
    "roof-point-picked",
    "peak-beside-middle",
    "ends-on-eye-level",
    "sleepers-even",
    "house-missing",
    "storeys-missing",
    "bays-missing",
    "openings-missing",
    "legs-missing",
    "steps-missing",
    "tiles-off",
    "wrong-point",
    "upright-leans",
    "level-tilts",
    "line-misses",
    "not-the-middle",
    "repeats-uneven",
    "back-corner",
    "wall-changes",
    "misplaced",
    "strip-missing",
    "through-letter",
    "hidden-drawn",
    "missing-edge",
    "missing-guide",
    "values-swapped",
    "plane-left-white",
    "shadow-missing",
    "shadow-astray",
    "corner-gapes",
    "corner-overshoots",
    "eye-level-inside",
    "unerased",
    "stray-line",
    "past-halfway",
    "unsure-line",
    "unsure-edge",
    "photo-blurred",
    "photo-small",
    "photo-dark",
    "no-sheet",
    "blank-sheet",
    "poor-photo",
    "another-exercise",
)
"""Each correction by its code, the most useful first; docs/architecture.md says why."""
LEVELS: tuple[Level, ...] = ("praise", "fix", "tidy", "ask")
RANK = {code: number for number, code in enumerate(ORDER)}


def findings(sheet: JudgedSheet) -> list[Finding]:
    """Praise, fixes and tidying, in the order in which they are said."""
    hidden = of_hidden(sheet)
    causes = [*hidden, *of_street(sheet)]
    said = [*of_lines(sheet), *of_shape(sheet), *of_measure(sheet), *of_counts(sheet)]
    said += [*of_sizes(sheet), *of_points(sheet)]
    wrong = {number for one in hidden for number in one.lines}
    return [*praise(sheet, wrong), *in_order([*causes, *explained(said, causes)])]


def with_values(said: Sequence[Finding], of_values: Sequence[Finding]) -> list[Finding]:
    """The same with what is said of tone, each in its place."""
    praised = [one for one in said if one.level == "praise"]
    return [*praised, *in_order([*(one for one in said if one.level != "praise"), *of_values])]


def in_order(said: Sequence[Finding]) -> list[Finding]:
    """The corrections, the most useful first, then what is only untidy, then what is asked."""
    return sorted(said, key=lambda f: (LEVELS.index(f.level), RANK.get(f.code, len(RANK))))
