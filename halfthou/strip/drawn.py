"""The engine as it still stands, for the drawing: by groups, each on, next, partly off, off or missing."""

from __future__ import annotations

from collections.abc import Iterator
from enum import StrEnum

from halfthou.engines import Description
from halfthou.jobs import Document, MainsIn
from halfthou.strip.standing import Strip
from halfthou.strip.step import StripStep


class Stands(StrEnum):
    """How a group of parts stands."""

    ON = "on"
    NEXT = "next"
    PARTLY = "partly off"
    OFF = "off"
    MISSING = "missing"


class DrawnGroup(Document):
    """A group of parts on the drawing: what it is called, how it stands, how many of it are off of how many, and
    the place that its card is of. `of` is its cylinder, main or bank, "" where it is the engine's."""

    id: str
    key: str
    of: str
    name: str
    place: str
    stands: Stands
    off: int
    all: int


class EngineShape(Document):
    """What the drawing is drawn by: how cylinders, heads and cams lie."""

    arrangement: str
    bank_deg: float
    banks: tuple[tuple[int, ...], ...]
    shaft: tuple[str, ...]
    pins: tuple[tuple[int, ...], ...]
    throws_deg: tuple[float, ...]
    heads: tuple[str, ...]
    one_head: bool
    overhead_cams: int
    block_cam: bool
    side_valves: bool
    push_rods: bool
    valves: int
    mains_in: str
    barrels: bool
    wet_liners: bool
    pan: bool
    drive_at_flywheel: bool
    driven_by: str


#: The groups, by the families of the steps that take them, and by what they are parted.
_GROUPS: tuple[tuple[str, str, tuple[str, ...], str], ...] = (
    ("gearbox", "Gearbox or coupling", ("gearbox.off",), ""),
    ("flywheel", "Flywheel and clutch", ("flywheel.off",), ""),
    ("inlet", "Inlet manifold", ("inlet.off",), ""),
    ("exhaust", "Exhaust", ("turbo.off", "exhaust.off"), ""),
    ("accessories", "Starter, generator", ("accessories.off",), ""),
    ("injection pump", "Injection pump", ("injection-pump.off",), ""),
    ("filter", "Oil filter", ("filter.off",), ""),
    ("cooler", "Oil cooler", ("cooler.off",), ""),
    ("covers", "Valve covers", ("covers.off",), ""),
    ("plugs", "Plugs or injectors", ("plug.out",), ""),
    ("rockers", "Rockers", ("rocker.off",), ""),
    ("push rods", "Push rods", ("pushrod.out",), ""),
    ("cams", "Camshafts", ("cam.out",), ""),
    ("followers", "Followers", ("follower.out",), ""),
    ("head", "Head", ("head.off",), "head"),
    ("valves", "Valves", ("valve.out",), ""),
    ("damper", "Damper or pulley", ("damper.off",), ""),
    ("front cover", "Cover of the timing drive", ("front-cover.off",), ""),
    ("drive", "Timing drive", ("tensioner.off", "drive.off"), ""),
    ("idlers", "Idlers and auxiliary shaft", ("idler.off", "auxiliary.out"), ""),
    ("balance shafts", "Balance shafts", ("balance.out",), ""),
    ("pan", "Pan", ("pan.off",), ""),
    ("tray", "Windage tray and baffles", ("tray.off", "baffles.off"), ""),
    ("pickup", "Pickup", ("pickup.off",), ""),
    ("pump", "Oil pump", ("pump.off",), ""),
    ("barrel", "Barrel", ("barrel.off",), "cylinder"),
    ("liner", "Liner", ("liner.out",), "cylinder"),
    ("rod cap", "Cap of rod", ("cap-rod.off",), "cylinder"),
    ("piston", "Piston", ("piston.off",), "cylinder"),
    ("rod", "Rod", ("rod.out",), "cylinder"),
    ("main cap", "Main cap", ("cap-main.off",), "main"),
    ("main beam", "Beam of the mains", ("girdle.off", "beam.off"), ""),
    ("case", "Case", ("case.apart",), ""),
    ("crank", "Crank", ("crank.out",), ""),
    ("main half", "Half bearings of main", ("half-main-lower.out", "half-main-upper.out"), "main"),
)
#: The work that is done at a group before it comes off, by the family that takes it.
_AT = {
    "head.bolts": "head.off", "cam-caps.marked": "cam.out", "cam-caps.eased": "cam.out", "timing.set": "drive.off",
    "drive.seen": "drive.off", "clearance.read": "drive.off", "timing.read": "drive.off",
    "slack.read": "drive.off", "drive.locked": "drive.off",
    "rod.marked": "rod.out", "cap-main.marked": "cap-main.off", "barrel.marked": "barrel.off",
    "case.bolts": "case.apart", "pin.out": "piston.off", "float.read": "crank.out", "stand.read": "liner.out",
    "held.down": "liner.out", "pan.photographed": "pickup.off", "side-bolts.out": "beam.off",
}  # fmt: skip
#: The place whose card a group opens, where its steps take none.
_PLACE = {"cylinder": "bore-{}", "main": "M{}"}


def drawn_groups(strip: Strip) -> tuple[DrawnGroup, ...]:
    """The groups of a job's engine as it still stands.

    Rule:    strip.order: what is next is the first step of the list that is open.
    """
    following = next((step for step in strip.steps if not strip.is_behind(step.id)), None)
    return tuple(_groups(strip, following))


def shape_of(engine: Description) -> EngineShape:
    """What the drawing of an engine is drawn by."""
    layout, built = engine.layout, engine.built
    return EngineShape(
        arrangement=layout.arrangement.value,
        bank_deg=180 if layout.arrangement.value == "flat" else layout.bank_deg,
        banks=layout.stood_in,
        shaft=layout.shaft,
        pins=tuple(pin.cylinders for pin in layout.pins),
        throws_deg=tuple(pin.throw_deg for pin in layout.pins),
        heads=tuple(head.id for head in engine.heads),
        one_head=len(engine.heads) == 1,
        overhead_cams=(built.cams_each or 1) if engine.overhead else 0,
        block_cam=not engine.overhead and not engine.ports,
        side_valves=engine.side_valves,
        push_rods=engine.push_rods,
        valves=len(engine.valves),
        mains_in=(built.mains_in or MainsIn.CAPS).value,
        barrels=engine.barrels,
        wet_liners=engine.wet_liners,
        pan=engine.has_pan,
        drive_at_flywheel=engine.driven_from_rear,
        driven_by=built.driven_by.value if built.driven_by and engine.driven else "",
    )


def _groups(strip: Strip, following: StripStep | None) -> Iterator[DrawnGroup]:
    for key, name, families, by in _GROUPS:
        own: dict[str, list[StripStep]] = {}
        for step in strip.steps:
            if step.family in families:
                own.setdefault(step.of.get(by, "") if by else "", []).append(step)
        for of, steps in own.items():
            place = next((step.takes[0] for step in steps if step.takes), "")
            called = (
                f"{name} {of}" if by in ("cylinder", "main") else steps[0].text.split(" off")[0] if by else name
            )
            yield DrawnGroup(
                id=f"{key} {of}".strip(),
                key=key,
                of=of,
                name=called,
                place=place if place in strip.places else _PLACE.get(by, "").format(of),
                stands=_stands(strip, steps, following),
                off=sum(strip.is_behind(step.id) for step in steps),
                all=len(steps),
            )


def _is_next(following: StripStep, step: StripStep) -> bool:
    """Whether the next step takes what a step takes, or is done at it first."""
    if step.id == following.id:
        return True
    shared = following.of.keys() & step.of.keys()
    return _AT.get(following.family) == step.family and all(following.of[key] == step.of[key] for key in shared)


def _stands(strip: Strip, steps: list[StripStep], following: StripStep | None) -> Stands:
    facts = [strip.done.get(step.id) for step in steps]
    if all(one is not None and not one.there for one in facts):
        return Stands.MISSING
    off = sum(strip.is_behind(step.id) for step in steps)
    if off == len(steps):
        return Stands.OFF
    if following is not None and any(_is_next(following, step) for step in steps):
        return Stands.NEXT
    return Stands.PARTLY if off else Stands.ON
