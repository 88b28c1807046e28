"""What lies around a sheet when it is photographed: the desk, the light, a hand, a curled edge."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

import cv2
import numpy as np
from numpy.typing import NDArray

Desk = Literal["wood", "light wood", "cloth", "speckled"]
DESKS: tuple[Desk, ...] = ("wood", "light wood", "cloth", "speckled")
Over = Literal["nothing", "hand", "ruler", "cut off"]
OVERS: tuple[Over, ...] = ("nothing", "hand", "ruler", "cut off")

Tones = NDArray[np.float32]


@dataclass(frozen=True)
class Around:
    """How a photo is taken. `quarter` turns of the camera; `curl_mm` lifts one side of the sheet.

    `over` is what lies over an edge or a corner; `shadow` a soft shadow across the paper; `slant`
    how much nearer one side is than the other.
    """

    desk: Desk = "wood"
    over: Over = "nothing"
    quarter: int = 0
    curl_mm: float = 0.0
    shadow: bool = False
    slant: float = 0.05
    turn_deg: float = 3.5


TIDY = Around()


def harder(rng: np.random.Generator) -> Around:
    """A photo as it is taken in a hurry."""
    return Around(
        desk=DESKS[rng.integers(len(DESKS))],
        over=OVERS[rng.integers(len(OVERS))],
        quarter=int(rng.integers(4)),
        curl_mm=float(rng.uniform(2.0, 7.0)) if rng.random() < 0.5 else 0.0,
        shadow=bool(rng.random() < 0.5),
        slant=0.09,
        turn_deg=8.0,
    )


def desk(kind: Desk, width: int, height: int, rng: np.random.Generator) -> Tones:
    """The desk's brightness: grain along wood, threads of cloth, specks of stone."""
    if kind == "cloth":
        xs, ys = np.arange(width, dtype=np.float32), np.arange(height, dtype=np.float32)[:, None]
        threads = 7.0 * np.sin(xs / 2.1) * np.sin(ys / 2.3)
        return np.asarray(rng.uniform(45, 80) + threads, dtype=np.float32)
    if kind == "speckled":
        specks = rng.normal(0.0, 1.0, (height // 3 + 1, width // 3 + 1)).astype(np.float32)
        stone = cv2.resize(specks, (width, height), interpolation=cv2.INTER_LINEAR)
        return np.asarray(np.float32(rng.uniform(95, 130)) + np.float32(26.0) * stone)
    knots = rng.normal(0.0, 1.0, (height // 8, width // 64)).astype(np.float32)
    grain = cv2.resize(knots, (width, height), interpolation=cv2.INTER_CUBIC)
    low, high = (70, 112) if kind == "wood" else (140, 172)
    return np.asarray(np.float32(rng.uniform(low, high)) + np.float32(9.0) * grain)


def light(width: int, height: int, around: Around, rng: np.random.Generator) -> Tones:
    """A window on one side: brightness falls off across the sheet."""
    x, y = np.linspace(-1, 1, width // 8), np.linspace(-1, 1, height // 8)[:, None]
    angle, fall = rng.uniform(0, 2 * np.pi), rng.uniform(0.06, 0.16)
    falling = 1.0 + fall * (np.cos(angle) * x + np.sin(angle) * y) - 0.05 * (x**2 + y**2)
    if around.shadow:
        # The head and shoulders of who holds the camera.
        side = np.cos(angle + 1.0) * x + np.sin(angle + 1.0) * y - rng.uniform(-0.2, 0.5)
        falling = falling * (1.0 - 0.28 / (1.0 + np.exp(-side * 14.0)))
    # Light changes so slowly that every eighth pixel will do.
    return np.asarray(cv2.resize(falling.astype(np.float32), (width, height)), dtype=np.float32)


def lay_over(
    photo: Tones, corners: NDArray[np.float64], around: Around, rng: np.random.Generator
) -> None:
    """A hand or a ruler over an edge, drawn into the photo."""
    first = int(rng.integers(4))
    a, b = corners[first], corners[(first + 1) % 4]
    along = (b - a) / np.linalg.norm(b - a)
    inward = corners.mean(axis=0) - (a + b) / 2
    inward /= np.linalg.norm(inward)
    size = float(np.linalg.norm(b - a))
    at = a + rng.uniform(0.3, 0.7) * (b - a)
    tone = float(rng.uniform(95, 150))
    if around.over == "ruler":
        reach = rng.uniform(0.15, 0.3) * size
        lean = along * rng.uniform(-0.4, 0.4) + inward
        wide = 0.028 * size * along
        corners_of_it = np.array(
            [at - wide - 0.4 * reach * lean, at + wide - 0.4 * reach * lean,
             at + wide + 0.05 * reach * lean, at - wide + 0.05 * reach * lean]
        )  # fmt: skip
        cv2.fillConvexPoly(photo, np.round(corners_of_it).astype(np.int32), tone)
    else:
        for finger in range(4):
            tip = at + along * (finger - 1.5) * 0.035 * size + inward * 0.02 * size
            root = tip - inward * 0.35 * size
            cv2.line(photo, tuple(np.round(root).astype(int)), tuple(np.round(tip).astype(int)),
                     tone + 3 * finger, round(0.026 * size), cv2.LINE_AA)  # fmt: skip
