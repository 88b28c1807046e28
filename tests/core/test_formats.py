"""What leaves the program for others: DXF, PDF and glTF, read back by the libraries for them."""

from __future__ import annotations

import base64
import io
import json
import math
from collections import Counter

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
from orthopsis.pieces.shapes.extrusion.alphabet import letter, width_mm
from tests.documents import EXAMPLES, ONE_POINT, THREE_POINT, TWO_POINT, example, scene_of
from tests.letters import ONE

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
        corners = {1: 2, 4: 3}[mesh["primitives"][0]["mode"]]
        yield mesh["name"], points.reshape(-1, corners, 3).astype(float)


def volume(triangles):
    """By the divergence theorem; positive when all faces are turned outward."""
    return (
        float(np.einsum("ij,ij->", triangles[:, 0], np.cross(triangles[:, 1], triangles[:, 2]))) / 6
    )


@pytest.mark.parametrize("name", ["cottage-by-the-lane", "market-corner", "lane-to-the-mill"])
def test_houses_are_closed_and_poles_are_lines_in_gltf(name):
    scene = example(name)
    made = list(meshes(scene))
    assert made
    for mesh, corners in made:
        if corners.shape[1] == 2:
            # A pole stands upright, its arm lies level, and all of them are equally high.
            across = corners[:, 1] - corners[:, 0]
            assert np.count_nonzero(np.abs(across) > 1e-5, axis=1).tolist() == [1, 1], mesh
            continue
        sides = np.concatenate([corners[:, [k, (k + 1) % 3]] for k in range(3)])
        ways = Counter(tuple(np.round(side, 6).ravel()) for side in sides)
        back = Counter(tuple(np.round(side[::-1], 6).ravel()) for side in sides)
        assert ways == back, f"{mesh}: every side lies between two faces"
        assert volume(corners) > 0.0, mesh
    poles = [corners for _, corners in made if corners.shape[1] == 2]
    assert len(poles) == (4 if name == "lane-to-the-mill" else 0)
    for pole in poles[1:]:
        height = np.abs(np.diff(pole, axis=1)).max()
        assert height == pytest.approx(np.abs(np.diff(poles[0], axis=1)).max(), rel=1e-5)


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


def area_mm2(character, form):
    """The area of a measured letter, 60 mm high, from its corners and its quarters of ellipses."""
    profile, wide = letter(character, "measured", form), width_mm(character, "measured")
    area = profile.area(wide, 60.0)
    total = 0.0
    for i, loop in enumerate(area.loops):
        for k, (x0, y0) in enumerate(loop):
            x1, y1 = loop[(k + 1) % len(loop)]
            total += (x0 * y1 - y0 * x1) / 2
            arc = area.bends.get((i, k))
            if arc is not None:
                # Between a quarter and its chord lies (π/4 − ½) of the rectangle around it.
                x, y = (s * n for s, n in zip((wide, 60.0), profile.place(profile.bends[i, k]),
                                              strict=True))  # fmt: skip
                turned = (x1 - x0) * (y - y0) - (y1 - y0) * (x - x0)
                size = abs(turned)
                total += math.copysign((math.pi / 4 - 0.5) * size, -turned)
    return total


@pytest.mark.parametrize("form", ["block", "curved"])
@pytest.mark.parametrize("character", ["H", "A", "O", "B", "?", "&", "S", "8", "3", "Å", "Ö"])
def test_a_letter_in_gltf_has_the_volume_of_its_outline_times_its_depth(character, form):
    piece = {**ONE["pieces"][0], "text": character, "form": form, "depth": {"true_mm": 40}}
    scene = scene_of({**ONE, "pieces": [piece]})
    ((name, triangles),) = meshes(scene)
    assert name == "word:1"
    expected = area_mm2(character, form) * 40 / 1e9
    assert volume(triangles) == pytest.approx(expected, rel=2e-3)
    # Every edge is shared by two triangles: the surface is closed.
    edges = Counter()
    for corners in np.round(triangles, 6):
        places = [tuple(p) for p in corners]
        for a, b in ((0, 1), (1, 2), (2, 0)):
            edges[frozenset((places[a], places[b]))] += 1
    assert set(edges.values()) <= {2, 4}


def test_each_letter_of_a_word_is_a_mesh_of_its_own():
    found = [name for name, _ in meshes(example("pots-on-the-wall"))]
    assert found == ["pots:1", "pots:2", "pots:3", "pots:4"]
