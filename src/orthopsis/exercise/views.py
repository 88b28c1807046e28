"""From a view as the document states it to the view that everything is seen in."""

from __future__ import annotations

from orthopsis.exercise.document import OnePointView, ThreePointView, ViewSpec
from orthopsis.perspective.plane import Point
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.view import View


def view_of(spec: ViewSpec, sheet: Sheet, eye_height_mm: float) -> View:
    """The view with its defaults settled: the eye stands half a sheet's width off, before the
    middle between two points.
    """
    if isinstance(spec, OnePointView):
        return View.one_point(
            spec.vanishing_point_mm,
            spec.eye_level_mm,
            spec.viewing_distance_mm or sheet.width_mm / 2,
            eye_height_mm,
        )
    if isinstance(spec, ThreePointView):
        return View.three_point(
            spec.left_vp_mm,
            spec.right_vp_mm,
            spec.eye_level_mm,
            Point(*spec.third_vp_mm),
            eye_height_mm,
        )
    left_mm, right_mm, middle_mm = spec.left_vp_mm, spec.right_vp_mm, sheet.width_mm / 2
    centre_mm = spec.centre_mm
    if centre_mm is None:
        centre_mm = middle_mm if left_mm < middle_mm < right_mm else (left_mm + right_mm) / 2
    return View.two_point(left_mm, right_mm, spec.eye_level_mm, centre_mm, eye_height_mm)
