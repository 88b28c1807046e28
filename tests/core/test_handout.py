"""What is written out: SVG in real millimetres, PNG at true size, PDF pages."""

from __future__ import annotations

import io
import re
from xml.etree import ElementTree

import pytest
from PIL import Image
from pypdf import PdfReader

from orthopsis.exercise.resolve import picture, steps
from orthopsis.exercise.runthrough import run_through
from orthopsis.handout.figure import picture_figure, step_figure
from orthopsis.handout.pages import figure_png, handout_pdf
from orthopsis.handout.svg import to_svg
from tests.documents import ONE_POINT, TWO_POINT, example, scene_of
from tests.words import check, title

SVG = "{http://www.w3.org/2000/svg}"
POINTS_PER_MM = 72 / 25.4


def svg_of(scene):
    return ElementTree.fromstring(to_svg(picture_figure(scene, picture(scene))))


def test_the_svg_is_as_large_as_the_sheet():
    root = svg_of(scene_of(ONE_POINT))
    assert (root.get("width"), root.get("height")) == ("420mm", "297mm")
    assert root.get("viewBox") == "0 0 420 297"


def test_svg_lines_stand_where_the_picture_has_them():
    scene = scene_of(ONE_POINT)
    lines = {
        tuple(round(float(line.get(k)), 4) for k in ("x1", "y1", "x2", "y2"))
        for line in svg_of(scene).iter(f"{SVG}line")
    }
    for stroke in picture(scene):
        place = tuple(round(v, 4) + 0.0 for end in stroke.segment for v in end)
        assert (place in lines) == (stroke.role == "outline")


def test_groups_are_named_by_family_and_role_for_screen_readers():
    names = {group.get("aria-label") for group in svg_of(scene_of(TWO_POINT)).iter(f"{SVG}g")}
    assert {"VP1 outline", "VP2 outline", "vertical outline", "eye level line"} <= names


def test_each_point_has_its_own_sign_beside_its_colour():
    scene = scene_of(TWO_POINT, view__left_vp_mm=20, view__right_vp_mm=400,
                     pieces__0__right={"fraction": 0.3})  # fmt: skip
    signs = list(svg_of(scene).iter(f"{SVG}polygon"))
    assert len({sign.get("fill") for sign in signs}) == 2
    xs = [[float(p.split(",")[0]) for p in sign.get("points").split()] for sign in signs]
    assert (xs[0][0] < max(xs[0])) != (xs[1][0] < max(xs[1]))


def test_titles_with_signs_are_escaped():
    root = svg_of(scene_of(ONE_POINT, title='<Crates> & "boxes"'))
    assert root.find(f"{SVG}title").text == '<Crates> & "boxes"'


def test_the_eye_level_stops_at_solids_that_stand_before_it():
    scene = scene_of(ONE_POINT, view__eye_level_mm=180)
    level = [
        line
        for group in svg_of(scene).iter(f"{SVG}g")
        if group.get("aria-label") == "eye level line"
        for line in group
    ]
    ends = sorted(float(line.get(k)) for line in level for k in ("x1", "x2"))
    assert ends[0] == 0
    assert ends[1] == pytest.approx(60)
    assert len(level) == 2


def test_a_step_figure_shows_new_lines_strong_and_old_ones_light():
    scene = scene_of(ONE_POINT)
    made = steps(scene)
    root = ElementTree.fromstring(to_svg(step_figure(scene, made, 4)))
    widths = {}
    for group in root.iter(f"{SVG}g"):
        widths.setdefault(group.get("aria-label").split(", ")[-1], set()).update(
            float(line.get("stroke-width")) for line in group
        )
    assert min(widths["new"]) > 2 * max(widths["light"])
    tidy = ElementTree.fromstring(to_svg(step_figure(scene, made, 6)))
    struck = [g for g in tidy.iter(f"{SVG}g") if "struck" in g.get("aria-label")]
    assert struck
    assert all(line.get("stroke-dasharray") for group in struck for line in group)


def test_the_png_has_the_sheets_size_at_its_resolution():
    scene = scene_of(ONE_POINT)
    png = Image.open(io.BytesIO(figure_png(picture_figure(scene, picture(scene)), 100)))
    assert png.size == (
        pytest.approx(420 / 25.4 * 100, abs=2),
        pytest.approx(297 / 25.4 * 100, abs=2),
    )
    grey = png.convert("L")
    x, y = 60 / 25.4 * 100, 185 / 25.4 * 100
    assert min(grey.getpixel((int(x) + dx, int(y))) for dx in (-1, 0, 1)) < 120


def pages(scene, parts=("steps", "key")):
    return PdfReader(io.BytesIO(handout_pdf(scene, parts))).pages


def test_the_handout_says_every_step_with_its_check():
    scene = example("seed-crates")
    text = " ".join(" ".join(page.extract_text() for page in pages(scene)).split())
    for number, step in enumerate(run_through(scene), start=1):
        assert f"{number}. {title(step)}" in text
        assert " ".join(check(step).split())[:40] in text
    for word in (
        "Seed crates",
        "A3 (42 cm wide, 29.7 cm high)",
        "set square",
        "12 cm from the top",
    ):
        assert word in text


def test_the_key_is_at_true_size_with_a_bar_of_100_mm():
    page = pages(example("seed-crates"))[-1]
    assert float(page.mediabox.width) == pytest.approx(420 * POINTS_PER_MM, abs=0.1)
    assert float(page.mediabox.height) == pytest.approx(297 * POINTS_PER_MM, abs=0.1)
    assert "This bar is 100 mm long" in page.extract_text()


def test_inches_are_printed_as_real_fractions():
    text = "".join(page.extract_text() for page in pages(example("bell-corner")))
    assert "8½ in" in text
    assert "8.5" not in text
    assert "12x18in (18 in wide, 12 in high)" in text


def test_parts_are_printed_alone():
    assert len(pages(scene_of(ONE_POINT), ("key",))) == 1
    steps_only = pages(scene_of(ONE_POINT), ("steps",))
    assert all(float(page.mediabox.width) == pytest.approx(595.28, abs=0.1) for page in steps_only)


def test_far_points_ask_for_strips_and_tape():
    text = " ".join(" ".join(p.extract_text() for p in pages(scene_of(TWO_POINT))).split())
    assert re.search(r"strips? of paper for the far\s+points", text)
    assert "VP1: on a strip of paper, 9 cm out from the left edge" in text
