"""Pupils' names: the word that each gives, and how it is fitted to the sheet."""

from __future__ import annotations

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.advice import advice
from orthopsis.exercise.change import with_changes
from orthopsis.exercise.load import from_data
from orthopsis.exercise.personal import with_text, without_letterform, word_of
from orthopsis.exercise.resolve import resolve
from tests.agreement import difference, kept, outlines
from tests.documents import scene_of
from tests.letters import ONE, THREE, TWO
from tests.words import message, remedy


@pytest.mark.parametrize(
    ("name", "word"),
    [
        ("Alder, Zoë Marie", "ZOË"), ("Anne-Lise Vale", "ANNE-LISE"), ("D’Arcy Fenn", "D'ARCY"),
        ("Weiß", "WEISS"), ("ﬁnn", "FINN"), ("Þóra Ash", "THÓRA"), ("Œuvre", "OEUVRE"),
        ("Noe\u0301mi", "NOÉMI"), ("Ann‑Kari", "ANN-KARI"),
    ],
)  # fmt: skip
def test_every_name_gives_a_word(name, word):
    assert word_of(name) == word
    assert without_letterform(word) == []
    assert without_letterform(word_of("Ж ка")) == ["Ж"]


@pytest.mark.parametrize("base", [ONE, TWO, THREE])
@pytest.mark.parametrize("name", ["AL", "Ada", "MARY-ANN", "ELISABETHANN"])
def test_a_name_is_fitted_to_the_sheet(base, name):
    scene = resolve(with_text(from_data(base), name))
    word = scene.exercise.pieces[0]
    assert word.text == name.upper()
    assert len({str(line.part) for line in outlines(scene)}) == len(name)
    for line in outlines(scene):
        for x, y in line.segment:
            assert 10 <= x <= 410
            assert 10 <= y <= 287
    assert difference(outlines(scene), kept(scene)) == ([], [])
    if base is ONE:
        assert word.place.front.height_mm in (60, 30, 20)


def test_a_receding_name_keeps_the_shape_of_its_letters():
    short, longer = (resolve(with_text(from_data(TWO), text)) for text in ("H", "HH"))
    widths = []
    for scene in (short, longer):
        first = [line for line in outlines(scene) if str(line.part) == "word:1"]
        xs = [x for line in first if line.family == "VP2" for x, _ in line.segment]
        widths.append(max(xs) - min(xs))
    assert widths[1] == pytest.approx(widths[0], rel=0.02)


def test_a_text_needs_a_word_and_letters_that_exist():
    with pytest.raises(ExerciseError, match="no piece has letters"):
        with_text(from_data({**ONE, "pieces": []}), "ADA")
    with pytest.raises(ExerciseError, match=r"pieces\[0\]\.text: there is no block letter"):
        with_text(from_data(ONE), "JЖRG")
    tiny = {**ONE, "sheet": {"size": {"width_mm": 120, "height_mm": 90}}}
    with pytest.raises(ExerciseError, match="does not fit on the sheet"):
        with_text(from_data(tiny), "BARTHOLOMEW")


def test_small_letters_are_said_with_their_height_and_a_larger_one_that_fits():
    front = {"x_mm": 30, "y_mm": 60, "height_mm": 15}
    scene = scene_of({**ONE, "pieces": [{**ONE["pieces"][0], "text": "AL-", "front": front}]})
    (said,) = [one for one in advice(scene, outlines(scene), 9) if one.code == "small-letters"]
    assert said.number == pytest.approx(15)
    assert said.changes[0].value == 30
    assert "only 1.5 cm high" in message(said, scene.words)
    assert "3 cm" in remedy(said, scene.words)
    mended = resolve(with_changes(scene.exercise, said.changes))
    assert "small-letters" not in {one.code for one in advice(mended, outlines(mended), 9)}
