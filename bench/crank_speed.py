"""How long the crank and tunnel of a V12 take to judge: run-out every 45 degrees, journals, housings.

Prints ratios to a plain loop of the same machine, measured in one run, and the milliseconds beside them: read the
ratios; milliseconds say only what this machine did just now. Run: `python bench/crank_speed.py`.
"""

from __future__ import annotations

import sys
from pathlib import Path

sys.path.insert(0, str(Path(__file__).resolve().parents[1]))

from bench.strip_speed import best
from halfthou.assess import assess
from halfthou.jobs import Job, Plan, Reading
from halfthou.memo import Memo
from tests.making import MICROMETER, PERFECT, band, job, limits, readings, sheet
from tests.straight import DIAL, TENTHS, allowed, turned
from tests.tunnelled import GOOD, HOLE, bores
from tests.tunnelled import allowed as tunnel_allowed

SCOPE = ("straightness", "tunnel", "mains", "rods")
PLAN = Plan(planes=5, angles_deg=(0, 30, 60, 90, 120, 150))


def twelve(scope: tuple[str, ...] = SCOPE) -> Job:
    """The crank and tunnel of a V12, read whole, or its journals alone."""
    known = sheet(mains=limits("2.4135", "2.4143", housing_bore=band("2.6021", "2.6027")), of="V twelve")
    sets = {**known.sets, "straightness": allowed(), "tunnel": tunnel_allowed()}
    layout = known.layout
    sizes = {**dict.fromkeys(layout.mains, ["2.4140"] * 30), **dict.fromkeys(layout.rods, ["2.0375"] * 30)}
    besides = [one for main in layout.mains for one in (*turned(main, "0.0004", 40), *bores(main, GOOD))]
    read = besides if scope == SCOPE else []
    return job(
        looked=False,
        limits=known.model_copy(update={"sets": sets}),
        scope=scope,
        gauges=(MICROMETER, PERFECT, DIAL, TENTHS, HOLE),
        plans={"mains": PLAN, "rods": PLAN},
        readings=(*readings(sizes, plan=PLAN), *read),
    )


def with_one_more(whole: Job, part: str, n: int) -> Job:
    """The same with one reading of a part taken again. One of an end main moves every place of the shaft: the line
    goes through it."""
    first = next(one for one in whole.readings if one.part == part)
    again: Reading = first.model_copy(update={"id": f"again.{n}", "count": first.count + n})
    return whole.model_copy(update={"readings": (*whole.readings, again)})


def main() -> None:
    """Print the figures."""
    loop = best(lambda: sum(n * n for n in range(100_000)))
    whole = twelve()
    memo, turns = Memo(), iter(range(1, 1_000))
    assess(whole, memo)
    print(f"V12: {len(whole.readings)} readings of crank and tunnel")
    for name, took in (
        ("judged from nothing", best(lambda: assess(whole))),
        ("one more at main 3", best(lambda: assess(with_one_more(whole, "run-out-M3", next(turns)), memo))),
        ("one more at main 1, an end", best(lambda: assess(with_one_more(whole, "run-out-M1", next(turns)), memo))),
    ):
        print(f"{name}: {took / loop:.1f} loops of 100,000 squares ({took:.1f} ms)")
    alone, kept = twelve(("mains", "rods")), Memo()
    assess(alone, kept)
    one, other = (
        best(lambda job=job, known=known: assess(with_one_more(job, "R3", next(turns)), known))
        for job, known in ((whole, memo), (alone, kept))
    )
    print(f"one more of a rod journal, beside the same on a job of journals alone: {one / other:.2f} times as long")


if __name__ == "__main__":
    main()
