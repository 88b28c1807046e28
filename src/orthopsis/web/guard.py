"""At the door: only this machine's own names, only our own pages, nothing larger than is taken."""

from __future__ import annotations

import re
from urllib.parse import urlsplit

from starlette.datastructures import Headers, MutableHeaders
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from orthopsis.phrase import Number, Phrase, say
from orthopsis.web.problems import Problem, problem_response
from orthopsis.wording.words import Words

OWN_NAMES = frozenset({"127.0.0.1", "localhost", "::1"})
MAX_BODY_BYTES = 4_000_000
"""A document has at most half of it."""
MAX_SHEETS_BYTES = 210_000_000
"""A class set may come as one file."""
SAFE_METHODS = frozenset({"GET", "HEAD", "OPTIONS"})

CONTENT_POLICY = (
    "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; "
    "object-src 'none'; frame-src 'self' blob:; frame-ancestors 'self'; base-uri 'none'; "
    "form-action 'self'"
)


class Guard:
    """Refuses foreign hosts and foreign pages, and sets the headers that keep a page at home."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        refusal = _refusal(scope["method"], scope["path"], Headers(scope=scope))
        if refusal is not None:
            await problem_response(refusal)(scope, receive, send)
            return

        async def send_with_headers(message: Message) -> None:
            if message["type"] == "http.response.start":
                headers = MutableHeaders(scope=message)
                headers.setdefault("Content-Security-Policy", CONTENT_POLICY)
                headers.setdefault("X-Content-Type-Options", "nosniff")
                headers.setdefault("Referrer-Policy", "no-referrer")
                if scope["path"].startswith("/api/"):
                    headers.setdefault("Cache-Control", "no-store")
            await send(message)

        await self.app(scope, receive, send_with_headers)


def _refusal(method: str, path: str, headers: Headers) -> Problem | None:
    if _name(headers.get("host", "")) not in OWN_NAMES:
        return _problem("foreign host", 421, say("door-foreign-host"))
    origin = headers.get("origin")
    if method not in SAFE_METHODS and origin and urlsplit(origin).netloc != headers.get("host"):
        return _problem("foreign page", 403, say("door-foreign-page"))
    length = headers.get("content-length", "0")
    most = MAX_SHEETS_BYTES if re.fullmatch(r"/api/lessons/\d+/sheets", path) else MAX_BODY_BYTES
    if not length.isdigit() or int(length) > most:
        return _problem("too large", 413, say("door-too-large", most=Number(most // 1_000_000)))
    # Who sends in pieces does not say how many there will be.
    in_pieces = "transfer-encoding" in headers
    if in_pieces or (method in {"POST", "PUT"} and "content-length" not in headers):
        return _problem("length unknown", 411, say("door-length-unknown"))
    return None


def _problem(title: str, status: int, says: Phrase) -> Problem:
    kind = "urn:orthopsis:" + title.replace(" ", "-")
    return Problem(type=kind, title=title, status=status, detail=Words().say(says))


def _name(host: str) -> str:
    try:
        return urlsplit(f"//{host}").hostname or ""
    except ValueError:
        return ""
