"""What a helping process owes to the one that began it."""

from __future__ import annotations

import ctypes
import os
import signal

_PR_SET_PDEATHSIG = 1


def belong_to_the_parent() -> None:
    """Leave Ctrl+C to the parent, which ends its helpers itself, and end when it is gone.

    The system sees to the end, so that also a killed server leaves nobody behind.
    """
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    ctypes.CDLL(None).prctl(_PR_SET_PDEATHSIG, signal.SIGKILL)
    if os.getppid() == 1:
        # It had gone before we could say so.
        os.kill(os.getpid(), signal.SIGKILL)
