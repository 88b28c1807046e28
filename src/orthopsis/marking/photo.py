"""Opening a picture file: bounded, verified by its content, turned upright."""

from __future__ import annotations

import io
import warnings
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageOps, UnidentifiedImageError

from orthopsis.errors import ImageError

Grey = NDArray[np.uint8]

MAX_BYTES = 40_000_000
MAX_PIXELS = 60_000_000
LEAST_SIDE_PX = 300
FORMATS = ("JPEG", "PNG")
PLAIN_INFO = {"jfif", "jfif_version", "jfif_unit", "jfif_density", "dpi"}
"""What a file may say of itself beside its pixels; anything else is not kept."""


@dataclass(frozen=True)
class Photo:
    """An opened picture: its grey values, and the file as it may be kept.

    `clean` is turned upright and has no notes on place, time or device in it.
    """

    grey: Grey
    clean: bytes
    media_type: str


def open_grey(data: bytes) -> Grey:
    """The picture in grey, shape (height, width), turned as its camera says.

    Raises ImageError for what is too large, broken, or no JPEG or PNG at all.
    """
    return np.asarray(_upright(data)[0].convert("L"), dtype=np.uint8)


def open_photo(data: bytes) -> Photo:
    """The picture with a copy fit for keeping. Raises ImageError as `open_grey` does."""
    picture, form, as_sent = _upright(data)
    grey = np.asarray(picture.convert("L"), dtype=np.uint8)
    if as_sent:
        return Photo(grey, data, f"image/{form.lower()}")
    kept = io.BytesIO()
    bare = picture.convert("RGB") if picture.mode not in ("L", "RGB") else picture
    bare.info.clear()
    bare.save(kept, form, **({"quality": 92} if form == "JPEG" else {}))
    return Photo(grey, kept.getvalue(), f"image/{form.lower()}")


def _upright(data: bytes) -> tuple[Image.Image, str, bool]:
    """The decoded picture, its format, and whether the file holds nothing but the picture."""
    if len(data) > MAX_BYTES:
        raise ImageError(
            f"the file has {len(data) / 1e6:.0f} MB, more than the {MAX_BYTES // 1_000_000} MB "
            "taken; send a smaller photo"
        )
    with warnings.catch_warnings():
        warnings.simplefilter("ignore", Image.DecompressionBombWarning)
        try:
            with Image.open(io.BytesIO(data), formats=FORMATS) as picture:
                _check_size(*picture.size)
                form = str(picture.format)
                notes = set(picture.info) - PLAIN_INFO
                return ImageOps.exif_transpose(picture), form, not notes
        except (UnidentifiedImageError, OSError, SyntaxError, ValueError, EOFError):
            raise ImageError(
                "this file is not a readable JPEG or PNG picture; take the photo again or save it "
                "as JPEG"
            ) from None
        except Image.DecompressionBombError:
            raise _too_many_pixels("far too many") from None


def _check_size(width: int, height: int) -> None:
    if width * height > MAX_PIXELS:
        raise _too_many_pixels(f"{width * height / 1e6:.0f} million")
    if min(width, height) < LEAST_SIDE_PX:
        raise ImageError(
            f"the picture is only {width} × {height} pixels; at least {LEAST_SIDE_PX} each way are "
            "needed to see pencil lines"
        )


def _too_many_pixels(count: str) -> ImageError:
    return ImageError(
        f"the picture has {count} pixels, more than the {MAX_PIXELS // 1_000_000} million taken; "
        "send a smaller one"
    )
