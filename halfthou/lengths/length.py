"""A length is a whole number of nanometres, so that "exactly on the limit" means exactly that."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from typing import Any

from pydantic import GetCoreSchemaHandler
from pydantic_core import CoreSchema, core_schema


class Unit(StrEnum):
    """The two units a shop reads its gauges in."""

    INCH = "in"
    MM = "mm"


class AmountUnit(StrEnum):
    """The units of what is no length, or too fine for one: weights, forces, angles, pressures, finish, hardness.
    What they are worth stands in amounts."""

    GRAM = "g"
    KILOGRAM = "kg"
    OUNCE = "oz"
    NEWTON = "N"
    POUND_FORCE = "lbf"
    KILOGRAM_FORCE = "kgf"
    DEGREE = "°"
    BAR = "bar"
    PSI = "psi"
    MICROMETRE = "µm"
    MICROINCH = "µin"
    ROCKWELL_C = "HRC"
    BRINELL = "HBW"
    VICKERS = "HV"


#: 1 in = 25.4 mm exactly. Source: international yard and pound agreement, 1959 (recalled); NIST SP 811.
NM_PER_UNIT = {Unit.INCH: 25_400_000, Unit.MM: 1_000_000}


@dataclass(frozen=True, slots=True)
class Length:
    """A size, a difference of sizes or a limit, in whole nanometres.

    0.0001 in is 2,540 nm and 0.001 mm is 1,000 nm, so neither needs rounding on entry.

    >>> Length(2_540) + Length(1_000)
    Length(nm=3540)
    """

    nm: int

    def __lt__(self, other: Length) -> bool:
        return self.nm < other.nm

    def __le__(self, other: Length) -> bool:
        return self.nm <= other.nm

    def __gt__(self, other: Length) -> bool:
        return self.nm > other.nm

    def __ge__(self, other: Length) -> bool:
        return self.nm >= other.nm

    def __add__(self, other: Length) -> Length:
        return Length(self.nm + other.nm)

    def __sub__(self, other: Length) -> Length:
        return Length(self.nm - other.nm)

    def __neg__(self) -> Length:
        return Length(-self.nm)

    def __abs__(self) -> Length:
        return Length(abs(self.nm))

    def __mul__(self, times: int) -> Length:
        return Length(self.nm * times)

    @classmethod
    def __get_pydantic_core_schema__(cls, _source: Any, _handler: GetCoreSchemaHandler) -> CoreSchema:
        """In a document a length is written as its whole nanometres."""
        whole = core_schema.no_info_after_validator_function(cls, core_schema.int_schema(strict=True))
        return core_schema.json_or_python_schema(
            json_schema=whole,
            python_schema=core_schema.union_schema([core_schema.is_instance_schema(cls), whole]),
            serialization=core_schema.plain_serializer_function_ser_schema(
                lambda length: length.nm, return_schema=core_schema.int_schema()
            ),
        )


ZERO = Length(0)


def middle(low: Length, high: Length) -> Length:
    """The middle of two lengths, rounded down to a whole nanometre."""
    return Length((low.nm + high.nm) // 2)
