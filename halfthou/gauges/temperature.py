"""Bringing a size to 20 degrees, and what warmth that nobody measured could do."""

from __future__ import annotations

import re
from typing import NamedTuple

from halfthou.jobs import Condition, Material
from halfthou.lengths import Length, Unreadable

#: The reference temperature of all sizes. Source: ISO 1.
REFERENCE_C = 20.0


class Expansion(NamedTuple):
    """A linear coefficient in 1e-9 per kelvin, 20 to 100 degrees, and half the width of its spread."""

    ppb: int
    spread_ppb: int


#: Source: docs/trade: Sizes at 20 degrees, from memory (general reference ranges); gauge steel ISO 3650, recalled.
#: The spread is
#: ±1e-6 unless the alloy is known (docs/trade: Sizes at 20 degrees).
COEFFICIENTS: dict[Material, Expansion] = {
    # A crank of which nobody said whether it is iron or steel: all that both can be.
    Material.UNKNOWN: Expansion(11_300, 1_500),
    Material.STEEL: Expansion(11_700, 1_000),
    Material.GREY_IRON: Expansion(10_800, 1_000),
    Material.NODULAR_IRON: Expansion(11_800, 1_000),
    Material.GAUGE_STEEL: Expansion(11_500, 1_000),
    Material.CARBIDE: Expansion(5_000, 1_000),
    Material.CAST_ALUMINIUM: Expansion(21_500, 1_000),
    Material.PISTON_ALLOY: Expansion(19_400, 1_000),
    Material.HYPEREUTECTIC: Expansion(18_000, 1_000),
    Material.FORGED_2618: Expansion(22_300, 1_000),
    Material.BRONZE: Expansion(18_000, 1_000),
    Material.ALUMINIUM_BRONZE: Expansion(16_500, 1_000),
}

#: How far above the gauge a part may be that has not rested, in kelvin. Source: common practice, no source.
RISE_K: dict[Condition, int] = {
    Condition.RESTED: 0,
    Condition.IN_HAND: 8,
    Condition.MACHINED: 20,
    Condition.WASHED: 30,
}
_ONE = 10**12


class Warmth(NamedTuple):
    """What something is made of and how warm it is."""

    material: Material
    celsius: float

    @property
    def growth(self) -> int:
        """How much longer it is than at 20 degrees, in 1e-12."""
        return COEFFICIENTS[self.material].ppb * round((self.celsius - REFERENCE_C) * 1000)


def at_reference(read: Length, part: Warmth, scale: Warmth) -> Length:
    """The size at 20 degrees of a part read warm with a warm gauge.

    Takes:   the size the gauge gave; material and temperature of the part, and of the gauge's scale (or of the
             master a comparator was set on).
    Gives:   R·(1 + a_i(T_i - 20)) / (1 + a_p(T_p - 20)), in whole nanometres.
    Rule:    gauges.temperature.   Source: docs/trade: Sizes at 20 degrees; ISO 1.
    >>> warm = Warmth(Material.STEEL, 35.0)
    >>> at_reference(Length(60_000_000), warm, Warmth(Material.GAUGE_STEEL, 20.0))
    Length(nm=59989472)
    """
    top, bottom = read.nm * (_ONE + scale.growth), _ONE + part.growth
    return Length((2 * top + bottom) // (2 * bottom))


def growth_of(size: Length, material: Material, kelvin: float) -> Length:
    """How much a size grows over so many kelvin, to the nearest nanometre.

    By hand: 100 mm of steel, 10 K: 11.7 µm.
    >>> growth_of(Length(100_000_000), Material.STEEL, 10).nm
    11700
    """
    return Length(round(size.nm * COEFFICIENTS[material].ppb * kelvin / 1e9))


_DEGREES = re.compile(r"^([+-]?\d+(?:[.]\d+)?) ?(?:°|deg|degrees)? ?([cf])?$")


def read_celsius(text: str) -> float:
    """A temperature as typed, in degrees Celsius; F after the number says Fahrenheit.

    Refuses: Unreadable.
    >>> read_celsius("68 F"), read_celsius("21.5")
    (20.0, 21.5)
    """
    if len(text) > 40:
        raise Unreadable("no-temperature", text[:40], "That is no temperature. Type degrees Celsius, or 70 F.")
    said = text.strip().lower().replace(",", ".").replace("−", "-")
    match = _DEGREES.match(said)
    if match is None:
        message = f"“{text.strip()}” is no temperature. Type degrees Celsius, for example 21.5, or 70 F."
        raise Unreadable("no-temperature", text, message)
    degrees = float(match[1])
    return round((degrees - 32) / 1.8, 3) if match[2] == "f" else degrees
