"""From a picture file to a verdict: the stations of marking, in order."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from orthopsis.errors import ImageError
from orthopsis.exercise.resolve import Scene
from orthopsis.exercise.runthrough import run_through
from orthopsis.marking.families import assign, expected_lines, support, without_curves
from orthopsis.marking.find_sheet import Corners, find_corners, turned_half
from orthopsis.marking.find_strokes import FoundStroke, find_strokes
from orthopsis.marking.findings import Finding, findings
from orthopsis.marking.photo import Grey, open_grey
from orthopsis.marking.straighten import Straightened, straighten
from orthopsis.marking.svg_lines import is_svg, lines_of_svg
from orthopsis.marking.verdicts import (
    STANDARD,
    Demand,
    JudgedStroke,
    MeetingPoint,
    judge_lines,
    meeting_points,
    with_own_angles,
)
from orthopsis.perspective.segments import XY


@dataclass(frozen=True)
class SheetVerdict:
    """All that is said of one sheet. `corners` are in the photo's pixels, None for an SVG."""

    sheet_found: bool
    strokes: list[JudgedStroke]
    points: list[MeetingPoint]
    findings: list[Finding]
    corners: list[XY] | None = None
    straightened: Straightened | None = None


def check_image(
    scene: Scene,
    data: bytes,
    step: int | None = None,
    *,
    corners: Sequence[XY] | None = None,
    demand: Demand = STANDARD,
) -> SheetVerdict:
    """Judge a photo, scan or SVG of lines. `corners` set by hand replace the search for them.

    Raises ImageError for a file that cannot be read, ExerciseError for a document without steps.
    """
    count = len(run_through(scene))
    if step is not None and not 1 <= step <= count:
        raise ImageError(f"--step: {step} is none of the steps 1 to {count}; choose one of them")
    if is_svg(data):
        return judge_strokes(scene, lines_of_svg(data, scene.sheet), step, demand)
    grey = open_grey(data)
    return check_grey(scene, grey, step, corners=corners, demand=demand)


def check_grey(
    scene: Scene,
    grey: Grey,
    step: int | None = None,
    *,
    corners: Sequence[XY] | None = None,
    demand: Demand = STANDARD,
) -> SheetVerdict:
    """Judge an opened picture."""
    if corners is not None:
        return _judged_at(scene, grey, np.array(corners, dtype=float), step, demand)
    found = find_corners(grey, scene.sheet)
    if found is None:
        return _no_sheet(scene)
    verdict = _judged_at(scene, grey, found, step, demand)
    if _support(scene, verdict, step) < 0.4:
        # Perhaps the sheet lies upside down.
        other = _judged_at(scene, grey, turned_half(found), step, demand)
        if _support(scene, other, step) > _support(scene, verdict, step):
            return other
    return verdict


def judge_strokes(
    scene: Scene, found: Sequence[FoundStroke], step: int | None, demand: Demand = STANDARD
) -> SheetVerdict:
    """Judge lines already in sheet millimetres."""
    expected = expected_lines(scene, step)
    straight = without_curves(found, scene)
    judged = judge_lines(assign(straight, expected, scene), scene, demand)
    points = meeting_points(judged, scene, demand)
    judged = with_own_angles(judged, points)
    return SheetVerdict(True, judged, points, findings(scene, judged, points, expected))


def _judged_at(
    scene: Scene, grey: Grey, corners: Corners, step: int | None, demand: Demand
) -> SheetVerdict:
    flat = straighten(grey, corners, scene.sheet)
    verdict = judge_strokes(scene, find_strokes(flat), step, demand)
    places = [(float(x), float(y)) for x, y in corners]
    return SheetVerdict(True, verdict.strokes, verdict.points, verdict.findings, places, flat)


def _support(scene: Scene, verdict: SheetVerdict, step: int | None) -> float:
    expected = expected_lines(scene, step)
    found = [line.assigned.found for line in verdict.strokes]
    return support(assign(found, expected, scene), expected)


def _no_sheet(scene: Scene) -> SheetVerdict:
    middle = scene.sheet.width_mm / 2, scene.sheet.height_mm / 2
    points = [MeetingPoint(vp.name, vp.at, None, 0) for vp in scene.vanishing_points]
    advice = Finding(
        "no-sheet",
        "fix",
        middle,
        "No sheet was found in the picture. Lay it on a darker desk, take in all four corners "
        "with a little desk around them, and hold the camera straight above; or set the corners "
        "by hand.",
    )
    return SheetVerdict(False, [], points, [advice])
