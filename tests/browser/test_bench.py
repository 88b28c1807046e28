"""The bench: everything that is dragged, typed, chosen and looked at."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import expect

from tests.browser.pages import document, drag, lines_on, open_bench, saved


def test_the_eye_level_and_the_point_are_dragged_and_the_drawing_follows(watched, server):
    page = open_bench(watched, "Seed crates")
    before = document(server, "Seed crates")["view"]
    lines = lines_on(page)
    drag(page, page.get_by_role("slider", name="Eye level"), 0, 60)
    drag(page, page.get_by_role("slider", name="Vanishing point VP1"), -150, 0)
    saved(page)
    after = document(server, "Seed crates")["view"]
    assert after["eye_level_mm"] > before["eye_level_mm"] + 10
    assert after["vanishing_point_mm"] < before["vanishing_point_mm"] - 40
    assert after["eye_level_mm"] % 5 == 0, "round measures are on"
    assert lines_on(page) != 0 == (lines == 0)
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
    card = page.get_by_role("region", name="Pieces").get_by_role("button", name="box 1")
    expect(card).to_be_visible()
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
    expect(page.get_by_text("4 of 10. Bus shelter: lines to both points.")).to_be_visible()
    early = lines_on(page)
    page.keyboard.press("ArrowRight")
    expect(page.get_by_text("5 of 10. Bus shelter: the left side.")).to_be_visible()
    assert lines_on(page) > early
    expect(page.locator(".under .flag")).to_have_count(0)
    page.get_by_role("button", name="3. Bus shelter: the front edge").click()
    expect(page.locator(".under .flag")).to_have_count(2)
    page.keyboard.press("End")
    expect(page.get_by_role("button", name="Finished drawing")).to_have_attribute(
        "aria-pressed", "true"
    )


def test_advice_is_read_and_its_remedy_taken(watched, server):
    page = watched.go("prepare")
    page.get_by_role("link", name="Begin a new sheet").click()
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


def test_three_points_are_set_moved_and_seen_from_elsewhere(watched, server):
    page = open_bench(watched, "The yard from the bell tower")
    before = document(server, "The yard from the bell tower")["view"]
    third = page.get_by_role("slider", name="Vanishing point VP3")
    left = page.get_by_role("slider", name="Vanishing point VP1")
    first, begun = (one.get_attribute("aria-valuetext") for one in (third, left))
    drag(page, third, 40, -30)
    saved(page)
    moved = document(server, "The yard from the bell tower")["view"]
    assert moved["third_vp_mm"][0] > before["third_vp_mm"][0]
    assert moved["third_vp_mm"][1] < before["third_vp_mm"][1]
    assert moved["left_vp_mm"] == before["left_vp_mm"]
    page.keyboard.press("Control+z")
    expect(third).to_have_attribute("aria-valuetext", first)
    page.get_by_role("button", name="right ▸").click()
    expect(left).not_to_have_attribute("aria-valuetext", begun)
    saved(page)
    there = document(server, "The yard from the bell tower")
    assert there["view"]["left_vp_mm"] == pytest.approx(before["left_vp_mm"] + 20)
    page.keyboard.press("Control+z")
    expect(left).to_have_attribute("aria-valuetext", begun)
    saved(page)
    assert document(server, "The yard from the bell tower")["view"] == before


def test_a_round_thing_is_added_and_laid_down(watched, server):
    page = open_bench(watched, "Seed crates")
    page.get_by_role("button", name="Add a round thing").click()
    page.get_by_role("button", name="Put it in the middle").click()
    card = page.get_by_role("region", name="Pieces").get_by_role("button", name="drum 1")
    expect(card).to_be_visible()
    ways = page.locator(".desk .lines path").evaluate_all(
        "all => all.map(p => p.getAttribute('d'))"
    )
    assert max(way.count("L") for way in ways) > 40, "a curve is many short chords"
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
    page.get_by_role("link", name="Begin a new sheet").click()
    page.get_by_role("button", name="New one-point sheet").click()
    page.get_by_role("button", name="Add letters").click()
    page.get_by_role("button", name="Put it in the middle").click()
    word = page.get_by_label("Word, in capitals")
    word.fill("fern")
    word.press("Enter")
    expect(word).to_have_value("FERN")
    expect(page.get_by_role("button", name=re.compile("The block: F, E, R and N"))).to_be_attached()
    page.get_by_role("combobox", name="Form", exact=True).select_option("curved")
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
    word.fill("ЖL")
    word.press("Enter")
    alert = page.get_by_role("alert").filter(has_text="no block letter")
    expect(alert).to_be_visible()
    alert.get_by_role("button", name="Undo").click()
    expect(word).to_have_value("FERN")


def test_the_order_of_teaching_is_chosen_on_the_strip_and_kept(watched, server):
    page = open_bench(watched, "Seed crates")
    strip = page.get_by_role("group", name="Run-through of the steps")
    expect(strip.get_by_role("button", name=re.compile("^8. Tray and Bird box"))).to_be_attached()
    strip.get_by_text("Stage by stage").click()
    expect(strip.get_by_role("button", name=re.compile("^4. The front face: "))).to_be_attached()
    saved(page)
    assert document(server, "Seed crates")["run"]["flow"] == "stages"
    strip.get_by_text("Thing by thing").click()
    saved(page)


def test_a_step_is_put_in_other_words_hidden_and_joined(watched, server):
    page = watched.go("prepare/new")
    page.get_by_role("button", name="My first box").click()
    page.get_by_role("button", name=re.compile("^3. ")).click()
    editor = page.get_by_role("region", name="Change this step")
    words = editor.get_by_label("What to do")
    expect(words).to_have_value(re.compile("8 cm from the left"))
    words.fill("Put A 8 cm in. Then go on.")
    editor.get_by_label("Note for yourself").fill("Slowly.")
    words.press("Tab")
    expect(page.get_by_text("Put A 8 cm in. Then go on.").first).to_be_visible()
    saved(page)
    (edit,) = document(server, "My first box")["run"]["steps"].values()
    assert edit["instruction"] == "Put A {1} in. Then go on."
    assert edit["note"] == "Slowly."
    editor.get_by_role("button", name="Join with the next").click()
    expect(page.get_by_role("button", name=re.compile("^6. "))).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("^7. "))).to_have_count(0)
    page.get_by_role("button", name=re.compile("^1. ")).click()
    editor.get_by_role("button", name="Hide: already on the sheet").click()
    expect(page.get_by_text("(hidden)")).to_be_visible()
    saved(page)
    page.get_by_role("button", name="Teach it").click()
    expect(page.get_by_text("Step 1 of 5")).to_be_visible()
    page.keyboard.press("ArrowRight")
    expect(page.get_by_text("For you: Slowly.")).to_be_visible()


def test_the_desk_is_looked_at_nearer_and_moved(watched):
    page = open_bench(watched, "Seed crates")
    whole = page.get_by_role("group", name="How near").get_by_text("%")
    expect(whole).to_have_text("100 %")
    corner = page.get_by_role("slider", name="Place of crate")
    before = corner.bounding_box()
    page.mouse.move(before["x"] + before["width"] / 2, before["y"] + before["height"] / 2)
    page.mouse.wheel(0, -400)
    expect(whole).not_to_have_text("100 %")
    after = corner.bounding_box()
    assert abs(after["x"] - before["x"]) < 3, "what the pointer is on stays under it"
    drag(page, page.locator("svg.under rect.paper"), 60, 40)
    moved = corner.bounding_box()
    assert abs(moved["x"] - after["x"] - 60) < 3
    page.get_by_role("heading", name="Seed crates").click()
    page.keyboard.press("Alt+ArrowLeft")
    assert corner.bounding_box()["x"] - moved["x"] == pytest.approx(60, abs=3)
    page.keyboard.press("0")
    expect(whole).to_have_text("100 %")
    page.keyboard.press("+")
    expect(whole).to_have_text("125 %")
    page.keyboard.press("-")
    expect(whole).to_have_text("100 %")


def test_every_measure_of_a_street_is_a_number_and_its_grips_are_dragged(watched, server):
    page = open_bench(watched, "Lane to the mill")
    pieces = page.get_by_role("region", name="Pieces")
    for name in ("lane", "left side", "poles"):
        pieces.get_by_role("button", name=name).first.click()
        measures = pieces.locator("input[type=text], input[type=number]").all()
        assert measures
        for measure in measures:
            assert measure.input_value() not in ("", "NaN"), name
    expect(page.get_by_label("Arm, long")).to_have_value("4")
    before = document(server, "Lane to the mill")["pieces"][2]["next"]
    drag(page, page.get_by_role("slider", name="distance to the next of poles"), -12, -8)
    saved(page)
    after = document(server, "Lane to the mill")["pieces"][2]["next"]
    assert after != before
    page.keyboard.press("Control+z")
    saved(page)


def middle_of(page, name):
    """The middle of a lit wall on the screen."""
    wall = page.get_by_role("button", name=name)
    return wall.evaluate(
        """face => {
          const places = [...face.points], matrix = face.getScreenCTM();
          const sum = places.reduce(([x, y], one) => [x + one.x, y + one.y], [0, 0]);
          const at = new DOMPoint(sum[0] / places.length, sum[1] / places.length);
          const there = at.matrixTransform(matrix);
          return [there.x, there.y];
        }"""
    )


def test_a_street_is_built_by_clicks_where_each_thing_belongs(watched, server):
    page = watched.go("prepare/new")
    page.get_by_role("button", name="New two-point sheet").click()
    page.get_by_role("button", name="Add a house").click()
    page.get_by_role("button", name="Put it in the middle").click()
    page.get_by_role("button", name="Next house", exact=True).click()
    # By keys: the plus at the left end, twice; what is in the hand stays there.
    for _ in range(2):
        before = lines_on(page)
        page.get_by_role("button", name="Next house at the left of").first.press("Enter")
        expect(page.locator(".desk .lines").first).not_to_have_attribute("data-lines", str(before))
    page.get_by_role("button", name="Done").click()
    page.get_by_role("button", name="Add windows").last.click()
    for house in ("house 1", "house 2", "house 3"):
        before = lines_on(page)
        page.mouse.click(*middle_of(page, f"Put it on the left wall of {house}"))
        expect(page.locator(".desk .lines").first).not_to_have_attribute("data-lines", str(before))
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Add a door").last.click()
    before = lines_on(page)
    page.mouse.click(*middle_of(page, "Put it on the right wall of house 1"))
    expect(page.locator(".desk .lines").first).not_to_have_attribute("data-lines", str(before))
    page.get_by_role("button", name="Done").click()
    saved(page)
    made = document(server, "New two-point exercise")["pieces"]
    assert [one["kind"] for one in made] == ["building", "row"]
    assert [one["look"] for one in made[0]["parts"]] == ["windows", "door"]
    assert [one["parts"][0]["look"] for one in made[1]["buildings"]] == ["windows"] * 2
    # A wall chooses its house, whose storeys are dragged and set by keys.
    storeys = page.get_by_role("slider", name="storeys of house 1")
    expect(storeys).to_be_visible()
    told = made[0]["parts"][0]["storeys"]
    storeys.press("ArrowDown")
    expect(storeys).to_have_attribute("aria-valuetext", f"{told + 1} storeys")
    drag(page, page.get_by_role("slider", name="peak of house 1"), 0, -40)
    saved(page)
    taller = document(server, "New two-point exercise")["pieces"][0]
    assert taller["parts"][0]["storeys"] == told + 1
    assert taller["roof"]["peak_mm"] > made[0]["roof"]["peak_mm"]


def test_a_house_of_a_row_has_a_roof_and_parts_of_its_own(watched, server):
    page = open_bench(watched, "The school corner")
    page.get_by_role("button", name="west", exact=False).first.click()
    page.locator("summary", has_text="hall").click()
    hall = page.locator("details", has=page.locator("summary", has_text="hall"))
    before = lines_on(page)
    hall.get_by_label("Roof").first.select_option("gable")
    expect(page.locator(".desk .lines").first).not_to_have_attribute("data-lines", str(before))
    before = lines_on(page)
    hall.get_by_role("button", name="Add windows").click()
    expect(page.locator(".desk .lines").first).not_to_have_attribute("data-lines", str(before))
    hall.locator("summary", has_text="windows 1").click()
    before = lines_on(page)
    hall.get_by_role("checkbox", name="Cut into the wall").click()
    expect(page.locator(".desk .lines").first).not_to_have_attribute("data-lines", str(before))
    saved(page)
    row = next(
        one for one in document(server, "The school corner")["pieces"] if one["id"] == "west"
    )
    made = next(one for one in row["buildings"] if one["id"] == "hall")
    assert made["roof"]["kind"] == "gable"
    assert made["parts"][0]["inset"]["along_mm"] == 5.0


def test_a_room_is_furnished_by_clicks_on_its_floor_and_walls_and_lit(watched, server):
    page = watched.go("prepare/new")
    page.get_by_role("button", name="New one-point sheet").click()
    page.get_by_role("button", name="Add a room").click()
    page.get_by_role("button", name="Put it in the middle").click()
    pieces = page.get_by_role("region", name="Pieces")
    expect(pieces.get_by_role("button", name="room 1")).to_be_visible()
    # A height is chosen once, at the back of the room.
    page.get_by_role("button", name="Add a height").click()
    page.get_by_label("Over the floor").fill("2")
    page.get_by_label("Over the floor").press("Enter")

    def put(button, across, down, card):
        paper = page.locator("rect.paper").bounding_box()
        page.get_by_role("button", name=button).click()
        page.mouse.click(paper["x"] + paper["width"] * across, paper["y"] + paper["height"] * down)
        expect(pieces.get_by_role("button", name=card)).to_be_visible()

    put("Add furniture", 0.4, 0.85, "furniture 1")
    page.get_by_role("combobox", name="Height").select_option("as high as “height 1”")
    put("Add tiles, a door, a picture", 0.12, 0.5, "panel 1")
    put("Add tiles, a door, a picture", 0.6, 0.9, "panel 2")
    page.get_by_label("Tone").select_option("light from the right")
    page.get_by_role("checkbox", name="Cast shadows").click()
    saved(page)
    room, table, window, tiles = document(server, "New one-point exercise")["pieces"]
    assert room["levels"] == {"height 1": 20}
    assert table["on"] == "room 1/floor" and table["height"]["level"] == "height 1"
    assert window["on"] == "room 1/left" and window["look"] == "window"
    assert tiles["on"] == "room 1/floor" and tiles["grid"] == [6, 8]
    told = document(server, "New one-point exercise")["tone"]
    surfaces = [f"room 1/{one}" for one in ("floor", "back", "left", "right")]
    assert told["light"] == "right" and told["cast"] == surfaces
    expect(page.get_by_text("Shadows and tone")).to_be_attached()
    # A sun is dragged where it stands.
    page.get_by_label("Tone").select_option("a sun behind us")
    sun = page.get_by_role("slider", name="Where the rays of the sun behind us meet")
    expect(sun).to_be_visible()
    sun.focus()
    page.keyboard.press("Shift+ArrowLeft")
    saved(page)
    light = document(server, "New one-point exercise")["tone"]["light"]
    assert light["kind"] == "sun" and light["x_mm"] == 0
