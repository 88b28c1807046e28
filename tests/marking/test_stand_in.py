"""Whole sheets from the stand-in through the judge: what is caught, and what is wrongly blamed."""

from __future__ import annotations

import json
import math

import pytest

from orthopsis.demo.scanner import MISTAKES, scan_sheet
from orthopsis.marking.families import signed_turn_deg
from orthopsis.marking.judge import check_image
from orthopsis.marking.records import verdict_record
from orthopsis.perspective.plane import LEVEL, UPRIGHT
from tests.documents import example

# Seeds kept apart from any tuning of the judge.
SHEETS = [
    ("seed-crates", 101, (), False),
    ("seed-crates", 102, ("lean",), False),
    ("seed-crates", 103, ("high-vp",), True),
    ("bell-corner", 104, (), True),
    ("bell-corner", 105, ("stray", "lean"), False),
    ("bell-corner", 106, ("high-vp",), False),
]


@pytest.fixture(scope="module")
def judged():
    results = []
    for name, seed, mistakes, flat in SHEETS:
        scene = example(name)
        data, truth = scan_sheet(scene, seed, mistakes, flat=flat)
        results.append((scene, mistakes, truth, verdict_record(check_image(scene, data))))
    return results


def goal(scene, family):
    levels = {"vertical": UPRIGHT, "horizontal": LEVEL}
    return levels.get(family) or next(v.at for v in scene.vanishing_points if v.name == family)


def found_for(line, record):
    """The judged stroke that lies along a drawn line, if any."""
    a, b = line["from"], line["to"]
    size = math.dist(a, b)
    best, least = None, 1.6
    for stroke in record["strokes"]:
        reach = [
            ((p[0] - a[0]) * (b[0] - a[0]) + (p[1] - a[1]) * (b[1] - a[1])) / size
            for p in (stroke["from"], stroke["to"])
        ]
        off = max(
            abs((p[0] - a[0]) * (b[1] - a[1]) - (p[1] - a[1]) * (b[0] - a[0])) / size
            for p in (stroke["from"], stroke["to"])
        )
        overlap = min(max(reach), size) - max(min(reach), 0)
        if overlap > 0.5 * size and off < least:
            best, least = stroke, off
    return best


def outlines_of(results):
    for scene, _, truth, record in results:
        for line in truth["strokes"]:
            if line["role"] == "outline" and math.dist(line["from"], line["to"]) > 12:
                yield scene, line, record


def test_nearly_every_outline_is_found_in_its_family(judged):
    lines = [(line, found_for(line, record)) for _, line, record in outlines_of(judged)]
    found = [(line, stroke) for line, stroke in lines if stroke]
    assert len(found) >= 0.93 * len(lines)
    right = sum(stroke["family"] == line["family"] for line, stroke in found)
    assert right >= 0.96 * len(found)


def test_lines_that_are_clearly_off_are_caught_and_good_ones_are_not_blamed(judged):
    caught = missed = blamed = good = 0
    for scene, line, record in outlines_of(judged):
        stroke = found_for(line, record)
        if line["family"] == "free" or stroke is None:
            continue
        true_turn = abs(signed_turn_deg(line["from"], line["to"], goal(scene, line["family"])))
        if true_turn >= 1.6:
            caught += stroke["verdict"] == "off"
            missed += stroke["verdict"] != "off"
        elif true_turn <= 0.7:
            good += 1
            blamed += stroke["verdict"] == "off"
    assert caught >= 8
    assert caught >= 0.85 * (caught + missed)
    assert blamed <= max(1, 0.01 * good)


def test_each_mistake_has_its_finding(judged):
    codes = {
        "lean": "upright-leans",
        "high-vp": "vp-moved",
        "stray": "stray-line",
    }
    for scene, mistakes, _, record in judged:
        said = {finding["code"] for finding in record["findings"]}
        for mistake in mistakes:
            assert codes[mistake] in said, (scene.exercise.title, mistake, said)
        if "lean" not in mistakes:
            assert "upright-leans" not in said


def test_a_good_sheet_is_praised(judged):
    for _, mistakes, _, record in judged:
        levels = [finding["level"] for finding in record["findings"]]
        assert levels[0] == "praise"
        if not mistakes:
            counts = [s["verdict"] for s in record["strokes"]]
            assert counts.count("on") >= 0.75 * len(counts)


def test_the_meeting_points_are_found_close_by(judged):
    for _, mistakes, _, record in judged:
        for point in record["vanishing_points"]:
            if "high-vp" in mistakes:
                continue
            assert math.dist(point["found_mm"], point["intended_mm"]) < 9


def test_the_same_seed_gives_the_same_picture_and_another_seed_another():
    scene = example("seed-crates")
    first, truth = scan_sheet(scene, 5, flat=True)
    again, _ = scan_sheet(scene, 5, flat=True)
    other, _ = scan_sheet(scene, 6, flat=True)
    assert first == again
    assert first != other
    json.dumps(truth)


@pytest.mark.parametrize("mistake", MISTAKES)
def test_every_mistake_changes_what_was_drawn(mistake):
    _, truth = scan_sheet(example("bell-corner"), 9, [mistake], flat=True)
    wrong = [line for line in truth["strokes"] if line["mistake"] == mistake]
    assert wrong
    if mistake in ("lean", "wrong-vp", "stray"):
        assert len(wrong) == 1
