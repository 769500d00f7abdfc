"""Worn loose parts and bores with known true sizes near a limit, and simulated hands that read them. Invented
sizes. The truth is arithmetic of this file alone: it is what the program's findings are held against."""

from __future__ import annotations

import random
from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass, field

from halfthou.assess import judge
from halfthou.jobs import Gauge, HouseRules, Job, Reading, SetLimits
from halfthou.lengths import Length, Unit
from tests.boring import bore_limits
from tests.loosen import loose, piston_limits, pump_limits, ring_limits
from tests.making import NOON, as_set, band, figure, inches, limits
from tests.simulated import TENTH, TrueGauge

THOU = 10 * TENTH


def _gauge(name: str, kind: str, step: int, error: int, scatter: int) -> Gauge:
    return Gauge(
        id=name, name=name, kind=kind, unit=Unit.INCH, resolution=Length(step), permissible_error=Length(error),
        repeatability=Length(scatter),
    )  # fmt: skip


#: What a shop has: a micrometer and a hole gauge to a tenth, feelers in half thou. Each is what it is said to be.
MIC = _gauge("mic", "micrometer", TENTH // 2, TENTH, TENTH // 2)
HOLE = _gauge("hole", "telescoping gauge", TENTH, 2 * TENTH, 2 * TENTH)
LEAF = _gauge("leaf", "feeler gauge", THOU // 2, TENTH, TENTH)


@dataclass(frozen=True)
class Read:
    """One thing read of a part: where, with which gauge, its part in the figure, and what it is about."""

    feature: str
    spots: tuple[str, ...]
    gauge: Gauge
    factor: int = 1
    about: int = 0


@dataclass(frozen=True)
class Tried:
    """A figure of a kind: what is read for it, its limit, which way that works, and on which sheet.

    `past` is how far on either side of the limit its true value is tried; `fixed` is known and added whole."""

    kind: str
    part: str
    key: str
    reads: tuple[Read, ...]
    limit: int
    is_least: bool = False
    past: int = 3 * THOU // 2
    fixed: int = 0
    on: dict[str, SetLimits] = field(default_factory=dict)

    def __str__(self) -> str:
        return f"{self.kind}: {self.key}"


_TWO = ("1a", "1b")
#: Off the vertical first: a housing is to be largest there.
_HOUSING = ("1b", "1a", "1c", "2b", "2a", "2c")
TRIED = (
    Tried("oil pump", "pump", "end clearance", (Read("end clearance", _TWO, LEAF),), 50 * TENTH),
    Tried("oil pump", "pump", "tip clearance", (Read("tip clearance", _TWO, LEAF),), 60 * TENTH),
    Tried("oil pump", "pump", "backlash", (Read("backlash", ("1a",), LEAF),), 160 * TENTH),
    Tried(
        "oil pump", "pump", "shaft in its bore",
        (Read("shaft bore", _TWO, HOLE, 1, 5_000 * TENTH), Read("shaft", _TWO, MIC, -1, 5_000 * TENTH)),
        40 * TENTH, past=THOU,
        on={"pump": pump_limits(figures={"shaft_clearance": figure(inches("0.0040"))})},
    ),
    Tried(
        "piston", "piston-1", "groove 1", (Read("groove 1", _TWO, LEAF),), 60 * TENTH,
        on={"pistons": piston_limits(figures={"groove_clearance": figure(inches("0.0060"))})},
    ),
    Tried(
        "piston", "piston-1", "pin", (Read("pin", ("1a", "2a", "3a"), MIC),), 9_148 * TENTH, is_least=True,
        past=8 * TENTH, on={"pistons": piston_limits(figures={"pin": band("0.9148", "0.9151")})},
    ),
    Tried(
        "piston", "piston-1", "collapse", (Read("skirt", ("1a",), MIC, -1),), 15 * TENTH,
        past=8 * TENTH, fixed=39_975 * TENTH,
    ),
    Tried("ring", "ring-1.1", "closed gap least", (Read("closed gap", ("1a",), LEAF),), 160 * TENTH, is_least=True),
    Tried(
        "end float", "end-float", "end float most", (Read("end float by leaf", ("1a",), LEAF),), 120 * TENTH,
        on={"end float": SetLimits(figures={"float_new": band("0.0020", "0.0120")})},
    ),
    Tried(
        "housing", "housing-M1", "size most", (Read("housing bore", _HOUSING, HOLE),), 26_027 * TENTH, past=THOU,
        on={
            "mains": as_set(limits("2.4135", "2.4143", housing_bore=band("2.6010", "2.6027"))),
            "tunnel": SetLimits(figures={"out_of_round": figure(inches("0.0020"))}),
        },
    ),
    Tried(
        "bore", "bore-1", "size", (Read("diameter", ("1a", "1b", "2a", "2b", "3a", "3b"), HOLE),), 40_057 * TENTH,
        past=3 * THOU // 2,
    ),
)  # fmt: skip
_SCOPE = {
    "end float": "end float",
    "housing": "tunnel",
    "oil pump": "pump",
    "piston": "pistons",
    "ring": "rings",
    "bore": "bores",
}


def _sizes(tried: Tried, value: int, chance: random.Random) -> Iterator[tuple[Read, dict[str, float]]]:
    """True sizes whose figure is that value: one spot has it, the others lie inside it."""
    rest: float = value - tried.fixed
    for read in tried.reads[1:]:
        rest -= read.factor * read.about
    for nth, read in enumerate(tried.reads):
        extreme = rest / read.factor if nth == 0 else float(read.about)
        inward = 1 if (read.factor > 0) is tried.is_least else -1
        yield (
            read,
            {
                spot: extreme + (inward * chance.uniform(0, THOU / 2) if n else 0)
                for n, spot in enumerate(read.spots)
            },
        )


def job_of(tried: Tried, value: int, chance: random.Random) -> Job:
    """A job on which one part has a figure of that true value, read once by hands and gauges with their errors."""
    readings, used = [], dict[str, TrueGauge]()
    for read, sizes in _sizes(tried, value, chance):
        gauge = used.setdefault(
            read.gauge.id,
            TrueGauge(
                read.gauge,
                chance.uniform(-1, 1) * read.gauge.permissible_error.nm,
                float((read.gauge.repeatability or Length(0)).nm),
            ),
        )
        for spot, true in sizes.items():
            count = max(gauge.read(true, chance), 0)
            readings.append(
                Reading(
                    id=f"{read.feature}.{spot}".replace(" ", "-"), part=tried.part, feature=read.feature, spot=spot,
                    count=count, typed=f"{count / 25_400_000:.5f}", unit=Unit.INCH, gauge=read.gauge.id, by="bench",
                    at=NOON,
                )
            )  # fmt: skip
    sheets = {"bores": bore_limits(), "rings": ring_limits(), **tried.on}
    scope = (_SCOPE[tried.kind],)
    return loose(
        tuple(readings),
        scope=scope,
        bores={},
        on=sheets,
        looked=False,
        house_rules=HouseRules(spread_k=0),
        gauges=(MIC, HOLE, LEAF),
    )


@dataclass
class Count:
    """How often a figure was called what, and how often that was wrong."""

    called: Counter[str] = field(default_factory=Counter)
    wrong: Counter[str] = field(default_factory=Counter)
    at_limit: Counter[str] = field(default_factory=Counter)
    far: Counter[str] = field(default_factory=Counter)

    def share(self, state: str) -> float:
        """The share of what was called so that is in truth otherwise."""
        return self.wrong[state] / max(self.called[state], 1)


def tried_out(tried: Tried, times: int, seed: int) -> Count:
    """A figure tried so often around its limit, and so often exactly at it."""
    chance, found = random.Random(seed), Count()
    for _ in range(times):
        away = round(chance.uniform(-tried.past, tried.past))
        value = tried.limit + away
        state, doubt = called(tried, value, chance)
        beyond = away < 0 if tried.is_least else away > 0
        found.called[state] += 1
        found.wrong[state] += (state == "within" and beyond) or (state == "beyond" and not beyond)
        if abs(away) > 3 * doubt:
            found.far["beyond" if beyond else "inside"] += 1
            found.far["wrong reuse"] += beyond and state == "within"
            found.far["wrong replace"] += state == "beyond" and not beyond
        found.at_limit[called(tried, tried.limit, chance)[0]] += 1
    return found


def called(tried: Tried, value: int, chance: random.Random) -> tuple[str, float]:
    """What a part of that true value is called, and the standard doubt of its figure in nm; a reading that is asked
    about is called nothing."""
    judged, one = judge(job_of(tried, value, chance)), _SCOPE[tried.kind]
    figures = judged.trade(one).findings(judged.decided[one], tried.part)
    found = next((figure for figure in figures if figure.key == tried.key), None)
    return ("held", 0.0) if found is None else (found.called.value, found.doubt_nm)
