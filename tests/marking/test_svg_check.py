"""Exact lines through the judge: no eye between, so the verdicts are exact."""

from __future__ import annotations

import math

import pytest

from orthopsis.errors import ImageError
from orthopsis.exercise.load import to_data
from orthopsis.exercise.resolve import picture, steps
from orthopsis.handout.figure import picture_figure
from orthopsis.handout.svg import to_svg
from orthopsis.marking.judge import check_image
from orthopsis.marking.pencil.svg_lines import lines_of_svg
from orthopsis.marking.records import verdict_record, verdict_text
from orthopsis.perspective.segments import on_border
from orthopsis.perspective.sheet import Sheet
from tests.agreement import outlines
from tests.documents import ONE_POINT, TWO_POINT, changed, example, scene_of
from tests.words import PLAIN, instruction


def svg(lines, width=420, height=297, attributes='width="420mm" viewBox="0 0 420 297"'):
    body = "".join(
        f'<line x1="{a[0]}" y1="{a[1]}" x2="{b[0]}" y2="{b[1]}" stroke="black"/>' for a, b in lines
    )
    return f'<svg xmlns="http://www.w3.org/2000/svg" {attributes}>{body}</svg>'.encode()


def judged(scene, lines, **kwargs):
    return verdict_record(check_image(scene, svg(lines), **kwargs), PLAIN).plain()


def segments(scene):
    return [line.segment for line in outlines(scene)]


def turned(segment, degrees):
    (x0, y0), (x1, y1) = segment
    mx, my = (x0 + x1) / 2, (y0 + y1) / 2
    c, s = math.cos(math.radians(degrees)), math.sin(math.radians(degrees))
    turn = lambda x, y: (mx + c * (x - mx) - s * (y - my), my + s * (x - mx) + c * (y - my))  # noqa: E731
    return turn(x0, y0), turn(x1, y1)


@pytest.mark.parametrize("data", [ONE_POINT, TWO_POINT], ids=["one point", "two points"])
def test_our_own_drawing_is_right_in_every_line(data):
    scene = scene_of(data)
    drawn = to_svg(picture_figure(scene, picture(scene))).encode()
    record = verdict_record(check_image(scene, drawn), PLAIN).plain()
    assert record["sheet_found"]
    assert {stroke["verdict"] for stroke in record["strokes"]} == {"on"}
    assert max(stroke["angle_deg"] for stroke in record["strokes"]) < 1e-4
    assert not [f for f in record["findings"] if f["level"] != "praise"]
    for point in record["vanishing_points"]:
        assert point["found_mm"] == pytest.approx(point["intended_mm"], abs=1e-3)


def test_the_record_is_the_contracted_one():
    record = judged(scene_of(ONE_POINT), segments(scene_of(ONE_POINT)))
    assert set(record) == {"sheet_found", "strokes", "vanishing_points", "findings"}
    for stroke in record["strokes"]:
        assert set(stroke) == {"from", "to", "family", "miss_mm", "angle_deg", "verdict"}
        levels = stroke["family"] in ("vertical", "horizontal")
        assert (stroke["miss_mm"] is None) == levels
    for finding in record["findings"]:
        assert set(finding) == {"code", "level", "where", "message"}


@pytest.mark.parametrize(
    ("degrees", "verdict"),
    [(0.79, "on"), (0.81, "near"), (1.19, "near"), (1.21, "off"), (-0.79, "on"), (-1.21, "off")],
)
@pytest.mark.parametrize("family", ["VP1", "vertical", "horizontal"])
def test_the_tolerances_are_exact(degrees, verdict, family):
    scene = scene_of(ONE_POINT)
    lines = outlines(scene)
    k = next(i for i, line in enumerate(lines) if line.family == family)
    changed = [
        turned(line.segment, degrees) if i == k else line.segment for i, line in enumerate(lines)
    ]
    stroke = min(
        judged(scene, changed)["strokes"], key=lambda s: abs((s["angle_deg"] or 0) - abs(degrees))
    )
    assert stroke["family"] == family
    assert stroke["verdict"] == verdict
    assert stroke["angle_deg"] == pytest.approx(abs(degrees), abs=1e-4)


def test_how_far_a_line_passes_its_point():
    scene = scene_of(ONE_POINT)
    lines = outlines(scene)
    k = next(i for i, line in enumerate(lines) if line.family == "VP1")
    line = lines[k].segment
    middle = ((line[0][0] + line[1][0]) / 2, (line[0][1] + line[1][1]) / 2)
    changed = [turned(one.segment, 3) if i == k else one.segment for i, one in enumerate(lines)]
    worst = max(judged(scene, changed)["strokes"], key=lambda s: s["angle_deg"] or 0)
    assert worst["miss_mm"] == pytest.approx(
        math.dist(middle, (210, 100)) * math.sin(math.radians(3)), abs=1e-3
    )


def moved(scene, name, dx, dy):
    """All lines of a family aimed from their nearer ends at another point."""
    vp = next(vp.at for vp in scene.vanishing_points if vp.name == name)
    result = []
    for line in outlines(scene):
        if line.family != name:
            result.append(line.segment)
            continue
        near, far = sorted(line.segment, key=lambda end: -math.dist(end, vp.xy))
        goal = vp.x + dx, vp.y + dy
        size, way = math.dist(near, far), math.dist(near, goal)
        result.append(
            (near, tuple(n + (g - n) * size / way for n, g in zip(near, goal, strict=True)))
        )
    return result


def test_a_point_of_ones_own_is_one_finding_and_each_line_gets_its_own_angle():
    scene = scene_of(ONE_POINT)
    record = judged(scene, moved(scene, "VP1", 0, -20))
    fixes = [f for f in record["findings"] if f["level"] == "fix"]
    assert [f["code"] for f in fixes] == ["vp-moved"]
    assert "2 cm above VP1" in fixes[0]["message"]
    assert record["vanishing_points"][0]["found_mm"] == pytest.approx([210, 80], abs=0.01)
    for stroke in record["strokes"]:
        if stroke["family"] == "VP1":
            assert stroke["own_deg"] < 1e-3
            assert stroke["angle_deg"] > 0.8


@pytest.mark.parametrize(
    ("dx", "dy", "words"),
    [(30, 0, "3 cm to the right of VP1"), (-15, 15, "1.5 cm below and 1.5 cm to the left of VP1")],
)
def test_where_their_own_point_lies_is_said_in_words(dx, dy, words):
    record = judged(scene_of(ONE_POINT), moved(scene_of(ONE_POINT), "VP1", dx, dy))
    assert any(words in finding["message"] for finding in record["findings"])


def test_a_line_to_the_other_point_keeps_its_family_and_is_off():
    scene = scene_of(TWO_POINT)
    lines = outlines(scene)
    k = max(
        (i for i, line in enumerate(lines) if line.family == "VP1"),
        key=lambda i: math.dist(*lines[i].segment),
    )
    near, far = sorted(lines[k].segment, key=lambda end: -end[0])
    wrong = (near, (far[0], near[1] + (near[1] - far[1]) * 0.6))
    changed = [wrong if i == k else line.segment for i, line in enumerate(lines)]
    record = judged(scene, changed)
    worst = max(record["strokes"], key=lambda s: s["angle_deg"] or 0)
    assert (worst["family"], worst["verdict"]) == ("VP1", "off")
    assert "wrong-point" in {f["code"] for f in record["findings"]}


def test_a_line_of_no_family_is_a_stray_with_no_numbers():
    scene = scene_of(ONE_POINT)
    record = judged(scene, [*segments(scene), ((300, 200), (340, 230))])
    stray = next(s for s in record["strokes"] if s["verdict"] == "stray")
    assert (stray["family"], stray["miss_mm"], stray["angle_deg"]) == ("free", None, None)
    assert record["findings"][-1]["level"] == "tidy"


def test_forgotten_edges_are_counted():
    scene = scene_of(ONE_POINT)
    record = judged(scene, segments(scene)[:-2])
    finding = next(f for f in record["findings"] if f["code"] == "missing-edge")
    assert finding["message"].startswith("2 edges are not to be found")


def test_a_half_finished_sheet_is_not_blamed_for_what_is_not_due():
    scene = scene_of(ONE_POINT)
    front = [((60, 160), (120, 160)), ((120, 160), (120, 210)), ((120, 210), (60, 210)),
             ((60, 210), (60, 160)), ((0, 100), (420, 100))]  # fmt: skip
    at_step = judged(scene, front, step=3)
    assert not [f for f in at_step["findings"] if f["level"] == "fix"]
    whole = judged(scene, front)
    assert "missing-edge" in {f["code"] for f in whole["findings"]}
    with pytest.raises(ImageError, match="none of the steps"):
        check_image(scene, svg(front), 40)


def test_praise_is_said_first_and_there_is_always_some():
    scene = scene_of(ONE_POINT)
    for lines in (segments(scene), [turned(s, 5) for s in segments(scene)]):
        findings = judged(scene, lines)["findings"]
        assert findings[0]["level"] == "praise"
        levels = [f["level"] for f in findings]
        assert levels == sorted(levels, key=["praise", "fix", "tidy"].index)


def test_words_for_the_command_line():
    scene = scene_of(ONE_POINT)
    text = verdict_text(check_image(scene, svg(segments(scene))), PLAIN)
    assert text.splitlines()[0] == f"{len(segments(scene))} on, 0 near, 0 off, 0 stray"
    assert "VP1 (210, 100 mm): 3 lines, meet at 210, 100 mm" in text


@pytest.mark.parametrize(
    ("attributes", "scale"),
    [
        ('width="420mm" viewBox="0 0 420 297"', 1.0),
        ('width="42cm" viewBox="0 0 4200 2970"', 0.1),
        ('width="210mm" viewBox="0 0 420 297"', 0.5),
        ('viewBox="0 0 840 594"', 0.5),
        ("", 1.0),
        ('width="1000"', 25.4 / 96),
    ],
)
def test_millimetres_follow_from_width_and_view_box(attributes, scale):
    (stroke,) = lines_of_svg(svg([((10, 20), (110, 20))], attributes=attributes), Sheet(420, 297))
    assert stroke.start == pytest.approx((10 * scale, 20 * scale))
    assert stroke.length_mm == pytest.approx(100 * scale)


def test_paths_and_polylines_are_lines_too():
    body = (
        '<polyline points="0,0 50,0 50,50" fill="none"/><path d="M 10 10 L 60 10 L 60 40"/>'
        '<path d="M0 0 C 1 2 3 4 5 6"/><polygon points="1,1 2,1 2,2" fill="red"/>'
    )
    data = f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 420 297">{body}</svg>'.encode()
    assert len(lines_of_svg(data, Sheet(420, 297))) == 4


@pytest.mark.parametrize(
    ("data", "says"),
    [
        (b"<svg", "broken"),
        (b'<!DOCTYPE svg [<!ENTITY a "b">]><svg/>', "document type"),
        (b'<svg><g transform="scale(2)"/></svg>', "transform"),
        (b'<svg><line x1="a"/></svg>', "no numbers"),
    ],
)
def test_unusable_svg_is_refused_with_a_remedy(data, says):
    with pytest.raises(ImageError, match=says):
        lines_of_svg(data, Sheet(420, 297))


def panes(freehand):
    """The cottage, its panes drawn by hand or with the ruler, and which of its lines they are."""
    data = to_data(example("cottage-by-the-lane").exercise)
    data["pieces"][0]["parts"][0]["freehand"] = freehand
    scene = scene_of(data)
    by_hand = scene_of(changed(data, pieces__0__parts__0__freehand=True)).by_hand
    assert len(by_hand) == 6

    def within(segment):
        return any(all(on_border(end, [outline]) for end in segment) for outline in by_hand)

    lines = segments(scene)
    return scene, lines, [k for k, line in enumerate(lines) if within(line)]


@pytest.mark.parametrize("as_drawn", ["askew", "left out"])
def test_what_is_drawn_by_hand_is_never_blamed(as_drawn):
    scene, lines, hand = panes(True)
    assert len(hand) == 24
    (told,) = [step for step in steps(scene) if step.phrase == "panel-openings"]
    assert "by hand, without the ruler" in instruction(told)
    if as_drawn == "askew":
        drawn = [turned(one, 5.0) if k in hand else one for k, one in enumerate(lines)]
    else:
        drawn = [one for k, one in enumerate(lines) if k not in hand]
    record = judged(scene, drawn)
    assert [finding for finding in record["findings"] if finding["level"] == "fix"] == []
    assert {stroke["verdict"] for stroke in record["strokes"]} == {"on"}
    assert len(record["strokes"]) == len(lines) - len(hand), "they are not among the judged lines"


def test_the_same_panes_with_the_ruler_are_judged():
    scene, lines, hand = panes(False)
    assert scene.by_hand == []
    record = judged(scene, [turned(one, 5.0) if k in hand else one for k, one in enumerate(lines)])
    assert sum(stroke["verdict"] == "off" for stroke in record["strokes"]) > len(hand) / 2
    assert [finding for finding in record["findings"] if finding["level"] == "fix"]
