"""The ellipse fitted to the diameters of one plane, by least squares."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import pairwise

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

    @property
    def greatest(self) -> Length:
        """The greatest diameter of the ellipse, rounded up to a whole nanometre."""
        return Length(math.ceil(self.mean_nm + self.ovality_nm / 2 - NOISE_NM))


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


@lru_cache(maxsize=256)
def goes_round(angles: tuple[float, ...]) -> bool:
    """Whether the angles read so far go round far enough to hold an ellipse: no gap wider than 90 degrees."""
    turned = sorted(angles)
    gaps = [b - a for a, b in pairwise(turned)]
    return max(turned[0] + 180 - turned[-1], *gaps) <= 90
