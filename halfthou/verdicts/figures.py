"""Every figure of one journal against its limit, each with its whole uncertainty budget."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.gauges import Budget, combine, fitted_ovality_factor, guard_band, scaled, standard_doubt
from halfthou.jobs import Feature, Figure
from halfthou.lengths import ZERO, Length
from halfthou.surveys import Form, SpotState
from halfthou.verdicts.case import JournalCase
from halfthou.verdicts.finding import Finding, Judged, Limit, judge

LEAST_CLEARANCE, MOST_CLEARANCE = "oil clearance, least", "oil clearance, most"


def journal_findings(case: JournalCase, form: Form) -> tuple[Finding, ...]:
    """The findings on size, out-of-round, taper and barrel, as far as they are read.

    Rule:    gauges.budget: what the readings of one figure share (scale, warmth) cancels in a difference.
    """
    return tuple(_findings(case, form))


def _judged(
    case: JournalCase, name: tuple[str, str], value: Length, spots: tuple[str, ...], budget: Budget
) -> Judged:
    doubt = standard_doubt(budget)
    return Judged(*name, value, spots, doubt, guard_band(doubt, case.house.guard), budget)


def _findings(case: JournalCase, form: Form) -> Iterator[Finding]:
    survey, limits = case.survey, case.limits
    least = form.least.spots[0]
    size = _judged(
        case, ("surveys.size.least", "least size"), form.size_found, form.least.spots, survey.budget(least)
    )
    warm = max(
        taken.setup.may_be_less(form.size_found)
        for state in survey.spots
        if state.spot == least
        for taken in state.counted
    )
    yield judge(Judged(size.rule, size.name, size.value, size.spots, size.doubt_nm, size.guard, size.budget, warm),
                case.size_limit)  # fmt: skip
    if form.out_of_round is not None:
        value = form.out_of_round
        budget = _difference(case, value.spots)
        if form.out_of_round_by_fit:
            budget = scaled(budget, fitted_ovality_factor(len(value.spots)))
        oval = _judged(case, ("surveys.form.out-of-round", "out-of-round"), value.value, value.spots, budget)
        yield judge(oval, _most(limits.out_of_round), cannot_accept=form.angles < 3)
    if form.taper is not None:
        taper = form.taper
        budget = _difference(case, taper.spots)
        yield judge(
            _judged(case, ("surveys.form.taper", "taper"), taper.value, taper.spots, budget), _most(limits.taper)
        )
    if form.barrel is not None:
        middle, front, rear = form.barrel.spots
        parts = ((1.0, survey.budget(middle)), (-0.5, survey.budget(front)), (-0.5, survey.budget(rear)))
        name = "barrel" if form.barrel.value >= ZERO else "hourglass"
        value_of = abs(form.barrel.value)
        bulge = _judged(case, ("surveys.form.barrel", name), value_of, form.barrel.spots, combine(parts))
        yield judge(bulge, _most(limits.barrel or limits.taper))


def _difference(case: JournalCase, spots: tuple[str, ...]) -> Budget:
    return combine(((1.0, case.survey.budget(spots[0])), (-1.0, case.survey.budget(spots[-1]))))


def _most(figure: Figure) -> Limit:
    return Limit(figure.value, False, figure.source.kind)


def measured_clearance(case: JournalCase) -> tuple[Finding, ...]:
    """The oil clearance as it lies, where the bearing bore was read, or the housing bore and both walls.

    Gives:   its least and its most against the sheet, none where too little is read or the sheet has no clearance.
    Rule:    verdicts.clearance.   Source: handbook E1, C4: what bore gauge and micrometer share cancels.
    """
    survey, band = case.survey, case.limits.clearance
    journal = [(size, spot) for spot, size in survey.sizes.items()]
    bores = bore_sizes(case)
    if not journal or not bores or band is None:
        return ()
    guard = case.house.guard
    found = []
    ends = ((LEAST_CLEARANCE, min(bores), max(journal)), (MOST_CLEARANCE, max(bores), min(journal)))
    for name, (bore, where, budget), (shaft, spot) in ends:
        total = combine(((1.0, budget), (-1.0, survey.budget(spot))))
        doubt = standard_doubt(total)
        figure = Judged(
            "verdicts.clearance", name, bore - shaft, (where, spot), doubt, guard_band(doubt, guard), total
        )
        service = case.limits.clearance_service
        most = service.value if service else band.most
        kind = service.source.kind if service else band.source.kind
        is_least = name == LEAST_CLEARANCE
        limit = Limit(band.least, True, band.source.kind) if is_least else Limit(most, False, kind)
        found.append(judge(figure, limit))
    return tuple(found)


def bore_sizes(case: JournalCase) -> list[tuple[Length, str, Budget]]:
    """The bearing bore at every spot it is known at, with its budget: read, or housing bore less both walls."""
    bench, bearing = case.survey.bench, case.survey.bearing
    read = _known(bearing.get(Feature.BEARING_BORE, ()))
    if read:
        return [(size, f"bore {state.spot}", bench.budget(state.counted)) for state, size in read]
    housing = _known(bearing.get(Feature.HOUSING_BORE, ()))
    walls = _known(bearing.get(Feature.WALL, ()))
    if not housing or len(walls) < 2:
        return []
    (upper, w_upper), (lower, w_lower) = walls
    both = ((-1.0, bench.budget(upper.counted)), (-1.0, bench.budget(lower.counted)))
    return [
        (size - w_upper - w_lower, f"housing {state.spot}", combine(((1.0, bench.budget(state.counted)), *both)))
        for state, size in housing
    ]


def _known(states: tuple[SpotState, ...]) -> list[tuple[SpotState, Length]]:
    return [(state, size) for state in states if (size := state.size) is not None]
