"""What fills a face: the lines of a pattern and the grain of a tone are nothing to judge.

Five such lines that are no edges are no slips any more: somebody hatched a face. A line of
the same pattern that happens to lie along an edge belongs to it too when it runs the pattern's way
and not the edge's.
"""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from orthopsis.marking.fitting import ends_of
from orthopsis.marking.judging.families import Assigned, beside
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.perspective.view import FREE

LEAST_LINES = 5
LEAST_STRAYS = 3
"""Of these: a pattern may by chance run towards a point, so that some seem to belong to it."""
TURN_DEG = 7.0
FARTHEST_MM = 7.0
FAINT = 0.25
"""Of an outline's darkness; guide lines have a third of it and more."""
GRAIN_MM = 16.0
BESIDE = 0.3
"""So much of the shorter line has the other beside it."""
EDGE_DEG = 2.0
"""A line that keeps to its edge within this is that edge, whatever lies beside it."""


def without_grain(lines: Sequence[Assigned]) -> list[Assigned]:
    """The lines but short ones that belong to nothing and are fainter than any guide line."""
    edges = [line.found.darkness for line in lines if line.expected and line.found.dark]
    if not edges:
        return list(lines)
    faint = FAINT * float(np.median(edges))

    def is_grain(line: Assigned) -> bool:
        stray = line.expected is None and line.family == FREE
        return stray and line.found.darkness < faint and line.found.length_mm < GRAIN_MM

    return [line for line in lines if not is_grain(line)]


def without_pattern(lines: Sequence[Assigned]) -> list[Assigned]:
    """The lines but those of patterns."""
    doubtful = [i for i, line in enumerate(lines) if _may_fill(line)]
    if len(doubtful) < LEAST_LINES:
        return list(lines)
    together = _side_by_side([lines[i].found for i in doubtful])
    gone: set[int] = set()
    for run in _runs(together):
        extra = [lines[doubtful[k]] for k in run if lines[doubtful[k]].expected is None]
        strays = sum(line.family == FREE for line in extra)
        if len(extra) >= LEAST_LINES and strays >= LEAST_STRAYS:
            gone.update(doubtful[k] for k in run)
    return [line for i, line in enumerate(lines) if i not in gone]


def _may_fill(line: Assigned) -> bool:
    """Whether a line may belong to a pattern: it is no edge, or does not keep to its edge."""
    if line.expected is None:
        return True
    return bool(beside(line.found, ends_of([line.expected.stroke]))[1][0] > EDGE_DEG)


def _side_by_side(strokes: Sequence[FoundStroke]) -> NDArray[np.bool_]:
    """Which of some lines lie side by side and go one way, shape (n, n)."""
    ends = ends_of(strokes)
    sizes = np.array([stroke.length_mm for stroke in strokes])
    found = np.zeros((len(strokes), len(strokes)), dtype=bool)
    for k, stroke in enumerate(strokes):
        off, turn, share = beside(stroke, ends)
        enough = share * stroke.length_mm > BESIDE * np.minimum(sizes, stroke.length_mm)
        found[:, k] = (turn < TURN_DEG) & (off < FARTHEST_MM) & enough
    np.fill_diagonal(found, False)
    return found | found.T


def _runs(together: NDArray[np.bool_]) -> list[list[int]]:
    """Lines that hang together from one to the next."""
    left, runs = set(range(len(together))), []
    while left:
        run, todo = [], [left.pop()]
        while todo:
            now = todo.pop()
            run.append(now)
            near = [int(k) for k in np.flatnonzero(together[now]) if int(k) in left]
            left.difference_update(near)
            todo += near
        runs.append(run)
    return runs
