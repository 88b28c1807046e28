"""One thing to say of a sheet, and the judged sheet that it is said of."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from orthopsis.marking.fitting import ends_of
from orthopsis.marking.judging.answer_key import LEAST_EDGE_MM, AnswerKey, share_beside
from orthopsis.marking.judging.verdicts import JudgedStroke, MeetingPoint, Verdict
from orthopsis.perspective.segments import XY
from orthopsis.phrase import Phrase, Value

EYE_LEVEL_MM = 150.0
"""A shorter piece of it may be two light lines read as one."""

NEARLY_ALL = 0.85

Level = Literal["praise", "fix", "tidy", "ask"]
"""What is asked is for the teacher alone: the judge is not sure, and says nothing to the pupil."""


@dataclass(frozen=True)
class Finding:
    """One thing to say, with its place on the sheet and the lines (by number) it speaks of.

    `stretch` is how many times wider the drawing would be as it should look.
    """

    code: str
    level: Level
    where: XY
    says: Phrase
    lines: tuple[int, ...] = ()
    stretch: float | None = None


def finding(
    code: str,
    level: Level,
    where: XY,
    lines: Sequence[int] = (),
    phrase: str | None = None,
    /,
    **values: Value,
) -> Finding:
    """A finding at a place; its phrase goes by its code unless another is named."""
    says = Phrase(f"finding-{phrase or code}", values)
    return Finding(code, level, where, says, tuple(dict.fromkeys(lines)))


@dataclass(frozen=True)
class JudgedSheet:
    """What the judge read from a sheet: every line with its verdict, and where they meet.

    `reached` is the step up to which a half-finished sheet is judged.
    """

    key: AnswerKey
    judged: Sequence[JudgedStroke]
    points: Sequence[MeetingPoint]
    reached: int | None = None

    def of(self, family: str) -> list[int]:
        """The numbers of a family's lines."""
        return [n for n, line in enumerate(self.judged) if line.family == family]

    @property
    def finished(self) -> bool:
        """Whether it is judged as a whole, and its light lines are meant to be rubbed out."""
        return self.key.step is None and self.reached is None

    def off(self, family: str) -> list[int]:
        """The numbers of a family's lines that are off, the worst first.

        On a finished sheet nothing is said of light lines: what is left of them is not meant to be
        seen, and where they run close together one is easily read from two. Nor is anything said of
        a line whose edge is drawn rightly as well: it was read from others that cross there. What
        is too short to be missed is too short to be blamed.
        """
        wrong = [
            n for n in self.of(family)
            if self.judged[n].verdict is Verdict.OFF
            and (not self.finished or self._is_seen(self.judged[n]))
            and not (self.finished and self._is_drawn_rightly(n))
            and not self._is_a_scrap(self.judged[n])
        ]  # fmt: skip
        return sorted(wrong, key=lambda n: -(self.judged[n].angle_deg or 0.0))

    def _is_drawn_rightly(self, number: int) -> bool:
        """Whether a line's edge has right lines along nearly all of it."""
        edge = self.judged[number].assigned.expected
        right = [line for line in self.judged if line.verdict in (Verdict.ON, Verdict.NEAR)]
        # The eye level is drawn lightly; an edge is drawn darkly.
        of_edge = edge is not None and edge.outline
        right = [line for line in right if line.assigned.found.dark or not of_edge]
        drawn = ends_of([line.assigned.found for line in right])
        return edge is not None and share_beside(*edge.stroke.segment, drawn) > NEARLY_ALL

    @staticmethod
    def _is_a_scrap(line: JudgedStroke) -> bool:
        """Whether a line, and the edge that it was taken for, are too short to tell."""
        edge = line.assigned.expected
        short = line.assigned.found.length_mm < LEAST_EDGE_MM
        return short and edge is not None and edge.may_lack

    @staticmethod
    def _is_seen(line: JudgedStroke) -> bool:
        """Whether a line belongs to the finished drawing, or is most of the eye level."""
        expected, found = line.assigned.expected, line.assigned.found
        eye_level = expected is not None and expected.stroke.part is None
        return found.dark or (eye_level and found.length_mm >= EYE_LEVEL_MM)

    @property
    def own_points(self) -> list[MeetingPoint]:
        """The points that the pupil put elsewhere and kept to."""
        return [point for point in self.points if point.consistent_elsewhere]

    def of_lines(
        self,
        code: str,
        level: Level,
        numbers: Sequence[int],
        phrase: str | None = None,
        /,
        **values: Value,
    ) -> Finding:
        """A finding at the middle of the first of some lines."""
        where = self.judged[numbers[0]].assigned.found.middle
        return finding(code, level, where, numbers, phrase, **values)
