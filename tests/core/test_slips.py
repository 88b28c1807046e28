"""Marking slips: eight to a page, and nothing of a teacher's words is ever cut off."""

from __future__ import annotations

import io

import cv2
import numpy as np
import pytest
from pypdf import PdfReader

from orthopsis.handout.slips import MOST_ON_A_SLIP, Slip, slips_pdf

SENTENCE = "Lay the ruler on its corner and on VP1, then draw."


def picture():
    _, data = cv2.imencode(".jpg", np.full((210, 297, 3), 240, np.uint8))
    return bytes(data)


def slip(name, words, **more):
    return Slip(name, "Seed crates", words, None, None, **more)


def pages(slips, office="A4"):
    return [p.extract_text() for p in PdfReader(io.BytesIO(slips_pdf(slips, office))).pages]


def test_eight_pupils_share_a_page_each_with_class_day_and_mark():
    made = [
        slip(f"Pupil {k}", SENTENCE, group="8 Rowan", day="28 November 2026", mark="✓ Sure of it")
        for k in range(9)
    ]
    texts = pages(made)
    assert len(texts) == 2
    assert sum(f"Pupil {k}" in texts[0] for k in range(9)) == 8 and "Pupil 8" in texts[1]
    for told in ("8 Rowan", "28 November 2026", "Sure of it", "Seed crates"):
        assert texts[0].count(told) == 8


@pytest.mark.parametrize("many", [1, 6, 11, 40, 79])
@pytest.mark.parametrize("with_picture", [False, True])
def test_every_word_is_on_paper_however_many_there_are(many, with_picture):
    numbered = "\n".join(f"{k}. {SENTENCE}" for k in range(many))
    one = slip("Ada", numbered)
    if with_picture:
        one = one._replace(whole=picture(), detail=picture())
    text = " ".join(" ".join(pages([one])).split())
    assert all(f"{k}. Lay the ruler" in text for k in range(many))


def test_who_is_told_much_has_a_page_of_his_own_and_the_others_still_share_one():
    long = "x " * MOST_ON_A_SLIP
    texts = pages([slip("Ada", SENTENCE), slip("Bram", long), slip("Cleo", SENTENCE)], "Letter")
    assert len(texts) == 2
    assert "Ada" in texts[0] and "Cleo" in texts[0] and "Bram" not in texts[0]
    assert texts[1].startswith("Bram")
