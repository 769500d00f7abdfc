"""Tunnels that were read, for tests, in few words. Engines and sizes are invented."""

from __future__ import annotations

from typing import Any

from halfthou.jobs import Gauge, Job, Reading, SetLimits
from halfthou.lengths import Unit
from tests.looked_at import looked_at
from tests.making import MICROMETER, NOON, PERFECT, band, figure, inches, job, limits, sheet

HOLE = PERFECT.model_copy(update={"id": "hole", "kind": "telescoping gauge"})
LEAF = PERFECT.model_copy(update={"id": "leaf", "kind": "feeler gauge"})
DIAL = PERFECT.model_copy(update={"id": "dial", "kind": "indicator"})
SPOTS = ("1a", "1b", "1c", "2a", "2b", "2c")
MAINS = tuple(f"M{n}" for n in range(1, 6))
GOOD = ("2.6022", "2.6024", "2.6024") * 2


def allowed(**more: str) -> SetLimits:
    figures = {"out_of_round": "0.0010", "taper": "0.0005", **more}
    return SetLimits(figures={key: figure(inches(text)) for key, text in figures.items()})


def bores(main: str, sizes: tuple[str, ...], *, on: str = "housing", caps: bool = True) -> list[Reading]:
    return [
        _reading(f"{on}-{main}", "housing bore", spot, inches(text).nm, HOLE, caps_torqued=caps)
        for spot, text in zip(SPOTS, sizes, strict=False)
    ]


def line(main: str, off: str, gauge: Gauge = DIAL) -> list[Reading]:
    feature = "line by leaf" if gauge is LEAF else "line by indicator"
    return [_reading(f"housing-{main}", feature, "1a", inches(off).nm, gauge)]


def _reading(part: str, feature: str, spot: str, count: int, gauge: Gauge, **more: Any) -> Reading:
    return Reading(
        id=f"{part}.{feature}.{spot}".replace(" ", "-"), part=part, feature=feature, spot=spot, count=count,
        typed="as read", unit=Unit.INCH, gauge=gauge.id, by="bench", at=NOON, **more,
    )  # fmt: skip


def tunnel(*readings: list[Reading], of: SetLimits | None = None, **changes: Any) -> Job:
    """A job on the tunnel of an inline four: housings from 2.6021 to 2.6027 in."""
    known = sheet(mains=limits("2.4135", "2.4143", housing_bore=band("2.6021", "2.6027")))
    known = known.model_copy(update={"sets": {**known.sets, "tunnel": of or allowed()}})
    scope = changes.pop("scope", ("tunnel",))
    sizes = changes.pop("sizes", {})
    gauges = (MICROMETER, PERFECT, HOLE, LEAF, DIAL)
    made = job(sizes, gauge=PERFECT, looked=False, limits=known, scope=scope, gauges=gauges, **changes)
    made = made.model_copy(update={"readings": (*made.readings, *(one for each in readings for one in each))})
    return looked_at(made, at=NOON)


def all_good(**other: tuple[str, ...]) -> list[list[Reading]]:
    return [bores(main, other.get(main, GOOD)) for main in MAINS]
