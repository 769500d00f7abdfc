"""Every speed with what is wanted beside it: make bench. The demo shop is furnished once for all of them.

A yardstick of plain Python is measured beside each: a figure is shown also as it would be on the machine that the
wanted ones were set on. Nothing fails by a figure.
"""

import json
import os
import subprocess
import sys
import tempfile
import time
from pathlib import Path

sys.path.insert(0, str(Path(__file__).parents[1]))
from bench.told import YARDSTICK_MS, yardstick
from tests.serving import ROOT, manage

ORDER = (
    "assess_speed", "pairing", "weighing", "landing", "before_bench", "board", "full_rack", "bundle_size",
    "key_to_verdict", "line_to_verdict", "strip_drawn", "kept_readings", "many_writers", "upgrade",
)  # fmt: skip


def main() -> None:
    """Run them one after the other, then print the table."""
    began = time.perf_counter()
    with tempfile.TemporaryDirectory() as folder:
        shop, table = Path(folder) / "shop", Path(folder) / "table"
        shop.mkdir()
        start = time.perf_counter()
        manage(shop, "furnish_demo")
        print(f"the demo furnished in {time.perf_counter() - start:.1f} s", flush=True)
        env = {**os.environ, "BENCH_SHOP": str(shop), "BENCH_TABLE": str(table)}
        for name in ORDER:
            start = time.perf_counter()
            print(f"--- {name}", flush=True)
            subprocess.run([sys.executable, f"bench/{name}.py"], cwd=ROOT, env=env, check=False)
            print(f"    {time.perf_counter() - start:.0f} s", flush=True)
        print(f"\nthe yardstick: {yardstick():.0f} ms; {YARDSTICK_MS:.0f} ms is 1")
        print(f"{'measured':>12} {'by yardstick':>13} {'wanted':>9}")
        for line in table.read_text(encoding="utf-8").splitlines():
            what, figure, unit, wanted, factor = json.loads(line)
            print(f"{figure:9.3g} {unit:3} {figure / factor:9.3g} {unit:3} {wanted:6g} {unit:3} {what}")
    print(f"{time.perf_counter() - began:.0f} s in all")


if __name__ == "__main__":
    main()
