"""The command line as a whole process: what it prints, what it refuses, what it leaves behind."""

from __future__ import annotations

import json
import os
import re
import subprocess
import sys

import pytest

from orthopsis.exercise.document import json_schema
from tests.documents import EXAMPLES, ONE_POINT, ROOT

CRATES = EXAMPLES / "seed-crates.json"


def run(*args, stdin=None, cwd=None):
    environment = {**os.environ, "PYTHONPATH": str(ROOT / "src")}
    return subprocess.run(
        [sys.executable, "-m", "orthopsis.cli", *map(str, args)],
        input=stdin, capture_output=True, cwd=cwd, env=environment, check=False,
    )  # fmt: skip


def refused(result):
    assert result.returncode == 2, result
    lines = result.stderr.decode().splitlines()
    assert len(lines) == 1, "one line on stderr"
    assert "Traceback" not in lines[0]
    return lines[0]


def test_draw_prints_the_contracted_record():
    record = json.loads(run("draw", CRATES).stdout)
    assert set(record) == {"sheet", "eye_level_mm", "vanishing_points", "strokes"}
    assert record["sheet"] == {"width_mm": 420, "height_mm": 297}
    assert record["vanishing_points"] == [{"name": "VP1", "x_mm": 220, "y_mm": 120}]
    assert {s["role"] for s in record["strokes"]} == {"outline", "hidden"}
    for stroke in record["strokes"]:
        assert set(stroke) == {"from", "to", "family", "role", "piece"}
        assert all(round(v, 6) == v for end in (stroke["from"], stroke["to"]) for v in end)


def test_the_same_document_is_drawn_the_same_every_time():
    assert run("draw", CRATES).stdout == run("draw", CRATES).stdout


def test_a_document_comes_in_by_standard_input_and_goes_out_by_standard_output():
    piped = run("draw", "-", stdin=CRATES.read_bytes(), cwd="/")
    assert piped.stdout == run("draw", CRATES, "-o", "-").stdout


def test_steps_print_the_contracted_record():
    steps = json.loads(run("steps", CRATES, "--format", "json").stdout)["steps"]
    assert [step["number"] for step in steps] == list(range(1, len(steps) + 1))
    for step in steps:
        assert {"number", "title", "instruction", "minutes", "marks", "strokes", "check"} <= set(
            step
        )
        for stroke in step["strokes"]:
            assert set(stroke) == {"from", "to", "family", "role", "piece", "fate"}
            assert (stroke["fate"] == "keep") == (stroke["role"] == "outline")


def test_steps_as_text_can_be_read_aloud():
    text = run("steps", CRATES).stdout.decode()
    assert text.startswith("Seed crates")
    assert "1. The eye level line (0.5 min)" in text
    assert re.search(r"Tray +20 cm +23.5 cm +13 cm +3.5 cm", text)


def test_draw_at_a_step_shows_the_sheet_at_that_moment():
    early = json.loads(run("draw", CRATES, "--step", 1).stdout)["strokes"]
    assert [s["family"] for s in early] == ["horizontal"]
    assert "13" not in refused(run("draw", CRATES, "--step", 99)).split("steps")[0]


@pytest.mark.parametrize(
    ("form", "start"), [("svg", b"<svg "), ("png", b"\x89PNG"), ("json", b"{")]
)
def test_draw_writes_each_format_to_a_file(tmp_path, form, start):
    out = tmp_path / f"out.{form}"
    assert run("draw", CRATES, "--format", form, "-o", out).returncode == 0
    assert out.read_bytes().startswith(start)
    assert [p.name for p in tmp_path.iterdir()] == [out.name], "no part file is left"


def test_handout_writes_a_pdf(tmp_path):
    out = tmp_path / "pages.pdf"
    assert run("handout", CRATES, "-o", out, "--pack", "key").returncode == 0
    assert out.read_bytes().startswith(b"%PDF")
    assert "'posters' is unknown" in refused(run("handout", CRATES, "-o", out, "--pack", "posters"))


def test_schema_prints_the_published_schema():
    assert json.loads(run("schema").stdout) == json_schema()


def test_a_fault_names_the_file_the_field_and_the_remedy(tmp_path):
    bad = tmp_path / "bad.json"
    bad.write_text(json.dumps({**ONE_POINT, "piezes": []}))
    line = refused(run("draw", bad))
    assert line == f"{bad}: piezes: unknown field; remove it or check its spelling"


def test_missing_files_and_unknown_verbs_are_refused_in_one_line(tmp_path):
    assert "cannot be read" in refused(run("draw", tmp_path / "none.json"))
    assert "invalid choice" in refused(run("paint", CRATES))
    assert "required" in refused(run("handout", CRATES))


def test_a_refused_document_leaves_an_old_result_alone(tmp_path):
    out = tmp_path / "out.json"
    out.write_text("old")
    refused(run("draw", "-", "-o", out, stdin=b"{}"))
    assert out.read_text() == "old"
    assert "cannot be written" in refused(run("draw", CRATES, "-o", tmp_path / "no" / "out.json"))


def test_a_device_is_written_to_and_never_replaced():
    assert run("draw", CRATES, "-o", "/dev/null").returncode == 0
    assert not os.path.isfile("/dev/null")


def test_draw_reads_no_heavy_library():
    code = (
        "import sys, runpy; sys.argv = ['x', 'draw', sys.argv[1]]\n"
        "runpy.run_module('orthopsis.cli', run_name='__main__')\n"
        "heavy = {'numba', 'shapely', 'scipy', 'numpy', 'cv2', 'fastapi', 'sqlalchemy'}\n"
        "sys.exit(str(heavy & set(sys.modules)) if heavy & set(sys.modules) else 0)"
    )
    environment = {**os.environ, "PYTHONPATH": str(ROOT / "src")}
    result = subprocess.run(
        [sys.executable, "-c", code, str(CRATES)], capture_output=True, env=environment, check=False
    )
    assert result.returncode == 0, result.stderr.decode()


def test_a_pupils_name_is_drawn_in_the_first_word():
    path = EXAMPLES / "pots-on-the-wall.json"
    record = json.loads(run("draw", path, "--text", "Ada").stdout)
    assert {s["piece"].split(":")[1] for s in record["strokes"]} == {"1", "2", "3"}
    steps = json.loads(run("steps", path, "--text", "ADA", "--format", "json").stdout)["steps"]
    assert any(step["title"] == "The outline: A (1st), D and A (3rd)" for step in steps)
    assert any(
        [row[0] for row in step.get("table", [])] == ["A (1st)", "D", "A (3rd)"] for step in steps
    )
    assert any(step["tried"] for step in steps)


def test_a_text_that_cannot_be_drawn_is_refused_with_the_file():
    path = EXAMPLES / "fern.json"
    assert "no block letter for 'Ж'" in refused(run("draw", path, "--text", "Жena"))
    assert "no piece has letters" in refused(run("draw", CRATES, "--text", "ADA"))


def test_toned_planes_are_printed_with_the_drawing():
    record = json.loads(run("draw", EXAMPLES / "moss-seen-from-below.json").stdout)
    assert {plane["value"] for plane in record["planes"]} <= {0, 1, 2, 3}
    assert {plane["piece"] for plane in record["planes"]} == {f"moss:{k}" for k in (1, 2, 3, 4)}
    svg = run("draw", EXAMPLES / "moss-seen-from-below.json", "--format", "svg").stdout.decode()
    assert svg.count('aria-label="value ') == len(record["planes"])


@pytest.mark.parametrize(
    ("limit", "work", "says"),
    [
        ("MOST_SECONDS = 1", "while True: sum(range(1000))", "took too long"),
        ("MOST_MEMORY = 400_000_000", "bytearray(10**9)", "too much memory"),
    ],
)
def test_what_takes_too_much_is_left_off_in_words(limit, work, says):
    program = (
        "import orthopsis.cli as cli\n"
        f"cli.{limit}\n"
        "def schema(args):\n"
        f"    'greedy'\n    {work}\n"
        "cli.schema = schema\n"
        "cli._bounded()\n"
        "cli.main(['schema'])\n"
    )
    done = subprocess.run(
        [sys.executable, "-c", program], capture_output=True, text=True, check=False,
        env={**os.environ, "PYTHONPATH": str(ROOT / "src")},
    )  # fmt: skip
    assert done.returncode == 2, done.stderr
    assert says in done.stderr and "Traceback" not in done.stderr
