"""The runner: one thread that gives what waits in the database to the engine, and hears of it.

It outlives hiccups: what cannot be written now is written later, what nobody holds is taken up
again, and the thread itself is begun anew when it should have ended.
"""

from __future__ import annotations

import logging
import threading
import time
from collections import Counter, deque
from typing import NamedTuple

from sqlalchemy.exc import DBAPIError
from sqlalchemy.orm import Session

from orthopsis.errors import IN_MM
from orthopsis.phrase import say
from orthopsis.school import claims
from orthopsis.school.claims import Claim, Kind
from orthopsis.school.store import Store
from orthopsis.work.engine import Engine
from orthopsis.work.outcome import Outcome

LIMIT_S: dict[Kind, float] = {
    "sheet": 90.0, "upload": 300.0, "print": 900.0, "picture": 60.0,
}  # fmt: skip
FORGOTTEN_S = 30.0
HOLD_EVERY_S = 4.0
LOOK_S = 3.0
LOOK_SOON_S = 0.3
"""While something is under way, from which more may come."""
LONGEST_PAUSE_S = 5.0
TRIES = 2
"""A process may have been ended from outside: what it had is tried once more."""
ENGINE_GONE = ("lost", "cancelled")
"""How the engine says that nobody does it any more."""


class Begun(NamedTuple):
    """Work that is under way."""

    at: float
    """On the clock that only runs forward."""
    limit_s: float


class State(NamedTuple):
    """How the runner is, for whoever looks after the server."""

    running: bool
    engine: bool
    under_way: int


class Runner:
    """Does what waits; asleep until somebody calls `look` or `warm`."""

    def __init__(self, store: Store, engine: Engine) -> None:
        self.store, self.engine = store, engine
        self._under_way: dict[Claim, Begun] = {}
        self._over: deque[tuple[Claim, object, Begun]] = deque()
        """What has ended and is not noted yet."""
        self._tried: Counter[Claim] = Counter()
        self._wake = threading.Condition()
        self._asked = False
        self._closing = False
        self._wanted = False
        """Whether the engine is to be ready although nothing waits."""
        self._held_at = 0.0
        self._thread: threading.Thread | None = None

    def start(self) -> None:
        """Have a living thread do what waits."""
        with self._wake:
            if self._closing or (self._thread is not None and self._thread.is_alive()):
                return
            self._thread = threading.Thread(target=self._run, name="runner", daemon=True)
            self._thread.start()

    def look(self) -> None:
        """There is something to do."""
        with self._wake:
            self._asked = True
            self._wake.notify_all()
        self.start()

    def warm(self) -> None:
        """Have the processes ready before the first sheet comes."""
        self._wanted = True
        self.look()

    def state(self) -> State:
        """How it is at this moment."""
        alive = self._thread is not None and self._thread.is_alive()
        return State(alive, self.engine.started, len(self._under_way))

    def close(self) -> None:
        """Let go of everything; what is not done waits in the database."""
        with self._wake:
            self._closing = True
            self._wake.notify_all()
        if self._thread is not None:
            self._thread.join(timeout=20.0)
        self.engine.close()
        held = list(self._under_way)
        if held:
            try:
                self.store.done(claims.let_go, held)
            except DBAPIError as error:
                logging.getLogger("orthopsis").warning("claims run out by themselves: %s", error)

    def _run(self) -> None:
        pause_s = LOOK_SOON_S
        while not self._closing:
            try:
                self._note_what_is_over()
                self._hold()
                busy = self._give_out()
                pause_s = LOOK_SOON_S
                self._sleep(LOOK_SOON_S if busy else LOOK_S)
            except Exception as error:
                # Whatever it is, the next look may do well: records come back, engines, too.
                known = isinstance(error, (DBAPIError, OSError))
                logger = logging.getLogger("orthopsis")
                logger.error("the runner goes on after: %s", error, exc_info=not known)
                time.sleep(pause_s)
                pause_s = min(LONGEST_PAUSE_S, 2.0 * pause_s)

    def _sleep(self, longest_s: float) -> None:
        with self._wake:
            if not (self._asked or self._closing or self._over):
                self._wake.wait(longest_s)
            self._asked = False

    def _give_out(self) -> bool:
        """Claim as much as there are places. Whether anything is under way."""
        if not self.engine.started:
            left = self.store.done(claims.waiting)
            if not self._wanted and not any(left.values()):
                return False
            self.engine.start()
        while not self._closing and len(self._under_way) < self.engine.places:
            claimed = self.store.done(claims.claim, self._under_way)
            if claimed is None:
                break
            begun = Begun(time.monotonic(), LIMIT_S[claimed.kind])
            self._under_way[claimed] = begun
            try:
                self.engine.submit(claimed, begun.limit_s, self._heard)
            except BaseException:
                self._over.append((claimed, Outcome.AGAIN, begun))
                raise
        return bool(self._under_way)

    def _heard(self, claimed: Claim, outcome: object) -> None:
        with self._wake:
            begun = self._under_way.get(claimed)
            if begun is not None:
                self._over.append((claimed, outcome, begun))
            self._wake.notify_all()

    def _note_what_is_over(self) -> None:
        """Write what became of it; what cannot be written now stays to be written."""
        while self._over:
            claimed, outcome, begun = self._over[0]
            self.store.done(self._note, claimed, outcome, begun)
            self._over.popleft()
            self._under_way.pop(claimed, None)

    def _note(self, session: Session, claimed: Claim, outcome: object, begun: Begun) -> None:
        ended_early = time.monotonic() - begun.at < 0.95 * begun.limit_s
        if outcome == Outcome.AGAIN or outcome in ENGINE_GONE:
            claims.let_go(session, [claimed])
        elif outcome in (Outcome.DONE, Outcome.FAULT):
            # What is done is not marked as begun any more, and stays as it is.
            self._tried.pop(claimed, None)
            claims.fail(session, claimed, IN_MM.say(say("work-fault")))
        elif outcome != Outcome.MEMORY and ended_early and self._tried[claimed] + 1 < TRIES:
            self._tried[claimed] += 1
            claims.let_go(session, [claimed])
        else:
            self._tried.pop(claimed, None)
            claims.fail(session, claimed, IN_MM.say(say("work-too-much")))

    def _hold(self) -> None:
        """Renew what is under way, and take back what nobody holds."""
        if time.monotonic() - self._held_at < HOLD_EVERY_S:
            return
        for claimed, begun in list(self._under_way.items()):
            # The engine forgot it: nobody will ever be heard of.
            if time.monotonic() - begun.at > begun.limit_s + FORGOTTEN_S:
                self._heard(claimed, ENGINE_GONE[0])
        held = list(self._under_way)

        def renew(session: Session) -> None:
            claims.hold(session, held)
            claims.take_back(session)

        self.store.done(renew)
        self._held_at = time.monotonic()
