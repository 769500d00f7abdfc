"""A V12 of every kind for the benches: crank, bearings, bores, pistons, rings and pump, about a thousand readings.
Sizes are invented."""

from __future__ import annotations

import sys
from pathlib import Path

from jobs import TENTH, v_twelve

from halfthou.jobs import GaugeKind, Job

sys.path.insert(0, str(Path(__file__).resolve().parents[1]))
from tests.loosen import SCALE, SOUND, SPRING, piston_limits, pump_limits, ring_limits

EVERYTHING = ("mains", "rods", "bores", "pistons", "rings", "pump")
#: What is read at each piston, ring and pump: the feature, the gauge, its spots, and the count in tenths of a thou
#: (a weight in milligrams, a force in millinewtons).
PISTON = (
    ("skirt", "mic", ("1a",), 39_976),
    ("pin bore", "hole", ("1a", "1b", "2a", "2b"), 9_803),
    ("pin", "mic", ("1a", "2a", "3a"), 9_801),
    ("groove 1", "leaf", ("1a", "1b"), 20),
    ("groove 2", "leaf", ("1a", "1b"), 20),
    ("weight", "sure-scale", ("1a",), 512_000),
)
PUMP = (
    ("end clearance", "leaf", ("1a", "1b"), 25),
    ("tip clearance", "leaf", ("1a", "1b"), 35),
    ("backlash", "leaf", ("1a",), 80),
    ("spring load", "sure-spring", ("1a",), 45_000),
)


def whole_engine(times: int) -> Job:
    """A V12 of every kind, every spot read so many times."""
    bare = v_twelve(times, whole=True)
    mic = bare.gauges[0]
    gauges = (
        *bare.gauges,
        mic.model_copy(update={"id": "hole", "name": "hole", "kind": GaugeKind("telescoping gauge")}),
        mic.model_copy(update={"id": "leaf", "name": "leaf", "kind": GaugeKind("feeler gauge")}),
        SCALE,
        SPRING,
    )
    spots = [
        *((f"piston-{n}", *one) for n in range(1, 13) for one in PISTON),
        *(
            (f"ring-{n}.{ring}", "closed gap", "leaf", ("1a",), 180 + 10 * ring)
            for n in range(1, 13)
            for ring in (1, 2, 3)
        ),
        *(("pump", *one) for one in PUMP),
    ]
    amounts = {SCALE.id, SPRING.id}
    more = tuple(
        bare.readings[0].model_copy(
            update={
                "id": f"{part}.{feature}.{spot}.{time}".replace(" ", "-"),
                "part": part,
                "feature": feature,
                "spot": spot,
                "gauge": gauge,
                "count": count if gauge in amounts else count * TENTH,
            }
        )
        for time in range(times)
        for part, feature, gauge, where, count in spots
        for spot in where
    )
    sets = {"pistons": piston_limits(), "rings": ring_limits(), "pump": pump_limits()}
    limits = bare.limits.model_copy(update={"sets": {**bare.limits.sets, **sets}})
    return bare.model_copy(
        update={
            "limits": limits,
            "scope": EVERYTHING,
            "gauges": gauges,
            "readings": (*bare.readings, *more),
            "seen": SOUND,
        }
    )
