"""Whatever a document says, there is an answer or a refusal: no crash, no NaN, no long wait."""

from __future__ import annotations

import pytest

from tests.mutations import everything, extreme, mutated, outcome

CHUNK = 100


@pytest.mark.parametrize("first", [0, 100, 200, 20_100])
def test_spoilt_documents_are_answered_or_refused(first):
    outcomes = []
    for seed in range(first, first + CHUNK):
        data = mutated(seed)
        try:
            outcomes.append(outcome(data))
        except Exception as failure:
            # Ready to paste into tests/cases:
            raise AssertionError(f"{failure!r} for seed {seed}: {data!r}") from failure
    assert outcomes.count("answer") > CHUNK * 0.1
    assert outcomes.count("refusal") > CHUNK * 0.1


@pytest.mark.parametrize("first", [0, 100, 22_000])
def test_measures_at_their_limits_are_answered_or_refused_in_everything(first):
    outcomes = []
    for seed in range(first, first + CHUNK // 2):
        data = extreme(seed)
        try:
            outcomes.append(everything(data))
        except Exception as failure:
            raise AssertionError(f"{failure!r} for seed {seed}: {data!r}") from failure
    assert outcomes.count("answer") > CHUNK * 0.1
    assert outcomes.count("refusal") > CHUNK * 0.1
