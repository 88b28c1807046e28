"""What is said of lines one by one and in families: where they lead, and whether they stand."""

from __future__ import annotations

import math
from collections.abc import Collection

import numpy as np

from orthopsis.marking.findings.one import Finding, JudgedSheet, finding
from orthopsis.marking.judging.verdicts import JudgedStroke, Verdict
from orthopsis.perspective.view import HORIZONTAL, VERTICAL
from orthopsis.phrase import About, Choice, Number, Phrase, PointName, Value, say

MOST_SINGLE_LINES = 5
ASKED_DEG, ASKED_MM, MOST_QUESTIONS = 1.5, 20.0, 3
LEAST_STRAY_MM = 12.0
"""What is shorter is a letter of somebody's writing or a smudge."""
TURNED_DEG = 0.8
"""A drawing turned as a whole by less is within what a square allows."""


def praise(sheet: JudgedSheet, wrong: Collection[int] = ()) -> list[Finding]:
    """What is right; there is always something. Nothing is said of lines that are `wrong` by what
    they are, and not by where they lead.
    """
    said = []
    if sheet.reached is not None:
        step = Number(float(sheet.reached))
        said.append(finding("half-finished", "praise", _middle(sheet), step=step))
    for point in sheet.points:
        lines = [n for n in sheet.of(point.name) if n not in wrong]
        good = [n for n in lines if sheet.judged[n].verdict is Verdict.ON]
        off = [n for n in lines if sheet.judged[n].verdict is Verdict.OFF]
        values: dict[str, Value] = {
            "good": Number(float(len(good))),
            "all": Number(float(len(lines))),
        }
        name = PointName(point.name)
        if len(lines) >= 2 and len(good) == len(lines):
            code = "family-meets"
        elif len(lines) >= 2 and not off:
            code = "family-nearly-meets"
            values["others"] = Number(float(len(lines) - len(good)))
        elif len(good) >= 2 and len(good) >= 0.6 * len(lines):
            code = "family-mostly-meets"
        else:
            continue
        said.append(sheet.of_lines(code, "praise", good or lines, point=name, **values))
    uprights = [n for n in sheet.of(VERTICAL) if n not in wrong]
    if len(uprights) >= 3 and all(sheet.judged[n].verdict is Verdict.ON for n in uprights):
        said.append(sheet.of_lines("uprights-true", "praise", uprights))
    return said or [_something_right(sheet, wrong)]


def _something_right(sheet: JudgedSheet, wrong: Collection[int]) -> Finding:
    on = [n for n, line in enumerate(sheet.judged) if line.verdict is Verdict.ON]
    good = [n for n in on if n not in wrong]
    if good:
        return sheet.of_lines("lines-on", "praise", good, good=Number(float(len(good))))
    return finding("lines-on", "praise", _middle(sheet), (), "begun")


def of_lines(sheet: JudgedSheet) -> list[Finding]:
    """Everything that is said of lines, in no order."""
    turned = _turned_sheet(sheet)
    return [
        *_own_points(sheet),
        *_wrong_points(sheet),
        *([turned] if turned else _uprights_and_levels(sheet)),
        *_single_lines(sheet),
        *_strays(sheet),
        *_unsure(sheet),
    ]


def _own_points(sheet: JudgedSheet) -> list[Finding]:
    said = []
    for point in sheet.own_points:
        assert point.found is not None
        (x, y), name = point.intended.xy, PointName(point.name)
        where = _away(point.found[0] - x, point.found[1] - y, name)
        lines = sheet.of(point.name)
        said.append(finding("vp-moved", "fix", point.found, lines, point=name, where=where))
    return said


def _away(across_mm: float, down_mm: float, point: PointName) -> Phrase:
    """As in "1.4 cm above and 0.3 cm to the left of VP1"."""
    side, height = (
        Choice("to-right" if across_mm > 0 else "to-left"),
        Choice("below" if down_mm > 0 else "higher"),
    )
    down = abs(down_mm) >= 1.0
    across = abs(across_mm) >= 1.0 and abs(across_mm) > 0.2 * abs(down_mm)
    if down and across:
        return say(
            "away-both", down=About(abs(down_mm)), height=height, across=About(abs(across_mm)),
            side=side, point=point,
        )  # fmt: skip
    if down:
        return say("away-down", down=About(abs(down_mm)), height=height, point=point)
    if across:
        return say("away-across", across=About(abs(across_mm)), side=side, point=point)
    return say("away-little", point=point)


def _to_points(sheet: JudgedSheet) -> list[str]:
    """The points whose lines are spoken of one by one."""
    elsewhere = {point.name for point in sheet.own_points}
    return [point.name for point in sheet.points if point.name not in elsewhere]


def _went_elsewhere(line: JudgedStroke) -> bool:
    return line.assigned.wrong_way or line.runs_to is not None


def _wrong_points(sheet: JudgedSheet) -> list[Finding]:
    return [
        sheet.of_lines(
            "wrong-point", "fix", [n], point=PointName(name), goes=_goes(sheet.judged[n])
        )
        for name in _to_points(sheet)
        for n in sheet.off(name)
        if _went_elsewhere(sheet.judged[n])
    ]


def _goes(line: JudgedStroke) -> Phrase:
    if line.runs_to:
        return say("goes-to", other=PointName(line.runs_to))
    return say("goes-off", angle=Number(line.angle_deg or 0.0))


def _turned_sheet(sheet: JudgedSheet) -> Finding | None:
    """All uprights and levels turned the same way: the paper lay crooked under the ruler."""
    numbers = [*sheet.of(VERTICAL), *sheet.of(HORIZONTAL)]
    turns = np.array([sheet.judged[n].turn_deg or 0.0 for n in numbers])
    off = [n for n in numbers if sheet.judged[n].verdict is Verdict.OFF]
    if len(numbers) < 4 or len(off) < 3:
        return None
    usual = float(np.median(turns))
    together = np.abs(turns - usual) <= TURNED_DEG
    if abs(usual) <= TURNED_DEG or together.mean() < 0.8:
        return None
    way = Choice("clockwise" if usual > 0 else "against-the-clock")
    return sheet.of_lines("sheet-turned", "fix", off, angle=Number(abs(usual), 1), way=way)


def _uprights_and_levels(sheet: JudgedSheet) -> list[Finding]:
    said = []
    for family, code in ((VERTICAL, "upright-leans"), (HORIZONTAL, "level-tilts")):
        for n in sheet.off(family):
            line = sheet.judged[n]
            expected = line.assigned.expected
            eye_level = expected is not None and expected.stroke.part is None
            angle = Number(line.angle_deg or 0.0, 1)
            named = "eye-level-tilts" if eye_level else code
            said.append(sheet.of_lines(named, "fix", [n], angle=angle))
    return said


def _single_lines(sheet: JudgedSheet) -> list[Finding]:
    numbers = [
        n
        for name in _to_points(sheet)
        for n in sheet.off(name)
        if not _went_elsewhere(sheet.judged[n])
    ]
    numbers.sort(key=lambda n: -(sheet.judged[n].angle_deg or 0.0))
    return [_missed(sheet, n) for n in numbers[:MOST_SINGLE_LINES]]


def _missed(sheet: JudgedSheet, number: int) -> Finding:
    line = sheet.judged[number]
    point, angle = PointName(line.family), Number(line.angle_deg or 0.0, 1)
    if line.miss_mm is None or not math.isfinite(line.miss_mm):
        far = "line-misses-far"
        return sheet.of_lines("line-misses", "fix", [number], far, point=point, angle=angle)
    miss = Number(line.miss_mm)
    return sheet.of_lines("line-misses", "fix", [number], point=point, angle=angle, miss=miss)


def _strays(sheet: JudgedSheet) -> list[Finding]:
    return [
        sheet.of_lines("stray-line", "tidy", [n])
        for n, line in enumerate(sheet.judged)
        if line.verdict is Verdict.STRAY
        and line.assigned.found.dark
        and line.assigned.found.length_mm >= LEAST_STRAY_MM
    ]


def _unsure(sheet: JudgedSheet) -> list[Finding]:
    """Lines that seem to be off and are too short or too unsteady to tell: asked, not said."""
    doubtful = [
        n
        for n, line in enumerate(sheet.judged)
        if line.verdict is Verdict.NEAR
        and line.assigned.found.dark
        and line.assigned.found.length_mm >= ASKED_MM
        and line.assigned.expected is not None
        and (line.angle_deg or 0.0) > ASKED_DEG
    ]
    doubtful.sort(key=lambda n: -(sheet.judged[n].angle_deg or 0.0))
    return [
        sheet.of_lines("unsure-line", "ask", [n], angle=Number(sheet.judged[n].angle_deg or 0.0, 1))
        for n in doubtful[:MOST_QUESTIONS]
    ]


def _middle(sheet: JudgedSheet) -> tuple[float, float]:
    paper = sheet.key.scene.sheet
    return paper.width_mm / 2, paper.height_mm / 2
