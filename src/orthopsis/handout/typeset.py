"""Pages set by typst: a template, plain data and figures in, a file out."""

from __future__ import annotations

import json
import tempfile
from collections.abc import Mapping
from importlib.resources import files
from pathlib import Path
from typing import Any, Literal

import typst


def typeset(
    template: str,
    data: dict[str, Any],
    figures: Mapping[str, str | bytes],
    form: Literal["pdf", "png"],
    dots_per_inch: float | None = None,
) -> bytes:
    """Run a template of this folder on `data.json` and the figures beside it."""
    here = files("orthopsis.handout")
    with tempfile.TemporaryDirectory() as folder:
        room = Path(folder)
        for name, figure in figures.items():
            (room / name).write_bytes(figure.encode() if isinstance(figure, str) else figure)
        (room / "data.json").write_text(json.dumps(data), encoding="utf-8")
        page = room / template
        page.write_text(here.joinpath(template).read_text(encoding="utf-8"), encoding="utf-8")
        result = typst.compile(
            page,
            root=room,
            font_paths=[Path(str(here.joinpath("fonts")))],
            ignore_system_fonts=True,
            format=form,
            ppi=dots_per_inch,
        )
    return result if isinstance(result, bytes) else result[0]
