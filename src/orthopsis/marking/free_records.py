"""What is said of a picture without an exercise, in pixels of the picture turned upright."""

from __future__ import annotations

import math
from typing import Annotated, Literal

import numpy as np
from pydantic import Field

from orthopsis.exercise.records import XY, Record, number, point
from orthopsis.marking.findings.one import Level
from orthopsis.marking.judging.families import Assigned
from orthopsis.marking.judging.free import read_freely
from orthopsis.marking.judging.free_picture import FreeSheet
from orthopsis.marking.judging.verdicts import (
    STANDARD,
    JudgedStroke,
    Strictness,
    Verdict,
    judge_lines,
)
from orthopsis.marking.records import SIGNS, FoundRecord, found_of, found_record
from orthopsis.perspective.view import HORIZONTAL, VERTICAL
from orthopsis.phrase import Number, Phrase, PointName, say
from orthopsis.wording.words import Words

MOST_SAID = 5


class FreePointRecord(Record):
    """A point that was found: how many lines lead there, and how sure it is, 0 to 1."""

    name: str
    found_px: XY
    lines: int
    sure: float


class FreeStrokeRecord(Record):
    start: Annotated[XY, Field(alias="from")]
    end: Annotated[XY, Field(alias="to")]
    family: str
    angle_deg: float | None
    verdict: Literal["on", "near", "off", "stray"]
    miss_px: float | None


class FreeFindingRecord(Record):
    code: str
    level: Level
    where: XY
    message: str


class FreeLines(Record):
    """What was found in a picture, as it is kept: its lines in units of their own, and the
    homography from these to its pixels, by rows.
    """

    image_px: tuple[int, int]
    kind: Literal["drawing", "photograph"]
    to_px: list[list[float]]
    found: list[FoundRecord]

    @property
    def read(self) -> FreeSheet:
        """The picture read by itself."""
        reading = read_freely(found_of(self.found))
        return FreeSheet(reading, self.image_px, np.array(self.to_px, dtype=float), self.kind)


def free_lines(sheet: FreeSheet) -> FreeLines:
    """What is kept of a picture."""
    return FreeLines(
        image_px=sheet.size_px,
        kind=sheet.kind,
        to_px=sheet.to_px.tolist(),
        found=[found_record(line) for line in sheet.reading.lines],
    )


class FreeRecord(Record):
    """What a picture shows by itself; `image_px` is its width and height."""

    image_px: tuple[int, int]
    eye_level_px: tuple[XY, XY] | None
    vanishing_points: list[FreePointRecord]
    strokes: list[FreeStrokeRecord]
    findings: list[FreeFindingRecord]


def free_record(sheet: FreeSheet, demand: Strictness = STANDARD) -> FreeRecord:
    """What `check --free` prints; no exercise tells in whose words."""
    judged = judged_freely(sheet, demand)
    level = sheet.eye_level_px
    return FreeRecord(
        image_px=sheet.size_px,
        eye_level_px=None if level is None else (point(level[0]), point(level[1])),
        vanishing_points=[
            FreePointRecord(
                name=p.name, found_px=point(sheet.px(p.met.at)), lines=len(p.lines), sure=p.sure
            )
            for p in sheet.reading.points
        ],
        strokes=[_stroke(sheet, line) for line in judged],
        findings=_findings(sheet, judged, Words()),
    )


def judged_freely(sheet: FreeSheet, demand: Strictness = STANDARD) -> list[JudgedStroke]:
    """Each line against the point its own family meets in."""
    read = sheet.reading
    lines = [Assigned(f, name) for f, name in zip(read.lines, read.families, strict=True)]
    return judge_lines(lines, read.goals, demand)


def _stroke(sheet: FreeSheet, line: JudgedStroke) -> FreeStrokeRecord:
    found = line.assigned.found
    start, end = sheet.px(found.start), sheet.px(found.end)
    return FreeStrokeRecord(
        start=point(start),
        end=point(end),
        family=line.family,
        angle_deg=None if line.angle_deg is None else number(line.angle_deg),
        verdict=line.verdict.value,
        miss_px=_miss_px(sheet, line, start, end),
    )


def _miss_px(sheet: FreeSheet, line: JudgedStroke, start: XY, end: XY) -> float | None:
    """How far a line, drawn on, passes its point in the picture."""
    met = next((p.met.at for p in sheet.reading.points if p.name == line.family), None)
    if met is None:
        return None
    x, y = sheet.px(met)
    across = (x - start[0]) * (end[1] - start[1]) - (y - start[1]) * (end[0] - start[0])
    return round(abs(across) / max(math.dist(start, end), 1e-9), 3)


def _findings(
    sheet: FreeSheet, judged: list[JudgedStroke], words: Words
) -> list[FreeFindingRecord]:
    """What is right, what passes its point, and what could not be told."""
    read = sheet.reading
    said: list[FreeFindingRecord] = []

    def tell(code: str, level: Level, where: XY, phrase: Phrase) -> None:
        place = point(sheet.px(where))
        said.append(
            FreeFindingRecord(code=code, level=level, where=place, message=words.say(phrase))
        )

    for found in read.points:
        own = [judged[n] for n in found.lines]
        good = sum(line.verdict is Verdict.ON for line in own)
        if own and good >= 0.6 * len(own):
            counts = {"good": Number(float(good)), "all": Number(float(len(own)))}
            phrase = say("free-meets", point=PointName(found.name), **counts)
            tell("family-meets", "praise", found.met.at, phrase)
    if not read.points:
        phrase = say("free-no-points")
        width, height = sheet.size_px
        middle = point((width / 2, height / 2))
        said.append(
            FreeFindingRecord(
                code="no-points", level="fix", where=middle, message=words.say(phrase)
            )
        )
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


def free_text(record: FreeRecord) -> str:
    """What `check --free --format text` prints."""
    lines = []
    level = record.eye_level_px
    if level is None:
        lines.append("eye level: cannot be told")
    else:
        (_, y0), (_, y1) = level
        lines.append(f"eye level: {y0:.0f} px down at the left edge, {y1:.0f} px at the right")
    for vp in record.vanishing_points:
        x, y = vp.found_px
        sure = round(100 * vp.sure)
        lines.append(f"{vp.name}: at {x:.0f}, {y:.0f} px, {vp.lines} lines, {sure} % sure")
    lines += [f"{SIGNS[f.level]} {f.message}" for f in record.findings]
    return "\n".join(lines) + "\n"
