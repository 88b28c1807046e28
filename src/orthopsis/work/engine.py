"""The engine: Dask's processes beside the server, or a school district's own by their address.

Nobody else on the machine can reach the processes beside the server: they speak with it under
certificates that are made at the start and lie in memory only.
"""

from __future__ import annotations

import contextlib
import logging
import os
import signal
from collections.abc import Callable
from typing import TYPE_CHECKING, Any

from orthopsis.school.claims import Claim

if TYPE_CHECKING:
    from distributed import Client, Future, LocalCluster

    from orthopsis.work.outcome import Outcome

MOST_WORKERS = 4
CLOSE_S = 5.0
MEMORY_OF_A_PROCESS = 2_200_000_000
"""Bytes in use at which a process is ended; before that it is refused more by its own limit."""

SETTINGS: dict[str, Any] = {
    # What ends its process is told to us at once: we say whether it is tried again.
    "distributed.scheduler.allowed-failures": 0,
    "distributed.scheduler.work-stealing": False,
    # No pages of its own: they would be open to everybody on the machine.
    "distributed.scheduler.http.routes": [],
    "distributed.worker.http.routes": [],
    "distributed.worker.memory.target": False,
    "distributed.worker.memory.spill": False,
    "distributed.worker.memory.pause": False,
    "distributed.worker.memory.terminate": 0.95,
    "distributed.admin.system-monitor.gil.enabled": False,
    "distributed.worker.profile.enabled": False,
}

Heard = Callable[[Claim, object], None]
"""Told what became of a piece of work: an Outcome, or the fault that ended its process."""


class Engine:
    """Processes that do one thing at a time; they load when they are first asked for."""

    def __init__(self, url: str, address: str | None = None, workers: int | None = None) -> None:
        self._url = url
        self._address = address
        self._workers = workers or max(1, min(MOST_WORKERS, os.cpu_count() or 1))
        self._cluster: LocalCluster | None = None
        self._client: Client | None = None
        self._futures: dict[str, Future[Outcome]] = {}
        self._count = 0

    @property
    def started(self) -> bool:
        """Whether there is somebody to give work to."""
        return self._client is not None and self._client.status == "running"

    def start(self) -> None:
        """Have the processes load what they need. Raises OSError when they cannot be reached."""
        if self.started:
            return
        self.close()
        import dask
        from distributed import Client, LocalCluster, Security

        from orthopsis.work.worker import Ready

        logging.getLogger("distributed").setLevel(logging.CRITICAL)
        dask.config.set(SETTINGS)
        if self._address is None:
            self._cluster = LocalCluster(  # type: ignore[no-untyped-call]
                n_workers=self._workers,
                threads_per_worker=1,
                processes=True,
                memory_limit=MEMORY_OF_A_PROCESS,
                host="127.0.0.1",
                security=Security.temporary(),  # type: ignore[no-untyped-call]
                dashboard_address="127.0.0.1:0",
                silence_logs=logging.CRITICAL,
            )
        self._client = Client(  # type: ignore[no-untyped-call]
            self._cluster or self._address, set_as_default=False
        )
        self._client.register_plugin(Ready(self._url))

    @property
    def places(self) -> int:
        """How much can be under way at once.

        None while a process has ended and is still thought to be there: it would be given work,
        which would then count as having ended a process twice.
        """
        if self._client is None or not self.started:
            return 0
        if self._cluster is None:
            return sum(self._client.nthreads().values())  # type: ignore[no-untyped-call]
        nannies = list(self._cluster.workers.values())
        living = {nanny.worker_address for nanny in nannies if nanny.pid and _lives(nanny.pid)}
        scheduler: Any = self._cluster.scheduler
        known = set(scheduler.workers)
        return len(known) if known <= living else 0

    def processes(self) -> list[int]:
        """The numbers of the processes beside the server, for those who watch them."""
        if self._cluster is None:
            return []
        return [nanny.pid for nanny in self._cluster.workers.values() if nanny.pid]

    def submit(self, claimed: Claim, limit_s: float, heard: Heard) -> None:
        """Have one thing done; `heard` is called from another thread when it is over."""
        from orthopsis.work.worker import do

        assert self._client is not None
        self._count += 1
        key = f"{claimed.kind}-{claimed.id}-{self._count}"
        future = self._client.submit(do, claimed.kind, claimed.id, limit_s, key=key, pure=False)
        # Kept, because work that nobody waits for is dropped.
        self._futures[key] = future

        def over(done: Future[Outcome]) -> None:
            self._futures.pop(key, None)
            try:
                result = done.result(timeout=CLOSE_S) if done.status == "finished" else done.status
            except Exception:
                # The process ended before it could tell; the database knows what it has done.
                result = "error"
            heard(claimed, result)

        future.add_done_callback(over)  # type: ignore[no-untyped-call]

    def close(self) -> None:
        """Let go of everything; what is not done stays noted in the database."""
        self._futures.clear()
        if self._cluster is not None:
            for nanny in self._cluster.workers.values():
                nanny.auto_restart = False
            for process in self.processes():
                with contextlib.suppress(ProcessLookupError):
                    os.kill(process, signal.SIGKILL)
        for one in (self._client, self._cluster):
            if one is not None:
                try:
                    one.close(timeout=CLOSE_S)
                except Exception as error:
                    logging.getLogger("orthopsis").warning("an engine did not close: %s", error)
        self._client = self._cluster = None


def _lives(child: int) -> bool:
    """Whether a process that we began has not ended, also when nobody has noticed its end yet."""
    try:
        return os.waitid(os.P_PID, child, os.WEXITED | os.WNOHANG | os.WNOWAIT) is None
    except ChildProcessError:
        return False
