"""The lines of a face by ruler against shares in space: every row, every column, every way."""

from __future__ import annotations

import math

import pytest

from orthopsis.construction.face import FrontFace, RecedingFace
from orthopsis.construction.moves import Act, Do, Mark
from orthopsis.construction.paper import Paper
from orthopsis.perspective.plane import LEVEL, UPRIGHT, Point, join, meet
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.stroke import Part
from orthopsis.perspective.vector import minus, plus, times
from orthopsis.perspective.view import on_paper
from tests.documents import scene_of
from tests.letters import THREE, TWO

THING = Part("thing")
RECTANGLE = ((50, 40), (130, 40), (130, 100), (50, 100))

SHARES = [0.125, 0.25, 0.5, 0.6, 0.875]


@pytest.fixture
def paper():
    paper = Paper(Sheet(420, 297))
    paper.begin("tidy", Act.INK, THING)
    return paper


def face_in_space(base, run):
    """The corners of a word's face in eye space, from the top left, and its view."""
    piece = {**base["pieces"][0], "run": run}
    scene = scene_of({**base, "pieces": [piece]})
    (part,) = scene.parts
    near, _, sweep, _ = part.drawn.word.shape.place.frame(part.stage)
    corners = near if run == "left" else [near[1], plus(near[1], sweep), plus(near[2], sweep),
                                          near[2]]  # fmt: skip
    return corners, scene.main


def place_of(corners, u, v):
    p, q, _, s = corners
    return on_paper(plus(p, plus(times(minus(q, p), u), times(minus(s, p), v))))


def face_on(paper, corners, view, run, halved):
    marks = [paper.mark(Point(*on_paper(corner))) for corner in corners]
    left, right = (Mark(vp.name, vp.at) for vp in view.level_points)
    third = None if view.uprights.at.at_infinity else Mark("VP3", view.uprights.at)
    along = left if run == "left" else right
    near = "right" if run == "left" else "left"
    return RecedingFace(paper, tuple(marks), near, along, third, THING, halved=halved)


@pytest.mark.parametrize("halved", [False, True])
@pytest.mark.parametrize("run", ["left", "right"])
@pytest.mark.parametrize("base", [TWO, THREE])
def test_rows_and_columns_of_a_receding_face_lie_at_their_shares(paper, base, run, halved):
    corners, view = face_in_space(base, run)
    face = face_on(paper, corners, view, run, halved)
    for v in SHARES:
        for u in SHARES:
            found = face.crossing(u, v).at.xy
            assert math.dist(found, place_of(corners, u, v)) < 1e-7, (u, v)


@pytest.mark.parametrize("base", [TWO, THREE])
def test_columns_of_a_part_are_found_by_the_parts_own_diagonal(paper, base):
    corners, view = face_in_space(base, "right")
    face = face_on(paper, corners, view, "right", halved=False)
    face.bay(0.3, 0.7)
    for share in (0.3, 0.4, 0.55, 0.7):
        assert math.dist(face.crossing(share, 0.2).at.xy, place_of(corners, share, 0.2)) < 1e-7


def test_a_leaning_edge_is_halved_by_diagonals_and_parted_by_a_measuring_line(paper):
    corners, view = face_in_space(THREE, "right")
    halved = face_on(paper, corners, view, "right", halved=True)
    halved.level(0.5)
    assert Do.MEASURE not in {move.do for move in paper.steps[-1].moves}
    paper.begin("tidy", Act.INK, THING)
    measured = face_on(paper, corners, view, "right", halved=False)
    measured.level(0.4)
    assert paper.steps[-1].measures, "the shares are laid out on a level line"


def test_a_front_is_measured_or_halved(paper):
    corners = tuple(
        paper.mark(Point(x, y)) for x, y in ((50, 40), (130, 40), (130, 100), (50, 100))
    )
    for halved in (False, True):
        front = FrontFace(paper, corners, THING, halved=halved)
        for v in SHARES:
            for u in SHARES:
                assert front.crossing(u, v).at.xy == pytest.approx((50 + 80 * u, 40 + 60 * v))
    measures = [m.mm for m in paper.steps[-1].measures]
    assert sorted(set(measures)) == pytest.approx(
        sorted({*(80 * s for s in SHARES), *(60 * s for s in SHARES)})
    )
    assert Do.DIVIDE in {move.do for move in paper.steps[-1].moves}


def test_light_lines_end_where_the_face_ends(paper):
    corners = tuple(
        paper.mark(Point(x, y)) for x, y in ((50, 40), (130, 40), (130, 100), (50, 100))
    )
    front = FrontFace(paper, corners, THING, halved=False)
    front.row(0.5)
    front.column(0.25)
    level, upright = (drawn.stroke.segment for drawn in paper.steps[-1].strokes)
    assert level == ((50, 70), (130, 70))
    assert upright == ((70, 40), (70, 100))
    assert all(drawn.fate == "erase" for drawn in paper.steps[-1].strokes)
    assert meet(join(Point(50, 70), LEVEL), join(Point(70, 40), UPRIGHT)) == Point(70, 70)
