"""Advice about the points and the eye.

A lowest corner under 90° tips; the 60° cone is where things look natural; what lies outside the
triangle of three points comes out wrong (common practice, no published source).
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence

from orthopsis.exercise.advice.one import ROUND_MM, Advice, first_that
from orthopsis.exercise.change import Change, NewValue
from orthopsis.exercise.document import OnePointView, ThreePointView, TwoPointView
from orthopsis.exercise.resolve import Scene
from orthopsis.perspective.plane import Point, angle_deg
from orthopsis.perspective.segments import XY, at, length
from orthopsis.perspective.stroke import Role, Stroke
from orthopsis.phrase import About, Length, Number, Phrase, Value, say
from orthopsis.pieces.registry import AnyPiece

CONE_DEG = 60.0


def sharpest_corner(scene: Scene) -> tuple[AnyPiece, Point, float] | None:
    """The piece whose lowest front corner, below the eye level, is sharpest; place and angle."""
    found = None
    for number, piece in enumerate(scene.pieces):
        view, edge = scene.stage(number).view, piece.front_edge
        if edge is None:
            continue
        foot = edge.ends(view.uprights.at)[1]
        left, right = (vp.at for vp in view.level_points)
        if foot.y <= view.eye_level_mm or not left.x < foot.x < right.x:
            continue
        angle = angle_deg(foot, left, right)
        if found is None or angle < found[2]:
            found = piece, foot, angle
    return found


def points_too_close(scene: Scene) -> Iterator[Advice]:
    sharpest, view = sharpest_corner(scene), scene.exercise.view
    if sharpest is None or sharpest[2] >= 90.0 or isinstance(view, OnePointView):
        return
    piece, foot, angle = sharpest
    if piece.view is not None or piece.place.turned:
        return
    out_mm = _move_out_mm(foot.x, foot.y, view)
    changes = (
        Change(("view", "left_vp_mm"), view.left_vp_mm - out_mm),
        Change(("view", "right_vp_mm"), view.right_vp_mm + out_mm),
    )
    values: dict[str, Value] = {"angle": Number(angle), "out": Length(out_mm)}
    yield Advice.of("points-too-close", foot.xy, angle, values, changes)


def _move_out_mm(x_mm: float, foot_mm: float, view: TwoPointView | ThreePointView) -> float:
    """How far both points move out until the lowest corner is a right angle, in round measure.

    The angle is right when the foot's depth under the eye level is the altitude of the triangle:
    (x − left)·(right − x) = h².
    """
    left, right, h = x_mm - view.left_vp_mm, view.right_vp_mm - x_mm, foot_mm - view.eye_level_mm
    half = (left + right) / 2
    out_mm = -half + math.sqrt(half * half - left * right + h * h)
    return ROUND_MM * math.ceil(out_mm / ROUND_MM + 1e-9)


def flat_triangle(scene: Scene) -> Iterator[Advice]:
    """No eye sees right angles unless VP3 lies beyond the half circle over VP1 and VP2."""
    view = scene.exercise.view
    if not isinstance(view, ThreePointView) or scene.main.eye is not None:
        return
    corners = [vp.at for vp in scene.main.vanishing_points]
    widest = max(angle_deg(corners[i], corners[i - 1], corners[i - 2]) for i in range(len(corners)))
    left, right, (x, y) = view.left_vp_mm, view.right_vp_mm, view.third_vp_mm
    x = min(max(x, left + (right - left) / 10), right - (right - left) / 10)
    reach_mm = ROUND_MM * math.ceil(1.15 * math.sqrt((x - left) * (right - x)) / ROUND_MM)
    reach_mm = max(reach_mm, abs(y - view.eye_level_mm))
    third = (x, view.eye_level_mm + math.copysign(reach_mm, y - view.eye_level_mm))
    values: dict[str, Value] = {
        "angle": Number(widest), "across": Length(third[0]), "down": _down(third[1])
    }  # fmt: skip
    changes = (Change(("view", "third_vp_mm"), third),)
    yield Advice.of("flat-triangle", (x, y), widest, values, changes)


def _down(y_mm: float) -> Phrase:
    """A place above the sheet, or below its top edge."""
    return say("down-over", mm=Length(-y_mm)) if y_mm < 0 else say("down-from", mm=Length(y_mm))


def outside_triangle(scene: Scene) -> Iterator[Advice]:
    """Corners outside the triangle of three points come out wrong."""
    view = scene.exercise.view
    if not isinstance(view, ThreePointView):
        return
    found = _furthest_outside(scene)
    if found is None:
        return
    number, place, out_mm = found

    def within(changed: Scene) -> bool:
        return _furthest_outside(changed) is None

    moved = first_that(scene, _points_further_out(scene), within)
    values: dict[str, Value] = {
        "piece": scene.exercise.pieces[number].name, "out": About(out_mm),
        "times": Number(moved[0] if moved else 0.0, 2),
    }  # fmt: skip
    changes = moved[1] if moved else ()
    yield Advice.of("outside-triangle", place, out_mm, values, changes)


def _furthest_outside(scene: Scene) -> tuple[int, XY, float] | None:
    """The piece, corner and distance furthest outside the sides that meet in VP3.

    The third side is the eye level: to stand above it is no fault.
    """
    corners = [vp.at.xy for vp in scene.main.vanishing_points]
    if len(corners) < 3:
        return None
    left, right, third = corners
    middle = tuple(sum(c[k] for c in corners) / 3 for k in (0, 1))
    worst: tuple[int, XY, float] | None = None
    for part, body in zip(scene.parts, scene.bodies, strict=True):
        number = part.number
        if scene.exercise.pieces[number].view is not None:
            continue
        for place, _ in body.corners:
            x, y = place.xy
            out = 0.0
            for (ax, ay), (bx, by) in ((left, third), (right, third)):
                side = math.hypot(bx - ax, by - ay)
                there = ((bx - ax) * (y - ay) - (by - ay) * (x - ax)) / side
                inner = (bx - ax) * (middle[1] - ay) - (by - ay) * (middle[0] - ax)
                out = max(out, -there if inner > 0 else there)
            if out > 0.5 and (worst is None or out > worst[2]):
                worst = number, (x, y), out
    return worst


def _points_further_out(
    scene: Scene, keeping_centre: bool = False
) -> Iterator[tuple[float, tuple[Change, ...]]]:
    """All points of the main view moved away from the centre of vision, in growing steps.

    The centre lies at (x − left)·(right − x) / h under the eye level, h being VP3's depth: it
    stays where it is when VP3 moves with the square of the others.
    """
    view = scene.exercise.view
    if isinstance(view, OnePointView):
        return
    centre = (
        scene.main.eye.principal.x if scene.main.eye else ((view.left_vp_mm + view.right_vp_mm) / 2)
    )

    def out(value: float, times: float, middle: float) -> float:
        moved = middle + (value - middle) * times
        return ROUND_MM * round(moved / ROUND_MM)

    for times in (1.1, 1.25, 1.5, 1.75, 2.0, 2.5, 3.0, 4.0):
        changes = [
            Change(("view", "left_vp_mm"), out(view.left_vp_mm, times, centre)),
            Change(("view", "right_vp_mm"), out(view.right_vp_mm, times, centre)),
        ]
        if isinstance(view, ThreePointView):
            x, y = view.third_vp_mm
            down = times * times if keeping_centre else times
            third: NewValue = (out(x, times, centre), out(y, down, view.eye_level_mm))
            changes.append(Change(("view", "third_vp_mm"), third))
        yield times, tuple(changes)


def share_in_cone(scene: Scene, strokes: Sequence[Stroke]) -> float:
    """The part of all visible lines, by length, that lies within the 60° cone of vision."""
    whole = within = 0.0
    for stroke in strokes:
        if stroke.role is not Role.OUTLINE:
            continue
        pieces = max(1, int(length(stroke.segment) / 4.0))
        for i in range(pieces):
            place = Point(*at(stroke.segment, (i + 0.5) / pieces))
            part = length(stroke.segment) / pieces
            whole += part
            within += part if scene.main.within_cone(place, CONE_DEG) else 0.0
    return within / whole if whole else 1.0


def outside_cone(scene: Scene, strokes: Sequence[Stroke]) -> Iterator[Advice]:
    share = 1.0 - share_in_cone(scene, strokes)
    eye = scene.main.eye
    if share <= 0.05 or eye is None:
        return
    tries = _points_further_out(scene, keeping_centre=True)
    if isinstance(scene.exercise.view, OnePointView):
        path = ("view", "viewing_distance_mm")
        tries = (
            (times, (Change(path, ROUND_MM * math.ceil(eye.distance_mm * times / ROUND_MM)),))
            for times in (1.25, 1.5, 2.0, 2.5, 3.0, 4.0, 6.0)
        )

    def within(changed: Scene) -> bool:
        return 1.0 - share_in_cone(changed, strokes) <= 0.05

    moved = first_that(scene, tries, within)
    values: dict[str, Value] = {
        "share": Number(share * 100.0),
        "times": Number(moved[0] if moved else 0.0, 2),
    }
    changes = moved[1] if moved else ()
    yield Advice.of("outside-cone", eye.principal.xy, share * 100.0, values, changes, share)
