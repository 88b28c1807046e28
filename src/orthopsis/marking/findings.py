"""What a teacher says: first what is right, then the corrections, the most useful one first.

The order of usefulness: a vanishing point of the pupil's own (one cause for many lines), a line to
the wrong point, leaning uprights, single lines that miss (the worst first), missing edges, then
what is only tidiness.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from orthopsis.construction.wording import Wording
from orthopsis.exercise.resolve import Scene
from orthopsis.marking.answer_key import Expected
from orthopsis.marking.verdicts import JudgedStroke, MeetingPoint, Verdict
from orthopsis.perspective.segments import XY
from orthopsis.perspective.view import HORIZONTAL, VERTICAL

Level = Literal["praise", "fix", "tidy"]
MOST_SINGLE_LINES = 5

TITLES = {
    "vp-moved": "A vanishing point of their own",
    "wrong-point": "A line to the wrong point",
    "upright-leans": "Uprights that lean",
    "level-tilts": "Level lines that tilt",
    "eye-level-tilts": "An eye level that is not level",
    "line-misses": "Lines that pass beside the vanishing point",
    "missing-edge": "Edges that were forgotten",
    "no-sheet": "Photos without a sheet",
}
"""Each correction as a heading, for the register."""


@dataclass(frozen=True)
class Finding:
    """One thing to say, with its place on the sheet."""

    code: str
    level: Level
    where: XY
    message: str


def findings(
    scene: Scene,
    judged: Sequence[JudgedStroke],
    points: Sequence[MeetingPoint],
    expected: Sequence[Expected],
) -> list[Finding]:
    """Praise, fixes and tidying, in the order in which they are said."""
    praise = _praise(scene, judged, points)
    fixes = [
        *_own_points(scene, points),
        *_wrong_points(judged, points),
        *_uprights_and_levels(judged, scene.wording.square),
        *_single_lines(judged, points),
        *_missing(judged, expected),
    ]
    return [*praise, *fixes, *_strays(judged)]


def _praise(
    scene: Scene, judged: Sequence[JudgedStroke], points: Sequence[MeetingPoint]
) -> list[Finding]:
    said = []
    for point in points:
        lines = _of(judged, point.name)
        good = sum(line.verdict is Verdict.ON for line in lines)
        if len(lines) >= 2 and good == len(lines):
            said.append(
                _at(lines[0], "family-meets", "praise",
                    f"All {good} of your lines to {point.name} lead there. Well ruled.")
            )  # fmt: skip
        elif len(lines) >= 2 and all(line.verdict is not Verdict.OFF for line in lines):
            said.append(
                _at(lines[0], "family-nearly-meets", "praise",
                    f"{good} of your {len(lines)} lines to {point.name} lead there, and the others "
                    "come very near it.")
            )  # fmt: skip
        elif good >= 2 and good >= 0.6 * len(lines):
            said.append(
                _at(lines[0], "family-mostly-meets", "praise",
                    f"{good} of your {len(lines)} lines to {point.name} lead there.")
            )  # fmt: skip
    uprights = _of(judged, VERTICAL)
    if len(uprights) >= 3 and all(line.verdict is Verdict.ON for line in uprights):
        said.append(_at(uprights[0], "uprights-true", "praise", "Your uprights stand straight."))
    if not said:
        good_lines = [line for line in judged if line.verdict is Verdict.ON]
        where = good_lines[0].assigned.found.middle if good_lines else (
            scene.sheet.width_mm / 2, scene.sheet.height_mm / 2
        )  # fmt: skip
        words = (
            f"{len(good_lines)} of your lines are just right."
            if good_lines
            else "You have put your drawing on the sheet: that is a start to build on."
        )
        said.append(Finding("lines-on", "praise", where, words))
    return said


def _own_points(scene: Scene, points: Sequence[MeetingPoint]) -> list[Finding]:
    said = []
    for point in points:
        if not point.consistent_elsewhere or point.found is None:
            continue
        x, y = point.intended.xy
        across, down = point.found[0] - x, point.found[1] - y
        where = _direction(scene.wording, across, down, point.name)
        said.append(
            Finding(
                "vp-moved", "fix", point.found,
                f"Your lines agree with one another, but they meet {where}. "
                f"Next time put the dot for {point.name} on the {scene.wording.eye_level} first, "
                "and lay the ruler on that dot for every line.",
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


def _wrong_points(judged: Sequence[JudgedStroke], points: Sequence[MeetingPoint]) -> list[Finding]:
    elsewhere = {point.name for point in points if point.consistent_elsewhere}
    return [
        _at(line, "wrong-point", "fix",
            f"This line should run to {line.family}, but it {_goes(line)}. Put the pencil on its corner and swing the ruler to "
            f"{line.family} before drawing.")
        for line in judged
        if (line.assigned.wrong_way or line.runs_to) and line.verdict is Verdict.OFF
        and line.family not in {VERTICAL, HORIZONTAL} | elsewhere
    ]  # fmt: skip


def _goes(line: JudgedStroke) -> str:
    if line.runs_to:
        return f"runs to {line.runs_to}"
    return f"goes another way, {line.angle_deg:.0f}° off"


def _uprights_and_levels(judged: Sequence[JudgedStroke], square: str) -> list[Finding]:
    said = []
    for family, code, name, tool in (
        (VERTICAL, "upright-leans", "upright", f"lay the {square} on the edge of the sheet"),
        (HORIZONTAL, "level-tilts", "level line", "measure both its ends from the top edge"),
    ):
        for line in _worst_first(judged, family):
            eye_level = line.assigned.expected and line.assigned.expected.stroke.piece is None
            said.append(
                _at(line, "eye-level-tilts" if eye_level else code, "fix",
                    f"This {'line across the sheet' if eye_level else name} is turned by "
                    f"{line.angle_deg:.1f}°. Next time {tool}.")
            )  # fmt: skip
    return said


def _single_lines(judged: Sequence[JudgedStroke], points: Sequence[MeetingPoint]) -> list[Finding]:
    elsewhere = {point.name for point in points if point.consistent_elsewhere}
    missing = [
        line
        for point in points
        if point.name not in elsewhere
        for line in _worst_first(judged, point.name)
        if not (line.assigned.wrong_way or line.runs_to)
    ]
    missing.sort(key=lambda line: -(line.angle_deg or 0.0))
    said = [
        _at(line, "line-misses", "fix",
            f"This line passes {line.miss_mm or 0.0:.0f} mm beside {line.family} "
            f"({line.angle_deg:.1f}°). Lay the ruler on its corner and on {line.family}, "
            "then draw.")
        for line in missing[:MOST_SINGLE_LINES]
    ]  # fmt: skip
    return said


def _missing(judged: Sequence[JudgedStroke], expected: Sequence[Expected]) -> list[Finding]:
    found = {id(line.assigned.expected) for line in judged if line.assigned.expected}
    gone = [e.stroke for e in expected if e.outline and id(e) not in found]
    if not gone:
        return []
    (x0, y0), (x1, y1) = gone[0].segment
    number = "One edge is" if len(gone) == 1 else f"{len(gone)} edges are"
    words = f"{number} not to be found; compare the drawing with the finished picture."
    return [Finding("missing-edge", "fix", ((x0 + x1) / 2, (y0 + y1) / 2), words)]


def _strays(judged: Sequence[JudgedStroke]) -> list[Finding]:
    return [
        _at(line, "stray-line", "tidy", "This line belongs to nothing here; rub it out.")
        for line in judged
        if line.verdict is Verdict.STRAY and line.assigned.found.dark
    ]


def _of(judged: Sequence[JudgedStroke], family: str) -> list[JudgedStroke]:
    return [line for line in judged if line.family == family]


def _worst_first(judged: Sequence[JudgedStroke], family: str) -> list[JudgedStroke]:
    off = [line for line in _of(judged, family) if line.verdict is Verdict.OFF]
    return sorted(off, key=lambda line: -(line.angle_deg or 0.0))


def _at(line: JudgedStroke, code: str, level: Level, message: str) -> Finding:
    return Finding(code, level, line.assigned.found.middle, message)
