"""Sizes that pupils choose are theirs: a right sheet with other sizes is told nothing."""

from __future__ import annotations

import random

import pytest

from orthopsis.demo.scanner import scan_sheet
from orthopsis.errors import ExerciseError
from orthopsis.exercise.change import with_changes
from orthopsis.exercise.demand import for_demand
from orthopsis.exercise.forgiveness import set_measures
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.resolve import picture, resolve
from orthopsis.marking.judge import Asked, check_grey, judge_strokes
from orthopsis.marking.judging.answer_key import answer_key
from orthopsis.marking.judging.measured import with_measures_of
from orthopsis.marking.judging.own_sizes import own_cuts, with_own_sizes
from orthopsis.marking.pencil.svg_lines import lines_of_svg
from orthopsis.marking.sheet.photo import open_grey
from orthopsis.perspective.stroke import Role
from orthopsis.pieces.describe import measure_label
from tests.documents import EXAMPLE_NAMES, ONE_POINT, changed, example, scene_of
from tests.words import PLAIN, message

SHEETS = [
    "seed-crates",
    "three-crates",
    "bins-at-the-gate",
    "look-down-yard",
    "bell-corner",
    "fern",
]


def lines_of(scene):
    """The finished drawing as an SVG of lines."""
    drawn = [s for s in picture(scene) if s.role is Role.OUTLINE and s.curve is None]
    lines = "".join(
        f'<line x1="{s.start[0]}" y1="{s.start[1]}" x2="{s.end[0]}" y2="{s.end[1]}"/>'
        for s in drawn
    )
    wide, high = scene.sheet.width_mm, scene.sheet.height_mm
    svg = (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide}mm" height="{high}mm" '
        f'viewBox="0 0 {wide} {high}">{lines}</svg>'
    )
    return lines_of_svg(svg.encode(), scene.sheet)


def first_steps(name):
    return for_demand(example(name).exercise, "first steps")


def chosen(exercise, seed):
    """The same with every depth that is left to the eye chosen anew."""
    rng, data = random.Random(seed), to_data(exercise)
    for piece in data["pieces"]:
        for cut in piece.values():
            if isinstance(cut, dict) and cut.get("by_eye"):
                cut["along_mm"] *= rng.uniform(0.55, 1.6)
    return resolve(from_data(data))


def fixes(verdict):
    return [one.code for one in verdict.findings if one.level == "fix"]


@pytest.mark.parametrize("name", SHEETS)
def test_depths_chosen_by_eye_are_no_mistakes(name):
    asked = first_steps(name)
    key = answer_key(resolve(asked))
    assert list(own_cuts(key.scene)), "the first steps leave depth to the eye"
    for seed in range(2):
        own = chosen(asked, seed)
        assert fixes(judge_strokes(key, lines_of(own))) == [], seed


def test_what_was_chosen_is_read_to_a_fraction_of_a_millimetre():
    asked = first_steps("look-down-yard")
    own = chosen(asked, 5)
    key = with_own_sizes(answer_key(resolve(asked)), lines_of(own))
    for read, drawn in zip(own_cuts(key.scene), own_cuts(own), strict=True):
        assert read.made_at(key.scene) == pytest.approx(drawn.made_at(own), abs=0.3)


@pytest.mark.parametrize(("mistakes", "codes"), [((), []), (("lean",), ["upright-leans"])])
def test_so_it_is_on_a_photo_and_a_fault_is_told_beside_it(mistakes, codes):
    asked = first_steps("seed-crates")
    photo, _ = scan_sheet(chosen(asked, 4), 4, mistakes)
    assert fixes(check_grey(Asked(answer_key(resolve(asked))), open_grey(photo))) == codes


def test_past_halfway_is_told_as_untidy_and_no_mistake():
    asked = changed(ONE_POINT, pieces__0__depth={"along_mm": 40, "by_eye": True})
    deep = changed(asked, pieces__0__depth={"fraction": 0.62})
    verdict = judge_strokes(answer_key(resolve(from_data(asked))), lines_of(scene_of(deep)))
    assert [(one.code, one.level) for one in verdict.findings if one.level != "praise"] == [
        ("past-halfway", "tidy")
    ]


def test_slopes_of_ones_own_house_are_not_held_against_the_points_of_the_sheet():
    """With the points alone given, a roof's slopes follow from sizes that are the pupil's own."""
    data = to_data(example("cottage-by-the-lane").exercise) | {"given": "points"}
    key = answer_key(resolve(from_data(data)))
    judged = 0
    for seed in range(8):
        rng, own = random.Random(seed), to_data(key.scene.exercise)
        house = own["pieces"][0]
        house["edge"]["top_mm"] -= rng.uniform(0, 20)
        house["roof"]["peak_mm"] *= rng.uniform(0.6, 1.4)
        house["left"]["x_mm"] += rng.uniform(-20, 20)
        try:
            drawn = resolve(from_data(own))
            picture(drawn)
        except ExerciseError:
            continue
        assert fixes(judge_strokes(key, lines_of(drawn))) == [], seed
        judged += 1
    assert judged > 4


def measured_otherwise(scene, measure, share):
    """The drawing of somebody who set one measure of it so much longer."""
    mm = share * measure.value / measure.per_mm
    return resolve(with_changes(scene.exercise, [measure.off(mm)]))


def told(verdict):
    return [message(one) for one in verdict.findings if one.level == "fix"]


@pytest.mark.parametrize(
    ("name", "number", "path", "share", "words"),
    [
        ("seed-crates", 0, ("depth", "true_mm"), 0.4, "Crate, “Depth”: 11.2 cm"),
        ("seed-crates", 1, ("front", "height_mm"), -0.3, "Tray, “Height”: 2.4 cm"),
        ("bell-corner", 0, ("right", "fraction"), 0.4, "Corner house, “Right side”: 17.6 cm"),
        ("look-down-yard", 1, ("left", "along_mm"), 0.5, "Hutch, “Left side”: 6 cm"),
        ("market-corner", 0, ("left", "along_mm"), 0.2, "Corner house, “Left side”: 7.2 cm"),
        ("three-crates", 0, ("right", "along_mm"), 0.5, "Middle, “Right side”: 12.7 cm"),
    ],
)
def test_one_wrong_measure_is_one_mistake(name, number, path, share, words):
    """All lines that follow from it are right for what was measured: nothing else is said."""
    scene = example(name)
    (measure,) = (m for m in set_measures(scene) if m.path == ("pieces", number, *path))
    verdict = judge_strokes(answer_key(scene), lines_of(measured_otherwise(scene, measure, share)))
    (said,) = told(verdict)
    assert said.startswith(words)
    assert f"{round(measure.value / measure.per_mm / 10, 1):g} cm in the exercise" in said


def test_a_wrong_measure_is_told_from_a_photo_beside_another_fault():
    scene = example("seed-crates")
    (measure,) = (m for m in set_measures(scene) if m.path == ("pieces", 0, "depth", "true_mm"))
    photo, _ = scan_sheet(measured_otherwise(scene, measure, 0.5), 7, ["lean"])
    verdict = check_grey(Asked(answer_key(scene)), open_grey(photo))
    assert fixes(verdict) == ["measured-otherwise", "upright-leans"]


@pytest.mark.parametrize("name", EXAMPLE_NAMES)
def test_a_right_drawing_is_measured_right_and_every_measure_has_a_name(name):
    scene = example(name)
    assert with_measures_of(answer_key(scene), lines_of(scene)).measured == ()
    for measure in set_measures(scene):
        if measure.path[0] == "pieces":
            label = measure_label(scene.exercise.pieces[measure.path[1]], measure.path[2:])
            assert PLAIN.say(label) not in ("", label.id)
