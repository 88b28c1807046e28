"""The shelf: what stands on it, what is put away, and how a new sheet begins."""

from __future__ import annotations

import json
import re

import pytest
from playwright.sync_api import expect

from tests.browser.pages import document, saved


def test_the_shelf_shows_real_drawings_as_covers(watched):
    page = watched.go("")
    expect(page).to_have_url(re.compile("/prepare$"))
    for title in ("Seed crates", "Bell corner"):
        cover = page.get_by_role("img", name=f"Drawing of {title}")
        expect(cover).to_be_visible()
        page.wait_for_function("image => image.naturalWidth > 100", arg=cover.element_handle())


def test_nothing_is_thrown_away_without_a_way_back(watched, server, tmp_path):
    page = watched.go("prepare")
    title = "The yard from the bell tower"
    card = page.get_by_role("listitem").filter(has_text=title)
    card.get_by_text("More").click()
    card.get_by_role("button", name="Put in the bin").click()
    expect(page.get_by_text(f"“{title}” is in the bin.")).to_be_visible()
    expect(card).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    expect(card).to_be_visible()
    kept = tmp_path / "mine.json"
    kept.write_text(json.dumps({**document(server, "FERN"), "title": "From a file"}))
    page.locator("input[type=file]").set_input_files(kept)
    expect(page.get_by_role("img", name="Drawing of From a file")).to_be_visible()
    kept.write_text("{}")
    page.locator("input[type=file]").set_input_files(kept)
    expect(page.get_by_role("alert")).to_contain_text("mine.json is not an exercise")
    page.get_by_label("Title").fill("from a")
    expect(page.get_by_role("listitem")).to_have_count(1)
    page.get_by_label("System").select_option("2")
    expect(page.get_by_text("Nothing here answers all these wishes.")).to_be_visible()
    page.get_by_role("button", name="Show everything").click()
    expect(card).to_be_visible()


@pytest.mark.parametrize("points", ["one", "two", "three"])
def test_a_new_sheet_is_begun_from_the_shelf(watched, points):
    page = watched.go("prepare")
    page.get_by_role("link", name="Begin a new sheet").click()
    page.get_by_role("button", name=f"New {points}-point sheet").click()
    expect(page.get_by_text("The sheet is empty.")).to_be_visible()
    page.get_by_role("button", name="Add a box").click()
    page.get_by_role("button", name="Put it in the middle").click()
    expect(page.get_by_role("button", name=re.compile("tidy and darken"))).to_be_visible()
    saved(page)


def test_a_good_start_is_three_clicks_from_its_print(watched):
    page = watched.go("prepare")
    page.get_by_role("link", name="Begin a new sheet").click()
    page.get_by_role("button", name="My first box").click()
    page.get_by_role("button", name="Print", exact=True).click()
    expect(page.get_by_role("heading", name="Print My first box")).to_be_visible()
    expect(page.get_by_role("link", name="Open to print")).to_be_visible()
