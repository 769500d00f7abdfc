"""The quantities beside length. Each is a whole number of its smallest unit, so that on the limit is on the limit;
each is a type of its own, so that a weight is never taken for a length."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import NamedTuple, Self

from halfthou.lengths import AmountUnit, Length


class Quantity(StrEnum):
    """What can be measured of a part, by the unit its counts are whole numbers of."""

    LENGTH = "nm"
    MASS = "mg"
    FORCE = "mN"
    ANGLE = "microdegree"
    PRESSURE = "Pa"
    FINISH = "pm"
    ROCKWELL_C = "thousandth HRC"
    BRINELL = "thousandth HBW"
    VICKERS = "thousandth HV"


@dataclass(frozen=True, slots=True)
class Counted:
    """So many of a smallest unit: the base of every amount that is no length."""

    count: int

    def __lt__(self, other: Self) -> bool:
        return self.count < other.count

    def __le__(self, other: Self) -> bool:
        return self.count <= other.count

    def __gt__(self, other: Self) -> bool:
        return self.count > other.count

    def __ge__(self, other: Self) -> bool:
        return self.count >= other.count

    def __neg__(self) -> Self:
        return type(self)(-self.count)

    def __abs__(self) -> Self:
        return type(self)(abs(self.count))

    def __add__(self, other: Self) -> Self:
        return type(self)(self.count + other.count)

    def __sub__(self, other: Self) -> Self:
        return type(self)(self.count - other.count)


class Mass(Counted):
    """A weight as a scale says it, in whole milligrams."""


class Force(Counted):
    """A force in whole millinewtons."""


class Angle(Counted):
    """An angle in whole millionths of a degree."""


class Pressure(Counted):
    """A pressure in whole pascals."""


class Finish(Counted):
    """A roughness in whole picometres: one microinch is 25,400 of them, and no whole nanometre."""


class RockwellC(Counted):
    """A hardness by Rockwell C in thousandths. One scale is never converted into another."""


class Brinell(Counted):
    """A hardness by Brinell, hard metal ball, in thousandths."""


class Vickers(Counted):
    """A hardness by Vickers in thousandths."""


Amount = Length | Mass | Force | Angle | Pressure | Finish | RockwellC | Brinell | Vickers


class Kept(NamedTuple):
    """How a quantity is spoken of: the unit it is shown in, with so many decimals, and what else is typed."""

    unit: AmountUnit
    decimals: int
    what: str
    example: str


#: Source: SI; the decimals are common practice.
QUANTITIES: dict[Quantity, Kept] = {
    Quantity.MASS: Kept(AmountUnit.GRAM, 1, "weight", "412.5"),
    Quantity.FORCE: Kept(AmountUnit.NEWTON, 1, "force", "45.0"),
    Quantity.ANGLE: Kept(AmountUnit.DEGREE, 1, "angle", "1.5"),
    Quantity.PRESSURE: Kept(AmountUnit.BAR, 2, "pressure", "4.00"),
    Quantity.FINISH: Kept(AmountUnit.MICROMETRE, 3, "finish", "0.250"),
    Quantity.ROCKWELL_C: Kept(AmountUnit.ROCKWELL_C, 1, "hardness by Rockwell C", "54.0"),
    Quantity.BRINELL: Kept(AmountUnit.BRINELL, 1, "hardness by Brinell", "240"),
    Quantity.VICKERS: Kept(AmountUnit.VICKERS, 1, "hardness by Vickers", "550"),
}
#: So many smallest units to a unit. Source: the avoirdupois ounce is 28.349523125 g exactly, the pound 16 of them
#: (international yard and pound agreement, 1959, recalled); standard gravity 9.80665 m/s2 (recalled).
COUNT_PER_UNIT: dict[AmountUnit, Fraction] = {
    AmountUnit.GRAM: Fraction(1000),
    AmountUnit.KILOGRAM: Fraction(1_000_000),
    AmountUnit.OUNCE: Fraction("28349.523125"),
    AmountUnit.NEWTON: Fraction(1000),
    AmountUnit.POUND_FORCE: Fraction("0.45359237") * Fraction("9806.65"),
    AmountUnit.KILOGRAM_FORCE: Fraction("9806.65"),
    AmountUnit.DEGREE: Fraction(1_000_000),
    AmountUnit.BAR: Fraction(100_000),
    AmountUnit.PSI: Fraction("0.45359237") * Fraction("9.80665") / Fraction("0.0254") ** 2,
    AmountUnit.MICROMETRE: Fraction(1_000_000),
    AmountUnit.MICROINCH: Fraction(25_400),
    AmountUnit.ROCKWELL_C: Fraction(1000),
    AmountUnit.BRINELL: Fraction(1000),
    AmountUnit.VICKERS: Fraction(1000),
}
_TYPES: dict[Quantity, type[Amount]] = {
    Quantity.LENGTH: Length,
    Quantity.MASS: Mass,
    Quantity.FORCE: Force,
    Quantity.ANGLE: Angle,
    Quantity.PRESSURE: Pressure,
    Quantity.FINISH: Finish,
    Quantity.ROCKWELL_C: RockwellC,
    Quantity.BRINELL: Brinell,
    Quantity.VICKERS: Vickers,
}


def amount_of(quantity: Quantity, count: int) -> Amount:
    """A count as the amount it is.

    >>> amount_of(Quantity.MASS, 412_500)
    Mass(count=412500)
    """
    return _TYPES[quantity](count)


def amount_text(quantity: Quantity, count: int, *, finer: int = 0) -> str:
    """A count of a quantity beside length as people read it, with its unit; rounded half away from zero.

    Takes:   `finer` decimals more than usual, as for a doubt.
    Refuses: KeyError for a length, whose unit a notation knows.
    >>> amount_text(Quantity.FORCE, 45_049), amount_text(Quantity.PRESSURE, 397_900)
    ('45.0 N', '3.98 bar')
    """
    kept = QUANTITIES[quantity]
    decimals = kept.decimals + finer
    scaled = Fraction(abs(count)) * 10**decimals / COUNT_PER_UNIT[kept.unit]
    digits = str((2 * scaled.numerator + scaled.denominator) // (2 * scaled.denominator)).zfill(decimals + 1)
    sign = "-" if count < 0 and digits.strip("0") else ""
    space = "" if kept.unit is AmountUnit.DEGREE else " "
    return f"{sign}{digits[:-decimals]}.{digits[-decimals:]}{space}{kept.unit.value}"
