"""Engines described at random within what can be, for tests. Every choice of a description is drawn."""

from __future__ import annotations

import random
from collections.abc import Iterator
from typing import Any

from pydantic import ValidationError

from halfthou.engines import usual_layouts
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
    ThrustBy,
    ValveGear,
)

_CHOICES: dict[str, list[Any]] = {
    "two_stroke": [None, False, False, True],
    "rods_on_pin": [None, *RodsOnPin],
    "crank": [None, *CrankMade, CrankMade.ONE_PIECE],
    "mains_in": [None, *MainsIn],
    "side_bolts": [None, False, True],
    "washers": [None, 2, 4],
    "windage_tray": [None, False, True],
    "baffles": [None, False, True],
    "cylinders_in": [None, *CylindersIn],
    "liners": [None, *Liners],
    "rings": [None, (), (RingDuty.COMPRESSION, RingDuty.OIL), tuple(RingDuty)],
    "cooled_by": [None, *CooledBy],
    "heads": [None, *Heads],
    "valve_gear": [None, *ValveGear],
    "inlets": [None, 0, 1, 2, 3],
    "exhausts": [None, 0, 1, 2],
    "cams_each": [None, 1, 2],
    "cams_cover": [None, False, True],
    "clears": [None, False, True],
    "driven_by": [None, *DrivenBy],
    "driven_at": [None, *EngineEnd],
    "balance_shafts": [None, 0, 1, 2],
    "idlers": [None, 0, 1, 2],
    "auxiliary_shaft": [None, False, True],
    "pump_at": [None, *PumpAt],
    "squirters": [None, False, True],
    "cooler": [None, False, True],
    "turbochargers": [None, 0, 1, 2],
    "injection_pump": [None, False, True],
    "firing": [None, *Firing],
    "filter_insert": [None, False, True],
}


def engines(number: int, seed: int = 24) -> Iterator[Layout]:
    """So many engines, the same for the same seed. What cannot be is drawn again."""
    chance, usual = random.Random(seed), usual_layouts()
    made = 0
    while made < number:
        base = chance.choice(usual)
        built = {name: chance.choice(choices) for name, choices in _CHOICES.items()}
        if built["valve_gear"] is ValveGear.PORTS:
            built |= dict.fromkeys(("inlets", "exhausts", "cams_each", "driven_by", "cams_cover"))
        by_washers = chance.random() < 0.5
        thrust = {"thrust_main": chance.choice(base.mains), "thrust_by": chance.choice(list(ThrustBy))}
        try:
            engine = Layout(
                **{
                    **dict(base),
                    "name": f"{base.name}, at random {made}",
                    **(thrust if by_washers else {}),
                    "built": Built(**built),
                }
            )
        except ValidationError:
            continue
        made += 1
        yield engine


def counted_from_the_flywheel(base: Layout) -> Layout:
    """The same engine, its mains, pins and cylinders counted from the flywheel end."""
    last = base.cylinders + 1
    pins = tuple(
        pin.model_copy(update={"cylinders": tuple(sorted(last - one for one in pin.cylinders))})
        for pin in reversed(base.pins)
    )
    banks = tuple(tuple(last - one for one in bank) for bank in base.banks)
    shaft = tuple(reversed(base.shaft))
    return Layout(**{**dict(base), "pins": pins, "banks": banks, "shaft": shaft})
