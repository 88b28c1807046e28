"""Letters and outlines: the trade's facts, both computations, and what a document may ask for."""

from __future__ import annotations

import json
import math
from itertools import pairwise

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import resolve, solids, steps
from orthopsis.perspective.plane import Point, distance_point_line, join
from orthopsis.perspective.segments import inside, sides_cross
from orthopsis.perspective.stroke import joined
from orthopsis.pieces.shapes.extrusion.accents import parted
from orthopsis.pieces.shapes.extrusion.alphabet import FORMS, can_be_drawn, letter, width_mm
from orthopsis.pieces.shapes.extrusion.profile import Profile
from tests.agreement import curves, difference, kept, outlines
from tests.documents import scene_of
from tests.letters import (
    ALPHABETS,
    LETTERS,
    ONE,
    ROUND_LETTERS,
    STAIR,
    THREE,
    TWO,
    in_nine_places,
    random_words,
)
from tests.words import check, instruction, title


def agree(data):
    scene = scene_of(data)
    assert difference(outlines(scene), kept(scene)) == ([], []), json.dumps(data)
    return scene


# --- the alphabet ---------------------------------------------------------------------------------


def test_the_alphabet_has_capitals_figures_and_marks():
    assert set(FORMS) == set("ABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789&!?-.'ØŁĐ")
    # Letters of European languages that use the Latin alphabet (from memory).
    european = "ÀÁÂÃÄÅĀĂĄÇĆĈĊČĎÈÉÊËĒĔĖĘĚĜĞĠĢÌÍÎÏĪĮİĶĹĻĽÑŃŅŇÒÓÔÕÖŌŐŔŖŘŚŜŞȘŠŢȚŤÙÚÛÜŪŬŮŰŲŴÝŶŸŹŻŽ"
    assert [one for one in european if not can_be_drawn(one)] == []
    assert not can_be_drawn("Ж") and not can_be_drawn("Ǟ"), "two marks in one place are not drawn"


@pytest.mark.parametrize("form", ["block", "curved"])
@pytest.mark.parametrize("character", "ÉÖÅÑŞĄŐÎ")
def test_a_letter_with_a_mark_keeps_both_in_its_block(character, form):
    profile = letter(character, "measured", form)
    base, accents = parted(character)
    plain = letter(base, "measured", form)
    assert sides_cross(profile.places) is None
    assert len(profile.loops) == len(plain.loops) + sum(len(one.loops) for one in accents)
    assert len(profile.bends) == len(plain.bends)
    rows = [v for loop in profile.places for _, v in loop]
    assert (min(rows) < 0.1) and (max(rows) > 0.95)
    assert width_mm(character, "measured") >= width_mm(base, "measured")


@pytest.mark.parametrize("base", [ONE, TWO, THREE])
def test_a_name_with_marks_is_drawn_and_agrees(base):
    agree({**base, "pieces": [{**base["pieces"][0], "text": "ÉŁÇÖ"}]})


@pytest.mark.parametrize("alphabet", ALPHABETS)
@pytest.mark.parametrize("character", LETTERS)
def test_a_letter_is_a_clean_outline_within_its_block(character, alphabet):
    profile = letter(character, alphabet)
    assert sides_cross(profile.places) is None
    for u, v in (place for loop in profile.places for place in loop):
        assert -1e-9 <= u <= 1 + 1e-9
        assert -1e-9 <= v <= 1 + 1e-9
    us = [u for loop in profile.places for u, _ in loop]
    assert (min(us), max(us)) == pytest.approx((0, 1))
    # Its convex parts make up the whole, and nothing else.
    parts = sum((c - d + b - a) * (f - e) / 2 for (a, e), (b, _), (c, f), (d, _) in profile.cells)
    loops = [(*loop, loop[0]) for loop in profile.places]
    area = sum(p[0] * q[1] - q[0] * p[1] for loop in loops for p, q in pairwise(loop))
    assert parts == pytest.approx(area / 2)


@pytest.mark.parametrize("alphabet", ALPHABETS)
@pytest.mark.parametrize("character", ROUND_LETTERS)
def test_a_curved_letter_stays_within_the_block_letter_around_it(character, alphabet):
    profile = letter(character, alphabet, "curved")
    area = profile.area(60.0, 60.0)
    assert len(profile.bends) >= 2
    left, top, right, bottom = area.box
    assert (left, top, right, bottom) == pytest.approx((0, 0, 60, 60))
    for (i, k), arc in area.bends.items():
        x, y = (60 * n for n in profile.place(profile.bends[i, k]))
        size = math.hypot(*arc.ellipse.a), math.hypot(*arc.ellipse.b)
        middle = arc.ellipse.point((arc.start + arc.stop) / 2)
        # Halfway round, a quarter of an ellipse has √½ of its axes left to the corner.
        gap = abs(middle[0] - x), abs(middle[1] - y)
        assert sorted(gap) == pytest.approx(sorted(s * (1 - math.sqrt(0.5)) for s in size))


def test_the_counters_are_holes_and_the_dots_are_not():
    holes = {c: sum(_runs_back(loop) for loop in letter(c, "measured").places) for c in LETTERS}
    assert {c for c, n in holes.items() if n == 1} == set("ADOPQR0469Đ")
    assert {c for c, n in holes.items() if n == 2} == set("B8&Ø")
    assert [len(letter(c, "measured").loops) for c in "!?"] == [2, 2]


def _runs_back(loop):
    pairs = zip(loop, [*loop[1:], loop[0]], strict=True)
    return sum(p[0] * q[1] - q[0] * p[1] for p, q in pairs) < 0


def test_quartered_letters_lie_on_halves_quarters_and_eighths():
    for character in LETTERS:
        profile = letter(character, "quartered")
        for share in (*profile.columns, *profile.rows):
            assert (share * 8).is_integer()


def test_h_and_f_have_the_measures_of_the_trade():
    # Common practice, no published source: 5.5 × 6 cm, H uprights 1.5 and bar 1 in the middle; F
    # stem 2, arms 1.5 and 1 with a gap of 1.5, 2 below, the second arm 3 from the stem.
    h, f = letter("H", "measured"), letter("F", "measured")
    assert [round(c * 55, 9) for c in h.columns] == [0, 15, 40, 55]
    assert [round(r * 60, 9) for r in h.rows] == [0, 25, 35, 60]
    assert [round(c * 55, 9) for c in f.columns] == [0, 20, 50, 55]
    assert [round(r * 60, 9) for r in f.rows] == [0, 15, 30, 40, 60]
    assert width_mm("H", "measured") == width_mm("F", "measured") == 55


def guide_count(scene):
    """Guide lines to VP1, and how many corners send one; two may fall on one another."""
    lines = [
        d.stroke
        for step in steps(scene)
        if "lines to VP1" in title(step)
        for d in step.strokes
        if d.stroke.family == "VP1"
    ]
    return len({tuple(round(n, 6) for n in line.start) for line in lines}), lines


@pytest.mark.parametrize(("character", "corners"), [("H", 7), ("F", 8)])
def test_with_the_point_below_and_to_the_right_the_trade_counts_the_guide_lines(character, corners):
    # Common practice, no published source.
    scene = scene_of(ONE, pieces__0__text=character, pieces__0__depth={"along_mm": 35})
    assert guide_count(scene)[0] == corners
    (step,) = [s for s in steps(scene) if title(s).endswith("lines to VP1")]
    assert f"Exactly {corners} light lines" in check(step)
    count = sum(len(loop) for loop in letter(character, "measured").loops)
    assert len(step.tried) == count - corners, "the others were tried in vain"


def test_the_depth_of_an_f_is_measured_from_the_second_arm():
    # Common practice, no published source: 1.5 cm along the line from its lower right corner.
    scene = scene_of(
        ONE, pieces__0__text="F", pieces__0__depth={"along_mm": 15},
        view__vanishing_point_mm=300, view__eye_level_mm=140,
    )  # fmt: skip
    (step,) = [s for s in steps(scene) if title(s).endswith("how far back")]
    arm = next(m for s in steps(scene) for m in s.marks if m.at == Point(150, 100))
    assert f"1.5 cm along the line from {arm.name} to VP1" in instruction(step)


# --- both computations ----------------------------------------------------------------------------


@pytest.mark.parametrize("system", ["one", "two", "three"])
@pytest.mark.parametrize("alphabet", ALPHABETS)
@pytest.mark.parametrize("first", range(0, len(LETTERS), 14))
def test_every_letter_agrees_with_the_point_in_nine_places(first, alphabet, system):
    number = ALPHABETS.index(alphabet)
    for k, character in enumerate(LETTERS[first : first + 14]):
        # Each letter in three or four of the nine, so that together they meet all of them often.
        for data in list(in_nine_places(character, alphabet, system))[(k + number) % 3 :: 3]:
            agree(data)


@pytest.mark.parametrize("system", ["one", "two", "three"])
@pytest.mark.parametrize("character", ROUND_LETTERS)
def test_every_curved_letter_agrees_with_the_point_in_many_places(character, system):
    number = ROUND_LETTERS.index(character)
    alphabet = ALPHABETS[(number + len(system)) % 2]
    # Three of the nine for each letter and system, so that together they meet all of them often.
    for data in list(in_nine_places(character, alphabet, system, "curved"))[number % 3 :: 3]:
        scene = agree(data)
        bends = len(letter(character, alphabet, "curved").bends)
        assert len(curves(outlines(scene))) >= bends


@pytest.mark.parametrize("first", range(0, 120, 30))
def test_random_words_agree(first):
    compared = 0
    for seed in range(first, first + 30):
        data = random_words(seed)
        if seed % 2:
            data["run"] = {"flow": "corners"}
        try:
            scene = resolve(from_data(data))
            drawn, built = outlines(scene), kept(scene)
        except ExerciseError as refusal:
            assert refusal.path
            continue
        compared += 1
        assert difference(drawn, built) == ([], []), json.dumps(data)
    assert compared > 14


@pytest.mark.parametrize("cut", [{"along_mm": 30}, {"true_mm": 40}, {"x_mm": 330}])
@pytest.mark.parametrize("corner", [None, "top left", "bottom right"])
def test_the_depth_of_a_word_is_cut_in_every_way(cut, corner):
    depth = {**cut, "from": corner} if corner else cut
    agree({**ONE, "pieces": [{**ONE["pieces"][0], "text": "FUN", "depth": depth}]})


@pytest.mark.parametrize("alphabet", ALPHABETS)
@pytest.mark.parametrize("run", ["left", "right"])
@pytest.mark.parametrize("base", [TWO, THREE])
def test_a_true_length_finds_the_uprights_by_its_measuring_point(base, run, alphabet):
    word = {**base["pieces"][0], "text": "ROW", "run": run, "alphabet": alphabet,
            "length": {"true_mm": 140}}  # fmt: skip
    scene = agree({**base, "pieces": [word]})
    named = [s for s in steps(scene) if "measuring point" in instruction(s)]
    assert named, "the length is true"


@pytest.mark.parametrize("base", [ONE, TWO, THREE])
def test_transparent_letters_show_every_edge(base):
    scene = agree({**base, "pieces": [{**base["pieces"][0], "text": "A", "transparent": True}]})
    corners = len(letter("A", "measured").corners)
    assert len(joined(outlines(scene))) <= 3 * corners
    assert len(solids(scene)[0].edges) == 3 * corners


@pytest.mark.parametrize("base", [ONE, TWO, THREE])
@pytest.mark.parametrize("text", ["FERN", "W8&?"])
def test_no_step_but_one_in_bulk_draws_more_than_seven_lines(base, text):
    for alphabet in ALPHABETS:
        piece = {**base["pieces"][0], "text": text, "alphabet": alphabet}
        for step in steps(scene_of({**base, "pieces": [piece]})):
            assert step.bulk or len(joined([d.stroke for d in step.strokes])) <= 7, title(step)
            assert check(step)
            assert instruction(step)


def test_letters_of_a_word_hide_one_another_by_depth_and_have_names_of_their_own():
    scene = agree({**ONE, "pieces": [{**ONE["pieces"][0], "text": "MOSS"}]})
    assert {str(line.part) for line in outlines(scene)} == {f"word:{k}" for k in (1, 2, 3, 4)}
    titles = [title(step) for step in steps(scene)]
    assert any(title.startswith("Letter M:") for title in titles)
    assert any(title.startswith("Letter S (4th):") for title in titles)
    fronts = [line for line in outlines(scene) if line.family in ("horizontal", "vertical")]
    assert len(fronts) >= 40, "no front is covered by a side of the letter before it"


def test_letters_are_equally_wide_in_truth_and_shrink_to_the_point():
    piece = {**TWO["pieces"][0], "text": "HHH", "length": {"fraction": 0.6}}
    lines = outlines(agree({**TWO, "pieces": [piece]}))
    widths = []
    for k in (1, 2, 3):
        xs = [x for line in lines if str(line.part) == f"word:{k}" for x, _ in line.segment]
        front = [x for x in xs if x >= min(xs) + 1e-9]
        widths.append(max(front) - min(xs))
    assert widths == sorted(widths, reverse=True)


def test_a_box_may_stand_within_the_arms_of_a_letter():
    # Under the arm of a T, beside its stem: no plane parts the two, the parts of the T do.
    letter_t = {**ONE["pieces"][0], "text": "T", "standing": "ground",
                "front": {"x_mm": 100, "y_mm": 200, "height_mm": 60}}  # fmt: skip
    box = {"kind": "box", "id": "box", "standing": "ground", "depth": {"fraction": 0.05},
           "front": {"x_mm": 140, "y_mm": 245, "width_mm": 12, "height_mm": 15}}  # fmt: skip
    view = {**ONE["view"], "eye_level_mm": 100, "eye_height_mm": 160}
    agree({**ONE, "view": view, "pieces": [letter_t, box]})
    box["front"] = {**box["front"], "x_mm": 125}
    with pytest.raises(ExerciseError, match="stand in one another"):
        steps(scene_of({**ONE, "view": view, "pieces": [letter_t, box]}))


# --- outlines -------------------------------------------------------------------------------------


def test_an_outline_is_drawn_like_a_letter_in_every_system():
    agree(STAIR)
    stair = STAIR["pieces"][0]
    for base in (TWO, THREE):
        for run in ("left", "right"):
            cuts = {"left": {"fraction": 0.3}, "right": {"along_mm": 60}}
            agree({**base, "pieces": [{
                "kind": "outline", "id": "stair", "edge": base["pieces"][0]["edge"], "run": run,
                "face": {"width_mm": 80, "height_mm": 60}, "corners": stair["corners"],
                "holes": stair["holes"], **cuts}]})  # fmt: skip


@pytest.mark.parametrize("corners", [
    [[0, 0], [80, 0], [40, 60], [80, 60], [0, 30]],
    [[0, 0], [80, 0], [80, 60], [40, 0]],
    [[0, 0], [80, 0], [80, 90]],
])  # fmt: skip
def test_an_outline_that_crosses_itself_or_leaves_its_face_is_refused(corners):
    with pytest.raises(ExerciseError, match="corners"):
        scene_of(STAIR, pieces__0__corners=corners, pieces__0__holes=[])
    with pytest.raises(ExerciseError, match="holes"):
        scene_of(STAIR, pieces__0__holes=[[[1, 1], [9, 1], [9, 9]]])


def test_a_profile_reads_its_corners_and_turns_its_loops():
    profile = Profile.read([0, 0.5, 1], [0, 1], "a1 b2 c1 | b1c1/a1b2 c1 b1")
    assert profile.places[0][1] == (0.5, 1.0)
    with pytest.raises(ValueError, match="no corner"):
        Profile.read([0, 1], [0, 1], "a1 zz b2")
    ring = Profile.read([0, 0.25, 0.75, 1], [0, 0.25, 0.75, 1], "a1 d1 d4 a4 | b2 c2 c3 b3")
    assert not _runs_back(ring.places[0])
    assert _runs_back(ring.places[1])
    assert inside((0.5, 0.1), ring.places)
    assert not inside((0.5, 0.5), ring.places)


# --- what a document may ask for ------------------------------------------------------------------


@pytest.mark.parametrize(("change", "said"), [
    ({"text": "Fern"}, r"pieces\[0\]\.text: 'e' is a small letter.*'FERN'"),
    ({"text": "Ж"}, r"pieces\[0\]\.text: there is no block letter for 'Ж'"),
    ({"text": "  "}, r"pieces\[0\]\.text"),
    ({"text": "F" * 25}, r"pieces\[0\]\.text"),
    ({"depth": None}, "give either front and depth, or edge, run, length and thickness"),
    ({"front": {"x_mm": 1, "y_mm": 2, "height_mm": -3}}, r"pieces\[0\]\.front\.height_mm"),
    ({"depth": {"x_mm": 10}}, r"pieces\[0\]\.depth\.x_mm: 10 mm does not lie between"),
])  # fmt: skip
def test_a_word_that_cannot_be_drawn_is_refused_by_its_field(change, said):
    with pytest.raises(ExerciseError, match=said):
        outlines(scene_of({**ONE, "pieces": [{**ONE["pieces"][0], **change}]}))


def test_refusals_name_length_and_thickness_and_a_face_turned_away():
    word = TWO["pieces"][0]
    with pytest.raises(ExerciseError, match=r"pieces\[0\]\.length\.x_mm"):
        outlines(scene_of({**TWO, "pieces": [{**word, "length": {"x_mm": 100}}]}))
    with pytest.raises(ExerciseError, match=r"pieces\[0\]\.thickness\.x_mm"):
        outlines(scene_of({**TWO, "pieces": [{**word, "thickness": {"x_mm": 400}}]}))
    turned = {**word, "edge": {**word["edge"], "x_mm": 500}}
    with pytest.raises(ExerciseError, match="beyond VP2, where the face turns its back"):
        outlines(scene_of({**TWO, "pieces": [turned]}))


def test_every_family_of_a_letter_meets_in_its_point():
    for base in (ONE, TWO, THREE):
        scene = scene_of({**base, "pieces": [{**base["pieces"][0], "text": "K"}]})
        points = {vp.name: vp.at for vp in scene.vanishing_points}
        for line in (d.stroke for step in steps(scene) for d in step.strokes):
            if line.family in points and math.dist(*line.segment) > 0.01:
                ruler = join(Point(*line.start), Point(*line.end))
                assert distance_point_line(points[line.family], ruler) < 1e-5
