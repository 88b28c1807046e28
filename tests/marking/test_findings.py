"""Each thing a teacher says of a drawing, on exact lines with one fault put in by hand."""

from __future__ import annotations

import math
from dataclasses import replace

import numpy as np
import pytest

from orthopsis.exercise.resolve import picture, steps
from orthopsis.marking.findings.gather import RANK, in_order
from orthopsis.marking.findings.one import Finding
from orthopsis.marking.findings.photo import photo_findings
from orthopsis.marking.findings.unjudged import poor_photo
from orthopsis.marking.judge import judge_strokes
from orthopsis.marking.judging.answer_key import answer_key
from orthopsis.marking.judging.seen_faces import faces
from orthopsis.marking.mended import mended
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.marking.records import judged_record
from orthopsis.marking.sheet.find_sheet import FoundSheet
from orthopsis.marking.sheet.quality import Quality, quality
from orthopsis.marking.sheet.straighten import Straightened, as_jpeg
from orthopsis.perspective.plane import Point, join, meet
from orthopsis.perspective.sheet import Sheet
from orthopsis.perspective.stroke import Role
from orthopsis.phrase import Phrase
from tests.documents import ONE_POINT, TWO_POINT, example, scene_of
from tests.words import message


def lines_of(scene):
    """The finished drawing as a pupil without a fault would leave it."""
    return [
        FoundStroke(s.start, s.end, 0.05, 1.0)
        for s in picture(scene)
        if s.role is Role.OUTLINE and s.curve is None
    ]


def said(scene, lines, step=None):
    return judge_strokes(answer_key(scene, step), lines).findings


def codes(found):
    return [one.code for one in found if one.level != "praise"]


def the(scene, lines, family, longer=20.0):
    """The number of the first line of a family, and its ends."""
    verdict = judge_strokes(answer_key(scene), lines)
    for number, line in enumerate(verdict.strokes):
        if line.family == family and line.assigned.found.length_mm > longer:
            return number
    raise AssertionError(family)


def stretched(line, by_mm):
    (x0, y0), (x1, y1) = line.start, line.end
    share = by_mm / line.length_mm
    return replace(line, end=(x1 + share * (x1 - x0), y1 + share * (y1 - y0)))


@pytest.mark.parametrize("name", ["seed-crates", "bell-corner", "look-down-yard", "three-crates"])
def test_a_drawing_without_a_fault_is_only_praised(name):
    scene = example(name)
    found = said(scene, lines_of(scene))
    assert codes(found) == []
    assert found and all(one.level == "praise" for one in found)


@pytest.mark.parametrize(
    ("by_mm", "code"),
    [
        (4.0, "corner-overshoots"),
        (-4.0, "corner-gapes"),
        (2.0, None),
        (-2.0, None),
        (30.0, None),
    ],
)
def test_corners_that_gape_or_overshoot_by_more_than_the_pencil_can_tell(by_mm, code):
    scene = scene_of(ONE_POINT)
    lines = lines_of(scene)
    k = the(scene, lines, "VP1")
    lines[k] = stretched(lines[k], by_mm)
    found = said(scene, lines)
    assert codes(found) == ([code] if code else [])
    if code:
        (finding,) = [one for one in found if one.code == code]
        assert finding.level == "tidy" and finding.lines == (k,)
        assert math.dist(finding.where, lines[k].end) < 0.01
        assert "4 mm" in message(finding)


def test_an_edge_that_goes_on_as_the_next_edge_does_not_overshoot():
    scene = example("three-crates")
    assert "corner-overshoots" not in codes(said(scene, lines_of(scene)))


def shifted(line, dx, dy):
    (x0, y0), (x1, y1) = line.start, line.end
    return replace(line, start=(x0 + dx, y0 + dy), end=(x1 + dx, y1 + dy))


def test_a_right_edge_in_the_wrong_place_is_measured_again():
    scene = scene_of(ONE_POINT)
    lines = lines_of(scene)
    k = the(scene, lines, "vertical")
    lines[k] = shifted(lines[k], 3.6, 0)
    (finding,) = [one for one in said(scene, lines) if one.code == "misplaced"]
    assert "left edge" in message(finding) and finding.level == "fix"
    own = scene_of({**ONE_POINT, "given": "points"})
    assert "misplaced" not in codes(said(own, lines))


def test_back_corners_that_do_not_meet():
    scene = scene_of(TWO_POINT)
    lines = lines_of(scene)
    verdict = judge_strokes(answer_key(scene), lines)
    counts = {}
    for number, line in enumerate(verdict.strokes):
        for end in line.assigned.found.start, line.assigned.found.end:
            counts.setdefault((round(end[0]), round(end[1])), []).append(number)
    corner, meeting = max(counts.items(), key=lambda item: len(item[1]))
    assert len(meeting) == 3
    upright = next(n for n in meeting if verdict.strokes[n].family == "vertical")
    lines[upright] = shifted(lines[upright], 3.2, 0)
    found = [one for one in said(scene, lines) if one.code == "back-corner"]
    assert found and min(math.dist(one.where, corner) for one in found) < 2
    assert "opposite corner to opposite point" in message(found[0])


def test_forgotten_edges_and_guide_lines_are_counted():
    scene = scene_of(TWO_POINT)
    lines = lines_of(scene)
    k = the(scene, lines, "VP2")
    (finding,) = [o for o in said(scene, lines[:k] + lines[k + 1 :]) if o.code == "missing-edge"]
    assert message(finding).startswith("One edge is")
    # Half way, light lines are still on the sheet: one of four is forgotten.
    made = steps(scene)
    number = next(
        n
        for n, step in enumerate(made, 1)
        if sum(d.stroke.family == "VP1" and d.stroke.role is Role.GUIDE for d in step.strokes) >= 2
    )
    key = answer_key(scene, number)
    light = [FoundStroke(*e.stroke.segment, 0.05, 0.4, e.outline) for e in key.expected]
    assert codes(judge_strokes(key, light).findings) == []
    gone = next(n for n, e in enumerate(key.expected) if e.stroke.family == "VP1" and not e.outline)
    (finding,) = judge_strokes(key, light[:gone] + light[gone + 1 :]).findings[-1:]
    assert finding.code == "missing-guide" and "guide lines to VP1" in message(finding)


def test_construction_left_dark_is_told_once_with_its_number():
    scene = example("look-down-yard")
    key = answer_key(scene)
    guides = [
        FoundStroke(*e.stroke.segment, 0.05, 1.0)
        for e in key.expected
        if not e.outline and math.dist(*e.stroke.segment) > 30
    ]
    found = [o for o in said(scene, lines_of(scene) + guides) if o.code == "unerased"]
    assert len(found) == 1 and found[0].level == "tidy" and len(found[0].lines) >= 4


def test_a_middle_measured_by_ruler_is_not_the_perspective_middle():
    scene = example("pots-on-the-wall")
    key = answer_key(scene)
    assert key.middles, "letters in halves cross the diagonals of their face"
    lines = lines_of(scene)
    verdict = judge_strokes(key, lines)
    assert "not-the-middle" not in codes(verdict.findings)
    wrong = None
    for number, line in enumerate(verdict.strokes):
        edge = line.assigned.expected
        if edge is None or line.family != "vertical" or line.assigned.found.length_mm < 12:
            continue
        for middle in key.middles:
            (x0, y0), (_, y1) = edge.stroke.segment
            inside = min(y0, y1) < middle.at[1] < max(y0, y1)
            if inside and abs(middle.at[0] - x0) < 0.1:
                wrong = number
    assert wrong is not None
    lines[wrong] = shifted(lines[wrong], 3.0, 0)
    (finding,) = [o for o in said(scene, lines) if o.code == "not-the-middle"]
    assert "Cross the diagonals" in message(finding) and finding.lines == (wrong,)


def test_a_drawing_turned_as_a_whole_is_one_finding():
    scene = example("bell-corner")
    turn = math.radians(1.6)
    c, s = math.cos(turn), math.sin(turn)

    def turned(p):
        x, y = p[0] - 228, p[1] - 152
        return 228 + c * x - s * y, 152 + s * x + c * y

    lines = [replace(one, start=turned(one.start), end=turned(one.end)) for one in lines_of(scene)]
    found = said(scene, lines)
    assert codes(found).count("sheet-turned") == 1
    assert "upright-leans" not in codes(found)
    assert "clockwise" in message(next(o for o in found if o.code == "sheet-turned"))


def test_the_one_most_useful_correction_comes_first():
    def one(code, level):
        return Finding(code, level, (0, 0), Phrase("finding-" + code))

    mixed = [one("corner-gapes", "tidy"), one("missing-edge", "fix"), one("vp-moved", "fix")]
    assert [f.code for f in in_order(mixed)] == ["vp-moved", "missing-edge", "corner-gapes"]
    assert RANK["vp-moved"] < RANK["wrong-point"] < RANK["line-misses"] < RANK["missing-edge"]


def test_faces_are_the_pupils_own_and_their_middle_is_by_diagonals():
    scene = example("bell-corner")
    lines = [shifted(line, 2.0, -1.0) for line in lines_of(scene)]
    key = answer_key(scene)
    found = faces(key, judge_strokes(key, lines).strokes)
    assert len(found) >= 4
    for face in found:
        a, b, c, d = (Point(*corner) for corner in face.corners)
        crossing = meet(join(a, c), join(b, d)).xy
        assert math.dist(crossing, face.middle) < 1e-6
    # The building's large face recedes: the ruler's halfway is clearly beside the middle.
    assert math.dist(found[0].middle, found[0].halfway) > 1.5
    corner = min((c for face in found for c in face.corners), key=lambda c: c[1])
    top = min((p for line in lines for p in (line.start, line.end)), key=lambda p: p[1])
    assert math.dist(corner, top) < 0.01


def paper(dark=()):
    grey = np.full((600, 900), 230, np.uint8)
    for row in dark:
        grey[row : row + 3, 100:800] = 60
    return Straightened(grey, np.asarray(1.0 - grey / 230.0, np.float32), 6.0)


def test_the_right_line_is_drawn_beside_the_wrong_one_for_the_slip():
    scene = scene_of(ONE_POINT)
    lines = lines_of(scene)
    k = the(scene, lines, "vertical")
    x1, y1 = lines[k].end
    lines[k] = replace(lines[k], end=(x1 + 3.0, y1))
    record = judged_record(
        judge_strokes(answer_key(scene), [replace(line, number=n) for n, line in enumerate(lines)])
    )
    grey = np.full((1782, 2520), 240, np.uint8)
    flat = Straightened(grey, np.zeros(grey.shape, np.float32), 6.0)
    pictures = mended(as_jpeg(flat), scene.sheet.width_mm, record)
    assert pictures.whole[:2] == pictures.detail[:2] == b"\xff\xd8"
    good = judged_record(judge_strokes(answer_key(scene), lines_of(scene)))
    assert mended(as_jpeg(flat), scene.sheet.width_mm, good).detail is None


@pytest.mark.parametrize(
    ("seen", "why"),
    [
        (Quality(6.0, 0.05, 60.0, 1.0, "edges"), "blurred"),
        (Quality(6.0, 0.3, 60.0, 1.0, "edges"), "dark"),
        (Quality(2.0, 0.3, 200.0, 1.0, "edges"), "far away"),
        (Quality(6.0, 0.3, 200.0, 1.0, "edges"), None),
    ],
)
def test_of_a_photo_that_shows_too_little_its_worst_is_said(seen, why):
    said = poor_photo(Sheet(420, 297), photo_findings(seen, Sheet(420, 297), 1.0))
    assert (said is None) is (why is None)
    if said is not None:
        assert said.level == "ask" and why in message(said) and "again" in message(said)


def test_another_drawing_is_not_held_against_the_exercise_and_a_misplaced_one_is():
    scene = scene_of(TWO_POINT)
    other = judge_strokes(answer_key(scene), lines_of(scene_of(ONE_POINT)))
    assert other.unjudged and [one.code for one in other.findings] == ["another-exercise"]
    assert not other.strokes and {p.found for p in other.points} == {None}
    lines = lines_of(scene)
    shifted = [
        replace(one, start=(one.start[0] + 7, one.start[1]), end=(one.end[0] + 7, one.end[1]))
        for one in lines
    ]
    assert not judge_strokes(answer_key(scene), shifted).unjudged
    assert judge_strokes(answer_key(scene), lines[:1]).unjudged is False
    assert [f.code for f in judge_strokes(answer_key(scene), []).findings] == ["blank-sheet"]
    assert judge_strokes(answer_key(scene), [], anyway=True).findings[0].level == "praise"


@pytest.mark.parametrize(
    ("seen", "doubtful", "code"),
    [
        (Quality(6.0, 0.3, 200.0, 1.0, "edges"), 0.5, None),
        (Quality(2.0, 0.3, 200.0, 1.0, "edges"), 0.5, "photo-small"),
        (Quality(6.0, 0.3, 50.0, 1.0, "edges"), 0.5, "photo-dark"),
        (Quality(6.0, 0.05, 200.0, 1.0, "edges"), 0.5, "photo-blurred"),
        (Quality(6.0, 0.05, 50.0, 1.0, "edges"), 0.1, None),
    ],
)
def test_a_better_photo_is_asked_for_only_when_it_matters(seen, doubtful, code):
    found = photo_findings(seen, Sheet(420, 297), doubtful)
    assert [one.code for one in found] == ([code] if code else [])


def test_a_sharp_photo_is_told_from_a_blurred_one():
    import cv2

    sheet = Sheet(150, 100)
    whole = FoundSheet.by_hand(np.array([[0, 0], [900, 0], [900, 600], [0, 600]], float))
    sharp = paper([200, 300, 400])
    columns = np.ascontiguousarray(sharp.grey.T[:600, :600])
    grey = np.full((600, 900), 230, np.uint8)
    grey[:, :600] = columns
    blurred = cv2.GaussianBlur(grey, (0, 0), 6.0)
    results = []
    for picture_ in (grey, np.asarray(blurred, np.uint8)):
        flat = Straightened(picture_, np.asarray(1 - picture_ / 230.0, np.float32), 6.0)
        results.append(quality(picture_, whole, flat, sheet))
    assert results[0].sharpness > 2 * results[1].sharpness
    assert results[0].px_per_mm == pytest.approx(6.0, abs=0.01)
    assert results[0].light == pytest.approx(230, abs=1)
