"""Two sums about a finished bore: how far the stones travel at each turn, and what the cylinders displace."""

from __future__ import annotations

import math

from halfthou.lengths import Length, Notation, Unit

MM3_PER_LITRE, MM_PER_INCH = 1_000_000, 25.4


def travel_each_turn(bore: Length, included_deg: float) -> Length:
    """How far the stones go along the bore while they turn once, for a hatch of an included angle.

    Source:  docs/trade: The order of boring; worked example H10.
    >>> travel_each_turn(Length(100_000_000), 44.9598).nm // 100_000
    1299
    """
    return Length(round(math.pi * bore.nm * math.tan(math.radians(included_deg / 2))))


def displaced_mm3(bore: Length, stroke: Length, cylinders: int) -> float:
    """What the cylinders displace, in cubic millimetres.

    Source:  geometry of a cylinder; worked examples H11 and H12.
    """
    return math.pi / 4 * (bore.nm / 1e6) ** 2 * stroke.nm / 1e6 * cylinders


def displacement_words(bore: Length, stroke: Length, cylinders: int, say: Notation) -> str:
    """The displacement in litres, and in cubic inches where the job is in inch.

    By hand: π/4 × 87² × 92 × 4 = 2 187 642 mm³.
    >>> displacement_words(Length(87_000_000), Length(92_000_000), 4, Notation.usual(Unit.MM))
    '2.188 L'
    """
    volume = displaced_mm3(bore, stroke, cylinders)
    litres = f"{volume / MM3_PER_LITRE:.3f} L"
    if say.unit is Unit.MM:
        return litres
    return f"{volume / MM_PER_INCH**3:.1f} in³, {litres}"
