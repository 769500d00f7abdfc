"""Lengths as decimal text that loses nothing, for CSV."""

from __future__ import annotations

from decimal import Decimal
from fractions import Fraction

from halfthou.amounts import COUNT_PER_UNIT, QUANTITIES, Quantity
from halfthou.lengths import Length, Unit

#: Decimals that may be needed: a nanometre is 0.000001 mm; 127 nm is 0.000005 in.
_NM = {Unit.MM: Decimal(1_000_000), Unit.INCH: Decimal(25_400_000)}


def exact_text(length: Length, unit: Unit) -> tuple[str, Unit]:
    """The length in the unit if it is exact there, else in millimetres, where it always is.

    >>> exact_text(Length(2_540), Unit.INCH)
    ('0.0001', <Unit.INCH: 'in'>)
    """
    if unit is Unit.INCH and length.nm * 10 % 254 != 0:
        unit = Unit.MM
    value = (Decimal(length.nm) / _NM[unit]).quantize(Decimal("0.000001"))
    text = format(value.normalize(), "f")
    return text, unit


def exact_amount(quantity: Quantity, count: int | None) -> str:
    """A count of a quantity beside length as an exact decimal in the unit it is kept in; nothing for none."""
    if count is None:
        return ""
    value = Fraction(count) / COUNT_PER_UNIT[QUANTITIES[quantity].unit]
    return format(Decimal(value.numerator) / Decimal(value.denominator), "f")
