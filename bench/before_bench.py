"""The door, the looks, the strip and its pictures: what they cost at the server and in the browser.

`ratio` is against the bench of the same job in the same run; it stays nearly the same on a slower machine.
"""

import io
import json
import os
import shutil
import statistics
import sys
import tempfile
import time
from collections.abc import Callable
from pathlib import Path

sys.path.insert(0, str(Path(__file__).parents[1]))
FOLDER = tempfile.mkdtemp(prefix="half-thou-bench-")
os.environ.update(DATA_DIR=FOLDER, DJANGO_SETTINGS_MODULE="workshop.config.settings", DEMO="1")

import django  # noqa: E402

django.setup()
import logging  # noqa: E402

logging.disable(logging.WARNING)
import numpy as np  # noqa: E402
from django.core.management import call_command  # noqa: E402
from django.db import transaction  # noqa: E402
from django.test import Client  # noqa: E402
from django.utils import timezone  # noqa: E402
from PIL import Image  # noqa: E402

from halfthou.lengths import Notation, Unit  # noqa: E402
from halfthou.strip import looks_of, strip_list, strip_report  # noqa: E402
from workshop.jobs import actions  # noqa: E402
from workshop.people.models import Person  # noqa: E402
from workshop.record.models import JobRecord  # noqa: E402


def middle(times: int, run: Callable[[], object]) -> float:
    """The middle of several runs, in ms."""
    found = []
    for _ in range(times):
        start = time.perf_counter()
        run()
        found.append((time.perf_counter() - start) * 1000)
    return statistics.median(found)


def jpeg(width: int, height: int, seed: int) -> bytes:
    """A picture as a phone makes it: noise on a gradient, held on its side."""
    grain = np.random.default_rng(seed).integers(0, 60, (height // 8, width // 8, 3), dtype=np.uint8)
    points = (
        np.kron(grain, np.ones((8, 8, 1), dtype=np.uint8))
        + np.linspace(0, 150, width, dtype=np.uint8)[None, :, None]
    )
    exif, out = Image.Exif(), io.BytesIO()
    exif[0x0112] = 6
    Image.fromarray(points).save(out, "JPEG", quality=88, exif=exif)
    return out.getvalue()


def main() -> None:
    """Print the figures."""
    call_command("furnish_demo", verbosity=0)
    record = JobRecord.objects.get(number="57")
    person = Person.objects.get(username="machinist")
    client = Client()
    client.force_login(person, backend="django.contrib.auth.backends.ModelBackend")
    print(f"the V8's strip list: {len(strip_list(actions.open_job(record.pk, person).job.limits.layout))} steps")

    large = jpeg(4032, 3024, 1)
    start = time.perf_counter()
    given = actions.TakingPicture(id="large", on="engine", at=timezone.now())
    actions.add_picture(person, record.pk, given, large)
    taken = time.perf_counter() - start
    print(f"a picture of 12 megapixels, {len(large) / 1e6:.1f} MB: {taken:.2f} s at the server (wanted under 2 s)")

    with transaction.atomic(), actions.judged_together(person):
        for n in range(200):
            given = actions.TakingPicture(id=f"p{n}", on="engine", at=timezone.now())
            actions.add_picture(person, record.pk, given, jpeg(320, 240, n + 2))
    path = f"/api/jobs/{record.pk}"
    bench = middle(15, lambda: client.get(path))
    for view in ("door", "looks", "strip", "pictures"):
        took = middle(15, lambda view=view: client.get(f"{path}/{view}"))  # type: ignore[misc]
        print(f"{view:9} {took:6.1f} ms, {took / bench:.2f} times the bench")
    print(f"{'bench':9} {bench:6.1f} ms with 200 pictures in the job (wanted under 150 ms)")
    size = len(client.get(f"{path}/strip").content)
    print(f"the strip list is {size / 1000:.0f} kB as JSON")

    job = actions.open_job(record.pk, person).job
    say = Notation.usual(Unit.INCH)
    print(f"strip report alone {middle(15, lambda: strip_report(job, say)):.1f} ms, "
          f"looks alone {middle(15, lambda: looks_of(job)):.1f} ms")  # fmt: skip
    left = [step.id for step in strip_list(job.limits.layout) if not any(d.step == step.id for d in job.steps_done)]
    steps = iter(left)

    def land() -> None:
        body = {"have": "", "facts": [{"fact": "step", "id": f"s{next(count)}", "step": next(steps), "unseen": True,
                                       "mark": True, "at": timezone.now().isoformat()}]}  # fmt: skip
        client.post(f"{path}/facts", json.dumps(body), content_type="application/json")

    count = iter(range(10_000))
    print(f"a step lands in {middle(15, land):.1f} ms, with the whole bench in its answer")


if __name__ == "__main__":
    try:
        main()
    finally:
        shutil.rmtree(FOLDER, ignore_errors=True)
