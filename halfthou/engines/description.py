"""An engine as it was described, with the usual where nobody said: what places, strip and drawings go by."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property, lru_cache
from typing import NamedTuple

from halfthou.jobs import (
    OVERHEAD,
    Arrangement,
    Built,
    CrankMade,
    CylindersIn,
    DrivenBy,
    EngineEnd,
    Firing,
    Heads,
    Layout,
    Liners,
    MainsIn,
    PumpAt,
    RodsOnPin,
    ThrustBy,
    ValveGear,
)


class HeadPlace(NamedTuple):
    """A head by its place: what it is called, and the cylinders it closes."""

    id: str
    name: str
    cylinders: tuple[int, ...]


class CamPlace(NamedTuple):
    """A camshaft by its place, what it is called, and the valves it opens, by cylinder and name."""

    id: str
    name: str
    opens: tuple[tuple[int, str], ...]


class Leave(NamedTuple):
    """How pistons leave: through the bore upwards, with their barrels off, off their pins, or downwards."""

    up: bool = False
    barrels: bool = False
    pins: bool = False
    down: bool = False


#: A V under this angle has both banks under one head and beside each other. Source: common practice, no source.
NARROW_DEG = 30
_FOLLOWERS = {ValveGear.BUCKETS: "Bucket", ValveGear.FINGERS: "Finger", ValveGear.SIDE: "Tappet"}
#: What is usual where nobody described the engine. Source: common practice, no source.
USUAL = Built(
    mains_in=MainsIn.CAPS,
    crank=CrankMade.ONE_PIECE,
    rods_on_pin=RodsOnPin.BESIDE,
    cylinders_in=CylindersIn.BLOCK,
    heads=Heads.BANK,
    valve_gear=ValveGear.PUSH_RODS,
    inlets=1,
    exhausts=1,
    cams_each=1,
    driven_by=DrivenBy.CHAIN,
    driven_at=EngineEnd.FRONT,
    pump_at=PumpAt.PAN,
    liners=Liners.NONE,
    washers=4,
)


@dataclass(frozen=True)
class Description:
    """One engine as it is. What is not known is taken as usual, and asked: see `halfthou.engines.asked`."""

    layout: Layout

    @property
    def described(self) -> bool:
        """Whether anybody described it beyond its crank."""
        return self.layout.built is not None

    @cached_property
    def said(self) -> Built:
        """What was said; nothing where nobody described it."""
        return self.layout.built or Built()

    @cached_property
    def built(self) -> Built:
        """What was said, and the usual for the rest."""
        given = {key: value for key, value in self.said if value is not None}
        usual = {key: value for key, value in USUAL if value is not None}
        if self.said.valve_gear is ValveGear.PORTS:
            usual = {k: v for k, v in usual.items() if k not in ("inlets", "exhausts", "cams_each", "driven_by")}
        return Built.model_construct(**{**dict(Built()), **usual, **given})

    @property
    def rollers(self) -> bool:
        """Whether the crank is built up and runs on rollers: no half bearings, no rod caps."""
        return self.built.crank is CrankMade.ROLLERS

    @property
    def case(self) -> bool:
        """Whether the crank lies in a split case."""
        return self.built.mains_in is MainsIn.CASE

    @property
    def tunnel(self) -> bool:
        """Whether the crank is drawn out through a tunnel."""
        return self.built.mains_in is MainsIn.TUNNEL

    @property
    def barrels(self) -> bool:
        """Whether the bores are in barrels."""
        return self.built.cylinders_in is CylindersIn.BARRELS

    @property
    def overhead(self) -> bool:
        """Whether the cams are over the heads."""
        return self.built.valve_gear in OVERHEAD

    @property
    def side_valves(self) -> bool:
        """Whether the valves stand in the block."""
        return self.built.valve_gear is ValveGear.SIDE

    @property
    def ports(self) -> bool:
        """Whether there are no valves at all."""
        return self.built.valve_gear is ValveGear.PORTS

    @property
    def push_rods(self) -> bool:
        """Whether push rods open the valves."""
        return self.built.valve_gear is ValveGear.PUSH_RODS

    @property
    def leave(self) -> Leave:
        """How its pistons leave.

        Source: common practice, no source.
        """
        if self.barrels:
            return Leave(barrels=True)
        if self.case or self.rollers:
            return Leave(pins=True)
        return Leave(down=True) if self.built.heads is Heads.NONE else Leave(up=True)

    @property
    def has_pan(self) -> bool:
        """Whether there is a pan to take off: a split case has its own floor."""
        return not self.case

    @property
    def capped(self) -> bool:
        """Whether each main has a cap of its own."""
        return self.built.mains_in in (MainsIn.CAPS, MainsIn.GIRDLE)

    @property
    def driven(self) -> bool:
        """Whether a drive comes off: gears in a split case come apart with it."""
        return not self.ports and not (self.case and self.built.driven_by is DrivenBy.GEARS and not self.overhead)

    @property
    def wet_liners(self) -> bool:
        """Whether liners come out of the block."""
        return self.built.liners is Liners.WET and not self.barrels

    @property
    def on_rockers(self) -> bool:
        """Whether overhead cams work on rockers: there are no followers then."""
        return self.built.valve_gear is ValveGear.ROCKERS

    @property
    def follower(self) -> str:
        """What lies on a lobe, as it is called."""
        return _FOLLOWERS.get(self.built.valve_gear or ValveGear.PUSH_RODS, "Follower")

    def lies(self, half: str) -> str:
        """How a main's half is called: in a split case the upper one lies left, the lower one right."""
        return {"upper": "left", "lower": "right"}[half] if self.case else half

    @property
    def driven_from_rear(self) -> bool:
        """Whether the timing drive lies at the flywheel."""
        return self.built.driven_at is EngineEnd.FLYWHEEL

    @property
    def water(self) -> bool:
        """Whether there is coolant to drain; nobody said, there is."""
        return self.said.cooled_by is None or self.said.cooled_by.value == "water"

    @cached_property
    def cylinders(self) -> tuple[int, ...]:
        """Its cylinders by number."""
        return tuple(range(1, self.layout.cylinders + 1))

    @cached_property
    def valves(self) -> tuple[str, ...]:
        """The valves of one cylinder by name: inlet, inlet-2, exhaust."""
        if self.ports:
            return ()
        counts = (("inlet", self.built.inlets or 0), ("exhaust", self.built.exhausts or 0))
        return tuple(name if n == 1 else f"{name}-{n}" for name, count in counts for n in range(1, count + 1))

    @cached_property
    def heads(self) -> tuple[HeadPlace, ...]:
        """Its heads, from the front."""
        kind = self.built.heads
        if kind is Heads.NONE:
            return ()
        if kind is Heads.ALL or (kind is Heads.BANK and len(self.layout.named_banks) == 1):
            return (HeadPlace("head", "Head", self.cylinders),)
        if kind is Heads.CYLINDER:
            return tuple(HeadPlace(f"head-{n}", f"Head of cylinder {n}", (n,)) for n in self.cylinders)
        return tuple(HeadPlace(f"head-{bank}", f"Head, {bank} bank", of) for bank, of in self.layout.named_banks)

    def head_of(self, cylinder: int) -> str:
        """The head over a cylinder; "" where it is cast on."""
        return next((head.id for head in self.heads if cylinder in head.cylinders), "")

    @cached_property
    def cams(self) -> tuple[CamPlace, ...]:
        """Its camshafts. The one that opens all valves is called `cam`."""
        if self.ports:
            return ()
        duties = (("", self.valves),) if self.built.cams_each != 2 else tuple(_by_duty(self.valves))
        banks = [("", self.cylinders)]
        if self.overhead and self.built.heads is not Heads.ALL:
            banks = list(self.layout.named_banks)
        found = []
        for bank, of in banks:
            for duty, valves in duties:
                parts = [part for part in (bank, duty) if part]
                name = "Camshaft" + (f", {' '.join(parts)}" if parts else "")
                opens = tuple((n, valve) for n in of for valve in valves)
                found.append(CamPlace("-".join(["cam", *parts]), name, opens))
        return tuple(found)

    @property
    def staggered(self) -> tuple[tuple[str, tuple[int, ...]], ...]:
        """The banks with their cylinders where rods of both lie along the shaft by turns: a flat engine, a narrow
        V."""
        layout = self.layout
        flat = layout.arrangement is Arrangement.FLAT
        narrow = layout.arrangement is Arrangement.VEE and layout.bank_deg < NARROW_DEG
        return layout.named_banks if flat or narrow else ()

    def bank_deg(self, cylinder: int) -> float:
        """How far its bore leans from upright, seen from the front, clockwise; a flat engine's by 90 degrees."""
        banks = self.layout.stood_in
        if len(banks) == 1:
            return 0.0
        lean = 90.0 if self.layout.arrangement is Arrangement.FLAT else self.layout.bank_deg / 2
        return -lean if cylinder in banks[0] else lean

    def bottom_deg(self, cylinder: int) -> int:
        """How far the crank is turned when a cylinder's pin is at the bottom of its own bank, in whole degrees.

        Source: geometry: what the throw is ahead of the bank's centre line.
        """
        pin = self.layout.pins[int(self.layout.pin_of(cylinder)[1:]) - 1]
        return round(pin.throw_deg - self.bank_deg(cylinder)) % 360

    def top_deg(self, cylinder: int) -> int:
        """The same, with the pin at the top of its own bank."""
        return (self.bottom_deg(cylinder) + 180) % 360

    @property
    def plug_kinds(self) -> tuple[str, ...]:
        """What is screwed into each cylinder: plug, injector; the plug stands for either where nobody said."""
        return ("plug", "injector") if self.built.firing is Firing.BOTH else ("plug",)

    @property
    def washer_halves(self) -> tuple[str, ...]:
        """The halves that have thrust washers, where those take the thrust."""
        if self.layout.thrust_by is not ThrustBy.WASHERS or self.layout.thrust_main is None:
            return ()
        return ("upper",) if self.built.washers == 2 else ("upper", "lower")

    @property
    def balance_shafts(self) -> int:
        """How many balance shafts it has."""
        return self.built.balance_shafts or 0

    @property
    def pump_outside(self) -> bool:
        """Whether the pump hangs outside."""
        return self.built.pump_at is PumpAt.OUTSIDE


def _by_duty(valves: tuple[str, ...]) -> tuple[tuple[str, tuple[str, ...]], ...]:
    return tuple((duty, tuple(v for v in valves if v.startswith(duty))) for duty in ("inlet", "exhaust"))


@lru_cache(maxsize=512)
def described(layout: Layout) -> Description:
    """An engine's description by its layout."""
    return Description(layout)
