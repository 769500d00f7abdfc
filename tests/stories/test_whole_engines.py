"""Whole engines worn in a known way, read by a gauge with a known error, judged by the real code.

The truth of each journal is known, so the promise of the guard band can be held to account. Outside: the truth is
made here from geometry and a normal error; the promised risk is that of ISO 14253-1 as settled in docs/trade:
Decision rule.
"""

import math
import random

import pytest

from halfthou.assess import assess
from halfthou.jobs import Gauge, Plan
from halfthou.lengths import Length, Unit
from halfthou.verdicts import Action, Called
from tests.making import GOOD_MAIN, figure, inches, job, limits

NEW_MOST = inches("2.0378").nm
LIMIT = inches("2.0362").nm


def gauge(error_nm: int) -> Gauge:
    return Gauge(
        id="mic",
        name="mic",
        kind="micrometer",
        unit=Unit.INCH,
        resolution=Length(254),
        permissible_error=Length(0),
        repeatability=Length(error_nm),
    )


def read(true_nm: float, error_nm: float, chance: random.Random) -> str:
    ticks = round((true_nm + chance.gauss(0, error_nm)) / 254)
    return f"{ticks / 100_000:.5f}"


@pytest.mark.parametrize("error_nm", [400, 1500])
def test_round_journals_near_the_limit_are_called_wrongly_no_oftener_than_promised(error_nm: int) -> None:
    """A round, straight journal whose true size lies within a few errors of the limit. Of those called within, the
    share in truth beyond must stay at or under 5 %; likewise of those called beyond. The least of eight readings
    leans low: "within" is safer than promised, and "beyond" allows for the pick."""
    chance = random.Random(error_nm)
    on = limits(service_least=figure(Length(LIMIT)))
    wrong = {Called.WITHIN: 0, Called.BEYOND: 0}
    called = {Called.WITHIN: 0, Called.BEYOND: 0}
    for _ in range(400):
        true = LIMIT + chance.uniform(-5, 5) * error_nm
        texts = [read(true, error_nm, chance) for _ in range(chance.choice((8, 4)))]
        one = job({"R1": texts}, rods=on, gauges=(gauge(error_nm),), gauge=gauge(error_nm))
        size = assess(one).part("R1").figures[0]
        if size.called in called:
            called[size.called] += 1
            wrong[size.called] += (true < LIMIT) if size.called is Called.WITHIN else (true >= LIMIT)
    assert min(called.values()) > 30
    assert all(wrong[state] <= 0.05 * called[state] for state in called)


def worn(one: float, oval: float, turned: float) -> tuple[list[str], float]:
    """Eight exact diameters of a journal worn one-sided and oval, and twice its least radius about the old axis."""
    radius = [
        NEW_MOST / 2
        - one * max(0.0, math.cos(math.radians(t))) ** 2
        - oval * math.cos(math.radians(t - turned)) ** 2
        for t in range(360)
    ]
    sizes = [radius[t] + radius[t + 180] for t in Plan().angles_deg]
    return [f"{round(size / 254) / 100_000:.5f}" for size in sizes] * 2, 2 * min(radius)


def test_a_crank_ground_to_the_size_chosen_cleans_up_and_one_step_less_would_not_be_sure() -> None:
    """However the wear lies, a circle of the chosen size about the old axis stays inside the worn journal. And the
    step before it does not surely: were all wear of the smallest diameter on one side, less than the half of the
    band that can be worked to would be left there."""
    chance = random.Random(31)
    ground = smaller = 0
    for _ in range(150):
        engine, least, sure = {}, [], []
        for n in range(1, 5):
            texts, clean = worn(chance.uniform(0, 160_000), chance.uniform(0, 60_000), chance.uniform(0, 180))
            engine[f"R{n}"] = texts
            least.append(clean)
            read_nm = [round(float(text) * 25_400_000) for text in texts]
            sure.append(2 * min(read_nm) - max(NEW_MOST, *read_nm) - 7_620)
        found = assess(job(engine, gauges=(gauge(100),), gauge=gauge(100))).of("rods")
        if found.action is not Action.REGRIND or found.step is None:
            continue
        ground += 1
        smallest = inches("2.0370").nm - found.step.nm
        # Four angles see an oval to the fit; what lies between them is under a tenth here.
        assert min(least) >= smallest - 2_540
        if found.step.nm > 254_000:
            before = smallest + 254_000
            # A fitted ellipse may lie half a thou below the least reading, and counts twice.
            assert min(sure) - before < 10_160 + 25_400
            smaller += 1
    assert ground > 60
    assert smaller > 10


def test_mains_and_rods_are_decided_apart() -> None:
    """Thirty on the rods, standard on the mains: two sets, two sizes. Common practice, no source."""
    texts, _ = worn(330_000, 0, 0)
    engine = {**{f"R{n}": texts for n in range(1, 5)}, **{f"M{n}": GOOD_MAIN for n in range(1, 6)}}
    found = assess(job(engine, gauges=(gauge(100),), gauge=gauge(100)))
    assert found.of("rods").action is Action.REGRIND
    step = found.of("rods").step
    assert step is not None
    assert step.nm == inches("0.030").nm
    assert (found.of("mains").action, found.of("mains").headline) == (Action.REUSE, "reuse")


def test_a_gauge_too_coarse_leaves_everything_in_doubt() -> None:
    """A caliper of ±0.001 in against a band of 0.0008 in: it may condemn, but hardly accept."""
    coarse = gauge(0).model_copy(update={"permissible_error": inches("0.001"), "resolution": inches("0.0005")})
    good = assess(job({"R1": ["2.0375"] * 8}, gauges=(coarse,), gauge=coarse)).part("R1")
    bad = assess(job({"R1": ["2.0330"] * 8}, gauges=(coarse,), gauge=coarse)).part("R1")
    assert good.action is Action.MEASURE
    assert bad.action is Action.REGRIND
