"""Reading a drawing or photograph without an exercise: its eye level and up to three points.

Every pair of lines proposes the point where they cross; the proposal on which most lines agree by
their angles is a vanishing point (random sample consensus, M. A. Fischler and R. C. Bolles, 1981,
here over all pairs), which is then fitted to its lines. Lines that agree are set aside and the next
is sought. Uprights are a family of their own, whose point may lie far above or below.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import NamedTuple

import numpy as np

from orthopsis.marking.fitting import SURELY_DEG, Array, Meeting, RuledLine, ends_of, meeting
from orthopsis.marking.judging.families import signed_turn_deg
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.perspective.plane import LEVEL, UPRIGHT, Point
from orthopsis.perspective.segments import XY
from orthopsis.perspective.view import FREE, HORIZONTAL, VERTICAL

AGREE_DEG = 1.0
UPRIGHT_DEG = 14.0
LEVEL_DEG = 1.5
MOST_LINES = 160
LEAST_LINES = 3
MOST_TILT = 0.06
"""An eye level that slopes more is none: the two points do not belong together."""
LEAST_SHARE = 0.08
"""A family holds at least this share of all that was drawn."""
LONG_SIDE = 420.0
"""A picture without a sheet is read as if its longer side were so many millimetres."""
TOWARD_DEG = 6.0
"""A line that runs by a given point at more than this does not lead there."""


class FreePoint(NamedTuple):
    """A vanishing point that was found: its lines by number, and how sure it is, 0 to 1."""

    name: str
    met: Meeting
    lines: tuple[int, ...]
    sure: float


@dataclass(frozen=True)
class FreeReading:
    """What a picture shows by itself. Places are in the unit of the lines that were given.

    `families` names one for each line. `eye_level` is a place on it and its slope; None when it
    cannot be told. `parallel_uprights` tells that uprights meet nowhere near.
    """

    lines: list[FoundStroke]
    families: list[str]
    points: list[FreePoint]
    eye_level: tuple[XY, float] | None
    parallel_uprights: bool

    @property
    def goals(self) -> dict[str, Point]:
        """Where each family leads."""
        goals = {point.name: Point(*point.met.at) for point in self.points}
        if self.parallel_uprights:
            goals[VERTICAL] = self._usual(VERTICAL, UPRIGHT)
        if HORIZONTAL in self.families or len(self.points) < 2:
            goals[HORIZONTAL] = self._usual(HORIZONTAL, LEVEL)
        return goals

    def _usual(self, family: str, straight: Point) -> Point:
        """The direction most lines of a family share: the camera may have been held askew."""
        turns = [
            signed_turn_deg(line.start, line.end, straight)
            for line, name in zip(self.lines, self.families, strict=True)
            if name == family
        ]
        if len(turns) < LEAST_LINES:
            return straight
        turn = math.radians(float(np.median(turns)))
        c, s = math.cos(turn), math.sin(turn)
        return Point(c * straight.x - s * straight.y, s * straight.x + c * straight.y, 0.0)


def read_freely(lines: Sequence[FoundStroke]) -> FreeReading:
    """Eye level, points and families of some lines."""
    table = _Table(lines)
    families = np.full(len(lines), FREE, dtype=object)
    uprights = table.uprights()
    third = _third_point(table, uprights)
    if third is not None:
        toward = table.turns_deg(np.array([[*third.at, 1.0]]))[0]
        uprights = uprights & (toward < UPRIGHT_DEG / 3)
    families[uprights] = VERTICAL if third is None else "VP3"
    left = ~uprights
    levels = left & table.level()
    met: list[tuple[Meeting, Array, float]] = []
    for _ in range(2):
        found = _best_point(table, left)
        if found is None:
            break
        meeting_point, agree = found
        share = float(table.weight[agree].sum() / max(table.weight.sum(), 1e-9))
        # Level lines lie on any far point of the eye level: then they are no family of a point.
        mostly_level = float(table.weight[agree & levels].sum()) > 0.8 * table.weight[agree].sum()
        if not mostly_level and share >= LEAST_SHARE:
            met.append((meeting_point, agree, share))
        else:
            families[agree & levels] = HORIZONTAL
        left = left & ~agree
    families[left & levels] = HORIZONTAL
    met = _on_one_level(met)
    if third is None:
        slanted = _slanted_uprights(table, (families == FREE) | uprights)
        if slanted is not None:
            third, uprights = slanted
            families[families == VERTICAL] = FREE
            families[uprights] = "VP3"
    points = []
    for number, (meeting_point, agree, share) in enumerate(
        sorted(met, key=lambda one: one[0].at[0]), start=1
    ):
        families[agree] = f"VP{number}"
        numbers = tuple(int(n) for n in np.flatnonzero(agree))
        points.append(FreePoint(f"VP{number}", meeting_point, numbers, _sure(numbers, share)))
    eye_level = _eye_level(points)
    if third is not None:
        numbers = tuple(int(n) for n in np.flatnonzero(uprights))
        share = float(table.weight[uprights].sum() / max(table.weight.sum(), 1e-9))
        points.append(FreePoint("VP3", third, numbers, _sure(numbers, share)))
    return FreeReading(list(lines), [str(f) for f in families], points, eye_level, third is None)


def read_toward(lines: Sequence[FoundStroke], points: Mapping[str, XY]) -> FreeReading:
    """The same where somebody tells the points: each line leads to the one that it runs to best,
    or stands, or lies level.
    """
    table, names = _Table(lines), list(points)
    goals = {name: [x, y, 1.0] for name, (x, y) in points.items()}
    if "VP3" not in points:
        goals[VERTICAL] = [0.0, 1.0, 0.0]
    goals[HORIZONTAL] = [1.0, 0.0, 0.0]
    ways = np.array(list(goals.values()))
    turns = table.turns_deg(ways)
    best = turns.argmin(axis=0)
    near = turns.min(axis=0) < TOWARD_DEG
    families = [
        list(goals)[k] if close else FREE
        for k, close in zip(best.tolist(), near.tolist(), strict=True)
    ]
    told = []
    for name in names:
        own = tuple(n for n, family in enumerate(families) if family == name)
        told.append(FreePoint(name, Meeting(points[name], ((0.0, 0.0), (0.0, 0.0))), own, 1.0))
    level = [point for point in told if point.name != "VP3"]
    return FreeReading(list(lines), families, told, _eye_level(level), "VP3" not in points)


class _Table:
    """Lines as arrays: middles, directions, doubts and weights."""

    def __init__(self, lines: Sequence[FoundStroke]) -> None:
        ends = ends_of(lines)
        self.middle = (ends[:, :2] + ends[:, 2:]) / 2
        step = ends[:, 2:] - ends[:, :2]
        self.size = np.maximum(np.hypot(step[:, 0], step[:, 1]), 1e-9)
        self.along = step / self.size[:, None]
        self.doubt = np.array([max(s.angle_sd_deg, SURELY_DEG) for s in lines])
        dark = np.array([1.0 if s.dark else 0.6 for s in lines])
        self.weight = np.minimum(self.size, 60.0) * dark
        self.lines = [RuledLine(s.start, s.end, s.angle_sd_deg) for s in lines]
        normals = np.column_stack([-self.along[:, 1], self.along[:, 0]])
        offsets = -(normals * self.middle).sum(axis=1) if len(lines) else np.empty(0)
        self.homogeneous = np.column_stack([normals, offsets])

    def uprights(self) -> np.ndarray:
        """Lines nearer to upright than any level line is drawn."""
        lean = np.degrees(np.arctan2(np.abs(self.along[:, 0]), np.abs(self.along[:, 1])))
        return np.asarray(lean < UPRIGHT_DEG)

    def level(self) -> np.ndarray:
        slope = np.degrees(np.arctan2(np.abs(self.along[:, 1]), np.abs(self.along[:, 0])))
        return np.asarray(slope < LEVEL_DEG)

    def turns_deg(self, points: Array) -> Array:
        """Angles between each line and the way from its middle to each homogeneous point."""
        ways = points[:, None, :2] - points[:, None, 2:] * self.middle
        across = np.abs(ways[:, :, 0] * self.along[:, 1] - ways[:, :, 1] * self.along[:, 0])
        ahead = np.abs((ways * self.along).sum(axis=2))
        return np.asarray(np.degrees(np.arctan2(across, ahead)))


def _best_point(table: _Table, left: np.ndarray) -> tuple[Meeting, np.ndarray] | None:
    """The point on which most of the lines that are left agree, fitted to them."""
    numbers = np.flatnonzero(left)
    numbers = numbers[np.argsort(-table.weight[numbers])][:MOST_LINES]
    if len(numbers) < LEAST_LINES:
        return None
    i, j = np.triu_indices(len(numbers), 1)
    one, other = table.homogeneous[numbers[i]], table.homogeneous[numbers[j]]
    points = np.cross(one, other)
    turn = np.abs(
        table.along[numbers[i], 0] * table.along[numbers[j], 1]
        - table.along[numbers[i], 1] * table.along[numbers[j], 0]
    )
    points = points[turn > math.sin(math.radians(2.0))]
    if not len(points):
        return None
    best, most = None, 0.0
    for part in np.array_split(points, max(1, len(points) // 2000)):
        turns = table.turns_deg(part)[:, numbers]
        allowed = AGREE_DEG + 2.0 * np.minimum(table.doubt[numbers], 0.5)
        agree = np.clip(1.0 - (turns / allowed) ** 2, 0.0, None) * table.weight[numbers]
        total = agree.sum(axis=1)
        k = int(total.argmax())
        if total[k] > most:
            best, most = part[k], float(total[k])
    if best is None:
        return None
    met: Meeting | None = None
    for _ in range(3):
        turns = table.turns_deg(best[None])[0]
        agree = left & (turns < AGREE_DEG + 2.0 * np.minimum(table.doubt, 0.5))
        met = meeting([table.lines[n] for n in np.flatnonzero(agree)])
        if met is None:
            return None
        best = np.array([*met.at, 1.0])
    assert met is not None
    if agree.sum() < LEAST_LINES or _is_a_corner(table, agree, met.at):
        return None
    return met, agree


def _is_a_corner(table: _Table, agree: np.ndarray, at: XY) -> bool:
    """Whether the lines only end in one corner of the drawing and run nowhere else."""
    if agree.sum() > 4:
        return False
    reach = np.hypot(*(table.middle[agree] - np.array(at)).T)
    return bool((reach < 0.75 * table.size[agree]).sum() >= agree.sum() - 1)


def _third_point(table: _Table, uprights: np.ndarray) -> Meeting | None:
    """Where uprights meet, when they clearly do."""
    if uprights.sum() < LEAST_LINES:
        return None
    met = meeting([table.lines[n] for n in np.flatnonzero(uprights)])
    if met is None:
        return None
    turns = table.turns_deg(np.array([[*met.at, 1.0], [0.0, 1.0, 0.0]]))[:, uprights]
    toward, straight = (float(np.median(row)) for row in turns)
    clearly = straight > 1.2 and toward < 0.5 * straight
    away = abs(met.at[1] - table.middle[:, 1].mean())
    return met if clearly and LONG_SIDE / 7 < away < 10 * LONG_SIDE else None


def _slanted_uprights(table: _Table, left: np.ndarray) -> tuple[Meeting, np.ndarray] | None:
    """A third point far above or below, to which what is left runs at a slant."""
    found = _best_point(table, left)
    if found is None:
        return None
    met, agree = found
    dx, dy = np.array(met.at) - table.middle.mean(axis=0)
    share = float(table.weight[agree].sum() / max(table.weight.sum(), 1e-9))
    steep = abs(dy) > 1.2 * abs(dx) and abs(dy) > 100.0
    return (met, agree) if steep and share >= LEAST_SHARE and agree.sum() > LEAST_LINES else None


def _on_one_level(
    met: list[tuple[Meeting, np.ndarray, float]],
) -> list[tuple[Meeting, np.ndarray, float]]:
    """Two points lie on one eye level; when they cannot, only the surer one is kept."""
    if len(met) < 2:
        return met
    (x0, y0), (x1, y1) = met[0][0].at, met[1][0].at
    if abs(y1 - y0) <= MOST_TILT * abs(x1 - x0):
        return met
    return [max(met, key=lambda one: one[2] * min(one[1].sum(), 6.0))]


def _sure(numbers: tuple[int, ...], share: float) -> float:
    """Many lines and a good part of the drawing make a point sure (our own scale)."""
    return round(min(1.0, len(numbers) / 6.0) * min(1.0, 0.35 + 2.5 * share), 2)


def _eye_level(points: Sequence[FreePoint]) -> tuple[XY, float] | None:
    """Through both points; level through a single one."""
    if not points:
        return None
    if len(points) == 1:
        return points[0].met.at, 0.0
    for one, other in pairwise(points):
        dx = other.met.at[0] - one.met.at[0]
        dy = other.met.at[1] - one.met.at[1]
        if abs(dx) > 3.0 * abs(dy):
            return one.met.at, dy / dx
    return None
