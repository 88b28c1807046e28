"""What is said of a picture without an exercise, in pixels of the picture turned upright."""

from __future__ import annotations

import math
from typing import Any

from orthopsis.exercise.records import point
from orthopsis.marking.findings.one import Level
from orthopsis.marking.judging.families import Assigned
from orthopsis.marking.judging.free import FreeSheet
from orthopsis.marking.judging.verdicts import (
    STANDARD,
    JudgedStroke,
    Strictness,
    Verdict,
    judge_lines,
)
from orthopsis.marking.records import SIGNS, stroke_record
from orthopsis.perspective.segments import XY
from orthopsis.perspective.view import HORIZONTAL, VERTICAL
from orthopsis.phrase import Number, Phrase, PointName, say
from orthopsis.wording.words import Words

MOST_SAID = 5


def free_record(sheet: FreeSheet, demand: Strictness = STANDARD) -> dict[str, Any]:
    """What `check --free --format json` prints; no exercise tells in whose words."""
    width, height = sheet.size_px
    k = sheet.unit_px
    judged = judged_freely(sheet, demand)
    read = sheet.reading
    eye_level = None
    if read.eye_level is not None:
        (x, y), slope = read.eye_level
        eye_level = [
            point((0.0, (y - slope * x) * k)),
            point((float(width), (y - slope * x) * k + slope * width)),
        ]
    strokes = []
    for line in judged:
        record = stroke_record(line).plain()
        miss = record.pop("miss_mm")
        strokes.append(
            {
                **record,
                "from": _px(line.assigned.found.start, k),
                "to": _px(line.assigned.found.end, k),
                "miss_px": None if miss is None else round(miss * k, 3),
            }
        )
    return {
        "image_px": [width, height],
        "eye_level_px": eye_level,
        "vanishing_points": [
            {"name": p.name, "found_px": _px(p.met.at, k), "lines": len(p.lines), "sure": p.sure}
            for p in read.points
        ],
        "strokes": strokes,
        "findings": _findings(sheet, judged, Words()),
    }


def judged_freely(sheet: FreeSheet, demand: Strictness = STANDARD) -> list[JudgedStroke]:
    """Each line against the point its own family meets in."""
    read = sheet.reading
    lines = [Assigned(f, name) for f, name in zip(read.lines, read.families, strict=True)]
    return judge_lines(lines, read.goals, demand)


def _px(place: XY, unit_px: float) -> XY:
    return point((place[0] * unit_px, place[1] * unit_px))


def _findings(sheet: FreeSheet, judged: list[JudgedStroke], words: Words) -> list[dict[str, Any]]:
    """What is right, what passes its point, and what could not be told."""
    read, k = sheet.reading, sheet.unit_px
    said: list[dict[str, Any]] = []

    def tell(code: str, level: Level, where: XY, phrase: Phrase) -> None:
        said.append(
            {"code": code, "level": level, "where": _px(where, k), "message": words.say(phrase)}
        )

    for found in read.points:
        own = [judged[n] for n in found.lines]
        good = sum(line.verdict is Verdict.ON for line in own)
        if good >= 0.6 * len(own):
            counts = {"good": Number(float(good)), "all": Number(float(len(own)))}
            phrase = say("free-meets", point=PointName(found.name), **counts)
            tell("family-meets", "praise", found.met.at, phrase)
    if not read.points:
        middle = (sheet.size_px[0] / 2 / k, sheet.size_px[1] / 2 / k)
        tell("no-points", "fix", middle, say("free-no-points"))
    if read.eye_level is not None and len([p for p in read.points if p.name != "VP3"]) > 1:
        tilt = math.degrees(math.atan(read.eye_level[1]))
        if abs(tilt) > 1.5:
            phrase = say("free-tilts", angle=Number(abs(tilt), 1))
            tell("eye-level-tilts", "fix", read.eye_level[0], phrase)
    off = [line for line in judged if line.verdict is Verdict.OFF]
    off.sort(key=lambda line: -(line.angle_deg or 0.0))
    for line in off[:MOST_SAID]:
        middle, angle = line.assigned.found.middle, Number(line.angle_deg or 0.0, 1)
        if line.family == VERTICAL:
            tell("upright-leans", "fix", middle, say("free-leans", angle=angle))
        elif line.family == HORIZONTAL:
            tell("line-misses", "fix", middle, say("free-misses-level", angle=angle))
        else:
            phrase = say("free-misses", angle=angle, point=PointName(line.family))
            tell("line-misses", "fix", middle, phrase)
    return said


def free_text(record: dict[str, Any]) -> str:
    """What `check --free --format text` prints."""
    lines = []
    level = record["eye_level_px"]
    if level is None:
        lines.append("eye level: cannot be told")
    else:
        (_, y0), (_, y1) = level
        lines.append(f"eye level: {y0:.0f} px down at the left edge, {y1:.0f} px at the right")
    for vp in record["vanishing_points"]:
        x, y = vp["found_px"]
        sure = round(100 * vp["sure"])
        lines.append(f"{vp['name']}: at {x:.0f}, {y:.0f} px, {vp['lines']} lines, {sure} % sure")
    lines += [f"{SIGNS[f['level']]} {f['message']}" for f in record["findings"]]
    return "\n".join(lines) + "\n"
