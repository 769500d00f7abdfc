"""Every figure of one part against its limit, each with its whole uncertainty budget: the same for every kind."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

from halfthou.gauges import (
    REPEATS,
    Budget,
    TermKind,
    beyond_guard,
    beyond_guard_of_difference,
    combine,
    guard_band,
    standard_doubt,
)
from halfthou.jobs import Figure, Guard
from halfthou.lengths import ZERO, Length
from halfthou.surveys import FeatureSurvey, Form, Measure
from halfthou.verdicts.finding import Called, FigureKey, Finding, Limit, Measured

#: What no other spot of a part shares.
OWN = (*REPEATS, TermKind.RESOLUTION)


@dataclass(frozen=True, slots=True)
class FigureKind:
    """What a figure is: its key, the rule it rests on, its name, and whether it is a difference of readings or one
    of them."""

    key: str
    rule: str
    name: str
    difference: bool = True


OUT_OF_ROUND = FigureKind(FigureKey.OUT_OF_ROUND, "surveys.form.out-of-round", "out-of-round")
TAPER = FigureKind(FigureKey.TAPER, "surveys.form.taper", "taper")


def own_and_common(budget: Budget) -> tuple[float, float]:
    """The scatter of one reading alone, and what it shares with the rest, as standard uncertainties in nm."""
    own = common = 0.0
    for kind, _, nm in budget:
        if kind in OWN:
            own += nm**2
        else:
            common += nm**2
    return math.sqrt(own), math.sqrt(common)


def budget_of(survey: FeatureSurvey, measure: Measure) -> Budget:
    """The budget of a measure: that of its spots, each with its factor. One spot's is its own."""
    if len(measure.terms) == 1:
        return survey.budget(measure.terms[0][1])
    return combine([(factor, survey.budget(spot)) for factor, spot in measure.terms])


def size_found(survey: FeatureSurvey, kind: FigureKind, plain: Measure, form: Form, guard: Guard) -> Measured:
    """The size of a part as a figure to judge: as fitted where that is worse, and only the plain reading
    rejects."""
    return measured(survey, kind, replace(plain, value=form.size_found), guard, rejects=plain)


def measured(
    survey: FeatureSurvey,
    kind: FigureKind,
    measure: Measure,
    guard: Guard,
    *,
    rejects: Measure | None = None,
) -> Measured:
    """A measure as a figure to judge.

    Takes:   `rejects`, the plain measure that alone may reject, where a fitted one is judged.
    Rule:    gauges.budget: what the readings of one figure share (scale, warmth) cancels in a difference;
             gauges.picked: a value picked out of several needs more before it is called beyond.
    """
    budget, plain = budget_of(survey, measure), rejects or measure
    doubt = standard_doubt(budget)
    fall = rise = ZERO
    if kind.difference:
        sure = plain.value if plain is not measure else None
        least = doubt if plain is measure else max(standard_doubt(budget_of(survey, plain)), doubt)
        beyond = beyond_guard_of_difference(plain.out_of, least, guard)
        fall = rise = _warm_difference(survey, plain.spots)
    else:
        sure = plain.value if rejects is not None else None
        beyond = beyond_guard(plain.out_of, *own_and_common(budget), guard)
        fall = survey.rise(measure.spots[0])
    return Measured(
        key=kind.key,
        rule=kind.rule,
        name=kind.name,
        value=measure.value,
        spots=measure.spots,
        doubt_nm=doubt,
        guard=guard_band(doubt, guard),
        budget=budget,
        beyond=beyond,
        out_of=plain.out_of,
        sure=sure,
        may_fall=fall,
        may_rise=rise,
    )


def roundness(survey: FeatureSurvey, form: Form, guard: Guard) -> Measured | None:
    """Out-of-round: the larger of two-point and fitted is judged; only the two-point figure may reject."""
    judged = form.out_of_round
    if judged is None:
        return None
    rejects = form.two_point if form.out_of_round_by_fit else None
    return measured(survey, OUT_OF_ROUND, judged, guard, rejects=rejects)


def bulge(survey: FeatureSurvey, form: Form, guard: Guard, names: tuple[str, str]) -> Measured | None:
    """Barrel or hourglass, whichever the middle shows; `names` are what each is called of this kind of part."""
    barrel = form.barrel
    if barrel is None:
        return None
    kind = FigureKind(FigureKey.BARREL, "surveys.form.barrel", names[0] if barrel.value >= ZERO else names[1])
    return measured(survey, kind, replace(barrel, value=abs(barrel.value)), guard)


def _warm_difference(survey: FeatureSurvey, spots: tuple[str, ...]) -> Length:
    """How far a difference may move when its readings cool: nothing where all were as warm."""
    if not survey.taken_with.warm:
        return ZERO
    rises = [survey.rise(spot) for spot in spots]
    return max(rises) - min(rises)


def most(figure: Figure) -> Limit:
    """A limit that a figure may not pass upward."""
    return Limit(figure.value, False, figure.source.kind)


def worst_state(findings: tuple[Finding, ...]) -> Called:
    """The worst of several findings."""
    states = {finding.called for finding in findings}
    order = (Called.BEYOND, Called.TOO_CLOSE, Called.NOT_READ)
    return next((state for state in order if state in states), Called.WITHIN)
