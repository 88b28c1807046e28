"""What is said of sizes that pupils chose themselves."""

from __future__ import annotations

from orthopsis.marking.findings.one import Finding, JudgedSheet, finding
from orthopsis.marking.judging.own_sizes import own_cuts
from orthopsis.perspective.plane import distance
from orthopsis.phrase import About, PointName

HALFWAY = 0.5
"""What goes back further looks stretched (common practice, no published source)."""
CLEARLY = 0.04


def of_sizes(sheet: JudgedSheet) -> list[Finding]:
    """What goes further back than halfway to its point, where pupils chose by eye how far."""
    if not sheet.key.sized:
        return []
    said = []
    for cut in own_cuts(sheet.key.scene):
        gone_mm = distance(cut.grip.start, cut.grip.at)
        vp = next(
            (one for one in sheet.key.scene.vanishing_points
             if distance(one.at, cut.grip.goal) < 1e-6), None,
        )  # fmt: skip
        if vp is not None and gone_mm > (HALFWAY + CLEARLY) * cut.way_mm:
            piece = sheet.key.scene.pieces[cut.number].name
            said.append(
                finding(
                    "past-halfway", "tidy", cut.grip.at.xy,
                    piece=piece, gone=About(gone_mm), point=PointName(vp.name),
                )
            )  # fmt: skip
    return said
