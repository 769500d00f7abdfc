"""End floats that were read, for tests, in few words. Engines and sizes are invented."""

from __future__ import annotations

from halfthou.jobs import Gauge, Job, Reading, SetLimits
from halfthou.lengths import Unit
from tests.looked_at import looked_at
from tests.making import MICROMETER, NOON, PERFECT, band, figure, inches, job, sheet, shells

DIAL = PERFECT.model_copy(update={"id": "dial", "kind": "indicator"})
LEAF = PERFECT.model_copy(update={"id": "leaf", "kind": "feeler gauge"})
HOLE = PERFECT.model_copy(update={"id": "hole", "kind": "telescoping gauge"})


def allowed(*washers: str, service: str | None = "0.0120") -> SetLimits:
    """From 0.002 to 0.008 in when new, 0.012 in at most."""
    figures = {"float_new": band("0.0020", "0.0080")}
    more = {} if service is None else {"float_service": figure(inches(service))}
    return SetLimits(figures={**figures, **more}, steps=shells(*washers))


def read(text: str, feature: str = "end float", gauge: Gauge = DIAL) -> Reading:
    return Reading(
        id=feature.replace(" ", "-"), part="end-float", feature=feature, spot="1a", count=inches(text).nm,
        typed=text, unit=Unit.INCH, gauge=gauge.id, by="bench", at=NOON,
    )  # fmt: skip


def floating(*readings: Reading, of: SetLimits | None = None, looked: bool = True) -> Job:
    known = sheet()
    known = known.model_copy(update={"sets": {**known.sets, "end float": of or allowed()}})
    gauges = (MICROMETER, PERFECT, DIAL, LEAF, HOLE)
    made = job({}, looked=False, limits=known, scope=("end float",), gauges=gauges)
    made = made.model_copy(update={"readings": readings})
    return looked_at(made, at=NOON) if looked else made
