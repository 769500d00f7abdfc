"""Worn journals with a known true form, and gauges that read them with known errors. Invented sizes.

The truth here is arithmetic of this file alone: it is what the program's findings are held against.
"""

from __future__ import annotations

import math
import random
from dataclasses import dataclass

from halfthou.jobs import Gauge, HouseRules, Job, Plan, Reading, SettingCheck
from halfthou.lengths import Length, Unit
from tests.making import NOON, job, limits

TENTH = 2_540
TURN = 635_000


@dataclass(frozen=True)
class TrueJournal:
    """Mean size at the front, ovality, its angle, and how much smaller the rear is, in nm."""

    size: float
    oval: float
    turned_deg: float
    taper: float

    def at(self, plane: int, angle_deg: float, planes: int = 2) -> float:
        """The true diameter at a spot."""
        place = (plane - 1) / (planes - 1)
        return (
            self.size
            - self.taper * place
            + self.oval / 2 * math.cos(math.radians(2 * (angle_deg - self.turned_deg)))
        )

    @property
    def least(self) -> float:
        """The true least diameter of the whole journal."""
        return self.size - self.oval / 2 - max(self.taper, 0.0)


@dataclass(frozen=True)
class TrueGauge:
    """A gauge with its own error of scale, and how a hand scatters with it, in nm."""

    gauge: Gauge
    scale: float
    scatter: float

    def read(self, true: float, chance: random.Random) -> int:
        """What it shows: to its own step."""
        step = self.gauge.resolution.nm
        return round((true + self.scale + chance.gauss(0, self.scatter)) / step) * step


def micrometer(error: int, step: int, scatter: int, unit: Unit = Unit.INCH) -> Gauge:
    """A thimble micrometer whose limits are what they are said to be."""
    return Gauge(
        id="mic", name="mic", kind="micrometer", unit=unit, resolution=Length(step),
        permissible_error=Length(error), repeatability=Length(scatter),
    )  # fmt: skip


def worn(chance: random.Random, size: float) -> TrueJournal:
    """A journal with ordinary wear: most nearly round, some oval by thou. Wear only takes away."""
    oval = min(abs(chance.gauss(0, 7 * TENTH)) * (4 if chance.random() < 0.1 else 1), 60 * TENTH)
    return TrueJournal(
        size - oval / 2 - chance.random() * 6 * TENTH, oval, chance.uniform(0, 180), abs(chance.gauss(0, 2 * TENTH))
    )


def readings_of(name: str, true: TrueJournal, gauge: TrueGauge, chance: random.Random) -> list[Reading]:
    """Every spot of the usual plan, read once."""
    plan = Plan()
    found = []
    for spot in plan.spots:
        nm = gauge.read(true.at(int(spot[0]), plan.angle_of(spot)), chance)
        found.append(
            Reading(
                id=f"{name}.{spot}", part=name, spot=spot, count=Length(nm).nm,
                typed=as_typed(nm, gauge.gauge.unit),
                unit=gauge.gauge.unit, gauge=gauge.gauge.id, by="bench", at=NOON,
            )
        )  # fmt: skip
    return found


def as_typed(nm: int, unit: Unit) -> str:
    """A size as a person would type it: four decimals of an inch, three of a millimetre."""
    ticks = round(nm / TENTH) if unit is Unit.INCH else round(nm / 1000)
    decimals = 4 if unit is Unit.INCH else 3
    return f"{ticks // 10**decimals}.{ticks % 10**decimals:0{decimals}d}"


def bench_job(readings: list[Reading], gauge: Gauge, checks: tuple[SettingCheck, ...] = ()) -> Job:
    """A job with these readings, judged in the usual way."""
    return job(readings=tuple(readings), gauges=(gauge,), house_rules=HouseRules(), checks=checks, rods=limits())


def altered(reading: Reading, nm: int) -> Reading:
    """The reading with another size, typed as that."""
    return reading.model_copy(update={"count": nm, "typed": as_typed(nm, reading.length_unit)})
