"""The promise held against the truth for every kind: parts of known true size, near and past a limit, read by
simulated hands and gauges through `assess`.

Outside: the arithmetic of the simulation. The promise is the guard band's one-sided 95 %. bench/truth.py does the
same with two thousand parts of each and prints the figures.
"""

from __future__ import annotations

import pytest

from halfthou.parts import CATALOGUE
from tests.simulated_parts import TRIED, Tried, tried_out

TIMES = 160


def test_every_kind_that_is_judged_is_tried() -> None:
    """Journals are tried in test_truth.py, the run-out of cranks in test_truth_of_cranks.py."""
    assert {tried.kind for tried in TRIED} | {"journal", "run-out"} == {
        trade.kind.key for trade in CATALOGUE.trades
    }


@pytest.mark.parametrize("tried", TRIED, ids=str)
def test_what_is_called_is_true_at_least_as_often_as_promised(tried: Tried) -> None:
    found = tried_out(tried, TIMES, seed=5)
    for state in ("within", "beyond"):
        assert found.called[state] > TIMES / 8, "without these it would prove nothing"
        assert found.share(state) <= 0.05
        assert found.at_limit[state] <= 0.065 * TIMES, "exactly at the limit nobody can tell"
    assert found.far["beyond"] and found.far["inside"]
    assert found.far["wrong reuse"] == found.far["wrong replace"] == 0, "further off than three doubts"
