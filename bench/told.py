"""How a bench says what it measured: the figure, what is wanted beside it, and the machine it was measured on."""

import json
import os
import statistics
import time

#: What the yardstick takes on the machine that the wanted figures were set on, when it is quiet: milliseconds.
YARDSTICK_MS = 45.0


def yardstick() -> float:
    """Milliseconds for a fixed piece of plain Python, the median of nine: how fast this machine is just now."""
    found = []
    for _ in range(9):
        start = time.perf_counter()
        for n in range(60):
            json.loads(json.dumps({f"k{i}": [i * n, str(i), i / 7] for i in range(300)}))
        found.append((time.perf_counter() - start) * 1000)
    return statistics.median(found)


def told(what: str, figure: float, unit: str, wanted: float | None = None, *, speed: bool = True) -> None:
    """Print a figure with what is wanted beside it. Where `speed` says that a machine decides, also as it would be
    on the machine that the wanted figure was set on, by a yardstick measured there and then."""
    words = f"{what}: {figure:.3g} {unit}"
    speed = speed and unit in ("ms", "s")
    factor = yardstick() / YARDSTICK_MS if speed else 1
    if speed:
        words += f" ({figure / factor:.3g} by the yardstick)"
    if wanted is not None:
        words += f", wanted {wanted:g}"
    print(words, flush=True)
    if wanted is not None and "BENCH_TABLE" in os.environ:
        with open(os.environ["BENCH_TABLE"], "a", encoding="utf-8") as table:
            table.write(json.dumps([what, figure, unit, wanted, factor]) + "\n")
