"""What a teacher corrects: by number, taken back at will, and judged again without the photo."""

from __future__ import annotations

import json
import math

import pytest
from pydantic import ValidationError

from orthopsis.demo.scanner import scan_sheet
from orthopsis.errors import ExerciseError
from orthopsis.marking.corrections import Corrections, LineChange, carried, judged_again
from orthopsis.marking.judge import check_image, judge_strokes
from orthopsis.marking.judging.answer_key import answer_key, distances
from orthopsis.marking.judging.families import assign
from orthopsis.marking.judging.missing_edges import seek_missing, to_their_ends
from orthopsis.marking.judging.verdicts import STRETCH, STRICTNESS, Verdict
from orthopsis.marking.pencil.find_strokes import FoundStroke, lies_on_any
from orthopsis.marking.records import VerdictRecord, found_of, judged_record, kept_record
from tests.documents import ONE_POINT, example, scene_of
from tests.marking.test_findings import lines_of

SCENE = scene_of(ONE_POINT)
KEY = answer_key(SCENE)


@pytest.fixture(scope="module")
def sheet():
    data, _ = scan_sheet(SCENE, 7101, ["lean"], flat=True, form="png")
    return check_image(SCENE, data)


def by_number(verdict):
    return {line.assigned.found.number: line for line in verdict.strokes}


def off(verdict):
    return next(
        line.assigned.found.number for line in verdict.strokes if line.verdict is Verdict.OFF
    )


def test_without_corrections_the_verdict_is_the_same(sheet):
    again = judged_again(KEY, sheet.found, Corrections())
    assert judged_record(again) == judged_record(sheet)


def test_what_is_kept_of_a_sheet_is_enough_to_judge_it_again(sheet):
    import numpy as np

    text = json.dumps(kept_record(sheet, np.zeros((9, 9), np.uint8)).plain())
    kept = VerdictRecord.model_validate_json(text)
    found = found_of(kept.found)
    assert [stroke.number for stroke in found] == list(range(len(sheet.found)))
    again = judged_record(judged_again(KEY, found, Corrections()))
    for one, other in zip(again.strokes, kept.strokes, strict=True):
        assert one.verdict == other.verdict and one.family == other.family
        assert one.angle_deg == pytest.approx(other.angle_deg, abs=1e-3)


def test_each_correction_touches_one_line(sheet):
    number = off(sheet)
    plain = by_number(judged_again(KEY, sheet.found, Corrections()))
    meant = by_number(
        judged_again(KEY, sheet.found, Corrections(lines={number: LineChange(meant=True)}))
    )
    assert meant[number].meant and meant[number].verdict is Verdict.ON
    assert meant[number].angle_deg == plain[number].angle_deg, "the number stays true"
    assert {n: j.verdict for n, j in meant.items() if n != number} == {
        n: j.verdict for n, j in plain.items() if n != number
    }
    gone = by_number(
        judged_again(KEY, sheet.found, Corrections(lines={number: LineChange(dismissed=True)}))
    )
    assert set(plain) - set(gone) == {number}


def test_a_family_given_by_hand_is_judged_by_its_own_point(sheet):
    number = off(sheet)
    change = Corrections(lines={number: LineChange(family="VP1")})
    line = by_number(judged_again(KEY, sheet.found, change))[number]
    assert line.family == "VP1" and line.angle_deg > 10
    free = Corrections(lines={number: LineChange(family="free")})
    assert by_number(judged_again(KEY, sheet.found, free))[number].verdict is Verdict.STRAY


def test_a_line_drawn_by_hand_is_judged_like_any_other(sheet):
    goal = SCENE.vanishing_points[0].at.xy
    start = (goal[0] + 90, goal[1] + 60)
    toward = (start[0] - 30, start[1] - 20)
    right = judged_again(KEY, sheet.found, Corrections(added=[(start, toward)]))
    line = by_number(right)[len(sheet.found)]
    assert line.family == "VP1" and line.verdict is Verdict.ON
    number = off(sheet)
    found = sheet.found[number]
    upright = ((found.middle[0], found.start[1]), (found.middle[0], found.end[1]))
    moved = Corrections(lines={number: LineChange(moved=upright)})
    assert by_number(judged_again(KEY, sheet.found, moved))[number].verdict is Verdict.ON


@pytest.mark.parametrize(
    ("corrections", "field"),
    [
        (Corrections(lines={9999: LineChange(meant=True)}), "lines.9999"),
        (Corrections(lines={0: LineChange(family="VP7")}), "lines.0.family"),
        (Corrections(lines={0: LineChange(moved=((1, 1), (2, 1)))}), "lines.0.moved"),
        (Corrections(added=[((5, 5), (6, 5))]), "added"),
    ],
)
def test_what_cannot_be_is_refused_with_its_field(sheet, corrections, field):
    with pytest.raises(ExerciseError) as refusal:
        judged_again(KEY, sheet.found, corrections)
    assert refusal.value.path == field


@pytest.mark.parametrize(
    "data",
    [
        {"lines": {"1": {"wrong": True}}},
        {"lines": {"x": {"meant": True}}},
        {"added": [[[0, 0]]]},
        {"added": [[[0, 0], [math.inf, 0]]]},
        {"added": [[[0, 0], [9, 0]]] * 101},
        {"more": 1},
    ],
)
def test_corrections_are_bounded_and_known(data):
    with pytest.raises(ValidationError):
        Corrections.model_validate(data)


def test_every_demand_has_a_name_and_the_strictest_is_the_strictest(sheet):
    counts = []
    for demand in ("first steps", "standard", "stretch"):
        again = judged_again(KEY, sheet.found, Corrections(), STRICTNESS[demand])
        counts.append(sum(line.verdict is Verdict.ON for line in again.strokes))
    assert counts == sorted(counts, reverse=True)
    assert STRICTNESS["stretch"] is STRETCH


def test_a_line_on_the_prolongation_of_a_right_one_is_two_lines():
    """One edge to the wrong point may prolong another edge: both are seen."""
    scene = example("three-crates")
    key = answer_key(scene)
    lines = lines_of(scene)
    verdict = judge_strokes(key, lines)
    # A crate's edge to VP1, and the neighbouring edge of VP2 that starts where it ends.
    for a, one in enumerate(verdict.strokes):
        for b, other in enumerate(verdict.strokes):
            if {one.family, other.family} != {"VP1", "VP2"} or one.family != "VP1":
                continue
            p, q = one.assigned.found, other.assigned.found
            shared = min(
                ((x, y) for x in (p.start, p.end) for y in (q.start, q.end)),
                key=lambda pair: math.dist(*pair),
            )
            if math.dist(*shared) > 0.1 or min(p.length_mm, q.length_mm) < 25:
                continue
            far = p.end if shared[0] == p.start else p.start
            share = q.length_mm / p.length_mm
            beyond = (
                shared[0][0] + share * (shared[0][0] - far[0]),
                shared[0][1] + share * (shared[0][1] - far[1]),
            )
            prolonged = [line for n, line in enumerate(lines) if n not in (a, b)]
            prolonged.append(FoundStroke(far, beyond, 0.05, 1.0))
            again = judge_strokes(key, prolonged)
            wrong = [
                line for line in again.strokes if line.family == "VP2" and line.runs_to == "VP1"
            ]
            if wrong:
                codes = [f.code for f in again.findings]
                assert "wrong-point" in codes
                return
    raise AssertionError("no two such edges in the exercise")


def test_lost_edges_are_found_where_the_exercise_has_them():
    """On a felt pen's sheet many edges come in scraps; the second look puts them together."""
    scene = example("seed-crates")
    key = answer_key(scene)
    data, _ = scan_sheet(scene, 7102, flat=True, form="png")
    verdict = check_image(scene, data)
    flat = verdict.straightened
    whole = list(verdict.found)
    longest = max((s for s in whole if s.dark), key=lambda s: s.length_mm)
    # The longest edge is cut to a scrap of a tenth.
    (x0, y0), (x1, y1) = longest.start, longest.end
    scrap = FoundStroke(
        (x0, y0), (x0 + 0.1 * (x1 - x0), y0 + 0.1 * (y1 - y0)), 1.0, longest.darkness
    )
    lines = [s for s in whole if s is not longest] + [scrap]
    again = seek_missing(flat, assign(lines, key), key)
    assert lies_on_any(longest, again, 0.6)
    assert not any(stroke is scrap for stroke in again)


def test_ends_follow_the_pencil_and_stop_at_bare_paper():
    scene = example("seed-crates")
    data, truth = scan_sheet(scene, 7103, flat=True, form="png")
    verdict = check_image(scene, data)
    stroke = max((s for s in verdict.found if s.dark), key=lambda s: s.length_mm)
    (x0, y0), (x1, y1) = stroke.start, stroke.end
    shorter = FoundStroke(
        (x0 + 0.05 * (x1 - x0), y0 + 0.05 * (y1 - y0)), (x1, y1), 0.1, stroke.darkness
    )
    (again,) = to_their_ends(verdict.straightened, [shorter])
    assert math.dist(again.start, stroke.start) < 1.0
    assert truth["strokes"]


def test_distances_are_to_the_nearest_of_the_segments():
    import numpy as np

    segments = np.array([[0, 0, 10, 0], [0, 5, 10, 5]], float)
    assert distances([(5, 1), (5, 4), (13, 4)], segments) == pytest.approx([1, 1, math.hypot(3, 1)])
    assert np.isinf(distances([(0, 0)], np.empty((0, 4)))).all()


# --- a sheet that is judged anew ------------------------------------------------------------------

BEFORE = [
    FoundStroke((10.0, 10.0), (60.0, 10.0), 0.1, 1.0),
    FoundStroke((10.0, 40.0), (10.0, 90.0), 0.1, 1.0),
    FoundStroke((80.0, 20.0), (140.0, 55.0), 0.1, 1.0),
]
CHANGES = Corrections(
    lines={0: LineChange(meant=True), 2: LineChange(dismissed=True), 3: LineChange(family="VP1")},
    added=[((5.0, 5.0), (25.0, 5.0))],
    anyway=True,
)


def test_corrections_go_with_their_lines_under_other_numbers_and_the_other_way_round():
    now = [BEFORE[2], FoundStroke((60.6, 10.3), (9.5, 10.2), 0.1, 1.0), BEFORE[1]]
    again = carried(CHANGES, BEFORE, now)
    assert {n: change.meant for n, change in again.lines.items()} == {1: True, 0: False, 3: False}
    assert again.lines[0].dismissed and again.lines[3].family == "VP1"
    assert again.added == CHANGES.added and again.anyway


def test_a_line_that_is_not_found_again_takes_its_correction_with_it():
    again = carried(CHANGES, BEFORE, BEFORE[:2])
    assert set(again.lines) == {0, 2}, "the added line is number two now"
    assert again.lines[2].family == "VP1"


def test_where_the_sheet_lies_otherwise_nothing_is_put_in_a_wrong_place():
    moved = [s.between((s.start[0] + 20, s.start[1]), (s.end[0] + 20, s.end[1])) for s in BEFORE]
    again = carried(CHANGES, BEFORE, moved)
    assert again == Corrections(anyway=True)
    assert carried(CHANGES, BEFORE, []).overruled == 1
    assert CHANGES.overruled == 5 and Corrections().overruled == 0
