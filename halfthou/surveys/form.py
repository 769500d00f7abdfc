"""The form that a journal's readings show: least size, out-of-round, taper, barrel or hourglass."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import pairwise
from typing import NamedTuple

from halfthou.jobs import Plan
from halfthou.lengths import Length

#: Float noise, in nm: a fitted value this close to a whole nanometre is that nanometre on every machine.
NOISE_NM = 1e-6
#: Where the end planes lie, in twelfths of the way from front to rear.
FRONT, REAR = 0, 12


class Where(NamedTuple):
    """Where a reading was taken: how far along in twelfths from the front plane to the rear, and at which angle."""

    along: int
    angle_deg: float


@dataclass(frozen=True, slots=True)
class Ovality:
    """The ellipse fitted to one plane: mean diameter and ovality (greatest less least), in nm."""

    mean_nm: float
    ovality_nm: float

    @property
    def ovality(self) -> Length:
        """The fitted out-of-round, rounded up to a whole nanometre."""
        return Length(math.ceil(self.ovality_nm - NOISE_NM))

    @property
    def least(self) -> Length:
        """The least diameter of the ellipse, rounded down to a whole nanometre."""
        return Length(math.floor(self.mean_nm - self.ovality_nm / 2 + NOISE_NM))


@dataclass(frozen=True, slots=True)
class Measure:
    """A figure worked out from readings, with the spots it came from.

    `out_of` says out of how many planes or lines it was picked; `angles_deg` are those an ellipse was fitted to.
    """

    value: Length
    spots: tuple[str, ...]
    out_of: int = 1
    angles_deg: tuple[float, ...] = ()


@dataclass(frozen=True, slots=True)
class Form:
    """What the readings of one journal show. None stands where there are too few readings to tell.

    `size_found` is the least reading, or the least of a fitted ellipse if that is smaller. `out_of_round` is the
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


def fit_ovality(angles_deg: Sequence[float], sizes: Sequence[Length]) -> Ovality:
    """Fit an ellipse, D = mean + a·cos 2t + b·sin 2t, to the diameters of one plane by least squares.

    Takes:   at least three angles in degrees, none twice within 180, and the diameter at each.
    Gives:   mean and ovality O = 2·√(a² + b²).
    Refuses: ValueError for fewer than three readings.
    Rule:    surveys.form.out-of-round.   Source: docs/trade: Form of a journal; checked against numpy.
    >>> flat = [Length(50_000_000 + d) for d in (4_000, 0, -4_000, 0)]
    >>> fit_ovality((0, 45, 90, 135), flat).ovality
    Length(nm=8000)
    """
    count = len(sizes)
    if count < 3:
        raise ValueError("an ellipse needs at least three diameters")
    base = sizes[0].nm
    rows, (c, s), (a11, a12, a22) = _normal_equations(tuple(angles_deg))
    y = yc = ys = 0.0
    for (cos, sin), size in zip(rows, sizes, strict=True):
        value = size.nm - base
        y, yc, ys = y + value, yc + value * cos, ys + value * sin
    # Cramer's rule on the 3 by 3 normal equations, the mean eliminated first.
    b1, b2 = yc - c * y / count, ys - s * y / count
    determinant = a11 * a22 - a12 * a12
    a = (b1 * a22 - b2 * a12) / determinant
    b = (a11 * b2 - a12 * b1) / determinant
    return Ovality(base + (y - a * c - b * s) / count, 2 * math.hypot(a, b))


_Rows = tuple[tuple[float, float], ...]


@lru_cache(maxsize=256)
def _normal_equations(
    angles_deg: tuple[float, ...],
) -> tuple[_Rows, tuple[float, float], tuple[float, float, float]]:
    """Cosine and sine of twice each angle, their sums, and the squares left when the mean is taken out."""
    rows = tuple((math.cos(math.radians(2 * t)), math.sin(math.radians(2 * t))) for t in angles_deg)
    count, c, s = len(rows), sum(cos for cos, _ in rows), sum(sin for _, sin in rows)
    cc, ss = sum(cos * cos for cos, _ in rows), sum(sin * sin for _, sin in rows)
    cs = sum(cos * sin for cos, sin in rows)
    return rows, (c, s), (cc - c * c / count, cs - c * s / count, ss - s * s / count)


@lru_cache(maxsize=64)
def places_of(plan: Plan) -> dict[str, Where]:
    """Where the spots of a plan lie."""
    return {spot: Where(plan.along_of(spot), plan.angle_of(spot)) for spot in plan.spots}


def form_of(sizes: Mapping[str, Length], places: Mapping[str, Where]) -> Form:
    """Work out the form from the current readings of one journal.

    Takes:   size by spot (at least one); where each spot lies. A spot whose place nobody knows counts for the size
             alone.
    Gives:   the form; figures that need readings not yet taken are None.
    Rule:    surveys.size.least, surveys.form.out-of-round, surveys.form.taper, surveys.form.barrel.
    """
    by_size = [(size.nm, spot) for spot, size in sizes.items()]
    low, high = min(by_size), max(by_size)
    rounds = _out_of_round(sizes, places)
    by_fit = rounds.fitted is not None and (
        rounds.two_point is None or rounds.fitted.value > rounds.two_point.value
    )
    least = Length(low[0])
    at = {place: spot for spot, place in places.items() if spot in sizes}
    return Form(
        least=Measure(least, (low[1],), len(by_size)),
        greatest=Measure(Length(high[0]), (high[1],), len(by_size)),
        size_found=min(least, rounds.fitted_least) if rounds.fitted_least is not None else least,
        two_point=rounds.two_point,
        fitted=rounds.fitted,
        out_of_round=rounds.fitted if by_fit else rounds.two_point,
        out_of_round_by_fit=by_fit,
        angles=rounds.angles,
        taper=_taper(sizes, at),
        barrel=_barrel(sizes, at),
    )


class _Rounds(NamedTuple):
    two_point: Measure | None
    fitted: Measure | None
    fitted_least: Length | None
    angles: int


def _out_of_round(sizes: Mapping[str, Length], places: Mapping[str, Where]) -> _Rounds:
    planes: dict[int, list[tuple[int, str, float]]] = {}
    for spot, size in sizes.items():
        place = places.get(spot)
        if place is not None:
            planes.setdefault(place.along, []).append((size.nm, spot, place.angle_deg))
    two_points: list[tuple[Length, tuple[str, ...]]] = []
    fits: list[tuple[Length, tuple[str, ...], tuple[float, ...]]] = []
    fitted_least: Length | None = None
    for read in planes.values():
        if len(read) < 2:
            continue
        low, high = min(read), max(read)
        two_points.append((Length(high[0] - low[0]), (high[1], low[1])))
        angles = tuple(angle for _, _, angle in read)
        if len(read) < 3 or not _spread(angles):
            continue
        ellipse = fit_ovality(angles, [Length(nm) for nm, _, _ in read])
        fits.append((ellipse.ovality, tuple(spot for _, spot, _ in read), angles))
        fitted_least = ellipse.least if fitted_least is None else min(fitted_least, ellipse.least)
    two = max(two_points, key=lambda found: found[0].nm, default=None)
    fit = max(fits, key=lambda found: found[0].nm, default=None)
    return _Rounds(
        None if two is None else Measure(*two, len(two_points)),
        None if fit is None else Measure(fit[0], fit[1], len(fits), fit[2]),
        fitted_least,
        min((len(read) for read in planes.values()), default=1),
    )


@lru_cache(maxsize=256)
def _spread(angles: tuple[float, ...]) -> bool:
    """Whether the angles read so far go round far enough to hold an ellipse: no gap wider than 90 degrees."""
    turned = sorted(angles)
    gaps = [b - a for a, b in pairwise(turned)]
    return max(turned[0] + 180 - turned[-1], *gaps) <= 90


def _taper(sizes: Mapping[str, Length], at: Mapping[Where, str]) -> Measure | None:
    found: tuple[int, tuple[str, str]] | None = None
    lines = 0
    for place, spot in at.items():
        other = at.get(Where(REAR, place.angle_deg))
        if place.along != FRONT or other is None:
            continue
        lines += 1
        apart = abs(sizes[spot].nm - sizes[other].nm)
        if found is None or apart > found[0]:
            found = apart, (spot, other)
    return None if found is None else Measure(Length(found[0]), found[1], lines)


def _barrel(sizes: Mapping[str, Length], at: Mapping[Where, str]) -> Measure | None:
    """The largest bulge (or waist) of a middle plane against the mean of the ends, rounded outward."""
    found: tuple[int, tuple[str, str, str]] | None = None
    lines = 0
    for place, spot in at.items():
        front, rear = at.get(Where(FRONT, place.angle_deg)), at.get(Where(REAR, place.angle_deg))
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
    return Measure(Length(half if found[0] >= 0 else -half), found[1], lines)
