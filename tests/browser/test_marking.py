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
