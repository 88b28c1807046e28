"""What is said by counting: edges and guide lines that are missing, and construction left dark."""

from __future__ import annotations

from orthopsis.marking.answer_key import is_drawn, share_beside
from orthopsis.marking.findings import Finding, Reading
from orthopsis.marking.findings_of_lines import counted
from orthopsis.marking.fitting import Array, ends_of

UNERASED = 4
"""So many dark construction lines are left on purpose or by neglect; fewer by chance."""


def of_counts(reading: Reading) -> list[Finding]:
    """Everything that is said by counting, in no order."""
    return [*_missing(reading), *_unerased(reading)]


def _missing(reading: Reading) -> list[Finding]:
    if reading.key.given != "measures":
        return _fewer(reading)
    found = {
        id(line.assigned.expected) for line in reading.judged if line.assigned.expected is not None
    }
    dark = _seen_segments(reading, dark=True)
    gone = [
        edge
        for edge in reading.key.expected
        if edge.outline and id(edge) not in found and not is_drawn(edge, dark)
    ]
    said = []
    if gone:
        (x0, y0), (x1, y1) = gone[0].stroke.segment
        number = counted(len(gone), "edge is", "edges are")
        words = f"{number} not to be found; compare the drawing with the finished picture."
        said.append(Finding("missing-edge", "fix", ((x0 + x1) / 2, (y0 + y1) / 2), words))
    return said + _missing_guides(reading, found)


def _fewer(reading: Reading) -> list[Finding]:
    """Where sizes and places are the pupil's own, edges can still be counted by family."""
    said = []
    for name in (point.name for point in reading.points):
        asked = sum(e.outline and e.stroke.family == name for e in reading.key.expected)
        drawn = sum(reading.judged[n].assigned.found.dark for n in reading.of(name))
        if 0 < drawn < asked:
            words = (
                f"The exercise has {counted(asked, 'edge', 'edges')} to {name}, yours has {drawn}; "
                "compare it with the finished picture."
            )
            place = reading.judged[reading.of(name)[0]].assigned.found.middle
            said.append(Finding("missing-edge", "fix", place, words))
    return said


def _missing_guides(reading: Reading, found: set[int]) -> list[Finding]:
    """On a half-finished sheet guide lines are not rubbed out yet: they can be counted."""
    if reading.key.step is None:
        return []
    said = []
    seen = _seen_segments(reading)
    for name in (point.name for point in reading.points):
        due = [e for e in reading.key.expected if not e.outline and e.stroke.family == name]
        gone = [e for e in due if id(e) not in found and not is_drawn(e, seen)]
        if len(due) >= 2 and gone and len(gone) < len(due):
            (x0, y0), (x1, y1) = gone[0].stroke.segment
            said.append(
                Finding(
                    "missing-guide", "fix", ((x0 + x1) / 2, (y0 + y1) / 2),
                    f"There should be {len(due)} guide lines to {name} by now; {len(gone)} of them "
                    f"{'is' if len(gone) == 1 else 'are'} not there. Count the corners that send "
                    "one.",
                )
            )  # fmt: skip
    return said


def _seen_segments(reading: Reading, dark: bool = False) -> Array:
    lines = [j.assigned.found for j in reading.judged if j.assigned.found.dark or not dark]
    return ends_of(lines)


def _unerased(reading: Reading) -> list[Finding]:
    """Dark lines where the construction had light ones, on a sheet that is finished."""
    if reading.key.step is not None or reading.reached is not None:
        return []
    dark = [
        n
        for n, line in enumerate(reading.judged)
        if line.assigned.found.dark
        and line.assigned.expected is not None
        and not line.assigned.expected.outline
        and line.assigned.expected.stroke.piece is not None
        and not _under_outline(reading, n)
    ]
    if len(dark) < UNERASED:
        return []
    words = (
        f"{len(dark)} construction lines are as dark as the edges. Draw them lightly, and rub them "
        "out when the edges are darkened."
    )
    return [reading.say("unerased", "tidy", dark, words)]


def _under_outline(reading: Reading, number: int) -> bool:
    """Whether an edge of the finished drawing lies where this line was taken for a light one."""
    outlines = reading.key.segments[reading.key.outlines > 0.5]
    found = reading.judged[number].assigned.found
    return share_beside(found.start, found.end, outlines) > 0.5
