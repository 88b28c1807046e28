"""Where polynomials along a path vanish, in numbers alone: run as it stands or compiled.

They come by Bernstein coefficients, which lie around all values: where all have one sign, nothing
vanishes. Roots are added to a sequence from the n-th place on, and the new count is the answer.
"""

from __future__ import annotations

Floats = list[float]

NOTHING = 1e-12


def add_two(a: float, b: float, c: float, size: float, ts: Floats, n: int) -> int:
    """Add where a(1−t)² + 2b·t(1−t) + c·t² vanishes, from 0 to 1."""
    if max(abs(a), abs(b), abs(c)) <= NOTHING * size:
        return n
    if (a > 0.0 and b > 0.0 and c > 0.0) or (a < 0.0 and b < 0.0 and c < 0.0):
        return n
    square, half = a - 2.0 * b + c, b - a
    if abs(square) <= 1e-14 * (abs(a) + abs(b) + abs(c)):
        if half != 0.0 and 0.0 < -0.5 * a / half < 1.0:
            ts[n] = -0.5 * a / half
            n += 1
        return n
    under = half * half - square * a
    if under < 0.0:
        return n
    # The larger root first, the other from their product: no digits are lost.
    reach = under**0.5
    q = -(half + reach) if half >= 0.0 else -(half - reach)
    if 0.0 < q / square < 1.0:
        ts[n] = q / square
        n += 1
    if q != 0.0 and 0.0 < a / q < 1.0:
        ts[n] = a / q
        n += 1
    return n


def add_round(
    ax: float, ay: float, ar: float,
    bx: float, by: float, br: float,
    cx: float, cy: float, cr: float,
    ts: Floats, n: int,
) -> int:  # fmt: skip
    """Add where x² + y² − r² vanishes along a curve of the second degree in (x, y, r), 0 to 1.

    It is a polynomial of the fourth degree. Where its five Bernstein coefficients have one sign,
    it has no root; otherwise it rises or falls between the roots of its derivatives.
    """
    c0 = ax * ax + ay * ay - ar * ar
    c1 = ax * bx + ay * by - ar * br
    c2 = (ax * cx + ay * cy - ar * cr + 2.0 * (bx * bx + by * by - br * br)) / 3.0
    c3 = bx * cx + by * cy - br * cr
    c4 = cx * cx + cy * cy - cr * cr
    size = max(abs(c0), abs(c1), abs(c2), abs(c3), abs(c4))
    if size <= NOTHING * (ar * ar + br * br + cr * cr):
        return n
    if c0 > 0.0 and c1 > 0.0 and c2 > 0.0 and c3 > 0.0 and c4 > 0.0:
        return n
    if c0 < 0.0 and c1 < 0.0 and c2 < 0.0 and c3 < 0.0 and c4 < 0.0:
        return n
    k1, k2 = 4.0 * (c1 - c0), 6.0 * (c2 - 2.0 * c1 + c0)
    k3, k4 = 4.0 * (c3 - 3.0 * c2 + 3.0 * c1 - c0), c4 - 4.0 * c3 + 6.0 * c2 - 4.0 * c1 + c0
    # The turns of the slope, then those of the value, in the room behind the four roots.
    room, values = n + 4, n + 6
    turns = add_two(k2, k2 + 1.5 * k3, k2 + 3.0 * k3 + 6.0 * k4, size, ts, room)
    sort(ts, room, turns)
    last, t0 = values, 0.0
    for i in range(room, turns + 1):
        t1 = ts[i] if i < turns else 1.0
        t = between(k1, 2.0 * k2, 3.0 * k3, 4.0 * k4, 0.0, t0, t1)
        if t >= 0.0:
            ts[last] = t
            last += 1
        t0 = t1
    t0 = 0.0
    for i in range(values, last + 1):
        t1 = ts[i] if i < last else 1.0
        t = between(c0, k1, k2, k3, k4, t0, t1)
        if t >= 0.0:
            ts[n] = t
            n += 1
        t0 = t1
    return n


def between(a0: float, a1: float, a2: float, a3: float, a4: float, t0: float, t1: float) -> float:
    """The one t from t0 to t1 where a polynomial that rises or falls there vanishes, or −1."""
    f0 = (((a4 * t0 + a3) * t0 + a2) * t0 + a1) * t0 + a0
    f1 = (((a4 * t1 + a3) * t1 + a2) * t1 + a1) * t1 + a0
    if (f0 > 0.0) == (f1 > 0.0):
        return -1.0
    t = 0.5 * (t0 + t1)
    for _ in range(60):
        value = (((a4 * t + a3) * t + a2) * t + a1) * t + a0
        if (value > 0.0) == (f1 > 0.0):
            t1 = t
        else:
            t0 = t
        slope = ((4.0 * a4 * t + 3.0 * a3) * t + 2.0 * a2) * t + a1
        step = value / slope if slope != 0.0 else 1.0
        # Newton's step, unless it leaves what is left.
        t -= step
        if t <= t0 or t >= t1:
            t = 0.5 * (t0 + t1)
        elif abs(step) < 1e-15:
            break
        if t1 - t0 < 1e-15:
            break
    return t


def sort(ts: Floats, first: int, last: int) -> None:
    """Sort a stretch by insertion: it is short."""
    for i in range(first + 1, last):
        value, k = ts[i], i
        while k > first and ts[k - 1] > value:
            ts[k] = ts[k - 1]
            k -= 1
        ts[k] = value
