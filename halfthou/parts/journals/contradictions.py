"""Readings of a journal and its bearing that cannot all be true: bore against journal, the sum of parts, a grind on
record."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.gauges import combine, standard_doubt
from halfthou.jobs import Feature
from halfthou.lengths import Length
from halfthou.parts.journals.bearing import bore_sizes
from halfthou.parts.journals.case import JournalCase
from halfthou.surveys import PartSurvey
from halfthou.verdicts import TIMES, Clashing, Contradiction, top_against_bottom, twice

#: What crush may take off a bearing bore against housing and walls. Source: common practice, no source.
CRUSH = Length(12_700)


def contradictions(case: JournalCase) -> tuple[Contradiction, ...]:
    """The contradictions among the readings of one journal and its bearing.

    Rule:    verdicts.contradiction.   Source: common practice, no source.
    """
    return (
        *twice("", case.survey),
        *(c for bearing in case.bearings for name, f in bearing.features.items() for c in twice(name, f)),
        *(c for beside in case.beside_surveys for c in twice(beside.feature.name, beside)),
        *top_against_bottom(case.survey),
        *_bore_against_journal(case),
        *(c for bearing in case.bearings for c in _sum_of_parts(case, bearing)),
        *_against_record(case),
    )


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
