"""What is hidden, in numbers alone: one source, run as it stands or compiled.

Everything is flat sequences, lists on the command line and arrays where `compiled` has translated
this file; nothing here may use what a compiler does not know. The caller allots every sequence.

Two ideas carry it. On any plane that misses the eye, 1/depth is affine in sheet coordinates; so an
edge and a face are compared at once along the whole line: the edge is hidden where it runs inside
the face's outline *and* the face's 1/depth is larger. And a grid over the sheet tells which faces
and lines an edge can meet at all, so that ten times the boxes cost about ten times the work.
"""

from __future__ import annotations

from orthopsis.picture.mesh import FLOATS, TRANSPARENT, Floats, Grid, Ints, Mesh, Room, Seen

EDGE_ON = 1e-9
"""Sine of the angle under which a face counts as seen edge-on."""


def measure(mesh: Mesh, seen: Seen) -> None:
    """Fill `seen`: planes, boxes, which faces turn their outside to the eye, which edges show.

    A face seen edge-on does not face the eye. Normals are Newell's sums (from memory).
    """
    paper, points, vertices = mesh.paper, mesh.loop_points, mesh.vertices
    for face in range(len(mesh.face_solid)):
        first_loop = mesh.face_loops[face]
        start, end = mesh.loop_starts[first_loop], mesh.loop_starts[first_loop + 1]
        k = 3 * points[start]
        ox, oy, oz = vertices[k], vertices[k + 1], vertices[k + 2]
        nx = ny = nz = 0.0
        left = right = paper[2 * points[start]]
        top = bottom = paper[2 * points[start] + 1]
        ax = ay = az = 0.0
        for i in range(start + 1, end):
            k = 3 * points[i]
            # Counted from the first corner, so that far away loops lose no digits.
            bx, by, bz = vertices[k] - ox, vertices[k + 1] - oy, vertices[k + 2] - oz
            nx += ay * bz - az * by
            ny += az * bx - ax * bz
            nz += ax * by - ay * bx
            ax, ay, az = bx, by, bz
        # A face may be in several pieces, as the dot of a question mark.
        for i in range(start, mesh.loop_starts[mesh.face_loops[face + 1]]):
            x, y = paper[2 * points[i]], paper[2 * points[i] + 1]
            left, right = min(left, x), max(right, x)
            top, bottom = min(top, y), max(bottom, y)
        away = nx * ox + ny * oy + nz * oz
        size = (nx * nx + ny * ny + nz * nz) ** 0.5
        far = (ox * ox + oy * oy + oz * oz) ** 0.5
        k = 4 * face
        seen.planes[k], seen.planes[k + 1], seen.planes[k + 2] = nx, ny, nz
        seen.planes[k + 3] = away
        seen.face_boxes[k], seen.face_boxes[k + 1] = left, top
        seen.face_boxes[k + 2], seen.face_boxes[k + 3] = right, bottom
        if away != 0.0:
            for i in range(3):
                seen.inverse_depths[3 * face + i] = seen.planes[k + i] / away
        seen.facing[face] = 1 if away < -EDGE_ON * size * far else 0
        clear = mesh.solid_flags[mesh.face_solid[face]] & TRANSPARENT
        seen.covers[face] = 1 if seen.facing[face] == 1 and clear == 0 else 0
    for e in range(len(mesh.edge_solid)):
        k = 4 * e
        a, b, one, two = mesh.edges[k], mesh.edges[k + 1], mesh.edges[k + 2], mesh.edges[k + 3]
        clear = mesh.solid_flags[mesh.edge_solid[e]] & TRANSPARENT
        shows = clear != 0 or one < 0 or seen.facing[one] == 1 or seen.facing[two] == 1
        seen.shown[e] = 1 if shows else 0
        seen.edge_boxes[k] = min(paper[2 * a], paper[2 * b])
        seen.edge_boxes[k + 1] = min(paper[2 * a + 1], paper[2 * b + 1])
        seen.edge_boxes[k + 2] = max(paper[2 * a], paper[2 * b])
        seen.edge_boxes[k + 3] = max(paper[2 * a + 1], paper[2 * b + 1])


# --- the grid ---------------------------------------------------------------------------------


def cell(value: float, low: float, size: float, count: int) -> int:
    """The row or column that a coordinate falls into; beyond the grid, the outermost."""
    place = (value - low) / size
    if place < 1.0:
        return 0
    return count - 1 if place >= count else int(place)


def fill_grid(boxes: Floats, used: Ints, grid: Grid) -> int:
    """Sort the boxes that are used into the grid; returns how many entries it needs.

    With too few `items` only `starts` is filled, and the caller tries again with more.
    """
    starts, items, side = grid.starts, grid.items, grid.side
    for k in range(side * side + 1):
        starts[k] = 0
    for filling in range(2):
        for i in range(len(used)):
            if used[i] == 0:
                continue
            c0 = cell(boxes[4 * i] - 1e-6, grid.left, grid.wide, side)
            r0 = cell(boxes[4 * i + 1] - 1e-6, grid.top, grid.high, side)
            c1 = cell(boxes[4 * i + 2] + 1e-6, grid.left, grid.wide, side)
            r1 = cell(boxes[4 * i + 3] + 1e-6, grid.top, grid.high, side)
            for r in range(r0, r1 + 1):
                for k in range(r * side + c0, r * side + c1 + 1):
                    if filling == 0:
                        starts[k] += 1
                    else:
                        starts[k] -= 1
                        items[starts[k]] = i
        if filling == 0:
            # From counts to where each cell ends; filling backward turns ends into starts.
            for k in range(1, side * side + 1):
                starts[k] += starts[k - 1]
            if len(items) < starts[side * side]:
                break
    return starts[side * side]


def boxes_overlap(a: Floats, i: int, b: Floats, j: int) -> bool:
    """Whether two boxes of two lists touch, with a little slack."""
    return (
        a[4 * i] <= b[4 * j + 2] + 1e-6
        and b[4 * j] <= a[4 * i + 2] + 1e-6
        and a[4 * i + 1] <= b[4 * j + 3] + 1e-6
        and b[4 * j + 1] <= a[4 * i + 3] + 1e-6
    )


# --- one line and one outline -----------------------------------------------------------------


def inside(x: float, y: float, mesh: Mesh, face: int) -> bool:
    """Whether a place lies within a face's outline; further loops are holes (even–odd rule)."""
    odd = False
    paper, points = mesh.paper, mesh.loop_points
    for loop in range(mesh.face_loops[face], mesh.face_loops[face + 1]):
        start, end = mesh.loop_starts[loop], mesh.loop_starts[loop + 1]
        k = 2 * points[end - 1]
        x0, y0 = paper[k], paper[k + 1]
        for i in range(start, end):
            k = 2 * points[i]
            x1, y1 = paper[k], paper[k + 1]
            if (y0 > y) != (y1 > y) and x < x0 + (y - y0) * (x1 - x0) / (y1 - y0):
                odd = not odd
            x0, y0 = x1, y1
    return odd


def on_border(x: float, y: float, mesh: Mesh, face: int, paper_mm: float) -> bool:
    """Whether a place lies on one of the face's sides."""
    paper, points = mesh.paper, mesh.loop_points
    for loop in range(mesh.face_loops[face], mesh.face_loops[face + 1]):
        start, end = mesh.loop_starts[loop], mesh.loop_starts[loop + 1]
        k = 2 * points[end - 1]
        x0, y0 = paper[k], paper[k + 1]
        for i in range(start, end):
            k = 2 * points[i]
            x1, y1 = paper[k], paper[k + 1]
            ex, ey = x1 - x0, y1 - y0
            square = ex * ex + ey * ey
            u = 0.0
            if square > 0.0:
                u = max(0.0, min(1.0, ((x - x0) * ex + (y - y0) * ey) / square))
            dx, dy = x - x0 - u * ex, y - y0 - u * ey
            if dx * dx + dy * dy <= paper_mm * paper_mm:
                return True
            x0, y0 = x1, y1
    return False


def crossings(px: float, py: float, dx: float, dy: float, mesh: Mesh, face: int, ts: Floats) -> int:
    """Sorted t at which p + t·d crosses or touches the face's sides, with 0 and 1."""
    ts[0], ts[1] = 0.0, 1.0
    count = 2
    paper, points = mesh.paper, mesh.loop_points
    for loop in range(mesh.face_loops[face], mesh.face_loops[face + 1]):
        start, end = mesh.loop_starts[loop], mesh.loop_starts[loop + 1]
        k = 2 * points[end - 1]
        ax, ay = paper[k], paper[k + 1]
        for i in range(start, end):
            k = 2 * points[i]
            bx, by = paper[k], paper[k + 1]
            ex, ey = bx - ax, by - ay
            det = dx * ey - dy * ex
            if det != 0.0:
                t = ((ax - px) * ey - (ay - py) * ex) / det
                u = ((ax - px) * dy - (ay - py) * dx) / det
                if 0.0 < t < 1.0 and -1e-9 <= u <= 1.0 + 1e-9:
                    place = count
                    while ts[place - 1] > t:
                        ts[place] = ts[place - 1]
                        place -= 1
                    ts[place] = t
                    count += 1
            ax, ay = bx, by
    return count


def nearer_solid(mesh: Mesh, seen: Seen, a: int, b: int) -> int:
    """1 when a face's plane parts the two solids with a on the eye's side, −1 with b there.

    0 when no face parts them, or when faces disagree: then neither can hide the other.
    """
    verdict, vertices, planes = 0, mesh.vertices, seen.planes
    for turn in range(2):
        own, other = (a, b) if turn == 0 else (b, a)
        for face in range(mesh.solid_faces[own], mesh.solid_faces[own + 1]):
            nx, ny, nz = planes[4 * face], planes[4 * face + 1], planes[4 * face + 2]
            away = planes[4 * face + 3]
            size = (nx * nx + ny * ny + nz * nz) ** 0.5
            if abs(away) <= 1e-9 * size:
                continue
            outside = True
            for v in range(mesh.solid_vertices[other], mesh.solid_vertices[other + 1]):
                x, y, z = vertices[3 * v], vertices[3 * v + 1], vertices[3 * v + 2]
                if nx * x + ny * y + nz * z - away < -1e-7 * size:
                    outside = False
                    break
            if outside:
                # Where `away` is negative the eye is outside as well, on the other's side.
                found = 1 if (away > 0.0) == (turn == 0) else -1
                if verdict == -found:
                    return 0
                verdict = found
    return verdict


def by_list(mesh: Mesh, a: int, b: int) -> bool:
    """Whether two solids float apart, so that the one listed first hides the other whole."""
    one, two = mesh.solid_flags[a] // FLOATS, mesh.solid_flags[b] // FLOATS
    return one > 0 and two > 0 and one != two


# --- what hides an edge -----------------------------------------------------------------------


def behind_face(
    mesh: Mesh, room: Room, e: int, f: int, found: int, lead0: float, lead1: float,
    paper_mm: float, depth_slack: float,
) -> int:  # fmt: skip
    """Note what face f hides of edge e; returns how many portions are noted so far.

    `lead0` and `lead1` are how much larger the face's 1/depth is at the edge's ends.
    """
    v, w = mesh.edges[4 * e], mesh.edges[4 * e + 1]
    px, py = mesh.paper[2 * v], mesh.paper[2 * v + 1]
    dx, dy = mesh.paper[2 * w] - px, mesh.paper[2 * w + 1] - py
    size = (dx * dx + dy * dy) ** 0.5
    many = crossings(px, py, dx, dy, mesh, f, room.ts)
    for i in range(many - 1):
        t0, t1 = room.ts[i], room.ts[i + 1]
        if (t1 - t0) * size <= paper_mm:
            continue
        d0, d1 = lead0 + (lead1 - lead0) * t0, lead0 + (lead1 - lead0) * t1
        if d0 <= depth_slack and d1 <= depth_slack:
            continue
        x, y = px + dx * (t0 + t1) / 2, py + dy * (t0 + t1) / 2
        # Along the border of a face is not behind it.
        if not inside(x, y, mesh, f) or on_border(x, y, mesh, f, paper_mm):
            continue
        if d0 < -depth_slack:
            t0 += (t1 - t0) * d0 / (d0 - d1)
        elif d1 < -depth_slack:
            t1 = t0 + (t1 - t0) * d0 / (d0 - d1)
        room.low[found], room.high[found] = t0, t1
        found += 1
    return found


def under_line(
    mesh: Mesh, seen: Seen, room: Room, e: int, o: int, found: int,
    paper_mm: float, depth_slack: float,
) -> int:  # fmt: skip
    """Note where edge o of another solid, in line with edge e, is drawn instead of it.

    The nearer line is drawn; of lines that are one in space, the one of the nearer solid, and if
    neither is nearer, or both float, the one listed first.
    """
    own, other = mesh.edge_solid[e], mesh.edge_solid[o]
    if mesh.solid_flags[other] & TRANSPARENT != 0:
        return found
    v, w = mesh.edges[4 * e], mesh.edges[4 * e + 1]
    px, py = mesh.paper[2 * v], mesh.paper[2 * v + 1]
    dx, dy = mesh.paper[2 * w] - px, mesh.paper[2 * w + 1] - py
    square = dx * dx + dy * dy
    size = square**0.5
    a, b = mesh.edges[4 * o], mesh.edges[4 * o + 1]
    ax, ay = mesh.paper[2 * a] - px, mesh.paper[2 * a + 1] - py
    bx, by = mesh.paper[2 * b] - px, mesh.paper[2 * b + 1] - py
    at_a, at_b = (ax * dx + ay * dy) / square, (bx * dx + by * dy) / square
    t0, t1 = max(0.0, min(at_a, at_b)), min(1.0, max(at_a, at_b))
    if (t1 - t0) * size <= paper_mm:
        return found
    lead = 0.0
    if not by_list(mesh, own, other):
        t = (t0 + t1) / 2
        there = (t - at_a) / (at_b - at_a)
        lead = mesh.nearness[a] + (mesh.nearness[b] - mesh.nearness[a]) * there
        lead -= mesh.nearness[v] + (mesh.nearness[w] - mesh.nearness[v]) * t
        many = len(mesh.solid_vertices) - 1
        if own >= many or other >= many:
            # A line behind everything: it is hidden, and hides nothing.
            lead = 1.0 if own >= many else -1.0
        elif abs(lead) <= depth_slack:
            lead = float(nearer_solid(mesh, seen, other, own))
    if lead > 0.0 or (lead == 0.0 and other < own):
        room.low[found], room.high[found] = t0, t1
        found += 1
    return found


def in_order(low: Floats, high: Floats, found: int) -> int:
    """Sort the first portions and join those that touch; returns how many are left."""
    for i in range(1, found):
        t0, t1 = low[i], high[i]
        j = i
        while j > 0 and low[j - 1] > t0:
            low[j], high[j] = low[j - 1], high[j - 1]
            j -= 1
        low[j], high[j] = t0, t1
    kept = 0
    for i in range(found):
        if kept > 0 and low[i] <= high[kept - 1] + 1e-12:
            high[kept - 1] = max(high[kept - 1], high[i])
        else:
            low[kept], high[kept] = low[i], high[i]
            kept += 1
    return kept


def hidden_portions(
    mesh: Mesh, seen: Seen, faces: Grid, lines: Grid, room: Room, out: Floats, starts: Ints,
    paper_mm: float, depth_slack: float,
) -> int:  # fmt: skip
    """What is hidden of each edge: pairs of t in `out`, those of edge e from ``starts[e]`` on.

    Returns how many numbers `out` needs; with too short an `out` the caller tries again.
    """
    count, first_line, side = len(mesh.edge_solid), len(mesh.face_solid), faces.side
    boxes, paper, edges = seen.edge_boxes, mesh.paper, mesh.edges
    for k in range(len(room.stamps)):
        room.stamps[k] = -1
    written = 0
    for e in range(count):
        starts[e] = written
        found = 0
        if seen.shown[e] == 0:
            room.low[0], room.high[0] = 0.0, 1.0
            found = 1
        else:
            v, w, own = edges[4 * e], edges[4 * e + 1], mesh.edge_solid[e]
            px, py, qx, qy = paper[2 * v], paper[2 * v + 1], paper[2 * w], paper[2 * w + 1]
            dx, dy = qx - px, qy - py
            near0, near1 = mesh.nearness[v], mesh.nearness[w]
            limit = paper_mm * (dx * dx + dy * dy) ** 0.5
            c0 = cell(boxes[4 * e], faces.left, faces.wide, side)
            r0 = cell(boxes[4 * e + 1], faces.top, faces.high, side)
            c1 = cell(boxes[4 * e + 2], faces.left, faces.wide, side)
            r1 = cell(boxes[4 * e + 3], faces.top, faces.high, side)
            for r in range(r0, r1 + 1):
                for k in range(r * side + c0, r * side + c1 + 1):
                    for entry in range(faces.starts[k], faces.starts[k + 1]):
                        f = faces.items[entry]
                        if room.stamps[f] == e:
                            continue
                        room.stamps[f] = e
                        if f == edges[4 * e + 2] or f == edges[4 * e + 3]:
                            continue
                        if not boxes_overlap(boxes, e, seen.face_boxes, f):
                            continue
                        a, b = seen.inverse_depths[3 * f], seen.inverse_depths[3 * f + 1]
                        c = seen.inverse_depths[3 * f + 2]
                        lead0, lead1 = a * px + b * py + c - near0, a * qx + b * qy + c - near1
                        other = mesh.face_solid[f]
                        if other != own and by_list(mesh, own, other):
                            # Of two that float the one listed first hides the other whole.
                            lead0 = lead1 = 1.0 if other < own else -1.0
                        if lead0 > depth_slack or lead1 > depth_slack:
                            found = behind_face(
                                mesh, room, e, f, found, lead0, lead1, paper_mm, depth_slack
                            )
                    for entry in range(lines.starts[k], lines.starts[k + 1]):
                        o = lines.items[entry]
                        if room.stamps[first_line + o] == e:
                            continue
                        room.stamps[first_line + o] = e
                        v, w = edges[4 * o], edges[4 * o + 1]
                        if (
                            mesh.edge_solid[o] != own
                            and abs((paper[2 * v] - px) * dy - (paper[2 * v + 1] - py) * dx)
                            <= limit
                            and abs((paper[2 * w] - px) * dy - (paper[2 * w + 1] - py) * dx)
                            <= limit
                        ):
                            found = under_line(mesh, seen, room, e, o, found, paper_mm, depth_slack)
            found = in_order(room.low, room.high, found)
        for i in range(found):
            if written + 2 <= len(out):
                out[written], out[written + 1] = room.low[i], room.high[i]
            written += 2
    starts[count] = written
    return written
