"""A verdict as plain data and as words: what `check` prints and the web sends."""

from __future__ import annotations

from typing import Any

from orthopsis.exercise.records import number, point
from orthopsis.marking.answer_key import LEVEL_GOALS
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
        "findings": [
            {"code": f.code, "level": f.level, "where": point(f.where), "message": f.message}
            for f in verdict.findings
        ],
    }


def kept_record(verdict: SheetVerdict, grey: Grey) -> dict[str, Any]:
    """A verdict as it is kept with its sheet, with what the screen shows beside each line.

    `true` is the true line through a line's middle, null for a stray; `corners_px` are null when no
    sheet was found; `photo_px` is width and height.
    """
    height, width = grey.shape
    corners = None if verdict.corners is None else [point(c) for c in verdict.corners]
    goals = {**LEVEL_GOALS, **{p.name: p.intended for p in verdict.points}}
    strokes = [
        {**stroke_record(line), "true": _true_line(line, goals.get(line.family))}
        for line in verdict.strokes
    ]
    return {
        **verdict_record(verdict),
        "strokes": strokes,
        "corners_px": corners,
        "photo_px": [width, height],
    }


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
