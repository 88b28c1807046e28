"""The print tray: what is shown is what is printed."""

from __future__ import annotations

import re

from playwright.sync_api import expect

from tests.browser.pages import exercise_id, open_bench


def test_a_pack_is_looked_at_and_printed(watched):
    page = open_bench(watched, "Seed crates")
    page.get_by_role("button", name="Print", exact=True).click()
    expect(page.get_by_text("Page 1 of")).to_be_visible()
    before = page.get_by_text(re.compile("Page 1 of")).inner_text()
    page.get_by_label("Materials list").check()
    expect(page.get_by_text(re.compile(f"^{before}$"))).to_have_count(0)
    shown = page.get_by_role("img", name="Page 1")
    assert shown.evaluate("c => c.getContext('2d').getImageData(0, 0, 9, 9).data[3]") == 255
    page.get_by_role("group", name=re.compile("Page 1 of")).press("End")
    expect(page.get_by_role("button", name="Next page")).to_be_disabled()
    with page.expect_download() as saved_file:
        page.get_by_role("link", name="Save as PDF").click()
    assert saved_file.value.suggested_filename == "Seed crates.pdf"
    assert saved_file.value.path().read_bytes().startswith(b"%PDF")


def test_a_class_gets_sheets_with_progress(watched):
    page = watched.go(f"print/{exercise_id(watched, 'FERN')}")
    page.get_by_role("button", name="Make the sheets").click()
    link = page.get_by_role("link", name="Open the 8 sheets to print")
    expect(link).to_be_visible()
    file = watched.context.request.get(watched.address.rstrip("/") + link.get_attribute("href"))
    assert file.body().startswith(b"%PDF")
    page.get_by_label("Difficulty").select_option("first steps")
    page.get_by_text("For everybody").click()
    for name in ("Bram Fennel", "Edda Sorrel"):
        page.get_by_label(name).check()
    expect(page.get_by_text("For 2 pupils")).to_be_visible()
    page.get_by_role("button", name="Make the sheets").click()
    expect(page.get_by_role("link", name="Open the 2 sheets to print")).to_be_visible()
