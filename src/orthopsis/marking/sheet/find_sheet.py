"""Finding the sheet on the desk: four corners, each to a fraction of a pixel, and curled sides.

The paper's edges are steps from a darker desk to brighter paper. Straight steps are found by
OpenCV's segment detector; of all quadrilaterals of four such lines the one with the most step under
its sides is the sheet, so a hand over an edge, a shadow across the paper or a corner outside the
photo hide only a part of it. Where corner marks are printed they are used instead.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from itertools import combinations

import cv2
import numpy as np
from numpy.typing import NDArray

from orthopsis.marking.fitting import line_through
from orthopsis.marking.sheet.corner_marks import corner_marks, reduced
from orthopsis.marking.sheet.photo import Grey
from orthopsis.marking.sheet.quads import Array, Corners, in_sheet_order, turn_of
from orthopsis.perspective.sheet import Sheet

MARKS_SIDE_PX = 1200
SEARCH_SIDE_PX = 800
LEAST_SHARE = 0.12
"""A sheet fills at least this share of the photo."""
STEP_TONES = 11.0
"""Paper is at least so many of 255 tones brighter than the desk beside it."""
BESIDE_PX = 5.0
MOST_LINES = 16
ENOUGH = 0.62
"""So much of the sides must be seen as a step."""


@dataclass(frozen=True)
class FoundSheet:
    """Where a sheet lies in the photo.

    `bows` has shape (4, 3): for each side (top, right, bottom, left, each from left to right or top
    to bottom) how far it bends, as the factors of three waves of half, one and one and a half
    lengths, in parts of the side's length, outward positive. `sure` is 0 to 1; `how` says by what
    the sheet was found: edges, marks, scan or hand.
    """

    corners: Corners
    bows: Array
    sure: float
    how: str

    @staticmethod
    def by_hand(corners: Corners) -> FoundSheet:
        """Corners that somebody set."""
        return FoundSheet(corners, np.zeros((4, 3)), 1.0, "hand")

    def turned(self, quarters: int) -> FoundSheet:
        """The same sheet taken to lie so many quarter turns round."""
        corners, bows = np.roll(self.corners, quarters, axis=0), self.bows
        for _ in range(quarters % 4):
            # Sides run left to right and top to bottom: two of them change their direction.
            top, right, bottom, left = bows
            bows = np.array([_reversed(left), top, _reversed(right), bottom])
        return FoundSheet(corners, bows, self.sure, self.how)


def _reversed(bow: Array) -> Array:
    """A bow run through from its other end."""
    return np.asarray(bow * np.array([1.0, -1.0, 1.0]))


def find_sheet(grey: Grey, sheet: Sheet) -> FoundSheet | None:
    """The sheet in a photo or a flat scan; None when none is found."""
    smaller, scale = reduced(grey, MARKS_SIDE_PX)
    marks = corner_marks(smaller, sheet)
    if marks is not None:
        return FoundSheet(in_sheet_order(marks / scale, sheet), np.zeros((4, 3)), 1.0, "marks")
    if _is_the_sheet_itself(grey, sheet):
        height, width = grey.shape
        whole = np.array([[0, 0], [width, 0], [width, height], [0, height]], dtype=float)
        return FoundSheet(in_sheet_order(whole, sheet), np.zeros((4, 3)), 0.9, "scan")
    small, again = _small(smaller)
    best = _best_quadrilateral(small, sheet)
    if best is None:
        return None
    quad, sure = best
    rough = in_sheet_order(quad / (scale * again), sheet)
    corners, bows = _sharpened(grey, rough)
    return FoundSheet(corners, bows, sure, "edges")


def find_paper(grey: Grey) -> Corners | None:
    """A bright sheet of any shape on a darker desk; None when none is found."""
    small, scale = _small(grey)
    best = _best_quadrilateral(small, None)
    return None if best is None else best[0] / scale


def _small(grey: Grey) -> tuple[NDArray[np.float32], float]:
    """The photo as large as the search wants it, a little blurred, and its scale."""
    small, scale = reduced(grey, SEARCH_SIDE_PX)
    return cv2.GaussianBlur(small, (0, 0), 1.5).astype(np.float32), scale


# --- the quadrilateral ----------------------------------------------------------------------------


@dataclass(frozen=True)
class _Edge:
    """A straight step across the photo: a place on it, its direction, and where the step is seen.

    Brighter paper lies to the left of `along` (turned a quarter against the clock on the screen)
    where `seen` is +1, to its right where it is −1, and 0 says nothing. `total` holds running sums.
    """

    place: Array
    along: Array
    low: float
    total: Array

    def support(self, start: Array, end: Array, inside: Array) -> float:
        """The share of a side that is seen as a step up to the paper, of what the photo shows."""
        normal = np.array([-self.along[1], self.along[0]])
        sign = 1.0 if (inside - self.place) @ normal > 0 else -1.0
        t = sorted(float((p - self.place) @ self.along) for p in (start, end))
        i, j = (round((v - self.low) / 2.0) for v in t)
        i, j = (min(max(v, 0), len(self.total) - 1) for v in (i, j))
        if j - i < 10:
            return 0.0
        seen, shown = self.total[j] - self.total[i]
        return float(max(0.0, sign * seen) / max(shown, 1.0)) * min(
            1.0, 2.0 * (j - i) / (t[1] - t[0])
        )


def _edges(small: NDArray[np.float32]) -> list[_Edge]:
    """The longest straight steps, each once."""
    shade = np.asarray(np.clip(small, 0, 255), dtype=np.uint8)
    lines = cv2.createLineSegmentDetector(cv2.LSD_REFINE_STD, 0.8).detect(shade)[0]
    if lines is None:
        return []
    pieces = lines.reshape(-1, 4).astype(float)
    sizes = np.hypot(pieces[:, 2] - pieces[:, 0], pieces[:, 3] - pieces[:, 1])
    order = np.argsort(-sizes)[:120]
    edges: list[_Edge] = []
    for k in order[sizes[order] > 0.04 * max(small.shape)]:
        start, end = pieces[k, :2], pieces[k, 2:]
        along = (end - start) / sizes[k]
        middle = (start + end) / 2
        if any(
            abs(along[0] * e.along[1] - along[1] * e.along[0]) < 0.035
            and abs((middle - e.place)[0] * e.along[1] - (middle - e.place)[1] * e.along[0]) < 5.0
            for e in edges
        ):
            continue
        edge = _seen_along(small, middle, along)
        if np.abs(np.diff(edge.total[:, 0])).sum() > 0.06 * max(small.shape):
            edges.append(edge)
    edges.sort(key=lambda e: -float(np.abs(np.diff(e.total[:, 0])).sum()))
    return edges[:MOST_LINES]


def _seen_along(small: NDArray[np.float32], place: Array, along: Array) -> _Edge:
    """Where along a line the photo is brighter on one side than on the other."""
    reach = float(np.hypot(*small.shape))
    t = np.arange(-reach, reach, 2.0)
    normal = np.array([-along[1], along[0]])
    xs, ys = place[0] + t * along[0], place[1] + t * along[1]
    height, width = small.shape
    shown = (xs > 1) & (xs < width - 2) & (ys > 1) & (ys < height - 2)

    def tones(offset: float) -> Array:
        found = cv2.remap(
            small,
            (xs + offset * normal[0]).astype(np.float32).reshape(1, -1),
            (ys + offset * normal[1]).astype(np.float32).reshape(1, -1),
            cv2.INTER_LINEAR, borderMode=cv2.BORDER_REPLICATE,
        )  # fmt: skip
        return np.asarray(cv2.blur(found, (5, 1)).ravel(), dtype=float)

    near = np.minimum(tones(BESIDE_PX), tones(2 * BESIDE_PX)) - tones(-BESIDE_PX)
    far = np.minimum(tones(-BESIDE_PX), tones(-2 * BESIDE_PX)) - tones(BESIDE_PX)
    seen = np.where(near > STEP_TONES, 1.0, 0.0) - np.where(far > STEP_TONES, 1.0, 0.0)
    total = np.cumsum(np.column_stack([seen * shown, shown]), axis=0)
    return _Edge(place, along, -reach, np.vstack([[0.0, 0.0], total]))


def _best_quadrilateral(
    small: NDArray[np.float32], sheet: Sheet | None
) -> tuple[Corners, float] | None:
    """Of all quadrilaterals of four edges the one whose sides are seen best, and how well."""
    edges = _edges(small)
    pairs = [
        (i, j)
        for i, j in combinations(range(len(edges)), 2)
        if abs(turn_of(edges[i].along, edges[j].along)) < math.sin(math.radians(30))
    ]
    best, most = None, 0.0
    for (a, b), (c, d) in combinations(pairs, 2):
        if len({a, b, c, d}) < 4:
            continue
        turn = abs(turn_of(edges[a].along, edges[c].along))
        if turn < math.sin(math.radians(55)):
            continue
        quad = _crossed([edges[a], edges[c], edges[b], edges[d]])
        if quad is None or not _plausible(quad, small.shape, sheet):
            continue
        middle = quad.mean(axis=0)
        sides = [
            edges[side].support(quad[k - 1], quad[k], middle) for k, side in enumerate((a, c, b, d))
        ]
        seen = sum(sides) / 4 * (0.6 + 0.4 * min(sides) / max(max(sides), 1e-9))
        if seen > most:
            best, most = quad, seen
    if best is None or most < ENOUGH:
        return None
    return best, most


def _crossed(edges: list[_Edge]) -> Corners | None:
    """The corners between neighbouring edges: of the first and second, second and third, …"""
    corners = []
    for k in range(4):
        one, other = edges[k], edges[(k + 1) % 4]
        turn = turn_of(one.along, other.along)
        if abs(turn) < 1e-6:
            return None
        t = turn_of(other.place - one.place, other.along) / turn
        corners.append(one.place + t * one.along)
    return np.array(corners)


def _plausible(quad: Corners, shape: tuple[int, ...], sheet: Sheet | None) -> bool:
    """Convex, large enough, not far outside the photo, and of the sheet's shape at a slant."""
    height, width = shape
    rim = 0.16 * max(height, width)
    if (quad < -rim).any() or (quad > np.array([width, height]) + rim).any():
        return False
    inside = (quad > -3).all(axis=1) & (quad < np.array([width + 3, height + 3])).all(axis=1)
    if inside.sum() < 2:
        return False
    steps = np.roll(quad, -1, axis=0) - quad
    turns = [turn_of(steps[k], steps[(k + 1) % 4]) for k in range(4)]
    if not (min(turns) > 0 or max(turns) < 0):
        return False
    area = abs(turn_of(quad[2] - quad[0], quad[3] - quad[1])) / 2
    large = area > LEAST_SHARE * height * width
    return large and (sheet is None or _has_shape_of(quad, sheet))


def _has_shape_of(quad: Corners, sheet: Sheet) -> bool:
    """Whether the four sides could be the sheet's, seen at a slant."""
    sides = np.linalg.norm(quad - np.roll(quad, -1, axis=0), axis=1)
    a, b = (sides[0] + sides[2]) / 2, (sides[1] + sides[3]) / 2
    ratio = max(a, b) / max(min(a, b), 1e-9)
    true = max(sheet.width_mm, sheet.height_mm) / min(sheet.width_mm, sheet.height_mm)
    return bool(0.78 < ratio / true < 1.28)


def _is_the_sheet_itself(grey: Grey, sheet: Sheet) -> bool:
    """A flat scan without borders: the sheet's shape, and paper right up to the edges."""
    height, width = grey.shape
    ratio = max(width, height) / min(width, height)
    true = max(sheet.width_mm, sheet.height_mm) / min(sheet.width_mm, sheet.height_mm)
    if abs(ratio / true - 1.0) > 0.03:
        return False
    rim = max(2, min(width, height) // 100)
    edges = (grey[:rim], grey[-rim:], grey[:, :rim], grey[:, -rim:])
    paper = float(np.median(grey[::8, ::8]))
    return paper > 120 and all(
        abs(float(np.median(edge)) - paper) < 25 and abs(float(np.quantile(edge, 0.1)) - paper) < 40
        for edge in edges
    )


# --- finer than a pixel ---------------------------------------------------------------------------


def _sharpened(grey: Grey, quad: Corners) -> tuple[Corners, Array]:
    """Each side fitted to the step from desk to paper, crossed with its neighbours, and its bow."""
    sides = [_cuts_across(grey, quad, i) for i in range(4)]
    lines = []
    for places in sides:
        if len(places) < 12:
            return quad, np.zeros((4, 3))
        centre = places.mean(axis=0)
        along = np.linalg.svd(places - centre, full_matrices=False)[2][0]
        normal = np.array([-along[1], along[0]])
        slope, offset, _ = line_through(
            (places - centre) @ along, (places - centre) @ normal, least=1.5
        )
        way = along + slope * normal
        through = centre + offset * normal
        lines.append(np.array([way[1], -way[0], way[0] * through[1] - way[1] * through[0]]))
    corners = []
    for i in range(4):
        crossing = np.cross(lines[i - 1], lines[i])
        if abs(crossing[2]) < 1e-12:
            return quad, np.zeros((4, 3))
        corners.append(crossing[:2] / crossing[2])
    found = np.array(corners)
    if np.linalg.norm(found - quad, axis=1).max() > 0.05 * max(grey.shape):
        return quad, np.zeros((4, 3))
    return _with_bows(found, sides)


def _cuts_across(grey: Grey, quad: Corners, i: int) -> Array:
    """Places on side i: the steepest step up to the paper on each of 80 short cross-cuts."""
    start, end = quad[i], quad[(i + 1) % 4]
    along = end - start
    length = float(np.linalg.norm(along))
    normal = np.array([-along[1], along[0]]) / length
    if normal @ (quad.mean(axis=0) - start) < 0.0:
        normal = -normal
    reach = max(8.0, 0.014 * max(grey.shape))
    offsets = np.arange(-reach, reach, 0.5)
    places = start + np.linspace(0.02, 0.98, 80)[:, None] * along
    height, width = grey.shape
    shown = (
        (places[:, 0] > reach) & (places[:, 0] < width - reach)
        & (places[:, 1] > reach) & (places[:, 1] < height - reach)
    )  # fmt: skip
    places = places[shown]
    if not len(places):
        return np.empty((0, 2))
    xs = places[:, 0, None] + offsets * normal[0]
    ys = places[:, 1, None] + offsets * normal[1]
    cuts = cv2.remap(
        grey, xs.astype(np.float32), ys.astype(np.float32), cv2.INTER_LINEAR,
        borderMode=cv2.BORDER_REPLICATE,
    ).astype(np.float32)  # fmt: skip
    steps = np.diff(cv2.GaussianBlur(cuts, (9, 1), 2.0), axis=1)
    best = steps.argmax(axis=1)
    rows = np.arange(len(best))
    height_of_step = steps[rows, best]
    strong = height_of_step > 0.35 * np.median(height_of_step)
    # The step's own centre of gravity tells it to a part of a sample.
    near = np.clip(best[:, None] + np.arange(-3, 4), 0, steps.shape[1] - 1)
    weight = np.clip(steps[rows[:, None], near], 0.0, None)
    inner = (weight * near).sum(axis=1) / np.maximum(weight.sum(axis=1), 1e-9)
    edge = places + (offsets[0] + 0.5 * inner + 0.25)[:, None] * normal
    return np.asarray(edge[strong])


def _with_bows(corners: Corners, sides: list[Array]) -> tuple[Corners, Array]:
    """The corners of a curled sheet lie on its bent sides: both are fitted together."""
    bows = np.zeros((4, 3))
    for _ in range(2):
        bent = []
        for i in range(4):
            start, end = corners[i], corners[(i + 1) % 4]
            length = float(np.linalg.norm(end - start))
            along = (end - start) / length
            normal = np.array([along[1], -along[0]])
            t = (sides[i] - start) @ along / length
            y = (sides[i] - start) @ normal / length
            bent.append(_bow(t, y))
        shifts = np.array([b[1] for b in bent])
        bows = np.array([b[0] for b in bent])
        if np.abs(shifts).max() < 1e-5:
            break
        corners = _moved(corners, shifts)
    # Sides run left to right and top to bottom.
    top, right, bottom, left = bows
    return corners, np.array([top, right, _reversed(bottom), _reversed(left)])


def _bow(t: Array, y: Array) -> tuple[Array, Array]:
    """A side's bend over its chord, and how far its two ends lie from where they were thought."""
    waves = [np.sin(k * math.pi * t) for k in (1, 2, 3)]
    table = np.column_stack([1.0 - t, t, *waves])
    # The waves are held back, so that a side hidden in part does not swing there.
    hold = np.diag([0.0, 0.0, 0.02, 0.04, 0.08]) * len(t) * 0.05
    weights = np.ones_like(t)
    found = np.zeros(5)
    for _ in range(5):
        left = (table * weights[:, None]).T @ table + hold
        found = np.linalg.solve(left, (table * weights[:, None]).T @ y)
        rest = y - table @ found
        limit = max(7.0 * float(np.median(np.abs(rest))), 4e-4)
        weights = np.clip(1.0 - (rest / limit) ** 2, 0.0, None) ** 2
    return found[2:], found[:2]


def _moved(corners: Corners, shifts: Array) -> Corners:
    """The corners crossed anew from sides whose ends were shifted outward."""
    lines = []
    for i in range(4):
        start, end = corners[i], corners[(i + 1) % 4]
        along = end - start
        normal = np.array([along[1], -along[0]])
        a, b = start + shifts[i, 0] * normal, end + shifts[i, 1] * normal
        lines.append(np.cross(np.append(a, 1.0), np.append(b, 1.0)))
    crossings = [np.cross(lines[i - 1], lines[i]) for i in range(4)]
    return np.array([c[:2] / c[2] for c in crossings])
