"""Advice: what will look wrong although every line is right, each with its number and one remedy.

Facts of the trade are marked in craft words: a lowest corner under 90° tips; the 60° cone is where
things look natural (common practice, no published source).
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from orthopsis.errors import NoDrawingOrder
from orthopsis.exercise.document import OnePointView, ThreePointView, TwoPointView
from orthopsis.exercise.resolve import Scene, bodies, steps
from orthopsis.perspective.plane import Point, angle_deg
from orthopsis.perspective.segments import XY, at, length
from orthopsis.perspective.stroke import Role, Stroke
from orthopsis.pieces.block import Block

CONE_DEG = 60.0
LEAST_FACE_MM = 3.0
ROUND_MM = 5.0


@dataclass(frozen=True)
class Change:
    """A new value for one field of the document."""

    path: tuple[str | int, ...]
    value: float


@dataclass(frozen=True)
class Advice:
    """One thing to know, its place on the sheet, its number, and what would mend it.

    `weight` orders advice, the worst first.
    """

    code: str
    where: XY
    number: float
    message: str
    weight: float
    remedy: str = ""
    changes: tuple[Change, ...] = ()


@dataclass(frozen=True)
class Strip:
    """Paper to tape on for a vanishing point off the sheet."""

    name: str
    side: str
    length_mm: float


@dataclass(frozen=True)
class Facts:
    """What follows from the set-up: shown beside it."""

    lowest_corner_deg: float | None
    share_in_cone: float
    strips: tuple[Strip, ...]


def facts(scene: Scene, strokes: Sequence[Stroke]) -> Facts:
    """The derived numbers of a drawing."""
    corner = _sharpest_corner(scene)
    return Facts(
        lowest_corner_deg=None if corner is None else corner[2],
        share_in_cone=_share_in_cone(scene, strokes),
        strips=strips(scene),
    )


def strips(scene: Scene) -> tuple[Strip, ...]:
    """The strips of paper that the sheet needs, and how long each is."""
    found = []
    for vp in scene.vanishing_points:
        x = vp.at.xy[0]
        if x < 0.0:
            found.append(Strip(vp.name, "left", -x))
        elif x > scene.sheet.width_mm:
            found.append(Strip(vp.name, "right", x - scene.sheet.width_mm))
    return tuple(found)


def advice(scene: Scene, strokes: Sequence[Stroke], most: int = 3) -> list[Advice]:
    """At most `most` pieces of advice, the worst first."""
    said = [
        *_in_one_another(scene),
        *_points_too_close(scene),
        *_slivers(scene),
        *_outside_cone(scene, strokes),
        *_tape_strips(scene),
    ]
    return sorted(said, key=lambda one: -one.weight)[:most]


def _in_one_another(scene: Scene) -> list[Advice]:
    try:
        steps(scene)
    except NoDrawingOrder as error:
        names = [piece.id for piece in scene.exercise.pieces]
        first = next((i for i, name in enumerate(names) if f"'{name}'" in error.message), 0)
        corners = bodies(scene)[first].corners
        return [Advice("no-drawing-order", corners[0][0].xy, 0.0, f"{error.message}.", 10.0)]
    return []


def _sharpest_corner(scene: Scene) -> tuple[Block, Point, float] | None:
    """The box whose lowest front corner is sharpest, that corner below the eye level, its angle."""
    found = None
    for number, piece in enumerate(scene.exercise.pieces):
        view = scene.stage(number).view
        if not isinstance(piece, Block) or piece.edge is None:
            continue
        foot = piece.edge.ends(view.uprights.at)[1]
        left, right = (vp.at for vp in view.level_points)
        if foot.y <= view.eye_level_mm or not left.x < foot.x < right.x:
            continue
        angle = angle_deg(foot, left, right)
        if found is None or angle < found[2]:
            found = piece, foot, angle
    return found


def _points_too_close(scene: Scene) -> list[Advice]:
    sharpest = _sharpest_corner(scene)
    view = scene.exercise.view
    if sharpest is None or sharpest[2] >= 90.0 or isinstance(view, OnePointView):
        return []
    box, foot, angle = sharpest
    if box.view is not None or box.turned_vp_mm is not None:
        return []
    out_mm = _move_out_mm(foot.x, foot.y, view)
    words = scene.wording
    return [
        Advice(
            "points-too-close",
            foot.xy,
            angle,
            f"The lowest corner is {angle:.0f}°. It will look as if it tips. "
            f"Move both points out by {words.length(out_mm)}.",
            8.0,
            f"Move both points out by {words.length(out_mm)}",
            (
                Change(("view", "left_vp_mm"), view.left_vp_mm - out_mm),
                Change(("view", "right_vp_mm"), view.right_vp_mm + out_mm),
            ),
        )
    ]


def _move_out_mm(x_mm: float, foot_mm: float, view: TwoPointView | ThreePointView) -> float:
    """How far both points move out until the lowest corner is a right angle, in round measure.

    The angle is right when the foot's depth under the eye level is the altitude of the triangle:
    (x − left)·(right − x) = h².
    """
    left, right, h = x_mm - view.left_vp_mm, view.right_vp_mm - x_mm, foot_mm - view.eye_level_mm
    half = (left + right) / 2
    out_mm = -half + math.sqrt(half * half - left * right + h * h)
    return ROUND_MM * math.ceil(out_mm / ROUND_MM + 1e-9)


def _slivers(scene: Scene) -> list[Advice]:
    said = []
    for body, piece in zip(bodies(scene), scene.exercise.pieces, strict=True):
        for face in body.seen_faces:
            width_mm = _thinnest(face)
            if width_mm < LEAST_FACE_MM:
                said.append(
                    Advice(
                        "sliver",
                        face[0],
                        width_mm,
                        f"A side of {piece.name} shows only {width_mm:.1f} mm wide. Pupils lose "
                        "such a sliver; move the piece or the point.",
                        5.0,
                    )
                )
                break
    return said


def _thinnest(face: Sequence[XY]) -> float:
    """The smallest distance between a side and the corner furthest from it."""
    widths = []
    for i, start in enumerate(face):
        end = face[(i + 1) % len(face)]
        side = math.dist(start, end)
        if side > 1e-9:
            dx, dy = (end[0] - start[0]) / side, (end[1] - start[1]) / side
            widths.append(max(abs((x - start[0]) * dy - (y - start[1]) * dx) for x, y in face))
    return min(widths, default=0.0)


def _share_in_cone(scene: Scene, strokes: Sequence[Stroke]) -> float:
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


def _outside_cone(scene: Scene, strokes: Sequence[Stroke]) -> list[Advice]:
    share = 1.0 - _share_in_cone(scene, strokes)
    eye = scene.main.eye
    if share <= 0.05 or eye is None:
        return []
    return [
        Advice(
            "outside-cone",
            eye.principal.xy,
            share * 100.0,
            f"{share * 100:.0f} % of the drawing lies outside the 60° cone of vision and will look "
            "stretched there. Beginners' sheets often do; it is a hint, no fault.",
            2.0 + share,
        )
    ]


def _tape_strips(scene: Scene) -> list[Advice]:
    said = []
    for strip in strips(scene):
        half = strip.length_mm / 2
        x = -half if strip.side == "left" else scene.sheet.width_mm + half
        words = scene.wording.length(strip.length_mm)
        said.append(
            Advice(
                "tape-strip",
                (x, scene.main.eye_level_mm),
                strip.length_mm,
                f"{strip.name} lies {words} off the sheet: tape on a strip of paper at the "
                f"{strip.side} edge.",
                1.0,
            )
        )
    return said
