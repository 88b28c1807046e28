"""Whatever a document says, there is an answer or a refusal: no crash, no NaN, no long wait."""

from __future__ import annotations

import pytest

from tests.mutations import mutated, outcome

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
