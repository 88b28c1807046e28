"""Care for people's work: two windows, lost connections, restarts, keyboard, themes."""

from __future__ import annotations

import os
import re
import signal

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import Server, Watched
from tests.browser.pages import asked, document, exercise_id, open_bench, saved


def set_title(page, title):
    page.get_by_label("Title").fill(title)


def new_sheet(watched, title):
    page = watched.go("prepare")
    page.get_by_role("link", name="Begin a new sheet").click()
    page.get_by_role("button", name="New one-point sheet").click()
    expect(page.get_by_text("The sheet is empty.")).to_be_visible()
    set_title(page, title)
    saved(page)
    return page


def test_two_windows_cannot_overwrite_each_other_unseen(watched, server):
    first = new_sheet(watched, "Both windows")
    number = exercise_id(server, "Both windows")
    second = watched.open()
    second.goto(f"{watched.address}prepare/{number}")
    expect(second.get_by_role("heading", name="Both windows")).to_be_visible()
    set_title(first, "From the first")
    saved(first)
    set_title(second, "From the second")
    expect(second.get_by_text("was changed in another window. Both are kept")).to_be_visible()
    titles = {one["title"] for one in asked(server, "exercises")}
    assert {"From the first", "From the second (set aside)"} <= titles
    second.get_by_role("link", name="Open yours").click()
    expect(second.get_by_role("heading", name="From the second (set aside)")).to_be_visible()


def test_a_lost_connection_is_told_and_made_good(watched, server):
    page = new_sheet(watched, "Lost connection")
    watched.context.set_offline(True)
    set_title(page, "Written meanwhile")
    expect(page.get_by_text("Not saved yet: no connection. It is tried again.")).to_be_visible()
    assert "Written meanwhile" not in {one["title"] for one in asked(server, "exercises")}
    watched.context.set_offline(False)
    saved(page)
    assert "Written meanwhile" in {one["title"] for one in asked(server, "exercises")}
    watched.faults = [f for f in watched.faults if "ERR_INTERNET_DISCONNECTED" not in f]


def test_a_slow_server_never_holds_the_hand_back(watched, server):
    page = open_bench(watched, "Bell corner")
    asked_for = []

    def slowly(route):
        asked_for.append(route.request.url)
        page.wait_for_timeout(400)
        route.continue_()

    page.route("**/api/picture*", slowly)
    handle = page.get_by_role("slider", name="Eye level")
    before = handle.bounding_box()["y"]
    handle.focus()
    for _ in range(12):
        page.keyboard.press("ArrowDown")
    assert handle.bounding_box()["y"] > before, "what is held moves at once"
    page.unroute_all(behavior="wait")
    assert len(asked_for) < 12, "one question at a time, and only the latest"
    for _ in range(12):
        page.keyboard.press("ArrowUp")
    saved(page)


def test_a_reload_comes_back_to_the_same_place_with_everything(watched, server):
    page = new_sheet(watched, "Reloaded")
    page.get_by_role("button", name="Add a box").click()
    page.get_by_role("button", name="Put it in the middle").click()
    card = page.get_by_role("region", name="Pieces").get_by_role("button", name="box 1")
    # "Saved" is said of the empty sheet until the box is there.
    expect(card).to_be_visible()
    saved(page)
    page.reload()
    expect(page.get_by_role("heading", name="Reloaded")).to_be_visible()
    expect(card).to_be_visible()
    assert len(document(server, "Reloaded")["pieces"]) == 1


def test_a_box_that_stands_in_another_is_told_and_the_drawing_stays(watched):
    page = new_sheet(watched, "In one another")
    for _ in range(2):
        page.get_by_role("button", name="Add a box").click()
        page.get_by_role("button", name="Put it in the middle").click()
    expect(page.get_by_role("alert")).to_contain_text("'box 1' and 'box 2' stand in one another")
    page.get_by_role("alert").get_by_role("button", name="Undo").click()
    expect(page.get_by_role("alert")).to_have_count(0)
    saved(page)


def test_an_exercise_is_built_from_the_keyboard_alone(watched, server):
    page = watched.go("prepare")
    page.get_by_role("link", name="Begin a new sheet").focus()
    page.keyboard.press("Enter")
    page.get_by_role("button", name="New two-point sheet").focus()
    page.keyboard.press("Enter")
    expect(page.get_by_text("The sheet is empty.")).to_be_visible()
    set_title(page, "By keyboard")
    page.get_by_role("button", name="Add a box").focus()
    page.keyboard.press("Enter")
    page.keyboard.press("Tab")
    page.get_by_role("button", name="Put it in the middle").focus()
    page.keyboard.press("Enter")
    card = page.get_by_role("region", name="Pieces").get_by_role("button", name="box 1")
    expect(card).to_be_visible()
    page.get_by_role("heading", name="By keyboard").click()
    page.keyboard.press("e")
    page.keyboard.press("ArrowDown")
    page.keyboard.press("Shift+ArrowDown")
    page.keyboard.press("2")
    page.keyboard.press("ArrowLeft")
    saved(page)
    made = document(server, "By keyboard")["view"]
    assert made["eye_level_mm"] == 161
    assert made["right_vp_mm"] == 539
    page.keyboard.press("Control+z")
    saved(page)
    assert document(server, "By keyboard")["view"]["right_vp_mm"] == 540


def test_the_keys_are_listed_at_the_question_mark(watched):
    page = open_bench(watched, "Seed crates")
    page.keyboard.press("?")
    expect(page.get_by_text("take hold of the eye level")).to_be_visible()


@pytest.mark.parametrize("place", ["prepare", "teach", "mark", "register"])
@pytest.mark.parametrize("theme", ["light", "dark"])
def test_every_place_has_a_heading_and_readable_words(watched, place, theme):
    """Text keeps a contrast of 4.5 to its ground (WCAG 2.2, 1.4.3) in both themes."""
    page = watched.go(place)
    page.evaluate("theme => localStorage.setItem('orthopsis.theme', theme)", theme)
    page.reload()
    page.wait_for_load_state("networkidle")
    assert page.locator("h1").count() == 1
    poor = page.evaluate(CONTRAST)
    assert poor == []


CONTRAST = """() => {
  const parse = (c) => (c.match(/[\\d.]+/g) || []).map(Number);
  const light = ([r, g, b]) => {
    const f = (v) => ((v /= 255) <= 0.03928 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4);
    return 0.2126 * f(r) + 0.7152 * f(g) + 0.0722 * f(b);
  };
  const ground = (e) => {
    for (; e; e = e.parentElement) {
      const c = parse(getComputedStyle(e).backgroundColor);
      if (c.length === 3 || c[3] > 0.95) return c;
    }
    return [255, 255, 255];
  };
  const poor = [];
  for (const e of document.querySelectorAll('main *, nav *')) {
    const own = [...e.childNodes].some((n) => n.nodeType === 3 && n.textContent.trim());
    if (!own || e.closest('svg, :disabled, [class*=disabled]') || !e.checkVisibility()) continue;
    const [a, b] = [light(parse(getComputedStyle(e).color)), light(ground(e))];
    const ratio = (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
    if (ratio < 4.5) poor.push(`${e.textContent.trim().slice(0, 30)}: ${ratio.toFixed(2)}`);
  }
  return poor;
}"""


def test_everything_that_can_be_pressed_has_a_name(watched):
    for path in ("prepare", "mark", "register"):
        page = watched.go(path)
        unnamed = page.evaluate(
            """() => [...document.querySelectorAll('button, a, select, input, [role=slider]')]
              .filter((e) => e.checkVisibility() && !(e.textContent.trim() || e.ariaLabel
                || e.labels?.length || e.title || e.querySelector('img[alt]')))
              .map((e) => e.outerHTML.slice(0, 80))"""
        )
        assert unnamed == []


def test_a_lost_address_leads_back_to_the_shelf(watched):
    page = watched.go("attic/box")
    page.get_by_role("link", name="Go to the shelf").click()
    expect(page).to_have_url(re.compile("/prepare$"))


@pytest.fixture
def own_server(tmp_path):
    server = Server(tmp_path / "a room of its own", 8217).start()
    yield server
    if server.process.poll() is None:
        server.stop()


def test_everything_is_still_there_after_a_restart_and_after_a_kill(own_server, browser):
    def add(title):
        watched = Watched(browser, own_server.address)
        new_sheet(watched, title)
        watched.context.close()

    add("Before the restart")
    assert "everything is saved" in own_server.stop()
    own_server.start()
    own_server.wait_until_it_answers(300)
    add("Before the kill")
    os.kill(own_server.process.pid, signal.SIGKILL)
    own_server.process.wait()
    own_server.start()
    titles = {one["title"] for one in asked(own_server, "exercises")}
    assert titles == {"Before the restart", "Before the kill"}


def test_a_taken_port_is_passed_over(own_server, tmp_path):
    other = Server(tmp_path / "another room", 8217).start()
    try:
        assert other.address != own_server.address
    finally:
        other.stop()


def test_an_empty_school_says_what_to_do_first(own_server, browser):
    watched = Watched(browser, own_server.address)
    expect(watched.go("prepare").get_by_text("The shelf is empty.")).to_be_visible()
    expect(watched.go("teach").get_by_text("There is no exercise yet.")).to_be_visible()
    expect(watched.go("mark").get_by_text("No lesson has been given yet.")).to_be_visible()
    expect(watched.go("register").get_by_text("There is no class yet.")).to_be_visible()
    assert watched.faults == []
    watched.context.close()
