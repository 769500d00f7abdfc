"""Cranks that were indicated, for tests, in few words. Engines and sizes are invented."""

from __future__ import annotations

import math
from collections.abc import Mapping
from datetime import datetime
from typing import Any

from halfthou.jobs import Gauge, Job, Reading, Seen, SetLimits
from halfthou.lengths import Length, Unit
from tests.looked_at import looked_at
from tests.making import MICROMETER, NOON, PERFECT, figure, inches, job, sheet

#: Without doubt, so that a test of a rule is not a test of the gauge.
DIAL = Gauge(
    id="dial",
    name="perfect indicator",
    kind="indicator",
    unit=Unit.INCH,
    resolution=Length(1),
    permissible_error=Length(0),
    repeatability=Length(0),
)
TENTHS = DIAL.model_copy(
    update={
        "id": "tenths",
        "resolution": inches("0.0001"),
        "permissible_error": inches("0.0001"),
        "repeatability": None,
    }
)
FORGED = {"given as": "total reading of the dial", "made of": "forged steel", "fillets": "ground"}
BLOCKS, CENTRES = "end mains", "centres"


def allowed(over_all: str = "0.002", adjacent: str | None = "0.001", **made: str) -> SetLimits:
    """Limits of straightness in inches; of a forged crank with ground fillets where nothing else is said."""
    figures = {"run_out_over_all": figure(inches(over_all))}
    if adjacent is not None:
        figures["run_out_adjacent"] = figure(inches(adjacent))
    return SetLimits(figures=figures, made={**FORGED, **made})


def turned(main: str, swing: str, high: float, oval: str = "0", gauge: Gauge = DIAL) -> tuple[Reading, ...]:
    """A place indicated every 45 degrees, simulated: its swing, its high side, how oval it is.

    Oval along 0 degrees: the dial reads a quarter of that more at 0 and 180, a quarter less at 90 and 270.
    """
    found = []
    for deg in range(0, 360, 45):
        turn = math.radians(deg)
        bend = inches(swing).nm / 2 * math.cos(turn - math.radians(high))
        height = bend + inches(oval).nm / 4 * math.cos(2 * turn)
        found.append(_reading(main, "run-out", str(deg), round(height), gauge))
    return tuple(found)


def total(main: str, swing: str, high: float | None = None, gauge: Gauge = DIAL) -> tuple[Reading, ...]:
    """A place by its total reading, with its high side where that was seen."""
    return (_reading(main, "total reading", "1a", inches(swing).nm, gauge, angle_deg=high),)


def _reading(main: str, feature: str, spot: str, count: int, gauge: Gauge, **more: Any) -> Reading:
    part = f"run-out-{main}"
    return Reading(
        id=f"{part}.{feature}.{spot}".replace(" ", "-"),
        part=part,
        feature=feature,
        spot=spot,
        count=count,
        typed="as simulated",
        unit=Unit.INCH,
        gauge=gauge.id,
        by="bench",
        at=more.pop("at", NOON),
        **more,
    )


def at(readings: tuple[Reading, ...], when: datetime, again: str) -> tuple[Reading, ...]:
    """The same readings taken at another time."""
    return tuple(one.model_copy(update={"id": f"{one.id}.{again}", "at": when}) for one in readings)


def crank(
    *readings: tuple[Reading, ...],
    limits: SetLimits | None = None,
    supports: str | None = BLOCKS,
    sizes: Mapping[str, list[str]] | None = None,
    sets: tuple[str, ...] = ("straightness", "mains", "rods"),
    **changes: Any,
) -> Job:
    """A job on the crank of an inline four with five mains, on its end mains where nothing else is said."""
    known = sheet()
    allows = {**known.sets, "straightness": limits or allowed()}
    lay = (
        ()
        if supports is None
        else (Seen(id="lay", on="straightness", look="supports", answer=supports, by="bench", at=NOON),)
    )
    seen = (*changes.pop("seen", ()), *lay)
    found = job(
        dict(sizes or {}),
        gauge=PERFECT,
        looked=False,
        scope=sets,
        limits=known.model_copy(update={"sets": allows}),
        gauges=(MICROMETER, PERFECT, DIAL, TENTHS),
        seen=seen,
        **changes,
    )
    found = found.model_copy(update={"readings": (*found.readings, *(one for each in readings for one in each))})
    return found if supports is None else looked_at(found, at=NOON)
