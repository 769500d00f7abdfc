"""Readings that cannot all be true: one spot twice, top against bottom, bore against journal, the sum of parts."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.gauges import combine, standard_doubt
from halfthou.jobs import Feature
from halfthou.lengths import Length, Notation
from halfthou.surveys import ALIKE
from halfthou.verdicts.case import JournalCase
from halfthou.verdicts.figures import bore_sizes
from halfthou.verdicts.words import Reason

#: What crush may take off a bearing bore against housing and walls. Source: common practice, no source.
CRUSH = Length(12_700)
#: Three standard uncertainties: beyond that two readings contradict each other. Source: common practice, no source.
TIMES = 3.0


def contradictions(case: JournalCase, say: Notation) -> Iterator[Reason]:
    """The contradictions among the readings of one journal, in words.

    Rule:    verdicts.contradiction.   Source: common practice, no source.
    """
    yield from _twice(case, say)
    yield from _top_against_bottom(case, say)
    yield from _bore_against_journal(case, say)
    yield from _sum_of_parts(case, say)


def _reason(text: str, spots: tuple[str, ...] = ()) -> Reason:
    return Reason(rule="verdicts.contradiction", text=text, spots=spots)


def _twice(case: JournalCase, say: Notation) -> Iterator[Reason]:
    """Two readings of one spot that stand and differ: both are kept, a person settles it."""
    bench = case.survey.bench
    for state in case.survey.spots:
        if not state.counted or not state.others:
            continue
        newest, other = state.counted[0], bench.take(state.others[0])
        apart = abs(newest.size - other.size)
        if apart > ALIKE:
            text = (
                f"{state.spot} stands twice: {say.text(newest.size)} by {newest.reading.by}, "
                f"{say.text(other.size)} by {other.reading.by}. The newest counts. Read it again, or take one back."
            )
            yield _reason(text, (state.spot,))


def _top_against_bottom(case: JournalCase, say: Notation) -> Iterator[Reason]:
    """A taper that runs one way at one angle and the other way at another."""
    survey = case.survey
    last = str(survey.plan.planes)
    found = []
    for spot, size in survey.sizes.items():
        other = f"{last}{spot[1]}"
        if spot[0] == "1" and other in survey.sizes:
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
        text = (
            f"Front against rear: at {high[1][1]} the front is {say.text(high[0])} larger, at {low[1][1]} the rear "
            f"is by {say.text(-low[0])}. Read both again."
        )
        yield _reason(text, (*high[1:], *low[1:]))


def _bore_against_journal(case: JournalCase, say: Notation) -> Iterator[Reason]:
    sizes, bores = case.survey.sizes, bore_sizes(case)
    if not sizes or not bores:
        return
    journal, (bore, where, _) = max(sizes.values()), min(bores)
    if bore <= journal:
        text = (
            f"The bearing reads {say.text(bore)} at {where}, the journal {say.text(journal)}: it cannot be in it."
        )
        yield _reason(text)


def _sum_of_parts(case: JournalCase, say: Notation) -> Iterator[Reason]:
    bearing, bench = case.survey.bearing, case.survey.bench
    if not all(feature in bearing for feature in (Feature.BEARING_BORE, Feature.HOUSING_BORE, Feature.WALL)):
        return
    walls = [(state.size, bench.budget(state.counted)) for state in bearing[Feature.WALL] if state.size is not None]
    if len(walls) < 2:
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
            text = (
                f"Housing less both walls gives {say.text(bore.size - apart)} at {bore.spot}, the bearing reads "
                f"{say.text(bore.size)}: one of them is wrong."
            )
            yield _reason(text)
            return
