"""Heavy work one after the other and within a time, so that light work is never held up.

A request that draws or prints first waits for its turn, holding neither a thread nor a connection
to the records; when too many wait, it is told so. Its work is then ended when it takes too long.
"""

from __future__ import annotations

import asyncio
import ctypes
import functools
import threading
from collections.abc import AsyncIterator, Callable
from contextlib import asynccontextmanager
from typing import ParamSpec, TypeVar

from fastapi import Depends, Request

from orthopsis.errors import OrthopsisError
from orthopsis.phrase import Phrase, say

P = ParamSpec("P")
T = TypeVar("T")

LIMIT_S = {"drawing": 20.0, "printing": 180.0}
"""Seconds that a kind of work may take."""


class Busy(OrthopsisError):
    """Too many wait already; the same later may do well."""


class TookTooLong(OrthopsisError):
    """Ended because of its time."""

    def __init__(self, says: Phrase | None = None) -> None:
        super().__init__(says or say("busy-too-long"))


class Turns:
    """So many at once, so many waiting, and nobody beyond them."""

    def __init__(self, at_once: int, most_waiting: int) -> None:
        self._free = asyncio.Semaphore(at_once)
        self._most = most_waiting
        self.waiting = 0

    @asynccontextmanager
    async def turn(self) -> AsyncIterator[None]:
        """Wait for one's turn and hold it. Raises Busy."""
        if self.waiting >= self._most:
            raise Busy(say("busy-come-later"))
        self.waiting += 1
        try:
            await self._free.acquire()
        finally:
            self.waiting -= 1
        try:
            yield
        finally:
            self._free.release()


async def _to_draw(request: Request) -> AsyncIterator[None]:
    async with request.app.state.drawing.turn():
        yield


async def _to_print(request: Request) -> AsyncIterator[None]:
    async with request.app.state.printing.turn():
        yield


TO_DRAW = Depends(_to_draw, scope="function")
TO_PRINT = Depends(_to_print, scope="function")


def within(kind: str) -> Callable[[Callable[P, T]], Callable[P, T]]:
    """Have a piece of work of that kind end in its time. It may only draw, and hold no records: so
    nothing is ever half-done.

    Raises TookTooLong in it, at its next line of Python: only a thread's own error can end it.
    """

    def limited(work: Callable[P, T]) -> Callable[P, T]:
        @functools.wraps(work)
        def done(*args: P.args, **named: P.kwargs) -> T:
            watch = _Watch(LIMIT_S[kind])
            try:
                return work(*args, **named)
            finally:
                watch.over()

        return done

    return limited


class _Watch:
    """Raises an error in the thread that made it, once its time is over."""

    def __init__(self, limit_s: float) -> None:
        self._thread = threading.get_ident()
        self._lock = threading.Lock()
        self._over = False
        self._timer = threading.Timer(limit_s, self._end)
        self._timer.daemon = True
        self._timer.start()

    def _end(self) -> None:
        with self._lock:
            if not self._over:
                number = ctypes.c_ulong(self._thread)
                ctypes.pythonapi.PyThreadState_SetAsyncExc(number, ctypes.py_object(TookTooLong))

    def over(self) -> None:
        """The work is done; from now on it is not ended any more."""
        self._timer.cancel()
        with self._lock:
            self._over = True
