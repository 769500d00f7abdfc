"""How long the pairing of pistons to bores takes with its proof, and how that stands to scipy on the same table.

The figures: milliseconds, the median of many tables in one run, ours with the proof checked; and the ratio to
scipy.optimize.linear_sum_assignment, which gives no proof. Wanted: 16 pistons with spares under 5 ms.
"""

import random
import statistics
import time

import numpy as np
from scipy.optimize import linear_sum_assignment

from halfthou.sets.pairing import best_pairing

TABLES = 200
#: Far dearer than any pair: what must not be together, for scipy, which knows no None.
FORBIDDEN = 10**9


def tables(bores: int, pistons: int) -> list[list[list[int | None]]]:
    """What each pair costs: how far its clearance is off the target, nanometres; one pair in ten forbidden."""
    chance = random.Random(16)
    made = []
    for _ in range(TABLES):
        holes = [chance.randrange(0, 20_000) for _ in range(bores)]
        skirts = [chance.randrange(0, 20_000) for _ in range(pistons)]
        made.append([[None if chance.random() < 0.1 else abs(hole - skirt) for skirt in skirts] for hole in holes])
    return made


for bores, pistons in ((4, 5), (8, 10), (12, 14), (16, 20)):
    ours, theirs = [], []
    for table in tables(bores, pistons):
        start = time.perf_counter()
        found = best_pairing(table)
        if found is not None and not found.proven(table):
            raise SystemExit("a pairing without its proof")
        ours.append((time.perf_counter() - start) * 1000)
        dear = np.array([[FORBIDDEN if cost is None else cost for cost in row] for row in table])
        start = time.perf_counter()
        linear_sum_assignment(dear)
        theirs.append((time.perf_counter() - start) * 1000)
    mine, its = statistics.median(ours), statistics.median(theirs)
    of = f"{bores} bores, {pistons} pistons"
    print(f"pairing, {of}, proven: {mine:.2f} ms; scipy {its:.3f} ms; {mine / its:.0f} times")
