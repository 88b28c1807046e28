"""What a sheet was drawn from: a demand or an own word, by code, name or the teacher's word."""

from __future__ import annotations

import json

import numpy as np
import pytest

from orthopsis.cli import main
from orthopsis.demo.scanner import PhotoSetting, scan_sheet
from orthopsis.errors import ExerciseError
from orthopsis.exercise.load import to_data
from orthopsis.exercise.resolve import resolve
from orthopsis.exercise.task import SheetCode, Task, as_asked, has_word
from orthopsis.marking.judge import Asked, check_grey
from orthopsis.marking.judging.answer_key import answer_key
from orthopsis.marking.judging.verdicts import FIRST_STEPS, STANDARD
from orthopsis.marking.sheet.photo import open_photo
from tests.documents import ONE_POINT, example, scene_of


@pytest.mark.parametrize(
    ("text", "code"),
    [
        ("orthopsis:1:2", SheetCode(1, 2)),
        ("orthopsis:12:3:45", SheetCode(12, 3, 45)),
        ("orthopsis:12:3:f", SheetCode(12, 3, None, "first steps")),
        ("orthopsis:12:3:45:s", SheetCode(12, 3, 45, "stretch")),
    ],
)
def test_a_code_is_read_as_it_was_written(text, code):
    assert SheetCode.read(text) == code
    assert code.text == text
    assert len(text) <= 26, "what a QR code of 25 squares holds (ISO/IEC 18004, level M)"


@pytest.mark.parametrize(
    "text",
    ["", "orthopsis:1", "orthopsis:1:2:3:4", "orthopsis:x:1", "else:1:2:3", "orthopsis:1:2:",
     "orthopsis:1:2:3:x", "orthopsis:1:2:f:3"],
)  # fmt: skip
def test_a_foreign_code_is_none_of_ours(text):
    assert SheetCode.read(text) is None


def test_a_word_is_drawn_by_a_demand_with_the_whole_name():
    fern = example("fern").exercise
    assert has_word(fern) and not has_word(scene_of(ONE_POINT).exercise)
    own = as_asked(fern, Task("first steps", "ADA"))
    assert own.pieces[0].text == "ADA"
    assert as_asked(fern, Task("first steps")).pieces[0].text == "FE"
    assert as_asked(fern, Task()) is fern
    with pytest.raises(ExerciseError):
        as_asked(scene_of(ONE_POINT).exercise, Task(word="ADA"))


def asked_of(exercise, task, demand=STANDARD):
    return Asked(answer_key(resolve(as_asked(exercise, task))), demand, task)


def test_the_lines_tell_a_pupils_own_word_from_the_exercises():
    fern = example("fern").exercise
    tasks = Task(), Task(word="ADA")
    asked = [asked_of(fern, task) for task in tasks]
    for task, one in zip(tasks, asked, strict=True):
        grey = open_photo(scan_sheet(one.key.scene, 8101)[0]).grey
        verdict = check_grey(asked[0], grey, by_code=lambda _: asked)
        assert verdict.task == task
        off = [line for line in verdict.strokes if line.verdict == "off"]
        assert len(off) <= 1 and len(verdict.strokes) > 20
        assert "missing-edge" not in {f.code for f in verdict.findings}


def test_a_printed_code_tells_the_demand_before_the_lines_do():
    crates = example("seed-crates").exercise
    first = Task("first steps")
    code = SheetCode(4, 1, None, "first steps").text
    data, _ = scan_sheet(
        resolve(as_asked(crates, first)), 8103, setting=PhotoSetting(marks=True, code=code)
    )
    heard = []

    def by_code(said):
        heard.append(said)
        return [asked_of(crates, Task(said.demand), FIRST_STEPS)]

    verdict = check_grey(asked_of(crates, Task()), open_photo(data).grey, by_code=by_code)
    assert heard == [SheetCode(4, 1, None, "first steps")]
    assert verdict.task == first and verdict.reached is None
    # What is printed is no pencil: the code and the marks at the corners.
    width, height = verdict.straightened.grey.shape[::-1] / np.float64(6.0)
    for stroke in verdict.found:
        (x, y), inner = stroke.middle, 12.0
        assert not (x > width - 40.0 and y < 32.0)
        assert inner < x < width - inner or inner < y < height - inner
    assert {f.code for f in verdict.findings if f.level == "fix"} == set()


def test_the_command_line_holds_a_sheet_against_what_its_code_says(tmp_path, capsys):
    crates = example("seed-crates").exercise
    document, photo = tmp_path / "crates.json", tmp_path / "photo.jpg"
    document.write_text(json.dumps(to_data(crates)))
    code = SheetCode(4, 1, None, "first steps").text
    scene = resolve(as_asked(crates, Task("first steps")))
    photo.write_bytes(scan_sheet(scene, 8103, setting=PhotoSetting(marks=True, code=code))[0])
    said = []
    for more in ([], ["--demand", "first steps"], ["--demand", "standard"]):
        main(["check", str(document), str(photo), *more])
        said.append(capsys.readouterr().out)
    assert said[0] == said[1] != said[2]
