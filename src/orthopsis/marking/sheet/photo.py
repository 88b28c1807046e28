"""Opening a picture file: bounded, verified by its content, turned upright."""

from __future__ import annotations

import io
import re
import struct
import warnings
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass

import numpy as np
import pillow_heif
from numpy.typing import NDArray
from PIL import Image, ImageOps, UnidentifiedImageError

from orthopsis.construction.moves import count
from orthopsis.errors import ImageError
from orthopsis.phrase import Phrase, say

pillow_heif.register_heif_opener()

Grey = NDArray[np.uint8]

MAX_BYTES = 40_000_000
MAX_PIXELS = 60_000_000
LEAST_SIDE_PX = 300
FORMATS = ("JPEG", "PNG", "WEBP", "HEIF", "TIFF")
SHOWN = {"JPEG": "image/jpeg", "PNG": "image/png", "WEBP": "image/webp"}
"""Formats that every browser shows; others are kept as JPEG."""
PLAIN_INFO = {
    "jfif", "jfif_version", "jfif_unit", "jfif_density", "dpi", "loop", "background", "timestamp",
    "duration",
}  # fmt: skip
"""What a file may say of itself beside its pixels; anything else is not kept."""
ORIENTATION = 0x0112


@dataclass(frozen=True)
class Photo:
    """An opened picture: its grey values, and the file as it may be kept.

    `clean` shows upright and has no notes on place, time or device in it.
    """

    grey: Grey
    clean: bytes
    media_type: str


def open_grey(data: bytes) -> Grey:
    """The picture in grey, shape (height, width), turned as its camera says.

    Raises ImageError for what is too large, broken, or no picture at all.
    """
    with _opened(data) as picture:
        return _grey(picture)


def open_photo(data: bytes) -> Photo:
    """The picture with a copy fit for keeping. Raises ImageError as `open_grey` does."""
    with _opened(data) as picture:
        form = str(picture.format)
        turn = int(picture.getexif().get(ORIENTATION, 1))
        notes = set(picture.info) - PLAIN_INFO
        if form == "JPEG":
            bare = _without_notes(data, turn)
            return Photo(_grey(picture), bare, SHOWN[form])
        if form in SHOWN and not notes and getattr(picture, "n_frames", 1) == 1:
            return Photo(_grey(picture), _pixels_alone(form, data), SHOWN[form])
        return kept(_upright(picture), form)


def kept(picture: Image.Image, form: str = "JPEG") -> Photo:
    """A picture as it is kept: PNG where it was one, otherwise JPEG."""
    form = form if form == "PNG" else "JPEG"
    bare = picture if picture.mode in ("L", "RGB") else _on_white(picture)
    bare.info.clear()
    out = io.BytesIO()
    bare.save(out, form, **({"quality": 92} if form == "JPEG" else {}))
    return Photo(np.asarray(bare.convert("L"), dtype=np.uint8), out.getvalue(), SHOWN[form])


BROKEN = (
    UnidentifiedImageError, OSError, SyntaxError, ValueError, EOFError, struct.error, RuntimeError,
    KeyError, IndexError, TypeError, MemoryError,
)  # fmt: skip
"""What the decoders say of broken files."""


@contextmanager
def _opened(data: bytes) -> Iterator[Image.Image]:
    """A checked picture; what is wrong in opening or decoding it is an ImageError."""
    if len(data) > MAX_BYTES:
        raise too_large(len(data))
    with warnings.catch_warnings():
        warnings.simplefilter("ignore", Image.DecompressionBombWarning)
        try:
            with Image.open(io.BytesIO(data), formats=FORMATS) as picture:
                check_size(*picture.size)
                _check_scans(picture, data)
                yield picture
        except ImageError:
            raise
        except Image.DecompressionBombError:
            raise _too_many_pixels(say("far-too-many")) from None
        except BROKEN:
            raise _unreadable() from None


def too_large(size: int) -> ImageError:
    """Said of a photo of so many bytes."""
    most = count(MAX_BYTES // 1_000_000)
    return ImageError(say("refused-photo-too-large", size=count(round(size / 1e6)), most=most))


def _unreadable() -> ImageError:
    return ImageError(say("refused-no-picture"))


def _grey(picture: Image.Image) -> Grey:
    if picture.format == "JPEG":
        # A JPEG's brightness is stored apart: its colours need not be decoded.
        picture.draft("L", None)
    return np.asarray(_upright(picture, "L"), dtype=np.uint8)


def _upright(picture: Image.Image, mode: str | None = None) -> Image.Image:
    if mode is not None and picture.mode != mode:
        turn = picture.getexif().get(ORIENTATION, 1)
        picture = _on_white(picture).convert(mode)
        if turn != 1:
            picture.getexif()[ORIENTATION] = turn
    return ImageOps.exif_transpose(picture)


def _on_white(picture: Image.Image) -> Image.Image:
    """Without transparency: a scan's clear parts are paper."""
    if picture.mode in ("I;16", "I;16B", "I", "F"):
        values = np.asarray(picture, dtype=float)
        picture = Image.fromarray(np.asarray(values / max(values.max(), 1.0) * 255, dtype=np.uint8))
    if "A" in picture.getbands() or "transparency" in picture.info:
        over = picture.convert("RGBA")
        white = Image.new("RGBA", over.size, "white")
        return Image.alpha_composite(white, over).convert("RGB")
    return picture if picture.mode in ("L", "RGB") else picture.convert("RGB")


def check_size(width: int, height: int) -> None:
    """Raises ImageError for a picture that is too large or too small to judge."""
    if width * height > MAX_PIXELS:
        raise _too_many_pixels(say("so-many-million", count=count(round(width * height / 1e6))))
    if min(width, height) < LEAST_SIDE_PX:
        raise ImageError(
            say(
                "refused-too-few-pixels",
                wide=count(width),
                high=count(height),
                least=count(LEAST_SIDE_PX),
            )
        )


def _too_many_pixels(pixels: Phrase) -> ImageError:
    return ImageError(
        say("refused-too-many-pixels", pixels=pixels, most=count(MAX_PIXELS // 1_000_000))
    )


MOST_SCANNED_PIXELS = 20 * MAX_PIXELS
"""A progressive JPEG goes over its pixels once for each scan; cameras make about ten."""


def _check_scans(picture: Image.Image, data: bytes) -> None:
    """Raises ImageError for a picture that is small to send and endless to decode."""
    if picture.format == "JPEG":
        scans = sum(found[1][0] == _SCAN for found in _MARKER.finditer(data))
        if scans * picture.width * picture.height > MOST_SCANNED_PIXELS:
            raise ImageError(say("refused-too-many-scans", scans=count(scans)))


# --- a PNG or WebP without what is no picture -----------------------------------------------------

_PNG_PARTS = {b"IHDR", b"PLTE", b"tRNS", b"IDAT", b"IEND", b"sRGB", b"gAMA", b"cHRM", b"pHYs"}
_WEBP_PARTS = {b"VP8 ", b"VP8L", b"VP8X", b"ALPH"}


def _pixels_alone(form: str, data: bytes) -> bytes:
    """The parts of a file that its picture is made of, and nothing between or after them.

    PNG as in ISO/IEC 15948, chunks of length, type, data and sum; WebP as in RFC 9649, a RIFF file
    of chunks with even lengths.
    """
    png = form == "PNG"
    at, order, more, wanted = (8, ">I", 12, _PNG_PARTS) if png else (12, "<I", 8, _WEBP_PARTS)
    parts: list[bytes] = []
    while at + 8 <= len(data):
        head = data[at : at + 8]
        kind, length = (head[4:], head[:4]) if png else (head[:4], head[4:])
        size = struct.unpack(order, length)[0]
        size += more + (0 if png else size % 2)
        if kind in wanted:
            parts.append(data[at : at + size])
        at += size
        if kind == b"IEND":
            break
    body = b"".join(parts)
    if png:
        return data[:8] + body
    return b"RIFF" + struct.pack("<I", len(body) + 4) + b"WEBP" + body


# --- a JPEG without its notes ---------------------------------------------------------------------

_MARKER = re.compile(rb"\xff([^\x00\xff\xd0-\xd7])", re.DOTALL)
"""A marker in coded data: FF 00 is data, and FF D0 to D7 only restart the decoder."""
_START, _END, _SCAN, _COMMENT, _ADOBE = 0xD8, 0xD9, 0xDA, 0xFE, 0xEE


def _without_notes(data: bytes, turn: int) -> bytes:
    """A JPEG (ITU-T T.81, annex B) with its pixels as they are and nothing said beside them.

    Application segments and comments go, all but the frame of JFIF and Adobe's colour mark; only
    how to turn the picture is said anew. What follows the picture's end is cut off.
    """
    parts, at = [b"\xff\xd8"], 2
    if 2 <= turn <= 8:
        parts.append(_turned_note(turn))
    while at < len(data) - 3:
        found = _MARKER.search(data, at)
        if found is None:
            break
        kind, begins = found[1][0], found.end() - 2
        if kind == _END:
            break
        size = struct.unpack_from(">H", data, found.end())[0]
        ends = found.end() + size
        plain = not 0xE0 <= kind <= 0xEF and kind != _COMMENT
        if plain or kind in (0xE0, _ADOBE):
            parts.append(data[begins:ends])
        at = ends
        if kind == _SCAN:
            end = _MARKER.search(data, ends)
            stop = len(data) if end is None else end.start()
            parts.append(data[ends:stop])
            at = stop
    return b"".join([*parts, b"\xff\xd9"])


def _turned_note(turn: int) -> bytes:
    """An Exif segment that says how to turn the picture, and nothing else."""
    entry = struct.pack(">HHIHH", ORIENTATION, 3, 1, turn, 0)
    tiff = b"MM\x00\x2a" + struct.pack(">IH", 8, 1) + entry + struct.pack(">I", 0)
    body = b"Exif\x00\x00" + tiff
    return b"\xff\xe1" + struct.pack(">H", len(body) + 2) + body
