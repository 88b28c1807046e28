"""The language file: each phrase is said with every kind of value; each call fits its phrase."""

from __future__ import annotations

import ast
import itertools
import re

import pytest
from fluent.syntax import FluentParser
from fluent.syntax import ast as ftl
from fluent.syntax.visitor import Visitor

from orthopsis.marking.findings.gather import ORDER
from orthopsis.phrase import (
    About,
    Choice,
    Length,
    MarkName,
    Number,
    Own,
    Phrase,
    PointName,
    Several,
    say,
)
from orthopsis.wording.choices import Wording
from orthopsis.wording.words import LANGUAGE_FILE, Words
from tests.documents import ROOT

ALWAYS = {"line", "spelling", "square", "far", "units", "given", "fronts", "guides"}
MARKS = (MarkName("A"), MarkName("B"), MarkName("C"))
KINDS = {
    "number": [Number(1.0), Number(2.0), Number(0.0), Number(21.0), Number(2.5, 1)],
    "mark": [MarkName("A")],
    "point": [PointName("VP1")],
    "length": [Length(114.0), Length(25.4)],
    "about": [About(13.0)],
    "marks": [Several(MARKS[:1], "and"), Several(MARKS[:2], "and"), Several(MARKS, "comma")],
    "phrase": [say("level-line")],
    "way": [say("level-line")],
    "name": [Own("Seed crate"), PointName("VP2")],
    "own": [Own("F")],
    "text": [Own("Well done.")],
    "list": [Several((Own("one"),), "and"), Several((Own("one"), Own("two")), "and")],
}


class Used(Visitor):
    """The values that a phrase takes, and the choices that it tells apart."""

    def __init__(self, message):
        self.values, self.keys = set(), {}
        self.visit(message)

    def visit_VariableReference(self, node):  # noqa: N802
        self.values.add(node.id.name)

    def visit_SelectExpression(self, node):  # noqa: N802
        if isinstance(node.selector, ftl.VariableReference):
            keys = [one.key.name for one in node.variants if isinstance(one.key, ftl.Identifier)]
            self.keys.setdefault(node.selector.id.name, []).extend(keys)
        self.generic_visit(node)


RESOURCE = FluentParser().parse(LANGUAGE_FILE.read_text(encoding="utf-8"))
MESSAGES = {one.id.name: one for one in RESOURCE.body if isinstance(one, ftl.Message)}


def told(message):
    """The values with their kinds, as they stand before a phrase."""
    comment = message.comment.content if message.comment else ""
    return dict(re.findall(r"\$([a-z_-]+) \(([^)]*)\)", comment))


def test_the_language_file_is_read_without_a_fault():
    assert not [one for one in RESOURCE.body if isinstance(one, ftl.Junk)]
    names = [one.id.name for one in RESOURCE.body if isinstance(one, ftl.Message)]
    assert len(names) == len(set(names)), "no phrase is there twice"


@pytest.mark.parametrize("id", MESSAGES)
def test_a_phrase_says_its_values_and_is_said_with_each_kind(id):
    message = MESSAGES[id]
    kinds, used = told(message), Used(message)
    assert used.values - ALWAYS <= kinds.keys(), "a value has no kind before its phrase"
    samples = {}
    for name, kind in kinds.items():
        if kind == "choice":
            keys = [key for key in used.keys.get(name, []) if key != "other"] or ["left", "right"]
            samples[name] = [Choice(key) for key in keys]
        else:
            samples[name] = KINDS[kind]
    turns = max(map(len, samples.values()), default=1)
    wordings = [
        Words(
            Wording(
                units=units, line=line, spelling=spelling, reading=reading, given=given, far=far
            )
        )
        for reading, units, (line, given), (spelling, far) in itertools.product(
            ("full", "simple"),
            ("cm", "in"),
            (("eye level", "measures"), ("horizon", "points"), ("horizon", "rules")),
            (("UK", "long ruler"), ("US", "ladders")),
        )
    ]
    for turn, words in itertools.product(range(turns), wordings):
        values = {name: some[turn % len(some)] for name, some in samples.items()}
        said = words.say(Phrase(id, values))
        assert not re.search(r"[{}]|\?\?\?|  | [.,;:]", said), said
        ones = re.findall(r"\b1 (\w+s)\b|\b(?:All|all|of your) 1\b|\bAll 2 of\b", said)
        assert not set(ones) - {"is", ""}, said


CALLS = {"say": "", "phrase": "", "check": "", "begin": "-title", "finding": None}


def calls():
    """Each place in the code that gives a phrase by its id: the id, the values, the place."""
    for file in sorted((ROOT / "src" / "orthopsis").rglob("*.py")):
        for node in ast.walk(ast.parse(file.read_text())):
            if not isinstance(node, ast.Call) or not node.args:
                continue
            named = getattr(node.func, "attr", getattr(node.func, "id", ""))
            first = node.args[0]
            if CALLS.get(named) is None or not isinstance(first, ast.Constant):
                continue
            if not isinstance(first.value, str):
                continue
            if not first.value:
                continue
            values = {one.arg for one in node.keywords}
            if first.value.startswith("again"):
                # For which things, and how many, is known where several steps become one.
                values |= {"things", "count"} if named == "phrase" else set()
            yield first.value + CALLS[named], values, f"{file.name}:{node.lineno}"


def test_each_call_gives_the_values_that_its_phrase_says():
    found = list(calls())
    assert len(found) > 150, "the calls are found"
    for id, values, place in found:
        assert id in MESSAGES, f"{place}: there is no phrase '{id}'"
        if None not in values:
            assert values == told(MESSAGES[id]).keys(), f"{place}: '{id}'"


def test_every_correction_has_its_words_and_its_heading():
    for code in ORDER:
        assert f"title-{code}" in MESSAGES
        assert f"finding-{code}" in MESSAGES or any(
            name.startswith(f"finding-{code}-") for name in MESSAGES
        )


def test_a_choice_without_its_word_is_an_error_and_no_slip():
    with pytest.raises(LookupError, match="WORD"):
        Words().say(say("line-to", point=Choice("left")))
    with pytest.raises(LookupError, match="nowhere"):
        Words().say(say("nowhere"))
