"""Text that comes in: what can be shown, and nothing else."""

from __future__ import annotations

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.load import from_data, parse
from orthopsis.exercise.resolve import resolve
from orthopsis.handout.export import exported
from orthopsis.plain import cleaned, one_line
from tests.documents import ONE_POINT, changed


@pytest.mark.parametrize(
    ("typed", "kept"),
    [
        ("Ada\x00 Fern", "Ada Fern"),
        ("\u202eAda", "Ada"),
        ("A\u030a", "\u00c5"),
        ("one\r\ntwo\rthree", "one\ntwo\nthree"),
        ("\ud800x", "x"),
        ("a\u2028b\ufffe", "ab"),
        (" \u200b\ufeff\u200d ", ""),
        ("नमस\u200dते", "नमस\u200dते"),
    ],
)
def test_what_no_page_can_show_is_taken_out(typed, kept):
    assert cleaned(typed) == kept


def test_a_name_is_one_line():
    assert one_line(" two\n\n lines\t") == "two lines"


def test_a_document_is_cleaned_wherever_text_stands_in_it():
    data = changed(ONE_POINT, title="One\x07 box\x00", lesson={"notes": "a\x1bb\nc"})
    document = from_data(data)
    assert (document.title, document.lesson.notes) == ("One box", "ab\nc")
    svg = exported(resolve(document), "svg", None)
    assert "\x07" not in (svg if isinstance(svg, str) else svg.decode())


@pytest.mark.parametrize("title", ["", "  ", "\x00", "\u200b", "\u202e"])
def test_a_blank_title_is_refused(title):
    with pytest.raises(ExerciseError, match="title"):
        from_data(changed(ONE_POINT, title=title))


def test_a_message_never_repeats_megabytes():
    with pytest.raises(ExerciseError) as refused:
        from_data(changed(ONE_POINT, pieces__0__kind="x" * 3_000_000))
    assert len(str(refused.value)) < 500
    with pytest.raises(ExerciseError) as refused:
        parse('{"format": "' + "y" * 1_900_000)
    assert len(str(refused.value)) < 500


def test_more_than_anybody_could_draw_is_refused_on_the_way_in():
    box = ONE_POINT["pieces"][0]
    many = [{**box, "id": f"b{k}", "standing": "floating"} for k in range(500)]
    from_data(changed(ONE_POINT, pieces=many))
    word = {
        "kind": "letters", "text": "ABCDEFGHIJKLMNOPQRST", "depth": {"fraction": 0.3},
        "front": {"x_mm": 10, "y_mm": 10, "height_mm": 8},
    }  # fmt: skip
    words = [{**word, "id": f"w{k}"} for k in range(7)]
    with pytest.raises(ExerciseError, match="more on this sheet than anybody could draw"):
        from_data(changed(ONE_POINT, pieces=words))
