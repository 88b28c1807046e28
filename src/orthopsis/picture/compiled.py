"""The kernel compiled, for a server that draws at every move of a hand.

Until `load` has been called, and on the command line always, the kernel runs as it stands.
The compiler is imported by `load` alone; its results are kept on disk, so that this module, run
once in a process of its own, spares the server both the work and the waiting.
"""

from __future__ import annotations

import importlib.util
import inspect
import os
from collections.abc import Callable, Sequence
from types import ModuleType
from typing import Any, NamedTuple

from orthopsis.picture import curved_kernel, kernel, polynomials


class Kernel(NamedTuple):
    """The kernel's files, and `array`, which makes of numbers what their functions take."""

    faces: ModuleType
    bents: ModuleType
    array: Callable[[Sequence[float]], Any]


plain = Kernel(kernel, curved_kernel, list)

_in_use = plain


def in_use() -> Kernel:
    """The kernel to call: compiled once that has been loaded, otherwise as it stands."""
    return _in_use


def is_compiled() -> bool:
    """Whether calls go to the compiled kernel, which takes arrays."""
    return _in_use is not plain


def load() -> None:
    """Use the compiled kernel from now on, once it is ready to answer."""
    global _in_use
    _in_use = translated()


def translated() -> Kernel:
    """A second copy of the kernel's source, compiled and tried out."""
    import numpy

    def array(values: Sequence[float]) -> Any:
        return numpy.array(values, numpy.float64)

    roots = _compiled(polynomials)
    made = Kernel(_compiled(kernel), _compiled(curved_kernel, roots), array)
    _try_out(made)
    return made


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


def _try_out(made: Kernel) -> None:
    """One small drawing, so that the compiler has done everything before anybody waits for it."""
    from orthopsis.perspective.area import Area, quarter_between
    from orthopsis.perspective.stroke import Part
    from orthopsis.picture.curved_prism import CurvedPrism
    from orthopsis.picture.solid import prism
    from orthopsis.picture.visibility import Sight

    square = [(0.0, 0.0, 1.0), (9.0, 0.0, 1.0), (9.0, 9.0, 1.0), (0.0, 9.0, 1.0)]
    box = prism(Part("box"), [square], [["free"] * 4], (4.0, 4.0, 1.0), "free")
    bend = quarter_between((0.0, 9.0), (0.0, 0.0), (9.0, 0.0))
    area = Area((((0.0, 9.0), (9.0, 0.0), (9.0, 9.0)),), {(0, 0): bend})
    across, down = (1.0, 0.0, 0.0), (0.0, 1.0, 0.0)
    bent = CurvedPrism(
        Part("bent"), (2.0, 2.0, 1.5), across, down, area, ("free",) * 3, (4.0, 4.0, 1.0), "free"
    )
    Sight([box, bent], kernel=made).hidden()


if __name__ == "__main__":
    # Whoever draws meanwhile goes first.
    os.nice(15)
    translated()
