"""The board of the evidence, asked after each key that grades a half bearing.

The figures: milliseconds from the request to its whole answer over the loopback, the median of 30, on the demo's
engine whose evidence is read; and its bytes.
"""

import json
import statistics
import sys
import time
from pathlib import Path

sys.path.insert(0, str(Path(__file__).parents[1]))
from bench.furnished import demo_shop
from bench.told import told
from tests.serving import serving
from tests.visiting import Visitor

JOB = "Tide gate winch engine"

with demo_shop() as folder, serving(folder) as server:
    visitor = Visitor(server, "machinist")
    job = next(one["id"] for one in visitor.ask("GET", "/api/rack")["jobs"] if one["title"] == JOB)
    board = visitor.ask("GET", f"/api/jobs/{job}/evidence")
    halves = [half["id"] for half in board["halves"]]
    grades = [grade["answer"] for grade in board["grades"]]
    asked, landed = [], []
    for n in range(30):
        graded = {
            "fact": "seen", "id": f"board.{n}", "on": halves[n % len(halves)], "look": "overlay",
            "answer": grades[n % len(grades)], "at": "2031-05-04T12:00:00Z",
        }  # fmt: skip
        start = time.perf_counter()
        visitor.ask("POST", f"/api/jobs/{job}/facts", {"facts": [graded]})
        landed.append((time.perf_counter() - start) * 1000)
        start = time.perf_counter()
        board = visitor.ask("GET", f"/api/jobs/{job}/evidence")
        asked.append((time.perf_counter() - start) * 1000)
    told("board asked with each key", statistics.median(asked), "ms", 50)
    told("a grade lands", statistics.median(landed), "ms")
    told("the board's answer", len(json.dumps(board)) / 1000, "kB", speed=False)
