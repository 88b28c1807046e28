"""How things look that are drawn by hand: outlines in a box that is 1 wide and 1 high.

Places are counted from the middle of the foot, to the right and up. What an outline encloses hides
what is behind; `lines` are drawn beside it and hide nothing.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from orthopsis.perspective.segments import XY

Path = tuple[XY, ...]


@dataclass(frozen=True)
class Look:
    """An outline, drawn from its first place to its last and, unless it is `open`, back to the
    first; lines beside it; and how wide the whole is for its height.
    """

    outline: Path = ()
    open: bool = False
    lines: tuple[Path, ...] = ()
    wide: float = 1.0


def smooth(places: Sequence[XY], closed: bool = False, parts: int = 4) -> Path:
    """A curve through places: each stretch bends with its neighbours (Catmull and Rom's spline,
    from memory).
    """
    n = len(places)
    found: list[XY] = []
    for k in range(n if closed else n - 1):
        if closed:
            a, b, c, d = (places[(k + i) % n] for i in (-1, 0, 1, 2))
        else:
            a, b, c, d = (places[min(max(k + i, 0), n - 1)] for i in (-1, 0, 1, 2))
        for i in range(parts):
            t = i / parts
            found.append((_bent(a[0], b[0], c[0], d[0], t), _bent(a[1], b[1], c[1], d[1], t)))
    if not closed:
        found.append(places[-1])
    return tuple(found)


def _bent(a: float, b: float, c: float, d: float, t: float) -> float:
    return 0.5 * (
        2 * b + (c - a) * t + (2 * a - 5 * b + 4 * c - d) * t**2 + (3 * b - a - 3 * c + d) * t**3
    )


def _mirrored(left: Sequence[XY]) -> list[XY]:
    """A side with its mirror image: up on the left, down on the right."""
    return [*left, *((-x, y) for x, y in reversed(left) if x)]


def _lumps(count: int, middle: XY, half: XY, first: float, last: float) -> Path:
    """Bulges round a middle from one angle to another, counted from the right, upward."""
    (x, y), (wide, high) = middle, half
    found = []
    for k in range(6 * count + 1):
        turn = first + (last - first) * k / (6 * count)
        bulge = 0.9 + 0.1 * abs(math.sin(math.pi * k / 6))
        found.append((x + wide * bulge * math.cos(turn), y + high * bulge * math.sin(turn)))
    return tuple(found)


def _tree() -> Look:
    crown = _lumps(8, (0.0, 0.64), (0.5, 0.36), -0.54 * math.pi, -2.46 * math.pi)
    return Look(((-0.08, 0.0), (-0.06, 0.2), *crown, (0.06, 0.2), (0.08, 0.0)), open=True, wide=0.6)


def _person() -> Look:
    coat = [(-0.2, 0.0), (-0.3, 0.4), (-0.42, 0.55), (-0.5, 0.72), (-0.32, 0.82), (-0.12, 0.845)]
    head = [(-0.22, 0.9), (-0.18, 0.97), (0.0, 1.0)]
    return Look(smooth(_mirrored([*coat, *head]), parts=3), open=True, wide=0.32)


def _bush() -> Look:
    return Look(_lumps(5, (0.0, 0.0), (0.5, 1.0), math.pi, 0.0), open=True, wide=1.5)


def _hills() -> Look:
    crest = [(-0.5, 0.0), (-0.36, 0.7), (-0.22, 0.42), (-0.06, 1.0), (0.12, 0.5), (0.3, 0.82),
             (0.5, 0.0)]  # fmt: skip
    return Look(smooth(crest, parts=6), open=True, wide=3.0)


def _sun() -> Look:
    turns = [math.tau * k / 24 for k in range(24)]
    rays = tuple(
        tuple((r * math.cos(turn), 0.5 + r * math.sin(turn)) for r in (0.36, 0.5))
        for turn in turns[::3]
    )
    disc = tuple((0.28 * math.cos(turn), 0.5 + 0.28 * math.sin(turn)) for turn in turns)
    return Look(disc, lines=rays)


def _cloud() -> Look:
    top = _lumps(5, (0.0, 0.12), (0.5, 0.88), math.pi, 0.0)
    return Look((*top, (0.42, 0.0), (-0.42, 0.0)), wide=2.2)


def _bin() -> Look:
    lid = [(-0.5, 0.86), (-0.42, 0.98), (0.0, 1.0)]
    return Look(((-0.4, 0.0), (-0.46, 0.86), *smooth(_mirrored(lid), parts=3), (0.46, 0.86),
                 (0.4, 0.0)), wide=0.6)  # fmt: skip


def _lantern() -> Look:
    glass = (0.2, 0.9), (0.08, 0.97), (0.5, 0.97), (0.38, 0.9)
    return Look(lines=(((0.0, 1.0), (0.29, 1.0), (0.29, 0.97)), (*glass, glass[0])), wide=0.3)


def _sign() -> Look:
    board = (0.0, 0.98), (0.4, 0.98), (0.5, 0.92), (0.4, 0.86), (0.0, 0.86)
    return Look(lines=(board,), wide=0.8)


def _aerial() -> Look:
    bars = tuple(((-x, y), (x, y)) for x, y in ((0.5, 0.95), (0.4, 0.8), (0.3, 0.65)))
    return Look(lines=(((0.0, 0.0), (0.0, 1.0)), *bars), wide=0.5)


_MADE: dict[str, Callable[[], Look]] = {
    "tree": _tree, "person": _person, "bush": _bush, "hills": _hills, "sun": _sun,
    "cloud": _cloud, "bin": _bin, "lamp": _lantern, "signpost": _sign, "aerial": _aerial,
}  # fmt: skip
LOOKS: dict[str, Look] = {name: make() for name, make in _MADE.items()}
"""All that is drawn by hand. Of a lamp and a signpost it is what the post carries, which hides
nothing."""
