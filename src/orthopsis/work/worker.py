"""In the process that does one thing at a time: its limits, and the work by its kind.

It can be killed at any moment. Nothing is half-kept: each result is one transaction.
"""

from __future__ import annotations

import logging
import os
import resource
import signal
from typing import Any

from distributed import Worker, WorkerPlugin
from sqlalchemy.exc import DBAPIError

from orthopsis.school import intake, pictures, printing
from orthopsis.school.claims import Kind
from orthopsis.school.store import Store
from orthopsis.work.outcome import Outcome
from orthopsis.work.parent import belong_to_the_parent

MOST_MEMORY = 3_000_000_000
"""Bytes that one process may take: what asks for more spoils only itself."""


class Ready(WorkerPlugin):
    """Makes a fresh process ready: it ends with its parent, is bounded, and knows the records."""

    name = "orthopsis"

    def __init__(self, url: str) -> None:
        self.url = url

    def setup(self, worker: Worker) -> None:
        """Called once in each process, before the first work comes."""
        import cv2

        del worker
        belong_to_the_parent()
        resource.setrlimit(resource.RLIMIT_AS, (MOST_MEMORY, MOST_MEMORY))
        # One photo a processor: more threads would only wait for one another.
        cv2.setNumThreads(1)
        # Whoever draws at the bench goes first.
        os.nice(5)
        _RECORDS.append(Store(self.url, connections=2))


_RECORDS: list[Store] = []
"""The process's own connection."""


def do(kind: Kind, number: int, limit_s: float) -> Outcome:
    """Do one thing within its time.

    The system itself ends the process when the time is over, also in the middle of a decoder.
    """
    signal.setitimer(signal.ITIMER_REAL, limit_s)
    try:
        _WORK[kind](_RECORDS[-1], number)
        return Outcome.DONE
    except DBAPIError:
        logging.getLogger("orthopsis").exception("%s %d: the records", kind, number)
        return Outcome.AGAIN
    except MemoryError:
        return Outcome.MEMORY
    except Exception:
        logging.getLogger("orthopsis").exception("%s %d", kind, number)
        return Outcome.FAULT
    finally:
        signal.setitimer(signal.ITIMER_REAL, 0.0)


_WORK: dict[Kind, Any] = {
    "sheet": intake.judge,
    "upload": intake.open_file,
    "print": printing.work,
    "picture": pictures.look,
}
