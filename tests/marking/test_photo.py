"""Pictures: bounded, verified by content, upright, kept without notes; the sheet found in them."""

from __future__ import annotations

import io
import struct
import zlib

import cv2
import numpy as np
import pytest
from PIL import Image

from orthopsis.demo.scanner import scan_sheet
from orthopsis.errors import ImageError
from orthopsis.marking.judge import Asked, check_grey, check_image
from orthopsis.marking.judging.answer_key import answer_key
from orthopsis.marking.sheet.find_sheet import FoundSheet, find_sheet
from orthopsis.marking.sheet.photo import MAX_BYTES, open_grey, open_photo
from orthopsis.marking.sheet.straighten import straighten
from orthopsis.perspective.sheet import Sheet
from tests.documents import ONE_POINT, scene_of
from tests.words import message


def jpeg(size=(640, 480), **options):
    data = io.BytesIO()
    Image.new("RGB", size, (200, 190, 180)).save(data, "JPEG", **options)
    return data.getvalue()


def png_of_size(width, height):
    """A PNG that says it is huge without being so."""

    def chunk(kind, body):
        return (
            struct.pack(">I", len(body)) + kind + body + struct.pack(">I", zlib.crc32(kind + body))
        )

    header = struct.pack(">IIBBBBB", width, height, 8, 0, 0, 0, 0)
    return b"\x89PNG\r\n\x1a\n" + chunk(b"IHDR", header) + chunk(b"IDAT", b"") + chunk(b"IEND", b"")


@pytest.mark.parametrize(
    ("data", "says"),
    [
        (b"", "not a readable picture"),
        (b"hello", "not a readable picture"),
        (b"GIF89a" + bytes(200), "not a readable picture"),
        (b"%PDF-1.7", "not a readable picture"),
        (jpeg()[:400], "not a readable picture"),
        (b"\xff\xd8" + bytes(MAX_BYTES), "more than the 40 MB taken"),
        (png_of_size(9000, 9000), "81 million pixels, more than the 60 million taken"),
        (png_of_size(60000, 60000), "pixels, more than the 60 million taken"),
        (jpeg((200, 150)), "only 200 × 150 pixels"),
    ],
)
def test_what_cannot_be_judged_is_refused_with_its_reason(data, says):
    with pytest.raises(ImageError, match=says):
        open_grey(data)


def test_a_photo_is_turned_as_its_camera_says():
    exif = Image.Exif()
    exif[0x0112] = 6  # the camera was held on its side
    assert open_grey(jpeg((640, 480), exif=exif.tobytes())).shape == (640, 480)
    assert open_grey(jpeg((640, 480))).shape == (480, 640)


def test_place_time_and_device_are_not_kept():
    exif = Image.Exif()
    exif[0x010F], exif[0x0132] = "Some Camera", "2026:11:20 10:00:00"
    photo = open_photo(jpeg(exif=exif.tobytes()))
    assert b"Some Camera" not in photo.clean
    assert not Image.open(io.BytesIO(photo.clean)).getexif()
    assert photo.grey.shape == (480, 640)


def as_file(form, size=(640, 480), **options):
    data = io.BytesIO()
    Image.new("RGB", size, (200, 190, 180)).save(data, form, **options)
    return data.getvalue()


@pytest.mark.parametrize(
    ("form", "media"),
    [("PNG", "image/png"), ("WEBP", "image/webp"), ("HEIF", "image/jpeg"), ("TIFF", "image/jpeg")],
)
def test_phones_and_scanners_send_what_they_like(form, media):
    photo = open_photo(as_file(form))
    assert photo.grey.shape == (480, 640) and abs(int(photo.grey.mean()) - 192) < 4
    assert photo.media_type == media
    assert Image.open(io.BytesIO(photo.clean)).get_format_mimetype() == media


def test_a_turned_photo_keeps_its_pixels_and_only_says_how_to_turn_it():
    exif = Image.Exif()
    exif[0x0112], exif[0x010F] = 6, "Some Camera"
    gps = exif.get_ifd(0x8825)
    gps[1], gps[2] = "N", (51.0, 30.0, 0.0)
    sent = jpeg((640, 480), exif=exif.tobytes(), comment=b"in the art room") + b"a trailer"
    photo = open_photo(sent)
    kept = Image.open(io.BytesIO(photo.clean))
    assert dict(kept.getexif()) == {0x0112: 6}
    for secret in (b"Some Camera", b"art room", b"trailer"):
        assert secret in sent and secret not in photo.clean
    assert np.array_equal(np.asarray(kept), np.asarray(Image.open(io.BytesIO(sent))))
    assert photo.grey.shape == open_grey(photo.clean).shape == (640, 480)


def test_a_plain_photo_is_kept_as_it_is():
    data = jpeg()
    assert open_photo(data).clean == data
    assert open_photo(data).media_type == "image/jpeg"


SCENE = scene_of(ONE_POINT)


@pytest.mark.parametrize("seed", range(1, 6))
def test_the_corners_of_a_sheet_on_a_desk_are_found(seed):
    data, truth = scan_sheet(SCENE, seed)
    found = find_sheet(open_grey(data), SCENE.sheet)
    assert np.abs(found.corners - np.array(truth["corners_px"])).max() < 3.0


def test_a_flat_scan_without_borders_is_the_sheet_itself():
    data, truth = scan_sheet(SCENE, 7, flat=True, form="png")
    found = find_sheet(open_grey(data), SCENE.sheet)
    assert found.corners == pytest.approx(np.array(truth["corners_px"]), abs=0.01)


def test_straightening_brings_the_paper_back_to_millimetres():
    """A grid of dots on a sheet, photographed by OpenCV's own warp, comes back in place."""
    sheet = Sheet(420, 297)
    paper = np.full((2376, 3360), 240, np.uint8)
    places = [(x, y) for x in (50, 210, 370) for y in (40, 150, 260)]
    for x, y in places:
        cv2.circle(paper, (x * 8, y * 8), 10, 20, -1)
    source = np.array([[0, 0], [3360, 0], [3360, 2376], [0, 2376]], np.float32) - 0.5
    corners = np.array([[300, 260], [2800, 200], [2900, 2050], [220, 1980]], np.float32)
    change = cv2.getPerspectiveTransform(source, corners - np.float32(0.5))
    photo = cv2.warpPerspective(paper, change, (3200, 2300), borderValue=70)
    flat = straighten(photo, FoundSheet.by_hand(corners.astype(float)), sheet)
    for x, y in places:
        size = flat.px_per_mm
        part = flat.darkness[
            int((y - 4) * size) : int((y + 4) * size), int((x - 4) * size) : int((x + 4) * size)
        ]
        ys, xs = np.nonzero(part > 0.5)
        assert abs((xs.mean() + 0.5) / size - 4) < 0.12
        assert abs((ys.mean() + 0.5) / size - 4) < 0.12


def test_a_picture_without_a_sheet_gets_advice_and_no_verdict():
    noise = np.random.default_rng(1).integers(60, 90, (900, 1200)).astype(np.uint8)
    verdict = check_grey(Asked(answer_key(SCENE)), noise)
    assert not verdict.sheet_found
    assert [f.code for f in verdict.findings] == ["no-sheet"]
    assert "set the corners by hand" in message(verdict.findings[0])
    assert [p.found for p in verdict.points] == [None]


def test_corners_set_by_hand_replace_the_search():
    data, truth = scan_sheet(SCENE, 3)
    by_hand = check_image(SCENE, data, corners=truth["corners_px"])
    assert by_hand.sheet_found
    assert sum(s.verdict == "on" for s in by_hand.strokes) >= 10


def test_a_sheet_upside_down_is_recognised():
    data, _ = scan_sheet(SCENE, 4)
    grey = open_grey(data)
    upright = check_grey(Asked(answer_key(SCENE)), grey)
    upside_down = check_grey(Asked(answer_key(SCENE)), np.ascontiguousarray(grey[::-1, ::-1]))
    good = lambda verdict: sum(s.verdict == "on" for s in verdict.strokes)  # noqa: E731
    assert good(upside_down) >= good(upright) - 2
