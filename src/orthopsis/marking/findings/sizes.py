"""What is said of sizes: those that pupils chose themselves, and those they measured wrongly."""

from __future__ import annotations

from orthopsis.exercise.resolve import Scene
from orthopsis.marking.findings.one import Finding, JudgedSheet, finding
from orthopsis.marking.judging.answer_key import Measured
from orthopsis.marking.judging.own_sizes import OwnCut, own_cuts
from orthopsis.perspective.plane import Point, distance
from orthopsis.perspective.segments import XY, distance_to_segment
from orthopsis.phrase import About, Choice, Number, PointName
from orthopsis.pieces.describe import measure_label
from orthopsis.pieces.placement.front import OnFront

HALFWAY = 0.5
"""What goes back further looks stretched (common practice, no published source)."""
CLEARLY = 0.04
NEAR_MM = 1.0
DEEP = 1.25
"""So many times as deep as it is wide, and more, is told."""


def of_sizes(sheet: JudgedSheet) -> list[Finding]:
    """What was measured otherwise than asked, and what goes further back than halfway to its point
    where pupils chose by eye how far.
    """
    scene = sheet.key.scene
    said = [_measured(sheet, one) for one in sheet.key.measured]
    for cut in own_cuts(scene) if sheet.key.sized else ():
        gone_mm = distance(cut.grip.start, cut.grip.at)
        vp = next(
            (one for one in scene.vanishing_points
             if distance(one.at, cut.grip.goal) < 1e-6), None,
        )  # fmt: skip
        if vp is not None and gone_mm > (HALFWAY + CLEARLY) * cut.way_mm:
            times = _times_as_deep(scene, cut, vp.at)
            said.append(
                finding(
                    "past-halfway", "tidy", cut.grip.at.xy,
                    piece=scene.pieces[cut.number].name, gone=About(gone_mm),
                    point=PointName(vp.name), ratio=Number(times),
                    deep=Choice("yes" if times >= DEEP else "no"),
                )
            )  # fmt: skip
    return said


def _times_as_deep(scene: Scene, cut: OwnCut, vp: Point) -> float:
    """How many times as deep as it is wide a block with a front is in truth; 0 for others."""
    place, stage = scene.pieces[cut.number].place, scene.stage(cut.number)
    if not isinstance(place, OnFront):
        return 0.0
    near, _, sweep, _ = place.frame(stage)
    # What is seen in its own size is as far away as the sheet, and depth is counted in that.
    return sweep[2] * stage.view.true_length(vp) / (near[1][0] - near[0][0])


def _measured(sheet: JudgedSheet, one: Measured) -> Finding:
    number = one.path[1]
    assert isinstance(number, int)
    piece = sheet.key.scene.exercise.pieces[number]
    return finding(
        "measured-otherwise", "fix", one.at, _lines_at(sheet, one.at),
        piece=sheet.key.scene.pieces[number].name, measure=measure_label(piece, one.path[2:]),
        drawn=About(one.drawn_mm), asked=About(one.asked_mm),
    )  # fmt: skip


def _lines_at(sheet: JudgedSheet, place: XY) -> list[int]:
    """The numbers of the lines through a place."""
    founds = [line.assigned.found for line in sheet.judged]
    return [n for n, one in enumerate(founds)
            if distance_to_segment(place, (one.start, one.end)) < NEAR_MM]  # fmt: skip
