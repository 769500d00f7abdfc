"""One reading at the server, and how that grows with the job: a landing, a draft, opening the bench.

The figures: milliseconds inside the server process, from the request to its answer, the median (and the least) of
30, with the session, the checks, the assessment, the disk and the writing of the answer; and the bytes of the
answer. Jobs of a V12 crank, and of the whole V12, of about 150 and 1,500 readings. The ratio is that of the two.
"Cold" is a job of which nothing is kept in the server's memory. What is wanted stands beside each.
"""

import gc
import os
import statistics
import sys
import tempfile
import time
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

ROOT = Path(__file__).parents[1]
sys.path[:0] = [str(ROOT), str(ROOT / "bench")]
FOLDER = tempfile.TemporaryDirectory()
os.environ.update(DATA_DIR=FOLDER.name, DJANGO_SETTINGS_MODULE="workshop.config.settings")

import django  # noqa: E402

django.setup()

from django.core.management import call_command  # noqa: E402
from django.test import Client  # noqa: E402
from jobs import v_twelve  # noqa: E402

from bench.told import told  # noqa: E402
from halfthou.exchange import write_job  # noqa: E402
from halfthou.jobs import Job, JobFile  # noqa: E402
from workshop.jobs.actions import take_in_job  # noqa: E402
from workshop.people.models import Person, Role  # noqa: E402
from workshop.record.kept import forget_all  # noqa: E402

TIMES = 30


def timed(call: Callable[[int], object], times: int = TIMES) -> tuple[float, float]:
    """The median and the least of so many calls, in milliseconds."""
    taken = []
    for nth in range(times):
        start = time.perf_counter()
        call(nth)
        taken.append((time.perf_counter() - start) * 1000)
    return statistics.median(taken), min(taken)


class Bench:
    """One client on one job."""

    def __init__(self, client: Client, job: int) -> None:
        self.client, self.path, self.state = client, f"/api/jobs/{job}", ""
        self.bytes: list[int] = []

    def post(self, rest: str, body: dict[str, Any]) -> Any:
        """Ask the server; what came back."""
        answer = self.client.post(f"{self.path}/{rest}", body, content_type="application/json")
        if answer.status_code != 200:
            raise SystemExit(answer.content[:300])
        self.bytes.append(len(answer.content))
        return answer.json()

    def land(self, nth: int) -> None:
        """Land one reading more, on one rod journal after the other."""
        reading = {
            "fact": "reading", "id": f"new{nth}", "part": f"R{nth % 6 + 1}", "spot": "1a", "typed": "2.0373",
            "unit": "in", "gauge": "mic", "at": "2031-05-05T12:00:00Z",
        }  # fmt: skip
        self.state = self.post("facts", {"have": self.state, "facts": [reading]})["changed"]["state"]

    def draft(self, nth: int) -> None:
        """Ask what typed text would mean."""
        self.post(
            "draft", {"part": "R1", "spot": "1a", "typed": f"2.03{70 + nth % 9}", "unit": "in", "gauge": "mic"}
        )

    def open(self, _: int) -> None:
        """Open the bench."""
        self.client.get(self.path)

    def open_cold(self, _: int) -> None:
        """Open it with nothing kept."""
        forget_all()
        self.client.get(self.path)


def jobs() -> Iterator[tuple[str, Job]]:
    """The jobs, by what they are."""
    for name, whole, times in (
        ("crank", False, 1),
        ("crank", False, 10),
        ("whole V12", True, 1),
        ("whole V12", True, 5),
    ):
        job = v_twelve(times, whole=whole)
        yield f"{name}, {len(job.readings):,} readings", job.model_copy(update={"number": f"{name} {times}"})


def main() -> None:
    """Measure, and print each figure."""
    call_command("migrate", verbosity=0)
    owner = Person(username="owner", role=Role.OWNER)
    owner.set_password("owner-half-thou")
    owner.save()
    client = Client()
    client.force_login(owner, backend="django.contrib.auth.backends.ModelBackend")
    gc.collect()
    gc.freeze()
    gc.set_threshold(50_000, 20, 20)
    landings = []
    for what, job in jobs():
        bench = Bench(client, take_in_job(owner, write_job(JobFile(job=job))).record.pk)
        opened, cold = timed(bench.open, 20), timed(bench.open_cold, 6)
        draft = timed(bench.draft)
        bench.land(9_999)
        bench.bytes.clear()
        landing = timed(bench.land)
        landings.append(landing)
        small, greatest = what == "crank, 156 readings", what.endswith("1,560 readings")
        for name, (median, _), wanted in (
            ("landing", landing, 13 if small else None), ("draft", draft, 3), ("opening", opened, None),
            ("opening cold", cold, 60 if greatest else None),
        ):  # fmt: skip
            told(f"{what}: {name}", median, "ms", wanted)
        size = statistics.median(bench.bytes) / 1000
        told(f"{what}: a landing's answer", size, "kB", 7.5 if small else None, speed=False)
    for what, at in (("crank", 0), ("whole V12", 2)):
        ratio = landings[at + 1][0] / landings[at][0]
        told(f"{what}: a landing on the greater job, times as long", ratio, "", 1.2, speed=False)


main()
