"""Usual engines to begin a description with: the nearest is chosen and changed to what the engine is.

Common practice, no source: makers differ, so the person checks every choice.
"""

from __future__ import annotations

from functools import cache

from halfthou.engines.usual_layouts import usual_layouts
from halfthou.jobs import (
    Built,
    CooledBy,
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
    RingDuty,
    RodsOnPin,
    ValveGear,
)

_RINGS = (RingDuty.COMPRESSION, RingDuty.COMPRESSION, RingDuty.OIL)
_COMMON = Built(
    two_stroke=False, crank=CrankMade.ONE_PIECE, mains_in=MainsIn.CAPS, cylinders_in=CylindersIn.BLOCK,
    liners=Liners.NONE, rings=_RINGS, cooled_by=CooledBy.WATER, heads=Heads.BANK, inlets=1, exhausts=1, cams_each=1,
    driven_by=DrivenBy.CHAIN, driven_at=EngineEnd.FRONT, pump_at=PumpAt.PAN, firing=Firing.PLUGS, balance_shafts=0,
)  # fmt: skip
_PUSH_RODS = _COMMON.model_copy(update={"valve_gear": ValveGear.PUSH_RODS})
_OVERHEAD = _COMMON.model_copy(
    update={
        "valve_gear": ValveGear.BUCKETS, "inlets": 2, "exhausts": 2, "cams_each": 2, "cams_cover": True,
        "clears": False,
    }
)  # fmt: skip
_BOXER = _PUSH_RODS.model_copy(
    update={
        "mains_in": MainsIn.CASE, "cylinders_in": CylindersIn.BARRELS, "cooled_by": CooledBy.AIR,
        "driven_by": DrivenBy.GEARS, "liners": None,
    }
)  # fmt: skip
_DIESEL = _PUSH_RODS.model_copy(
    update={
        "liners": Liners.WET, "heads": Heads.CYLINDER, "driven_by": DrivenBy.GEARS, "firing": Firing.INJECTORS,
        "injection_pump": True, "cooler": True, "squirters": True,
    }
)  # fmt: skip
_BEDPLATE = {
    "mains_in": MainsIn.BEDPLATE, "driven_by": DrivenBy.BELT, "balance_shafts": 2, "pump_at": PumpAt.NOSE,
}  # fmt: skip
_TWO_STROKE = Built(
    two_stroke=True, crank=CrankMade.ROLLERS, mains_in=MainsIn.CASE, cylinders_in=CylindersIn.BARRELS,
    rings=(RingDuty.COMPRESSION, RingDuty.COMPRESSION), cooled_by=CooledBy.AIR, heads=Heads.CYLINDER,
    valve_gear=ValveGear.PORTS, pump_at=PumpAt.OUTSIDE, firing=Firing.PLUGS,
)  # fmt: skip
_V_TWIN = _PUSH_RODS.model_copy(
    update={
        "crank": CrankMade.ROLLERS, "mains_in": MainsIn.CASE, "cylinders_in": CylindersIn.BARRELS,
        "rods_on_pin": RodsOnPin.FORK, "cooled_by": CooledBy.AIR, "driven_by": DrivenBy.GEARS, "liners": None,
        "pump_at": PumpAt.OUTSIDE,
    }
)  # fmt: skip


@cache
def usual_engines() -> tuple[Layout, ...]:
    """Usual engines, each described."""
    by_name = {one.name: one for one in usual_layouts()}

    def engine(name: str, layout: str, built: Built, **more: object) -> Layout:
        """A usual layout, built so."""
        return Layout(**{**dict(by_name[layout]), "name": name, "built": built.model_copy(update=dict(more))})

    shared = {"rods_on_pin": RodsOnPin.BESIDE}
    return (
        engine("Four, push rods", "Inline four", _PUSH_RODS),
        engine("Six, push rods", "Inline six", _PUSH_RODS),
        engine("V eight, push rods", "V eight, cross plane", _PUSH_RODS, **shared),
        engine("Four, two overhead cams, chain", "Inline four", _OVERHEAD, pump_at=PumpAt.NOSE),
        engine("Four, two overhead cams, belt and bedplate", "Inline four", _OVERHEAD, **_BEDPLATE),
        engine("Three, two overhead cams, chain", "Inline three", _OVERHEAD, balance_shafts=1,
        pump_at=PumpAt.CHAIN),
        engine("V six, four cams, chain", "V six, a pin to each rod", _OVERHEAD, pump_at=PumpAt.NOSE),
        engine("V six, narrow, one head", "V six, narrow", _OVERHEAD, heads=Heads.ALL, pump_at=PumpAt.CHAIN),
        engine("V twelve, four cams, chain", "V twelve", _OVERHEAD, **shared),
        engine("Four, side valves", "Inline four, three mains", _COMMON, valve_gear=ValveGear.SIDE),
        engine("Diesel six, wet liners, a head each", "Inline six", _DIESEL),
        engine("Diesel four, dry liners", "Inline four", _DIESEL, heads=Heads.BANK, liners=Liners.DRY),
        engine("Flat twin, split case", "Flat twin", _BOXER),
        engine("Flat four, split case", "Flat four", _BOXER),
        engine("Flat six, cylinders in the halves", "Flat six", _BOXER, cylinders_in=CylindersIn.BLOCK,
               cooled_by=CooledBy.WATER, liners=Liners.DRY),
        engine("V twin, fork and blade on rollers", "V twin", _V_TWIN),
        engine("Two-stroke single", "Inline one", _TWO_STROKE),
        engine("Single, push rods", "Inline one", _PUSH_RODS),
    )  # fmt: skip
