"""A view: where the directions of things vanish, and how far away things stand.

Eye space
---------
A thing seen at the sheet point (x, y) and w times as far away as the picture plane has the eye
space coordinates (w·x, w·y, w). The eye is the origin, a sheet point is a ray, and a vanishing
point (x, y, 1) *is* the direction of its lines; a direction that does not vanish on paper is
(dx, dy, 0). One-, two- and three-point views are therefore one class: three directions.

Sources: ISO 5456-4 (central projection: terms, distance and measuring points); B. Taylor,
New Principles of Linear Perspective, 1719 (a direction has one vanishing point). From memory.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from functools import cached_property

from orthopsis.errors import Unfit
from orthopsis.perspective.plane import LEVEL, UPRIGHT, Line, Point, meet
from orthopsis.perspective.vector import Vector, plus, times
from orthopsis.phrase import say

VERTICAL = "vertical"
HORIZONTAL = "horizontal"
FREE = "free"


@dataclass(frozen=True)
class VanishingPoint:
    """Where one family of lines meets: its name and its place, finite or at infinity."""

    name: str
    at: Point


@dataclass(frozen=True)
class Eye:
    """The eye before the sheet: the principal point it faces and its distance, mm."""

    principal: Point
    distance_mm: float


@dataclass(frozen=True)
class View:
    """Three directions with their vanishing points, the eye level and the eye's height.

    `directions` are the view's level direction(s) and the uprights, in this order: across,
    away, up in one-point; left, right, up in two- and three-point. `eye` is None where no eye
    sees the three directions at right angles; then lengths in depth have no true measure.
    """

    directions: tuple[VanishingPoint, ...]
    eye_level_mm: float
    eye_height_mm: float
    eye: Eye | None

    @classmethod
    def one_point(
        cls,
        vanishing_point_mm: float,
        eye_level_mm: float,
        viewing_distance_mm: float,
        eye_height_mm: float,
    ) -> View:
        """Level lines and uprights stay as they are; what runs away meets in VP1."""
        centre = Point(vanishing_point_mm, eye_level_mm)
        return cls(
            directions=(
                VanishingPoint(HORIZONTAL, LEVEL),
                VanishingPoint("VP1", centre),
                VanishingPoint(VERTICAL, UPRIGHT),
            ),
            eye_level_mm=eye_level_mm,
            eye_height_mm=eye_height_mm,
            eye=Eye(centre, viewing_distance_mm),
        )

    @classmethod
    def two_point(
        cls,
        left_vp_mm: float,
        right_vp_mm: float,
        eye_level_mm: float,
        centre_mm: float,
        eye_height_mm: float,
    ) -> View:
        """Two level directions at a right angle; uprights stay upright.

        d² = (centre − left)·(right − centre), the altitude of the right triangle that both
        vanishing points form with the station point. Raises ValueError when the centre does not
        lie between the points.
        """
        square = (centre_mm - left_vp_mm) * (right_vp_mm - centre_mm)
        if square <= 0.0:
            raise Unfit(say("refused-centre-between"))
        return cls(
            directions=(
                VanishingPoint("VP1", Point(left_vp_mm, eye_level_mm)),
                VanishingPoint("VP2", Point(right_vp_mm, eye_level_mm)),
                VanishingPoint(VERTICAL, UPRIGHT),
            ),
            eye_level_mm=eye_level_mm,
            eye_height_mm=eye_height_mm,
            eye=Eye(Point(centre_mm, eye_level_mm), math.sqrt(square)),
        )

    @classmethod
    def three_point(
        cls,
        left_vp_mm: float,
        right_vp_mm: float,
        eye_level_mm: float,
        third_vp: Point,
        eye_height_mm: float,
    ) -> View:
        """Two level directions, and uprights that meet above or below the eye level.

        The eye is the one that sees all three at right angles, see `eye_of_triangle`; it is None
        where the triangle of the points is not acute, and lengths in depth then have no measure.
        Raises ValueError when the third point lies on the eye level.
        """
        if abs(third_vp.y - eye_level_mm) < 1e-9:
            raise Unfit(say("refused-third-off"))
        left, right = Point(left_vp_mm, eye_level_mm), Point(right_vp_mm, eye_level_mm)
        return cls(
            directions=(
                VanishingPoint("VP1", left),
                VanishingPoint("VP2", right),
                VanishingPoint("VP3", third_vp),
            ),
            eye_level_mm=eye_level_mm,
            eye_height_mm=eye_height_mm,
            eye=eye_of_triangle(left, right, third_vp),
        )

    def turned(self, name: str, vp_mm: float) -> View:
        """The same eye before things turned about the vertical, with a pair of points of their own.

        One of them lies at `vp_mm` on the eye level, the other follows from the right angle:
        (x₀ − a)·(b − x₀) = d² + (eye level − p_y)², with p the principal point and x₀ = p_x.
        They are named ``name:VP1`` (left) and ``name:VP2``. Raises ValueError in a view without an
        eye, and where the other point would lie at infinity.
        """
        if self.eye is None:
            raise Unfit(say("refused-no-right-angles"))
        x0, y0 = self.eye.principal.xy
        square = self.eye.distance_mm**2 + (self.eye_level_mm - y0) ** 2
        if abs(vp_mm - x0) * 1e6 < square:
            raise Unfit(say("refused-turned-too-little"))
        other_mm = x0 + square / (x0 - vp_mm)
        left, right = sorted((vp_mm, other_mm))
        pair = (
            VanishingPoint(f"{name}:VP1", Point(left, self.eye_level_mm)),
            VanishingPoint(f"{name}:VP2", Point(right, self.eye_level_mm)),
        )
        return replace(self, directions=(*pair, self.directions[2]))

    def moved(self, right_mm: float, down_mm: float, back_mm: float) -> View:
        """What the same eye sees after a step along the sheet and away from it.

        The sheet stays where it is as the picture plane, and so does the world behind it. Each
        vanishing point keeps its direction: it moves with the principal point, and its distance
        from there grows as the viewing distance does. Raises ValueError without an eye, or when
        the eye would come onto the sheet.
        """
        if self.eye is None:
            raise Unfit(say("refused-no-right-angles"))
        far_mm = self.eye.distance_mm + back_mm
        if far_mm <= 0.0:
            raise Unfit(say("refused-before-the-sheet"))
        px, py = self.eye.principal.xy
        grown = far_mm / self.eye.distance_mm
        eye = Eye(Point(px + right_mm, py + down_mm), far_mm)

        def seen(at: Point) -> Point:
            if at.at_infinity:
                return at
            x, y = at.xy
            return Point(eye.principal.x + (x - px) * grown, eye.principal.y + (y - py) * grown)

        height_mm = self.eye_height_mm - down_mm - (self.eye_level_mm - py) * (grown - 1.0)
        if height_mm <= 0.0:
            raise Unfit(say("refused-above-the-ground"))
        return View(
            tuple(VanishingPoint(vp.name, seen(vp.at)) for vp in self.directions),
            seen(Point(px, self.eye_level_mm)).y,
            height_mm,
            eye,
        )

    def place_seen_by(self, other: View, place: Vector) -> Vector:
        """The eye space place, for `other`'s eye, of what this eye has at `place`.

        Both look through the same sheet; see `moved`. Raises ValueError without an eye.
        """
        if self.eye is None or other.eye is None:
            raise Unfit(say("refused-no-right-angles"))
        (x, y, depth), (px, py) = place, self.eye.principal.xy
        behind = depth - 1.0
        there = behind * self.eye.distance_mm / other.eye.distance_mm
        qx, qy = other.eye.principal.xy
        return x - px * behind + qx * there, y - py * behind + qy * there, 1.0 + there

    def named(self, prefix: str) -> View:
        """The same view with its vanishing points named after it, as in ``rail:VP1``."""
        renamed = tuple(
            vp if vp.at.at_infinity else replace(vp, name=f"{prefix}:{vp.name}")
            for vp in self.directions
        )
        return replace(self, directions=renamed)

    @cached_property
    def vanishing_points(self) -> tuple[VanishingPoint, ...]:
        """The directions that vanish on paper or far off it, not those at infinity."""
        return tuple(vp for vp in self.directions if not vp.at.at_infinity)

    @cached_property
    def level_points(self) -> tuple[VanishingPoint, ...]:
        """The vanishing points of level lines, which lie on the eye level."""
        return tuple(vp for vp in self.directions[:2] if not vp.at.at_infinity)

    @property
    def uprights(self) -> VanishingPoint:
        """Where uprights meet: VP3, or straight down at infinity."""
        return self.directions[2]

    def ground_depth(self, foot_y_mm: float) -> float:
        """Relative depth of the ground seen at this height of the sheet.

        The ground lies the eye's height under the eye: w·(foot − eye level) = eye height.
        Raises ValueError on or above the eye level, where no ground is seen.
        """
        below_mm = foot_y_mm - self.eye_level_mm
        if below_mm <= 0.0:
            raise Unfit(say("refused-ground-above"))
        return self.eye_height_mm / below_mm

    def true_length(self, vp: Point) -> float:
        """True mm, at picture plane scale, of one step of (x, y, 1) toward a vanishing point.

        For a finite point this is its distance from the eye, √(|v − p|² + d²), which is also how
        far its measuring points lie from it. At infinity it is the length of (x, y).
        Raises ValueError in a view without an eye.
        """
        if vp.at_infinity:
            return math.hypot(vp.x, vp.y)
        if self.eye is None:
            raise Unfit(say("refused-no-right-angles"))
        x, y = vp.xy
        px, py = self.eye.principal.xy
        return math.hypot(x - px, y - py, self.eye.distance_mm)

    def measuring_point(self, vp: Point, along: Point = LEVEL) -> Point:
        """The point that carries true lengths, laid out in a direction of the sheet, to a line.

        A length laid from a corner in the direction `along` (a point at infinity) is cut off the
        line from that corner to `vp` by a line to this point. It lies as far from the vanishing
        point as the eye does, on the side away from `along`; for the centre of vision of a
        one-point view the two on the eye level are its distance points.
        """
        reach = self.true_length(vp) / math.hypot(along.x, along.y)
        x, y = vp.xy
        return Point(x - along.x * reach, y - along.y * reach)

    def vanishing_point_of_direction(self, first: float, second: float, up: float) -> Point:
        """Where lines of a direction of space vanish, by its steps along the view's directions.

        In one-point these are across, away and up; in two- and three-point to the left point, to
        the right point, and up. Steps are true lengths. On a sloping plane `up` is not zero: its
        point lies on the line from the level direction's point to that of the uprights.
        Raises ValueError in a view without an eye.

        >>> view = View.one_point(210, 148.5, 360, 110)
        >>> view.vanishing_point_of_direction(1, 1, 0)
        Point(x=570.0, y=148.5, w=1.0)
        """
        total = (0.0, 0.0, 0.0)
        for vp, steps in zip(self.directions, (first, second, -up * self._down), strict=True):
            total = plus(total, times((*vp.at,), steps / self.true_length(vp.at)))
        x, y, w = total
        return Point(x, y, 0.0) if w == 0.0 else Point(x / w, y / w, 1.0)

    def slope_point(self, level: Point, rise_deg: float) -> Point:
        """Where the steepest lines of a plane vanish that rises toward a level direction.

        It lies on the line from `level` to the point of the uprights, which is upright in one-
        and two-point; a falling slope (negative) has its own. At 0° it is `level` itself.
        Raises ValueError in a view without an eye.
        """
        level_step = times((*level,), 1.0 / self.true_length(level))
        down = self.uprights.at
        up_step = times((*down,), -self._down / self.true_length(down))
        rise = math.radians(rise_deg)
        x, y, w = plus(times(level_step, math.cos(rise)), times(up_step, math.sin(rise)))
        return Point(x, y, 0.0) if w == 0.0 else Point(x / w, y / w, 1.0)

    @property
    def _down(self) -> float:
        """1 where the uprights' direction points down, −1 where their point lies above."""
        third = self.uprights.at
        return 1.0 if third.at_infinity or third.xy[1] > self.eye_level_mm else -1.0

    def within_cone(self, point: Point, cone_deg: float) -> bool:
        """Whether a sheet point is seen within a cone of this full angle about the axis."""
        if self.eye is None:
            return True
        x, y = point.xy
        px, py = self.eye.principal.xy
        radius = self.eye.distance_mm * math.tan(math.radians(cone_deg / 2))
        return math.hypot(x - px, y - py) <= radius


def eye_of_triangle(a: Point, b: Point, c: Point) -> Eye | None:
    """The eye that sees the directions of three vanishing points at right angles to each other.

    Its principal point p is the orthocentre of their triangle, and d² = −(a − p)·(b − p), the
    same for each pair. None when the triangle is not acute: no eye sees right angles so.
    Source: B. Taylor 1719, and any handbook of photogrammetry (from memory).

    >>> eye_of_triangle(Point(-100, 0), Point(100, 0), Point(0, 200))
    Eye(principal=Point(x=0.0, y=50.0, w=1.0), distance_mm=86.60254037844386)
    """
    (ax, ay), (bx, by), (cx, cy) = a.xy, b.xy, c.xy
    # The altitude from c is square to a–b, the one from a is square to b–c.
    base, side = (bx - ax, by - ay), (cx - bx, cy - by)
    p = meet(
        Line(base[0], base[1], -(base[0] * cx + base[1] * cy)),
        Line(side[0], side[1], -(side[0] * ax + side[1] * ay)),
    )
    if p.at_infinity:
        return None
    px, py = p.xy
    square = -((ax - px) * (bx - px) + (ay - py) * (by - py))
    return Eye(p, math.sqrt(square)) if square > 1e-6 else None


def eye_space(point: Point, depth: float) -> Vector:
    """The eye space place of what is seen at a sheet point at a relative depth.

    >>> eye_space(Point(30, 40), 2.0)
    (60.0, 80.0, 2.0)
    """
    x, y = point.xy
    return x * depth, y * depth, depth


def on_paper(place: Vector) -> tuple[float, float]:
    """Sheet coordinates in mm of an eye space place; ValueError when it is not before the eye."""
    x, y, depth = place
    if depth <= 0.0:
        raise Unfit(say("refused-behind"))
    return x / depth, y / depth


def level_families(view: View) -> tuple[str, ...]:
    """The families of what is level."""
    return HORIZONTAL, *(vp.name for vp in view.level_points)
