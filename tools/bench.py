"""Speed, as ratios within one run: every figure stands beside what it is compared with.

Usage: ./orthopsis bench. Absolute times depend on the machine and its other work; ratios do not.
"""

from __future__ import annotations

import os
import statistics
import subprocess
import sys
import time
from collections.abc import Callable
from pathlib import Path
from typing import Any

import cv2
import numpy as np

from orthopsis.demo.scanner import scan_sheet
from orthopsis.exercise.load import from_data, parse
from orthopsis.exercise.resolve import picture, resolve, steps
from orthopsis.handout.pages import handout_pdf
from orthopsis.marking.judge import check_image

ROOT = Path(__file__).parents[1]


def median_s(run: Callable[[], Any], times: int = 5) -> float:
    """Median seconds of a few runs, after one that is not counted."""
    run()
    counted = []
    for _ in range(times):
        began = time.perf_counter()
        run()
        counted.append(time.perf_counter() - began)
    return statistics.median(counted)


def report(what: str, seconds: float, against: str, base: float) -> None:
    print(f"{what:<44} {seconds * 1000:9.1f} ms   {seconds / base:7.2f} × {against}")


def boxes_on_a_floor(count: int, across: int = 10, high_mm: float = 60.0) -> dict[str, Any]:
    """Rows of crates behind each other, of changing height, seen in one point.

    A crate of row r stands 1 + 0.12·r times as far away as the picture plane.
    """
    level_mm, vp_mm, eye_height_mm = 60.0, 210.0, 220.0
    pieces = []
    for i in range(count):
        row, place = divmod(i, across)
        size = 1.0 / (1.0 + 0.12 * row)
        foot_mm = level_mm + eye_height_mm * size
        wide, high = 0.7 * 420 / across * size, high_mm * size * (0.5 + (i * 37 % 11) / 11)
        x_mm = vp_mm + (place - across / 2 + 0.15) * 420 / across * size
        pieces.append(
            {
                "kind": "box",
                "id": f"crate {i}",
                "standing": "ground",
                "front": {
                    "x_mm": round(x_mm, 3),
                    "y_mm": round(foot_mm - high, 3),
                    "width_mm": round(wide, 3),
                    "height_mm": round(high, 3),
                },
                "depth": {"fraction": 0.06},
            }
        )
    return {
        "format": "orthopsis-exercise",
        "version": 1,
        "title": "bench",
        "sheet": {"size": "A3"},
        "view": {
            "kind": "one-point",
            "eye_level_mm": level_mm,
            "vanishing_point_mm": vp_mm,
            "viewing_distance_mm": 400,
            "eye_height_mm": eye_height_mm,
        },
        "pieces": pieces,
    }


def drawing() -> None:
    print("\nDrawing")
    few, many = (resolve(from_data(boxes_on_a_floor(n))) for n in (10, 100))
    base = median_s(lambda: picture(few))
    report("picture of 10 boxes", base, "itself", base)
    report("picture of 100 boxes", median_s(lambda: picture(many), 3), "10 boxes", base)
    report("steps of 10 boxes", median_s(lambda: steps(few), 3), "picture of 10 boxes", base)


def processes() -> None:
    print("\nWhole processes")
    environment = {**os.environ, "PYTHONPATH": str(ROOT / "src"), "PYDANTIC_DISABLE_PLUGINS": "1"}

    def process(*args: str) -> None:
        subprocess.run(
            [sys.executable, *args], env=environment, check=True, stdout=subprocess.DEVNULL
        )

    bare = median_s(lambda: process("-c", "import pydantic; pydantic.BaseModel"))
    report("python importing the model library alone", bare, "itself", bare)
    crates = str(ROOT / "examples" / "seed-crates.json")
    draw = median_s(lambda: process("-m", "orthopsis.cli", "draw", crates))
    report("draw examples/seed-crates.json", draw, "importing that alone", bare)


def marking() -> None:
    print("\nMarking one photo")
    scene = resolve(parse((ROOT / "examples" / "seed-crates.json").read_bytes()))
    photo, truth = scan_sheet(scene, 41)
    source = np.array(truth["corners_px"], np.float32)
    size = (2520, 1782)
    target = np.array([[0, 0], [size[0], 0], size, [0, size[1]]], np.float32)

    def by_opencv_alone() -> None:
        grey = cv2.imdecode(np.frombuffer(photo, np.uint8), cv2.IMREAD_GRAYSCALE)
        flat = cv2.warpPerspective(grey, cv2.getPerspectiveTransform(source, target), size)
        cv2.createLineSegmentDetector().detect(flat)

    base = median_s(by_opencv_alone, 3)
    report("OpenCV's decode, warp and segments", base, "itself", base)
    judged = median_s(lambda: check_image(scene, photo), 3)
    report("check of the same photo", judged, "OpenCV's own part", base)


def printing() -> None:
    print("\nPrinting")
    scene = resolve(parse((ROOT / "examples" / "seed-crates.json").read_bytes()))
    base = median_s(lambda: handout_pdf(scene, ["key"]), 3)
    report("answer key", base, "itself", base)
    report("handout of 15 steps and key", median_s(lambda: handout_pdf(scene), 3), "the key", base)


if __name__ == "__main__":
    for part in (drawing, processes, marking, printing):
        part()
