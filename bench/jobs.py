"""Large jobs for the benches. Sizes are invented."""

from __future__ import annotations

import random
from datetime import UTC, datetime

from halfthou.engines import usual_layouts
from halfthou.jobs import (
    Band,
    Figure,
    Gauge,
    GaugeKind,
    Job,
    LimitsSheet,
    Operation,
    OperationKind,
    Plan,
    Reading,
    SetLimits,
    SettingCheck,
    Sitting,
    Source,
    SourceKind,
    Step,
)
from halfthou.lengths import Length, Unit

TENTH = 2_540
MAKER = Source(kind=SourceKind.MAKER)
PLAN = Plan(planes=3)
BORE_PLAN = Plan(planes=3, angles_deg=(0, 45, 90, 135))


def _limits(least: int) -> SetLimits:
    return SetLimits(
        figures={
            "size": Band(least=Length(least * TENTH), most=Length((least + 8) * TENTH), source=MAKER),
            "out_of_round": Figure(value=Length(10 * TENTH), source=MAKER),
            "taper": Figure(value=Length(6 * TENTH), source=MAKER),
        },
        steps=tuple(Step(size=Length(step * TENTH)) for step in (0, 100, 200, 300)),
    )


def _bores() -> SetLimits:
    return SetLimits(
        figures={
            "size": Band(least=Length(40_000 * TENTH), most=Length(40_007 * TENTH), source=MAKER),
            "wear": Figure(value=Length(50 * TENTH), source=MAKER),
            "out_of_round": Figure(value=Length(20 * TENTH), source=MAKER),
            "taper": Figure(value=Length(40 * TENTH), source=MAKER),
        },
        steps=tuple(Step(size=Length(k * TENTH), rings_can_be_bought=True) for k in (0, 200, 300, 400)),
    )


def with_state(job: Job) -> Job:
    """The job with all that readings can have about them: a check, warm parts, a polish, an oval and a slip."""
    at = job.readings[0].at
    check = SettingCheck(id="c", gauge="mic", standard=Length(50_800_000), read=(Length(50_800_000),) * 6,
                         unit=Unit.INCH, by="bench", at=at)  # fmt: skip
    warm = Sitting(id="s", part_c=24.0, by="bench", at=at)
    polish = Operation(id="o", kind=OperationKind.POLISH, on="M1", by="bench", at=at)
    turn = Length(635_000)
    readings = tuple(
        reading.model_copy(update={"sitting": "s", "count": reading.count - turn.nm * (reading.id == "R5.2b.0")})
        for reading in job.readings
    )
    return job.model_copy(
        update={"readings": readings, "checks": (check,), "sittings": (warm,), "operations": (polish,)}
    )


def v_twelve(times: int, *, whole: bool = False) -> Job:
    """A V12 with 7 mains and 6 pins, three planes by four angles, every spot read so many times; whole, its bores
    too, four angles at three depths and one below ring travel."""
    chance = random.Random(12)
    layout = next(known for known in usual_layouts() if known.name == "V twelve")
    gauge = Gauge(
        id="mic",
        name="mic",
        kind="micrometer",
        unit=Unit.INCH,
        resolution=Length(TENTH),
        permissible_error=Length(TENTH),
    )
    bore_gauge = gauge.model_copy(update={"id": "tele", "name": "tele", "kind": GaugeKind("telescoping gauge")})
    at = datetime(2031, 5, 4, 12, tzinfo=UTC)
    readings = [
        Reading(
            id=f"{journal}.{spot}.{time}",
            part=journal,
            spot=spot,
            count=((24_140 if journal[0] == "M" else 20_375) - chance.randrange(60 if journal == "R3" else 4))
            * TENTH,
            typed="371",
            unit=Unit.INCH,
            gauge="mic",
            by="bench",
            at=at,
        )
        for time in range(times)
        for journal in layout.shaft
        for spot in PLAN.spots
    ]
    if whole:
        readings += [
            Reading(
                id=f"bore-{n}.{feature}.{spot}.{time}".replace(" ", "-"),
                part=f"bore-{n}",
                feature=feature,
                spot=spot,
                count=(40_003 + chance.randrange(40 if n == 5 else 4)) * TENTH,
                typed="003",
                unit=Unit.INCH,
                gauge="tele",
                by="bench",
                at=at,
            )
            for time in range(times)
            for n in range(1, 13)
            for feature, spots in (("diameter", BORE_PLAN.spots), ("below ring travel", ("1a",)))
            for spot in spots
        ]
    return Job(
        number="12",
        title="V12",
        booked_in=at.date(),
        shown_in=Unit.INCH,
        limits=LimitsSheet(
            engine="V12",
            unit=Unit.INCH,
            layout=layout,
            sets={"mains": _limits(24_135), "rods": _limits(20_370), "bores": _bores()},
        ),
        scope=("mains", "rods", "bores") if whole else ("mains", "rods"),
        gauges=(gauge, bore_gauge),
        plans={"mains": PLAN, "rods": PLAN, "bores": BORE_PLAN},
        readings=tuple(readings),
    )
