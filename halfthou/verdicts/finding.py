"""One value against one limit: within, beyond, or too close to call with this gauge."""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import StrEnum

from halfthou.gauges import Budget
from halfthou.jobs import SourceKind
from halfthou.lengths import ZERO, Length


class State(StrEnum):
    """The four findings. Source: design 8.1."""

    WITHIN = "within"
    BEYOND = "beyond"
    TOO_CLOSE = "too close"
    NOT_READ = "not read"


@dataclass(frozen=True, slots=True)
class Finding:
    """A judged figure. `to_spare` is positive inside the limit; `doubt_nm` is its standard uncertainty, `budget`
    where that comes from. `may_be_less` is how much a part that was read warm may shrink yet; `waits_warm` that
    this alone keeps it from being called."""

    rule: str
    name: str
    state: State
    value: Length
    limit: Length
    limit_is_least: bool
    guard: Length
    doubt_nm: float
    spots: tuple[str, ...]
    by_rule_of_thumb: bool = False
    cannot_accept: bool = False
    budget: Budget = ()
    may_be_less: Length = ZERO
    waits_warm: bool = False

    @property
    def to_spare(self) -> Length:
        """How far the value lies inside its limit; negative beyond it."""
        return self.value - self.limit if self.limit_is_least else self.limit - self.value

    @property
    def probability(self) -> float:
        """The probability that the true value conforms, for showing. Source: JCGM 106:2012 clause 7, recalled."""
        return conformance(self.to_spare, self.doubt_nm)


def conformance(to_spare: Length, doubt_nm: float) -> float:
    """Φ(to spare / u): the chance that a value with this doubt truly lies inside one limit, to 3 decimals.

    >>> conformance(Length(70), 50.0)
    0.919
    """
    if doubt_nm <= 0:
        return 1.0 if to_spare >= ZERO else 0.0
    return round(0.5 * (1 + math.erf(to_spare.nm / doubt_nm / math.sqrt(2))), 3)


def call(to_spare: Length, guard: Length) -> State:
    """Within if inside by at least the guard band, beyond if outside by at least it, else too close.

    Rule:    verdicts.guard-band.   Source: design 8.1. Whole nanometres are compared, nothing rounded.
    A value exactly on the limit with a gauge without doubt is within.
    >>> call(Length(0), Length(0)).value, call(Length(10), Length(11)).value, call(Length(-11), Length(11)).value
    ('within', 'too close', 'beyond')
    """
    if to_spare >= guard:
        return State.WITHIN
    return State.BEYOND if -to_spare >= guard else State.TOO_CLOSE


@dataclass(frozen=True, slots=True)
class Limit:
    """A limit as it is applied: its value, which way it works and the authority it has."""

    value: Length
    is_least: bool
    source: SourceKind


@dataclass(frozen=True, slots=True)
class Judged:
    """A figure to judge: what it is, its value, where it was read and how sure it is."""

    rule: str
    name: str
    value: Length
    spots: tuple[str, ...]
    doubt_nm: float
    guard: Length
    budget: Budget = ()
    may_be_less: Length = ZERO


def judge(figure: Judged, limit: Limit, *, cannot_accept: bool = False) -> Finding:
    """Judge a figure by its limit.

    A rule of thumb alone settles nothing (verdicts.rule-of-thumb); `cannot_accept` is for a plan that may
    reject but never accept (verdicts.two-angles). Both turn a plain answer into too close. So does warmth that
    could still move the answer (gauges.temperature).
    """
    to_spare = figure.value - limit.value if limit.is_least else limit.value - figure.value
    state = call(to_spare, figure.guard)
    cooled = to_spare - figure.may_be_less if limit.is_least else to_spare + figure.may_be_less
    warm = figure.may_be_less > ZERO and call(cooled, figure.guard) is not state
    if warm:
        state = State.TOO_CLOSE
    thumb = limit.source is SourceKind.RULE_OF_THUMB
    if thumb or (cannot_accept and state is State.WITHIN):
        state = State.TOO_CLOSE
    return Finding(
        figure.rule,
        figure.name,
        state,
        figure.value,
        limit.value,
        limit.is_least,
        figure.guard,
        figure.doubt_nm,
        figure.spots,
        thumb,
        cannot_accept and not thumb,
        figure.budget,
        figure.may_be_less,
        warm,
    )
