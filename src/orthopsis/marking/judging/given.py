"""How far the places on a sheet prove what a line is: by what the pupils were given.

With all measures given, a line is known by its place, and what is not in its place can be said.
With
the points alone, or only the rules, sizes and places are the pupils' own.
"""

from __future__ import annotations

from abc import ABC, abstractmethod
from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import ClassVar

from orthopsis.marking.judging.answer_key import AnswerKey
from orthopsis.marking.judging.by_rules import assign_by_rules, own_goals
from orthopsis.marking.judging.families import Assigned, assign, without_handwork
from orthopsis.marking.judging.line_ends import sure_of_ends, to_their_ends
from orthopsis.marking.judging.measured import with_measures_of
from orthopsis.marking.judging.missing_edges import plainly_there, seek_missing
from orthopsis.marking.judging.own_sizes import with_own_sizes
from orthopsis.marking.judging.pattern import without_grain, without_pattern
from orthopsis.marking.judging.right_line import right_where_they_are
from orthopsis.marking.judging.verdicts import (
    JudgedStroke,
    MeetingPoint,
    Strictness,
    judge_lines,
    meeting_points,
    points_of_their_own,
    with_own_angles,
)
from orthopsis.marking.pencil.find_strokes import FoundStroke
from orthopsis.marking.sheet.straighten import Straightened
from orthopsis.perspective.plane import Point

Assignment = tuple[list[Assigned], AnswerKey]


class Given(ABC):
    """One way of judging a sheet."""

    places: ClassVar[bool] = False
    """Whether positions on the sheet, and the number of its lines, were given."""
    own_points: ClassVar[bool] = False
    """Whether the vanishing points are the pupil's own."""

    def straight(self, found: Sequence[FoundStroke], key: AnswerKey) -> list[FoundStroke]:
        """The lines without what belongs to a curve."""
        del key
        return list(found)

    def goals(self, found: Sequence[FoundStroke], key: AnswerKey) -> Mapping[str, Point]:
        """Where the lines of each family should lead."""
        del found
        return key.goals

    def sized(self, key: AnswerKey, found: Sequence[FoundStroke]) -> AnswerKey:
        """The key with the sizes that are the pupil's: chosen, or measured otherwise."""
        del found
        return key

    @abstractmethod
    def families(
        self, found: Sequence[FoundStroke], key: AnswerKey, strict: Strictness
    ) -> Assignment:
        """Each line in its family, and the key as it is looked for."""

    def without_fill(self, lines: list[Assigned]) -> list[Assigned]:
        """The lines without what only fills a face."""
        return without_grain(without_pattern(lines))

    def looked_for(
        self, bare: Straightened, lines: list[Assigned], key: AnswerKey, strict: Strictness
    ) -> list[FoundStroke]:
        """The lines once more on the picture, each to its true ends."""
        del key, strict
        return to_their_ends(bare, [line.found for line in lines])

    def with_own_angles(
        self, judged: list[JudgedStroke], points: Sequence[MeetingPoint], strict: Strictness
    ) -> list[JudgedStroke]:
        """The lines with their angle to the point that the pupil really aims at."""
        return with_own_angles(judged, points, strict)


class ByMeasures(Given):
    """All as printed: every line has its place."""

    places = True

    def straight(self, found: Sequence[FoundStroke], key: AnswerKey) -> list[FoundStroke]:
        return without_handwork(found, key)

    def sized(self, key: AnswerKey, found: Sequence[FoundStroke]) -> AnswerKey:
        if key.sized:
            return key
        return replace(with_measures_of(with_own_sizes(key, found), found), sized=True)

    def families(
        self, found: Sequence[FoundStroke], key: AnswerKey, strict: Strictness
    ) -> Assignment:
        return by_own_points(assign(found, key), key, strict)

    def looked_for(
        self, bare: Straightened, lines: list[Assigned], key: AnswerKey, strict: Strictness
    ) -> list[FoundStroke]:
        lines, key = by_own_points(lines, key, strict)
        strokes = seek_missing(bare, lines, key)
        strokes = plainly_there(bare, strokes, assign(strokes, key), key)
        strokes = right_where_they_are(bare, strokes, key, strict)
        return sure_of_ends(bare, assign(strokes, key))


class ByPoints(Given):
    """Eye level and points from the sheet; sizes and places of one's own."""

    def families(
        self, found: Sequence[FoundStroke], key: AnswerKey, strict: Strictness
    ) -> Assignment:
        del strict
        return assign_by_rules(found, key, self.goals(found, key)), key


class ByRules(ByPoints):
    """The points are the pupil's own, too: they are read from the lines."""

    own_points = True

    def goals(self, found: Sequence[FoundStroke], key: AnswerKey) -> Mapping[str, Point]:
        return own_goals(found, key)

    def without_fill(self, lines: list[Assigned]) -> list[Assigned]:
        return lines

    def with_own_angles(
        self, judged: list[JudgedStroke], points: Sequence[MeetingPoint], strict: Strictness
    ) -> list[JudgedStroke]:
        own = super().with_own_angles(judged, points, strict)
        return [replace(line, own_turn_deg=line.turn_deg) for line in own]


_WAYS: Mapping[str, Given] = {
    "measures": ByMeasures(), "points": ByPoints(), "rules": ByRules(),
}  # fmt: skip


def given_by(key: AnswerKey) -> Given:
    """The way in which sheets of an exercise are judged."""
    return _WAYS[key.given]


def by_own_points(lines: list[Assigned], key: AnswerKey, strict: Strictness) -> Assignment:
    """The lines by their place; of a pupil who keeps to another point, by the way there."""
    points = meeting_points(judge_lines(lines, key.goals, strict), key.scene, strict)
    own = points_of_their_own(points)
    if not own:
        return lines, key
    key = key.looked_for_toward(own)
    return assign([line.found for line in lines], key), key
