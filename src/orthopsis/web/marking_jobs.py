"""The executor of marking: processes that open files and judge photos, and can be killed.

Each thread here owns one process and gives it one thing at a time. A photo on which the process
takes too long, or ends, is marked as failed, and a fresh process goes on with the next.
"""

from __future__ import annotations

import logging
import os
import threading
from collections.abc import Callable
from concurrent.futures import Future, ProcessPoolExecutor
from concurrent.futures import TimeoutError as TooLong
from concurrent.futures.process import BrokenProcessPool
from multiprocessing import get_context

from orthopsis.school import intake
from orthopsis.school.intake import Claim
from orthopsis.school.store import Store
from orthopsis.web.jobs import leave_signals_to_the_parent

SHEET_LIMIT_S = 90.0
UPLOAD_LIMIT_S = 300.0
LOOK_AGAIN_S = 0.4
TICK_S = 0.5
MOST_MEMORY = 3_000_000_000
"""Bytes that one process may take: a picture that asks for more spoils only itself."""


class MarkingJobs:
    """Judges what waits in the database, in so many processes as there are processors."""

    def __init__(self, store: Store, workers: int | None = None) -> None:
        self.store = store
        self.count = workers or max(1, min(4, os.cpu_count() or 1))
        self._wake = threading.Condition()
        self._threads: list[threading.Thread] = []
        self._closing = False
        self._asked = 0

    def resume(self) -> None:
        """Take up what an earlier server left."""
        with self.store.session() as session:
            waiting = intake.take_up(session)
        if waiting:
            self.look()

    def look(self) -> None:
        """There is something to do."""
        with self._wake:
            self._asked += 1
            self._wake.notify_all()
        self.warm()

    def warm(self) -> None:
        """Have the processes ready before the first sheet comes."""
        with self._wake:
            while len(self._threads) < self.count:
                thread = threading.Thread(target=self._run, name="marking", daemon=True)
                self._threads.append(thread)
                thread.start()

    def close(self) -> None:
        """Let go of everything; what is not done stays noted in the database."""
        with self._wake:
            self._closing = True
            self._wake.notify_all()
        for thread in self._threads:
            thread.join(timeout=20.0)

    def _run(self) -> None:
        worker = _Worker(self.store)
        worker.start()
        try:
            while not self._closing:
                with self._wake:
                    seen = self._asked
                claimed, more = self._next()
                if claimed is not None:
                    worker.do(claimed, lambda: self._closing)
                    if claimed.kind == "upload":
                        self.look()
                    continue
                with self._wake:
                    if not self._closing and self._asked == seen:
                        self._wake.wait(LOOK_AGAIN_S if more else None)
        finally:
            worker.stop()

    def _next(self) -> tuple[Claim | None, bool]:
        """What to do next, and whether to look again soon when there is nothing."""
        with self.store.session() as session:
            claimed = intake.claim(session)
            return claimed, claimed is None and intake.under_way(session)


class _Worker:
    """One process, begun anew when it had to be ended."""

    def __init__(self, store: Store) -> None:
        self.store = store
        self.url = store.engine.url.render_as_string(hide_password=False)
        self._pool: ProcessPoolExecutor | None = None

    def start(self) -> ProcessPoolExecutor:
        """The process, loading what it needs before the first photo comes."""
        if self._pool is None:
            self._pool = ProcessPoolExecutor(
                1, mp_context=get_context("spawn"), initializer=_ready, initargs=(self.url,)
            )
            self._pool.submit(_nothing)
        return self._pool

    def do(self, claimed: Claim, closing: Callable[[], bool]) -> None:
        """Have one thing done, within its time."""
        limit_s = SHEET_LIMIT_S if claimed.kind == "sheet" else UPLOAD_LIMIT_S
        work = self._submitted(claimed)
        for _ in range(int(limit_s / TICK_S)):
            if closing():
                return
            try:
                fault = work.exception(timeout=TICK_S)
            except TooLong:
                continue
            if fault is not None:
                self._heard(claimed, fault)
            return
        self.stop()
        problem = "it took too long to read and was left; send it in another form"
        intake.broke_off(self.store, claimed, problem)

    def _submitted(self, claimed: Claim) -> Future[None]:
        try:
            return self.start().submit(_work, claimed)
        except BrokenProcessPool:
            # It was ended from outside meanwhile: the next one does it.
            self.stop()
            return self.start().submit(_work, claimed)

    def _heard(self, claimed: Claim, fault: BaseException) -> None:
        """What no worker could say itself is said here: a fault in it, or its sudden end."""
        if isinstance(fault, BrokenProcessPool):
            self.stop()
            problem = "it could not be read and was left; send it in another form"
        else:
            logging.getLogger("orthopsis").error(
                "marking %s %d", claimed.kind, claimed.id, exc_info=fault
            )
            problem = "something went wrong while it was read; nothing else is touched. Try again"
        intake.broke_off(self.store, claimed, problem)

    def stop(self) -> None:
        if self._pool is not None:
            for process in list((self._pool._processes or {}).values()):
                process.kill()
            self._pool.shutdown(wait=True, cancel_futures=True)
            self._pool = None


_STORE: list[Store] = []
"""The worker process's own connection."""


def _ready(url: str) -> None:
    import resource

    import cv2

    leave_signals_to_the_parent()
    resource.setrlimit(resource.RLIMIT_AS, (MOST_MEMORY, MOST_MEMORY))
    # One photo a processor: more threads would only wait for one another.
    cv2.setNumThreads(1)
    os.nice(5)
    _STORE.append(Store(url))


def _nothing() -> None:
    """Asked of a fresh process, so that it has loaded everything before a sheet comes."""


def _work(claimed: Claim) -> None:
    intake.work(_STORE[0], claimed)
