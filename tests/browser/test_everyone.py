"""Everyone can use it: WCAG by axe in both themes, tablet to wall, no page that jumps."""

from __future__ import annotations

import pytest
from playwright.sync_api import expect

from tests.browser.pages import exercise_id, saved
from tests.documents import ROOT

AXE = (ROOT / "frontend" / "node_modules" / "axe-core" / "axe.min.js").read_text()
WCAG = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"]

VIEWS = {
    "shelf": "prepare",
    "new": "prepare/new",
    "bench": "prepare/{}",
    "demands": "demands/{}",
    "plan": "plan/{}",
    "print": "print/{}",
    "choose": "teach",
    "teach": "teach/{}",
    "show": "show/{}",
    "mark": "mark",
    "any": "mark/any",
    "register": "register",
    "settings": "settings",
}
SIZES = {"laptop": (1280, 800), "wall": (1920, 1080), "tablet": (820, 1180)}


def opened(watched, view):
    page = watched.go(VIEWS[view].format(exercise_id(watched, "Bell corner")))
    page.wait_for_load_state("networkidle")
    expect(page.get_by_text("Fetching from the cupboard")).to_have_count(0)
    return page


def settled(page):
    """Once the theme has changed: colours fade over, and are only then what they will be."""
    page.wait_for_timeout(150)
    page.evaluate(
        "Promise.race([new Promise((done) => setTimeout(done, 3000)), Promise.allSettled("
        "document.getAnimations().map((one) => one.finished))])"
    )


@pytest.mark.parametrize("view", VIEWS)
def test_no_view_breaks_the_accessibility_guidelines_or_its_window(watched, view):
    """Outside: axe-core's rules of WCAG 2.0 to 2.2, levels A and AA, in both themes. In every size
    nothing is wider than the window.
    """
    page = opened(watched, view)
    page.evaluate(AXE)
    for theme in ("light", "dark"):
        page.emulate_media(color_scheme=theme)
        settled(page)
        found = page.evaluate(
            """tags => axe.run({ runOnly: tags }).then(({ violations, passes }) => ({
              passed: passes.length,
              broken: violations.flatMap(({ id, nodes }) =>
                nodes.map((node) =>
                  `${id}: ${node.html.slice(0, 160)} ${node.failureSummary}`)) }))""",
            WCAG,
        )
        assert found["broken"] == [], theme
        assert found["passed"] > 5
    for size, (wide, high) in SIZES.items():
        page.set_viewport_size({"width": wide, "height": high})
        page.wait_for_timeout(150)
        assert page.evaluate("document.documentElement.scrollWidth") <= wide, size
        over = page.evaluate(
            "(({ scrollWidth, clientWidth }) => scrollWidth - clientWidth)"
            "(document.querySelector('main'))"
        )
        assert over <= 0, size


@pytest.mark.parametrize("view", ["shelf", "new", "bench", "plan", "register"])
def test_a_page_stays_where_it_is_while_it_fills(watched, view):
    """Outside: the browser's own measure of layout shift; up to 0.1 counts as good."""
    watched.page.add_init_script(
        """window.shift = 0; new PerformanceObserver((list) => list.getEntries()
          .forEach((entry) => { if (!entry.hadRecentInput) window.shift += entry.value }))
          .observe({ type: 'layout-shift', buffered: true })"""
    )
    page = opened(watched, view)
    page.wait_for_timeout(300)
    assert page.evaluate("window.shift") < 0.1


def test_the_keyboard_alone_builds_teaches_and_prints(watched, server):
    page = watched.go("prepare")

    def press(role, name, key="Enter", **more):
        page.get_by_role(role, name=name, **more).focus()
        page.keyboard.press(key)

    press("link", "Begin a new sheet")
    press("button", "New one-point sheet")
    expect(page.get_by_text("The sheet is empty.")).to_be_visible()
    page.get_by_label("Title").focus()
    page.keyboard.press("Control+a")
    page.keyboard.type("From the keys")
    page.keyboard.press("Tab")
    press("button", "Add a box")
    press("button", "Put it in the middle")
    expect(page.get_by_role("slider", name="Place of box 1")).to_be_visible()
    page.get_by_role("slider", name="Place of box 1").focus()
    page.keyboard.press("Shift+ArrowLeft")
    saved(page)
    press("button", "Print", exact=True)
    expect(page.get_by_text("Page 1 of")).to_be_visible()
    page.get_by_label("Marking slips").focus()
    page.keyboard.press("Space")
    page.get_by_role("group", name="Page 1 of").focus()
    page.keyboard.press("ArrowRight")
    expect(page.get_by_text("Page 2 of")).to_be_visible()
    with page.expect_download() as file:
        press("link", "Save as PDF")
    assert file.value.path().read_bytes().startswith(b"%PDF")
    press("link", "Teach it")
    expect(page.get_by_role("heading", name="The eye level line")).to_be_visible()
    page.keyboard.press("ArrowRight")
    expect(page.get_by_role("heading", name="The vanishing point")).to_be_visible()
    page.keyboard.press("End")
    expect(page.get_by_role("heading", name="The finished drawing")).to_be_visible()


def test_settings_hold_everywhere(watched, server):
    page = watched.go("settings")
    try:
        page.get_by_label("Measures").select_option("in")
        page.get_by_label("The line is called").select_option("horizon")
        page.get_by_label("Left-handed teaching").check()
        # Another page is opened as by its address, which would break off what is being saved.
        expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()
        page = watched.go(f"teach/{exercise_id(watched, 'Seed crates')}")
        expect(page.get_by_role("heading", name="The horizon line")).to_be_visible()
        expect(page.get_by_text("Measure about 4¾ in down")).to_be_visible()
        words = page.get_by_role("heading", name="The horizon line").bounding_box()
        assert words["x"] < 400, "the words stand at the left"
        page = watched.go(f"prepare/{exercise_id(watched, 'Seed crates')}")
        expect(page.get_by_role("button", name="1. The horizon line")).to_be_visible()
    finally:
        page = watched.go("settings")
        page.get_by_label("Measures").select_option("")
        page.get_by_label("The line is called").select_option("")
        page.get_by_label("Left-handed teaching").uncheck()
        page.wait_for_load_state("networkidle")


def test_three_demands_and_a_plan_are_changed_and_kept(watched, server):
    number = exercise_id(watched, "Three crates on one set of lines")
    page = watched.go(f"demands/{number}")
    first = page.get_by_role("article", name="First steps")
    expect(first.get_by_role("img", name="Drawing of First steps")).to_be_visible()
    before = first.get_by_text("steps ·").inner_text()
    first.get_by_label("Eye level and points are printed already").uncheck()
    expect(first.get_by_text(before)).to_have_count(0)
    saved(page)
    first.get_by_role("link", name="Print").click()
    expect(page.get_by_label("Difficulty")).to_have_value("first steps")
    page.get_by_role("link", name="Lesson plan").click()
    page.get_by_label("A lesson has, in minutes").fill("20")
    page.get_by_label("A lesson has, in minutes").press("Tab")
    expect(page.get_by_text("Lesson 2")).to_be_visible()
    page.get_by_label("Take care").fill("Mind the step")
    page.get_by_label("Notes").click()
    saved(page)
    page.reload()
    expect(page.get_by_label("Take care")).to_have_value("Mind the step")
    page.get_by_role("button", name="The program’s own list").click()
    expect(page.get_by_label("Take care")).not_to_have_value("Mind the step")
    saved(page)
