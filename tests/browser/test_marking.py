"""Marking photos and the register."""

from __future__ import annotations

import re

from playwright.sync_api import expect

from orthopsis.demo.scanner import scan_sheet
from tests.browser.pages import drag
from tests.documents import example


def test_a_photo_is_judged_marked_and_found_in_the_register(watched, server, tmp_path):
    photo = tmp_path / "finn.jpg"
    photo.write_bytes(scan_sheet(example("seed-crates"), 31, ["lean"])[0])
    page = watched.go("mark")
    page.locator("input[type=file]").set_input_files(photo)
    stack = page.get_by_role("complementary", name="The stack")
    # The file's name tells whose it is.
    stack.get_by_role("button", name="Finn Barley").click()
    verdict = page.get_by_role("complementary", name="Verdict")
    expect(verdict.get_by_role("img", name=re.compile("Landing target of VP1"))).to_be_visible()
    expect(verdict.get_by_text("This upright is turned by").first).to_be_visible()
    assert page.locator("line.judged").count() > 20
    page.locator("line.judged.off + line.reach").first.click(force=True)
    line = verdict.get_by_role("region", name="The chosen line")
    expect(line).to_contain_text(re.compile(r"off, [23]\.\d°"))
    expect(line.get_by_role("combobox", name="Family")).to_have_value("vertical")
    expect(verdict.get_by_role("combobox", name="Pupil")).to_contain_text("Finn Barley")
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
    sheets = stack.locator(".sheet")
    expect(sheets.first).to_have_attribute("aria-current", "true")
    page.keyboard.press("n")
    expect(sheets.nth(1)).to_have_attribute("aria-current", "true")
    page.keyboard.press("p")
    expect(sheets.first).to_have_attribute("aria-current", "true")


def test_lines_are_corrected_by_keys_and_by_one_drag(watched):
    page = watched.go("mark")
    page.get_by_role("button", name="Bram Fennel").click()
    verdict = page.get_by_role("complementary", name="Verdict")
    leaning = verdict.get_by_role("button", name=re.compile("This upright is turned by"))
    expect(leaning).to_be_visible()
    page.locator("line.reach[aria-label*='vertical, off']").first.focus()
    page.keyboard.press("Enter")
    page.keyboard.press("m")
    expect(verdict.get_by_role("region", name="The chosen line")).to_contain_text("meant so")
    expect(leaning).to_have_count(0)
    page.keyboard.press("m")
    expect(leaning).to_be_visible()
    page.keyboard.press("d")
    expect(leaning).to_have_count(0)
    page.locator("line.dismissed").focus()
    page.keyboard.press("Enter")
    expect(leaning).to_be_visible()
    before = page.locator("line.judged").count()
    page.keyboard.press("a")
    pad = page.locator("rect.pad").bounding_box()
    y = pad["y"] + 0.06 * pad["height"]
    page.mouse.move(pad["x"] + 0.1 * pad["width"], y)
    page.mouse.down()
    page.mouse.move(pad["x"] + 0.3 * pad["width"], y, steps=4)
    page.mouse.up()
    expect(page.locator("line.judged")).to_have_count(before + 1)
    page.reload()
    page.get_by_role("button", name="Bram Fennel").click()
    expect(page.locator("line.judged")).to_have_count(before + 1)


def test_their_own_drawing_is_mended_and_the_class_seen_at_a_glance(watched):
    page = watched.go("mark")
    page.get_by_role("button", name="Cleo Marsh").click()
    page.get_by_role("button", name="Mend it").click()
    expect(page.get_by_role("img", name="One place, enlarged")).to_be_visible()
    page.get_by_role("button", name="The true middle").click()
    expect(page.get_by_text("Where the diagonals cross is the middle")).to_be_visible()
    page.get_by_role("button", name="Points further apart").click()
    page.get_by_label(re.compile("Spread")).fill("180")
    expect(page.get_by_text("both points 80 % further apart")).to_be_visible()
    page.get_by_role("button", name="The class at a glance").click()
    page.get_by_role("button", name="Edda Sorrel").last.click()
    expect(page.get_by_role("button", name="Edda Sorrel")).to_have_attribute("aria-current", "true")


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
    stack = page.get_by_role("complementary", name="The stack")
    broken = stack.get_by_role("button", name="notes.jpg")
    expect(broken).to_contain_text("cannot be read")
    broken.click()
    expect(page.get_by_text("this file is not a readable picture")).to_be_visible()
    stack.get_by_role("button", name="Take from the stack").click()
    expect(page.locator(".stack li")).to_have_count(before)
    stack.get_by_role("button", name="Put it back").click()
    expect(broken).to_be_visible()


def test_a_lesson_is_set_from_the_register(watched, server):
    page = watched.go("register")
    page.get_by_label("Set an exercise").select_option("Bell corner")
    page.get_by_role("button", name="Set it").click()
    expect(page.get_by_role("columnheader", name=re.compile("Bell corner"))).to_be_visible()
    page.get_by_role("link", name="Mark").click()
    expect(page.get_by_text("No sheet has been handed in yet.")).to_be_visible()
