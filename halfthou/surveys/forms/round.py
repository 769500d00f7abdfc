"""The form that diameters show, of a shaft or of a hole: size, out-of-round, taper, barrel or hourglass."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache
from typing import NamedTuple

from halfthou.gauges import fitted_ovality_factor
from halfthou.jobs import Plan
from halfthou.lengths import Length
from halfthou.surveys.forms.measure import FRONT, REAR, Measure, MeasuredWhere
from halfthou.surveys.forms.ovality import fit_ovality, goes_round


@dataclass(frozen=True, slots=True)
class Form:
    """What the diameters of one part show. None stands where there are too few readings to tell.

    `size_found` is the least reading of a shaft, or the least of a fitted ellipse if that is smaller; of a hole the
    greatest. `out_of_round` is the
    larger of the two-point and the fitted figure. `barrel` is positive for a barrel, negative for an hourglass.
    `angles` is the least number of angles read in a plane: with fewer than three every size is only a bound.
    """

    least: Measure
    greatest: Measure
    size_found: Length
    two_point: Measure | None
    fitted: Measure | None
    out_of_round: Measure | None
    out_of_round_by_fit: bool
    angles: int
    taper: Measure | None
    barrel: Measure | None
    hole: bool = False


@lru_cache(maxsize=64)
def places_of(plan: Plan) -> dict[str, MeasuredWhere]:
    """Where the spots of a plan lie."""
    return {spot: MeasuredWhere(plan.along_of(spot), plan.angle_of(spot)) for spot in plan.spots}


def form_of(sizes: Mapping[str, Length], places: Mapping[str, MeasuredWhere], *, hole: bool = False) -> Form:
    """Work out the form from the current readings of one part.

    Takes:   size by spot (at least one); where each spot lies. A spot whose place nobody knows counts for the size
             alone. `hole` turns wear round: a hole's size is its greatest, and its taper runs over its whole
             travel.
    Gives:   the form; figures that need readings not yet taken are None.
    Rule:    surveys.size.least, surveys.form.out-of-round, surveys.form.taper, surveys.form.barrel.
    """
    by_size = [(size.nm, spot) for spot, size in sizes.items()]
    low, high = min(by_size), max(by_size)
    rounds = _out_of_round(sizes, places, hole=hole)
    by_fit = rounds.fitted is not None and (
        rounds.two_point is None or rounds.fitted.value > rounds.two_point.value
    )
    least, greatest = Length(low[0]), Length(high[0])
    found = greatest if hole else least
    if rounds.fitted_end is not None:
        found = max(found, rounds.fitted_end) if hole else min(found, rounds.fitted_end)
    at = {place: spot for spot, place in places.items() if spot in sizes}
    return Form(
        least=Measure.of(least, ((1.0, low[1]),), len(by_size)),
        greatest=Measure.of(greatest, ((1.0, high[1]),), len(by_size)),
        size_found=found,
        two_point=rounds.two_point,
        fitted=rounds.fitted,
        out_of_round=rounds.fitted if by_fit else rounds.two_point,
        out_of_round_by_fit=by_fit,
        angles=rounds.angles,
        taper=_taper_of_hole(sizes, at) if hole else _taper(sizes, at),
        barrel=_barrel(sizes, at),
        hole=hole,
    )


class _Rounds(NamedTuple):
    two_point: Measure | None
    fitted: Measure | None
    fitted_end: Length | None
    angles: int


def _out_of_round(sizes: Mapping[str, Length], places: Mapping[str, MeasuredWhere], *, hole: bool) -> _Rounds:
    planes: dict[int, list[tuple[int, str, float]]] = {}
    for spot, size in sizes.items():
        place = places.get(spot)
        if place is not None:
            planes.setdefault(place.along, []).append((size.nm, spot, place.angle_deg))
    two_points: list[tuple[Length, tuple[str, ...]]] = []
    fits: list[tuple[Length, tuple[str, ...], tuple[float, ...]]] = []
    fitted_end: Length | None = None
    for read in planes.values():
        if len(read) < 2:
            continue
        low, high = min(read), max(read)
        two_points.append((Length(high[0] - low[0]), (high[1], low[1])))
        angles = tuple(angle for _, _, angle in read)
        if len(read) < 3 or not goes_round(angles):
            continue
        ellipse = fit_ovality(angles, [sizes[spot] for _, spot, _ in read])
        fits.append((ellipse.ovality, tuple(spot for _, spot, _ in read), angles))
        end = ellipse.greatest if hole else ellipse.least
        worse = max if hole else min
        fitted_end = end if fitted_end is None else worse(fitted_end, end)
    two = max(two_points, key=lambda found: found[0].nm, default=None)
    fit = max(fits, key=lambda found: found[0].nm, default=None)
    return _Rounds(
        None if two is None else Measure.of(two[0], ((1.0, two[1][0]), (-1.0, two[1][1])), len(two_points)),
        None if fit is None else _fitted(*fit, len(fits)),
        fitted_end,
        min((len(read) for read in planes.values()), default=1),
    )


def _fitted(ovality: Length, spots: tuple[str, ...], angles: tuple[float, ...], out_of: int) -> Measure:
    """The ovality of a fitted ellipse: no sum of spots, so its factors are those of a difference, widened."""
    factor = fitted_ovality_factor(angles)
    return Measure(ovality, ((factor, spots[0]), (-factor, spots[-1])), spots, out_of)


def _taper(sizes: Mapping[str, Length], at: Mapping[MeasuredWhere, str]) -> Measure | None:
    found: tuple[int, tuple[str, str]] | None = None
    lines = 0
    for place, spot in at.items():
        other = at.get(MeasuredWhere(REAR, place.angle_deg))
        if place.along != FRONT or other is None:
            continue
        lines += 1
        apart = abs(sizes[spot].nm - sizes[other].nm)
        if found is None or apart > found[0]:
            found = apart, (spot, other)
    return None if found is None else _difference(Length(found[0]), *found[1], lines)


def _difference(value: Length, first: str, second: str, out_of: int) -> Measure:
    return Measure.of(value, ((1.0, first), (-1.0, second)), out_of)


def _taper_of_hole(sizes: Mapping[str, Length], at: Mapping[MeasuredWhere, str]) -> Measure | None:
    """The greatest less the least along one angle, over the whole travel: a bore need not wear most at its end.

    Source:  docs/trade: Measuring a bore; worked example H01.
    """
    lines: dict[float, list[tuple[int, str]]] = {}
    for place, spot in at.items():
        lines.setdefault(place.angle_deg, []).append((sizes[spot].nm, spot))
    spans = [(max(line), min(line)) for line in lines.values() if len(line) >= 2]
    if not spans:
        return None
    high, low = max(spans, key=lambda span: span[0][0] - span[1][0])
    return _difference(Length(high[0] - low[0]), high[1], low[1], len(spans))


def _barrel(sizes: Mapping[str, Length], at: Mapping[MeasuredWhere, str]) -> Measure | None:
    """The largest bulge (or waist) of a middle plane against the mean of the ends, rounded outward."""
    found: tuple[int, tuple[str, str, str]] | None = None
    lines = 0
    for place, spot in at.items():
        front, rear = at.get(MeasuredWhere(FRONT, place.angle_deg)), at.get(MeasuredWhere(REAR, place.angle_deg))
        if place.along in (FRONT, REAR) or front is None or rear is None:
            continue
        lines += 1
        # The ends' mean where the middle plane lies, on the line between them.
        share = place.along / REAR
        bulge = sizes[spot].nm - ((1 - share) * sizes[front].nm + share * sizes[rear].nm)
        twice = round(2 * bulge)
        if found is None or abs(twice) > abs(found[0]):
            found = twice, (spot, front, rear)
    if found is None:
        return None
    half = -(-abs(found[0]) // 2)
    middle, front, rear = found[1]
    share = next(place.along for place, spot in at.items() if spot == middle) / REAR
    terms = ((1.0, middle), (share - 1, front), (-share, rear))
    return Measure.of(Length(half if found[0] >= 0 else -half), terms, lines)
