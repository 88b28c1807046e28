"""What a curved solid hides along a path, in numbers alone: run as it stands or compiled.

A path is a curve of the second degree with three control places: a straight line, or the quarter of
an ellipse by t = tan ½θ. In the solid's own coordinates (x, y, s) the outline is the same at every
s, so a line seen from the eye E is a line of its plane, and a place P lies behind a side of the
outline at s = f where the side's equation, carried from f to P by the lines of sight, vanishes:
L(E)·(s − es) + (L(P) − L(E))·(f − es). Between two such places along the path nothing changes,
and each part is asked once, in its middle.
"""

from __future__ import annotations

from typing import NamedTuple

from orthopsis.picture.polynomials import add_round, add_two, sort

Floats = list[float]

TOUCH = 1e-3
"""Less than this way through the solid, in mm of its own coordinates, is a touch and no cover."""

BORDER = 1e-6
"""As close to a side is along it and not inside."""

BARELY = 1e-9
"""Less of a path is not asked."""

SLACK = 1e-7
"""So far beyond its ends, in its own length, a side still counts."""


class BentNumbers(NamedTuple):
    """A curved solid. `own` has three rows of four: from a place (x, y, depth, 1) to (x, y, s).

    `eye` is the eye's (x, y, s); `sides` the straight sides as x, y, x, y; `bends` two rows of
    three for each curved side, from (x, y, 1) to where it is the quarter circle u, v > 0;
    `corners` x, y of the lines that run back.
    """

    own: Floats
    eye: Floats
    sides: Floats
    bends: Floats
    corners: Floats


def hidden_along(
    path: Floats, prism: BentNumbers, whole: int, itself: int, n: int, ts: Floats, out: Floats
) -> int:
    """Fill `out` with pairs of t between which the path is hidden; the count of numbers.

    `path` has three control places of four numbers, the last of each its weight. With `whole` also
    what lies before the solid is hidden; with `itself` the path is one of the solid's own lines.
    `ts` is room to work in; the first n are places to cut at, 0 and 1 among them.
    """
    px, py, ps, pw = own_place(path, prism, 0)
    qx, qy, qs, qw = own_place(path, prism, 1)
    rx, ry, rs, rw = own_place(path, prism, 2)
    ex, ey, es = prism.eye[0], prism.eye[1], prism.eye[2]
    up, uq, ur = ps - es * pw, qs - es * qw, rs - es * rw
    for k in range(0, len(prism.sides), 4):
        ax, ay = prism.sides[k], prism.sides[k + 1]
        bx, by = prism.sides[k + 2] - ax, prism.sides[k + 3] - ay
        size = (bx * bx + by * by) ** 0.5
        nx, ny = -by / size, bx / size
        level = nx * ax + ny * ay
        there = nx * ex + ny * ey - level
        lp, lq, lr = (
            nx * px + ny * py - level * pw,
            nx * qx + ny * qy - level * qw,
            nx * rx + ny * ry - level * rw,
        )
        for end in range(2):
            f = end - es
            a, b, c = (
                there * up + (lp - there * pw) * f,
                there * uq + (lq - there * qw) * f,
                there * ur + (lr - there * rw) * f,
            )
            first = n
            n = add_two(a, b, c, abs(there) * abs(up) + abs(lp) + 1.0, ts, n)
            n = kept_on_side(ts, first, n, path, prism, k, f)
        if itself == 0:
            n = add_two(lp, lq, lr, 1.0, ts, n)
    for k in range(0, len(prism.bends), 6):
        n = cut_by_bend(prism, k, path, itself, ts, n)
    for k in range(0, len(prism.corners), 2):
        dx, dy = prism.corners[k] - ex, prism.corners[k + 1] - ey
        a, b, c = (
            dx * (py - ey * pw) - dy * (px - ex * pw),
            dx * (qy - ey * qw) - dy * (qx - ex * qw),
            dx * (ry - ey * rw) - dy * (rx - ex * rw),
        )
        n = add_two(a, b, c, abs(dx) + abs(dy), ts, n)
    if itself == 0:
        n = add_two(ps, qs, rs, 1.0, ts, n)
        n = add_two(ps - pw, qs - qw, rs - rw, 1.0, ts, n)
    sort(ts, 0, n)
    count = 0
    room = n
    before = ts[0]
    for i in range(1, n):
        now = ts[i]
        if now - before < BARELY:
            continue
        t = 0.5 * (before + now)
        x, y, s = at(path, prism, t)
        if runs_through(x, y, s, prism, whole, ts, room):
            if count > 0 and out[count - 1] == before:
                out[count - 1] = now
            else:
                out[count], out[count + 1] = before, now
                count += 2
        before = now
    return count


def own_place(path: Floats, prism: BentNumbers, k: int) -> tuple[float, float, float, float]:
    """A control place of the path in the solid's own coordinates, with its weight."""
    m = prism.own
    x, y, z, w = path[4 * k], path[4 * k + 1], path[4 * k + 2], path[4 * k + 3]
    return (
        m[0] * x + m[1] * y + m[2] * z + m[3] * w,
        m[4] * x + m[5] * y + m[6] * z + m[7] * w,
        m[8] * x + m[9] * y + m[10] * z + m[11] * w,
        w,
    )


def unit(m: Floats, k: int, x: float, y: float, w: float) -> tuple[float, float]:
    """A place of the plane, with its weight, where the bend at k is the unit circle's quarter."""
    return m[k] * x + m[k + 1] * y + m[k + 2] * w, m[k + 3] * x + m[k + 4] * y + m[k + 5] * w


def at(path: Floats, prism: BentNumbers, t: float) -> tuple[float, float, float]:
    """The place of the path at t, in the solid's own coordinates."""
    a, b, c = (1.0 - t) * (1.0 - t), 2.0 * t * (1.0 - t), t * t
    px, py, ps, pw = own_place(path, prism, 0)
    qx, qy, qs, qw = own_place(path, prism, 1)
    rx, ry, rs, rw = own_place(path, prism, 2)
    w = a * pw + b * qw + c * rw
    return (
        (a * px + b * qx + c * rx) / w,
        (a * py + b * qy + c * ry) / w,
        (a * ps + b * qs + c * rs) / w,
    )


def kept_on_side(
    ts: Floats, first: int, n: int, path: Floats, prism: BentNumbers, k: int, f: float
) -> int:
    """Of the cuts from `first` on, keep those that lie behind the side itself, not its line."""
    ax, ay = prism.sides[k], prism.sides[k + 1]
    bx, by = prism.sides[k + 2] - ax, prism.sides[k + 3] - ay
    kept = first
    for i in range(first, n):
        x, y, s = at(path, prism, ts[i])
        rise = s - prism.eye[2]
        if rise == 0.0:
            continue
        x = prism.eye[0] + (x - prism.eye[0]) * f / rise
        y = prism.eye[1] + (y - prism.eye[1]) * f / rise
        along = ((x - ax) * bx + (y - ay) * by) / (bx * bx + by * by)
        if -SLACK < along < 1.0 + SLACK:
            ts[kept] = ts[i]
            kept += 1
    return kept


def cut_by_bend(prism: BentNumbers, k: int, path: Floats, itself: int, ts: Floats, n: int) -> int:
    """Add where the path passes behind a curved side: its rims, the lines where the eye's glance
    touches it, and unless the path is one of the solid's own, the side itself.
    """
    px, py, ps, pw = own_place(path, prism, 0)
    qx, qy, qs, qw = own_place(path, prism, 1)
    rx, ry, rs, rw = own_place(path, prism, 2)
    m, es = prism.bends, prism.eye[2]
    eu, ev = unit(m, k, prism.eye[0], prism.eye[1], 1.0)
    pu, pv = unit(m, k, px, py, pw)
    qu, qv = unit(m, k, qx, qy, qw)
    ru, rv = unit(m, k, rx, ry, rw)
    up, uq, ur = ps - es * pw, qs - es * qw, rs - es * rw
    for end in range(2):
        f = end - es
        first = n
        n = add_round(
            eu * up + (pu - eu * pw) * f, ev * up + (pv - ev * pw) * f, up,
            eu * uq + (qu - eu * qw) * f, ev * uq + (qv - ev * qw) * f, uq,
            eu * ur + (ru - eu * rw) * f, ev * ur + (rv - ev * rw) * f, ur,
            ts, n,
        )  # fmt: skip
        kept = first
        for i in range(first, n):
            x, y, s = at(path, prism, ts[i])
            u, v = unit(m, k, x, y, 1.0)
            rise = s - es
            if rise != 0.0:
                u, v = eu + (u - eu) * f / rise, ev + (v - ev) * f / rise
                if u > -SLACK and v > -SLACK:
                    ts[kept] = ts[i]
                    kept += 1
        n = kept
    if itself == 0:
        n = add_round(pu, pv, pw, qu, qv, qw, ru, rv, rw, ts, n)
    far = eu * eu + ev * ev
    if far > 1.0:
        # The feet of the two tangents: e ± √(e² − 1) turned, over e².
        reach = (far - 1.0) ** 0.5
        for way in range(2):
            turn = reach if way == 0 else -reach
            u, v = (eu - turn * ev) / far, (ev + turn * eu) / far
            if u > -SLACK and v > -SLACK:
                du, dv = u - eu, v - ev
                n = add_two(
                    du * (pv - ev * pw) - dv * (pu - eu * pw),
                    du * (qv - ev * qw) - dv * (qu - eu * qw),
                    du * (rv - ev * rw) - dv * (ru - eu * rw),
                    abs(du) + abs(dv),
                    ts,
                    n,
                )
    return n


def runs_through(
    x: float, y: float, s: float, prism: BentNumbers, whole: int, ts: Floats, room: int
) -> bool:
    """Whether the line of sight to a place runs through the solid; with `whole` also beyond."""
    ex, ey, es = prism.eye[0], prism.eye[1], prism.eye[2]
    first, last = 0.0, 1e12 if whole == 1 else 1.0
    if s == es:
        if es <= 0.0 or es >= 1.0:
            return False
        last = min(last, 1e6)
    else:
        one, two = (0.0 - es) / (s - es), (1.0 - es) / (s - es)
        first, last = max(first, min(one, two)), min(last, max(one, two))
    if last <= first:
        return False
    ax, ay = ex + (x - ex) * first, ey + (y - ey) * first
    dx, dy = (x - ex) * (last - first), (y - ey) * (last - first)
    way = (dx * dx + dy * dy) ** 0.5
    if way < TOUCH:
        return last - first > BARELY and inside(ax, ay, prism)
    ts[room], ts[room + 1] = 0.0, 1.0
    n = crossed(ax, ay, dx, dy, prism, ts, room + 2)
    sort(ts, room, n)
    for i in range(room + 1, n):
        t0, t1 = ts[i - 1], ts[i]
        if (t1 - t0) * way <= TOUCH:
            continue
        t = 0.5 * (t0 + t1)
        mx, my = ax + dx * t, ay + dy * t
        if inside(mx, my, prism) and not on_border(mx, my, prism):
            return True
    return False


def crossed(
    ax: float, ay: float, dx: float, dy: float, prism: BentNumbers, ts: Floats, n: int
) -> int:
    """Add every t, from 0 to 1, at which a line of the plane crosses the outline."""
    sides, m = prism.sides, prism.bends
    for k in range(0, len(sides), 4):
        fx, fy = sides[k + 2] - sides[k], sides[k + 3] - sides[k + 1]
        det = dx * fy - dy * fx
        if det != 0.0:
            gx, gy = sides[k] - ax, sides[k + 1] - ay
            t, along = (gx * fy - gy * fx) / det, (gx * dy - gy * dx) / det
            if 0.0 < t < 1.0 and -BARELY <= along <= 1.0 + BARELY:
                ts[n] = t
                n += 1
    for k in range(0, len(m), 6):
        u, v = unit(m, k, ax, ay, 1.0)
        du, dv = unit(m, k, dx, dy, 0.0)
        square, half = du * du + dv * dv, u * du + v * dv
        under = half * half - square * (u * u + v * v - 1.0)
        if under < 0.0 or square == 0.0:
            continue
        reach = under**0.5
        for way in range(2):
            t = (-half - reach) / square if way == 0 else (-half + reach) / square
            if 0.0 < t < 1.0 and u + t * du > -BARELY and v + t * dv > -BARELY:
                ts[n] = t
                n += 1
    return n


def inside(x: float, y: float, prism: BentNumbers) -> bool:
    """Whether a place of the plane lies within the outline, by counting sides on a slanting way."""
    gx, gy = 1.0e5, 1.37e4
    odd = False
    sides, m = prism.sides, prism.bends
    for k in range(0, len(sides), 4):
        ax, ay = sides[k] - x, sides[k + 1] - y
        bx, by = sides[k + 2] - x, sides[k + 3] - y
        a, b = gx * ay - gy * ax, gx * by - gy * bx
        if (a > 0.0) != (b > 0.0) and ax + (bx - ax) * a / (a - b) > 0.0:
            odd = not odd
    for k in range(0, len(m), 6):
        u, v = unit(m, k, x, y, 1.0)
        du, dv = unit(m, k, gx, gy, 0.0)
        square, half = du * du + dv * dv, u * du + v * dv
        under = half * half - square * (u * u + v * v - 1.0)
        if under < 0.0:
            continue
        reach = under**0.5
        for way in range(2):
            t = (-half - reach) / square if way == 0 else (-half + reach) / square
            if t > 0.0 and u + t * du > 0.0 and v + t * dv > 0.0:
                odd = not odd
    return odd


def on_border(x: float, y: float, prism: BentNumbers) -> bool:
    """Whether a place of the plane lies on one of the sides."""
    sides, m = prism.sides, prism.bends
    for k in range(0, len(sides), 4):
        fx, fy = sides[k + 2] - sides[k], sides[k + 3] - sides[k + 1]
        gx, gy = x - sides[k], y - sides[k + 1]
        along = min(1.0, max(0.0, (gx * fx + gy * fy) / (fx * fx + fy * fy)))
        gx, gy = gx - along * fx, gy - along * fy
        if gx * gx + gy * gy <= BORDER * BORDER:
            return True
    for k in range(0, len(m), 6):
        u, v = unit(m, k, x, y, 1.0)
        far = (u * u + v * v) ** 0.5
        size = (m[k] ** 2 + m[k + 1] ** 2 + m[k + 3] ** 2 + m[k + 4] ** 2) ** 0.5
        if u > 0.0 and v > 0.0 and abs(far - 1.0) <= BORDER * size:
            return True
    return False
