"""Every line, straight or round, against a depth buffer: rays through triangles, nothing else.

Source: the depth buffer of E. Catmull, 1974, and the ray–triangle test of T. Möller and
B. Trumbore, 1997 (both from memory), written here anew.
"""

from __future__ import annotations

import math

import numpy as np
import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import picture, resolve, solids, steps
from orthopsis.handout.gltf import AROUND as SIDES
from orthopsis.handout.gltf import _in_one_piece, _triangles
from orthopsis.perspective.roots import TURN
from orthopsis.perspective.segments import at, distance_to_segment, remainder
from orthopsis.perspective.view import on_paper
from orthopsis.picture.curved_prism import CurvedPrism
from orthopsis.picture.facets import flat_mesh
from orthopsis.picture.solid import Solid
from orthopsis.picture.solids import is_patch
from tests.agreement import difference, kept, outlines
from tests.documents import ONE_POINT, random_document, scene_of
from tests.houses import random_houses
from tests.letters import in_nine_places
from tests.streets import random_street

AROUND = 1440


def triangles_of(thing):
    """Corner triples of a solid, of a cylinder with very many sides, or of a letter."""
    if isinstance(thing, CurvedPrism) or (isinstance(thing, Solid) and len(thing.faces) > 6):
        corners, faces = flat_mesh(thing, SIDES // 4)
        points = np.array(corners)
        pieces = [part for face in faces for part in _in_one_piece(points, face)]
        return points[np.concatenate([_triangles(points, part) for part in pieces])]
    if isinstance(thing, Solid):
        faces = [[thing.vertices[k] for k in face.loops[0]] for face in thing.faces]
    else:
        rims = [[thing.rim(end, k * TURN / AROUND) for k in range(AROUND)] for end in (0, 1)]
        near, far = rims
        faces = [*rims, *([near[k - 1], near[k], far[k], far[k - 1]] for k in range(AROUND))]
    fans = [(f[0], f[k], f[k + 1]) for f in faces for k in range(1, len(f) - 1)]
    return np.array(fans)


class DepthBuffer:
    """Depth of the nearest surface in the direction of any place on paper."""

    def __init__(self, things):
        self.triangles = [triangles_of(t) for t in things if not t.transparent]

    def depth(self, place):
        ray = np.array([*place, 1.0])
        nearest = math.inf
        for triangles in self.triangles:
            a = triangles[:, 0]
            one, two = triangles[:, 1] - a, triangles[:, 2] - a
            across = np.cross(ray, two)
            det = (one * across).sum(axis=1)
            with np.errstate(divide="ignore", invalid="ignore"):
                u = -(a * across).sum(axis=1) / det
                turned = np.cross(-a, one)
                v = (turned @ ray) / det
                t = (two * turned).sum(axis=1) / det
            hit = (np.abs(det) > 1e-12) & (u >= 0) & (v >= 0) & (u + v <= 1) & (t > 0)
            if hit.any():
                nearest = min(nearest, float(t[hit].min()))
        return nearest


def lines_of(sight):
    """Places on every line with their depth and whether the picture shows them."""
    for solid, edge, segment, hidden in sight.edges():
        ends = 1.0 / solid.vertices[edge.start][2], 1.0 / solid.vertices[edge.end][2]
        for portions, seen in ((remainder(hidden), True), (hidden, False)):
            for t0, t1 in portions:
                if (t1 - t0) * math.dist(*segment) > 1.0:
                    t = (t0 + t1) / 2
                    yield at(segment, t), 1.0 / (ends[0] + (ends[1] - ends[0]) * t), seen
    for arc in sight.arcs():
        if any(isinstance(solid, CurvedPrism) for solid in sight.solids):
            # Half a side of the polygon that stands for a curve lies before or behind it.
            continue
        longest = math.hypot(*arc.ellipse.a) + math.hypot(*arc.ellipse.b)
        if (arc.stop - arc.start) * longest < 4.0 or longest < 4.0:
            continue
        place = arc.ellipse.point((arc.start + arc.stop) / 2)
        angle = min(
            (k * TURN / 3600 for k in range(3600)),
            key=lambda t, arc=arc, place=place: math.dist(
                on_paper(arc.cylinder.rim(arc.end, t)), place
            ),
        )
        yield place, arc.cylinder.rim(arc.end, angle)[2], arc.seen


@pytest.mark.parametrize("seed", range(60))
def test_a_depth_buffer_agrees_on_every_line(seed):
    data = random_document(seed, most_pieces=4, round_share=0.5)
    # Floating pieces are hidden by the order of the list, not by depth: one of them at most.
    floating = [p for p in data["pieces"] if p["standing"] == "floating"]
    data["pieces"] = [p for p in data["pieces"] if p not in floating[1:]]
    try:
        scene = scene_of(data)
        sight = scene.sight
    except ExerciseError:
        return
    buffer = DepthBuffer(solids(scene))
    for place, depth, seen in lines_of(sight):
        nearest = buffer.depth(place)
        if seen:
            assert nearest > depth * (1 - 2e-3), (place, depth, nearest)
        else:
            # Under another line in the same place it may be no further away than that.
            assert nearest < depth * (1 + 2e-3), (place, depth, nearest)


@pytest.mark.parametrize("character", ["H", "K", "R", "?", "4", "O", "S"])
@pytest.mark.parametrize("form", ["block", "curved"])
def test_a_depth_buffer_agrees_on_the_straight_lines_of_letters(character, form):
    places = (d for s in ("one", "two", "three") for d in in_nine_places(character, "measured", s,
                                                                        form))  # fmt: skip
    for data in list(places)[::5]:
        scene = scene_of(data)
        buffer = DepthBuffer(solids(scene))
        for place, depth, seen in lines_of(scene.sight):
            nearest = buffer.depth(place)
            if seen:
                if scene.bodies[0].shown.faces[0].on_border(place) and depth > nearest:
                    # In line with a side of the face, which is drawn in the same place.
                    continue
                assert nearest > depth * (1 - 6e-3), (data, place)
            else:
                assert nearest < depth * (1 + 6e-3), (data, place)


def test_things_in_one_another_are_hidden_by_depth_and_their_crossing_is_not_drawn():
    box = {**ONE_POINT["pieces"][0], "standing": "ground"}
    other = {**box, "id": "beam", "front": {"x_mm": 40, "y_mm": 180, "width_mm": 120,
                                            "height_mm": 20}}  # fmt: skip
    scene = scene_of(ONE_POINT, pieces=[box, other])
    buffer = DepthBuffer(solids(scene))
    for place, depth, seen in lines_of(scene.sight):
        assert (buffer.depth(place) > depth * (1 - 1e-6)) or not seen
    # Only edges of the two boxes are drawn: none where their faces cross.
    own = {(str(solid.part), edge.family) for solid in solids(scene) for edge in solid.edges}
    assert {(str(line.part), line.family) for line in outlines(scene)} <= own
    assert len(outlines(scene)) > 12
    with pytest.raises(ExerciseError, match="'crate' and 'beam'"):
        steps(scene)


def test_a_cylinder_hides_and_is_hidden_by_boxes_exactly_where_it_should():
    drum = {
        **ONE_POINT["pieces"][0],
        "kind": "cylinder",
        "id": "drum",
        "standing": "ground",
        "depth": {"fraction": 0.2},
    }
    wall = {"kind": "box", "id": "wall", "standing": "ground", "depth": {"fraction": 0.05},
            "front": {"x_mm": 20, "y_mm": 130, "width_mm": 200, "height_mm": 40}}  # fmt: skip
    scene = scene_of(ONE_POINT, pieces=[drum, wall])
    lines = [line for line in outlines(scene) if str(line.part) == "wall"]
    foot = [line for line in lines if {round(y, 9) for _, y in line.segment} == {170.0}]
    # The wall's foot stops at both upright sides of the drum, which touch its ellipses.
    sides = sorted(
        line.start[0] for line in outlines(scene)
        if str(line.part) == "drum" and line.family == "vertical"
    )  # fmt: skip
    stops = sorted(x for line in foot for x in (line.start[0], line.end[0]))
    assert stops == pytest.approx([20, sides[0], sides[1], 220])
    assert len({s.curve for s in picture(scene) if s.curve is not None}) >= 2
    assert difference(outlines(scene), kept(scene)) == ([], [])


@pytest.mark.parametrize("seed", range(24))
def test_a_depth_buffer_agrees_on_houses_with_all_that_is_built_on_them(seed):
    data = random_houses(seed, most_pieces=3)
    for piece in data["pieces"]:
        piece["standing"], piece["transparent"] = "ground", False
    agrees_by_depth(data)


@pytest.mark.parametrize("seed", range(24))
def test_a_depth_buffer_agrees_on_streets(seed):
    data = random_street(seed)
    # What is drawn by hand is flat: its outline lies on its own surface.
    data["pieces"] = [one for one in data["pieces"] if one.get("thing", "pole") == "pole"]
    agrees_by_depth(data)


def agrees_by_depth(data):
    """Every line of solids is seen where nothing lies before it in the depth buffer, else not."""
    try:
        scene = resolve(from_data(data))
        sight = scene.sight
    except ExerciseError:
        return
    buffer = DepthBuffer([one for one in solids(scene) if one.faces and not is_patch(one)])
    drawn = [line.segment for line in outlines(scene)]
    for place, depth, seen in lines_of(sight):
        nearest = buffer.depth(place)
        if seen:
            assert nearest > depth * (1 - 2e-3), (data, place, depth, nearest)
        elif all(distance_to_segment(place, line) > 1e-6 for line in drawn):
            # Of lines in one place only one is drawn.
            assert nearest < depth * (1 + 2e-3), (data, place, depth, nearest)


def test_a_house_that_hides_nothing_would_be_noticed():
    data = random_street(3)
    scene = resolve(from_data(data))
    buffer = DepthBuffer([one for one in solids(scene) if one.faces and not is_patch(one)])
    hidden = [(place, depth) for place, depth, seen in lines_of(scene.sight) if not seen]
    assert len(hidden) > 5
    before = [buffer.depth(place) < depth * (1 + 1e-6) for place, depth in hidden]
    assert sum(before) > 0.9 * len(before), "what is hidden has something before it"
