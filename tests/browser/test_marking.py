"""Marking photos and the register."""

from __future__ import annotations

import re
import zipfile

from playwright.sync_api import expect

from orthopsis.demo.scanner import scan_sheet
from tests.browser.pages import asked, drag
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
    # What is not saved yet is kept, whatever happens.
    page.reload()
    stack.get_by_role("button", name="Ada Thistle").click()
    expect(stack.get_by_role("button", name="Finn Barley")).to_contain_text("a draft, not saved")
    stack.get_by_role("button", name="Finn Barley").click()
    expect(words).to_have_value("Good guide lines. Use the set square for each upright.")
    verdict.get_by_role("button", name="Save", exact=True).click()
    expect(verdict.get_by_text("In the register.")).to_be_visible()
    page.get_by_role("link", name="Register").click()
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
    expect(verdict.get_by_role("region", name="The chosen line")).to_contain_text("on purpose")
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


def test_a_stack_is_marked_by_keys_and_each_mark_can_be_taken_back(watched, server):
    bell = next(one for one in asked(server, "lessons") if one["exercise_title"] == "Bell corner")
    page = watched.go("mark")
    for sheet in asked(server, f"lessons/{bell['id']}/sheets"):
        assert page.request.delete(f"{server.address}api/sheets/{sheet['id']}/mark").ok
    page.reload()
    choose_lesson(page, "Bell corner")
    stack = page.get_by_role("complementary", name="The stack")
    first, second = (stack.locator(".sheet").nth(k) for k in (0, 1))
    expect(first).to_have_attribute("aria-current", "true")
    names = [sheet.locator("strong").text_content() for sheet in (first, second)]
    page.keyboard.press("2")
    bar = page.get_by_role("region", name="To the pupil")
    expect(bar.get_by_role("radio", name="Nearly there")).to_be_checked()
    page.keyboard.press("Enter")
    expect(stack.get_by_role("button", name=names[0])).to_contain_text("Nearly there")
    # The marked one goes to the end, and the next to be marked is on the desk.
    expect(stack.get_by_role("button", name=names[1])).to_have_attribute("aria-current", "true")
    expect(stack.get_by_text(f"the mark of {names[0]}")).to_be_visible()
    page.keyboard.press("Control+z")
    back = stack.get_by_role("button", name=names[0])
    expect(back).to_have_attribute("aria-current", "true")
    expect(back).not_to_contain_text("Nearly there")
    # Two sheets of one pupil are asked about.
    bar.get_by_role("combobox", name="Pupil").select_option(label=names[1])
    bar.get_by_text("Sure of it").click()
    bar.get_by_role("button", name="Save and next").click()
    expect(bar.get_by_role("alert")).to_contain_text(f"{names[1]} has another sheet")
    bar.get_by_role("button", name="Look at the other").click()
    expect(stack.locator("[aria-current=true]")).to_contain_text(names[1])


def test_a_sheet_of_another_exercise_stands_aside_until_it_is_moved(watched, tmp_path):
    photo = tmp_path / "unknown.jpg"
    photo.write_bytes(scan_sheet(example("bell-corner"), 32)[0])
    page = watched.go("mark")
    page.locator("input[type=file]").set_input_files(photo)
    stack = page.get_by_role("complementary", name="The stack")
    sheet = stack.get_by_role("button", name="unknown.jpg")
    expect(sheet).to_contain_text("another exercise", timeout=40000)
    expect(stack.get_by_role("heading", name="Standing aside (1)")).to_be_visible()
    sheet.click()
    aside = page.get_by_role("region", name="This sheet stands aside")
    expect(aside).to_contain_text("This looks like “Bell corner”")
    expect(page.get_by_role("region", name="To the pupil")).to_have_count(0)
    expect(aside.get_by_label("It belongs to")).to_have_value(re.compile(r"\d+"))
    aside.get_by_role("button", name="Move it there").click()
    expect(stack.get_by_text("Moved to Bell corner")).to_be_visible()
    expect(sheet).to_have_count(0)
    choose_lesson(page, "Bell corner")
    expect(sheet).to_contain_text("to be marked")


def choose_lesson(page, title):
    field = page.get_by_label("Lesson")
    field.select_option(field.locator("option", has_text=title).get_attribute("value"))


def test_their_own_drawing_is_mended_and_the_class_seen_at_a_glance(watched):
    page = watched.go("mark")
    page.get_by_role("button", name="Cleo Marsh").click()
    page.get_by_role("button", name="Show it mended").click()
    expect(page.get_by_role("img", name="One place, enlarged")).to_be_visible()
    page.get_by_role("button", name="The true middle").click()
    expect(page.get_by_text("Where the diagonals cross is the middle")).to_be_visible()
    spread = page.get_by_role("button", name="Points further apart")
    expect(spread, "one point cannot be spread").to_have_count(0)
    choose_lesson(page, "Bell corner")
    page.get_by_role("button", name="Dario Quince").click()
    page.get_by_role("button", name="Show it mended").click()
    spread.click()
    page.get_by_label(re.compile("Spread")).fill("180")
    expect(page.get_by_text("both points 80 % further apart")).to_be_visible()
    page.reload()
    expect(page.get_by_role("button", name="Dario Quince")).to_have_attribute(
        "aria-current", "true"
    )
    choose_lesson(page, "Seed crates")
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
    expect(stack.get_by_text("taking notes.jpg from the stack")).to_be_visible()
    stack.get_by_role("button", name="Undo").click()
    expect(broken).to_be_visible()


def test_a_lesson_is_set_from_the_register(watched, server):
    page = watched.go("register")
    page.get_by_label("Set an exercise").select_option("The yard from the bell tower")
    page.get_by_role("button", name="Set it").click()
    expect(
        page.get_by_role("columnheader", name=re.compile("The yard from the bell tower"))
    ).to_be_visible()
    page.get_by_role("link", name="Mark", exact=True).click()
    expect(page.get_by_text("No sheet has been handed in yet.")).to_be_visible()


def test_a_class_is_begun_filled_and_put_away(watched):
    page = watched.go("register")
    page.get_by_role("button", name="New class").click()
    page.get_by_label("Name of the new class").fill("9 Hazel")
    page.get_by_role("button", name="Begin the class").click()
    page.get_by_label("Add pupils").fill("Ines Alder\n2. Jory Vale")
    page.get_by_role("button", name="Add these 2").click()
    page.get_by_role("button", name="Take off Jory Vale").click()
    expect(page.get_by_label("Name of Jory Vale")).to_have_count(0)
    # What is being typed stays typed while the list is drawn anew under it.
    page.route("**/api/classes", lambda route: None)
    with page.expect_request("**/api/classes"):
        page.get_by_role("button", name="Put back").click()
    field = page.get_by_label("Name of Ines Alder")
    field.fill("Ines Alder-Quill")
    page.unroute("**/api/classes")  # lets go what was held
    expect(page.get_by_label("Name of Jory Vale")).to_be_visible()
    expect(field).to_have_value("Ines Alder-Quill")
    field.press("Tab")
    expect(page.get_by_label("Name of Ines Alder-Quill")).to_be_visible()
    page.reload()
    page.get_by_role("button", name="Class list").click()
    expect(page.get_by_label("Name of Ines Alder-Quill")).to_be_visible()
    page.get_by_role("button", name="Put the class away").click()
    expect(page.get_by_text("9 Hazel was put away")).to_be_visible()
    expect(page.get_by_role("rowheader", name="Ada Thistle")).to_be_visible()
    page.reload()
    page.get_by_role("button", name="New class").click()
    page.get_by_role("button", name="Bring back 9 Hazel").click()
    expect(page.get_by_label("Name of Jory Vale")).to_be_visible()
    page.get_by_role("button", name="Put the class away").click()
    expect(page.get_by_text("9 Hazel was put away")).to_be_visible()


def test_a_zip_is_taken_apart_and_not_taken_twice(watched, tmp_path):
    page = watched.go("mark")
    stack = page.get_by_role("complementary", name="The stack")
    choose_lesson(page, "Bell corner")
    expect(stack.get_by_role("button", name="Cleo Marsh")).to_be_visible()
    expect(page).to_have_url(re.compile(r"sheet=\d+"))
    before = stack.locator("li").count()
    number = re.search(r"sheet=(\d+)", page.url)[1]
    photo = page.request.get(page.url.split("mark")[0] + f"api/sheets/{number}/photo").body()
    pack = tmp_path / "class.zip"
    with zipfile.ZipFile(pack, "w") as archive:
        archive.writestr("8 Rowan/Finn.jpg", photo + b"\0")
        archive.writestr("8 Rowan/notes.txt", b"no picture")
    page.locator("input[type=file]").set_input_files(pack)
    finn = stack.get_by_role("button", name="Finn Barley")
    expect(finn, "by the file's name").to_contain_text("to be marked")
    expect(stack.get_by_role("button", name="notes.txt")).to_contain_text("cannot be read")
    finn.click()
    expect(page.get_by_role("img", name=re.compile("Landing target of VP1"))).to_be_visible()
    page.locator("input[type=file]").set_input_files(pack)
    expect(page.get_by_text("Finn.jpg is on the stack already")).to_be_visible()
    expect(stack.locator("li")).to_have_count(before + 2)


def test_what_a_sheet_was_drawn_from_is_said_by_the_teacher(watched):
    page = watched.go("mark")
    choose_lesson(page, "FERN")
    panel = page.get_by_role("complementary", name="Verdict")
    counts = panel.locator(".counts")
    before = counts.text_content()
    word = page.get_by_label("Word on it")
    expect(word).to_have_value("")
    word.fill("ж?")
    word.press("Tab")
    expect(panel.get_by_role("alert")).to_contain_text("block letter")
    word.fill("pots")
    word.press("Tab")
    expect(word).to_have_value("POTS")
    expect(counts).not_to_have_text(before)
    word.fill("")
    word.press("Tab")
    expect(counts).to_have_text(before)


def test_any_drawing_is_looked_at_and_its_points_are_set_by_hand(watched, tmp_path):
    photo = tmp_path / "found in a book.jpg"
    photo.write_bytes(scan_sheet(example("bell-corner"), 33)[0])
    page = watched.go("mark")
    page.get_by_role("link", name="Any drawing or photograph").click()
    expect(page).to_have_title(re.compile("Any drawing or photograph"))
    page.locator("input[type=file]").set_input_files(photo)
    shown = page.get_by_role("complementary", name="What it shows")
    expect(shown.get_by_text(re.compile("lines meet in one point, VP2"))).to_be_visible()
    assert page.locator("line.read").count() > 10
    point = page.get_by_role("slider", name="Vanishing point VP2")
    drag(page, point, -40, 60)
    expect(shown.get_by_text("set by hand")).to_have_count(2)
    expect(shown.get_by_text(re.compile("lines meet in one point, VP2"))).to_have_count(0)
    shown.get_by_role("button", name="Add VP3").click()
    expect(page.get_by_role("slider", name="Vanishing point VP3")).to_be_visible()
    shown.get_by_role("button", name="Take it off").last.click()
    expect(page.get_by_role("slider", name="Vanishing point VP3")).to_have_count(0)
    shown.get_by_role("button", name="As it was found").click()
    expect(shown.get_by_text("set by hand")).to_have_count(0)
    page.reload()
    expect(shown.get_by_text(re.compile("% sure")).first).to_be_visible()
    page.get_by_role("button", name="Remove it").click()
    expect(page.get_by_text("No picture lies here.")).to_be_visible(timeout=6000)


def test_where_something_is_missing_a_ring_shows_the_place(watched, tmp_path):
    photo = tmp_path / "greta plum.jpg"
    photo.write_bytes(scan_sheet(example("seed-crates"), 34, ["missing"])[0])
    page = watched.go("mark")
    choose_lesson(page, "Seed crates")
    page.locator("input[type=file]").set_input_files(photo)
    stack = page.get_by_role("complementary", name="The stack")
    stack.get_by_role("button", name="Greta Plum").click()
    verdict = page.get_by_role("complementary", name="Verdict")
    expect(page.locator("circle.place")).to_have_count(0)
    verdict.get_by_role("button", name=re.compile("not to be found")).first.click()
    expect(page.locator("circle.place")).to_be_visible()
    # A sentence is said once, however often it is asked for.
    words = verdict.get_by_role("textbox", name="Words to the pupil")
    before = words.input_value()
    verdict.get_by_role("button", name="Say this").first.click()
    expect(words).to_have_value(before)
    page.keyboard.press("Escape")
    expect(page.locator("circle.place")).to_have_count(0)
