"""The story of a lesson, as a teacher would click it."""

from __future__ import annotations

import json
import re
import urllib.request

import pytest
from playwright.sync_api import expect

from orthopsis.demo.scanner import scan_sheet
from tests.documents import example


def asked(server, path):
    with urllib.request.urlopen(f"{server.address}api/{path}") as answer:
        return json.load(answer)


def exercise_id(server, title):
    return next(one["id"] for one in asked(server, "exercises") if one["title"] == title)


def document(server, title):
    return asked(server, f"exercises/{exercise_id(server, title)}")["document"]


def open_bench(watched, title):
    page = watched.go("prepare")
    page.get_by_role("link", name=re.compile(f"Drawing of {title}")).click()
    expect(page.get_by_role("heading", name=title)).to_be_visible()
    expect(page.get_by_role("button", name="1. The")).to_be_visible()
    return page


def drag(page, handle, dx, dy):
    handle.scroll_into_view_if_needed()
    box = handle.bounding_box()
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + dx / 2, y + dy / 2, steps=4)
    page.mouse.move(x + dx, y + dy, steps=4)
    page.mouse.up()


def saved(page):
    expect(page.get_by_role("status").filter(has_text=re.compile("^Saved$"))).to_be_visible()


def test_the_shelf_shows_real_drawings_as_covers(watched):
    page = watched.go("")
    expect(page).to_have_url(re.compile("/prepare$"))
    for title in ("Seed crates", "Bell corner"):
        cover = page.get_by_role("img", name=f"Drawing of {title}")
        expect(cover).to_be_visible()
        assert cover.evaluate("image => image.naturalWidth") > 100


def test_the_eye_level_and_the_point_are_dragged_and_the_drawing_follows(watched, server):
    page = open_bench(watched, "Seed crates")
    before = document(server, "Seed crates")["view"]
    lines = page.locator(".lines line").count()
    drag(page, page.get_by_role("slider", name="Eye level"), 0, 60)
    drag(page, page.get_by_role("slider", name="Vanishing point VP1"), -150, 0)
    saved(page)
    after = document(server, "Seed crates")["view"]
    assert after["eye_level_mm"] > before["eye_level_mm"] + 10
    assert after["vanishing_point_mm"] < before["vanishing_point_mm"] - 40
    assert after["eye_level_mm"] % 5 == 0, "round measures are on"
    assert page.locator(".lines line").count() != 0 == (lines == 0)
    for _ in range(2):
        page.keyboard.press("Control+z")
    saved(page)
    assert document(server, "Seed crates")["view"] == before


def test_a_box_is_added_by_a_click_and_its_measures_are_changed(watched, server):
    page = open_bench(watched, "Seed crates")
    count = len(document(server, "Seed crates")["pieces"])
    page.get_by_role("button", name="Add a box").click()
    paper = page.locator("rect.paper").bounding_box()
    page.mouse.click(paper["x"] + paper["width"] * 0.93, paper["y"] + paper["height"] * 0.93)
    expect(page.get_by_role("button", name="box 1")).to_be_visible()
    page.get_by_label("Width").fill("4.5")
    page.get_by_label("Width").press("Enter")
    page.get_by_role("combobox", name="Depth").select_option("true length")
    saved(page)
    pieces = document(server, "Seed crates")["pieces"]
    assert len(pieces) == count + 1
    assert pieces[-1]["front"]["width_mm"] == 45
    assert pieces[-1]["standing"] == "ground"
    assert pieces[-1]["depth"]["true_mm"] == 45
    page.get_by_role("button", name="Take it off the sheet").click()
    saved(page)
    assert len(document(server, "Seed crates")["pieces"]) == count


def test_nonsense_in_a_field_is_told_and_not_taken(watched, server):
    page = open_bench(watched, "Seed crates")
    field = page.get_by_label("Eye level, from the top")
    field.fill("high up")
    field.press("Enter")
    expect(page.get_by_text("Type a measure such as 11.4.")).to_be_visible()
    assert document(server, "Seed crates")["view"]["eye_level_mm"] == 120


def test_the_run_through_shows_the_sheet_at_each_moment(watched):
    page = open_bench(watched, "Bell corner")
    page.get_by_role("button", name="4. Bus shelter: lines to both points").click()
    expect(page.get_by_text("4 of 14. Bus shelter: lines to both points.")).to_be_visible()
    early = page.locator(".desk .lines line").count()
    page.keyboard.press("ArrowRight")
    expect(page.get_by_text("5 of 14. Bus shelter: the left side.")).to_be_visible()
    assert page.locator(".desk .lines line").count() > early
    expect(page.locator(".desk .flag")).to_have_count(0)
    page.get_by_role("button", name="3. Bus shelter: the front edge").click()
    expect(page.locator(".desk .flag")).to_have_count(2)
    page.keyboard.press("End")
    expect(page.get_by_role("button", name="Finished drawing")).to_have_attribute(
        "aria-pressed", "true"
    )


def test_advice_is_read_and_its_remedy_taken(watched, server):
    page = watched.go("prepare")
    page.get_by_role("button", name="New two-point sheet").click()
    page.get_by_label("Title").fill("Too close")
    page.get_by_role("button", name="Add a box").click()
    page.get_by_role("button", name="Put it in the middle").click()
    for name, place in (("VP1", "16"), ("VP2", "26")):
        page.get_by_label(f"{name}, from the left").fill(place)
        page.get_by_label(f"{name}, from the left").press("Enter")
    note = page.get_by_role("list", name="Advice")
    expect(
        note.get_by_text(re.compile(r"The lowest corner is \d\d°. It will look"))
    ).to_be_visible()
    note.get_by_role("button", name=re.compile("Move both points out by")).click()
    expect(note.get_by_text("It will look as if it tips")).to_have_count(0)
    saved(page)
    view = document(server, "Too close")["view"]
    assert view["left_vp_mm"] < 160
    assert view["left_vp_mm"] + view["right_vp_mm"] == 420


def test_the_lesson_is_taught_step_by_step_from_the_keyboard(watched):
    page = watched.go("teach")
    page.get_by_role("link", name="Bell corner").click()
    expect(page.get_by_role("heading", name="The horizon line")).to_be_visible()
    size = page.get_by_text("Measure 6 in down").evaluate("e => getComputedStyle(e).fontSize")
    assert float(size.removesuffix("px")) >= 28, "read from the back of the room"
    page.keyboard.press("ArrowRight")
    expect(page.get_by_role("heading", name="The vanishing points")).to_be_visible()
    page.keyboard.press("PageDown")
    expect(page.get_by_role("heading", name="Bus shelter: the front edge")).to_be_visible()
    expect(page.get_by_text(re.compile(r"this step \d+:\d\d of 1 min"))).to_be_visible()
    page.keyboard.press("ArrowLeft")
    expect(page.get_by_role("heading", name="The vanishing points")).to_be_visible()
    page.keyboard.press("End")
    expect(page.get_by_role("heading", name="The finished drawing")).to_be_visible()
    assert page.locator(".lines line").count() == 16
    page.keyboard.press("Escape")
    expect(page).to_have_url(re.compile("/teach$"))


def test_the_handout_is_printed_as_pdf(watched):
    page = open_bench(watched, "Seed crates")
    link = page.get_by_role("link", name="Print the handout")
    answer = watched.context.request.get(watched.address.rstrip("/") + link.get_attribute("href"))
    assert answer.headers["content-type"] == "application/pdf"
    assert answer.body().startswith(b"%PDF")


def test_a_photo_is_judged_marked_and_found_in_the_register(watched, server, tmp_path):
    photo = tmp_path / "finn.jpg"
    photo.write_bytes(scan_sheet(example("seed-crates"), 31, ["lean"])[0])
    page = watched.go("mark")
    page.locator("input[type=file]").set_input_files(photo)
    stack = page.get_by_role("complementary", name="The stack")
    expect(stack.get_by_role("button", name="finn.jpg")).to_have_attribute("aria-current", "true")
    verdict = page.get_by_role("complementary", name="Verdict")
    expect(verdict.get_by_role("img", name=re.compile("Landing target of VP1"))).to_be_visible()
    expect(verdict.get_by_text("This upright is turned by").first).to_be_visible()
    assert page.locator("line.judged").count() > 20
    page.locator("line.judged.off + line.reach").first.click(force=True)
    expect(verdict.get_by_text(re.compile(r"vertical: *off, 2\.\d°"))).to_be_visible()
    verdict.get_by_role("combobox", name="Pupil").select_option("Finn Barley")
    words = verdict.get_by_label("Words to the pupil")
    words.fill("Good guide lines. Use the set square for each upright.")
    verdict.get_by_text("Nearly there").click()
    verdict.get_by_role("button", name="Save to the register").click()
    expect(verdict.get_by_text("Saved for Finn Barley.")).to_be_visible()
    verdict.get_by_role("link", name="See the register").click()
    row = page.get_by_role("row", name=re.compile("Finn Barley"))
    expect(row).to_contain_text("Nearly there")
    expect(row).to_contain_text("Use the set square for each upright.")
    expect(page.get_by_role("row", name=re.compile("Hugo Larch"))).to_contain_text("not handed in")


def test_n_and_p_turn_the_stack(watched):
    page = watched.go("mark")
    stack = page.get_by_role("complementary", name="The stack")
    expect(stack.get_by_role("button").first).to_have_attribute("aria-current", "true")
    page.keyboard.press("n")
    expect(stack.get_by_role("button").nth(1)).to_have_attribute("aria-current", "true")
    page.keyboard.press("p")
    expect(stack.get_by_role("button").first).to_have_attribute("aria-current", "true")


def test_corners_are_set_by_hand(watched):
    page = watched.go("mark")
    page.get_by_role("button", name="Set the corners by hand").click()
    corner = page.get_by_role("slider", name="Sheet's top left corner")
    drag(page, corner, 3, 2)
    page.get_by_role("button", name="Straighten and judge").click()
    expect(page.get_by_role("img", name=re.compile("Landing target"))).to_be_visible()


def test_a_file_that_is_no_picture_is_refused_in_words(watched, tmp_path):
    page = watched.go("mark")
    before = page.locator(".stack li").count()
    bad = tmp_path / "notes.jpg"
    bad.write_text("not a picture")
    page.locator("input[type=file]").set_input_files(bad)
    expect(page.get_by_role("alert")).to_contain_text("notes.jpg: this file is not a readable")
    assert page.locator(".stack li").count() == before


def test_a_lesson_is_set_from_the_register(watched, server):
    page = watched.go("register")
    page.get_by_label("Set an exercise").select_option("Bell corner")
    page.get_by_role("button", name="Set it").click()
    expect(page.get_by_role("columnheader", name=re.compile("Bell corner"))).to_be_visible()
    page.get_by_role("link", name="Mark").click()
    expect(page.get_by_text("No sheet has been handed in yet.")).to_be_visible()


@pytest.mark.parametrize("points", ["one", "two", "three"])
def test_a_new_sheet_is_begun_from_the_shelf(watched, points):
    page = watched.go("prepare")
    page.get_by_role("button", name=f"New {points}-point sheet").click()
    expect(page.get_by_text("The sheet is empty.")).to_be_visible()
    page.get_by_role("button", name="Add a box").click()
    page.get_by_role("button", name="Put it in the middle").click()
    expect(page.get_by_role("button", name=re.compile("tidy and darken"))).to_be_visible()
    saved(page)


def test_three_points_are_set_moved_and_seen_from_elsewhere(watched, server):
    page = open_bench(watched, "The yard from the bell tower")
    before = document(server, "The yard from the bell tower")["view"]
    drag(page, page.get_by_role("slider", name="Vanishing point VP3"), 40, -30)
    saved(page)
    moved = document(server, "The yard from the bell tower")["view"]
    assert moved["third_vp_mm"][0] > before["third_vp_mm"][0]
    assert moved["third_vp_mm"][1] < before["third_vp_mm"][1]
    assert moved["left_vp_mm"] == before["left_vp_mm"]
    page.keyboard.press("Control+z")
    page.get_by_role("button", name="right ▸").click()
    saved(page)
    there = document(server, "The yard from the bell tower")
    assert there["view"]["left_vp_mm"] == pytest.approx(before["left_vp_mm"] + 20)
    page.keyboard.press("Control+z")
    saved(page)
    assert document(server, "The yard from the bell tower")["view"] == before


def test_a_round_thing_is_added_and_laid_down(watched, server):
    page = open_bench(watched, "Seed crates")
    page.get_by_role("button", name="Add a round thing").click()
    page.get_by_role("button", name="Put it in the middle").click()
    expect(page.get_by_role("button", name="drum 1")).to_be_visible()
    assert page.locator(".lines polyline").count() >= 2
    page.get_by_role("combobox", name="The round thing lies").select_option("away from us")
    saved(page)
    assert document(server, "Seed crates")["pieces"][-1]["axis"] == "away"
    page.get_by_role("button", name="Take it off the sheet").click()
    saved(page)


def test_what_stands_on_the_lines_of_another_follows_it(watched, server):
    page = open_bench(watched, "Three crates on one set of lines")
    page.get_by_role("button", name="lower on the lines of middle").click()
    page.get_by_label("Top, from the top").fill("28")
    page.get_by_label("Top, from the top").press("Enter")
    saved(page)
    lower = document(server, "Three crates on one set of lines")["pieces"][1]
    assert lower["stack"]["top_mm"] == 280
    page.keyboard.press("Control+z")
    saved(page)


def test_letters_are_chosen_typed_dragged_and_toned(watched, server):
    page = watched.go("prepare")
    page.get_by_role("button", name="New one-point sheet").click()
    page.get_by_role("button", name="Add letters").click()
    page.get_by_role("button", name="Put it in the middle").click()
    word = page.get_by_label("Word, in capitals")
    word.fill("fern")
    word.press("Enter")
    expect(word).to_have_value("FERN")
    expect(page.get_by_role("button", name=re.compile("Letter N: the block"))).to_be_attached()
    page.get_by_label("Their form").select_option("curved")
    page.get_by_label("Tone").select_option("left")
    page.get_by_label("Pattern bands on the sides").select_option("2")
    handle = page.get_by_role("slider", name="Place of word 1")
    drag(page, handle, 40, -60)
    saved(page)
    title = page.get_by_role("heading").first.inner_text()
    doc = document(server, title)
    (piece,) = doc["pieces"]
    assert (piece["text"], piece["form"], piece["bands"]) == ("FERN", "curved", 2)
    assert doc["tone"]["light"] == "left"
    assert piece["front"]["x_mm"] % 5 == 0
    # A letter that has no form is said, and the last drawing stays.
    word.fill("ÖL")
    word.press("Enter")
    alert = page.get_by_role("alert").filter(has_text="no block letter")
    expect(alert).to_be_visible()
    alert.get_by_role("button", name="Undo").click()
    expect(word).to_have_value("FERN")


def test_the_corner_test_is_shown_with_the_lines_that_were_tried(watched, server):
    page = watched.go(f"teach/{exercise_id(server, 'FERN')}")
    expect(page.get_by_text("Step 1 of")).to_be_visible()
    for number in range(2, 9):
        page.keyboard.press("ArrowRight")
        expect(page.get_by_text(f"Step {number} of")).to_be_visible()
    expect(page.get_by_role("heading", name="Letter N: lines to VP1")).to_be_visible()
    expect(page.get_by_text("the line would run through")).to_be_visible()
    assert page.locator("g.tried > g").count() == 4
