"""What an engine cannot be at once, and which engines this program does not judge: in words."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.jobs.arrangement import REFUSED, Arrangement
from halfthou.jobs.built import (
    OVERHEAD,
    Built,
    CrankMade,
    CylindersIn,
    EngineEnd,
    Heads,
    MadeFor,
    MainsIn,
    PumpAt,
    RodsOnPin,
    ValveGear,
)

#: What an engine is made for that only its licensed shop may judge. Source: docs/trade: Engines not judged here.
LICENSED = (MadeFor.AVIATION, MadeFor.CERTIFIED_MARINE, MadeFor.PUBLIC_TRANSPORT)


def refused_kind(arrangement: Arrangement) -> str:
    """Why an engine of that arrangement is not taken, "" where it is."""
    if arrangement not in REFUSED:
        return ""
    return (
        f"Half Thou does not judge {REFUSED[arrangement]}: their rods and cases follow other rules. Send it to a "
        f"shop that knows them."
    )


def faults_of_built(built: Built, arrangement: Arrangement, *, shares_pins: bool, cylinders: int) -> Iterator[str]:
    """What cannot be, each with what to say instead.

    Rule:    engine.can-be.
    """
    if built.made_for in LICENSED:
        yield (
            f"an engine for {built.made_for.value} is judged by its licensed shop and its maker's limits alone: "
            "Half Thou does not take it"
        )
    yield from _of_valves(built)
    yield from _of_the_drive(built)
    yield from _of_the_crank(built, arrangement, shares_pins=shares_pins)
    if built.heads is Heads.ALL and arrangement is Arrangement.FLAT and cylinders > 1:
        yield "cylinders that lie opposite each other have no head in common: choose one for each bank or cylinder"


def _of_valves(built: Built) -> Iterator[str]:
    gear = built.valve_gear
    if gear in OVERHEAD and built.heads is Heads.NONE:
        yield "an overhead cam sits in a head: say which heads it has"
    if gear is ValveGear.PORTS:
        if built.two_stroke is False:
            yield "a four-stroke has valves: say where they are"
        if built.inlets or built.exhausts:
            yield "it cannot have no valves and valves too: leave their number out"
        if built.cams_each or built.driven_by:
            yield "with ports alone there is no cam to drive: leave the cams out"
    elif gear is not None:
        if built.exhausts == 0:
            yield "a cylinder with valves has an exhaust valve at least"
        if built.inlets == 0 and built.two_stroke is not True:
            yield "a four-stroke has an inlet valve in each cylinder"
    if built.inlets is not None and built.exhausts is not None and built.inlets + built.exhausts > 5:
        yield "six valves in a cylinder: count them again"


def _of_the_drive(built: Built) -> Iterator[str]:
    gear = built.valve_gear
    if built.cams_cover and gear not in (*OVERHEAD, None):
        yield "only overhead cams can lie over the head's bolts"
    if gear is ValveGear.SIDE and built.cams_each == 2:
        yield "side valves are opened by one cam in the block"
    if built.pump_at is PumpAt.NOSE and built.driven_at is EngineEnd.FLYWHEEL and built.crank is CrankMade.ROLLERS:
        yield "a built-up crank has no pump on its nose here: say where it is"


def _of_the_crank(built: Built, arrangement: Arrangement, *, shares_pins: bool) -> Iterator[str]:
    if built.rods_on_pin in (RodsOnPin.FORK, RodsOnPin.LINKED) and not shares_pins:
        yield f"{built.rods_on_pin.value} rods need two rods on one pin: change the pins or the rods"
    if built.mains_in in (MainsIn.CASE, MainsIn.TUNNEL) and built.side_bolts:
        yield "side bolts hold main caps: a split case or a tunnel has none"
    if built.crank is CrankMade.ROLLERS and built.mains_in in (MainsIn.GIRDLE, MainsIn.LADDER):
        yield "a crank built up on rollers sits in a case, caps, a bedplate or a tunnel"
    if built.cylinders_in is CylindersIn.BARRELS and built.liners is not None and built.liners.value == "wet":
        yield "barrels are their own liners: a wet liner stands in a block"
    if arrangement is Arrangement.FLAT and built.mains_in in (MainsIn.BEDPLATE, MainsIn.LADDER, MainsIn.GIRDLE):
        yield "a flat engine has no bedplate, ladder or girdle below its crank: a split case, caps or a tunnel"
