"""What a piece, a part and a step are known by: names and sentences may change, nothing is lost."""

from __future__ import annotations

import json
from typing import get_args

import pytest

from orthopsis.errors import ExerciseError
from orthopsis.exercise.document import Exercise
from orthopsis.exercise.editing import renamed, with_field, with_new_piece
from orthopsis.exercise.load import from_data, to_data
from orthopsis.exercise.resolve import picture, resolve, steps
from orthopsis.exercise.runthrough import run_through
from orthopsis.marking.judge import judge_strokes
from orthopsis.marking.judging.answer_key import answer_key
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.pieces.describe import kinds
from orthopsis.pieces.piece import forms_of
from orthopsis.pieces.registry import KINDS
from orthopsis.pieces.roles import pair_roles, role_in, roles_of
from orthopsis.wording.words import Words
from tests.documents import EXAMPLES, ONE_POINT, ROOT, THREE_POINT, TWO_POINT, changed, scene_of
from tests.words import title

CASES = ROOT / "tests" / "cases"
OLD_KEYS = json.loads((CASES / "step-keys-of-version-1.json").read_text())


@pytest.mark.parametrize("name", OLD_KEYS)
def test_a_note_of_version_1_stays_with_its_step(name):
    data = json.loads((EXAMPLES / f"{name}.json").read_text())
    keys = OLD_KEYS[name]
    run = {"steps": {key: {"note": f"note {k}"} for k, key in enumerate(keys)}}
    made = run_through(resolve(from_data({**data, "version": 1, "run": run})))
    # Steps have become one since, and their notes stand together.
    notes = [note for step in made for note in step.note.splitlines()]
    assert sorted(notes) == sorted(f"note {k}" for k in range(len(keys)))


def stacked():
    """A tower, one on its lines, edits of a step of each, and a demand that leaves one out."""
    own = {"on": "crate", "top_mm": 70, "bottom_mm": 110}
    data = changed(THREE_POINT, version=2)
    first = data["pieces"][0]["id"]
    own["on"] = first
    data["pieces"] += [{"kind": "box", "id": "upper", "stack": own}]
    data["demands"] = {"first steps": {"leave_out": [first]}}
    exercise = from_data(data)
    made = steps(resolve(exercise))
    edits = {str(step.key): {"note": f"{k}"} for k, step in enumerate(made) if step.part}
    return from_data({**to_data(exercise), "run": {"steps": edits}}), first


def test_a_rename_keeps_every_edit_and_is_followed_everywhere():
    exercise, first = stacked()
    notes = [step.note for step in run_through(resolve(exercise))]
    assert sum(map(bool, notes)) > 4
    other = renamed(exercise, first, "bell tower")
    assert [step.note for step in run_through(resolve(other))] == notes
    assert [piece.id for piece in other.pieces] == ["bell tower", "upper"]
    assert [piece.uid for piece in other.pieces] == [piece.uid for piece in exercise.pieces]
    assert to_data(other)["pieces"][1]["stack"]["on"] == "bell tower"
    assert to_data(other)["demands"]["first steps"]["leave_out"] == ["bell tower"]
    assert any("Bell tower" in title(step) for step in run_through(resolve(other)))


def test_a_name_that_another_has_or_nobody_has_is_refused():
    exercise, first = stacked()
    for old, new in ((first, "upper"), ("nobody", "somebody"), (first, "1st")):
        with pytest.raises(ExerciseError):
            renamed(exercise, old, new)


def test_the_uid_is_kept_through_the_file_and_is_nobodys_twice():
    exercise = from_data(ONE_POINT)
    kept = from_data(json.loads(json.dumps(to_data(exercise))))
    assert kept.pieces[0].uid == exercise.pieces[0].uid
    twice = to_data(exercise)
    twice["pieces"].append({**twice["pieces"][0], "id": "second"})
    with pytest.raises(ExerciseError, match="uid"):
        from_data(twice)


def corrections(first, second):
    """What is said of each sheet of two drums in which one line lies 2.9 mm beside its place."""
    crate = ONE_POINT["pieces"][0]
    near = {**crate, "id": first, "kind": "cylinder", "axis": "up"}
    front = {**crate["front"], "x_mm": 130}
    scene = scene_of({**ONE_POINT, "pieces": [near, {**near, "id": second, "front": front}]})
    key = answer_key(scene)
    right = [
        FoundStroke(*line.stroke.segment, 0.05, 0.8, True, n) for n, line in enumerate(key.expected)
    ]
    for n in range(0, len(right), 3):
        (x0, y0), (x1, y1) = right[n].start, right[n].end
        off = FoundStroke((x0 + 2.9, y0), (x1 + 2.9, y1), 0.05, 0.8, True, n)
        found = judge_strokes(key, [*right[:n], off, *right[n + 1 :]]).findings
        yield [(one.code, one.where) for one in found]


def test_what_a_sheet_is_told_does_not_hang_on_how_its_pieces_are_called():
    """As it did where a part was known by how its name begins."""
    assert list(corrections("drum 1", "drum 10")) == list(corrections("alder", "birch"))


@pytest.mark.parametrize("kind", KINDS)
def test_every_field_of_a_kind_has_a_role(kind):
    models = [KINDS[kind], *forms_of(KINDS[kind]).values()]
    for model in models:
        for name, role in roles_of(model).items():
            inner = models_in(model.model_fields[name].annotation)
            told = role is not None or pair_roles(model, name) or name in ("kind", "place")
            assert told or any(inner), name


def models_in(annotation):
    """All models that a field may hold."""
    if hasattr(annotation, "model_fields"):
        yield annotation
    for inner in get_args(annotation):
        yield from models_in(inner)


def test_every_measure_of_a_document_has_a_role():
    waiting, seen = [Exercise], set()
    while waiting:
        model = waiting.pop()
        if model in seen:
            continue
        seen.add(model)
        for name, role in roles_of(model).items():
            annotation = model.model_fields[name].annotation
            if name.endswith("_mm") and name != "ruler_mm":
                told = role or all(map(role_in, get_args(annotation)))
                assert told, f"{model.__name__}.{name}"
            waiting += models_in(annotation)
    assert len(seen) > 15


@pytest.mark.parametrize("data", [ONE_POINT, TWO_POINT, THREE_POINT], ids=["1", "2", "3"])
def test_each_kind_that_is_told_of_can_be_put_drawn_and_chosen(data):
    points = {"one-point": 1, "two-point": 2, "three-point": 3}[data["view"]["kind"]]
    tried = 0
    for kind in kinds():
        form = next((form for form in kind.forms if points in form.systems), None)
        if form is None:
            continue
        document, at = from_data(data), (250.0, 240.0)
        if kind.kind == "panel":
            if points == 3:
                continue
            document, _ = with_new_piece(document, "room", (250.0, 140.0), 5.0)
        document, id = with_new_piece(document, kind.kind, at, 5.0)
        piece = next(one for one in document.pieces if one.id == id)
        written = to_data(document)["pieces"][-1]
        assert written["id"] == piece.id and written[form.tells] is not None
        assert picture(resolve(document)), kind.kind
        for field in (*kind.fields, *form.fields):
            if field.editor == "switch":
                if len(field.path) > 1 and at_path(piece, field.path[:-1]) is None:
                    continue  # what it is in is switched off
                at = ".".join(field.path)
                on = with_field(document, id, at, True)
                assert at_path(on.pieces[-1], field.path) is not None
                assert with_field(on, id, at, None) == document or kind.kind == "letters"
                tried += 1
            for choice in field.choices:
                if at_path(piece, field.path[:-1]) is None:
                    continue  # it is switched off
                of_kind = at_path(piece, (*field.path[:-1], "kind")) if field.only else None
                if points in choice.systems and (not field.only or of_kind in field.only):
                    chosen = with_field(document, id, ".".join(field.path), choice.value)
                    assert at_path(chosen.pieces[-1], field.path) == choice.value
                    tried += 1
    assert tried > 8


def at_path(piece, path):
    """What stands at a path of a piece, by the names that documents have."""
    data = piece.model_dump(by_alias=True, mode="json")
    for name in path:
        data = data and data.get(name)
    return data


def test_a_word_turned_to_the_other_side_keeps_its_measures_but_none_from_the_sheets_edge():
    document, id = with_new_piece(from_data(TWO_POINT), "letters", (250.0, 240.0), 5.0)
    data = to_data(document)
    data["pieces"][-1] |= {"length": {"x_mm": 340}, "thickness": {"along_mm": 30}}
    turned = to_data(with_field(from_data(data), id, "run", "left"))["pieces"][-1]
    assert (turned["run"], turned["length"]) == ("left", {"fraction": 0.4})
    assert turned["thickness"] == {"along_mm": 30.0}


def test_a_hidden_part_leaves_no_trace():
    """A crate wholly behind another gives no steps, and the marks after it are named as without."""
    front = {"x_mm": 60, "y_mm": 120, "width_mm": 120, "height_mm": 90}
    crate = {**ONE_POINT["pieces"][0], "front": front, "depth": {"fraction": 0.1}}
    small = {"x_mm": 110, "y_mm": 140, "width_mm": 20, "height_mm": 20}
    behind = {**crate, "id": "behind", "front": small}
    beside = {**crate, "id": "beside", "front": {**front, "x_mm": 260, "width_mm": 60}}
    for one in (crate, behind, beside):
        one["standing"] = "floating"
    with_it = scene_of({**ONE_POINT, "pieces": [crate, behind, beside]})
    without = scene_of({**ONE_POINT, "pieces": [crate, beside]})
    told = [[(s.phrase, str(s.part), [m.name for m in s.marks]) for s in steps(scene)]
            for scene in (with_it, without)]  # fmt: skip
    assert told[0] == told[1]


def labels(fields):
    """What fields are called, with their choices and what they may hold."""
    for field in fields:
        yield field.label
        yield from (one.label for one in (*field.choices, *field.added))
        yield from labels(field.fields)


def test_every_field_choice_and_part_of_every_kind_has_its_words():
    words = Words()
    for kind in kinds():
        of_forms = (field for form in kind.forms for field in form.fields)
        for label in (kind.name, kind.several, kind.add, *labels([*kind.fields, *of_forms])):
            assert words.say(label)
