"""Files over the web: their names, and what the API's description says of them."""

from __future__ import annotations

from typing import Any

SVG: dict[int | str, dict[str, Any]] = {
    200: {"content": {"image/svg+xml": {"schema": {"type": "string"}}}}
}


def binary(media_type: str) -> dict[int | str, dict[str, Any]]:
    """An answer that is a file of one type."""
    return {200: {"content": {media_type: {"schema": {"type": "string", "format": "binary"}}}}}


def file_name(title: str, ending: str) -> str:
    """A name for a file that every system takes."""
    plain = "".join(c if c.isascii() and c.isalnum() else "-" for c in title.lower())
    return f"{plain.strip('-') or 'exercise'}.{ending}"


def named(title: str, ending: str, how: str = "attachment") -> dict[str, str]:
    """The header that names a file: an `attachment` is kept, what is `inline` is shown."""
    return {"Content-Disposition": f'{how}; filename="{file_name(title, ending)}"'}
