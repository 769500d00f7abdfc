"""Ring gaps: what is aimed at by use and bore, what has to be filed off, how a gap opens up a worn bore."""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction

from halfthou.jobs import Use
from halfthou.lengths import ZERO, Length

#: Gap for each unit of bore, least and most, of the top ring and of the second. Source: docs/trade: Ring gaps,
#: common practice; the ring or piston maker's sheet wins.
FACTORS: dict[Use, tuple[tuple[str, str], tuple[str, str]]] = {
    Use.STREET: (("0.0040", "0.0045"), ("0.0045", "0.0055")),
    Use.HARD: (("0.0045", "0.0050"), ("0.0050", "0.0055")),
    Use.BOOSTED: (("0.0060", "0.0070"), ("0.0060", "0.0070")),
    Use.MARINE: (("0.0045", "0.0050"), ("0.0050", "0.0055")),
    Use.STATIONARY: (("0.0045", "0.0050"), ("0.0050", "0.0055")),
}
#: The least gap of an oil ring's rails: 0.015 in. Source: docs/trade: Ring gaps, common practice.
OIL_LEAST = Length(381_000)
#: Coefficients of ring and bore, and how much warmer than 20 degrees each runs. Source: docs/trade: Ring gaps:
#: thermal basis; the temperatures are assumed.
RING_PER_K, BORE_PER_K = 12e-6, 11e-6
WARMER_K: dict[Use, tuple[float, float]] = {
    Use.STREET: (200, 100),
    Use.HARD: (220, 105),
    Use.BOOSTED: (280, 120),
    Use.MARINE: (220, 105),
    Use.STATIONARY: (220, 105),
}


def gap_growth(bore_growth: Length) -> Length:
    """By how much a ring's gap opens where its bore is so much wider: π times.

    Rule:    rings.growth.   Source: geometry: the ring's length stays, the circumference grows.
    >>> gap_growth(Length(101_600)).nm
    319186
    """
    return Length(round(math.pi * bore_growth.nm))


def thermal_gap(bore: Length, ring_k: float, bore_k: float) -> Length:
    """The gap that warmth closes, for a ring and a bore so much warmer than when it was measured.

    Rule:    rings.thermal.   Source: docs/trade: Ring gaps: thermal basis.
             By hand: π × 100 mm × (12e-6 × 200 − 11e-6 × 100) = 0.40841 mm.
    >>> thermal_gap(Length(100_000_000), 200, 100).nm // 10
    40840
    """
    return Length(round(math.pi * bore.nm * (RING_PER_K * ring_k - BORE_PER_K * bore_k)))


def typical_gap(bore: Length, use: Use, ring: int) -> Length:
    """What a gap is aimed at by the typical factor of a use: the least of its range times the bore, rounded up.

    Takes:   ring 1 (top) or 2 (second).
    By hand: 100 mm × 0.0040, on the street.
    >>> typical_gap(Length(100_000_000), Use.STREET, 1)
    Length(nm=400000)
    """
    factor = Fraction(FACTORS[use][ring - 1][0])
    return Length(-(-bore.nm * factor.numerator // factor.denominator))


class Filing(StrEnum):
    """What is done about a ring's gap."""

    FITS = "fits as it is"
    FILE = "file"
    TOO_WIDE = "too wide"
    CLOSE = "too close to call"


@dataclass(frozen=True, slots=True)
class FileToFit:
    """How a ring's gap stands to what is aimed at: what is filed off, or by how much it is too wide."""

    says: Filing
    gap: Length
    target: Length
    off: Length = ZERO


def file_to_fit(gap: Length, target: Length, most: Length | None, doubt: Length) -> FileToFit:
    """What has to be filed off a ring's end.

    Takes:   the gap measured; the least it may be (what is aimed at); the most, where one is known; the guard band
             of the reading.
    Rule:    rings.file: target less measured, one end only; a gap too wide cannot be mended.
    """
    if most is not None and gap - doubt > most:
        return FileToFit(Filing.TOO_WIDE, gap, target, gap - most)
    if gap < target:
        return FileToFit(Filing.FILE, gap, target, target - gap)
    if gap - doubt < target and gap != target:
        return FileToFit(Filing.CLOSE, gap, target)
    return FileToFit(Filing.FITS, gap, target)
