"""What two do at the same moment, and the database therefore takes back, is done again."""

from __future__ import annotations

import asyncio

from starlette.types import ASGIApp, Message, Receive, Scope, Send

from orthopsis.school.store import TRIES, pause_s

TAKEN_BACK = "x-taken-back"
"""On an answer that only says so; it never leaves this server unless it stays so."""
HELD_BYTES = 5_000_000
"""What is sent is held so that it can be given again; larger things have their own way."""


class Again:
    """Gives a request to the app once more when the database took it back."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        length = dict(scope.get("headers", ())).get(b"content-length", b"0")
        if scope["type"] != "http" or not length.isdigit() or int(length) > HELD_BYTES:
            await self.app(scope, receive, send)
            return
        sent = await _all_of(receive)
        for tried in range(TRIES):
            answer = _Answer(send, last=tried + 1 == TRIES)
            await self.app(dict(scope), _Given(sent, receive), answer)
            if not answer.taken_back:
                return
            await asyncio.sleep(pause_s(tried))


async def _all_of(receive: Receive) -> list[Message]:
    messages = [await receive()]
    while messages[-1].get("more_body"):
        messages.append(await receive())
    return messages


class _Given:
    """What was sent, given once more; then whatever else comes."""

    def __init__(self, messages: list[Message], receive: Receive) -> None:
        self._left, self._receive = list(messages), receive

    async def __call__(self) -> Message:
        return self._left.pop(0) if self._left else await self._receive()


class _Answer:
    """Passes an answer on, unless it says that all was taken back."""

    def __init__(self, send: Send, last: bool) -> None:
        self._send, self._last, self.taken_back = send, last, False

    async def __call__(self, message: Message) -> None:
        if message["type"] == "http.response.start" and not self._last:
            self.taken_back = any(name == TAKEN_BACK.encode() for name, _ in message["headers"])
        if not self.taken_back:
            await self._send(message)
