"""What of a bore's form does not look like wear: it is questioned, not believed."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from enum import StrEnum

from halfthou.gauges import combine, guard_band, standard_doubt
from halfthou.lengths import Length
from halfthou.parts.bores.case import BoreCase


class Unlike(StrEnum):
    """In what way a bore does not look worn."""

    MIDDLE = "largest in the middle"
    BOTTOM = "largest at the bottom"
    WRONG_WAY = "oval the wrong way"
    BELOW = "larger below ring travel"
    NO_STEP = "of no size on the sheet"


#: Below ring travel a bore wears no more than this: 0.002 in. Source: common practice, no source.
HARDLY_WORN = Length(50_800)


@dataclass(frozen=True, slots=True)
class UnlikeWear:
    """One thing about a bore that wear does not do: how, by how much, and where it was read."""

    how: Unlike
    by: Length
    spots: tuple[str, ...]


def unlike_wear(case: BoreCase) -> tuple[UnlikeWear, ...]:
    """What about a bore does not look like wear, by more than the readings are in doubt.

    Expected: largest at the top of ring travel across the crank, near its old size below ring travel.
    Rule:    bores.unlike-wear.   Source: docs/trade: Measuring a bore, common practice.
    """
    return tuple(_found(case))


def _found(case: BoreCase) -> Iterator[UnlikeWear]:
    plan, sizes = case.survey.plan, case.survey.sizes
    if plan is None or not case.survey.whole:
        return
    last = str(plan.planes)
    by_plane = {plane: [s for s in sizes if s.startswith(plane)] for plane in map(str, range(1, plan.planes + 1))}
    tops = {plane: max(spots, key=lambda spot: sizes[spot].nm) for plane, spots in by_plane.items() if spots}
    largest = max(tops, key=lambda plane: sizes[tops[plane]].nm)
    if largest != "1" and (by := _more(case, tops[largest], tops["1"])) is not None:
        how = Unlike.BOTTOM if largest == last else Unlike.MIDDLE
        yield UnlikeWear(how, by, (tops[largest], tops["1"]))
    thrust, pin = _letter(case, 0), _letter(case, 90)
    if thrust and pin:
        wrong = [(f"{plane}{pin}", f"{plane}{thrust}") for plane in by_plane]
        worst = max(wrong, key=lambda pair: (sizes[pair[0]] - sizes[pair[1]]).nm)
        if (by := _more(case, *worst)) is not None:
            yield UnlikeWear(Unlike.WRONG_WAY, by, worst)
    yield from _below(case)


def _letter(case: BoreCase, degrees: int) -> str:
    plan = case.survey.plan
    if plan is None:
        return ""
    return next((spot[1] for spot in plan.spots if plan.angle_of(spot) == degrees), "")


def _more(case: BoreCase, larger: str, smaller: str) -> Length | None:
    """By how much one spot is larger than another, where that is more than is in doubt."""
    by = case.survey.sizes[larger] - case.survey.sizes[smaller]
    budget = combine(((1.0, case.survey.budget(larger)), (-1.0, case.survey.budget(smaller))))
    # Picked out of several: the wider guard of a pick among three, so that scatter alone asks nothing.
    guard = guard_band(standard_doubt(budget), case.house.guard)
    return by if by.nm > 2 * guard.nm else None


def _below(case: BoreCase) -> Iterator[UnlikeWear]:
    form = case.survey.form
    if case.below is None or case.near_original is None or form is None:
        return
    size, spot = case.near_original
    by = size - form.greatest.value
    budget = combine(((1.0, case.below.budget(spot)), (-1.0, case.survey.budget(form.greatest.spots[0]))))
    if by.nm > 2 * guard_band(standard_doubt(budget), case.house.guard).nm:
        yield UnlikeWear(Unlike.BELOW, by, ("below ring travel", form.greatest.spots[0]))
    past = size - case.new_most
    if past.nm > HARDLY_WORN.nm + 2 * guard_band(standard_doubt(case.below.budget(spot)), case.house.guard).nm:
        yield UnlikeWear(Unlike.NO_STEP, past, ("below ring travel",))
