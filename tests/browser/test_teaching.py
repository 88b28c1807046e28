"""Teaching: from the keyboard, on the projector, at the board, and showing why."""

from __future__ import annotations

import re

from playwright.sync_api import expect

from tests.browser.pages import document, exercise_id, lines_on


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
    expect(page.get_by_text(re.compile(r"step \d+:\d\d of 0.5 min"))).to_be_visible()
    page.keyboard.press("ArrowLeft")
    expect(page.get_by_role("heading", name="The vanishing points")).to_be_visible()
    page.keyboard.press("End")
    expect(page.get_by_role("heading", name="The finished drawing")).to_be_visible()
    assert lines_on(page) == 16
    page.keyboard.press("Escape")
    expect(page).to_have_url(re.compile("/teach$"))


def test_the_corner_test_is_shown_with_the_lines_that_were_tried(watched, server):
    page = watched.go(f"teach/{exercise_id(server, 'FERN')}")
    expect(page.get_by_text("Step 1 of")).to_be_visible()
    for number in range(2, 8):
        page.keyboard.press("ArrowRight")
        expect(page.get_by_text(f"Step {number} of")).to_be_visible()
    expect(page.get_by_role("heading", name="Lines to VP1: F, E, R and N")).to_be_visible()
    expect(page.get_by_text("Does it run through the letter")).to_be_visible()
    assert page.locator("g.tried > g").count() == 15


def test_the_corner_test_is_asked_and_answered_one_by_one_on_both_windows(watched, server):
    page = watched.go(f"teach/{exercise_id(server, 'FERN')}")
    page.get_by_role("button", name="Corner test").click()
    expect(page.get_by_role("heading", name="Which corner draws a line?")).to_be_visible()
    with page.expect_popup() as opened:
        page.get_by_role("button", name="Projector").click()
    wall = opened.value
    expect(wall.get_by_text("Hands up")).to_be_visible()
    page.keyboard.press("PageDown")
    for one in (page, wall):
        expect(one.get_by_text("Corner 1: none")).to_be_visible()
        assert one.locator("g.number").count() == 46
    page.keyboard.press("End")
    for one in (page, wall):
        expect(one.get_by_text("31 lines in all.")).to_be_visible()
    page.keyboard.press("Escape")
    expect(page.get_by_text("Step 1 of")).to_be_visible()
    wall.close()


def test_what_differs_stands_in_a_table(watched, server):
    page = watched.go(f"teach/{exercise_id(server, 'FERN')}")
    expect(page.get_by_text("Step 1 of")).to_be_visible()
    for _ in range(2):
        page.keyboard.press("ArrowRight")
    table = page.get_by_role("table")
    expect(table.get_by_role("columnheader")).to_have_text(["Which", "From the left edge", "Wide"])
    expect(table.get_by_role("row", name="R 16.5 cm 5.5 cm")).to_be_visible()


def test_the_projector_follows_the_lesson_and_can_be_frozen(watched):
    page = watched.go(f"teach/{exercise_id(watched, 'Seed crates')}")
    expect(page.get_by_role("heading", name="The eye level line")).to_be_visible()
    with page.expect_popup() as opened:
        page.get_by_role("button", name="Projector").click()
    wall = opened.value
    wall.set_default_timeout(120_000)
    expect(wall.get_by_role("heading", name="The eye level line")).to_be_visible()
    page.keyboard.press("PageDown")
    expect(wall.get_by_role("heading", name="The vanishing point")).to_be_visible()
    page.keyboard.press(".")
    expect(page.get_by_role("button", name="Freeze it")).to_have_attribute("aria-pressed", "true")
    page.keyboard.press("PageDown")
    expect(page.get_by_role("heading", name="The distance point")).to_be_visible()
    expect(wall.get_by_role("heading", name="The vanishing point")).to_be_visible()
    page.keyboard.press("f")
    expect(wall.get_by_role("heading", name="The distance point")).to_be_visible()
    page.keyboard.press("g")
    expect(wall.get_by_role("heading", name="The guide lines")).to_be_visible()
    page.keyboard.press("d")
    expect(wall.get_by_role("heading", name="The finished drawing")).to_be_visible()
    expect(wall.get_by_label("Clock")).to_have_count(0)


def test_a_demonstration_is_shown_beside_the_lesson(watched, server):
    before = document(server, "Seed crates")
    page = watched.go(f"teach/{exercise_id(watched, 'Seed crates')}")
    page.get_by_role("button", name="Demonstrate").click()
    page.get_by_role("button", name="Lift and slide").click()
    page.get_by_label("Up, down").fill("220")
    expect(page.get_by_text("we see its underside")).to_be_visible()
    page.get_by_role("button", name="Climb and crouch").click()
    page.get_by_label("Crouch, climb").fill("150")
    expect(page.get_by_text("We look down on everything")).to_be_visible()
    page.get_by_role("button", name="Back to the lesson").click()
    expect(page.get_by_role("heading", name="The eye level line")).to_be_visible()
    assert document(server, "Seed crates") == before


def test_the_board_has_its_own_measures(watched):
    page = watched.go(f"teach/{exercise_id(watched, 'Seed crates')}")
    expect(page.get_by_text("Measure 12 cm down")).to_be_visible()
    page.get_by_role("button", name="Board").click()
    expect(page.get_by_text("Measure 48 cm down")).to_be_visible()
    expect(page.get_by_text("stretch a string")).to_be_visible()
