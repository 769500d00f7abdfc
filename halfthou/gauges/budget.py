"""An uncertainty budget: every source of doubt once, so that what is common to two readings cancels or adds."""

from __future__ import annotations

import math
from collections.abc import Iterable
from enum import StrEnum
from functools import lru_cache
from typing import NamedTuple

from halfthou.jobs import Guard
from halfthou.lengths import Length

#: One-sided 95 % of the normal distribution. Source: any table of the normal distribution; docs/trade: Decision
#: rule.
GUARD_FACTOR = {Guard.ONE_SIDED_95: 1.645, Guard.TWO_U: 2.0}
#: Coverage factor of the expanded uncertainty. Source: JCGM 100 (GUM) clause 6, recalled.
COVERAGE = 2.0
#: Divisor of a rectangle's half-width. Source: JCGM 100 (GUM) 4.3.7, recalled.
RECTANGLE = math.sqrt(3)


class TermKind(StrEnum):
    """Where doubt comes from, in the words of the budget."""

    SCALE = "permissible error of the gauge"
    STANDARD = "the standard it was checked on"
    SETTING = "scatter of the setting check"
    DRIFT = "drift since the check before"
    DIAL = "the dial over its stroke"
    RESOLUTION = "one step of the scale"
    REPEAT = "repeatability, from repeats"
    REPEAT_KNOWN = "repeatability, from the gauge list"
    REPEAT_TAKEN = "repeatability, taken as half a graduation"
    WARMTH = "part and gauge not equally warm"
    COEFFICIENT = "coefficient of expansion"
    HIGH_SIDE = "high side read by eye"


REPEATS = (TermKind.REPEAT, TermKind.REPEAT_KNOWN, TermKind.REPEAT_TAKEN)
SCALES = (TermKind.SCALE, TermKind.STANDARD, TermKind.SETTING, TermKind.DRIFT, TermKind.DIAL)


class BudgetTerm(NamedTuple):
    """One contribution: its kind, the source it shares with other readings, and its standard uncertainty in nm,
    signed by its sensitivity."""

    kind: TermKind
    source: str
    nm: float


Budget = tuple[BudgetTerm, ...]


def combine(parts: Iterable[tuple[float, Budget]]) -> Budget:
    """The budget of a sum of readings, each with its factor.

    Gives:   one term a source: what two readings share adds with its sign first, and so cancels in a difference.
    Rule:    gauges.budget.   Source: JCGM 100 (GUM) 5.1 and 5.2, recalled; checked against `uncertainties`.
    >>> scale, step = BudgetTerm(TermKind.SCALE, "mic", 50.0), BudgetTerm(TermKind.RESOLUTION, "1a", 30.0)
    >>> [term.nm for term in combine([(1.0, (scale, step)), (-1.0, (scale,))])]
    [30.0]
    """
    total: dict[str, tuple[TermKind, float]] = {}
    for factor, budget in parts:
        for kind, source, nm in budget:
            known = total.get(source)
            total[source] = kind, factor * nm if known is None else known[1] + factor * nm
    return tuple([BudgetTerm(kind, source, nm) for source, (kind, nm) in total.items() if abs(nm) > 1e-9])


def scaled(budget: Budget, factor: float) -> Budget:
    """Every contribution times a factor."""
    return tuple(BudgetTerm(kind, source, factor * nm) for kind, source, nm in budget)


def standard_doubt(budget: Budget) -> float:
    """The combined standard uncertainty in nm: the root of the sum of squares.

    >>> standard_doubt((BudgetTerm(TermKind.SCALE, "a", 3.0), BudgetTerm(TermKind.RESOLUTION, "b", 4.0)))
    5.0
    """
    return math.sqrt(sum([nm * nm for _, _, nm in budget]))


@lru_cache(maxsize=256)
def fitted_ovality_factor(angles_deg: tuple[float, ...]) -> float:
    """How the doubt of an ovality fitted to readings at these angles stands to that of one difference.

    The ovality is twice the amplitude √(a² + b²): its doubt is at most 2·s·√λ, with λ the larger eigenvalue of the
    covariance of a and b, the mean eliminated. For n equal steps λ is 2/n; angles huddled together make it large.
    Source: least squares, the inverse of the normal equations; checked against numpy.
    >>> round(fitted_ovality_factor((0, 45, 90, 135)), 6)
    1.0
    """
    turns = [math.radians(2 * angle) for angle in angles_deg]
    n = len(turns)
    c, s = sum(map(math.cos, turns)), sum(map(math.sin, turns))
    a11 = sum(math.cos(t) ** 2 for t in turns) - c * c / n
    a22 = sum(math.sin(t) ** 2 for t in turns) - s * s / n
    a12 = sum(math.cos(t) * math.sin(t) for t in turns) - c * s / n
    least = (a11 + a22) / 2 - math.hypot((a11 - a22) / 2, a12)
    return math.sqrt(2 / least)


def guard_band(doubt_nm: float, guard: Guard) -> Length:
    """The guard band: the factor times the standard uncertainty, rounded outward to a whole nanometre.

    >>> guard_band(1_000, Guard.ONE_SIDED_95)
    Length(nm=1645)
    """
    return Length(math.ceil(GUARD_FACTOR[guard] * doubt_nm))


def expanded(doubt_nm: float) -> Length:
    """The expanded uncertainty U = 2u, rounded outward to a whole nanometre.

    >>> expanded(1_000.2)
    Length(nm=2001)
    """
    return Length(math.ceil(COVERAGE * doubt_nm))


def effective_freedom(terms: Iterable[tuple[float, float]]) -> float:
    """Effective degrees of freedom of a sum of independent contributions, by Welch and Satterthwaite.

    Takes:   pairs of a contribution's standard uncertainty and its degrees of freedom (infinite for type B).
    Source:  JCGM 100 (GUM) G.4.1, recalled; worked example H.1.
    """
    pairs = tuple(terms)
    total = sum(u * u for u, _ in pairs) ** 2
    share = sum(u**4 / freedom for u, freedom in pairs)
    return total / share if share > 0 else math.inf
