"""Files of several sheets: each comes out by itself, and a bad one spoils only itself."""

from __future__ import annotations

import io
import zipfile

import numpy as np
import pytest
from PIL import Image

from orthopsis.errors import ImageError
from orthopsis.handout.order import Order
from orthopsis.handout.pages import handout_pdf
from orthopsis.marking.judge import check_image
from orthopsis.marking.sheet import intake
from orthopsis.marking.sheet.intake import arrivals, the_only_sheet
from tests.documents import ONE_POINT, scene_of
from tests.marking.test_photo import as_file, jpeg, png_of_size

SCENE = scene_of(ONE_POINT)


def zipped(packing=zipfile.ZIP_DEFLATED, **files):
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", packing) as archive:
        for name, content in files.items():
            archive.writestr(name, content)
    return out.getvalue()


def test_a_poisoned_file_in_a_zip_spoils_only_itself():
    data = zipped(
        **{
            "class 8/ada.jpg": jpeg(),
            "class 8/bomb.png": png_of_size(60000, 60000),
            "class 8/cleo.txt": b"no picture",
            "__MACOSX/._ada.jpg": b"beside",
            "dario.heic": as_file("HEIF"),
            "inner.zip": zipped(x=b"x"),
            "../../escape.jpg": jpeg(),
        }
    )
    found = {one.name: one for one in arrivals("class.zip", data)}
    assert list(found) == [
        "ada.jpg", "bomb.png", "cleo.txt", "dario.heic", "inner.zip", "escape.jpg",
    ]  # fmt: skip
    assert [name for name, one in found.items() if one.photo] == [
        "ada.jpg", "dario.heic", "escape.jpg",
    ]  # fmt: skip
    assert "more than the 60 million" in str(found["bomb.png"].problem)
    assert "not a readable picture" in str(found["cleo.txt"].problem)
    assert "ZIP file within" in str(found["inner.zip"].problem)


def test_a_pack_that_says_it_is_small_is_measured_as_it_is_read():
    data = zipped(a=b"\x00" * (intake.MAX_BYTES + 10))
    (one,) = arrivals("class.zip", data)
    assert one.photo is None and "more than the 40 MB" in str(one.problem)
    (slow,) = arrivals("class.zip", zipped(zipfile.ZIP_LZMA, a=jpeg()))
    assert "packed in a way" in str(slow.problem)


@pytest.mark.parametrize(
    ("data", "says"),
    [
        (b"PK\x03\x04 broken", "ZIP file is broken"),
        (zipped(), "not a readable picture"),
        (zipped(**{"folder/": b""}), "is empty"),
        (zipped(**{f"{n}.jpg": b"" for n in range(intake.MAX_PAGES + 1)}), "holds 81 sheets"),
        (b"%PDF-1.7 and no more", "PDF cannot be read"),
    ],
)
def test_a_file_that_cannot_be_opened_is_refused_whole(data, says):
    with pytest.raises(ImageError, match=says):
        list(arrivals("file", data))


def test_pages_of_a_copier_come_one_by_one():
    for form in ("PDF", "TIFF"):
        pages = [Image.new("L", (1654, 1169), 240 - 20 * n) for n in range(3)]
        out = io.BytesIO()
        pages[0].save(out, form, save_all=True, append_images=pages[1:], resolution=100.0)
        found = list(arrivals("copier", out.getvalue()))
        assert [one.name for one in found] == [f"copier, page {n}" for n in (1, 2, 3)]
        assert [round(float(np.median(one.photo.grey)), -1) for one in found] == [240, 220, 200]
        with pytest.raises(ImageError, match="several sheets"):
            the_only_sheet(out.getvalue())


def test_our_own_key_printed_and_scanned_has_no_line_that_is_off():
    """Outside: drawn by typst, rendered by PDFium, as a copier would send it."""
    pdf = handout_pdf(SCENE, Order(("key",), office="A4"))
    pages = list(arrivals("key", pdf))
    largest = max(pages, key=lambda one: one.photo.grey.size)
    verdict = check_image(SCENE, largest.photo.clean)
    said = [str(line.verdict) for line in verdict.strokes]
    assert verdict.sheet_found and verdict.sheet.how == "scan"
    assert "off" not in said and said.count("on") >= 9
