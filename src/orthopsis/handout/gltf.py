"""The solids themselves, as glTF 2.0 with everything in one file.

Metres at picture plane scale, y up, the eye level at height 0 and the picture plane at z = 0, so
that the eye looks along −z. Source: Khronos glTF 2.0 specification (from memory).
"""

from __future__ import annotations

import base64
import json
from collections.abc import Sequence
from typing import Any

import mapbox_earcut
import numpy as np
from numpy.typing import NDArray

from orthopsis.errors import ExerciseError
from orthopsis.exercise.resolve import Scene
from orthopsis.perspective.segments import inside
from orthopsis.perspective.vector import Vector
from orthopsis.perspective.view import View
from orthopsis.phrase import say
from orthopsis.picture.facets import flat_mesh
from orthopsis.picture.solid import Solid
from orthopsis.picture.solids import is_card, is_patch

AROUND = 96
"""Sides that stand for a circle."""
LINES, TRIANGLES = 1, 4
"""What the corners of a primitive make, by glTF's numbers."""

Points = NDArray[np.float64]
Triangles = NDArray[np.uint32]


def to_gltf(scene: Scene) -> str:
    """One mesh per part. Raises ExerciseError where no eye sees the views, so shapes are free."""
    builder = _Builder()
    for drawn, stage, _ in scene.parts:
        if stage.view.eye is None:
            raise ExerciseError(
                "view",
                say("refused-not-acute"),
            )
        # A way runs on for ever, and what is drawn by hand is flat: both are no solids.
        solids = (one for one in drawn.solids(stage) if not (is_patch(one) or is_card(one)))
        for solid in solids:
            corners, faces = flat_mesh(solid, AROUND // 4)
            points = np.array([_metres(corner, stage.view) for corner in corners])
            points = points @ _upright(stage.view).T
            if not faces:
                # Poles are lines: they have no thickness.
                assert isinstance(solid, Solid)
                ends = [(edge.start, edge.end) for edge in solid.edges]
                builder.add(str(drawn.part), points, np.array(ends, dtype=np.uint32), LINES)
                continue
            whole = [part for face in faces for part in _in_one_piece(points, face)]
            triangles = np.concatenate([_triangles(points, part) for part in whole])
            builder.add(str(drawn.part), points, triangles, TRIANGLES)
    return json.dumps(builder.document(scene.exercise.title))


def _metres(place: Vector, view: View) -> Vector:
    """A place of eye space in true lengths: right, up, toward the viewer."""
    assert view.eye is not None
    px, py = view.eye.principal.xy
    x, y, depth = place
    behind = (depth - 1.0) * view.eye.distance_mm
    return (
        (x - px * (depth - 1.0)) / 1e3,
        (view.eye_level_mm - y + py * (depth - 1.0)) / 1e3,
        (-behind / 1e3),
    )


def _upright(view: View) -> Points:
    """The turn that stands uprights up: none in one- and two-point."""
    up = np.array(_direction(view.uprights.at, view))
    up *= -1.0 if up[1] < 0 else 1.0
    up /= np.linalg.norm(up)
    away = np.array([0.0, 0.0, -1.0])
    away = away - up * (away @ up)
    away /= np.linalg.norm(away)
    return np.array([np.cross(away, up), up, -away])


def _direction(at: Any, view: View) -> Vector:
    if at.at_infinity:
        return at.x, -at.y, 0.0
    assert view.eye is not None
    (x, y), (px, py) = at.xy, view.eye.principal.xy
    return x - px, py - y, -view.eye.distance_mm


def _in_one_piece(points: Points, loops: list[Sequence[int]]) -> list[list[Sequence[int]]]:
    """A face by its pieces, each with its own holes: the dot of a question mark is one."""
    if len(loops) == 1:
        return [loops]
    first = _area_vector(points, loops[0])
    pieces = [[loop] for loop in loops if _area_vector(points, loop) @ first > 0.0]
    flat = _flat(points, first)
    for hole in loops:
        if _area_vector(points, hole) @ first <= 0.0:
            corner = tuple(flat[hole[0]])
            whose = next(one for one in pieces if inside(corner, [flat[list(one[0])].tolist()]))
            whose.append(hole)
    return pieces


def _flat(points: Points, normal: Points) -> Points:
    """The points in a plane's own two directions."""
    unit = normal / np.linalg.norm(normal)
    across = np.cross(unit, np.eye(3)[int(np.argmin(np.abs(unit)))])
    across /= np.linalg.norm(across)
    return np.column_stack([points @ across, points @ np.cross(unit, across)])


def _area_vector(points: Points, loop: Sequence[int]) -> Points:
    ring = points[np.array(loop)] - points[loop[0]]
    return np.asarray(np.cross(ring[1:-1], ring[2:]).sum(axis=0))


def _triangles(points: Points, loops: list[Sequence[int]]) -> Triangles:
    """A plane face with holes in triangles, in its own plane."""
    numbers = np.array([k for loop in loops for k in loop])
    places = points[numbers]
    normal = _area_vector(points, loops[0])
    across = places[1] - places[0]
    sizes = np.linalg.norm(normal), np.linalg.norm(across)
    if not min(sizes) > 0.0:
        return np.empty((0, 3), dtype=np.uint32)  # a face without area shows nothing
    normal, across = normal / sizes[0], across / sizes[1]
    flat = np.column_stack([places @ across, places @ np.cross(normal, across)])
    ends = np.cumsum([len(loop) for loop in loops]).astype(np.uint32)
    found = mapbox_earcut.triangulate_float64(flat, ends).reshape(-1, 3)
    first = flat[found[:, 1]] - flat[found[:, 0]]
    second = flat[found[:, 2]] - flat[found[:, 0]]
    turned = first[:, 0] * second[:, 1] - first[:, 1] * second[:, 0] < 0
    found[turned] = found[turned][:, ::-1]
    return numbers[found].astype(np.uint32)


class _Builder:
    """Meshes, and the one buffer that they share."""

    def __init__(self) -> None:
        self.bytes = bytearray()
        self.views: list[dict[str, Any]] = []
        self.accessors: list[dict[str, Any]] = []
        self.meshes: list[dict[str, Any]] = []

    def add(self, name: str, points: Points, shapes: Triangles, mode: int) -> None:
        # Each triangle has corners of its own, so that viewers shade the faces flat.
        places = points[shapes.ravel()].astype("<f4")
        kinds = {
            "min": places.min(axis=0).tolist(),
            "max": places.max(axis=0).tolist(),
        }
        position = self._accessor(places.tobytes(), 5126, len(places), "VEC3", 34962, **kinds)
        numbers = np.arange(len(places), dtype="<u4")
        indices = self._accessor(numbers.tobytes(), 5125, len(numbers), "SCALAR", 34963)
        primitive = {"attributes": {"POSITION": position}, "indices": indices, "mode": mode}
        self.meshes.append({"name": name, "primitives": [primitive]})

    def _accessor(
        self, data: bytes, component: int, count: int, kind: str, target: int, **more: Any
    ) -> int:
        offset = len(self.bytes)
        self.bytes += data
        view = {"buffer": 0, "byteOffset": offset, "byteLength": len(data), "target": target}
        self.views.append(view)
        self.accessors.append(
            {
                "bufferView": len(self.views) - 1,
                "componentType": component,
                "count": count,
                "type": kind,
                **more,
            }
        )
        return len(self.accessors) - 1

    def document(self, title: str) -> dict[str, Any]:
        nodes = [{"name": mesh["name"], "mesh": i} for i, mesh in enumerate(self.meshes)]
        scene: dict[str, Any] = {"name": title}
        document: dict[str, Any] = {
            "asset": {"version": "2.0", "generator": "Orthopsis"},
            "scene": 0,
            "scenes": [scene],
        }
        if self.meshes:
            data = base64.b64encode(self.bytes).decode()
            scene["nodes"] = list(range(len(nodes)))
            document |= {
                "nodes": nodes,
                "meshes": self.meshes,
                "accessors": self.accessors,
                "bufferViews": self.views,
                "buffers": [
                    {
                        "byteLength": len(self.bytes),
                        "uri": f"data:application/octet-stream;base64,{data}",
                    }
                ],
            }
        return document
