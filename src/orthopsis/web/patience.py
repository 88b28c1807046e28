"""Connections that say nothing are closed: a server has only so many."""

from __future__ import annotations

import asyncio
from typing import Any

import h11
from uvicorn.protocols.http.h11_impl import H11Protocol

SILENCE_S = 60.0
"""So long a request may pause while it is being sent."""
LOOK_EVERY_S = 5.0


class PatientProtocol(H11Protocol):
    """HTTP as uvicorn has it, with an end to waiting for the rest of a request."""

    silence_s = SILENCE_S
    look_every_s = LOOK_EVERY_S

    def connection_made(self, transport: asyncio.Transport) -> None:  # type: ignore[override]
        super().connection_made(transport)
        self._heard_at = self.loop.time()
        self._look = self.loop.call_later(self.look_every_s, self._close_if_silent)

    def data_received(self, data: bytes) -> None:
        self._heard_at = self.loop.time()
        super().data_received(data)

    def connection_lost(self, exc: Any) -> None:
        self._look.cancel()
        super().connection_lost(exc)

    def _close_if_silent(self) -> None:
        asked_for = self.conn.their_state in (h11.IDLE, h11.SEND_BODY)
        if asked_for and self.loop.time() - self._heard_at > self.silence_s:
            self.transport.close()
            return
        self._look = self.loop.call_later(self.look_every_s, self._close_if_silent)
