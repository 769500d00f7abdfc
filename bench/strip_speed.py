"""How long a V12 with 48 valves takes: its list worked out, its report, and what changes of it by one step.

Prints ratios to a plain loop of the same machine, measured in one run, and the milliseconds beside them: read the
ratios; milliseconds say only what this machine did just now. Run: `python bench/strip_speed.py`.
"""

from __future__ import annotations

import sys
import time
from collections.abc import Callable
from pathlib import Path

sys.path.insert(0, str(Path(__file__).resolve().parents[1]))

from halfthou.engines import described, usual_engines
from halfthou.jobs import Job, StepDone
from halfthou.lengths import Notation, Unit
from halfthou.parts import CATALOGUE
from halfthou.strip import strip_list, strip_report
from halfthou.strip.order import ordered
from tests.stripping import at_the_door, fact

TWELVE = next(one for one in usual_engines() if one.name == "V twelve, four cams, chain")
SAY = Notation.usual(Unit.MM)


def best(work: Callable[[], object], times: int = 7) -> float:
    """The least time of several, in milliseconds of processor."""
    found = []
    for _ in range(times):
        begun = time.process_time()
        work()
        found.append((time.process_time() - begun) * 1_000)
    return min(found)


#: Every step of it, done.
DONE = [fact(StepDone, n, step=step.id) for n, step in enumerate(strip_list(TWELVE))]


def stripped(steps: int) -> Job:
    """A job on the V12, so many steps done."""
    job = at_the_door(*DONE[:steps], engine="V twelve")
    return job.model_copy(update={"limits": job.limits.model_copy(update={"layout": TWELVE})})


def main() -> None:
    """Print the figures."""
    loop = best(lambda: sum(n * n for n in range(100_000)))
    steps = strip_list(TWELVE)
    half, one_more = stripped(len(steps) // 2), stripped(len(steps) // 2 + 1)
    before = {one.id: one.model_dump_json() for one in strip_report(half, SAY).steps}
    after = {one.id: one.model_dump_json() for one in strip_report(one_more, SAY).steps}
    changed = sum(len(text) for key, text in after.items() if before[key] != text)
    print(f"V12, 48 valves: {len(CATALOGUE.places(TWELVE))} places, {len(steps)} steps")
    for name, work in (
        ("list worked out", lambda: ordered(described(TWELVE))),
        ("report of half a strip", lambda: strip_report(half, SAY)),
    ):
        took = best(work)
        print(f"{name}: {took / loop:.1f} loops of 100,000 squares ({took:.1f} ms)")
    print(f"steps that change by one step more: {changed:,} bytes")


if __name__ == "__main__":
    main()
