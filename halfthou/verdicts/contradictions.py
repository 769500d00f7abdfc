"""Readings that cannot all be true: one spot twice, top against bottom, bore against journal, the sum of parts."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass
from enum import StrEnum

from halfthou.amounts import Quantity
from halfthou.gauges import combine, standard_doubt
from halfthou.jobs import Feature, Reading, plane_and_angle
from halfthou.lengths import Length
from halfthou.surveys import ALIKE, FeatureSurvey, PartSurvey
from halfthou.verdicts.bearing import bore_sizes
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
    quantity: Quantity = Quantity.LENGTH


def contradictions(case: JournalCase) -> tuple[Contradiction, ...]:
    """The contradictions among the readings of one journal and its bearing.

    Rule:    verdicts.contradiction.   Source: common practice, no source.
    """
    return (
        *twice("", case.survey),
        *(c for bearing in case.bearings for name, f in bearing.features.items() for c in twice(name, f)),
        *top_against_bottom(case.survey),
        *_bore_against_journal(case),
        *(c for bearing in case.bearings for c in _sum_of_parts(case, bearing)),
        *_against_record(case),
    )


def twice(what: str, survey: FeatureSurvey) -> Iterator[Contradiction]:
    """Readings of one spot that stand and differ: all are kept, a person settles it."""
    taken_with = survey.taken_with
    for state in survey.all_spots:
        if not state.counted or (not state.others and len(state.counted) < 2):
            continue
        newest = state.counted[0]
        rest = (*state.counted[1:], *(taken_with.take(other) for other in state.others))
        other = max(rest, key=lambda taken: abs(taken.size - newest.size).nm)
        apart = abs(newest.size - other.size).nm
        if apart <= (ALIKE.nm if survey.feature.quantity is Quantity.LENGTH else 0):
            continue
        own, _ = own_and_common(taken_with.budget((newest,)))
        if apart > TIMES * math.sqrt(2) * own:
            sizes, both = (newest.size, other.size), (newest.reading, other.reading)
            yield Contradiction(Clashing.TWICE, (state.spot,), sizes, both, what, survey.feature.quantity)


def top_against_bottom(survey: FeatureSurvey) -> Iterator[Contradiction]:
    """A taper that runs one way at one angle and the other way at another."""
    if survey.plan is None:
        return
    last = str(survey.plan.planes)
    found = []
    for spot, size in survey.sizes.items():
        plane, angle = plane_and_angle(spot) or (0, "")
        other = f"{last}{angle}"
        if plane == 1 and other in survey.sizes:
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
    if not sizes or not bores:
        return
    journal, bore = max(sizes.values()), min(bores, key=lambda bore: bore.size.nm)
    if bore.size <= journal:
        yield Contradiction(Clashing.NO_ROOM, (bore.where,), (bore.size, journal))


def _sum_of_parts(case: JournalCase, bearing: PartSurvey) -> Iterator[Contradiction]:
    taken_with, features = case.survey.taken_with, bearing.features
    if not all(feature in features for feature in (Feature.BEARING_BORE, Feature.HOUSING_BORE, Feature.WALL)):
        return
    walls = [(s.size, taken_with.budget(s.counted)) for s in bearing.spots(Feature.WALL) if s.size is not None]
    read = any(state.size is not None for state in bearing.spots(Feature.BEARING_BORE))
    if len(walls) < 2 or not read:
        return
    for bore, housing in zip(bearing.spots(Feature.BEARING_BORE), bearing.spots(Feature.HOUSING_BORE), strict=True):
        if bore.size is None or housing.size is None:
            continue
        apart = bore.size - (housing.size - walls[0][0] - walls[1][0])
        budget = combine(
            (
                (1.0, taken_with.budget(bore.counted)),
                (-1.0, taken_with.budget(housing.counted)),
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
