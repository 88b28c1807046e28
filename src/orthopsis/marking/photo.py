"""Opening a picture file: bounded, verified by its content, turned upright."""

from __future__ import annotations

import io
import warnings

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageOps, UnidentifiedImageError

from orthopsis.errors import ImageError

Grey = NDArray[np.uint8]

MAX_BYTES = 40_000_000
MAX_PIXELS = 60_000_000
LEAST_SIDE_PX = 300
FORMATS = ("JPEG", "PNG")


def open_grey(data: bytes) -> Grey:
    """The picture in grey, shape (height, width), turned as its camera says.

    Raises ImageError for what is too large, broken, or no JPEG or PNG at all.
    """
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
                upright = ImageOps.exif_transpose(picture)
                return np.asarray(upright.convert("L"), dtype=np.uint8)
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
