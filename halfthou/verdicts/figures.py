"""Every figure of one journal against its limit, each with its whole uncertainty budget."""

from __future__ import annotations

import math
from collections.abc import Iterator

from halfthou.gauges import (
    REPEATS,
    Budget,
    TermKind,
    beyond_guard,
    beyond_guard_of_difference,
    combine,
    fitted_ovality_factor,
    guard_band,
    scaled,
    standard_doubt,
)
from halfthou.jobs import Figure
from halfthou.lengths import ZERO, Length
from halfthou.surveys import REAR, Form, Measure
from halfthou.verdicts.case import JournalCase
from halfthou.verdicts.finding import Called, FigureKey, Finding, Limit, Measured, as_bound, judge

#: What no other spot of a part shares.
OWN = (*REPEATS, TermKind.RESOLUTION)
#: Angles that a journal's plan needs so that it may accept. Two may reject, never accept. Source: geometry.
LEAST_ANGLES = 3


def journal_findings(case: JournalCase, form: Form) -> tuple[Finding, ...]:
    """The findings on size, out-of-round, taper and barrel, as far as they are read.

    Rule:    gauges.budget: what the readings of one figure share (scale, warmth) cancels in a difference;
             gauges.picked: a value picked out of several needs more before it is called beyond.
    """
    return tuple(_findings(case, form))


def own_and_common(budget: Budget) -> tuple[float, float]:
    """The scatter of one reading alone, and what it shares with the rest, as standard uncertainties in nm."""
    own = math.sqrt(sum(term.nm**2 for term in budget if term.kind in OWN))
    return own, math.sqrt(sum(term.nm**2 for term in budget if term.kind not in OWN))


def _findings(case: JournalCase, form: Form) -> Iterator[Finding]:
    few = form.angles < LEAST_ANGLES
    size = _size(case, form)
    yield as_bound(size) if few else size
    larger = _larger(case, form)
    if larger is not None:
        yield larger
    if form.out_of_round is not None:
        yield judge(_oval(case, form), _most(case.limits.out_of_round), cannot_accept=few)
    if form.taper is not None:
        yield judge(_taper(case, form.taper), _most(case.limits.taper))
    if form.barrel is not None:
        yield judge(_barrel(case, form.barrel), _most(case.limits.barrel or case.limits.taper))


def _size(case: JournalCase, form: Form) -> Finding:
    guard, least = case.house.guard, form.least.spots[0]
    budget = case.survey.budget(least)
    doubt = standard_doubt(budget)
    figure = Measured(
        key=FigureKey.SIZE,
        rule="surveys.size.least",
        name="least size",
        value=form.size_found,
        spots=form.least.spots,
        doubt_nm=doubt,
        guard=guard_band(doubt, guard),
        budget=budget,
        beyond=beyond_guard(form.least.out_of, *own_and_common(budget), guard),
        out_of=form.least.out_of,
        sure=form.least.value,
        may_fall=case.survey.rise(least),
    )
    return judge(figure, case.size_limit, cannot_accept=form.angles < LEAST_ANGLES)


def _larger(case: JournalCase, form: Form) -> Finding | None:
    """The greatest size, where it is larger than new by more than doubt: a question, never a pass.

    Rule:    verdicts.journal.larger.
    """
    guard, spot = case.house.guard, form.greatest.spots[0]
    budget = case.survey.budget(spot)
    doubt = standard_doubt(budget)
    figure = Measured(
        key=FigureKey.LARGER,
        rule="verdicts.journal.larger",
        name="greatest size",
        value=form.greatest.value,
        spots=form.greatest.spots,
        doubt_nm=doubt,
        guard=guard_band(doubt, guard),
        budget=budget,
        beyond=beyond_guard(form.greatest.out_of, *own_and_common(budget), guard),
        may_fall=case.survey.rise(spot),
    )
    band = case.limits.size
    limit = Limit(band.most - case.present, False, band.source.kind)
    if figure.value - limit.value < (figure.beyond or figure.guard):
        return None
    return judge(figure, limit)


def _oval(case: JournalCase, form: Form) -> Measured:
    """Out-of-round: the larger of two-point and fitted is judged; only the two-point figure may reject."""
    guard, value, two = case.house.guard, form.out_of_round, form.two_point
    if value is None:
        raise ValueError("no out-of-round to judge")
    budget = _difference(case, value.spots)
    if form.out_of_round_by_fit:
        budget = scaled(budget, fitted_ovality_factor(value.angles_deg))
    doubt = standard_doubt(budget)
    rejects = two if two is not None else value
    plain = standard_doubt(_difference(case, rejects.spots))
    return Measured(
        key=FigureKey.OUT_OF_ROUND,
        rule="surveys.form.out-of-round",
        name="out-of-round",
        value=value.value,
        spots=value.spots,
        doubt_nm=doubt,
        guard=guard_band(doubt, guard),
        budget=budget,
        beyond=beyond_guard_of_difference(rejects.out_of, max(plain, doubt), guard),
        out_of=rejects.out_of,
        sure=rejects.value if form.out_of_round_by_fit else None,
        **_warm_difference(case, rejects.spots),
    )


def _taper(case: JournalCase, taper: Measure) -> Measured:
    guard, budget = case.house.guard, _difference(case, taper.spots)
    doubt = standard_doubt(budget)
    return Measured(
        key=FigureKey.TAPER,
        rule="surveys.form.taper",
        name="taper",
        value=taper.value,
        spots=taper.spots,
        doubt_nm=doubt,
        guard=guard_band(doubt, guard),
        budget=budget,
        beyond=beyond_guard_of_difference(taper.out_of, doubt, guard),
        out_of=taper.out_of,
        **_warm_difference(case, taper.spots),
    )


def _barrel(case: JournalCase, barrel: Measure) -> Measured:
    guard, survey = case.house.guard, case.survey
    middle, front, rear = barrel.spots
    share = survey.places[middle].along / REAR
    parts = ((1.0, survey.budget(middle)), (share - 1, survey.budget(front)), (-share, survey.budget(rear)))
    budget = combine(parts)
    doubt = standard_doubt(budget)
    return Measured(
        key=FigureKey.BARREL,
        rule="surveys.form.barrel",
        name="barrel" if barrel.value >= ZERO else "hourglass",
        value=abs(barrel.value),
        spots=barrel.spots,
        doubt_nm=doubt,
        guard=guard_band(doubt, guard),
        budget=budget,
        beyond=beyond_guard_of_difference(barrel.out_of, doubt, guard),
        out_of=barrel.out_of,
        **_warm_difference(case, barrel.spots),
    )


def _warm_difference(case: JournalCase, spots: tuple[str, ...]) -> dict[str, Length]:
    """How far a difference may move when its readings cool: nothing where all were as warm."""
    if not case.survey.bench.warm:
        return {}
    rises = [case.survey.rise(spot) for spot in spots]
    apart = max(rises) - min(rises)
    return {"may_fall": apart, "may_rise": apart}


def _difference(case: JournalCase, spots: tuple[str, ...]) -> Budget:
    return combine(((1.0, case.survey.budget(spots[0])), (-1.0, case.survey.budget(spots[-1]))))


def _most(figure: Figure) -> Limit:
    return Limit(figure.value, False, figure.source.kind)


def worst_state(findings: tuple[Finding, ...]) -> Called:
    """The worst of several findings."""
    states = {finding.called for finding in findings}
    order = (Called.BEYOND, Called.TOO_CLOSE, Called.NOT_READ)
    return next((state for state in order if state in states), Called.WITHIN)
