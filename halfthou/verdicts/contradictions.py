"""Readings that cannot all be true: one spot twice, top against bottom, bore against journal, the sum of parts."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass
from enum import StrEnum

from halfthou.amounts import Quantity
from halfthou.gauges import combine, standard_doubt
from halfthou.jobs import Reading, plane_and_angle
from halfthou.lengths import Length
from halfthou.surveys import ALIKE, FeatureSurvey
from halfthou.verdicts.figures import own_and_common

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
