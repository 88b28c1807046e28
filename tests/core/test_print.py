"""The print tray: true sizes, tiles, aids at the table, the board, and what a QR code says."""

from __future__ import annotations

import io
import itertools
import math
from dataclasses import replace

import cv2
import numpy as np
import pytest
from PIL import Image
from pypdf import PdfReader

from orthopsis.errors import ExerciseError
from orthopsis.exercise.board import board_factor, board_of, on_board, points_note, reach_note
from orthopsis.exercise.corner_test import corner_test
from orthopsis.exercise.crowd import named_marks
from orthopsis.exercise.load import from_data
from orthopsis.exercise.materials import materials
from orthopsis.exercise.resolve import picture, resolve, steps
from orthopsis.exercise.runthrough import run_through
from orthopsis.exercise.task import SheetCode
from orthopsis.handout.aids import fan_figure, ladders_figure, starter_figure, strips
from orthopsis.handout.closeup import step_closeup
from orthopsis.handout.corner_test import corner_figure
from orthopsis.handout.figure import in_grey, picture_figure
from orthopsis.handout.labels import box_of_label
from orthopsis.handout.order import OFFICE_MM, PARTS, Order, SheetFor
from orthopsis.handout.pages import Pack, handout_pdf
from orthopsis.handout.tiles import MARGIN_MM, OVERLAP_MM, tiled
from orthopsis.handout.typeset import typeset
from orthopsis.perspective.segments import XY, boxes_touch
from tests.documents import EXAMPLE_NAMES, ONE_POINT, TWO_POINT, example, random_document, scene_of
from tests.words import title

MM = 72 / 25.4
EXAMPLES = ["bell-corner", "seed-crates", "fern", "look-down-yard", "moss-seen-from-below"]


def pages_of(scene, **order):
    return PdfReader(io.BytesIO(handout_pdf(scene, Order(**order)))).pages


def size_mm(page) -> XY:
    return float(page.mediabox.width) / MM, float(page.mediabox.height) / MM


@pytest.mark.parametrize("name", EXAMPLES)
def test_every_part_of_every_example_is_printed(name):
    scene = example(name)
    for part in PARTS:
        pages = pages_of(scene, parts=(part,), marks=True, code=SheetCode(1, 1), office="Letter")
        sheet = scene.sheet.width_mm, scene.sheet.height_mm
        wanted = sheet if part in ("key", "starter", "fan", "ladders") else OFFICE_MM["Letter"]
        assert {tuple(round(v, 1) for v in size_mm(page)) for page in pages} == {
            tuple(round(v, 1) for v in wanted)
        }, part


@pytest.mark.parametrize("per_page", [2, 4, 6])
def test_no_step_is_lost_whatever_fits_a_page(per_page):
    scene = example("bell-corner")
    text = "".join(
        page.extract_text() for page in pages_of(scene, parts=("steps",), per_page=per_page)
    )
    for number, step in enumerate(run_through(scene), start=1):
        assert f"{number}. {title(step, scene.words)}" in text


@pytest.mark.parametrize("paper", ["A4", "Letter"])
@pytest.mark.parametrize("size", [(420, 297), (297, 420), (609.6, 457.2), (190, 270), (841, 594)])
def test_tiles_cover_the_sheet_overlap_and_fit_their_page(paper, size):
    tiling = tiled(*size, OFFICE_MM[paper])
    for tile in tiling.tiles:
        assert tile.width_mm <= tiling.page_width_mm - 2 * MARGIN_MM + 1e-9
        assert tile.height_mm <= tiling.page_height_mm - 2 * MARGIN_MM + 1e-9
    for a, b in itertools.pairwise(t for t in tiling.tiles if t.row == 1):
        assert a.x_mm + a.width_mm - b.x_mm == pytest.approx(OVERLAP_MM)
    last = tiling.tiles[-1]
    assert (last.x_mm + last.width_mm, last.y_mm + last.height_mm) == pytest.approx(size)
    # No fewer pages could hold it: each way, one page less would leave paper uncovered.
    other = tiled(*size, OFFICE_MM[paper][::-1])
    assert len(tiling.tiles) == len(other.tiles)


def test_a_sheet_on_office_paper_comes_in_tiles():
    pages = pages_of(scene_of(ONE_POINT), parts=("key",), paper="A4")
    assert len(pages) == 4
    assert {tuple(sorted(round(v) for v in size_mm(page))) for page in pages} == {(210, 297)}


def through(line, place):
    (ax, ay), (bx, by) = line
    x, y = place
    return abs((bx - ax) * (y - ay) - (by - ay) * (x - ax)) / math.dist(*line)


@pytest.mark.parametrize("name", ["bell-corner", "look-down-yard"])
def test_the_ruler_laid_on_two_ticks_of_a_ladder_leads_to_the_point(name):
    """Ticks lie on the paper's edges; each pair of a number and colour is one line to the point."""
    scene = example(name)
    figure = ladders_figure(scene)
    beyond = [vp for vp in scene.vanishing_points if not scene.sheet.contains(vp.at)]
    checked = 0
    for vp in beyond:
        colour = next(d for d in fan_figure(scene).rules if d.group == vp.name).pen.colour
        ticks: dict[str, list[XY]] = {}
        for rule, label in zip(figure.rules, figure.labels, strict=True):
            if rule.pen.colour == colour:
                (x0, y0), (_, y1) = rule.start, rule.end
                level = y0 == y1
                edge = (
                    (0.0 if x0 < scene.sheet.width_mm / 2 else scene.sheet.width_mm, y0)
                    if level
                    else (x0, 0.0 if y0 < scene.sheet.height_mm / 2 else scene.sheet.height_mm)
                )
                ticks.setdefault(label.text, []).append(edge)
        for pair in ticks.values():
            if len(pair) == 2:
                assert through(pair, vp.at.xy) < 1e-6
                checked += 1
    assert checked >= 8


def test_the_fan_runs_through_its_points_and_keeps_to_the_sheet():
    scene = example("bell-corner")
    places = {vp.name: vp.at.xy for vp in scene.vanishing_points}
    rules = [rule for rule in fan_figure(scene).rules if rule.group in places]
    assert len(rules) >= 2 * 20
    for rule in rules:
        assert through((rule.start, rule.end), places[rule.group]) < 1e-6
        for x, y in (rule.start, rule.end):
            assert -1e-6 <= x <= scene.sheet.width_mm + 1e-6
            assert -1e-6 <= y <= scene.sheet.height_mm + 1e-6
    assert len({rule.pen.dashes_mm for rule in rules}) == len(places), "told apart without colour"


def test_a_strip_has_its_point_at_true_distance_from_the_taped_edge():
    scene = scene_of(TWO_POINT, view__left_vp_mm=-180, view__right_vp_mm=900,
                     pieces__0__right={"fraction": 0.3})  # fmt: skip
    cut = strips(scene)
    assert [strip.title for strip in cut] == ["VP1", "VP2, part 1 of 2", "VP2, part 2 of 2"]
    edge = {s.title: next(r for r in s.figure.rules if r.group == "edge").start[0] for s in cut}
    (one,) = cut[0].figure.dots
    assert one.at[0] - edge["VP1"] == 180
    (two,) = cut[2].figure.dots
    assert 250 + two.at[0] - edge["VP2, part 2 of 2"] == 480
    assert strips(scene_of(ONE_POINT)) == []
    assert all(s.figure.width_mm <= 270 for s in cut), "office paper holds it"


@pytest.mark.parametrize("name", EXAMPLES)
def test_the_board_is_the_sheet_enlarged(name):
    scene = example(name)
    large, factor = on_board(scene), board_factor(scene)
    assert large.sheet.width_mm >= factor * scene.sheet.width_mm
    assert large.sheet.height_mm >= factor * scene.sheet.height_mm
    left = large.vanishing_points[0].at.x - factor * scene.vanishing_points[0].at.x
    ours = [s for s in picture(scene) if s.role == "outline" and s.curve is None]
    theirs = [s for s in picture(large) if s.role == "outline" and s.curve is None]
    assert len(ours) == len(theirs)
    for small, grown in zip(ours, theirs, strict=True):
        for (x, y), place in zip(small.segment, grown.segment, strict=True):
            assert place == pytest.approx((left + factor * x, factor * y), abs=1e-4)


def test_the_board_says_what_to_do_where_the_ruler_ends():
    large = on_board(example("bell-corner"))
    made = steps(large)
    assert "stretch a string" in large.words.say(reach_note(large, made[0]))
    ruler = board_of(large).ruler_mm
    for step in made:
        lengths = [math.dist(*d.stroke.segment) for d in step.strokes]
        assert bool(reach_note(large, step)) == (max(lengths, default=0) > ruler)
    far = on_board(scene_of(TWO_POINT, view__left_vp_mm=-400, view__right_vp_mm=900,
                            pieces__0__right={"fraction": 0.3}))  # fmt: skip
    assert "VP1 and VP2 lie beside the board" in far.words.say(points_note(far))
    assert points_note(on_board(scene_of(ONE_POINT))) is None


def test_pupils_get_a_sheet_each_with_name_and_code():
    scene = example("fern")
    pupils = (SheetFor("Ada Ash", 7), SheetFor("Bram Lim", 8), SheetFor("Жena 1", 9))
    heard: list[int] = []
    order = Order(("starter",), marks=True, code=SheetCode(3, 2), pupils=pupils)
    pages = PdfReader(io.BytesIO(handout_pdf(scene, order, heard.append))).pages
    assert heard == [1, 2, 3]
    for page, pupil in zip(pages, pupils, strict=False):
        assert pupil.name in page.extract_text()
    cards = "".join(page.extract_text() for page in pages[3:])
    assert "Ada Ash" in cards and "Mark A" in cards and "Finish" in cards, "all steps of the word"
    assert len(pages) == 5, "a name that cannot be drawn is told before, and never printed"


def test_a_camera_reads_the_code_back():
    """Outside: OpenCV's reader of QR codes."""
    code = SheetCode(12, 3, None, "first steps")
    pack = Pack(scene_of(ONE_POINT), Order(marks=True, code=code))
    name = pack._code("1", 45)
    figure = {"width_mm": 60, "height_mm": 60}
    png = typeset("figure.typ", figure, {"figure.svg": pack.files[name]}, "png", 150.0)
    grey = np.array(Image.open(io.BytesIO(png)).convert("L"))
    assert cv2.QRCodeDetector().detectAndDecode(grey)[0] == "orthopsis:12:3:45:f"


def test_a_starter_shows_only_what_is_given():
    scene = scene_of(ONE_POINT)
    assert [label.text for label in starter_figure(scene).labels] == ["VP1"]
    bare = starter_figure(scene, with_points=False)
    assert not bare.labels and not bare.rules


def test_without_colour_nothing_is_told_by_colour_alone():
    scene = example("moss-seen-from-below")
    grey = in_grey(picture_figure(scene, picture(scene)))
    colours = {r.pen.colour for r in grey.rules} | {d.colour for d in [*grey.dots, *grey.fills]}
    for colour in colours - {"#23272E", "#6A6E75"}:
        assert colour[1:3] == colour[3:5] == colour[5:7]


def named(scene):
    """What is needed, by its name in words."""
    return {scene.words.say(item.name): item for item in materials(scene)}


def test_materials_follow_the_exercise_and_the_class():
    plain = named(scene_of(ONE_POINT))
    assert not any("tape" in name for name in plain)
    assert plain["sheet of A3 paper"].for_class(30) == 33
    far = named(example("bell-corner"))
    assert far["2 strips of paper for the far points"].for_class(10) == 11
    assert far["roll of tape"].for_class(30) == 5
    assert "eraser" in far and "rubber" in plain
    text = pages_of(replace(example("bell-corner")), parts=("materials",), class_size=24)[0]
    assert "For 24 pupils" in text.extract_text()


@pytest.mark.parametrize("seed", range(0, 60, 2))
def test_any_exercise_that_can_be_drawn_can_be_printed_whole(seed):
    """Turned things and second views have points of their own, some of them at infinity."""
    try:
        scene = resolve(from_data(random_document(seed)))
        steps(scene)
        picture(scene)
    except ExerciseError:
        return
    parts = tuple(part for part in PARTS if part != "board")
    pages = pages_of(scene, parts=parts, paper="A4", grey=bool(seed % 4), per_page=6)
    assert len(pages) > 8


def test_the_corner_test_asks_every_corner_of_the_fronts_and_its_key_counts_the_lines():
    # Common practice, no published source: an F with the point below and to the right sends 8.
    test = corner_test(example("fern"))
    assert test is not None and len(test.corners) == 46
    letters = {"F": (10, 8), "E": (12, 9), "R": (14, 9), "N": (10, 5)}
    assert test.lines == sum(lines for _, lines in letters.values())
    f = [one for one in test.corners if one.at[0] < 100]
    assert (len(f), sum(one.draws for one in f)) == letters["F"]
    figure, key = (corner_figure(example("fern"), test, key=key) for key in (False, True))
    numbers = {label.text for label in figure.labels} - {"VP1"}
    assert numbers == {str(k) for k in range(1, 47)}
    assert len(key.rules) == len(figure.rules) + test.lines
    boxes = [box_of_label(one.text, one.at, one.size_mm) for one in figure.labels]
    assert not any(boxes_touch(a, b, -1e-6) for a, b in itertools.combinations(boxes, 2))
    pages = pages_of(example("fern"), parts=("corners",))
    assert len(pages) == 2 and "How many lines in all? 31" in pages[1].extract_text()
    assert corner_test(example("seed-crates")).lines == 3 + 2 + 3
    young = corner_test(resolve(example("fern").exercise.model_copy(update={"age": 8})))
    assert [one.draws for one in young.corners] == [one.draws for one in test.corners]
    assert corner_test(example("bell-corner")) is None
    (page,) = pages_of(example("bell-corner"), parts=("corners",))
    assert "boxes seen in one point" in page.extract_text()


@pytest.mark.parametrize("name", EXAMPLE_NAMES)
def test_a_steps_figure_shows_every_named_mark_with_letters_that_do_not_touch(name):
    scene, sizes = example(name), [(74.0, 40.0), (88.0, 56.0), (176.0, 96.0)]
    size = sizes[EXAMPLE_NAMES.index(name) % len(sizes)]
    made = run_through(scene)
    for number, step in enumerate(made, start=1):
        figure = step_closeup(scene, made, number, *size)
        assert {mark.name for mark in named_marks(made, number) if not mark.point} <= {
            label.text for label in figure.labels
        }, (title(step), number)
        assert all(label.size_mm >= 3.175 for label in figure.labels), "at least 9 points"
        boxes = [box_of_label(one.text, one.at, one.size_mm) for one in figure.labels]
        touching = [(a, b) for a, b in itertools.combinations(boxes, 2) if boxes_touch(a, b, -1e-6)]
        assert not touching, (title(step), number)
        assert all(box[0] >= -0.5 and box[2] <= size[0] + 0.5 for box in boxes)


@pytest.mark.parametrize(("name", "most"), [("fern", 5), ("seed-crates", 2), ("bell-corner", 2)])
def test_a_lesson_is_printed_on_few_pages(name, most):
    assert len(pages_of(example(name), parts=("steps",))) <= most
