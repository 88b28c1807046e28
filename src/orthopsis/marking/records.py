"""A verdict as plain data and as words: what `check` prints and the web sends."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import asdict
from typing import Any

from orthopsis.exercise.records import number, point
from orthopsis.marking.answer_key import LEVEL_GOALS
from orthopsis.marking.find_strokes import FoundStroke
from orthopsis.marking.findings import Finding
from orthopsis.marking.judge import SheetVerdict
from orthopsis.marking.photo import Grey
from orthopsis.marking.verdicts import JudgedStroke, MeetingPoint, Verdict
from orthopsis.perspective.plane import Point, direction


def stroke_record(line: JudgedStroke) -> dict[str, Any]:
    found = line.assigned.found
    record: dict[str, Any] = {
        "from": point(found.start),
        "to": point(found.end),
        "family": line.family,
        "miss_mm": None if line.miss_mm is None else number(line.miss_mm),
        "angle_deg": None if line.angle_deg is None else number(line.angle_deg),
        "verdict": str(line.verdict),
    }
    if line.own_turn_deg is not None:
        record["own_deg"] = number(abs(line.own_turn_deg))
    return record


def meeting_record(meeting: MeetingPoint) -> dict[str, Any]:
    return {
        "name": meeting.name,
        "intended_mm": point(meeting.intended.xy),
        "found_mm": None if meeting.found is None else point(meeting.found),
        "lines": meeting.lines,
    }


def verdict_record(verdict: SheetVerdict) -> dict[str, Any]:
    """What `check --format json` prints."""
    return {
        "sheet_found": verdict.sheet_found,
        "strokes": [stroke_record(line) for line in verdict.strokes],
        "vanishing_points": [meeting_record(meeting) for meeting in verdict.points],
        "findings": [finding_record(finding) for finding in verdict.findings],
    }


def kept_record(verdict: SheetVerdict, grey: Grey) -> dict[str, Any]:
    """A verdict as it is kept with its sheet, with what the screen shows beside each line.

    `true` is the true line through a line's middle, null for a stray; `corners_px` are null when no
    sheet was found; `photo_px` is width and height.
    """
    height, width = grey.shape
    corners = None if verdict.corners is None else [point(c) for c in verdict.corners]
    record = judged_record(verdict)
    return {
        **record,
        "found": [found_record(stroke) for stroke in verdict.found],
        "corners_px": corners,
        "photo_px": [width, height],
        "photo": None if verdict.quality is None else asdict(verdict.quality),
        "code": None if verdict.code is None else list(verdict.code),
        "task": verdict.task._asdict(),
    }


def judged_record(verdict: SheetVerdict) -> dict[str, Any]:
    """What is kept of the judging alone: made anew when a teacher corrects a line."""
    goals = {**LEVEL_GOALS, **{p.name: p.intended for p in verdict.points}}
    strokes = [
        {
            **stroke_record(line),
            "true": _true_line(line, goals.get(line.family)),
            "number": line.assigned.found.number,
            "dark": line.assigned.found.dark,
            "meant": line.meant,
            "sd_deg": number(line.assigned.found.angle_sd_deg),
        }
        for line in verdict.strokes
    ]
    points = [
        {**meeting_record(p), "ellipse": None if p.met is None else list(p.met.ellipse)}
        for p in verdict.points
    ]
    findings = [
        {**finding_record(f), "lines": [strokes[n]["number"] for n in f.lines]}
        for f in verdict.findings
    ]
    return {
        **verdict_record(verdict),
        "strokes": strokes,
        "vanishing_points": points,
        "findings": findings,
        "reached": verdict.reached,
    }


def finding_record(finding: Finding) -> dict[str, Any]:
    return {
        "code": finding.code,
        "level": finding.level,
        "where": point(finding.where),
        "message": finding.message,
    }


def found_record(stroke: FoundStroke) -> dict[str, Any]:
    """A found line as it is kept, so that it can be judged again without the photo."""
    return {
        "from": point(stroke.start),
        "to": point(stroke.end),
        "sd_deg": number(stroke.angle_sd_deg),
        "darkness": number(stroke.darkness),
        "dark": stroke.dark,
    }


def found_of(records: Sequence[Mapping[str, Any]]) -> list[FoundStroke]:
    """The found lines from what was kept of them."""
    return [
        FoundStroke(tuple(r["from"]), tuple(r["to"]), r["sd_deg"], r["darkness"], r["dark"], number)
        for number, r in enumerate(records)
    ]


def _true_line(line: JudgedStroke, goal: Point | None) -> list[list[float]] | None:
    """As long as the pupil's line, through its middle, toward its point."""
    if goal is None:
        return None
    found = line.assigned.found
    middle = Point(*found.middle)
    dx, dy = direction(middle, goal)
    half = found.length_mm / 2
    return [
        point((middle.x - dx * half, middle.y - dy * half)),
        point((middle.x + dx * half, middle.y + dy * half)),
    ]


def verdict_text(verdict: SheetVerdict) -> str:
    """What `check --format text` prints: counts, then the words in their order."""
    lines = []
    if verdict.sheet_found:
        counts = {kind: sum(line.verdict is kind for line in verdict.strokes) for kind in Verdict}
        lines.append(", ".join(f"{count} {kind}" for kind, count in counts.items()))
        for meeting in verdict.points:
            x, y = meeting.intended.xy
            found = (
                "cannot be told"
                if meeting.found is None
                else "at {:.0f}, {:.0f} mm".format(*meeting.found)
            )
            lines.append(
                f"{meeting.name} ({x:.0f}, {y:.0f} mm): {meeting.lines} lines, meet {found}"
            )
    signs = {"praise": "+", "fix": "!", "tidy": "·"}
    lines += [f"{signs[f.level]} {f.message}" for f in verdict.findings]
    return "\n".join(lines) + "\n"
