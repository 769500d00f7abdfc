"""The promise held against the truth: simulated journals of known form, read by simulated gauges through `assess`.

Outside: the arithmetic of the simulation. The promise is the guard band's one-sided 95 %. bench/truth.py does the
same with ten thousand journals and prints the figures.
"""

from __future__ import annotations

import random
from collections import Counter

import pytest

from halfthou.assess import assess
from halfthou.jobs import SettingCheck
from halfthou.lengths import Length, Unit
from halfthou.verdicts import FigureKey
from tests.making import NOON, inches
from tests.simulated import TENTH, TrueGauge, TrueJournal, bench_job, micrometer, readings_of

SIZE, OVAL, TAPER = FigureKey.SIZE, FigureKey.OUT_OF_ROUND, FigureKey.TAPER
LIMITS = {SIZE: inches("2.0370").nm, OVAL: inches("0.0010").nm, TAPER: inches("0.0006").nm}


def read_near_its_limits(seed: int, *, checked: bool) -> tuple[Counter[tuple[str, str]], Counter[tuple[str, str]]]:
    """What was called of four hundred journals, and how much of it was wrong."""
    chance = random.Random(seed)
    called: Counter[tuple[str, str]] = Counter()
    wrong: Counter[tuple[str, str]] = Counter()
    for _ in range(400):
        oval, taper = chance.uniform(0, 20) * TENTH, chance.uniform(0, 12) * TENTH
        least = LIMITS[SIZE] + chance.uniform(-8, 8) * TENTH
        true = TrueJournal(least + oval / 2 + taper, oval, chance.uniform(0, 180), taper)
        gauge = TrueGauge(micrometer(TENTH, TENTH // 2, TENTH // 2), chance.uniform(-TENTH, TENTH), TENTH / 2)
        read = tuple(Length(gauge.read(inches("2.0000").nm, chance)) for _ in range(3))
        check = SettingCheck(
            id="c", gauge="mic", standard=inches("2.0000"), read=read, unit=Unit.INCH, by="bench", at=NOON
        )
        job = bench_job(readings_of("R1", true, gauge, chance), gauge.gauge, (check,) if checked else ())
        is_beyond: dict[str, bool] = {
            SIZE: true.least < LIMITS[SIZE],
            OVAL: oval > LIMITS[OVAL],
            TAPER: taper > LIMITS[TAPER],
        }
        for figure in assess(job).part("R1").figures:
            key = figure.key, figure.called.value
            if figure.key in is_beyond:
                called[key] += 1
                wrong[key] += is_beyond[figure.key] == (figure.called.value == "within")
    return called, wrong


@pytest.mark.parametrize("checked", [False, True])
def test_what_is_called_is_true_at_least_as_often_as_promised(*, checked: bool) -> None:
    called, wrong = read_near_its_limits(21, checked=checked)
    for name in LIMITS:
        for state in ("within", "beyond"):
            assert called[name, state] > 50
            assert wrong[name, state] <= 0.05 * called[name, state]


def test_a_setting_check_leaves_fewer_sizes_in_doubt() -> None:
    """Source: docs/trade: A micrometer's budget: checking on a block and applying the correction is worth more than
    more readings."""
    plain, _ = read_near_its_limits(22, checked=False)
    checked, _ = read_near_its_limits(22, checked=True)
    assert checked[SIZE, "too close"] < plain[SIZE, "too close"]
