"""One value against one limit: within, beyond, or too close to call with this gauge."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from enum import StrEnum

from halfthou.amounts import Quantity
from halfthou.gauges import Budget
from halfthou.jobs import SourceKind
from halfthou.lengths import ZERO, Length


class Called(StrEnum):
    """The four findings."""

    WITHIN = "within"
    BEYOND = "beyond"
    TOO_CLOSE = "too close"
    NOT_READ = "not read"


class FigureKey(StrEnum):
    """What a figure is, wherever it stands. Its name in words may change; this does not."""

    SIZE = "size"
    LARGER = "larger than new"
    OUT_OF_ROUND = "out-of-round"
    TAPER = "taper"
    BARREL = "barrel"
    CLEARANCE_LEAST = "clearance least"
    CLEARANCE_MOST = "clearance most"
    HOUSING_LEAST = "housing least"
    HOUSING_MOST = "housing most"
    WEAR = "wear"
    SMALLER = "smaller than new"
    RIDGE = "ridge"
    FINISHED_LEAST = "finished least"
    FINISHED_MOST = "finished most"


#: What cannot come of wear: it asks about a reading, and neither accepts nor rejects.
QUESTIONS = (FigureKey.LARGER, FigureKey.SMALLER)


@dataclass(frozen=True, slots=True)
class Finding:
    """A judged figure of any quantity: value, limit and guards are whole smallest units of it, carried as a length
    carries its own. `to_spare` is positive inside the limit; `doubt_nm` is its standard uncertainty, `budget`
    where that comes from. `guard` is how far inside it must lie to be accepted, `beyond_guard` how far outside to
    be rejected, `out_of` how many it was picked from. `may_fall` and `may_rise` are how far it may yet move when
    what was read warm has cooled; `waits_warm` that this alone keeps it from being called. `at_most` says that two
    angles read it: the truth may be less."""

    key: str
    rule: str
    name: str
    called: Called
    value: Length
    limit: Length
    limit_is_least: bool
    guard: Length
    doubt_nm: float
    spots: tuple[str, ...]
    by_rule_of_thumb: bool = False
    cannot_accept: bool = False
    budget: Budget = ()
    beyond_guard: Length = ZERO
    out_of: int = 1
    may_fall: Length = ZERO
    may_rise: Length = ZERO
    waits_warm: bool = False
    by_fit_alone: bool = False
    at_most: bool = False
    quantity: Quantity = Quantity.LENGTH

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


def call(to_spare: Length, guard: Length, beyond: Length | None = None) -> Called:
    """Within if inside by at least the guard band, beyond if outside by at least its own, else too close.

    Takes:   how far inside; the guard band of accepting; that of rejecting, where it is wider (a picked value).
    Rule:    verdicts.guard-band.   Whole nanometres are compared, nothing rounded.
    A value exactly on the limit with a gauge without doubt is within.
    >>> call(Length(0), Length(0)).value, call(Length(10), Length(11)).value, call(Length(-11), Length(11)).value
    ('within', 'too close', 'beyond')
    """
    if to_spare >= guard:
        return Called.WITHIN
    return Called.BEYOND if -to_spare >= (guard if beyond is None else beyond) else Called.TOO_CLOSE


@dataclass(frozen=True, slots=True)
class Limit:
    """A limit as it is applied: its value, which way it works and the authority it has."""

    value: Length
    is_least: bool
    source: SourceKind


@dataclass(frozen=True, slots=True)
class Measured:
    """A figure to judge: what it is, its value, where it was read and how sure it is.

    `beyond` is the guard band of rejecting (None: as that of accepting), `out_of` how many values it was picked
    from. `sure` is the value that rejects: the plain reading where a fitted figure is judged.
    """

    key: str
    rule: str
    name: str
    value: Length
    spots: tuple[str, ...]
    doubt_nm: float
    guard: Length
    budget: Budget = ()
    beyond: Length | None = None
    out_of: int = 1
    sure: Length | None = None
    may_fall: Length = ZERO
    may_rise: Length = ZERO
    quantity: Quantity = Quantity.LENGTH


def judge(figure: Measured, limit: Limit, *, cannot_accept: bool = False) -> Finding:
    """Judge a figure by its limit.

    A rule of thumb alone settles nothing (verdicts.rule-of-thumb); `cannot_accept` is for a plan that may
    reject but never accept (verdicts.two-angles). Both turn a plain answer into too close. So does warmth that
    could still move the answer (gauges.temperature), and a fitted figure that alone is past the limit.
    """
    beyond = figure.guard if figure.beyond is None else figure.beyond
    state, by_fit, warm = _called(figure, limit, beyond)
    thumb = limit.source is SourceKind.RULE_OF_THUMB
    if thumb or (cannot_accept and state is Called.WITHIN):
        state = Called.TOO_CLOSE
    return Finding(
        key=figure.key,
        rule=figure.rule,
        name=figure.name,
        called=state,
        value=figure.value,
        limit=limit.value,
        limit_is_least=limit.is_least,
        guard=figure.guard,
        doubt_nm=figure.doubt_nm,
        spots=figure.spots,
        by_rule_of_thumb=thumb,
        cannot_accept=cannot_accept and not thumb,
        budget=figure.budget,
        beyond_guard=beyond,
        out_of=figure.out_of,
        may_fall=figure.may_fall,
        may_rise=figure.may_rise,
        waits_warm=warm,
        by_fit_alone=by_fit,
        quantity=figure.quantity,
    )


def _called(figure: Measured, limit: Limit, beyond: Length) -> tuple[Called, bool, bool]:
    """How it stands to its limit; whether only the fit says so, and whether warmth could still move it."""
    value, sign = figure.value.nm - limit.value.nm, 1 if limit.is_least else -1

    def at(moved: int) -> Called:
        """Called as if its value had moved so far, in nm."""
        return call(Length(sign * (value + moved)), figure.guard, beyond)

    state = at(0)
    if state is Called.TOO_CLOSE:
        return state, False, False
    if state is Called.BEYOND and figure.sure is not None and at(figure.sure.nm - figure.value.nm) is not state:
        return Called.TOO_CLOSE, True, False
    moves = (-figure.may_fall.nm, figure.may_rise.nm)
    if any(at(moved) is not state for moved in moves if moved):
        return Called.TOO_CLOSE, False, True
    return state, False, False


def as_question(finding: Finding) -> Finding:
    """The finding as a question about its reading: what cannot come of wear is neither within nor beyond.

    Rule:    verdicts.journal.larger, bores.smaller.
    """
    return replace(finding, called=Called.TOO_CLOSE)


def as_bound(finding: Finding) -> Finding:
    """The finding as one that two angles read: the truth may be less."""
    return replace(finding, at_most=True)
