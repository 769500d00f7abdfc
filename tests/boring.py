"""Bores for tests, in few words. Engines, sizes and part numbers are invented."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

from halfthou.jobs import Gauge, Job, LimitsSheet, Reading, Seen, SetLimits, SettingCheck, Step
from halfthou.lengths import Length, Unit
from tests.making import NOON, as_set, band, figure, inches, job, layout, limits

#: Without doubt, so that a test of a rule is not a test of the gauge.
PERFECT_BORE = Gauge(
    id="perfect-bore",
    name="perfect bore gauge",
    kind="telescoping gauge",
    unit=Unit.INCH,
    resolution=Length(1),
    permissible_error=Length(0),
    repeatability=Length(0),
)
DIAL = Gauge(
    id="dial",
    name="dial bore gauge",
    kind="dial bore gauge",
    unit=Unit.INCH,
    resolution=inches("0.0001"),
    permissible_error=inches("0.0001"),
)
#: Four tenths of nothing: a bore as new, six readings and one below ring travel.
NEW = ["4.0003"] * 6
SPOTS = ("1a", "1b", "2a", "2b", "3a", "3b")


def oversizes(*sizes: str, rings: bool | None = True) -> tuple[Step, ...]:
    return tuple(
        Step(
            size=inches(size),
            part_number=f"BP-{size}" if size != "0" else "BP-STD",
            rings_number=f"BK-{size}",
            rings_can_be_bought=rings,
        )
        for size in sizes
    )


def bore_limits(**changes: Any) -> SetLimits:
    """Limits of bores: 4.0000 to 4.0007 when new, wear 0.0050, out-of-round 0.0020, taper 0.0040, to 0.060 over."""
    figures: dict[str, Any] = {
        "size": band("4.0000", "4.0007"),
        "wear": figure(inches("0.0050")),
        "out_of_round": figure(inches("0.0020")),
        "taper": figure(inches("0.0040")),
        **changes.pop("figures", {}),
    }
    values: dict[str, Any] = {
        "figures": {key: found for key, found in figures.items() if found is not None},
        "steps": oversizes("0", "0.010", "0.020", "0.030", "0.040", "0.060"),
        "made": {"material": "grey cast iron", "coating": "none"},
    }
    return SetLimits(**{**values, **changes})


def bore_readings(
    sizes: dict[int, list[str]], below: str | dict[int, str] = "4.0002", gauge: Gauge = PERFECT_BORE, **more: Any
) -> tuple[Reading, ...]:
    """Readings of bores by cylinder: six of the plan, and one below ring travel."""
    found = []
    for cylinder, texts in sizes.items():
        under = below.get(cylinder, "4.0002") if isinstance(below, dict) else below
        where = [*(("diameter", spot, text) for spot, text in zip(SPOTS, texts, strict=False))]
        if texts and under:
            where.append(("below ring travel", "1a", under))
        for feature, spot, text in where:
            found.append(
                Reading(
                    id=f"b{cylinder}.{feature}.{spot}".replace(" ", "-"),
                    part=f"bore-{cylinder}",
                    feature=feature,
                    spot=spot,
                    count=inches(text).nm,
                    typed=text,
                    unit=Unit.INCH,
                    gauge=gauge.id,
                    by="bench",
                    at=NOON,
                    **more,
                )
            )
    return tuple(found)


def block(
    sizes: dict[int, list[str]] | None = None,
    *,
    of: str = "Inline four",
    on: SetLimits | None = None,
    seen: tuple[Seen, ...] = (),
    **changes: Any,
) -> Job:
    """A job whose scope is the bores alone."""
    gauge = changes.pop("gauge", PERFECT_BORE)
    below = changes.pop("below", "4.0002")
    built = layout(of)
    sheet = LimitsSheet(
        engine="Bramling block",
        unit=Unit.INCH,
        layout=built,
        sets={"mains": as_set(limits("2.4135", "2.4143")), "rods": as_set(limits()), "bores": on or bore_limits()},
    )
    read = sizes if sizes is not None else dict.fromkeys(range(1, built.cylinders + 1), NEW)
    values: dict[str, Any] = {
        "limits": sheet,
        "scope": ("bores",),
        "readings": bore_readings(read, below, gauge),
        "gauges": (PERFECT_BORE, DIAL),
        "seen": seen,
    }
    return job(**{**values, **changes})


def set_on_a_ring(ring: str, *, hours: float = -1, error: str = "0.00005", read: str | None = None) -> SettingCheck:
    """The dial bore gauge read on a ring of known size."""
    return SettingCheck(
        id=f"set{hours}".replace(".", "-"),
        gauge=DIAL.id,
        standard=inches(ring),
        standard_error=inches(error),
        read=(inches(read or ring),) * 3,
        unit=Unit.INCH,
        by="bench",
        at=NOON + timedelta(hours=hours),
    )
