"""Readings that cannot all be true: one spot twice, top against bottom, bore against journal, the sum of parts."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass
from enum import StrEnum

from halfthou.gauges import combine, standard_doubt
from halfthou.jobs import Feature, Reading
from halfthou.lengths import Length
from halfthou.surveys import ALIKE, SpotState
from halfthou.verdicts.bearing import From, bore_sizes
from halfthou.verdicts.case import JournalCase
from halfthou.verdicts.figures import own_and_common

#: What crush may take off a bearing bore against housing and walls. Source: common practice, no source.
CRUSH = Length(12_700)
#: Three standard uncertainties: beyond that two readings contradict each other. Source: common practice, no source.
TIMES = 3.0


class Clashing(StrEnum):
    """In what way readings contradict each other."""

    TWICE = "one spot twice"
    ENDS = "front against rear"
    NO_ROOM = "bearing smaller than journal"
    SUM = "the sum of the parts"
    GRIND = "a grind on record"


@dataclass(frozen=True, slots=True)
class Contradiction:
    """Readings that cannot all be true: in what way, where, the sizes that clash and who read them.

    Of two readings of one spot, the newest stands first; of two ends, front less rear at one angle and at the
    other.
    """

    how: Clashing
    spots: tuple[str, ...]
    sizes: tuple[Length, ...]
    readings: tuple[Reading, ...] = ()
    what: str = ""


def contradictions(case: JournalCase) -> tuple[Contradiction, ...]:
    """The contradictions among the readings of one journal and its bearing.

    Rule:    verdicts.contradiction.   Source: common practice, no source.
    """
    return (
        *_twice(case, "", case.survey.all_spots),
        *(c for feature, spots in case.survey.bearing.items() for c in _twice(case, feature.value, spots)),
        *_top_against_bottom(case),
        *_bore_against_journal(case),
        *_sum_of_parts(case),
        *_against_record(case),
    )


def _twice(case: JournalCase, what: str, spots: tuple[SpotState, ...]) -> Iterator[Contradiction]:
    """Readings of one spot that stand and differ: all are kept, a person settles it."""
    bench = case.survey.bench
    for state in spots:
        if not state.counted or (not state.others and len(state.counted) < 2):
            continue
        newest = state.counted[0]
        rest = (*state.counted[1:], *(bench.take(other) for other in state.others))
        other = max(rest, key=lambda taken: abs(taken.size - newest.size).nm)
        own, _ = own_and_common(bench.budget((newest,)))
        if abs(newest.size - other.size).nm > max(ALIKE.nm, TIMES * math.sqrt(2) * own):
            sizes, both = (newest.size, other.size), (newest.reading, other.reading)
            yield Contradiction(Clashing.TWICE, (state.spot,), sizes, both, what)


def _top_against_bottom(case: JournalCase) -> Iterator[Contradiction]:
    """A taper that runs one way at one angle and the other way at another."""
    survey = case.survey
    last = str(survey.plan.planes)
    found = []
    for spot, size in survey.sizes.items():
        other = f"{last}{spot[1]}"
        if len(spot) == 2 and spot[0] == "1" and other in survey.sizes:
            found.append((size - survey.sizes[other], spot, other))
    if len(found) < 2:
        return
    low, high = min(found), max(found)
    least = min(-low[0].nm, high[0].nm)
    if least <= ALIKE.nm:
        return
    doubt = max(
        standard_doubt(combine(((1.0, survey.budget(a)), (-1.0, survey.budget(b))))) for _, a, b in (low, high)
    )
    if least > TIMES * doubt:
        yield Contradiction(Clashing.ENDS, (*high[1:], *low[1:]), (high[0], -low[0]))


def _bore_against_journal(case: JournalCase) -> Iterator[Contradiction]:
    sizes = case.survey.sizes
    bores, _ = bore_sizes(case, crown=False)
    if not sizes or not bores or case.rods > 1:
        return
    journal, bore = max(sizes.values()), min(bores, key=lambda bore: bore.size.nm)
    if bore.size <= journal:
        yield Contradiction(Clashing.NO_ROOM, (bore.where,), (bore.size, journal))


def _sum_of_parts(case: JournalCase) -> Iterator[Contradiction]:
    bearing, bench = case.survey.bearing, case.survey.bench
    if not all(feature in bearing for feature in (Feature.BEARING_BORE, Feature.HOUSING_BORE, Feature.WALL)):
        return
    walls = [(state.size, bench.budget(state.counted)) for state in bearing[Feature.WALL] if state.size is not None]
    if len(walls) < 2 or bore_sizes(case, crown=False)[1] is not From.BORE:
        return
    for bore, housing in zip(bearing[Feature.BEARING_BORE], bearing[Feature.HOUSING_BORE], strict=True):
        if bore.size is None or housing.size is None:
            continue
        apart = bore.size - (housing.size - walls[0][0] - walls[1][0])
        budget = combine(
            (
                (1.0, bench.budget(bore.counted)),
                (-1.0, bench.budget(housing.counted)),
                *((1.0, b) for _, b in walls),
            )
        )
        if abs(apart).nm > TIMES * standard_doubt(budget) + CRUSH.nm:
            yield Contradiction(Clashing.SUM, (bore.spot,), (bore.size - apart, bore.size))
            return


def _against_record(case: JournalCase) -> Iterator[Contradiction]:
    """A grind on record to a size that the readings do not show."""
    if case.denied is not None:
        yield Contradiction(Clashing.GRIND, (), (case.denied, case.present))
