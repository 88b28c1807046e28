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

from orthopsis.perspective.plane import LEVEL, UPRIGHT, Point
from orthopsis.perspective.vector import Vector

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
    away, up in one-point; left, right, up in two-point. `eye` is None where no eye sees the three
    directions at right angles; then lengths in depth have no true measure.
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
            raise ValueError("the centre of vision lies between the two vanishing points")
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

    def named(self, prefix: str) -> View:
        """The same view with its vanishing points named after it, as in ``rail:VP1``."""
        renamed = tuple(
            vp if vp.at.at_infinity else replace(vp, name=f"{prefix}:{vp.name}")
            for vp in self.directions
        )
        return replace(self, directions=renamed)

    @property
    def vanishing_points(self) -> tuple[VanishingPoint, ...]:
        """The directions that vanish on paper or far off it, not those at infinity."""
        return tuple(vp for vp in self.directions if not vp.at.at_infinity)

    def ground_depth(self, foot_y_mm: float) -> float:
        """Relative depth of the ground seen at this height of the sheet.

        The ground lies the eye's height under the eye: w·(foot − eye level) = eye height.
        Raises ValueError on or above the eye level, where no ground is seen.
        """
        below_mm = foot_y_mm - self.eye_level_mm
        if below_mm <= 0.0:
            raise ValueError("the ground is seen only below the eye level")
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
            raise ValueError("no eye sees right angles in this view")
        x, y = vp.xy
        px, py = self.eye.principal.xy
        return math.hypot(x - px, y - py, self.eye.distance_mm)

    def measuring_point(self, vp: Point, on_the_right: bool) -> Point:
        """The point that carries true lengths from a level line to a line toward `vp`.

        As far from the vanishing point as the eye is; for the centre of vision of a one-point
        view the two are its distance points.
        """
        reach = self.true_length(vp)
        x, y = vp.xy
        return Point(x + reach if on_the_right else x - reach, y)

    def vanishing_point_of_direction(self, across: float, away: float, up: float) -> Point:
        """Where lines of a direction of the world vanish (X right, Y away, Z up).

        >>> view = View.one_point(210, 148.5, 360, 110)
        >>> view.vanishing_point_of_direction(1, 1, 0)
        Point(x=570.0, y=148.5, w=1.0)
        """
        if self.eye is None:
            raise ValueError("no eye sees right angles in this view")
        px, py = self.eye.principal.xy
        d = self.eye.distance_mm
        x, y, w = across * d + px * away, py * away - up * d, away
        return Point(x, y, 0.0) if w == 0.0 else Point(x / w, y / w, 1.0)

    def within_cone(self, point: Point, cone_deg: float) -> bool:
        """Whether a sheet point is seen within a cone of this full angle about the axis."""
        if self.eye is None:
            return True
        x, y = point.xy
        px, py = self.eye.principal.xy
        radius = self.eye.distance_mm * math.tan(math.radians(cone_deg / 2))
        return math.hypot(x - px, y - py) <= radius


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
        raise ValueError("a place lies behind the eye")
    return x / depth, y / depth
