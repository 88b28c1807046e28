"""The picture against things outside the project: a camera, a depth buffer, constructions."""

from __future__ import annotations

import math
import random

import cv2
import numpy as np
import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.resolve import picture, solids
from orthopsis.perspective.plane import LEFT, LEVEL, Point, join, meet, toward
from orthopsis.perspective.segments import at, inside, length
from orthopsis.perspective.stroke import Role
from orthopsis.perspective.view import on_paper
from tests.agreement import outlines
from tests.documents import ONE_POINT, THREE_POINT, TWO_POINT, random_document, scene_of


def seen_by_opencv(world, view):
    """World places (X right, Y away, Z up, mm; eye at the origin) through cv2.projectPoints."""
    d, (px, py) = view.eye.distance_mm, view.eye.principal.xy
    camera = np.array([[d, 0, px], [0, d, py], [0, 0, 1]], float)
    # OpenCV looks along +z with y down: x = X, y = −Z, z = Y.
    places = np.array([[x, -z, y] for x, y, z in world], float)
    projected, _ = cv2.projectPoints(places, np.zeros(3), np.zeros(3), camera, np.zeros(5))
    return projected.reshape(-1, 2)


def corners_on_paper(scene):
    return sorted(tuple(on_paper(v)) for solid in solids(scene) for v in solid.vertices)


def assert_same_places(found, true):
    found, true = sorted(map(tuple, found)), sorted(map(tuple, np.round(true, 9)))
    for a in true:
        assert min(math.dist(a, b) for b in found) < 1e-6
    assert len(found) == len(true)


@pytest.mark.parametrize("seed", range(25))
def test_one_point_boxes_are_where_opencv_sees_them(seed):
    rng = random.Random(seed)
    d, x0, level, eye_height = (
        rng.uniform(*r) for r in ((150, 600), (0, 420), (40, 200), (60, 300))
    )
    foot, left, width, height, depth = (
        level + rng.uniform(10, 120), rng.uniform(0, 300), rng.uniform(10, 120),
        rng.uniform(10, 150), rng.uniform(10, 200),
    )  # fmt: skip
    scene = scene_of(
        ONE_POINT,
        view={"kind": "one-point", "eye_level_mm": level, "vanishing_point_mm": x0,
              "viewing_distance_mm": d, "eye_height_mm": eye_height},
        pieces__0__front={"x_mm": left, "y_mm": foot - height, "width_mm": width,
                          "height_mm": height},
        pieces__0__depth={"true_mm": depth},
        pieces__0__standing="ground",
    )  # fmt: skip
    w = eye_height / (foot - level)
    # The front face stands w times as far away as the picture plane and is w times as large.
    xs = ((left - x0) * w, (left - x0 + width) * w)
    zs = (-eye_height, -eye_height + height * w)
    ys = (d * w, d * w + depth * w)
    world = [(x, y, z) for x in xs for y in ys for z in zs]
    assert_same_places(corners_on_paper(scene), seen_by_opencv(world, scene.main))


@pytest.mark.parametrize("seed", range(25))
def test_two_point_boxes_are_where_opencv_sees_them(seed):
    rng = random.Random(seed)
    left, right = rng.uniform(-400, 50), rng.uniform(380, 900)
    level, x = rng.uniform(60, 160), rng.uniform(120, 320)
    top, foot = level + rng.uniform(-60, 40), level + rng.uniform(50, 130)
    a, b, eye_height = rng.uniform(20, 150), rng.uniform(20, 150), rng.uniform(60, 300)
    scene = scene_of(
        TWO_POINT,
        view={"kind": "two-point", "eye_level_mm": level, "left_vp_mm": left,
              "right_vp_mm": right, "eye_height_mm": eye_height},
        pieces__0__edge={"x_mm": x, "top_mm": top, "bottom_mm": foot},
        pieces__0__left={"true_mm": a},
        pieces__0__right={"true_mm": b},
        pieces__0__standing="ground",
    )  # fmt: skip
    view = scene.main
    d, px = view.eye.distance_mm, view.eye.principal.x
    w = eye_height / (foot - level)
    start = np.array([(x - px) * w, d * w])
    to_left = np.array([left - px, d]) / math.hypot(left - px, d)
    to_right = np.array([right - px, d]) / math.hypot(right - px, d)
    plan = [start + i * a * w * to_left + j * b * w * to_right for i in (0, 1) for j in (0, 1)]
    world = [(p[0], p[1], -(y - level) * w) for p in plan for y in (top, foot)]
    assert_same_places(corners_on_paper(scene), seen_by_opencv(world, view))


@pytest.mark.parametrize("seed", range(25))
def test_three_point_boxes_are_where_opencv_sees_them(seed):
    rng = random.Random(seed)
    above = rng.random() < 0.5
    left, right = rng.uniform(-300, 0), rng.uniform(420, 800)
    level = rng.uniform(200, 280) if above else rng.uniform(20, 90)
    third = rng.uniform(150, 270), level + rng.uniform(650, 1100) * (-1 if above else 1)
    x, y, length_mm = rng.uniform(150, 270), rng.uniform(100, 150), rng.uniform(20, 90)
    a, b = rng.uniform(20, 120), rng.uniform(20, 120)
    scene = scene_of(
        THREE_POINT,
        view={"kind": "three-point", "eye_level_mm": level, "left_vp_mm": left,
              "right_vp_mm": right, "third_vp_mm": third},
        pieces__0__edge={"x_mm": x, "y_mm": y, "length_mm": length_mm},
        pieces__0__left={"true_mm": a},
        pieces__0__right={"true_mm": b},
    )  # fmt: skip
    view = scene.main
    d, (px, py) = view.eye.distance_mm, view.eye.principal.xy
    # In the camera's axes: right, down, forward. A point's direction is where it is seen.
    rays = [np.array([vx - px, vy - py, d]) for vx, vy in (vp.at.xy for vp in view.directions)]
    to_left, to_right, down = (ray / np.linalg.norm(ray) for ray in rays)
    down = -down if above else down
    assert abs(to_left @ to_right) + abs(to_left @ down) + abs(to_right @ down) < 1e-9
    start = np.array([x - px, y - py, d])
    # The edge's length follows from where its lower end is seen: solve for it along `down`.
    foot = toward(Point(x, y), Point(*third), -length_mm if above else length_mm)
    ray = np.array([foot.x - px, foot.y - py, d])
    height = np.linalg.lstsq(np.column_stack([ray, -down]), start, rcond=None)[0][1]
    camera = np.array([[d, 0, px], [0, d, py], [0, 0, 1]])
    places = np.array([
        start + i * a * to_left + j * b * to_right + k * height * down
        for i in (0, 1) for j in (0, 1) for k in (0, 1)
    ])  # fmt: skip
    seen, _ = cv2.projectPoints(places, np.zeros(3), np.zeros(3), camera, np.zeros(5))
    assert_same_places(corners_on_paper(scene), seen.reshape(-1, 2))


def test_depth_by_the_costruzione_legittima():
    """The floor by plan and elevation: y under the eye level is E·d / (d + depth).

    Source: L. B. Alberti, De pictura, 1435, book I (from memory).
    """
    for depth in (20, 75, 300):
        scene = scene_of(
            ONE_POINT,
            view__eye_height_mm=110,
            pieces__0__standing="ground",
            pieces__0__depth={"true_mm": depth},
        )
        # The crate's foot stands on the ground line, 110 mm under the eye level at 100 mm.
        lowest = sorted({round(y, 6) for _, y in corners_on_paper(scene)})
        assert lowest[-1] == 210
        assert any(abs(y - (100 + 110 * 300 / (300 + depth))) < 1e-6 for y in lowest)


def test_a_vanishing_point_is_where_the_eyes_own_parallel_meets_the_sheet():
    """Taylor's theorem, computed with vectors in space alone.

    Source: B. Taylor, New Principles of Linear Perspective, 1719 (from memory).
    """
    rng = random.Random(9)
    for data in (ONE_POINT, TWO_POINT, THREE_POINT):
        view = scene_of(data).main
        d, (px, py) = view.eye.distance_mm, view.eye.principal.xy
        for _ in range(20):
            steps_along = [rng.uniform(-1, 1) for _ in range(3)]
            found = view.vanishing_point_of_direction(*steps_along)
            axes = []
            for vp in view.directions:
                at_infinity = vp.at.at_infinity
                ray = (
                    np.array([vp.at.x, vp.at.y, 0.0])
                    if at_infinity
                    else np.array([vp.at.x - px, vp.at.y - py, d])
                )
                axes.append(ray / np.linalg.norm(ray))
            # `up` is against the direction in which the uprights' point lies, below in all three.
            ray = steps_along[0] * axes[0] + steps_along[1] * axes[1] - steps_along[2] * axes[2]
            assert found.xy == pytest.approx((px + ray[0] * d / ray[2], py + ray[1] * d / ray[2]))


def test_a_cube_by_the_distance_point_as_the_handbooks_draw_it():
    """The distance point construction, step by step as in old drawing handbooks.

    Source: the diagonal of a square on the ground runs to the distance point (J. Vignola, Le due
    regole della prospettiva pratica, 1583; from memory).
    """
    scene = scene_of(
        ONE_POINT,
        pieces__0__front={"x_mm": 60, "y_mm": 160, "width_mm": 60, "height_mm": 60},
        pieces__0__depth={"true_mm": 60},
    )
    vp, distance_point = Point(210, 100), Point(510, 100)
    bottom_left, bottom_right = Point(60, 220), Point(120, 220)
    back_right = meet(join(bottom_left, distance_point), join(bottom_right, vp))
    back_left = meet(join(back_right, LEVEL), join(bottom_left, vp))
    corners = corners_on_paper(scene)
    for corner in (back_right, back_left):
        assert min(math.dist(corner.xy, found) for found in corners) < 1e-9


def test_a_cube_drawn_transparent_shows_twelve_edges():
    # Common practice, no published source: drawn transparent, every hidden edge must meet.
    scene = scene_of(ONE_POINT, pieces__0__transparent=True, pieces__0__depth={"fraction": 0.35})
    assert len(outlines(scene)) == 12
    ends = [end for line in outlines(scene) for end in line.segment]
    assert all(sum(math.dist(end, other) < 1e-9 for other in ends) == 3 for end in ends)


def test_equal_depths_in_a_row_keep_their_cross_ratio():
    """Four equally spaced points on a line to a vanishing point have the cross-ratio 4/3.

    Source: the cross-ratio is kept by projection (Pappus, Collection VII; from memory).
    """
    places = []
    for depth in (30, 60, 90):
        scene = scene_of(ONE_POINT, pieces__0__depth={"true_mm": depth})
        start, vp = Point(120, 160), Point(210, 100)
        back = [v for v in corners_on_paper(scene) if abs(_off(v, start, vp)) < 1e-9]
        places.append(max(back, key=lambda v: math.dist(v, start.xy)))
    a, b, c, d = (0.0, *(math.dist(p, (120, 160)) for p in places))
    assert (c - a) * (d - b) / ((c - b) * (d - a)) == pytest.approx(4 / 3)


def _off(place, start, vp):
    return (place[0] - start.x) * (vp.y - start.y) - (place[1] - start.y) * (vp.x - start.x)


def depth_buffer_says_hidden(scene, place, own_inverse_depth, own_piece):
    """Whether any face of another solid lies before a sheet point, by plane equations alone."""
    for solid in solids(scene):
        if str(solid.part) == own_piece or solid.transparent:
            continue
        for face in solid.faces:
            corners = np.array([solid.vertices[k] for k in face.loops[0]])
            loop = [tuple(c[:2] / c[2]) for c in corners]
            if not inside(place, [loop]):
                continue
            plane = np.linalg.lstsq(corners, np.ones(len(corners)), rcond=None)[0]
            if plane @ np.array([*place, 1.0]) > own_inverse_depth + 1e-7:
                return True
    return False


@pytest.mark.parametrize("seed", range(40))
def test_a_depth_buffer_agrees_on_what_is_hidden(seed):
    """Each line is walked in small steps; at each step every face is asked for its depth.

    Source: the depth buffer of E. Catmull, 1974 (from memory), written here anew.
    """
    data = random_document(seed, most_pieces=4)
    # Floating pieces are hidden by the order of the list, not by depth: one of them at most.
    floating = [p for p in data["pieces"] if p["standing"] == "floating"]
    data["pieces"] = [p for p in data["pieces"] if p not in floating[1:]]
    try:
        scene = scene_of(data)
        strokes = picture(scene)
    except ExerciseError:
        return
    edges = {
        (
            str(solid.part),
            *sorted([on_paper(solid.vertices[e.start]), on_paper(solid.vertices[e.end])]),
        ): (solid, e)
        for solid in solids(scene)
        for e in solid.edges
    }
    for stroke in strokes:
        if stroke.role is not Role.OUTLINE or length(stroke.segment) < 2:
            continue
        solid, edge = _edge_of(stroke, edges)
        for i in range(1, 10):
            place = at(stroke.segment, i / 10)
            inverse = _inverse_depth(solid, edge, place)
            assert not depth_buffer_says_hidden(scene, place, inverse, str(stroke.part)), stroke


def _edge_of(stroke, edges):
    for (piece, a, b), found in edges.items():
        if piece != str(stroke.part) or found[1].family != stroke.family:
            continue
        middle = at(stroke.segment, 0.5)
        size = math.dist(a, b)
        off = abs((b[0] - a[0]) * (middle[1] - a[1]) - (b[1] - a[1]) * (middle[0] - a[0])) / size
        if off < 1e-6 and math.dist(a, middle) <= size and math.dist(b, middle) <= size:
            return found
    raise AssertionError(f"no edge lies under {stroke}")


def _inverse_depth(solid, edge, place):
    first, last = solid.vertices[edge.start], solid.vertices[edge.end]
    a, b = on_paper(first), on_paper(last)
    t = ((place[0] - a[0]) * (b[0] - a[0]) + (place[1] - a[1]) * (b[1] - a[1])) / math.dist(
        a, b
    ) ** 2
    return (1 - t) / first[2] + t / last[2]


def test_measuring_by_hand_gives_the_same_true_depth_as_the_formula():
    # t = L·c / (d + L·c), c = d / √(|v − p|² + d²): the measuring point's similar triangles.
    view = scene_of(TWO_POINT).main
    d, px = view.eye.distance_mm, view.eye.principal.x
    vp = view.vanishing_points[0].at
    start = Point(200, 230)
    laid = toward(start, LEFT, 60)
    mark = meet(join(laid, view.measuring_point(vp, LEFT)), join(start, vp))
    c = d / math.hypot(vp.x - px, d)
    share = (mark.x - start.x) / (vp.x - start.x)
    assert share == pytest.approx(60 * c / (d + 60 * c))


def gable_in_the_world(front, depth_mm, peak_mm, view):
    """The ten corners of a gable house whose front touches the picture plane, for the camera."""
    (px, py), d = view.eye.principal.xy, view.eye.distance_mm
    left, right = front["x_mm"] - px, front["x_mm"] + front["width_mm"] - px
    top, foot = py - front["y_mm"], py - front["y_mm"] - front["height_mm"]
    return [
        (x, d + y, z)
        for y in (0.0, depth_mm)
        for x, z in ((left, top), (right, top), (right, foot), (left, foot),
                     ((left + right) / 2, top + peak_mm))
    ]  # fmt: skip


@pytest.mark.parametrize("seed", range(12))
def test_the_corners_of_a_gable_are_where_opencv_sees_them(seed):
    rng = random.Random(seed)
    front = {"x_mm": rng.uniform(20, 250), "y_mm": rng.uniform(60, 180),
             "width_mm": rng.uniform(30, 120), "height_mm": rng.uniform(30, 100)}  # fmt: skip
    depth_mm, peak_mm = rng.uniform(20, 150), rng.uniform(10, 60)
    house = {"kind": "building", "id": "house", "standing": "floating", "front": front,
             "depth": {"true_mm": depth_mm},
             "roof": {"kind": "gable", "end": "front", "peak_mm": peak_mm}}  # fmt: skip
    scene = scene_of(ONE_POINT, version=2, pieces=[house])
    assert_same_places(
        corners_on_paper(scene),
        seen_by_opencv(gable_in_the_world(front, depth_mm, peak_mm, scene.main), scene.main),
    )


@pytest.mark.parametrize("count", [3, 5])
def test_posts_are_where_opencv_sees_them(count):
    posts = {"kind": "posts", "id": "row", "to": "VP1", "count": count, "next": {"fraction": 0.25},
             "post": {"x_mm": 300, "top_mm": 60, "foot_mm": 220}}  # fmt: skip
    scene = scene_of(ONE_POINT, version=2, pieces=[posts])
    view = scene.main
    (px, py), d = view.eye.principal.xy, view.eye.distance_mm
    near = view.ground_depth(220)
    # A quarter of the way to the point is a third of the way to it in truth, again and again.
    world = [
        ((300 - px) * near, near * (1 + k / 3) * d, (py - y) * near)
        for k in range(count) for y in (60, 220)
    ]  # fmt: skip
    assert_same_places(corners_on_paper(scene), seen_by_opencv(world, view))
