"""The scanner stand-in: a pupil draws the sheet, a camera takes it, and the truth is kept."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

import numpy as np

from orthopsis.demo.camera import encode, photograph, scan_flat
from orthopsis.demo.pupil import MISTAKES, Drawn, drawn_lines, ink
from orthopsis.exercise.records import point
from orthopsis.exercise.resolve import Scene

__all__ = ["MISTAKES", "scan_sheet"]


def scan_sheet(
    scene: Scene,
    seed: int,
    mistakes: Sequence[str] = (),
    *,
    flat: bool = False,
    form: str = "jpeg",
    step: int | None = None,
) -> tuple[bytes, dict[str, Any]]:
    """A picture file of a pupil's sheet and what is true of it.

    The same seed gives the same picture. `mistakes` are names of MISTAKES.
    """
    rng = np.random.default_rng(seed)
    lines = drawn_lines(scene, mistakes, rng, step)
    picture, corners = (scan_flat if flat else photograph)(ink(scene, lines, rng), scene.sheet, rng)
    truth = {
        "seed": seed,
        "mistakes": list(mistakes),
        "flat": flat,
        "corners_px": [point((x, y)) for x, y in corners],
        "strokes": [_truth(line) for line in lines],
    }
    return encode(picture, form), truth


def _truth(line: Drawn) -> dict[str, Any]:
    return {
        "family": line.meant.family,
        "role": str(line.meant.role),
        "piece": line.meant.piece,
        "meant": [point(line.meant.start), point(line.meant.end)],
        "from": point(line.start),
        "to": point(line.end),
        "mistake": line.mistake,
    }
