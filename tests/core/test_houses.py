"""Houses: both computations agree on them, and they are built as the trade builds them."""

from __future__ import annotations

import math
from itertools import pairwise

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.load import from_data
from orthopsis.exercise.records import steps_record
from orthopsis.exercise.resolve import picture, resolve, steps
from orthopsis.exercise.runthrough import run_through
from orthopsis.perspective.plane import Point, join, meet
from orthopsis.perspective.stroke import Role
from tests.agreement import difference, how_many_agree, kept, outlines
from tests.documents import changed, example
from tests.houses import COTTAGE, cottage, random_houses
from tests.words import instruction


@pytest.mark.parametrize("most_pieces", [1, 3])
@pytest.mark.parametrize("first", range(0, 240, 40))
def test_random_houses_agree(first, most_pieces):
    documents = (random_houses(seed, most_pieces) for seed in range(first, first + 40))
    assert how_many_agree(documents) > 6


def test_a_cottage_is_read_as_it_is_written_and_has_no_seam():
    scene = cottage()
    drawn = outlines(scene)
    assert difference(drawn, kept(scene)) == ([], [])
    # One pentagon: nothing is drawn from the gable wall's one top corner to the other.
    corners = {(240.0, 120.0), (320.0, 129.23)}
    ends = [{tuple(round(n, 2) for n in end) for end in line.segment} for line in drawn]
    assert corners not in ends
    windows = [line for line in drawn if line.family == "VP1"]
    assert len(windows) == 3 + 2 * 15, "eave, ridge and foot, heads and sills"


@pytest.mark.parametrize("far", ["roof point", "middle"])
@pytest.mark.parametrize("end", ["left", "right"])
def test_both_slopes_lead_to_the_roofs_own_point(end, far):
    # Handbook construction (from memory): it lies straight above the gable wall's point.
    scene = cottage(pieces__0__roof={"kind": "gable", "end": end, "peak_mm": 40, "far": far})
    slopes = [line for line in outlines(scene) if line.family.endswith("roof up")]
    one, other = (join(Point(*line.start), Point(*line.end)) for line in slopes)
    x, y = meet(one, other).xy
    assert math.isclose(x, 500 if end == "right" else -60, abs_tol=1e-6)
    points = {point.name: point.at.xy for point in scene.slope_points}
    up, down = points["cottage:roof up"], points["cottage:roof down"]
    assert math.isclose(y, up[1], abs_tol=1e-6)
    # Equal slopes: the other's point lies the same distance below the eye level.
    assert math.isclose(150 - up[1], down[1] - 150, abs_tol=1e-6)


def test_the_quick_far_slope_is_said_to_be_approximate_with_how_far_it_is_off():
    # Common practice, no published source: 15 to 25 mm on usual sheets.
    scene = cottage(pieces__0__roof__far="parallel")
    assert difference(outlines(scene), kept(scene)) == ([], [])

    def far_peak(one):
        ridge = min(
            (line for line in outlines(one) if line.family == "VP1"), key=lambda line: line.end[1]
        )
        return min(ridge.segment)

    off = math.dist(far_peak(cottage()), far_peak(scene))
    said = next(step for step in steps(scene) if step.phrase == "roof-far-parallel")
    assert "approximate" in instruction(said)
    assert f"{round(off) / 10:g} cm" in instruction(said)
    assert 10 < off < 30


def test_a_house_of_the_trade_has_its_measures():
    # Common practice, no published source: a two-point house on a sheet of 9 by 12 inches.
    inch = 25.4
    data = changed(COTTAGE, sheet={"size": "9x12in", "orientation": "landscape"})
    data["view"] = {"kind": "two-point", "eye_level_mm": (9 - 3.375) * inch,
                    "left_vp_mm": 0, "right_vp_mm": 12 * inch}  # fmt: skip
    data["pieces"] = [{
        "kind": "building", "id": "house", "standing": "ground",
        "edge": {"x_mm": 7.5 * inch, "top_mm": (9 - 3.375 - 2) * inch,
                 "bottom_mm": (9 - 3.375 + 1) * inch},
        "left": {"x_mm": 4.5 * inch}, "right": {"x_mm": 9.75 * inch},
        "roof": {"kind": "gable", "end": "right", "peak_mm": 2 * inch}, "parts": []}]  # fmt: skip
    scene = resolve(from_data(data))
    assert difference(outlines(scene), kept(scene)) == ([], [])
    uprights = [line for line in outlines(scene) if line.family == "vertical"]
    by_x = {round(line.start[0] / inch, 3): abs(line.end[1] - line.start[1]) / inch
            for line in uprights}  # fmt: skip
    assert by_x.keys() == {4.5, 7.5, 9.75}
    # From similar triangles at the points: 3 in × 4.5 / 7.5, and 3 in × 2.25 / 4.5.
    assert math.isclose(by_x[7.5], 3.0) and math.isclose(by_x[4.5], 1.8)
    assert math.isclose(by_x[9.75], 1.5)


@pytest.mark.parametrize("by", ["diagonal", "marks"])
def test_bays_are_equal_in_truth_however_they_are_found(by):
    scene = cottage(pieces__0__parts__0__bays={"count": 4, "pier": 1, "open": 1, "by": by})
    assert difference(outlines(scene), kept(scene)) == ([], [])
    uprights = sorted(
        {round(line.start[0], 6) for line in outlines(scene)
         if line.family == "vertical" and 121 < line.start[0] < 239},
        reverse=True,
    )  # fmt: skip
    # Equal steps run away as equal steps of 1 / distance to the point (cross ratios).
    inverse = [1.0 / (x + 60.0) for x in [240.0, *uprights, 120.0]]
    gaps = [b - a for a, b in pairwise(inverse)]
    assert len(gaps) == 9
    assert max(gaps) - min(gaps) < 1e-9


def test_the_lesson_of_a_cottage_is_short_and_introduces_what_it_uses():
    made = run_through(example("cottage-by-the-lane"))
    assert len(made) <= 18
    said = " ".join(instruction(step) for step in made)
    assert "the roof’s own point" in said and "tape a second sheet" in said
    assert sum(step.minutes for step in made) < 40


def test_what_cannot_be_built_is_refused_by_its_field():
    wrong = {
        "pieces[0].parts.door.height_mm": {"pieces__0__parts__1__height_mm": 96},
        "pieces[0].parts.door.to": {"pieces__0__parts__1__to": {"fraction": 0.6}},
        "pieces[0].roof.end": {"pieces__0__roof__end": "front"},
        "pieces[0].parts[1].height_mm": {"pieces__0__parts__1__height_mm": None},
        "pieces[0].parts": {"pieces__0__parts__1__id": "panes"},
    }
    for path, fields in wrong.items():
        with pytest.raises(ExerciseError) as refused:
            scene = cottage(**fields)
            picture(scene)
        assert refused.value.path == path, refused.value


def test_a_house_hides_what_stands_behind_it():
    scene = cottage()
    box = {"kind": "box", "id": "shed", "standing": "ground",
           "edge": {"x_mm": 250, "top_mm": 130, "bottom_mm": 180},
           "left": {"along_mm": 60}, "right": {"along_mm": 60}}  # fmt: skip
    both = resolve(from_data({**COTTAGE, "pieces": [*COTTAGE["pieces"], box]}))
    assert difference(outlines(both), kept(both)) == ([], [])
    shed = [line for line in picture(both) if str(line.part) == "shed"]
    assert all(line.role is Role.HIDDEN for line in shed)
    assert len(outlines(both)) == len(outlines(scene))


def test_a_roofs_point_off_the_sheet_is_found_on_a_second_sheet_taped_on():
    scene = example("cottage-by-the-lane")
    made = steps(scene)
    (found,) = [step for step in made if step.phrase == "roof-point"]
    (far,) = [step for step in made if step.phrase == "roof-far-point"]
    up = min(point.at.y for point in scene.slope_points)
    (taped,) = found.beyond
    left, top, right, bottom = taped.paper
    assert far.beyond == found.beyond, "it stays until the roof is finished"
    vp2 = next(vp.at for vp in scene.vanishing_points if vp.name == "VP2")
    assert left < vp2.x < right and top < up < bottom and up < 0.0
    for (x0, y0), (x1, y1) in taped.lines:
        # Both go through the point and a little past it, and begin where the first sheet ends.
        assert abs((x1 - x0) * (up - y0) - (y1 - y0) * (vp2.x - x0)) < 1e-6
        assert math.dist((x0, y0), (x1, y1)) > math.dist((x0, y0), (vp2.x, up)) + 5.0
        assert x0 >= 420.0 - 1e-6 or y0 <= 1e-6
    (record,) = (
        one for one in steps_record(scene, made).steps if one.beyond and "own point" in one.title
    )
    assert record.beyond[0].paper == pytest.approx(taped.paper)
    assert all(not step.beyond for step in made if step not in (found, far))


def test_a_roofs_point_on_the_sheet_needs_no_second_one():
    scene = cottage(view__right_vp_mm=410, pieces__0__roof__peak_mm=25)
    (found,) = [step for step in steps(scene) if step.phrase == "roof-point"]
    assert found.moves
    assert not any(step.beyond for step in steps(scene))
