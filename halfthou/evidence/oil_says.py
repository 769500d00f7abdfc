"""What each figure of an oil report says, or why it says nothing.

Rule:    evidence.oil-says.   Source: docs/trade: Reading an oil report, from memory; twice one's own trend counts
more than any table.
"""

from __future__ import annotations

from collections.abc import Mapping

from halfthou.evidence.oil_report import (
    FUEL_ALARM,
    FUEL_HIGH,
    FUEL_NIL,
    FUEL_SOME,
    SOOT_HIGH,
    TIMES_USUAL,
    VISCOSITY_OFF,
    WATER_HIGH,
    counts,
    known_values,
    viscosity_off,
)
from halfthou.jobs import OilReport

_COPPER = "Alone: a cooler or bushes, no bearing by itself."
_ALUMINIUM = "Pistons, some half bearings, or the pump's body."
_BEARING = frozenset({"copper", "lead", "tin"})


def says_of(report: OilReport) -> dict[str, str]:
    """One sentence for each figure of a report, by its key. What this program does not know says nothing."""
    value, usual = known_values(report)
    high = {key for key in value if key in usual and value[key] >= TIMES_USUAL * usual[key]}
    found = {}
    for figure in report.figures:
        key = figure.key
        if not counts(report, key):
            found[key] = f"Proves nothing: drawn {report.drawn.value}."
        elif key not in value:
            found[key] = "Not known here: kept, not weighed."
        else:
            found[key] = _of_one(key, value, usual, high)
    return found


def _of_one(key: str, value: Mapping[str, float], usual: Mapping[str, float], high: set[str]) -> str:
    if key == "fuel":
        return _fuel(value[key])
    if key == "soot":
        return "Blow-by or an injector." if value[key] >= SOOT_HIGH else "No more than there may be."
    if key == "water":
        return "Water in the oil." if value[key] >= WATER_HIGH else "None to speak of."
    if key not in usual:
        return "Nothing by itself: what is usual for this engine is not known."
    if key.startswith("viscosity"):
        return _viscosity(viscosity_off(value[key], usual[key]), value.get("fuel", 0.0))
    if key not in high:
        return "As usual."
    return _metal(key, high, water=value.get("water", 0.0) >= WATER_HIGH)


def _fuel(share: float) -> str:
    if share >= FUEL_ALARM:
        return "Above the alarm: the oil is thinned by fuel."
    if share >= FUEL_HIGH:
        return "Fuel in the oil."
    if share >= FUEL_SOME:
        return "Fuel in the oil, where the viscosity is down as well."
    return "No fuel to speak of." if share < FUEL_NIL else "Little: nothing by itself."


def _viscosity(off: float, fuel: float) -> str:
    if off <= -VISCOSITY_OFF:
        return "Down, with fuel in it." if fuel >= FUEL_SOME else "Down without fuel: sheared, or the wrong grade."
    if off >= VISCOSITY_OFF:
        return "Up: oxidised, sooted, or coolant in it."
    return "As it should be."


def _metal(key: str, high: set[str], *, water: bool) -> str:
    """What is at twice the usual or more."""
    coolant = "potassium" in high or ("sodium" in high and water)
    if key in _BEARING:
        if len(_BEARING & high) > 1:
            return "Bearing metal gone."
        return _COPPER if key == "copper" else "Alone: nothing by itself."
    if key == "iron":
        beside = "rings and bores" if "chromium" in high else "the crank" if _BEARING & high else ""
        return f"Wear of {beside}." if beside else "Cylinders, cam, gears or crank: what rises with it tells which."
    if key == "chromium":
        return "Rings."
    if key == "aluminium":
        return "Dirt, or pistons cut by it." if "silicon" in high else _ALUMINIUM
    if key == "silicon":
        return "With the coolant it came in." if coolant else "Dirt past the filter."
    return "Coolant in the oil." if coolant else "Alone it may be an additive: nothing by itself."
