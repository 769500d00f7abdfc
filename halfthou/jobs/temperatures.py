"""How warm the part and the gauge were while readings were taken."""

from enum import StrEnum
from typing import Annotated

from pydantic import AfterValidator
from typing_extensions import override

from halfthou.jobs.fact import Fact, Names

COLDEST_C, WARMEST_C = -20.0, 90.0


def _a_temperature(degrees: float) -> float:
    if not COLDEST_C <= degrees <= WARMEST_C:
        raise ValueError(
            f"{degrees:g} °C is no temperature to measure at: give {COLDEST_C:g} to {WARMEST_C:g} °C, "
            "and write F after the number for Fahrenheit"
        )
    return degrees


#: Degrees Celsius at which something can be measured.
Celsius = Annotated[float, AfterValidator(_a_temperature)]


class Condition(StrEnum):
    """Where the part has just come from."""

    RESTED = "rested beside the gauge"
    IN_HAND = "warm from the hand"
    WASHED = "fresh from the wash"
    MACHINED = "fresh from machining"


class Sitting(Fact):
    """One sitting at the bench. A temperature left open is the shop's; a part that has not rested and whose
    temperature is open is warm by an unknown amount."""

    part_c: Celsius | None = None
    gauge_c: Celsius | None = None
    condition: Condition = Condition.RESTED

    @override
    def said(self, names: Names) -> str:
        part = "the shop's" if self.part_c is None else f"{self.part_c:g} °C"
        return f"part {part}, {self.condition.value}"
