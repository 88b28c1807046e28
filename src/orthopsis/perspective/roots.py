"""Where a quantity vanishes along a straight path or around a circle, in closed form.

A quantity is handed in as a function of the path's parameter, with its degree in the place on the
path: 1 for the side of a plane, 2 for the side of a cone or cylinder.
"""

from __future__ import annotations

import cmath
import math
from collections.abc import Callable

Quantity = Callable[[float], float]

TURN = 2.0 * math.pi


def along_line(quantity: Quantity, degree: int) -> list[float]:
    """Every t where a polynomial of degree 1 or 2 vanishes; empty where it vanishes throughout.

    >>> along_line(lambda t: (t - 2) * (t + 1), 2)
    [-1.0, 2.0]
    """
    start, end = quantity(0.0), quantity(1.0)
    if degree == 1:
        return [start / (start - end)] if start != end else []
    middle = quantity(0.5)
    a, b = 2.0 * (start + end) - 4.0 * middle, 4.0 * middle - 3.0 * start - end
    size = max(abs(start), abs(end), abs(middle))
    if abs(a) <= 1e-14 * size:
        return [-start / b] if abs(b) > 1e-14 * size else []
    under = b * b - 4.0 * a * start
    if under < 0.0:
        return []
    # The larger root first, the other from their product: no digits are lost.
    q = -(b + math.copysign(math.sqrt(under), b)) / 2.0
    return sorted({q / a, start / q} if q else {0.0})


def around_circle(quantity: Quantity, degree: int) -> list[float]:
    """Every angle, 0 to 2π, where a polynomial of cosine and sine of degree 1 or 2 vanishes.

    Its Fourier coefficients follow from 3 or 5 values. In z = e^{iθ} it is a polynomial of twice
    the degree; roots on the unit circle are the angles.

    >>> [round(math.degrees(angle)) for angle in around_circle(lambda a: math.cos(a) - 0.5, 1)]
    [60, 300]
    """
    count = 2 * degree + 1
    values = [quantity(TURN * k / count) for k in range(count)]
    size = max(abs(value) for value in values)
    if size == 0.0:
        return []
    harmonics = [
        sum(v * cmath.exp(-1j * n * TURN * k / count) for k, v in enumerate(values)) / count
        for n in range(degree + 1)
    ]
    if degree == 2 and abs(harmonics[2]) <= 1e-13 * size:
        degree = 1
    if degree == 1:
        return _one_wave(harmonics[0].real, 2.0 * harmonics[1])
    forward = [harmonics[n] for n in range(degree, 0, -1)]
    coefficients = [*forward, harmonics[0], *(h.conjugate() for h in reversed(forward))]
    angles = []
    for root in _polynomial_roots(coefficients):
        if abs(abs(root) - 1.0) < 1e-4:
            angle = _polished(harmonics, cmath.phase(root))
            if angle is not None:
                angles.append(angle % TURN)
    return sorted(angles)


def in_quarter(quantity: Quantity, degree: int) -> list[float]:
    """The same, of the angles from 0 to π/2 alone, and quicker where nothing vanishes there.

    With t = tan ½θ it is a polynomial of twice the degree in t from 0 to 1. Where its Bernstein
    coefficients are all of one sign, it has no root.

    >>> [round(math.degrees(angle)) for angle in in_quarter(lambda a: math.cos(a) - 0.5, 1)]
    [60]
    """
    if degree == 1:
        start, half, end = (quantity(angle) for angle in (0.0, HALF_ANGLE, QUARTER_TURN))
        middle, last = half * 1.25, end * 2.0
        found = along_line(lambda t: _through(start, middle, last, t), 2)
        return sorted(2.0 * math.atan(t) for t in found if -1e-12 <= t <= 1.0 + 1e-12)
    values = [quantity(2.0 * math.atan(t)) * (1.0 + t * t) ** 2 for t in FIFTHS]
    signs = {sum(c * v for c, v in zip(row, values, strict=True)) > 0.0 for row in TO_BERNSTEIN}
    if len(signs) == 1:
        return []
    return [angle for angle in around_circle(quantity, 2) if angle <= QUARTER_TURN]


def wave_in_quarter(level: float, cosine: float, sine: float) -> list[float]:
    """Where level + cosine · cos θ + sine · sin θ vanishes, of the angles from 0 to π/2.

    >>> [round(math.degrees(angle)) for angle in wave_in_quarter(-0.5, 1.0, 0.0)]
    [60]
    """
    if min(cosine, 0.0) + min(sine, 0.0) > -level or max(cosine, 0.0) + max(sine, 0.0) < -level:
        # Cosine and sine are never more than 1 and never less than 0 here.
        return []
    found = _one_wave(level, complex(cosine, -sine))
    return [angle for angle in found if angle <= QUARTER_TURN]


QUARTER_TURN = math.pi / 2
HALF_ANGLE = 2.0 * math.atan(0.5)
FIFTHS = (0.0, 0.25, 0.5, 0.75, 1.0)
TO_BERNSTEIN = (
    (1.0, 0.0, 0.0, 0.0, 0.0),
    (-13 / 12, 4.0, -3.0, 4 / 3, -0.25),
    (13 / 18, -32 / 9, 20 / 3, -32 / 9, 13 / 18),
    (-0.25, 4 / 3, -3.0, 4.0, -13 / 12),
    (0.0, 0.0, 0.0, 0.0, 1.0),
)
"""From five values at equal steps to the Bernstein coefficients of a quartic."""


def _through(start: float, middle: float, end: float, t: float) -> float:
    """The parabola through three values at 0, ½ and 1."""
    a, b = 2.0 * (start + end) - 4.0 * middle, 4.0 * middle - 3.0 * start - end
    return (a * t + b) * t + start


def _one_wave(level: float, wave: complex) -> list[float]:
    """Where level + Re(wave · e^{iθ}) vanishes."""
    size = abs(wave)
    if size <= abs(level):
        return []
    middle, reach = -cmath.phase(wave), math.acos(-level / size)
    return sorted(((middle - reach) % TURN, (middle + reach) % TURN))


def _polynomial_roots(coefficients: list[complex]) -> list[complex]:
    """All roots, the highest power's coefficient first.

    Source: the simultaneous iteration of Weierstrass, Durand and Kerner (from memory).
    """
    monic = [c / coefficients[0] for c in coefficients]
    degree = len(monic) - 1
    reach = 1.0 + max(abs(c) for c in monic[1:])
    roots = [
        reach ** (1.0 / degree) * cmath.exp(1j * (0.4 + TURN * k / degree)) for k in range(degree)
    ]
    for _ in range(200):
        moved = 0.0
        for i, root in enumerate(roots):
            value, apart = 0j, 1 + 0j
            for c in monic:
                value = value * root + c
            for j, other in enumerate(roots):
                if j != i:
                    apart *= root - other
            step = value / apart if apart else 1e-9 + 0j
            roots[i] = root - step
            moved = max(moved, abs(step))
        # Close enough to be polished; the last digits never come to rest.
        if moved < 1e-12:
            break
    return roots


def _polished(harmonics: list[complex], angle: float) -> float | None:
    """A few of Newton's steps on the real quantity; None when nothing vanishes nearby."""
    size = sum(abs(h) for h in harmonics)
    value = 0.0
    for _ in range(4):
        value, slope = harmonics[0].real, 0.0
        for n, h in enumerate(harmonics[1:], start=1):
            turned = 2.0 * h * cmath.exp(1j * n * angle)
            value += turned.real
            slope -= n * turned.imag
        if abs(slope) <= 1e-9 * size:
            break
        angle -= value / slope
    return angle if abs(value) <= 1e-7 * size else None
