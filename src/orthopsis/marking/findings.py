"""What a teacher says of a sheet: first what is right, then the corrections in a fixed order.

The order is the rule by which the one most useful correction is chosen: a cause that spoils many
lines comes before a fault in one, and what shows in the finished drawing before what is only
untidy. ORDER names it; docs/architecture.md says why.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from orthopsis.marking.answer_key import AnswerKey
from orthopsis.marking.verdicts import JudgedStroke, MeetingPoint, Verdict
from orthopsis.perspective.segments import XY

Level = Literal["praise", "fix", "tidy"]

TITLES = {
    "vp-moved": "A vanishing point of their own",
    "points-too-close": "Vanishing points too close together",
    "sheet-turned": "A drawing turned on its sheet",
    "eye-level-tilts": "An eye level that is not level",
    "wrong-point": "A line to the wrong point",
    "upright-leans": "Uprights that lean",
    "level-tilts": "Level lines that tilt",
    "line-misses": "Lines that pass beside the vanishing point",
    "not-the-middle": "A middle that is not the perspective middle",
    "repeats-uneven": "Repeats that do not shrink evenly",
    "back-corner": "Back corners that do not meet",
    "wall-changes": "Walls whose thickness changes",
    "misplaced": "Edges beside their place",
    "missing-edge": "Edges that were forgotten",
    "missing-guide": "Guide lines that were forgotten",
    "corner-gapes": "Corners that gape",
    "corner-overshoots": "Lines drawn past their corner",
    "unerased": "Construction lines left dark",
    "stray-line": "Lines that belong to nothing",
    "photo-blurred": "Photos that are blurred",
    "photo-small": "Photos taken from too far away",
    "photo-dark": "Photos taken in the dark",
    "no-sheet": "Photos without a sheet",
}
"""Each correction as a heading, the most useful first."""
ORDER = {code: number for number, code in enumerate(TITLES)}


@dataclass(frozen=True)
class Finding:
    """One thing to say, with its place on the sheet and the lines (by number) it speaks of."""

    code: str
    level: Level
    where: XY
    message: str
    lines: tuple[int, ...] = ()


@dataclass(frozen=True)
class Reading:
    """What the judge read from a sheet: every line with its verdict, and where they meet.

    `reached` is the step up to which a half-finished sheet is judged.
    """

    key: AnswerKey
    judged: Sequence[JudgedStroke]
    points: Sequence[MeetingPoint]
    reached: int | None = None

    def of(self, family: str) -> list[int]:
        """The numbers of a family's lines."""
        return [n for n, line in enumerate(self.judged) if line.family == family]

    def off(self, family: str) -> list[int]:
        """The numbers of a family's lines that are off, the worst first."""
        wrong = [n for n in self.of(family) if self.judged[n].verdict is Verdict.OFF]
        return sorted(wrong, key=lambda n: -(self.judged[n].angle_deg or 0.0))

    @property
    def own_points(self) -> list[MeetingPoint]:
        """The points that the pupil put elsewhere and kept to."""
        return [point for point in self.points if point.consistent_elsewhere]

    def say(self, code: str, level: Level, numbers: Sequence[int], message: str) -> Finding:
        """A finding at the middle of the first of some lines."""
        return Finding(
            code, level, self.judged[numbers[0]].assigned.found.middle, message, tuple(numbers)
        )


def findings(reading: Reading) -> list[Finding]:
    """Praise, fixes and tidying, in the order in which they are said."""
    from orthopsis.marking.findings_of_counts import of_counts
    from orthopsis.marking.findings_of_lines import of_lines, praise
    from orthopsis.marking.findings_of_measure import of_measure
    from orthopsis.marking.findings_of_shape import of_shape

    said = [
        *of_lines(reading), *of_shape(reading), *of_measure(reading), *of_counts(reading),
    ]  # fmt: skip
    return [*praise(reading), *in_order(said)]


def in_order(said: Sequence[Finding]) -> list[Finding]:
    """The corrections, the most useful first, then what is only untidy."""
    return sorted(said, key=lambda f: (f.level == "tidy", ORDER.get(f.code, len(ORDER))))
