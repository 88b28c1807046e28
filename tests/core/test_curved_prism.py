"""CurvedPrism solids: curves of space against fine polygons, and lines of sight through them."""

from __future__ import annotations

import math
import random

import numpy
import pytest

from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import picture, resolve, solids
from orthopsis.perspective.segments import length
from orthopsis.perspective.stroke import Role
from orthopsis.perspective.tolerance import Tolerance
from orthopsis.perspective.vector import cross, dot, plus, size, times
from orthopsis.perspective.view import on_paper
from orthopsis.picture import polynomials
from orthopsis.picture.curved_cover import CurvedCover
from orthopsis.picture.curved_prism import QUARTER, CurvedPrism
from orthopsis.picture.curves import Straight
from orthopsis.picture.drawing import draw
from orthopsis.picture.solid import prism
from orthopsis.picture.visibility import Sight
from tests.documents import scene_of
from tests.letters import ONE, THREE, TWO, in_nine_places

CHORDS = 24


def curved(base, text="S", **more):
    piece = {**base["pieces"][0], "text": text, "form": "curved", **more}
    return scene_of({**base, "pieces": [piece]})


def the_prism(scene):
    (block,) = solids(scene)
    assert isinstance(block, CurvedPrism)
    return block


def as_polygon(block):
    """The same solid with each curve as many sides."""
    loops = []
    for i, loop in enumerate(block.area.loops):
        loops.append([])
        for k, corner in enumerate(loop):
            loops[i].append(block.place(corner))
            arc = block.area.bends.get((i, k))
            if arc is not None:
                way = (arc.stop - arc.start) / CHORDS
                loops[i] += [
                    block.place(arc.ellipse.point(arc.start + way * n)) for n in range(1, CHORDS)
                ]
    families = [["side"] * len(loop) for loop in loops]
    return prism(block.part, loops, families, block.sweep, "sweep")


def seen_length(strokes, families=None):
    return sum(
        length(s.segment)
        for s in strokes
        if s.role is Role.OUTLINE and (families is None or s.family in families)
    )


@pytest.mark.parametrize("system", ["one", "two", "three"])
@pytest.mark.parametrize("character", ["O", "S", "G"])
def test_what_is_seen_of_curves_is_what_is_seen_of_many_short_sides(character, system):
    for data in list(in_nine_places(character, "measured", system, "curved"))[::2]:
        scene = resolve(from_data(data))
        block = the_prism(scene)
        drawn = picture(scene)
        polygon = as_polygon(block)
        fine = draw(scene.sheet, Sight([polygon]))
        ours = seen_length(drawn) - seen_length(drawn, {block.sweep_family})
        theirs = seen_length(fine, {"side"})
        # Without the lines along the sweep, of which a polygon has one at each of its corners.
        assert ours == pytest.approx(theirs, rel=0.008, abs=0.4)


@pytest.mark.parametrize("base", [ONE, TWO, THREE])
def test_its_own_coordinates_lead_there_and_back(base):
    block = the_prism(curved(base))
    for corner in block.corners:
        for end in (0.0, 0.5, 1.0):
            x, y, s = block.own(block.place(corner, end))
            assert (x, y, s) == pytest.approx((*corner, end), abs=1e-9)
    assert block.end_shows(0)
    assert not block.end_shows(1)
    assert 0 < block.least_depth <= min(block.place(c)[2] for c in block.corners) + 1e-9


@pytest.mark.parametrize("base", [ONE, TWO, THREE])
def test_a_quarter_keeps_to_its_cylinder(base):
    block = the_prism(curved(base))
    for number, bend in block.bends.items():
        side = block.sides[number]
        for angle, corner in ((0.0, side.start), (QUARTER, side.end)):
            assert bend.rim(0, angle) == pytest.approx(block.place(block.corners[corner]))
        for k in range(7):
            x, y, s = block.own(bend.rim(0, QUARTER * k / 6))
            assert s == pytest.approx(0, abs=1e-7)
            assert block.area.on_border((x, y), Tolerance(paper_mm=1e-5))


@pytest.mark.parametrize("base", [ONE, TWO, THREE])
def test_a_line_of_the_outline_stands_where_a_line_of_sight_touches_the_curve(base):
    block = the_prism(curved(base, "O"))
    touching = [(number, angle) for number in block.bends for angle in block.touches(number)]
    assert len(touching) == 4, "two of the outline, two of the hole"
    for number, angle in touching:
        bend = block.bends[number]
        along = plus(times(bend.a, -math.sin(angle)), times(bend.b, math.cos(angle)))
        normal = cross(along, bend.sweep)
        place = bend.rim(0, angle)
        assert abs(dot(normal, place)) / size(normal) / size(place) < 1e-9


def test_lines_of_sight_run_through_what_covers_them():
    block = the_prism(curved(ONE, "O"))
    middle = [sum(c[k] for c in block.corners[:4]) / 4 for k in (0, 1)]
    cover = CurvedCover(block)

    def hidden(place, whole=False):
        # A path that goes hardly anywhere.
        path = Straight(place, plus(place, (1e-4, 0.0, 0.0)))
        return cover.hidden_on(path, whole) == [(0.0, 1.0)]

    assert not hidden(block.place((middle[0], middle[1]))), "the hole is open"
    assert hidden(block.place((47.5, middle[1]), 0.5))
    before = block.place((47.5, middle[1]), -0.1)
    assert not hidden(before)
    assert hidden(before, whole=True), "the solid lies beyond it"


def test_roots_of_the_fourth_degree_are_those_of_a_library():
    """Outside: numpy.roots on the same polynomial, from its Bernstein coefficients."""
    rng, found = random.Random(20), 0
    t = numpy.poly1d([1.0, 0.0])
    for _ in range(400):
        x, y, r = ([rng.uniform(-2, 2) for _ in range(3)] for _ in range(3))
        path = [a * (1 - t) ** 2 + 2 * b * t * (1 - t) + c * t**2 for a, b, c in (x, y, r)]
        theirs = [
            root.real
            for root in (path[0] ** 2 + path[1] ** 2 - path[2] ** 2).roots
            if abs(root.imag) < 1e-9 and 0 < root.real < 1
        ]
        ts = [0.0] * 20
        count = polynomials.add_round(*(n[k] for k in range(3) for n in (x, y, r)), ts, 0)
        assert sorted(ts[:count]) == pytest.approx(sorted(theirs), abs=1e-9), (x, y, r)
        found += count
    assert found > 300


def test_a_transparent_letter_shows_every_curve_twice():
    scene = curved(TWO, "O", transparent=True)
    curves = {s.curve for s in picture(scene) if s.curve is not None and s.role is Role.OUTLINE}
    assert len(curves) == 2 * len(the_prism(scene).bends)


def test_curves_are_drawn_to_a_fiftieth_of_a_millimetre():
    scene = curved(ONE, "O")
    block = the_prism(scene)
    fine = [on_paper(rim.place(QUARTER * k / 2000)) for _, rim in block.rims() for k in range(2001)]
    for stroke in picture(scene):
        if stroke.curve is None:
            continue
        middle = tuple((a + b) / 2 for a, b in zip(*stroke.segment, strict=True))
        nearest = min(math.dist(middle, place) for place in fine)
        assert nearest < 0.03
