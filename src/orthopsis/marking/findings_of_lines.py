"""What is said of lines one by one and in families: where they lead, and whether they stand."""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np

from orthopsis.construction.wording import Wording
from orthopsis.marking.findings import Finding, Reading
from orthopsis.marking.verdicts import JudgedStroke, Verdict
from orthopsis.perspective.view import HORIZONTAL, VERTICAL

MOST_SINGLE_LINES = 5
TURNED_DEG = 0.8
"""A drawing turned as a whole by less is within what a square allows."""


def praise(reading: Reading) -> list[Finding]:
    """What is right; there is always something."""
    said = []
    if reading.reached is not None:
        said.append(
            Finding(
                "half-finished", "praise", _middle(reading),
                f"You have come as far as step {reading.reached}; that is what is looked at here.",
            )
        )  # fmt: skip
    for point in reading.points:
        lines = reading.of(point.name)
        good = [n for n in lines if reading.judged[n].verdict is Verdict.ON]
        off = [n for n in lines if reading.judged[n].verdict is Verdict.OFF]
        name = point.name
        if len(lines) >= 2 and len(good) == len(lines):
            words = f"All {len(good)} of your lines to {name} lead there. Well ruled."
            said.append(reading.say("family-meets", "praise", good, words))
        elif len(lines) >= 2 and not off:
            words = (
                f"{len(good)} of your {len(lines)} lines to {name} lead there, and the others "
                "come very near it."
            )
            said.append(reading.say("family-nearly-meets", "praise", good or lines, words))
        elif len(good) >= 2 and len(good) >= 0.6 * len(lines):
            words = f"{len(good)} of your {len(lines)} lines to {name} lead there."
            said.append(reading.say("family-mostly-meets", "praise", good, words))
    uprights = reading.of(VERTICAL)
    if len(uprights) >= 3 and all(reading.judged[n].verdict is Verdict.ON for n in uprights):
        said.append(
            reading.say("uprights-true", "praise", uprights, "Your uprights stand straight.")
        )
    return said or [_something_right(reading)]


def _something_right(reading: Reading) -> Finding:
    good = [n for n, line in enumerate(reading.judged) if line.verdict is Verdict.ON]
    if good:
        words = f"{len(good)} of your lines are just right."
        return reading.say("lines-on", "praise", good, words)
    words = "You have put your drawing on the sheet: that is a start to build on."
    return Finding("lines-on", "praise", _middle(reading), words)


def of_lines(reading: Reading) -> list[Finding]:
    """Everything that is said of lines, in no order."""
    turned = _turned_sheet(reading)
    return [
        *_own_points(reading),
        *_wrong_points(reading),
        *([turned] if turned else _uprights_and_levels(reading)),
        *_single_lines(reading),
        *_strays(reading),
    ]


def _own_points(reading: Reading) -> list[Finding]:
    said = []
    wording = reading.key.scene.wording
    for point in reading.own_points:
        assert point.found is not None
        x, y = point.intended.xy
        where = _direction(wording, point.found[0] - x, point.found[1] - y, point.name)
        said.append(
            Finding(
                "vp-moved", "fix", point.found,
                f"Your lines agree with one another, but they meet {where}. "
                f"Next time put the dot for {point.name} on the {wording.eye_level} first, "
                "and lay the ruler on that dot for every line.",
                tuple(reading.of(point.name)),
            )
        )  # fmt: skip
    return said


def _direction(wording: Wording, across_mm: float, down_mm: float, name: str) -> str:
    """As in "1.4 cm above and 0.3 cm to the left of VP1"."""
    parts = []
    if abs(down_mm) >= 1.0:
        parts.append(f"{wording.rough(abs(down_mm))} {'below' if down_mm > 0 else 'above'}")
    if abs(across_mm) >= 1.0 and abs(across_mm) > 0.2 * abs(down_mm):
        side = "to the right" if across_mm > 0 else "to the left"
        parts.append(f"{wording.rough(abs(across_mm))} {side}")
    if not parts:
        return f"a little beside {name}"
    return f"{' and '.join(parts)} {'of ' if parts[-1].endswith(('left', 'right')) else ''}{name}"


def _to_points(reading: Reading) -> list[str]:
    """The points whose lines are spoken of one by one."""
    elsewhere = {point.name for point in reading.own_points}
    return [point.name for point in reading.points if point.name not in elsewhere]


def _went_elsewhere(line: JudgedStroke) -> bool:
    return line.assigned.wrong_way or line.runs_to is not None


def _wrong_points(reading: Reading) -> list[Finding]:
    return [
        reading.say(
            "wrong-point", "fix", [n],
            f"This line should run to {name}, but it {_goes(reading.judged[n])}. Put the pencil on "
            f"its corner and swing the ruler to {name} before drawing.",
        )
        for name in _to_points(reading)
        for n in reading.off(name)
        if _went_elsewhere(reading.judged[n])
    ]  # fmt: skip


def _goes(line: JudgedStroke) -> str:
    if line.runs_to:
        return f"runs to {line.runs_to}"
    return f"goes another way, {line.angle_deg:.0f}° off"


def _turned_sheet(reading: Reading) -> Finding | None:
    """All uprights and levels turned the same way: the paper lay crooked under the ruler."""
    numbers = [*reading.of(VERTICAL), *reading.of(HORIZONTAL)]
    turns = np.array([reading.judged[n].turn_deg or 0.0 for n in numbers])
    off = [n for n in numbers if reading.judged[n].verdict is Verdict.OFF]
    if len(numbers) < 4 or len(off) < 3:
        return None
    usual = float(np.median(turns))
    together = np.abs(turns - usual) <= TURNED_DEG
    if abs(usual) <= TURNED_DEG or together.mean() < 0.8:
        return None
    way = "clockwise" if usual > 0 else "against the clock"
    square = reading.key.scene.wording.square
    return reading.say(
        "sheet-turned", "fix", off,
        f"Your uprights and level lines agree, but all are turned by {abs(usual):.1f}° {way}. Next "
        f"time lay the {square} on the edge of the sheet, not on another line.",
    )  # fmt: skip


def _uprights_and_levels(reading: Reading) -> list[Finding]:
    said = []
    square = reading.key.scene.wording.square
    for family, code, name, tool in (
        (VERTICAL, "upright-leans", "upright", f"lay the {square} on the edge of the sheet"),
        (HORIZONTAL, "level-tilts", "level line", "measure both its ends from the top edge"),
    ):
        for n in reading.off(family):
            line = reading.judged[n]
            expected = line.assigned.expected
            eye_level = expected is not None and expected.stroke.piece is None
            said.append(
                reading.say(
                    "eye-level-tilts" if eye_level else code, "fix", [n],
                    f"This {'line across the sheet' if eye_level else name} is turned by "
                    f"{line.angle_deg:.1f}°. Next time {tool}.",
                )
            )  # fmt: skip
    return said


def _single_lines(reading: Reading) -> list[Finding]:
    numbers = [
        n
        for name in _to_points(reading)
        for n in reading.off(name)
        if not _went_elsewhere(reading.judged[n])
    ]
    numbers.sort(key=lambda n: -(reading.judged[n].angle_deg or 0.0))
    return [reading.say("line-misses", "fix", [n], _missed(reading.judged[n]))
            for n in numbers[:MOST_SINGLE_LINES]]  # fmt: skip


def _missed(line: JudgedStroke) -> str:
    name = line.family
    if line.miss_mm is None or not math.isfinite(line.miss_mm):
        return f"This line is {line.angle_deg:.1f}° off its way to {name}. Draw it anew."
    return (
        f"This line passes {line.miss_mm:.0f} mm beside {name} ({line.angle_deg:.1f}°). Lay the "
        f"ruler on its corner and on {name}, then draw."
    )


def _strays(reading: Reading) -> list[Finding]:
    return [
        reading.say("stray-line", "tidy", [n], "This line belongs to nothing here; rub it out.")
        for n, line in enumerate(reading.judged)
        if line.verdict is Verdict.STRAY and line.assigned.found.dark
    ]


def _middle(reading: Reading) -> tuple[float, float]:
    sheet = reading.key.scene.sheet
    return sheet.width_mm / 2, sheet.height_mm / 2


def counted(count: int, one: str, many: str) -> str:
    """One edge is; 3 edges are."""
    return f"One {one}" if count == 1 else f"{count} {many}"


def numbers_of(lines: Sequence[int]) -> tuple[int, ...]:
    """Line numbers, each once."""
    return tuple(dict.fromkeys(lines))
