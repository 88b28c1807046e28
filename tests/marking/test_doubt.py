"""How sure the judge is: what is looked at first, what is asked, and what is left unsaid."""

from __future__ import annotations

from dataclasses import replace

import pytest

from orthopsis.demo.scanner import scan_sheet
from orthopsis.exercise.runthrough import run_through
from orthopsis.marking import doubt
from orthopsis.marking.findings.photo import photo_findings
from orthopsis.marking.judge import judge_strokes, which_fits
from orthopsis.marking.judging.answer_key import answer_key
from orthopsis.marking.records import judged_record
from orthopsis.marking.sheet.photo import open_grey
from orthopsis.marking.sheet.quality import Quality
from orthopsis.perspective.sheet import Sheet
from tests.documents import ONE_POINT, TWO_POINT, example, scene_of
from tests.marking.test_findings_of_street import lines_of, pencil
from tests.words import PLAIN

CLEAR = Quality(6.0, 0.3, 210.0, 0.98, "edges")


def judged(scene, lines):
    return judge_strokes(answer_key(scene), [replace(one, number=n) for n, one in enumerate(lines)])


def reasons(verdict):
    return [one.says.id for one in verdict.doubts]


def test_of_a_right_sheet_nothing_is_doubtful():
    for document in (ONE_POINT, TWO_POINT):
        verdict = judged(scene_of(document), lines_of(scene_of(document)))
        assert verdict.doubts == [] and judged_record(verdict).sure == 1.0


def test_each_reason_makes_it_less_sure_and_is_said_with_its_number():
    scene = scene_of(TWO_POINT)
    lines = lines_of(scene)
    stray = [*lines, pencil((30.0, 20.0), (70.0, 60.0))]
    missing = lines[:-1]
    both = [*missing, pencil((30.0, 20.0), (70.0, 60.0))]
    assert reasons(judged(scene, stray)) == ["doubt-strays"]
    assert reasons(judged(scene, missing)) == ["doubt-missing"]
    sure = [judged_record(judged(scene, some)).sure for some in (lines, stray, missing, both)]
    assert sure[0] > max(sure[1:3]) >= min(sure[1:3]) > sure[3] > 0.0
    said = judged_record(judged(scene, both)).said(PLAIN).doubts
    assert ["One" in one.message for one in said] == [True, True]


def test_many_reasons_of_one_kind_weigh_no_more_than_they_may():
    scene = scene_of(TWO_POINT)
    strays = [pencil((20.0 + 9 * k, 15.0), (40.0 + 9 * k, 45.0)) for k in range(20)]
    verdict = judged(scene, [*lines_of(scene), *strays])
    assert max(one.weight for one in verdict.doubts) == doubt.MOST_FOR_LINES


@pytest.mark.parametrize(
    ("seen", "expected"),
    [
        (CLEAR, []),
        (replace(CLEAR, sure=0.5), ["doubt-sheet"]),
        (replace(CLEAR, sure=0.5, how="hand"), []),
        (replace(CLEAR, sharpness=0.02), ["doubt-photo"]),
        (replace(CLEAR, light=40.0, sure=0.4), ["doubt-photo", "doubt-sheet"]),
    ],
)
def test_a_photo_has_reasons_of_its_own_which_stay(seen, expected):
    doubts = doubt.of_photo(seen, photo_findings(seen, Sheet(420, 297), 1.0))
    assert [one.says.id for one in doubts] == expected
    assert all(one.of_photo for one in doubts)


def test_sureness_stays_between_nothing_and_all():
    assert doubt.sureness([]) == 1.0
    assert doubt.sureness([0.3, 0.25]) == 0.45
    assert doubt.sureness([0.6, 0.7]) == 0.0


# --- what is asked, and what is left --------------------------------------------------------------


def test_an_edge_of_which_a_part_is_seen_is_asked_about_and_not_missed():
    scene = scene_of(TWO_POINT)
    lines = lines_of(scene)
    (x0, y0), (x1, y1) = lines[0].start, lines[0].end

    def with_share(share):
        """The edge is under a line that mostly lies before it."""
        along = replace(
            lines[0],
            start=(x0 - (1 - share) * (x1 - x0), y0 - (1 - share) * (y1 - y0)),
            end=(x0 + share * (x1 - x0), y0 + share * (y1 - y0)),
        )
        return {one.code: one.level for one in judged(scene, [along, *lines[1:]]).findings}

    assert with_share(0.36).get("unsure-edge") == "ask"
    assert "missing-edge" not in with_share(0.36)
    assert with_share(0.1).get("missing-edge") == "fix"
    assert not {"missing-edge", "unsure-edge"} & set(with_share(0.95))


def test_a_single_guide_line_of_many_is_asked_about_and_of_few_is_missed():
    for name, step, level in (("pots-on-the-wall", 14, "ask"), ("seed-crates", 5, "fix")):
        scene = example(name)
        key = answer_key(scene, step)
        drawn = [
            replace(pencil(*one.stroke.segment), dark=one.outline, darkness=0.4)
            for one in key.expected
        ]
        guides = [n for n, one in enumerate(key.expected) if not one.outline]
        point = scene.vanishing_points[-1].name
        of_point = [n for n in guides if key.expected[n].stroke.family == point]
        levels = set()
        for left_out in of_point:
            lines = [line for n, line in enumerate(drawn) if n != left_out]
            said = judge_strokes(key, lines).findings
            levels |= {one.level for one in said if one.code == "missing-guide"}
        assert levels == {level}, (name, len(of_point))


def test_what_is_too_short_to_be_missed_is_not_blamed():
    scene = example("fern")
    key = answer_key(scene)
    short = next(one for one in key.expected if one.outline and one.may_lack)
    (x0, y0), (x1, y1) = short.stroke.segment
    turned = pencil((x0, y0), (x1, y1 + 0.35 * abs(x1 - x0) + 0.35 * abs(y1 - y0)))
    if abs(x1 - x0) < abs(y1 - y0):
        turned = pencil((x0, y0), (x1 + 0.35 * abs(y1 - y0), y1))
    others = [
        pencil(*one.stroke.segment) for one in key.expected if one.outline and one is not short
    ]
    said = [one.code for one in judged(scene, [*others, turned]).findings if one.level == "fix"]
    assert said == []


# --- another exercise -----------------------------------------------------------------------------


def test_of_some_exercises_the_one_that_was_drawn_is_known_either_way_up():
    names = ["seed-crates", "bell-corner", "three-crates"]
    keys = [answer_key(example(name)) for name in names]
    photo = open_grey(scan_sheet(example("bell-corner"), 32)[0])
    assert which_fits(photo, keys) == 1
    assert which_fits(photo[::-1, ::-1].copy(), keys) == 1
    assert which_fits(photo, [keys[0], keys[2]]) is None
    assert which_fits(photo, []) is None


def test_steps_hold_the_guide_lines_that_are_counted():
    """Outside truth for the two cases above: many guide lines to a point, and few."""
    many = run_through(example("pots-on-the-wall"))[:14]
    few = run_through(example("seed-crates"))[:5]
    count = [
        sum(
            drawn.fate != "keep" and drawn.stroke.family == point
            for s in made
            for drawn in s.strokes
        )
        for made, point in ((many, "VP2"), (few, "VP1"))
    ]
    assert count[0] > 8 >= count[1] >= 2
