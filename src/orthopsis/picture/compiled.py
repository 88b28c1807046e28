"""The kernel compiled, for a server that draws at every move of a hand.

Until one is put to use, and on the command line always, the kernel runs as it stands. The compiler
is imported by `translated` alone; `warm_up` has it done before anybody waits.
"""

from __future__ import annotations

import importlib.util
import inspect
from collections.abc import Callable, Sequence
from types import ModuleType
from typing import Any, NamedTuple

from orthopsis.picture import curved_kernel, kernel, polynomials


class Kernel(NamedTuple):
    """The kernel's files, and `array`, which makes of numbers what their functions take."""

    faces: ModuleType
    curved: ModuleType
    array: Callable[[Sequence[float]], Any]


plain = Kernel(kernel, curved_kernel, list)

_in_use = plain


def in_use() -> Kernel:
    """The kernel to call: compiled once that has been loaded, otherwise as it stands."""
    return _in_use


def is_compiled() -> bool:
    """Whether calls go to the compiled kernel, which takes arrays."""
    return _in_use is not plain


def use(made: Kernel) -> None:
    """Call this kernel from now on."""
    global _in_use
    _in_use = made


def translated() -> Kernel:
    """A second copy of the kernel's source, compiled as it is called."""
    import numpy

    def array(values: Sequence[float]) -> Any:
        return numpy.array(values, numpy.float64)

    roots = _compiled(polynomials)
    return Kernel(_compiled(kernel), _compiled(curved_kernel, roots), array)


def _compiled(source: ModuleType, used: ModuleType | None = None) -> ModuleType:
    """A copy of a module with its functions compiled, and those that it uses of another."""
    import numba

    spec = importlib.util.find_spec(source.__name__)
    assert spec is not None and spec.loader is not None
    module = importlib.util.module_from_spec(spec)
    spec.loader.exec_module(module)
    for name, function in inspect.getmembers(module, inspect.isfunction):
        # Functions find each other through the module, so each call is to a compiled one.
        if function.__module__ == source.__name__:
            setattr(module, name, numba.njit(function, cache=True))
        elif used is not None and function.__module__ == used.__name__:
            setattr(module, name, getattr(used, name))
    return module
