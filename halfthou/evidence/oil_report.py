"""What an oil report proves, by how its sample was drawn.

Source: docs/trade: Reading an oil report, from memory; absolute alarms differ by engine, so metals are held against
what is usual for this one.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import NamedTuple

from halfthou.causes import SignSeen
from halfthou.jobs import Drawn, Job, OilFigure, OilReport
from halfthou.words import Reason


class FigureKnown(NamedTuple):
    """A figure of a report: what it is called, and the units it may stand in, each with what it is multiplied by to
    give the first."""

    name: str
    units: dict[str, float]


_PARTS = {"mg/kg": 1.0, "ppm": 1.0}
FIGURES: dict[str, FigureKnown] = {
    "viscosity 100": FigureKnown("Viscosity at 100 °C", {"mm²/s": 1.0, "cSt": 1.0}),
    "viscosity 40": FigureKnown("Viscosity at 40 °C", {"mm²/s": 1.0, "cSt": 1.0}),
    "fuel": FigureKnown("Fuel", {"%": 1.0}),
    "soot": FigureKnown("Soot", {"%": 1.0}),
    "water": FigureKnown("Water", {"%": 1.0, "ppm": 1e-4, "mg/kg": 1e-4}),
    **{
        name.lower(): FigureKnown(name, _PARTS)
        for name in ("Iron", "Chromium", "Aluminium", "Copper", "Lead", "Tin", "Silicon", "Sodium", "Potassium")
    },
}
#: Fuel of this much per cent or more is dilution; below the other there is none. Source: from memory, 2 to 4 %.
FUEL_HIGH, FUEL_SOME, FUEL_NIL = 4.0, 2.0, 1.0
#: Fuel at which a laboratory raises its alarm, in per cent. Source: from memory, 5 %.
FUEL_ALARM = 5.0
#: By how much viscosity may lie off what it is new, as a share. Source: from memory, ±20 %.
VISCOSITY_OFF = 0.20
#: A metal is high at this many times what is usual. Source: from memory, twice one's own trend.
TIMES_USUAL = 2.0
#: Soot from which on it speaks, in per cent. Source: from memory, 2 to 3 %.
SOOT_HIGH = 2.0
#: Water above this, in per cent. Source: from memory, 0.1 to 0.2 %.
WATER_HIGH = 0.2
#: What comes in when the engine is stripped or washed: it proves nothing in oil that was left after it.
SPOILT_BY_STRIP = ("silicon", "sodium", "potassium", "water")


def in_first_unit(figure: OilFigure) -> float:
    """A figure in the first unit of its kind. Refuses: KeyError where the kind or the unit is not known."""
    return figure.value * FIGURES[figure.key].units[figure.unit]


def viscosity_off(value: float, new: float) -> float:
    """By how much a viscosity lies off that of the new oil, as a share; negative where it is thinner.

    >>> round(100 * viscosity_off(11.0, 14.2), 3)
    -22.535
    """
    return (value - new) / new


def counts(report: OilReport, key: str) -> bool:
    """Whether a figure may prove anything, by how the sample was drawn.

    Rule:    evidence.oil-report.
    """
    return key not in SPOILT_BY_STRIP or report.drawn in (Drawn.RUNNING, Drawn.DRAIN)


def oil_signs(
    job: Job, mistrusted: frozenset[str]
) -> tuple[list[tuple[str, SignSeen]], list[tuple[str, SignSeen]]]:
    """The signs that the last report of each sample shows, and those it was looked at for and does not show."""
    last: dict[str, OilReport] = {}
    for report in job.standing(job.oil_reports):
        if report.id not in mistrusted:
            last[report.sample] = report
    seen: list[tuple[str, SignSeen]] = []
    absent: list[tuple[str, SignSeen]] = []
    for report in last.values():
        for sign, there, words in _signs(report):
            (seen if there else absent).append(
                (sign, SignSeen(words=(words,) if there else (), facts=(report.id,)))
            )
    return seen, absent


def known_values(report: OilReport) -> tuple[dict[str, float], dict[str, float]]:
    """The figures of a report that may prove anything, in the first unit of each, and what is usual for them."""
    return _in_first_units([figure for figure in report.figures if counts(report, figure.key)])


def _in_first_units(figures: Sequence[OilFigure]) -> tuple[dict[str, float], dict[str, float]]:
    """Figures of a report that are known, in the first unit of each, and what is usual for them."""
    value = {
        figure.key: in_first_unit(figure)
        for figure in figures
        if figure.key in FIGURES and figure.unit in FIGURES[figure.key].units
    }
    usual = {
        figure.key: figure.usual * FIGURES[figure.key].units[figure.unit]
        for figure in figures
        if figure.usual and figure.key in value
    }
    return value, usual


def _signs(report: OilReport) -> Iterator[tuple[str, bool, str]]:
    value, usual = known_values(report)
    yield from _fuel(value, usual)
    late = _what_fell_in(report)
    if late:
        yield "sample.late", True, f"{' and '.join(late)} in what was left after the strip"
    high = {key for key in value if key in usual and value[key] >= TIMES_USUAL * usual[key]}
    coolant = {"sodium", "potassium"} & high
    water = value.get("water", 0.0) >= WATER_HIGH
    # Sodium alone may be an additive: it speaks with potassium, or with water.
    if coolant and ("potassium" in coolant or water):
        yield "oil.milky", True, f"{' and '.join(sorted(coolant))} at twice the usual or more"
    elif "potassium" in value and "sodium" in value and not coolant and not water:
        yield "oil.milky", False, ""
    bearing = {"copper", "lead", "tin"} & high
    if len(bearing) >= 2:
        yield "bearings.gone", True, f"{' and '.join(sorted(bearing))} at twice the usual or more"
    if "silicon" in high and not coolant:
        yield "dirt.in-oil", True, "silicon at twice the usual or more"
    if {"iron", "chromium"} <= high:
        yield "metal.rings", True, "iron and chromium at twice the usual or more"
    if value.get("soot", 0.0) >= SOOT_HIGH:
        yield "soot.high", True, f"soot {value['soot']:g} %"


def _what_fell_in(report: OilReport) -> list[str]:
    """What coolant or wash brings, high in a sample of what was left after the strip: it fell in then."""
    if report.drawn is not Drawn.LEFT_OVER:
        return []
    value, usual = _in_first_units(report.figures)
    high = [key for key in ("sodium", "potassium") if key in usual and value[key] >= TIMES_USUAL * usual[key]]
    return high + (["water"] if value.get("water", 0.0) >= WATER_HIGH else [])


def _fuel(value: dict[str, float], usual: dict[str, float]) -> Iterator[tuple[str, bool, str]]:
    fuel = value.get("fuel")
    thick = next((key for key in ("viscosity 100", "viscosity 40") if key in value and key in usual), "")
    off = viscosity_off(value[thick], usual[thick]) if thick else None
    thin = off is not None and off <= -VISCOSITY_OFF
    if thin and (fuel or 0.0) < FUEL_SOME and fuel is not None:
        yield "oil.sheared", True, "viscosity down without fuel"
    if fuel is None:
        return
    if fuel >= FUEL_HIGH or (fuel >= FUEL_SOME and thin):
        yield "dilution.high", True, f"fuel {fuel:g} %"
        if fuel >= FUEL_ALARM:
            yield "dilution.alarm", True, f"fuel {fuel:g} %"
    elif fuel < FUEL_NIL:
        yield "dilution.high", False, ""
        if off is not None and abs(off) < VISCOSITY_OFF:
            yield "dilution.nil", True, f"fuel {fuel:g} %, viscosity {100 * off:+.0f} %"


def oil_findings(job: Job) -> Iterator[Reason]:
    """What has to be said of the reports: figures that prove nothing, one sample told in two ways.

    Rule:    evidence.oil-report.
    """
    by_sample: dict[str, set[Drawn]] = {}
    for report in job.standing(job.oil_reports):
        by_sample.setdefault(report.sample, set()).add(report.drawn)
        left = [
            FIGURES[f.key].name.lower() for f in report.figures if f.key in FIGURES and not counts(report, f.key)
        ]
        if left:
            text = f"Sample {report.sample}, drawn {report.drawn.value}: {', '.join(left)} prove nothing."
            yield Reason(rule="evidence.oil-report", text=text)
    for sample, ways in by_sample.items():
        if len(ways) > 1:
            told = ", ".join(sorted(way.value for way in ways))
            text = f"Sample {sample} is said to be drawn in {len(ways)} ways: {told}."
            yield Reason(rule="evidence.oil-report", text=text)


def fault_of_report(report: OilReport) -> Iterator[tuple[str, str]]:
    """What is wrong with a report: which figure, and why, in words."""
    twice = [figure.key for figure in report.figures]
    for figure in report.figures:
        known = FIGURES.get(figure.key)
        if known is None:
            yield figure.key, f"No figure of an oil report is called {figure.key} here."
        elif figure.unit not in known.units:
            yield (
                figure.key,
                f"{known.name} in {figure.unit} is not known here: give it in {' or '.join(known.units)}.",
            )
        elif twice.count(figure.key) > 1:
            yield figure.key, f"{known.name} stands twice: are two samples mixed? Write each sample down by itself."
        elif figure.unit == "%" and figure.value > 100:
            yield figure.key, f"{figure.value:g} % is more than all of it."
