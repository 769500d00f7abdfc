"""How long one assessment of a V12 takes, and how that stands to plain numpy on the same readings.

The figures: milliseconds, the median of many calls in one run; and the ratio to numpy computing the sizes, minima
and ovalities of the same readings, without verdicts, words or exact lengths. Wanted: under 15 ms with
slips, uncertainty and staleness: the last line has a setting check, warm parts, stale readings and a slip as well.
"""

import gc
import statistics
import time
from collections.abc import Callable

import numpy as np
from jobs import PLAN, v_twelve, with_state

from halfthou.assess import assess
from halfthou.jobs import Job

CALLS = 300


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
}
for what, job in jobs.items():
    assess(job)
    ours, numpys = median_ms(lambda job=job: assess(job)), median_ms(plain_numpy(job))
    print(f"{what}: {ours:.2f} ms; numpy {numpys:.3f} ms; {ours / numpys:.0f} times")
