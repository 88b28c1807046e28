"""The house itself: the launcher, the rooms' signs, the documents that tell of it."""

from __future__ import annotations

import ast
import json
import re
import subprocess

import pytest

from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.resolve import picture, resolve, steps
from orthopsis.exercise.runthrough import run_through
from tests.documents import ROOT, example
from tests.words import title

ROOMS = sorted(path.parent for path in (ROOT / "src" / "orthopsis").glob("*/__init__.py"))


def launcher(*args):
    return subprocess.run(
        [ROOT / "orthopsis", *args], capture_output=True, text=True, check=False, cwd="/"
    )


def test_the_launcher_is_sound_bash_and_lists_its_verbs():
    assert subprocess.run(["bash", "-n", ROOT / "orthopsis"], check=False).returncode == 0
    shown = launcher("help")
    assert shown.returncode == 0
    for verb in ("demo", "serve", "stop", "test", "bench", "draw", "steps", "handout", "check"):
        assert verb in shown.stdout


def test_an_unknown_verb_is_refused_with_the_list():
    result = launcher("paint")
    assert result.returncode == 2
    assert "'paint' is unknown" in result.stderr
    assert "./orthopsis demo" in result.stderr


def test_an_unknown_part_of_the_tests_is_refused():
    result = launcher("test", "roof")
    assert result.returncode == 2
    assert "core, web, browser" in result.stderr


@pytest.mark.parametrize("room", ROOMS, ids=lambda path: path.name)
def test_every_room_says_what_lives_in_it(room):
    sign = ast.get_docstring(ast.parse((room / "__init__.py").read_text()))
    assert sign
    assert len(sign.splitlines()) >= 1
    assert room.name in (ROOT / "docs" / "architecture.md").read_text()


def test_every_example_in_the_format_page_is_accepted():
    """The views and pieces shown in the documentation draw and step as they stand."""
    page = (ROOT / "docs" / "exercise-format.md").read_text()
    parts = [json.loads(block) for block in re.findall(r"```json\n(.*?)```", page, re.DOTALL)]
    views = {part["kind"]: part for part in parts if "eye_level_mm" in part}
    pieces = [part for part in parts if "eye_level_mm" not in part and "steps" not in part]
    (run,) = [part for part in parts if "steps" in part]
    bell = resolve(from_data({**to_data(example("bell-corner").exercise), "run": run}))
    told = run_through(bell)
    assert told[0].hidden
    sides = [title(step) for step in told if step.phrase in ("box-left", "box-right")][-2:]
    assert sides == ["Bus shelter: the right side", "Bus shelter: the left side"]
    assert [piece["id"] for piece in pieces] == [
        "crate", "corner-house", "shed", "upper", "parcel", "big bin", "fern", "pots", "stair",
        "cottage", "bakery", "pavilion", "shop", "school", "tea room", "barn", "lane", "east",
        "poles", "hills", "planet", "hall", "nook", "pillar", "lamp", "niches", "tiles",
        "door", "table", "flight", "loft stairs",
    ]  # fmt: skip
    crate, house, shed, upper, parcel, drum, fern, pots, stair, *street = pieces
    cottage, bakery, pavilion, shop, school, tea_room, barn, lane, row, poles, hills, planet = (
        street[:12]
    )
    hall, nook, *in_rooms = street[12:]
    for kind, size, shown in (
        ("one-point", "A3", [crate]),
        ("one-point", "A3", [drum]),
        ("one-point", "A3", [fern]),
        ("one-point", "A3", [stair]),
        ("two-point", "12x18in", [house, parcel]),
        ("two-point", "12x18in", [pots]),
        ("two-point", "12x18in", [cottage, row]),
        ("two-point", "A3", [bakery]),
        ("two-point", "A3", [barn]),
        ("two-point", "A3", [shop]),
        ("two-point", "A3", [school]),
        ("two-point", "A3", [pavilion]),
        ("two-point", "A3", [tea_room]),
        ("one-point", "A3", [lane, hills, planet]),
        ("one-point", "A3", [hall, *in_rooms[:6]]),
        ("one-point", "A3", [in_rooms[6]]),
        ("one-point", "A3", [in_rooms[7]]),
        ("two-point", "12x18in", [nook]),
        ("two-point", "12x18in", [lane, poles]),
        ("three-point", "A3", [shed, upper]),
    ):
        data = {
            "format": "orthopsis-exercise", "version": 1, "title": "From the page",
            "sheet": {"size": size}, "view": views[kind], "pieces": shown,
        }  # fmt: skip
        scene = resolve(from_data(data))
        assert picture(scene)
        assert steps(scene)


def test_the_readmes_document_is_accepted_and_its_pictures_exist():
    readme = (ROOT / "README.md").read_text()
    (block,) = re.findall(r"```json\n(.*?)```", readme, re.DOTALL)
    assert picture(resolve(from_data(json.loads(block))))
    shown = set(re.findall(r"\((docs/[\w/.-]+)\)", readme))
    assert shown
    for path in shown:
        assert (ROOT / path).is_file(), path
    kept = {f"docs/screenshots/{p.name}" for p in (ROOT / "docs" / "screenshots").glob("*.png")}
    assert kept <= shown, "every kept picture is linked"


def test_no_module_has_grown_too_large_to_know():
    for path in (ROOT / "src").rglob("*.py"):
        assert len(path.read_text().splitlines()) <= 400, path.name
    for path in (ROOT / "frontend" / "src").rglob("*.vue"):
        assert len(path.read_text().splitlines()) <= 420, path.name


def test_colours_are_the_themes_variables():
    sources = (ROOT / "frontend" / "src").rglob("*")
    own = {"theme.ts", "base.css", "schema.d.ts"}
    for file in sources:
        if file.suffix in (".vue", ".ts", ".css") and file.name not in own | {"theme.test.ts"}:
            found = re.findall(r"#[0-9a-fA-F]{6}\b|\brgba?\(", file.read_text())
            assert not found, f"{file.name}: {found[0]} belongs into ui/base.css"


def imports_of(file):
    """The modules of ours that a file imports, also within functions and for types alone."""
    for node in ast.walk(ast.parse(file.read_text())):
        if isinstance(node, ast.ImportFrom) and node.module and node.level == 0:
            yield node.module
            yield from (f"{node.module}.{one.name}" for one in node.names)
        elif isinstance(node, ast.Import):
            yield from (one.name for one in node.names)


def test_no_modules_import_each_other_in_a_circle():
    source = ROOT / "src"
    files = {
        ".".join(file.relative_to(source).with_suffix("").parts): file
        for file in (source / "orthopsis").rglob("*.py")
        if file.name != "__init__.py"
    }
    waiting = {name: set(imports_of(file)) & files.keys() for name, file in files.items()}
    while free := [name for name, others in waiting.items() if not others & waiting.keys()]:
        for name in free:
            del waiting[name]
    assert not waiting, f"these import each other: {', '.join(sorted(waiting))}"
