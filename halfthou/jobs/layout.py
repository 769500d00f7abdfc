"""How an engine is laid out: its cylinders, its main journals, its pins and which rods hang on each."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field, model_validator

from halfthou.jobs.document import Document, Words


class Arrangement(StrEnum):
    """How the cylinders stand. Terms: ISO 7967-1 (recalled)."""

    INLINE = "inline"
    VEE = "V"
    FLAT = "flat"


class Pin(Document):
    """One rod journal: the cylinders whose rods it carries and its throw angle in degrees.

    Pins shared by two rods are one journal (docs/trade: Shared pins).
    """

    cylinders: Annotated[tuple[int, ...], Field(min_length=1, max_length=2)]
    throw_deg: Annotated[float, Field(ge=0, lt=360)]


class Layout(Document):
    """The crankshaft as it lies in the engine, from the front.

    `shaft` lists the journals in order along it: M1, R1, M2 and so on.
    """

    name: Words
    arrangement: Arrangement
    bank_deg: Annotated[float, Field(ge=0, le=180)] = 0
    cylinders: Annotated[int, Field(ge=1, le=16)]
    pins: Annotated[tuple[Pin, ...], Field(min_length=1, max_length=16)]
    shaft: Annotated[tuple[str, ...], Field(min_length=2, max_length=40)]

    @model_validator(mode="after")
    def _agrees_with_itself(self) -> "Layout":
        carried = sorted(cylinder for pin in self.pins for cylinder in pin.cylinders)
        if carried != list(range(1, self.cylinders + 1)):
            raise ValueError(f"the pins must carry each of the {self.cylinders} cylinders once")
        rods = [name for name in self.shaft if name.startswith("R")]
        mains = [name for name in self.shaft if name.startswith("M")]
        if len(rods) + len(mains) != len(self.shaft):
            raise ValueError("the shaft lists journals by name: M1, R1, M2 and so on")
        if rods != [f"R{n}" for n in range(1, len(self.pins) + 1)]:
            raise ValueError(f"the shaft must list the rod journals R1 to R{len(self.pins)} in order")
        if not mains or mains != [f"M{n}" for n in range(1, len(mains) + 1)]:
            raise ValueError("the shaft must list the main journals from M1 on, in order")
        return self

    @property
    def mains(self) -> tuple[str, ...]:
        """The main journals, from the front."""
        return tuple(name for name in self.shaft if name[0] == "M")

    @property
    def rods(self) -> tuple[str, ...]:
        """The rod journals, from the front."""
        return tuple(name for name in self.shaft if name[0] == "R")
