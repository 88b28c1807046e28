"""Whatever a document says, there is an answer or a refusal: no crash, no NaN, no long wait."""

from __future__ import annotations

import pytest

from tests.mutations import everything, extreme, mutated, outcome

CHUNK = 60


def outcomes(seeds, made, judged):
    """What each made-up document comes to."""
    found = []
    for seed in seeds:
        data = made(seed)
        try:
            found.append(judged(data))
        except Exception as failure:
            # Ready to paste into tests/cases:
            raise AssertionError(f"{failure!r} for seed {seed}: {data!r}") from failure
    return found


@pytest.mark.parametrize("first", [0, 100, 200, 20_100])
def test_spoilt_documents_are_answered_or_refused(first):
    found = outcomes(range(first, first + CHUNK), mutated, outcome)
    assert found.count("answer") > CHUNK * 0.1
    assert found.count("refusal") > CHUNK * 0.1


@pytest.mark.parametrize("first", [0, 100, 22_000])
def test_measures_at_their_limits_are_answered_or_refused_in_everything(first):
    found = outcomes(range(first, first + CHUNK // 2), extreme, everything)
    assert found.count("answer") > CHUNK * 0.1
    assert found.count("refusal") > CHUNK * 0.1
