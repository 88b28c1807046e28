"""The executor of long work: one process beside the server, which does what the database asks."""

from __future__ import annotations

import logging
import os
import signal
from concurrent.futures import Future, ProcessPoolExecutor
from concurrent.futures.process import BrokenProcessPool
from multiprocessing import get_context

from orthopsis.school import printing
from orthopsis.school.store import Store


class Jobs:
    """Does prints one after the other, in a process that starts with the first of them."""

    def __init__(self, store: Store) -> None:
        self.store = store
        self._pool: ProcessPoolExecutor | None = None
        self._closing = False

    def resume(self) -> None:
        """Take up what an earlier server left."""
        with self.store.session() as session:
            left = printing.left_to_do(session)
        for job_id in left:
            self.submit(job_id)

    def submit(self, job_id: int) -> None:
        """Have a print done soon."""
        url = self.store.engine.url.render_as_string(hide_password=False)
        try:
            work = self._workers().submit(_work, url, job_id)
        except BrokenProcessPool:
            # Its process was ended from outside: the next one does it.
            self._pool = None
            work = self._workers().submit(_work, url, job_id)
        work.add_done_callback(lambda done: self._heard(job_id, done))

    def _workers(self) -> ProcessPoolExecutor:
        if self._pool is None:
            self._pool = ProcessPoolExecutor(
                1, mp_context=get_context("spawn"), initializer=leave_signals_to_the_parent
            )
        return self._pool

    def _heard(self, job_id: int, done: Future[None]) -> None:
        """What no worker could say itself is said here: a fault in it, or its sudden end."""
        if self._closing or done.cancelled():
            return
        fault = done.exception()
        if fault is not None:
            logging.getLogger("orthopsis").error("print %d broke off", job_id, exc_info=fault)
            printing.broke_off(self.store, job_id)

    def close(self) -> None:
        """Let go of everything; what is not done stays noted in the database."""
        self._closing = True
        if self._pool is not None:
            for process in list((self._pool._processes or {}).values()):
                process.terminate()
            self._pool.shutdown(wait=True, cancel_futures=True)
            self._pool = None


def leave_signals_to_the_parent() -> None:
    """Ctrl+C is the server's to hear: it ends its helpers itself, without their complaints."""
    signal.signal(signal.SIGINT, signal.SIG_IGN)


def _work(url: str, job_id: int) -> None:
    # Whoever draws at the bench goes first.
    os.nice(5)
    store = Store(url)
    try:
        printing.work(store, job_id)
    finally:
        store.close()
