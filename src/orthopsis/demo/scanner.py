"""The scanner stand-in: a pupil draws the sheet, a camera takes it, and the truth is kept."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any

import numpy as np

from orthopsis.demo.camera import PHOTO_PX, encode, photograph, scan_flat
from orthopsis.demo.desk import TIDY, Around, harder
from orthopsis.demo.pencil import (
    HARDER_PENCILS,
    HB,
    Pencil,
    hatch,
    print_marks,
    shade,
    smudge,
    write_name,
)
from orthopsis.demo.pupil import MISTAKES, PupilLine, drawn_lines, ink, to_its_point
from orthopsis.exercise.records import point
from orthopsis.exercise.resolve import Scene
from orthopsis.exercise.tone import planes

__all__ = ["MISTAKES", "PhotoSetting", "hard_setting", "scan_sheet"]


@dataclass(frozen=True)
class PhotoSetting:
    """What a sheet is drawn with and how it is taken.

    `marks` prints corner marks, with `code` a QR code; `untidy` adds a name and smudges;
    `toned` lays the planes' values on where the exercise has them, `hatched` fills the darker ones
    with lines instead; `to_points` draws guide lines on, all the way to their point.
    """

    pencil: Pencil = HB
    around: Around = TIDY
    untidy: bool = False
    marks: bool = False
    code: str | None = None
    toned: bool = False
    hatched: bool = False
    to_points: bool = False
    photo_px: tuple[int, int] = PHOTO_PX


def hard_setting(seed: int) -> PhotoSetting:
    """Harder than most days at school: other desks, pencils, hands, curls and stains."""
    rng = np.random.default_rng((seed, 1))
    pencil = HARDER_PENCILS[rng.integers(len(HARDER_PENCILS))]
    return PhotoSetting(pencil, harder(rng), untidy=bool(rng.random() < 0.6))


CLASSROOM_PX = ((2600, 1950), (3200, 2400), (4000, 3000))


def classroom_setting(seed: int) -> PhotoSetting:
    """As hard, and drawn as children draw: a slow wobble, outlines of unequal strength, guide lines
    all the way to the point; taken by phones of 5 to 12 megapixels.
    """
    rng = np.random.default_rng((seed, 2))
    hard = hard_setting(seed)
    # The lightest outline is still darker than a guide line.
    most = 1.0 - 1.35 * hard.pencil.guide / hard.pencil.outline
    pencil = replace(
        hard.pencil,
        wobble_mm=float(rng.uniform(0.06, 0.16)),
        breaks=float(rng.uniform(0.0, 0.2)),
        uneven=min(most, float(rng.uniform(0.2, 0.5))),
    )
    return replace(
        hard, pencil=pencil, to_points=True,
        photo_px=CLASSROOM_PX[int(rng.integers(len(CLASSROOM_PX)))],
    )  # fmt: skip


def scan_sheet(
    scene: Scene,
    seed: int,
    mistakes: Sequence[str] = (),
    *,
    flat: bool = False,
    form: str = "jpeg",
    step: int | None = None,
    setting: PhotoSetting | None = None,
) -> tuple[bytes, dict[str, Any]]:
    """A picture file of a pupil's sheet and what is true of it.

    The same seed gives the same picture. `mistakes` are names of MISTAKES.
    """
    chosen = setting or PhotoSetting()
    rng = np.random.default_rng(seed)
    lines = drawn_lines(scene, mistakes, rng, step)
    if chosen.to_points:
        lines = [to_its_point(line, scene) for line in lines]
    paper = ink(scene, lines, rng, chosen.pencil)
    if chosen.toned:
        for plane in planes(scene):
            shade(paper, plane.loops, plane.value, rng)
    if chosen.hatched:
        for plane in planes(scene):
            if plane.value >= 2:
                hatch(paper, plane.loops, chosen.pencil, rng)
    if chosen.untidy:
        write_name(paper, rng)
        smudge(paper, rng)
    if chosen.marks:
        print_marks(paper, scene.sheet, chosen.code)
    if flat:
        picture, corners = scan_flat(paper, scene.sheet, rng, chosen.around)
    else:
        picture, corners = photograph(paper, scene.sheet, rng, chosen.around, chosen.photo_px)
    truth = {
        "seed": seed,
        "mistakes": list(mistakes),
        "flat": flat,
        "corners_px": [point((x, y)) for x, y in corners],
        "strokes": [_truth(line) for line in lines],
    }
    return encode(picture, form), truth


def _truth(line: PupilLine) -> dict[str, Any]:
    return {
        "family": line.meant.family,
        "role": str(line.meant.role),
        "piece": None if line.meant.part is None else str(line.meant.part),
        "curve": line.meant.curve is not None,
        "meant": [point(line.meant.start), point(line.meant.end)],
        "from": point(line.start),
        "to": point(line.end),
        "mistake": line.mistake,
    }
