"""How well the judge sees: sheets from the stand-in, each judged and held against the truth.

A sheet's truth is what the stand-in drew: where each line really goes and which line was meant.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass, field
from typing import Any, NamedTuple

from orthopsis.demo.scanner import PhotoSetting, hard_setting, scan_sheet
from orthopsis.exercise.resolve import Scene
from orthopsis.marking.fitting import RuledLine, meeting
from orthopsis.marking.judge import SheetVerdict, check_image
from orthopsis.marking.judging.answer_key import LEVEL_GOALS
from orthopsis.marking.judging.families import signed_turn_deg
from orthopsis.marking.judging.verdicts import JudgedStroke, Verdict
from orthopsis.perspective.plane import Point
from orthopsis.perspective.segments import XY
from orthopsis.perspective.view import FREE

LEAST_MM = 5.0
OFF_DEG, GOOD_DEG = 1.5, 0.7

PLANS: tuple[tuple[str, tuple[str, ...]], ...] = (
    ("none", ()),
    ("lean", ("lean",)),
    ("high-vp", ("high-vp",)),
    ("wrong-vp", ("wrong-vp",)),
    ("stray", ("stray",)),
    ("overshoot", ("overshoot", "missing")),
)
"""The mistakes on the sheets of a set: none, and five kinds."""


class Case(NamedTuple):
    """One sheet of a set: which exercise, drawn how, taken how."""

    exercise: str
    seed: int
    mistakes: tuple[str, ...]
    flat: bool
    setting: PhotoSetting


NAMED_BY: dict[str, set[str]] = {
    "lean": {"upright-leans", "sheet-turned", "line-misses"},
    "high-vp": {"vp-moved"},
    "wrong-vp": {"wrong-point", "line-misses"},
    "stray": {"stray-line"},
    "overshoot": {"corner-overshoots"},
    "missing": {"missing-edge", "strip-missing", "steps-missing", "legs-missing"},
}
"""The corrections that name a mistake."""


def cases(
    exercises: Sequence[str],
    first_seed: int,
    setting_of: Callable[[int], PhotoSetting] = hard_setting,
) -> list[Case]:
    """A sheet for each exercise and kind of mistake; every fourth is a flat scan."""
    made = []
    for number, (name, (_, mistakes)) in enumerate(
        (name, plan) for plan in PLANS for name in exercises
    ):
        seed = first_seed + number
        made.append(Case(name, seed, mistakes, number % 4 == 3, setting_of(seed)))
    return made


def right_cases(
    exercises: Sequence[str],
    first_seed: int,
    rounds: int,
    setting_of: Callable[[int], PhotoSetting] = hard_setting,
) -> list[Case]:
    """Sheets without a mistake, so many of each exercise; every fourth is a flat scan."""
    named = [name for _ in range(rounds) for name in exercises]
    return [
        Case(name, seed, (), seed % 4 == 3, setting_of(seed))
        for seed, name in enumerate(named, start=first_seed)
    ]


@dataclass
class Score:
    """What was counted over some sheets. Each pair is how many of how many."""

    sheets: list[int] = field(default_factory=lambda: [0, 0])
    outlines: list[int] = field(default_factory=lambda: [0, 0])
    caught: list[int] = field(default_factory=lambda: [0, 0])
    blamed: list[int] = field(default_factory=lambda: [0, 0])
    family: list[int] = field(default_factory=lambda: [0, 0])
    right: list[int] = field(default_factory=lambda: [0, 0])
    named: list[int] = field(default_factory=lambda: [0, 0])
    vp_error_mm: list[float] = field(default_factory=list)
    best_error_mm: list[float] = field(default_factory=list)
    notes: list[str] = field(default_factory=list)

    def add(self, other: Score) -> None:
        for name in ("sheets", "outlines", "caught", "blamed", "family", "right", "named"):
            mine, theirs = getattr(self, name), getattr(other, name)
            mine[0], mine[1] = mine[0] + theirs[0], mine[1] + theirs[1]
        self.vp_error_mm += other.vp_error_mm
        self.best_error_mm += other.best_error_mm
        self.notes += other.notes

    @property
    def vp_ratio(self) -> float:
        """Root mean square error of found points over that of the best fit to the drawn lines."""
        if not self.best_error_mm:
            return 0.0
        squares = [sum(e * e for e in errors) for errors in (self.vp_error_mm, self.best_error_mm)]
        return math.sqrt(squares[0] / squares[1])

    def lines(self) -> list[str]:
        """The figures, each with what it should be."""

        def share(pair: list[int]) -> str:
            return f"{100 * pair[0] / max(1, pair[1]):6.2f} % of {pair[1]}"

        return [
            f"sheets found                  {share(self.sheets)}",
            f"outlines found                {share(self.outlines)} (at least 98)",
            f"lines 1.5° off that are caught{share(self.caught)} (at least 95)",
            f"lines within 0.7° called off  {share(self.blamed)} (at most 1)",
            f"family right                  {share(self.family)} (at least 98)",
            f"right sheets that are corrected{share(self.right)} (at most 3)",
            f"planted mistakes named at once {share(self.named)} (at least 95)",
            f"error of found points         {self.vp_ratio:6.2f} × the best fit (at most 1.5)",
        ]


def score(scene: Scene, case: Case) -> Score:
    """Draw, take, judge and compare one sheet."""
    data, truth = scan_sheet(scene, case.seed, case.mistakes, flat=case.flat, setting=case.setting)
    return compared(scene, case, truth, check_image(scene, data))


def compared(scene: Scene, case: Case, truth: dict[str, Any], verdict: SheetVerdict) -> Score:
    """The judge's word against the truth."""
    result = Score(sheets=[int(verdict.sheet_found), 1])
    goals = {vp.name: vp.at for vp in scene.vanishing_points} | LEVEL_GOALS
    lines = [line for line in truth["strokes"] if math.dist(line["from"], line["to"]) >= LEAST_MM]
    straight = [line for line in lines if not line.get("curve")]
    where = f"{case.exercise} seed {case.seed}"

    def turn(line: dict[str, Any]) -> float:
        return abs(signed_turn_deg(line["from"], line["to"], goals[line["family"]]))

    for line in straight:
        if line["role"] != "outline":
            continue
        found = _covering(line, verdict.strokes)
        if line["mistake"] != "stray":
            result.outlines[1] += 1
            result.outlines[0] += bool(found)
            if not found:
                result.notes.append(f"{where}: not found {line['from']} {line['to']}")
        if line["family"] != FREE and turn(line) >= OFF_DEG and not _drawn_over(line, straight):
            result.caught[1] += 1
            caught = any(one.verdict in (Verdict.OFF, Verdict.STRAY) for one in found)
            result.caught[0] += caught
            if not caught:
                said = [(str(one.verdict), one.family, one.angle_deg) for one in found]
                result.notes.append(f"{where}: not caught {turn(line):.1f}° {line['from']} {said}")
    for one in verdict.strokes:
        meant = _meant_by(one, lines)
        if meant is None:
            continue
        result.family[1] += 1
        right = any(line["family"] == one.family for line in meant)
        result.family[0] += right
        if not right:
            result.notes.append(
                f"{where}: family {one.family} for {meant[0]['family']} "
                f"{one.assigned.found.start} {one.assigned.found.end}"
            )
        good = [x for x in meant if x["family"] != FREE and turn(x) <= GOOD_DEG]
        if good and len(good) == len(meant):
            result.blamed[1] += 1
            blamed = one.verdict is Verdict.OFF
            result.blamed[0] += blamed
            if blamed:
                result.notes.append(
                    f"{where}: blamed {one.family} {one.angle_deg:.2f}° ± "
                    f"{one.assigned.found.angle_sd_deg:.2f} truly {turn(good[0]):.2f} "
                    f"{one.assigned.found.start} {one.assigned.found.end}"
                )
    _points(scene, case, straight, verdict, result)
    _sheet_by_sheet(where, truth, verdict, result)
    return result


def _sheet_by_sheet(
    where: str, truth: dict[str, Any], verdict: SheetVerdict, result: Score
) -> None:
    """Whether a right sheet is corrected, and whether what was planted is the first or the second
    correction. Of what the stand-in could not plant nothing is counted.
    """
    corrections = [one.code for one in verdict.findings if one.level in ("fix", "tidy")]
    fixes = [one.code for one in verdict.findings if one.level == "fix"]
    planted = {line["mistake"] for line in truth["strokes"]} - {None}
    asked = [name for name in truth["mistakes"] if name in planted or name == "missing"]
    if not truth["mistakes"]:
        result.right = [int(bool(fixes)), 1]
        if fixes:
            result.notes.append(f"{where}: right, and told {fixes}")
    elif asked:
        codes = set().union(*(NAMED_BY.get(name, set()) for name in asked))
        named = bool(codes & set(corrections[:2]))
        result.named = [int(named), 1]
        if not named:
            result.notes.append(f"{where}: {asked} told as {corrections[:3]}")


def _points(
    scene: Scene, case: Case, lines: Iterable[dict[str, Any]], verdict: SheetVerdict, result: Score
) -> None:
    """Each found point, and the best fit to the same family as drawn, from where both should be."""
    drawn = [x for x in lines if x["role"] == "outline" and x["mistake"] in (None, "high-vp")]
    for point in verdict.points:
        of_it = [x for x in drawn if x["family"] == point.name]
        if point.found is None or len(of_it) < 4 or point.intended.at_infinity:
            continue
        best = meeting([RuledLine(tuple(x["from"]), tuple(x["to"]), 0.1) for x in of_it])
        if best is None:
            continue
        aim = point.intended.xy
        if any(x["mistake"] == "high-vp" for x in of_it):
            from orthopsis.demo.pupil import HIGH_VP_MM

            aim = aim[0], aim[1] - HIGH_VP_MM
        result.vp_error_mm.append(math.dist(point.found, aim))
        result.best_error_mm.append(max(math.dist(best.at, aim), 0.2))
        if result.vp_error_mm[-1] > 2.5 * result.best_error_mm[-1]:
            result.notes.append(
                f"{case.exercise} seed {case.seed}: {point.name} {result.vp_error_mm[-1]:.1f} mm, "
                f"best {result.best_error_mm[-1]:.1f}"
            )


def _beside(a: XY, b: XY, c: XY, d: XY) -> tuple[float, float, float, float]:
    """Of segment cd beside segment ab: farthest distance, angle, and the reach of it on ab."""
    size = math.dist(a, b)
    ux, uy = (b[0] - a[0]) / size, (b[1] - a[1]) / size
    off = max(abs((p[0] - a[0]) * uy - (p[1] - a[1]) * ux) for p in (c, d))
    turn = abs(signed_turn_deg(c, d, Point(ux, uy, 0.0)))
    t = sorted((p[0] - a[0]) * ux + (p[1] - a[1]) * uy for p in (c, d))
    return off, turn, max(t[0], 0.0), min(t[1], size)


def _drawn_over(line: dict[str, Any], lines: Sequence[dict[str, Any]]) -> bool:
    """Whether a wrong line lies by chance on a right one, where nobody could tell it."""
    for other in lines:
        if other is line or other["mistake"] is not None:
            continue
        off, turn, low, high = _beside(line["from"], line["to"], other["from"], other["to"])
        if off < 1.2 and turn < 1.0 and high - low > 0.5 * math.dist(line["from"], line["to"]):
            return True
    return False


def _covering(line: dict[str, Any], found: Sequence[JudgedStroke]) -> list[JudgedStroke]:
    """The found strokes that together cover most of a drawn line; none when they do not."""
    a, b = line["from"], line["to"]
    size, covered, kept = math.dist(a, b), [], []
    for one in found:
        stroke = one.assigned.found
        off, turn, low, high = _beside(a, b, stroke.start, stroke.end)
        if turn < 3.0 and off < 1.0 + 0.01 * stroke.length_mm and high > low:
            covered.append((low, high))
            kept.append(one)
    total, reach = 0.0, 0.0
    for low, high in sorted(covered):
        total += max(0.0, high - max(low, reach))
        reach = max(reach, high)
    return kept if total > 0.6 * size else []


def _meant_by(one: JudgedStroke, lines: Sequence[dict[str, Any]]) -> list[dict[str, Any]] | None:
    """The drawn lines that a found stroke lies along; None for what is none of them."""
    stroke = one.assigned.found
    along = []
    for line in lines:
        off, turn, low, high = _beside(line["from"], line["to"], stroke.start, stroke.end)
        if off < 0.9 and turn < 1.5 and high - low > 0.6 * stroke.length_mm:
            along.append(line)
    return along or None
