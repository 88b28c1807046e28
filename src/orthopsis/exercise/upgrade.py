"""Documents of earlier versions, brought up to the one of now, as plain data.

Version 2 gives each piece a lasting name, and knows steps by that name and their phrase. Version 1
knew a step by its title in English; those titles are frozen here and nowhere else.
"""

from __future__ import annotations

import hashlib
import re
from collections.abc import Iterable, Mapping
from typing import Any

VERSION = 2


def upgraded(data: dict[str, Any]) -> dict[str, Any]:
    """The document as this version has it; what is no such document is left to be refused."""
    pieces = data.get("pieces")
    if isinstance(pieces, list):
        data = {**data, "pieces": with_uids(pieces)}
    if data.get("version") != 1:
        return data
    run = data.get("run")
    if isinstance(run, dict) and isinstance(data.get("pieces"), list):
        by_id = {one.get("id"): one for one in data["pieces"] if isinstance(one, dict)}
        data = {**data, "run": _run(run, by_id)}
    return {**data, "version": VERSION}


def with_uids(pieces: list[Any]) -> list[Any]:
    """The pieces, each with a lasting name; the same one at every reading of the same document."""
    taken = {one["uid"] for one in pieces if isinstance(one, dict) and one.get("uid")}
    made = []
    for one in pieces:
        if isinstance(one, dict) and not one.get("uid") and isinstance(one.get("id"), str):
            one = {**one, "uid": _uid(one["id"], taken)}
            taken.add(one["uid"])
        made.append(one)
    return made


def _uid(name: str, taken: Iterable[str]) -> str:
    """A name that is not taken, from the one that it has now."""
    turn = 0
    while True:
        digest = hashlib.sha256(f"{name}{turn or ''}".encode()).hexdigest()[:8]
        if digest not in taken:
            return digest
        turn += 1


# --- steps of version 1 ---------------------------------------------------------------------------

_SETTING = {
    "The frame": "frame", "eye level": "eye-level-line", "points": "points", "Finish": "finish",
}  # fmt: skip
_ENDINGS = {
    "the front face": "box-front",
    "lines to both points": "box-lines-to-both",
    "the left side": "box-left",
    "the right side": "box-right",
    "the top": "box-top",
    "the underside": "box-underside",
    "the sides": "round-sides",
    "tidy and darken": "tidy",
    "the block": "block",
    "its place": "face-place",
    "level lines": "face-rows",
    "more level lines": "face-rows-more",
    "uprights": "face-columns",
    "more uprights": "face-columns-more",
    "slanted lines": "face-slants",
    "the outline": "face-outline",
    "the outline goes on": "face-outline-more",
    "the curves": "curves",
    "more curves": "curves-more",
    "the curves behind": "curves-behind",
    "more curves behind": "curves-behind-more",
    "the back": "back",
    "the back goes on": "back-more",
    "pattern bands": "bands",
    "more pattern bands": "bands-more",
    "its place in the street": "street-place",
}
_CIRCLE = re.compile(r"the (middle|circle) of the (top|base|front|back|left end|right end)")
_LINES = re.compile(r"(more )?lines to (?:.+:)?VP\d")
_NUMBERED = re.compile(r"(.+?)(?: (\d+))?")


def _run(run: dict[str, Any], pieces: Mapping[Any, dict[str, Any]]) -> dict[str, Any]:
    """The teacher's changes by the keys of now; one that cannot be told is kept as it is."""
    changed = dict(run)
    if isinstance(run.get("order"), list):
        changed["order"] = [step_key(key, pieces) for key in run["order"]]
    if isinstance(run.get("steps"), dict):
        changed["steps"] = {step_key(key, pieces): edit for key, edit in run["steps"].items()}
    return changed


def step_key(old: Any, pieces: Mapping[Any, dict[str, Any]]) -> Any:
    """A key of version 1 as one of now: ``crate/Crate: the top 2`` is ``9f1c/box-top/2``."""
    if not isinstance(old, str) or "/" not in old:
        return old
    part, _, title = old.partition("/")
    if not part:
        name, number = _parted(title, _SETTING)
        return old if name is None else f"/{name}/{number}"
    piece, _, member = part.partition(":")
    found = pieces.get(piece)
    _, colon, ending = title.partition(": ")
    if found is None or not colon:
        return old
    phrase, number = _phrase(ending, found, member)
    if phrase is None:
        return old
    return f"{found.get('uid')}{'.' + member if member else ''}/{phrase}/{number}"


def _parted(text: str, known: Mapping[str, str]) -> tuple[str | None, str]:
    """What a title stands for, and the number behind it."""
    if text in known:
        return known[text], "1"
    whole = _NUMBERED.fullmatch(text)
    assert whole is not None
    return known.get(whole[1]), whole[2] or "1"


def _phrase(ending: str, piece: Mapping[str, Any], member: str) -> tuple[str | None, str]:
    cut_from_block = piece.get("kind") in ("letters", "outline")
    name, number = _parted(ending, _ENDINGS)
    if name == "block" and piece.get("street") is not None and member not in ("", "1"):
        name = "street-block"
    if name is not None:
        return name, number
    words, number = _stripped(ending)
    if words == "the front edge":
        return "box-edge-on" if piece.get("stack") is not None else "box-edge", number
    if words == "how far back":
        return "back-depth" if cut_from_block else "box-depth", number
    circle = _CIRCLE.fullmatch(words)
    if circle is not None:
        what = "circle-middle" if circle[1] == "middle" else "circle"
        return f"{what}-{circle[2].replace(' ', '-')}", number
    lines = _LINES.fullmatch(words)
    if lines is not None:
        if not cut_from_block:
            return "box-lines", number
        return "corner-lines-more" if lines[1] else "corner-lines", number
    return None, number


def _stripped(text: str) -> tuple[str, str]:
    whole = _NUMBERED.fullmatch(text)
    assert whole is not None
    return whole[1], whole[2] or "1"
