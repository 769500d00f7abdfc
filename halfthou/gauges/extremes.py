"""The least of several readings lies low by chance alone: what "beyond" has to allow for."""

from __future__ import annotations

import math
from functools import lru_cache
from statistics import NormalDist

from halfthou.gauges.budget import GUARD_FACTOR
from halfthou.jobs import Guard
from halfthou.lengths import Length

_NORMAL = NormalDist()
#: Steps and reach of the integral: nine decimals for any number of readings a journal can have.
_STEPS, _REACH = 600, 9.0


@lru_cache(maxsize=128)
def extreme_of(count: int) -> tuple[float, float]:
    """Mean and standard deviation of the greatest of so many standard normal readings.

    Takes:   how many readings, one or more.
    Gives:   (m_n, sd_n), by Simpson's rule on x·n·φ(x)·Φ(x)^(n-1).
    Rule:    gauges.picked.   Source: order statistics of the normal, e.g. the tables of Harter, recalled.
    >>> [round(value, 4) for value in extreme_of(8)]
    [1.4236, 0.6107]
    """
    if count < 2:
        return 0.0, 1.0
    width = 2 * _REACH / _STEPS
    mean = square = 0.0
    for at in range(_STEPS + 1):
        x = -_REACH + at * width
        weight = 1 if at in (0, _STEPS) else 4 if at % 2 else 2
        density = weight * count * _NORMAL.pdf(x) * _NORMAL.cdf(x) ** (count - 1)
        mean += x * density
        square += x * x * density
    mean *= width / 3
    return mean, math.sqrt(square * width / 3 - mean * mean)


@lru_cache(maxsize=256)
def picked_factor(count: int, guard: Guard) -> float:
    """The factor that holds the house's promise for the largest of so many independent figures.

    Source:  Šidák: Φ⁻¹(p^(1/n)) with p the chance the house's own factor stands for.
    >>> round(picked_factor(8, Guard.ONE_SIDED_95), 2), picked_factor(1, Guard.TWO_U)
    (2.49, 2.0)
    """
    factor = GUARD_FACTOR[guard]
    if count < 2:
        return factor
    return _NORMAL.inv_cdf(_NORMAL.cdf(factor) ** (1 / count))


def beyond_guard(count: int, own_nm: float, common_nm: float, guard: Guard) -> Length:
    """How far past its limit the least (or greatest) of so many readings must lie to be called beyond.

    Takes:   how many readings it was picked from; the scatter of one reading alone and the doubt common to all,
             both as standard uncertainties in nm.
    Gives:   the larger of m_n·s + z·√((sd_n·s)² + c²) and k_n·s, and never less than z·√(s² + c²), rounded outward.
    Rule:    gauges.picked.   Source: order statistics; simulated in tests/stories.
             By hand, of one: 1.645 × √(3² + 4²).
    >>> beyond_guard(1, 3_000, 4_000, Guard.ONE_SIDED_95)
    Length(nm=8225)
    """
    factor = GUARD_FACTOR[guard]
    plain = factor * math.hypot(own_nm, common_nm)
    if count < 2 or own_nm <= 0:
        return Length(math.ceil(plain))
    mean, deviation = extreme_of(count)
    picked = mean * own_nm + factor * math.hypot(deviation * own_nm, common_nm)
    return Length(math.ceil(max(plain, picked, picked_factor(count, guard) * own_nm)))


def beyond_guard_of_difference(count: int, doubt_nm: float, guard: Guard) -> Length:
    """The same for a difference picked out of so many planes or lines: k_p times its standard uncertainty in nm.

    >>> beyond_guard_of_difference(1, 1_000, Guard.TWO_U)
    Length(nm=2000)
    """
    return Length(math.ceil(picked_factor(count, guard) * doubt_nm))
