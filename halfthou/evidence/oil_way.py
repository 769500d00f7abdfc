"""The oil's way: a graph from the pan to the last rod, and what the damage along it says.

Source: docs/trade: The oil's way, common practice.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from functools import cached_property

from halfthou.door import CARRIED, said_of
from halfthou.engines import described
from halfthou.jobs import Job, Layout, OilWaySaid
from halfthou.strip import places_off

PAN, SCREEN, PICKUP, PUMP, RELIEF = "pan", "screen", "pickup", "pump", "relief"
COOLER, FILTER, BYPASS, GALLERY = "cooler", "filter", "bypass", "gallery"
#: What may hang on the gallery besides the mains, and what it is called.
EXTRAS: dict[str, str] = {
    "cooler": "Oil cooler",
    "squirters": "Piston squirters",
    "cam": "Camshaft",
    "followers": "Followers",
    "rockers": "Rockers",
    "turbo": "Turbocharger",
    "tensioner": "Chain tensioner",
    "phasers": "Cam phasers",
    "balance shafts": "Balance shafts",
    "tank": "Tank and lines of the dry sump",
}
#: Of these, the kind of the place that an engine has where its layout says so.
_BY_PLACE = {
    "cam": "camshaft",
    "followers": "follower",
    "rockers": "rocker",
    "squirters": "squirters",
    "cooler": "oil cooler",
    "turbo": "turbocharger",
    "balance shafts": "balance shaft",
}
#: Steps of the strip and answers at the door that say that an engine has one.
_BY_STEP = {"cooler.off": "cooler", "squirters.out": "squirters"}
_BY_CARRIED = {"cooler": "cooler", "turbo": "turbo", "tank and lines": "tank"}


@dataclass(frozen=True)
class Station:
    """A station on the oil's way: what it is called, in full and in short, and what feeds it."""

    key: str
    name: str
    fed_by: tuple[str, ...] = ()
    short: str = ""


@dataclass(frozen=True)
class OilWay:
    """The oil's way of one engine. `said` tells where it differs from the usual, None where nobody has said;
    `named` is what hangs on it as far as the layout, the strip or the door name it."""

    layout: Layout
    said: OilWaySaid | None = None
    named: frozenset[str] = frozenset()

    @property
    def source(self) -> str:
        """Who says that it runs so."""
        return self.said.source or self.said.by if self.said is not None else "usual; check the maker's drawing"

    @cached_property
    def mains(self) -> tuple[str, ...]:
        """The mains in the order that the gallery reaches them."""
        mains = self.layout.mains
        return mains[::-1] if self.said is not None and self.said.from_rear else mains

    @cached_property
    def extras(self) -> tuple[str, ...]:
        """What hangs on it besides pump, filter and bearings: nothing that nobody has named.

        Rule:    evidence.oil-way.
        """
        chosen = self.named if self.said is None else self.said.extras
        return tuple(key for key in EXTRAS if key in chosen)

    def feeds(self, pin: str) -> tuple[str, ...]:
        """The mains that feed a pin: as said, else the main in front of it along the shaft.

        Rule:    evidence.oil-way.
        """
        if self.said is not None and pin in self.said.feeds:
            return self.said.feeds[pin]
        shaft = self.layout.shaft
        before = [name for name in shaft[: shaft.index(pin)] if name[0] == "M"]
        return (before[-1],) if before else (self.layout.mains[0],)

    @cached_property
    def stations(self) -> dict[str, Station]:
        """Every station, from the pan on."""
        return {one.key: one for one in self._stations()}

    def _stations(self) -> Iterator[Station]:
        tank = "tank" in self.extras
        yield Station(PAN, "Pan")
        yield Station(SCREEN, "Screen", ("tank" if tank else PAN,))
        yield Station(PICKUP, "Pickup and seal", (SCREEN,), "Pickup")
        yield Station(PUMP, "Pump", (PICKUP,))
        yield Station(RELIEF, "Relief valve", (PUMP,), "Relief")
        last = PUMP
        if COOLER in self.extras:
            yield Station(COOLER, EXTRAS[COOLER], (PUMP,), "Cooler")
            last = COOLER
        yield Station(FILTER, "Filter", (last,))
        yield Station(BYPASS, "Bypass valve", (last,), "Bypass")
        yield Station(GALLERY, "Main gallery", (FILTER, BYPASS), "Gallery")
        for main in self.mains:
            yield Station(main, f"Main {main[1:]}", (GALLERY,), main)
        for number, pin in enumerate(self.layout.pins, start=1):
            yield Station(f"R{number}", f"Drilling to pin {number}", self.feeds(f"R{number}"))
            for cylinder in pin.cylinders:
                yield Station(f"rod-{cylinder}", f"Rod {cylinder}", (f"R{number}",), str(cylinder))
        for key in self.extras:
            if key not in (COOLER, "tank"):
                yield Station(key, EXTRAS[key], (GALLERY,))
        if tank:
            yield Station("tank", EXTRAS["tank"], (PAN,), "Tank")

    @cached_property
    def below(self) -> Mapping[str, frozenset[str]]:
        """Of each station, every station that its oil runs on to. What runs back to the pan is not followed."""
        onward: dict[str, set[str]] = {key: set() for key in self.stations}
        for station in self.stations.values():
            for above in station.fed_by:
                onward[above].add(station.key)
        found: dict[str, frozenset[str]] = {}
        for key in self.stations:
            reached: set[str] = set()
            open_yet = [key]
            while open_yet:
                for one in onward[open_yet.pop()] - reached:
                    reached.add(one)
                    open_yet.append(one)
            found[key] = frozenset(reached)
        return found


def oil_way_of(job: Job) -> OilWay:
    """The oil's way of a job's engine, as last said."""
    said = job.standing(job.oil_ways)
    return OilWay(job.limits.layout, said[-1] if said else None, frozenset(_named(job)))


def _named(job: Job) -> Iterator[str]:
    """What this engine has on its oil's way, by its layout, by what came off it, by what was carried over."""
    kinds = {place.kind for place in places_off(job.limits.layout).values()}
    yield from (key for key, kind in _BY_PLACE.items() if kind in kinds)
    if described(job.limits.layout).pump_outside:
        yield "tank"
    for done in job.standing(job.steps_done):
        if done.there and done.step in _BY_STEP:
            yield _BY_STEP[done.step]
    yield from (_BY_CARRIED[said.answer] for said in said_of(job, CARRIED) if said.answer in _BY_CARRIED)


def faults_of_way(said: OilWaySaid, layout: Layout) -> Iterator[str]:
    """What is wrong with what is about to be said of the oil's way, in words."""
    yield from faults_of_feeds(said, layout)
    for extra in said.extras:
        if extra not in EXTRAS:
            yield f"nobody knows “{extra}” on an oil's way"


def faults_of_feeds(said: OilWaySaid, layout: Layout) -> Iterator[str]:
    """Pins and mains that the engine does not have. What a newer program hangs on the oil's way is no fault."""
    for pin, mains in said.feeds.items():
        if pin not in layout.rods:
            yield f"this engine has no pin {pin}"
        for main in mains:
            if main not in layout.mains:
                yield f"pin {pin} is fed by {main}, which this engine does not have"
        if not mains:
            yield f"pin {pin} is fed by nothing"
