"""Drawings taken along: what the desk saves is what the command line writes."""

from __future__ import annotations

import io
import json
import zipfile

import pytest
from pypdf import PdfReader

from orthopsis.cli import main
from orthopsis.errors import ExerciseError
from orthopsis.exercise.load import from_data, parse
from orthopsis.exercise.resolve import resolve
from orthopsis.handout.archive import class_pack
from orthopsis.handout.export import FORMATS, MEDIA_TYPES, exported
from orthopsis.handout.order import Order, SheetFor
from tests.documents import EXAMPLE_NAMES, EXAMPLES, ONE_POINT, changed, example, scene_of
from tests.words import instruction


@pytest.mark.parametrize("step", [None, 4])
@pytest.mark.parametrize("form", ["svg", "dxf"])
def test_the_desk_saves_what_the_command_line_writes(form, step, tmp_path):
    out = tmp_path / f"drawing.{form}"
    more = [] if step is None else ["--step", str(step)]
    main(["draw", str(EXAMPLES / "seed-crates.json"), "--format", form, "-o", str(out), *more])
    ours, theirs = exported(example("seed-crates"), form, step), out.read_bytes()
    if form == "dxf":
        # The library writes the hour and fresh numbers around it: the drawing counts.
        parts = (text[text.index(b"ENTITIES") : text.index(b"OBJECTS")] for text in (ours, theirs))
        ours, theirs = parts
    assert ours == theirs


@pytest.mark.parametrize("name", EXAMPLE_NAMES)
def test_the_exercise_itself_comes_back_whole(name):
    scene = example(name)
    assert parse(exported(scene, "json")) == scene.exercise


def test_every_format_has_its_media_type():
    assert set(MEDIA_TYPES) == set(FORMATS)


@pytest.mark.parametrize("number", [0, 99])
def test_a_step_that_is_not_there_is_refused_with_those_that_are(number):
    for form in ("svg", "png", "dxf"):
        with pytest.raises(ExerciseError, match="none of the steps 1 to 9"):
            exported(example("seed-crates"), form, number)


def test_a_pack_has_each_part_alone_and_the_pupils_sheets():
    order = Order(("steps", "key", "strips"), per_page=6)
    pupils = (SheetFor("Ada", 1), SheetFor("Bram", 2))
    with zipfile.ZipFile(io.BytesIO(class_pack(example("bell-corner"), order, pupils))) as archive:
        pages = {
            name: len(PdfReader(io.BytesIO(archive.read(name))).pages)
            for name in archive.namelist()
            if name.endswith(".pdf")
        }
        assert pages == {"steps.pdf": 2, "key.pdf": 1, "strips.pdf": 1, "pupils.pdf": 2}
        assert archive.read("drawing.svg").startswith(b"<svg")


def test_depth_by_eye_changes_words_and_no_line():
    measured = scene_of(ONE_POINT, pieces__0__depth={"along_mm": 40})
    by_eye = scene_of(ONE_POINT, pieces__0__depth={"along_mm": 40, "by_eye": True})
    assert exported(measured, "svg") == exported(by_eye, "svg")
    simple = resolve(
        from_data(
            changed(
                ONE_POINT,
                pieces__0__depth={"fraction": 0.3, "by_eye": True},
                wording={"reading": "simple"},
            )
        )
    )
    from orthopsis.exercise.runthrough import run_through

    told = " ".join(instruction(step, by_eye.words) for step in run_through(by_eye))
    assert "Choose by eye how far back it goes" in told and "about 4 cm" in told
    told = " ".join(instruction(step, simple.words) for step in run_through(simple))
    assert "Choose how far back it goes." in told


@pytest.mark.parametrize("cut", [{"x_mm": 200}, {"true_mm": 60}])
def test_only_what_can_be_chosen_by_eye_is(cut):
    with pytest.raises(ExerciseError, match="by_eye is for along_mm and fraction"):
        from_data(changed(ONE_POINT, pieces__0__depth={**cut, "by_eye": True}))


@pytest.mark.parametrize(
    ("demand", "steps"), [("first steps", 6), ("standard", 9), ("stretch", 12)]
)
def test_the_command_line_prints_each_demand(demand, steps, tmp_path):
    out = tmp_path / "pack.pdf"
    main(["handout", str(EXAMPLES / "seed-crates.json"), "-o", str(out), "--pack", "steps",
          "--demand", demand])  # fmt: skip
    text = "".join(page.extract_text() for page in PdfReader(out).pages)
    assert f"{steps} steps" in text
    assert f"{steps}. Finish" in text


def test_the_command_line_prints_in_tiles_and_in_grey(tmp_path):
    out = tmp_path / "key.pdf"
    main(["handout", str(EXAMPLES / "bell-corner.json"), "-o", str(out), "--pack", "key,fan",
          "--paper", "Letter", "--grey", "--marks", "--per-page", "2"])  # fmt: skip
    pages = PdfReader(out).pages
    assert len(pages) == 8
    sizes = {tuple(sorted(round(float(v) / 72, 1) for v in p.mediabox[2:])) for p in pages}
    assert sizes == {(8.5, 11.0)}


def test_a_step_in_the_teachers_words_is_what_is_printed_and_counted(tmp_path, capsys):
    data = json.loads((EXAMPLES / "seed-crates.json").read_text())
    data["run"] = {"steps": {"/eye level": {"hidden": True},
                             "/points": {"title": "Where we look"}}}  # fmt: skip
    file = tmp_path / "own.json"
    file.write_text(json.dumps(data))
    main(["steps", str(file)])
    told = capsys.readouterr().out
    assert "1. Where we look" in told and "The eye level line (" not in told
    main(["steps", str(file), "--format", "json"])
    made = json.loads(capsys.readouterr().out)["steps"]
    assert (made[0]["hidden"], made[1]["title"]) == (True, "Where we look")
