"""Within, beyond, too close. Outside checks: scipy.stats.norm; the JCGM 106 example; the case C07."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy import stats

from halfthou.gauges import guard_band
from halfthou.jobs import Guard, SourceKind
from halfthou.lengths import Length
from halfthou.verdicts import Called, FigureKey, Limit, Measured, call, conformance, judge
from tests.making import CASES, inches


def judged(value: Length, doubt: float = 0.0) -> Measured:
    return Measured(FigureKey.SIZE, "rule", "figure", value, (), doubt, guard_band(doubt, Guard.ONE_SIDED_95))


def test_conformance_of_the_zener_example() -> None:
    """Source: JCGM 106:2012 clause 7 (recalled, 0.92): 0.07 V inside the limit with u = 0.05 V."""
    found = conformance(Length(70), 50.0)
    assert found == pytest.approx(CASES["C06"]["expected"], abs=0.0005)
    assert round(found, 2) == CASES["C06"]["published"]


@given(st.integers(-10_000, 10_000), st.floats(1, 5_000))
def test_conformance_is_scipys_normal(spare: int, doubt: float) -> None:
    """Library: scipy.stats.norm.cdf."""
    assert conformance(Length(spare), doubt) == pytest.approx(stats.norm.cdf(spare / doubt), abs=0.00051)


def test_acceptance_limit_of_the_case() -> None:
    """Source: case C07: limit 0.0030 in, u 0.0001 in, accepted up to 0.0028355 in."""
    u = inches("0.0001").nm
    accepted = inches("0.0030") - guard_band(u, Guard.ONE_SIDED_95)
    assert accepted.nm / 25_400_000 == pytest.approx(CASES["C07"]["expected"], abs=CASES["C07"]["tol"])


@given(st.integers(-3_000, 3_000), st.floats(0.5, 900))
def test_the_three_answers_agree_with_the_probability(spare: int, doubt: float) -> None:
    """Within means at least 95 % by scipy's normal, beyond at most 5 %; between is too close (docs/trade: Decision
    rule)."""
    guard = guard_band(doubt, Guard.ONE_SIDED_95)
    p = stats.norm.cdf(spare / doubt)
    state = call(Length(spare), guard)
    if state is Called.WITHIN:
        assert p >= 0.95
    elif state is Called.BEYOND:
        assert p <= 0.05
    else:
        assert 0.05 - 0.01 <= p <= 0.95 + 0.01 or abs(abs(spare) - guard.nm) <= 1


def test_exactly_on_the_limit() -> None:
    limit = Limit(inches("2.0362"), True, SourceKind.MAKER)
    assert judge(judged(inches("2.0362")), limit).called is Called.WITHIN
    assert judge(judged(inches("2.0362"), 1.0), limit).called is Called.TOO_CLOSE
    assert judge(judged(inches("2.0362") - Length(1)), limit).called is Called.BEYOND


def test_exactly_the_guard_band_away_is_called() -> None:
    limit = Limit(Length(1000), False, SourceKind.MAKER)
    guard = guard_band(100.0, Guard.ONE_SIDED_95)
    assert judge(judged(Length(1000) - guard, 100.0), limit).called is Called.WITHIN
    assert judge(judged(Length(1001) - guard, 100.0), limit).called is Called.TOO_CLOSE
    assert judge(judged(Length(1000) + guard, 100.0), limit).called is Called.BEYOND


@pytest.mark.parametrize("value", [Length(1), Length(999_999)])
def test_a_rule_of_thumb_settles_nothing(value: Length) -> None:
    """Source: docs/trade: Authority of a limit."""
    found = judge(judged(value), Limit(Length(1000), False, SourceKind.RULE_OF_THUMB))
    assert found.called is Called.TOO_CLOSE


@pytest.mark.parametrize("kind", [k for k in SourceKind if k is not SourceKind.RULE_OF_THUMB])
def test_every_other_source_has_authority(kind: SourceKind) -> None:
    assert judge(judged(Length(1)), Limit(Length(1000), False, kind)).called is Called.WITHIN


def test_a_plan_that_cannot_accept_may_still_reject() -> None:
    limit = Limit(Length(1000), False, SourceKind.MAKER)
    assert judge(judged(Length(1)), limit, cannot_accept=True).called is Called.TOO_CLOSE
    assert judge(judged(Length(2000)), limit, cannot_accept=True).called is Called.BEYOND


def test_conformance_between_two_limits() -> None:
    """Source: case C08: 0.0025 between 0.0010 and 0.0026, u 0.0001. Shown to three decimals."""
    u = inches("0.0001").nm
    above, below = (conformance(inches(spare), u) for spare in ("0.0015", "0.0001"))
    assert above + below - 1 == pytest.approx(CASES["C08"]["expected"], abs=0.0005)
