"""The kernel compiled, for a server that draws at every move of a hand.

Until `load` has been called, and on the command line always, the kernel runs as it stands.
The compiler is imported by `load` alone; its results are kept on disk, so that this module, run
once in a process of its own, spares the server both the work and the waiting.
"""

from __future__ import annotations

import importlib.util
import inspect
import os
from types import ModuleType

from orthopsis.picture import kernel as plain

_in_use: ModuleType = plain


def in_use() -> ModuleType:
    """The kernel to call: compiled once that has been loaded, otherwise as it stands."""
    return _in_use


def is_compiled() -> bool:
    """Whether calls go to the compiled kernel, which takes arrays."""
    return _in_use is not plain


def load() -> None:
    """Use the compiled kernel from now on, once it is ready to answer."""
    global _in_use
    _in_use = translated()


def translated() -> ModuleType:
    """A second copy of the kernel's source, compiled and tried out."""
    import numba

    spec = importlib.util.find_spec(plain.__name__)
    assert spec is not None and spec.loader is not None
    module = importlib.util.module_from_spec(spec)
    spec.loader.exec_module(module)
    for name, function in inspect.getmembers(module, inspect.isfunction):
        # Functions find each other through the module, so each call is to a compiled one.
        setattr(module, name, numba.njit(function, cache=True))
    _try_out(module)
    return module


def _try_out(module: ModuleType) -> None:
    """One small drawing, so that the compiler has done everything before anybody waits for it."""
    from orthopsis.picture.hidden import Sight
    from orthopsis.picture.solid import prism

    square = [(0.0, 0.0, 1.0), (9.0, 0.0, 1.0), (9.0, 9.0, 1.0), (0.0, 9.0, 1.0)]
    box = prism("box", [square], [["free"] * 4], (4.0, 4.0, 1.0), "free")
    Sight([box], kernel=module).hidden()


if __name__ == "__main__":
    # Whoever draws meanwhile goes first.
    os.nice(15)
    translated()
