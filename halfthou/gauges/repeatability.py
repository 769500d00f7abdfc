"""How well one person repeats with one gauge: from their own repeats, where there are enough."""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from typing import NamedTuple

from halfthou.gauges.budget import RECTANGLE, TermKind
from halfthou.jobs import Gauge

#: From so many degrees of freedom on the repeats are believed. Source: common practice, no source.
ENOUGH_FREEDOM = 4
#: One-sided 95 % points of Student's t from 4 degrees of freedom on. Source: any table of Student's t, recalled.
_T95 = (
    2.132,
    2.015,
    1.943,
    1.895,
    1.860,
    1.833,
    1.812,
    1.796,
    1.782,
    1.771,
    1.761,
    1.753,
    1.746,
    1.740,
    1.734,
    1.729,
    1.725,
    1.721,
    1.717,
    1.714,
    1.711,
    1.708,
    1.706,
    1.703,
    1.701,
    1.699,
    1.697,
)
_NORMAL95 = 1.645


class Repeatability(NamedTuple):
    """One standard deviation of a single reading in nm, its degrees of freedom (0 where not from repeats), and
    what it rests on."""

    nm: float
    freedom: int
    kind: TermKind


def pooled(groups: Iterable[Sequence[int]]) -> tuple[float, int]:
    """The pooled standard deviation of groups of repeats, and its degrees of freedom.

    >>> pooled([(1, 3), (2, 4)])
    (1.4142135623730951, 2)
    """
    squares, freedom = 0.0, 0
    for group in groups:
        if len(group) < 2:
            continue
        mean = sum(group) / len(group)
        squares += sum((value - mean) ** 2 for value in group)
        freedom += len(group) - 1
    return (math.sqrt(squares / freedom) if freedom else 0.0), freedom


def few_repeats(freedom: int) -> float:
    """How much wider a deviation from few repeats must be taken, so that 1.645u still holds its promise.

    Source: Student's t over the normal, one-sided 95 %.
    """
    if freedom < ENOUGH_FREEDOM:
        raise ValueError(f"a deviation from {freedom} degrees of freedom is not used")
    at = freedom - ENOUGH_FREEDOM
    return (_T95[at] if at < len(_T95) else _NORMAL95) / _NORMAL95


def repeatability(gauge: Gauge, groups: Iterable[Sequence[int]] = ()) -> Repeatability:
    """The repeatability to count with: from repeats if there are enough, else the gauge list's, else half a step.

    Repeats that agree to the last digit only say that the step hides the scatter: never less than what half a step
    leaves, δ/(2√3), counts for each reading alone.
    Rule:    gauges.repeatability.   Source: GUM 4.2, recalled; the half graduation is common practice.
    """
    deviation, freedom = pooled(groups)
    if freedom >= ENOUGH_FREEDOM:
        least = gauge.step / (2 * RECTANGLE)
        return Repeatability(max(deviation * few_repeats(freedom), least), freedom, TermKind.REPEAT)
    if gauge.repeatability is not None:
        return Repeatability(float(gauge.repeatability.nm), 0, TermKind.REPEAT_KNOWN)
    return Repeatability(gauge.step / 2, 0, TermKind.REPEAT_TAKEN)
