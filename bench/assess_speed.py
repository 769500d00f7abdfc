"""How long one assessment of a V12 takes, and how that stands to plain numpy on the same readings.

The figures: milliseconds, the median of many calls in one run; and the ratio to numpy computing the sizes, minima
and ovalities of the same readings, without verdicts, words or exact lengths. "One more" is an assessment with a
memo, one reading after the other. "In every state" has a
setting check, warm parts, stale readings and a slip too.
"""

import gc
import statistics
import time
from collections.abc import Callable

import numpy as np
from jobs import PLAN, v_twelve, with_state
from loose import whole_engine
from told import told

from halfthou.assess import assess
from halfthou.jobs import Job
from halfthou.memo import Memo

CALLS = 60


def median_ms(call: Callable[[], object]) -> float:
    times = []
    for _ in range(CALLS):
        start = time.perf_counter()
        call()
        times.append((time.perf_counter() - start) * 1000)
    return statistics.median(times)


def plain_numpy(job: Job) -> Callable[[], object]:
    """Means, minima, two-point and fitted ovality of every plane, as numpy arrays."""
    newest = {(r.part, r.spot): r.size.nm for r in job.readings}
    names = job.limits.layout.shaft
    sizes = np.array([[newest[name, spot] for spot in PLAN.spots] for name in names], dtype=float)

    def compute() -> object:
        planes = sizes.reshape(len(names), PLAN.planes, -1)
        turn = np.exp(-2j * np.radians(np.array(PLAN.angles_deg)))
        fitted = 4 / planes.shape[2] * np.abs(planes @ turn)
        return planes.mean(axis=2), planes.min(axis=(1, 2)), np.ptp(planes, axis=2), fitted

    return compute


def one_more_ms(job: Job) -> float:
    """An assessment after one reading more, with what was worked out before: the median over many readings."""
    memo = Memo()
    assess(job, memo)
    times = []
    for nth in range(CALLS):
        reading = job.readings[nth % len(job.readings)]
        job = job.model_copy(update={"readings": (*job.readings, reading.model_copy(update={"id": f"more.{nth}"}))})
        start = time.perf_counter()
        assess(job, memo)
        times.append((time.perf_counter() - start) * 1000)
    return statistics.median(times)


# As in the server (workshop/config/asgi.py): what is loaded is left out of garbage collection.
gc.collect()
gc.freeze()
gc.set_threshold(50_000, 20, 20)

jobs = {
    "assess, V12, 156 readings": v_twelve(1),
    "assess, V12, 312 readings": v_twelve(2),
    "assess, V12, 156 readings in every state": with_state(v_twelve(1)),
    "assess, whole V12 with its bores, 312 readings": v_twelve(1, whole=True),
    "assess, whole V12 with its bores, 624 readings": v_twelve(2, whole=True),
    "assess, whole V12 with its bores, 1,248 readings": v_twelve(4, whole=True),
    f"assess, V12 of every kind, {len(whole_engine(1).readings)} readings": whole_engine(1),
    f"assess, V12 of every kind, {len(whole_engine(2).readings)} readings": whole_engine(2),
}
for what, job in jobs.items():
    assess(job)
    ours, numpys = median_ms(lambda job=job: assess(job)), median_ms(plain_numpy(job))
    more = one_more_ms(job)
    every = "every kind" in what
    told(what, ours, "ms", 60 if every else None)
    told(f"{what}: one reading more", more, "ms", 5 if every else None)
    told(f"{what}: times plain numpy", ours / numpys, "", None, speed=False)
