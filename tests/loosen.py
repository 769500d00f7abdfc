"""Pistons, rings and oil pumps for tests, in few words. Engines, sizes and part numbers are invented."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

from halfthou.amounts import Quantity
from halfthou.jobs import (
    AmountBand,
    Fitting,
    Gauge,
    Job,
    LimitsSheet,
    Piece,
    Reading,
    Seen,
    SetLimits,
    Use,
    UseSaid,
)
from halfthou.lengths import Length, Unit
from tests.boring import NEW, PERFECT_BORE, bore_limits, bore_readings
from tests.making import MAKER, NOON, band, figure, inches, job, layout

#: Without doubt, so that a test of a rule is not a test of the gauge.
_SURE: dict[str, Any] = {
    "unit": Unit.MM,
    "resolution": Length(1),
    "permissible_error": Length(0),
    "repeatability": Length(0),
}
MIC = Gauge(id="sure-mic", name="perfect micrometer", kind="micrometer", **_SURE)
HOLE = Gauge(id="sure-hole", name="perfect hole gauge", kind="telescoping gauge", **_SURE)
LEAF = Gauge(id="sure-leaf", name="perfect feelers", kind="feeler gauge", **_SURE)
DEPTH = Gauge(id="sure-depth", name="perfect depth gauge", kind="depth gauge", **_SURE)
SCALE = Gauge(
    id="sure-scale",
    name="perfect scale",
    kind="weighing scale",
    unit=Unit.INCH,
    resolution=Length(1),
    permissible_error=Length(0),
    weighs={"resolution_mg": 1, "permissible_error_mg": 0, "most_mg": 5_000_000},
)
SPRING = Gauge(
    id="sure-spring",
    name="perfect spring tester",
    kind="spring tester",
    unit=Unit.INCH,
    resolution=Length(1),
    permissible_error=Length(0),
    scale={"resolution": 1, "permissible_error": 0, "most": 1_000_000},
)
#: What a shop has: a micrometer to a tenth, feelers to half a thou.
THOU_MIC = Gauge(
    id="thou-mic",
    name="micrometer read to a thou",
    kind="micrometer",
    unit=Unit.INCH,
    resolution=inches("0.001"),
    permissible_error=inches("0.0005"),
)
#: As the perfect bore gauge, in millimetres: what is shown in inch then keeps its four decimals.
BORE = PERFECT_BORE.model_copy(update={"unit": Unit.MM})
GAUGES = (MIC, HOLE, LEAF, DEPTH, SCALE, SPRING, THOU_MIC, BORE)
_WITH: dict[str, Gauge] = {
    "skirt": MIC,
    "skirt foot": MIC,
    "pin": MIC,
    "pin bore": HOLE,
    "small end": HOLE,
    "crown height": DEPTH,
    "weight": SCALE,
    "shaft": MIC,
    "shaft bore": HOLE,
    "relief plunger": MIC,
    "plunger bore": HOLE,
    "gear height": MIC,
    "body depth": DEPTH,
    "spring length": DEPTH,
    "pickup to pan": DEPTH,
    "spring load": SPRING,
    "pickup seal": MIC,
    "new seal": MIC,
}


def at(part: str, feature: str, *texts: str, gauge: Gauge | None = None, spots: str = "") -> tuple[Reading, ...]:
    """Readings of one feature of a part, spot by spot: lengths in inches, weights in milligrams, forces in
    millinewtons."""
    used = gauge or _WITH.get(feature, LEAF)
    where = spots.split() or ["1a", "1b", "2a", "2b"]
    if feature == "pin":
        where = ["1a", "2a", "3a"]
    plain = used.quantity is Quantity.LENGTH
    return tuple(
        Reading(
            id=f"{part}.{feature}.{spot}.{used.id}".replace(" ", "-"),
            part=part,
            feature=feature,
            spot=spot,
            count=inches(text).nm if plain else int(text),
            typed=text,
            unit=Unit.INCH,
            gauge=used.id,
            by="bench",
            at=NOON,
        )
        for spot, text in zip(where, texts, strict=False)
    )


def saw(on: str, look: str, answer: str, **more: Any) -> Seen:
    """Something seen of a loose piece."""
    name = f"{on}.{look}.{answer}".replace(" ", "-").replace(",", "")
    return Seen(id=name, on=on, look=look, answer=answer, by="bench", at=NOON, **more)


def grams(least: int | None = None, most: int | None = None) -> AmountBand:
    """A band of weights, in milligrams."""
    return AmountBand(quantity=Quantity.MASS, least=least, most=most, source=MAKER)


def newtons(least: int | None = None, most: int | None = None) -> AmountBand:
    """A band of forces, in millinewtons."""
    return AmountBand(quantity=Quantity.FORCE, least=least, most=most, source=MAKER)


def piston_limits(**changes: Any) -> SetLimits:
    """Pistons 3.9975 to 3.9981 for bores of 4.0000 to 4.0007: clearance 0.0016 to 0.0030, 0.0060 when worn."""
    figures: dict[str, Any] = {
        "size": band("3.9975", "3.9981"),
        "gauge_height": figure(inches("0.60")),
        "clearance": band("0.0016", "0.0030"),
        "clearance_worn": figure(inches("0.0060")),
        "target_clearance": figure(inches("0.0022")),
        "collapse": figure(inches("0.0015")),
        **changes.pop("figures", {}),
    }
    made = {"alloy": "cast", "datum": "bottom of the skirt", **changes.pop("made", {})}
    return SetLimits(figures={key: one for key, one in figures.items() if one is not None}, made=made, **changes)


def ring_limits(**changes: Any) -> SetLimits:
    """Rings: top 0.016 to 0.022, second 0.018 to 0.024, oil at least 0.012, worn 0.040 at the most."""
    figures: dict[str, Any] = {
        "top_gap": band("0.016", "0.022"),
        "second_gap": band("0.018", "0.024"),
        "oil_gap": figure(inches("0.012")),
        "worn_gap": figure(inches("0.040")),
        **changes.pop("figures", {}),
    }
    return SetLimits(figures={key: one for key, one in figures.items() if one is not None}, **changes)


def pump_limits(**changes: Any) -> SetLimits:
    """A pump with spur gears: end clearance 0.0050 at the most, tips 0.0060, backlash 0.0160."""
    figures: dict[str, Any] = {
        "end_clearance": figure(inches("0.0050")),
        "end_new": band("0.0010", "0.0020"),
        "tip_clearance": figure(inches("0.0060")),
        "backlash": figure(inches("0.0160")),
        **changes.pop("figures", {}),
    }
    made = {"kind": "spur gears", **changes.pop("made", {})}
    return SetLimits(figures={key: one for key, one in figures.items() if one is not None}, made=made, **changes)


SOUND = tuple(
    saw("pistons", look, answer)
    for look, answer in (("skirts", "clean"), ("lands", "sound"), ("crown", "evenly sooted"))
)
GOOD_PUMP = tuple(
    saw("pump", look, answer)
    for look, answer in (
        ("pump housing", "smooth"),
        ("gears or rotors", "sound"),
        ("drive", "sound"),
        ("relief valve", "falls by its own weight"),
        ("metal", "none found"),
        ("which pump", "its own"),
    )
)
PUMP_READ = (
    *at("pump", "end clearance", "0.0020", "0.0025"),
    *at("pump", "tip clearance", "0.0030", "0.0035"),
    *at("pump", "backlash", "0.0080"),
)


def loose(
    readings: tuple[Reading, ...] = (),
    *,
    scope: tuple[str, ...] = ("bores", "pistons", "rings", "pump"),
    bores: dict[int, list[str]] | None = None,
    seen: tuple[Seen, ...] = (),
    use: Use | None = None,
    on: dict[str, SetLimits] | None = None,
    **changes: Any,
) -> Job:
    """A job on an inline four whose bores are as new unless said otherwise."""
    built = layout(changes.pop("of", "Inline four"))
    sets = {
        "bores": bore_limits(),
        "pistons": piston_limits(),
        "rings": ring_limits(),
        "pump": pump_limits(),
        **(on or {}),
    }
    sheet = LimitsSheet(engine="Bramling four", unit=Unit.INCH, layout=built, sets=sets)
    read = bores if bores is not None else dict.fromkeys(range(1, built.cylinders + 1), NEW)
    below = changes.pop("below", "4.0002")
    block = bore_readings(read, below) if "bores" in scope else ()
    uses = (UseSaid(id="use", use=use, by="bench", at=NOON),) if use is not None else ()
    values: dict[str, Any] = {
        "limits": sheet,
        "scope": scope,
        "gauges": GAUGES,
        "readings": (*block, *readings),
        "seen": seen,
        "uses": uses,
    }
    return job(**{**values, **changes})


def skirts(*sizes: str) -> tuple[Reading, ...]:
    """The skirt of every piston, by cylinder."""
    return tuple(one for n, size in enumerate(sizes, start=1) for one in at(f"piston-{n}", "skirt", size))


def brought(part: str, kind: str, **more: Any) -> Piece:
    """A piece that did not come in the engine."""
    return Piece(id=f"in.{part}", part=part, kind=kind, by="bench", at=NOON, **more)


def fitted(piece: str, place: str | None, nth: int = 0) -> Fitting:
    """A piece put in a place, or taken out; so many minutes after noon."""
    return Fitting(
        id=f"fit.{piece}.{place or 'out'}.{nth}",
        piece=piece,
        place=place,
        by="bench",
        at=NOON + nth * timedelta(minutes=1),
    )
