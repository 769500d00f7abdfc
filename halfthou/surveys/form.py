"""The form that a journal's readings show: least size, out-of-round, taper, barrel or hourglass."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise

from halfthou.jobs import Plan
from halfthou.lengths import Length

#: Float noise, in nm: a fitted value this close to a whole nanometre is that nanometre on every machine.
NOISE_NM = 1e-6


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
    """A figure worked out from readings, with the spots it came from."""

    value: Length
    spots: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Form:
    """What the readings of one journal show. None stands where there are too few readings to tell.

    `size_found` is the least reading, or the least of a fitted ellipse if that is smaller (design 8.4).
    `out_of_round` is the larger of the two-point and the fitted figure. `barrel` is positive for a barrel,
    negative for an hourglass.
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
    Rule:    surveys.form.out-of-round.   Source: handbook D2; checked against numpy's least squares.
    >>> flat = [Length(50_000_000 + d) for d in (4_000, 0, -4_000, 0)]
    >>> fit_ovality((0, 45, 90, 135), flat).ovality
    Length(nm=8000)
    """
    count = len(sizes)
    if count < 3:
        raise ValueError("an ellipse needs at least three diameters")
    base = sizes[0].nm
    c = s = cc = ss = cs = y = yc = ys = 0.0
    for angle, size in zip(angles_deg, sizes, strict=True):
        turn = math.radians(2 * angle)
        cos, sin, value = math.cos(turn), math.sin(turn), size.nm - base
        c, s, cc, ss, cs = c + cos, s + sin, cc + cos * cos, ss + sin * sin, cs + cos * sin
        y, yc, ys = y + value, yc + value * cos, ys + value * sin
    # Cramer's rule on the 3 by 3 normal equations, the mean eliminated first.
    a11, a12, a22 = cc - c * c / count, cs - c * s / count, ss - s * s / count
    b1, b2 = yc - c * y / count, ys - s * y / count
    determinant = a11 * a22 - a12 * a12
    a = (b1 * a22 - b2 * a12) / determinant
    b = (a11 * b2 - a12 * b1) / determinant
    return Ovality(base + (y - a * c - b * s) / count, 2 * math.hypot(a, b))


def form_of(sizes: Mapping[str, Length], plan: Plan) -> Form:
    """Work out the form from the current readings of one journal.

    Takes:   size by spot (at least one); the plan that says where the spots lie.
    Gives:   the form; figures that need readings not yet taken are None.
    Rule:    surveys.size.least, surveys.form.out-of-round, surveys.form.taper, surveys.form.barrel.
    """
    by_size = [(size.nm, spot) for spot, size in sizes.items()]
    least_spot, greatest_spot = min(by_size)[1], max(by_size)[1]
    two_point, fitted, fitted_least, angles = _out_of_round(sizes, plan)
    by_fit = fitted is not None and two_point is not None and fitted.value > two_point.value
    least = Measure(sizes[least_spot], (least_spot,))
    return Form(
        least=least,
        greatest=Measure(sizes[greatest_spot], (greatest_spot,)),
        size_found=min(least.value, fitted_least) if fitted_least is not None else least.value,
        two_point=two_point,
        fitted=fitted,
        out_of_round=fitted if by_fit else two_point,
        out_of_round_by_fit=by_fit,
        angles=angles,
        taper=_taper(sizes, plan),
        barrel=_barrel(sizes, plan),
    )


def _out_of_round(
    sizes: Mapping[str, Length], plan: Plan
) -> tuple[Measure | None, Measure | None, Length | None, int]:
    two_point: Measure | None = None
    fitted: Measure | None = None
    fitted_least: Length | None = None
    most_angles = 0
    planes: dict[str, list[tuple[int, str]]] = {}
    for spot, size in sizes.items():
        planes.setdefault(spot[0], []).append((size.nm, spot))
    for read in planes.values():
        most_angles = max(most_angles, len(read))
        if len(read) < 2:
            continue
        low, high = min(read), max(read)
        two_point = _larger(two_point, Measure(Length(high[0] - low[0]), (high[1], low[1])))
        angles = [plan.angle_of(spot) for _, spot in read]
        if len(read) < 3 or not _spread(angles):
            continue
        ellipse = fit_ovality(angles, [sizes[spot] for _, spot in read])
        fitted = _larger(fitted, Measure(ellipse.ovality, tuple(spot for _, spot in read)))
        fitted_least = ellipse.least if fitted_least is None else min(fitted_least, ellipse.least)
    return two_point, fitted, fitted_least, most_angles


def _spread(angles: list[int]) -> bool:
    """Whether the angles read so far go round far enough to hold an ellipse: no gap wider than 90 degrees."""
    turned = sorted(angles)
    gaps = [b - a for a, b in pairwise(turned)]
    return max(turned[0] + 180 - turned[-1], *gaps) <= 90


def _taper(sizes: Mapping[str, Length], plan: Plan) -> Measure | None:
    found: Measure | None = None
    for spot in sizes:
        other = f"{plan.planes}{spot[1]}"
        if spot[0] == "1" and other in sizes:
            found = _larger(found, Measure(abs(sizes[spot] - sizes[other]), (spot, other)))
    return found


def _barrel(sizes: Mapping[str, Length], plan: Plan) -> Measure | None:
    """The largest bulge (or waist) of a middle plane against the mean of the ends, rounded outward."""
    worst, where = 0, ("", "", "")
    last = str(plan.planes)
    for spot, size in sizes.items():
        front, rear = sizes.get(f"1{spot[1]}"), sizes.get(f"{last}{spot[1]}")
        if spot[0] in ("1", last) or front is None or rear is None:
            continue
        twice = 2 * size.nm - front.nm - rear.nm
        if abs(twice) > abs(worst) or not where[0]:
            worst, where = twice, (spot, f"1{spot[1]}", f"{last}{spot[1]}")
    if not where[0]:
        return None
    half = -(-abs(worst) // 2)
    return Measure(Length(half if worst >= 0 else -half), where)


def _larger(found: Measure | None, other: Measure) -> Measure:
    return other if found is None or other.value > found.value else found
