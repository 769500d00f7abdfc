"""Jobs for tests, in few words. Engines, sizes and part numbers are invented."""

from __future__ import annotations

import json
from datetime import UTC, date, datetime
from fractions import Fraction
from pathlib import Path
from typing import Any

from halfthou.engines import Engine, usual_layouts
from halfthou.jobs import (
    DIAMETER,
    Band,
    Figure,
    Gauge,
    Hardening,
    HouseRules,
    Job,
    Layout,
    LimitsSheet,
    Look,
    Plan,
    Reading,
    Seen,
    SetLimits,
    Source,
    SourceKind,
    Step,
)
from halfthou.lengths import Length, Unit
from halfthou.memo import Memo
from halfthou.parts import CATALOGUE
from halfthou.parts.journals.limits import BANDS, SINGLES, JournalLimits
from halfthou.surveys import FeatureSurvey, survey_parts
from tests.looked_at import looked_at


def engine_of(one: Job) -> Engine:
    """The parts of a job's engine."""
    return CATALOGUE.engine_of(one)


def survey_journals(one: Job) -> dict[str, FeatureSurvey]:
    """What was read of every journal."""
    surveys = survey_parts(one, engine_of(one), Memo())
    return {name: survey[DIAMETER] for name, survey in surveys.items() if DIAMETER in survey.features}


NOON = datetime(2031, 5, 4, 12, tzinfo=UTC)
MAKER = Source(kind=SourceKind.MAKER, place="bench book, page 12")
CASES: dict[str, dict[str, Any]] = {
    case["id"]: case
    for case in json.loads((Path(__file__).parent / "cases" / "cases.json").read_text(encoding="utf-8"))
}


def inches(text: str | Fraction) -> Length:
    """Inches as a length, by exact fractions and not by the code under test."""
    nm = Fraction(text) * 25_400_000
    assert nm.denominator == 1
    return Length(int(nm))


def mm(text: str) -> Length:
    """Millimetres as a length."""
    nm = Fraction(text) * 1_000_000
    assert nm.denominator == 1
    return Length(int(nm))


def figure(value: Length, kind: SourceKind = SourceKind.MAKER) -> Figure:
    return Figure(value=value, source=Source(kind=kind))


def band(least: str, most: str) -> Band:
    return Band(least=inches(least), most=inches(most), source=MAKER)


def shells(*steps: str) -> tuple[Step, ...]:
    return tuple(Step(size=inches(step)) for step in steps)


def limits(least: str = "2.0370", most: str = "2.0378", **changes: Any) -> JournalLimits:
    """Limits of one set: out-of-round 0.0010, taper 0.0006, shells to 0.030, not hardened."""
    values: dict[str, Any] = {
        "size": band(least, most),
        "out_of_round": figure(inches("0.0010")),
        "taper": figure(inches("0.0006")),
        "shells": shells("0", "0.010", "0.020", "0.030"),
        "hardening": Hardening.NONE,
    }
    return JournalLimits(**{**values, **changes})


def as_set(one: JournalLimits) -> SetLimits:
    """Limits of journals as the sheet keeps them."""
    figures = {key: found for key in (*BANDS, *SINGLES) if (found := getattr(one, key)) is not None}
    made = {"hardening": one.hardening.value, "housing material": one.housing_material.value}
    if one.oil_hole_deg is not None:
        made["oil hole"] = f"{one.oil_hole_deg:g}"
    return SetLimits(figures=figures, steps=one.shells, made=made)


def layout(name: str = "Inline four") -> Layout:
    return next(known for known in usual_layouts() if known.name == name)


#: Without doubt, so that a test of a rule is not a test of the gauge.
PERFECT = Gauge(
    id="perfect",
    name="perfect",
    kind="micrometer",
    unit=Unit.MM,
    resolution=Length(1),
    permissible_error=Length(0),
    repeatability=Length(0),
)
MICROMETER = Gauge(
    id="mic",
    name="2-3 in micrometer",
    kind="micrometer",
    unit=Unit.INCH,
    resolution=inches("0.0001"),
    permissible_error=inches("0.0001"),
)


def readings(
    sizes: dict[str, list[str]], gauge: Gauge = MICROMETER, plan: Plan | None = None
) -> tuple[Reading, ...]:
    """Readings by journal, in the order of the plan, in inches."""
    plan = plan or Plan()
    return tuple(
        Reading(
            id=f"{journal}.{spot}",
            part=journal,
            spot=spot,
            count=inches(text).nm,
            typed=text,
            unit=Unit.INCH,
            gauge=gauge.id,
            by="bench",
            at=NOON,
        )
        for journal, texts in sizes.items()
        for spot, text in zip(plan.spots, texts, strict=False)
    )


def sheet(
    rods: JournalLimits | None = None, mains: JournalLimits | None = None, of: str = "Inline four"
) -> LimitsSheet:
    return LimitsSheet(
        engine="Bramling 4",
        unit=Unit.INCH,
        layout=layout(of),
        sets={"mains": as_set(mains or limits("2.4135", "2.4143")), "rods": as_set(rods or limits())},
    )


def relimited(one: Job, **sets: JournalLimits) -> Job:
    """A job by other limits of one set or both."""
    kept = {**one.limits.sets, **{name: as_set(found) for name, found in sets.items()}}
    return one.model_copy(update={"limits": one.limits.model_copy(update={"sets": kept})})


def job(
    sizes: dict[str, list[str]] | None = None,
    *,
    rods: JournalLimits | None = None,
    gauge: Gauge = MICROMETER,
    seen: tuple[Seen, ...] = (),
    looked: bool = True,
    **changes: Any,
) -> Job:
    """A job on an inline four; what is not said of its parts was looked at and found sound, unless not `looked`."""
    plan = changes.get("plans", {}).get("rods", Plan())
    values: dict[str, Any] = {
        "number": "7",
        "title": "Ferry winch",
        "booked_in": date(2031, 5, 4),
        "shown_in": Unit.INCH,
        "limits": sheet(rods),
        "house_rules": HouseRules(spread_k=0),
        "gauges": (MICROMETER, PERFECT),
        "readings": readings(sizes or {}, gauge, plan),
        "seen": seen,
    }
    made = Job(**{**values, **changes})
    return looked_at(made, at=NOON) if looked else made


def look(on: str, what: Look, answer: str, depth: str | None = None, **more: Any) -> Seen:
    """Something seen, with a depth in inches."""
    return Seen(
        id=f"{on}.{what.value}.{answer}".replace(" ", "-").replace(",", "").replace("'", ""),
        on=on,
        look=what,
        answer=answer,
        amount=None if depth is None else inches(depth),
        by="bench",
        at=NOON,
        **more,
    )


#: A rod journal as new, and the whole engine so.
GOOD_ROD = ["2.0375"] * 8
GOOD_MAIN = ["2.4140"] * 8
GOOD_ENGINE = {**{f"R{n}": GOOD_ROD for n in range(1, 5)}, **{f"M{n}": GOOD_MAIN for n in range(1, 6)}}
