"""The odd value of a row. Outside check: numpy's least squares, each reading left out in turn."""

import math
import random

import numpy as np
import pytest

from halfthou.jobs import Plan, Reading
from halfthou.lengths import Length
from halfthou.memo import Memo
from halfthou.parts.journals.kind import JOURNAL
from halfthou.surveys import Doubtful, lay_out
from halfthou.surveys.odd import LEAST_NM, fit_of, odd_one
from tests.making import engine_of, job, readings
from tests.simulated import TENTH, TrueJournal, altered

PLANS = (
    Plan(),
    Plan(planes=3),
    Plan(planes=3, angles_deg=(0, 60, 120)),
    Plan(planes=4, angles_deg=(10, 50, 90, 130)),
)


def design(plan: Plan) -> np.ndarray:
    """Mean, taper, two of ovality, and a bulge where there are three planes or more."""
    rows = []
    for spot in plan.spots:
        place = 2 * (int(spot[0]) - 1) / (plan.planes - 1) - 1
        turn = math.radians(2 * plan.angle_of(spot))
        row = [1.0, place, math.cos(turn), math.sin(turn)]
        rows.append(row if plan.planes < 3 else [*row, place**2])
    return np.array(rows)


@pytest.mark.parametrize("plan", PLANS, ids=lambda plan: f"{plan.planes}x{len(plan.angles_deg)}")
def test_the_residuals_are_those_of_least_squares(plan: Plan) -> None:
    """Library: numpy.linalg.lstsq, and leaving each reading out of the fit."""
    fit = fit_of(plan)
    assert fit is not None
    matrix = design(plan)
    sizes = np.random.default_rng(6).normal(scale=5 * TENTH, size=len(plan.spots))
    left = sizes - matrix @ np.linalg.lstsq(matrix, sizes, rcond=None)[0]
    ours = np.array(fit.residual) @ sizes
    assert np.allclose(ours, left, atol=1e-6)
    for at in range(len(sizes)):
        rest = np.delete(np.arange(len(sizes)), at)
        known = np.linalg.lstsq(matrix[rest], sizes[rest], rcond=None)[0]
        assert ours[at] / (1 - fit.leverage[at]) == pytest.approx(sizes[at] - matrix[at] @ known, abs=1e-5)


@pytest.mark.parametrize("plan", [Plan(angles_deg=(0, 90)), Plan(angles_deg=(0, 60, 120))])
def test_a_plan_that_leaves_too_little_over_to_check_with_is_not_checked(plan: Plan) -> None:
    """Four unknowns: six readings leave two over, four leave none."""
    assert fit_of(plan) is None


def form(seed: int, plan: Plan) -> list[Reading]:
    """R1 read without error from a true form, to the tenth."""
    chance = random.Random(seed)
    true = TrueJournal(20_370 * TENTH, chance.uniform(0, 20) * TENTH, chance.uniform(0, 180), 3 * TENTH)
    base = readings({"R1": ["2.0370"] * len(plan.spots)}, plan=plan)
    return [
        altered(r, round(true.at(int(r.spot[0]), plan.angle_of(r.spot), plan.planes) / TENTH) * TENTH) for r in base
    ]


def suspect(read: list[Reading], plan: Plan) -> tuple[str, Doubtful] | None:
    one = job(readings=tuple(read), plans={"rods": plan})
    bench = lay_out(one, engine_of(one), Memo())
    expected = JOURNAL.features[0].expected(one.limits, "rods")
    assert expected is not None
    found = odd_one(tuple(bench.take(reading) for reading in read), plan, expected)
    return None if found is None else (found.reading, found.why)


@pytest.mark.parametrize("plan", PLANS, ids=lambda plan: f"{plan.planes}x{len(plan.angles_deg)}")
@pytest.mark.parametrize("seed", range(12))
def test_a_true_form_has_no_odd_value_and_one_changed_reading_is_it(plan: Plan, seed: int) -> None:
    """Whatever oval and taper: nothing stands out; twenty tenths on any one reading do, and on no other."""
    read = form(seed, plan)
    assert suspect(read, plan) is None
    at = seed % len(read)
    off = [*read[:at], altered(read[at], read[at].size.nm - 20 * TENTH), *read[at + 1 :]]
    found = suspect(off, plan)
    assert found is not None
    assert found[0] == read[at].id


def test_what_is_less_than_three_tenths_and_a_half_is_left_alone() -> None:
    read = form(3, Plan())
    off = [altered(read[0], read[0].size.nm - 3 * TENTH), *read[1:]]
    assert Length(3 * TENTH) < Length(LEAST_NM)
    assert suspect(off, Plan()) is None


def test_a_journal_not_read_whole_is_not_checked() -> None:
    read = form(3, Plan())
    off = [altered(read[0], read[0].size.nm - 20 * TENTH), *read[1:6]]
    assert suspect(off, Plan()) is None
