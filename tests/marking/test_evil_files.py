"""Files that somebody made to do harm: refused in words, quickly, and each by itself."""

from __future__ import annotations

import io
import random
import struct
import time
import zipfile
import zlib

import numpy as np
import pytest
from PIL import Image, PngImagePlugin

from orthopsis.errors import ImageError
from orthopsis.marking.judge import check_image
from orthopsis.marking.sheet.intake import arrivals
from orthopsis.marking.sheet.photo import open_photo
from tests.documents import ONE_POINT, scene_of
from tests.marking.test_intake import zipped
from tests.marking.test_photo import jpeg

SCENE = scene_of(ONE_POINT)
QUICK_S = 20.0
"""Of processor time, also on a slow machine; what hangs takes minutes."""


def svg(body, head='width="297mm" viewBox="0 0 297 210"'):
    return f'<svg xmlns="http://www.w3.org/2000/svg" {head}>{body}</svg>'.encode()


@pytest.mark.parametrize(
    "data",
    [
        svg(f'<path d="M{" 1" * 50_000}x"/>'),
        svg(f'<path d="{"M1,1L" * 50_000}!"/>'),
        svg(f'<polyline points="{"1e" * 100_000}"/>'),
        svg(f'<polyline points="{" " * 1_000_000}x"/>'),
        svg(f'<polygon points="{"-" * 200_000}"/>'),
        svg("<g>" * 3000 + "</g>" * 3000),
    ],
    ids=["numbers", "letters", "exponents", "blanks", "signs", "depth"],
)
def test_an_svg_is_read_in_one_go_whatever_stands_in_it(data):
    began = time.process_time()
    try:
        check_image(SCENE, data)
    except ImageError as refused:
        assert len(str(refused)) < 400
    assert time.process_time() - began < QUICK_S


@pytest.mark.parametrize(
    "body",
    [
        '<polygon points=""/>',
        '<polyline points="3"/>',
        '<path d=""/>',
        '<path d="M"/>',
        '<line x1="1" y1="1" x2="1" y2="1"/>',
    ],
)
def test_an_svg_without_a_line_is_an_empty_sheet(body):
    assert check_image(SCENE, svg(body)).strokes == []


@pytest.mark.parametrize("number", ["nan", "inf", "1e308", "-1e400", "1e9"])
def test_an_svg_with_places_that_are_none_is_refused(number):
    with pytest.raises(ImageError):
        check_image(SCENE, svg(f'<line x1="{number}" y1="1" x2="3" y2="4"/>'))
    with pytest.raises(ImageError):
        check_image(
            SCENE, svg('<line x1="1" y1="1" x2="90" y2="90"/>', 'viewBox="0 0 1e-300 1e-300"')
        )


def test_a_zip_with_odd_names_and_versions_spoils_only_its_entries():
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as archive:
        for name in (".", "/", "", "..", "a/.", "ok.jpg", "\u202egpj.x", "n\x1bul.jpg"):
            archive.writestr(zipfile.ZipInfo(name), jpeg())
    found = {one.name: one for one in arrivals("class.zip", out.getvalue())}
    assert found["ok.jpg"].photo and all("\x1b" not in n and "\u202e" not in n for n in found)
    data = bytearray(zipped(a=jpeg(), b=jpeg()))
    at = data.index(b"PK\x01\x02")
    data[at + 6] = 99  # needs a version that nobody has
    try:
        assert [bool(one.photo) for one in arrivals("class.zip", bytes(data))].count(True) <= 2
    except ImageError as refused:
        assert str(refused)


@pytest.mark.parametrize("seed", range(40))
def test_a_zip_with_spoilt_bytes_is_refused_or_opened(seed):
    rng = random.Random(seed)
    data = bytearray(zipped(a=jpeg(), b=b"%PDF-1.4", c=jpeg((400, 300))))
    for _ in range(rng.randint(1, 12)):
        data[rng.randrange(len(data))] = rng.randrange(256)
    try:
        for one in arrivals("class.zip", bytes(data)):
            assert one.photo is not None or str(one.problem), f"seed {seed}"
    except ImageError as refused:
        assert str(refused), f"seed {seed}"


def progressive(scans, side=4000):
    """A small file whose picture is gone over again and again before it can be seen."""
    plain = io.BytesIO()
    Image.new("L", (side, side), 200).save(plain, "JPEG", progressive=True)
    data = plain.getvalue()
    first = data.index(b"\xff\xda")
    second = data.index(b"\xff\xda", first + 2)
    return data[:second] + data[first:second] * scans + data[second:]


def test_a_small_picture_in_endless_layers_is_refused_at_once():
    data = progressive(200)
    assert len(data) < 8_000_000, "and its pixels are few"
    began = time.process_time()
    with pytest.raises(ImageError, match="save it again as a plain JPEG"):
        open_photo(data)
    assert time.process_time() - began < QUICK_S
    assert open_photo(progressive(0, 600)).media_type == "image/jpeg", "cameras make such"


@pytest.mark.parametrize("form", ["PNG", "WEBP", "JPEG"])
def test_nothing_but_the_picture_is_kept(form):
    """Neither what follows its end nor what lies between its parts: it might be another file."""
    out = io.BytesIO()
    picture = Image.fromarray(
        np.arange(120_000, dtype=np.uint32).astype(np.uint8).reshape(300, 400)
    )
    picture.convert("RGB").save(out, form, **({"lossless": True} if form == "WEBP" else {}))
    data = out.getvalue()
    if form == "PNG":
        secret = b"secret at home"
        chunk = struct.pack(">I", len(secret)) + b"prVt" + secret
        chunk += struct.pack(">I", zlib.crc32(b"prVt" + secret))
        data = data[:33] + chunk + data[33:]
    evil = data + b"<script>secret at home</script>PK\x03\x04"
    kept = open_photo(evil)
    assert b"secret" not in kept.clean and b"PK\x03\x04" not in kept.clean
    again = Image.open(io.BytesIO(kept.clean))
    assert np.array_equal(np.asarray(again.convert("L")), kept.grey)


def test_a_png_with_text_is_kept_without_it():
    notes = PngImagePlugin.PngInfo()
    notes.add_text("Comment", "secret at home")
    out = io.BytesIO()
    Image.new("L", (400, 300), 200).save(out, "PNG", pnginfo=notes)
    assert b"secret" not in open_photo(out.getvalue()).clean


def test_a_large_pdf_is_never_all_in_memory(tmp_path):
    """A file on the disk is read where it lies: what it has beside its pages costs nothing."""
    import tracemalloc

    out = io.BytesIO()
    Image.new("L", (1654, 1169), 240).save(out, "PDF", resolution=100.0)
    file = tmp_path / "large.pdf"
    with file.open("wb") as stream:
        stream.write(out.getvalue())
        stream.seek(90_000_000)
        stream.write(out.getvalue()[-600:])
    tracemalloc.start()
    (one,) = arrivals("large.pdf", file)
    most = tracemalloc.get_traced_memory()[1]
    tracemalloc.stop()
    assert one.photo is not None
    assert most < 40_000_000
