"""What leaves the program for others: DXF, PDF and glTF, read back by the libraries for them."""

from __future__ import annotations

import base64
import io
import json
import math

import ezdxf
import numpy as np
import pytest
from pypdf import PdfReader

from orthopsis.errors import ExerciseError
from orthopsis.exercise.resolve import picture
from orthopsis.handout.dxf import to_dxf
from orthopsis.handout.figure import picture_figure
from orthopsis.handout.gltf import to_gltf
from orthopsis.handout.pages import figure_pdf
from orthopsis.handout.svg import to_svg
from tests.documents import EXAMPLES, ONE_POINT, THREE_POINT, TWO_POINT, example, scene_of

NAMES = sorted(path.stem for path in EXAMPLES.glob("*.json"))


def opened(scene):
    return ezdxf.read(io.StringIO(to_dxf(scene, picture(scene))))


@pytest.mark.parametrize("name", NAMES)
def test_dxf_opens_without_a_fault(name):
    # ezdxf's own audit of the file's structure.
    drawing = opened(example(name))
    auditor = drawing.audit()
    assert not auditor.errors and not auditor.fixes
    assert drawing.units == ezdxf.units.MM


def test_dxf_has_every_stroke_on_the_layer_of_its_family_and_role():
    scene = scene_of(TWO_POINT)
    drawing = opened(scene)
    for stroke in picture(scene):
        ends = {(round(x, 6), round(297 - y, 6)) for x, y in stroke.segment}
        assert any(
            {(round(p.x, 6), round(p.y, 6)) for p in (line.dxf.start, line.dxf.end)} == ends
            for line in drawing.modelspace().query(f'LINE[layer=="{stroke.family} {stroke.role}"]')
        )


def test_a_curve_is_one_polyline_in_dxf_and_svg():
    scene = example("bins-at-the-gate")
    curves = {s.curve for s in picture(scene) if s.curve is not None}
    drawn = {s.curve for s in picture(scene) if s.curve is not None and s.role == "outline"}
    polylines = opened(scene).modelspace().query('LWPOLYLINE[layer!="sheet"]')
    assert len(polylines) == len(curves)
    assert to_svg(picture_figure(scene, picture(scene))).count("<polyline") == len(drawn)


def test_a_layer_is_named_without_the_signs_that_dxf_forbids():
    view = {**ONE_POINT["view"], "vanishing_point_mm": 300}
    scene = scene_of(ONE_POINT, views={"rail": view}, pieces__0__view="rail")
    assert "rail VP1 outline" in opened(scene).layers


def test_the_pdf_is_one_page_of_the_sheets_size():
    scene = scene_of(ONE_POINT)
    page, *more = PdfReader(io.BytesIO(figure_pdf(picture_figure(scene, picture(scene))))).pages
    assert not more
    size = [float(side) * 25.4 / 72 for side in (page.mediabox.width, page.mediabox.height)]
    assert size == pytest.approx([420, 297], abs=0.1)


def meshes(scene):
    """Name and triangles, each 3 × 3 in metres, of every mesh."""
    document = json.loads(to_gltf(scene))
    assert document["asset"]["version"] == "2.0"
    data = base64.b64decode(document["buffers"][0]["uri"].split(",")[1])
    assert len(data) == document["buffers"][0]["byteLength"]
    for mesh in document["meshes"]:
        accessor = document["accessors"][mesh["primitives"][0]["attributes"]["POSITION"]]
        view = document["bufferViews"][accessor["bufferView"]]
        points = np.frombuffer(data, "<f4", accessor["count"] * 3, view["byteOffset"])
        points = points.reshape(-1, 3)
        assert points.min(axis=0) == pytest.approx(accessor["min"])
        assert points.max(axis=0) == pytest.approx(accessor["max"])
        yield mesh["name"], points.reshape(-1, 3, 3).astype(float)


def volume(triangles):
    """By the divergence theorem; positive when all faces are turned outward."""
    return (
        float(np.einsum("ij,ij->", triangles[:, 0], np.cross(triangles[:, 1], triangles[:, 2]))) / 6
    )


def test_a_cube_of_60_mm_is_a_cube_in_gltf():
    cube = scene_of(ONE_POINT, pieces__0__front__height_mm=60, pieces__0__depth={"true_mm": 60})
    ((name, triangles),) = meshes(cube)
    assert name == "crate"
    sides = triangles.reshape(-1, 3).max(axis=0) - triangles.reshape(-1, 3).min(axis=0)
    assert sides == pytest.approx([0.06] * 3, rel=1e-5)
    assert volume(triangles) == pytest.approx(0.06**3, rel=1e-4)


@pytest.mark.parametrize("third", [[220, 520], [200, -380]])
def test_a_three_point_box_stands_upright_at_right_angles_in_gltf(third):
    level = 60 if third[1] > 0 else 230
    scene = scene_of(
        THREE_POINT,
        view__third_vp_mm=third,
        view__eye_level_mm=level,
        pieces__0__left={"true_mm": 50},
        pieces__0__right={"true_mm": 70},
    )
    ((_, triangles),) = meshes(scene)
    corners = np.unique(np.round(triangles.reshape(-1, 3), 6), axis=0)
    heights = np.unique(np.round(corners[:, 1], 5))
    assert len(corners) == 8 and len(heights) == 2
    top = corners[np.isclose(corners[:, 1], heights[-1], atol=1e-5)]
    apart = sorted(math.dist(a, b) for i, a in enumerate(top) for b in top[i + 1 :])
    assert apart == pytest.approx(
        sorted([0.05, 0.05, 0.07, 0.07, *[math.hypot(0.05, 0.07)] * 2]), abs=1e-4
    )


def test_a_cylinder_has_nearly_the_volume_of_its_formula():
    cube = scene_of(
        ONE_POINT,
        pieces__0__kind="cylinder",
        pieces__0__front__height_mm=60,
        pieces__0__depth={"true_mm": 60},
    )
    ((_, triangles),) = meshes(cube)
    assert volume(triangles) == pytest.approx(math.pi * 0.03**2 * 0.06, rel=2e-3)


def test_solids_that_no_eye_sees_at_right_angles_have_no_gltf():
    with pytest.raises(ExerciseError, match="not acute"):
        to_gltf(scene_of(THREE_POINT, view__third_vp_mm=[220, 200], pieces__0__edge__length_mm=30))
    assert "meshes" not in json.loads(to_gltf(scene_of(ONE_POINT, pieces=[])))
