"""How an engine is built beside its crank: what stands in it, what drives what. What nobody has said is None.

Terms: ISO 7967-1 to -5 (recalled). Which of them an engine can have at once: halfthou/jobs/layout.py.
"""

from __future__ import annotations

from enum import StrEnum
from typing import Annotated

from pydantic import Field

from halfthou.jobs.document import Document


class MadeFor(StrEnum):
    """What an engine is made for, as far as this program may judge it."""

    GENERAL = "land, boats and plant"
    AVIATION = "aviation"
    CERTIFIED_MARINE = "certified marine"
    PUBLIC_TRANSPORT = "public transport"


class EngineEnd(StrEnum):
    """An end of the engine."""

    FRONT = "front"
    FLYWHEEL = "flywheel end"


class RodsOnPin(StrEnum):
    """How two rods lie on one pin."""

    BESIDE = "side by side"
    FORK = "fork and blade"
    LINKED = "master and link"


class CrankMade(StrEnum):
    """How the crank is made, and so what it runs on."""

    ONE_PIECE = "one piece"
    ROLLERS = "built up on rollers"


class MainsIn(StrEnum):
    """What holds the crank."""

    CAPS = "caps"
    GIRDLE = "caps under a girdle"
    LADDER = "ladder of caps"
    BEDPLATE = "bedplate"
    CASE = "split case"
    TUNNEL = "tunnel"


class CylindersIn(StrEnum):
    """What the bores are in."""

    BLOCK = "the block or case"
    BARRELS = "barrels"


class Liners(StrEnum):
    """What lines the bores."""

    NONE = "none"
    DRY = "dry"
    WET = "wet"


class RingDuty(StrEnum):
    """What a ring of the piston does."""

    COMPRESSION = "compression"
    SCRAPER = "compression, scrapes oil"
    OIL = "oil"


class CooledBy(StrEnum):
    """What carries the heat away."""

    WATER = "water"
    OIL = "oil"
    AIR = "air"


class Heads(StrEnum):
    """How the heads are parted."""

    BANK = "one for each bank"
    CYLINDER = "one for each cylinder"
    ALL = "one for all"
    NONE = "cast with the cylinders"


class ValveGear(StrEnum):
    """Where the valves are and what opens them."""

    SIDE = "side valves"
    PUSH_RODS = "push rods"
    BUCKETS = "overhead cam on buckets"
    FINGERS = "overhead cam on fingers"
    ROCKERS = "overhead cam on rockers"
    PORTS = "ports, no valves"


#: Those with the cams over the heads.
OVERHEAD = (ValveGear.BUCKETS, ValveGear.FINGERS, ValveGear.ROCKERS)


class DrivenBy(StrEnum):
    """What drives the cams."""

    CHAIN = "chain"
    BELT = "belt"
    GEARS = "gears"
    SHAFT = "shaft"


class PumpAt(StrEnum):
    """Where the oil pump is and what drives it."""

    PAN = "in the pan"
    NOSE = "in the front cover, on the crank's nose"
    CHAIN = "in the pan, by chain"
    OUTSIDE = "outside, dry sump"


class Firing(StrEnum):
    """What is screwed into each cylinder."""

    PLUGS = "plugs"
    INJECTORS = "injectors"
    BOTH = "plugs and injectors"


Several = Annotated[int, Field(strict=True, ge=0, le=8)]
Valves = Annotated[int, Field(strict=True, ge=0, le=3)]


class Built(Document):
    """How one engine is built. Every field that is None is not known, and is asked where it matters.

    `inlets` and `exhausts` are the valves of one cylinder, `cams_each` the cams over one head or in the block,
    `rings` what each ring of a piston does, from the crown down. `clears` says that the pistons stand lower than
    the valves' highest lift, by the maker's word: then crank and cam may turn apart. `cams_cover` says that the
    cams lie over the head's bolts. `washers` are the thrust washers: two halves beside the upper bearing, or four.
    """

    made_for: MadeFor | None = None
    two_stroke: bool | None = None
    rods_on_pin: RodsOnPin | None = None
    crank: CrankMade | None = None
    mains_in: MainsIn | None = None
    side_bolts: bool | None = None
    washers: Annotated[int, Field(strict=True, ge=2, le=4, multiple_of=2)] | None = None
    windage_tray: bool | None = None
    baffles: bool | None = None
    cylinders_in: CylindersIn | None = None
    liners: Liners | None = None
    rings: Annotated[tuple[RingDuty, ...], Field(max_length=6)] | None = None
    cooled_by: CooledBy | None = None
    heads: Heads | None = None
    valve_gear: ValveGear | None = None
    inlets: Valves | None = None
    exhausts: Valves | None = None
    cams_each: Annotated[int, Field(strict=True, ge=1, le=2)] | None = None
    cams_cover: bool | None = None
    clears: bool | None = None
    driven_by: DrivenBy | None = None
    driven_at: EngineEnd | None = None
    balance_shafts: Annotated[int, Field(strict=True, ge=0, le=2)] | None = None
    idlers: Annotated[int, Field(strict=True, ge=0, le=4)] | None = None
    auxiliary_shaft: bool | None = None
    pump_at: PumpAt | None = None
    squirters: bool | None = None
    cooler: bool | None = None
    turbochargers: Annotated[int, Field(strict=True, ge=0, le=4)] | None = None
    injection_pump: bool | None = None
    firing: Firing | None = None
    filter_insert: bool | None = None
