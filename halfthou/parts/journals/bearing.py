"""The oil clearance a journal will have, and its housing against its band, from what was read where it was read.

Clearance is taken at the crown only: shells are thinner near the joint. It is that of the shells that will be
fitted; what old shells gave is told as it lay. On a pin that two rods share each rod has its own; of an older
record that names only the pin nobody can say whose it was."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from enum import StrEnum

from halfthou.gauges import Budget, beyond_guard, combine, guard_band, standard_doubt
from halfthou.jobs import Feature
from halfthou.lengths import ZERO, Length
from halfthou.parts.journals.case import JournalCase
from halfthou.surveys import POLISH_SHELL, PartSurvey, SpotState
from halfthou.verdicts import FigureKey, Finding, Limit, Measured, judge, own_and_common

#: The spots of a bore that lie at the crown. Source: common practice, no source.
CROWN = ("1a", "2a")


class From(StrEnum):
    """What a clearance was worked out from."""

    BORE = "the bearing bore as read"
    HOUSING_AND_WALLS = "housing and walls as read"


@dataclass(frozen=True, slots=True)
class Bore:
    """A bearing bore at one spot: its size, where, its budget, and how far it may fall (or rise) as it cools."""

    size: Length
    where: str
    budget: Budget
    may_fall: Length
    may_rise: Length


def _known(states: tuple[SpotState, ...]) -> list[tuple[SpotState, Length]]:
    return [(state, size) for state in states if (size := state.size) is not None]


def _rise(state: SpotState) -> Length:
    return max(taken.setup.may_be_less(taken.size) for taken in state.counted)


def bore_sizes(case: JournalCase, *, crown: bool = True) -> tuple[list[Bore], From]:
    """The bearing bore where it is known, with its budget: as read, or housing bore less both walls. Of a pin that
    two rods share, those of both rods."""
    found: list[Bore] = []
    source = From.HOUSING_AND_WALLS
    for bearing in case.own_bearings:
        bores, its_source = _bores_of(case, bearing, crown=crown)
        found += bores
        source = its_source if bores else source
    return found, source


def _bores_of(case: JournalCase, bearing: PartSurvey, *, crown: bool) -> tuple[list[Bore], From]:
    taken_with = case.survey.taken_with
    where = CROWN if crown else tuple(f"{plane}{angle}" for plane in "12" for angle in "abc")
    of = "" if case.rods == 1 else f"{bearing.part.short} "
    read = [(state, size) for state, size in _known(bearing.spots(Feature.BEARING_BORE)) if state.spot in where]
    if read:
        found = [
            Bore(size, f"{of}bore {state.spot}", taken_with.budget(state.counted), _rise(state), ZERO)
            for state, size in read
        ]
        return found, From.BORE
    housing = [(s, size) for s, size in _known(bearing.spots(Feature.HOUSING_BORE)) if s.spot in where]
    walls = _known(bearing.spots(Feature.WALL))
    if not housing or len(walls) < 2 or for_a_further_size(case, walls[0][1] + walls[1][1]):
        return [], From.HOUSING_AND_WALLS
    (upper, w_upper), (lower, w_lower) = walls
    both = ((-1.0, taken_with.budget(upper.counted)), (-1.0, taken_with.budget(lower.counted)))
    thinner = _rise(upper) + _rise(lower)
    return [
        Bore(
            size - w_upper - w_lower,
            f"{of}housing {state.spot}",
            combine(((1.0, taken_with.budget(state.counted)), *both)),
            _rise(state),
            thinner,
        )
        for state, size in housing
    ], From.HOUSING_AND_WALLS


def for_a_further_size(case: JournalCase, walls: Length) -> bool:
    """Whether the halves that lie ready are those of an undersize the journal is still to be ground to: they say
    nothing of the journal as it is.

    Takes:   both walls together.
    Rule:    crank.aim.
    """
    wall = case.limits.wall
    return wall is not None and case.new_shells and walls - wall.most * 2 - case.present > POLISH_SHELL


def clearance_known(case: JournalCase) -> bool:
    """Whether the clearance in every bearing of the journal can be worked out from what was read."""
    own = case.own_bearings
    return len(own) == case.rods and all(_bores_of(case, bearing, crown=True)[0] for bearing in own)


def measured_clearance(case: JournalCase) -> tuple[Finding, ...]:
    """The oil clearance as it lies, at the crown, where the bearing bore was read, or the housing bore and both
    walls.

    Gives:   its least and its most against the sheet, over both rods of a shared pin; none where too little is
             read, or where the sheet gives no clearance.
    Rule:    verdicts.clearance.   Source: docs/trade: Measuring a bearing: what bore gauge and micrometer share
             cancels.
    """
    survey, band = case.survey, case.limits.clearance
    if band is None or (case.rods > 1 and not clearance_known(case)):
        return ()
    journal = [(size, spot) for spot, size in survey.sizes.items()]
    bores, _ = bore_sizes(case)
    if not journal or not bores:
        return ()
    service = case.limits.clearance_service
    most = (
        Limit(service.value, False, service.source.kind) if service else Limit(band.most, False, band.source.kind)
    )
    least = Limit(band.least, True, band.source.kind)
    smallest, largest = min(bores, key=_size), max(bores, key=_size)
    return (
        judge(_clearance(case, FigureKey.CLEARANCE_LEAST, smallest, max(journal)), least),
        judge(_clearance(case, FigureKey.CLEARANCE_MOST, largest, min(journal)), most),
    )


def _size(bore: Bore) -> int:
    return bore.size.nm


def _clearance(case: JournalCase, key: FigureKey, bore: Bore, journal: tuple[Length, str]) -> Measured:
    shaft, spot = journal
    total = combine(((1.0, bore.budget), (-1.0, case.survey.budget(spot))))
    doubt, guard = standard_doubt(total), case.house.guard
    own, common = own_and_common(total)
    return Measured(
        key=key,
        rule="verdicts.clearance",
        name="oil clearance, least" if key == FigureKey.CLEARANCE_LEAST else "oil clearance, most",
        value=bore.size - shaft,
        spots=(bore.where, spot),
        doubt_nm=doubt,
        guard=guard_band(doubt, guard),
        budget=total,
        beyond=beyond_guard(len(case.survey.sizes), own, common, guard),
        may_fall=bore.may_fall,
        may_rise=bore.may_rise + case.survey.rise(spot),
    )


def housing_findings(case: JournalCase) -> tuple[Finding, ...]:
    """The housing bore as read against the sheet's band; none where it is not read or the sheet has none.

    Rule:    verdicts.housing.
    """
    return tuple(_housing(case))


def _housing(case: JournalCase) -> Iterator[Finding]:
    for bearing in case.bearings:
        yield from _housing_of(case, bearing)


def _housing_of(case: JournalCase, bearing: PartSurvey) -> Iterator[Finding]:
    band = case.limits.housing_bore
    read = _known(bearing.spots(Feature.HOUSING_BORE))
    if band is None or not read:
        return
    guard = case.house.guard
    of = "" if case.rods == 1 or bearing not in case.own_bearings else f"{bearing.part.short} "
    by_size = sorted(read, key=lambda pair: pair[1].nm)
    ends = (
        (FigureKey.HOUSING_LEAST, "housing bore, least", by_size[0], Limit(band.least, True, band.source.kind)),
        (FigureKey.HOUSING_MOST, "housing bore, most", by_size[-1], Limit(band.most, False, band.source.kind)),
    )
    for key, name, (state, size), limit in ends:
        budget = case.survey.taken_with.budget(state.counted)
        doubt = standard_doubt(budget)
        figure = Measured(
            key=key,
            rule="verdicts.housing",
            name=f"{of}{name}",
            value=size,
            spots=(f"{of}housing {state.spot}",),
            doubt_nm=doubt,
            guard=guard_band(doubt, guard),
            budget=budget,
            beyond=beyond_guard(len(read), *own_and_common(budget), guard),
            may_fall=_rise(state),
        )
        yield judge(figure, limit)


def housing_read(case: JournalCase) -> bool:
    """Whether every spot of the housing bore has a size: of each rod, or of the pin in an older record."""
    own = case.own_bearings
    by_pin = [one for one in case.bearings if one not in own]
    return any(_whole(one) for one in by_pin) or (len(own) == case.rods and all(_whole(one) for one in own))


def _whole(bearing: PartSurvey) -> bool:
    states = bearing.spots(Feature.HOUSING_BORE)
    return bool(states) and all(state.size is not None for state in states)
