"""How an engine is laid out: its cylinders, its main journals, its pins and which rods hang on each."""

from collections.abc import Iterator
from enum import StrEnum
from functools import cached_property
from typing import Annotated

from pydantic import Field, model_validator
from typing_extensions import override

from halfthou.jobs.arrangement import Arrangement
from halfthou.jobs.built import Built, RodsOnPin
from halfthou.jobs.can_be import faults_of_built, refused_kind
from halfthou.jobs.document import Document, Words


class Rotation(StrEnum):
    """Which way the crank turns, seen from the front, the end away from the flywheel."""

    CLOCKWISE = "clockwise"
    ANTICLOCKWISE = "anticlockwise"


class Side(StrEnum):
    """A side of the engine seen from the front; in the vee, between its banks."""

    LEFT = "left"
    RIGHT = "right"
    VEE = "in the vee"


class ThrustBy(StrEnum):
    """What takes the thrust of a crank. Terms: ISO 7967-2, ISO 6525 (recalled): thrust half-washers, flanged half
    bearings."""

    FLANGED = "flanged halves"
    WASHERS = "washers"


class Pin(Document):
    """One rod journal: the cylinders whose rods it carries and its throw angle in degrees.

    Pins shared by two rods are one journal (docs/trade: Shared pins).
    """

    cylinders: Annotated[tuple[int, ...], Field(min_length=1, max_length=2)]
    throw_deg: Annotated[float, Field(ge=0, lt=360)]


class Layout(Document):
    """The engine as it is: its crankshaft as it lies, from the front, and how it is built beside it.

    `shaft` lists the journals in order along it from the front: M1, R1, M2 and so on; counted from the flywheel end
    the last comes first: M3, R2, M2, R1, M1. `banks` are the cylinders of each bank from the front, left bank first
    as seen from there; left open they follow the pins. Common practice; makers differ. `thrust_main` is the main
    that takes the thrust, `thrust_by` what takes it there; None where nobody said. `built` is None where nobody
    described the engine.
    """

    name: Words
    arrangement: Arrangement
    bank_deg: Annotated[float, Field(ge=0, le=180)] = 0
    cylinders: Annotated[int, Field(ge=1, le=16)]
    pins: Annotated[tuple[Pin, ...], Field(min_length=1, max_length=16)]
    shaft: Annotated[tuple[str, ...], Field(min_length=2, max_length=40)]
    rotation: Rotation = Rotation.CLOCKWISE
    banks: Annotated[tuple[tuple[int, ...], ...], Field(max_length=2)] = ()
    inlet_side: Side | None = None
    thrust_main: str | None = None
    thrust_by: ThrustBy | None = None
    built: Built | None = None

    @model_validator(mode="after")
    def _agrees_with_itself(self) -> "Layout":
        faults = [*self._faults_of_shaft(), *self._faults_of_thrust()]
        if refused := refused_kind(self.arrangement):
            faults = [refused]
        elif self.built is not None:
            shares = any(len(pin.cylinders) > 1 for pin in self.pins)
            faults += faults_of_built(self.built, self.arrangement, shares_pins=shares, cylinders=self.cylinders)
        if faults:
            raise ValueError("; ".join(faults))
        return self

    def _faults_of_shaft(self) -> Iterator[str]:
        carried = sorted(cylinder for pin in self.pins for cylinder in pin.cylinders)
        if carried != list(range(1, self.cylinders + 1)):
            yield f"the pins must carry each of the {self.cylinders} cylinders once"
        rods = [name for name in self.shaft if name.startswith("R")]
        mains = [name for name in self.shaft if name.startswith("M")]
        if len(rods) + len(mains) != len(self.shaft):
            yield "the shaft lists journals by name: M1, R1, M2 and so on"
        if not _counted(rods, [f"R{n}" for n in range(1, len(self.pins) + 1)]):
            yield f"the shaft must list the rod journals R1 to R{len(self.pins)} in order"
        stood = sorted(cylinder for bank in self.banks for cylinder in bank)
        if self.banks and stood != list(range(1, self.cylinders + 1)):
            yield f"the banks must hold each of the {self.cylinders} cylinders once"
        if not mains or not _counted(mains, [f"M{n}" for n in range(1, len(mains) + 1)]):
            yield "the shaft must list the main journals from M1 on, in order"

    def _faults_of_thrust(self) -> Iterator[str]:
        if self.thrust_main is not None and self.thrust_main not in self.mains:
            yield f"{self.thrust_main} is no main of this shaft: it cannot take the thrust"
        if self.thrust_by is not None and self.thrust_main is None:
            yield "say which main takes the thrust"

    @override
    def __hash__(self) -> int:
        """Worked out once: rooms ask for the places of an engine by it, many times for one reading."""
        return self._hash

    @cached_property
    def _hash(self) -> int:
        return hash((self.name, self.arrangement, self.cylinders, self.shaft, self.pins, self.built))

    @property
    def stood_in(self) -> tuple[tuple[int, ...], ...]:
        """The cylinders of each bank from the front: as said, else in turn along the shaft."""
        if self.banks:
            return self.banks
        along = [cylinder for rod in self.rods for cylinder in self.pins[int(rod[1:]) - 1].cylinders]
        if self.arrangement is Arrangement.INLINE:
            return (tuple(range(1, self.cylinders + 1)),)
        return tuple(along[0::2]), tuple(along[1::2])

    @property
    def named_banks(self) -> tuple[tuple[str, tuple[int, ...]], ...]:
        """The banks with what each is called; the one bank of an inline engine is called nothing."""
        names = ("",) if len(self.stood_in) == 1 else ("left", "right")
        return tuple(zip(names, self.stood_in, strict=True))

    @property
    def thrust_side(self) -> Side:
        """To which side a piston is pressed on its power stroke, seen from the front.

        Source: geometry: the rod leans the way the pin has gone, and pushes the piston the other way.
        """
        return Side.LEFT if self.rotation is Rotation.CLOCKWISE else Side.RIGHT

    @property
    def mains(self) -> tuple[str, ...]:
        """The main journals, from the front."""
        return tuple(name for name in self.shaft if name[:1] == "M")

    @property
    def rods(self) -> tuple[str, ...]:
        """The rod journals, from the front."""
        return tuple(name for name in self.shaft if name[:1] == "R")

    def pin_of(self, cylinder: int) -> str:
        """The rod journal that a cylinder's rod hangs on.

        Refuses: StopIteration where the engine has no such cylinder.
        """
        return next(f"R{n}" for n, pin in enumerate(self.pins, start=1) if cylinder in pin.cylinders)

    def is_link(self, cylinder: int) -> bool:
        """Whether its rod hangs on another, by a pin of its own: it has no cap and no half bearings."""
        linked = self.built is not None and self.built.rods_on_pin is RodsOnPin.LINKED
        return linked and any(cylinder in pin.cylinders[1:] for pin in self.pins)


def _counted(names: list[str], wanted: list[str]) -> bool:
    """Whether names are counted from one end: the front, or the flywheel."""
    return names in (wanted, wanted[::-1])
