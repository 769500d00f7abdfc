"""Simulated cranks near their run-out limit, indicated by a dial with errors of its own: what is called is true as
often as promised. The truth is arithmetic of this file alone."""

from __future__ import annotations

import math
import random
from collections import Counter
from dataclasses import dataclass, field

import pytest

from halfthou.assess import assess
from halfthou.jobs import Reading
from halfthou.lengths import Unit
from halfthou.verdicts import Action
from tests.making import NOON, inches
from tests.straight import TENTHS, allowed, crank, total

TIMES = 160
LIMIT = inches("0.0020").nm
STEP = TENTHS.resolution.nm


@dataclass
class Dial:
    """An indicator whose error goes up and down over its travel by all that it may, read to its own step."""

    chance: random.Random
    phase: float = field(init=False)

    def __post_init__(self) -> None:
        self.phase = self.chance.uniform(0, math.tau)

    def read(self, true: float) -> int:
        """What it shows."""
        error = TENTHS.permissible_error.nm / 2 * math.sin(self.phase + math.tau * true / inches("0.004").nm)
        return round((true + error + self.chance.gauss(0, STEP / 4)) / STEP) * STEP


def indicated(main: str, swing: float, chance: random.Random, whole: bool) -> tuple[Reading, ...]:
    """A main that truly swings so far, its high side anywhere, oval by up to half a thou."""
    dial, high, oval = Dial(chance), chance.uniform(0, 360), chance.uniform(0, inches("0.0005").nm)
    turned = range(0, 360, 45)
    true = [
        swing / 2 * math.cos(math.radians(deg - high))
        + (0 if whole else oval / 4 * math.cos(math.radians(2 * deg)))
        for deg in turned
    ]
    shown = [dial.read(height) for height in true]
    if whole:
        return tuple(
            one.model_copy(update={"count": dial.read(swing / 2) - dial.read(-swing / 2)})
            for one in total(main, "0", high, gauge=TENTHS)
        )
    return tuple(
        Reading(
            id=f"{main}.{deg}", part=f"run-out-{main}", feature="run-out", spot=str(deg), count=height,
            typed="as simulated", unit=Unit.INCH, gauge=TENTHS.id, by="bench", at=NOON,
        )
        for deg, height in zip(turned, shown, strict=True)
    )  # fmt: skip


@pytest.mark.parametrize("whole", [False, True], ids=["every 45 degrees", "total reading"])
def test_what_is_called_of_a_run_out_is_true_as_often_as_promised(whole: bool) -> None:
    chance, called, wrong, used = random.Random(11), Counter[str](), Counter[str](), Counter[str]()
    for _ in range(TIMES):
        swing = chance.uniform(LIMIT - inches("0.0006").nm, LIMIT + inches("0.0006").nm)
        read = indicated("M3", swing, chance, whole)
        still = (total("M2", "0", 0), total("M4", "0", 0))
        found = assess(crank(read, *still, limits=allowed("0.0020", None)))
        (figure,) = [one for one in found.part("run-out-M3").figures if one.key == "run-out"]
        called[figure.called.value] += 1
        wrong[figure.called.value] += (swing <= LIMIT) is not (figure.called.value == "within")
        used["bent, called straight"] += found.of("straightness").action is Action.REUSE and swing > LIMIT
    for state in ("within", "beyond"):
        assert called[state] > TIMES / 8, "without these it would prove nothing"
        assert wrong[state] <= 0.05 * called[state]
    assert used["bent, called straight"] <= 0.05 * TIMES


def test_exactly_at_the_limit_nobody_can_tell() -> None:
    chance, called = random.Random(12), Counter[str]()
    for _ in range(TIMES):
        read = indicated("M3", LIMIT, chance, whole=False)
        found = assess(crank(read, total("M2", "0", 0), total("M4", "0", 0), limits=allowed("0.0020", None)))
        (figure,) = [one for one in found.part("run-out-M3").figures if one.key == "run-out"]
        called[figure.called.value] += 1
    assert called["within"] <= 0.065 * TIMES
    assert called["beyond"] <= 0.065 * TIMES
